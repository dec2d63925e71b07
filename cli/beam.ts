import { z } from 'zod'
import { DocumentError } from '../core/document'
import { solveBeam, type BeamInput } from '../core/structure'
import type { Arguments } from './answer'
import { parseInput } from './parse'

const positive = z.number().positive()
const place = z.number().min(0)
const Input = z.object({
  length: positive,
  support: z.enum(['cantilever', 'simple']).default('cantilever'),
  stations: z
    .array(z.object({ x: place, EI: positive }))
    .min(1)
    .optional(),
  tube: z.object({ outer: positive, inner: z.number().min(0).default(0), modulus: positive }).optional(),
  loads: z.array(z.object({ x: place, force: z.number() })).default([]),
  distributed: z.union([z.number(), z.array(z.object({ x: place, load: z.number() })).min(2)]).optional(),
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
