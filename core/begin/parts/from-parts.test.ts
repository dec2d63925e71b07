/** An aircraft from part files, against parts whose every measure is known. */
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../assess'
import { checkProject } from '../../document'
import { DEMOS } from '../../demo'
import { meshOf, packMesh, pieceSolid, unpackMesh, type TriangleMesh } from '../../geometry'
import { testKernel } from '../../testing/kernel'
import { lofted, type LoftedShape } from '../../testing/lofted'
import { revolve } from '../../testing/meshes'
import { LIBRARIES } from '../../libraries'
import { notNumbers } from '../../testing/extremes'
import { written } from '../../units'
import { fromParts } from './from-parts'
import { measureBody } from './measure-body'
import { measureSurface, type MeasuredSection } from './measure-surface'
import { guessRole, type SortedPart } from './sort-parts'
import { aboutZ, MIRRORED, OVER_X, STOOD, turned } from './turn-mesh'

const part = (name: string, mesh: TriangleMesh, role: SortedPart['role']): SortedPart => ({
  name,
  role,
  mesh: packMesh(mesh),
  sizeMm: [1, 1, 1],
})
const INNER: LoftedShape = { root: 200, tip: 170, span: 220, sweep: 8 }
const OUTER: LoftedShape = { root: 170, tip: 110, span: 260, sweep: 25, twistDeg: -2 }

const ends = ({ sections }: { sections: MeasuredSection[] }) => [sections[0], sections[14]] as const
/** Ends of a line through two values 4 % in from them. */
const carried = (a: number, b: number) => [a - (0.04 / 0.92) * (b - a), b + (0.04 / 0.92) * (b - a)]

describe('a part of a wing', () => {
  const own = measureSurface(lofted(OUTER))!
  const [root, tip] = ends(own)
  it('is measured as it was drawn', () => {
    expect(own.side).toBe(1)
    expect(own.whole).toBe(false)
    expect(own.height).toBeCloseTo(260, 4)
    const chords = carried(root.chord, tip.chord)
    expect(Math.abs(chords[0] / 170 - 1)).toBeLessThan(0.003)
    expect(Math.abs(chords[1] / 110 - 1)).toBeLessThan(0.003)
    const noses = carried(root.nose[0], tip.nose[0])
    expect(noses[1] - noses[0]).toBeCloseTo(25, 0)
    const angles = carried(root.angle, tip.angle)
    expect(((angles[1] - angles[0]) * 180) / Math.PI).toBeCloseTo(-2, 1)
    // Four per cent at four tenths, in the nearest third of a per cent of places.
    expect(root.camber).toBeCloseTo(0.04, 2)
    const thick = Math.max(...root.outline.slice(0, 31).map(([, y], i) => y - root.outline[60 - i][1]))
    expect(thick).toBeCloseTo(0.12, 2)
    expect(own.sections.every(section => section.full)).toBe(true)
  })
  it.each([
    ['turned about its span', (mesh: TriangleMesh) => turned(mesh, aboutZ(2.2)), 1],
    ['on its tip', (mesh: TriangleMesh) => turned(mesh, OVER_X), 1],
    ['on its tip, turned', (mesh: TriangleMesh) => turned(turned(mesh, OVER_X), aboutZ(-1)), 1],
    ['the port one', (mesh: TriangleMesh) => turned(mesh, MIRRORED), -1],
    ['the port one, on its tip', (mesh: TriangleMesh) => turned(turned(mesh, MIRRORED), OVER_X), -1],
    // Twice stood up is lying the other way round.
    ['lying along x', (mesh: TriangleMesh) => turned(turned(mesh, STOOD.x), STOOD.x), 1],
  ])('%s it is the same part', (_, way, side) => {
    const other = measureSurface(way(lofted(OUTER)))!
    const [a, b] = ends(other)
    expect(other.side).toBe(side)
    expect(other.height).toBeCloseTo(own.height, 3)
    expect(a.chord).toBeCloseTo(root.chord, 2)
    expect(b.chord).toBeCloseTo(tip.chord, 2)
    expect(a.camber).toBeCloseTo(root.camber, 3)
    expect(b.nose[0] - a.nose[0]).toBeCloseTo(tip.nose[0] - root.nose[0], 1)
    expect(b.angle - a.angle).toBeCloseTo(tip.angle - root.angle, 3)
  })
  it('a ball is none', () => {
    expect(
      measureSurface(
        revolve([
          [20, 0],
          [20, 60],
        ]),
      ),
    ).toBeNull()
  })
})

