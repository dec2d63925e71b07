/** Fans in ducts: one over the wing, or a pair under it. mm */
import { beadsThick, type Equipment, type Pod, type Surface, type Zone } from '../document'
import { gapAt, loftSurface, seatAbove } from '../geometry'
import { fitted } from './fitted'
import { part } from './kit'
import { half, type Draft } from './sketch'
import { ductZone } from './zones'

/** Air round the blades; fan from the intake and outlet from the fan, over its diameter. */
const ROUND = 1.5,
  BEFORE = 0.9,
  BEHIND = 1.9
/** Free area of intake and outlet over the ring of the blades. */
const INTAKE = 1.1,
  OUTLET = 0.87
/** The intake lies so far behind the leading edge, shares of the chord there. */
const OVER = 0.06,
  UNDER = -0.12
/** A pair stands so far out, over the diameter of a duct. */
const APART = 2.2
/** Motor behind the blades, and what holds it. */
const STATOR_G = 4

/** Length of a duct over its fan's diameter, and the outlet that it is drawn with. */
export const DUCT = { lengthOverDiameter: BEFORE + BEHIND, outlet: OUTLET }

export interface Ducted {
  pods: Pod[]
  equipment: Equipment[]
  zone: Zone
}

/** `twin`: a pair under the wing instead of one over its middle. */
export function ducts(draft: Draft, wing: Surface, twin: boolean): Ducted {
  const { turns, motor, controller } = draft.sketch.kit
  if (!('hubMm' in turns)) throw new Error('a duct is drawn round a fan')
  const zone = ductZone(draft)
  const wall = beadsThick(zone.recipe, zone.recipe.walls)
  const D = turns.diameterMm,
    ring = D ** 2 - turns.hubMm ** 2
  const intake = Math.sqrt(INTAKE * ring),
    outlet = Math.sqrt(OUTLET * ring)
  const most = D + ROUND + 2 * wall
  const y = twin ? half(APART * most) : 0
  const seat = seatAbove(loftSurface('wing', 'Wing', wing, [], 1), y)!
  const length = half((BEFORE + BEHIND) * D),
    fanAt = half(BEFORE * D)
  const x = half(seat.lead + (twin ? UNDER : OVER) * seat.chord)
  // It touches the skin at one place along the chord, and is glued there.
  const skins = Array.from({ length: 41 }, (_, i) => {
    const at = x + (length * i) / 40,
      gap = gapAt(seat.outline, at)
    return gap ? (twin ? gap.lower : gap.upper) : null
  }).filter(value => value !== null)
  const z = twin ? seat.z + Math.min(...skins) - most / 2 : seat.z + Math.max(...skins) + most / 2
  const station = (at: number, inside: number) => ({
    xMm: half(at),
    widthMm: inside + 2 * wall,
    heightMm: inside + 2 * wall,
    zMm: 0,
    squareness: 0,
    zone: zone.id,
  })
  const put = fitted(draft)
  const both = (items: Equipment[]): Equipment[] => items.map(item => ({ ...item, pair: twin }))
  const [motorLong] = motor.sizeMm
  return {
    zone,
    pods: [
      {
        id: 'duct',
        name: twin ? 'Ducts' : 'Duct',
        piece: 1,
        xMm: x,
        yMm: y,
        zMm: z,
        pair: twin,
        duct: 'propeller',
        cuts: [],
        body: {
          stations: [
            station(0, intake),
            station(0.72 * fanAt, D + ROUND),
            station(fanAt + 0.5 * D, D + ROUND),
            station(length, outlet),
          ],
          firewall: null,
          openings: [],
          saddle: null,
        },
      },
    ],
    equipment: both([
      ...put.fan([half(x + fanAt), y, z]),
      ...put.motor([half(x + fanAt + motorLong / 2), y, z]),
      part('stator', 'Stator and screws', 'hardware', STATOR_G, [half(x + fanAt + 8), y, z], [16, D, D]),
      ...(twin ? put.controller([half(x + length + controller.sizeMm[0] / 2), y, half(z)]) : []),
    ]),
  }
}
