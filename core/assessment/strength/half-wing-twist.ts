/** How the half wing twists and bends as a whole: tip twist, divergence, a caution for flutter. SI inside. */
import {
  divergencePressure,
  flutterSpeed,
  reversalPressure,
  rollLeft,
  lineAt,
  lowestFrequencies,
  twistUnder,
  type Flap,
  type FlutterStrip,
  type SpanPoint,
} from '../../structure'
import { mToMm, radToDeg } from '../../units'
import { massAt, type Flying, type WingLoads } from './wing-loads'
import type { WingSurface } from './wing-bearing'
import type { SolvedFlight } from '../flight'
import type { TwistReport } from '../report'

/** Strips of the half wing. */
const STRIPS = 24
/** Mass of a printed wing's section lies about its own middle with this radius, share of the chord. */
const GYRATION = 0.27
/** Caution stands at this share of the least of divergence and flutter. */
const CAUTION = 0.8

export interface SpanStiffness {
  s: number
  EI: number
  GJ: number
  centre: number
  quarter: number
  chord: number
}

/**
 * A half wing's stiffness by station (m), with what tests have measured put in. `pulled` and `most` are the same
 * stations with what is left of them in the pull-up and under the greatest load factor, where skin has buckled.
 */
export function twistOf(
  surface: WingSurface,
  stations: readonly SpanStiffness[],
  { pulled, most }: { pulled: readonly SpanStiffness[]; most: readonly SpanStiffness[] },
  loads: WingLoads,
  flight: SolvedFlight,
  span: number,
  density: number,
  measured: { bending: number; twist: number },
  /** `most` bends most: a gust, where it leads past the pull-up. */
  flying: { pull: Flying; most: Flying; dive: Flying },
  ailerons: Flap | null,
): TwistReport {
  const line = (pick: (station: SpanStiffness) => number, of = stations): SpanPoint[] =>
    of.map(station => ({ s: station.s, value: pick(station) }))
  const bends = (s: SpanStiffness) => s.EI * measured.bending,
    twists = (s: SpanStiffness) => Math.max(1e-6, s.GJ * measured.twist)
  const EI = line(bends),
    GJ = line(twists),
    centre = line(s => s.centre),
    quarter = line(s => s.quarter),
    chord = line(s => s.chord)
  const slopes = flight.lift.strips
    .filter(strip => strip.surface === surface)
    .map(strip => ({ s: strip.span, value: strip.clPerRad }))
  const width = span / STRIPS
  const strips = Array.from({ length: STRIPS }, (_, i): FlutterStrip => {
    const s = (i + 0.5) * width,
      sc = lineAt(centre, s),
      own = massAt(loads.parts, s),
      c = lineAt(chord, s)
    const behind = own.mass > 0 ? own.x - sc : 0,
      mass = Math.max(1e-4, own.mass)
    return {
      s,
      width,
      chord: c,
      EI: Math.max(1e-6, lineAt(EI, s)),
      GJ: lineAt(GJ, s),
      arm: sc - lineAt(quarter, s),
      slope: lineAt(slopes, s),
      mass,
      inertia: mass * ((GYRATION * c) ** 2 + behind * behind),
      behind,
    }
  })
  const torqueUnder = (load: Flying) => {
    // Torque about each station's own shear centre; what a strip adds is the step between its ends.
    const at = (s: number) => {
      const i = loads.places.findIndex(place => place >= s - 1e-9)
      const value = (k: number) =>
        load.lift * loads.lift.turning[k] -
        load.weight * loads.weight.turning[k] +
        lineAt(centre, loads.places[k]) *
          (load.lift * loads.lift.shear[k] - load.weight * loads.weight.shear[k]) +
        load.pressure * loads.section[k]
      if (i < 0) return 0
      if (i === 0) return value(0)
      const t = (s - loads.places[i - 1]) / (loads.places[i] - loads.places[i - 1])
      return value(i - 1) + (value(i) - value(i - 1)) * t
    }
    return strips.map(({ s }) => at(s - width / 2) - at(s + width / 2))
  }
  /** The strips with what their skin has left under a load. */
  const under = (of: readonly SpanStiffness[]): FlutterStrip[] => {
    const [softEI, softGJ] = [line(bends, of), line(twists, of)]
    return strips.map(strip => ({
      ...strip,
      EI: Math.max(1e-6, lineAt(softEI, strip.s)),
      GJ: lineAt(softGJ, strip.s),
    }))
  }
  const pull = twistUnder(under(pulled), torqueUnder(flying.pull)),
    dive = twistUnder(strips, torqueUnder(flying.dive))
  const speedOf = (pressure: number) =>
    Number.isFinite(pressure) ? Math.sqrt((2 * pressure) / density) : null
  const divergenceMs = speedOf(divergencePressure(strips)),
    flutter = flutterSpeed(strips, density)
  const flutterMs = Number.isFinite(flutter) ? flutter : null
  const top = flying.dive.pressure
  const reversalMs = ailerons ? speedOf(reversalPressure(strips, ailerons)) : null
  const limits = [divergenceMs, flutterMs, reversalMs].filter(value => value !== null)
  const { bending, twist } = lowestFrequencies(strips)
  return {
    surface,
    pullDeg: radToDeg(pull.tip),
    diveDeg: radToDeg(dive.tip),
    along: [
      { s: 0, deg: 0 },
      ...strips.map(({ s }, i) => ({ s: mToMm(s), deg: radToDeg(pull.at[i]) })),
      { s: mToMm(span), deg: radToDeg(pull.tip) },
    ],
    tipRiseMm: mToMm(tipRise(under(most), loads, flying.most)),
    divergenceMs,
    flutterMs,
    aileron: ailerons ? { left: rollLeft(strips, ailerons, top), reversalMs } : null,
    cautionMs: limits.length ? CAUTION * Math.min(...limits) : null,
    bendingHz: bending / (2 * Math.PI),
    twistHz: twist / (2 * Math.PI),
  }
}

/** Curvature under the load, integrated twice from the root. */
function tipRise(strips: readonly FlutterStrip[], loads: WingLoads, { lift, weight }: Flying): number {
  const moment = loads.places.map((s, i) => ({
    s,
    value: lift * loads.lift.moment[i] - weight * loads.weight.moment[i],
  }))
  let slope = 0,
    rise = 0
  for (const { s, width, EI } of strips) {
    const curvature = lineAt(moment, s) / EI
    rise += slope * width + (curvature * width * width) / 2
    slope += curvature * width
  }
  return rise
}
