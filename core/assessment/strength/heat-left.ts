/** Flight loads of an airframe, and what heat leaves of its strength. */
import type { Zone } from '../../document'
import { COLOURS, HEAT_CASES, SHEET_C, skinTemperature, strengthLeft } from '../../structure'
import type { Filament } from '../../libraries'
import { heated, softened, type Designed } from '../resolve'
import type { HeatReport } from '../report'

/** Every place and colour; `reserveOf` computes the wing with other filaments. */
export function heatOf(
  airframe: Designed,
  filaments: readonly Filament[],
  reserveOf: (airframe: Designed) => number,
): HeatReport {
  const { doc } = airframe
  const air = doc.brief.fieldTemperatureC
  // Pieces that were printed in another filament than their zone is now.
  const kept = airframe.pieces
    .map(piece => piece.zone)
    .filter(zone => doc.zones.every(now => now.id !== zone.id || now.filament !== zone.filament))
    .filter((zone, i, all) => all.findIndex(item => item.id === zone.id) === i)
    .map((zone): Zone => ({ ...zone, id: `${zone.id} as printed`, name: `${zone.name}, as printed` }))
  return {
    airC: air,
    colour: doc.brief.colour,
    coldReserve: reserveOf({
      ...airframe,
      warm: { temperatureC: SHEET_C, filamentOf: airframe.filamentOf, lines: lines => lines },
    }),
    cases: HEAT_CASES.flatMap(place =>
      COLOURS.map(colour => {
        const temperature = skinTemperature(air, place, colour.absorbed)
        const left = [...doc.zones, ...kept].map(zone => ({
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
                warm: {
                  temperatureC: temperature,
                  filamentOf: zone => heated(airframe.filamentOf(zone), temperature),
                  lines: lines => softened(lines, filaments, temperature),
                },
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
