/**
 * How warm motor, controller and pack get on a flight: one lump each, cooled by the air of flight. Guesses, on
 * the warm side.
 */

export interface Lump {
  massG: number
  /** J/gK */
  capacity: number
  /** W/K of one of 50 g; by the surface of others. 0: nothing gets out. */
  leaves: number
}
/** Copper and steel; a controller's board and sink; cells between foam. */
export const MOTOR_LUMP = { capacity: 0.5, leaves: 0.35 }
export const CONTROLLER_LUMP = { capacity: 0.8, leaves: 0.14 }
export const PACK_LUMP = { capacity: 1, leaves: 0 }

/** What it reaches through parts of a flight, °C; each part heats with so many W for so long. */
export function warmest(
  { massG, capacity, leaves }: Lump,
  airC: number,
  parts: ReadonlyArray<{ seconds: number; heat: number }>,
): number {
  const stores = Math.max(0.1, massG) * capacity
  const out = leaves * (Math.max(0.1, massG) / 50) ** (2 / 3)
  let rise = 0,
    most = 0
  for (const { seconds, heat } of parts) {
    if (out <= 0) rise += (heat * seconds) / stores
    else {
      const settles = heat / out
      rise = settles + (rise - settles) * Math.exp((-seconds * out) / stores)
    }
    most = Math.max(most, rise)
  }
  return airC + most
}
