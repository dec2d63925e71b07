/**
 * The whole space of what may vary: tabulated with the real kernel, gone through exactly, and the fronts of
 * those combinations that hold what must hold.
 */
import type { Assessment, Assessor } from '../../assess'
import { createAssessor } from '../../assess'
import { DocumentError, type ProjectFile } from '../../document'
import { LIBRARIES, type Libraries } from '../../libraries'
import { gToKg, mmToM, type Words } from '../../units'
import { costOf } from '../../change'
import { designOf } from './chosen-design'
import { heldPlaces } from './held-places'
import { brokenBy } from './holds'
import type { PrinterOf } from './piece-parts'
import { createSearch, type Near, type Search } from './search'
import { createTabulator, indexIn, massRange, tabulate, type Tables, type Tabulator } from './tables'
import { combinations, dimensions, MOST_WAYS, type Dimension, type Vary } from './vary'
import { createWeigher, type Weigher } from './weigher'
import { wingClasses, wingDims } from './wing-classes'
import { bodyStations, boomFrame, gearOf, createWingBearing } from '../../assessment/strength'
import { createStall } from '../../assessment/flight'

export interface StudyPoint {
  /**
   * Its number among all combinations, and the option taken in each dimension, by index and in words, by the
   * id of its zone or spar.
   */
  id: number
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
  broken: Words[]
  /** Pieces that go to another printer than now. */
  printers: PrinterOf
}

/** As far as a study has come: enough to go on from there. */
export interface StudyState {
  done: number
  front: number[]
  sure: number[]
  near: number[]
}

export interface StudyProgress {
  phase: 'tabulating' | 'combining' | 'checking'
  done: number
  of: number
  evaluated: number
  /** Not beaten so far, of which `front` holds some. */ found: number
  front: StudyPoint[]
  state: StudyState | null
}

export interface StudyResult {
  evaluated: number
  of: number
  /**
   * Not beaten in weight, hours, cost and reserve; and in weight, hours, cost and the chance to meet every
   * target. Lightest first.
   */
  front: StudyPoint[]
  sure: StudyPoint[]
  /**
   * Lighter than the lightest of the front, and missing one thing alone: by thing, the least relaxed first.
   */
  nearly: StudyPoint[]
  /** Who prints what, as given out for the design as it is. */
  printerOf: PrinterOf
  /**
   * Points of the front assessed again from nothing, and the greatest difference in any of the four verdicts,
   * as a share.
   */
  checked: { points: number; worst: number }
  stopped: boolean
  state: StudyState
}

/** What is kept from study to study of the same aircraft. */
export interface StudyKernel {
  assessor: Assessor
  libraries: Libraries
  stall: ReturnType<typeof createStall>
  bearing: ReturnType<typeof createWingBearing>
  tabulatorFor(doc: ProjectFile): Tabulator
}

export function createStudyKernel(libraries: Libraries = LIBRARIES): StudyKernel {
  let kept: { key: unknown[]; tabulator: Tabulator } | null = null
  return {
    assessor: createAssessor(libraries),
    libraries,
    stall: createStall(),
    bearing: createWingBearing(),
    tabulatorFor(doc) {
      // What a piece brings depends on these besides its shape and zone.
      const key = [doc.printers, doc.spools, doc.weighIns, doc.allowances, doc.calibrations, doc.printerOf]
      if (!kept || kept.key.some((item, i) => item !== key[i]))
        kept = { key, tabulator: createTabulator(libraries) }
      return kept.tabulator
    },
  }
}

/** Points of the front that are assessed again, and sent while a study runs. */
const CHECKED = 12,
  SHOWN = 80
/** Steps to what relaxing one thing buys. */
const NEAR_STEPS = 3
/** ms between two looks at whether to go on, and combinations between two looks at the clock. */
const SLICE_MS = 40,
  STRIDE = 512

/** A space made ready to be gone through; null where it was stopped. */
export interface Prepared {
  tables: Tables
  search: Search
  weigher: Weigher
  printerOf: PrinterOf
  pointOf(id: number): StudyPoint
  ways(): { classes: number; runs: number }
}

