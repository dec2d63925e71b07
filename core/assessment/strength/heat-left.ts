/** Flight loads of an airframe, and what heat leaves of its strength. */
import { COLOURS, HEAT_CASES, skinTemperature, strengthLeft } from '../../structure'
import type { SparLine } from '../../geometry'
import type { Filament } from '../../libraries'
import type { Airframe } from '../resolve'
import type { HeatReport } from '../report'

/** Filaments with what a temperature leaves of them; the very same objects while nothing is lost. */
function heated(filament: Filament, temperature: number): Filament {
  const left = strengthLeft(filament.softeningC, temperature)
  return left === 1
    ? filament
    : {
        ...filament,
        modulus: filament.modulus * Math.max(left, 1e-3),
        strength: filament.strength * Math.max(left, 1e-3),
      }
}

/** Spars that are printed soften with everything else. */
function softened(
  airframe: Airframe,
  filaments: readonly Filament[],
  temperature: number,
): Airframe['spars'] {
  const soft = (line: SparLine): SparLine => {
    const own = filaments.find(filament => filament.id === line.stock.printedIn)
    const left = own ? Math.max(1e-3, strengthLeft(own.softeningC, temperature)) : 1
    return left === 1
      ? line
      : {
          ...line,
          stock: { ...line.stock, modulus: line.stock.modulus * left, strength: line.stock.strength * left },
        }
  }
  return Object.fromEntries(
    Object.entries(airframe.spars).map(([name, lines]) => [
      name,
      lines.some(line => line.stock.printedIn) ? lines.map(soft) : lines,
    ]),
  )
}

/** Every place and colour; `reserveOf` computes the wing with other filaments. */
export function heatOf(
  airframe: Airframe,
  filaments: readonly Filament[],
  reserveOf: (airframe: Airframe) => number,
): HeatReport {
  const { doc } = airframe
  const air = doc.brief.fieldTemperatureC
  return {
    airC: air,
    colour: doc.brief.colour,
    cases: HEAT_CASES.flatMap(place =>
      COLOURS.map(colour => {
        const temperature = skinTemperature(air, place, colour.absorbed)
        const left = doc.zones.map(zone => ({
          zone: zone.id,
          name: zone.name,
          filament: airframe.filamentOf(zone).name,
          softeningC: airframe.filamentOf(zone).softeningC,
          left: strengthLeft(airframe.filamentOf(zone).softeningC, temperature),
        }))
        // Nobody loads the wing in a parked car; there only what sags matters.
        const reserve =
          place.id === 'car'
            ? null
            : reserveOf({
                ...airframe,
                spars: softened(airframe, filaments, temperature),
                filamentOf: zone => heated(airframe.filamentOf(zone), temperature),
              })
        return {
          place: place.id,
          placeLabel: place.label,
          colour: colour.id,
          colourLabel: colour.label,
          temperatureC: temperature,
          left,
          least: Math.min(...left.map(item => item.left)),
          reserve,
          stands: filaments
            .filter(filament => filament.softeningC > temperature + 5)
            .map(filament => filament.name),
        }
      }),
    ),
  }
}
