/** What is printed: a skin along one axis with features cut out of it or put into it, standing on its end. */
import type { ChordFrame, Joint, Zone } from '../document'
import type { Feature } from './feature'
import type { TriangleMesh } from './triangle-mesh'
import type { Words } from '../units'
/** Closed loops of a section, mm: counter-clockwise round plastic, clockwise round holes. */
export type Section = Float64Array[]

export type PartName = 'wing' | 'second' | 'winglet' | 'horizontal' | 'vertical' | 'body' | 'pod'

/** Does it lie along the aircraft, its layers across x? */
export const alongBody = (part: PartName): part is 'body' | 'pod' => part === 'body' || part === 'pod'

export interface PieceShape {
  id: string
  name: string
  /** Short mark to write on the piece: part, number, S or P. No two pieces of an aircraft share one. */
  mark: string
  part: PartName
  kind: 'fixed' | 'moving' | 'lid' | 'given' | 'wheel'
  /** A rib under film: the stretch that it is one of, with all ribs between the same two cuts; null otherwise. */
  ribOf: string | null
  /** Starboard, port, or on the plane of symmetry. */
  side: 'starboard' | 'port' | 'centre'
  /**
   * Along the span or the body, mm; layers are stacked from `from` to `to`, and `proud` mm beyond where a lip
   * stands out.
   */
  from: number
  to: number
  proud: number
  /** Its zone's id; `Piece` holds the zone itself. */
  zoneId: string
  /** Zones that meet inside this piece; more than one is a finding. */
  zonesInside: readonly string[]
  /**
   * Zones whose recipes shaped it: its own and its neighbours' where walls, lips and faces depend on them;
   * none where nothing does.
   */
  shapedBy: readonly string[]
  /** Places where the section jumps or kinks, rising, ends left out. */
  breaks: readonly number[]
  /** Ends, and stations between which edges run straight: enough for an outline. */
  corners: readonly number[]
  /** Where the skin is lofted for solids: ends and every place between which it runs straight enough. */
  skinHeights: readonly number[]
  /**
   * Outline of the skin alone, counter-clockwise, the same number of points everywhere; null beyond its end.
   */
  skinAt(u: number): Float64Array | null
  /** The chord of the surface that it is of, in its sections' axes; null for bodies, ribs and given parts. */
  chordAt(u: number): ChordFrame | null
  features: readonly Feature[]
  sectionAt(u: number): Section
  /** Aircraft axes of a point of the section at u, mm. */
  place(a: number, b: number, u: number): [number, number, number]
  /** How it meets its neighbours: at its foot and at its head; null at a free end. */
  joints: { foot: Joint | null; head: Joint | null }
  /** Pins, tongues and bolts that belong to its head joint, g. */
  hardwareG: number
  /** What was asked for and could not be made, in words. */
  missing: readonly Words[]
  /** Its own triangles where it came from a file, or was turned, foot at `from`. */
  mesh: TriangleMesh | null
}

/** A shape with the zone that says how it is printed. The shape outlives edits of the zone. */
export interface Piece extends PieceShape {
  zone: Zone
}

/** Is it cut from a sheet of foam, so that no printer has anything to do with it? */
export const isSheet = ({ part, kind, zone }: Pick<Piece, 'part' | 'kind' | 'zone'>): boolean =>
  zone.sheet !== null && !alongBody(part) && (kind === 'fixed' || kind === 'moving')

/**
 * Does the map from the piece's own frame to the aircraft turn left into right? A solid built in that frame
 * must then be mirrored before it is printed, or a starboard wing comes off the bed as a port one.
 */
export function turnsHanded(piece: Pick<PieceShape, 'place'>): boolean {
  const o = piece.place(0, 0, 0)
  const [a, b, c] = [piece.place(1, 0, 0), piece.place(0, 1, 0), piece.place(0, 0, 1)].map(p =>
    p.map((v, i) => v - o[i]),
  )
  return (
    a[0] * (b[1] * c[2] - b[2] * c[1]) -
      a[1] * (b[0] * c[2] - b[2] * c[0]) +
      a[2] * (b[0] * c[1] - b[1] * c[0]) <
    0
  )
}

/** Ends of features, those where one feature of a name carries on from another left out. */
export function featureBreaks(features: readonly Feature[]): number[] {
  const meets = (feature: Feature, at: number, end: 'from' | 'to') =>
    features.some(
      other => other !== feature && other.name === feature.name && Math.abs(other[end] - at) < 1e-6,
    )
  return features.flatMap(feature => [
    ...(meets(feature, feature.from, 'to') ? [] : [feature.from]),
    ...(meets(feature, feature.to, 'from') ? [] : [feature.to]),
  ])
}
