/**
 * Two copies of one project that went apart: the design is taken part by part as the maker decides; flights,
 * weighings, checks and all else that was done and noted are kept from both.
 */
import { canonical } from '../fingerprint'
import { checkProject } from '../read'
import type { Pack, ProjectFile } from '../schema'
import { designParts, itemKey, LIST_KEYS, todayOf, WHOLE_KEYS, type ListKey } from './design-parts'
import { bothKept, byState, furthest, together } from './records'

export type Copy = 'here' | 'there'

export interface PartDifference {
  key: string
  label: string
  /** What is said in it here and there, the first few figures that differ; empty where one copy lacks it. */
  differs: Array<{ path: string; here: string; there: string }>
  more: number
  lacks: Copy | null
}

const SHOWN = 4

/** Parts of the design that differ, in the order of the document. */
export function partDifferences(here: ProjectFile, there: ProjectFile): PartDifference[] {
  const a = designParts(here),
    b = designParts(there)
  return [...new Set([...a.keys(), ...b.keys()])].flatMap(key => {
    const mine = a.get(key),
      theirs = b.get(key)
    if (mine && theirs && canonical(mine.value) === canonical(theirs.value)) return []
    const leaves = mine && theirs ? [...leavesApart('', mine.value, theirs.value)] : []
    return [
      {
        key,
        label: (mine ?? theirs)!.label,
        differs: leaves.slice(0, SHOWN),
        more: Math.max(0, leaves.length - SHOWN),
        lacks: !mine ? ('here' as const) : !theirs ? ('there' as const) : null,
      },
    ]
  })
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null

const short = (value: unknown): string => {
  const text = typeof value === 'string' ? value : value === undefined ? '–' : canonical(value)
  return text.length > 40 ? `${text.slice(0, 38)}…` : text
}

function* leavesApart(
  path: string,
  here: unknown,
  there: unknown,
): Generator<{ path: string; here: string; there: string }> {
  if (canonical(here) === canonical(there)) return
  if (isObject(here) && isObject(there) && Array.isArray(here) === Array.isArray(there)) {
    for (const key of new Set([...Object.keys(here), ...Object.keys(there)])) {
      const name = Array.isArray(here) ? `[${key}]` : path ? `.${key}` : key
      yield* leavesApart(path + name, here[key], there[key])
    }
  } else yield { path, here: short(here), there: short(there) }
}

/**
 * `takes`: from which copy each part that differs is taken, by its key; those that are not named stay as they are in
 * `unnamed`. Throws `DocumentError` where the parts taken do not fit each other, with the place.
 */
export function mergeCopies(
  here: ProjectFile,
  there: ProjectFile,
  takes: Readonly<Record<string, Copy>>,
  unnamed: Copy = 'here',
): ProjectFile {
  const copies = { here, there }
  const from = (key: string): ProjectFile => copies[takes[key] ?? unnamed]
  const wholes = Object.fromEntries(WHOLE_KEYS.map(key => [key, from(key)[key]]))
  const lists = Object.fromEntries(LIST_KEYS.map(list => [list, listOf(list, here, there, takes, unnamed)]))
  return checkProject({
    ...here,
    ...wholes,
    ...lists,
    polars: from('polars').polars,
    ...records(here, there),
    build: build(here, there, from),
    field: { ...fieldLists(here, there), ...todayOf(from('field.today')) },
  })
}

/** Each thing from the copy that it is taken from; where that one lacks it, it goes. Order as the first by its text. */
function listOf(
  list: ListKey,
  here: ProjectFile,
  there: ProjectFile,
  takes: Readonly<Record<string, Copy>>,
  unnamed: Copy,
): unknown[] {
  const of = (doc: ProjectFile) => doc[list] as ReadonlyArray<{ id: string }>
  const items = { here: of(here), there: of(there) }
  const ids = { here: items.here.map(item => item.id), there: items.there.map(item => item.id) }
  const [first, second] =
    canonical(ids.here) <= canonical(ids.there) ? [ids.here, ids.there] : [ids.there, ids.here]
  return [...new Set([...first, ...second])].flatMap(id => {
    const copy = takes[itemKey(list, id)] ?? unnamed
    const item = items[copy].find(candidate => candidate.id === id)
    return item ? [item] : []
  })
}

const dated = (item: { date: string }) => item.date

function records(here: ProjectFile, there: ProjectFile) {
  const flights = bothKept(
    here.flights,
    there.flights,
    flight => `${flight.date} ${flight.startedAt ?? '99:99'}`,
  )
  const told = <T extends { flight: string | null }>(
    items: readonly T[],
    names: ReadonlyMap<string, string>,
  ) =>
    items.map(item =>
      item.flight !== null && names.has(item.flight) ? { ...item, flight: names.get(item.flight)! } : item,
    )
  const { names } = flights
  return {
    flights: flights.items,
    damages: furthest(
      told(here.damages, names.here),
      told(there.damages, names.there),
      item => item.id,
      byState(['open', 'chosen', 'mended']),
    ),
    tracks: furthest(
      told(here.tracks, names.here),
      told(there.tracks, names.there),
      track => track.flight,
      (a, b) => a.speedMs.length - b.speedMs.length,
    ),
    wishes: furthest(here.wishes, there.wishes, item => item.id, byState(['open', 'dropped', 'taken'])),
    weighIns: together(here.weighIns, there.weighIns, dated),
    calibrations: together(here.calibrations, there.calibrations, dated),
    proofs: bothKept(here.proofs, there.proofs, dated).items,
    checks: furthest(
      here.checks,
      there.checks,
      check => check.item,
      (a, b) => compare(a.date, b.date),
    ),
    plates: furthest(
      here.plates,
      there.plates,
      plate => plate.id,
      byState(['waiting', 'printing', 'failed', 'done']),
    ),
    accepted: together(here.accepted, there.accepted, dated),
    asPrinted: furthest(
      here.asPrinted,
      there.asPrinted,
      item => item.piece,
      (a, b) => compare(a.date, b.date),
    ),
    fileChecks: together(here.fileChecks, there.fileChecks, dated),
  }
}

const compare = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0)

