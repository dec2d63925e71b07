/** International Standard Atmosphere (ISO 2533) in the troposphere, with the field's own temperature. SI. */
import { GRAVITY } from '../units'

const P0 = 101325,
  T0 = 288.15,
  LAPSE = 0.0065,
  R = 287.05287

/**
 * Density kg/m³, viscosity Pa·s (Sutherland 1893, constants of the US Standard Atmosphere 1976); 0 to 11 000
 * m.
 */
export function airAt(elevation: number, temperatureK: number): { density: number; viscosity: number } {
  const pressure = P0 * (1 - (LAPSE * elevation) / T0) ** (GRAVITY / (R * LAPSE))
  return {
    density: pressure / (R * temperatureK),
    viscosity: (1.458e-6 * temperatureK ** 1.5) / (temperatureK + 110.4),
  }
}

/** Height of the standard atmosphere that has this pressure, m from Pa: the inverse of the above. */
export const altitudeOf = (pressure: number): number =>
  (T0 / LAPSE) * (1 - (pressure / P0) ** ((R * LAPSE) / GRAVITY))
