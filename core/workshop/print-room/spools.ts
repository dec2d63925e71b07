/** What the plates take off the spools: which one runs dry on which plate, what to buy, what failures cost. g */
import type { ProjectFile } from '../../document'
import type { Filament } from '../../libraries'
import type { PlannedPlate } from './plan'

export interface SpoolUse {
  spool: string
  name: string
  filament: string
  leftG: number
  after: Array<{ plate: string; marks: string[]; leftG: number }>
  /** The plate on which it runs dry, and by how much, g. */
  dryOn: { plate: string; marks: string[]; shortG: number } | null
}
export interface Shopping {
  filament: string
  grams: number
  /** Spools of the library's size, and what they cost. */
  spools: number
  cost: number
}
export interface Shelf {
  spools: SpoolUse[]
  buy: Shopping[]
  wastedG: number
  wastedCost: number
}

/** Plates in the order in which they begin; what is over took its grams already. */
export function shelfOf(
  doc: ProjectFile,
  plates: readonly PlannedPlate[],
  filaments: readonly Filament[],
): Shelf {
  const left = new Map(doc.spools.map(spool => [spool.id, spool.massG]))
  const uses = new Map<string, SpoolUse>(
    doc.spools.map(spool => [
      spool.id,
      {
        spool: spool.id,
        name: spool.name,
        filament: spool.filament,
        leftG: spool.massG,
        after: [],
        dryOn: null,
      },
    ]),
  )
  const missing = new Map<string, number>()
  const coming = plates
    .filter(plate => plate.state === 'waiting' || plate.state === 'printing')
    .sort((a, b) => (a.begins ?? Infinity) - (b.begins ?? Infinity))
  for (const plate of coming) {
    const use = uses.get(spoolFor(doc, plate, left) ?? '')
    if (!use) {
      missing.set(plate.filament, (missing.get(plate.filament) ?? 0) + plate.gramsOff)
      continue
    }
    const rest = left.get(use.spool)! - plate.gramsOff
    left.set(use.spool, Math.max(0, rest))
    use.after.push({ plate: plate.id, marks: plate.marks, leftG: Math.max(0, rest) })
    if (rest < 0) {
      use.dryOn ??= { plate: plate.id, marks: plate.marks, shortG: -rest }
      missing.set(plate.filament, (missing.get(plate.filament) ?? 0) - rest)
    }
  }
  const failed = plates.filter(plate => plate.state === 'failed')
  const priceOf = (filament: string): number =>
    doc.spools.findLast(spool => spool.filament === filament)?.pricePerKg ??
    filaments.find(item => item.id === filament)?.pricePerKg ??
    0
  return {
    spools: [...uses.values()],
    buy: [...missing].map(([filament, grams]) => {
      const size = filaments.find(item => item.id === filament)?.spoolG ?? 1000
      const spools = Math.ceil(grams / size)
      return { filament, grams, spools, cost: (spools * size * priceOf(filament)) / 1000 }
    }),
    wastedG: failed.reduce((sum, plate) => sum + plate.gramsOff, 0),
    wastedCost: failed.reduce((sum, plate) => sum + (plate.gramsOff * priceOf(plate.filament)) / 1000, 0),
  }
}

/** The one on the printer where it holds the filament; else the first on the shelf that has enough, or the fullest. */
export function spoolFor(
  doc: ProjectFile,
  plate: Pick<PlannedPlate, 'printer' | 'filament' | 'gramsOff' | 'record'>,
  left: ReadonlyMap<string, number>,
): string | null {
  const of = (id: string | null | undefined) =>
    doc.spools.find(spool => spool.id === id && spool.filament === plate.filament)
  const chosen = of(plate.record?.spool) ?? of(doc.printers.find(item => item.id === plate.printer)?.spool)
  if (chosen && (left.get(chosen.id) ?? 0) > 0) return chosen.id
  // What is on another printer is taken off it only where there is no other.
  const elsewhere = new Set(doc.printers.filter(item => item.id !== plate.printer).map(item => item.spool))
  const all = doc.spools.filter(spool => spool.filament === plate.filament)
  const free = all.filter(spool => !elsewhere.has(spool.id))
  const own = free.some(spool => (left.get(spool.id) ?? 0) > 0) ? free : all
  const room = (id: string) => left.get(id) ?? 0
  const enough = own.find(spool => room(spool.id) >= plate.gramsOff)
  if (enough) return enough.id
  const fullest = own.reduce<string | null>(
    (best, spool) => (best === null || room(spool.id) > room(best) ? spool.id : best),
    null,
  )
  return fullest !== null && room(fullest) > 0 ? fullest : null
}
