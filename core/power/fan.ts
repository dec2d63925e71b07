/**
 * A ducted fan: an actuator in a duct whose pressure rise falls in a straight line with the flow through it, losses in
 * intake and duct as shares of the outflow's head, thrust from momentum. Incompressible, SI
 */
import { rootBetween } from './root'
import type { Air } from './propeller'

export interface Fan {
  /** Over the blades, and of the hub, m. */
  diameter: number
  hub: number
  /** Air would run through it without pressure at this advance a turn, m. */
  pitch: number
  /** Outlet area over the annulus. */
  exitShare: number
  /** From intake to outlet, m. */
  duct: number
  /** Intake over the annulus; as wide as it where nothing is said. */
  intake?: number
}

/** Head that a rotor of this kind makes with its outlet shut, times ρU²; its hydraulic efficiency. */
const SHUT = 0.32,
  HYDRAULIC = 0.68
/** An intake that is hardly there is reckoned as this one. */
const LEAST_INTAKE = 0.3
/**
 * Intake lip and cheater holes, and walls for each diameter of length: printed ducts are rough, bend and
 * join, and a long one costs a tenth and more of the thrust at rest. Shares of the head in the duct.
 */
const INTAKE = 0.06,
  WALLS = 0.12

export const annulus = ({ diameter, hub }: Pick<Fan, 'diameter' | 'hub'>): number =>
  (Math.PI / 4) * (diameter ** 2 - hub ** 2)

export interface FanPoint {
  thrust: number
  torque: number
  /** m/s */
  outflow: number
  /** What the duct takes of the head. */
  lost: number
}

export function fanAt(fan: Fan, air: Pick<Air, 'density'>, omega: number, speed: number): FanPoint {
  const area = annulus(fan)
  const tip = (omega * fan.diameter) / 2
  const exit = fan.exitShare
  const n = omega / (2 * Math.PI)
  if (tip <= 0) return { thrust: 0, torque: 0, outflow: 0, lost: 0 }
  // The lip takes of the speed that it sees.
  const lost = INTAKE / Math.max(LEAST_INTAKE, fan.intake ?? 1) ** 2 + (WALLS * fan.duct) / fan.diameter
  // Flow through the annulus; the duct's speed is about the annulus'.
  const rise = (through: number) =>
    SHUT * air.density * tip ** 2 * (1 - through / Math.max(1e-9, n * fan.pitch))
  const need = (through: number) =>
    (air.density / 2) * ((through / exit) ** 2 + lost * through ** 2 - speed ** 2)
  const through = rootBetween(at => need(at) - rise(at), 0, Math.max(speed, n * fan.pitch) * 2 + 1, 1e-9)
  const outflow = through / exit
  const mass = air.density * area * through
  const head = Math.max(0, rise(through))
  return {
    thrust: mass * (outflow - speed),
    // Even without pressure the blades rub: a twentieth of the shut head.
    torque:
      ((head * area * through) / HYDRAULIC + 0.05 * SHUT * air.density * tip ** 2 * area * through) / omega,
    outflow,
    lost,
  }
}

/** Greatest thrust at rest of a duct with this outlet for a power: (4ρA P²)^⅓. */
export const idealFanThrust = (power: number, fan: Fan, density: number): number =>
  Math.cbrt(4 * density * annulus(fan) * fan.exitShare * Math.max(0, power) ** 2)
