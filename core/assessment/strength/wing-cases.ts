/** The load cases that the wing is held against, from the brief. SI. */
import { bungeeAcceleration, bungeeLoadFactor, netDeceleration, throwAcceleration } from '../../structure'
import { GRAVITY } from '../../units'
import type { Flying } from './wing-loads'
import type { Airframe } from '../resolve'
import { airOf } from '../flight'
import type { LoadsReport, CaseReport, GearReport } from '../report'

export interface WingCase {
  id: CaseReport['id']
  label: string
  words: string
  flying: Flying
}

/** Upside down it is flown at this share of the upright limit; see `envelope`. */
const PUSHED_SHARE = 0.4

export function wingCases(
  { doc }: Airframe,
  loads: LoadsReport,
  gear: GearReport,
  mass: number,
  stallMs: number,
): WingCase[] {
  const { brief } = doc,
    { density } = airOf(doc)
  const pressure = (speed: number) => (density * speed * speed) / 2
  const { n, by, speed } = loads.governing
  const pushed = PUSHED_SHARE * loads.limit
  return [
    {
      id: 'pull',
      label: by,
      words: `${n.toFixed(1)} g at ${speed.toFixed(1)} m/s`,
      flying: { lift: n, weight: n, pressure: pressure(speed), forward: 0 },
    },
    {
      id: 'dive',
      label: 'top speed',
      words: `1 g at ${brief.topSpeedMs.toFixed(1)} m/s: the sections' own moments twist most`,
      flying: { lift: 1, weight: 1, pressure: pressure(brief.topSpeedMs), forward: 0 },
    },
    {
      id: 'push',
      label: 'pushed over',
      words: `−${pushed.toFixed(1)} g at ${brief.cruiseMs.toFixed(1)} m/s`,
      flying: { lift: -pushed, weight: -pushed, pressure: pressure(brief.cruiseMs), forward: 0 },
    },
    ...launch(brief, mass),
    landing(brief, gear, stallMs),
  ]
}

function launch(brief: Airframe['doc']['brief'], mass: number): WingCase[] {
  if (brief.launch === 'hand') {
    const forward = throwAcceleration(brief.throwMs) / GRAVITY
    return [
      {
        id: 'launch',
        label: 'hand throw',
        words: `let go at ${brief.throwMs.toFixed(1)} m/s: ${forward.toFixed(1)} g forward, no lift yet`,
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
        words: `${brief.bungeeN.toFixed(0)} N of pull: ${lift.toFixed(1)} g up, ${forward.toFixed(1)} g forward`,
        flying: { lift, weight: lift, pressure: 0, forward },
      },
    ]
  }
  return []
}

function landing(brief: Airframe['doc']['brief'], gear: GearReport, stallMs: number): WingCase {
  if (gear.on === 'net') {
    const back = netDeceleration(stallMs) / GRAVITY
    return {
      id: 'landing',
      label: 'net',
      words: `${back.toFixed(1)} g backward from ${stallMs.toFixed(1)} m/s`,
      flying: { lift: 1, weight: 1, pressure: 0, forward: -back },
    }
  }
  return {
    id: 'landing',
    label: gear.on === 'legs' ? 'landing on its legs' : 'belly landing',
    words: `like a drop from ${brief.dropMm} mm: the ground pushes with ${gear.factor.toFixed(1)} times its weight and the wing hangs down`,
    flying: { lift: 0, weight: gear.factor, pressure: 0, forward: 0 },
  }
}
