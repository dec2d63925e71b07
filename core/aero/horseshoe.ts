/** Velocity of horseshoe vortices by Biot–Savart. Hot loop: no allocation. */

const QUARTER_PI_INV = 1 / (4 * Math.PI)
/**
 * Squared distance under which a point counts as on the vortex, where the induced velocity is nil by
 * symmetry, m².
 */
const ON_VORTEX = 1e-14

/**
 * Adds to `w` the velocity at (x, y, z) of a horseshoe of circulation `gamma`: from infinity aft to A, bound from A
 * to B, and back to infinity aft. With A inboard (port) and B starboard, positive circulation lifts.
 *
 * `coreA`, `coreB` and `coreBound` are δ² of cores that legs and bound part are spread over, m²: at a distance d from
 * the line a velocity is the thin line's times d²/√(d⁴ + δ⁴) (Vatistas, Kozel & Mih, Exp. Fluids 11, 1991, n = 2),
 * nothing on the line, and within (δ/d)⁴/2 of the thin one outside.
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
  coreA = 0,
  coreB = 0,
  coreBound = 0,
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
  const crossed = cx * cx + cy * cy + cz * cz
  if (crossed > ON_VORTEX && denominator > ON_VORTEX) {
    let f = (k * (ra + rb)) / denominator
    if (coreBound > 0) {
      const length = (bx - ax) * (bx - ax) + (by - ay) * (by - ay) + (bz - az) * (bz - az)
      const square = crossed / length
      f *= square / Math.sqrt(square * square + coreBound * coreBound)
    }
    w[0] += f * cx
    w[1] += f * cy
    w[2] += f * cz
  }
  // Legs along +x: Γ/4π (x̂ × r)(1 + x/r)/(y² + z²); leaving at B, arriving at A.
  const da = ray * ray + raz * raz
  if (da > ON_VORTEX) {
    const f = (k * (1 + rax / ra)) / (coreA > 0 ? Math.sqrt(da * da + coreA * coreA) : da)
    w[1] += f * raz
    w[2] -= f * ray
  }
  const db = rby * rby + rbz * rbz
  if (db > ON_VORTEX) {
    const f = (k * (1 + rbx / rb)) / (coreB > 0 ? Math.sqrt(db * db + coreB * coreB) : db)
    w[1] -= f * rbz
    w[2] += f * rby
  }
}
