/**
 * Loads along the half wing, split into what lift, the wing's own mass and section moments do at one unit
 * each. SI.
 */
import { gapToWing, POD_TOUCHES, podPrefix, seatAbove, type SurfaceLoft } from '../../geometry'
import type { MassEntry } from '../../mass'
import type { StripLift } from '../../aero'
import { lineAt, shearAndMoment, type SpanPoint, type StationLoad } from '../../structure'
import { GRAVITY, mmToM } from '../../units'
import type { Designed } from '../resolve'
import { type SolvedFlight, alongSpan, type StationModels } from '../flight'

/** At each place: shear and moment, and the torque about x = 0 (nose up) of what lies beyond it. */
export interface UnitLoads {
  shear: Float64Array
  moment: Float64Array
  turning: Float64Array
  /** What struts press along the wing, as a moment that strains its skin alike; left out where there are none. */
  pressed?: Float64Array
}

export interface WingLoads {
  places: readonly number[]
  /** Lift of 1 g's worth of weight on the wing, up. */
  lift: UnitLoads
  /** The wing's own weight at 1 g, down counted positive. */
  weight: UnitLoads
  /** Torque by the sections' moments for a dynamic pressure of 1 Pa. */
  section: Float64Array
  /** Lift per length at 1 g. */
  along: readonly SpanPoint[]
  /** What the wing itself weighs, piece by piece and spar by spar. */
  parts: readonly WingPart[]
}

/** Mass per length of the wing, kg/m, and where its middle lies along the chord, m. */
export function massAt(parts: readonly WingPart[], s: number): { mass: number; x: number } {
  const own = parts.filter(part => s >= part.from && s < part.to)
  const total = own.reduce((sum, part) => sum + part.perLength, 0)
  return {
    mass: total / GRAVITY,
    x: total > 0 ? own.reduce((sum, part) => sum + part.perLength * part.x, 0) / total : 0,
  }
}

/** A low lift, as a share of that at the stall, at which two wings part it otherwise. */
const LOW = 1 / 3
/** Where two wings pull against each other by more than this many weights, nothing of it flies. */
const MOST_SHARE = 3

/**
 * Share of the aircraft's weight that a wing bears: all of it where it is alone. Of two, which set differently part
 * it otherwise fast and slow, each is held against the greater of its shares: together they bear a little more than
 * there is.
 */
export function shareOf(flight: SolvedFlight, name: string, alpha: number): number {
  const { panels } = flight.lift.flows.lattice
  const strips = flight.lift.strips
    .map((strip, k) => ({ ...strip, sides: panels.strips[k].mirrored ? 2 : 1 }))
    .filter(strip => strip.surface === 'wing' || strip.surface === 'second')
  if (strips.every(strip => strip.surface === name)) return 1
  const at = (angle: number) => {
    const force = (of: typeof strips) =>
      of.reduce(
        (sum, { clZero, clPerRad, chord, width, sides }) =>
          sum + sides * (clZero + clPerRad * angle) * chord * width,
        0,
      )
    return force(strips.filter(strip => strip.surface === name)) / force(strips)
  }
  const { clZero, clAlpha } = flight.lift,
    slow = clZero + clAlpha * alpha
  // One that presses down is held against as much.
  const shares = [at(alpha), at((LOW * slow - clZero) / clAlpha)].map(Math.abs).filter(Number.isFinite)
  return shares.length ? Math.min(MOST_SHARE, Math.max(...shares)) : 1
}

/** What the air does, by mass and incidence; `places` in m from the root. */
export function liftLoads(
  wing: SurfaceLoft,
  flight: SolvedFlight,
  models: StationModels,
  mass: number,
  alpha: number,
  places: readonly number[],
): Pick<WingLoads, 'along' | 'lift' | 'section'> {
  const along = liftAlong(wing, flight, mass, alpha),
    tip = wing.name === 'wing' ? wingletLift(flight, along, alpha) : NO_TIP
  const quarter = along.map(({ s }) => quarterAt(wing, s))
  const lift = shearAndMoment(along, [], places)
  const turns = shearAndMoment(
    along.map(({ s, value }, i) => ({ s, value: -value * quarter[i] })),
    [],
    places,
  )
  const chords = along.map(({ s }) => ({
    s,
    value: alongSpan(models, s, model => model.cmQuarter) * chordAt(wing, s) ** 2,
  }))
  return {
    along,
    lift: withTip(unit(lift, turns), tip, mmToM(wing.span), places),
    section: Float64Array.from(shearAndMoment(chords, [], places), row => row.shear),
  }
}

/** What a wing's own mass does; of `entries` only its pieces and spars count. */
export function weightLoads(
  airframe: Designed,
  wing: SurfaceLoft,
  entries: readonly MassEntry[],
  places: readonly number[],
): Pick<WingLoads, 'weight' | 'parts'> {
  const parts = wingParts(airframe, wing, entries)
  const { line, turning, points } = weightAlong(airframe, wing, parts, entries)
  const weight = shearAndMoment(
    line,
    points.map(({ s, weight: force }) => ({ s, force })),
    places,
  )
  const turns = shearAndMoment(
    turning,
    points.map(({ s, weight: force, x }) => ({ s, force: -force * x })),
    places,
  )
  return {
    weight: unit(weight, turns),
    parts,
  }
}

