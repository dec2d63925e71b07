/**
 * A document on its way to a worker: meshes of given parts, which may be megabytes, cross once to each worker and are
 * named by a number from then on.
 */
import type { ProjectFile } from '../../../core/document'

/** Shorter ones go along every time. */
const WORTH_KEEPING = 2000

type Given = ProjectFile['given'][number]
export interface Crossing {
  crossing: Omit<ProjectFile, 'given'> & { given: Array<Omit<Given, 'mesh'> & { mesh: string | number }> }
  /** Meshes that the other side has not seen, by their number. */
  meshes: Array<[number, string]>
}

const isProject = (value: unknown): value is ProjectFile =>
  (value as ProjectFile | null)?.format === 'mariposa-project'
const crosses = (value: unknown): value is Crossing =>
  typeof value === 'object' && value !== null && 'crossing' in value

/** Of the page, one for each worker: documents made ready, anything else as it is. */
export function createSender(): (value: unknown) => unknown {
  const sent = new Map<string, number>()
  return value => {
    if (!isProject(value) || !value.given.some(({ mesh }) => mesh.length >= WORTH_KEEPING)) return value
    const meshes: Crossing['meshes'] = []
    const given = value.given.map(item => {
      if (item.mesh.length < WORTH_KEEPING) return item
      let number = sent.get(item.mesh)
      if (number === undefined) {
        number = sent.size
        sent.set(item.mesh, number)
        meshes.push([number, item.mesh])
      }
      return { ...item, mesh: number }
    })
    return { crossing: { ...value, given }, meshes } satisfies Crossing
  }
}

/** Of the worker: documents as they were, their meshes the very same strings every time. */
export function createReceiver(): (value: unknown) => unknown {
  const known = new Map<number, string>()
  return value => {
    if (!crosses(value)) return value
    for (const [number, mesh] of value.meshes) known.set(number, mesh)
    const given = value.crossing.given.map((item): Given => ({
      ...item,
      mesh: typeof item.mesh === 'number' ? known.get(item.mesh)! : item.mesh,
    }))
    return { ...value.crossing, given } satisfies ProjectFile
  }
}
