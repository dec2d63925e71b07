/**
 * Assessments beside the server, in threads: few at once, the others wait without their bodies being read, and
 * each has a limit of time and of memory.
 */
import { fileURLToPath } from 'node:url'
import Piscina from 'piscina'
import worker from 'virtual:assess-worker'
import type { Assessed } from '../workers/assess.worker'

/** As many at once: their bodies and heaps together stay well under 1 GB. */
const THREADS = 2
/** More requests than this are turned away at once. */
const WAITING = 64
/** A request is turned away that did not get its turn in this time, ms. */
const PATIENCE_MS = 60_000
export const ASSESS_LIMIT_MS = 10_000

const pool = new Piscina<Uint8Array, Assessed>({
  filename: fileURLToPath(worker),
  minThreads: 0,
  maxThreads: THREADS,
  idleTimeout: 60_000,
  resourceLimits: { maxOldGenerationSizeMb: 256, maxYoungGenerationSizeMb: 32 },
})

export type Outcome = Assessed | { ok: false; stopped: 'slow' | 'memory' }

let running = 0
const queue: Array<() => void> = []

/** Runs `work` when its turn comes; null where there are too many before it. */
export async function inTurn<T>(work: () => Promise<T>): Promise<T | null> {
  if (running >= THREADS) {
    if (queue.length >= WAITING) return null
    const came = await new Promise<boolean>(resolve => {
      const turn = () => {
        clearTimeout(late)
        resolve(true)
      }
      const late = setTimeout(() => {
        queue.splice(queue.indexOf(turn), 1)
        resolve(false)
      }, PATIENCE_MS)
      queue.push(turn)
    })
    if (!came) return null
  } else running++
  try {
    return await work()
  } finally {
    // The turn is handed on, so that nobody slips in between.
    const next = queue.shift()
    if (next) next()
    else running--
  }
}

/** The bytes are handed over to the thread and are empty here afterwards. */
export async function assessBeside(bytes: Uint8Array<ArrayBuffer>): Promise<Outcome> {
  try {
    return await pool.run(bytes, {
      transferList: [bytes.buffer],
      signal: AbortSignal.timeout(ASSESS_LIMIT_MS),
    })
  } catch (fault) {
    const { name, code } = fault as Error & { code?: string }
    if (name === 'AbortError' || name === 'TimeoutError') return { ok: false, stopped: 'slow' }
    if (code === 'ERR_WORKER_OUT_OF_MEMORY') return { ok: false, stopped: 'memory' }
    throw fault
  }
}
