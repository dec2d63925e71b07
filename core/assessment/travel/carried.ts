/** What an aircraft is in the car: the parts that it comes to without a saw, and how large each of them is. mm */
import { alg, Graph } from '@dagrejs/graphlib'
import { SURFACE_NAMES, surfaceOf, type Joint, type Leg, type SurfaceName, type Tail } from '../../document'
import { isWheelOf, planAt, toSurface, turnedBox, type Piece, type Sides } from '../../geometry'
import { memoise } from '../../memo'
import {
  boomOver,
  gluedOver,
  halvesPart,
  strutSides,
  tailComesOff,
  tailParts,
  wingComesOff,
  type Designed,
} from '../resolve'

export interface Carried {
  id: string
  name: string
  /** Marks of the printed pieces in it, from the first to the last; none of what was bought. */
  marks: readonly string[]
  /** A close box round it, longest side first, mm. */
  sizeMm: Sides
}

/** Part of a surface or of the body between two joints that are only bolted. */
interface Stretch {
  id: string
  part: SurfaceName | 'body'
  side: Piece['side']
  pieces: Piece[]
}

const SIDES = ['starboard', 'port', 'centre'] as const
/** Every so many points of an outline stand for it; its skin bulges between them by less than a bead. */
const EVERY = 3

/**
 * Every part that can be carried by itself. Glue holds for ever: pieces come apart at joints that are bolted, unless
 * a spar or a boom is glued in on both sides of them, the
 * wing from the body where bolts hold it and no strut does, its halves where the spar through the middle is pushed in; such spars and the
 * propellers travel beside. Tails, booms, pods and legs stay on what carries them.
 */
export function carriedParts(design: Designed): Carried[] {
  const stretches = stretchesOf(design)
  const graph = new Graph({ directed: false })
  const points = new Map<string, number[]>(),
    skins = new Map<string, Float64Array[]>()
  const marks = new Map<string, string[]>()
  const node = (id: string) => {
    graph.setNode(id)
    if (!points.has(id)) points.set(id, [])
    return points.get(id)!
  }
  const skin = (id: string, piece: Piece) => {
    node(id)
    skins.set(id, [...(skins.get(id) ?? []), skinPoints(piece)])
  }
  const join = (a: string | undefined, b: string | undefined) => {
    if (a !== undefined && b !== undefined && a !== b) graph.setEdge(a, b)
  }
  for (const { id, pieces } of stretches) {
    node(id)
    marks.set(
      id,
      pieces.map(piece => piece.mark),
    )
    for (const piece of pieces) skin(id, piece)
  }
  const at = holder(design, stretches)

  // What moves and what came from a file goes with what carries it.
  for (const piece of design.pieces) {
    // A lid lies in its opening.
    if (piece.kind === 'lid' || (piece.kind === 'fixed' && piece.part !== 'pod')) continue
    const id =
      piece.kind === 'wheel'
        ? holdsWheel(design.doc.gear, piece, at)
        : piece.part === 'pod'
          ? podId(Number(/^pod-(\d+)-/.exec(piece.id)?.[1]), piece.side)
          : at.piece(piece)
    skin(id, piece)
  }
  joinWing(design, at, join)
  for (const { pod } of design.pods)
    for (const side of pod.pair ? (['starboard', 'port'] as const) : (['centre'] as const))
      join(podId(pod.piece, side), at.place(pod.xMm, side === 'port' ? -pod.yMm : pod.yMm, pod.zMm, true))
  putBooms(design, at, node, join)
  joinOthers(design, at, join)
  joinStruts(design, at, node, join)
  for (const leg of design.doc.gear) legPoints(leg, side => node(at.place(leg.xMm, side * leg.yMm, leg.zMm)))
  for (const item of design.doc.equipment) {
    if (item.kind !== 'motor') continue
    const ys = item.pair ? [item.yMm, -item.yMm] : [item.yMm]
    for (const y of ys) corners([item.xMm, y, item.zMm], item.sizeMm, node(at.place(item.xMm, y, item.zMm)))
  }

  const parts = alg
    .components(graph)
    .map(ids => partOf(ids, stretches, points, skins, marks))
    .filter(part => part.sizeMm[0] > 0)
    .sort((a, b) => b.sizeMm[0] - a.sizeMm[0])
  return [...named(parts, design.doc.tail.kind), ...beside(design)]
}

const stretchesOf = (design: Designed): Stretch[] =>
  ([...SURFACE_NAMES, 'body'] as const).flatMap(part =>
    SIDES.flatMap(side => {
      const own = design.pieces
        .filter(piece => piece.part === part && piece.side === side && piece.kind === 'fixed')
        .sort((a, b) => a.from - b.from)
      const list: Stretch[] = []
      own.forEach((piece, i) => {
        if (i === 0 || (own[i - 1].joints.head?.kind === APART[part] && !held(design, part, piece.from)))
          list.push({ id: `${part}/${side}/${list.length + 1}`, part, side, pieces: [] })
        list.at(-1)!.pieces.push(piece)
      })
      return list
    }),
  )

