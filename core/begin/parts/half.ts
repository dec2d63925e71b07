/** The parts of one half of a wing or tail, from its root outwards, and what they come to along it. mm, rad */
import { DocumentError } from '../../document'
import { unpackMesh } from '../../geometry'
import { say, type Words } from '../../units'
import { measureSurface, type MeasuredSection, type MeasuredSurface } from './measure-surface'
import { byName, type PartFile, type SortedPart } from './sort-parts'

export const meshOf = ({ name, mesh }: PartFile) => {
  const read = unpackMesh(mesh)
  if (!read) throw new DocumentError(name, 'is no mesh that can be read')
  return read
}

/** Parts of a starboard half, from the root outwards. */
export interface HalfPart extends MeasuredSurface {
  name: string
}

export function halfOf(parts: readonly SortedPart[], said: Words[]): HalfPart[] {
  const found = parts.map((item): HalfPart => {
    const own = measureSurface(meshOf(item))
    if (!own)
      throw new DocumentError(item.name, 'has no sections of a wing or tail: take it for something else')
    return { ...own, name: item.name }
  })
  const half: HalfPart[] = [],
    paired = new Set<HalfPart>()
  for (const own of found) {
    const twin = half.find(item => !paired.has(item) && alike(item, own))
    if (twin) {
      paired.add(twin)
      said.push(say`${own.name} is the other side of ${twin.name}`)
    } else half.push(own)
  }
  half.sort((a, b) => thicknessOf(b) - thicknessOf(a) || byName(a, b))
  // Several parts are halves, however alike the ends of one may be.
  return half.length > 1 || paired.size ? half.map(item => ({ ...item, whole: false })) : half
}
const near = (a: number, b: number) => Math.abs(a - b) <= 0.01 * Math.max(Math.abs(a), Math.abs(b)) + 0.2
/** One is the mirror image of the other, as far as sections tell. */
const alike = (a: HalfPart, b: HalfPart): boolean =>
  a.side !== (b.side || 2) &&
  near(a.height, b.height) &&
  [0, 7, 14].every(
    i =>
      near(a.sections[i].thickness, b.sections[i].thickness) &&
      near(a.sections[i].chord, b.sections[i].chord),
  )
/** The thicker end is the root; parts that are as thick as each other go by their names. */
const thicknessOf = ({ sections }: HalfPart): number => Math.round(5 * sections[2].thickness) / 5

/** What a half is from place to place, and each of its parts from end to end. */
export interface Measured {
  /** Chord that a part's own sections come to at a height of it. */
  chordOf(part: HalfPart, z: number): number
  /** By how much a part's whole sections turn from one of its ends to the other, rad; files say nothing across joints. */
  twistOf(part: HalfPart): number
  /** Nose of a part's own sections in its mesh, carried in a straight line to a height. */
  noseOf(part: HalfPart, z: number): [x: number, y: number]
  sectionNear(s: number): MeasuredSection
}

/** Sections this far under what their part's taper would have are the rounding of its tip. */
const ROUNDING = 0.06

/**
 * A section that a control is cut out of is as long as its thickness says, by the nearest one that is whole: makers
 * keep one section along a part, or nearly.
 */
export function measuredHalf(half: readonly HalfPart[]): Measured {
  let out = 0
  const sound = (own: HalfPart): MeasuredSection[] => {
    const taper = own.sections.map((item): [number, number] => [item.z, item.thickness])
    return own.sections.filter(item => item.thickness > (1 - ROUNDING) * straight(taper, item.z))
  }
  const all = half.flatMap(own => {
    const from = out
    out += spanOf(own)
    const bottom = own.whole ? own.height / 2 : 0
    return sound(own)
      .filter(section => section.z >= bottom)
      .map(section => ({ own, section, s: from + section.z - bottom }))
  })
  const full = all.filter(item => item.section.full)
  const told = full.length ? full : all
  const nearest = (s: number) =>
    told.reduce((a, b) => (Math.abs(b.s - s) < Math.abs(a.s - s) ? b : a)).section
  const chords = new Map(
    half.map(own => [
      own,
      all
        .filter(item => item.own === own)
        .map(({ section, s }): [number, number] => {
          const whole = nearest(s)
          const chord = section.full ? section.chord : (section.thickness * whole.chord) / whole.thickness
          return [section.z, full.length ? chord : section.chord]
        }),
    ]),
  )
  return {
    chordOf: (own, z) => straight(chords.get(own)!, z),
    twistOf: own => {
      const angles = full
        .filter(item => item.own === own)
        .map(({ section }): [number, number] => [section.z, section.angle])
      const span = spanOf(own)
      return angles.length > 1 && angles[angles.length - 1][0] - angles[0][0] > 0.3 * span
        ? straight(angles, own.height) - straight(angles, own.height - span)
        : 0
    },
    noseOf: (own, z) =>
      [0, 1].map(k =>
        straight(
          own.sections.map(item => [item.z, item.nose[k]]),
          z,
        ),
      ) as [number, number],
    sectionNear: nearest,
  }
}
export const spanOf = ({ whole, height }: HalfPart): number => (whole ? height / 2 : height)

/** The line of the middle slope through the middle of points (Theil and Sen), at a place. */
function straight(points: ReadonlyArray<readonly [number, number]>, at: number): number {
  const middle = (values: number[]) => values.sort((a, b) => a - b)[Math.floor(values.length / 2)]
  const slope = middle(points.flatMap(([x, y], i) => points.slice(i + 1).map(([u, v]) => (v - y) / (u - x))))
  return middle(points.map(([x, y]) => y - slope * x)) + slope * at
}
