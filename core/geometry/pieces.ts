/**
 * What cutting a surface and cutting a body share: which cuts count, whose zone a stretch is, and how a piece
 * stands.
 */
import type { Cut, Zone } from '../document'
import { convexHull } from './convex-hull'
import type { Piece, PieceShape } from './piece'
import { turnedExtent } from './polygon'

/** Cuts inside (from, to), sorted, those nearer than 5 mm to an end or to each other left out. */
export function usableCuts(cuts: readonly Cut[], from: number, to: number): Cut[] {
  const kept: Cut[] = []
  for (const cut of [...cuts].sort((a, b) => a.atMm - b.atMm)) {
    if (cut.atMm > (kept.at(-1)?.atMm ?? from) + 5 && cut.atMm < to - 5) kept.push(cut)
  }
  return kept
}

/** What the i-th piece from the root or the nose is known by; it stays when cuts come and go beside it. */
export const pieceNumber = (cuts: readonly Cut[], i: number): number => (i === 0 ? 1 : cuts[i - 1].piece)

const zoned = new WeakMap<PieceShape, Piece>()
/** A shape printed as a zone says; the same object while both stay. */
export function inZone(shape: PieceShape, zone: Zone): Piece {
  const known = zoned.get(shape)
  if (known && known.zone === zone) return known
  const piece = { ...shape, zone }
  zoned.set(shape, piece)
  return piece
}

export const zoneOr = (zones: readonly Zone[], id: string): Zone =>
  zones.find(zone => zone.id === id) ?? zones[0]

/** Zones with more than 1 mm between two places. */
export function zonesBetween(
  from: number,
  to: number,
  places: readonly number[],
  zones: readonly string[],
): string[] {
  return [...new Set(zones.filter((_, i) => Math.min(to, places[i + 1]) - Math.max(from, places[i]) > 1))]
}

export function widestZone(
  from: number,
  to: number,
  places: readonly number[],
  zones: readonly string[],
): string {
  const widths = new Map<string, number>()
  zones.forEach((zone, i) =>
    widths.set(
      zone,
      (widths.get(zone) ?? 0) + Math.max(0, Math.min(to, places[i + 1]) - Math.max(from, places[i])),
    ),
  )
  return [...widths].sort((a, b) => b[1] - a[1])[0]?.[0] ?? zones[0]
}

export interface StandingBox {
  width: number
  depth: number
  height: number
  turnDeg: number
}

/**
 * Least box of the standing piece, mm: the turn about the vertical that needs the smallest larger side,
 * searched in steps of 3°. `turnDeg` is that turn.
 */
export function standingBox(piece: PieceShape): StandingBox {
  const points = hullOf(piece.mesh ? planPoints(piece.mesh.positions) : skinPoints(piece))
  let best: StandingBox = {
    width: Infinity,
    depth: Infinity,
    height: piece.to + piece.proud - piece.from,
    turnDeg: 0,
  }
  for (let turnDeg = 0; turnDeg < 180; turnDeg += 3) {
    const [width, depth] = turnedExtent(points, (turnDeg * Math.PI) / 180)
    if (Math.max(width, depth) < Math.max(best.width, best.depth) - 1e-6)
      best = { ...best, width, depth, turnDeg }
  }
  return best
}

/** Turned extents depend on the hull alone. */
export const hullOf = (points: Float64Array): Float64Array =>
  Float64Array.from(
    convexHull(
      Array.from({ length: points.length / 2 }, (_, i) => [points[2 * i], points[2 * i + 1]] as const),
    ).flat(),
  )

const planPoints = (positions: Float32Array): Float64Array =>
  Float64Array.from({ length: (positions.length / 3) * 2 }, (_, i) => positions[3 * (i >> 1) + (i % 2)])

function skinPoints(piece: PieceShape): Float64Array {
  const outlines = piece.corners.map(u => piece.skinAt(u)).filter(outline => outline !== null)
  const all = new Float64Array(outlines.reduce((n, outline) => n + outline.length, 0))
  outlines.reduce((at, outline) => {
    all.set(outline, at)
    return at + outline.length
  }, 0)
  return all
}

/** Does a box stand on this bed, either way round? */
export function fitsBed(
  box: { width: number; depth: number; height: number },
  bedMm: readonly [number, number, number],
): boolean {
  const [small, large] = [Math.min(box.width, box.depth), Math.max(box.width, box.depth)]
  return (
    small <= Math.min(bedMm[0], bedMm[1]) && large <= Math.max(bedMm[0], bedMm[1]) && box.height <= bedMm[2]
  )
}
