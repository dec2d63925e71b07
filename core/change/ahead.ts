/**
 * What the wings will say while a handle is held: along the way that is being dragged they are carried on from the states
 * that have been assessed, as a straight line, until the exact answer comes.
 */
import type { WingName } from '../assess'
import type { ProjectFile } from '../document'

export type Wings = Record<WingName, number>
export interface Known {
  doc: ProjectFile
  wings: Wings
}
export interface Ahead {
  value: number
  /** How far the exact answer may lie from it, from how much the line has bent so far. */
  error: number
}

/** The way is followed where what was moved since lies on the line of what was moved before. */
const ASIDE = 0.02
/** It is carried on at most so many times as far as it is known. */
const FARTHEST = 4
/** Nearer to where it began than this a state tells nothing of the bend. */
const LEAST = 0.1
/** Twice the bend that was seen: a cubic bends more further on. */
const CAUTION = 2

/** Figures that differ, by path; null where more than figures do. */
function moved(
  a: unknown,
  b: unknown,
  path = '',
  found = new Map<string, number>(),
): Map<string, number> | null {
  if (Object.is(a, b)) return found
  if (typeof a === 'number' && typeof b === 'number') return found.set(path, b - a)
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return null
  const keys = Object.keys(a)
  if (keys.length !== Object.keys(b).length) return null
  for (const key of keys) {
    if (!Object.hasOwn(b, key)) return null
    if (
      !moved(
        (a as Record<string, unknown>)[key],
        (b as Record<string, unknown>)[key],
        `${path}.${key}`,
        found,
      )
    )
      return null
  }
  return found
}

/** How far `next` lies beyond b, in lengths of the way from a to b; null where it lies aside of it. */
function beyond(a: ProjectFile, b: ProjectFile, next: ProjectFile): number | null {
  const way = moved(a, b),
    more = moved(b, next)
  if (!way || !more || way.size === 0) return null
  let along = 0,
    length = 0,
    rest = 0
  for (const [path, step] of way) {
    along += step * (more.get(path) ?? 0)
    length += step * step
  }
  const t = along / length
  for (const path of new Set([...way.keys(), ...more.keys()]))
    rest += ((more.get(path) ?? 0) - t * (way.get(path) ?? 0)) ** 2
  const most = Math.max(1, Math.abs(t)) * Math.sqrt(length)
  return Math.sqrt(rest) <= ASIDE * most && Math.abs(t) <= FARTHEST ? t : null
}

/**
 * The wings of a document further along, from two or three states of the same drag, oldest first; null where the way
 * turns, where something other than figures changed, or where too little is known.
 */
export function wingsAhead(known: readonly Known[], next: ProjectFile): Record<WingName, Ahead> | null {
  const [older, a, b] = known.length > 2 ? known.slice(-3) : [null, ...known]
  if (!a || !b) return null
  const t = beyond(a.doc, b.doc, next)
  if (t === null) return null
  // What the line before it missed is the bend: c·s²·u(1 + u) for a stretch s carried on by u of itself, back or forth.
  const u = older ? beyond(older.doc, a.doc, b.doc) : null
  const bend = older && u !== null && Math.abs(1 + u) > LEAST ? Math.abs(u / (1 + u)) : null
  const names = Object.keys(b.wings) as WingName[]
  return Object.fromEntries(
    names.map(name => {
      const step = b.wings[name] - a.wings[name]
      const missed =
        older && bend !== null && u !== null
          ? bend * Math.abs(b.wings[name] - (a.wings[name] + u * (a.wings[name] - older.wings[name])))
          : Math.abs(step)
      return [
        name,
        { value: b.wings[name] + t * step, error: CAUTION * missed * Math.abs(t) * (1 + Math.abs(t)) },
      ]
    }),
  ) as Record<WingName, Ahead>
}
