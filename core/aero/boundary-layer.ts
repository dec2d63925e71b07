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
    i = 1
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
    if (lambda < LAMBDA_SEPARATION) return bubbleFrom(layer, i, x, s, speed, nu)
    if (x[i] >= tripAt || atTheta > 1.174 * (1 + 22400 / along) * along ** 0.46) {
      layer.transition = x[i]
      return turbulentFrom(layer, i, theta[i], 1.4, x, s, speed, nu)
    }
  }
  return layer
}

/** H(λ) by White's fit of Thwaites' table: 3.55 at separation, 2.61 on a plate, 2.2 at a stagnation point. */
function thwaitesShape(lambda: number): { h: number } {
  const l = Math.max(LAMBDA_SEPARATION, Math.min(0.25, lambda))
  const z = 0.25 - l
  return { h: 2 + 4.14 * z - 83.5 * z ** 2 + 854 * z ** 3 - 3337 * z ** 4 + 4576 * z ** 5 }
}

/**
 * Speed stands still along a bubble; θ then grows by what the momentum equation asks for when the speed comes
 * back.
 */
function bubbleFrom(
  layer: SideLayer,
  at: number,
  x: Float64Array,
  s: Float64Array,
  speed: Float64Array,
  nu: number,
): SideLayer {
  const n = x.length
  const end = s[at] + (BUBBLE_REYNOLDS * nu) / speed[at]
  layer.bubble = x[at]
  let back = at
  while (back < n && s[back] < end) back++
  const thetaAt = layer.theta[at]
  for (let i = at; i < Math.min(back, n); i++) {
    layer.theta[i] = thetaAt
    layer.shape[i] = BUBBLE_SHAPE
    layer.displacement[i] = BUBBLE_SHAPE * thetaAt
  }
  if (back >= n - 1) {
    layer.separation = x[at]
    layer.laminarSeparation = true
    layer.attachedTo = at
    // Shed as it is: the wake's momentum is that of the laminar layer brought to the trailing edge's speed.
    return layer
  }
  layer.transition = x[back]
  const grown =
    thetaAt * Math.min(BUBBLE_RECOVERY, Math.max(1, speed[at] / speed[back])) ** (2 + BUBBLE_SHAPE)
  return turbulentFrom(layer, back, grown, 1.75, x, s, speed, nu)
}

/** H₁ of Head against H, and back (Cebeci & Bradshaw's fit). */
const entrainmentShape = (h: number): number =>
  h <= 1.6 ? 3.3 + 0.8234 * Math.max(0.01, h - 1.1) ** -1.287 : 3.3 + 1.5501 * (h - 0.6778) ** -3.064
const shapeOfEntrainment = (h1: number): number =>
  h1 < 3.32 ? 3.2 : h1 >= 5.3 ? 1.1 + 0.86 * (h1 - 3.3) ** -0.777 : 0.6778 + 1.1536 * (h1 - 3.3) ** -0.326

/** Steps between two points: the layer changes fastest behind a bubble. */
const SUBSTEPS = 4

function turbulentFrom(
  layer: SideLayer,
  at: number,
  thetaStart: number,
  shapeStart: number,
  x: Float64Array,
  s: Float64Array,
  speed: Float64Array,
  nu: number,
): SideLayer {
  const n = x.length
  let theta = thetaStart,
    h = shapeStart
  let bulk = speed[at] * theta * entrainmentShape(h)
  for (let i = at; i < n; i++) {
    layer.theta[i] = theta
    layer.shape[i] = h
    layer.displacement[i] = h * theta
    if (h > H_SEPARATION) {
      layer.separation = Math.min(1, x[i])
      layer.attachedTo = i
      for (let k = i; k < n; k++)
        [layer.theta[k], layer.shape[k], layer.displacement[k]] = [theta, h, h * theta]
      return layer
    }
    if (i === n - 1) break
    const step = (s[i + 1] - s[i]) / SUBSTEPS,
      slope = (speed[i + 1] - speed[i]) / (s[i + 1] - s[i])
    for (let k = 0; k < SUBSTEPS; k++) {
      const u = Math.max(1e-3, speed[i] + slope * step * (k + 0.5))
      const friction = 0.246 * 10 ** (-0.678 * h) * Math.max(20, (u * theta) / nu) ** -0.268
      theta = Math.max(1e-9, theta + step * (friction / 2 - ((h + 2) * theta * slope) / u))
      const h1 = Math.max(3.31, bulk / (u * theta))
      bulk += step * u * 0.0306 * (h1 - 3) ** -0.6169
      h = Math.min(3.2, Math.max(1.15, shapeOfEntrainment(bulk / (u * theta))))
    }
  }
  return layer
}
