/**
 * One side's boundary layer from the stagnation point to the trailing edge, by integral methods. Laminar:
 * Thwaites
 * (1949). Transition: Michel (1951), or where the laminar layer separates first, at the end of a bubble.
 * Turbulent:
 * Head (1958) with Ludwieg and Tillmann's friction. Lengths in chords, speeds in the wind's, so ν is 1/Re.
 */

export interface SideLayer {
  /**
   * Distance from the stagnation point, momentum thickness, shape factor and displacement thickness at each
   * point.
   */
  s: Float64Array
  theta: Float64Array
  shape: Float64Array
  displacement: Float64Array
  /**
   * Chord shares: where it turns turbulent; where a bubble begins (null without one); where it leaves the
   * surface for good (1 if it does not).
   */
  transition: number
  bubble: number | null
  separation: number
  /** The laminar layer left and never came back. */
  laminarSeparation: boolean
  /** Index of the last point still attached. */
  attachedTo: number
}

/** Laminar layers leave where θ²/ν·du/ds falls to this (Thwaites). */
const LAMBDA_SEPARATION = -0.09
/**
 * A separated laminar layer turns turbulent after this length, as a Reynolds number (Horton 1968 has
 * 3–5·10⁴).
 */
const BUBBLE_REYNOLDS = 3e4
/** Shape factor across a bubble, laminar at separation to turbulent at its end, as a mean. */
const BUBBLE_SHAPE = 3.5
/** Greatest ratio of speeds over which a bubble closes; beyond it the growth of θ is held there. */
const BUBBLE_RECOVERY = 1.8
/** An endless open bubble sheds so much more than one that closes at the edge; with less room than this, less. */
const OPEN_GROWTH = 0.3,
  WHOLE_ROOM = 0.3
/** One that closes near the edge finds less of it: the wake beside it has not come back either. */
const RECOVERY_AT_EDGE = 1.2,
  NOSE = 0.35,
  EDGE = 0.85
function recoveryAt(x: number): number {
  const t = Math.min(1, Math.max(0, (x - NOSE) / (EDGE - NOSE)))
  return BUBBLE_RECOVERY + (RECOVERY_AT_EDGE - BUBBLE_RECOVERY) * t * t * (3 - 2 * t)
}
/** Turbulent layers leave at this shape factor (Head has it between 1.8 and 2.4). */
const H_SEPARATION = 1.9

/**
 * `x` are chord shares, `s` distances and `speed` the edge speeds from the stagnation point on (the first
 * speed may be nil).
 */
export function marchSide(
  x: Float64Array,
  s: Float64Array,
  speed: Float64Array,
  reynolds: number,
  tripAt = 1,
): SideLayer {
  const n = x.length,
    nu = 1 / reynolds
  const theta = new Float64Array(n),
    shape = new Float64Array(n),
    displacement = new Float64Array(n)
  const layer: SideLayer = {
    s,
    theta,
    shape,
    displacement,
    transition: 1,
    bubble: null,
    separation: 1,
    laminarSeparation: false,
    attachedTo: n - 1,
  }
  const gradient = (i: number) => (speed[i + 1] - speed[i - 1]) / (s[i + 1] - s[i - 1])
  let integral = 0,
    i = 1,
    lambdaBefore = 0,
    michelBefore = -1
  theta[0] = Math.sqrt((0.075 * nu) / Math.max(1e-6, (speed[1] - speed[0]) / (s[1] - s[0])))
  shape[0] = 2.24
  displacement[0] = shape[0] * theta[0]
  for (; i < n; i++) {
    const a = speed[i - 1],
      b = speed[i],
      h = s[i] - s[i - 1]
    // ∫u⁵ds of a straight run of speed.
    integral += (h * (a ** 5 + a ** 4 * b + a ** 3 * b ** 2 + a ** 2 * b ** 3 + a * b ** 4 + b ** 5)) / 6
    theta[i] = Math.sqrt((0.45 * nu * integral) / Math.max(1e-12, b ** 6))
    const lambda = i < n - 1 ? (theta[i] ** 2 * gradient(i)) / nu : 0
    const { h: factor } = thwaitesShape(lambda)
    shape[i] = factor
    displacement[i] = factor * theta[i]
    const atTheta = (b * theta[i]) / nu,
      along = (b * s[i]) / nu
    // Between two points the place is where its measure crosses: nothing steps from one point to the next.
    if (lambda < LAMBDA_SEPARATION) {
      const t = (lambdaBefore - LAMBDA_SEPARATION) / Math.max(1e-12, lambdaBefore - lambda)
      return bubbleFrom(
        layer,
        placeBetween(x, s, speed, i, t),
        mix(theta[i - 1], theta[i], t),
        i,
        x,
        s,
        speed,
        nu,
      )
    }
    const michel = atTheta / (1.174 * (1 + 22400 / along) * along ** 0.46) - 1
    if (x[i] >= tripAt || michel > 0) {
      const t = x[i] >= tripAt ? 1 : -michelBefore / Math.max(1e-12, michel - michelBefore)
      const from = placeBetween(x, s, speed, i, Math.min(1, Math.max(0, t)))
      layer.transition = from.x
      return turbulentFrom(layer, from, mix(theta[i - 1], theta[i], t), 1.4, i, x, s, speed, nu)
    }
    lambdaBefore = lambda
    michelBefore = michel
  }
  return layer
}

