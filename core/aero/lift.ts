/**
 * Lift, moment, neutral point and induced drag from a solved lattice, all in linear form: at zero incidence
 * and per radian.
 */
import type { Reference } from './derivatives'
import { circulationOf, solveFlows, velocityOf, type SolvedFlows } from './flows'
import type { Circulation } from './lattice'
import { boundLoads, wakeLoads } from './loads'
import { layPanels, type LatticeSurface, type Panels } from './panels'
import { stripCirculations } from './wake'

export interface StripLift {
  surface: string
  /** Along the surface from its root, and in the aircraft's axes, m. */
  span: number
  x: number
  y: number
  z: number
  width: number
  chord: number
  /** Section lift coefficient per radian of incidence, and at none. */
  clPerRad: number
  clZero: number
}

export interface LiftSolution {
  clAlpha: number
  clZero: number
  alphaZeroLift: number
  cmAlpha: number
  cmZero: number
  neutralPointX: number
  /** C_Di / C_L² and C_L² / (π A C_Di), for the loading of incidence alone. */
  inducedDragFactor: number
  spanEfficiency: number
  strips: StripLift[]
  /** Of the whole aircraft, port halves counted. */
  panels: number
  flows: SolvedFlows
}

const AHEAD = velocityOf({ wind: [1, 0, 0], spin: [0, 0, 0] })

function liftAndMoment(panels: Panels, gamma: Circulation, reference: Reference): { cl: number; cm: number } {
  const { force, moment } = boundLoads(panels, gamma, AHEAD, [reference.x, 0, 0])
  return { cl: (2 * force[2]) / reference.area, cm: (2 * moment[1]) / (reference.area * reference.chord) }
}

/** CL and Cm about the reference point per radian of incidence, with what the flows bring with them. */
export function slopesOf(flows: SolvedFlows, reference: Reference): { clAlpha: number; cmAlpha: number } {
  const raised = circulationOf(flows, flows.settled({ wind: [0, 0, 1], spin: [0, 0, 0] }))
  const { cl, cm } = liftAndMoment(flows.lattice.panels, raised, reference)
  return { clAlpha: cl, cmAlpha: cm }
}

/** Surfaces with `mirror` have a port half, the rest stand on their own; see `layPanels`. Symmetric flow. */
export function solveLift(surfaces: readonly LatticeSurface[], reference: Reference): LiftSolution {
  const panels = layPanels(surfaces)
  const flows = solveFlows(panels)
  const perRad = flows.wind(2),
    atZero = flows.wind(0)
  const a = liftAndMoment(panels, perRad, reference),
    z = liftAndMoment(panels, atZero, reference)
  const drag = (2 * wakeLoads(panels, perRad, perRad, [0, 0, 0]).force[0]) / reference.area
  const turned = stripCirculations(panels, perRad).starboard,
    fixed = stripCirculations(panels, atZero).starboard
  return {
    clAlpha: a.cl,
    clZero: z.cl,
    alphaZeroLift: -z.cl / a.cl,
    cmAlpha: a.cm,
    cmZero: z.cm,
    neutralPointX: reference.x - (reference.chord * a.cm) / a.cl,
    inducedDragFactor: drag / a.cl ** 2,
    spanEfficiency: a.cl ** 2 / ((Math.PI * reference.span ** 2) / reference.area) / drag,
    strips: panels.strips.map((strip, k) => ({
      surface: strip.surface,
      span: strip.span,
      x: strip.x,
      y: strip.y,
      z: strip.z,
      width: strip.width,
      chord: strip.chord,
      clPerRad: (2 * turned[k]) / strip.chord,
      clZero: (2 * fixed[k]) / strip.chord,
    })),
    panels: panels.count + panels.mirrored.reduce((sum, value) => sum + value, 0),
    flows,
  }
}
