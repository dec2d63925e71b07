/**
 * One layout, really sized: drawn, assessed, and turned until stall, balance and strength are met or a wish
 * must go. Over the same kernels as everything else.
 */
import { PADDING_MM, type Assessment, type Assessor } from '../assess'
import { apply, stops } from '../change'
import type { ProjectFile } from '../document'
import type { Libraries } from '../libraries'
import { GRAVITY, type Words } from '../units'
import { mend } from '../workshop/spine'
import { briefFor, cruiseOf, firstSketch, firstStock } from './first-sketch'
import { draftOf, drawSketch } from './draw'
import { DUCT } from './ducts'
import { chooseKit, some, type Kit } from './kit'
import { LAYOUTS } from './layouts'
import { PURPOSES, type LayoutId } from './purposes'
import { half, type Sketch } from './sketch'
import {
  areaFor,
  leastArea,
  armFor,
  ENOUGH,
  lighter,
  noseFor,
  packFor,
  same,
  stronger,
  sweepFor,
  told,
  within,
  type Held,
  type Seen,
} from './turned'
import { printersFor, spanLimit, type Wishes } from './wishes'

export interface Sized {
  layout: LayoutId
  /** As it came, turn by turn; the last is what is offered. */
  steps: Array<{ title: Words; doc: ProjectFile }>
  doc: ProjectFile
  assessment: Assessment
  sketch: Sketch
  /** Area was held back by the greatest span. */
  spanHeld: boolean
  stallWantedMs: number
  /** It was allowed to grow slender at its least span. */
  slender: boolean
  trouble: string[]
}

/** Nothing of the drawer pulls what is wanted, N. */
export class NothingPulls extends Error {
  constructor(
    readonly wantedN: number,
    readonly mostN: number,
    readonly massG: number,
  ) {
    super('nothing in the drawer pulls enough')
  }
}

export interface Means {
  /** Looks at few places along the span, while it is turned. */
  quick: Assessor
  /** What the offer is told by. */
  full: Assessor
  libraries: Libraries
}

/** Turns at most, the last mending apart. */
const ROUNDS = 18
/** Rounds of lightening and shrinking at the end, and turns at most of one shrinking. */
const PASSES = 3,
  SHRINKING = 7
/** The stall aimed at, over what is wanted: below it rather than above; and as near as it is brought. */
const AIM = 0.99,
  NEAR = 0.01
/** Left free on a bed for brims, mm; the thickest section, with what sweep adds to a standing piece. */
const BED_EDGE = 8,
  THICKEST = 0.25
/** Stall lift coefficient that the first area is drawn by. */
const FIRST_CL = 1.15
/** Least arm that a short box leads to, mean chords. */
const LEAST_ARM = 2.2

/**
 * Aspect ratio over its habit at the least span. A short chord carries less of a balance: not every layout
 * takes it.
 */
const SLENDER = 1.25

/**
 * `slender`: whether it may grow so; else its least span has the chord of habit, which weighs more. `parts`: whether its
 * halves may part for a box.
 */