export async function prepare(
  kernel: StudyKernel,
  doc: ProjectFile,
  vary: Vary,
  progress: (done: number, of: number) => boolean | Promise<boolean>,
): Promise<Prepared | null> {
  const { libraries, assessor } = kernel,
    { must } = vary
  const list = dimensions(doc, vary, libraries),
    now = assessor.assess(doc),
    tabulator = kernel.tabulatorFor(doc)
  const printerOf = Object.fromEntries(
    now.pieces.flatMap(piece => (piece.printer ? [[piece.id, piece.printer]] : [])),
  )
  const first = tabulator.resolve(doc),
    flown = assessor.flown(doc)
  const landsOn = gearOf(first, gToKg(now.totals.massG), now.totals.cgMm[0]).report.on
  const tables = await tabulate(
    {
      tabulator,
      doc,
      list,
      printerOf,
      frame: boomFrame(first),
      bodyAt: bodyStations(first).map(({ xMm }) => mmToM(xMm)),
      soft: id =>
        (libraries.filaments.find(item => item.id === id)?.softeningC ?? Infinity) <
        (must.softeningMinC ?? -Infinity),
      shelf: must.onShelf
        ? [
            ...new Set([
              ...doc.zones.map(zone => zone.filament),
              ...list.flatMap(item =>
                item.options.flatMap(option => (option.zone ? [option.zone.filament] : [])),
              ),
            ]),
          ]
        : [],
    },
    progress,
  )
  if (!tables) return null
  const dims = wingDims(tables),
    ways = dims.reduce((product, dim) => product * list[dim].options.length, 1)
  if (ways > MOST_WAYS)
    throw new DocumentError(
      'zones',
      `${ways.toLocaleString('en')} ways to build the wing; at most ${MOST_WAYS.toLocaleString('en')} are loaded: fewer options for its zones and spars`,
    )
  const classes = wingClasses({
    tables,
    flown,
    stall: kernel.stall,
    bearing: kernel.bearing,
    massFrom: massRange(tables)[0],
  })
  const held = heldPlaces({
    tables,
    flight: flown.solved,
    alphaStall: flown.alphaStall,
    landsOn,
  })
  const { flight, plan } = now
  const weigher = createWeigher({
    tables,
    classes,
    held,
    must,
    aims: {
      neutralPointMm: flight.neutralPointMm,
      neutralPointSigmaMm: flight.neutralPointSigmaMm,
      macMm: plan.macMm,
      foreMm: flight.cgRangeMm[0],
      aftMm: flight.cgRangeMm[1],
    },
  })
  const search = createSearch(tables, weigher, dims, doc.brief.printHours)
  const pointOf = (id: number): StudyPoint => {
    const picks = search.picksOf(id)
    const { massG, staticMarginPct, reserveFactor, hours, cost } = weigher.weigh(
      search.sumsOf(picks).slice(0, tables.layout.deciding),
      picks,
      true,
    )
    return {
      id,
      picks,
      choices: choicesOf(list, picks),
      massG,
      staticMarginPct,
      reserveFactor,
      hours,
      cost,
      chance: weigher.chance(search.sumsOf(picks)),
      broken: [],
      printers: printersOf(tables, picks, printerOf),
    }
  }
  return { tables, search, weigher, printerOf, pointOf, ways: classes.counts }
}

const choicesOf = (list: readonly Dimension[], picks: readonly number[]): Record<string, string> =>
  Object.fromEntries(list.map((item, k) => [item.key.split(':')[1], item.options[picks[k]].label]))

const printersOf = ({ pieces, list }: Tables, picks: readonly number[], printerOf: PrinterOf): PrinterOf =>
  Object.fromEntries(
    pieces.flatMap(({ piece, dims, parts }) => {
      const { printer } = parts[indexIn(dims, list, picks)]
      return printer && printer !== printerOf[piece.id] ? [[piece.id, printer]] : []
    }),
  )

/**
 * `progress` is asked often, with what was found so far now and then; false stops. `from` goes on where a
 * study of the same space stood.
 */
