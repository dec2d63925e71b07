/**
 * Pieces that an edit left as they were keep their section functions, and with them everything remembered
 * about them.
 */
import type { Feature } from './feature'
import type { PieceShape } from './piece'

const sameNumbers = (a: ArrayLike<number>, b: ArrayLike<number>): boolean => {
  if (a.length !== b.length) return false
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false
  return true
}

const sameFeature = (a: Feature, b: Feature): boolean =>
  a.op === b.op &&
  a.inside === b.inside &&
  a.behind === b.behind &&
  a.from === b.from &&
  a.to === b.to &&
  sameNumbers(a.a, b.a) &&
  sameNumbers(a.b, b.b)

/** Alike in all that is remembered about a piece, to the last bit. */
export function sameShape(a: PieceShape, b: PieceShape): boolean {
  if (
    a.part !== b.part ||
    a.kind !== b.kind ||
    a.from !== b.from ||
    a.to !== b.to ||
    a.proud !== b.proud ||
    a.features.length !== b.features.length
  )
    return false
  if (!sameNumbers(a.skinHeights, b.skinHeights) || !sameNumbers(a.breaks, b.breaks)) return false
  if (!a.features.every((feature, i) => sameFeature(feature, b.features[i]))) return false
  // What was remembered includes where it lies.
  for (const [p, q, r] of [
    [0, 0, 0],
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ])
    if (!sameNumbers(a.place(p, q, r), b.place(p, q, r))) return false
  // Skins run straight between these heights, so that the same outlines there are the same skin.
  return a.skinHeights.every(u => {
    const p = a.skinAt(u),
      q = b.skinAt(u)
    return p !== null && q !== null && sameNumbers(p, q)
  })
}

/** Shapes of each piece that are remembered: the present one and what comparisons and nudges tried. */
const REMEMBERED = 16

export type KnownShapes = Map<string, PieceShape[]>

/**
 * `next` with the functions of those pieces that had the same id and shape before; what is new is remembered.
 * Moving parts bend between their heights by no more than those say.
 */
export function reuseShapes(known: KnownShapes, next: readonly PieceShape[]): PieceShape[] {
  const same = new Map<PieceShape['sectionAt'], PieceShape>()
  return next.map(piece => {
    const list = known.get(piece.id) ?? []
    // Port and starboard share one function: found once, given to both.
    const old =
      same.get(piece.sectionAt) ??
      list.findLast(item => item.sectionAt === piece.sectionAt || sameShape(item, piece))
    const kept =
      old && old.sectionAt !== piece.sectionAt
        ? { ...piece, sectionAt: old.sectionAt, skinAt: old.skinAt, features: old.features }
        : piece
    if (old) same.set(piece.sectionAt, old)
    known.set(piece.id, [...list.filter(item => item.sectionAt !== kept.sectionAt), kept].slice(-REMEMBERED))
    return kept
  })
}
