/** The browser's own store: projects with their history, marks, and settings. Nothing leaves the machine. */
import Dexie, { type EntityTable } from 'dexie'
import type { Patch } from 'immer'
import type { Assessment } from '../../core/assess'
import type { ProjectFile } from '../../core/document'
import type { StudyResult, StudyState, Vary } from '../../core/study/combinations'

export interface Edit {
  name: string
  at: number
  forward: Patch[]
  back: Patch[]
}
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
export interface MarkRecord {
  id?: number
  project: string
  name: string
  at: number
  doc: ProjectFile
  /** The mark that it came from; marks of older versions do not say. */
  parent?: number | null
  /** Why it was made. */
  reasons?: string[]
}
/** The last study of a project: what may vary on what design, how far it came, and what it found. */
export interface StudyRecord {
  project: string
  at: number
  doc: ProjectFile
  vary: Vary
  picked: { zones: Record<string, string[]>; spars: Record<string, string[]>; musts: Record<string, unknown> }
  state: StudyState | null
  result: StudyResult | null
}
export interface SettingRecord {
  key: string
  value: string
}

/** Things of the browser that are no text: the folder that copies go to. */
export interface HandleRecord {
  key: string
  handle: unknown
}

/** A picture to a note of the build, shrunk. */
export interface PhotoRecord {
  id: string
  project: string
  type: string
  bytes: ArrayBuffer
  at: number
}

/** What was last computed, and from which design; see `kept-figures`. */
export interface FiguresRecord {
  key: string
  part: string
  text: string
  assessment: Assessment
}

export const db = new Dexie('mariposa') as Dexie & {
  projects: EntityTable<ProjectRecord, 'id'>
  marks: EntityTable<MarkRecord, 'id'>
  settings: EntityTable<SettingRecord, 'key'>
  studies: EntityTable<StudyRecord, 'project'>
  handles: EntityTable<HandleRecord, 'key'>
  photos: EntityTable<PhotoRecord, 'id'>
  figures: EntityTable<FiguresRecord, 'key'>
}
db.version(1).stores({ projects: 'id, changedAt', marks: '++id, project', settings: 'key' })
db.version(2).stores({ studies: 'project' })
db.version(3).stores({ handles: 'key' })
db.version(4).stores({ photos: 'id, project' })
db.version(5).stores({ figures: 'key' })

/** Another tab saved this project since we read it. */
export class StaleError extends Error {}

/** Writes only if nobody else did since `record.revision` was read; returns the new revision. */
export function saveProject(record: ProjectRecord): Promise<number> {
  return db.transaction('rw', db.projects, async () => {
    const stored = await db.projects.get(record.id)
    if (stored && stored.revision !== record.revision)
      throw new StaleError(`revision ${stored.revision} is stored, ${record.revision} was read`)
    const revision = record.revision + 1
    await db.projects.put({ ...record, revision, changedAt: Date.now() })
    return revision
  })
}
