/** Sections of a piece at the few heights that stand for all of its layers. Geometry alone: recipes come later. */
import type { Piece, Section } from '../geometry'
import { insetField, type InsetField } from './inset-field'
import { divideEdges } from './divide-edges'

export interface SectionSample {
  u: number
  /** Height that this section stands for, mm. */
  weight: number
  section: Section
  field: InsetField
  /** Surface per mm of height that leans out beyond 45°, times how far beyond (tan − 1): what each mm lays over nothing, mm². */
  leaning: number
}

/** Where the section jumps: what it is just below and just above; null beyond the ends. */
export interface SectionJump { u: number, below: Section | null, above: Section | null }

export interface PieceSamples { samples: SectionSample[], jumps: SectionJump[] }

/** A stretch up to this is taken at its middle; a longer one at two Gauss points, exact for cubic runs. mm */
const ONE_POINT = 30
/** Bodies curve: their stretches are no longer than this. */
const BODY_STEP = 26
/** Given parts may do anything between their layers: sections this close, but not more than so many. */
const GIVEN_STEP = 0.8, GIVEN_MOST = 220
/** Long edges are divided to this, so that each part sees what lies opposite it. */
const LONGEST_EDGE = 6
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
    return { u, weight, section, field: insetField(section.map(loop => divideEdges(loop, LONGEST_EDGE))), leaning: leaningAt(piece, u) }
  })
  const jumps = edges.map((u): SectionJump => ({ u, below: u > piece.from ? piece.sectionAt(u - OFF) : null, above: u < top ? piece.sectionAt(u + OFF) : null }))
  const result = { samples, jumps: piece.kind === 'given' ? [jumps[0], jumps[jumps.length - 1]] : jumps }
  kept.set(piece.sectionAt, result)
  return result
}

function places(piece: Piece, edges: readonly number[]): Array<{ u: number, weight: number }> {
  return edges.slice(1).flatMap((b, i) => {
    const a = edges[i], length = b - a
    const longest = piece.kind === 'given' ? Math.max(GIVEN_STEP, length / GIVEN_MOST) : piece.part === 'body' ? BODY_STEP : Infinity
    const parts = Math.max(1, Math.ceil(length / longest - 1e-9)), step = length / parts
    return Array.from({ length: parts }, (_, k) => a + k * step).flatMap((low) => {
      if (step <= ONE_POINT && piece.kind !== 'fixed' || step <= 8 || piece.kind === 'given') return [{ u: low + step / 2, weight: step }]
      return [{ u: low + GAUSS * step, weight: step / 2 }, { u: low + (1 - GAUSS) * step, weight: step / 2 }]
    })
  })
}

/** Outward travel of the skin's points from a little below to a little above, along the outline's normals. */
function leaningAt(piece: Piece, u: number): number {
  const step = 0.25
  const low = piece.skinAt(u - step), high = piece.skinAt(u + step)
  if (!low || !high || low.length !== high.length) return 0
  let sum = 0
  const count = low.length / 2
  for (let i = 0; i < count; i++) {
    const j = (i + 1) % count
    const tx = low[2 * j] - low[2 * i], ty = low[2 * j + 1] - low[2 * i + 1], length = Math.hypot(tx, ty)
    if (length < 1e-9) continue
    const mx = (high[2 * i] + high[2 * j] - low[2 * i] - low[2 * j]) / 2, my = (high[2 * i + 1] + high[2 * j + 1] - low[2 * i + 1] - low[2 * j + 1]) / 2
    // Outside lies to the right of a counter-clockwise outline.
    const out = (mx * ty - my * tx) / length / (2 * step)
    if (out > 1) sum += length * (out - 1)
  }
  return sum
}
