/**
 * Sections of a piece at the few heights that stand for all of its layers. Geometry alone: recipes come
 * later.
 */
import type { ChordFrame } from '../document'
import { alongBody, type Piece, type Section } from '../geometry'
import { once } from '../memo'
import { insetField, type InsetField } from './inset-field'
import { divideSection } from './divide-edges'

export interface SectionSample {
  u: number
  /** Height that this section stands for, mm. */
  weight: number
  section: Section
  frame: ChordFrame | null
  /** Made when a recipe first asks; see `fieldFor`. */
  field: InsetField | null
  /**
   * Surface per mm of height that leans out beyond 45°, times how far beyond (tan − 1): what each mm lays
   * over nothing, mm².
   */
  leaning: number
  /** The fastest that any part of the skin draws in or grows out, mm per mm of height. */
  slope: number
}

/** The field of a sample at least `reach` deep, mm; a deeper one replaces the kept one. */
export function fieldFor(sample: SectionSample, reach: number): InsetField {
  if (!sample.field || sample.field.reach < reach)
    sample.field = insetField(divideSection(sample.section, LONGEST_EDGE), reach, sample.frame)
  return sample.field
}

/**
 * Where the section jumps: what it is just below and just above, found when asked for; null beyond the ends.
 * `roof`: something begins here that was not there below.
 */
export interface SectionJump {
  u: number
  roof: boolean
  below(): Section | null
  above(): Section | null
}

export interface PieceSamples {
  samples: SectionSample[]
  jumps: SectionJump[]
  sectionAt: Piece['sectionAt']
  chordAt: Piece['chordAt']
}

/** A stretch up to this is taken at its middle; a longer one at two Gauss points, exact for cubic runs. mm */
const ONE_POINT = 2.5
/**
 * Stretches are no longer than this: bodies curve, and in thin moving parts a bead more or less fits from
 * place to place.
 */
const LONGEST = { fixed: 36, body: 26, moving: 9, lid: 26 }
/**
 * A piece of metres, which no bed takes but a design may hold while it is not cut yet, is seen in no more stretches
 * than this: its shape is as smooth for its length as that of a short one.
 */
const MOST_STRETCHES = { fixed: 32, body: 40, moving: 50, lid: 40 }
/** A short moving part is still seen in this many places. */
const MOVING_LEAST = 20
/** Given parts may do anything between their layers: sections this close, but not more than so many. */
const GIVEN_STEP = 0.8,
  GIVEN_MOST = 220
/** Long edges are divided to this. */
export const LONGEST_EDGE = 5
/** Just off a jump. */
const OFF = 0.01

const GAUSS = 0.5 - 0.5 / Math.sqrt(3)

const kept = new WeakMap<Piece['sectionAt'], PieceSamples>()

/** Kept while the piece's own shape stays. */
export function samplePiece(piece: Piece): PieceSamples {
  const known = kept.get(piece.sectionAt)
  if (known) return known
  const top = piece.to + piece.proud
  const edges = [piece.from, ...piece.breaks, top]
  const samples = places(piece, edges).map(({ u, weight }): SectionSample => {
    const section = piece.sectionAt(u)
    return { u, weight, section, frame: piece.chordAt(u), field: null, ...slopesAt(piece, u) }
  })
  const jumps = edges.map((u): SectionJump => ({
    u,
    roof: piece.features.some(
      feature => Math.abs((feature.op === 'cut' ? feature.to : feature.from) - u) < 1e-6,
    ),
    below: once(() => (u > piece.from ? piece.sectionAt(u - OFF) : null)),
    above: once(() => (u < top ? piece.sectionAt(u + OFF) : null)),
  }))
  const result = {
    samples,
    jumps: piece.mesh ? [jumps[0], jumps[jumps.length - 1]] : jumps,
    sectionAt: piece.sectionAt,
    chordAt: piece.chordAt,
  }
  kept.set(piece.sectionAt, result)
  return result
}

function places(piece: Piece, edges: readonly number[]): Array<{ u: number; weight: number }> {
  return edges.slice(1).flatMap((b, i) => {
    const a = edges[i],
      length = b - a
    const longest = longestStretch(piece, length)
    const parts = Math.max(1, Math.ceil(length / longest - 1e-9), growthParts(piece, a, b)),
      step = length / parts
    return Array.from({ length: parts }, (_, k) => a + k * step).flatMap(low => {
      if (step <= ONE_POINT || piece.mesh || piece.kind === 'moving')
        return [{ u: low + step / 2, weight: step }]
      return [
        { u: low + GAUSS * step, weight: step / 2 },
        { u: low + (1 - GAUSS) * step, weight: step / 2 },
      ]
    })
  })
}

/**
 * A double skin's inner bead comes and goes with depth: no stretch grows or shrinks by more than this, as a
 * logarithm.
 */
const MOST_GROWTH = 0.25
/** Runs of a surface that taper steeply are seen in more places. */
function growthParts(piece: Piece, a: number, b: number): number {
  if (piece.kind !== 'fixed' || alongBody(piece.part) || b - a <= ONE_POINT) return 1
  const width = (u: number) => {
    const skin = piece.skinAt(u)
    if (!skin) return 0
    let low = Infinity,
      high = -Infinity
    for (let i = 0; i < skin.length; i += 2) [low, high] = [Math.min(low, skin[i]), Math.max(high, skin[i])]
    return high - low
  }
  const [wide, narrow] = [width(a + OFF), width(b - OFF)]
  return wide > 0 && narrow > 0 ? Math.min(12, Math.ceil(Math.abs(Math.log(wide / narrow)) / MOST_GROWTH)) : 1
}

function longestStretch(piece: Piece, length: number): number {
  if (piece.kind === 'given' || piece.kind === 'wheel') return Math.max(GIVEN_STEP, length / GIVEN_MOST)
  const kind = piece.kind === 'fixed' && alongBody(piece.part) ? 'body' : piece.kind
  const height = piece.to - piece.from
  const near = Math.max(LONGEST[kind], height / MOST_STRETCHES[kind])
  return kind === 'moving' ? Math.min(near, height / MOVING_LEAST) : near
}

/**
 * Travel of the skin's points from a little below to a little above, along the outline's normals. A given
 * part's skin is not known.
 */
function slopesAt(piece: Piece, u: number): { leaning: number; slope: number } {
  const step = 0.25
  const low = piece.skinAt(u - step),
    high = piece.skinAt(u + step)
  if (piece.mesh) return { leaning: 0, slope: Infinity }
  if (!low || !high || low.length !== high.length) return { leaning: 0, slope: 0 }
  let sum = 0,
    slope = 0
  const count = low.length / 2
  for (let i = 0; i < count; i++) {
    const j = (i + 1) % count
    const tx = low[2 * j] - low[2 * i],
      ty = low[2 * j + 1] - low[2 * i + 1],
      length = Math.hypot(tx, ty)
    if (length < 1e-9) continue
    const mx = (high[2 * i] + high[2 * j] - low[2 * i] - low[2 * j]) / 2,
      my = (high[2 * i + 1] + high[2 * j + 1] - low[2 * i + 1] - low[2 * j + 1]) / 2
    // Outside lies to the right of a counter-clockwise outline.
    const out = (mx * ty - my * tx) / length / (2 * step)
    slope = Math.max(slope, Math.abs(out))
    if (out > 1) sum += length * (out - 1)
  }
  return { leaning: sum, slope }
}
