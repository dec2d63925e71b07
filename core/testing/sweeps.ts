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
const SWEPT = [
  'wing',
  'second',
  'winglets',
  'struts',
  'tail',
  'body',
  'boom',
  'duct',
  'zones',
  'spars',
  'cuts',
  'equipment',
]
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

/** Coarse steps of a sweep; where one stands out, it is gone over in fine ones. */
const COARSE = 25

/**
 * Sweeps one figure by a twentieth of itself (or two units) upwards. A step is a jump when it is more than five
 * times both of its neighbours and more than a little of the figure itself. With more steps than `COARSE` it goes in
 * coarse ones, and in fine ones where a jump may be: one of five fine steps in one of `n` makes a coarse step
 * (n + 5)/n of its neighbours, at least. `counted`: what else of a design is one of several and steps as it changes.
 */
export function sweep(
  assess: (doc: ProjectFile) => Assessment,
  doc: ProjectFile,
  path: string,
  steps: number,
  counted: (doc: ProjectFile) => string = () => '',
): Jump[] {
  const start = figureAt(doc, path)
  const range =
    Math.abs(start) < 1 && start !== 0 ? 0.05 * Math.abs(start) : Math.max(2, 0.05 * Math.abs(start))
  const rowsAt = (places: readonly number[]): Row[] => {
    const rows: Row[] = []
    for (const value of places) {
      const next = withFigure(doc, path, value)
      try {
        checkProject(next)
      } catch {
        break
      }
      const assessed = assess(next)
      rows.push({
        value,
        of: FIGURES.map(([, pick]) => pick(assessed)),
        pieces: [
          ...assessed.pieces.map(piece => piece.id),
          ...assessed.findings.filter(item => item.code === 'bay-breaks-out').map(item => item.where),
          counted(next),
        ].join(),
        printers: assessed.pieces.map(piece => piece.printer).join(),
      })
    }
    return rows
  }
  const evenly = (from: number, to: number, count: number) =>
    Array.from({ length: count + 1 }, (_, i) => from + ((to - from) * i) / count)
  const fine = Math.round(steps / COARSE)
  const rows = rowsAt(evenly(start, start + range, fine > 1 ? COARSE : steps))
  if (fine <= 1) return jumpsIn(rows, path, 5, 1)
  const suspected = new Set(jumpsIn(rows, path, 0.95 * (1 + 5 / fine), 0.8).map(jump => jump.at))
  return [...suspected].flatMap(at => {
    const step = range / COARSE
    // With the neighbours of its first and last fine step.
    const low = Math.max(start, at - step / fine),
      high = Math.min(start + range, at + step + step / fine)
    return jumpsIn(rowsAt(evenly(low, high, Math.round(((high - low) / step) * fine))), path, 5, 1)
  })
}

interface Row {
  value: number
  of: number[]
  /** Which there are, with bays that have no room; and what prints each. */
  pieces: string
  printers: string
}

/**
 * Steps more than `times` both of their neighbours and `share` of what counts as a little of the figure. Pieces are
 * counted: one that comes or goes, as a control does that is too narrow to be made, and one that fits a bed no longer
 * and goes to a printer that takes other hours. So are bays: one that breaks out, and is said to, is not cut.
 */
function jumpsIn(rows: readonly Row[], path: string, times: number, share: number): Jump[] {
  return FIGURES.flatMap(([wing, , little], k) => {
    const steps = rows.slice(1).map((row, i) => row.of[k] - rows[i].of[k])
    return steps.flatMap((step, i): Jump[] => {
      const beside = Math.max(Math.abs(steps[i - 1] ?? 0), Math.abs(steps[i + 1] ?? 0))
      const scale = wing === 'strength' || wing === 'balance' ? 1 : Math.abs(rows[i].of[k])
      const [a, b] = [rows[i], rows[i + 1]]
      if (a.pieces !== b.pieces || (wing === 'hours' && a.printers !== b.printers)) return []
      return Math.abs(step) > times * beside + share * little * scale
        ? [{ path, wing, from: rows[i].of[k], to: rows[i + 1].of[k], at: rows[i].value }]
        : []
    })
  })
}
