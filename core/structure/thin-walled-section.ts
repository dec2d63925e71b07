/**
 * A thin-walled section of straight walls and concentrated spars, weighted by modulus. x chordwise, y up, SI.
 */

/**
 * Walls between nodes; `Et` and `Gt` are modulus times thickness, N/m. Walls may branch and close any number
 * of cells.
 */
export interface ThinWalled {
  x: readonly number[]
  y: readonly number[]
  walls: ReadonlyArray<{ a: number; b: number; Et: number; Gt: number }>
  /** Spars at nodes: E·A (N), own E·I about both axes (N·m²) and own G·J (N·m²). */
  spars: ReadonlyArray<{ node: number; EA: number; EIx: number; EIy: number; GJ: number }>
}

export interface BendingStiffness {
  EA: number
  /** Modulus-weighted centroid, m. */
  x: number
  y: number
  /** ∫E·y², ∫E·x² and ∫E·x·y about it, N·m²; `EIx` is the one that lift bends. */
  EIx: number
  EIy: number
  EIxy: number
}

/**
 * Straight walls in closed form: ∫y² = l(y_a² + y_a·y_b + y_b²)/3. A section without stiffness gives zeros.
 */
export function bendingStiffness({ x, y, walls, spars }: ThinWalled): BendingStiffness {
  let EA = 0,
    Sx = 0,
    Sy = 0,
    xx = 0,
    yy = 0,
    xy = 0
  for (const { a, b, Et } of walls) {
    const k = Et * Math.hypot(x[b] - x[a], y[b] - y[a])
    EA += k
    Sx += (k * (x[a] + x[b])) / 2
    Sy += (k * (y[a] + y[b])) / 2
    xx += (k * (x[a] * x[a] + x[a] * x[b] + x[b] * x[b])) / 3
    yy += (k * (y[a] * y[a] + y[a] * y[b] + y[b] * y[b])) / 3
    xy += (k * (2 * x[a] * y[a] + x[a] * y[b] + x[b] * y[a] + 2 * x[b] * y[b])) / 6
  }
  for (const { node, EA: own, EIx, EIy } of spars) {
    EA += own
    Sx += own * x[node]
    Sy += own * y[node]
    xx += own * x[node] ** 2 + EIy
    yy += own * y[node] ** 2 + EIx
    xy += own * x[node] * y[node]
  }
  if (!(EA > 0)) return { EA: 0, x: 0, y: 0, EIx: 0, EIy: 0, EIxy: 0 }
  const cx = Sx / EA,
    cy = Sy / EA
  return { EA, x: cx, y: cy, EIx: yy - EA * cy * cy, EIy: xx - EA * cx * cx, EIxy: xy - EA * cx * cy }
}

/**
 * Strain per metre away from the centroid in x and in y under bending moments, unsymmetric sections included:
 * strain at a point is `alongX·(x − x̄) + alongY·(y − ȳ)`. `mx` (N·m) stretches what lies at +y, `my` what
 * lies at +x. Plane sections stay plane.
 */
export function curvatures(
  { EIx, EIy, EIxy }: BendingStiffness,
  mx: number,
  my: number,
): { alongX: number; alongY: number } {
  const det = EIx * EIy - EIxy * EIxy
  // A section all on one line bends about one axis only.
  if (!(det > 1e-9 * EIx * EIy)) return { alongX: EIy > EIx ? my / EIy : 0, alongY: EIx > 0 ? mx / EIx : 0 }
  return { alongX: (my * EIx - mx * EIxy) / det, alongY: (mx * EIy - my * EIxy) / det }
}
