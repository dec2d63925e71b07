/**
 * A lifting surface as a loft of sections, in mm. Its own frame: x aft (absolute), s along the span, n across
 * it
 * (up for a wing). Sections stand in planes s = const, so neighbouring pieces meet without gap at any
 * dihedral.
 */
import type { Aerofoil, ChordFrame, Surface, SurfaceName, Zone } from '../document'
import { degToRad } from '../units'
import { blendShapes, shapeOf, SIDE_POINTS, type AerofoilShape } from './aerofoil-shape'

export interface LoftStation {
  s: number
  /** Leading edge: aft of the nose, and across the span direction. */
  lead: number
  n: number
  chord: number
  /** Incidence and twist together, rad, nose up. */
  twist: number
  shape: AerofoilShape
  /** Outline points in (x, n), closed, counter-clockwise from the upper trailing edge. */
  outline: Float64Array
}

export interface SurfaceLoft {
  name: SurfaceName
  label: string
  origin: readonly [x: number, y: number, z: number]
  cant: number
  mirror: boolean
  /**
   * Sections that are lofted: panel ends, and those that round the tip. Zone i holds between station i and
   * i+1.
   */
  stations: readonly LoftStation[]
  /** Panel ends alone, the tip as if it were not rounded: the planform that flies. */
  ends: readonly LoftStation[]
  zones: readonly string[]
  span: number
}

/** Thickness the trailing edge is opened to: two beads side by side, mm. */
export const trailingEdgeMm = (zones: ReadonlyArray<Pick<Zone, 'recipe'>>): number =>
  2 * Math.max(...zones.map(zone => zone.recipe.beadWidthMm))

/** What of a surface shapes it. */
export type SurfaceShape = Omit<Surface, 'controls'>

export function loftSurface(
  name: SurfaceName,
  label: string,
  surface: SurfaceShape,
  aerofoils: readonly Aerofoil[],
  trailingEdge: number,
): SurfaceLoft {
  const stations: LoftStation[] = []
  const add = (s: number, lead: number, n: number, chord: number, twistDeg: number, aerofoil: string) => {
    const shape = shapeOf(aerofoil, aerofoils)
    const twist = degToRad(surface.incidenceDeg + twistDeg)
    stations.push({
      s,
      lead,
      n,
      chord,
      twist,
      shape,
      outline: placeOutline(
        shape,
        { chord, lead, n, twist, axis: surface.twistAxisShare, thin: 1 },
        trailingEdge,
      ),
    })
  }
  add(0, surface.xMm, 0, surface.rootChordMm, 0, surface.rootAerofoil)
  let s = 0,
    lead = surface.xMm,
    n = 0
  for (const panel of surface.panels) {
    s += panel.spanMm
    lead += panel.sweepMm
    n += panel.spanMm * Math.tan(degToRad(panel.dihedralDeg))
    add(s, lead, n, panel.tipChordMm, panel.tipTwistDeg, panel.tipAerofoil)
  }
  const rounded = roundTip(stations, surface, trailingEdge)
  const zones = surface.panels.map(panel => panel.zone)
  return {
    name,
    label,
    origin: [surface.xMm, surface.yMm, surface.zMm],
    cant: degToRad(surface.cantDeg),
    mirror: surface.mirror,
    stations: rounded,
    ends: stations,
    zones: [...zones, ...Array<string>(rounded.length - stations.length).fill(zones[zones.length - 1])],
    span: s,
  }
}

/**
 * Angles along the quarter ellipse at which a rounded tip is lofted; it stops where a quarter of the
 * thickness is left, a flat to close on.
 */
const TIP_ANGLES = [0.25, 0.5, 0.75, 0.9, 1].map(share => share * Math.acos(0.25))

/**
 * The last stretch of the last panel with the thickness, and in a faired tip the chord, run out along a
 * quarter ellipse.
 */
function roundTip(ends: readonly LoftStation[], surface: SurfaceShape, trailingEdge: number): LoftStation[] {
  const inner = ends[ends.length - 2],
    outer = ends[ends.length - 1]
  if (surface.tip.kind === 'flat') return [...ends]
  const length = Math.min(surface.tip.lengthMm, 0.9 * (outer.s - inner.s))
  const begin = outer.s - length
  const at = (s: number, thin: number): LoftStation => {
    const t = (s - inner.s) / (outer.s - inner.s)
    const chordFull = mix(inner.chord, outer.chord, t),
      n = mix(inner.n, outer.n, t),
      twist = mix(inner.twist, outer.twist, t)
    const chord = surface.tip.kind === 'faired' ? chordFull * (0.5 + 0.5 * thin) : chordFull
    // A faired tip draws the leading edge back and leaves the trailing edge nearly straight.
    const lead = mix(inner.lead, outer.lead, t) + 0.8 * (chordFull - chord)
    const shape = blendShapes(inner.shape, outer.shape, t)
    return {
      s,
      lead,
      n,
      chord,
      twist,
      shape,
      outline: placeOutline(
        shape,
        { chord, lead, n, twist, axis: surface.twistAxisShare, thin },
        trailingEdge,
      ),
    }
  }
  return [
    ...ends.slice(0, -1),
    at(begin, 1),
    ...TIP_ANGLES.map(angle =>
      at(begin + (length * Math.sin(angle)) / Math.sin(TIP_ANGLES[TIP_ANGLES.length - 1]), Math.cos(angle)),
    ),
  ]
}

