/**
 * A space tabulated: what every piece, spar and leg brings under each of the options it depends on. Sums of
 * these are whole designs.
 */
import { printedAs, type ProjectFile } from '../../document'
import type { Libraries } from '../../libraries'
import { alongBody, type Piece } from '../../geometry'
import type { MassEntry } from '../../mass'
import {
  createPieceParts,
  jointSignature,
  type PiecePart,
  type PieceParts,
  type PrinterOf,
} from './piece-parts'
import { designOf } from './chosen-design'
import { addEntry, COST, HOURS, layoutOf, MASS, SOFT, UNPRINTABLE, type Layout } from './sums'
import type { Dimension } from './vary'
import { createResolver, type Airframe } from '../../assessment/resolve'
import { whips, type BoomFrame } from '../../assessment/strength'
import { otherEntries, sparEntries, wireEntries, sparPrice, strutReports } from '../../assessment/ledger'

/**
 * Something that depends on a few dimensions alone: a vector of sums for every combination of their options,
 * the last turning fastest.
 */
export interface Term {
  dims: readonly number[]
  sums: Float64Array[]
}

export interface Tables {
  /** With every piece's printer as it is given out now. */
  doc: ProjectFile
  list: readonly Dimension[]
  layout: Layout
  /** What no option changes. */
  base: Float64Array
  dropping: { mass: number; moment: number }
  terms: readonly Term[]
  pieces: ReadonlyArray<{ piece: Piece; dims: readonly number[]; parts: PiecePart[] }>
  airframeAt(picks: readonly number[]): Airframe
}

/** Kept from study to study of one state of printers, spools, weighings and the rest. */
export interface Tabulator {
  resolve: (doc: ProjectFile) => Airframe
  parts: PieceParts
  /** Pieces of one document by what they hang on: the same options need no airframe again. */
  knownOf(doc: ProjectFile): Map<string, PiecePart>
}
export function createTabulator(libraries: Libraries): Tabulator {
  let last: { doc: ProjectFile; known: Map<string, PiecePart> } | null = null
  return {
    resolve: createResolver(libraries).airframe,
    parts: createPieceParts(),
    knownOf: doc => (last = last?.doc === doc ? last : { doc, known: new Map() }).known,
  }
}

const numbers = new WeakMap<object, number>()
let count = 0
/**
 * A number of its own for every option that there ever was: options are the same objects as long as they say
 * the same.
 */
function numberOf({ zone, spar }: Dimension['options'][number]): number {
  const own = zone ?? spar
  if (!own) return -1
  const known = numbers.get(own) ?? count++
  numbers.set(own, known)
  return known
}

/** Where a combination stands in a term's table. */
export function indexIn(
  dims: readonly number[],
  list: readonly Dimension[],
  picks: ArrayLike<number>,
): number {
  let index = 0
  for (const dim of dims) index = index * list[dim].options.length + picks[dim]
  return index
}

/** Every combination of the options of `dims`, the last turning fastest; the rest stand at 0. */
export function* tuples(dims: readonly number[], list: readonly Dimension[]): Generator<number[]> {
  const count = dims.reduce((product, dim) => product * list[dim].options.length, 1)
  for (let n = 0; n < count; n++) {
    const picks = list.map(() => 0)
    let rest = n
    for (let k = dims.length - 1; k >= 0; k--) {
      const size = list[dims[k]].options.length
      picks[dims[k]] = rest % size
      rest = Math.floor(rest / size)
    }
    yield picks
  }
}

export interface TabulateInput {
  tabulator: Tabulator
  doc: ProjectFile
  list: readonly Dimension[]
  printerOf: PrinterOf
  frame: BoomFrame | null
  bodyAt: readonly number[]
  /** Does a filament go soft too soon for what must hold? */
  soft(filament: string): boolean
  /** Filaments whose grams are to be counted against the shelf. */
  shelf: readonly string[]
}

