/** The stall of an airframe, strip by strip, and what washout, taper and flaps do to it. SI inside. */
import {
  findStall,
  flapTheory,
  solveLift,
  stallSpeed,
  stripCirculations,
  type LatticeSurface,
  type LiftSolution,
  type StripLift,
} from '../../aero'
import type { Boom } from '../../document'
import { memoise } from '../../memo'
import { degToRad, GRAVITY, mToMm, radToDeg } from '../../units'
import { airOf, type SolvedFlight } from './solved-lift'
import { controlId, latticeParts } from './airframe-lattice'
import { tubeOf } from './body-carry'
import { alongSpan } from './section-models'
import type { SurfaceModels } from './airframe-drag'
import type { Designed } from '../resolve'
import type { StallCase, StallReport } from '../report'

/**
 * A deflected flap raises what its strips can bear by this share of the lift it adds (plain flaps, published
 * low-speed tests: 0.5–0.7).
 */
export const FLAP_LIMIT_SHARE = 0.6
/** Lift of a real plain flap against thin-aerofoil theory at 10–20°. */
const FLAP_EFFECT = 0.8
/** What drooped ailerons are tried at when there are no flaps. */
const DROOP_DEG = 10
/** Washout that is tried, besides none. */
const MORE_WASHOUT = degToRad(2)

export interface StallStage {
  (
    airframe: Designed,
    flight: SolvedFlight,
    models: SurfaceModels,
    mass: number,
  ): {
    report: Omit<StallReport, 'foreplane'>
    /** As drawn, and with another twist or taper; each a lattice of its own, solved when it is asked for. */
    cases(): StallCase[]
  }
}

export function createStall(): StallStage {
  const varied = memoise(
    (
      flight: SolvedFlight,
      wing: Designed['wing'],
      body: Designed['body'],
      boom: Boom | null,
      diameterMm: number,
      ...beside: Array<Designed['wing'] | undefined>
    ) => {
      const tube = boom && { boom, diameterMm }
      const others = beside.flatMap(loft =>
        loft
          ? latticeParts(loft, [], body, tube).map(part => ({ ...part, chordwise: VARIED_CHORDWISE }))
          : [],
      )
      return variations(flight, latticeParts(wing, [], body, tube), others)
    },
    12,
  )
  return (airframe, flight, models, mass) => {
    const { surfaces, doc, wing, body, boom } = airframe
    const tube = tubeOf(boom)
    const air = airOf(doc)
    const find = (
      lift: LiftSolution,
      extra: (strip: StripLift, index: number) => { cl: number; limit: number } = () => ({ cl: 0, limit: 0 }),
      clShift = 0,
    ) => stallAt(lift, flight, models, mass, air, extra, clShift)
    const drawn = find(flight.lift)
    const own = models[drawn.surface]!
    const tip = drawn.strips[drawn.strips.length - 1]
    const tipSpan = tip.span + tip.width / 2
    const strips = drawn.strips.map(strip => {
      const reynolds = (air.density * drawn.speed * strip.chord) / air.viscosity
      return {
        sMm: mToMm(strip.span),
        share: strip.span / tipSpan,
        chordMm: mToMm(strip.chord),
        reynolds,
        cl: strip.clZero + strip.clPerRad * drawn.stall.alpha,
        limit: alongSpan(own, strip.span, model => model.limit(reynolds).cl),
        band: alongSpan(own, strip.span, model => model.limit(reynolds).band),
      }
    })
    const worst = strips.reduce((a, b) =>
      Math.abs(b.sMm - mToMm(drawn.stall.span)) < Math.abs(a.sMm - mToMm(drawn.stall.span)) ? b : a,
    )
    const cases = (): StallCase[] => [
      caseOf('drawn', 'as drawn', drawn),
      ...varied(
        flight,
        wing,
        body,
        tube?.boom ?? null,
        tube?.diameterMm ?? 0,
        surfaces.second,
        surfaces.winglet,
        surfaces.horizontal,
      ).map(({ id, label, lift }) => caseOf(id, label, find(lift))),
    ]
    const sources = new Set(WINGS.flatMap(name => models[name]?.models.map(model => model.source) ?? []))
    const report: Omit<StallReport, 'foreplane'> = {
      surface: drawn.surface,
      speedMs: drawn.speed,
      spreadMs: (drawn.speed * worst.band) / (2 * Math.max(0.3, worst.limit)),
      clMax: drawn.stall.clMax,
      alphaDeg: radToDeg(drawn.stall.alpha),
      placeShare: drawn.stall.spanShare,
      placeMm: mToMm(drawn.stall.span),
      tipMarginDeg: radToDeg(drawn.stall.tipMargin),
      source: sources.size > 1 ? 'both' : [...sources][0],
      strips,
      flap: flapOf(airframe, flight, find),
    }
    return { report, cases }
  }
}

/** What bears the aircraft. */
const WINGS = ['wing', 'second'] as const

interface FoundStall {
  /** Of two wings the one that lets go first: from there on the other alone bears no more. */
  surface: (typeof WINGS)[number]
  stall: ReturnType<typeof findStall>
  speed: number
  strips: StripLift[]
}

