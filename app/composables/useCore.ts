/**
 * The core's workers, each started once: `live` answers edits; comparisons and exports go `aside`, searches
 * to `study`, so that no edit waits behind them.
 */
import { wrap, type Remote } from 'comlink'
import type { CoreApi } from '~/workers/core.worker'
import { createSender } from '~/workers/core/crossing'
import address from '~/workers/core.worker?worker&url'

export type CoreName = 'live' | 'aside' | 'study'

/** A worker that could not be loaded or that broke; the next call starts another one. */
export class CoreFailure extends Error {}

/**
 * How long a call may take, ms: a design that takes longer is beyond what can be reckoned, and would hold up every
 * other. What reports how far it is can be stopped by the maker and has no limit.
 */
const LIMITS: Partial<Record<keyof CoreApi, number>> = {
  assess: 20_000,
  drawing: 20_000,
  section: 20_000,
  weighGiven: 30_000,
  readGiven: 60_000,
  partsAsAircraft: 60_000,
  meshes: 60_000,
  buildOrder: 30_000,
  jigs: 120_000,
  flatParts: 60_000,
  compare: 60_000,
  proposeCuts: 60_000,
  noCuts: 60_000,
  travelling: 120_000,
  remedies: 120_000,
  mend: 180_000,
  sparChoices: 120_000,
  compareDesigns: 60_000,
  filamentSwaps: 120_000,
  size: 60_000,
  cutsForAll: 60_000,
  heat: 60_000,
  tossing: 60_000,
  power: 60_000,
  flightCard: 60_000,
  diagnose: 60_000,
  damage: 60_000,
  boughtParts: 60_000,
  restFile: 120_000,
  wishing: 60_000,
  tryWishes: 60_000,
  markFigures: 60_000,
  fieldDay: 60_000,
  readTrack: 60_000,
  survivingBalance: 60_000,
  wingSets: 60_000,
  balanceTemplates: 60_000,
}

interface Call {
  name: keyof CoreApi
  /** Told when the worker dies. */
  fail: (fault: CoreFailure) => void
}
interface Started {
  remote: Remote<CoreApi>
  send: ReturnType<typeof createSender>
  /** In the order in which they were made: the worker takes one after the other. */
  calls: Call[]
  /** It has answered once: until then its code is loaded and still slow, and it may take twice as long. */
  warm: boolean
  /** What it is at, as it tells while it works. */
  at: string
  /** Runs for the first of the calls. */
  clock?: ReturnType<typeof setTimeout>
  end(message: string): void
}
const started = new Map<CoreName, Started>()

function start(which: CoreName): Started {
  const worker = new Worker(address, { type: 'module', name: `core-${which}` })
  const own: Started = {
    remote: wrap<CoreApi>(worker),
    send: createSender(),
    calls: [],
    warm: false,
    at: '',
    end: message => {
      worker.terminate()
      clearTimeout(own.clock)
      if (started.get(which) === own) started.delete(which)
      const fault = new CoreFailure(message)
      for (const { fail } of own.calls) fail(fault)
    },
  }
  const fail = (event: Event) => {
    const reason = (event as ErrorEvent).message
    own.end(
      reason
        ? `the computing part stopped (${reason.slice(0, 160)})`
        : 'the computing part could not be loaded; is the server that serves this page still there?',
    )
  }
  worker.addEventListener('message', ({ data }: MessageEvent<{ at?: string }>) => {
    if (typeof data?.at === 'string') own.at = data.at
  })
  worker.addEventListener('error', fail)
  worker.addEventListener('messageerror', fail)
  started.set(which, own)
  return own
}

/** The first of the calls has the worker to itself: its time begins when it becomes the first. */
function wind(own: Started): void {
  clearTimeout(own.clock)
  const usual = own.calls[0] && LIMITS[own.calls[0].name]
  if (usual === undefined) return
  const limit = own.warm ? usual : 2 * usual
  own.at = ''
  own.clock = setTimeout(
    () => own.end(`it took longer than ${limit / 1000} s and was stopped${own.at ? `, at ${own.at}` : ''}`),
    limit,
  )
}

/** Which computing part this is: its address names its content, so that figures of another are told apart. */
export const COMPUTING_PART: string = address

/** Loads the worker that answers edits before there is anything to compute. */
export function startEarly(): void {
  if (!started.has('live')) start('live')
}

/** Every worker, and whoever waits for it is told why. The next call starts another. */
export function endAll(message: string): void {
  for (const own of [...started.values()]) own.end(message)
}

/** Calls answer as the core does, or reject with `CoreFailure` when the worker dies or is stopped meanwhile. */
export function useCore(which: CoreName = 'live'): Remote<CoreApi> {
  return new Proxy({} as Remote<CoreApi>, {
    get: (_, name: keyof CoreApi) => {
      return (...args: unknown[]) => {
        const own = started.get(which) ?? start(which)
        return new Promise((resolve, reject) => {
          const call: Call = { name, fail: reject }
          own.calls.push(call)
          if (own.calls.length === 1) wind(own)
          const done = () => {
            own.warm = true
            const first = own.calls[0] === call
            own.calls.splice(own.calls.indexOf(call), 1)
            if (first) wind(own)
          }
          void (own.remote[name] as (...all: unknown[]) => Promise<unknown>)(...args.map(own.send))
            .then(resolve, reject)
            .finally(done)
        })
      }
    },
  })
}