/** `progress` is told after every step; false stops, with null. */
export async function tabulate(
  { tabulator, doc, list, printerOf, frame, bodyAt, soft, shelf }: TabulateInput,
  progress: (done: number, of: number) => boolean | Promise<boolean>,
): Promise<Tables | null> {
  const known = tabulator.knownOf(doc)
  const frozen = { ...doc, printerOf: { ...doc.printerOf, ...printerOf } }
  const airframeAt = (picks: readonly number[]) => tabulator.resolve(designOf(frozen, list, picks))
  const first = airframeAt(list.map(() => 0))
  const zoneDim = (id: string) => list.findIndex(item => item.key === `zone:${id}`)
  const sparDims = (wanted: (spar: ProjectFile['spars'][number]) => boolean) =>
    list.flatMap((item, k) =>
      doc.spars.some(spar => item.key === `spar:${spar.id}` && wanted(spar)) ? [k] : [],
    )
  const shapedBySpars = (piece: Piece) =>
    piece.mesh || piece.kind === 'lid'
      ? []
      : alongBody(piece.part)
        ? sparDims(spar => spar.through && piece.part === 'body')
        : sparDims(spar => spar.surface === piece.part)
  const pieces = first.pieces.map(piece => {
    // A piece that stays as it was printed hangs on no zone.
    const own = printedAs(doc, piece.id) ? -1 : zoneDim(piece.zone.id),
      beside = piece.shapedBy.map(zoneDim).filter(dim => dim >= 0 && dim !== own)
    return {
      piece,
      own,
      beside,
      dims: [...new Set([...(own >= 0 ? [own] : []), ...beside, ...shapedBySpars(piece)])].sort(
        (a, b) => a - b,
      ),
      parts: [] as PiecePart[],
    }
  })
  // Pieces that hang on the same dimensions are made from one airframe after another.
  const sets = new Map<string, typeof pieces>()
  for (const item of pieces) sets.set(item.dims.join(), [...(sets.get(item.dims.join()) ?? []), item])
  const of = [...sets.values()].reduce(
    (sum, [{ dims }]) => sum + dims.reduce((product, dim) => product * list[dim].options.length, 1),
    0,
  )
  let done = 0
  for (const own of sets.values()) {
    for (const picks of tuples(own[0].dims, list)) {
      if (!(await progress(done++, of))) return null
      let airframe: Airframe | null = null
      for (const item of own) {
        const alike = likeBefore(item, list, picks)
        const key = [
          item.piece.id,
          ...item.dims.map(dim => `${list[dim].key}=${numberOf(list[dim].options[picks[dim]])}`),
        ].join()
        let part = alike ? item.parts[indexIn(item.dims, list, alike)] : known.get(key)
        if (!part) {
          airframe ??= airframeAt(picks)
          part = tabulator.parts.part(
            airframe,
            airframe.pieces.find(piece => piece.id === item.piece.id)!,
            printerOf,
          )
          known.set(key, part)
        }
        item.parts.push(part)
      }
    }
  }
  const groups = [
    ...new Set([
      ...pieces.flatMap(item => item.parts.map(part => part.filament)),
      ...commonOf(sparEntries(first)),
      ...list.flatMap((_, k) =>
        list[k].options.flatMap((_, i) =>
          commonOf(sparEntries(airframeAt(list.map((_, d) => (d === k ? i : 0))))),
        ),
      ),
    ]),
  ]
  const layout = layoutOf(bodyAt, shelf, groups, entry => frame !== null && whips(frame, entry))
  const vector = (entries: readonly MassEntry[]) => {
    const sums = new Float64Array(layout.size)
    for (const entry of entries) addEntry(sums, layout, entry)
    return sums
  }
  const terms: Term[] = [...sets.values()].map(own => ({
    dims: own[0].dims,
    sums: own[0].parts.map((_, i) => {
      const sums = vector(own.flatMap(item => item.parts[i].entries))
      for (const item of own) {
        const part = item.parts[i],
          wanted = shelf.indexOf(part.filament)
        sums[HOURS] += part.hours
        sums[COST] += part.cost
        if (soft(part.filament)) sums[SOFT]++
        // What no printer could make before is not held against a combination.
        if (part.printer === null && printerOf[item.piece.id]) sums[UNPRINTABLE]++
        if (wanted >= 0) sums[layout.wantedAt + wanted] += part.wantedG
      }
      return sums
    }),
  }))
  // Spars by their own dimension, legs by the zones that they are printed in; all else stays.
  for (const [k, item] of list.entries()) {
    if (!item.key.startsWith('spar:')) continue
    terms.push({
      dims: [k],
      sums: item.options.map((_, i) =>
        sparSums(airframeAt(list.map((_, d) => (d === k ? i : 0))), id => id === item.key.slice(5), vector),
      ),
    })
  }
  const varied = new Set(list.filter(item => item.key.startsWith('spar:')).map(item => item.key.slice(5)))
  const legDims = [...new Set(doc.gear.map(leg => zoneDim(leg.zone)).filter(dim => dim >= 0))].sort(
    (a, b) => a - b,
  )
  terms.push({
    dims: legDims,
    sums: [...tuples(legDims, list)].map(picks => vector(otherEntries(airframeAt(picks)))),
  })
  const base = sparSums(first, id => !varied.has(id), vector)
  base[COST] += strutReports(first).reduce((sum, { price }) => sum + price, 0)
  for (const entry of [...sparEntries({ ...first, surfaces: {} }), ...wireEntries(doc)])
    addEntry(base, layout, entry)
  const dropped = otherEntries(first).filter(entry => entry.drops)
  return {
    doc: frozen,
    list,
    layout,
    base,
    terms,
    airframeAt,
    pieces: pieces.map(({ piece, dims, parts }) => ({ piece, dims, parts })),
    dropping: {
      mass: dropped.reduce((sum, entry) => sum + entry.mass, 0),
      moment: dropped.reduce((sum, entry) => sum + entry.mass * entry.x, 0),
    },
  }
}

