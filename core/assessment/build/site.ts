/** The airframe as a builder sees it: chains of pieces, spars through them, what goes in and how it gets in. mm */
import {
  controlsOf,
  type Control,
  type Equipment,
  type ProjectFile,
  type SurfaceName,
  SURFACE_NAMES,
} from '../../document'
import {
  ALL_MOVING,
  hingedControls,
  toSurface,
  type HingedControl,
  type Piece,
  type SparLine,
} from '../../geometry'
import { halvesPart, wingComesOff, type Airframe } from '../resolve'
import type { Bench, Side } from './step'

/** Fixed pieces of one side of a surface, or of the body, from the root or the nose outward. */
export interface Chain {
  part: SurfaceName | 'body'
  side: Side
  bench: Bench
  pieces: readonly Piece[]
}

export interface Moving {
  chain: Chain
  control: Control
  hinged: HingedControl
  pieces: readonly Piece[]
  /** First and last fixed piece of the chain that it runs along. */
  along: readonly [number, number]
  /** One servo moves both halves of a tail: a wire joins them, and one rod and horn serve. */
  joined: boolean
}

/** A spar on one side. */
export interface LaidSpar {
  chain: Chain
  line: SparLine
  /** First and last piece that it runs in; null where it lies in none. */
  runs: readonly [number, number] | null
  /** Neither end reaches an open face, and no joint of its chain is crossed: it cannot be put in. */
  shutIn: boolean
}

/** How something gets to its place inside the body. */
export interface Access {
  item: Equipment
  /** Piece of the body that it lies in. */
  piece: number
  /** Hatch, or the wing's seat, that it goes through; null where it must go in through an open end. */
  through: string | null
  /** That is the seat of a wing that is glued on: shut for good afterwards. */
  beforeWing: boolean
  /** Nor is there an open end at any time. */
  shutIn: boolean
}

/** In a bay of a surface, with the number of pieces between it and the root. */
export interface Pocket {
  item: Equipment
  chain: Chain
  piece: number
  /** A run for its lead is there. */
  run: boolean
}

export interface Site {
  airframe: Airframe
  doc: ProjectFile
  chains: readonly Chain[]
  body: Chain | null
  moving: readonly Moving[]
  spars: readonly LaidSpar[]
  access: readonly Access[]
  pockets: readonly Pocket[]
  /** Stands free: no body round it and no bay in a surface. */
  loose: readonly Equipment[]
  /** The halves of the wing come apart at the field. */
  comesApart: boolean
  /** The wing comes off the body. */
  wingOff: boolean
}

/** Two fingers reach so far past the rim of a hatch, mm. */
export const REACH = 80
/** A spar's end within this of a face is open there, mm. */
const OPEN = 1.5

const benchOf = (part: SurfaceName | 'body', side: Side, canard: boolean): Bench => {
  if (part === 'body') return 'body'
  if (part !== 'wing' && part !== 'second' && part !== 'winglet')
    return canard && part === 'horizontal' ? 'body' : 'tail'
  return side === 'centre' ? 'whole' : side
}

