/**
 * Steps of undo brought along when the project file gets a new version: every state that they lead to is
 * brought up by itself, and the steps are what lies between the new states.
 */
import { applyPatches, enablePatches, type Patch } from 'immer'
import { checkProject, share, type ProjectFile } from '../../core/document'
import type { Edit, ProjectRecord } from './database'

enablePatches()

/** The parts of a document that differ, as patches from one to the other. */
function between(from: ProjectFile, to: ProjectFile): Patch[] {
  const keys = Object.keys(to) as Array<keyof ProjectFile>
  return keys
    .filter(key => from[key] !== to[key])
    .map(key => ({ op: 'replace', path: [key], value: to[key] }))
}

/** States one after another as steps lead to them; they end before one that can no longer be read. */
function states(present: unknown, steps: readonly Edit[], way: 'back' | 'forward'): ProjectFile[] {
  const found: ProjectFile[] = []
  let raw = present,
    last = checkProject(raw)
  for (const step of [...steps].reverse()) {
    try {
      raw = applyPatches(raw as object, step[way])
      last = share(last, checkProject(raw))
    } catch {
      break
    }
    found.push(last)
  }
  return found
}

function anew(present: ProjectFile, raw: unknown, steps: readonly Edit[], way: 'back' | 'forward'): Edit[] {
  let near = present
  const edits = states(raw, steps, way).map((far, i): Edit => {
    const there = share(near, far)
    const step = steps[steps.length - 1 - i]!
    const edit = {
      ...step,
      forward: way === 'back' ? between(there, near) : between(near, there),
      back: way === 'back' ? between(near, there) : between(there, near),
    }
    near = there
    return edit
  })
  return edits.reverse()
}

/** A stored project as this version has it. Throws `DocumentError` when its document cannot be read. */
export function broughtUp(stored: ProjectRecord, version: number): ProjectRecord {
  const doc = checkProject(stored.doc)
  if (stored.doc.version === version) return { ...stored, doc }
  return {
    ...stored,
    doc,
    done: anew(doc, stored.doc, stored.done, 'back'),
    undone: anew(doc, stored.doc, stored.undone, 'forward'),
  }
}
