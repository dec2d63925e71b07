/** The airframe cut into the pieces that are printed, each standing on its inner (or front) end. */
import type { Cuts, Zone } from '../document'
import { bodyOutlineAt, type BodyLoft } from './body-loft'
import { circle, turnedExtent } from './polygon'
import { boreAt, fitLimits, type SparLine } from './spar-line'
import { outlineAt, placePoint, type SurfaceLoft } from './surface-loft'

/** A cross-section as it will be laid down: counter-clockwise outside, clockwise holes, mm. */
export interface Slice { outer: Float64Array, holes: Float64Array[] }

export type PartName = 'wing' | 'horizontal' | 'vertical' | 'body'

export interface Piece {
  id: string
  name: string
  part: PartName
  /** Starboard, port, or on the plane of symmetry. */
  side: 'starboard' | 'port' | 'centre'
  /** Along the span or the body, mm; layers are stacked from `from` to `to`. */
  from: number
  to: number
  zone: Zone
  /** Zones that meet inside this piece; more than one is a finding. */
  zonesInside: readonly string[]
  /** Places between which the section changes smoothly. */
  breaks: readonly number[]
  sliceAt(u: number): Slice
  /** Aircraft axes of a point of the slice at u, mm. */
  place(a: number, b: number, u: number): [number, number, number]
  /** Base of a sliced piece: is the end a closed face that base or top layers cover? */
  closedBase: boolean
  closedTop: boolean
}

/** Cuts inside (from, to), sorted, those nearer than 5 mm to an end or to each other left out. */
export function usableCuts(cuts: readonly number[], from: number, to: number): number[] {
  const kept: number[] = []
  for (const cut of [...cuts].sort((a, b) => a - b)) {
    if (cut > (kept.at(-1) ?? from) + 5 && cut < to - 5) kept.push(cut)
  }
  return kept
}

const zoneOr = (zones: readonly Zone[], id: string): Zone => zones.find(zone => zone.id === id) ?? zones[0]

/** Starboard (or centre) pieces of a surface, and their mirror images. */
export function cutSurface(loft: SurfaceLoft, cuts: readonly number[], zones: readonly Zone[], spars: readonly SparLine[]): Piece[] {
  const edges = [0, ...usableCuts(cuts, 0, loft.span), loft.span]
  const stations = loft.stations.map(station => station.s)
  const limits = spars.flatMap(line => fitLimits(loft, line))
  const pieces: Piece[] = []
  for (let i = 0; i + 1 < edges.length; i++) {
    const from = edges[i], to = edges[i + 1]
    const inside = zonesBetween(from, to, stations, loft.zones)
    const zone = zoneOr(zones, widestZone(from, to, stations, loft.zones))
    const breaks = [...new Set([...stations, ...spars.flatMap(line => [line.from, line.to]), ...limits])].filter(s => s > from + 1e-6 && s < to - 1e-6).sort((a, b) => a - b)
    const sliceAt = (s: number): Slice => {
      const outer = outlineAt(loft, s)
      const holes = spars.map(line => boreAt(loft, line, s, outer)).filter(hole => hole !== null)
      return { outer, holes }
    }
    const sides = loft.mirror ? (['starboard', 'port'] as const) : (['centre'] as const)
    for (const side of sides) {
      pieces.push({
        id: side === 'centre' ? `${loft.name}-${i + 1}` : `${loft.name}-${i + 1}-${side}`,
        name: side === 'centre' ? `${loft.label} ${i + 1}` : `${loft.label} ${i + 1} ${side}`,
        part: loft.name, side, from, to, zone, zonesInside: inside, breaks, sliceAt,
        place: (x, n, s) => placePoint(loft, x, n, s, side === 'port' ? -1 : 1),
        closedBase: i === 0, closedTop: i === edges.length - 2,
      })
    }
  }
  return pieces
}

export function cutBody(loft: BodyLoft, cuts: readonly number[], zones: readonly Zone[], boom: { from: number, to: number, z: number, radius: number } | null): Piece[] {
  const edges = [loft.from, ...usableCuts(cuts, loft.from, loft.to), loft.to]
  const marks = loft.breaks.slice(0, -1).map(x => loft.zoneAt(x))
  return edges.slice(0, -1).map((from, i) => {
    const to = edges[i + 1]
    const extra = boom ? [boom.from, boom.to] : []
    return {
      id: `body-${i + 1}`, name: `Body ${i + 1}`, part: 'body', side: 'centre', from, to,
      zone: zoneOr(zones, widestZone(from, to, loft.breaks, marks)), zonesInside: zonesBetween(from, to, loft.breaks, marks),
      breaks: [...loft.breaks, ...extra].filter(x => x > from + 1e-6 && x < to - 1e-6).sort((a, b) => a - b),
      sliceAt: (x) => {
        const outer = bodyOutlineAt(loft, x)
        const { width, height, z } = loft.at(x)
        const fits = boom && x >= boom.from && x <= boom.to && boom.radius < width / 2 - 0.3 && Math.abs(boom.z - z) + boom.radius < height / 2 - 0.3
        return { outer, holes: fits ? [circle(0, boom.z, boom.radius, true)] : [] }
      },
      place: (y, z, x) => [x, y, z],
      closedBase: i === 0, closedTop: i === edges.length - 2,
    } satisfies Piece
  })
}

function zonesBetween(from: number, to: number, places: readonly number[], zones: readonly string[]): string[] {
  return [...new Set(zones.filter((_, i) => Math.min(to, places[i + 1]) - Math.max(from, places[i]) > 1))]
}

function widestZone(from: number, to: number, places: readonly number[], zones: readonly string[]): string {
  const widths = new Map<string, number>()
  zones.forEach((zone, i) => widths.set(zone, (widths.get(zone) ?? 0) + Math.max(0, Math.min(to, places[i + 1]) - Math.max(from, places[i]))))
  return [...widths].sort((a, b) => b[1] - a[1])[0]?.[0] ?? zones[0]
}

/**
 * Least box of the standing piece, mm: the turn about the vertical that needs the smallest larger side,
 * searched in steps of 3°. `turnDeg` is that turn.
 */
export function standingBox(piece: Piece): { width: number, depth: number, height: number, turnDeg: number } {
  const outlines = [piece.from, ...piece.breaks, piece.to].map(u => piece.sliceAt(u).outer)
  const all = new Float64Array(outlines.reduce((n, o) => n + o.length, 0))
  let at = 0
  for (const outline of outlines) {
    all.set(outline, at)
    at += outline.length
  }
  let best = { width: Infinity, depth: Infinity, height: piece.to - piece.from, turnDeg: 0 }
  for (let turnDeg = 0; turnDeg < 180; turnDeg += 3) {
    const [width, depth] = turnedExtent(all, (turnDeg * Math.PI) / 180)
    if (Math.max(width, depth) < Math.max(best.width, best.depth) - 1e-6) best = { ...best, width, depth, turnDeg }
  }
  return best
}

/** Does a box stand on this bed, either way round? */
export function fitsBed(box: { width: number, depth: number, height: number }, bedMm: readonly [number, number, number]): boolean {
  const [small, large] = [Math.min(box.width, box.depth), Math.max(box.width, box.depth)]
  return small <= Math.min(bedMm[0], bedMm[1]) && large <= Math.max(bedMm[0], bedMm[1]) && box.height <= bedMm[2]
}

/** Which list of cuts belongs to a part. */
export const cutsOf = (cuts: Cuts, part: PartName): readonly number[] => cuts[part]
