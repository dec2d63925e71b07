/**
 * What a section bears after its skin has buckled. Between its supports a buckled panel carries no more than an
 * effective width beside them (von Kármán, Sechler & Donnell 1932; Winter 1947), the section bends about what is
 * left, and it collapses when an edge is crushed, torn, or a spar gives way. In shear a buckled panel goes on as a
 * field of tension (Basler; EN 1993-1-5). SI.
 */
import { stockArea } from '../libraries'
import { mmToM } from '../units'
import { combinedBuckling } from './skin-buckling'
import { curvatures } from './thin-walled-section'
import type { StationBuild } from './wing-station'
import type { StationSection } from './station-section'

/** Width of a buckled panel that still carries over its whole width, at `past` = ε/ε_cr (Winter). */
export function effectiveWidth(past: number): number {
  const slender = Math.sqrt(Math.max(0, past))
  return slender <= WINTER_FROM ? 1 : (1 - 0.22 / slender) / slender
}
/** Where Winter's curve leaves 1: 1 − 0.22/λ = λ. */
const WINTER_FROM = (1 + Math.sqrt(1 - 0.88)) / 2

/** The same of a strip that is held along one side only (EN 1993-1-5, 4.4): (1 − 0.188/λ)/λ. */
export function outstandWidth(past: number): number {
  const slender = Math.sqrt(Math.max(0, past))
  return slender <= OUTSTAND_FROM ? 1 : (1 - 0.188 / slender) / slender
}
const OUTSTAND_FROM = (1 + Math.sqrt(1 - 4 * 0.188)) / 2

/**
 * Share of its shear strength at which a panel in shear gives way, with λ² = strength/buckling stress: a field of
 * tension between stiff edges, χ = 1.37/(0.7 + λ), never more than 1 (EN 1993-1-5, 5.2).
 */
export const shearAfterBuckling = (strength: number, buckling: number): number =>
  Math.min(1, 1.37 / (0.7 + Math.sqrt(strength / Math.max(1e-9, buckling))))

/** What gives way first as the section is bent further. */
export type Collapse = 'torn' | 'crushed' | 'spar'

export interface Bearing {
  /** Multiples of the given moment: where the section gives way, and where its skin first buckles. */
  collapse: number
  by: Collapse
  buckled: boolean
}

interface Parts {
  /** Beside the centroid, m; E·A, N; strain at which each buckles in compression. */
  x: Float64Array
  y: Float64Array
  EA: Float64Array
  buckles: Float64Array
  spars: ReadonlyArray<{
    x: number
    y: number
    EA: number
    EIx: number
    EIy: number
    strainAt(kx: number, ky: number, at: number): number
  }>
}

const kept = new WeakMap<StationBuild, Parts>()

function partsOf(station: StationSection, build: StationBuild): Parts {
  const known = kept.get(build)
  if (known) return known
  const { section, shear, skin } = build
  const { bending } = shear
  const ring = build.thickness.length
  const buckles = new Float64Array(ring).fill(Infinity)
  for (let k = 0; k < skin.count; k++) if (skin.whole[k]) buckles[skin.wall[k]] = 1 / skin.pressed[k]
  const { walls } = section
  let count = 0
  for (const wall of walls) if (wall.Et > 0) count++
  const x = new Float64Array(count),
    y = new Float64Array(count),
    stiff = new Float64Array(count),
    gives = new Float64Array(count)
  for (let w = 0, i = 0; w < walls.length; w++) {
    const { a, b, Et } = walls[w]
    if (!(Et > 0)) continue
    x[i] = (section.x[a] + section.x[b]) / 2 - bending.x
    y[i] = (section.y[a] + section.y[b]) / 2 - bending.y
    stiff[i] = Et * Math.hypot(section.x[b] - section.x[a], section.y[b] - section.y[a])
    // The inner skin of two goes with the outer one: they bend as one plate.
    gives[i++] = w < build.rings * ring ? buckles[w % ring] : Infinity
  }
  const parts: Parts = {
    x,
    y,
    EA: stiff,
    buckles: gives,
    spars: section.spars.map(({ node, EA, EIx, EIy }, i) => {
      const { stock } = station.spars[i].line
      const slip = EA / Math.max(1e-9, stock.modulus * stockArea(stock))
      const wide = mmToM(stock.widthMm) / 2,
        high = mmToM(stock.heightMm) / 2
      const most = stock.strength / stock.modulus
      return {
        x: section.x[node] - bending.x,
        y: section.y[node] - bending.y,
        EA,
        EIx,
        EIy,
        strainAt: (kx, ky, at) => {
          const across = Math.abs(kx) * wide,
            up = Math.abs(ky) * high
          const own = stock.shape === 'round' ? Math.hypot(across, up) : across + up
          return (slip * Math.abs(at) + own) / most
        },
      }
    }),
  }
  kept.set(build, parts)
  return parts
}

