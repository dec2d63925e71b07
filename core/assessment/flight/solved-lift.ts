/**
 * Lattice, neutral point and reference lengths of an airframe. Solved again only when a surface or the body
 * changes. SI inside.
 */
import { airAt, bodyMoment, planform, solveLift, type LiftSolution, type Reference } from '../../aero'
import type { Boom, Control, ProjectFile, SurfaceName } from '../../document'
import type { BodyLoft, SurfaceLoft } from '../../geometry'
import { memoise } from '../../memo'
import { cToK, mmToM } from '../../units'
import { latticeParts, surfaceOf } from './airframe-lattice'
import type { Airframe } from '../resolve'

export interface WingPlan {
  area: number
  mac: number
  macLead: number
  macSpan: number
  span: number
}

/** Both halves, projected on the horizontal, m and m². */
export function planOf(loft: SurfaceLoft): WingPlan {
  const half = planform(
    loft.ends.map(station => ({
      span: mmToM(station.s),
      lead: mmToM(station.lead),
      chord: mmToM(station.chord),
    })),
  )
  const sides = loft.mirror ? 2 : 1
  const flat = Math.cos(loft.cant)
  return {
    area: sides * half.area * Math.max(flat, 1e-3),
    mac: half.mac,
    macLead: half.macLead,
    macSpan: mmToM(loft.origin[1]) + half.macSpan,
    span: sides * (mmToM(loft.span) * flat + mmToM(loft.origin[1])),
  }
}

export interface SolvedFlight {
  plan: WingPlan
  reference: Reference
  lift: LiftSolution
  bodyShift: number
  /** Body's Cm per radian of incidence, and Cn per radian of sideslip. */
  bodyPitch: number
  bodyYaw: number
  neutralPoint: number
}

type Part = { loft: SurfaceLoft; controls: readonly Control[] }
/** Share of the free stream's turning that a body feels behind the wing, where the downwash takes half. */
const BEHIND_WING = 0.5

/** Shapes whose flows are remembered: the present one and what nudges try. */
const SOLVED = 12

export function createLift(): (airframe: Airframe) => SolvedFlight {
  const solveFor = memoise(
    (
      wing: SurfaceLoft,
      wingControls: readonly Control[],
      tail: SurfaceLoft | undefined,
      tailControls: readonly Control[],
      fin: SurfaceLoft | undefined,
      finControls: readonly Control[],
      body: BodyLoft | null,
      boom: Boom | null,
      boomMm: number,
    ): SolvedFlight => {
      const plan = planOf(wing)
      const reference: Reference = {
        area: plan.area,
        chord: plan.mac,
        span: plan.span,
        x: plan.macLead + plan.mac / 4,
      }
      const parts: Part[] = [{ loft: wing, controls: wingControls }]
      if (tail) parts.push({ loft: tail, controls: tailControls })
      if (fin) parts.push({ loft: fin, controls: finControls })
      const lift = solveLift(
        parts.flatMap(({ loft, controls }) =>
          latticeParts(loft, controls, body, boom && { boom, diameterMm: boomMm }),
        ),
        reference,
      )
      const strips = (size: (x: number) => number, wingRear: number, behind: number, length: number) =>
        body
          ? bodyMoment(
              x => mmToM(size(x * 1000)),
              mmToM(body.from),
              mmToM(body.to),
              wingRear,
              behind,
              plan.area,
              length,
            )
          : 0
      const bodyPitch = strips(x => body!.at(x).width, plan.macLead + plan.mac, BEHIND_WING, plan.mac)
      return {
        plan,
        reference,
        lift,
        bodyPitch,
        bodyYaw: -strips(x => body!.at(x).height, Infinity, 1, plan.span),
        bodyShift: (-plan.mac * bodyPitch) / lift.clAlpha,
        neutralPoint: lift.neutralPointX - (plan.mac * bodyPitch) / lift.clAlpha,
      }
    },
    SOLVED,
  )
  const NONE: readonly Control[] = []
  return ({ doc, wing, surfaces, body, boom }) => {
    const controls = (name: SurfaceName) => (surfaces[name] ? surfaceOf(doc, name)!.controls : NONE)
    return solveFor(
      wing,
      controls('wing'),
      surfaces.horizontal,
      controls('horizontal'),
      surfaces.vertical,
      controls('vertical'),
      body,
      boom?.boom ?? null,
      boom?.stock.heightMm ?? 0,
    )
  }
}

export const airOf = (doc: ProjectFile) => airAt(doc.brief.fieldElevationM, cToK(doc.brief.fieldTemperatureC))
