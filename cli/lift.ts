import { z } from 'zod'
import { solveLift } from '../core/aero'
import { aerofoilOf, DocumentError } from '../core/document'
import { nacaMeanLine } from '../core/geometry'
import { degToRad, radToDeg } from '../core/units'
import type { Arguments } from './main'
import { parseInput } from './parse'

const metre = z.number().min(-1e4).max(1e4)
const Station = z.object({ x: metre, y: metre.default(0), z: metre.default(0), chord: z.number().positive().max(1e4), twistDeg: z.number().min(-90).max(90).default(0), aerofoil: z.string().default('naca0012') })
const Input = z.object({
  surfaces: z.array(z.object({
    name: z.string().default('surface'), mirror: z.boolean().default(true), chordwise: z.number().int().min(1).max(40).default(4), spanwise: z.number().int().min(1).max(200).default(10),
    spacing: z.enum(['uniform', 'cosine']).default('uniform'), stations: z.array(Station).min(2).max(400),
  })).min(1).max(20),
  reference: z.object({ area: z.number().positive(), chord: z.number().positive(), span: z.number().positive(), x: metre.default(0) }),
})
/** Beyond this the dense system takes minutes and gigabytes. */
const MAX_PANELS = 3000

export function liftVerb({ read }: Arguments): unknown {
  const { surfaces, reference } = parseInput(Input, read())
  const count = surfaces.reduce((sum, s) => sum + s.chordwise * s.spanwise * (s.stations.length - 1), 0)
  if (count > MAX_PANELS) throw new DocumentError('surfaces', `${count} panels; at most ${MAX_PANELS}`)
  const lattice = surfaces.map((surface, i) => ({
    ...surface,
    stations: surface.stations.map((station, k) => {
      const naca = aerofoilOf(station.aerofoil)
      if (!naca) throw new DocumentError(`surfaces[${i}].stations[${k}].aerofoil`, `"${station.aerofoil.slice(0, 40)}" is not a NACA name such as naca2412`)
      const before = surface.stations[k - 1]
      if (before && before.y === station.y && before.z === station.z) throw new DocumentError(`surfaces[${i}].stations[${k}]`, 'lies at the same y and z as the one before it')
      return { x: station.x, y: station.y, z: station.z, chord: station.chord, twist: degToRad(station.twistDeg), slopeAt: (x: number) => nacaMeanLine(naca, x).slope }
    }),
  }))
  const lift = solveLift(lattice, reference)
  return {
    clAlpha: lift.clAlpha, alphaZeroLiftDeg: radToDeg(lift.alphaZeroLift), neutralPointX: lift.neutralPointX, cmAlpha: lift.cmAlpha,
    inducedDragFactor: lift.inducedDragFactor, spanEfficiency: lift.spanEfficiency, panels: lift.panels,
    strips: lift.strips.map(({ surface, y, chord, clPerRad }) => ({ surface, y, chord, cl: clPerRad })),
    derivatives: { CL_alpha: lift.clAlpha, Cm_alpha: lift.cmAlpha, CL_0: lift.clZero, Cm_0: lift.cmZero },
  }
}
