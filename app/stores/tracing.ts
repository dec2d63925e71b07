/** What is being done with the picture under the drawing: it is moved, or two points of it are shown. */
import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import type { Spot } from '../../core/workshop/advice'

export type TracingAct = 'none' | 'move' | 'points'

export const useTracing = defineStore('tracing', () => {
  const act = ref<TracingAct>('none')
  /** Shown one after the other, in mm of the drawn view; a third begins anew. */
  const spots = shallowRef<readonly Spot[]>([])
  const put = (spot: Spot) => {
    spots.value = spots.value.length === 1 ? [spots.value[0]!, spot] : [spot]
  }
  const turnTo = (next: TracingAct) => {
    act.value = act.value === next ? 'none' : next
    spots.value = []
  }
  return { act, spots, put, turnTo }
})
