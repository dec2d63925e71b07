/** Stored projects, each read by itself: one that is damaged takes no other with it. */
import { checkProject, DocumentError, PRESENT_VERSION, type ProjectFile } from '../../core/document'
import { db, type Edit, type ProjectRecord } from './database'
import { broughtUp } from './history'
import { copyProject, forgetCopies } from './second-copy'

export interface ShelfItem {
  id: string
  name: string
  changedAt: number
  /** Why it cannot be opened; null where it can. */
  fault: string | null
}

/** Newest first; damaged ones are there with what is wrong with them. */
export async function shelfItems(): Promise<ShelfItem[]> {
  const ids = await db.projects.toCollection().primaryKeys()
  const items = await Promise.all(ids.map(itemOf))
  return items.sort((a, b) => b.changedAt - a.changedAt)
}

async function itemOf(id: string): Promise<ShelfItem> {
  let stored: Partial<ProjectRecord> | undefined
  try {
    stored = await db.projects.get(id)
    checkProject(stored?.doc)
  } catch (fault) {
    return { id, name: nameOf(stored, id), changedAt: dateOf(stored), fault: saying(fault) }
  }
  return { id, name: nameOf(stored, id), changedAt: dateOf(stored), fault: null }
}

const nameOf = (stored: Partial<ProjectRecord> | undefined, id: string): string =>
  typeof stored?.name === 'string' && stored.name ? stored.name.slice(0, 200) : id
const dateOf = (stored: Partial<ProjectRecord> | undefined): number =>
  typeof stored?.changedAt === 'number' ? stored.changedAt : 0
const saying = (fault: unknown): string =>
  fault instanceof DocumentError ? fault.message : `it cannot be read: ${String((fault as Error).message)}`

/**
 * A stored project as this version has it, or null where there is none. Throws `DocumentError` when its document
 * cannot be read; steps of undo that are damaged are left out.
 */
export async function readRecord(id: string): Promise<ProjectRecord | null> {
  const stored = await db.projects.get(id)
  if (!stored) return null
  const whole: ProjectRecord = {
    ...stored,
    revision: typeof stored.revision === 'number' ? stored.revision : 1,
    done: steps(stored.done),
    undone: steps(stored.undone),
  }
  return broughtUp(whole, PRESENT_VERSION)
}

const steps = (list: unknown): Edit[] =>
  Array.isArray(list)
    ? list.filter(
        (edit: Partial<Edit> | null) =>
          typeof edit?.name === 'string' && Array.isArray(edit.forward) && Array.isArray(edit.back),
      )
    : []

/** Whatever lies in the store under this id, as text, for a file that somebody can look into. */
export async function rawRecord(id: string): Promise<string> {
  return JSON.stringify((await db.projects.get(id)) ?? null, null, 2)
}

/** Pictures that its notes speak of, whatever else is damaged. */
const picturesOf = (record: Partial<ProjectRecord> | undefined): string[] => [
  ...(record?.doc?.build?.notes ?? []).flatMap(note => note.photos ?? []),
  ...(record?.doc?.tracings ?? []).map(item => item.photo),
]

/** The project, its marks, its study, and the pictures that no other project shows. */
export async function deleteRecord(id: string): Promise<void> {
  const gone = await db.transaction('rw', [db.projects, db.marks, db.studies, db.photos], async () => {
    const own = picturesOf(await db.projects.get(id))
    await db.projects.delete(id)
    const others = new Set(own.length ? (await db.projects.toArray()).flatMap(picturesOf) : [])
    const alone = own.filter(photo => !others.has(photo))
    await db.photos.bulkDelete(alone)
    await db.marks.where('project').equals(id).delete()
    await db.studies.delete(id)
    return alone
  })
  await forgetCopies(id, gone)
}

/** Puts a project away under an id that is free, looked for and taken in one transaction; that id. */
export async function addRecord(
  source: ProjectFile,
  name: string,
  done: readonly Edit[] = [],
): Promise<string> {
  const record = await db.transaction('rw', db.projects, async () => {
    let id = source.id
    for (let n = 2; await db.projects.get(id); n++) id = `${source.id.slice(0, 50)}-${n}`
    const added = {
      id,
      name,
      revision: 1,
      changedAt: Date.now(),
      doc: { ...source, id, name },
      done: [...done],
      undone: [],
    }
    await db.projects.add(added)
    return added
  })
  await forgetCopies(record.id)
  await copyProject(record)
  return record.id
}
