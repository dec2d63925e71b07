/**
 * Documents that differ from another in what a change does to them. What it leaves alone is the very same: an assessor
 * that knows the one computes of the other what changed.
 */
import { produce } from 'immer'
import { checkProject, type ProjectFile } from '../document'

type Change = (draft: ProjectFile) => void

/** Whether or not the schema takes it. */
export const drafted = (doc: ProjectFile, change: Change): ProjectFile =>
  produce(doc, draft => {
    change(draft as ProjectFile)
  })

/** Throws where the schema does not take it. */
export function changed(doc: ProjectFile, change: Change): ProjectFile {
  const next = drafted(doc, change)
  checkProject(next)
  return next
}
