/** One turn of the sizing: what an assessment says of a sketch, and the sketch that follows from it. */
import type { Assessment } from '../assess'
import type { Battery, Libraries } from '../libraries'
import { q, say, listed, type Words } from '../units'
import { weaknesses } from '../workshop/spine'
import { sparLadder, tubeLadder } from './first-sketch'
import type { Kit } from './kit'
import type { Sketch } from './sketch'
import { mustPart, type Wishes } from './wishes'

/** Reserve aimed at: a hair over one, so that rounding does not undo it. */
export const ENOUGH = 1.01
/** Least aspect ratio that a short span leads to. */
const LEAST_ASPECT = 4
/** The tail's arm against its habit, where the nose alone does not balance it. */
const ARM = [0.75, 1.35] as const

export interface Held {
  /** Of habit, and the most that it goes to where the stall asks for less area than the least span has at its habit. */
  aspect: number
  mostAspect: number
  spanMm: number
  /** Wings of this purpose are no shorter, mm. */
  leastSpanMm: number
  /** Mean chord that a bed takes, mm. */
  chordMm: number
}

/** Least area of a purpose, mm²: its least span at the highest aspect ratio that it goes to. */
export const leastArea = ({ mostAspect, leastSpanMm }: Pick<Held, 'mostAspect' | 'leastSpanMm'>): number =>
  leastSpanMm ** 2 / mostAspect

/** Aspect ratio gives way to span and bed first, then area; at its least span a wing grows slender first. */
export function within(sketch: Sketch, held: Held): Sketch {
  const { spanMm, chordMm } = held
  const { areaMm2 } = sketch
  const aspect = Math.max(held.aspect, Math.min(held.mostAspect, held.leastSpanMm ** 2 / areaMm2))
  const most = (spanMm * spanMm) / areaMm2,
    least = Math.max(LEAST_ASPECT, areaMm2 / (chordMm * chordMm))
  if (least <= most) return { ...sketch, aspect: Math.min(most, Math.max(least, aspect)) }
  const chord = Math.min(chordMm, spanMm / LEAST_ASPECT)
  return { ...sketch, aspect: spanMm / chord, areaMm2: spanMm * chord }
}

export interface Seen {
  areaMm2: number
  stallMs: number
}

/**
 * Area for a stall, mm², by how the stall answered the last change of it. Before that weight is taken to
 * follow the area's 0.44th power, so that the stall falls by its 0.28th.
 */
export function areaFor(wantedMs: number, now: Seen, before: Seen | null): number {
  const moved = before ? Math.log(before.areaMm2 / now.areaMm2) : 0
  const slope = before && Math.abs(moved) > 0.01 ? Math.log(before.stallMs / now.stallMs) / moved : -0.28
  const by = Math.log(wantedMs / now.stallMs) / Math.min(-0.12, Math.max(-0.5, slope))
  return now.areaMm2 * Math.exp(Math.max(-0.5, Math.min(0.5, by)))
}

/** The nose's length with which it balances, mm: what lies before the wing moves against all the rest. */
export function noseFor(
  sketch: Sketch,
  now: Assessment,
  [leastMm, mostMm]: readonly [number, number],
): number {
  const { totals, flight, ledger } = now
  const off = totals.cgMm[0] - flight.cgAimMm
  const front = ledger.filter(row => row.xMm < sketch.noseMm).reduce((sum, row) => sum + row.massG, 0)
  const by = (off * totals.massG) / Math.max(0.2 * totals.massG, front)
  const own = sketch.noseMm
  return Math.min(mostMm, Math.max(leastMm, own + Math.max(-0.3 * own, Math.min(0.4 * own, by))))
}

/** At the nose's least a longer arm carries weight back, at its most a shorter one saves it. */
export function armFor(
  sketch: Sketch,
  { totals, flight }: Assessment,
  [leastMm, mostMm]: readonly [number, number],
  habit: number,
): number {
  const [fore, aft] = flight.cgRangeMm,
    cg = totals.cgMm[0]
  if (sketch.noseMm <= leastMm + 0.5 && cg < fore) return Math.min(ARM[1] * habit, 1.06 * sketch.arm)
  if (sketch.noseMm >= mostMm - 0.5 && cg > aft) return Math.max(ARM[0] * habit, 0.94 * sketch.arm)
  return sketch.arm
}

/** Where neither nose nor arm can do more for a heavy tail, a heavier pack does before lead: it lasts longer. */
export function packFor(
  sketch: Sketch,
  { totals, flight }: Assessment,
  mostMm: number,
  habit: number,
  batteries: readonly Battery[],
): Kit {
  const { kit } = sketch
  const spent = sketch.noseMm >= mostMm - 0.5 && sketch.arm <= ARM[0] * habit + 1e-9
  if (!spent || totals.cgMm[0] <= flight.cgRangeMm[1]) return kit
  const next = batteries
    .filter(item => item.cells === kit.battery.cells && item.massG > kit.battery.massG)
    .sort((a, b) => a.massG - b.massG)[0]
  return next ? { ...kit, battery: next } : kit
}

/** Sweep moves the neutral point faster than the balance, °. */
export function sweepFor(sketch: Sketch, { totals, flight, plan }: Assessment): number {
  const by = ((totals.cgMm[0] - flight.cgAimMm) / plan.macMm) * 60
  return Math.max(14, Math.min(38, sketch.sweepDeg + Math.max(-5, Math.min(5, by))))
}

