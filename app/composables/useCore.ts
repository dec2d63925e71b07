import { wrap, type Remote } from 'comlink'
import type { CoreApi } from '~/workers/core.worker'

let remote: Remote<CoreApi> | null = null

/** The core's worker, started once. */
export function useCore(): Remote<CoreApi> {
  remote ??= wrap<CoreApi>(new Worker(new URL('../workers/core.worker.ts', import.meta.url), { type: 'module', name: 'core' }))
  return remote
}
