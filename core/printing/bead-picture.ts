/** Where the beads of one layer lie, as straight runs to be drawn a bead wide. mm, in the slice's plane. */
import type { Recipe } from '../document'
import { gapAt, type Slice } from '../geometry'
import { insetEdge, insetField } from './inset-field'
import { divideEdges } from './slice-model'
import { scanLoops } from './scanlines'

export interface BeadRun { kind: 'outer' | 'inner' | 'web' | 'infill', x0: number, y0: number, x1: number, y1: number }

/** Runs of the walls are exactly those whose lengths `layLayer` adds up; infill and webs are laid at their mean spacing. `layer` counts from the foot. */
export function pictureBeads(slice: Slice, recipe: Recipe, layer: number): BeadRun[] {
  const w = recipe.beadWidthMm
  const loops = [slice.outer, ...slice.holes]
  const field = insetField({ outer: divideEdges(slice.outer, 3), holes: slice.holes })
  const runs: BeadRun[] = []
  const put = (kind: BeadRun['kind'], e: number, d: number) => {
    const half = insetEdge(field, e, d) / 2
    if (half <= 0) return
    const x = field.midX[e] + d * field.normalX[e], y = field.midY[e] + d * field.normalY[e]
    // Along the edge: the inward normal turned clockwise.
    const dx = field.normalY[e] * half, dy = -field.normalX[e] * half
    runs.push({ kind, x0: x - dx, y0: y - dy, x1: x + dx, y1: y + dy })
  }
  for (let e = 0; e < field.length.length; e++) {
    const depth = field.depth[e]
    for (let i = 1; i <= recipe.walls; i++) {
      if (depth >= (i - 0.5) * w || (i === 1 && depth >= w / 4)) put(i === 1 ? 'outer' : 'inner', e, Math.min((i - 0.5) * w, depth))
    }
    if (recipe.skinGapMm && depth >= recipe.skinGapMm + w) put('inner', e, w / 2 + recipe.skinGapMm)
  }
  if (recipe.infillShare > 0) runs.push(...infillRuns(loops, recipe, layer))
  if (recipe.lattice) runs.push(...webRuns(slice, recipe, layer * recipe.layerHeightMm))
  return runs
}

/** Lines w/f apart, at +45° and −45° on alternate layers; in a double skin only between the two. */
function infillRuns(loops: readonly Float64Array[], recipe: Recipe, layer: number): BeadRun[] {
  const turn = layer % 2 === 0 ? Math.PI / 4 : -Math.PI / 4
  const cos = Math.cos(turn), sin = Math.sin(turn)
  const turned = loops.map(loop => Float64Array.from(loop, (_, i) => (i % 2 === 0 ? loop[i] * cos - loop[i + 1] * sin : loop[i - 1] * sin + loop[i] * cos)))
  const ys = turned.flatMap(loop => Array.from(loop).filter((_, i) => i % 2 === 1))
  const low = Math.min(...ys), spacing = recipe.beadWidthMm / recipe.infillShare
  const lines = Math.min(4000, Math.max(1, Math.ceil((Math.max(...ys) - low) / spacing)))
  const inset = recipe.walls * recipe.beadWidthMm
  const runs: BeadRun[] = []
  const put = (from: number, to: number, y: number) => {
    if (to > from) runs.push({ kind: 'infill', x0: from * cos + y * sin, y0: -from * sin + y * cos, x1: to * cos + y * sin, y1: -to * sin + y * cos })
  }
  scanLoops(turned, low, spacing, lines).forEach((line, k) => {
    const y = low + (k + 0.5) * spacing
    for (let i = 0; i + 1 < line.length; i += 2) {
      const from = line[i] + inset, to = line[i + 1] - inset
      const gap = recipe.skinGapMm
      if (gap && to - from > 2 * gap) {
        put(from, from + gap, y)
        put(to - gap, to, y)
      } else put(from, to, y)
    }
  })
  return runs
}

/** Webs at ±45° to the span wander along the chord as the piece grows: a layer meets each family every pitch·√2. */
function webRuns(slice: Slice, recipe: Recipe, height: number): BeadRun[] {
  const { pitchMm, passes } = recipe.lattice!
  const xs = Array.from(slice.outer).filter((_, i) => i % 2 === 0)
  const low = Math.min(...xs), high = Math.max(...xs), step = pitchMm * Math.SQRT2, w = recipe.beadWidthMm
  const runs: BeadRun[] = []
  for (const way of [1, -1]) {
    const phase = ((way * height) % step + step) % step
    for (let x = low + phase; x < high; x += step) {
      for (const side of passes === 2 ? [-w / 2, w / 2] : [0]) {
        const gap = gapAt(slice.outer, x + side)
        if (!gap || gap.upper - gap.lower <= 3 * w) continue
        // A web ends at a bore's wall and goes on behind it.
        const bores = slice.holes.map(hole => gapAt(hole, x + side)).filter(hole => hole !== null).sort((a, b) => a.lower - b.lower)
        let from = gap.lower + w
        for (const to of [...bores.map(bore => bore.lower - w), gap.upper - w]) {
          if (to > from) runs.push({ kind: 'web', x0: x + side, y0: from, x1: x + side, y1: to })
          from = (bores.find(bore => bore.lower - w === to)?.upper ?? to) + w
        }
      }
    }
  }
  return runs
}
