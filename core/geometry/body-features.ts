/**
 * What a body has besides its skin: cavity, firewall, openings with lids, the boom's socket, the wing's seat.
 * mm
 */
import type { Body, Boom, Cut, Opening, Recipe, Saddle } from '../document'
import { bodySkinAt, type BodyLoft } from './body-loft'
import { ductFeatures, type DuctLoft } from './duct'
import { counterClockwise, cut, fill, rectangle, type Feature } from './feature'
import { bodyJoint, cavity, openShell, shellThickness, wingBolt, type JointPlan } from './joints'
import { circle, insetVertices } from './polygon'
import { slotFeatures, type Slot } from './slots'
import { gapAt, type SurfaceLoft } from './surface-loft'

export interface BoomSeat {
  boom: Boom
  diameter: number
  clearance: number
}
/** The wing's root as the body sees it: its section, and where it lies. */
export interface WingSeat {
  outline: Float64Array
  lead: number
  chord: number
  n: number
  z: number
}
/** A hole right across the body for a spar in one piece or the pivot of an all-moving tail. mm */
export interface CrossHole {
  name: string
  x: number
  z: number
  radius: number
}
export interface BodyParts {
  loft: BodyLoft
  body: Body
  boom: BoomSeat | null
  wing: WingSeat | null
  crossings: readonly CrossHole[]
  /** A tube: open at both ends, hollow whatever the school. */
  open?: boolean
  /** For tails of sheet. */
  slots?: readonly Slot[]
  /** A way for air right through it. */
  duct?: DuctLoft | null
}

export const wingSeat = ({ stations: [root], origin }: SurfaceLoft): WingSeat => ({
  outline: root.outline,
  lead: root.lead,
  chord: root.chord,
  n: root.n,
  z: origin[2],
})

/** Thickness of the bulkhead at the boom's front end, mm. */
const BULKHEAD = 3
/** Lids are smaller than their openings by this all round, mm. */
export const LID_GAP = 0.3

/** Thickness of the closed front end: the firewall, or the base layers of the first zone. */
const frontThickness = (body: Body, recipe: Recipe): number =>
  body.firewall?.thicknessMm ?? recipe.baseLayers * recipe.layerHeightMm

/** Cavity and fills of one piece between `from` and `to`; joints at either end shape the cavity there. */
export function bodyPieceFeatures(
  { loft, body, boom, wing, crossings, open = false, slots = [], duct = null }: BodyParts,
  from: number,
  to: number,
  recipe: Recipe,
  foot: JointPlan | null,
  head: (JointPlan & { cavityTo: number }) | null,
): Feature[] {
  const shell = open ? openShell(recipe) : shellThickness(recipe)
  const features: Feature[] = []
  if (shell !== null) {
    const start = from <= loft.from + 1e-6 && !open ? from + frontThickness(body, recipe) : from
    const end =
      to >= loft.to - 1e-6 && !open
        ? to - recipe.topLayers * recipe.layerHeightMm
        : Math.min(to, head?.cavityTo ?? to)
    if (end - start > 1) features.push(...cavity(loft, start, end, shell))
    if (boom) features.push(...socketFills(boom, loft, recipe))
  }
  features.push(...(foot?.above ?? []), ...(head?.below ?? []))
  if (wing && body.saddle) features.push(...saddleFeatures(loft, wing, body.saddle))
  if (body.firewall) features.push(...firewallHoles(loft, body.firewall))
  if (boom) {
    const hole = circle(0, boom.boom.zMm, boom.diameter / 2 + boom.clearance, false)
    features.push(cut('Boom', boom.boom.fromMm, boom.boom.toMm, hole, hole))
  }
  features.push(
    ...crossings
      .filter(hole => hole.x + hole.radius > loft.from && hole.x - hole.radius < loft.to)
      .flatMap(crossHole),
  )
  features.push(...body.openings.map(opening => openingFeature(loft, opening)))
  features.push(...slots.flatMap(slotFeatures))
  // Last: nothing that is put into the body stands in the air's way.
  if (duct) features.push(...ductFeatures(duct, from, to, openShell(recipe)))
  return features.filter(feature => feature.to > from + 1e-6 && feature.from < to + (head?.proud ?? 0) - 1e-6)
}

