/** Sections that are known by a name, as makers write it: NACA designations, and flat plates by their thickness. */

/**
 * Four digits: camber and its place; five digits: design lift, place and reflex; a plate has no more than its thickness.
 * Shares of the chord.
 */
export type SectionName =
  | { family: 'plate'; thickness: number }
  | { family: 4; camber: number; place: number; thickness: number }
  | { family: 5; designLift: number; place: number; reflexed: boolean; thickness: number }

const PLATE_RANGE = [0.002, 0.4] as const

/** What a plate of so much of its chord is called, within what there is a name for. */
export const plateName = (thickness: number): string =>
  `plate${(100 * Math.min(PLATE_RANGE[1], Math.max(PLATE_RANGE[0], thickness))).toFixed(4)}`

/**
 * Reads `naca2412`, `NACA 23012`, `naca 23112`, `plate3.5` (a flat plate of 3.5 %); `null` for anything else.
 * Five-digit places run 0.05 to 0.25 (Jacobs, NACA TR 537); reflexed mean lines 0.10 to 0.25.
 */
export function aerofoilOf(name: string): SectionName | null {
  const plate = /^plate\s?(\d{1,2}(?:\.\d{1,4})?)$/i.exec(name.trim())?.[1]
  if (plate) {
    const thickness = Number(plate) / 100
    return thickness >= PLATE_RANGE[0] && thickness <= PLATE_RANGE[1] ? { family: 'plate', thickness } : null
  }
  const digits = /^naca[\s-]?(\d{4,5})$/i.exec(name.trim())?.[1]
  if (!digits) return null
  const thickness = Number(digits.slice(-2)) / 100
  if (thickness < 0.01 || thickness > 0.4) return null
  if (digits.length === 4) {
    const camber = Number(digits[0]) / 100
    const place = Number(digits[1]) / 10
    if ((camber === 0) !== (place === 0)) return null
    return { family: 4, camber, place, thickness }
  }
  const designLift = Number(digits[0]) * 0.15
  const place = Number(digits[1]) / 20
  const kind = digits[2]
  if (designLift === 0 || place < 0.05 || place > 0.25 || (kind !== '0' && kind !== '1')) return null
  if (kind === '1' && place < 0.1) return null
  return { family: 5, designLift, place, reflexed: kind === '1', thickness }
}
