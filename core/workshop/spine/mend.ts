/**
 * Ways to make the weakest place bear what it must, each really assessed; and all of it mended, step by step.
 */
import type { Assessment, Assessor } from '../../assess'
import type { ProjectFile } from '../../document'
import { LIBRARIES, type Libraries } from '../../libraries'
import {
  admissible,
  apply,
  costOf,
  HOUR_IN_GRAMS,
  hoursAnew,
  stops,
  type Change,
  type Step,
} from '../../change'
import { stepsFor } from './steps'
import { inMiddle, weaknesses, type Weakness } from './weakness'
import { type Words, listed } from '../../units'

export interface Strengthening {
  id: string
  title: Words
  /** Differences ready to fly with payload; hours are those of what must be printed anew. */
  grams: number
  hours: number
  cost: number
  /** Least reserve of the place it is for, and of the whole aircraft, after it. */
  placeAfter: number
  reserveAfter: number
  staticMarginAfterPct: number
  /** The place bears what it must. */
  mends: boolean
  change: Change
}

export interface Mending {
  /** What bears least now; null where everything bears enough. */
  weakness: Weakness | null
  /** Single changes for it, those that mend it first, cheapest first. */
  single: Strengthening[]
  /** Changes one after another until nothing fails; null where one is enough or none would do. */
  all: (Strengthening & { titles: Words[] }) | null
}

/** Steps tried at most until nothing fails. */
const ROUNDS = 10
/** Reserve that counts as mended: a hair over one, so that rounding does not undo it. */
const ENOUGH = 1.0005
/** Single changes shown. */
const SHOWN = 8

const harm = (item: Strengthening): number => item.grams + HOUR_IN_GRAMS * item.hours

/**
 * The reserve of a weakness in another assessment: of the same place; for the wing where its halves meet, or
 * the least of the rest.
 */
function reserveOf(weakness: Weakness, after: Assessment): number {
  if (weakness.part === 'wing')
    return after.strength.stations
      .filter(({ s }) => inMiddle(s) === inMiddle(weakness.atMm))
      .reduce((least, station) => Math.min(least, station.reserve), Infinity)
  const same = after.strength.places.filter(
    place =>
      place.part === weakness.part && place.subject === weakness.subject && place.mode === weakness.mode,
  )
  const near = same.length
    ? same
    : after.strength.places.filter(
        place => place.part === weakness.part && place.subject === weakness.subject,
      )
  return near.reduce((least, place) => Math.min(least, place.reserve), Infinity)
}

function judgeStep(
  before: Assessment,
  weakness: Weakness,
  { id, title, change }: Step,
  after: Assessment,
): Strengthening {
  const placeAfter = reserveOf(weakness, after)
  return {
    id,
    title,
    change,
    grams: after.totals.massG - before.totals.massG,
    hours: hoursAnew(before, after),
    cost: costOf(after) - costOf(before),
    placeAfter,
    reserveAfter: after.strength.reserve,
    staticMarginAfterPct: after.flight.staticMarginPct,
    mends: placeAfter >= ENOUGH,
  }
}

/** `assessor` should be one of its own; `wanted` null means until nothing fails, otherwise singles alone. */
export function mend(
  assessor: Assessor,
  doc: ProjectFile,
  libraries: Libraries = LIBRARIES,
  all = true,
): Mending {
  const before = assessor.assess(doc)
  const [weakness] = weaknesses(before)
  if (!weakness || weakness.reserve >= 1) return { weakness: null, single: [], all: null }
  const single = tried(assessor, doc, before, weakness, libraries)
  return {
    weakness,
    single: single.slice(0, SHOWN),
    all: all ? mendAll(assessor, doc, before, single, libraries) : null,
  }
}

function tried(
  assessor: Assessor,
  doc: ProjectFile,
  before: Assessment,
  weakness: Weakness,
  libraries: Libraries,
): Strengthening[] {
  const list = stepsFor(doc, before, weakness, libraries)
    .filter(step => admissible(apply(doc, step.change)))
    .flatMap(step => {
      // A change that stops the build elsewhere, such as a spar that breaks out of the section, mends
      // nothing.
      const after = assessor.assess(apply(doc, step.change))
      return stops(after) > stops(before) ? [] : [judgeStep(before, weakness, step, after)]
    })
  const helps = list.filter(item => item.placeAfter > weakness.reserve * (1 + 1e-6))
  return helps.sort(
    (a, b) =>
      Number(b.mends) - Number(a.mends) ||
      (a.mends ? harm(a) - harm(b) : b.placeAfter - a.placeAfter || harm(a) - harm(b)),
  )
}

function mendAll(
  assessor: Assessor,
  doc: ProjectFile,
  first: Assessment,
  single: readonly Strengthening[],
  libraries: Libraries,
): Mending['all'] {
  let now = doc,
    assessed = first,
    choices = single
  const titles: Words[] = []
  let change: Change = {}
  for (let round = 0; round < ROUNDS; round++) {
    const best = choices[0]
    if (!best) return null
    titles.push(best.title)
    change = { ...change, ...best.change }
    now = apply(now, best.change)
    assessed = assessor.assess(now)
    const [next] = weaknesses(assessed)
    if (!next || next.reserve >= 1) {
      return {
        id: 'all',
        title: listed(titles, '; then '),
        titles,
        change,
        grams: assessed.totals.massG - first.totals.massG,
        hours: hoursAnew(first, assessed),
        cost: costOf(assessed) - costOf(first),
        placeAfter: assessed.strength.reserve,
        reserveAfter: assessed.strength.reserve,
        staticMarginAfterPct: assessed.flight.staticMarginPct,
        mends: true,
      }
    }
    choices = tried(assessor, now, assessed, next, libraries)
  }
  return null
}
