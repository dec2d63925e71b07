/**
 * Inertia of the whole from that of its parts (Steiner), about axes through a point parallel to the
 * aircraft's. SI.
 */
import { NO_INERTIA, type InertiaFigures } from './inertia-figures'
import type { MassEntry } from './mass-entry'

/** A solid box, m: m/12·(b² + c²). */
export const boxInertia = (mass: number, x: number, y: number, z: number): InertiaFigures => ({
  xx: (mass * (y * y + z * z)) / 12,
  yy: (mass * (x * x + z * z)) / 12,
  zz: (mass * (x * x + y * y)) / 12,
  xz: 0,
})

/** A straight thin rod from end to end, m. */
export function rodInertia(mass: number, dx: number, dy: number, dz: number): InertiaFigures {
  const k = mass / 12
  return {
    xx: k * (dy * dy + dz * dz),
    yy: k * (dx * dx + dz * dz),
    zz: k * (dx * dx + dy * dy),
    xz: k * dx * dz,
  }
}

/** What one thing adds to the inertia about `about`, kg·m²: its own, and its mass at its distance squared. */
export function inertiaAbout(
  { mass, x, y, z, own }: MassEntry,
  about: { x: number; y: number; z: number },
): InertiaFigures {
  const dx = x - about.x,
    dy = y - about.y,
    dz = z - about.z
  return {
    xx: own.xx + mass * (dy * dy + dz * dz),
    yy: own.yy + mass * (dx * dx + dz * dz),
    zz: own.zz + mass * (dx * dx + dy * dy),
    xz: own.xz + mass * dx * dz,
  }
}

/** About `about`, usually the CG. */
export function sumInertia(
  entries: readonly MassEntry[],
  about: { x: number; y: number; z: number },
): InertiaFigures {
  const sum = { ...NO_INERTIA }
  for (const entry of entries) {
    const part = inertiaAbout(entry, about)
    sum.xx += part.xx
    sum.yy += part.yy
    sum.zz += part.zz
    sum.xz += part.xz
  }
  return sum
}
