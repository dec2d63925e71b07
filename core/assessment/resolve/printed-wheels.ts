/** Printed wheels of the landing gear, as pieces on their axles. */
import type { Leg } from '../../document'
import { wheelForm, wheelPieces, wheelShapes, type PieceShape } from '../../geometry'
import { memoise } from '../../memo'

/** A leg that stays keeps its pieces; wheels of one form share their shape. */
export function createWheels(capacity: number): (gear: readonly Leg[]) => PieceShape[] {
  const turnedOf = memoise(
    (wheelMm: number, widthMm: number, axleMm: number, thickMm: number) =>
      wheelShapes({ wheelMm, widthMm, axleMm, thickMm }),
    capacity,
  )
  const known = new WeakMap<Leg, { index: number; pieces: PieceShape[] }>()
  const made = (leg: Leg, index: number): PieceShape[] => {
    const { printedWheel } = leg
    if (!printedWheel) return []
    const { wheelMm, widthMm, axleMm, thickMm } = wheelForm(leg, printedWheel)
    const shapes = turnedOf(wheelMm, widthMm, axleMm, thickMm)
    return shapes ? wheelPieces(leg, printedWheel, shapes, index) : []
  }
  return gear =>
    gear.flatMap((leg, index) => {
      const before = known.get(leg)
      if (before?.index === index) return before.pieces
      const pieces = made(leg, index)
      known.set(leg, { index, pieces })
      return pieces
    })
}
