import { useElementSize } from '@vueuse/core'
import type { Ref } from 'vue'

/** Width of an element in px and its width over its height; stand-ins until it is measured. */
export function useSize(element: Ref<HTMLElement | undefined>) {
  const { width, height } = useElementSize(element)
  return {
    pixels: computed(() => Math.max(200, width.value)),
    aspect: computed(() => (width.value > 0 && height.value > 0 ? width.value / height.value : 1.6)),
  }
}
