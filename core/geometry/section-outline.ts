/**
 * A section's outline for flow: closed at the trailing edge, smooth, and as fine as the panels want it. The
 * designations are taken from their formulas, files through a spline along their own points.
 */
import { aerofoilOf, type Aerofoil, type SectionName } from '../document'
import { halfThickness, nacaMeanLine } from './aerofoil-shape'
import { naturalCubic } from './natural-cubic'

export interface SectionOutline {
  /**
   * From the trailing edge over the top and the nose to the trailing edge again, shares of the chord; first
   * and last point coincide.
   */
  x: Float64Array
  y: Float64Array
  /** Height that the trailing edge had before it was closed, share of the chord. */
  gap: number
}

/**
 * `panels` a whole outline, even. Points crowd at nose and trailing edge as the cosine does. The reference
 * must exist.
 */
export function sectionOutline(reference: string, own: readonly Aerofoil[], panels = 120): SectionOutline {
  const imported = own.find(aerofoil => aerofoil.id === reference)
  if (imported) return fromPoints(imported.points, panels)
  const name = aerofoilOf(reference)
  if (!name) throw new Error(`unknown aerofoil ${reference}`)
  return fromName(name, panels)
}

/** Share of the chord at point i of n panels: 1 at both ends, 0 in the middle. */
const cosine = (i: number, n: number): number => (1 + Math.cos((2 * Math.PI * i) / n)) / 2

function fromName(name: SectionName, panels: number): SectionOutline {
  const x = new Float64Array(panels + 1),
    y = new Float64Array(panels + 1)
  const gap = 2 * halfThickness(name, 1)
  for (let i = 0; i <= panels; i++) {
    const at = cosine(i, panels)
    const side = i <= panels / 2 ? 1 : -1
    const t = halfThickness(name, at) - (at * gap) / 2
    const mean = nacaMeanLine(name, at)
    const length = Math.hypot(1, mean.slope)
    x[i] = at - (side * t * mean.slope) / length
    y[i] = mean.y + (side * t) / length
  }
  return { x, y, gap }
}

function fromPoints(points: ReadonlyArray<readonly [number, number]>, panels: number): SectionOutline {
  const kept = points.filter(
    (p, i) => i === 0 || Math.hypot(p[0] - points[i - 1][0], p[1] - points[i - 1][1]) > 1e-7,
  )
  const along = new Float64Array(kept.length)
  for (let i = 1; i < kept.length; i++)
    along[i] = along[i - 1] + Math.hypot(kept[i][0] - kept[i - 1][0], kept[i][1] - kept[i - 1][1])
  const splineX = naturalCubic(
      along,
      kept.map(p => p[0]),
    ),
    splineY = naturalCubic(
      along,
      kept.map(p => p[1]),
    )
  const total = along[along.length - 1]
  // Incidence is measured from the file's own x axis; the nose is its foremost point.
  let nose = total / 2
  for (let i = 1; i < 2000; i++) {
    const s = (total * i) / 2000
    if (splineX(s) < splineX(nose)) nose = s
  }
  const front = splineX(nose),
    chord = (kept[0][0] + kept[kept.length - 1][0]) / 2 - front
  const x = new Float64Array(panels + 1),
    y = new Float64Array(panels + 1)
  for (let i = 0; i <= panels; i++) {
    const share = (1 - Math.cos((Math.PI * (i % (panels / 2))) / (panels / 2))) / 2
    const s = i < panels / 2 ? nose * share : i === panels ? total : nose + (total - nose) * share
    x[i] = (splineX(s) - front) / chord
    y[i] = splineY(s) / chord
  }
  const gap = y[0] - y[panels]
  for (let i = 0; i <= panels; i++) y[i] -= ((i <= panels / 2 ? 1 : -1) * Math.max(0, x[i]) * gap) / 2
  const middle = (y[0] + y[panels]) / 2
  x[0] = x[panels] = 1
  y[0] = y[panels] = middle
  return { x, y, gap: Math.max(0, gap) }
}
