/** A motor's mount, and pods for motors on the wing. mm */
import type { Equipment, Firewall, Pod, Surface } from '../document'
import { gapAt, loftSurface, seatAbove } from '../geometry'
import { mountWidth } from './body'
import { fitted } from './fitted'
import { half, whole, type Draft } from './sketch'

export const mount = ({ sketch }: Draft): Firewall => ({
  thicknessMm: sketch.firewallMm,
  bolts: 4,
  boltCircleMm: Math.max(12, whole(0.8 * sketch.kit.motor.sizeMm[1])),
  boltMm: 3.2,
  shaftMm: 10,
})

/** Between a propeller's tip and the body. */
const CLEAR = 15
/** Hub and yoke ahead of a motor. */
const AHEAD = 14
/** How far ahead of the wing a pod begins, and where it ends, as shares of the chord there. */
const BEFORE = 0.3,
  ENDS = 0.62

/** One pod a side, its motor ahead of the wing and its tips clear of the body, set under the wing's lower skin. */
export function motorPods(
  draft: Draft,
  wing: Surface,
  bodyWidth: number,
): { pods: Pod[]; equipment: Equipment[] } {
  const { kit, firewallMm } = draft.sketch
  const { motor, controller, turns } = kit
  const loft = loftSurface('wing', 'Wing', wing, [], 1)
  const wide = mountWidth(draft)
  const y = half(bodyWidth / 2 + turns.diameterMm / 2 + CLEAR)
  const seat = seatAbove(loft, Math.min(y, 0.9 * loft.span))!
  // Long enough that motor and controller lie ahead of the seat.
  const before = Math.max(BEFORE * seat.chord, motor.sizeMm[0] + firewallMm + controller.sizeMm[0] + 6)
  const x = half(seat.lead - before)
  const under = (share: number) =>
    seat.z + (gapAt(seat.outline, seat.lead + share * seat.chord)?.lower ?? seat.n)
  // The front looks past the leading edge; the rear lies along the lower skin and into it.
  const z = half(seat.z + seat.n - 0.12 * wide)
  const rear = half(before + ENDS * seat.chord)
  const station = (at: number, size: number, height: number) => ({
    xMm: half(at),
    widthMm: half(size),
    heightMm: half(size),
    zMm: half(height),
    squareness: 0.05,
    zone: 'nose',
  })
  const put = fitted(draft)
  const both = (items: Equipment[]): Equipment[] => items.map(item => ({ ...item, pair: true }))
  return {
    pods: [
      {
        id: 'motor-pod',
        name: 'Motor pod',
        piece: 1,
        xMm: x,
        yMm: y,
        zMm: z,
        pair: true,
        duct: null,
        cuts: [],
        body: {
          stations: [
            station(0, wide, 0),
            station(0.8 * before, wide + 2, 0),
            station(before + 0.3 * seat.chord, 0.72 * wide, under(0.3) - z - 0.18 * wide),
            station(rear, 0.3 * wide, under(ENDS) - z),
          ],
          firewall: mount(draft),
          openings: [],
          saddle: { clearanceMm: 0.3, bolts: 0, boltMm: 3 },
        },
      },
    ],
    equipment: both([
      ...put.propeller([x - AHEAD, y, z], [24, 20]),
      ...put.motor([x + motor.sizeMm[0] / 2 - 1, y, z]),
      ...put.controller([half(x + motor.sizeMm[0] + firewallMm + controller.sizeMm[0] / 2 + 3), y, z]),
    ]),
  }
}
