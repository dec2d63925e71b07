/**
 * The drop in the brief, on legs or belly, and whether legs, mounts and the structure round them bear it. SI
 * inside.
 */
import type { Leg } from '../../document'
import { zoneOr } from '../../geometry'
import {
  BELLY_STROKE,
  coilOf,
  drop,
  forceAt,
  legBears,
  legForce,
  mountBears,
  printedMaterial,
  sinkSpeed,
  springBears,
  springIndex,
  springOf,
  squashMm,
  together,
  type Coil,
  type ForceLine,
} from '../../structure'
import { GRAVITY, mmToM, mToMm, q, say } from '../../units'
import type { Designed } from '../resolve'
import type { GearReport, PlaceReport, SpringReport } from '../report'

export interface GearStage {
  report: GearReport
  places: PlaceReport[]
  line: ForceLine
}

const wheels = (leg: Leg): number => (leg.pair ? 2 : 1)

/** A nose or tail leg comes down after the mains, with about this share of the load. */
const THIRD_LEG_SHARE = 1 / 3

/** Legs that touch first: those nearest to the CG. */
export function mainLegs(gear: readonly Leg[], cgMm: number): Leg[] {
  const nearest = Math.min(...gear.map(leg => Math.abs(leg.xMm - cgMm)))
  return gear.filter(leg => Math.abs(leg.xMm - cgMm) < nearest + 40)
}

/** `fallMm` may differ from the brief's, for a test. */
export function gearOf(
  airframe: Designed,
  mass: number,
  cgMm: number,
  fallMm = airframe.doc.brief.dropMm,
): GearStage {
  const { brief, gear } = airframe.doc
  const height = mmToM(fallMm),
    weight = mass * GRAVITY
  const mains = mainLegs(gear, cgMm)
  const onLegs = brief.landing === 'wheels' && mains.length > 0
  const printed = (leg: Leg) => airframe.warm.filamentOf(zoneOr(airframe.doc.zones, leg.zone))
  const count = mains.reduce((sum, leg) => sum + wheels(leg), 0)
  const lines = mains.map(leg => ({ leg, line: legForce(leg, printed(leg), weight / Math.max(1, count)) }))
  const line: ForceLine = onLegs
    ? together(lines.flatMap(item => Array.from({ length: wheels(item.leg) }, () => item.line)))
    : bellyLine(mass, height)
  const fallen = drop(line, mass, height, GRAVITY)
  const others = gear.filter(leg => !mains.includes(leg))
  const places = !onLegs
    ? []
    : [
        ...lines.flatMap(({ leg, line: own }) =>
          legPlaces(airframe, leg, forceAt(own, fallen.travel), printed(leg), brief.safetyFactor),
        ),
        ...others.flatMap(leg =>
          legPlaces(
            airframe,
            leg,
            (THIRD_LEG_SHARE * fallen.force) / wheels(leg),
            printed(leg),
            brief.safetyFactor,
          ),
        ),
      ]
  // The second point of a sprung leg's line is its stop.
  const bottoms = onLegs
    ? lines
        .filter(({ leg, line: own }) => leg.kind === 'sprung' && fallen.travel > own[1].travel)
        .map(({ leg }) => leg.name)
    : []
  return {
    line,
    places,
    report: {
      travelMm: mToMm(fallen.travel),
      peakN: fallen.force,
      factor: fallen.factor,
      heightMm: fallMm,
      sinkMs: sinkSpeed(height, GRAVITY),
      fallJ: fallen.fall,
      workJ: fallen.work,
      on: brief.landing === 'net' ? 'net' : onLegs ? 'legs' : 'belly',
      bottoms,
      springs: gear.flatMap(springReport),
      tyres: gear
        .filter(leg => leg.printedWheel !== null)
        .map(leg => ({ leg: leg.id, givesMm: squashMm(leg) })),
    },
  }
}

function springReport(leg: Leg): SpringReport[] {
  const coil = coilOf(leg)
  if (!coil) return []
  const { rate, travel } = springOf(leg)
  return [
    {
      leg: leg.id,
      rateNmm: rate / 1000,
      travelMm: mToMm(travel),
      solid: travel < mmToM(leg.travelMm),
      share: (rate * travel) / springBears(coil),
      index: springIndex(coil),
      slender: coil.free / coil.coil,
    },
  ]
}

/**
 * Grass and belly give like a spring that takes this drop over the stroke: F = 2·m·g·(h + d)/d at its end.
 */
function bellyLine(mass: number, height: number): ForceLine {
  return [
    { travel: 0, force: 0 },
    { travel: BELLY_STROKE, force: (2 * mass * GRAVITY * (height + BELLY_STROKE)) / BELLY_STROKE },
  ]
}

function legPlaces(
  airframe: Designed,
  leg: Leg,
  force: number,
  printed: { modulus: number; strength: number },
  factor: number,
): PlaceReport[] {
  const zone = zoneOr(airframe.doc.zones, leg.zone)
  const plastic = printedMaterial({ ...zone.recipe, stance: 'standing' }, airframe.warm.filamentOf(zone))
  const mount = mountBears(leg, plastic),
    bears = legBears(leg, printed)
  const place = (
    id: string,
    part: PlaceReport['part'],
    mode: string,
    holds: number,
    remedy: string,
  ): PlaceReport => ({
    id: `${leg.id}-${id}`,
    part,
    label: leg.name,
    xMm: leg.xMm,
    mode,
    gives: part === 'gear' && leg.kind !== 'printed' ? 'stock' : 'plastic',
    case: 'landing',
    reserve: Math.min(1e4, holds / Math.max(1e-9, force * factor)),
    words: say`${q(force, 'N', 0)} on the wheel × ${factor}; it bears ${holds < 1e5 ? say`${q(holds, 'N', 0)}` : 'plenty'}`,
    remedy,
    subject: leg.id,
  })
  const coil = coilOf(leg)
  return [
    ...(coil ? [springPlace(leg, coil, force, factor)] : []),
    ...(leg.kind === 'sprung'
      ? []
      : [place('leg', 'gear', 'leg bends', bears, leg.kind === 'wire' ? 'a thicker wire' : 'a thicker leg')]),
    place('bearing', 'mount', 'mount bears on the plastic', mount.bearing, 'a longer mount'),
    place('around', 'mount', 'structure round the mount', mount.around, 'more plastic round the mount'),
  ]
}

/** The wire of a coil spring; past the stop it is pressed no further. */
function springPlace(leg: Leg, coil: Coil, force: number, factor: number): PlaceReport {
  const { rate, travel } = springOf(leg)
  const most = rate * travel,
    asked = Math.min(force * factor, most),
    bears = springBears(coil)
  return {
    id: `${leg.id}-spring`,
    part: 'gear',
    label: leg.name,
    xMm: leg.xMm,
    mode: 'spring wire yields',
    gives: 'stock',
    case: 'landing',
    reserve: Math.min(1e4, bears / Math.max(1e-9, asked)),
    words: say`${q(asked, 'N', 0)} on the spring${asked < most ? say` (${q(force, 'N', 0)} × ${factor})` : ', at its stop'}; its wire bears ${q(bears, 'N', 0)}`,
    remedy: 'a wider coil of more turns, or a thicker wire',
    subject: leg.id,
  }
}
