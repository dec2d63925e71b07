/**
 * What a thrust stand teaches of a drive: speed constant, resistance, no-load current, and how far thrust and
 * torque are off what was computed. Least squares over every reading with what was known before as a prior
 * (Gauss & Newton); the spread is that of the curvature at the answer. SI
 */
import { Matrix, inverse } from 'ml-matrix'
import { controllerResistance, currentFor, type Motor } from './motor'
import type { Turned } from './drive'
import { rootBetween } from './root'

export interface Reading {
  throttle: number
  /** At the controller's leads, V. */
  volts: number
  /** From the battery, A. */
  current: number
  /** rad/s; null where it was not read. */
  omega: number | null
  thrust: number | null
}

export const SHARES = ['kv', 'resistance', 'noLoad', 'thrust', 'torque'] as const
export type Share = (typeof SHARES)[number]

/** How well each is known before anything is measured: one standard deviation of its logarithm. */
export const PRIOR: Record<Share, number> = {
  kv: 0.06,
  resistance: 0.35,
  noLoad: 0.35,
  thrust: 0.12,
  torque: 0.15,
}

/** One standard deviation of a reading: a share of it and a floor. */
export const NOISE = {
  current: { share: 0.015, floor: 0.05 },
  omega: { share: 0.005, floor: 3 },
  thrust: { share: 0.015, floor: 0.02 },
} as const

export interface StandFit {
  /** Found over what was written, and one standard deviation of it. */
  shares: Record<Share, { value: number; sigma: number }>
  /** By reading: how many standard deviations each channel is off; null where it was not read. */
  off: Array<{ current: number; omega: number | null; thrust: number | null }>
  /** Sum of squares over what its noise explains: near one when the model fits. */
  misfit: number
  /** What the corrected drive would read at each point. */
  predicted: Array<{ current: number; omega: number; thrust: number }>
}

export interface Stood {
  motor: Motor
  controller: number
  turned: Turned
}

/** Readings of a drive at rest, at a throttle and the volts at the controller's leads. */
export function standing(
  { motor, controller, turned }: Stood,
  shares: Record<Share, number>,
  throttle: number,
  volts: number,
): { current: number; omega: number; thrust: number } {
  const own: Motor = {
    kv: motor.kv * shares.kv,
    resistance: motor.resistance * shares.resistance,
    noLoad: motor.noLoad * shares.noLoad,
  }
  const series = own.resistance + controllerResistance(controller, throttle)
  const currentAt = (omega: number) => currentFor(own, shares.torque * turned(omega, 0).torque)
  const top = own.kv * throttle * volts
  const omega = rootBetween(
    at => at - own.kv * (throttle * volts - currentAt(at) * series),
    0,
    1.0001 * top,
    1e-10 * top,
  )
  return { current: throttle * currentAt(omega), omega, thrust: shares.thrust * turned(omega, 0).thrust }
}

const ROUNDS = 12

/** Needs one reading at least; with few of them the prior speaks. */
export function fitStand(stood: Stood, readings: readonly Reading[]): StandFit {
  // Logarithms, so that no share turns negative.
  let at = SHARES.map(() => 0)
  for (let round = 0; round < ROUNDS; round++) {
    const { step } = linearised(stood, readings, at)
    at = at.map((value, i) => Math.max(-1.2, Math.min(1.2, value + Math.max(-0.4, Math.min(0.4, step[i])))))
    if (Math.max(...step.map(Math.abs)) < 1e-9) break
  }
  const { covariance, residuals } = linearised(stood, readings, at)
  const count = residuals.length
  const squares = residuals.reduce((sum, item) => sum + item ** 2, 0)
  const misfit = squares / Math.max(1, count)
  // Readings that scatter more than their noise say less.
  const widen = Math.max(1, Math.sqrt(misfit > 1.6 ? misfit : 1))
  const shares = sharesOf(at)
  return {
    shares: Object.fromEntries(
      SHARES.map((name, i) => [
        name,
        { value: shares[name], sigma: shares[name] * Math.sqrt(covariance.get(i, i)) * widen },
      ]),
    ) as StandFit['shares'],
    off: readings.map(reading => {
      const model = standing(stood, shares, reading.throttle, reading.volts)
      return {
        current: off('current', reading.current, model.current),
        omega: reading.omega === null ? null : off('omega', reading.omega, model.omega),
        thrust: reading.thrust === null ? null : off('thrust', reading.thrust, model.thrust),
      }
    }),
    misfit,
    predicted: readings.map(({ throttle, volts }) => standing(stood, shares, throttle, volts)),
  }
}

const sharesOf = (logs: readonly number[]): Record<Share, number> =>
  Object.fromEntries(SHARES.map((name, i) => [name, Math.exp(logs[i])])) as Record<Share, number>

const off = (channel: keyof typeof NOISE, read: number, model: number): number => {
  const { share, floor } = NOISE[channel]
  return (read - model) / Math.hypot(share * Math.abs(model), floor)
}

/** Residuals over their noise, and one Gauss–Newton step with the prior. */
function linearised(stood: Stood, readings: readonly Reading[], at: readonly number[]) {
  const residualsAt = (logs: readonly number[]): number[] => {
    const shares = sharesOf(logs)
    return readings.flatMap(reading => {
      const model = standing(stood, shares, reading.throttle, reading.volts)
      return [
        off('current', reading.current, model.current),
        ...(reading.omega === null ? [] : [off('omega', reading.omega, model.omega)]),
        ...(reading.thrust === null ? [] : [off('thrust', reading.thrust, model.thrust)]),
      ]
    })
  }
  const residuals = residualsAt(at)
  const h = 1e-4
  const columns = SHARES.map((_, i) => {
    const moved = (by: number) => residualsAt(at.map((value, k) => (k === i ? value + by : value)))
    const ahead = moved(h),
      back = moved(-h)
    return ahead.map((value, k) => (value - back[k]) / (2 * h))
  })
  const n = SHARES.length
  const normal = Matrix.zeros(n, n)
  const right = Matrix.zeros(n, 1)
  for (let i = 0; i < n; i++) {
    const weight = 1 / PRIOR[SHARES[i]] ** 2
    for (let k = 0; k < n; k++)
      normal.set(
        i,
        k,
        columns[i].reduce((sum, value, row) => sum + value * columns[k][row], i === k ? weight : 0),
      )
    right.set(i, 0, -columns[i].reduce((sum, value, row) => sum + value * residuals[row], 0) - weight * at[i])
  }
  const covariance = inverse(normal)
  return { residuals, covariance, step: covariance.mmul(right).getColumn(0) }
}