/** One size more of what gives way first; nothing where all bears enough. */
export function stronger(
  sketch: Sketch,
  now: Assessment,
  wishes: Wishes,
  libraries: Libraries,
): Partial<Sketch> {
  const [weak] = weaknesses(now)
  const holds = !weak || weak.reserve >= ENOUGH
  // Under film or in foam the spar's own stiffness is most of what keeps a wing from fluttering.
  const soft = wishes.wing !== 'shell' && now.findings.some(item => item.code === 'twist-speed')
  if (holds && !soft) return {}
  const up = (own: string, list: readonly { id: string }[]) =>
    list[Math.min(list.length - 1, list.findIndex(item => item.id === own) + 1)].id
  if (holds) return { spar: up(sketch.spar, sparLadder(wishes, libraries)) }
  if (weak.part === 'wing') {
    const spar = now.spars.find(item => item.id.startsWith('main-spar'))
    const ladder = sparLadder(wishes, libraries)
    // Where the halves part the joiner bears alone.
    if (weak.atMm < 1 && mustPart(wishes, now.plan.spanMm)) return { joiner: up(sketch.joiner, ladder) }
    if (weak.atMm < 1) return { joiner: up(sketch.joiner, ladder), spar: up(sketch.spar, ladder) }
    if (spar && weak.atMm > spar.toMm - 15 && sketch.reach < 0.9) return { reach: sketch.reach + 0.05 }
    return { spar: up(sketch.spar, ladder) }
  }
  if (weak.part === 'second') return { spar: up(sketch.spar, sparLadder(wishes, libraries)) }
  if (weak.part === 'boom') return { boom: up(sketch.boom, tubeLadder(libraries)) }
  if (weak.part === 'mount') return { firewallMm: Math.min(8, sketch.firewallMm + 1) }
  if (weak.part === 'gear') return { legMm: Math.min(6, sketch.legMm + 0.5) }
  if (weak.subject === 'saddle') return { bolts: Math.min(4, sketch.bolts + 1) }
  return { bodyWalls: Math.min(6, sketch.bodyWalls + 1) }
}

/** Webs this much further apart are tried. */
const SPARSER = 1.4

/** Single steps down, to be tried one after another; each is what its keys become. */
export function* lighter(start: Sketch, wishes: Wishes, libraries: Libraries): Generator<Partial<Sketch>> {
  const ladder = sparLadder(wishes, libraries)
  const below = (own: string, list: readonly { id: string }[]) =>
    list[list.findIndex(item => item.id === own) - 1]?.id
  const spar = below(start.spar, ladder),
    joiner = below(start.joiner, ladder),
    boom = below(start.boom, tubeLadder(libraries))
  if (boom) yield { boom }
  if (spar) yield { spar }
  if (joiner) yield { joiner }
  yield { webMm: Math.round(SPARSER * start.webMm) }
}

/** Everything but the last millimetre is as it was. */
export function same(a: Sketch, b: Sketch): boolean {
  const near = (x: number, y: number, by: number) => Math.abs(x - y) <= by
  return (
    (['spar', 'joiner', 'boom', 'bodyWalls', 'firewallMm', 'bolts', 'legMm', 'webMm', 'kit'] as const).every(
      key => a[key] === b[key],
    ) &&
    near(Math.log(a.areaMm2), Math.log(b.areaMm2), 0.06) &&
    near(a.aspect, b.aspect, 0.15) &&
    near(a.arm, b.arm, 1e-9) &&
    near(a.reach, b.reach, 1e-9) &&
    near(a.noseMm, b.noseMm, 6) &&
    near(a.sweepDeg, b.sweepDeg, 0.6) &&
    near(a.tailDeg, b.tailDeg, 0.01) &&
    near(a.washoutDeg, b.washoutDeg, 0.01)
  )
}

/** What a turn did, in words, for the list of edits. */
export function told(before: Sketch, after: Sketch, layoutBalances: 'nose' | 'sweep'): Words {
  const list: Words[] = []
  const moved = (a: number, b: number, by: number) => Math.abs(a - b) > by
  if (moved(before.areaMm2, after.areaMm2, 1e-3 * before.areaMm2))
    list.push(say`wing ${q(before.areaMm2 / 1e4, 'dm²', 1)} to ${q(after.areaMm2 / 1e4, 'dm²', 1)}`)
  if (layoutBalances === 'nose' && moved(before.noseMm, after.noseMm, 0.5))
    list.push(say`nose ${q(before.noseMm, 'mm', 0)} to ${q(after.noseMm, 'mm', 0)}`)
  if (layoutBalances === 'sweep' && moved(before.sweepDeg, after.sweepDeg, 0.05))
    list.push(say`sweep ${q(before.sweepDeg, '°', 1)} to ${q(after.sweepDeg, '°', 1)}`)
  if (before.tailDeg !== after.tailDeg) list.push(say`tail turned to ${q(after.tailDeg, '°', 1)}`)
  if (before.washoutDeg !== after.washoutDeg) list.push(say`washout ${q(after.washoutDeg, '°', 1)}`)
  if (before.kit !== after.kit) list.push('drive for its weight')
  if (before.spar !== after.spar || before.reach !== after.reach) list.push('main spar')
  if (before.joiner !== after.joiner) list.push('joiner')
  if (before.boom !== after.boom) list.push('boom')
  if (before.bodyWalls !== after.bodyWalls) list.push("body's walls")
  if (before.firewallMm !== after.firewallMm) list.push('firewall')
  return list.length ? say`Sized: ${listed(list, ', ')}` : 'Sized: the last millimetres'
}
