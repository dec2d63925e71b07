import { z } from 'zod'
import { aerofoilOf, DocumentError } from '../core/document'
import { sectionOutline } from '../core/geometry'
import { solveSection } from '../core/aero'
import { BLADE_SECTION } from '../core/assess'
import { bladeSection, bladesOf, CHORD_LAWS, solvePropeller, type Blades } from '../core/power'
import { degToRad } from '../core/units'
import type { Arguments } from './answer'
import { parseInput } from './parse'

const metres = z.number().min(1e-4).max(20)
/** Dynamic viscosity of air at 15 °C, Pa·s. */
const VISCOSITY = 1.789e-5

const Input = z.object({
  diameterM: metres,
  pitchM: metres.optional(),
  blades: z.number().int().min(2).max(12).default(2),
  chordLaw: z.enum(Object.keys(CHORD_LAWS) as [keyof typeof CHORD_LAWS]).optional(),
  stations: z
    .array(
      z.object({ r: z.number().min(1e-4).max(10), chord: metres, twistDeg: z.number().min(-45).max(90) }),
    )
    .min(2)
    .max(200)
    .optional(),
  aerofoil: z.string().max(40).default(BLADE_SECTION),
  rpm: z.number().min(1).max(200_000),
  density: z.number().min(0.01).max(2000).default(1.225),
  speeds: z.array(z.number().min(0).max(400)).min(1).max(1000).default([0]),
})

/** A propeller by blade elements and momentum at one turning speed and any number of speeds of flight. */
export function propellerVerb({ read }: Arguments): unknown {
  const input = parseInput(Input, read())
  if (!aerofoilOf(input.aerofoil))
    throw new DocumentError('aerofoil', `"${input.aerofoil}" is no NACA name (naca4410)`)
  const outline = sectionOutline(input.aerofoil, [], 120)
  const section = bladeSection(solveSection(outline), outline.gap)
  const blades = bladesFrom(input)
  const air = { density: input.density, viscosity: VISCOSITY / input.density }
  const omega = (input.rpm * 2 * Math.PI) / 60
  return {
    method: 'blade elements and momentum, tip and hub loss, stall delay',
    points: input.speeds.map(speedMs => {
      const { point } = solvePropeller(blades, section, air, omega, speedMs)
      return {
        speedMs,
        j: point.advance,
        thrustN: point.thrust,
        torqueNm: point.torque,
        powerW: point.torque * omega,
        ct: point.ct,
        cp: point.cp,
        efficiency: point.efficiency,
        tipMach: point.tipMach,
      }
    }),
  }
}

function bladesFrom({ diameterM, pitchM, blades, chordLaw, stations }: z.infer<typeof Input>): Blades {
  if (!stations) {
    if (pitchM === undefined) throw new DocumentError('pitchM', 'give a pitch, or stations')
    return bladesOf({ diameter: diameterM, pitch: pitchM, count: blades, law: chordLaw ?? 'medium' })
  }
  if (chordLaw) throw new DocumentError('chordLaw', 'give a chord law or stations, not both')
  stations.forEach(({ r }, i) => {
    if (r > (diameterM / 2) * (1 + 1e-9))
      throw new DocumentError(`stations[${i}].r`, `${r} lies beyond the tip at ${diameterM / 2}`)
    if (i > 0 && r <= stations[i - 1].r)
      throw new DocumentError(`stations[${i}].r`, 'stations run from the root to the tip')
  })
  return {
    count: blades,
    radius: diameterM / 2,
    root: stations[0].r,
    stations: stations.map(({ r, chord, twistDeg }) => ({ r, chord, twist: degToRad(twistDeg) })),
  }
}
