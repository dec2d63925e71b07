/**
 * The study of the open project: run in its own worker, kept while other stations are looked at, and stored
 * so that a reload loses nothing.
 */
import { proxy } from 'comlink'
import {
  designOf,
  dimensions,
  type StudyPoint,
  type StudyProgress,
  type StudyResult,
  type StudyState,
  type Vary,
} from '../../core/study/combinations'
import type { ProjectFile } from '../../core/document'
import { db } from '~/db/database'
import { countOf, NO_MUSTS, type Musts, type Picked } from './studies'
import { useBench } from './useBench'
import { useCore } from './useCore'

export interface Ran {
  doc: ProjectFile
  vary: Vary
}

const zones = ref<Picked>({}),
  spars = ref<Picked>({}),
  musts = ref<Musts>({ ...NO_MUSTS })
const progress = shallowRef<StudyProgress | null>(null),
  result = shallowRef<StudyResult | null>(null),
  ran = shallowRef<Ran | null>(null)
/** Where a study stopped that did not come to its end. */
const left = shallowRef<StudyState | null>(null)
const fault = ref('')
let stop = false,
  own = 0,
  loadedFor = ''
/** ms between two writes while it runs. */
const KEEP_MS = 1000

export function useStudy() {
  const { doc, project } = useBench()

  function keep(state: StudyState | null, found: StudyResult | null) {
    const subject = ran.value
    // What a browser cannot store, a full disk or a private window, is no reason to stop a study.
    if (subject)
      void db.studies
        .put({
          project: subject.doc.id,
          at: Date.now(),
          doc: toRaw(subject.doc),
          vary: toRaw(subject.vary),
          picked: JSON.parse(JSON.stringify({ zones: zones.value, spars: spars.value, musts: musts.value })),
          state,
          result: found,
        })
        .catch(() => {})
  }

  async function go(subject: Ran, from: StudyState | null) {
    const mine = ++own
    stop = false
    fault.value = ''
    result.value = null
    left.value = null
    ran.value = subject
    progress.value = {
      phase: 'tabulating',
      done: 0,
      of: 1,
      evaluated: from?.done ?? 0,
      found: 0,
      front: [],
      state: null,
    }
    let kept = 0
    try {
      const found = await useCore('study').study(
        toRaw(subject.doc),
        toRaw(subject.vary),
        proxy((now: StudyProgress) => {
          if (mine !== own) return false
          progress.value = now
          if (now.state && Date.now() - kept > KEEP_MS) {
            kept = Date.now()
            keep(now.state, null)
          }
          return !stop
        }),
        from,
      )
      if (mine !== own) return
      result.value = found
      left.value = found.stopped && found.state.done < found.of ? found.state : null
      keep(found.state, found)
    } catch (error) {
      if (mine === own) fault.value = (error as Error).message
    } finally {
      if (mine === own) progress.value = null
    }
  }

  /** What was stored for a project, once when it opens. */
  async function load(id: string) {
    if (loadedFor === id) return
    loadedFor = id
    own++
    progress.value = result.value = ran.value = left.value = null
    fault.value = ''
    const stored = await db.studies.get(id)
    zones.value = stored?.picked.zones ?? {}
    spars.value = stored?.picked.spars ?? {}
    musts.value = { ...NO_MUSTS, ...stored?.picked.musts }
    if (!stored || loadedFor !== id) return
    ran.value = { doc: stored.doc, vary: stored.vary }
    result.value = stored.result
    left.value =
      stored.state && (!stored.result || stored.result.stopped) && stored.state.done < countOf(stored.vary)
        ? stored.state
        : null
  }

  watch(
    () => project.doc?.id,
    id => id && void load(id),
    { immediate: true },
  )

  /** Of the design as it was before the last edits. */
  const stale = computed(
    () =>
      ran.value !== null &&
      ran.value.doc !== toRaw(doc.value) &&
      JSON.stringify(ran.value.doc) !== JSON.stringify(doc.value),
  )
  const designed = (point: StudyPoint) =>
    designOf(ran.value!.doc, dimensions(ran.value!.doc, ran.value!.vary), point.picks, {
      ...result.value?.printerOf,
      ...point.printers,
    })
  return {
    zones,
    spars,
    musts,
    progress,
    result,
    ran,
    left,
    fault,
    stale,
    designed,
    run: (vary: Vary) => go({ doc: toRaw(doc.value), vary }, null),
    goOn: () => ran.value && left.value && go(ran.value, left.value),
    halt: () => {
      stop = true
    },
  }
}
