/**
 * Slots in a body for tails of flat sheet, which are pushed in: the shape of the root, with air round it, from the middle
 * of the body out through its skin. mm
 */
import { bodySkinAt, type BodyLoft } from './body-loft'
import { cut, type Feature } from './feature'
import { holdsPoint } from './polygon'
import { gapAt, type SurfaceLoft } from './surface-loft'

/** Air all round, so that a sheet can be pushed in. */
export const SLOT_AIR = 0.2
/** Out through any skin. */
const FAR = 1200
/** Places along the chord between which a slot's sides run straight: close where a rounded nose is. */
const SHARES = [0, 0.02, 0.06, 0.12, 0.2, 0.35, 0.5, 0.65, 0.8, 0.9, 0.98, 1]
/** So much of the root's chord at least lies in the body. */
const LEAST_IN = 0.5
/** Where that is looked at. */
const LOOKS = 40

/** What of a root shapes its slot. */
export interface SlotRoot {
  name: string
  outline: Float64Array
  lead: number
  chord: number
  origin: readonly [x: number, y: number, z: number]
  cant: number
  mirror: boolean
}

export const slotRoot = ({ label, stations: [root], origin, cant, mirror }: SurfaceLoft): SlotRoot => ({
  name: label,
  outline: root.outline,
  lead: root.lead,
  chord: root.chord,
  origin,
  cant,
  mirror,
})

/** How much of the chord lies within the body's skin at the root, 0 to 1. */
export function shareInBody({ lead, chord, origin: [, y, z] }: SlotRoot, body: BodyLoft): number {
  let inside = 0
  for (let i = 0; i < LOOKS; i++) {
    const x = lead + (chord * (i + 0.5)) / LOOKS
    if (x > body.from && x < body.to && holdsPoint(bodySkinAt(body, x), y, z)) inside++
  }
  return inside / LOOKS
}

/** Is there enough of the body round it for a slot that holds it? */
export const holdsInSlot = (root: SlotRoot, body: BodyLoft): boolean => shareInBody(root, body) >= LEAST_IN

export interface Slot {
  name: string
  from: number
  to: number
  /** Places along the body between which its sides run straight. */
  places: readonly number[]
  /** Outlines at x, counter-clockwise: one, or starboard and port; none before and behind it. */
  outlinesAt(x: number): Float64Array[]
}

export function slotOf({ name, outline, lead, chord, origin, cant, mirror }: SlotRoot): Slot {
  const from = lead - SLOT_AIR,
    to = lead + chord + SLOT_AIR
  const places = [from, ...SHARES.slice(1, -1).map(share => lead + share * chord), to]
  const [c, s] = [Math.cos(cant), Math.sin(cant)]
  // A half is pushed in as far as the middle; what stands upright as deep as its root is drawn.
  const inner = mirror && c > 0.2 ? -origin[1] / c : 0
  const at = (x: number): Float64Array => {
    const gap = gapAt(outline, Math.min(lead + chord * 0.999, Math.max(lead + chord * 0.001, x)))
    const [low, high] = gap ? [gap.lower - SLOT_AIR, gap.upper + SLOT_AIR] : [-SLOT_AIR, SLOT_AIR]
    const corner = (along: number, n: number): [number, number] => [
      origin[1] + along * c - n * s,
      origin[2] + along * s + n * c,
    ]
    return Float64Array.from([
      ...corner(inner, low),
      ...corner(FAR, low),
      ...corner(FAR, high),
      ...corner(inner, high),
    ])
  }
  const sides = (own: Float64Array): Float64Array[] => {
    if (!mirror) return [own]
    // The other way about, so that it still runs counter-clockwise.
    const port = Float64Array.from(own, (_, k) => {
      const from = own.length - 2 - 2 * Math.floor(k / 2)
      return k % 2 === 0 ? -own[from] : own[from + 1]
    })
    return [own, port]
  }
  return {
    name,
    from,
    to,
    places,
    outlinesAt(x) {
      if (x <= from || x >= to) return []
      let i = 0
      while (i < places.length - 2 && x > places[i + 1]) i++
      const t = (x - places[i]) / (places[i + 1] - places[i])
      const [a, b] = [at(places[i]), at(places[i + 1])]
      return sides(a.map((value, k) => value + (b[k] - value) * t))
    },
  }
}

/** What is cut out of a body for it. */
export const slotFeatures = (slot: Slot): Feature[] => {
  const inside = (x: number) => Math.min(slot.to - 1e-6, Math.max(slot.from + 1e-6, x))
  return slot.places.slice(1).flatMap((to, i) => {
    const from = slot.places[i]
    const [a, b] = [slot.outlinesAt(inside(from)), slot.outlinesAt(inside(to))]
    return a.map((outline, side) => cut(`Slot, ${slot.name}`, from, to, outline, b[side]))
  })
}