/** A ring round the boom with four ribs at the body's rear, and a bulkhead at the boom's front end. */
function socketFills({ boom, diameter, clearance }: BoomSeat, loft: BodyLoft, recipe: Recipe): Feature[] {
  const w = recipe.beadWidthMm,
    z = boom.zMm
  const from = Math.max(boom.fromMm, loft.to - boom.socketMm)
  const ring = circle(0, z, diameter / 2 + clearance + 2 * w, false)
  const socket =
    boom.socketMm > 0 && from < loft.to - 1
      ? [
          fill('Socket', from, loft.to, ring),
          fill('Rib', from, loft.to, rectangle(-300, z - w, 300, z + w)),
          fill('Rib', from, loft.to, rectangle(-w, z - 300, w, z + 300)),
        ]
      : []
  const bulkhead =
    boom.fromMm > loft.from && boom.fromMm + BULKHEAD < from
      ? [fill('Bulkhead', boom.fromMm, boom.fromMm + BULKHEAD, rectangle(-400, -2000, 400, 4000))]
      : []
  return [...socket, ...bulkhead]
}

/** Air round a plate that is put into a shell, mm. */
const PLATE_AIR = 0.3

/** What fits inside the shell at x; null where it is filled through, or nothing is left. */
export function platePlan(loft: BodyLoft, x: number, recipe: Recipe): Float64Array | null {
  const shell = shellThickness(recipe)
  const { width, height } = loft.at(x)
  if (shell === null || Math.min(width, height) <= 2 * (shell + PLATE_AIR) + 1) return null
  return insetVertices(bodySkinAt(loft, x), shell + PLATE_AIR)
}

function firewallHoles(loft: BodyLoft, wall: NonNullable<Body['firewall']>): Feature[] {
  const { z } = loft.at(loft.from)
  const hole = (name: string, y: number, dz: number, diameter: number) => {
    const outline = circle(y, z + dz, diameter / 2, false, 16)
    return cut(name, loft.from - 1, loft.from + wall.thicknessMm + 0.01, outline, outline)
  }
  const bolts = Array.from({ length: wall.bolts }, (_, i) => {
    const angle = (2 * Math.PI * (i + 0.5)) / wall.bolts
    return hole(
      'Motor bolt',
      (wall.boltCircleMm / 2) * Math.cos(angle),
      (wall.boltCircleMm / 2) * Math.sin(angle),
      wall.boltMm,
    )
  })
  return wall.shaftMm > 0 ? [hole('Motor shaft', 0, 0, wall.shaftMm), ...bolts] : bolts
}

function openingFeature(loft: BodyLoft, { name, side, fromMm, toMm, widthMm }: Opening): Feature {
  const box = (x: number) => {
    const { z } = loft.at(Math.min(loft.to, Math.max(loft.from, x))),
      half = widthMm / 2
    if (side === 'top') return rectangle(-half, z, half, z + 800)
    if (side === 'bottom') return rectangle(-half, z - 800, half, z)
    return side === 'starboard'
      ? rectangle(0, z - half, 800, z + half)
      : rectangle(-800, z - half, 0, z + half)
  }
  return cut(name, fromMm, toMm, box(fromMm), box(toMm))
}

/** Slabs along the body whose heights follow the circle: twelve sides. */
const HOLE_SIDES = 12
function crossHole({ name, x, z, radius }: CrossHole): Feature[] {
  const ends = Array.from(
    { length: HOLE_SIDES / 2 + 1 },
    (_, i) => -Math.cos((2 * Math.PI * i) / HOLE_SIDES) * radius,
  )
  const slab = (at: number) => {
    // A slab of no height at all would be no solid.
    const half = Math.max(0.02, Math.sqrt(Math.max(0, radius * radius - at * at)))
    return rectangle(-600, z - half, 600, z + half)
  }
  return ends.slice(1).map((end, i) => cut(name, x + ends[i], x + end, slab(ends[i]), slab(end)))
}

const LID_POINTS = 11

/**
 * Section of an opening's lid at x: the shell's own arc, narrower by the gap. Null where the opening is wider
 * than the body.
 */