const unit = (
  own: ReadonlyArray<{ shear: number; moment: number }>,
  turns: ReadonlyArray<{ shear: number }>,
): UnitLoads => ({
  shear: Float64Array.from(own, row => row.shear),
  moment: Float64Array.from(own, row => row.moment),
  turning: Float64Array.from(turns, row => row.shear),
})

export interface Flying {
  /** Weights' worth of lift, and of the wing's own mass hanging on it. */ lift: number
  weight: number
  pressure: number
  /** Forward acceleration over g. */ forward: number
}

/** The load at place i, with the torque taken about a shear centre at `centre` (m aft of the nose). */
export function loadAt(
  { lift, weight, section }: WingLoads,
  i: number,
  { lift: a, weight: b, pressure, forward }: Flying,
  centre: number,
): StationLoad {
  const shear = a * lift.shear[i] - b * weight.shear[i]
  const moment = a * lift.moment[i] - b * weight.moment[i]
  const pressed = Math.abs(a * (lift.pressed?.[i] ?? 0) - b * (weight.pressed?.[i] ?? 0))
  return {
    shear,
    // Pressed and bent strain the skin alike: on the side where both meet they add up.
    moment: pressed > 0 ? moment + (pressed * moment) / Math.hypot(moment, pressed / 10) : moment,
    torque: a * lift.turning[i] - b * weight.turning[i] + centre * shear + pressure * section[i],
    lag: forward * weight.moment[i],
  }
}

function chordAt(wing: SurfaceLoft, s: number): number {
  return lineAt(
    wing.ends.map(end => ({ s: mmToM(end.s), value: mmToM(end.chord) })),
    s,
  )
}
function quarterAt(wing: SurfaceLoft, s: number): number {
  return lineAt(
    wing.ends.map(end => ({ s: mmToM(end.s), value: mmToM(end.lead + end.chord / 4) })),
    s,
  )
}

/**
 * Lift per length (N/m) of one half at 1 g, shaped as at the stall and scaled so that the wing bears all of
 * m·g, or its share of it.
 */
function liftAlong(wing: SurfaceLoft, flight: SolvedFlight, mass: number, alpha: number): SpanPoint[] {
  const strips = flight.lift.strips.filter(strip => strip.surface === wing.name)
  const shaped = (cl: (strip: StripLift) => number) =>
    strips.map(strip => ({ s: strip.span, value: cl(strip) * strip.chord, width: strip.width }))
  const adds = (list: ReturnType<typeof shaped>) =>
    list.reduce((total, { value, width }) => total + value * width, 0)
  const stalled = shaped(strip => strip.clZero + strip.clPerRad * alpha)
  // One that lifts as much up as down is loaded by its chord.
  const shape = Math.abs(adds(stalled)) > 1e-12 ? stalled : shaped(() => 1),
    sum = adds(shape)
  const half = (shareOf(flight, wing.name, alpha) * mass * GRAVITY) / (wing.mirror ? 2 : 1)
  const scale = half / sum
  const tip = mmToM(wing.span)
  const points = [
    { s: 0, value: shape[0].value * scale },
    ...shape.map(({ s, value }) => ({ s, value: value * scale })),
    { s: tip, value: 0 },
  ]
  // The straight lines between strips hold slightly less than the strips did; put the difference back evenly.
  const area = points.reduce(
    (total, p, i) => (i === 0 ? 0 : total + ((p.s - points[i - 1].s) * (p.value + points[i - 1].value)) / 2),
    0,
  )
  return points.map(p => ({ s: p.s, value: (p.value * half) / area }))
}

/** What stands at the tip does to the wing there: force up, N, moment, N·m, and the force's moment about the nose. */
interface TipLoad {
  force: number
  moment: number
  turning: number
}
const NO_TIP: TipLoad = { force: 0, moment: 0, turning: 0 }

/**
 * A winglet's force stands across it: with its lever along it that bends the wing up, whatever its cant, and what of it
 * points up lifts. By the same scale as the lift of the wing's own outermost strip.
 */
function wingletLift({ lift }: SolvedFlight, along: readonly SpanPoint[], alpha: number): TipLoad {
  const cl = (strip: StripLift) => (strip.clZero + strip.clPerRad * alpha) * strip.chord
  const strips = lift.strips.filter(strip => strip.surface === 'winglet')
  if (strips.length === 0) return NO_TIP
  const wing = lift.strips.filter(strip => strip.surface === 'wing')
  const mine = wing.reduce((sum, strip) => sum + cl(strip) * strip.width, 0),
    borne = along.reduce(
      (sum, p, i) => (i === 0 ? 0 : sum + ((p.s - along[i - 1].s) * (p.value + along[i - 1].value)) / 2),
      0,
    ),
    scale = Math.abs(mine) > 1e-12 ? borne / mine : 0
  const { panels } = lift.flows.lattice
  let [force, moment, turning] = [0, 0, 0]
  lift.strips.forEach((strip, k) => {
    if (strip.surface !== 'winglet') return
    const normal = scale * cl(strip) * strip.width,
      up = panels.normal[2 * panels.strips[k].first + 1]
    force += normal * up
    moment += normal * strip.span
    turning -= normal * up * strip.x
  })
  return { force, moment, turning }
}

