/** What the calls of a worker share: its two assessors, its solids, how work is stopped, files as text. */
import Module from 'manifold-3d'
import wasmUrl from 'manifold-3d/manifold.wasm?url'
import { createAssessor } from '../../../core/assess'
import { share, type ProjectFile } from '../../../core/document'
import type { SolidKernel } from '../../../core/geometry'

/** What is being reckoned is told apart from the answers, so that a call that is stopped can be named. */
const TELL_EVERY_MS = 250
let toldAt = 0
const at = (what: string) => {
  if (performance.now() - toldAt < TELL_EVERY_MS) return
  toldAt = performance.now()
  self.postMessage({ at: what })
}
export const live = createAssessor(undefined, { at })
// Comparisons try other recipes; their own memory keeps the live one warm.
export const aside = createAssessor(undefined, { at })
let last: ProjectFile | null = null
let kernel: Promise<SolidKernel> | null = null

export const known = (doc: ProjectFile): ProjectFile => (last = share(last, doc))

async function loadKernel(): Promise<SolidKernel> {
  const module = await Module({ locateFile: () => wasmUrl })
  module.setup()
  return module
}
/** One that could not be loaded is asked for again the next time. */
export const solids = (): Promise<SolidKernel> =>
  (kernel ??= loadKernel().catch(fault => {
    kernel = null
    throw fault
  }))

export type Progress = (done: number, of: number, name: string) => boolean | Promise<boolean>
class Stopped extends Error {}
export const stopping = (progress: Progress) => async (done: number, of: number, name: string) => {
  if (!(await progress(done, of, name))) throw new Stopped()
}
/** Null where the maker stopped it. */
export async function unlessStopped<T>(work: () => Promise<T>): Promise<T | null> {
  try {
    return await work()
  } catch (fault) {
    if (fault instanceof Stopped) return null
    throw fault
  }
}

export async function* textOf(file: Blob): AsyncGenerator<string> {
  const decoder = new TextDecoder()
  const reader = file.stream().getReader()
  for (;;) {
    const { done, value } = await reader.read()
    if (done) break
    yield decoder.decode(value, { stream: true })
  }
  yield decoder.decode()
}