const commonOf = (entries: readonly MassEntry[]): string[] =>
  entries.flatMap(entry => (entry.common === null ? [] : [entry.common]))

/** Mass and price of the spars whose own id is wanted; caps belong to the spar that they are laid for. */
function sparSums(
  airframe: Airframe,
  wanted: (id: string) => boolean,
  vector: (entries: readonly MassEntry[]) => Float64Array,
): Float64Array {
  const ids = new Set(airframe.doc.spars.map(spar => spar.id).filter(wanted))
  const own = (id: string) => ids.has(id) || ids.has(id.replace(/-(top|bottom)$/, ''))
  const spars = Object.fromEntries(
    Object.entries(airframe.spars).map(([name, lines]) => [name, lines.filter(line => own(line.spar.id))]),
  )
  const sums = vector(sparEntries({ ...airframe, spars, boom: null }))
  for (const loft of Object.values(airframe.surfaces))
    for (const line of spars[loft.name] ?? []) sums[COST] += sparPrice(loft, line)
  return sums
}

/** An earlier combination under which a piece is the very same: neighbours matter by their joints alone. */
function likeBefore(
  { own, beside, dims }: { own: number; beside: readonly number[]; dims: readonly number[] },
  list: readonly Dimension[],
  picks: readonly number[],
): number[] | null {
  if (beside.length === 0) return null
  const alike = picks.map((pick, k) =>
    k !== own && beside.includes(k)
      ? list[k].options.findIndex(
          option => jointSignature(option.zone!) === jointSignature(list[k].options[pick].zone!),
        )
      : pick,
  )
  return dims.some(dim => alike[dim] !== picks[dim]) ? alike : null
}

/** Least and greatest mass that any combination can have, kg, glue left out. */
export function massRange({ base, terms }: Tables): [number, number] {
  const end = (pick: (...values: number[]) => number) =>
    terms.reduce(
      (sum, term) => sum + term.sums.reduce((best, sums) => pick(best, sums[MASS]), term.sums[0][MASS]),
      base[MASS],
    )
  return [end(Math.min), end(Math.max)]
}
