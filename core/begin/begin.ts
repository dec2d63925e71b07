/**
 * From a brief to several layouts, each really sized and assessed, best first. The same brief gives the same
 * answer.
 */
import { createAssessor, travelOf, type Assessment } from '../assess'
import { costOf, HOUR_IN_GRAMS } from '../change'
import { checkProject, DocumentError, type ProjectFile } from '../document'
import { LIBRARIES, type Libraries } from '../libraries'
import { q, say, type Words } from '../units'
import { givenUp, whyNothing, type GaveUp } from './given-up'
import { LAYOUTS } from './layouts'
import { PURPOSES, type LayoutId } from './purposes'
import { shelfWith } from './own-shelf'
import { NothingPulls, sizeLayout, type Means, type Sized } from './size'
import { mustPart, type Wishes } from './wishes'

export interface Begun {
  kind: LayoutId
  label: string
  means: string
  project: ProjectFile
  /** The way there: each a document, the last the project. */
  steps: Sized['steps']
  gaveUp: GaveUp[]
  figures: BegunFigures
  verdicts: Assessment['verdicts']
  drawing: Assessment['drawing']
}

export interface BegunFigures {
  massG: number
  spanMm: number
  areaDm2: number
  lengthMm: number
  /** Of the longest part that it comes to, where it must go into a box; else null. */
  longestPartMm: number | null
  stallMs: number
  glide: number
  staticMarginPct: number
  reserve: number
  hours: number
  pieces: number
  cost: number
  motor: string
  propeller: string
  battery: string
}

export interface Refused {
  kind: LayoutId
  label: string
  why: Words
}

export interface Beginning {
  layouts: Begun[]
  refused: Refused[]
}

export interface Progress {
  /** 0 to 1. */
  share: number
  /** What is being sized. */
  label: string
  /** Those that are ready, best first. */
  ready: Begun[]
}

/** Wishes that were given up count before grams and hours. */
const order = (item: Begun): number =>
  1e6 * item.gaveUp.length + item.figures.massG + HOUR_IN_GRAMS * item.figures.hours

/** A layout that fails is tried with the chord of habit, then for a stall so much faster, and faster still. */
const FASTER = 1.12
const TRIES = [
  { faster: 1, slender: true },
  { faster: 1, slender: false },
  { faster: FASTER, slender: true },
  { faster: FASTER ** 2, slender: true },
] as const

/** Its span as wished goes into the box in halves alone. */
const inHalves = (kind: LayoutId, wishes: Wishes): boolean =>
  LAYOUTS[kind].parts && mustPart(wishes, wishes.spanMaxMm ?? PURPOSES[wishes.purpose].spanMaxMm)

/** In halves once; where those do not hold, as large as a whole wing may be. */
const triesFor = (kind: LayoutId, wishes: Wishes) =>
  inHalves(kind, wishes)
    ? [{ ...TRIES[0], parts: true }, ...TRIES.map(item => ({ ...item, parts: false }))]
    : TRIES.map(item => ({ ...item, parts: true }))

/** Best first. */
export const ranked = (layouts: readonly Begun[]): Begun[] => [...layouts].sort((a, b) => order(a) - order(b))

/** Wishes that may be given up. */
const MAY_GO: ReadonlySet<GaveUp['wish']> = new Set(['stall', 'box', 'wheels'])

/** Places along the span that are looked at while a layout is turned. */
const QUICK = 10

/** `kinds`: of those that the purpose asks for, where the work is shared. */
export function* begin(
  wishes: Wishes,
  kinds: readonly LayoutId[] = PURPOSES[wishes.purpose].layouts,
  shelf: Libraries = LIBRARIES,
): Generator<Progress, Beginning> {
  const libraries = shelfWith(shelf, wishes)
  const means: Means = {
    quick: createAssessor(libraries, { stations: QUICK, hours: false }),
    full: createAssessor(libraries),
    libraries,
  }
  const layouts: Begun[] = [],
    refused: Refused[] = []
  const ready = () => ranked(layouts)
  for (const [i, kind] of kinds.entries()) {
    const { label } = LAYOUTS[kind]
    const progress = (share: number): Progress => ({
      share: (i + share) / kinds.length,
      label,
      ready: ready(),
    })
    try {
      const made = yield* begun(kind, wishes, means, progress)
      if ('why' in made) refused.push({ kind, label, why: made.why })
      else layouts.push(made)
    } catch (fault) {
      if (fault instanceof NothingPulls) refused.push({ kind, label, why: whyNothing(wishes, fault) })
      // Larger or smaller than a project can say.
      else if (fault instanceof DocumentError) refused.push({ kind, label, why: fault.message })
      else throw fault
    }
  }
  return { layouts: ready(), refused }
}

