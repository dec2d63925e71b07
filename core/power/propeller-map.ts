/**
 * A propeller tabulated once over the angle of its advance and over size of flow (Reynolds number), so that a
 * drive may ask it thousands of times. Coefficients stand on the speed at seven tenths of the radius, finite
 * at rest and standing still.
 */
import type { BladeSection } from './blade-section'
import type { Blades } from './blade'
import { solvePropeller, type Air } from './propeller'
import type { Turned } from './drive'

const PLACE = 0.7
/** Angles are denser where propellers work. */
const ANGLES = 36
const RINGS = 14
/** Tip speeds of the tables, m/s: the slowest stands for all below, the fastest for all above. */
const TIPS = [20, 45, 80, 140]

const angleAt = (k: number): number => (Math.PI / 2) * (k / (ANGLES - 1)) ** 2
const placeOf = (angle: number): number => (ANGLES - 1) * Math.sqrt(Math.max(0, angle) / (Math.PI / 2))

export function propellerMap(blades: Blades, section: BladeSection, air: Air): Turned {
  const { radius } = blades
  const area = Math.PI * radius ** 2
  const tables = TIPS.map(tip => {
    const thrust: number[] = [],
      torque: number[] = []
    for (let k = 0; k < ANGLES; k++) {
      const angle = Math.min(angleAt(k), Math.PI / 2 - 1e-4)
      const flow = PLACE * tip
      const { point } = solvePropeller(
        blades,
        section,
        air,
        (flow * Math.cos(angle)) / (PLACE * radius),
        flow * Math.sin(angle),
        RINGS,
      )
      const head = (air.density / 2) * flow ** 2 * area
      thrust.push(point.thrust / head)
      torque.push(point.torque / (head * radius))
    }
    return { thrust, torque }
  })
  return (omega, speed) => {
    const round = PLACE * radius * Math.max(0, omega)
    const flow = Math.hypot(round, speed)
    if (flow <= 0) return { thrust: 0, torque: 0 }
    const head = (air.density / 2) * flow ** 2 * area
    const at = placeOf(Math.atan2(speed, round))
    const tip = Math.min(TIPS[TIPS.length - 1], Math.max(TIPS[0], flow / PLACE))
    let k = 0
    while (k < TIPS.length - 2 && tip > TIPS[k + 1]) k++
    const share = Math.log(tip / TIPS[k]) / Math.log(TIPS[k + 1] / TIPS[k])
    const of = (key: 'thrust' | 'torque') => {
      const low = cubic(tables[k][key], at)
      return low + share * (cubic(tables[k + 1][key], at) - low)
    }
    return { thrust: head * of('thrust'), torque: head * radius * of('torque') }
  }
}

/** Catmull & Rom between evenly placed values. */
function cubic(values: readonly number[], at: number): number {
  const last = values.length - 1
  const i = Math.min(last - 1, Math.floor(at)),
    t = at - i
  const b = values[i],
    c = values[i + 1],
    // Coefficients are even about rest.
    a = i > 0 ? values[i - 1] : values[1],
    d = values[Math.min(last, i + 2)]
  return b + (t / 2) * (c - a + t * (2 * a - 5 * b + 4 * c - d + t * (3 * (b - c) + d - a)))
}