function build(here: ProjectFile, there: ProjectFile, from: (key: string) => ProjectFile) {
  return {
    glues: from('build.glues').build.glues,
    people: from('build.people').build.people,
    ticks: furthest(
      here.build.ticks,
      there.build.ticks,
      tick => tick.step,
      (a, b) => compare(a.at, b.at),
    ),
    notes: bothKept(here.build.notes, there.build.notes, dated).items,
    had: union(here.build.had, there.build.had),
    timers: furthest(
      here.build.timers,
      there.build.timers,
      timer => timer.step,
      (a, b) => compare(a.ends, b.ends),
    ),
  }
}

const union = (a: readonly string[], b: readonly string[]): string[] => [...new Set([...a, ...b])].sort()

function fieldLists(here: ProjectFile, there: ProjectFile) {
  const a = here.field,
    b = there.field
  return {
    packs: packs(a.packs, b.packs),
    packed: union(a.packed, b.packed),
    rules: bothKept(a.rules, b.rules, () => '').items,
    looks: furthest(
      a.looks,
      b.looks,
      look => look.item,
      (x, y) => x.flights - y.flights || compare(x.date, y.date),
    ),
    // Of two states that it flew in the later one; which, the last flight tells.
    flown: laterFlown(here, there),
    lookEvery: Math.min(a.lookEvery, b.lookEvery),
  }
}

function laterFlown(here: ProjectFile, there: ProjectFile) {
  const last = ({ flights }: ProjectFile) =>
    flights.reduce((latest, { date, startedAt }) => {
      const at = `${date} ${startedAt ?? ''}`
      return at > latest ? at : latest
    }, '')
  const [a, b] = [last(here), last(there)]
  const flown = [here.field.flown, there.field.flown]
  if (a === b) return canonical(flown[0]) > canonical(flown[1]) ? flown[0] : flown[1]
  return a > b ? flown[0] : flown[1]
}

/** A pack has aged by what either copy knows of it. */
function packs(here: readonly Pack[], there: readonly Pack[]): Pack[] {
  return furthest(
    here,
    there,
    pack => pack.id,
    () => 0,
  ).map(pack => {
    const both = [here, there].flatMap(list => list.find(item => item.id === pack.id) ?? [])
    return {
      ...pack,
      cyclesBefore: Math.max(...both.map(item => item.cyclesBefore)),
      retired: both.some(item => item.retired),
      tests: together(both[0].tests, both[1]?.tests ?? [], dated),
    }
  })
}
