/** Lattice, neutral point and stall of an airframe. The lattice is solved again only when a surface changes. SI inside. */
import { airAt, bodyMoment, findStall, planform, sectionLimit, solveLift, stallSpeed, type LatticeSurface, type LiftSolution, type StripLift } from '../aero'
import type { ProjectFile } from '../document'
import { meanSlope, placePoint, planAt, shapeFigures, type BodyLoft, type SurfaceLoft } from '../geometry'
import { memoise } from '../memo'
import { cToK, GRAVITY, mmToM, radToDeg } from '../units'
import type { Airframe } from './airframe'

/** Half-span strips and chordwise panels of the live lattice; the convergence table in the methods page says what they cost. */
const WING_STRIPS = 16, TAIL_STRIPS = 8, WING_CHORDWISE = 4, TAIL_CHORDWISE = 3

export interface WingPlan { area: number, mac: number, macLead: number, macSpan: number, span: number }

/** Both halves, projected on the horizontal, m and m². */
export function planOf(loft: SurfaceLoft): WingPlan {
  const half = planform(loft.ends.map(station => ({ span: mmToM(station.s), lead: mmToM(station.lead), chord: mmToM(station.chord) })))
  const sides = loft.mirror ? 2 : 1
  const flat = Math.cos(loft.cant)
  return {
    area: sides * half.area * Math.max(flat, 1e-3), mac: half.mac, macLead: half.macLead, macSpan: mmToM(loft.origin[1]) + half.macSpan,
    span: sides * (mmToM(loft.span) * flat + mmToM(loft.origin[1])),
  }
}

export interface SolvedFlight { plan: WingPlan, lift: LiftSolution, bodyShift: number, neutralPoint: number }

export function createLift(): (airframe: Airframe) => SolvedFlight {
  const solveFor = memoise((wing: SurfaceLoft, tail: SurfaceLoft | undefined, body: BodyLoft | null): SolvedFlight => {
    const plan = planOf(wing)
    const surfaces = [latticeOf(wing, WING_STRIPS, WING_CHORDWISE)]
    if (tail && Math.abs(tail.cant) < 1.3) surfaces.push(latticeOf(tail, TAIL_STRIPS, TAIL_CHORDWISE))
    const lift = solveLift(surfaces, { area: plan.area, chord: plan.mac, span: plan.span, x: plan.macLead + plan.mac / 4 })
    const moment = body
      ? bodyMoment(x => mmToM(body.at(x * 1000).width), mmToM(body.from), mmToM(body.to), plan.macLead + plan.mac, 0.5, plan.area, plan.mac)
      : 0
    const bodyShift = (-plan.mac * moment) / lift.clAlpha
    return { plan, lift, bodyShift, neutralPoint: lift.neutralPointX + bodyShift }
  })
  return airframe => solveFor(airframe.wing, airframe.surfaces.horizontal, airframe.body)
}

function latticeOf(loft: SurfaceLoft, strips: number, chordwise: number): LatticeSurface {
  const bays = loft.ends.length - 1
  return {
    name: loft.name, mirror: loft.mirror, chordwise, spanwise: Math.max(2, Math.round(strips / bays)), spacing: bays === 1 ? 'cosine' : 'uniform',
    stations: loft.ends.map((station) => {
      const [x, y, z] = placePoint(loft, station.lead, station.n, station.s, 1)
      return { x: mmToM(x), y: mmToM(y), z: mmToM(z), chord: mmToM(station.chord), twist: station.twist, slopeAt: (share: number) => meanSlope(station.shape, share) }
    }),
  }
}

const figuresOf = memoise(shapeFigures, 24)

export interface StallFigures { speed: number, clMax: number, share: number, alphaDeg: number }

/** Slowest level speed at a mass (kg) over the brief's field; the sections' limits follow their Reynolds number there. */
export function stallOf(airframe: Airframe, flight: SolvedFlight, mass: number): StallFigures {
  const air = airOf(airframe.doc)
  const strips = flight.lift.strips.filter(strip => strip.surface === 'wing')
  const figures = airframe.wing.ends.map(station => ({ s: mmToM(station.s), ...figuresOf(station.shape) }))
  const weight = mass * GRAVITY
  let speed = stallSpeed(weight, air.density, flight.plan.area, 1.1)
  let stall = findStall(strips, () => 1.1, alpha => flight.lift.clZero + alpha * flight.lift.clAlpha)
  // Two rounds settle: the limit runs only with the 0.07th power of the speed.
  for (let round = 0; round < 2; round++) {
    const limitOf = (strip: StripLift) => {
      const { thickness, camber } = sectionAt(figures, strip.span)
      return sectionLimit(thickness, camber, (air.density * speed * strip.chord) / air.viscosity)
    }
    stall = findStall(strips, limitOf, alpha => flight.lift.clZero + alpha * flight.lift.clAlpha)
    speed = stallSpeed(weight, air.density, flight.plan.area, Math.max(0.1, stall.clMax))
  }
  return { speed, clMax: stall.clMax, share: stall.spanShare, alphaDeg: radToDeg(stall.alpha) }
}

function sectionAt(figures: ReadonlyArray<{ s: number, thickness: number, camber: number }>, s: number): { thickness: number, camber: number } {
  const next = Math.max(1, figures.findIndex(f => f.s >= s))
  const a = figures[next - 1], b = figures[next] ?? a
  const t = b.s === a.s ? 0 : (s - a.s) / (b.s - a.s)
  return { thickness: a.thickness + (b.thickness - a.thickness) * t, camber: a.camber + (b.camber - a.camber) * t }
}

export const airOf = (doc: ProjectFile) => airAt(doc.brief.fieldElevationM, cToK(doc.brief.fieldTemperatureC))

/** Chord at the mean chord's place, for drawing. mm */
export const macPlace = (loft: SurfaceLoft, plan: WingPlan) => planAt(loft, (plan.macSpan - mmToM(loft.origin[1])) * 1000)
