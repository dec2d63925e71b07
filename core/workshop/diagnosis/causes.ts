/**
 * What can be off with an aircraft, and what each would do to what a pilot notes: through the core's own
 * derivatives.
 */
import type { Assessment, PitchTables } from '../../assess'
import type { ProjectFile } from '../../document'
import { degToRad, GRAVITY, gToKg, mmToM, q, radToDeg, say, type Words } from '../../units'
import { levelAt, powerReport } from '../power'
import { gliderOf } from '../toss'

export const CAUSES = ['cg', 'incidence', 'warp', 'heavy', 'thrust-line', 'drag', 'drive', 'pack'] as const
export type Cause = (typeof CAUSES)[number]

/** What is read as a figure. */
export const FIGURES = ['elevator', 'aileron', 'charge', 'motor', 'glide'] as const
export type FigureSign = (typeof FIGURES)[number]
/** What is read as less, as it should be, or more: −1, 0, 1. */
export const TICKS = ['dive', 'pitch', 'power', 'turn', 'slow', 'stall', 'climb', 'end'] as const
export type TickSign = (typeof TICKS)[number]

export interface Model {
  /** One standard deviation of what builds come out at, in the cause's unit, and how often it is the one. */
  spread: Record<Cause, number>
  unit: Record<Cause, string>
  /** As computed with nothing off; null where this aircraft does not have it. */
  figures: Record<FigureSign, { base: number; noise: number; per: Partial<Record<Cause, number>> } | null>
  /** A tick goes by a hidden value with thresholds at −1 and 1, noise as one deviation. */
  ticks: Record<
    TickSign,
    { base: number; noise: number; per: Partial<Record<Cause, number>>; even?: Cause[] } | null
  >
  /** Causes that this aircraft can have. */
  possible: Cause[]
}

/** How well a trim is read, °; charge and glide as shares; the motor's case, K. */
const READ = { elevator: 0.5, aileron: 0.4, charge: 0.1, motor: 6, glide: 0.08 }

/** Static margins at which it holds a dive, and at which it feels neither slack nor nervous, %. */
const HOLDS = { low: 1.5, high: 12, noise: 3 },
  FEELS = { low: 4, high: 16, noise: 3 }

/** A value between two limits told on the scale of a tick: −1 at the low, 1 at the high. */
const scaled = (low: number, high: number) => ({ middle: (low + high) / 2, half: (high - low) / 2 })

