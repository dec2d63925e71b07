/** The planned flight on one charge: what each part takes, what is left, how long the mix could go on. */
import type { FlightPart } from '../../document'
import { monotoneCubic } from '../../geometry'
import {
  lasts,
  LONGEST,
  running,
  spend,
  usableCharge,
  type Draw,
  type Drive,
  type Part,
  type Running,
} from '../../power'

export interface PlannedPart {
  kind: FlightPart['kind']
  seconds: number
  /** Flown until the charge was out, s. */
  flownS: number
  throttlePct: number
  currentA: number
  chargeMah: number
  leftPct: number
  /** Shorter than planned, or not enough pull to stay level. */
  enough: boolean
  heat: Running['heat']
}

export interface Plan {
  parts: PlannedPart[]
  leftPct: number
  minutes: number
  /** How long launch, climb and then the rest in proportion last until the reserve; null where nothing is drawn. */
  canMinutes: number | null
  reservePct: number
}

export interface Speeds {
  launch: number
  climb: number
  cruise: number
}

/** Throttle that stays level, or full where that is not enough. */
export type Level = (left: number) => { throttle: number; enough: boolean }

/** Charges at which a part's draw is worked out; it changes slowly between them. */
const CHARGES = [0, 0.05, 0.12, 0.22, 0.35, 0.5, 0.65, 0.8, 0.9, 1]
function tabled(draw: Draw): Draw {
  const known = CHARGES.map(draw)
  const current = monotoneCubic(
      CHARGES,
      known.map(item => item.current),
    ),
    heat = monotoneCubic(
      CHARGES,
      known.map(item => item.heat),
    )
  return left => ({ current: current(left), heat: heat(left) })
}

export function flightPlan(
  drive: Drive,
  plan: readonly FlightPart[],
  reservePct: number,
  speeds: Speeds,
  level: Level,
): Plan {
  const at = (part: FlightPart, left: number): { now: Running; enough: boolean } => {
    const speed =
      part.kind === 'launch' ? speeds.launch : part.kind === 'climb' ? speeds.climb : speeds.cruise
    const full = part.kind === 'launch' || part.kind === 'climb'
    const level_ = part.throttlePct === null && !full ? level(left) : null
    const throttle = part.throttlePct !== null ? part.throttlePct / 100 : (level_?.throttle ?? 1)
    return { now: running(drive, throttle, speed, left), enough: level_?.enough ?? true }
  }
  const parts: Part[] = plan.map(part => ({
    seconds: part.seconds,
    draw: tabled(left => {
      const { now } = at(part, left)
      return { current: Math.max(0, now.current), heat: now.heat.battery }
    }),
  }))
  const spent = spend(drive.battery, parts)
  const charge = usableCharge(drive.battery)
  let before = 1
  const told = plan.map((part, i): PlannedPart => {
    const own = spent.parts[i]
    const { now, enough } = at(part, (before + own.left) / 2)
    before = own.left
    return {
      kind: part.kind,
      seconds: part.seconds,
      flownS: own.seconds,
      throttlePct: 100 * now.throttle,
      currentA: own.seconds > 0 ? own.charge / own.seconds : 0,
      chargeMah: own.charge / 3.6,
      leftPct: 100 * own.left,
      enough: enough && own.seconds > part.seconds - 1e-6,
      heat: now.heat,
    }
  })
  const first = parts.filter((_, i) => plan[i].kind === 'launch' || plan[i].kind === 'climb')
  const rest = parts.filter((_, i) => plan[i].kind !== 'launch' && plan[i].kind !== 'climb')
  const can = charge > 0 ? lasts(drive.battery, first, rest, reservePct / 100) : 0
  return {
    parts: told,
    leftPct: 100 * spent.left,
    minutes: told.reduce((sum, part) => sum + part.flownS, 0) / 60,
    canMinutes: can >= LONGEST ? null : can / 60,
    reservePct,
  }
}
