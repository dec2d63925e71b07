/**
 * A section with another thickness and camber: mean line and thickness stretched apart, both over the same
 * chord.
 */
import type { Aerofoil } from '../document'
import { shapeFigures, SIDE_POINTS, type AerofoilShape } from './aerofoil-shape'

/**
 * Points from the trailing edge over the top and back, ready for the project file. Shares of the chord; a
 * straight mean line stays straight.
 */
export function scaleSection(
  shape: AerofoilShape,
  wanted: { thickness: number; camber: number },
): Aerofoil['points'] {
  const { thickness, camber } = shapeFigures(shape)
  const thick = thickness > 0 ? wanted.thickness / thickness : 1,
    bent = Math.abs(camber) > 1e-6 ? wanted.camber / camber : 1
  const side = (upper: boolean) =>
    Array.from({ length: SIDE_POINTS }, (_, i): [number, number] => {
      const mean = (shape.upperY[i] + shape.lowerY[i]) / 2,
        half = (shape.upperY[i] - shape.lowerY[i]) / 2
      const middle = (shape.upperX[i] + shape.lowerX[i]) / 2,
        lean = (shape.upperX[i] - shape.lowerX[i]) / 2
      // A leaning pair of points leans with slope times thickness.
      return upper
        ? [middle + bent * thick * lean, bent * mean + thick * half]
        : [middle - bent * thick * lean, bent * mean - thick * half]
    })
  return [...side(true).reverse(), ...side(false).slice(1)].map(([x, y]): [number, number] => [
    Math.round(x * 1e6) / 1e6,
    Math.round(y * 1e6) / 1e6,
  ])
}
