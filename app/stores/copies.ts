/**
 * Copies outside the browser: dated project files in a folder that is chosen once, where the browser can do
 * that; otherwise when the last one was taken. And whether the browser promises to keep what it holds.
 */
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, toRaw, watch } from 'vue'
import { format } from 'date-fns'
import { writeProject, type ProjectFile } from '../../core/document'
import { db } from '~/db/database'
import { download, fileName } from '~/composables/download'
import { useProject } from './project'

/** The same project is copied at most this often while it is worked on, ms. */
const REST_MS = 60_000
/** Steps, and days, after which a copy is due. */
const STEPS_DUE = 25,
  DAYS_DUE = 3
const DAY_MS = 86_400_000

/** What browsers with a file system have, and TypeScript's library does not know. */
type Folder = FileSystemDirectoryHandle & {
  queryPermission(how: { mode: 'readwrite' }): Promise<PermissionState>
  requestPermission(how: { mode: 'readwrite' }): Promise<PermissionState>
}
declare global {
  interface Window {
    showDirectoryPicker?: (how: { mode: 'readwrite'; id: string }) => Promise<FileSystemDirectoryHandle>
  }
}

export const useCopies = defineStore('copies', () => {
  const project = useProject()
  const folder = shallowRef<Folder | null>(null)
  /** A folder is known, but must be allowed again in this visit: that takes a press. */
  const asleep = ref(false)
  const fault = ref<string | null>(null)
  const copiedAt = ref<number | null>(null)
  /** Steps of the open project when it was last copied. */
  const stepsThen = ref(0)
  const persistent = ref<boolean | null>(null)
  const canChoose = typeof window !== 'undefined' && !!window.showDirectoryPicker
  let copied: ProjectFile | null = null
  let timer: ReturnType<typeof setTimeout> | null = null

  const due = computed(
    () =>
      project.steps - stepsThen.value >= STEPS_DUE ||
      (copiedAt.value !== null && project.done.length > 0 && Date.now() - copiedAt.value > DAYS_DUE * DAY_MS),
  )

  async function start(): Promise<void> {
    persistent.value = (await navigator.storage?.persisted?.()) ?? null
    if (!canChoose) return
    folder.value = ((await db.handles.get('copies'))?.handle as Folder | undefined) ?? null
    asleep.value = !!folder.value && (await folder.value.queryPermission({ mode: 'readwrite' })) !== 'granted'
  }

  /** Browsers grant it silently, ask, or refuse; which, is said. */
  async function askToPersist(): Promise<void> {
    persistent.value = (await navigator.storage?.persist?.()) ?? null
  }

  async function choose(): Promise<void> {
    try {
      const handle = (await window.showDirectoryPicker!({ mode: 'readwrite', id: 'copies' })) as Folder
      folder.value = handle
      asleep.value = false
      await db.handles.put({ key: 'copies', handle })
      await write()
    } catch (error) {
      // Closing the chooser is no fault.
      if ((error as Error).name !== 'AbortError')
        fault.value = `The folder was not taken: ${(error as Error).message}`
    }
  }
  async function forget(): Promise<void> {
    folder.value = null
    asleep.value = false
    fault.value = null
    await db.handles.delete('copies')
  }
  /** After a press: browsers ask only then. */
  async function wake(): Promise<void> {
    if (!folder.value) return
    asleep.value = (await folder.value.requestPermission({ mode: 'readwrite' })) !== 'granted'
    if (!asleep.value) await write()
  }

  /** One file a project and day; the day's earlier state is written over. */
  async function write(): Promise<void> {
    const doc = project.doc
    if (!folder.value || asleep.value || !doc || copied === doc) return
    try {
      const name = `${fileName(doc.name)}-${format(new Date(), 'yyyy-MM-dd')}.json`
      const file = await folder.value.getFileHandle(name, { create: true })
      // What is written takes the file's place only once it is whole.
      const stream = await file.createWritable()
      await stream.write(writeProject(toRaw(doc)))
      await stream.close()
      copied = doc
      fault.value = null
      await taken()
    } catch (error) {
      fault.value = `No copy was written to ${folder.value.name}: ${(error as Error).message.slice(0, 160)}`
    }
  }
  /** The open project as a file in the maker's hand. */
  async function exportNow(): Promise<void> {
    if (!project.doc) return
    download(`${fileName(project.doc.name)}.json`, project.exportText(), 'application/json')
    await taken()
  }
  /** A copy of the open project went out of the browser, this way or by hand. */
  async function taken(): Promise<void> {
    copiedAt.value = Date.now()
    stepsThen.value = project.steps
    if (project.doc)
      await db.settings
        .put({ key: `copied ${project.doc.id}`, value: String(copiedAt.value) })
        .catch(() => {})
  }

  watch(
    () => project.doc?.id,
    async id => {
      copied = null
      stepsThen.value = project.steps
      const at =
        id === undefined ? undefined : (await db.settings.get(`copied ${id}`).catch(() => undefined))?.value
      copiedAt.value = at === undefined ? null : Number(at)
    },
    { immediate: true },
  )
  watch(
    () => project.kept,
    (now, before) => {
      if (!now || now.id !== before?.id || timer) return
      timer = setTimeout(
        () => {
          timer = null
          void write()
        },
        copied?.id === now.id ? REST_MS : 2000,
      )
    },
  )
  return {
    folder,
    asleep,
    fault,
    copiedAt,
    due,
    persistent,
    canChoose,
    start,
    askToPersist,
    choose,
    forget,
    wake,
    exportNow,
    taken,
  }
})
