/**
 * The core's workers, each started once: `live` answers edits; comparisons and exports go `aside`, searches
 * to `study`, so that no edit waits behind them.
 */
import { wrap, type Remote } from 'comlink'
import type { CoreApi } from '~/workers/core.worker'

export type CoreName = 'live' | 'aside' | 'study'

/** A worker that could not be loaded or that broke; the next call starts another one. */
export class CoreFailure extends Error {}

interface Started {
  remote: Remote<CoreApi>
  /** Those who wait for an answer: they hear of it when the worker dies. */
  waiting: Set<(fault: CoreFailure) => void>
}
const started = new Map<CoreName, Started>()

function start(which: CoreName): Started {
  const worker = new Worker(new URL('../workers/core.worker.ts', import.meta.url), {
    type: 'module',
    name: `core-${which}`,
  })
  const own: Started = { remote: wrap<CoreApi>(worker), waiting: new Set() }
  const fail = (event: Event) => {
    const reason = (event as ErrorEvent).message
    worker.terminate()
    if (started.get(which) === own) started.delete(which)
    const fault = new CoreFailure(
      reason
        ? `the computing part stopped (${reason.slice(0, 160)})`
        : 'the computing part could not be loaded; is the server that serves this page still there?',
    )
    for (const tell of own.waiting) tell(fault)
  }
  worker.addEventListener('error', fail)
  worker.addEventListener('messageerror', fail)
  started.set(which, own)
  return own
}

/** Calls answer as the core does, or reject with `CoreFailure` when the worker dies meanwhile. */
export function useCore(which: CoreName = 'live'): Remote<CoreApi> {
  return new Proxy({} as Remote<CoreApi>, {
    get: (_, name: keyof CoreApi) => {
      return (...args: unknown[]) => {
        const { remote, waiting } = started.get(which) ?? start(which)
        return new Promise((resolve, reject) => {
          waiting.add(reject)
          void (remote[name] as (...all: unknown[]) => Promise<unknown>)(...args)
            .then(resolve, reject)
            .finally(() => waiting.delete(reject))
        })
      }
    },
  })
}
