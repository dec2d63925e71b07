import fc from 'fast-check'
import { written } from '../units'
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../assess'
import { DEMOS } from '../demo'
import { checkProject, type Given } from '../document'
import { readGivenParts } from '../workshop/export'
import { revolve } from '../testing/meshes'
import { writeStl, writeThreeMf } from '../printing'
import { packMesh, unpackMesh } from './given-piece'
import { measureMesh } from './mesh'

const cone = revolve(
  [
    [20, 0],
    [5, 60],
  ],
  72,
)
const given = (more: Partial<Given> = {}): Given => ({
  id: 'ring',
  name: 'Ring',
  zone: 'tail',
  mesh: packMesh(cone),
  standsFor: 'nothing',
  lies: 'length',
  xMm: 500,
  yMm: 0,
  zMm: 10,
  turnDeg: 0,
  pair: false,
  ...more,
})
const withGiven = (...list: Given[]) => checkProject({ ...DEMOS[0], given: list, weighIns: [] })

describe('a mesh kept in the document', () => {
  it('comes back closed, to 0.01 mm, with its foot at zero and its box in the middle', () => {
    const back = unpackMesh(
      packMesh({ ...cone, positions: cone.positions.map((v, i) => v + [100, -40, 7][i % 3]) }),
    )!
    const { min, max, volume, watertight } = measureMesh(back)
    expect(watertight).toBe(true)
    expect(volume / measureMesh(cone).volume).toBeCloseTo(1, 3)
    expect([min[2], max[2], min[0] + max[0], min[1] + max[1]].map(v => Math.round(v * 50) / 50)).toEqual([
      0, 60, 0, 0,
    ])
  })
  it('is refused, never followed, when its text has been tampered with', () => {
    const text = packMesh(cone)
    fc.assert(
      fc.property(fc.nat(text.length - 1), fc.string({ minLength: 1, maxLength: 4 }), (at, put) => {
        const mesh = unpackMesh(text.slice(0, at) + put + text.slice(at + put.length))
        if (mesh) expect(mesh.triangles.every(corner => corner < mesh.positions.length / 3)).toBe(true)
      }),
      { numRuns: 300 },
    )
    expect(unpackMesh('')).toBeNull()
    expect(unpackMesh('AAAA')).toBeNull()
  })
})

describe('a given part in the aircraft', () => {
  it('lies where it is put: its middle on the axis, its heavy end where the thick end points', () => {
    const airframe = (lies: Given['lies']) =>
      sharedAssessor()
        .assess(withGiven(given({ lies, yMm: lies === 'span' ? 100 : 0 })))
        .pieces.find(p => p.id === 'ring')!
    // A cone's wall has its middle below half height: foot end forward, inboard or down of the box's middle.
    expect(airframe('length').centreMm[0]).toBeLessThan(498)
    expect(airframe('span').centreMm[1]).toBeLessThan(98)
    expect(airframe('fin').centreMm[2]).toBeLessThan(8)
    const [, y, z] = airframe('length').centreMm
    expect(Math.hypot(y, z - 10)).toBeLessThan(0.3)
  })
  it('a pair weighs twice one, mirrored; standing for the fin it takes the drawn fin away; an unreadable one is a finding', () => {
    const one = sharedAssessor().assess(withGiven(given({ yMm: 80 }))),
      two = sharedAssessor().assess(withGiven(given({ yMm: 80, pair: true })))
    const own = (a: typeof one) => a.pieces.filter(p => p.id.startsWith('ring'))
    expect(own(two)).toHaveLength(2)
    expect(own(two).reduce((sum, p) => sum + p.predictedG, 0)).toBeCloseTo(2 * own(one)[0].predictedG, 9)
    expect(own(two)[0].centreMm[1]).toBeCloseTo(-own(two)[1].centreMm[1], 9)
    const fin = sharedAssessor().assess(withGiven(given({ standsFor: 'vertical', lies: 'fin' })))
    expect(fin.pieces.some(p => p.part === 'vertical' && p.kind !== 'given')).toBe(false)
    const broken = sharedAssessor().assess(withGiven(given({ mesh: 'AAAA' })))
    expect(written(broken.findings.find(f => f.code === 'given-unreadable')!.text)).toContain('Ring')
  })
  it('in another filament it weighs by the densities; its place moves the balance by its moment', () => {
    const doc = withGiven(given())
    const a = sharedAssessor().assess(doc)
    const moved = sharedAssessor().assess({ ...doc, given: [{ ...doc.given[0], xMm: 600 }] })
    const grams = a.pieces.find(p => p.id === 'ring')!.predictedG
    // Its glue share moves with it: 4 % of the printed mass.
    const share = 1 + doc.allowances.glueShare
    expect((moved.totals.cgMm[0] - a.totals.cgMm[0]) * a.totals.massG).toBeCloseTo(100 * grams * share, 4)
  })
  it('files: STL is one part, 3MF one a built object with its name; a part in the wrong unit is named', () => {
    expect(readGivenParts('nose cone.stl', writeStl(cone, 'x')).map(p => p.name)).toEqual(['nose cone'])
    const parts = readGivenParts(
      'set.3mf',
      writeThreeMf([
        { name: 'left', mesh: cone, place: [0, 0] },
        { name: 'right', mesh: cone, place: [80, 0] },
      ]),
    )
    expect(parts.map(p => [p.name, Math.round(p.sizeMm[2]), p.openEdges])).toEqual([
      ['left', 60, 0],
      ['right', 60, 0],
    ])
    const metres = { ...cone, positions: cone.positions.map(v => v / 1000) }
    expect(() => readGivenParts('cone.stl', writeStl(metres, 'x'))).toThrow(/another unit/)
  })
})
