/** A part of a wing or tail read off its own mesh: how it stands, its chord, sweep, twist and sections. mm, rad */
import { createCutter, measureMesh, type TriangleMesh } from '../../geometry'
import { aboutZ, MIRRORED, OVER_X, STOOD, turned, UPRIGHT } from './turn-mesh'

/** A section of it: nose, chord and its direction in the slice, and its mean line over the chord. */
export interface MeasuredSection {
  /** Height over the foot. */
  z: number
  nose: [x: number, y: number]
  chord: number
  angle: number
  /** Mean of both skins over the straight chord at its middle, as a share of it; up is −y. */
  camber: number
  /** Outline from the trailing edge over the top to the nose and back, shares of the chord. */
  outline: Array<[number, number]>
}

export interface MeasuredSurface {
  /** Root down, nose towards −x, top towards −y, as a starboard half stands on its root. */
  mesh: TriangleMesh
  height: number
  root: MeasuredSection
  tip: MeasuredSection
  /** It came as a port part, and stands here in a mirror. */
  port: boolean
  /** Both ends are alike and the middle is widest: tip to tip in one. Its root is its middle then. */
  whole: boolean
}

/** Where ends are measured, as shares of the height: next to them, where slanted ends and lips do not reach. */
const NEAR = 0.04
/** Chords that differ by less are the same. */
const SAME = 0.015
/** Mean lines under this say nothing of where the top is. */
const CAMBERED = 0.004
/** Places of an outline along the chord. */
const PLACES = 30
/** Corners of a section that are looked at for its chord. */
const CORNERS = 240

/** Null where slices show nothing that is longer than thick: no part of a wing. */
export function measureSurface(given: TriangleMesh): MeasuredSurface | null {
  let mesh = stood(given)
  if (!mesh) return null
  let ends = endsOf(mesh)
  if (!ends) return null
  const whole =
    Math.abs(ends.root.chord / ends.tip.chord - 1) < SAME && ends.middle.chord > (1 + SAME) * ends.root.chord
  if (!whole && ends.tip.chord > (1 + SAME) * ends.root.chord) mesh = turned(mesh, OVER_X)
  ends = endsOf(mesh)
  if (!ends) return null
  // The nose towards −x, by the turn that brings the root's chord onto x.
  mesh = turned(mesh, aboutZ(-ends.root.angle))
  ends = endsOf(mesh)
  if (!ends) return null
  const port = ends.root.camber < -CAMBERED
  if (port) {
    mesh = turned(mesh, MIRRORED)
    ends = endsOf(mesh)
    if (!ends) return null
  }
  const { min, max } = measureMesh(mesh)
  return { mesh, height: max[2] - min[2], root: whole ? ends.middle : ends.root, tip: ends.tip, port, whole }
}

/** With its span upright: a part that lies on its skin is as thin as that upwards. */
function stood(mesh: TriangleMesh): TriangleMesh | null {
  const { min, max } = measureMesh(mesh)
  const size = max.map((value, k) => value - min[k])
  if (Math.min(...size) <= 0) return null
  if (size[2] > Math.min(size[0], size[1])) return turned(mesh, UPRIGHT)
  return turned(mesh, STOOD[size[0] >= size[1] ? 'x' : 'y'])
}

function endsOf(
  mesh: TriangleMesh,
): { root: MeasuredSection; middle: MeasuredSection; tip: MeasuredSection } | null {
  const { min, max } = measureMesh(mesh)
  const height = max[2] - min[2]
  const cut = createCutter(mesh)
  const at = (share: number) => measureSection(cut(min[2] + share * height), share * height)
  const [low, lowish, middle, highish, high] = [NEAR, 0.25, 0.5, 0.75, 1 - NEAR].map(at)
  if (!low || !lowish || !middle || !highish || !high) return null
  return {
    root: carriedOn(low, lowish, 0),
    middle,
    tip: carriedOn(high, highish, height),
  }
}

/** A section's figures carried on in a straight line to the very end, from one further in. */
function carriedOn(end: MeasuredSection, inner: MeasuredSection, z: number): MeasuredSection {
  const t = (z - inner.z) / (end.z - inner.z)
  const mix = (a: number, b: number) => a + (b - a) * t
  return {
    ...end,
    z,
    nose: [mix(inner.nose[0], end.nose[0]), mix(inner.nose[1], end.nose[1])],
    chord: mix(inner.chord, end.chord),
    angle: mix(inner.angle, end.angle),
  }
}

