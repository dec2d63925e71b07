/** The browser's own store: projects with their history, marks, and settings. Nothing leaves the machine. */
import Dexie, { type EntityTable } from 'dexie'
import type { Patch } from 'immer'
import type { ProjectFile } from '../../core/document'

export interface Edit { name: string, at: number, forward: Patch[], back: Patch[] }
export interface ProjectRecord {
  id: string
  name: string
  /** Raised by every save; a tab that holds an older number must not write. */
  revision: number
  changedAt: number
  doc: ProjectFile
  done: Edit[]
  undone: Edit[]
}
export interface MarkRecord { id?: number, project: string, name: string, at: number, doc: ProjectFile }
export interface SettingRecord { key: string, value: string }

export const db = new Dexie('mariposa') as Dexie & {
  projects: EntityTable<ProjectRecord, 'id'>
  marks: EntityTable<MarkRecord, 'id'>
  settings: EntityTable<SettingRecord, 'key'>
}
db.version(1).stores({ projects: 'id, changedAt', marks: '++id, project', settings: 'key' })

/** Another tab saved this project since we read it. */
export class StaleError extends Error {}

/** Writes only if nobody else did since `record.revision` was read; returns the new revision. */
export function saveProject(record: ProjectRecord): Promise<number> {
  return db.transaction('rw', db.projects, async () => {
    const stored = await db.projects.get(record.id)
    if (stored && stored.revision !== record.revision) throw new StaleError(`revision ${stored.revision} is stored, ${record.revision} was read`)
    const revision = record.revision + 1
    await db.projects.put({ ...record, revision, changedAt: Date.now() })
    return revision
  })
}