/** A joint that is not glued lets go; a spar or a boom that is glued in on both sides does not. */
const held = (design: Designed, part: Stretch['part'], at: number): boolean =>
  part === 'body' ? boomOver(design, at) : gluedOver(design, part, at).length > 0

/** Joints that are not glued, where they can be made. */
const APART: Partial<Record<Stretch['part'], Joint['kind']>> = { wing: 'plug', second: 'plug', body: 'bolts' }

const podId = (piece: number, side: Piece['side']) => `pod/${piece}/${side}`

type Join = (a: string | undefined, b: string | undefined) => void

/** What stands where: the stretch that carries a thing. */
interface Holder {
  /** Of the stretches of a part on one side, that at a place along it; the nearest, where it lies in none. */
  along(part: Stretch['part'], side: Piece['side'], at: number): string | undefined
  /** The one that is there: body, or wing; the other way round for what hangs under a wing. */
  place(x: number, y: number, z: number, wingFirst?: boolean): string
  piece(piece: Piece): string
}

/** This far from a skin a thing is still taken to sit on it, mm. */
const NEAR = 25

function holder({ wing, body }: Designed, stretches: readonly Stretch[]): Holder {
  const along: Holder['along'] = (part, side, at) => {
    const own = stretches.filter(item => item.part === part && item.side === side)
    return (own.find(({ pieces }) => at < pieces.at(-1)!.to) ?? own.at(-1))?.id
  }
  const inBody = (x: number, y: number) =>
    body && x > body.from - NEAR && x < body.to + NEAR && Math.abs(y) < body.at(x).width / 2 + NEAR
  const place: Holder['place'] = (x, y, z, wingFirst = false) => {
    const side = y < 0 ? 'port' : 'starboard'
    const { s } = toSurface(wing, x, Math.abs(y), z)
    const { lead, chord } = planAt(wing, Math.min(wing.span, Math.max(0, s)))
    const onWing = s < wing.span + NEAR && x > lead - chord && x < lead + 2 * chord
    const wingAt = along('wing', side, s) ?? along('wing', 'centre', s)
    const bodyAt = along('body', 'centre', x)
    const first =
      wingFirst && Math.abs(y) > 1
        ? [onWing && wingAt, inBody(x, y) && bodyAt]
        : [inBody(x, y) && bodyAt, onWing && wingAt]
    return first.find(Boolean) || bodyAt || wingAt || 'aircraft'
  }
  return {
    along,
    place,
    piece(piece) {
      if (piece.mesh) {
        const [x, y, z] = piece.place(0, 0, (piece.from + piece.to) / 2)
        return place(x, y, z)
      }
      return along(piece.part as Stretch['part'], piece.side, (piece.from + piece.to) / 2) ?? 'aircraft'
    },
  }
}

function joinWing(design: Designed, at: Holder, join: Join): void {
  const roots = (['starboard', 'port'] as const).map(side => at.along('wing', side, 0))
  const part = halvesPart(design)
  if (!part) join(roots[0], roots[1])
  if (!design.body) return
  // Halves that are pulled off sideways need no bolts; a wing that is glued into its seat stays there.
  const stays = !wingComesOff(design) && (!part || design.doc.body?.saddle)
  const { lead, chord } = design.wing.stations[0]
  if (stays) for (const root of roots) join(root, at.along('body', 'centre', lead + chord / 2))
}

function putBooms({ boom, pods }: Designed, at: Holder, node: (id: string) => number[], join: Join): void {
  if (!boom) return
  const { fromMm, toMm, yMm, zMm } = boom.boom
  const sizeMm = [toMm - fromMm, boom.stock.widthMm, boom.stock.heightMm] as const
  const pod = pods.find(item => item.pod.pair && Math.abs(item.pod.yMm - yMm) < 0.5)
  for (const side of boom.count === 1 ? (['centre'] as const) : (['starboard', 'port'] as const)) {
    const y = side === 'port' ? -yMm : yMm
    corners([(fromMm + toMm) / 2, y, zMm], sizeMm, node(boomId(side)))
    join(boomId(side), pod && yMm > 0 ? podId(pod.pod.piece, side) : at.place(boom.heldMm, y, zMm, true))
  }
}
const boomId = (side: Piece['side']) => `boom/${side}`

/**
 * Tails and a second wing are glued to a boom where there is one behind, or to the body, to each other, or to the
 * wing. Tails that are screwed on come off; a fin on a tailplane goes with it.
 */