function* begun(
  kind: LayoutId,
  wishes: Wishes,
  means: Means,
  progress: (share: number) => Progress,
): Generator<Progress, Begun | { why: Words }> {
  const { label, means: what } = LAYOUTS[kind]
  const told = function* <T>(work: Generator<number, T>, from: number): Generator<Progress, T> {
    for (;;) {
      const step = work.next()
      if (step.done) return step.value
      yield progress(from + step.value / 2)
    }
  }
  const stallMs = wishes.stallMaxMs ?? PURPOSES[wishes.purpose].stallMs
  let sized!: Sized,
    gaveUp: GaveUp[] = [],
    first: GaveUp | null = null,
    failing: GaveUp | undefined,
    by = 1
  for (const { faster, slender, parts } of triesFor(kind, wishes)) {
    by = faster
    const asked = { ...wishes, stallMaxMs: stallMs * faster }
    sized = yield* told(sizeLayout(kind, asked, means, slender, parts), 0)
    for (const { doc } of sized.steps) checkProject(doc)
    gaveUp = yield* told(givenUp(sized, asked, means), 0.5)
    // What does not balance, bear or go together is no offer. A smaller one that lands faster may be.
    failing = gaveUp.find(({ wish }) => !MAY_GO.has(wish))
    if (!failing) break
    // What a wing in halves cannot does not stand against a whole one.
    if (!parts || !inHalves(kind, wishes)) first ??= failing
  }
  if (failing && first) return { why: say`${first.words}; it would take: ${first.cost}` }
  if (first && by > 1)
    gaveUp = [
      {
        wish: 'stall',
        words: say`stalls at ${q(sized.assessment.flight.stallMs, 'm/s', 1)} instead of ${q(stallMs, 'm/s', 1)}`,
        cost: say`one that large ${first.words}; ${first.cost}`,
      },
      ...gaveUp.filter(({ wish }) => wish !== 'stall'),
    ]
  const { assessment: now } = sized
  const { kit } = sized.sketch
  // While it is sized nobody lays it into its box.
  const boxed = (own: ProjectFile): ProjectFile =>
    wishes.boxMm ? { ...own, brief: { ...own.brief, travelBoxMm: wishes.boxMm } } : own
  const steps = sized.steps.map(({ title, doc }) => ({ title, doc: boxed(doc) }))
  return {
    kind,
    label,
    means: what,
    project: steps.at(-1)!.doc,
    steps,
    gaveUp,
    figures: {
      massG: now.totals.massG,
      spanMm: now.plan.spanMm,
      areaDm2: now.plan.areaDm2,
      lengthMm: now.drawing.box.maxX - now.drawing.box.minX,
      longestPartMm: wishes.boxMm && travelOf(means.full.airframe(sized.doc), null).longestMm,
      stallMs: now.flight.stallMs,
      glide: now.flight.bestGlide,
      staticMarginPct: now.flight.staticMarginPct,
      reserve: now.strength.reserve,
      hours: now.totals.hours,
      pieces: now.pieces.length,
      cost: costOf(now),
      motor: kit.motor.name,
      propeller: kit.turns.name,
      battery: kit.battery.name,
    },
    verdicts: now.verdicts,
    drawing: now.drawing,
  }
}

/** All of it at once. */
export function beginAll(wishes: Wishes): Beginning {
  const work = begin(wishes)
  for (;;) {
    const step = work.next()
    if (step.done) return step.value
  }
}
