/** Everything about flight that an assessment says, from the solved lattice, the sections and the ledger. */
import { surfaceOf, type SurfaceName } from '../../document'
import { chanceWithin, massSpread, sumInertia, sumMass, type MassEntry } from '../../mass'
import { degToRad, GRAVITY, gToKg, mToMm } from '../../units'
import { fullRudder, rateReports } from './rates'
import { controlReports } from './hinges'
import { createDrag, standingPropellers, type SurfaceModels } from './airframe-drag'
import { airOf, createLift, type SolvedFlight } from './solved-lift'
import { foreplaneStall } from './foreplane-stall'
import { handlingOf } from './handling-report'
import { controlRoles } from './airframe-lattice'
import { createSections } from './section-models'
import { createStall } from './stall-along-span'
import { pitchTables } from './pitch-model'
import { loadingOf, tailIncidence, trimRows } from './trim-rows'
import type { Designed } from '../resolve'
import type { StallCase, StallReport, TrimRow, Assessment, FlightFigures, PitchTables } from '../report'

/**
 * How well lattice and body strips place the neutral point: one standard deviation, share of the mean chord.
 */
export const NEUTRAL_POINT_SIGMA = 0.015

/** What flight adds to an assessment, with what strength needs of it. */
export type Flown = Pick<
  Assessment,
  'flight' | 'stall' | 'trim' | 'tailIncidenceDeg' | 'handling' | 'controls' | 'rates'
> & {
  solved: SolvedFlight
  alphaStall: number
  models: SurfaceModels
  /** Drag of level flight at a speed, propellers turning, elevator neutral, N. */
  levelDrag(speed: number): number
  /** The stall of the wing as it could be instead. */
  stallCases(): StallCase[]
  /** In the vertical plane, with the payload aboard or gone; asked for where it is tossed. */
  pitch(payload: boolean): PitchTables
}

export function createFlown(
  at: (what: string) => void = () => {},
): (airframe: Designed, entries: readonly MassEntry[]) => Flown {
  const lift = createLift(() => at('lattice'))
  const sections = createSections()
  const stallStage = createStall(),
    drags = createDrag()
  return (airframe, entries) => {
    const { doc } = airframe
    const solved = lift(airframe)
    const models: SurfaceModels = {}
    for (const loft of Object.values(airframe.surfaces)) {
      const surface = surfaceOf(doc, loft.name as SurfaceName)!
      models[loft.name] = sections(loft, surface, doc, airframe.edgeMm[loft.name]!)
    }
    const dropping = entries.some(entry => entry.drops && entry.mass > 0)
    const sum = sumMass(entries),
      empty = dropping ? sumMass(entries.filter(entry => !entry.drops)) : sum
    const wingStall = stallStage(airframe, solved, models, sum.mass)
    const roles = controlRoles(doc, Object.keys(airframe.surfaces) as SurfaceName[])
    const foreplane = foreplaneStall(
      airframe,
      solved,
      roles,
      models.horizontal,
      loadingOf(sum, wingStall.report.speedMs),
    )
    const stall: StallReport = { ...wingStall.report, foreplane }
    const slowest = slowestOf(stall),
      light = slowest * Math.sqrt(empty.mass / sum.mass)
    const aboard = loadingOf(sum, slowest),
      gone = dropping ? loadingOf(empty, light) : null
    const drag = drags(airframe, solved, models)
    const trim = trimRows(airframe, solved, roles, drag, { aboard, gone })
    const flownState = handlingOf(airframe, solved, roles, drag, aboard, entries)
    const cruise = trim.find(row => row.id === 'cruise' && row.payload)
    return {
      solved,
      models,
      levelDrag: speed => {
        const pressure = (airOf(doc).density * speed ** 2 * solved.reference.area) / 2
        const CL = (sum.mass * GRAVITY) / pressure
        const alpha = (CL - solved.lift.clZero) / solved.lift.clAlpha
        const { CD } = drag(alpha, [], speed)
        return pressure * Math.max(1e-4, CD - standingPropellers(airframe) / solved.reference.area)
      },
      pitch: payload => {
        const load = payload || !gone ? aboard : gone
        const own = payload ? entries : entries.filter(entry => !entry.drops)
        return pitchTables(airframe, solved, roles, drag, {
          load,
          inertia: sumInertia(own, { x: load.x, y: 0, z: load.z }).yy,
          clMax: stall.clMax,
        })
      },
      alphaStall: degToRad(stall.alphaDeg),
      stall,
      stallCases: wingStall.cases,
      trim,
      tailIncidenceDeg: tailIncidence(airframe, roles, cruise),
      handling: flownState.report,
      controls: controlReports(airframe, solved, flownState.alpha),
      rates: rateReports(
        airframe,
        solved,
        roles,
        flownState.derivatives,
        flownState.report,
        flownState.derivatives.at.CL,
        stall.clMax,
      ),
      flight: {
        ...figures(airframe, solved, stall, trim, entries, sum.x, empty.x, massSpread(entries).x),
        rudderYawM3:
          fullRudder(airframe, roles, flownState.derivatives) * solved.reference.area * solved.reference.span,
      },
    }
  }
}

