/** Where a section has room for the slits of webs, and what they add to its beads. mm, in the section's plane. */
import { boxOf, boxOfAll } from './feature'
import { crossings } from './crossings'
import type { Section } from './piece'
import { polygonArea } from './polygon'
import { clearance, wanderOf, webMargin, webPeriod, webSwing, type WebPattern } from './web-pattern'

/** A slit is opened this far past the skin, so that no film is left on it. */
const PAST = 1

/** Walls of a notch: a skin that is this steep beside a slit is none that a web can begin at. */
const STEEPEST = 4

/** A web is looked at this often along the height that a section stands for, and no more often. */
const WEB_STEP = 2.5,
  MOST_STEPS = 16

export interface Slit {
  x: number
  /** Open end, past the skin, and blind end. */
  open: number
  end: number
}

/**
 * A web's slit at x, from the upper or the lower skin; null where there is no room for one. Whatever lies within
 * `wander` beside it ends it too: there the web will be before its next height is looked at.
 */
function blindSlit(
  section: Section,
  x: number,
  upper: boolean,
  pattern: WebPattern,
  wander = 0,
): Slit | null {
  const margin = webMargin(pattern),
    half = pattern.slitMm / 2 + margin + wander
  const here = crossings(section, x)
  if (here.length < 2) return null
  // Of the stretch that the slit runs in: where it opens, and where it must have ended.
  const open = upper ? here[here.length - 1] : here[0]
  let far = upper ? here[here.length - 2] : here[1]
  const way = upper ? -1 : 1
  let rise = 0
  for (const side of [-half, half]) {
    const beside = crossings(section, x + side)
    if (beside.length < 2) return null
    const skin = upper ? beside[beside.length - 1] : beside[0]
    const below = upper ? beside[beside.length - 2] : beside[1]
    if (Math.abs(skin - open) > STEEPEST * half) return null
    // What lies beside it, a bore or a bay, ends it as what lies before it does.
    if ((below - far) * way < 0 && Math.abs(below - far) > STEEPEST * half) far = below
    else rise = Math.max(rise, Math.abs(below - far) / half)
  }
  const end = far - way * margin * Math.sqrt(1 + Math.min(rise, STEEPEST) ** 2)
  if ((end - open) * way <= 0) return null
  return { x, open: open - way * PAST, end }
}

const depthOf = ({ open, end }: Slit): number => Math.abs(end - open) - PAST

/** Slits on which a hole hangs: down into the plastic's end below it, and up to a bead short of what lies above. */
export function hangingSlits(section: Section, hole: Float64Array, pattern: WebPattern): Slit[] {
  const [x0, y0, x1, y1] = boxOf(hole)
  const x = (x0 + x1) / 2,
    here = crossings(section, x),
    middle = (y0 + y1) / 2
  const below = here.filter(y => y < middle - 1e-9),
    above = here.filter(y => y > middle + 1e-9)
  const slits: Slit[] = []
  if (below.length >= 2) slits.push({ x, open: below[below.length - 2] - pastInto(y1 - y0), end: middle })
  if (above.length >= 2) {
    const end = above[1] - webMargin(pattern)
    if (end - above[0] > 0) slits.push({ x, open: middle, end })
  }
  return slits
}

/** Into a hole below it, no further than through its wall; past the skin it does not matter. */
const pastInto = (height: number): number => Math.min(PAST, Math.max(0.05, height / 2))

export const holesOf = (section: Section): Float64Array[] => section.filter(loop => signedArea(loop) < 0)

const signedArea = (loop: Float64Array): number => polygonArea(loop).area

/** A triangle wave of period 1 between −1 and 1, rising through 0. */
const triangle = (t: number): number => {
  const part = t - Math.floor(t)
  return part < 0.25 ? 4 * part : part < 0.75 ? 2 - 4 * part : 4 * part - 4
}

/** Lanes that reach into [x0, x1]: number and middle. Even numbers open through the upper skin. */
function lanesOver(
  anchor: number,
  x0: number,
  x1: number,
  pattern: WebPattern,
): Array<{ lane: number; middle: number }> {
  const { pitchMm } = pattern,
    first = clearance(pattern) / 2,
    swing = webSwing(pattern)
  const lanes: Array<{ lane: number; middle: number }> = []
  for (let k = Math.max(0, Math.floor((x0 - anchor - first) / pitchMm - 1)); ; k++) {
    const middle = anchor + first + (k + 0.5) * pitchMm
    if (middle - swing > x1) break
    if (middle + swing >= x0) lanes.push({ lane: k, middle })
  }
  for (let k = Math.max(0, Math.floor((anchor - first - x1) / pitchMm - 1)); ; k++) {
    const middle = anchor - first - (k + 0.5) * pitchMm
    if (middle + swing < x0) break
    if (middle - swing <= x1) lanes.push({ lane: -1 - k, middle })
  }
  return lanes
}

