/**
 * Assessments beside the server, in threads: few at once, the others wait without their bodies being read, and
 * each has a limit of time and of memory.
 */
import { fileURLToPath } from 'node:url'
import Piscina from 'piscina'
import worker from 'virtual:assess-worker'
import type { Assessed } from '../workers/assess.worker'
import { createTurns } from './turns'

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

export const { inTurn } = createTurns({ atOnce: THREADS, waiting: WAITING, patienceMs: PATIENCE_MS })

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
