/**
 * The figures of the last assessment, kept beside the projects: a page that opens shows them at once, as of the design
 * that they were computed from, and has them checked after. They are of one computing part alone: another may reckon otherwise.
 */
import type { Assessment } from '../../core/assess'
import type { ProjectFile } from '../../core/document'
import { db } from '~/db/database'

/** A design with given parts of this size is not compared by its text; it is computed as before. */
const MOST_CHARACTERS = 2_000_000
/** One set is kept: of the project that was open last. */
const LAST = 'last'

const textOf = (doc: ProjectFile): string | null => {
  const text = JSON.stringify(doc)
  return text.length > MOST_CHARACTERS ? null : text
}

/** Never rejects: without them the next page waits for its own. */
export async function keepFigures(part: string, doc: ProjectFile, assessment: Assessment): Promise<void> {
  const text = textOf(doc)
  try {
    if (text === null) await db.figures.delete(LAST)
    else await db.figures.put({ key: LAST, part, text, assessment })
  } catch {
    // Nothing that anybody made is lost.
  }
}

/** Those of this very design by this very build; null where there are none. */
export async function keptFigures(part: string, doc: ProjectFile): Promise<Assessment | null> {
  const record = await db.figures.get(LAST).catch(() => undefined)
  return record && record.part === part && record.text === textOf(doc) ? record.assessment : null
}
