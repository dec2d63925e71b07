/**
 * Solids that tell a slicing program where along the chord a piece is laid in another way: put over the piece, with more
 * walls or filled through. mm, standing as the piece does.
 */
import { denserOf, denserSpans, printedSparOf, printedSparSpan } from '../document'
import { boxOf, rectangle } from './feature'
import { turnsHanded, type Piece } from './piece'
import { stackMesh } from './solid'
import type { TriangleMesh } from './triangle-mesh'

export interface ChordSolid {
  kind: 'denser' | 'printed-spar'
  mesh: TriangleMesh
}

/** By how much it reaches past the skin on every free side. */
const PAST = 1

/** Of a standing piece of a surface; none where nothing is laid along the chord. */
export function chordSolids(piece: Piece): ChordSolid[] {
  const { recipe } = piece.zone
  const denser = denserOf(recipe),
    spar = printedSparOf(recipe)
  const places = piece.skinHeights.flatMap(u => {
    const frame = piece.chordAt(u),
      skin = piece.skinAt(u)
    return frame && skin ? [{ u, frame, box: boxOf(skin) }] : []
  })
  if (places.length < 2) return []
  const heights = places.map(({ u }, i) =>
    i === 0 ? -PAST : i === places.length - 1 ? u - piece.from + PAST : u - piece.from,
  )
  const solid = (
    kind: ChordSolid['kind'],
    spanAt: (frame: (typeof places)[number]['frame']) => readonly [number, number],
  ): ChordSolid[] => {
    const spans = places.map(({ frame }) => spanAt(frame))
    // It must have a body, and reach the piece somewhere.
    if (spans.some(([from, to]) => to - from < 1e-6)) return []
    if (!places.some(({ box }, i) => spans[i][1] > box[0] && spans[i][0] < box[2])) return []
    const outlines = places.map(({ box: [, low, , high] }, i) =>
      rectangle(spans[i][0], low - PAST, spans[i][1], high + PAST),
    )
    const mesh = stackMesh(outlines, heights)
    return [{ kind, mesh: turnsHanded(piece) ? acrossTheBed(mesh) : mesh }]
  }
  return [
    ...(denser
      ? [0, 1].flatMap(end =>
          solid('denser', frame => {
            const [from, to] = denserSpans(denser, frame)[end]
            if (to - from <= 0) return [0, 0]
            return end === 0 ? [from - PAST, to] : [from, to + PAST]
          }),
        )
      : []),
    ...(spar ? solid('printed-spar', frame => printedSparSpan(spar, frame)) : []),
  ]
}

/** The other way round across y, its triangles turned so that they look outwards again. */
export function acrossTheBed({ positions, triangles }: TriangleMesh): TriangleMesh {
  const other = positions.slice()
  for (let i = 1; i < other.length; i += 3) other[i] = -other[i]
  const turned = triangles.slice()
  for (let t = 0; t < turned.length; t += 3) [turned[t + 1], turned[t + 2]] = [turned[t + 2], turned[t + 1]]
  return { positions: other, triangles: turned }
}

/** Several as one mesh, none touching another. */
export function together(meshes: readonly TriangleMesh[]): TriangleMesh {
  const positions = new Float32Array(meshes.reduce((sum, mesh) => sum + mesh.positions.length, 0)),
    triangles = new Uint32Array(meshes.reduce((sum, mesh) => sum + mesh.triangles.length, 0))
  let point = 0,
    corner = 0
  for (const mesh of meshes) {
    positions.set(mesh.positions, 3 * point)
    triangles.set(
      mesh.triangles.map(index => index + point),
      corner,
    )
    point += mesh.positions.length / 3
    corner += mesh.triangles.length
  }
  return { positions, triangles }
}