describe('a body', () => {
  const cone = (a: number, b: number, length: number) =>
    revolve(
      [
        [a, 0],
        [b, length],
      ],
      48,
    )
  it('stands end to end: each turned so that its ends go with its neighbours', () => {
    const found = measureBody([cone(30, 12, 80), cone(20, 30, 100), cone(20, 8, 150)])
    const ends = found.map(({ slices }) => [slices[0].width, slices[slices.length - 1].width].map(Math.round))
    // Near the ends, 3 % in: 12 → 30, 30 → 20, 20 → 8 of radius.
    expect(ends).toEqual([
      [25, 59],
      [59, 41],
      [39, 17],
    ])
  })
})

describe('a project', () => {
  const nose = revolve(
    [
      [18, 0],
      [32, 300],
    ],
    48,
  )
  const rear = revolve(
    [
      [32, 0],
      [10, 350],
    ],
    48,
  )
  const tail: LoftedShape = { root: 120, tip: 90, span: 190, section: 'naca0009', both: true, sweep: 15 }
  const parts = [
    part('outer', lofted(OUTER), 'wing'),
    part('inner_left', turned(lofted(INNER), MIRRORED), 'wing'),
    part('inner_right', lofted(INNER), 'wing'),
    part('stab', lofted(tail), 'horizontal'),
    part('fin', lofted({ root: 130, tip: 80, span: 150, section: 'naca0009' }), 'vertical'),
    part('body 1', nose, 'body'),
    part('body 2', rear, 'body'),
    part(
      'lid',
      revolve(
        [
          [6, 0],
          [6, 20],
        ],
        24,
      ),
      'other',
    ),
  ]
  const { project, said } = fromParts('A bought one', parts)
  const doc = checkProject(project)

  it('has the wing that its parts have, once for both sides, from the root outwards', () => {
    expect(doc.wing.panels.map(panel => Math.round(panel.spanMm))).toEqual([220, 260])
    expect(doc.wing.rootChordMm).toBeCloseTo(200, 0)
    expect(doc.wing.panels[1].tipChordMm).toBeCloseTo(110, 0)
    expect(doc.wing.panels[1].tipTwistDeg).toBeCloseTo(-2, 0)
    expect(doc.tail.horizontal!.panels[0].spanMm).toBeCloseTo(190, 0)
    expect(doc.given.map(item => [item.zone, item.pair])).toEqual([
      ['wing', true],
      ['wing', true],
      ['horizontal', false],
      ['vertical', false],
      ['body', false],
      ['body', false],
      ['other', false],
    ])
    expect(doc.given[0].name).toBe('inner')
    expect(said.map(words => written(words)).join()).toContain('is the other side of')
  })
  const assessment = sharedAssessor().assess(doc)
  it('prints what came and nothing that is drawn, each where its drawing is', () => {
    expect(notNumbers(assessment)).toEqual([])
    expect(assessment.pieces.map(piece => piece.kind)).toEqual(Array(9).fill('given'))
    // Four pieces of wing at their thirds of the span; the middle of a trapezoid's chord is near 0.4 to 0.5 of it.
    const inner = assessment.pieces.find(piece => piece.side === 'starboard')!
    expect(inner.centreMm[1]).toBeGreaterThan(95)
    expect(inner.centreMm[1]).toBeLessThan(110)
    expect(inner.centreMm[0]).toBeGreaterThan(doc.wing.xMm + 0.38 * 185)
    expect(inner.centreMm[0]).toBeLessThan(doc.wing.xMm + 0.55 * 200)
    const stab = assessment.pieces.find(piece => piece.zone === 'horizontal')!
    expect(Math.abs(stab.centreMm[1])).toBeLessThan(0.5)
  })
  it('flies as the aircraft does that is drawn so', () => {
    const drawn = sharedAssessor().assess(
      checkProject({
        ...project,
        given: [],
        wing: {
          ...project.wing,
          rootChordMm: 200,
          rootAerofoil: 'naca4412',
          panels: [
            {
              ...project.wing.panels[0],
              tipChordMm: 170,
              sweepMm: 8,
              tipTwistDeg: 0,
              tipAerofoil: 'naca4412',
            },
            {
              ...project.wing.panels[1],
              tipChordMm: 110,
              sweepMm: 25,
              tipTwistDeg: -2,
              tipAerofoil: 'naca4412',
            },
          ],
        },
      }),
    )
    expect(assessment.flight.neutralPointMm - drawn.flight.neutralPointMm).toBeCloseTo(0, 0)
    expect(assessment.flight.clAlphaPerRad / drawn.flight.clAlphaPerRad).toBeCloseTo(1, 2)
  })
  it('answers what another filament weighs: by its density', () => {
    const dense = sharedAssessor().assess(
      checkProject({
        ...project,
        zones: project.zones.map(zone => (zone.id === 'wing' ? { ...zone, filament: 'petg' } : zone)),
      }),
    )
    const density = (id: string) => LIBRARIES.filaments.find(item => item.id === id)!.density
    const wingOf = ({ pieces }: typeof dense) =>
      pieces.filter(piece => piece.zone === 'wing').reduce((sum, piece) => sum + piece.predictedG, 0)
    expect(wingOf(dense) / wingOf(assessment)).toBeCloseTo(density('petg') / density('pla'), 6)
  })
  it('wants a wing, and what is called one to be one', () => {
    expect(() => fromParts('x', [part('lid', nose, 'other')])).toThrow(/none of them is a part of a wing/)
    expect(() => fromParts('x', [part('ball', nose, 'wing')])).toThrow(/ball: has no sections/)
    expect(() => fromParts('x', [{ name: 'torn', role: 'wing', mesh: 'AAAA', sizeMm: [1, 1, 1] }])).toThrow(
      /torn/,
    )
    expect(unpackMesh(parts[0].mesh)).not.toBeNull()
  })
})

