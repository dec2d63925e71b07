/** What sizing turns: the few figures that a layout is drawn from. */
import type { Kit } from './kit'
import type { Purpose } from './purposes'
import type { Wishes } from './wishes'

export interface Sketch {
  /** Of the wing, mm². */
  areaMm2: number
  aspect: number
  /** From the nose datum to the wing's leading edge, mm; of a flying wing unused. */
  noseMm: number
  /** Leading edge swept back, °; of a flying wing. */
  sweepDeg: number
  /** Tail arm over mean chord. */
  arm: number
  /** Of the tailplane, °. */
  tailDeg: number
  /** Share of the usual fin. */
  fin: number
  washoutDeg: number
  dihedralDeg: number
  /** Stock by id. */
  spar: string
  joiner: string
  boom: string
  /** Main spar's end over the half span. */
  reach: number
  bodyWalls: number
  firewallMm: number
  bolts: number
  /** Wire of the legs, mm. */
  legMm: number
  /** Distance of lanes of webs in the wing, mm. */
  webMm: number
  kit: Kit
}

export interface Draft {
  wishes: Wishes
  purpose: Purpose
  sketch: Sketch
  /** Filaments by what they are for; the same where only one is at hand. */
  light: string
  tough: string
}

/** Half millimetres, as people draw. */
export const half = (value: number): number => Math.round(2 * value) / 2
export const whole = (value: number): number => Math.round(value)
