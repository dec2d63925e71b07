/** Documents at the edges of what the schema admits: a demo with some figures put to odd values, whatever that makes of the aircraft. */
import fc from 'fast-check'
import { DEMOS } from '../demo'
import { checkProject, DocumentError, type ProjectFile } from '../document'

type Path = Array<string | number>

/** Every number of a document, by path. */
function numbersOf(value: unknown, path: Path = []): Path[] {
  if (typeof value === 'number') return [path]
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([key, item]) => numbersOf(item, [...path, Array.isArray(value) ? Number(key) : key]))
}

function put(doc: unknown, path: Path, value: number): void {
  let at = doc as Record<string | number, unknown>
  for (const key of path.slice(0, -1)) at = at[key] as Record<string | number, unknown>
  at[path[path.length - 1]] = value
}

const PATHS = DEMOS.map(demo => numbersOf(demo).filter(path => path[0] !== 'version'))
const VALUES = [0, 1, -1, 0.001, 0.5, 2, 5, 10, 40, 90, -15, 100, 500, 1000, 3000, 1e-6]

/** A demo with up to six figures changed at once, where the schema takes them. */
export const extreme: fc.Arbitrary<ProjectFile> = fc.tuple(fc.nat(DEMOS.length - 1), fc.array(fc.tuple(fc.nat(100_000), fc.constantFrom(...VALUES)), { minLength: 1, maxLength: 6 }), fc.constantFrom('as it is', 'V', 'canard', 'none', 'all-moving')).map(([which, changes, tail]) => {
  let doc = structuredClone(DEMOS[which])
  if (tail !== 'as it is' && (doc.tail.horizontal || tail === 'none')) doc.tail.kind = tail as ProjectFile['tail']['kind']
  for (const [pick, value] of changes) {
    const next = structuredClone(doc)
    put(next, PATHS[which][pick % PATHS[which].length], value)
    try {
      doc = checkProject(next)
    } catch (fault) {
      if (!(fault instanceof DocumentError)) throw fault
    }
  }
  return doc
})

/** Paths of every number that is none; infinities count too. */
export function notNumbers(value: unknown, path = ''): string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [`${path} is ${value}`]
  if (typeof value !== 'object' || value === null || ArrayBuffer.isView(value)) return []
  return Object.entries(value).flatMap(([key, item]) => notNumbers(item, path ? `${path}.${key}` : key))
}
