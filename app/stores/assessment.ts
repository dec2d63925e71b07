/** What the open document amounts to, kept fresh by the core's worker; and what the last edit changed. */
import { defineStore } from 'pinia'
import { useDebounceFn } from '@vueuse/core'
import { computed, ref, shallowRef, toRaw, watch } from 'vue'
import type { Assessment, WingName } from '../../core/assess'
import { wingsAhead, type Known } from '../../core/change'
import type { ProjectFile } from '../../core/document'
import { COMPUTING_PART, useCore } from '~/composables/useCore'
import { keepFigures, keptFigures } from './kept-figures'
import { useProject } from './project'

/** Of a gesture so many are remembered; three tell how the line bends. */
const STATES = 3

/** An edit is followed by others: what is kept is of a design that has stood for so long, ms. */
const KEEP_MS = 1500

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
  /** What is shown was kept from the last visit, and is being computed again. */
  const kept = ref(false)
  const latencyMs = ref(0)
  let base: Partial<Record<WingName, number>> = {}
  const difference = shallowRef<Partial<Record<WingName, number>>>({})
  let baseSteps = -1
  /** States of the gesture that goes on, from the one before it: what is held is carried on from them. */
  const passed = shallowRef<readonly Known[]>([])
  let busy = false

  /**
   * One document is in the worker at a time; when it answers, the newest goes next, and those between are
   * dropped.
   */
  async function pump() {
    if (busy) return
    busy = true
    try {
      while (project.doc && (kept.value || assessed.value !== project.doc) && failed.value !== project.doc) {
        const doc = project.doc
        const from = performance.now()
        const { steps } = project
        try {
          const answer = await core.assess(toRaw(doc))
          const next: Assessment = { ...answer, drawing: answer.drawing ?? current.value!.drawing }
          latencyMs.value = performance.now() - from
          performance.measure('assess', { start: from })
          compare(next, doc, steps)
          kept.value = false
          keepSoon()
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
    const known = passed.value
    passed.value = [
      ...(steps === baseSteps && sameProject ? known : known.slice(-1)),
      { doc, wings: values },
    ].slice(-STATES)
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

  /** Those of the last visit, for as long as nothing newer is there. */
  async function recall(doc: ProjectFile) {
    const found = await keptFigures(COMPUTING_PART, toRaw(doc))
    if (!found || current.value || project.doc !== doc) return
    compare(found, doc, project.steps)
    kept.value = true
  }
  const keepSoon = useDebounceFn(() => {
    if (current.value && assessed.value)
      void keepFigures(COMPUTING_PART, toRaw(assessed.value), current.value)
  }, KEEP_MS)

  watch(
    () => project.doc,
    doc => {
      void pump()
      if (doc && !current.value) void recall(doc)
    },
    { immediate: true },
  )
  const fresh = computed(() => !kept.value && assessed.value === project.doc)
  /** What the wings will say of what is in hand, until the answer comes; null where they cannot be carried on. */
  const ahead = computed(() =>
    project.doc && assessed.value && assessed.value !== project.doc && project.steps === baseSteps
      ? wingsAhead(passed.value, toRaw(project.doc))
      : null,
  )
  return { current, assessed, kept, fresh, ahead, fault, failed, difference, latencyMs, retry }
})
