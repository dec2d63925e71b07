/**
 * What another filament would make of a zone, or of everything that is printed: mass, balance and its mend,
 * stall, hours, what to buy.
 */
import type { Assessment, Assessor } from '../../assess'
import type { ProjectFile } from '../../document'
import { LIBRARIES, recipeFor, type Filament, type Libraries } from '../../libraries'
import { admissible, apply, type Change } from '../../change'
import { batterySlide } from '../../workshop/balance'
import { q, say, type Words } from '../../units'

export interface FilamentSwap {
  filament: string
  name: string
  /** The filament that is there now, in every zone asked for. */
  present: boolean
  printedG: number
  massG: number
  staticMarginPct: number
  staticMarginEmptyPct: number
  /**
   * How far the battery would have to slide to centre it in the band, mm, negative forward; null without one.
   */
  slideMm: number | null
  /** The bay lets it. */
  slides: boolean
  stallMs: number
  reserve: number
  hours: number
  cost: number
  /** Of every filament that is short: g beyond what is on the shelf. */
  buy: Array<{ name: string; grams: number }>
  softeningC: number
  /** Why it cannot be printed as things are; empty where it can. */
  trouble: Words
  change: Change
}

/**
 * `zone` null: every zone. Each filament comes with the nozzle temperature and flow it wants; everything else
 * of the recipes stays.
 */
export function filamentSwaps(
  assessor: Assessor,
  doc: ProjectFile,
  zone: string | null,
  libraries: Libraries = LIBRARIES,
): FilamentSwap[] {
  const own = doc.zones.filter(item => zone === null || item.id === zone)
  return libraries.filaments.flatMap((filament): FilamentSwap[] => {
    const present = own.every(item => item.filament === filament.id)
    const change: Change = present
      ? {}
      : {
          zones: doc.zones.map(item => {
            const school =
              libraries.schools.find(school => school.id === item.recipe.school) ?? libraries.schools[0]
            if (!own.includes(item) || item.filament === filament.id) return item
            const { nozzleC, flow } = recipeFor(school, filament)
            return { ...item, filament: filament.id, recipe: { ...item.recipe, nozzleC, flow } }
          }),
        }
    const next = apply(doc, change)
    if (!admissible(next)) return []
    return [rowOf(next, assessor.assess(next), filament, present, change, libraries)]
  })
}

function rowOf(
  doc: ProjectFile,
  after: Assessment,
  filament: Filament,
  present: boolean,
  change: Change,
  libraries: Libraries,
): FilamentSwap {
  const slide = batterySlide(doc, after)
  const short = new Map<string, number>()
  for (const piece of after.pieces)
    if (piece.weighedG === null) short.set(piece.filament, (short.get(piece.filament) ?? 0) + piece.filamentG)
  const hot = doc.printers.every(printer => printer.nozzleMaxC < filament.nozzleC[0]),
    cold = filament.needsEnclosure && doc.printers.every(printer => !printer.enclosed)
  return {
    filament: filament.id,
    name: filament.name,
    present,
    printedG: after.totals.printedG,
    massG: after.totals.massG,
    staticMarginPct: after.flight.staticMarginPct,
    staticMarginEmptyPct: after.flight.staticMarginEmptyPct,
    slideMm: slide?.byMm ?? null,
    slides: slide?.fits ?? false,
    stallMs: after.flight.stallMs,
    reserve: after.strength.reserve,
    hours: after.totals.hours,
    cost: after.totals.cost,
    buy: [...short]
      .map(([id, grams]) => ({
        name: libraries.filaments.find(item => item.id === id)?.name ?? id,
        grams:
          grams -
          doc.spools.filter(spool => spool.filament === id).reduce((sum, spool) => sum + spool.massG, 0),
      }))
      .filter(item => item.grams > 0.5)
      .map(item => ({ ...item, grams: Math.ceil(item.grams) })),
    softeningC: filament.softeningC,
    trouble: hot
      ? say`no printer here reaches ${q(filament.nozzleC[0], '°C')}`
      : cold
        ? 'wants a warm enclosure; no printer here has one'
        : '',
    change,
  }
}
