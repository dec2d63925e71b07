/** The assessed aircraft as something that can be tossed, from its tables; and the same with something changed. */
import type { PitchTables } from '../../assess'
import { blended, edgesFor, LEAST, squareDrag, stallOf, type Glider, type Plates } from '../../toss'

/** Under this the speed no longer counts in the drag: it would be that of a creep, m/s. */
const SLOWEST = 0.5

/** Cubic between four points of an even grid (Catmull & Rom), held beyond its ends along its last slope. */
function cubic(values: readonly number[], at: number): number {
  const last = values.length - 1
  if (at <= 0) return values[0] + at * (values[1] - values[0])
  if (at >= last) return values[last] + (at - last) * (values[last] - values[last - 1])
  const i = Math.min(last - 1, Math.floor(at)),
    t = at - i
  const p0 = values[Math.max(0, i - 1)],
    p1 = values[i],
    p2 = values[i + 1],
    p3 = values[Math.min(last, i + 2)]
  return p1 + (t / 2) * (p2 - p0 + t * (2 * p0 - 5 * p1 + 4 * p2 - p3 + t * (3 * (p1 - p2) + p3 - p0)))
}

/** Where a value lies between rising places, as index and share; held at the ends. */
function placeIn(places: readonly number[], value: number): [number, number] {
  if (places.length === 1 || value <= places[0]) return [0, 0]
  const last = places.length - 1
  if (value >= places[last]) return [last - 1, 1]
  let i = 0
  while (value > places[i + 1]) i++
  return [i, (value - places[i]) / (places[i + 1] - places[i])]
}

/** Friction falls about so with speed: between two speeds drag is straight over this. */
const pace = (speed: number) => -1 / Math.sqrt(speed)

/** A parabola through the elevator up, level and down: drag goes about by its square. Alone, the one value. */
function throughThree(places: readonly number[], of: (k: number) => number, at: number): number {
  if (at === 0 || places.length < 3) return of(places.length < 3 ? 0 : 1)
  const [a, b, c] = places
  // Throws of nothing leave a straight line, or one value.
  if (a === b || b === c) return of(1)
  const [fa, fb, fc] = [of(0), of(1), of(2)]
  return (
    (fa * (at - b) * (at - c)) / ((a - b) * (a - c)) +
    (fb * (at - a) * (at - c)) / ((b - a) * (b - c)) +
    (fc * (at - a) * (at - b)) / ((c - a) * (c - b))
  )
}

/** `cgShift`: the balance moved aft, m; a battery slid, a bag of ballast taped on. */
export function gliderOf(tables: PitchTables, cgShift = 0): Glider {
  const { chord, alphaFrom, alphaStep, speeds, elevators, elevator } = tables
  const shift = cgShift / chord
  const plates: Plates = {
    square: squareDrag(tables.span ** 2 / tables.area),
    parts: tables.plates.map(part => ({ share: part.share, arm: part.arm - shift })),
    stall: stallOf(tables.clMax, LEAST * tables.clMax, tables.clZero, tables.clAlpha),
  }
  const grid = (alpha: number) => (alpha - alphaFrom) / alphaStep
  const liftAt = (alpha: number) => cubic(tables.CL, grid(alpha))
  // By elevator and speed, so that each is one curve over incidence.
  const curves = tables.drag.map(rows => speeds.map((_, v) => rows.map(row => row[v])))
  const paces = speeds.map(pace)
  const edges = edgesFor(liftAt, plates, tables.clMax, LEAST * tables.clMax)
  return {
    mass: tables.mass,
    inertia: tables.inertia,
    area: tables.area,
    chord,
    span: tables.span,
    density: tables.density,
    gravity: tables.gravity,
    CLq: tables.CLq,
    Cmq: tables.Cmq,
    at(alpha, speed, deflection) {
      const place = grid(alpha)
      const CL = liftAt(alpha) + (elevator?.CL ?? 0) * deflection
      const [v, vs] = placeIn(paces, pace(Math.max(SLOWEST, speed)))
      const next = Math.min(speeds.length - 1, v + 1)
      const dragOf = (k: number) => {
        const slow = cubic(curves[k][v], place)
        return Math.max(0.002, vs > 0 ? slow + vs * (cubic(curves[k][next], place) - slow) : slow)
      }
      const inducedOf = (k: number) => Math.max(0, cubic(tables.induced[k], place))
      const mixed = (of: (k: number) => number) => throughThree(elevators, of, deflection)
      const attached = {
        CL,
        CD: mixed(dragOf),
        induced: mixed(inducedOf),
        // A balance further aft lets lift lift the nose.
        Cm: cubic(tables.Cm, place) + (elevator?.Cm ?? 0) * deflection + shift * CL,
      }
      return blended(alpha, attached, plates, edges)
    },
  }
}
