/** Which wish a sized layout does not meet, and what meeting it would cost. */
import { largerBox, travelOf } from '../assess'
import { dimensions, GRAVITY, q, say, type Words } from '../units'
import { type NothingPulls, sizeLayout, type Means, type Sized } from './size'
import { PURPOSES } from './purposes'
import { spanLimit, type Wishes } from './wishes'

export interface GaveUp {
  wish: 'stall' | 'box' | 'wheels' | 'balance' | 'strength' | 'build'
  /** What became of it. */
  words: Words
  /** What it would take. */
  cost: Words
}

/** A stall this much over what is wanted is a wish given up. */
const OVER = 1.02
/** Nobody builds larger ones of this kind, mm. */
const FREE_SPAN = 4000

/** What makes a sized layout no offer at all comes alone: nothing else is worth reckoning then. */
export function* givenUp(sized: Sized, wishes: Wishes, means: Means): Generator<number, GaveUp[]> {
  const fatal = fatalOf(sized)
  if (fatal) return [fatal]
  const list: GaveUp[] = []
  const { assessment: now, stallWantedMs: wanted } = sized
  if (now.flight.stallMs > OVER * wanted)
    list.push({
      wish: 'stall',
      words: say`stalls at ${q(now.flight.stallMs, 'm/s', 1)} instead of ${q(wanted, 'm/s', 1)}`,
      cost: yield* costOfStall(sized, wishes, means),
    })
  const { boxMm } = wishes
  if (boxMm) list.push(...overBox(sized, boxMm, means))
  if ((wishes.landing === 'wheels' || wishes.launch === 'wheels') && sized.doc.gear.length === 0)
    list.push({
      wish: 'wheels',
      words: 'is drawn without legs: thrown, and landed on its belly',
      cost: 'a layout with legs under its body, or legs of your own (Shape)',
    })
  return list
}

function fatalOf(sized: Sized): GaveUp | null {
  const { trouble, assessment: now } = sized
  const stop = now.findings.find(item => item.code === trouble[0])
  if (stop) return { wish: 'build', words: stop.text, cost: stop.remedy }
  if (trouble.includes('strength'))
    return {
      wish: 'strength',
      words: say`bears ${q(100 * now.strength.reserve, '%', 0)} of what it must: ${now.strength.where}`,
      cost: 'stouter stock in the drawer, or a smaller load factor',
    }
  if (!trouble.includes('balance')) return null
  const margin = now.flight.staticMarginPct
  return {
    wish: 'balance',
    words: say`balances ${q(Math.abs(margin), '%', 1)} of the chord ${margin < 0 ? 'behind' : 'ahead of'} the neutral point`,
    cost: ballast(sized),
  }
}

/** Sized again with all the span that it wants. */
function* costOfStall(sized: Sized, wishes: Wishes, means: Means): Generator<number, Words> {
  const free: Wishes = { ...wishes, spanMaxMm: FREE_SPAN, boxMm: null }
  const larger = yield* sizeLayout(sized.layout, free, means, sized.slender)
  const { plan, flight, totals } = larger.assessment
  const more = totals.massG - sized.assessment.totals.massG
  return flight.stallMs <= OVER * sized.stallWantedMs
    ? say`${q(plan.spanMm, 'mm', 0)} of span, and ${q(more, 'g', 0)} more`
    : say`no span does it: at ${q(plan.spanMm, 'mm', 0)} it still stalls at ${q(flight.stallMs, 'm/s', 1)}; a lighter load, or a lighter skin`
}

function overBox({ doc }: Sized, boxMm: readonly [number, number, number], { full }: Means): GaveUp[] {
  const { parts, why } = travelOf(full.airframe(doc), boxMm)
  if (!why) return []
  return [
    {
      wish: 'box',
      words: say`does not go into its box: ${why}`,
      cost: say`a box of ${dimensions(largerBox(parts, boxMm), 0)}, or halves that part and joints that come apart (Split)`,
    },
  ]
}

/** Lead at the nose, or at the tail, that brings it to the middle of the band: Δm·(x − x_aim) = m·(x_aim − x). */
function ballast({ assessment: { totals, flight, drawing } }: Sized): Words {
  const off = totals.cgMm[0] - flight.cgAimMm
  const at = off > 0 ? drawing.box.minX + 10 : drawing.box.maxX - 10
  const grams = (totals.massG * off) / (flight.cgAimMm - at)
  return say`${q(Math.abs(grams), 'g', 0)} of lead ${off > 0 ? 'in the nose' : 'at the tail'}`
}

/** Stall lift coefficient and aspect ratio that a brief is judged by before anything is drawn: generous ones. */
const GENEROUS = { cl: 1.2, aspect: 4 }

/** Why nothing can be made of a brief, in words with figures. */
export function whyNothing(wishes: Wishes, { wantedN, mostN, massG }: NothingPulls): Words {
  const purpose = PURPOSES[wishes.purpose],
    stallMs = wishes.stallMaxMs ?? purpose.stallMs,
    spanMm = spanLimit(wishes, purpose.spanMaxMm)
  const lift = (areaM2: number, ms: number) => 0.5 * 1.225 * areaM2 * GENEROUS.cl * ms ** 2
  const weight = (massG / 1000) * GRAVITY,
    area = (spanMm / 1000) ** 2 / GENEROUS.aspect
  const slowest = Math.sqrt(weight / lift(area, 1)),
    wantedMm = 1000 * Math.sqrt((GENEROUS.aspect * weight) / lift(1, stallMs))
  const pull: Words = say`about ${q(massG, 'g', 0)} want ${q(wantedN, 'N', 1)} of pull, and ${
    mostN > 0
      ? say`the most that the drawer gives at that speed is ${q(mostN, 'N', 1)}`
      : 'nothing in the drawer pulls at that speed'
  }`
  return slowest > stallMs
    ? say`${pull}; on ${q(spanMm, 'mm', 0)} of span they stall at ${q(slowest, 'm/s', 1)} at best, and ${q(stallMs, 'm/s', 1)} take ${q(wantedMm, 'mm', 0)}`
    : pull
}
