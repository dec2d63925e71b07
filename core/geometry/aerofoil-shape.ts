/**
 * Aerofoil outlines on one common parameter, so that any two can be lofted point to point.
 * Thickness and mean lines: Jacobs, Ward & Pinkerton, NACA TR 460 (four digits) and TR 537 (five digits).
 */
import { aerofoilOf, type Aerofoil, type SectionName } from '../document'

/** Points a side, nose and trailing edge included. */
export const SIDE_POINTS = 36

/** Upper and lower surface points from the nose (index 0) to the trailing edge, as shares of the chord. */
export interface AerofoilShape {
  upperX: Float64Array
  upperY: Float64Array
  lowerX: Float64Array
  lowerY: Float64Array
}

/** Chord share of point i of n: half-cosine spacing, dense at nose and trailing edge. */
export const cosinePlace = (i: number, n: number): number => (1 - Math.cos((Math.PI * i) / (n - 1))) / 2

/**
 * Half thickness of the NACA four- and five-digit families at x, with the blunt trailing edge of the reports.
 */
export function nacaHalfThickness(thickness: number, x: number): number {
  return (
    5 * thickness * (0.2969 * Math.sqrt(x) - 0.126 * x - 0.3516 * x ** 2 + 0.2843 * x ** 3 - 0.1015 * x ** 4)
  )
}

/** A plate's nose is rounded off as an ellipse over its own thickness, and its rear bevelled over four of them. */
const PLATE_NOSE = 1,
  PLATE_BEVEL = 4,
  MOST_SANDED = 0.3
/** What is left of its thickness at the very end. */
const PLATE_END = 1 / 3

function plateHalfThickness(thickness: number, x: number): number {
  const nose = Math.min(MOST_SANDED, PLATE_NOSE * thickness),
    bevel = Math.min(MOST_SANDED, PLATE_BEVEL * thickness)
  const ahead = Math.max(0, 1 - x / nose),
    behind = Math.max(0, (x - (1 - bevel)) / bevel)
  return (thickness / 2) * Math.sqrt(Math.max(0, 1 - ahead * ahead)) * (1 - (1 - PLATE_END) * behind)
}

/** Half thickness at x of a section that is known by its name. */
export const halfThickness = (name: SectionName, x: number): number =>
  name.family === 'plate' ? plateHalfThickness(name.thickness, x) : nacaHalfThickness(name.thickness, x)

/** Mean line height and slope at x; a plate's is straight. */
export function nacaMeanLine(name: SectionName, x: number): { y: number; slope: number } {
  if (name.family === 'plate') return { y: 0, slope: 0 }
  return name.family === 4
    ? fourDigitMeanLine(name.camber, name.place, x)
    : fiveDigitMeanLine(name.designLift, name.place, name.reflexed, x)
}

function fourDigitMeanLine(m: number, p: number, x: number) {
  if (m === 0) return { y: 0, slope: 0 }
  const q = x < p ? p * p : (1 - p) ** 2
  const y = x < p ? (m / q) * (2 * p * x - x * x) : (m / q) * (1 - 2 * p + 2 * p * x - x * x)
  return { y, slope: ((2 * m) / q) * (p - x) }
}

/**
 * Five-digit mean line. r solves p = r(1 − √(r/3)); k1 makes the ideal lift the design lift, by Theodorsen's
 * integral of thin-aerofoil theory, rather than from the report's rounded table.
 */
function fiveDigitMeanLine(designLift: number, place: number, reflexed: boolean, x: number) {
  const { r, k1, ratio } = fiveDigitConstants(designLift, place, reflexed)
  const c = k1 / 6
  const linear = reflexed ? ratio * (1 - r) ** 3 + r ** 3 : r * r * (3 - r)
  if (x < r) {
    return reflexed
      ? { y: c * ((x - r) ** 3 - linear * x + r ** 3), slope: c * (3 * (x - r) ** 2 - linear) }
      : { y: c * (x ** 3 - 3 * r * x * x + linear * x), slope: c * (3 * x * x - 6 * r * x + linear) }
  }
  return reflexed
    ? { y: c * (ratio * (x - r) ** 3 - linear * x + r ** 3), slope: c * (3 * ratio * (x - r) ** 2 - linear) }
    : { y: c * r ** 3 * (1 - x), slope: -c * r ** 3 }
}

/** TR 537, table of mean lines: place → r, k1 at design lift 0.3, and k2/k1 for the reflexed ones. */
const PLAIN: ReadonlyArray<readonly number[]> = [
  [0.05, 0.058, 361.4],
  [0.1, 0.126, 51.64],
  [0.15, 0.2025, 15.957],
  [0.2, 0.29, 6.643],
  [0.25, 0.391, 3.23],
]
const REFLEXED: ReadonlyArray<readonly number[]> = [
  [0.1, 0.13, 51.99, 0.000764],
  [0.15, 0.217, 15.793, 0.00677],
  [0.2, 0.318, 6.52, 0.0303],
  [0.25, 0.441, 3.191, 0.1355],
]

function fiveDigitConstants(designLift: number, place: number, reflexed: boolean) {
  const row = (reflexed ? REFLEXED : PLAIN).find(([p]) => Math.abs(p - place) < 1e-9)!
  return { r: row[1], k1: (row[2] * designLift) / 0.3, ratio: row[3] ?? 0 }
}