describe('the demo, from the files that it goes out as', () => {
  it('has its wing and tail again, ailerons cut out, rounded tip and all, and its body', async () => {
    const own = await testKernel()
    const [demo] = DEMOS
    const files = sharedAssessor()
      .airframe(demo)
      .pieces.filter(piece => piece.kind === 'fixed')
      .map((piece): SortedPart => {
        const solid = pieceSolid(own, piece)
        const found = part(piece.name, meshOf(solid), guessRole(piece))
        solid.delete()
        return found
      })
    const { wing, tail, body, given } = fromParts('Again', files).project
    const span = wing.panels.reduce((sum, panel) => sum + panel.spanMm, 0)
    expect(span).toBeCloseTo(demo.wing.panels[0].spanMm + demo.wing.panels[1].spanMm, 0)
    const close = (found: number, drawn: number, share: number) =>
      expect(Math.abs(found / drawn - 1)).toBeLessThan(share)
    close(wing.rootChordMm, demo.wing.rootChordMm, 0.005)
    // The cut in the middle of the outer panel: half way of its taper.
    close(wing.panels[2].tipChordMm, (195 + 130) / 2, 0.01)
    close(wing.panels[3].tipChordMm, 130, 0.01)
    const dihedral = wing.panels.map(panel => panel.dihedralDeg)
    expect(dihedral.map(Math.round)).toEqual([2, 2, 5, 5])
    // Its chord is cut away for the elevator nearly all along: known by its thickness.
    close(tail.horizontal!.panels[0].tipChordMm, 80, 0.03)
    close(tail.vertical!.rootChordMm, 135, 0.05)
    const [first, last] = [body!.stations[0], body!.stations[body!.stations.length - 1]]
    const { stations } = demo.body!
    close(last.xMm - first.xMm, stations[stations.length - 1].xMm - stations[0].xMm, 0.05)
    // Both sides of everything but fin and body came; each is there once, with its mirror image.
    expect(given[0].name).toBe('Wing 1')
    expect(given.map(item => item.pair)).toEqual([true, true, true, true, true, false, false, false, false])
  })
})

it.each([
  ['Wing_Left_2.stl', 'wing'],
  ['h-stab', 'horizontal'],
  ['Fuselage 3', 'body'],
  ['fin', 'vertical'],
  ['motor mount', 'other'],
  ['left aileron', 'other'],
  ['Teil 7', 'other'],
] as const)('%s is taken for %s', (name, role) => {
  expect(guessRole({ name })).toBe(role)
})
