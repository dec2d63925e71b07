/** What the brief's air and sun leave of plastic: the verdict on strength is that of a warm aircraft. */
import type { Design } from '../../document'
import type { SparLine } from '../../geometry'
import type { Filament } from '../../libraries'
import { COLOURS, HEAT_CASES, skinTemperature, strengthLeft, type HeatCase } from '../../structure'

/** Nothing is ever quite without strength: reserves stay finite. */
const LEAST_LEFT = 1e-3

/** Temperature of a skin in the brief's colour, °C. */
export function briefTemperature(doc: Design, place: HeatCase['id']): number {
  const colour = COLOURS.find(item => item.id === doc.brief.colour) ?? COLOURS[0]
  return skinTemperature(
    doc.brief.fieldTemperatureC,
    HEAT_CASES.find(item => item.id === place)!,
    colour.absorbed,
  )
}

/** The very same object while nothing is lost. */
export function heated(filament: Filament, temperatureC: number): Filament {
  const left = Math.max(LEAST_LEFT, strengthLeft(filament.softeningC, temperatureC))
  return left === 1
    ? filament
    : { ...filament, modulus: filament.modulus * left, strength: filament.strength * left }
}

/** Spars that are printed soften with everything else; the very same list where none is. */
export function softened(
  lines: readonly SparLine[],
  filaments: readonly Filament[],
  temperatureC: number,
): readonly SparLine[] {
  if (!lines.some(line => line.stock.printedIn)) return lines
  return lines.map(line => {
    const own = filaments.find(filament => filament.id === line.stock.printedIn)
    const left = own ? Math.max(LEAST_LEFT, strengthLeft(own.softeningC, temperatureC)) : 1
    return left === 1
      ? line
      : {
          ...line,
          stock: { ...line.stock, modulus: line.stock.modulus * left, strength: line.stock.strength * left },
        }
  })
}
