import { z } from 'zod'
import { derivativesAt, solveLift, type LiftSolution, type Reference } from '../core/aero'
import { aerofoilOf, DocumentError } from '../core/document'
import { nacaMeanLine } from '../core/geometry'
import { degToRad, radToDeg } from '../core/units'
import type { Arguments } from './answer'
import { parseInput } from './parse'

const metre = z.number().min(-1e4).max(1e4)
const Station = z.object({
  x: metre,
  y: metre.default(0),
  z: metre.default(0),
  chord: z.number().min(1e-4).max(1e4),
  twistDeg: z.number().min(-90).max(90).default(0),
  aerofoil: z.string().default('naca0012'),
})
const Input = z.object({
  surfaces: z
    .array(
      z.object({
        name: z.string().default('surface'),
        mirror: z.boolean().default(true),
        chordwise: z.number().int().min(1).max(40).default(4),
        spanwise: z.number().int().min(1).max(200).default(10),
        spacing: z.enum(['uniform', 'cosine']).default('uniform'),
        controls: z
          .array(
            z.object({
              id: z.string().min(1).max(60),
              from: metre,
              to: metre,
              chordShare: z.number().min(0.02).max(1),
            }),
          )
          .max(12)
          .default([]),
        stations: z.array(Station).min(2).max(400),
      }),
    )
    .min(1)
    .max(20),
  reference: z.object({
    area: z.number().min(1e-8).max(1e8),
    chord: z.number().min(1e-4).max(1e4),
    span: z.number().min(1e-4).max(1e4),
    x: metre.default(0),
    z: metre.default(0),
  }),
  /** Incidence at which the derivatives stand. */
  alphaDeg: z.number().min(-30).max(30).default(0),
})
/** Beyond this the dense system takes minutes and gigabytes. */
const MAX_PANELS = 4000

export function liftVerb({ read }: Arguments): unknown {
  const { surfaces, reference, alphaDeg } = parseInput(Input, read())
  const count = surfaces.reduce(
    (sum, s) => sum + (s.mirror ? 2 : 1) * s.chordwise * s.spanwise * (s.stations.length - 1),
    0,
  )
  if (count > MAX_PANELS) throw new DocumentError('surfaces', `${count} panels; at most ${MAX_PANELS}`)
  const lattice = surfaces.map((surface, i) => ({
    ...surface,
    stations: surface.stations.map((station, k) => {
      const naca = aerofoilOf(station.aerofoil)
      if (!naca)
        throw new DocumentError(
          `surfaces[${i}].stations[${k}].aerofoil`,
          `"${station.aerofoil.slice(0, 40)}" is not a NACA name such as naca2412`,
        )
      const before = surface.stations[k - 1]
      if (before && before.y === station.y && before.z === station.z)
        throw new DocumentError(
          `surfaces[${i}].stations[${k}]`,
          'lies at the same y and z as the one before it',
        )
      return {
        x: station.x,
        y: station.y,
        z: station.z,
        chord: station.chord,
        twist: degToRad(station.twistDeg),
        slopeAt: (x: number) => nacaMeanLine(naca, x).slope,
      }
    }),
  }))
  surfaces.forEach((surface, i) => {
    const twin = surfaces.findIndex((other, k) => k < i && sameAs(surface, other))
    if (twin >= 0)
      throw new DocumentError(
        `surfaces[${i}]`,
        `lies on surfaces[${twin}]: two surfaces in one place carry nothing that can be told apart`,
      )
  })
  const lift = solveLift(lattice, reference)
  return {
    clAlpha: lift.clAlpha,
    alphaZeroLiftDeg: radToDeg(lift.alphaZeroLift),
    neutralPointX: lift.neutralPointX,
    cmAlpha: lift.cmAlpha,
    inducedDragFactor: lift.inducedDragFactor,
    spanEfficiency: lift.spanEfficiency,
    panels: lift.panels,
    strips: lift.strips.map(({ surface, y, chord, clPerRad }) => ({ surface, y, chord, cl: clPerRad })),
    derivatives: derivativesOf(lift, degToRad(alphaDeg), reference),
  }
}

type Given = z.infer<typeof Input>['surfaces'][number]
const sameAs = (a: Given, b: Given): boolean =>
  a.stations.length === b.stations.length &&
  a.stations.every((station, i) => {
    const { x, y, z: height, chord } = b.stations[i]!
    return station.x === x && station.y === y && station.z === height && station.chord === chord
  })

/** Stability axes about (reference.x, 0, reference.z); rates by b/2V and c/2V; controls per radian. */
function derivativesOf(
  lift: LiftSolution,
  alpha: number,
  reference: Reference & { z: number },
): Record<string, unknown> {
  const d = derivativesAt(lift.flows, alpha, [], { x: reference.x, z: reference.z }, reference)
  return {
    alphaDeg: radToDeg(alpha),
    CL: d.at.CL,
    CD_induced: d.at.CD,
    Cm: d.at.Cm,
    CL_0: lift.clZero,
    Cm_0: lift.cmZero,
    CL_alpha: d.alpha.CL,
    Cm_alpha: d.alpha.Cm,
    CL_q: d.q.CL,
    Cm_q: d.q.Cm,
    CY_beta: d.beta.CY,
    Cl_beta: d.beta.Cl,
    Cn_beta: d.beta.Cn,
    CY_p: d.p.CY,
    Cl_p: d.p.Cl,
    Cn_p: d.p.Cn,
    CY_r: d.r.CY,
    Cl_r: d.r.Cl,
    Cn_r: d.r.Cn,
    controls: d.controls.map(({ id, sense, CL, CY, Cl, Cm, Cn }) => ({ id, sense, CL, CY, Cl, Cm, Cn })),
  }
}