interface Bent {
  /** Resisted, as a multiple of the given moment. */
  resisted: number
  /** Greatest strains: stretched and pressed. */
  most: number
  least: number
  /** Greatest use of a spar's strength. */
  spar: number
  buckled: boolean
  /** Strain where the linear neutral axis was: it has moved by as much. */
  shift: number
}

/** Rounds in which the neutral axis settles; about four are needed. */
const ROUNDS = 30

/** The section bent by k times the linear curvatures of a moment; `guess` of the shift of its neutral axis. */
function bend(parts: Parts, kx: number, ky: number, work: number, guess: number): Bent {
  const { x, y, EA, buckles, spars } = parts
  let shift = guess,
    buckled = false
  // The force along the span rises with the shift: it lies between those that were too little and too much.
  let low = -Infinity,
    high = Infinity,
    lastShift = NaN,
    lastForce = NaN
  let resisted = 0,
    most = 0,
    least = 0
  for (let round = 0; round < ROUNDS; round++) {
    let force = 0,
      stiff = 0,
      mx = 0,
      my = 0
    most = least = 0
    buckled = false
    for (let i = 0; i < x.length; i++) {
      const strain = kx * x[i] + ky * y[i] + shift
      let left = EA[i]
      if (strain < 0) {
        if (strain < least) least = strain
        const width = effectiveWidth(-strain / buckles[i])
        if (width < 1) buckled = true
        left *= width
      } else if (strain > most) most = strain
      force += left * strain
      stiff += left
      mx += left * strain * y[i]
      my += left * strain * x[i]
    }
    for (const spar of spars) {
      const strain = kx * spar.x + ky * spar.y + shift
      force += spar.EA * strain
      stiff += spar.EA
      mx += spar.EA * strain * spar.y + spar.EIx * ky
      my += spar.EA * strain * spar.x + spar.EIy * kx
    }
    // Work done on the given curvature: for a section that has not buckled just the multiple of the moment.
    resisted = work > 0 ? (mx * ky + my * kx) / work : 0
    const step = stiff > 0 ? force / stiff : 0
    if (Math.abs(step) < 1e-7 * (most - least)) break
    if (force < 0) low = shift
    else high = shift
    // The chord through the last two, and where that leads out of what is known, the stiffness that is left.
    const chord = (force * (shift - lastShift)) / (force - lastForce)
    lastShift = shift
    lastForce = force
    const next = shift - chord
    shift = next > low && next < high ? next : shift - step
  }
  const spar = Math.max(0, ...spars.map(item => item.strainAt(kx, ky, kx * item.x + ky * item.y + shift)))
  return { resisted, most, least, spar, buckled, shift }
}

/** How near a wanted value is found, as a share of it. */
const EXACT = 1e-5
/** Steps of the false position at most: it needs about six. */
const STEPS = 60

/** k at which a rising function that begins at 0 reaches a value, by false position (Illinois); from a guess. */
function solveFor(of: (k: number) => number, wanted: number, guess: number): number {
  let low = 0,
    atLow = -wanted,
    high = guess,
    atHigh = of(high) - wanted
  for (let i = 0; i < 40 && atHigh < 0; i++) {
    low = high
    atLow = atHigh
    high *= 1.5
    atHigh = of(high) - wanted
  }
  let side = 0
  for (let i = 0; i < STEPS; i++) {
    const k = (low * atHigh - high * atLow) / (atHigh - atLow)
    const value = of(k) - wanted
    if (Math.abs(value) < EXACT * wanted) return k
    if (value < 0) {
      low = k
      atLow = value
      if (side < 0) atHigh /= 2
      side = -1
    } else {
      high = k
      atHigh = value
      if (side > 0) atLow /= 2
      side = 1
    }
  }
  return (low + high) / 2
}

/** Strains at which skin is torn and crushed. */
export interface Limits {
  torn: number
  crushed: number
}

/**
 * How often the moment (N·m, tips up, and tip aft) is borne before the section gives way. Never less for a
 * stiffer support, a thicker skin or one spar more.
 */
export function collapseUnder(
  station: StationSection,
  build: StationBuild,
  moment: number,
  lag: number,
  limits: Limits,
): Bearing {
  if (Math.abs(moment) + Math.abs(lag) < 1e-12) return { collapse: Infinity, by: 'torn', buckled: false }
  if (lag !== 0) return found(station, build, moment, lag, limits)
  // Straight up or down it is the same moment for every load.
  const list = upright.get(build) ?? []
  upright.set(build, list)
  const up = moment > 0
  let known = list.find(
    item => item.up === up && item.torn === limits.torn && item.crushed === limits.crushed,
  )
  if (!known) {
    known = { up, ...limits, ...found(station, build, up ? 1 : -1, 0, limits) }
    list.push(known)
  }
  return { ...known, collapse: known.collapse / Math.abs(moment) }
}
const upright = new WeakMap<StationBuild, Array<Limits & Bearing & { up: boolean }>>()