/** A place between point i − 1 and point i. */
interface Between {
  x: number
  s: number
  speed: number
}
const mix = (a: number, b: number, t: number): number => a + (b - a) * t
const placeBetween = (
  x: Float64Array,
  s: Float64Array,
  speed: Float64Array,
  i: number,
  t: number,
): Between => ({
  x: mix(x[i - 1], x[i], t),
  s: mix(s[i - 1], s[i], t),
  speed: mix(speed[i - 1], speed[i], t),
})

/** H(λ) by White's fit of Thwaites' table: 3.55 at separation, 2.61 on a plate, 2.2 at a stagnation point. */
function thwaitesShape(lambda: number): { h: number } {
  const l = Math.max(LAMBDA_SEPARATION, Math.min(0.25, lambda))
  const z = 0.25 - l
  return { h: 2 + 4.14 * z - 83.5 * z ** 2 + 854 * z ** 3 - 3337 * z ** 4 + 4576 * z ** 5 }
}

/**
 * Speed stands still along a bubble; θ then grows by what the momentum equation asks for when the speed comes
 * back. A bubble that is longer than what is left of the chord stays open: its momentum is that of one that closes
 * at the edge and more, and of the chord behind it less and less lifts, down to none at twice that length.
 */
function bubbleFrom(
  layer: SideLayer,
  from: Between,
  thetaAt: number,
  next: number,
  x: Float64Array,
  s: Float64Array,
  speed: Float64Array,
  nu: number,
): SideLayer {
  const n = x.length
  const length = (BUBBLE_REYNOLDS * nu) / from.speed,
    room = s[n - 1] - from.s
  const end = from.s + length
  layer.bubble = from.x
  let back = next
  while (back < n - 1 && s[back] < end) back++
  const open = end >= s[n - 1]
  const t = open ? 1 : (end - s[back - 1]) / (s[back] - s[back - 1])
  const closes = placeBetween(x, s, speed, back, t)
  const growth =
    Math.min(recoveryAt(closes.x), Math.max(1, from.speed / closes.speed)) ** (2 + BUBBLE_SHAPE) *
    (1 + OPEN_GROWTH * Math.max(0, 1 - room / length))
  // The last stretch of the chord has no room for a bubble to grow in.
  const grown = thetaAt * (1 + (growth - 1) * Math.min(1, room / WHOLE_ROOM) ** 2)
  for (let i = next; i < n; i++) {
    layer.theta[i] = mix(
      thetaAt,
      grown,
      Math.min(1, (s[i] - from.s) / Math.min(length, Math.max(1e-9, room))),
    )
    layer.shape[i] = BUBBLE_SHAPE
    layer.displacement[i] = BUBBLE_SHAPE * layer.theta[i]
  }
  if (open) {
    layer.laminarSeparation = true
    layer.separation = mix(1, from.x, Math.min(1, Math.max(0, length / room - 1)))
    return layer
  }
  layer.transition = closes.x
  return turbulentFrom(layer, closes, grown, 1.75, back, x, s, speed, nu)
}

/** H₁ of Head against H, and back (Cebeci & Bradshaw's fit). */
const entrainmentShape = (h: number): number =>
  h <= 1.6 ? 3.3 + 0.8234 * Math.max(0.01, h - 1.1) ** -1.287 : 3.3 + 1.5501 * (h - 0.6778) ** -3.064
const shapeOfEntrainment = (h1: number): number =>
  h1 < 3.32 ? 3.2 : h1 >= 5.3 ? 1.1 + 0.86 * (h1 - 3.3) ** -0.777 : 0.6778 + 1.1536 * (h1 - 3.3) ** -0.326

/** Steps between two points: the layer changes fastest behind a bubble. */
const SUBSTEPS = 4

/** From a place between point `next` − 1 and point `next` on. */
function turbulentFrom(
  layer: SideLayer,
  from: Between,
  thetaStart: number,
  shapeStart: number,
  next: number,
  x: Float64Array,
  s: Float64Array,
  speed: Float64Array,
  nu: number,
): SideLayer {
  const n = x.length
  let theta = thetaStart,
    h = shapeStart,
    here = from
  let bulk = from.speed * theta * entrainmentShape(h)
  for (let i = next; i < n; i++) {
    const step = (s[i] - here.s) / SUBSTEPS,
      slope = (speed[i] - here.speed) / Math.max(1e-12, s[i] - here.s)
    const before = h
    for (let k = 0; k < SUBSTEPS; k++) {
      const u = Math.max(1e-3, here.speed + slope * step * (k + 0.5))
      const friction = 0.246 * 10 ** (-0.678 * h) * Math.max(20, (u * theta) / nu) ** -0.268
      theta = Math.max(1e-9, theta + step * (friction / 2 - ((h + 2) * theta * slope) / u))
      const h1 = Math.max(3.31, bulk / (u * theta))
      bulk += step * u * 0.0306 * (h1 - 3) ** -0.6169
      h = Math.min(3.2, Math.max(1.15, shapeOfEntrainment(bulk / (u * theta))))
    }
    layer.theta[i] = theta
    layer.shape[i] = h
    layer.displacement[i] = h * theta
    if (h > H_SEPARATION) {
      const t = Math.min(1, Math.max(0, (H_SEPARATION - before) / Math.max(1e-9, h - before)))
      layer.separation = Math.min(1, mix(here.x, x[i], t))
      layer.attachedTo = i
      for (let k = i; k < n; k++)
        [layer.theta[k], layer.shape[k], layer.displacement[k]] = [theta, h, h * theta]
      return layer
    }
    here = { x: x[i], s: s[i], speed: speed[i] }
  }
  return layer
}
