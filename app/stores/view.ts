/** What is looked at: view, selection, theme. */
import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import type { SurfaceName } from '../../core/document'
import type { Drawing, WingName } from '../../core/assess'

export type PaintName = 'zones' | 'area' | 'hours' | 'filament' | 'overhang'
export type ViewName = 'plan' | 'side' | 'front' | 'space'

export const useView = defineStore('view', () => {
  const view = ref<ViewName>('plan')
  const selected = ref<string | null>(null)
  /** The part whose figures stand in the tray at Shape. */
  const part = ref<SurfaceName | 'body'>('wing')
  /** What colours the pieces where a station offers a choice. */
  const paint = ref<PaintName>('zones')
  /** How far pieces are drawn apart in space, 0 to 1. */
  const apart = ref(0)
  /** Where it would balance after the remedy being looked at. */
  const preview = shallowRef<{ cgMm: number; label: string } | null>(null)
  /** A change that is looked at before it is taken: what the wings would say, and how it would be drawn. */
  const ghost = shallowRef<{ id: string; after: Record<WingName, number>; drawing: Drawing | null } | null>(
    null,
  )
  /** Outlines of another state of the design, laid under this one. */
  const overlay = shallowRef<Drawing | null>(null)
  /** The ground test being looked at. */
  const proof = ref<string | null>(null)
  const why = ref<WingName | null>(null)
  const commanding = ref(false)
  const shelfOpen = ref(false)
  const historyOpen = ref(false)
  const marking = ref(false)
  return {
    view,
    selected,
    part,
    paint,
    apart,
    preview,
    ghost,
    overlay,
    proof,
    why,
    commanding,
    shelfOpen,
    historyOpen,
    marking,
  }
})
