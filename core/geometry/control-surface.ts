/**
 * Control surfaces cut out of a lifting surface: the gap, the nose of the moving part, and slots for its
 * hinges. mm
 */
import type { Control } from '../document'
import { cut, cutBehind, rectangle, type Feature } from './feature'
import { gapAt, outlineAt, planAt, type SurfaceLoft } from './surface-loft'

/** A share of the chord from which a whole surface moves: nothing is cut. */
export const ALL_MOVING = 0.95
/** A moving part narrower than this at either end is not made: nothing of it would hold a hinge, mm. */
export const NARROWEST = 8
/** The moving part's ends stand clear of the wing by this, mm. */
export const END_GAP = 0.6
/** Rotation kept free beyond the greatest throw, rad. */
const SPARE = (5 * Math.PI) / 180

/** Slot for one hinge: thickness, width along the span and depth into each face, mm. */
export const HINGE_SLOTS: Record<
  Control['hinge']['kind'],
  { thickness: number; width: number; depth: number } | null
> = {
  'bought-strip': { thickness: 0.6, width: 14, depth: 9 },
  'printed-strip': { thickness: 1, width: 16, depth: 9 },
  pins: { thickness: 2.2, width: 2.2, depth: 12 },
  tape: null,
}

/** What of a control is cut out of its surface. */
export type CutControl = Omit<Control, 'linkage'>

export interface HingedControl<C extends CutControl = CutControl> {
  control: C
  from: number
  to: number
  /** Places of the hinges along the span. */
  hinges: number[]
  /** x of the hinge line at s. */
  hingeAt(s: number): number
}

export function hingedControl<C extends CutControl>(loft: SurfaceLoft, control: C): HingedControl<C> | null {
  if (
    control.chordShare >= ALL_MOVING ||
    control.chordShare < 0.05 ||
    control.toShare - control.fromShare < 0.02
  )
    return null
  const from = control.fromShare * loft.span
  // A rounded tip is no place for a hinge line: the moving part ends where it begins.
  const tipFrom = loft.stations.length > loft.ends.length ? loft.stations[loft.ends.length - 1].s : loft.span
  const to = Math.min(control.toShare * loft.span, tipFrom)
  if (
    to - from < 10 ||
    Math.min(planAt(loft, from).chord, planAt(loft, to).chord) * control.chordShare < NARROWEST
  )
    return null
  const { count } = control.hinge
  return {
    control,
    from,
    to,
    hinges: Array.from({ length: count }, (_, i) => from + ((to - from) * (i + 0.5)) / count),
    hingeAt: s => {
      const { lead, chord } = planAt(loft, s)
      return lead + (1 - control.chordShare) * chord
    },
  }
}

const breaksWithin = (loft: SurfaceLoft, from: number, to: number): number[] => [
  from,
  ...loft.stations.map(station => station.s).filter(s => s > from + 0.01 && s < to - 0.01),
  to,
]

/**
 * What the fixed surface loses: everything behind the gap over the control's span, and slots for the hinges.
 */
export function gapFeatures(loft: SurfaceLoft, hinged: HingedControl): Feature[] {
  const { control, hingeAt } = hinged
  // A control that runs to the surface's very end leaves no cheek there.
  const from = hinged.from < 1 ? -1 : hinged.from - END_GAP,
    to = hinged.to > loft.span - 1 ? loft.span + 1 : hinged.to + END_GAP
  const line = (s: number) => hingeAt(s) - control.hinge.gapMm / 2
  const far = (s: number) => planAt(loft, s).lead + planAt(loft, s).chord + 200
  const edges = breaksWithin(loft, from, to)
  return [
    ...edges
      .slice(1)
      .map((end, i) =>
        cutBehind(`${control.name}, gap`, edges[i], end, line(edges[i]), line(end), far(edges[i]), far(end)),
      ),
    ...slotFeatures(loft, hinged, -1),
  ]
}

