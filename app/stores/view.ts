/** What is looked at: view, selection, theme. */
import { defineStore } from 'pinia'
import { ref } from 'vue'
import type { WingName } from '../../core/assess'

export type ViewName = 'plan' | 'side' | 'front' | 'space'

export const useView = defineStore('view', () => {
  const view = ref<ViewName>('plan')
  const selected = ref<string | null>(null)
  const why = ref<WingName | null>(null)
  const commanding = ref(false)
  const shelfOpen = ref(false)
  const historyOpen = ref(false)
  const marking = ref(false)
  return { view, selected, why, commanding, shelfOpen, historyOpen, marking }
})