export function siteOf(airframe: Airframe): Site {
  const { doc, pieces, surfaces, spars } = airframe
  const canard = doc.tail.kind === 'canard'
  const chains: Chain[] = []
  for (const part of [...SURFACE_NAMES, 'body'] as const)
    for (const side of ['starboard', 'port', 'centre'] as const) {
      const own = pieces
        .filter(piece => piece.part === part && piece.side === side && piece.kind === 'fixed')
        .sort((a, b) => a.from - b.from)
      if (own.length) chains.push({ part, side, bench: benchOf(part, side, canard), pieces: own })
    }
  const body = chains.find(chain => chain.part === 'body') ?? null
  const indexAt = (chain: Chain, at: number) => {
    const i = chain.pieces.findIndex(piece => at < piece.to)
    return i < 0 ? chain.pieces.length - 1 : i
  }
  const moving = chains.flatMap((chain): Moving[] => {
    if (chain.part === 'body') return []
    const name = chain.part
    return hingedControls(surfaces[name]!, controlsOf(doc, name)).flatMap((hinged): Moving[] => {
      const prefix = `${name}-moving-${hinged.control.piece}`
      const own = pieces
        .filter(
          piece =>
            piece.kind === 'moving' &&
            piece.part === name &&
            piece.side === chain.side &&
            (piece.id === prefix || piece.id.startsWith(`${prefix}-`)),
        )
        .sort((a, b) => a.from - b.from)
      if (own.length === 0) return []
      const along = [indexAt(chain, hinged.from + 0.01), indexAt(chain, hinged.to - 0.01)] as const
      const { control } = hinged
      const joined =
        name !== 'wing' &&
        name !== 'second' &&
        chain.side !== 'centre' &&
        control.kind !== 'ruddervator' &&
        !doc.equipment.some(item => item.id === control.linkage?.servo && item.pair)
      return [{ chain, control, hinged, pieces: own, along, joined }]
    })
  })
  const laid = chains.flatMap((chain): LaidSpar[] => {
    if (chain.part === 'body') return []
    return (spars[chain.part] ?? []).map((line): LaidSpar => {
      const inside = chain.pieces.flatMap((piece, i) =>
        line.to > piece.from + OPEN && line.from < piece.to - OPEN ? [i] : [],
      )
      if (inside.length === 0) return { chain, line, runs: null, shutIn: false }
      const runs = [inside[0], inside[inside.length - 1]] as const
      const foot = chain.pieces[runs[0]],
        head = chain.pieces[runs[1]]
      const open = line.from <= foot.from + OPEN || line.to >= head.to - OPEN
      return { chain, line, runs, shutIn: runs[0] === runs[1] && !open }
    })
  })
  const pockets: Pocket[] = [],
    access: Access[] = [],
    loose: Equipment[] = []
  for (const item of doc.equipment) {
    const own = item.pocket
      ? chains.filter(
          chain =>
            chain.part === item.pocket!.surface &&
            (item.pair || chain.side === 'centre' || (chain.side === 'port') === item.yMm < 0),
        )
      : []
    if (own.length) {
      for (const chain of own) {
        const { s } = toSurface(surfaces[chain.part as SurfaceName]!, item.xMm, Math.abs(item.yMm), item.zMm)
        pockets.push({ item, chain, piece: indexAt(chain, s), run: item.pocket!.cableMm > 0 })
      }
      continue
    }
    const inBody =
      body &&
      item.kind !== 'motor' &&
      item.kind !== 'propeller' &&
      item.xMm > body.pieces[0].from &&
      item.xMm < body.pieces[body.pieces.length - 1].to
    if (inBody) access.push(accessOf(airframe, body, item, indexAt(body, item.xMm)))
    else loose.push(item)
  }
  return {
    airframe,
    doc,
    chains,
    body,
    moving,
    spars: laid,
    access,
    pockets,
    loose,
    comesApart: halvesPart(airframe),
    wingOff: wingComesOff(airframe),
  }
}

/** Whether a box goes through a hole, lengthwise if it must: its two smaller sides against the hole's. */
function passes(item: Equipment, lengthMm: number, widthMm: number): boolean {
  const [small, middle] = [...item.sizeMm].sort((a, b) => a - b)
  return small <= Math.min(lengthMm, widthMm) && middle <= Math.max(lengthMm, widthMm)
}

function accessOf({ doc, body: loft, wing }: Airframe, body: Chain, item: Equipment, piece: number): Access {
  const from = item.xMm - item.sizeMm[0] / 2,
    to = item.xMm + item.sizeMm[0] / 2
  const near = (a: number, b: number) => from < b + REACH && to > a - REACH
  const holes = (doc.body?.openings ?? []).map(opening => ({
    name: opening.name,
    fromMm: opening.fromMm,
    toMm: opening.toMm,
    widthMm: opening.widthMm,
    beforeWing: false,
  }))
  if (doc.body?.saddle && loft) {
    const { lead, chord } = wing.stations[0]
    const middle = Math.min(loft.to, Math.max(loft.from, lead + chord / 2))
    holes.push({
      name: "the wing's seat",
      fromMm: lead,
      toMm: lead + chord,
      widthMm: 0.7 * loft.at(middle).width,
      beforeWing: doc.body.saddle.bolts === 0,
    })
  }
  const hole = holes.find(
    ({ fromMm, toMm, widthMm }) => near(fromMm, toMm) && passes(item, toMm - fromMm, widthMm),
  )
  // The first and the last piece are closed towards nose and tail.
  return {
    item,
    piece,
    through: hole?.name ?? null,
    beforeWing: hole?.beforeWing ?? false,
    shutIn: !hole && body.pieces.length === 1,
  }
}

/** A control whose whole surface moves has no pieces of its own. */
export const pivots = (control: Control): boolean => control.chordShare >= ALL_MOVING