function found(
  station: StationSection,
  build: StationBuild,
  moment: number,
  lag: number,
  { torn, crushed }: Limits,
): Bearing {
  const parts = partsOf(station, build)
  const { alongX, alongY } = curvatures(build.shear.bending, -moment, -lag)
  const at = bending(parts, alongX, alongY)
  // Linear first: nothing that has buckled bears more.
  const linear = at(LITTLE)
  const use = (bent: Bent): number => Math.max(bent.most / torn, -bent.least / crushed, bent.spar)
  if (!(use(linear) > 0)) return { collapse: Infinity, by: 'torn', buckled: false }
  const last = at(solveFor(k => use(at(k)), 1, LITTLE / use(linear)))
  const uses: Array<[Collapse, number]> = [
    ['torn', last.most / torn],
    ['crushed', -last.least / crushed],
    ['spar', last.spar],
  ]
  return {
    collapse: last.resisted,
    by: uses.reduce((a, b) => (b[1] > a[1] ? b : a))[0],
    buckled: last.buckled,
  }
}
/** A multiple of the moment so small that nothing has buckled. */
const LITTLE = 1e-7

/** Bent by multiples of a curvature, one after another: each begins from where the neutral axis was before. */
function bending(parts: Parts, alongX: number, alongY: number): (k: number) => Bent {
  const work = workOf(parts, alongX, alongY)
  let perK = 0
  return k => {
    const bent = bend(parts, k * alongX, k * alongY, work * k, perK * k)
    perK = k > 0 ? bent.shift / k : 0
    return bent
  }
}

/** What the linear section does on the curvature of one moment, N. */
function workOf({ x, y, EA, spars }: Parts, alongX: number, alongY: number): number {
  let work = 0
  for (let i = 0; i < x.length; i++) work += EA[i] * (alongX * x[i] + alongY * y[i]) ** 2
  for (const spar of spars)
    work +=
      spar.EA * (alongX * spar.x + alongY * spar.y) ** 2 + spar.EIx * alongY ** 2 + spar.EIy * alongX ** 2
  return work
}

/** Share of shear stiffness that is left in a complete field of tension: G = E/4 for E/2(1 + ν) (Kuhn 1952). */
const TENSION_FIELD = 0.65

/** Share of the linear bending and torsional stiffness that is left under a load. */
export function stiffnessUnder(
  station: StationSection,
  build: StationBuild,
  load: { shear: number; moment: number; torque: number; lag: number },
): { bending: number; torsion: number } {
  // A film counts as if it had wrinkled from the first.
  if (build.covered) return { bending: 1, torsion: 1 }
  const parts = partsOf(station, build)
  const { alongX, alongY } = curvatures(build.shear.bending, -load.moment, -load.lag)
  // The curvature that resists the moment.
  const at = bending(parts, alongX, alongY)
  const linear = (load.moment === 0 && load.lag === 0) || !at(1).buckled
  const k = linear
    ? 1
    : Math.max(
        1,
        solveFor(factor => at(factor).resisted, 1, 1.2),
      )
  const { skin, section, thickness } = build
  let around = 0,
    softer = 0
  for (let i = 0; i < skin.count; i++) {
    const { a, b } = section.walls[skin.wall[i]]
    const length = Math.hypot(section.x[b] - section.x[a], section.y[b] - section.y[a])
    const strain = k * (alongX * skin.x[i] + alongY * skin.y[i])
    const pressed = skin.whole[i] && strain < 0 ? -strain * skin.pressed[i] : 0,
      slid = skin.whole[i]
        ? Math.abs(load.shear * skin.up[i] + load.torque * skin.torque[i]) * skin.sheared[i]
        : 0
    const past = pressed + slid > 1e-9 ? 1 / combinedBuckling(pressed, slid) : 0
    const field = past > 1 ? 1 - (1 - TENSION_FIELD) * Math.tanh(0.5 * Math.log10(past)) : 1
    const left = field * effectiveWidth(pressed)
    around += length / thickness[skin.wall[i]]
    softer += length / (thickness[skin.wall[i]] * left)
  }
  const spars = section.spars.reduce((sum, spar) => sum + spar.GJ, 0)
  const cells = Math.max(0, build.shear.GJ - spars)
  const torsion =
    build.shear.GJ > 0 ? (spars + (cells * around) / Math.max(1e-12, softer)) / build.shear.GJ : 1
  return { bending: 1 / k, torsion: Math.min(1, torsion) }
}
