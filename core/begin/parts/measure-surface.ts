/** A part of a wing or tail read off its own mesh: how it stands, its nose, chord, twist and sections. mm, rad */
import { createCutter, measureMesh, type TriangleMesh } from '../../geometry'
import { aboutZ, MIRRORED, OVER_X, STOOD, turned, UPRIGHT } from './turn-mesh'

/** A section of it: nose, chord and its direction in the slice, and its mean line over the chord. */
export interface MeasuredSection {
  /** Height over the foot. */
  z: number
  nose: readonly [x: number, y: number]
  chord: number
  angle: number
  /** Of the greatest height between both skins. */
  thickness: number
  /** Mean of both skins over the straight chord at four tenths, as a share of it; up is −y. */
  camber: number
  /** It runs out thin, as sections do where no control is cut out of them. */
  full: boolean
  /** Outline from the trailing edge over the top to the nose and back, shares of the chord. */
  outline: Array<[number, number]>
}

export interface MeasuredSurface {
  /** Root down, nose towards −x, top towards −y, as a starboard half stands on its root. */
  mesh: TriangleMesh
  height: number
  sections: MeasuredSection[]
  /** Its mean lines say which side it is for: 1 starboard, −1 port (it stands here in a mirror), 0 either. */
  side: -1 | 0 | 1
  /** Both ends are alike and the middle is thickest: tip to tip in one. */
  whole: boolean
}

/** Heights at which a part is cut, as shares of its own: ends may be slanted, or have lips. */
const PLACES = Array.from({ length: 15 }, (_, i) => 0.04 + (0.92 * i) / 14)
/** Thicknesses that differ by less are the same. */
const SAME = 0.015
/** Mean lines under this say nothing of where the top is. */
const CAMBERED = 0.004
/** A section is cut off where it is still as thick as this share of its greatest near its end. */
const BLUNT = 0.35
/** Places of an outline along the chord. */
const SKIN = 30
/** Corners of a section that are looked at for its chord. */
const CORNERS = 240

/** Null where slices show nothing that is longer than thick: no part of a wing. */
export function measureSurface(given: TriangleMesh): MeasuredSurface | null {
  let mesh = stood(given)
  if (!mesh) return null
  let sections = sectionsOf(mesh)
  if (!sections) return null
  const thick = (from: number, to: number) => middleOf(sections!.slice(from, to).map(item => item.thickness))
  const [low, middle, high] = [thick(0, 3), thick(6, 9), thick(12, 15)]
  const whole = Math.abs(low / high - 1) < 2 * SAME && middle > (1 + 2 * SAME) * Math.max(low, high)
  if (!whole && high > (1 + SAME) * low) {
    mesh = turned(mesh, OVER_X)
    sections = sectionsOf(mesh)
  }
  // The nose towards −x: as most of its sections look, whole ones before others.
  const looked = (all: readonly MeasuredSection[]) => {
    const full = all.filter(item => item.full)
    const from = (full.length ? full : all)[0].angle
    const off = (full.length ? full : all).map(item =>
      Math.atan2(Math.sin(item.angle - from), Math.cos(item.angle - from)),
    )
    return from + middleOf(off)
  }
  if (!sections) return null
  mesh = turned(mesh, aboutZ(-looked(sections)))
  sections = sectionsOf(mesh)
  if (!sections) return null
  const camber = middleOf(sections.map(item => item.camber))
  if (camber < -CAMBERED) {
    mesh = turned(mesh, MIRRORED)
    sections = sectionsOf(mesh)
    if (!sections) return null
  }
  const { min, max } = measureMesh(mesh)
  return {
    mesh,
    height: max[2] - min[2],
    sections,
    side: Math.abs(camber) <= CAMBERED ? 0 : camber > 0 ? 1 : -1,
    whole,
  }
}

const middleOf = (values: readonly number[]): number =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]

/** With its span upright: a part that lies on its skin is as thin as that upwards. */
function stood(mesh: TriangleMesh): TriangleMesh | null {
  const { min, max } = measureMesh(mesh)
  const size = max.map((value, k) => value - min[k])
  if (Math.min(...size) <= 0) return null
  if (size[2] > Math.min(size[0], size[1])) return turned(mesh, UPRIGHT)
  return turned(mesh, STOOD[size[0] >= size[1] ? 'x' : 'y'])
}

function sectionsOf(mesh: TriangleMesh): MeasuredSection[] | null {
  const { min, max } = measureMesh(mesh)
  const height = max[2] - min[2]
  const cut = createCutter(mesh)
  const slices = PLACES.map(share => ({ z: share * height, loops: cut(min[2] + share * height) }))
  const measured = (aft: readonly number[] | null): MeasuredSection[] | null => {
    const found = slices.map(({ z, loops }) => measureSection(loops, z, aft))
    return found.every(section => section !== null) ? found : null
  }
  // Where a control is cut out, a section says little of which end is its nose: those that run out thin do.
  const first = measured(null)
  if (!first) return null
  const full = first.filter(item => item.full)
  const ways = full.length ? full : first
  const sum = [0, 1].map(k =>
    ways.reduce((all, { angle }) => all + (k ? Math.sin(angle) : Math.cos(angle)), 0),
  )
  return measured(sum)
}

const areaOf = (loop: Float64Array): number => {
  let sum = 0
  for (let i = 0, j = loop.length - 2; i < loop.length; j = i, i += 2)
    sum += loop[j] * loop[i + 1] - loop[i] * loop[j + 1]
  return sum / 2
}

/**
 * The greatest loop's chord is the longest line across it. Its nose is the end that lies ahead, or, where it is not
 * known yet which way is aft, the one that its area lies nearer to.
 */
function measureSection(
  loops: readonly Float64Array[],
  z: number,
  aft: readonly number[] | null,
): MeasuredSection | null {
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
  const ahead = aft
    ? (best.b[0] - best.a[0]) * aft[0] + (best.b[1] - best.a[1]) * aft[1] > 0
    : along([cx / area, cy / area]) <= 0.5
  const [nose, tail] = ahead ? [best.a, best.b] : [best.b, best.a]
  const direction = [(tail[0] - nose[0]) / chord, (tail[1] - nose[1]) / chord]
  const local = points.map(([x, y]): [number, number] => [
    ((x - nose[0]) * direction[0] + (y - nose[1]) * direction[1]) / chord,
    // Up is −y when the nose looks to −x.
    ((x - nose[0]) * direction[1] - (y - nose[1]) * direction[0]) / chord,
  ])
  const skins = Array.from({ length: SKIN + 1 }, (_, i) => {
    const x = (1 - Math.cos((Math.PI * i) / SKIN)) / 2
    return { x, ...across(local, x) }
  })
  const thickest = Math.max(...skins.map(skin => skin.top - skin.bottom))
  if (!(thickest < 0.5)) return null
  const [middle, end] = [across(local, 0.4), across(local, 0.95)]
  return {
    z,
    nose: [nose[0], nose[1]],
    chord,
    angle: Math.atan2(direction[1], direction[0]),
    thickness: thickest * chord,
    camber: (middle.top + middle.bottom) / 2,
    full: end.top - end.bottom < BLUNT * thickest,
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
