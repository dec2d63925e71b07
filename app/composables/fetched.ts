/** Code that is fetched when it is first wanted: once there it stays for as long as the page. */
import { shallowRef, type Ref } from 'vue'

/** What is fetched ahead waits until the page has been left alone for so long, ms. */
const REST_MS = 3000
/** Once the page has nothing else to do, for what may be wanted later. */
export const rest = async (): Promise<void> => {
  await new Promise(resolve => setTimeout(resolve, REST_MS))
  if ('requestIdleCallback' in window)
    await new Promise<void>(resolve => requestIdleCallback(() => resolve(), { timeout: REST_MS }))
}

export interface Fetched<T> {
  /** Null until it is there. */
  part: Ref<T | null>
  /** It was asked for and could not be had. */
  failed: Ref<boolean>
  fetch(): Promise<void>
}

export function fetched<T>(load: () => Promise<T>): Fetched<T> {
  const part = shallowRef<T | null>(null)
  const failed = shallowRef(false)
  return {
    part,
    failed,
    async fetch() {
      if (part.value) return
      failed.value = false
      try {
        part.value = await load()
      } catch {
        failed.value = true
      }
    },
  }
}