function withTip(
  load: UnitLoads,
  { force, moment, turning }: TipLoad,
  tip: number,
  places: readonly number[],
): UnitLoads {
  if (force === 0 && moment === 0) return load
  return {
    shear: load.shear.map(value => value + force),
    moment: load.moment.map((value, i) => value + moment + force * (tip - places[i])),
    turning: load.turning.map(value => value + turning),
  }
}

/** A piece or a spar as weight per length, N/m, between two places, and its middle along the chord; m. */
export interface WingPart {
  from: number
  to: number
  perLength: number
  x: number
}

/** Share of the half span. */
const TIP_STRETCH = 0.04

/** Pieces and spars of the starboard half as weight per length, N/m. */
function wingParts(airframe: Designed, wing: SurfaceLoft, entries: readonly MassEntry[]): WingPart[] {
  const parts: WingPart[] = []
  const put = (fromMm: number, toMm: number, entry: MassEntry | undefined) => {
    const from = mmToM(fromMm),
      to = mmToM(toMm)
    if (entry && to - from > 1e-6)
      parts.push({ from, to, perLength: (GRAVITY * entry.mass) / (to - from), x: entry.x })
  }
  for (const piece of airframe.pieces) {
    if (piece.part === wing.name && piece.side !== 'port' && piece.kind !== 'given')
      put(
        piece.from,
        piece.to,
        entries.find(item => item.id === piece.id),
      )
  }
  // Winglets hang on its outermost stretch.
  if (wing.name === 'wing')
    for (const piece of airframe.pieces)
      if (piece.part === 'winglet' && piece.side !== 'port' && piece.kind !== 'given')
        put(
          (1 - TIP_STRETCH) * wing.span,
          wing.span,
          entries.find(item => item.id === piece.id),
        )
  for (const line of airframe.spars[wing.name] ?? [])
    put(
      line.from,
      line.to,
      entries.find(item => item.id === `${line.spar.id}-starboard` || item.id === line.spar.id),
    )
  return parts
}

function weightAlong(
  airframe: Designed,
  wing: SurfaceLoft,
  parts: readonly WingPart[],
  entries: readonly MassEntry[],
): { line: SpanPoint[]; turning: SpanPoint[]; points: Array<{ s: number; weight: number; x: number }> } {
  const { doc } = airframe
  const marks = [...new Set([0, mmToM(wing.span), ...parts.flatMap(p => [p.from, p.to])])]
    .filter(s => s >= 0 && s <= mmToM(wing.span))
    .sort((a, b) => a - b)
  const line: SpanPoint[] = [],
    turning: SpanPoint[] = []
  // Weight steps at piece ends: two points a hair apart.
  marks.forEach((s, i) => {
    for (const [there, at] of [
      ...(i > 0 ? [[s - 1e-9, s - 1e-7]] : []),
      ...(i < marks.length - 1 ? [[s, s + 1e-7]] : []),
    ]) {
      const own = parts.filter(part => at >= part.from && at < part.to)
      line.push({ s: there, value: own.reduce((sum, part) => sum + part.perLength, 0) })
      turning.push({ s: there, value: -own.reduce((sum, part) => sum + part.perLength * part.x, 0) })
    }
  })
  // Servos and the like out in the wing hang on it at their place.
  const points = doc.equipment
    .filter(
      item => item.pair && item.yMm > 40 && (item.pocket?.surface === 'second') === (wing.name === 'second'),
    )
    .map(item => ({
      s: mmToM(item.yMm - wing.origin[1]),
      weight: (GRAVITY * item.massG) / 1000,
      x: mmToM(item.xMm),
    }))
  if (wing.name === 'wing') points.push(...podWeights(airframe, entries))
  return { line, turning, points }
}

/** Pairs of pods that meet the wing hang on it where they stand, and booms with the pods that hold them. */
function podWeights({ wing, pods, boom }: Designed, entries: readonly MassEntry[]) {
  const hanging = pods.filter(
    ({ pod, loft }) => pod.pair && gapToWing(loft, seatAbove(wing, pod.yMm)) <= POD_TOUCHES,
  )
  const held = boom && boom.count > 1 && (!boom.holder || hanging.some(({ loft }) => loft === boom.holder))
  return entries
    .filter(
      ({ id }) =>
        (held && id === 'boom-starboard') ||
        (id.endsWith('-starboard') && hanging.some(({ pod }) => id.startsWith(podPrefix(pod)))),
    )
    .map(entry => ({
      s: entry.y - mmToM(wing.origin[1]),
      weight: GRAVITY * entry.mass,
      x: entry.x,
    }))
}