export function lidOutline(
  loft: BodyLoft,
  { side, widthMm }: Opening,
  shell: number,
  x: number,
): Float64Array | null {
  const outer = bodySkinAt(loft, x),
    inner = insetVertices(outer, shell)
  const flip = side === 'top' || side === 'bottom'
  // Seen so that the lid lies on top: along runs across it, height away from the axis.
  const seen = (loop: Float64Array) =>
    Float64Array.from(loop, (_, i) => (flip ? loop[i] : i % 2 === 0 ? loop[i + 1] : loop[i - 1]))
  const high = side === 'top' || side === 'starboard'
  const half = widthMm / 2 - LID_GAP,
    centre = flip ? 0 : loft.at(x).z
  const [out, inn] = [seen(outer), seen(inner)]
  const points: number[] = []
  for (const [loop, way] of [
    [out, -1],
    [inn, 1],
  ] as const) {
    for (let i = 0; i < LID_POINTS; i++) {
      const along = centre + way * half * ((2 * i) / (LID_POINTS - 1) - 1)
      const gap = gapAt(loop, along)
      if (!gap) return null
      const height = high ? gap.upper : gap.lower
      points.push(...(flip ? [along, height] : [height, along]))
    }
  }
  return counterClockwise(Float64Array.from(points))
}

/** The seat's own line on the body: the skin beyond it, on the side that the wing lies on, is cut away. mm */
export interface SeatLine {
  /** Does the wing sit on top of the body, rather than under it? */
  high: boolean
  /** Along the body, air before and behind the wing with it. */
  from: number
  to: number
  /** Its height, air under the wing with it. */
  at(x: number): number
}

export function seatLine(
  loft: BodyLoft,
  wing: WingSeat,
  { clearanceMm }: Pick<Saddle, 'clearanceMm'>,
): SeatLine {
  const { outline, lead, chord } = wing
  const middle = loft.at(Math.min(loft.to, Math.max(loft.from, lead + chord / 2))).z
  const high = wing.z + wing.n >= middle
  return {
    high,
    from: lead - clearanceMm,
    to: lead + chord + clearanceMm,
    at(x) {
      const gap = gapAt(outline, Math.min(lead + chord * 0.999, Math.max(lead + chord * 0.001, x)))
      const n = gap ? (high ? gap.lower : gap.upper) : outline[1]
      return wing.z + n + (high ? -clearanceMm : clearanceMm)
    },
  }
}

/** Chord shares at which bolts stand: one behind the middle, or one at each end. */
const BOLT_SHARES = [[], [0.6], [0.12, 0.82], [0.12, 0.5, 0.82], [0.12, 0.35, 0.6, 0.82]]
export const wingBoltPlaces = (wing: Pick<WingSeat, 'lead' | 'chord'>, bolts: number): number[] =>
  BOLT_SHARES[bolts].map(share => wing.lead + share * wing.chord)

/**
 * The body is cut away above (or below) the root section, extruded across it; cross beams with holes take the
 * bolts.
 */
function saddleFeatures(loft: BodyLoft, wing: WingSeat, saddle: Saddle): Feature[] {
  const { lead, chord } = wing,
    { bolts, boltMm } = saddle
  const { high, from, to, at: seat } = seatLine(loft, wing, saddle)
  const box = (x: number) =>
    high ? rectangle(-600, seat(x), 600, seat(x) + 1200) : rectangle(-600, seat(x) - 1200, 600, seat(x))
  const shares = [0, 0.02, 0.06, 0.12, 0.2, 0.35, 0.5, 0.65, 0.8, 0.9, 1]
  const xs = [from, ...shares.slice(1, -1).map(share => lead + share * chord), to]
  const bolt = wingBolt(boltMm)
  const bosses = wingBoltPlaces(wing, bolts).flatMap(x => {
    const z = seat(x)
    // A beam right across, so that the bolt pulls on both sides of the shell.
    const block = high ? rectangle(-600, z - bolt.beam, 600, z) : rectangle(-600, z, 600, z + bolt.beam)
    const hole = rectangle(-bolt.hole / 2, z - 1.625 * bolt.beam, bolt.hole / 2, z + 1.625 * bolt.beam)
    return [
      fill('Wing bolt', x - bolt.boss / 2, x + bolt.boss / 2, block),
      cut('Wing bolt', x - bolt.hole / 2, x + bolt.hole / 2, hole, hole),
    ]
  })
  return [...bosses, ...xs.slice(1).map((end, i) => cut('Saddle', xs[i], end, box(xs[i]), box(end)))]
}

export const bodyJoints = (
  loft: BodyLoft,
  cuts: readonly Cut[],
  recipeOf: (x: number) => Recipe,
): Array<JointPlan & { cavityTo: number }> =>
  cuts.map(item => bodyJoint(loft, item, recipeOf(item.atMm - 0.01), recipeOf(item.atMm + 0.01)))
