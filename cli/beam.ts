import { z } from 'zod'
import { DocumentError } from '../core/document'
import { solveBeam, type BeamInput } from '../core/structure'
import type { Arguments } from './answer'
import { parseInput } from './parse'

/** A kilometre, a giganewton: past these a figure has slipped, and sums of its powers leave what is finite. */
const positive = z.number().min(1e-12).max(1e15)
const metres = z.number().min(1e-6).max(1e4)
const place = z.number().min(0).max(1e4)
const force = z.number().min(-1e9).max(1e9)
/** Loads, stations and line loads, each; every one is looked at from every other. */
const MOST = 1000
const Input = z.object({
  length: metres,
  support: z.enum(['cantilever', 'simple']).default('cantilever'),
  stations: z
    .array(z.object({ x: place, EI: positive }))
    .min(1)
    .max(MOST)
    .optional(),
  tube: z
    .object({ outer: metres, inner: z.number().min(0).max(1e4).default(0), modulus: positive })
    .optional(),
  loads: z
    .array(z.object({ x: place, force }))
    .max(MOST)
    .default([]),
  distributed: z
    .union([
      force,
      z
        .array(z.object({ x: place, load: force }))
        .min(2)
        .max(MOST),
    ])
    .optional(),
})

export function beamVerb({ read }: Arguments): unknown {
  const input = parseInput(Input, read())
  const { length } = input
  const spread = Array.isArray(input.distributed) ? input.distributed : []
  for (const [name, list] of [
    ['loads', input.loads],
    ['stations', input.stations ?? []],
    ['distributed', spread],
  ] as const) {
    list.forEach(({ x }, i) => {
      if (x > length * (1 + 1e-9))
        throw new DocumentError(`${name}[${i}].x`, `${x} lies beyond the beam's length ${length}`)
    })
  }
  if (input.stations && input.tube) throw new DocumentError('tube', 'give stations or a tube, not both')
  const stations = input.stations ? [...input.stations].sort((a, b) => a.x - b.x) : tubeStations(input.tube)
  const distributed =
    typeof input.distributed === 'number'
      ? [
          { x: 0, load: input.distributed },
          { x: length, load: input.distributed },
        ]
      : [...(input.distributed ?? [])].sort((a, b) => a.x - b.x)
  const beam: BeamInput = { length, support: input.support, stations, loads: input.loads, distributed }
  return solveBeam(beam)
}

function tubeStations(
  tube: { outer: number; inner: number; modulus: number } | undefined,
): BeamInput['stations'] {
  if (!tube)
    throw new DocumentError(
      'stations',
      'give stations [{x, EI}] in m and N·m², or a tube {outer, inner, modulus} in m and Pa',
    )
  if (!(tube.inner < tube.outer)) throw new DocumentError('tube.inner', 'must be smaller than tube.outer')
  return [{ x: 0, EI: (tube.modulus * Math.PI * (tube.outer ** 4 - tube.inner ** 4)) / 64 }]
}