const isUpper = (lane: number): boolean => lane % 2 === 0

/** The webs' slits at a height, by lane; those too shallow for a bead to turn in are left out. */
export function laneSlits(
  section: Section,
  holes: readonly Float64Array[],
  at: number,
  u: number,
  pattern: WebPattern,
  least = pattern.thickMm,
): Array<{ lane: number; slit: Slit }> {
  if (section.length === 0) return []
  const [x0, , x1] = boxOfAll(section)
  const swing = webSwing(pattern),
    clear = clearance(pattern),
    period = webPeriod(pattern),
    wander = wanderOf(pattern)
  const hung = holes.map(hole => {
    const [a, , b] = boxOf(hole)
    return (a + b) / 2
  })
  return lanesOver(at, x0, x1, pattern).flatMap(({ lane, middle }) => {
    const x = middle + (swing > 0 ? swing * triangle(u / period + lane / 2) : 0)
    if (hung.some(other => Math.abs(other - x) < clear + wander)) return []
    const slit = blindSlit(section, x, isUpper(lane), pattern, wander)
    return slit && depthOf(slit) >= least ? [{ lane, slit }] : []
  })
}

/** Every slit that a layer at u has, without its cuts being made: where the bead runs out, and how far. */
export function slitsAt(
  section: Section,
  at: number,
  u: number,
  pattern: WebPattern,
): Array<{ x: number; from: number; to: number }> {
  const holes = holesOf(section)
  return [
    ...laneSlits(section, holes, at, u, pattern).map(item => item.slit),
    ...holes.flatMap(hole => hangingSlits(section, hole, pattern)),
  ].map(slit => ({ x: slit.x, from: slit.open + Math.sign(slit.end - slit.open) * PAST, to: slit.end }))
}

export interface WebLengths {
  /** Bead that webs and hanging slits add to a layer, mm, in the mean over the heights that webs wander through. */
  length: number
  /** Σl·x, Σl·y (mm²), Σl·x², Σl·y², Σl·xy (mm³). */
  x: number
  y: number
  xx: number
  yy: number
  xy: number
}

/**
 * Bead that the webs add to a section, `walls` beads on either side of each slit. A slit of depth d adds 2d: its
 * sides, less what it takes out of the skin, which is as long as its end. A mean over the height (mm) that the section
 * at u stands for, through which webs wander.
 */
export function webLengths(
  section: Section,
  anchor: number,
  u: number,
  height: number,
  pattern: WebPattern,
  walls: number,
): WebLengths {
  const sum: WebLengths = { length: 0, x: 0, y: 0, xx: 0, yy: 0, xy: 0 }
  const add = (x: number, y0: number, y1: number, length: number) => {
    const y = (y0 + y1) / 2
    sum.length += length
    sum.x += length * x
    sum.y += length * y
    sum.xx += length * x * x
    sum.yy += length * (y * y + (y1 - y0) ** 2 / 12)
    sum.xy += length * x * y
  }
  const holes = holesOf(section)
  for (const hole of holes) {
    const [x0, y0, x1, y1] = boxOf(hole),
      x = (x0 + x1) / 2
    const here = crossings(section, x),
      middle = (y0 + y1) / 2
    const below = here.filter(y => y < middle - 1e-9),
      above = here.filter(y => y > middle + 1e-9)
    // Through: both sides, from the middle of one wall's bead to that of the other's, less what it takes from both.
    if (below.length >= 2) {
      const wall = below[below.length - 1] - below[below.length - 2]
      const length =
        2 * walls * (wall - pattern.thickMm) - 2 * walls * (pattern.slitMm + pattern.thickMm / walls)
      add(x, below[below.length - 2], below[below.length - 1], length)
    }
    if (above.length >= 2) {
      const depth = above[1] - webMargin(pattern) - above[0]
      if (depth > 0) add(x, above[0], above[0] + depth, 2 * walls * depth)
    }
  }
  const steps = Math.min(MOST_STEPS, Math.max(1, Math.ceil(height / WEB_STEP)))
  for (let k = 0; k < steps; k++) {
    const at = u + ((k + 0.5) / steps - 0.5) * height
    for (const { slit } of laneSlits(section, holes, anchor, at, pattern, 0)) {
      const depth = depthOf(slit)
      // One too shallow to lay is left out; it comes in evenly.
      const laid = Math.min(1, Math.max(0, depth / pattern.thickMm - 0.5))
      const way = Math.sign(slit.end - slit.open)
      add(slit.x, slit.open + way * PAST, slit.end, (2 * walls * depth * laid) / steps)
    }
  }
  return sum
}
