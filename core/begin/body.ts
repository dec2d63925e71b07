/** Bodies that hold a kit: their size, stations and hatches. mm */
import type { Body, BodyStation } from '../document'
import { loadOf, loadSize } from './fitted'
import { half, whole, type Draft } from './sketch'

/** A hatch at most so wide, over the body's width. */
const HATCH_SHARE = 0.72
/** Room round what lies in a body. */
const ROOM = 5

/** Inner sizes that the body needs. */
export function bodySize(draft: Draft): { width: number; height: number } {
  const load = loadSize(loadOf(draft))
  const { battery, controller, servo, motor } = draft.sketch.kit
  return {
    width: Math.max(
      battery.sizeMm[1] + 2 * ROOM + 4,
      load[1] > 0 ? (load[1] + 8) / HATCH_SHARE : 0,
      2 * servo.sizeMm[1] + 12 + 2 * ROOM,
      motor.sizeMm[1] + 20,
    ),
    height: Math.max(
      battery.sizeMm[2] + controller.sizeMm[2] + 2 * ROOM + 10,
      load[2] + 2 * ROOM + 12,
      servo.sizeMm[2] + 2 * ROOM + 6,
      motor.sizeMm[1] + 20,
    ),
  }
}

/** What a motor is fixed to is a little wider than it. */
export const mountWidth = ({ sketch: { kit } }: Draft): number => Math.max(kit.motor.sizeMm[1] + 14, 34)

export const bodyStation = (
  xMm: number,
  [widthMm, heightMm]: readonly [number, number],
  zMm: number,
  squareness: number,
  zone: string,
): BodyStation => ({
  xMm: half(xMm),
  widthMm: half(widthMm),
  heightMm: half(heightMm),
  zMm: half(zMm),
  squareness,
  zone,
})

/** The battery's hatch above, and one for the load below it, its middle at `loadAt`. */
export function hatches(
  draft: Draft,
  [fromMm, toMm]: readonly [number, number],
  loadAt: number,
  width: number,
): Body['openings'] {
  const grams = loadOf(draft),
    load = loadSize(grams)
  const wide = (mm: number) => whole(Math.min(HATCH_SHARE * width, mm + 6))
  return [
    {
      id: 'battery-hatch',
      name: 'battery hatch',
      side: 'top',
      fromMm,
      toMm,
      widthMm: wide(draft.sketch.kit.battery.sizeMm[1]),
    },
    ...(grams > 0
      ? [
          {
            id: 'load-hatch',
            name: 'load hatch',
            side: 'bottom' as const,
            fromMm: whole(loadAt - load[0] / 2 - 4),
            toMm: whole(loadAt + load[0] / 2 + 4),
            widthMm: wide(load[1]),
          },
        ]
      : []),
  ]
}
