/** Files as they are written, and torn: bytes changed, a stretch doubled, a stretch cut out, the end cut off. */
import fc from 'fast-check'
import { strToU8 } from 'fflate'
import { writeStl, writeThreeMf } from '../printing'
import { revolve } from './meshes'

export const small = revolve(
  [
    [5, 0],
    [3, 8],
  ],
  10,
)
const ascii = [
  'solid s',
  ...Array.from(
    { length: 6 },
    (_, i) =>
      `facet normal 0 0 1\nouter loop\nvertex ${i} 0 0\nvertex 1 ${i} 0\nvertex 0 1 ${i}\nendloop\nendfacet`,
  ),
  'endsolid',
].join('\n')
const gcode = [
  'G21',
  'G90',
  'M82',
  'G28',
  'G92 E0',
  ...Array.from({ length: 30 }, (_, i) => `G1 X${i} Y${i * 2} Z0.3 E${i / 3} F1800`),
  'G2 X10 Y10 I4 J4 E12',
  'G3 X0 Y0 R20 E14',
  'G91',
  'G1 X3 E0.2',
  'M83',
  'G4 P200',
].join('\n')

/** What a mesh or a machine file may look like. */
export const WHOLE = {
  'binary STL': writeStl(small, 's'),
  'ASCII STL': strToU8(ascii),
  '3MF': writeThreeMf([{ name: 's', mesh: small, place: [0, 0] }]),
  'G-code': strToU8(gcode),
}

export const mutation = fc.record({
  edits: fc.array(fc.tuple(fc.nat(100_000), fc.nat(255)), { maxLength: 8 }),
  from: fc.nat(100_000),
  length: fc.nat(400),
  act: fc.constantFrom('none', 'none', 'double', 'drop', 'end'),
})
export function mutate(
  bytes: Uint8Array,
  { edits, from, length, act }: { edits: Array<[number, number]>; from: number; length: number; act: string },
): Uint8Array {
  const at = from % bytes.length,
    to = Math.min(bytes.length, at + length)
  const acts: Record<string, Uint8Array[]> = {
    double: [bytes.subarray(0, to), bytes.subarray(at)],
    drop: [bytes.subarray(0, at), bytes.subarray(to)],
    end: [bytes.subarray(0, Math.max(1, at))],
  }
  const parts = acts[act] ?? [bytes]
  const broken = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0))
  parts.reduce((place, part) => {
    broken.set(part, place)
    return place + part.length
  }, 0)
  for (const [place, value] of edits) if (broken.length) broken[place % broken.length] = value
  return broken
}
