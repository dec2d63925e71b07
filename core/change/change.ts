/** A change to a design: what remedies, mends, nudges and the study make, try and offer. */
import { checkProject, DocumentError, type ProjectFile } from '../document'
import type { Words } from '../units'

/** The parts of the document that come out otherwise, whole. */
export type Change = Partial<ProjectFile>

/** A change with a name, before anybody has computed what it does. */
export interface Step {
  id: string
  title: Words
  change: Change
}

export const apply = (doc: ProjectFile, change: Change): ProjectFile => ({ ...doc, ...change })

/** Near the limits of a figure a change may ask for more than a project file can say. */
export function admissible(doc: ProjectFile): boolean {
  try {
    checkProject(doc)
    return true
  } catch (fault) {
    if (fault instanceof DocumentError) return false
    throw fault
  }
}
