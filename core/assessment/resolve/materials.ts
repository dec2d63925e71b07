/** What zones are made of: filaments as they are printed, foam, film; cold, and warm as they fly. */
import { type Design, type ProjectFile, type Ribs } from '../../document'
import type { SparLine } from '../../geometry'
import { asMaterial, filmOr, foamOr, type Filament, type Libraries } from '../../libraries'
import { memoise, narrowed } from '../../memo'
import type { Covering } from '../../structure'
import { calibratedFilaments } from './calibrated-filaments'
import type { Designed } from './designed'
import { briefTemperature, heated, softened } from './warm'
import { makersOf, zoneFilament } from './zone-filament'

/** The same objects for the same zone: what hangs on them is known again. */
export function createMaterials(
  libraries: Libraries,
  remembered: number,
): (doc: Design) => Pick<Designed, 'filamentOf' | 'coveringOf' | 'warm'> {
  const zoneFilamentOf = memoise(zoneFilament, 4 * remembered)
  const coveringOf = memoise(
    (ribs: Ribs): Covering => ({ ribs, film: filmOr(libraries.films, ribs.film) }),
    4 * remembered,
  )
  const foamOf = memoise((id: string) => asMaterial(foamOr(libraries.foams, id)), remembered)
  const makers = narrowed(makersOf)
  const warmOf = memoise(heated, 4 * remembered)
  const warmLines = memoise(
    (lines: readonly SparLine[], temperatureC: number) => softened(lines, libraries.filaments, temperatureC),
    remembered,
  )
  const filamentsOf = memoise(
    (calibrations: ProjectFile['calibrations']) => calibratedFilaments(libraries.filaments, calibrations),
    remembered,
  )
  return doc => {
    const filaments = filamentsOf(doc.calibrations)
    const filamentOf: Designed['filamentOf'] = (zone): Filament => {
      // A piece of sheet names its foam where others name their filament.
      if (zone.sheet && zone.filament === zone.sheet.foam) return foamOf(zone.sheet.foam)
      const filament = filaments.find(f => f.id === zone.filament) ?? filaments[0]
      const { recipe } = zone
      return zoneFilamentOf(filament, recipe, makers(doc.printers), !libraries.filaments.includes(filament))
    }
    const temperatureC = briefTemperature(doc, 'flying')
    return {
      filamentOf,
      coveringOf: zone => (zone.ribs && !zone.sheet ? coveringOf(zone.ribs) : null),
      warm: {
        temperatureC,
        filamentOf: zone => warmOf(filamentOf(zone), temperatureC),
        lines: lines => warmLines(lines, temperatureC),
      },
    }
  }
}
