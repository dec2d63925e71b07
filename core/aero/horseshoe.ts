/** Velocity of horseshoe vortices by Biot–Savart. Hot loop: no allocation. */

const QUARTER_PI_INV = 1 / (4 * Math.PI)
/**
 * Squared distance under which a point counts as on the vortex, where the induced velocity is nil by
 * symmetry, m².
 */
const ON_VORTEX = 1e-14

/**
 * Adds to `w` the velocity at (x, y, z) of a horseshoe of circulation `gamma`: from infinity aft to A, bound
 * from A
 * to B, and back to infinity aft. With A inboard (port) and B starboard, positive circulation lifts.
 */
export function addHorseshoe(
  w: Float64Array,
  x: number,
  y: number,
  z: number,
  ax: number,
  ay: number,
  az: number,
  bx: number,
  by: number,
  bz: number,
  gamma: number,
): void {
  const rax = x - ax,
    ray = y - ay,
    raz = z - az
  const rbx = x - bx,
    rby = y - by,
    rbz = z - bz
  const ra = Math.sqrt(rax * rax + ray * ray + raz * raz),
    rb = Math.sqrt(rbx * rbx + rby * rby + rbz * rbz)
  const k = gamma * QUARTER_PI_INV
  // Bound: Γ/4π (ra + rb)(ra × rb) / (ra rb (ra rb + ra·rb)).
  const cx = ray * rbz - raz * rby,
    cy = raz * rbx - rax * rbz,
    cz = rax * rby - ray * rbx
  const dot = rax * rbx + ray * rby + raz * rbz
  const denominator = ra * rb * (ra * rb + dot)
  if (cx * cx + cy * cy + cz * cz > ON_VORTEX && denominator > ON_VORTEX) {
    const f = (k * (ra + rb)) / denominator
    w[0] += f * cx
    w[1] += f * cy
    w[2] += f * cz
  }
  // Legs along +x: Γ/4π (x̂ × r)(1 + x/r)/(y² + z²); leaving at B, arriving at A.
  const da = ray * ray + raz * raz
  if (da > ON_VORTEX) {
    const f = (k * (1 + rax / ra)) / da
    w[1] += f * raz
    w[2] -= f * ray
  }
  const db = rby * rby + rbz * rbz
  if (db > ON_VORTEX) {
    const f = (k * (1 + rbx / rb)) / db
    w[1] -= f * rbz
    w[2] += f * rby
  }
}

/**
 * The same of a horseshoe that is spread over a core: at a distance d from the line a velocity is what the
 * thin line's is, times d²/√(d⁴ + δ⁴) (Vatistas, Kozel & Mih, Exp. Fluids 11, 1991, n = 2): nothing on the
 * line, and within (δ/d)⁴/2 of the thin one outside. `coreA` and `coreB` are δ² of the legs, `coreBound` of the
 * bound part, m².
 */
export function addSpreadHorseshoe(
  w: Float64Array,
  x: number,
  y: number,
  z: number,
  ax: number,
  ay: number,
  az: number,
  bx: number,
  by: number,
  bz: number,
  coreA: number,
  coreB: number,
  coreBound: number,
): void {
  const rax = x - ax,
    ray = y - ay,
    raz = z - az
  const rbx = x - bx,
    rby = y - by,
    rbz = z - bz
  const ra = Math.sqrt(rax * rax + ray * ray + raz * raz),
    rb = Math.sqrt(rbx * rbx + rby * rby + rbz * rbz)
  const cx = ray * rbz - raz * rby,
    cy = raz * rbx - rax * rbz,
    cz = rax * rby - ray * rbx
  const length = (bx - ax) * (bx - ax) + (by - ay) * (by - ay) + (bz - az) * (bz - az)
  if (ra * rb > ON_VORTEX && length > ON_VORTEX) {
    // With |ra × rb|² = (ra rb + ra·rb)(ra rb − ra·rb) = d²L² the thin line's factor times d²/√(d⁴ + δ⁴).
    const square = (cx * cx + cy * cy + cz * cz) / length
    const f =
      (QUARTER_PI_INV * (ra + rb) * (ra * rb - (rax * rbx + ray * rby + raz * rbz))) /
      (ra * rb * length * Math.sqrt(square * square + coreBound * coreBound))
    w[0] += f * cx
    w[1] += f * cy
    w[2] += f * cz
  }
  const da = ray * ray + raz * raz
  const fa = (QUARTER_PI_INV * (1 + rax / Math.max(ra, 1e-7))) / Math.sqrt(da * da + coreA * coreA)
  w[1] += fa * raz
  w[2] -= fa * ray
  const db = rby * rby + rbz * rbz
  const fb = (QUARTER_PI_INV * (1 + rbx / Math.max(rb, 1e-7))) / Math.sqrt(db * db + coreB * coreB)
  w[1] -= fb * rbz
  w[2] += fb * rby
}
