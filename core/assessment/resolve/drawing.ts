/** The aircraft as drawn plan, side and front view, to scale in mm. */
import { alongBody, convexHull, isWheelOf, type DuctLoft, type Piece, type SurfaceLoft } from '../../geometry'
import { memoise } from '../../memo'
import type { Designed } from './designed'
import { coveredStretches, filmRings, type Covered } from './covered'
import { strutSides } from './standing-struts'
import type { Drawing, Outline } from '../report'
type Point = readonly [number, number]

/** Drawn again only when what is drawn has changed: zones, masses and targets leave the outlines alone. */
export function createDrawing(): (airframe: Designed) => Drawing {
  let current: Designed
  const draw = memoise((..._parts: unknown[]) => drawAirframe(current))
  return airframe => {
    current = airframe
    const { spars, doc } = airframe
    return draw(
      doc.boom,
      doc.gear,
      airframe.struts,
      airframe.duct,
      spars.wing,
      spars.second,
      spars.winglet,
      spars.horizontal,
      spars.vertical,
      ...airframe.pieces.map(piece => piece.sectionAt),
    )
  }
}

function drawAirframe(airframe: Designed): Drawing {
  const outlines = airframe.pieces.map(outlinesOf)
  const plan = outlines.map(views => views.plan),
    side = outlines.map(views => views.side),
    front = outlines.map(views => views.front)
  const spars = Object.values(airframe.surfaces).flatMap(loft => sparOutlines(loft, airframe))
  const boom = airframe.boom
  const ends = boom ? [boom.boom.fromMm, boom.boom.toMm] : []
  const xs = [...plan.flatMap(o => o.points.filter((_, i) => i % 2 === 0)), ...ends]
  const ys = plan.flatMap(o => o.points.filter((_, i) => i % 2 === 1)),
    zs = side.flatMap(o => o.points.filter((_, i) => i % 2 === 1))
  const legs = legLines(airframe)
  const struts = airframe.struts.flatMap(({ strut, stock, ends }) =>
    strutSides(strut).map(side => {
      const [a, b] = ends.map(([x, y, z]): [number, number, number] => [x, side * y, z])
      return {
        id: strut.id,
        plan: [a[0], a[1], b[0], b[1]],
        side: [a[0], a[2], b[0], b[2]],
        front: [a[1], a[2], b[1], b[2]],
        widthMm: stock.heightMm,
        ends: [a, b] as [typeof a, typeof b],
      }
    }),
  )
  for (const [x, y, z] of struts.flatMap(strut => strut.ends)) {
    xs.push(x)
    ys.push(y)
    zs.push(z)
  }
  for (const { axle, wheelMm } of legs) {
    xs.push(axle[0])
    ys.push(axle[1])
    zs.push(axle[2] - wheelMm / 2)
  }
  return {
    plan,
    side,
    front,
    spars,
    films: coveredStretches(airframe).map(filmOutlines),
    legs,
    struts,
    ducts: airframe.duct ? ductOutlines(airframe.duct) : [],
    booms: boom
      ? (boom.count > 1 ? [boom.boom.yMm, -boom.boom.yMm] : [0]).map(y => ({
          plan: [ends[0], y, ends[1], y],
          side: [ends[0], boom.boom.zMm, ends[1], boom.boom.zMm],
          widthMm: boom.stock.heightMm,
        }))
      : [],
    box: {
      minX: Math.min(...xs),
      maxX: Math.max(...xs),
      minY: Math.min(...ys),
      maxY: Math.max(...ys),
      minZ: Math.min(...zs),
      maxZ: Math.max(...zs),
    },
  }
}

type Views = { plan: Outline; side: Outline; front: Outline }
/**
 * Port and starboard share a section function, and a body's pieces their place: a piece is known by its
 * sections and its side.
 */
const kept = new WeakMap<Piece['sectionAt'], Partial<Record<Piece['side'], Views>>>()

/** A piece that did not change keeps its outlines. */
function outlinesOf(piece: Piece): Views {
  const own = kept.get(piece.sectionAt) ?? {}
  kept.set(piece.sectionAt, own)
  const before = own[piece.side]
  if (before && before.plan.id === piece.id) return before
  const sections = sectionsOf(piece)
  const outline = (points: readonly Point[]): Outline => ({
    id: piece.id,
    part: piece.part,
    points: points.flat().map(v => Math.round(v * 100) / 100),
  })
  return (own[piece.side] = {
    plan: outline(silhouette(sections, p => [p[0], p[1]], piece)),
    side: outline(silhouette(sections, p => [p[0], p[2]], piece)),
    front: outline(convexHull(sections.flat().map(p => [p[1], p[2]] as const))),
  })
}

function sectionsOf(piece: Piece): Array<Array<[number, number, number]>> {
  if (piece.mesh) return [meshPoints(piece)]
  return piece.corners.flatMap(u => {
    const outer = piece.skinAt(u)
    return outer
      ? [Array.from({ length: outer.length / 2 }, (_, i) => piece.place(outer[2 * i], outer[2 * i + 1], u))]
      : []
  })
}