function joinOthers(design: Designed, at: Holder, join: Join): void {
  const { surfaces, boom, body } = design
  for (const name of ['second', 'winglet', 'horizontal', 'vertical'] as const) {
    const loft = surfaces[name]
    if (!loft) continue
    const [root] = loft.stations,
      [x, y, z] = [root.lead + root.chord / 2, loft.origin[1], loft.origin[2]]
    const roots = SIDES.flatMap(side => {
      const id = at.along(name, side, 0)
      return id === undefined ? [] : [{ side, id }]
    })
    for (const { side, id } of roots) {
      const own = side === 'port' ? -y : y
      if (name === 'winglet') {
        join(id, at.along('wing', side, Infinity) ?? at.along('wing', 'centre', Infinity))
        continue
      }
      const halves = name === 'horizontal' && tailComesOff(design) && tailParts(design, name).length > 1
      if (name !== 'vertical' && !halves) join(roots[0].id, id)
      const onTailplane = name === 'vertical' && Math.abs(own) > NEAR && surfaces.horizontal
      if (!onTailplane && name !== 'second' && tailComesOff(design)) continue
      if (boom && x > boom.boom.fromMm - NEAR) {
        const alike = boom.count === 1 || Math.abs(Math.abs(own) - boom.boom.yMm) < 2 * NEAR
        if (boom.count === 1) join(id, boomId('centre'))
        else if (alike && own !== 0) join(id, boomId(own < 0 ? 'port' : 'starboard'))
        else for (const each of ['starboard', 'port'] as const) join(id, boomId(each))
      } else if (onTailplane) join(id, at.along('horizontal', own < 0 ? 'port' : 'starboard', Math.abs(own)))
      else if (body || Math.abs(own) <= NEAR) join(id, at.place(x, own, z))
      else join(id, at.place(x, own, z, true))
    }
  }
}

/** A strut is glued in at both ends, and goes with what it holds. */
function joinStruts({ struts }: Designed, at: Holder, node: (id: string) => number[], join: Join): void {
  for (const { strut, ends, feet } of struts)
    for (const side of strutSides(strut)) {
      const held = feet.map((foot, end) => {
        const [x, y, z] = ends[end]
        if (!foot) return at.place(x, side * y, z)
        const own = side < 0 ? 'port' : 'starboard'
        return at.along(foot.surface, own, foot.s) ?? at.along(foot.surface, 'centre', foot.s)
      })
      join(held[0], held[1])
      const carrier = held[0] ?? held[1]
      if (carrier !== undefined) for (const [x, y, z] of ends) node(carrier).push(x, side * y, z)
    }
}

/**
 * The points of a shape on its side for as long as it stays: most edits leave most pieces alone. Mirror images are of one
 * section.
 */
const known = new WeakMap<Piece['sectionAt'], WeakMap<Piece['place'], Float64Array>>()

/** Points of the skin, x, y, z. */
function skinPoints(piece: Piece): Float64Array {
  const sides = known.get(piece.sectionAt) ?? new WeakMap<Piece['place'], Float64Array>()
  known.set(piece.sectionAt, sides)
  const before = sides.get(piece.place)
  if (before) return before
  const into: number[] = []
  if (piece.mesh) {
    const { positions } = piece.mesh
    for (let i = 0; i < positions.length; i += 3)
      into.push(...piece.place(positions[i], positions[i + 1], positions[i + 2] + piece.from))
  } else
    for (const u of piece.corners) {
      // Its end is just beyond the last place that has a skin.
      const loop = piece.skinAt(Math.min(piece.to - 1e-6, Math.max(piece.from + 1e-6, u)))
      if (!loop) continue
      for (let i = 0; i < loop.length; i += 2)
        if ((i / 2) % EVERY === 0) into.push(...piece.place(loop[i], loop[i + 1], u))
    }
  const points = Float64Array.from(into)
  sides.set(piece.place, points)
  return points
}

/** Parts remembered, with those of the design before and of what comparisons try. */
const PARTS = 24
/** `loose`: points that belong to no piece, one after another. */
const closeBox = memoise((loose: string, ...skins: readonly Float64Array[]): Sides => {
  const all = [...skins, Float64Array.from(loose ? loose.split(' ') : [], Number)]
  const points = new Float64Array(all.reduce((sum, item) => sum + item.length, 0))
  let at = 0
  for (const item of all) {
    points.set(item, at)
    at += item.length
  }
  return turnedBox(points)
}, PARTS)

function corners(middle: readonly number[], sizeMm: readonly number[], into: number[]): void {
  for (const x of [-1, 1])
    for (const y of [-1, 1])
      for (const z of [-1, 1])
        into.push(...[x, y, z].map((sign, axis) => middle[axis] + (sign * sizeMm[axis]) / 2))
}