/** Slower than this it does not fly: the wing lets go, or the canard does and the nose drops, m/s. */
const slowestOf = ({ speedMs, foreplane }: StallReport): number => Math.max(speedMs, foreplane?.nodsAtMs ?? 0)

function figures(
  { doc }: Designed,
  { plan, lift, bodyShift, neutralPoint, between }: SolvedFlight,
  stall: StallReport,
  trim: readonly TrimRow[],
  entries: readonly MassEntry[],
  cg: number,
  cgEmpty: number,
  cgSigma: number,
): Omit<FlightFigures, 'rudderYawM3'> {
  const [low, high] = doc.brief.staticMarginPct
  const at = (pct: number) => mToMm(neutralPoint - (pct / 100) * plan.mac)
  const sigma = Math.hypot(mToMm(cgSigma), NEUTRAL_POINT_SIGMA * mToMm(plan.mac))
  const [fore, aft] = [at(high), at(low)]
  const reach = slideReach(entries, doc)
  const places = [mToMm(cg), mToMm(cgEmpty)]
  return {
    clAlphaPerRad: lift.clAlpha,
    neutralPointMm: mToMm(neutralPoint),
    neutralPointSigmaMm: NEUTRAL_POINT_SIGMA * mToMm(plan.mac),
    bodyShiftMm: mToMm(bodyShift),
    staticMarginPct: (100 * (neutralPoint - cg)) / plan.mac,
    staticMarginEmptyPct: (100 * (neutralPoint - cgEmpty)) / plan.mac,
    cgRangeMm: [fore, aft],
    cgAimMm: at((low + high) / 2),
    cgReachMm: [places[0] + reach[0], places[0] + reach[1]],
    balanceChance: chanceWithin(places, sigma, fore, aft),
    balanceChanceSliding: chanceWithin(places, sigma, fore - reach[1], aft - reach[0]),
    stallMs: slowestOf(stall),
    clMax: stall.clMax,
    stallPlaceShare: stall.placeShare,
    tipMarginDeg: stall.tipMarginDeg,
    density: airOf(doc).density,
    spanEfficiency: lift.spanEfficiency,
    between,
    panels: lift.panels,
    bestGlide: trim.find(row => row.id === 'glide' && row.payload)?.glideRatio ?? 0,
  }
}

/**
 * How far the CG goes forward and aft when batteries slide from end to end of their bays, mm (negative
 * forward).
 */
function slideReach(entries: readonly MassEntry[], doc: Designed['doc']): [number, number] {
  const total = entries.reduce((sum, entry) => sum + entry.mass, 0)
  return doc.equipment
    .filter(item => item.kind === 'battery' && item.bay)
    .reduce<[number, number]>(
      ([fore, aft], item) => {
        const ends = [item.bay![0] + item.sizeMm[0] / 2, item.bay![1] - item.sizeMm[0] / 2].map(
          x => ((x - item.xMm) * gToKg(item.massG)) / total,
        )
        return [fore + Math.min(0, ...ends), aft + Math.max(0, ...ends)]
      },
      [0, 0],
    )
}
