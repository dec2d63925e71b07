/** The open project: its document, named edits with undo and redo, and how one project follows another. */
import { applyPatches, enablePatches, produceWithPatches, type Draft } from 'immer'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, toRaw } from 'vue'
import { asNew } from '../../core/begin'
import { DEMOS } from '../../core/demo'
import type { Change } from '../../core/change'
import {
  checkProject,
  DocumentError,
  readProject,
  share,
  writeProject,
  type ProjectFile,
} from '../../core/document'
import { db, type Edit, type MarkRecord, type ProjectRecord } from '~/db/database'
import { whatStands } from '~/db/first'
import { copyMark } from '~/db/second-copy'
import { addRecord, readRecord, shelfItems, type ShelfItem } from '~/db/records'
import { StoreFault, withWord, written } from '~/db/store-fault'
import { createKeeper } from './keeper'

enablePatches()

/** Edits kept for undo. */
const HISTORY = 200
/** Key presses of one name this close together are one edit, ms. */
const MERGE_MS = 900
/** What belongs to one gesture is one step: a drag by its own mark, keys by name and time. */
export type Gesture = symbol | 'keys'

/** Time that no clock change sets back, ms. */
const elapsed = (): number => performance.now()

/** From one document to the next, part by part; ids and names are those of the first throughout. */
const editsBetween = (grown: ReadonlyArray<{ title: string; doc: ProjectFile }>): Edit[] =>
  grown.slice(1).flatMap(({ title, doc: next }, i) => {
    const before = grown[i].doc
    const [, forward, back] = produceWithPatches(before, draft => {
      for (const key of Object.keys(next) as Array<keyof ProjectFile>)
        if (key !== 'id' && key !== 'name' && next[key] !== before[key])
          (draft as Record<string, unknown>)[key] = next[key]
    })
    return forward.length ? [{ name: title.slice(0, 120), at: Date.now(), forward, back }] : []
  })