/** The section limits follow the Reynolds number at the speed found; three rounds settle. */
function stallAt(
  lift: LiftSolution,
  { plan }: SolvedFlight,
  models: SurfaceModels,
  mass: number,
  air: { density: number; viscosity: number },
  extra: (strip: StripLift, index: number) => { cl: number; limit: number },
  clShift: number,
): FoundStall {
  const wings = WINGS.flatMap(name => {
    const own = models[name]
    if (!own) return []
    const moved = name === 'wing' ? extra : () => ({ cl: 0, limit: 0 })
    const strips = lift.strips
      .filter(strip => strip.surface === name)
      .map((strip, i) => ({ ...strip, clZero: strip.clZero + moved(strip, i).cl }))
    return [{ name, own, strips, raised: strips.map((strip, i) => moved(strip, i).limit) }]
  })
  const weight = mass * GRAVITY
  let speed = stallSpeed(weight, air.density, plan.area, 1.1)
  const clAt = (alpha: number) => lift.clZero + clShift + alpha * lift.clAlpha
  const first = () =>
    wings
      .map(({ name, own, strips, raised }) => {
        const limits = new Map<StripLift, number>(
          strips.map((strip, i) => [
            strip,
            raised[i] +
              alongSpan(
                own,
                strip.span,
                model => model.limit((air.density * speed * strip.chord) / air.viscosity).cl,
              ),
          ]),
        )
        return { surface: name, strips, stall: findStall(strips, strip => limits.get(strip)!, clAt) }
      })
      .reduce((a, b) => (b.stall.alpha < a.stall.alpha ? b : a))
  let found = first()
  for (let round = 0; round < 3; round++) {
    if (round > 0) found = first()
    speed = stallSpeed(weight, air.density, plan.area, Math.max(0.1, found.stall.clMax))
  }
  return { ...found, speed }
}

const caseOf = (id: StallCase['id'], label: string, { stall, speed, strips }: FoundStall): StallCase => ({
  id,
  label,
  speedMs: speed,
  placeShare: stall.spanShare,
  tipMarginDeg: radToDeg(stall.tipMargin),
  cls: strips.map(strip => strip.clZero + strip.clPerRad * stall.alpha),
})

/** Panels along the chord where only differences are wanted: the loading along the span hardly knows it. */
const VARIED_CHORDWISE = 2

/**
 * The same wing without washout, with two degrees more at the tip, and with one chord all along; solved with
 * the tailplane.
 */
function variations(
  flight: SolvedFlight,
  [drawn, ...carried]: readonly LatticeSurface[],
  others: readonly LatticeSurface[],
): Array<{ id: StallCase['id']; label: string; lift: LiftSolution }> {
  const base = { ...drawn, chordwise: VARIED_CHORDWISE }
  const beside = [...carried.map(part => ({ ...part, chordwise: VARIED_CHORDWISE })), ...others]
  const root = base.stations[0]
  const last = base.stations.length - 1
  const spans = base.stations.map((_, i) =>
    base.stations
      .slice(1, i + 1)
      .reduce((sum, b, k) => sum + Math.hypot(b.y - base.stations[k].y, b.z - base.stations[k].z), 0),
  )
  const solve = (stations: LatticeSurface['stations']) =>
    solveLift([{ ...base, stations }, ...beside], flight.reference)
  const mean =
    base.stations
      .slice(1)
      .reduce((sum, b, i) => sum + ((spans[i + 1] - spans[i]) * (b.chord + base.stations[i].chord)) / 2, 0) /
    spans[last]
  return [
    {
      id: 'untwisted',
      label: 'without washout',
      lift: solve(base.stations.map(station => ({ ...station, twist: root.twist }))),
    },
    {
      id: 'washout',
      label: 'two degrees more washout',
      lift: solve(
        base.stations.map((station, i) => ({
          ...station,
          twist: station.twist - (MORE_WASHOUT * spans[i]) / spans[last],
        })),
      ),
    },
    // Quarter-chord line as drawn.
    {
      id: 'untapered',
      label: 'one chord all along',
      lift: solve(
        base.stations.map(station => ({
          ...station,
          x: station.x + (station.chord - mean) / 4,
          chord: mean,
        })),
      ),
    },
  ]
}

function flapOf(
  airframe: Designed,
  flight: SolvedFlight,
  find: (
    lift: LiftSolution,
    extra: (strip: StripLift, index: number) => { cl: number; limit: number },
    clShift: number,
  ) => FoundStall,
): StallReport['flap'] {
  const { controls } = airframe.doc.wing
  const flap = controls.findIndex(control => control.kind === 'flap')
  const index = flap >= 0 ? flap : controls.findIndex(control => control.kind === 'aileron')
  if (index < 0) return null
  const control = controls[index]
  const deg = flap >= 0 ? control.throwDownDeg : DROOP_DEG
  const id = controlId('wing', index)
  const gamma = flight.lift.flows.control(id, 'together')
  if (!gamma || deg === 0) return null
  const { panels } = flight.lift.flows.lattice
  const angle = degToRad(deg) * FLAP_EFFECT
  const added = stripCirculations(panels, gamma).starboard
  const wing = panels.strips.map((strip, k) => ({ strip, k })).filter(({ strip }) => strip.surface === 'wing')
  const weights = panels.controls.get(id)!
  const own = flapTheory(control.chordShare).effectiveness * 2 * Math.PI * angle
  const covered = ({ first, panels: n }: { first: number; panels: number }) =>
    weights.subarray(first, first + n).some(value => value !== 0) ? 1 : 0
  const clShift =
    panels.strips.reduce(
      (sum, strip, k) =>
        sum +
        (strip.mirrored ? 2 : 1) * 2 * added[k] * angle * strip.width * panels.normal[2 * strip.first + 1],
      0,
    ) / flight.plan.area
  const found = find(
    flight.lift,
    (_, i) => ({
      cl: (2 * added[wing[i].k] * angle) / wing[i].strip.chord,
      limit: FLAP_LIMIT_SHARE * own * covered(wing[i].strip),
    }),
    clShift,
  )
  return {
    name: control.name,
    deg,
    drooped: flap < 0,
    speedMs: found.speed,
    clMax: found.stall.clMax,
    pitchDeg: radToDeg(found.stall.alpha),
  }
}
