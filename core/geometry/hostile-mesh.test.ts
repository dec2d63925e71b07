/** Kept meshes that were made to take minutes, and outlines that are none. */
import { zlibSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../assess'
import { DEMOS } from '../demo'
import { checkProject, DocumentError, outlineFault, type ProjectFile } from '../document'
import { notNumbers } from '../testing/extremes'
import { seeded } from '../testing/drawn'
import { revolve } from '../testing/meshes'
import { runs } from '../testing/runs'
import { contoursAt } from './contours'
import { parseCoordinates } from './coordinate-file'
import { createCutter, mostCrossed } from './cutter'
import { packMesh, toBase64, unpackMesh } from './given-piece'

const packed = (vertices: number[][], triangles: number[][]): string => {
  const words = Int32Array.from([vertices.length, triangles.length, ...vertices.flat(), ...triangles.flat()])
  for (let i = words.length - 1; i >= 5; i--) words[i] -= words[i - 3]
  return toBase64(zlibSync(new Uint8Array(words.buffer), { level: 9 }))
}
const withMesh = (mesh: string): ProjectFile =>
  checkProject({
    ...DEMOS[0],
    given: [
      {
        id: 'part',
        name: 'Part',
        zone: 'body',
        mesh,
        standsFor: 'nothing',
        lies: 'length',
        xMm: 0,
        yMm: 0,
        zMm: 0,
        turnDeg: 0,
        pair: false,
      },
    ],
  })

describe('a kept mesh', () => {
  const FACES = [
    [0, 2, 1],
    [0, 1, 3],
    [1, 2, 3],
    [2, 0, 3],
  ]
  it('twenty kilometres long, or of triangles that all cross one height, is no part; the rest is reckoned', () => {
    const huge = packed(
      [
        [0, 0, 0],
        [2e9, 0, 0],
        [0, 2e9, 0],
        [0, 0, 2e9],
      ],
      FACES,
    )
    expect(unpackMesh(huge)).toBeNull()
    // A fan of slivers that stand from the foot to the top: a section of 60 000 points.
    const slivers = Array.from({ length: 15_000 }, (_, i) => i)
    const tall = packed(
      [
        ...slivers.flatMap(i => [
          [i, 0, 0],
          [i, 100, 0],
          [i, 0, 9000],
        ]),
        [0, 0, 0],
      ],
      slivers.map(i => [3 * i, 3 * i + 1, 3 * i + 2]),
    )
    expect(unpackMesh(tall)).toBeNull()
    for (const mesh of [huge, tall]) {
      const assessment = sharedAssessor().assess(withMesh(mesh))
      expect(notNumbers(assessment)).toEqual([])
      expect(assessment.findings.map(finding => finding.code)).toContain('given-unreadable')
    }
  })
  it('is cut at one height after another as each would be cut afresh', () => {
    const mesh = revolve(
      [
        [30, 0],
        [12, 40],
        [25, 41],
        [3, 90],
      ],
      64,
    )
    const cut = createCutter(mesh)
    const heights = [0.3, 17, 39.99, 40.5, 41.2, 66, 89.5]
    const stack = heights.map(z => contoursAt(mesh, [z])[0])
    // In any order: every cut stands for itself.
    for (const k of [6, 0, 3, 1, 5, 2, 4]) {
      const area = (loops: Float64Array[]) =>
        loops.reduce((sum, loop) => {
          for (let i = 0; i < loop.length; i += 2) {
            const j = (i + 2) % loop.length
            sum += (loop[i] * loop[j + 1] - loop[j] * loop[i + 1]) / 2
          }
          return sum
        }, 0)
      expect(area(cut(heights[k]))).toBeCloseTo(area(stack[k].loops), 9)
      expect(area(stack[k].loops)).toBeGreaterThan(20)
    }
    // Two triangles a facet in each of three cones, none twice at one height.
    expect(mostCrossed(mesh)).toBeLessThanOrEqual(4 * 64)
    expect(unpackMesh(packMesh(mesh))).not.toBeNull()
  })
})

describe('an outline', () => {
  const side = (from: number, to: number, y: (x: number) => number) =>
    Array.from({ length: 21 }, (_, i): [number, number] => {
      const x = from + ((to - from) * i) / 20
      return [x, y(x)]
    })
  const half = (x: number) => 0.3 * Math.sqrt(x) * (1 - x)
  const whole = [...side(1, 0, half), ...side(0, 1, x => -half(x)).slice(1)]
  const text = (points: ReadonlyArray<readonly [number, number]>) =>
    `Own\n${points.map(p => p.join(' ')).join('\n')}`
  it('that is one, is read; reflexed and blunt ones too', () => {
    expect(outlineFault(whole)).toBeNull()
    expect(parseCoordinates(text(whole)).points).toHaveLength(41)
    expect(
      outlineFault([
        ...side(1, 0, x => half(x) + 0.02 * Math.sin(7 * x)),
        ...side(0, 1, x => -half(x) + 0.02 * Math.sin(7 * x)).slice(1),
      ]),
    ).toBeNull()
    expect(
      outlineFault([
        ...side(1, 0, x => half(x) + 0.01 * x),
        ...side(0, 1, x => -half(x) - 0.01 * x).slice(1),
      ]),
    ).toBeNull()
  })
  it('cut off, doubled, crossing itself or without thickness is refused with its line', () => {
    const cases: Array<[ReadonlyArray<readonly [number, number]>, RegExp]> = [
      [whole.slice(0, 33), /line 34: the outline does not close/],
      [[...whole, ...whole.slice(1)], /line \d+: the outline runs back on itself/],
      [
        [...side(1, 0, half), ...side(0, 1, x => -half(x) + 1.2 * x * (1 - x)).slice(1)],
        /line \d+: the outline crosses itself/,
      ],
      [[...side(1, 0, x => half(x) / 100), ...side(0, 1, x => -half(x) / 100).slice(1)], /thinner than 1 %/],
      [side(1, 0.5, half), /does not run round the nose/],
    ]
    for (const [points, wanted] of cases) expect(() => parseCoordinates(text(points))).toThrow(wanted)
  })
  it('of a project is held to the same, so that whatever the schema admits can be flown', () => {
    const doc = { ...DEMOS[0], aerofoils: [{ id: 'own', name: 'Own', points: whole.slice(0, 33) }] }
    expect(() => checkProject(doc)).toThrow(/aerofoils\[0\]\.points\[32\]: the outline does not close/)
  })
  it('however a file was torn: what is accepted flies to finite figures', () => {
    const random = seeded(12),
      assessor = sharedAssessor()
    let accepted = 0
    for (let round = 0; round < runs(5000, 80); round++) {
      const lines = text(whole).split('\n')
      for (let k = 1 + Math.floor(3 * random()); k > 0; k--) {
        const at = 1 + Math.floor((lines.length - 1) * random())
        const act = Math.floor(4 * random())
        if (act === 0) lines.splice(at, 1 + Math.floor(12 * random()))
        else if (act === 1) lines.splice(at, 0, ...lines.slice(at, at + 3))
        else if (act === 2) lines.length = at
        else lines[at] = `${(2 * random() - 0.5).toFixed(3)} ${(0.4 * random() - 0.2).toFixed(3)}`
      }
      let points
      try {
        points = parseCoordinates(lines.join('\n')).points
      } catch (fault) {
        expect(fault).toBeInstanceOf(DocumentError)
        continue
      }
      if (++accepted > runs(800, 4)) continue
      const wing = { ...DEMOS[0].wing, rootAerofoil: 'torn' }
      const doc = checkProject({ ...DEMOS[0], wing, aerofoils: [{ id: 'torn', name: 'Torn', points }] })
      expect(notNumbers(assessor.assess(doc)), lines.join('\n')).toEqual([])
    }
    expect(accepted).toBeGreaterThan(3)
  }, 1_800_000)
})
