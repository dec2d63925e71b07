/** Whether the application is kept here for use without a network, and whether a newer one waits for a word. */
import { Workbox } from 'workbox-window'

export interface OfflineState {
  /** Everything is here: the page may be loaded again without a network. */
  ready: boolean
  /** A newer version has been fetched and takes the place of this one when it is told to. */
  newer: boolean
  /** Another tab has gone over to it; this one goes on with its own files until it is loaded again. */
  elsewhere: boolean
  fault: string | null
}

const state = ref<OfflineState>({ ready: false, newer: false, elsewhere: false, fault: null })
let worker: Workbox | null = null
let asked = false

/** Stores of builds before the last one: nobody has a page of them open any more. */
async function clear() {
  const names = (await caches.keys()).filter(name => name.startsWith('mariposa-'))
  const now = (await (await caches.open('mariposa-order')).match('/order').then(found => found?.json())) as
    string[] | undefined
  const order = [
    ...(now ?? []).filter(name => names.includes(name)),
    ...names.filter(name => !now?.includes(name)),
  ]
  const stores = order.filter(name => name !== 'mariposa-order')
  for (const old of stores.slice(0, -2)) await caches.delete(old)
  const kept = await caches.open('mariposa-order')
  await kept.put('/order', new Response(JSON.stringify(stores.slice(-2))))
}

/** Once for the page; in development there is none. */
export function startOffline(): void {
  if (worker || import.meta.dev || !(navigator.serviceWorker as ServiceWorkerContainer | undefined)) return
  worker = new Workbox('/sw.js')
  worker.addEventListener('activated', () => {
    state.value.ready = true
    void clear().catch(() => {
      // What is too much stays a while longer.
    })
  })
  worker.addEventListener('waiting', () => {
    state.value.newer = true
  })
  worker.addEventListener('controlling', event => {
    if (asked) window.location.reload()
    else if (event.isUpdate) state.value.elsewhere = true
  })
  worker
    .register()
    .then(async registration => {
      if (registration?.active) state.value.ready = true
      // A page that stays open for days asks now and then.
      setInterval(() => void registration?.update().catch(() => {}), 3_600_000)
    })
    .catch((error: unknown) => {
      state.value.fault = (error as Error).message
    })
}

export function useOffline() {
  return {
    state: readonly(state),
    /** `ready` first: nothing may be lost when the page is loaded again. */
    take(ready: () => Promise<boolean>) {
      void ready().then(kept => {
        if (!kept) return
        asked = true
        if (state.value.newer) worker?.messageSkipWaiting()
        else window.location.reload()
      })
    },
  }
}
