/**
 * What sun and air make of a printed skin: its temperature, and what strength that leaves. Temperatures in
 * °C.
 */

/**
 * A place the aircraft gets hot in. Sun in W/m², heat given to the air in W/m²K, warming of the air itself in
 * K.
 */
export interface HeatCase {
  id: 'flying' | 'field' | 'car'
  label: string
  sun: number
  transfer: number
  airRise: number
}

/**
 * Clear summer sun; still air 10–15 W/m²K (natural convection and radiation), moving air four times that; a
 * closed car 25 K warmer inside, with the sun through glass.
 */
export const HEAT_CASES: readonly HeatCase[] = [
  { id: 'flying', label: 'in the air', sun: 900, transfer: 50, airRise: 0 },
  { id: 'field', label: 'on the field, still air', sun: 900, transfer: 12, airRise: 0 },
  { id: 'car', label: 'in a parked car', sun: 600, transfer: 9, airRise: 25 },
]

export interface Colour {
  id: 'white' | 'bright' | 'dark' | 'black'
  label: string
  /** Share of the sun that is taken up. */ absorbed: number
}
export const COLOURS: readonly Colour[] = [
  { id: 'white', label: 'white', absorbed: 0.25 },
  { id: 'bright', label: 'bright', absorbed: 0.45 },
  { id: 'dark', label: 'dark', absorbed: 0.75 },
  { id: 'black', label: 'black', absorbed: 0.92 },
]

/** T = T_air + αG/h: a thin skin square to the sun that keeps no heat. */
export const skinTemperature = (
  air: number,
  { sun, transfer, airRise }: HeatCase,
  absorbed: number,
): number => air + airRise + (absorbed * sun) / transfer

/** Data sheets are measured at this temperature. */
export const SHEET_C = 23
/**
 * Strength and stiffness left, falling straight from the data sheet's temperature to nothing at softening;
 * never more than on the sheet.
 */
export const strengthLeft = (softening: number, temperature: number): number =>
  Math.min(1, Math.max(0, (softening - temperature) / Math.max(1, softening - SHEET_C)))