export const useProject = defineStore('project', () => {
  const doc = shallowRef<ProjectFile | null>(null)
  const done = shallowRef<readonly Edit[]>([])
  const undone = shallowRef<readonly Edit[]>([])
  const refused = ref<string | null>(null)
  const marks = shallowRef<MarkRecord[]>([])
  /** The mark that the present design came from. */
  const markAt = ref<number | null>(null)
  const shelf = shallowRef<ShelfItem[]>([])
  /** What the maker should know about the store, besides the state of saving. */
  const notice = ref<string | null>(null)
  /** What was asked for while work would have been lost by it: the maker decides. */
  const leaving = shallowRef<{ to: string; go: () => Promise<void> } | null>(null)
  /** Rises with every new step of the history, forth or back; a drag stays one step. */
  const steps = ref(0)
  let gestureOf: { gesture: Gesture; at: number } | null = null
  const keeper = createKeeper(record)
  const { save } = keeper
  const unkept = computed(() => keeper.lacks(doc.value))

  function record(): ProjectRecord {
    return {
      id: doc.value!.id,
      name: doc.value!.name,
      revision: 0,
      changedAt: 0,
      doc: toRaw(doc.value!),
      done: [...done.value],
      undone: [...undone.value],
    }
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
    let next: ProjectFile
    try {
      next = applyPatches(toRaw(doc.value), last[way])
      checkProject(next)
    } catch {
      // Nothing beyond a damaged step can be reached either.
      from.value = []
      refused.value = `${last.name}: what was kept of this step is damaged; it and those beyond it are gone, the design stays as it is`
      void save()
      return
    }
    doc.value = next
    gestureOf = null
    steps.value++
    from.value = from.value.slice(0, -1)
    to.value = [...to.value, { ...last, at: 0 }]
    void save()
  }
  const undo = () => step(done, undone, 'back')
  const redo = () => step(undone, done, 'forward')

  /**
   * Whether the open project may go: what is not kept yet is kept first. False where it cannot be; the maker is
   * asked then.
   */
  async function mayLeave(): Promise<boolean> {
    if (unkept.value) await save()
    return !unkept.value
  }
  const stay = () => {
    leaving.value = null
  }
  async function leave() {
    const go = leaving.value?.go
    leaving.value = null
    await go?.()
  }

  /** Throws `DocumentError` where what is stored cannot be read. */
  async function stored(id: string): Promise<ProjectRecord> {
    const record = await withWord(readRecord(id))
    if (!record) throw new DocumentError('', 'it is not in this browser any more')
    return record
  }
  /** `then` follows once it is open, also where the maker was asked first. */
  async function open(id: string, name = id, then: () => void = () => {}): Promise<void> {
    // Read first: an edit that is made meanwhile is kept before the project goes.
    const record = await stored(id)
    const go = (next: ProjectRecord) => {
      take(next)
      then()
    }
    if (await mayLeave()) go(record)
    else leaving.value = { to: name, go: async () => go(await stored(id)) }
  }

  function take(stored: ProjectRecord) {
    doc.value = stored.doc
    keeper.take(stored)
    gestureOf = null
    steps.value++
    done.value = stored.done
    undone.value = stored.undone
    refused.value = null
    notice.value = null
    listMarks().catch(() => {
      marks.value = []
    })
    void db.settings.put({ key: 'open', value: stored.id }).catch(() => {
      // Only the next start would know it.
    })
  }

  let starting: Promise<void> | null = null
  /**
   * Opens what was open last. A page that comes back to its bench goes on with what is open: its newest edit may not
   * be kept yet.
   */
  async function start(): Promise<void> {
    if (doc.value) return
    starting ??= openFirst().finally(() => {
      starting = null
    })
    await starting
  }
  async function openFirst(): Promise<void> {
    const at = await whatStands()
    shelf.value = at.shelf
    const record = at.first && (await stored(at.first.id))
    // Something may have been opened meanwhile.
    if (doc.value) return
    if (record) take(record)
    else await addNow(DEMOS[0], DEMOS[0].name)
    notice.value = at.notice
    keeper.listen(() => doc.value?.id)
  }

  if (typeof window !== 'undefined') {
    window.addEventListener('pagehide', keeper.hurry)
    // What is about to be kept needs no question; what cannot be kept does.
    window.addEventListener('beforeunload', event => {
      if (unkept.value && keeper.state.value !== 'saving') event.preventDefault()
    })
  }

  async function listShelf() {
    shelf.value = await withWord(shelfItems())
  }

  /** Puts a project on the shelf under a free id and opens it. Throws `StoreFault` where it was not kept. */
  async function add(source: ProjectFile, name = source.name): Promise<void> {
    if (await mayLeave()) return addNow(source, name)
    leaving.value = { to: name, go: () => addNow(source, name) }
  }
  /** The design of a project on the shelf, as a new aircraft. Throws `DocumentError` where it cannot be read. */
  async function addDesignOf(id: string): Promise<void> {
    const { doc: other } = await stored(id)
    return add(asNew(other), `${other.name.slice(0, 180)}, anew`)
  }
  /** The same with the way there: each step an edit that can be undone. The last is what opens. */
  async function addGrown(grown: ReadonlyArray<{ title: string; doc: ProjectFile }>): Promise<void> {
    const { doc: last } = grown[grown.length - 1]
    const go = () => addNow(last, last.name, editsBetween(grown))
    if (await mayLeave()) return go()
    leaving.value = { to: last.name, go }
  }
  async function addNow(source: ProjectFile, name: string, edits: readonly Edit[] = []): Promise<void> {
    const id = await written(name.slice(0, 80), () => addRecord(source, name, edits))
    const record = await stored(id)
    await mayLeave()
    take(record)
    await listShelf()
  }

  /** What is kept here under the id of a project; null where nothing is, or nothing that can be read. */
  async function sameHere({ id }: ProjectFile): Promise<ProjectFile | null> {
    if (id === doc.value?.id) return doc.value
    return readRecord(id).then(
      stored => stored?.doc ?? null,
      () => null,
    )
  }
  /** Another state of a project that is here becomes its newest edit. */
  async function takeOver(state: ProjectFile): Promise<void> {
    const into = () => replace('Brought together with another copy', state)
    if (state.id === doc.value?.id) into()
    else await open(state.id, state.name, into)
  }

  /** Throws `DocumentError`; nothing changes then. */
  const importText = (text: string) => add(readProject(text))
  const exportText = () => writeProject(doc.value!)

  async function listMarks() {
    marks.value = doc.value
      ? (await db.marks.where('project').equals(doc.value.id).toArray()).flatMap(readMark)
      : []
    const at = doc.value && Number((await db.settings.get(`mark ${doc.value.id}`))?.value ?? NaN)
    markAt.value = marks.value.some(item => item.id === at) ? at : (marks.value.at(-1)?.id ?? null)
  }
  async function standAt(id: number | null) {
    markAt.value = id
    // Only the line to the next mark would be another one.
    await db.settings.put({ key: `mark ${doc.value!.id}`, value: String(id) }).catch(() => {})
  }
  /** The present design, or another of the same project. */
  async function mark(name: string, of: ProjectFile = doc.value!, reasons: string[] = []) {
    const record: MarkRecord = {
      project: doc.value!.id,
      name,
      at: Date.now(),
      doc: toRaw(of),
      parent: markAt.value,
      reasons,
    }
    const id = await written(`The mark ${name.slice(0, 60)}`, () => db.marks.add(record))
    await copyMark(record)
    await standAt(id as number)
    await listMarks()
  }
  function backToMark(record: MarkRecord) {
    const back = replace(`Back to mark ${record.name}`, record.doc)
    if (back) void standAt(record.id ?? null)
    return back
  }

  /** Runs something that keeps; where the store failed, the maker reads why in the thread. Whether it was kept. */
  async function said(work: () => Promise<unknown>): Promise<boolean> {
    try {
      await work()
      return true
    } catch (fault) {
      if (!(fault instanceof StoreFault)) throw fault
      refused.value = fault.message
      return false
    }
  }

  /** Another tab is ahead: read what it saved. */
  const reloadStored = async () => take(await stored(doc.value!.id))
  /** Another tab is ahead: keep both by putting ours aside as a copy. */
  const keepAsCopy = () => {
    const ours = doc.value!
    return addNow(ours, `${ours.name.slice(0, 180)} (copy)`)
  }

  return {
    doc,
    done,
    undone,
    saveState: keeper.state,
    kept: keeper.kept,
    unkept,
    notice,
    leaving,
    leave,
    stay,
    refused,
    marks,
    markAt,
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
    addGrown,
    addDesignOf,
    sameHere,
    takeOver,
    importText,
    exportText,
    mark,
    said,
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