const areaOf = (loop: Float64Array): number => {
  let sum = 0
  for (let i = 0, j = loop.length - 2; i < loop.length; j = i, i += 2)
    sum += loop[j] * loop[i + 1] - loop[i] * loop[j + 1]
  return sum / 2
}

/** The greatest loop's chord is the longest line across it; the nose is the end that its area lies nearer to. */
function measureSection(loops: readonly Float64Array[], z: number): MeasuredSection | null {
  if (!loops.length) return null
  const loop = loops.reduce((a, b) => (Math.abs(areaOf(b)) > Math.abs(areaOf(a)) ? b : a))
  const points: Array<[number, number]> = Array.from({ length: loop.length / 2 }, (_, i) => [
    loop[2 * i],
    loop[2 * i + 1],
  ])
  if (points.length < 8 || Math.abs(areaOf(loop)) < 1) return null
  const few = points.filter((_, i) => i % Math.ceil(points.length / CORNERS) === 0)
  let best: { a: [number, number]; b: [number, number]; square: number } = { a: few[0], b: few[0], square: 0 }
  for (const a of few)
    for (const b of few) {
      const square = (a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2
      if (square > best.square) best = { a, b, square }
    }
  const chord = Math.sqrt(best.square)
  let cx = 0,
    cy = 0
  for (let i = 0, j = loop.length - 2; i < loop.length; j = i, i += 2) {
    const cross = loop[j] * loop[i + 1] - loop[i] * loop[j + 1]
    cx += ((loop[j] + loop[i]) * cross) / 6
    cy += ((loop[j + 1] + loop[i + 1]) * cross) / 6
  }
  const area = areaOf(loop)
  const along = (p: readonly number[]) =>
    ((p[0] - best.a[0]) * (best.b[0] - best.a[0]) + (p[1] - best.a[1]) * (best.b[1] - best.a[1])) /
    best.square
  const [nose, tail] = along([cx / area, cy / area]) <= 0.5 ? [best.a, best.b] : [best.b, best.a]
  const direction = [(tail[0] - nose[0]) / chord, (tail[1] - nose[1]) / chord]
  const local = points.map(([x, y]): [number, number] => [
    ((x - nose[0]) * direction[0] + (y - nose[1]) * direction[1]) / chord,
    // Up is −y when the nose looks to −x.
    ((x - nose[0]) * direction[1] - (y - nose[1]) * direction[0]) / chord,
  ])
  const skins = Array.from({ length: PLACES + 1 }, (_, i) => {
    const x = (1 - Math.cos((Math.PI * i) / PLACES)) / 2
    return { x, ...across(local, x) }
  })
  const thickest = Math.max(...skins.map(skin => skin.top - skin.bottom))
  if (!(thickest < 0.5)) return null
  const middle = across(local, 0.5)
  return {
    z,
    nose: [nose[0], nose[1]],
    chord,
    angle: Math.atan2(direction[1], direction[0]),
    camber: (middle.top + middle.bottom) / 2,
    outline: [
      ...skins.toReversed().map(({ x, top }): [number, number] => [x, top]),
      ...skins.slice(1).map(({ x, bottom }): [number, number] => [x, bottom]),
    ],
  }
}

/** Highest and lowest place of an outline at a share of its chord. */
function across(
  points: ReadonlyArray<readonly [number, number]>,
  x: number,
): { top: number; bottom: number } {
  let top = -Infinity,
    bottom = Infinity
  const near = Math.min(1 - 1e-6, Math.max(1e-6, x))
  points.forEach(([bx, by], i) => {
    const [ax, ay] = points[(i + points.length - 1) % points.length]
    if (ax === bx || (ax - near) * (bx - near) > 0) return
    const y = ay + ((by - ay) * (near - ax)) / (bx - ax)
    top = Math.max(top, y)
    bottom = Math.min(bottom, y)
  })
  return top < bottom ? { top: 0, bottom: 0 } : { top, bottom }
}