export function modelOf(doc: ProjectFile, assessment: Assessment, tables: PitchTables): Model {
  const { plan, flight } = assessment
  const mac = plan.macMm
  const cruise = Math.max(1.05 * tables.stallSpeed, doc.brief.cruiseMs)
  const power = powerReport(doc, assessment, tables).figures
  const marginPerMm = -100 / mac
  const hold = scaled(HOLDS.low, HOLDS.high),
    feel = scaled(FEELS.low, FEELS.high)
  const trim = elevatorPer(doc, tables, cruise)
  const roll = aileronPer(assessment, tables, cruise)
  const cgSlope = trim ? trim.cg : 0
  const rise = power ? power.heat.motorC - doc.brief.fieldTemperatureC : 0
  const taken = power ? power.plan.parts.reduce((sum, part) => sum + part.chargeMah, 0) : 0
  const perMinute = power && power.plan.minutes > 0 ? taken / power.plan.minutes : 0
  const heavy = Math.max(2, 0.012 * assessment.totals.massG)
  const lift = power?.line.elevatorDeg ?? null
  const possible = CAUSES.filter(cause => {
    if (cause === 'thrust-line' || cause === 'drive' || cause === 'pack') return power !== null
    if (cause === 'incidence') return trim !== null
    return true
  })
  return {
    possible,
    spread: {
      cg: 0.035 * mac,
      incidence: 0.8,
      warp: 0.6,
      heavy,
      'thrust-line': 2.5,
      drag: 0.2,
      drive: 0.18,
      pack: 0.25,
    },
    unit: {
      cg: 'mm',
      incidence: '°',
      warp: '°',
      heavy: 'g',
      'thrust-line': '°',
      drag: '%',
      drive: '%',
      pack: '%',
    },
    figures: {
      // The pilot writes up as positive.
      elevator: trim && {
        base: -trim.base,
        noise: READ.elevator,
        per: { cg: -cgSlope, incidence: -trim.incidence, 'thrust-line': -trim.thrust },
      },
      aileron: roll && { base: 0, noise: READ.aileron, per: { warp: roll.warp, heavy: -roll.heavy } },
      charge:
        perMinute > 0
          ? {
              base: perMinute,
              noise: READ.charge * perMinute,
              per: { drag: 0.85 * perMinute, drive: perMinute },
            }
          : null,
      motor:
        power && rise > 1
          ? {
              base: power.heat.motorC,
              noise: Math.max(READ.motor, 0.15 * rise),
              per: { drag: 0.8 * rise, drive: 1.6 * rise },
            }
          : null,
      glide:
        flight.bestGlide > 1
          ? {
              base: flight.bestGlide,
              noise: READ.glide * flight.bestGlide,
              per: { drag: -0.85 * flight.bestGlide },
            }
          : null,
    },
    ticks: {
      dive: {
        base: (flight.staticMarginPct - hold.middle) / hold.half,
        noise: HOLDS.noise / hold.half,
        per: { cg: marginPerMm / hold.half },
      },
      // More is nervous: a small margin.
      pitch: {
        base: -(flight.staticMarginPct - feel.middle) / feel.half,
        noise: FEELS.noise / feel.half,
        per: { cg: -marginPerMm / feel.half },
      },
      power:
        lift === null || !power
          ? null
          : { base: lift / 1.5, noise: 0.4, per: { 'thrust-line': (trim?.full ?? 0.8) / 1.5 } },
      turn: roll && { base: 0, noise: 0.4, per: { warp: -roll.warp / 0.8, heavy: roll.heavy / 0.8 } },
      // A weight asks more the slower it flies; a twist asks the same at any speed.
      slow: roll && {
        base: 0,
        noise: 0.5,
        per: { heavy: (1.5 * roll.heavy) / 0.8, warp: 0.3 * (roll.warp / 0.8) },
        even: ['heavy', 'warp'],
      },
      // The heavy side drops; of a twisted pair the half with more incidence does, against which it rolls in flight.
      stall: {
        base: 0,
        noise: 0.6,
        per: { heavy: 1.6 / heavy, warp: 2.2 },
      },
      climb: power && { base: 0, noise: 0.5, per: { drive: -7, pack: -4, drag: -1.5 } },
      end: power && { base: 0, noise: 0.5, per: { pack: -6, drag: -1, drive: -1.2 } },
    },
  }
}

/** Elevator at cruise, ° down positive, and what each cause asks of it. Null without an elevator. */
function elevatorPer(doc: ProjectFile, tables: PitchTables, cruise: number) {
  if (!tables.elevator) return null
  const at = (shift: number, pull = 0, under = 0) =>
    radToDeg(levelAt(gliderOf(tables, shift), tables, cruise, pull, under).elevator)
  const base = at(0)
  const pull = levelAt(gliderOf(tables), tables, cruise).drag
  const arm = Math.max(
    0.02,
    tables.cgX - mmToM(doc.equipment.find(item => item.kind === 'propeller')?.xMm ?? 0),
  )
  const lowered = arm * Math.tan(degToRad(1))
  return {
    base,
    cg: (at(0.004) - at(-0.004)) / 8,
    // A wing without a tail: a degree of its twist is about one of its elevons.
    incidence: -(tables.tailDeg ?? 1),
    /** For a degree of thrust line tilted up at the front, in cruise and at four times that pull. */
    thrust: at(0, pull, lowered) - base,
    full: at(0, 4 * pull, lowered) - base,
  }
}

/** Ailerons that hold a degree of twist from middle to tip, and a gram half way out, °. Null without ailerons. */
function aileronPer({ rates, handling, plan }: Assessment, tables: PitchTables, cruise: number) {
  const rate = rates.find(item => item.axis === 'roll' && item.fullDeg > 0 && Math.abs(item.response) > 1)
  if (!rate) return null
  const half = plan.spanMm / 2000
  // pb/2V for each degree of aileron, rad.
  const each = (degToRad(Math.abs(rate.response)) * half) / cruise / rate.fullDeg
  const moment = gToKg(1) * GRAVITY * (half / 2)
  const coefficient = moment / (((tables.density * cruise ** 2) / 2) * tables.area * 2 * half)
  return {
    // A twist from middle to tip rolls with pb/2V of itself.
    warp: degToRad(1) / each,
    heavy: coefficient / Math.max(0.05, Math.abs(handling.derivatives.Cl_p)) / each,
  }
}