/** A wheel goes with what its leg is mounted on. */
function holdsWheel(gear: readonly Leg[], wheel: Piece, at: Holder): string {
  const { xMm, yMm, zMm } = gear.find(leg => isWheelOf(leg, wheel))!
  return at.place(xMm, wheel.side === 'port' ? -yMm : yMm, zMm)
}

/** From its mount to the far side of its wheel. */
function legPoints(leg: Leg, node: (side: 1 | -1) => number[]): void {
  for (const side of leg.pair ? ([1, -1] as const) : ([1] as const)) {
    const into = node(side)
    corners([leg.xMm, side * leg.yMm, leg.zMm], [leg.mount.lengthMm, leg.mount.widthMm, 0], into)
    const axle = [leg.xMm, side * (leg.yMm + leg.splayMm), leg.zMm - leg.dropMm]
    corners(axle, [leg.wheelMm, Math.max(leg.thicknessMm, WHEEL_WIDE * leg.wheelMm), leg.wheelMm], into)
  }
}
/** Wheels are about so wide for their diameter. */
const WHEEL_WIDE = 0.3

type Part = Omit<Carried, 'name'> & { stretches: readonly Stretch[] }

function partOf(
  ids: readonly string[],
  all: readonly Stretch[],
  points: ReadonlyMap<string, readonly number[]>,
  skins: ReadonlyMap<string, readonly Float64Array[]>,
  marks: ReadonlyMap<string, readonly string[]>,
): Part {
  const stretches = all.filter(item => ids.includes(item.id))
  return {
    id: stretches[0]?.id ?? ids[0],
    stretches,
    marks: stretches.flatMap(item => marks.get(item.id)!),
    sizeMm: closeBox(
      ids.flatMap(id => points.get(id) ?? []).join(' '),
      ...ids.flatMap(id => skins.get(id) ?? []),
    ),
  }
}

/** By what a part is of; where several are of the same, by their side and their first piece. */
function named(parts: readonly Part[], kind: Tail['kind']): Carried[] {
  const base = parts.map(({ stretches }) => {
    const of = (part: Stretch['part']) => stretches.filter(item => item.part === part)
    const wing = [...of('wing'), ...of('second'), ...of('winglet')],
      tail = [...of('horizontal'), ...of('vertical')]
    const sides = new Set(wing.map(item => item.side))
    const wingName = sides.size === 1 ? `Wing, ${[...sides][0]}` : 'Wing'
    const list = [
      ...(of('body').length ? ['Body'] : []),
      ...(wing.length ? [wingName] : []),
      ...(tail.length
        ? [wing.length + of('body').length ? 'Tail' : tailName(of('horizontal'), of('vertical'), kind)]
        : []),
    ]
    return list.length ? list.map((item, i) => (i ? item.toLowerCase() : item)).join(' and ') : 'Boom'
  })
  return parts.map(({ stretches: _, ...part }, i) => ({
    ...part,
    name:
      base.filter(item => item === base[i]).length > 1 && part.marks.length
        ? `${base[i]}, from ${part.marks[0]}`
        : base[i],
  }))
}

const FLAT_NAMES: Partial<Record<Tail['kind'], string>> = { V: 'V-tail', canard: 'Canard' }

/** Of one of its surfaces it has the name of that. */
function tailName(flat: readonly Stretch[], upright: readonly Stretch[], kind: Tail['kind']): string {
  if (flat.length && upright.length) return 'Tail'
  const name = flat.length ? (FLAT_NAMES[kind] ?? 'Tailplane') : 'Fin'
  const sides = new Set([...flat, ...upright].map(item => item.side))
  return sides.size === 1 && !sides.has('centre') ? `${name}, ${[...sides][0]}` : name
}

/** What is pulled out or off for the way: spars that are not glued, propellers. */
function beside({ spars, doc }: Designed): Carried[] {
  const pulled = SURFACE_NAMES.flatMap(name =>
    (spars[name] ?? []).filter(line => line.spar.fixing === 'removable'),
  )
  const blades = doc.equipment.filter(item => item.kind === 'propeller')
  const both = (pair: boolean) => (pair ? ['-starboard', '-port'] : [''])
  return [
    ...pulled.flatMap(({ spar, stock, from, to }) => {
      const twin = !spar.through && surfaceOf(doc, spar.surface)?.mirror !== false
      return both(twin).map(side => ({
        id: `spar/${spar.id}${side}`,
        name: spar.name,
        marks: [],
        sizeMm: sorted([spar.through ? 2 * to : to - from, stock.widthMm, stock.heightMm]),
      }))
    }),
    ...blades.flatMap(item =>
      both(item.pair).map(side => ({
        id: `propeller/${item.id}${side}`,
        name: item.name,
        marks: [],
        sizeMm: sorted(item.sizeMm),
      })),
    ),
  ]
}
const sorted = (sides: readonly number[]) => [...sides].sort((a, b) => b - a) as [number, number, number]
