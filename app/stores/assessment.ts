/** What the open document amounts to, kept fresh by the core's worker; and what the last edit changed. */
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, toRaw, watch } from 'vue'
import type { Assessment, WingName } from '../../core/assess'
import type { ProjectFile } from '../../core/document'
import { useCore } from '~/composables/useCore'
import { useProject } from './project'

const WINGS: readonly WingName[] = ['weight', 'balance', 'strength', 'hours']

export const useAssessment = defineStore('assessment', () => {
  const project = useProject()
  const core = useCore()
  const current = shallowRef<Assessment | null>(null)
  /** The document `current` belongs to. */
  const assessed = shallowRef<ProjectFile | null>(null)
  const fault = ref<string | null>(null)
  /** The document that could not be computed; what is shown is older then, and said to be. */
  const failed = shallowRef<ProjectFile | null>(null)
  const latencyMs = ref(0)
  let base: Partial<Record<WingName, number>> = {}
  const difference = shallowRef<Partial<Record<WingName, number>>>({})
  let baseSteps = -1
  let busy = false

  /**
   * One document is in the worker at a time; when it answers, the newest goes next, and those between are
   * dropped.
   */
  async function pump() {
    if (busy) return
    busy = true
    try {
      while (project.doc && assessed.value !== project.doc && failed.value !== project.doc) {
        const doc = project.doc
        const from = performance.now()
        const { steps } = project
        try {
          const answer = await core.assess(toRaw(doc))
          const next: Assessment = { ...answer, drawing: answer.drawing ?? current.value!.drawing }
          latencyMs.value = performance.now() - from
          compare(next, doc, steps)
          fault.value = null
          failed.value = null
        } catch (error) {
          fault.value = (error as Error).message
          failed.value = doc
        }
      }
    } finally {
      busy = false
    }
  }

  /**
   * The difference is against the state before the newest edit; while that edit is being dragged, against
   * where it began.
   */
  function compare(next: Assessment, doc: ProjectFile, steps: number) {
    const values = Object.fromEntries(WINGS.map(wing => [wing, next.verdicts[wing].value])) as Record<
      WingName,
      number
    >
    const sameProject = assessed.value?.id === doc.id
    if (!sameProject) base = values
    else if (steps !== baseSteps && current.value)
      base = Object.fromEntries(WINGS.map(wing => [wing, current.value!.verdicts[wing].value]))
    baseSteps = steps
    difference.value = Object.fromEntries(
      WINGS.map(wing => [wing, values[wing] - (base[wing] ?? values[wing])]),
    )
    current.value = next
    assessed.value = doc
  }

  /** Once more, in a new worker where the last one died. */
  function retry() {
    failed.value = null
    fault.value = null
    void pump()
  }

  watch(() => project.doc, pump, { immediate: true })
  const fresh = computed(() => assessed.value === project.doc)
  return { current, assessed, fresh, fault, failed, difference, latencyMs, retry }
})