function namedShape(name: SectionName): AerofoilShape {
  const shape = emptyShape()
  for (let i = 0; i < SIDE_POINTS; i++) {
    const x = cosinePlace(i, SIDE_POINTS)
    const t = halfThickness(name, x)
    const { y, slope } = nacaMeanLine(name, x)
    const length = Math.hypot(1, slope)
    shape.upperX[i] = x - (t * slope) / length
    shape.upperY[i] = y + t / length
    shape.lowerX[i] = x + (t * slope) / length
    shape.lowerY[i] = y - t / length
  }
  return shape
}

/** Point by point between two shapes, as a ruled loft has it. */
export function blendShapes(a: AerofoilShape, b: AerofoilShape, t: number): AerofoilShape {
  const mix = (p: Float64Array, q: Float64Array) => p.map((value, i) => value + (q[i] - value) * t)
  return {
    upperX: mix(a.upperX, b.upperX),
    upperY: mix(a.upperY, b.upperY),
    lowerX: mix(a.lowerX, b.lowerX),
    lowerY: mix(a.lowerY, b.lowerY),
  }
}

function emptyShape(): AerofoilShape {
  const side = () => new Float64Array(SIDE_POINTS)
  return { upperX: side(), upperY: side(), lowerX: side(), lowerY: side() }
}

/** Outline points (trailing edge, top, nose, bottom) resampled on the common parameter. */
export function shapeFromPoints(points: ReadonlyArray<readonly [number, number]>): AerofoilShape {
  let nose = 0
  points.forEach(([x], i) => {
    if (x < points[nose][0]) nose = i
  })
  const upper = points.slice(0, nose + 1).reverse()
  const lower = points.slice(nose)
  const shape = emptyShape()
  const first = points[nose][0]
  const last = Math.max(points[0][0], points[points.length - 1][0])
  for (let i = 0; i < SIDE_POINTS; i++) {
    const x = cosinePlace(i, SIDE_POINTS)
    const at = first + x * (last - first)
    shape.upperX[i] = shape.lowerX[i] = x
    shape.upperY[i] = heightOn(upper, at) / (last - first)
    shape.lowerY[i] = heightOn(lower, at) / (last - first)
  }
  return shape
}

function heightOn(side: ReadonlyArray<readonly [number, number]>, x: number): number {
  for (let i = 1; i < side.length; i++) {
    const [x1, y1] = side[i]
    if (x <= x1 || i === side.length - 1) {
      const [x0, y0] = side[i - 1]
      return x1 === x0 ? y1 : y0 + (y1 - y0) * Math.min(1, Math.max(0, (x - x0) / (x1 - x0)))
    }
  }
  return 0
}

/**
 * The shape a reference names: a NACA designation, or an aerofoil of the document. Callers have checked it
 * exists.
 */
export function shapeOf(reference: string, own: readonly Aerofoil[]): AerofoilShape {
  const imported = own.find(aerofoil => aerofoil.id === reference)
  if (imported) return shapeFromPoints(imported.points)
  const name = aerofoilOf(reference)
  if (!name) throw new Error(`unknown aerofoil ${reference}`)
  return namedShape(name)
}

/** Mean line slope dy/dx at chord share x of any shape; central difference on the mean of both sides. */
export function meanSlope(shape: AerofoilShape, x: number): number {
  const step = 0.005
  const a = Math.max(0.0005, x - step),
    b = Math.min(0.9995, x + step)
  return (meanHeight(shape, b) - meanHeight(shape, a)) / (b - a)
}

export const meanHeight = (shape: AerofoilShape, x: number): number =>
  (sideHeight(shape.upperX, shape.upperY, x) + sideHeight(shape.lowerX, shape.lowerY, x)) / 2

/** Distance between both sides at chord share x, share of the chord. */
export const thicknessAt = (shape: AerofoilShape, x: number): number =>
  sideHeight(shape.upperX, shape.upperY, x) - sideHeight(shape.lowerX, shape.lowerY, x)

/** Greatest thickness and camber with their places, shares of the chord. */
export function shapeFigures(shape: AerofoilShape): {
  thickness: number
  thicknessPlace: number
  camber: number
  camberPlace: number
} {
  const best = { thickness: 0, thicknessPlace: 0, camber: 0, camberPlace: 0 }
  for (let i = 1; i < 400; i++) {
    const x = i / 400
    const thickness = thicknessAt(shape, x)
    const camber = meanHeight(shape, x)
    if (thickness > best.thickness) Object.assign(best, { thickness, thicknessPlace: x })
    if (Math.abs(camber) > Math.abs(best.camber)) Object.assign(best, { camber, camberPlace: x })
  }
  return best
}

/** Height of one side at x. Interpolates on √x near the nose, where the outline runs like √x. */
function sideHeight(xs: Float64Array, ys: Float64Array, x: number): number {
  for (let i = 1; i < xs.length; i++) {
    if (x <= xs[i] || i === xs.length - 1) {
      const a = Math.sqrt(Math.max(0, xs[i - 1])),
        b = Math.sqrt(Math.max(0, xs[i]))
      const t = b === a ? 0 : (Math.sqrt(Math.max(0, x)) - a) / (b - a)
      return ys[i - 1] + (ys[i] - ys[i - 1]) * t
    }
  }
  return 0
}
