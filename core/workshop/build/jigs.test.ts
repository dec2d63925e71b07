import { beforeAll, describe, expect, it } from 'vitest'
import { siteOf, sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import type { ProjectFile } from '../../document'
import { intersection, measureMesh, meshOf, pieceSolid, placedMesh, type SolidKernel } from '../../geometry'
import { testKernel } from '../../testing/kernel'
import { gaugeAt, JIG_GAP, jigMesh, jigPrints, jigs, movingSection, type Jig } from './index'
import { WIRE_LEG } from '../../testing/wire-leg'

const [thistledown, plover] = DEMOS
const assessor = sharedAssessor()
const made = (doc: ProjectFile) => jigs(assessor.airframe(doc), assessor.assess(doc))
const find = (list: readonly Jig[], id: string) => list.find(jig => jig.id === id)!
const RAD = Math.PI / 180
let kernel: SolidKernel
beforeAll(async () => {
  kernel = await testKernel()
})

const area = (loops: readonly Float64Array[]) =>
  loops.reduce((sum, loop) => {
    let own = 0
    for (let i = 0, j = loop.length - 2; i < loop.length; j = i, i += 2)
      own += loop[j] * loop[i + 1] - loop[i] * loop[j + 1]
    return sum + own / 2
  }, 0)
const rotated = (loop: Float64Array, [px, py]: readonly [number, number], deg: number) =>
  Float64Array.from(loop, (_, i) => {
    const k = i - (i % 2)
    const [x, y] = [loop[k] - px, loop[k + 1] - py]
    const [cos, sin] = [Math.cos(deg * RAD), Math.sin(deg * RAD)]
    return i % 2 === 0 ? px + x * cos - y * sin : py + x * sin + y * cos
  })

describe('jigs', () => {
  it('are closed, lie on the bed, and weigh their volume of plastic or less', () => {
    for (const doc of DEMOS) {
      const { prints } = jigPrints(kernel, doc, made(doc))
      for (const jig of prints.jigs) {
        const mesh = measureMesh(jigMesh(kernel, jig))
        expect(mesh.watertight, jig.id).toBe(true)
        expect(mesh.min[2], jig.id).toBe(0)
        expect(mesh.volume, jig.id).toBeCloseTo(area(jig.loops) * jig.thicknessMm, 0)
        expect(jig.tooLarge, jig.id).toBe(false)
        // Solid PLA at 1.24 g/cm³ is the most that it can be.
        expect(jig.massG, jig.id).toBeLessThan(mesh.volume * 0.00126)
        expect(jig.massG, jig.id).toBeGreaterThan(mesh.volume * 0.0002)
      }
      const lying = prints.plates.flatMap(plate => plate.places)
      expect(lying).toHaveLength(prints.jigs.reduce((sum, jig) => sum + jig.count, 0))
      for (const plate of prints.plates)
        for (const place of plate.places) {
          const [w, d] = prints.jigs.find(jig => jig.id === place.jig)!.sizeMm
          expect(place.xMm).toBeGreaterThanOrEqual(0)
          expect(place.xMm + w).toBeLessThanOrEqual(plate.bedMm[0] + 1e-6)
          expect(place.yMm + d).toBeLessThanOrEqual(plate.bedMm[1] + 1e-6)
        }
    }
  })

  it('a cradle follows the printed solid at its gap', () => {
    const airframe = assessor.airframe(thistledown)
    const jig = find(made(thistledown), 'cradle-wing-1')
    const at = Number(/at (\d+) mm/.exec(jig.note)![1])
    const piece = airframe.pieces.find(item => item.id === 'wing-1-starboard')!
    expect(at).toBeLessThan(piece.to)
    const solid = pieceSolid(kernel, piece)
    const mesh = placedMesh(piece, meshOf(solid))
    solid.delete()
    // Lowest point of the solid near that station, by x: triangles cut by the plane y = at.
    const y = airframe.wing.origin[1] + 0.14 * airframe.wing.span * Math.cos(airframe.wing.cant)
    const under = (x: number) => lowestAt(mesh, x, y)
    const top = jig.loops[0]
    const heights: number[] = []
    let table: number | null = null
    for (let i = 0; i < top.length; i += 2) {
      const z = under(top[i])
      if (z === null || top[i + 1] < 40) continue
      // The table's height is the same for every point of the seat.
      table ??= z - top[i + 1] - JIG_GAP
      heights.push(z - table - top[i + 1])
    }
    expect(heights.length).toBeGreaterThan(20)
    for (const gap of heights) expect(Math.abs(gap - JIG_GAP)).toBeLessThan(0.12)
  })

  it('cradles over one table hold dihedral and incidence as drawn', () => {
    const doc = structuredClone(thistledown)
    // A wing of one panel and one section: chord lines at both cradles are parallel, and rise by the dihedral alone.
    doc.wing.panels = [
      { ...doc.wing.panels[0], spanMm: 600, tipChordMm: 195, sweepMm: 0, dihedralDeg: 4, tipTwistDeg: 0 },
    ]
    doc.wing.incidenceDeg = 3
    doc.cuts.wing = []
    const list = made(doc)
    const seat = (id: string) => {
      const [loop] = find(list, id).loops
      const points = Array.from({ length: loop.length / 2 }, (_, i) => [loop[2 * i], loop[2 * i + 1]])
      const high = points.filter(point => point[1] > 60)
      const slopeAt = (from: number, to: number) => {
        const near = (x: number) => high.reduce((a, b) => (Math.abs(b[0] - x) < Math.abs(a[0] - x) ? b : a))
        const [a, b] = [near(from), near(to)]
        return Math.atan2(b[1] - a[1], b[0] - a[0]) / RAD
      }
      return {
        slope: slopeAt(230, 290),
        level: high.reduce((a, b) => (Math.abs(b[0] - 260) < Math.abs(a[0] - 260) ? b : a))[1],
      }
    }
    const inner = seat('cradle-wing-1'),
      outer = seat('cradle-wing-2')
    expect(outer.slope).toBeCloseTo(inner.slope, 1)
    const span = (0.72 - 0.14) * 600
    expect(Math.atan2(outer.level - inner.level, span) / RAD).toBeGreaterThan(3.9)
    expect(Math.atan2(outer.level - inner.level, span) / RAD).toBeLessThan(4.1)
    // Two degrees more incidence turn the seat by two degrees.
    const steeper = structuredClone(doc)
    steeper.wing.incidenceDeg = 5
    const [loop] = find(made(steeper), 'cradle-wing-1').loops
    const points = Array.from({ length: loop.length / 2 }, (_, i) => [loop[2 * i], loop[2 * i + 1]]).filter(
      point => point[1] > 60,
    )
    const near = (x: number) => points.reduce((a, b) => (Math.abs(b[0] - x) < Math.abs(a[0] - x) ? b : a))
    const [a, b] = [near(230), near(290)]
    expect(inner.slope - Math.atan2(b[1] - a[1], b[0] - a[0]) / RAD).toBeGreaterThan(1.9)
    expect(inner.slope - Math.atan2(b[1] - a[1], b[0] - a[0]) / RAD).toBeLessThan(2.1)
  })

  it('a gauge lets the surface through its throws, stops it there, and sits on the fixed part at its gap', () => {
    for (const doc of DEMOS) {
      const airframe = assessor.airframe(doc)
      const list = made(doc)
      for (const { chain, hinged, control } of siteOf(airframe).moving.filter(
        item => item.chain.side !== 'port',
      )) {
        const jig = find(list, `throw-${chain.part}-${control.piece}`)
        const loft = airframe.surfaces[chain.part as 'wing']!
        const { loop, pivot } = movingSection(loft, hinged, gaugeAt(hinged))!
        const overlap = (deg: number) => area(intersection([rotated(loop, pivot, deg)], jig.loops))
        for (const deg of [-control.throwDownDeg + 0.1, 0, control.throwUpDeg / 2, control.throwUpDeg - 0.1])
          expect(Math.abs(overlap(deg)), `${jig.id} at ${deg}`).toBeLessThan(0.05)
        // A tenth of a degree further it presses into plastic; at a whole one plainly.
        for (const deg of [-control.throwDownDeg - 0.1, control.throwUpDeg + 0.1])
          expect(overlap(deg), `${jig.id} at ${deg}`).toBeGreaterThan(0.01)
        for (const deg of [-control.throwDownDeg - 1, control.throwUpDeg + 1])
          expect(overlap(deg), `${jig.id} at ${deg}`).toBeGreaterThan(0.2)
      }
    }
  })

  it('a square stands at the angle between tailplane and fin', () => {
    const [loop] = find(made(thistledown), 'fin-square').loops
    const points = Array.from({ length: loop.length / 2 }, (_, i) => [loop[2 * i], loop[2 * i + 1]])
    // Two walls of the slot: upright over a level base.
    const walls = points
      .filter(([x, y]) => Math.abs(x) < 10 && y < 46)
      .sort((a, b) => a[0] - b[0] || a[1] - b[1])
    expect(walls).toHaveLength(4)
    for (const [low, high] of [walls.slice(0, 2), walls.slice(2)])
      expect(Math.atan2(high[0] - low[0], high[1] - low[1]) / RAD).toBeCloseTo(0, 1)
  })

  it('the template of the motor has its holes at full size', () => {
    const jig = find(made(thistledown), 'firewall')
    const { bolts, boltMm, boltCircleMm } = thistledown.body!.firewall!
    const holes = jig.loops.filter(loop => area([loop]) < 0)
    expect(holes).toHaveLength(bolts + 1)
    const middles = holes.map(loop => {
      const n = loop.length / 2
      let [x, y] = [0, 0]
      for (let i = 0; i < loop.length; i += 2) [x, y] = [x + loop[i] / n, y + loop[i + 1] / n]
      return { r: Math.hypot(x, y), d: 2 * Math.sqrt(-area([loop]) / Math.PI) }
    })
    const round = middles.filter(hole => hole.r > 1)
    for (const hole of round) {
      expect(hole.r).toBeCloseTo(boltCircleMm / 2, 2)
      expect(Math.abs(hole.d - boltMm)).toBeLessThan(0.06)
    }
  })

  it('a wire leg is bent to its splay and drilled to its wire; a key is a little thinner than its slot', () => {
    const doc = structuredClone(thistledown)
    doc.gear = [WIRE_LEG]
    const list = made(doc)
    const [bend] = find(list, 'bend-main').loops
    // Its left edge: straight up into the mount, then 60 out over 80 down: 36.87°.
    const edge = [2, 4].map(i => [bend[i], bend[i + 1]])
    expect(Math.atan2(edge[1][0] - edge[0][0], edge[0][1] - edge[1][1]) / RAD).toBeCloseTo(36.87, 1)
    const hole = find(list, 'drill-main').loops.find(loop => area([loop]) < 0)!
    expect(2 * Math.sqrt(-area([hole]) / Math.PI)).toBeCloseTo(3.2, 1)
    // A bought strip is 0.6 mm thick and 14 wide in its slot.
    const key = find(list, 'key-bought-strip')
    expect(key.thicknessMm).toBeCloseTo(0.5, 6)
    expect(Math.max(...key.loops[0].filter((_, i) => i % 2 === 1))).toBeGreaterThan(9)
  })
  it('a flying wing has no square, no tail and no template of a motor that it lacks', () => {
    expect(made(plover).map(jig => jig.id)).toEqual([
      'cradle-wing-1',
      'cradle-wing-2',
      'throw-wing-1',
      'foot',
    ])
  })
})

/** Lowest point of a mesh over (x, y), by the triangles above it. */
function lowestAt(
  { positions, triangles }: { positions: Float32Array; triangles: Uint32Array },
  x: number,
  y: number,
): number | null {
  let low: number | null = null
  const point = (i: number) => [positions[3 * i], positions[3 * i + 1], positions[3 * i + 2]]
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [0, 1, 2].map(k => point(triangles[t + k]))
    const d = (b[1] - c[1]) * (a[0] - c[0]) + (c[0] - b[0]) * (a[1] - c[1])
    if (Math.abs(d) < 1e-9) continue
    const u = ((b[1] - c[1]) * (x - c[0]) + (c[0] - b[0]) * (y - c[1])) / d
    const v = ((c[1] - a[1]) * (x - c[0]) + (a[0] - c[0]) * (y - c[1])) / d
    if (u < 0 || v < 0 || u + v > 1) continue
    const z = u * a[2] + v * b[2] + (1 - u - v) * c[2]
    if (low === null || z < low) low = z
  }
  return low
}
