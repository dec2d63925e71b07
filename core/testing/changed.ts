/** A document that differs from another in what a change does to it. Throws where the schema does not take it. */
import { checkProject, type ProjectFile } from '../document'

export function changed(doc: ProjectFile, change: (draft: ProjectFile) => void): ProjectFile {
  const draft = structuredClone(doc)
  change(draft)
  return checkProject(draft)
}
