/** Every combination of what may vary, each assessed for real, and the front of those that hold what must hold. */
import type { Assessment, Assessor } from '../assess'
import type { ProjectFile } from '../document'
import { LIBRARIES, type Libraries } from '../libraries'
import { costOf } from '../workshop'
import { Front } from './front'
import { chanceOfAll } from './robust'
import { dimensions, type Dimension, type Vary } from './vary'

export interface StudyPoint {
  /** Option taken in each dimension, by index; and in words, by the id of its zone or spar. */
  picks: number[]
  choices: Record<string, string>
  massG: number
  staticMarginPct: number
  reserveFactor: number
  hours: number
  cost: number
  /** That it meets all four targets of the brief, spreads counted. */
  chance: number
  /** What it does not hold, in words with figures; empty where it holds all. */
  broken: string[]
}

export interface StudyResult {
  evaluated: number
  of: number
  front: StudyPoint[]
  /** Lightest first: points lighter than the front's lightest that miss one thing alone, one for each thing. */
  nearly: StudyPoint[]
  /** Told to stop before the end. */
  stopped: boolean
}

/** The design with one option of every dimension. */
export function designOf(doc: ProjectFile, list: readonly Dimension[], picks: readonly number[]): ProjectFile {
  const zones = new Map(list.flatMap((item, k) => { const { zone } = item.options[picks[k]]; return zone ? [[zone.id, zone] as const] : [] }))
  const spars = new Map(list.flatMap((item, k) => { const { spar } = item.options[picks[k]]; return item.key.startsWith('spar:') ? [[item.key.slice(5), spar ?? null] as const] : [] }))
  return {
    ...doc, zones: zones.size ? doc.zones.map(zone => zones.get(zone.id) ?? zone) : doc.zones,
    spars: spars.size ? doc.spars.flatMap((spar) => { const found = spars.get(spar.id); return found === undefined ? [spar] : found ? [found] : [] }) : doc.spars,
  }
}

/** `assessor` should be one of its own. `progress` is asked before each combination with what was found so far; false stops. */
export async function study(assessor: Assessor, doc: ProjectFile, vary: Vary, progress: (done: number, of: number, front: readonly StudyPoint[]) => boolean | Promise<boolean>, libraries: Libraries = LIBRARIES): Promise<StudyResult> {
  const list = dimensions(doc, vary, libraries)
  const of = list.reduce((product, item) => product * item.options.length, 1)
  const front = new Front<StudyPoint>()
  const misses = new Map<string, StudyPoint>()
  const picks = list.map(() => 0)
  const finish = (evaluated: number, stopped: boolean): StudyResult => {
    const sorted = [...front.points].sort((a, b) => a.massG - b.massG || a.hours - b.hours)
    return { evaluated, of, stopped, front: sorted, nearly: [...misses.values()].filter(point => !sorted.length || point.massG < sorted[0].massG).sort((a, b) => a.massG - b.massG) }
  }
  for (let n = 0; n < of; n++) {
    if (!await progress(n, of, front.points)) return finish(n, true)
    const point = pointOf(doc, list, picks, assessor.assess(designOf(doc, list, picks)), vary, libraries)
    if (point.broken.length === 0) front.add(point)
    else if (point.broken.length === 1) {
      const kind = point.broken[0].split(' ')[0], known = misses.get(kind)
      if (!known || point.massG < known.massG) misses.set(kind, point)
    }
    // The last dimension turns fastest.
    for (let k = list.length - 1; k >= 0; k--) {
      if (++picks[k] < list[k].options.length) break
      picks[k] = 0
    }
  }
  return finish(of, false)
}

function pointOf(doc: ProjectFile, list: readonly Dimension[], picks: readonly number[], a: Assessment, { must }: Vary, libraries: Libraries): StudyPoint {
  const zones = new Set(a.pieces.map(piece => piece.filament))
  const figures = { massG: a.totals.massG, staticMarginPct: a.flight.staticMarginPct, reserveFactor: a.strength.reserve, hours: a.totals.hours, cost: costOf(a), chance: chanceOfAll(a) }
  const broken: string[] = []
  const [low, high] = must.staticMarginPct ?? [-Infinity, Infinity], worst = [a.flight.staticMarginPct, a.flight.staticMarginEmptyPct]
  if (must.massMaxG !== undefined && figures.massG > must.massMaxG) broken.push(`weight ${figures.massG.toFixed(0)} g over ${must.massMaxG} g`)
  if (worst.some(pct => pct < low || pct > high)) broken.push(`balance ${worst.map(pct => pct.toFixed(1)).join(' and ')} % outside ${low}–${high} %`)
  if (must.reserveMin !== undefined && figures.reserveFactor < must.reserveMin) broken.push(`strength ${figures.reserveFactor.toFixed(2)} under ${must.reserveMin}: ${a.strength.mode}, ${a.strength.where}`)
  if (must.hoursMax !== undefined && figures.hours > must.hoursMax) broken.push(`hours ${figures.hours.toFixed(1)} over ${must.hoursMax}`)
  if (must.costMax !== undefined && figures.cost > must.costMax) broken.push(`cost ${figures.cost.toFixed(2)} over ${must.costMax}`)
  if (must.softeningMinC !== undefined) {
    const soft = [...zones].map(id => libraries.filaments.find(item => item.id === id)).filter(item => item && item.softeningC < must.softeningMinC!)
    if (soft.length) broken.push(`heat: ${soft.map(item => item!.name).join(', ')} softens under ${must.softeningMinC} °C`)
  }
  if (must.onShelf) {
    const short = [...zones].filter(id => a.pieces.filter(piece => piece.filament === id && piece.weighedG === null).reduce((sum, piece) => sum + piece.filamentG, 0) > doc.spools.filter(spool => spool.filament === id).reduce((sum, spool) => sum + spool.massG, 0))
    if (short.length) broken.push(`shelf: not enough ${short.map(id => libraries.filaments.find(item => item.id === id)?.name ?? id).join(', ')}`)
  }
  return { picks: [...picks], choices: Object.fromEntries(list.map((item, k) => [item.key.split(':')[1], item.options[picks[k]].label])), ...figures, broken }
}