export function* sizeLayout(
  id: LayoutId,
  wishes: Wishes,
  { quick, full, libraries }: Means,
  slender = true,
  parts = true,
): Generator<number, Sized> {
  const layout = LAYOUTS[id],
    purpose = PURPOSES[wishes.purpose],
    stallMs = wishes.stallMaxMs ?? purpose.stallMs,
    spanMax = Math.min(layout.mostSpanMm, spanLimit(wishes, purpose.spanMaxMm, parts && layout.parts))
  const packs = some(libraries.batteries, wishes.drawer.batteries)
  let massG = 1.5 * (wishes.payloadG ?? purpose.payloadG) + (stallMs < 6.5 ? 220 : 450)
  const first = (2 * (massG / 1000) * GRAVITY * 1e6) / (1.2 * FIRST_CL * stallMs ** 2)
  // A sketch has the area of all its wings: two of half of it span and measure as one does by the root of two.
  const together = Math.sqrt(layout.wings ?? 1)
  const held: Held = {
    aspect: purpose.aspect,
    mostAspect: (slender ? SLENDER : 1) * purpose.aspect,
    spanMm: together * spanMax,
    leastSpanMm: Math.min(purpose.leastSpanMm, spanMax),
    chordMm: together * (bedChord(wishes) / layout.rootOverMean),
  }
  let sketch = within(firstSketch(massG, first, purpose, wishes, kitFor(massG), libraries), held)
  const drawn = (own: Sketch) =>
    drawSketch(id, wishes, own, briefFor(wishes, purpose, stallMs, spanMax, massG, 40, topMs), {
      quick,
      libraries,
    })
  const steps: Sized['steps'] = []
  let title: Words = 'Drawn by the usual proportions',
    topMs = 0,
    spanHeld = false,
    before: Seen | null = null,
    doc!: ProjectFile,
    now!: Assessment
  for (let round = 0; round < ROUNDS; round++) {
    yield round / ROUNDS
    doc = drawn(sketch)
    steps.push({ title, doc })
    now = quick.assess(doc)
    massG = now.totals.massG
    // As fast as it goes level, it will be flown.
    topMs = Math.max(topMs, 1.03 * (now.findings.find(item => item.code === 'faster-than-held')?.value ?? 0))
    const seen: Seen = { areaMm2: sketch.areaMm2, stallMs: now.flight.stallMs }
    const met = Math.abs(seen.stallMs / stallMs - AIM) <= NEAR
    const least = leastOf(sketch)
    const free = Math.max(least, met ? sketch.areaMm2 : areaFor(AIM * stallMs, seen, before))
    before = seen
    let next = within({ ...sketch, areaMm2: free }, held)
    spanHeld = next.areaMm2 < free * 0.999
    const stays = spanHeld || free <= least * 1.001
    next = balanced(next, sketch, now, round >= 3)
    if (now.tailIncidenceDeg !== null && round < 5)
      next.tailDeg = Math.max(-4, Math.min(7, Math.round(2 * now.tailIncidenceDeg) / 2))
    if (now.stall.tipMarginDeg < 1 && sketch.washoutDeg < 4 && round > 0 && round < 5)
      next.washoutDeg = sketch.washoutDeg + 0.5
    if (wishes.boxMm && longest(now) + 2 * PADDING_MM > wishes.boxMm[0] && sketch.arm > LEAST_ARM)
      next.arm = Math.max(LEAST_ARM, sketch.arm * 0.93)
    next = {
      ...next,
      ...(round < 3
        ? {
            kit: sameKit(sketch.kit, kitFor(massG)),
            ...firstStock(massG, now.plan.spanMm, purpose, wishes, libraries),
          }
        : stronger(sketch, now, wishes, libraries)),
    }
    if (round >= 3 && (met || stays) && now.strength.reserve >= ENOUGH && same(next, sketch)) break
    title = told(sketch, next, layout.balances)
    sketch = next
  }
  // What is lighter stalls slower than asked, and so needs less wing, which is lighter again.
  for (let pass = 0; pass < PASSES; pass++) {
    for (const other of lighter(sketch, wishes, libraries)) {
      yield 0.8 + 0.05 * pass
      const tried = { ...sketch, ...other }
      const made = drawn(tried),
        after = quick.assess(made)
      if (after.totals.massG > now.totals.massG - 0.3 || !bears(after) || stops(after) > stops(now)) continue
      sketch = tried
      doc = made
      now = after
      steps.push({ title: 'Lighter where it bears more than it must', doc })
    }
    const smaller = yield* shrunk(sketch, now)
    if (!smaller) break
    ;({ sketch, doc, now } = smaller)
    steps.push({ title: 'Smaller, as it had become lighter', doc })
  }
  const put = (said: Words, made: ProjectFile) => {
    if (made === doc) return
    doc = made
    now = full.assess(doc)
    steps.push({ title: said, doc })
  }
  now = full.assess(doc)
  put('Battery where it balances', slide(doc, now))
  if (now.strength.reserve < 1) {
    const { all, single } = mend(full, doc, libraries, true)
    const change = all?.change ?? single.find(item => item.mends)?.change
    if (change) put('Strengthened where it bears least', apply(doc, change))
    put('Battery where it balances', slide(doc, now))
  }
  put('Targets by what came out', {
    ...doc,
    brief: briefFor(
      wishes,
      purpose,
      Math.max(stallMs, Math.ceil(10 * now.flight.stallMs) / 10),
      Math.max(spanMax, now.plan.spanMm),
      now.totals.massG,
      now.totals.hours,
      topMs,
    ),
  })
  return {
    layout: id,
    steps,
    doc,
    assessment: now,
    sketch,
    spanHeld,
    stallWantedMs: stallMs,
    slender,
    trouble: troubleOf(now),
  }

  function leastOf(own: Sketch): number {
    return Math.max(layout.leastAreaMm2(draftOf(wishes, own, libraries)), leastArea(held))
  }

  /** What comes next, with the nose, arm and pack, or the sweep, that balance what was assessed. */
  function balanced(next: Sketch, own: Sketch, seen: Assessment, mayPack: boolean): Sketch {
    if (layout.balances !== 'nose') return { ...next, sweepDeg: sweepFor(own, seen) }
    const range = [
      layout.leastNose(draftOf(wishes, own, libraries)),
      layout.mostNose * seen.plan.macMm,
    ] as const
    return {
      ...next,
      noseMm: noseFor(own, seen, range),
      arm: armFor(own, seen, range, purpose.arm),
      ...(mayPack ? { kit: packFor(own, seen, range[1], purpose.arm, packs) } : {}),
    }
  }

  /**
   * The same with the area that its stall asks for now; null where it asks for no less, or where less does not
   * hold.
   */
  function* shrunk(
    from: Sketch,
    before: Assessment,
  ): Generator<number, { sketch: Sketch; doc: ProjectFile; now: Assessment } | null> {
    let own = from,
      seen = before,
      made: ProjectFile | null = null
    for (let round = 0; round < SHRINKING; round++) {
      yield 0.9
      const met = seen.flight.stallMs / stallMs > AIM - NEAR
      const free = met
        ? own.areaMm2
        : areaFor(AIM * stallMs, { areaMm2: own.areaMm2, stallMs: seen.flight.stallMs }, null)
      const next = balanced(
        within({ ...own, areaMm2: Math.min(own.areaMm2, Math.max(leastOf(own), free)) }, held),
        own,
        seen,
        false,
      )
      if (same(next, own)) break
      own = next
      made = drawn(own)
      seen = quick.assess(made)
      if (!bears(seen) || stops(seen) > stops(before)) return null
    }
    const holds = troubleOf(seen).length <= troubleOf(before).length && seen.flight.stallMs <= stallMs
    return made && holds && seen.totals.massG < before.totals.massG - 0.3
      ? { sketch: own, doc: made, now: seen }
      : null
  }

  function kitFor(grams: number): Kit {
    const ask = {
      massG: grams,
      cruiseMs: cruiseOf(wishes, purpose, stallMs),
      stallMs,
      glide: layout.glide,
      motors: layout.motors,
      duct: layout.duct ? DUCT : null,
    }
    const choose = (folding: boolean) => chooseKit({ ...ask, folding }, purpose, wishes, libraries)
    const folds = layout.folding && wishes.landing !== 'wheels' && purpose.ailerons
    const folding = folds ? choose(true) : null
    // Where none that folds pulls enough, one that does not: it is stopped level before the landing.
    const { kit, mostN, wantedN } = folding?.kit ? folding : choose(false)
    if (!kit) throw new NothingPulls(wantedN, mostN, grams)
    return kit
  }
}