const SHARE = new Set<Cause>(['drag', 'drive', 'pack'])
/** In the cause's own unit: shares are told in percent. */
export const inUnit = (cause: Cause, amount: number): number => (SHARE.has(cause) ? 100 * amount : amount)

export function causeWords(cause: Cause, amount: number): Words {
  const size = Math.abs(inUnit(cause, amount))
  switch (cause) {
    case 'cg':
      return say`It balances ${q(size, 'mm', 0)} further ${amount > 0 ? 'aft' : 'forward'} than computed`
    case 'incidence':
      return say`The tail stands ${q(size, '°', 1)} ${amount > 0 ? 'more nose-up' : 'more nose-down'} than drawn, or the wing the other way`
    case 'warp':
      return say`The ${amount > 0 ? 'starboard' : 'port'} half of the wing has ${q(size, '°', 1)} more incidence at its tip than the other`
    case 'heavy':
      return say`The ${amount > 0 ? 'starboard' : 'port'} half of the wing is heavier by ${q(size, 'g', 0)} half way out`
    case 'thrust-line':
      return say`The thrust line points ${q(size, '°', 1)} ${amount > 0 ? 'higher' : 'lower'} than drawn`
    case 'drag':
      return say`It drags ${q(size, '%', 0)} ${amount > 0 ? 'more' : 'less'} than computed`
    case 'drive':
      return say`Motor and propeller take ${q(size, '%', 0)} ${amount > 0 ? 'more' : 'less'} for the same pull`
    case 'pack':
      return say`The pack gives ${q(size, '%', 0)} ${amount > 0 ? 'less' : 'more'} than new`
  }
}

export function mendWords(cause: Cause, amount: number): Words {
  const size = Math.abs(inUnit(cause, amount))
  switch (cause) {
    case 'cg':
      return say`Measure the balance; slide the battery ${amount > 0 ? 'forward' : 'aft'} until it is back by ${q(size, 'mm', 0)}`
    case 'incidence':
      return say`Shim the tail's ${amount > 0 ? 'trailing' : 'leading'} edge up by ${q(size, '°', 1)}, then take the trim out`
    case 'warp':
      return say`Sight along both halves; twist the ${amount > 0 ? 'starboard' : 'port'} tip down with warmth by ${q(size, '°', 1)}, or keep the trim`
    case 'heavy':
      return say`Balance it sideways: ${q(size / 2, 'g', 1)} at the ${amount > 0 ? 'port' : 'starboard'} tip`
    case 'thrust-line':
      return say`Washers under the motor: ${q(size, '°', 1)} ${amount > 0 ? 'down' : 'up'}`
    case 'drag':
      return 'Gaps, steps and tape edges; a rough or wavy nose; then put the glide into the figures'
    case 'drive':
      return 'Run it on the stand: propeller nicked or turned round, motor hot, controller’s timing, bearings'
    case 'pack':
      return 'Measure its resistance and capacity; fly a new pack to compare, and retire this one'
  }
}

/** What a pilot can do to tell causes apart, by the sign that it gives. */
export const TESTS: Record<TickSign | FigureSign, string> = {
  elevator: 'Fly level at cruise, hands off, and read the elevator’s trim',
  aileron: 'Fly straight, hands off, and read the ailerons’ trim',
  charge: 'Fly five minutes at an even cruise, and charge back what it took',
  motor: 'Feel and measure the motor’s case right after landing',
  glide: 'Measure a glide: height lost over a known distance, motor off',
  dive: 'Trimmed and high: a shallow dive, hands off. Does it pull out, hold, or tuck under?',
  pitch: 'Small quick pulls at cruise: nervous, right, or slack?',
  power: 'From level cruise, full throttle, hands off: does the nose go up or down?',
  turn: 'Trims at the middle, hands off: to which side does it turn?',
  slow: 'Trim it straight at cruise, then fly slowly: does it turn more than before?',
  stall: 'High, level, wings level: stall it straight ahead. Which wing drops?',
  climb: 'Full throttle from cruise: does it climb as computed?',
  end: 'Fly the second half of a charge at cruise: does it fade before its minutes?',
}
