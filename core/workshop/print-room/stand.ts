/**
 * A piece on a bed: as it stands, its own section turned, mirrored where its frame is left-handed, and moved; as it
 * lies, what is cut from its solid, turned and moved. mm
 */
import type { ChordFrame, PlatePiece } from '../../document'
import {
  boxOfAll,
  contoursAt,
  hullOf,
  turnsHanded,
  webbedSection,
  slitOutlines,
  webPattern,
  websOf,
  type Piece,
  type Section,
  type TriangleMesh,
} from '../../geometry'
import { lies, type PlatePart } from '../../printing'
import type { Airframe } from '../../assess'

export interface Standing {
  /** From the piece's own section to the bed, the lower left corner of all of it at the given place. */
  toBed(section: Section): Section
  /** The same chord, as it lies on the bed then. */
  chordToBed(frame: ChordFrame | null): ChordFrame | null
  /** How far it is turned on the bed, rad. */
  turn: number
  widthMm: number
  depthMm: number
}

/** Mirrored prints turn the other way: their box is the same. */
export function stand(piece: Piece, { xMm, yMm, turnDeg }: Omit<PlatePiece, 'piece'>): Standing {
  // A solid is mirrored already.
  const mirrored = turnsHanded(piece) && !lies(piece)
  const angle = ((mirrored ? -turnDeg : turnDeg) * Math.PI) / 180,
    cos = Math.cos(angle),
    sin = Math.sin(angle)
  const turned = (loop: Float64Array): Float64Array => {
    const out = new Float64Array(loop.length)
    const count = loop.length / 2
    for (let i = 0; i < count; i++) {
      // In a mirror a loop runs the other way round.
      const from = 2 * (mirrored ? count - 1 - i : i)
      const x = loop[from],
        y = mirrored ? -loop[from + 1] : loop[from + 1]
      out[2 * i] = x * cos - y * sin
      out[2 * i + 1] = x * sin + y * cos
    }
    return out
  }
  const [x0, y0, x1, y1] = outline(piece).reduce(
    (box, skin) => {
      const loop = turned(skin)
      for (let i = 0; i < loop.length; i += 2) {
        box[0] = Math.min(box[0], loop[i])
        box[1] = Math.min(box[1], loop[i + 1])
        box[2] = Math.max(box[2], loop[i])
        box[3] = Math.max(box[3], loop[i + 1])
      }
      return box
    },
    [Infinity, Infinity, -Infinity, -Infinity],
  )
  return {
    turn: angle,
    widthMm: x1 - x0,
    depthMm: y1 - y0,
    chordToBed: frame => {
      if (!frame) return null
      const aft = turned(Float64Array.from(frame.aft))
      return {
        ...frame,
        aft: [aft[0], aft[1]],
        lead: frame.lead + aft[0] * (xMm - x0) + aft[1] * (yMm - y0),
      }
    },
    toBed: section =>
      section.map(loop => {
        const out = turned(loop)
        for (let i = 0; i < out.length; i += 2) {
          out[i] += xMm - x0
          out[i + 1] += yMm - y0
        }
        return out
      }),
  }
}

/**
 * Skins at every height between which it runs straight, or all corners of a part that is given; of a lying piece its
 * chords, root to tip along x.
 */
function outline(piece: Piece): Float64Array[] {
  if (lies(piece))
    return [
      Float64Array.from(
        piece.corners.flatMap(u => {
          const skin = piece.skinAt(u)
          if (!skin) return []
          const [x0, , x1] = boxOfAll([skin])
          return [u - piece.from, x0, u - piece.from, x1]
        }),
      ),
    ]
  if (!piece.mesh)
    return piece.corners.flatMap(u => {
      const skin = piece.skinAt(u)
      return skin ? [skin] : []
    })
  const { positions } = piece.mesh
  const flat = new Float64Array((positions.length / 3) * 2)
  for (let i = 0; i < positions.length / 3; i++) flat.set([positions[3 * i], positions[3 * i + 1]], 2 * i)
  return [flat]
}

/** The piece as a part of a plate. One that lies on its side is cut from its solid: `solidOf` makes it. */
export function platePart(
  piece: Piece,
  place: Omit<PlatePiece, 'piece'>,
  solidOf: (piece: Piece) => TriangleMesh,
): PlatePart {
  const { toBed, chordToBed, turn } = stand(piece, place)
  if (lies(piece)) return lyingPart(piece, solidOf(piece), toBed, turn)
  const pattern = piece.mesh ? null : webPattern(piece.zone.recipe)
  const slits = pattern ? websOf(piece, pattern) : []
  return {
    mark: piece.mark,
    name: piece.name,
    recipe: piece.zone.recipe,
    turn,
    heightMm: piece.to + piece.proud - piece.from,
    at: z => {
      const u = piece.from + z
      return {
        section: toBed(webbedSection(piece, slits, u)),
        slits: toBed(slitOutlines(slits, u)),
        frame: chordToBed(piece.chordAt(u)),
      }
    },
  }
}

/** Layers of a piece on its side, cut from its solid: those that are laid, found by the nearest height. */
function lyingPart(piece: Piece, mesh: TriangleMesh, toBed: Standing['toBed'], turn: number): PlatePart {
  const { recipe } = piece.zone
  let heightMm = 0
  for (let i = 2; i < mesh.positions.length; i += 3) heightMm = Math.max(heightMm, mesh.positions[i])
  const layers = Math.max(1, Math.round(heightMm / recipe.layerHeightMm)),
    step = heightMm / layers
  const cut = contoursAt(
    mesh,
    Array.from({ length: layers }, (_, k) => (k + 0.5) * step),
  )
  return {
    mark: piece.mark,
    name: piece.name,
    recipe,
    turn,
    heightMm,
    at: z => ({
      section: toBed(cut[Math.min(layers - 1, Math.max(0, Math.round(z / step - 0.5)))].loops),
      slits: [],
      frame: null,
    }),
  }
}

export interface PlateShape {
  piece: string
  mark: string
  /** Outline as seen from above: the hull of all heights, x and y in turn. mm */
  outline: number[]
  widthMm: number
  depthMm: number
  /** Room that its brim takes round the foot. */
  brimMm: number
}

/** Pieces that are no longer part of the design are left out. */
export function plateShapes(airframe: Airframe, places: readonly PlatePiece[]): PlateShape[] {
  return places.flatMap((place): PlateShape[] => {
    const piece = airframe.pieces.find(item => item.id === place.piece)
    if (!piece) return []
    const { toBed, widthMm, depthMm } = stand(piece, place)
    const all = toBed(outline(piece)).flatMap(loop => Array.from(loop))
    return [
      {
        piece: piece.id,
        mark: piece.mark,
        outline: Array.from(hullOf(Float64Array.from(all))),
        widthMm,
        depthMm,
        brimMm: piece.zone.recipe.brimMm,
      },
    ]
  })
}
