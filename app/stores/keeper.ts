/** Keeping the open project in the browser's store: when, how far it is, and what stood in the way. */
import { ref, shallowRef, toRaw } from 'vue'
import type { ProjectFile } from '../../core/document'
import { saveProject, StaleError, type ProjectRecord } from '~/db/database'
import { copyProject } from '~/db/second-copy'
import { isQuota, withWord } from '~/db/store-fault'

/**
 * Saves stand this far apart, so that a drag writes a few times a second instead of at every frame; the first
 * one goes at once.
 */
const SAVE_REST_MS = 120

export type SaveState = 'saved' | 'saving' | 'unsaved' | 'full' | 'elsewhere'

/** `present` is the open project as it stands; its revision is put in here. */
export function createKeeper(present: () => ProjectRecord) {
  const state = ref<SaveState>('saved')
  /** The document as the store has it. */
  const kept = shallowRef<ProjectFile | null>(null)
  let revision = 0
  /** Rises with every project that is taken: what is still being written of the one before says nothing of it. */
  let taken = 0
  let pending: Promise<void> | null = null
  let again = false
  let savedAt = -Infinity
  let hurry: () => void = () => {}
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('mariposa')

  /** Saves the newest state; edits made meanwhile are saved right after. */
  function save(): Promise<void> {
    if (state.value === 'elsewhere') return Promise.resolve()
    state.value = 'saving'
    if (pending) {
      again = true
      return pending
    }
    pending = new Promise<void>(resolve => {
      hurry = resolve
      setTimeout(resolve, Math.max(0, SAVE_REST_MS - (performance.now() - savedAt)))
    })
      .then(saveLoop)
      .finally(() => {
        pending = null
      })
    return pending
  }

  async function saveLoop(): Promise<void> {
    do {
      again = false
      const of = taken,
        record = { ...present(), revision },
        work = savedTwice(record)
      const adopt = (next: number) => {
        if (of !== taken) return
        revision = next
        kept.value = record.doc
        savedAt = performance.now()
      }
      try {
        adopt(await withWord(work))
        if (of !== taken) continue
        state.value = again ? 'saving' : 'saved'
        channel?.postMessage({ project: record.id, revision })
      } catch (fault) {
        // A store that answers after all has kept it.
        work.then(adopt, () => {})
        if (of !== taken) continue
        again = false
        state.value = stateOf(fault)
      }
    } while (again)
  }

  /** Another project, or another state of this one, as it came from the store. */
  function take(stored: ProjectRecord): void {
    taken++
    revision = stored.revision
    kept.value = stored.doc
    state.value = 'saved'
  }

  /** Tells where another tab has kept a newer state of the project with this id. */
  function listen(open: () => string | undefined): void {
    channel?.addEventListener('message', ({ data }: MessageEvent<{ project: string; revision: number }>) => {
      if (data.project === open() && data.revision > revision) state.value = 'elsewhere'
    })
  }

  return {
    state,
    kept,
    save,
    take,
    listen,
    /** Whether something would be lost if the document went. */
    lacks: (doc: ProjectFile | null) => doc !== null && toRaw(doc) !== toRaw(kept.value),
    /** Ends the rest before a save: a page that goes away has no time for it. */
    hurry: () => hurry(),
  }
}

/** What is said to be kept stands in both stores, unless the second takes no more. */
async function savedTwice(record: ProjectRecord): Promise<number> {
  const revision = await saveProject(record)
  await copyProject({ ...record, revision, changedAt: Date.now() })
  return revision
}

function stateOf(fault: unknown): SaveState {
  if (fault instanceof StaleError) return 'elsewhere'
  return isQuota(fault) ? 'full' : 'unsaved'
}
