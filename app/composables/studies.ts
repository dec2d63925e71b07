/** What a study is offered to vary: filaments at hand in every school for a zone, stock of the same kind for a spar. */
import type { ProjectFile } from '../../core/document'
import { LIBRARIES } from '../../core/libraries'
import type { Vary } from '../../core/study'

export interface Offer { title: string, value: string }
/** An option as text, so that a list can hold it. */
export const zoneOffers = (doc: ProjectFile): Offer[] => {
  const near = new Set([...doc.spools.map(spool => spool.filament), ...doc.zones.map(zone => zone.filament)])
  return LIBRARIES.filaments.filter(item => near.has(item.id)).flatMap(filament => LIBRARIES.schools.filter(school => school.id !== 'solid').map(school => ({ title: `${filament.name}: ${school.name.toLowerCase()}`, value: JSON.stringify({ filament: filament.id, school: school.id }) })))
}
export function sparOffers(stock: string): Offer[] {
  const own = LIBRARIES.stock.find(item => item.id === stock) ?? LIBRARIES.stock[0]!
  return [...LIBRARIES.stock.filter(item => item.id !== stock && item.shape === own.shape && item.modulus === own.modulus).map(item => ({ title: item.name, value: item.id })), { title: 'left out', value: '' }]
}

export type Picked = Record<string, string[]>
export interface Musts { weight: boolean, balance: boolean, strength: boolean, hours: boolean, shelf: boolean }

/** The present choice is always among the options. */
export function varyOf(doc: ProjectFile, zones: Picked, spars: Picked, musts: Musts): Vary {
  const { brief } = doc
  const chosen = (picked: Picked, here: readonly string[]) => Object.entries(picked).filter(([id, list]) => here.includes(id) && list.length)
  return {
    zones: Object.fromEntries(chosen(zones, doc.zones.map(zone => zone.id)).map(([id, list]) => [id, [{}, ...list.map(item => JSON.parse(item) as Vary['zones'][string][number])]])),
    spars: Object.fromEntries(chosen(spars, doc.spars.map(spar => spar.id)).map(([id, list]) => [id, [doc.spars.find(spar => spar.id === id)!.stock, ...list.map(item => item || null)]])),
    must: {
      ...(musts.weight ? { massMaxG: brief.targetMassG } : {}), ...(musts.balance ? { staticMarginPct: brief.staticMarginPct } : {}), ...(musts.strength ? { reserveMin: 1 } : {}), ...(musts.hours ? { hoursMax: brief.printHours } : {}), ...(musts.shelf ? { onShelf: true } : {}),
    },
  }
}
export const countOf = (vary: Vary): number => [...Object.values(vary.zones), ...Object.values(vary.spars)].reduce((product, list) => product * list.length, 1)
