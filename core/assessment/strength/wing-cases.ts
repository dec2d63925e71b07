/** The load cases that the wing is held against, from the brief. SI. */
import { zoneOr } from '../../geometry'
import { bungeeAcceleration, bungeeLoadFactor, netDeceleration, throwAcceleration } from '../../structure'
import { GRAVITY, q, say, type Words } from '../../units'
import type { Flying } from './wing-loads'
import type { WingSurface } from './wing-bearing'
import { weakerInStillAir } from './still-air'
import { briefTemperature, type Designed } from '../resolve'
import { airOf } from '../flight'
import type { LoadsReport, CaseReport, GearReport } from '../report'

export interface WingCase {
  id: CaseReport['id']
  label: string
  words: Words
  flying: Flying
}

/** A launch's loads are raised by as much as the weakest plastic of the wing has lost against the air of flight. */
function stillAir(airframe: Designed, name: WingSurface): { by: number; temperatureC: number } {
  const { doc, surfaces, pieces, filamentOf } = airframe
  const printed = pieces.filter(piece => piece.part === name).map(piece => piece.zone)
  const zones = printed.length ? printed : surfaces[name]!.zones.map(zone => zoneOr(doc.zones, zone))
  return {
    temperatureC: briefTemperature(doc, 'field'),
    by: weakerInStillAir(
      airframe,
      zones.map(zone => filamentOf(zone).softeningC),
    ),
  }
}

export function wingCases(
  airframe: Designed,
  loads: LoadsReport,
  gear: GearReport,
  mass: number,
  stallMs: number,
  name: WingSurface = 'wing',
): WingCase[] {
  const { doc } = airframe,
    { brief } = doc,
    { density } = airOf(doc)
  const pressure = (speed: number) => (density * speed * speed) / 2
  return [
    ...loads.corners.map(({ id, n, speed, by }): WingCase => ({
      id,
      label: by,
      words:
        id === 'dive'
          ? say`1 g at ${q(speed, 'm/s', 1)}: the sections' own moments twist most`
          : say`${n < 0 ? '−' : ''}${q(Math.abs(n), 'gₙ', 1)} at ${q(speed, 'm/s', 1)}`,
      flying: { lift: n, weight: n, pressure: pressure(speed), forward: 0 },
    })),
    ...launch(brief, mass).map(item => warmed(item, stillAir(airframe, name))),
    landing(brief, gear, stallMs),
  ]
}

const warmed = (item: WingCase, { by, temperatureC }: ReturnType<typeof stillAir>): WingCase => ({
  ...item,
  words: say`${item.words}, skin at ${q(temperatureC, '°C', 0)} in still air`,
  flying: {
    ...item.flying,
    lift: by * item.flying.lift,
    weight: by * item.flying.weight,
    forward: by * item.flying.forward,
  },
})

function launch(brief: Designed['doc']['brief'], mass: number): WingCase[] {
  if (brief.launch === 'hand') {
    const forward = throwAcceleration(brief.throwMs) / GRAVITY
    return [
      {
        id: 'launch',
        label: 'hand throw',
        words: say`let go at ${q(brief.throwMs, 'm/s', 1)}: ${q(forward, 'gₙ', 1)} forward, no lift yet`,
        flying: { lift: 0, weight: 1, pressure: 0, forward },
      },
    ]
  }
  if (brief.launch === 'bungee') {
    const lift = bungeeLoadFactor(brief.bungeeN, mass * GRAVITY),
      forward = bungeeAcceleration(brief.bungeeN, mass) / GRAVITY
    return [
      {
        id: 'launch',
        label: 'bungee',
        words: say`${q(brief.bungeeN, 'N', 0)} of pull: ${q(lift, 'gₙ', 1)} up, ${q(forward, 'gₙ', 1)} forward`,
        flying: { lift, weight: lift, pressure: 0, forward },
      },
    ]
  }
  return []
}

function landing(brief: Designed['doc']['brief'], gear: GearReport, stallMs: number): WingCase {
  if (gear.on === 'net') {
    const back = netDeceleration(stallMs) / GRAVITY
    return {
      id: 'landing',
      label: 'net',
      words: say`${q(back, 'gₙ', 1)} backward from ${q(stallMs, 'm/s', 1)}`,
      flying: { lift: 1, weight: 1, pressure: 0, forward: -back },
    }
  }
  return {
    id: 'landing',
    label: gear.on === 'legs' ? 'landing on its legs' : 'belly landing',
    words: say`like a drop from ${q(brief.dropMm, 'mm')}: the ground pushes with ${q(gear.factor, '', 1)} times its weight and the wing hangs down`,
    flying: { lift: 0, weight: gear.factor, pressure: 0, forward: 0 },
  }
}
