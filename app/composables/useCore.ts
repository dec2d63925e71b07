import { wrap, type Remote } from 'comlink'
import type { CoreApi } from '~/workers/core.worker'

const remotes = new Map<'live' | 'aside' | 'study', Remote<CoreApi>>()

/**
 * The core's workers, each started once: `live` answers edits; comparisons and exports go `aside`, searches
 * to `study`, so that no edit waits behind them.
 */
export function useCore(which: 'live' | 'aside' | 'study' = 'live'): Remote<CoreApi> {
  const known = remotes.get(which)
  if (known) return known
  const remote = wrap<CoreApi>(
    new Worker(new URL('../workers/core.worker.ts', import.meta.url), {
      type: 'module',
      name: `core-${which}`,
    }),
  )
  remotes.set(which, remote)
  return remote
}
