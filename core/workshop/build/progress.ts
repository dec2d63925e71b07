/** How far a build is: which step is next, what a tick rules out, how the time goes. */
import type { Build } from '../../document'
import { BENCHES, type Bench } from '../../assess'
import type { BuildOrder, OrderedStep } from './schedule'

export type StepState = 'done' | 'skipped' | 'ready' | 'waits' | 'cures'

export interface StepProgress {
  step: OrderedStep
  state: StepState
  /** Done although something that comes first was not: what is shut by it now. */
  shuts: OrderedStep[]
  /** What it still waits for. */
  waitsFor: OrderedStep[]
}

export interface BuildProgress {
  steps: StepProgress[]
  /** The step to do now; null when all is done. */
  next: StepProgress | null
  doneMin: number
  leftMin: number
  /** Hands on as noted over what was reckoned, where enough was noted; 1 is as reckoned. */
  pace: number | null
  done: number
  skipped: number
}

/** Fewer steps with a noted time say nothing of the pace. */
const ENOUGH = 3

export function buildProgress({ steps }: BuildOrder, { ticks, timers }: Build, now: string): BuildProgress {
  const ticked = new Map(ticks.map(tick => [tick.step, tick]))
  const byId = new Map(steps.map(step => [step.id, step]))
  const curing = new Set(timers.filter(timer => timer.ends > now).map(timer => timer.step))
  const all = steps.map((step): StepProgress => {
    const tick = ticked.get(step.id)
    const waitsFor = step.needs
      .filter(id => ticked.get(id)?.state !== 'done' && ticked.get(id)?.state !== 'skipped')
      .map(id => byId.get(id)!)
    const shuts =
      tick?.state === 'done'
        ? step.needs.filter(id => ticked.get(id)?.state !== 'done').map(id => byId.get(id)!)
        : []
    const state =
      tick?.state ??
      (waitsFor.length > 0 ? 'waits' : step.needs.some(id => curing.has(id)) ? 'cures' : 'ready')
    return { step, state, waitsFor, shuts }
  })
  const open = all.filter(item => item.state !== 'done' && item.state !== 'skipped')
  const timed = all.flatMap(({ step }) => {
    const took = ticked.get(step.id)?.tookMin
    return took === null || took === undefined || took <= 0 ? [] : [{ took, reckoned: step.minutes }]
  })
  const sum = (list: readonly StepProgress[]) => list.reduce((total, item) => total + item.step.minutes, 0)
  const pace =
    timed.length >= ENOUGH
      ? timed.reduce((total, item) => total + item.took, 0) /
        timed.reduce((total, item) => total + item.reckoned, 0)
      : null
  return {
    steps: all,
    next: all.find(item => item.state === 'ready') ?? open[0] ?? null,
    doneMin: sum(all.filter(item => item.state === 'done')),
    leftMin: sum(open) * (pace ?? 1),
    pace,
    done: all.filter(item => item.state === 'done').length,
    skipped: all.filter(item => item.state === 'skipped').length,
  }
}

/** Benches that the order uses, in the order in which they are begun. */
export const benchesOf = ({ steps }: BuildOrder): Array<{ bench: Bench; name: string }> =>
  [...new Set(steps.map(step => step.bench))].map(bench => ({ bench, name: BENCHES[bench] }))
