/** Landing-gear legs: how they give, and what they bear. SI. */
import type { Leg } from '../document'
import { gpaToPa, mmToM, mpaToPa } from '../units'
import { springMass, springRate, springTravel, type Coil } from './coil-spring'
import type { ForceLine } from './drop'

/** Spring steel wire. */
const STEEL = { modulus: gpaToPa(200), strength: mpaToPa(1200), density: 7850 }
/** Grass drags a wheel back with about this share of what presses it down. */
export const DRAG_SHARE = 0.3
/** A tyre is squashed flat by this many times the weight that rests on it. */
const TYRE_FACTOR = 5
/** A printed tyre, which is not hollow, is squashed by no more than this share of what is printed of it. */
export const PRINTED_TYRE_GIVES = 0.5

/** How far the tyre can be squashed, mm: as said, and no further than what is printed gives. */
export const squashMm = ({ tyreMm, printedWheel }: Leg): number =>
  printedWheel
    ? Math.min(tyreMm, printedWheel.tyre === null ? 0 : PRINTED_TYRE_GIVES * printedWheel.thickMm)
    : tyreMm
/** Beyond its stop a leg gives a last millimetre or two of mount and structure. */
const STOP_TRAVEL = 2e-3

export interface LegMaterial {
  modulus: number
  strength: number
}

/** The spring of a sprung leg as it is wound; null where its rate is known. */
export const coilOf = ({ kind, coil }: Leg): Coil | null =>
  kind === 'sprung' && coil
    ? {
        wire: mmToM(coil.wireMm),
        coil: mmToM(coil.coilMm),
        turns: coil.turns,
        free: mmToM(coil.freeMm),
      }
    : null

/** What gives nothing gives a hair, so that a force has its travel, m. */
const LEAST_TRAVEL = 1e-4

/** Rate of a sprung leg, N/m, and how far it goes, m: to its stop, or until its spring is solid. */
export function springOf(leg: Leg): { rate: number; travel: number } {
  const coil = coilOf(leg),
    stop = mmToM(leg.travelMm)
  return coil
    ? { rate: springRate(coil), travel: Math.max(LEAST_TRAVEL, Math.min(stop, springTravel(coil))) }
    : { rate: leg.springNmm * 1000, travel: stop }
}

const length = (leg: Leg): number => Math.hypot(mmToM(leg.dropMm), mmToM(leg.splayMm))
/** Mass of one leg without wheel, kg. */
export function legMass(leg: Leg, density: number): number {
  const coil = coilOf(leg)
  const area =
    leg.kind === 'wire'
      ? (Math.PI / 4) * mmToM(leg.thicknessMm) ** 2
      : mmToM(leg.thicknessMm) * mmToM(leg.widthMm)
  return area * length(leg) * (leg.kind === 'wire' ? STEEL.density : density) + (coil ? springMass(coil) : 0)
}

function section(leg: Leg): { inertia: number; modulus: number } {
  const t = mmToM(leg.thicknessMm)
  const inertia = leg.kind === 'wire' ? (Math.PI / 64) * t ** 4 : (mmToM(leg.widthMm) * t ** 3) / 12
  return { inertia, modulus: inertia / (t / 2) }
}

export const legMaterial = (leg: Leg, printed: LegMaterial): LegMaterial =>
  leg.kind === 'wire' ? STEEL : printed

/**
 * Upward force on one wheel against travel of its axle. A leg inclined outward by b over a length L bends
 * like a cantilever: k = 3EI/(b²·L);
 * a sprung leg follows its spring to the stop. The tyre gives in series. `rests` is the weight on this wheel,
 * N.
 */
export function legForce(leg: Leg, printed: LegMaterial, rests: number): ForceLine {
  const { modulus } = legMaterial(leg, printed)
  const squash = squashMm(leg)
  const tyre = squash > 0 ? (TYRE_FACTOR * rests) / mmToM(squash) : Infinity
  const series = (k: number) => 1 / (1 / k + 1 / tyre)
  if (leg.kind === 'sprung') {
    const { rate: spring, travel: stop } = springOf(leg)
    const first = { travel: stop + (spring * stop) / tyre, force: spring * stop }
    // The stop: ten times the force over the last bit of travel.
    return [
      { travel: 0, force: 0 },
      first,
      { travel: first.travel + STOP_TRAVEL, force: first.force + Math.max(10 * first.force, 50 * rests) },
    ]
  }
  // A leg straight down does not bend under a load from below; what gives then is the little that is not
  // straight.
  const lever = Math.max(mmToM(leg.splayMm), 0.05 * length(leg), 1e-3)
  const k = series((3 * modulus * section(leg).inertia) / (lever * lever * length(leg)))
  return [
    { travel: 0, force: 0 },
    { travel: 0.01, force: 0.01 * k },
  ]
}

/**
 * Bending moments at the top of a leg under a force up and the drag that comes with it, N·m: sideways and
 * rearward.
 */
export const legMoments = (leg: Leg, force: number): { side: number; rear: number } => ({
  side: force * mmToM(leg.splayMm),
  rear: DRAG_SHARE * force * mmToM(leg.dropMm),
})

/** Force on a wheel that the leg itself bears, N; a sprung leg is taken as rigid. */
export function legBears(leg: Leg, printed: LegMaterial): number {
  if (leg.kind === 'sprung') return Infinity
  const { side, rear } = legMoments(leg, 1)
  const { strength } = legMaterial(leg, printed)
  if (leg.kind === 'wire') return (strength * section(leg).modulus) / Math.max(1e-9, Math.hypot(side, rear))
  const across = (mmToM(leg.thicknessMm) * mmToM(leg.widthMm) ** 2) / 6
  return strength / Math.max(1e-9, side / section(leg).modulus + rear / across)
}

/**
 * Force on a wheel that the mount bears, N: the couple presses the leg on the plastic over its bearing, p =
 * F/(l·w) + 6M/(w·l²) against the plastic's compressive strength; and the structure around it is sheared out
 * over its perimeter, as deep as the plastic round it.
 */
export function mountBears(
  leg: Leg,
  plastic: { compression: number; shear: number },
): { bearing: number; around: number } {
  const l = mmToM(leg.mount.lengthMm),
    w = mmToM(leg.mount.widthMm),
    depth = mmToM(leg.mount.depthMm)
  const { side, rear } = legMoments(leg, 1)
  return {
    bearing: plastic.compression / (1 / (l * w) + (6 * Math.hypot(side, rear)) / (w * l * l)),
    around: (plastic.shear * 2 * (l + w) * depth) / (1 + (2 * Math.hypot(side, rear)) / (l + w)),
  }
}