export async function study(
  kernel: StudyKernel,
  doc: ProjectFile,
  vary: Vary,
  progress: (now: () => StudyProgress) => boolean | Promise<boolean>,
  from: StudyState | null = null,
): Promise<StudyResult> {
  const nothing: StudyState = from ?? { done: 0, front: [], sure: [], near: [] }
  const ready = await prepare(kernel, doc, vary, (done, of) =>
    progress(() => ({
      phase: 'tabulating',
      done,
      of,
      evaluated: nothing.done,
      found: 0,
      front: [],
      state: null,
    })),
  )
  if (!ready)
    return {
      evaluated: nothing.done,
      of: combinations(dimensions(doc, vary, kernel.libraries)),
      front: [],
      sure: [],
      nearly: [],
      printerOf: {},
      checked: { points: 0, worst: 0 },
      stopped: true,
      state: nothing,
    }
  const { search, pointOf, printerOf, tables } = ready
  for (const id of new Set([...nothing.front, ...nothing.sure, ...nothing.near])) search.recall(id)
  search.done = nothing.done
  const state = (): StudyState => ({
    done: search.done,
    front: search.front.list(),
    sure: search.sure.list(),
    near: search.near.flatMap(list => list.map(item => item.id)),
  })
  let stopped = false
  while (search.done < search.of && !stopped) {
    const slice = Date.now() + SLICE_MS
    do search.run(STRIDE)
    while (Date.now() < slice && search.done < search.of)
    stopped = !(await progress(() => ({
      phase: 'combining',
      done: search.done,
      of: search.of,
      evaluated: search.done,
      found: search.front.count,
      front: thinned(search.front.list(), SHOWN).map(pointOf),
      state: state(),
    })))
  }
  const front = search.front.list().map(pointOf)
  const again = (point: StudyPoint): Assessment =>
    kernel.assessor.assess(designOf(doc, tables.list, point.picks, { ...printerOf, ...point.printers }))
  const nearly = nearest(search.near, front[0]?.massG ?? Infinity).map(({ id }) => {
    const point = pointOf(id)
    return {
      ...point,
      broken: brokenBy(doc, again(point), vary.must, kernel.libraries).map(item => item.words),
    }
  })
  const checked = { points: 0, worst: 0 }
  for (const point of thinned(front, CHECKED)) {
    if (
      !(await progress(() => ({
        phase: 'checking',
        done: checked.points,
        of: Math.min(CHECKED, front.length),
        evaluated: search.done,
        found: front.length,
        front: thinned(front, SHOWN),
        state: null,
      })))
    )
      break
    checked.worst = Math.max(checked.worst, difference(point, again(point)))
    checked.points++
  }
  return {
    evaluated: search.done,
    of: search.of,
    front,
    sure: search.sure.list().map(pointOf),
    nearly,
    printerOf,
    checked,
    stopped,
    state: state(),
  }
}

/**
 * Greatest difference of a point from its assessment, as a share; of the static margin, against one per cent
 * of the chord at least.
 */
export function difference(point: StudyPoint, a: Assessment): number {
  const share = (x: number, y: number, least = 1e-9) => Math.abs(x - y) / Math.max(least, Math.abs(y))
  return Math.max(
    share(point.massG, a.totals.massG),
    share(point.staticMarginPct, a.flight.staticMarginPct, 1),
    share(point.reserveFactor, a.strength.reserve),
    share(point.hours, a.totals.hours),
    share(point.cost, costOf(a)),
  )
}

/** So many, evenly out of all, both ends among them. */
function thinned<T>(list: readonly T[], most: number): T[] {
  return list.length <= most
    ? [...list]
    : Array.from({ length: most }, (_, i) => list[Math.round((i * (list.length - 1)) / (most - 1))])
}

/** Of each kind a few steps: the least relaxed, the lightest, and one between. */
function nearest(near: readonly Near[][], lightest: number): Near[] {
  return near.flatMap(list =>
    thinned(
      list.filter(item => item.massG < lightest).sort((a, b) => a.excess - b.excess),
      NEAR_STEPS,
    ),
  )
}