interface Placing {
  chord: number
  lead: number
  n: number
  twist: number
  axis: number
  thin: number
}

/**
 * Scales (the height by `thin` besides), opens the trailing edge linearly along the chord, and turns about
 * the twist axis.
 */
function placeOutline(
  shape: AerofoilShape,
  { chord, lead, n, twist, axis, thin }: Placing,
  trailingEdge: number,
): Float64Array {
  const last = SIDE_POINTS - 1
  const opening = Math.max(0, trailingEdge / chord - thin * (shape.upperY[last] - shape.lowerY[last])) / 2
  // Both sides share the nose, so the outline has one point fewer than the two sides together.
  const outline = new Float64Array(2 * (2 * SIDE_POINTS - 1))
  const cos = Math.cos(twist),
    sin = Math.sin(twist)
  const put = (index: number, x: number, y: number) => {
    const u = (x - axis) * chord,
      v = y * chord
    outline[2 * index] = lead + axis * chord + u * cos + v * sin
    outline[2 * index + 1] = n - u * sin + v * cos
  }
  for (let i = 0; i < SIDE_POINTS; i++) {
    put(last - i, shape.upperX[i], thin * shape.upperY[i] + opening * shape.upperX[i])
    if (i > 0) put(last + i, shape.lowerX[i], thin * shape.lowerY[i] - opening * shape.lowerX[i])
  }
  return outline
}

/** Index of the panel that holds s, and how far along it, 0..1. */
export function panelAt(loft: SurfaceLoft, s: number): { index: number; t: number } {
  const { stations } = loft
  let index = 0
  while (index < stations.length - 2 && s > stations[index + 1].s) index++
  const a = stations[index].s,
    b = stations[index + 1].s
  return { index, t: Math.min(1, Math.max(0, (s - a) / (b - a))) }
}

const mix = (a: number, b: number, t: number): number => a + (b - a) * t

/** Outline at s: straight lines between the same points of both stations (a ruled loft). */
export function outlineAt(loft: SurfaceLoft, s: number): Float64Array {
  const { index, t } = panelAt(loft, s)
  const a = loft.stations[index].outline,
    b = loft.stations[index + 1].outline
  const outline = new Float64Array(a.length)
  for (let i = 0; i < a.length; i++) outline[i] = mix(a[i], b[i], t)
  return outline
}

/** Chord, leading edge, n and twist at s, mm and rad. */
export function planAt(
  loft: SurfaceLoft,
  s: number,
): { chord: number; lead: number; n: number; twist: number } {
  const { index, t } = panelAt(loft, s)
  const a = loft.stations[index],
    b = loft.stations[index + 1]
  return {
    chord: mix(a.chord, b.chord, t),
    lead: mix(a.lead, b.lead, t),
    n: mix(a.n, b.n, t),
    twist: mix(a.twist, b.twist, t),
  }
}

/** The chord at s, in the axes of its section. */
export function chordFrameAt(loft: SurfaceLoft, s: number): ChordFrame {
  const { lead, chord } = planAt(loft, s)
  return { aft: [1, 0], lead, chord }
}

/** Place in the aircraft's axes of a point (x, n) of the section at s; `side` −1 is port. */
export function placePoint(
  loft: SurfaceLoft,
  x: number,
  n: number,
  s: number,
  side: 1 | -1,
): [number, number, number] {
  const cos = Math.cos(loft.cant),
    sin = Math.sin(loft.cant)
  return [x, side * (loft.origin[1] + s * cos - n * sin), loft.origin[2] + s * sin + n * cos]
}

/**
 * Upper and lower n of the section at chord place x (mm, absolute), and their gap; null outside the chord.
 */
export function gapAt(outline: Float64Array, x: number): { lower: number; upper: number } | null {
  let lower = Infinity,
    upper = -Infinity
  const count = outline.length / 2
  for (let i = 0; i < count; i++) {
    const j = (i + 1) % count
    const x0 = outline[2 * i],
      x1 = outline[2 * j]
    if ((x0 <= x && x1 > x) || (x1 <= x && x0 > x)) {
      const n = mix(outline[2 * i + 1], outline[2 * j + 1], (x - x0) / (x1 - x0))
      lower = Math.min(lower, n)
      upper = Math.max(upper, n)
    }
  }
  return upper > lower ? { lower, upper } : null
}

/** The place of a point of the aircraft in the starboard surface's own frame: the inverse of `placePoint`. */
export function toSurface(
  loft: SurfaceLoft,
  x: number,
  y: number,
  z: number,
): { x: number; n: number; s: number } {
  const cos = Math.cos(loft.cant),
    sin = Math.sin(loft.cant),
    dy = y - loft.origin[1],
    dz = z - loft.origin[2]
  return { x, n: dz * cos - dy * sin, s: dy * cos + dz * sin }
}
