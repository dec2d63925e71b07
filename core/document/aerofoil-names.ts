/** NACA designations as makers write them, read into their parameters. */

/** Four digits: camber and its place; five digits: design lift, place and reflex. Shares of the chord. */
export type NacaName =
  | { family: 4; camber: number; place: number; thickness: number }
  | { family: 5; designLift: number; place: number; reflexed: boolean; thickness: number }

/**
 * Reads `naca2412`, `NACA 23012`, `naca 23112`; `null` for anything else.
 * Five-digit places run 0.05 to 0.25 (Jacobs, NACA TR 537); reflexed mean lines 0.10 to 0.25.
 */
export function aerofoilOf(name: string): NacaName | null {
  const digits = /^naca[\s-]?(\d{4,5})$/i.exec(name.trim())?.[1]
  if (!digits) return null
  const thickness = Number(digits.slice(-2)) / 100
  if (thickness < 0.01 || thickness > 0.4) return null
  if (digits.length === 4) {
    const camber = Number(digits[0]) / 100
    const place = Number(digits[1]) / 10
    if ((camber === 0) !== (place === 0)) return null
    return { family: 4, camber, place, thickness }
  }
  const designLift = Number(digits[0]) * 0.15
  const place = Number(digits[1]) / 20
  const kind = digits[2]
  if (designLift === 0 || place < 0.05 || place > 0.25 || (kind !== '0' && kind !== '1')) return null
  if (kind === '1' && place < 0.1) return null
  return { family: 5, designLift, place, reflexed: kind === '1', thickness }
}
