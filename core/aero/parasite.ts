/**
 * Drag of what does not lift: skin friction of bodies by a flat plate and a form factor. Drag areas in m².
 */

/**
 * Turbulent skin friction of a plate of length L (Schlichting 0.455/(log Re)^2.58); laminar below where both
 * meet.
 */
export const plateFriction = (reynolds: number): number =>
  Math.max(
    1.328 / Math.sqrt(Math.max(1, reynolds)),
    reynolds > 3e3 ? 0.455 / Math.log10(reynolds) ** 2.58 : 0,
  )

/** Form factor of a body of fineness f (Raymer, Aircraft Design, 12.31): 1 + 60/f³ + f/400. */
export const bodyForm = (fineness: number): number => 1 + 60 / Math.max(2, fineness) ** 3 + fineness / 400

/** Perimeter of an ellipse (Ramanujan 1914), m. */
export function ellipsePerimeter(width: number, height: number): number {
  const a = width / 2,
    b = height / 2
  const h = ((a - b) / (a + b || 1)) ** 2
  return Math.PI * (a + b) * (1 + (3 * h) / (10 + Math.sqrt(4 - 3 * h)))
}

/**
 * C_D·S of a body of length L, wetted area and greatest width, in air of kinematic viscosity ν at a speed.
 */
export const bodyDragArea = (
  length: number,
  wetted: number,
  widest: number,
  speed: number,
  viscosity: number,
): number => plateFriction((speed * length) / viscosity) * bodyForm(length / Math.max(1e-6, widest)) * wetted
