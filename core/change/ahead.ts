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

/** Two steps lie so far out of one line that they span a plane: squared sine between them. */
const LEAST_SINE2 = 0.02

/** Shares of the last two steps that lead from c to `next`; null where they do not, or are one line. */
function across(a: ProjectFile, b: ProjectFile, c: ProjectFile, next: ProjectFile): [number, number] | null {
  const first = moved(a, b),
    second = moved(b, c),
    more = moved(c, next)
  if (!first || !second || !more) return null
  const dot = (x: Map<string, number>, y: Map<string, number>) =>
    [...x].reduce((sum, [path, step]) => sum + step * (y.get(path) ?? 0), 0)
  const ff = dot(first, first),
    ss = dot(second, second),
    fs = dot(first, second),
    fm = dot(first, more),
    sm = dot(second, more)
  const determinant = ff * ss - fs * fs
  if (determinant <= LEAST_SINE2 * ff * ss) return null
  const p = (fm * ss - sm * fs) / determinant,
    q = (sm * ff - fm * fs) / determinant
  if (Math.max(Math.abs(p), Math.abs(q)) > FARTHEST) return null
  const rest = dot(more, more) - p * fm - q * sm
  return rest <= ASIDE ** 2 * Math.max(ff, ss) ? [p, q] : null
}

const out = (share: number, step: number): number =>
  CAUTION * Math.abs(share) * (1 + Math.abs(share)) * Math.abs(step)

/**
 * The wings of a document further along, from two or three states of the same drag, oldest first; null where it leaves
 * the line or the plane of what was moved, where something other than figures changed, or where too little is known.
 */
export function wingsAhead(known: readonly Known[], next: ProjectFile): Record<WingName, Ahead> | null {
  const [older, a, b] = known.length > 2 ? known.slice(-3) : [null, ...known]
  if (!a || !b) return null
  const t = beyond(a.doc, b.doc, next)
  if (t !== null) return alongLine(older, a, b, t)
  const shares = older && across(older.doc, a.doc, b.doc, next)
  return shares && inPlane(older, a, b, shares)
}

const eachWing = (wings: Wings, ahead: (name: WingName) => Ahead): Record<WingName, Ahead> =>
  Object.fromEntries((Object.keys(wings) as WingName[]).map(name => [name, ahead(name)])) as Record<
    WingName,
    Ahead
  >

/** In two directions at once, such as a tip out and back: how the wings bend there is not known. */
const inPlane = (older: Known, a: Known, b: Known, [p, q]: [number, number]): Record<WingName, Ahead> =>
  eachWing(b.wings, name => {
    const first = a.wings[name] - older.wings[name],
      second = b.wings[name] - a.wings[name]
    return { value: b.wings[name] + p * first + q * second, error: out(p, first) + out(q, second) }
  })

function alongLine(older: Known | null, a: Known, b: Known, t: number): Record<WingName, Ahead> {
  // What the line before it missed is the bend: c·s²·u(1 + u) for a stretch s carried on by u of itself, back or forth.
  const u = older ? beyond(older.doc, a.doc, b.doc) : null
  const bend = older && u !== null && Math.abs(1 + u) > LEAST ? Math.abs(u / (1 + u)) : null
  return eachWing(b.wings, name => {
    const step = b.wings[name] - a.wings[name]
    const missed =
      older && bend !== null && u !== null
        ? bend * Math.abs(b.wings[name] - (a.wings[name] + u * (a.wings[name] - older.wings[name])))
        : step
    return { value: b.wings[name] + t * step, error: out(t, missed) }
  })
}
