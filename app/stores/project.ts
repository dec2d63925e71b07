/** The open project: its document, named edits with undo and redo, and saving. */
import { applyPatches, enablePatches, produceWithPatches, type Draft } from 'immer'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, toRaw } from 'vue'
import { DEMOS } from '../../core/demo'
import type { Change } from '../../core/change'
import {
  checkProject,
  DocumentError,
  PRESENT_VERSION,
  readProject,
  share,
  writeProject,
  type ProjectFile,
} from '../../core/document'
import { broughtUp } from '~/db/history'
import { db, saveProject, StaleError, type Edit, type MarkRecord, type ProjectRecord } from '~/db/database'

enablePatches()

/** Edits kept for undo. */
const HISTORY = 200
/** Key presses of one name this close together are one edit, ms. */
const MERGE_MS = 900
/**
 * Saves stand this far apart, so that a drag writes a few times a second instead of at every frame; the first
 * one goes at once.
 */
const SAVE_REST_MS = 120

/** What belongs to one gesture is one step: a drag by its own mark, keys by name and time. */
export type Gesture = symbol | 'keys'

/** Time that no clock change sets back, ms. */
const elapsed = (): number => performance.now()

export const useProject = defineStore('project', () => {
  const doc = shallowRef<ProjectFile | null>(null)
  const done = shallowRef<readonly Edit[]>([])
  const undone = shallowRef<readonly Edit[]>([])
  const saveState = ref<'saved' | 'saving' | 'unsaved' | 'full' | 'elsewhere'>('saved')
  const refused = ref<string | null>(null)
  const marks = shallowRef<MarkRecord[]>([])
  const shelf = shallowRef<Array<Pick<ProjectRecord, 'id' | 'name' | 'changedAt'>>>([])
  /** Rises with every new step of the history, forth or back; a drag stays one step. */
  const steps = ref(0)
  let gestureOf: { gesture: Gesture; at: number } | null = null
  let revision = 0
  let pending: Promise<void> | null = null
  let again = false
  let savedAt = -Infinity
  /** Ends the rest before a save: a page that goes away has no time for it. */
  let hurry: () => void = () => {}
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('mariposa')

  function record(): ProjectRecord {
    return {
      id: doc.value!.id,
      name: doc.value!.name,
      revision,
      changedAt: 0,
      doc: toRaw(doc.value!),
      done: [...done.value],
      undone: [...undone.value],
    }
  }

  /** Saves the newest state; edits made meanwhile are saved right after. */
  function save(): Promise<void> {
    if (saveState.value === 'elsewhere') return Promise.resolve()
    saveState.value = 'saving'
    if (pending) {
      again = true
      return pending
    }
    pending = new Promise<void>(resolve => {
      hurry = resolve
      setTimeout(resolve, Math.max(0, SAVE_REST_MS - (elapsed() - savedAt)))
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
      try {
        revision = await saveProject(record())
        savedAt = elapsed()
        saveState.value = again ? 'saving' : 'saved'
        channel?.postMessage({ project: doc.value!.id, revision })
      } catch (fault) {
        again = false
        saveState.value = fault instanceof StaleError ? 'elsewhere' : isQuota(fault) ? 'full' : 'unsaved'
      }
    } while (again)
  }

  /** One named, undoable change. A change the schema refuses leaves everything as it was and says why. */
  function edit(
    name: string,
    change: (draft: Draft<ProjectFile>) => void,
    { gesture }: { gesture?: Gesture } = {},
  ): boolean {
    if (!doc.value) return false
    const [next, forward, back] = produceWithPatches(toRaw(doc.value), change)
    if (forward.length === 0) return true
    try {
      checkProject(next)
    } catch (fault) {
      if (!(fault instanceof DocumentError)) throw fault
      refused.value = `${name}: ${fault.message}`
      return false
    }
    refused.value = null
    const before = done.value.at(-1)
    const now = Date.now()
    const goesOn =
      gesture !== undefined &&
      gestureOf?.gesture === gesture &&
      before?.name === name &&
      (gesture !== 'keys' || elapsed() - gestureOf.at < MERGE_MS)
    gestureOf = gesture === undefined ? null : { gesture, at: elapsed() }
    if (!goesOn) steps.value++
    done.value =
      goesOn && before
        ? [
            ...done.value.slice(0, -1),
            { name, at: now, forward: [...before.forward, ...forward], back: [...back, ...before.back] },
          ]
        : [...done.value, { name, at: now, forward, back }].slice(-HISTORY)
    undone.value = []
    doc.value = next
    void save()
    return true
  }

  /** Takes a whole new document as one edit (a remedy, a proposal). */
  const replace = (name: string, next: ProjectFile) =>
    edit(name, draft => {
      for (const key of Object.keys(next) as Array<keyof ProjectFile>)
        if (next[key] !== doc.value![key]) (draft as Record<string, unknown>)[key] = next[key]
    })

  /**
   * Takes what was computed as an offer: only on the design that it was computed for, so that an edit made
   * meanwhile is never written over. `of` is that design; false, with a word, when there is another by now.
   */
  function takeOffer(name: string, change: Change, of: ProjectFile | null): boolean {
    if (!doc.value) return false
    const present = toRaw(doc.value)
    if (!of || share(present, toRaw(of)) !== present) {
      refused.value = `${name.slice(0, 120)}: this was computed before your last edit; look at it again once it has been computed anew`
      return false
    }
    return edit(name.slice(0, 120), draft => {
      for (const [key, value] of Object.entries(change))
        if (value !== present[key as keyof ProjectFile]) (draft as Record<string, unknown>)[key] = value
    })
  }

  function step(from: typeof done, to: typeof undone, way: 'back' | 'forward') {
    const last = from.value.at(-1)
    if (!last || !doc.value) return
    doc.value = applyPatches(toRaw(doc.value), last[way])
    gestureOf = null
    steps.value++
    from.value = from.value.slice(0, -1)
    to.value = [...to.value, { ...last, at: 0 }]
    void save()
  }
  const undo = () => step(done, undone, 'back')
  const redo = () => step(undone, done, 'forward')

  async function open(id: string): Promise<boolean> {
    const stored = await db.projects.get(id)
    if (!stored) return false
    take(broughtUp(stored, PRESENT_VERSION))
    await db.settings.put({ key: 'open', value: id })
    return true
  }

  function take(stored: ProjectRecord) {
    doc.value = stored.doc
    gestureOf = null
    steps.value++
    done.value = stored.done
    undone.value = stored.undone
    revision = stored.revision
    saveState.value = 'saved'
    refused.value = null
    void listMarks()
  }

  /** First start: the demo projects are put on the shelf and the first one opens. */
  async function start(): Promise<void> {
    for (const demo of DEMOS)
      if (!(await db.projects.get(demo.id)))
        await db.projects.put({
          id: demo.id,
          name: demo.name,
          revision: 1,
          changedAt: Date.now() - DEMOS.indexOf(demo),
          doc: demo,
          done: [],
          undone: [],
        })
    const last = (await db.settings.get('open'))?.value
    if (!last || !(await open(last))) await open(DEMOS[0].id)
    await listShelf()
    channel?.addEventListener('message', ({ data }: MessageEvent<{ project: string; revision: number }>) => {
      if (data.project === doc.value?.id && data.revision > revision) saveState.value = 'elsewhere'
    })
  }

  if (typeof window !== 'undefined') window.addEventListener('pagehide', () => hurry())

  async function listShelf() {
    shelf.value = (await db.projects.orderBy('changedAt').reverse().toArray()).map(
      ({ id, name, changedAt }) => ({ id, name, changedAt }),
    )
  }

  /** Puts a project on the shelf under a free id and opens it. */
  async function add(source: ProjectFile, name = source.name): Promise<void> {
    await pending
    let id = source.id
    for (let n = 2; await db.projects.get(id); n++) id = `${source.id.slice(0, 50)}-${n}`
    await db.projects.put({
      id,
      name,
      revision: 1,
      changedAt: Date.now(),
      doc: { ...source, id, name },
      done: [],
      undone: [],
    })
    await open(id)
    await listShelf()
  }

  /** Throws `DocumentError`; nothing changes then. */
  const importText = (text: string) => add(readProject(text))
  const exportText = () => writeProject(doc.value!)

  async function listMarks() {
    marks.value = doc.value
      ? (await db.marks.where('project').equals(doc.value.id).toArray()).flatMap(readMark)
      : []
  }
  /** The present design, or another of the same project. */
  async function mark(name: string, of: ProjectFile = doc.value!) {
    await db.marks.add({ project: doc.value!.id, name, at: Date.now(), doc: toRaw(of) })
    await listMarks()
  }
  const backToMark = (record: MarkRecord) => replace(`Back to mark ${record.name}`, record.doc)

  /** Another tab is ahead: read what it saved. */
  const reloadStored = () => open(doc.value!.id)
  /** Another tab is ahead: keep both by putting ours aside as a copy. */
  const keepAsCopy = () => {
    const ours = doc.value!
    return add(ours, `${ours.name.slice(0, 180)} (copy)`)
  }

  return {
    doc,
    done,
    undone,
    saveState,
    refused,
    marks,
    shelf,
    canUndo: computed(() => done.value.length > 0),
    canRedo: computed(() => undone.value.length > 0),
    steps,
    edit,
    takeOffer,
    replace,
    undo,
    redo,
    save,
    start,
    open,
    add,
    importText,
    exportText,
    mark,
    backToMark,
    reloadStored,
    keepAsCopy,
    listShelf,
  }
})

/**
 * A mark of an older version is brought up to this one; one that cannot be read is left where it is and not
 * shown.
 */
function readMark(record: MarkRecord): MarkRecord[] {
  try {
    return [{ ...record, doc: checkProject(record.doc) }]
  } catch {
    return []
  }
}

const isQuota = (fault: unknown): boolean =>
  /quota/i.test(`${(fault as Error)?.name} ${(fault as { inner?: Error })?.inner?.name ?? ''}`)
