/**
 * Mutated files of every kind that is read: figures, or a reason that names the place. Never anything
 * else.
 */
import fc from 'fast-check'
import { zipSync, strToU8 } from 'fflate'
import { describe, expect, it } from 'vitest'
import { DOMParser } from 'linkedom'
import { ThreeMFLoader } from 'three/examples/jsm/loaders/3MFLoader.js'
import type { Mesh } from 'three'
import { DEMOS } from '../demo'
import { DocumentError, readProject, readRecipe, writeProject, writeRecipe } from '../document'
import { formatCoordinates, measureMesh, parseCoordinates, shapeOf } from '../geometry'
import { revolve } from '../testing/meshes'
import { readStl } from './read-stl'
import { replayGcode } from './gcode'
import { readThreeMf } from './threemf'
import { writeThreeMf } from './write-threemf'
import { runs } from '../testing/runs'
import { mutate, mutation, small, WHOLE } from '../testing/torn'

const { upperX, upperY, lowerX, lowerY } = shapeOf('naca4412', [])
const coordinates = formatCoordinates('a section', [
  ...Array.from(upperX, (x, i): [number, number] => [x, upperY[i]]).reverse(),
  ...Array.from(lowerX, (x, i): [number, number] => [x, lowerY[i]]).slice(1),
])
const text = (bytes: Uint8Array): string => new TextDecoder().decode(bytes)
const KINDS: ReadonlyArray<{ name: string; bytes: Uint8Array; read: (bytes: Uint8Array) => unknown }> = [
  { name: 'binary STL', bytes: WHOLE['binary STL'], read: readStl },
  { name: 'ASCII STL', bytes: WHOLE['ASCII STL'], read: readStl },
  { name: '3MF', bytes: WHOLE['3MF'], read: readThreeMf },
  { name: 'G-code', bytes: WHOLE['G-code'], read: bytes => replayGcode(text(bytes), DEMOS[0].printers[0]) },
  { name: 'coordinates', bytes: strToU8(coordinates), read: bytes => parseCoordinates(text(bytes)) },
  { name: 'project', bytes: strToU8(writeProject(DEMOS[1])), read: bytes => readProject(text(bytes)) },
  {
    name: 'recipe',
    bytes: strToU8(writeRecipe({ name: 'x', filament: 'pla', recipe: DEMOS[0].zones[0].recipe })),
    read: bytes => readRecipe(text(bytes)),
  },
]
describe('importers', () => {
  it('read the files as written', () => {
    for (const { name, bytes, read } of KINDS) expect(() => read(bytes), name).not.toThrow()
  })
  it('survive mutated files, 5 000 of every kind in the deep run', () => {
    fc.assert(
      fc.property(fc.constantFrom(...KINDS), mutation, ({ name, bytes, read }, change) => {
        try {
          read(mutate(bytes, change))
        } catch (fault) {
          expect(fault, `${name}: ${(fault as Error).stack}`).toBeInstanceOf(DocumentError)
          expect((fault as DocumentError).reason.length, name).toBeGreaterThan(3)
        }
      }),
      { numRuns: runs(35_000, 350) },
    )
  }, 1_800_000)
  it('refuse what swells before it is unpacked: by what its directory says, and by what it is', () => {
    const bomb = zipSync({ '3D/3dmodel.model': strToU8('<model/>') })
    const directory = bomb.findIndex(
      (_, i) => bomb[i] === 0x50 && bomb[i + 1] === 0x4b && bomb[i + 2] === 1 && bomb[i + 3] === 2,
    )
    new DataView(bomb.buffer).setUint32(directory + 24, 301_000_000, true)
    expect(() => readThreeMf(bomb)).toThrow(/swells to 301 MB/)
  })
})

it('a 3MF is read by an independent loader: the same objects, names and volumes', () => {
  // The loader wants the browser's XML parser.
  Object.assign(globalThis, { DOMParser })
  const large = revolve(
    [
      [20, 0],
      [5, 60],
    ],
    90,
  )
  const file = writeThreeMf([
    { name: 'W1·S Wing 1', mesh: large, place: [30, 40] },
    { name: 'B2', mesh: small, place: [90, 20] },
  ])
  const group = new ThreeMFLoader().parse(file.slice().buffer as ArrayBuffer)
  const meshes: Mesh[] = []
  group.traverse(item => {
    if ((item as Mesh).isMesh) meshes.push(item as Mesh)
  })
  expect(meshes).toHaveLength(2)
  for (const [i, original] of [large, small].entries()) {
    const position = meshes[i].geometry.getAttribute('position'),
      index = meshes[i].geometry.getIndex()
    const read = {
      positions: Float32Array.from(position.array),
      triangles: Uint32Array.from(index ? index.array : Array.from({ length: position.count }, (_, k) => k)),
    }
    expect(measureMesh(read).volume / measureMesh(original).volume).toBeCloseTo(1, 5)
  }
})
