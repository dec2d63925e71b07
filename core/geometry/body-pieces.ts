/** The body cut into printed pieces, and the lids of its openings. mm */
import type { Cut, Recipe } from '../document'
import { bodyHeights, bodySkinAt } from './body-loft'
import { bodyJoints, bodyPieceFeatures, LID_GAP, lidOutline, type BodyParts } from './body-features'
import { sectionAt } from './feature'
import { shellThickness } from './joints'
import { placesWithin } from './places-along'
import { featureBreaks, type PieceShape } from './piece'
import { pieceNumber, usableCuts, widestZone, zonesBetween } from './pieces'

/** A lid of a body that is filled through is this thick, mm. */
const SOLID_LID = 1.6

/** The recipe of a zone, or the one that a piece, by its id without a side, was printed by. */
export type RecipeOf = (zone: string, piece: string) => Recipe

/** How the pieces of a body are called, and where it stands. */
export interface Standing {
  part: 'body' | 'pod'
  /** Set before the numbers of its pieces, and the lids' ids. */
  id: string
  lid: string
  name: string
  mark: string
  lidMark: string
  /** Plane of symmetry, mm; of a pair the starboard one's. */
  y: number
  pair: boolean
}

const IN_THE_MIDDLE: Standing = {
  part: 'body',
  id: 'body',
  lid: 'lid',
  name: 'Body',
  mark: 'B',
  lidMark: 'L',
  y: 0,
  pair: false,
}

/** Once, or to both sides with the same sections; a port one is its twin's mirror image. */
function standing(
  { part, y: y0, pair }: Standing,
  shared: Omit<PieceShape, 'part' | 'side' | 'place'>,
): PieceShape[] {
  const at = (side: PieceShape['side'], tail: [string, string, string]): PieceShape => ({
    ...shared,
    part,
    side,
    id: shared.id + tail[0],
    name: shared.name + tail[1],
    mark: shared.mark + tail[2],
    place: side === 'port' ? (y, z, x) => [x, -(y0 + y), z] : (y, z, x) => [x, y0 + y, z],
  })
  return pair
    ? [at('starboard', ['-starboard', ' starboard', '·S']), at('port', ['-port', ' port', '·P'])]
    : [at('centre', ['', '', ''])]
}

export function cutBody(
  parts: BodyParts,
  cutList: readonly Cut[],
  recipeOf: RecipeOf,
  as: Standing = IN_THE_MIDDLE,
): PieceShape[] {
  const { loft } = parts
  const cuts = usableCuts(cutList, loft.from, loft.to)
  const edges = [loft.from, ...cuts.map(cut => cut.atMm), loft.to]
  const marks = loft.breaks.slice(0, -1).map(x => loft.zoneAt(x))
  const zoneOf = (from: number, to: number): string => widestZone(from, to, loft.breaks, marks)
  const idOf = (i: number) => `${as.id}-${pieceNumber(cuts, i)}`
  const recipeAt = (x: number) => {
    const i = Math.max(0, edges.findIndex(edge => edge >= x) - 1)
    return recipeOf(zoneOf(edges[i], edges[i + 1]), idOf(i))
  }
  const joints = bodyJoints(loft, cuts, recipeAt)
  const pieces = edges.slice(0, -1).flatMap((from, i): PieceShape[] => {
    const to = edges[i + 1],
      number = pieceNumber(cuts, i),
      foot = joints[i - 1] ?? null,
      head = joints[i] ?? null
    const zoneId = zoneOf(from, to)
    const features = bodyPieceFeatures(parts, from, to, recipeOf(zoneId, idOf(i)), foot, head)
    const proud = head?.proud ?? 0
    const skinAt = (x: number) => (x > to ? null : bodySkinAt(loft, x))
    return standing(as, {
      id: idOf(i),
      name: `${as.name} ${number}`,
      mark: `${as.mark}${number}`,
      kind: 'fixed',
      ribOf: null,
      from,
      to,
      proud,
      zoneId,
      zonesInside: zonesBetween(from, to, loft.breaks, marks),
      shapedBy: [
        ...new Set(
          [i - 1, i, i + 1]
            .filter(k => k >= 0 && k < edges.length - 1)
            .map(k => zoneOf(edges[k], edges[k + 1])),
        ),
      ],
      breaks: placesWithin(
        [...loft.breaks, ...featureBreaks(features), ...(proud > 0 ? [to] : [])],
        from,
        to + proud,
      ),
      corners: bodyHeights(loft, from, to),
      skinHeights: bodyHeights(loft, from, to),
      skinAt,
      chordAt: () => null,
      features,
      sectionAt: x => sectionAt(skinAt(x), features, x),
      joints: { foot: foot?.joint ?? null, head: head?.joint ?? null },
      hardwareG: head?.hardwareG ?? 0,
      missing: head?.missing ? [head.missing] : [],
      mesh: null,
    })
  })
  return [...pieces, ...lids(parts, zoneOf, recipeOf, as)]
}

function lids(
  { loft, body }: BodyParts,
  zoneOf: (from: number, to: number) => string,
  recipeOf: RecipeOf,
  as: Standing,
): PieceShape[] {
  return body.openings.flatMap((opening, i): PieceShape[] => {
    const from = Math.max(loft.from, opening.fromMm) + LID_GAP,
      to = Math.min(loft.to, opening.toMm) - LID_GAP
    if (to - from < 5) return []
    const zoneId = zoneOf(from, to)
    const id = `${as.lid}-${opening.id}`
    const shell = shellThickness(recipeOf(zoneId, id)) ?? SOLID_LID
    const inner = placesWithin(loft.breaks, from, to)
    // Wider than the body somewhere: there is nothing to cut a lid from. A finding says so.
    if ([from, ...inner, to].some(x => lidOutline(loft, opening, shell, x) === null)) return []
    const skinAt = (x: number) => lidOutline(loft, opening, shell, x)
    return standing(as, {
      id,
      name: as.part === 'pod' ? `Lid, ${as.name}, ${opening.name}` : `Lid, ${opening.name}`,
      mark: `${as.lidMark}${i + 1}`,
      kind: 'lid',
      ribOf: null,
      from,
      to,
      proud: 0,
      zoneId,
      zonesInside: [zoneId],
      shapedBy: [zoneId],
      breaks: inner,
      corners: bodyHeights(loft, from, to),
      skinHeights: bodyHeights(loft, from, to),
      skinAt,
      chordAt: () => null,
      features: [],
      sectionAt: x => {
        const skin = skinAt(x)
        return skin ? [skin] : []
      },
      joints: { foot: null, head: null },
      hardwareG: 0,
      missing: [],
      mesh: null,
    })
  })
}
