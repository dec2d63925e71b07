/**
 * What is wanted at the field, on one card: speeds, minutes, throws, balance, throw. Plain data, in the units
 * people read.
 */
import { oneMotor, propulsionOf, type Assessor, type Assessment } from '../../assess'
import type { ProjectFile } from '../../document'
import { controlThrows } from '../advice'
import { wingSetFigures } from '../balance'
import { powerReport } from '../power'
import { suitingThrow, type Throw } from '../toss'

export interface CardSpeeds {
  loading: string
  massG: number
  stallMs: number
  leastSinkMs: number
  bestGlideMs: number
  glideRatio: number
}

export interface CardBalance {
  loading: string
  cgMm: number
  rangeMm: [number, number]
  batteryMm: number | null
  ok: boolean
}

export interface FlightCard {
  name: string
  speeds: CardSpeeds[]
  cruiseMs: number
  /** What loads and flutter are held against: never faster. */
  neverMs: number
  levelMaxMs: number | null
  power: {
    minutes: number | null
    landWithPct: number
    /** Taken out by then, mAh. */
    takenMah: number
    climbMs: number | null
    motorC: number
    broken: number
  } | null
  /** Of a pair of motors: from which speed the rudder holds one alone, null where it never does. */
  oneMotor: { heldFromMs: number | null } | null
  throws: ReturnType<typeof controlThrows>
  balances: CardBalance[]
  toss: { speedMs: number; pathDeg: number } | null
  trimDeg: number | null
  windMaxMs: number
}

export function flightCard(assessor: Assessor, doc: ProjectFile): FlightCard {
  const now = assessor.assess(doc)
  const tables = assessor.flown(doc).pitch(true)
  const report = powerReport(doc, now, tables)
  const glide = now.trim.find(row => row.id === 'glide' && row.payload)
  const thrown: Throw = {
    speedMs: doc.brief.throwMs,
    pathDeg: 0,
    heightM: 1.8,
    elevatorDeg: glide?.controlDeg ?? 0,
    tailDeg: 0,
    windMs: 0,
    gustMs: 0,
    throttlePct: 0,
    powerAfterS: 0,
  }
  const suits = suitingThrow(tables, thrown, doc.brief.throwMs + 4)
  return {
    name: doc.name,
    speeds: speedsOf(now),
    cruiseMs: doc.brief.cruiseMs,
    neverMs: doc.brief.topSpeedMs,
    levelMaxMs: report.figures?.levelMaxMs ?? null,
    power: report.figures && {
      minutes: report.figures.plan.canMinutes,
      landWithPct: doc.power.reservePct,
      takenMah: report.figures.usableMah * (1 - doc.power.reservePct / 100),
      climbMs: report.figures.climb?.ms ?? null,
      motorC: report.figures.heat.motorC,
      broken: report.figures.limits.filter(limit => !limit.ok).length,
    },
    oneMotor: oneMotorOf(doc, now),
    throws: controlThrows(doc),
    balances: balancesOf(assessor, doc, now),
    toss: suits && { speedMs: suits.speedMs, pathDeg: suits.pathDeg },
    trimDeg: glide?.controlDeg ?? null,
    windMaxMs: doc.brief.windMaxMs,
  }
}

function oneMotorOf(doc: ProjectFile, { flight }: Assessment): FlightCard['oneMotor'] {
  const { propulsion } = propulsionOf(doc)
  const found = propulsion && oneMotor(doc, propulsion, flight.rudderYawM3, flight.density)
  return found && { heldFromMs: found.heldFromMs }
}

/**
 * Least sink lies where C_L^1.5/C_D is greatest: about 0.76 of the best glide's speed. Neither is told slower than
 * 1.1 × stall, where a gust stalls it.
 */
const LEAST_SINK = 0.76

function speedsOf({ trim, totals, flight }: Assessment): CardSpeeds[] {
  return [true, false].flatMap(payload => {
    const glide = trim.find(row => row.id === 'glide' && row.payload === payload)
    if (!glide) return []
    const massG = payload ? totals.massG : totals.emptyMassG
    const stallMs = flight.stallMs * Math.sqrt(massG / totals.massG)
    const dropping = totals.massG > totals.emptyMassG + 0.05
    return [
      {
        loading: !dropping ? 'As flown' : payload ? 'With payload' : 'Payload gone',
        massG,
        stallMs,
        leastSinkMs: Math.max(1.1 * stallMs, LEAST_SINK * glide.speedMs),
        bestGlideMs: Math.max(1.1 * stallMs, glide.speedMs),
        glideRatio: glide.glideRatio,
      },
    ]
  })
}

function balancesOf(assessor: Assessor, doc: ProjectFile, { totals, flight }: Assessment): CardBalance[] {
  const [fore, aft] = flight.cgRangeMm
  const batteryMm = doc.equipment.find(item => item.kind === 'battery')?.xMm ?? null
  const within = (cgMm: number) => cgMm >= fore - 0.05 && cgMm <= aft + 0.05
  const dropping = totals.massG > totals.emptyMassG + 0.05
  const own: CardBalance[] = [
    {
      loading: dropping ? 'With payload' : 'As flown',
      cgMm: totals.cgMm[0],
      rangeMm: [fore, aft],
      batteryMm,
      ok: within(totals.cgMm[0]),
    },
    ...(dropping
      ? [
          {
            loading: 'Payload gone',
            cgMm: totals.cgEmptyMm[0],
            rangeMm: [fore, aft] as [number, number],
            batteryMm,
            ok: within(totals.cgEmptyMm[0]),
          },
        ]
      : []),
  ]
  if (doc.wingSets.length === 0) return own
  const [low, high] = doc.brief.staticMarginPct
  const sets = wingSetFigures(assessor, doc).slice(1)
  return [
    ...own,
    ...sets.map(set => {
      const chord = (set.neutralPointMm - set.cgMm) / Math.max(1e-6, set.staticMarginPct / 100)
      const at = (pct: number) => set.neutralPointMm - (pct / 100) * Math.abs(chord)
      return {
        loading: `With ${set.name}`,
        cgMm: set.cgMm,
        rangeMm: [at(high), at(low)] as [number, number],
        batteryMm,
        ok: set.ok,
      }
    }),
  ]
}
