/** Sweeps of every figure of a document in fine steps, and the jumps found. */
import type { Assessment } from '../assess'
import { checkProject, type ProjectFile } from '../document'
import { drafted } from './changed'

export interface Jump {
  path: string
  /** Which verdict, from what to what, and at which value of the figure. */
  wing: string
  from: number
  to: number
  at: number
}

/** Figures that shape, place or print something: those of the brief are targets, and counts may step. */
const SWEPT = ['wing', 'tail', 'body', 'boom', 'zones', 'spars', 'cuts', 'equipment']
/** Whole numbers, and what decides how many of something there are. */
const COUNTS = /count|bolts$|walls|Layers|passes|piece$|cells|capacityMah|sizeMm|bay|servo|spread|battery\./

/** Paths of every figure that may be swept. */
export function sweptPaths(doc: ProjectFile): string[] {
  const found: string[] = []
  const walk = (value: unknown, path: string) => {
    if (typeof value === 'number' && !COUNTS.test(path)) found.push(path)
    else if (Array.isArray(value)) value.forEach((item, i) => walk(item, `${path}.${i}`))
    else if (typeof value === 'object' && value !== null)
      for (const [key, item] of Object.entries(value)) walk(item, `${path}.${key}`)
  }
  for (const key of SWEPT) walk(doc[key as keyof ProjectFile], key)
  return found
}

export const withFigure = (doc: ProjectFile, path: string, value: number): ProjectFile =>
  drafted(doc, draft => {
    const keys = path.split('.')
    let at: unknown = draft
    for (const key of keys.slice(0, -1)) at = (at as Record<string, unknown>)[key]
    ;(at as Record<string, unknown>)[keys[keys.length - 1]] = value
  })

export const figureAt = (doc: ProjectFile, path: string): number =>
  path.split('.').reduce<unknown>((at, key) => (at as Record<string, unknown>)[key], doc) as number

const FIGURES: ReadonlyArray<[string, (a: Assessment) => number, number]> = [
  ['weight', a => a.totals.massG, 0.0005],
  ['balance', a => a.verdicts.balance.value / 100, 0.0005],
  ['strength', a => Math.log(Math.max(1e-3, a.strength.reserve)), 0.004],
  ['hours', a => a.totals.hours, 0.002],
]

/**
 * Sweeps one figure by a twentieth of itself (or two units) upwards. A step is a jump when it is more than five
 * times both of its neighbours and more than a little of the figure itself.
 */
export function sweep(
  assess: (doc: ProjectFile) => Assessment,
  doc: ProjectFile,
  path: string,
  steps: number,
): Jump[] {
  const start = figureAt(doc, path)
  const range =
    Math.abs(start) < 1 && start !== 0 ? 0.05 * Math.abs(start) : Math.max(2, 0.05 * Math.abs(start))
  const at = Array.from({ length: steps + 1 }, (_, i) => start + (range * i) / steps)
  const rows: Array<{ value: number; of: number[] }> = []
  for (const value of at) {
    const next = withFigure(doc, path, value)
    try {
      checkProject(next)
    } catch {
      break
    }
    const assessed = assess(next)
    rows.push({ value, of: FIGURES.map(([, pick]) => pick(assessed)) })
  }
  return FIGURES.flatMap(([wing, , little], k) => {
    const steps = rows.slice(1).map((row, i) => row.of[k] - rows[i].of[k])
    return steps.flatMap((step, i): Jump[] => {
      const beside = Math.max(Math.abs(steps[i - 1] ?? 0), Math.abs(steps[i + 1] ?? 0))
      const scale = wing === 'strength' || wing === 'balance' ? 1 : Math.abs(rows[i].of[k])
      return Math.abs(step) > 5 * beside + little * scale
        ? [{ path, wing, from: rows[i].of[k], to: rows[i + 1].of[k], at: rows[i].value }]
        : []
    })
  })
}
