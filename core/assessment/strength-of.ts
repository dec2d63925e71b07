/** Reserve factors along the half wing of an airframe. Sections are kept while shape, recipes, spars and cuts stay. */
import { panelAt, usableCuts, zoneOr, type SparLine, type SurfaceLoft } from '../geometry'
import type { Cut } from '../document'
import type { MassEntry } from '../mass'
import { memoise } from '../memo'
import { shearAndMoment, stationReserve, stationSection, type SpanPoint, type StationSection } from '../structure'
import { GRAVITY, mmToM, mToMm } from '../units'
import type { Airframe } from './airframe'
import type { SolvedFlight } from './flight-of'
import type { StrengthFigures } from './types'

/** Evenly spaced stations, root to tip; breaks, cuts and spar ends are added. */
const STATIONS = 20
/** Outboard of this share of the span the moment is nil and reserves mean nothing. */
const OUTER_LIMIT = 0.97

export interface StrengthStage { (airframe: Airframe, flight: SolvedFlight, entries: readonly MassEntry[], mass: number, alphaStall: number, loadFactor: number): StrengthFigures }

export function createStrength(): StrengthStage {
  const sectionsOf = memoise((loft: SurfaceLoft, lines: readonly SparLine[], cuts: readonly Cut[]): StationSection[] => {
    const joints = usableCuts(cuts, 0, loft.span).map(cut => cut.atMm)
    const places = new Set(Array.from({ length: STATIONS }, (_, i) => (loft.span * OUTER_LIMIT * i) / (STATIONS - 1)))
    for (const at of [...joints, ...loft.ends.map(s => s.s), ...lines.flatMap(line => [line.to - 0.1, line.to + 0.5])]) {
      if (at >= 0 && at <= loft.span * OUTER_LIMIT) places.add(at)
    }
    return [...places].sort((a, b) => a - b).map(s => stationSection(loft, s, lines, joints.some(at => Math.abs(at - s) < 0.5)))
  })
  return (airframe, flight, entries, mass, alphaStall, loadFactor) => {
    const { wing, doc } = airframe
    const sections = sectionsOf(wing, airframe.spars.wing ?? [], doc.cuts.wing)
    const pieces = airframe.pieces.filter(piece => piece.part === 'wing' && piece.kind === 'fixed' && piece.side !== 'port')
    const lift = liftAlong(airframe, flight, mass, alphaStall, loadFactor)
    const { net, points } = relieved(airframe, lift, entries, loadFactor)
    const loads = shearAndMoment(net, points, sections.map(section => mmToM(section.s)))
    const stations = sections.map((section, i) => {
      const zone = pieces.find(piece => section.s >= piece.from && section.s <= piece.to)?.zone ?? zoneOr(doc.zones, wing.zones[panelAt(wing, section.s).index])
      return stationReserve(section, zone.recipe, airframe.filamentOf(zone), loads[i].shear, loads[i].moment, doc.brief.safetyFactor)
    })
    const least = stations.reduce((a, b) => (b.reserve < a.reserve ? b : a))
    return { reserve: least.reserve, mode: least.mode, atMm: least.s, stations, lift: lift.map(({ s, value }) => ({ s: mToMm(s), perLength: value })) }
  }
}

/** Lift per length (N/m) of one half at the load factor, shaped as at the stall and scaled so that the wing bears all of n·m·g. */
function liftAlong(airframe: Airframe, flight: SolvedFlight, mass: number, alpha: number, loadFactor: number): SpanPoint[] {
  const strips = flight.lift.strips.filter(strip => strip.surface === 'wing')
  const shape = strips.map(strip => ({ s: strip.span, value: (strip.clZero + strip.clPerRad * alpha) * strip.chord, width: strip.width }))
  const sum = shape.reduce((total, { value, width }) => total + value * width, 0)
  const half = (loadFactor * mass * GRAVITY) / (airframe.wing.mirror ? 2 : 1)
  const scale = half / sum
  const tip = mmToM(airframe.wing.span)
  const points = [{ s: 0, value: shape[0].value * scale }, ...shape.map(({ s, value }) => ({ s, value: value * scale })), { s: tip, value: 0 }]
  // The straight lines between strips hold slightly less than the strips did; put the difference back evenly.
  const area = points.reduce((total, p, i) => (i === 0 ? 0 : total + ((p.s - points[i - 1].s) * (p.value + points[i - 1].value)) / 2), 0)
  return points.map(p => ({ s: p.s, value: (p.value * half) / area }))
}

function relieved(airframe: Airframe, lift: readonly SpanPoint[], entries: readonly MassEntry[], n: number) {
  const { wing, doc } = airframe
  const perLength: Array<{ from: number, to: number, weight: number }> = []
  for (const piece of airframe.pieces) {
    if (piece.part !== 'wing' || piece.side === 'port' || piece.kind === 'given') continue
    const entry = entries.find(item => item.id === piece.id)
    if (entry) perLength.push({ from: mmToM(piece.from), to: mmToM(piece.to), weight: (n * GRAVITY * entry.mass) / mmToM(piece.to - piece.from) })
  }
  for (const line of airframe.spars.wing ?? []) {
    const entry = entries.find(item => item.id === `${line.spar.id}-starboard` || item.id === line.spar.id)
    if (entry && line.to > line.from) perLength.push({ from: mmToM(line.from), to: mmToM(line.to), weight: (n * GRAVITY * entry.mass) / mmToM(line.to - line.from) })
  }
  const marks = [...new Set([...lift.map(p => p.s), ...perLength.flatMap(p => [p.from, p.to])])].filter(s => s >= 0 && s <= mmToM(wing.span)).sort((a, b) => a - b)
  const weightAt = (s: number) => perLength.reduce((sum, part) => (s >= part.from && s < part.to ? sum + part.weight : sum), 0)
  const liftAt = (s: number) => {
    const next = Math.max(1, lift.findIndex(p => p.s >= s))
    const a = lift[next - 1], b = lift[next]
    return a.value + ((b.value - a.value) * (s - a.s)) / (b.s - a.s || 1)
  }
  // Weight steps at piece ends: two points a hair apart.
  const net: SpanPoint[] = []
  marks.forEach((s, i) => {
    if (i > 0) net.push({ s: s - 1e-9, value: liftAt(s) - weightAt(s - 1e-7) })
    if (i < marks.length - 1) net.push({ s, value: liftAt(s) - weightAt(s + 1e-7) })
  })
  // Servos and the like out in the wing hang on it at their place.
  const points = doc.equipment.filter(item => item.pair && item.yMm > 40).map(item => ({ s: mmToM(item.yMm - wing.origin[1]), force: (-n * GRAVITY * item.massG) / 1000 }))
  return { net, points }
}