/** A given part is drawn as the hull of its corners, every so many of a large one. */
function meshPoints(piece: Piece): Array<[number, number, number]> {
  const { positions } = piece.mesh!
  const count = positions.length / 3,
    step = Math.max(1, Math.floor(count / 4000))
  return Array.from({ length: Math.ceil(count / step) }, (_, i) =>
    piece.place(positions[3 * i * step], positions[3 * i * step + 1], positions[3 * i * step + 2]),
  )
}

/**
 * Outline of a chain of sections: a polygon along one extreme of each section and back along the other, which
 * keeps sweep breaks that a hull would bridge. Where the view looks along the span, sections overlap, and a
 * hull is right.
 */
function silhouette<P extends Pick<Piece, 'part' | 'from' | 'to'>>(
  sections: ReadonlyArray<ReadonlyArray<[number, number, number]>>,
  view: (p: [number, number, number]) => Point,
  piece: P,
): Point[] {
  const flat = sections.map(section => section.map(view))
  if (flat.length === 1) return convexHull(flat[0])
  const along = alongBody(piece.part) ? 0 : 1
  const across = 1 - along
  const places = flat.map(points => points.reduce((sum, p) => sum + p[along], 0) / points.length)
  const length = Math.abs(places[places.length - 1] - places[0])
  if (length < 0.5 * (piece.to - piece.from)) return convexHull(flat.flat())
  const extreme = (points: readonly Point[], sign: number) =>
    points.reduce((best, p) => (sign * p[across] > sign * best[across] ? p : best))
  return [...flat.map(points => extreme(points, -1)), ...flat.map(points => extreme(points, 1)).reverse()]
}

/** Closed outlines of a duct, from its intake and back. */
function ductOutlines(duct: DuctLoft): Drawing['ducts'] {
  const places = duct.grid.map(x => ({ x, ...duct.at(x) }))
  const around = (edge: (place: (typeof places)[number], sign: number) => number) => [
    ...places.flatMap(place => [place.x, edge(place, 1)]),
    ...places.toReversed().flatMap(place => [place.x, edge(place, -1)]),
  ]
  const sides = places.some(({ y }) => y > 0) ? [1, -1] : [1]
  return sides.map(side => ({
    plan: around(({ y, width }, sign) => side * y + (sign * width) / 2),
    side: around(({ z, height }, sign) => z + (sign * height) / 2),
    front: Array.from(duct.outlinesAt(duct.from)[side < 0 ? 1 : 0] ?? duct.outlinesAt(duct.from)[0]),
  }))
}

/** What the film covers, seen as its pieces are. */
function filmOutlines(covered: Covered): Drawing['films'][number] {
  const { stretch, zone, name, loft, from, to } = covered
  const rings = filmRings(covered)
  const sections = rings.map(ring =>
    Array.from({ length: ring.length / 3 }, (_, i): [number, number, number] => [
      ring[3 * i],
      ring[3 * i + 1],
      ring[3 * i + 2],
    ]),
  )
  const as = { part: loft.name, from, to }
  const rounded = (points: readonly Point[]) => points.flat().map(v => Math.round(v * 100) / 100)
  return {
    id: `${stretch}-${zone}`,
    part: loft.name,
    half: !loft.mirror ? 'centre' : covered.side < 0 ? 'port' : 'starboard',
    name: `Film, ${name}`,
    plan: rounded(silhouette(sections, p => [p[0], p[1]], as)),
    side: rounded(silhouette(sections, p => [p[0], p[2]], as)),
    front: rounded(convexHull(sections.flat().map(p => [p[1], p[2]] as const))),
    rings: rings.map(ring => ring.map(v => Math.round(v * 100) / 100)),
  }
}

function sparOutlines(loft: SurfaceLoft, airframe: Designed): Drawing['spars'] {
  return (airframe.spars[loft.name] ?? []).flatMap(line => {
    const breaks =
      line.spar.route === 'bent' ? loft.ends.map(end => end.s).filter(s => s > line.from && s < line.to) : []
    const places = [line.from, ...breaks, line.to]
    const cos = Math.cos(loft.cant),
      sin = Math.sin(loft.cant)
    return (loft.mirror ? [1, -1] : [1]).flatMap(sign => {
      const place = (s: number) => {
        const { x, n } = line.at(s)
        return [x, sign * (loft.origin[1] + s * cos - n * sin), loft.origin[2] + s * sin + n * cos]
      }
      return places.slice(1).map((to, i) => {
        const p = place(places[i]),
          q = place(to)
        return {
          id: line.spar.id,
          plan: [p[0], p[1], q[0], q[1]],
          side: [p[0], p[2], q[0], q[2]],
          front: [p[1], p[2], q[1], q[2]],
          widthMm: line.stock.widthMm,
        }
      })
    })
  })
}

/** A wheel that is printed is drawn as its pieces are. */
const legLines = ({ doc, pieces }: Designed): Drawing['legs'] =>
  doc.gear.flatMap(leg =>
    (leg.pair ? [1, -1] : [1]).map((side): Drawing['legs'][number] => ({
      id: leg.id,
      mount: [leg.xMm, side * leg.yMm, leg.zMm],
      axle: [leg.xMm, side * (leg.yMm + leg.splayMm), leg.zMm - leg.dropMm],
      widthMm: leg.kind === 'printed' ? leg.widthMm : leg.thicknessMm,
      wheelMm: pieces.some(piece => piece.kind === 'wheel' && isWheelOf(leg, piece)) ? 0 : leg.wheelMm,
    })),
  )