/** Plastic wanted above and below a slot, mm. */
const SLOT_COVER = 0.4
const slotGap = (loft: SurfaceLoft, x: number, s: number): number => {
  const gap = gapAt(outlineAt(loft, s), x)
  return gap ? gap.upper - gap.lower : 0
}
/** Height to spare round the slot at the tightest hinge, mm; negative where a slot is left out. */
export const slotRoom = (loft: SurfaceLoft, { control, hinges, hingeAt }: HingedControl): number =>
  Math.min(
    ...hinges.map(
      s => slotGap(loft, hingeAt(s), s) - (HINGE_SLOTS[control.hinge.kind]?.thickness ?? 0) - 2 * SLOT_COVER,
    ),
  )

/** Slots of the hinges in the fixed part (`way` −1, forward of the line) or the moving one (+1). */
export function slotFeatures(
  loft: SurfaceLoft,
  { control, hinges, hingeAt }: HingedControl,
  way: 1 | -1,
): Feature[] {
  const slot = HINGE_SLOTS[control.hinge.kind]
  if (!slot) return []
  return hinges
    .filter(s => slotGap(loft, hingeAt(s), s) >= slot.thickness + 2 * SLOT_COVER)
    .map(s => {
      const x = hingeAt(s),
        gap = gapAt(outlineAt(loft, s), x)
      const n = gap ? (gap.lower + gap.upper) / 2 : 0
      const [x0, x1] = way < 0 ? [x - slot.depth, x + 3] : [x - 3, x + slot.depth]
      const box = rectangle(x0, n - slot.thickness / 2, x1, n + slot.thickness / 2)
      return cut(`${control.name}, hinge`, s - slot.width / 2, s + slot.width / 2, box, box)
    })
}

/** Points along each side of the moving part. */
const SIDE = 12

/**
 * Outline of the moving part at s, the same number of points everywhere. Its nose is a wedge about the hinge
 * line at half height, or slants down from the upper skin where tape hinges it, so that it turns through its
 * throw. Counter-clockwise.
 */
export function controlOutline(
  loft: SurfaceLoft,
  { control, hingeAt }: HingedControl,
  s: number,
): Float64Array {
  const whole = outlineAt(loft, s)
  const { chord } = planAt(loft, s)
  const front = hingeAt(s) + control.hinge.gapMm / 2
  // Twist moves the trailing edge off the untwisted chord's end.
  const rear = Math.min(whole[0], whole[whole.length - 2]) - 1e-6 * chord
  const atFront = gapAt(whole, front) ?? { lower: 0, upper: 0 }
  const height = atFront.upper - atFront.lower
  const tape = control.hinge.kind === 'tape'
  const turn = Math.tan(
    Math.min(
      1.2,
      ((tape ? control.throwDownDeg : Math.max(control.throwUpDeg, control.throwDownDeg)) * Math.PI) / 180 +
        SPARE,
    ),
  )
  const bevel = Math.min(0.6 * (rear - front), (tape ? height : height / 2) * turn)
  const upperFront = tape ? front : front + bevel,
    lowerFront = front + bevel
  const points: number[] = []
  const side = (from: number, to: number, upper: boolean) => {
    for (let i = 0; i < SIDE; i++) {
      const x = from + ((to - from) * i) / (SIDE - 1)
      const gap = gapAt(whole, x)
      points.push(x, gap ? (upper ? gap.upper : gap.lower) : whole[upper ? 1 : whole.length - 1])
    }
  }
  side(rear, upperFront, true)
  points.push(front + 1e-3, tape ? atFront.upper - 1e-3 : (atFront.upper + atFront.lower) / 2)
  side(lowerFront, rear, false)
  return Float64Array.from(points)
}

/**
 * A surface of chord c behind its hinge turned by θ moves its trailing edge by the chord of the arc,
 * 2c·sin(θ/2).
 */
export const throwMm = (hingeChord: number, deg: number): number =>
  2 * hingeChord * Math.sin((deg * Math.PI) / 360)