const bears = ({ strength }: Assessment): boolean => strength.reserve >= ENOUGH

/** The same object where it is the same kit. */
const sameKit = (old: Kit, chosen: Kit): Kit =>
  (Object.keys(chosen) as Array<keyof Kit>).every(key => old[key].id === chosen[key].id) ? old : chosen

/** From the nose to the end of the tail, mm. */
const longest = ({ drawing }: Assessment): number => drawing.box.maxX - drawing.box.minX

/** Root chord that stands cornerwise on the largest bed with its thickness, mm: (c + t·c)/√2 on the shorter side. */
function bedChord(wishes: Wishes): number {
  const side = Math.max(...printersFor(wishes).map(({ bedMm: [x, y] }) => Math.min(x, y)))
  return ((side - BED_EDGE) * Math.SQRT2) / (1 + THICKEST)
}

/** The battery where it must lie for the balance that is aimed at, as far as its bay goes. */
function slide(doc: ProjectFile, { totals, flight }: Assessment): ProjectFile {
  const pack = doc.equipment.find(item => item.kind === 'battery' && item.bay)
  if (!pack?.bay) return doc
  const wanted = pack.xMm + ((flight.cgAimMm - totals.cgMm[0]) * totals.massG) / pack.massG
  const low = pack.bay[0] + pack.sizeMm[0] / 2,
    high = Math.max(low, pack.bay[1] - pack.sizeMm[0] / 2)
  const xMm = half(Math.max(low, Math.min(high, wanted)))
  return xMm === pack.xMm
    ? doc
    : { ...doc, equipment: doc.equipment.map(item => (item === pack ? { ...item, xMm } : item)) }
}

/** Codes of what keeps it from being built and flown as it stands. */
export function troubleOf(now: Assessment): string[] {
  const [fore, aft] = now.flight.cgRangeMm
  return [
    ...(stops(now) > 0
      ? now.findings.filter(item => item.severity === 'stop' && !item.target).map(item => item.code)
      : []),
    ...(now.strength.reserve < 1 ? ['strength'] : []),
    ...(now.totals.cgMm[0] < fore || now.totals.cgMm[0] > aft ? ['balance'] : []),
  ]
}
