/**
 * One layer as the nozzle goes: straight runs in print order. The picture draws them, the time replays them.
 * Lengths of walls are those that `layLayer` adds up; infill, webs and solid stretches are laid at their
 * spacing, and `scale` brings their lengths to the layer's mean, which where the lines happen to fall would
 * scatter. mm, in the section's plane.
 */
import { beadSpacing, wallDepth, wallsReach, type Recipe } from '../document'
import { boxOf, boxOfAll, type Section } from '../geometry'
import { denserEdges, inPrintedSpar, openInside } from './along-chord'
import { insetEdge, insetLoops, insetShift, type InsetField } from './inset-field'
import { innerSkinShare, wallShare, type Layer } from './lay'
import { scanLoops } from './scanlines'

export type RunKind = 'outer' | 'inner' | 'web' | 'infill' | 'solid'

/**
 * Flat arrays, one entry a run. A run whose beginning lies away from the end before it is reached by travel,
 * unless `joined`.
 */
export interface LayerRuns {
  kind: RunKind[]
  x0: number[]
  y0: number[]
  x1: number[]
  y1: number[]
  /** Length counted for each mm drawn. */
  scale: number[]
  /** How many like it a run stands for: more than one where not every line is drawn. */
  times: number[]
  joined: boolean[]
}

const emptyRuns = (): LayerRuns => ({
  kind: [],
  x0: [],
  y0: [],
  x1: [],
  y1: [],
  scale: [],
  times: [],
  joined: [],
})

function push(
  runs: LayerRuns,
  kind: RunKind,
  x0: number,
  y0: number,
  x1: number,
  y1: number,
  scale: number,
  joined: boolean,
  times = 1,
): void {
  runs.kind.push(kind)
  runs.x0.push(x0)
  runs.y0.push(y0)
  runs.x1.push(x1)
  runs.y1.push(y1)
  runs.scale.push(scale)
  runs.times.push(times)
  runs.joined.push(joined)
}

/** Where a layer's bead runs out along a web and back. */
export interface WebSlit {
  x: number
  from: number
  to: number
}

/** Webs of a section that is given without them, or the outlines of those that it is cut by: walls that are webs. */
export type LayerWebs = { slits: readonly WebSlit[] } | { outlines: readonly Float64Array[] }

/**
 * `index` counts layers from the foot; `open` is the share of the inside that is laid solid in this layer; `turn` (rad)
 * is how far the section is turned on its bed, and what is laid inside with it. Of more than `most` lines side by side
 * so many are drawn, further apart, each for as many as it stands for.
 */
export function layerRuns(
  field: InsetField,
  layer: Layer,
  recipe: Recipe,
  index: number,
  open: number,
  webs: LayerWebs | null = null,
  turn = 0,
  most = MOST_LINES,
): LayerRuns {
  const isWeb = webs && 'outlines' in webs ? edgesWithin(field, webs.outlines) : null
  const walls = isWeb ? wallRuns(field, recipe, isWeb) : plainWalls(field, recipe)
  const solid = open * layer.solidExtra
  const inside = layer.infill > 0 || layer.spar > 0 || solid > 0 ? insetLoops(field, wallsReach(recipe)) : []
  const room = inside.length > 0 ? (openInside(field, recipe) ?? inside) : []
  const around =
    webs && 'slits' in webs && layer.lattice > 0
      ? woven(walls, webRuns(webs.slits, layer.lattice, recipe.beadWidthMm))
      : walls
  const runs = around === walls && inside.length > 0 ? copyOf(walls) : around
  if (layer.infill > 0) {
    // The same length whatever the pattern: lines one of n ways lie n times as far apart.
    const ways = WAYS[recipe.infillPattern](index)
    for (const way of ways)
      addLines(runs, 'infill', room, index, {
        angle: way - turn,
        spacing: (ways.length * beadSpacing(recipe)) / recipe.infillShare,
        length: layer.infill / ways.length,
        gap: recipe.skinGapMm,
        most,
      })
  }
  const spar = layer.spar > 0 ? inPrintedSpar(field, recipe, () => inside) : null
  if (spar)
    addLines(runs, 'solid', spar, index, {
      angle: turnAbout(index) - turn,
      spacing: beadSpacing(recipe),
      length: layer.spar,
      gap: null,
      most,
    })
  if (solid > 0)
    addLines(runs, 'solid', room, index, {
      angle: turnAbout(index) - turn,
      spacing: beadSpacing(recipe) / Math.max(open, 1e-3),
      length: solid,
      gap: null,
      most,
    })
  return runs
}

/** One layer of a field after the other is asked for, with the same walls: never written to. */
let lastWalls: { field: InsetField; recipe: Recipe; runs: LayerRuns } | null = null
function plainWalls(field: InsetField, recipe: Recipe): LayerRuns {
  if (lastWalls?.field !== field || lastWalls.recipe !== recipe)
    lastWalls = { field, recipe, runs: wallRuns(field, recipe, null) }
  return lastWalls.runs
}

const copyOf = ({ kind, x0, y0, x1, y1, scale, times, joined }: LayerRuns): LayerRuns => ({
  kind: kind.slice(),
  x0: x0.slice(),
  y0: y0.slice(),
  x1: x1.slice(),
  y1: y1.slice(),
  scale: scale.slice(),
  times: times.slice(),
  joined: joined.slice(),
})

/**
 * Every loop's walls from the outside in, each begun at its rearmost edge; loops further back come first.
 * Where a mesh happens to begin its loops says nothing then.
 */
function wallRuns(field: InsetField, recipe: Recipe, isWeb: Uint8Array | null): LayerRuns {
  const runs = emptyRuns(),
    w = recipe.beadWidthMm
  const loops = Array.from({ length: field.starts.length - 1 }, (_, loop) => ({
    from: field.starts[loop],
    to: field.starts[loop + 1],
    seam: rearmost(field, field.starts[loop], field.starts[loop + 1]),
  }))
  loops.sort((a, b) => field.midX[b.seam] - field.midX[a.seam])
  const more = denserEdges(field, recipe)
  for (const loop of loops) {
    for (let i = 1; i <= recipe.walls + (more?.walls ?? 0); i++)
      wallLoop(
        runs,
        field,
        loop,
        e => (isWeb?.[e] ? 'web' : i === 1 ? 'outer' : 'inner'),
        depth => wallShare(depth, i, recipe),
        depth => Math.min(wallDepth(recipe, i), depth),
        i > recipe.walls ? more!.share : undefined,
      )
    const gap = recipe.skinGapMm
    if (gap)
      wallLoop(
        runs,
        field,
        loop,
        () => 'inner',
        depth => innerSkinShare(depth, gap, w),
        depth => Math.min(w / 2 + gap, depth),
      )
  }
  return runs
}

/** Edges whose middle lies in one of the outlines' boxes: the sides and the end of a slit. */
function edgesWithin({ midX, midY }: InsetField, outlines: readonly Float64Array[]): Uint8Array {
  const boxes = outlines.map(boxOf)
  return Uint8Array.from(midX, (x, e) =>
    Number(
      boxes.some(
        ([x0, y0, x1, y1]) =>
          x >= x0 - ON_SLIT && x <= x1 + ON_SLIT && midY[e] >= y0 - ON_SLIT && midY[e] <= y1 + ON_SLIT,
      ),
    ),
  )
}
const ON_SLIT = 1e-3

function rearmost({ midX }: InsetField, from: number, to: number): number {
  let best = from
  for (let e = from + 1; e < to; e++) if (midX[e] > midX[best]) best = e
  return best
}

const looksUp = ({ normalX, normalY }: InsetField, e: number): boolean =>
  normalY[e] > 1e-9 || (Math.abs(normalY[e]) <= 1e-9 && normalX[e] > 0)

/** A wall laid on over a thin place shorter than this, mm. */
const MEND = 2

function wallLoop(
  runs: LayerRuns,
  field: InsetField,
  { from, to, seam }: { from: number; to: number; seam: number },
  kindOf: (edge: number) => RunKind,
  shareOf: (depth: number) => number,
  placeOf: (depth: number) => number,
  partOf: (edge: number, depth: number) => number = () => 1,
): void {
  let skipped = Infinity
  for (let k = 0; k < to - from; k++) {
    const e = seam + k < to ? seam + k : seam + k - to + from
    const asked = shareOf(field.depth[e])
    // A bead that two sides share is laid once, from the side that looks up.
    const d = placeOf(field.depth[e])
    const share = (asked === 0.5 ? Number(looksUp(field, e)) : asked) * partOf(e, d)
    const half = share > 0 ? insetEdge(field, e, d) / 2 : 0
    if (half <= 0) {
      // An edge that the offset swallows at a corner does not break the bead; one too thin for it does, when
      // it is long enough.
      if (share === 0) skipped += field.length[e]
      continue
    }
    const shift = insetShift(field, e, d)
    const x = field.midX[e] + d * field.normalX[e] + shift * field.normalY[e],
      y = field.midY[e] + d * field.normalY[e] - shift * field.normalX[e]
    const dx = field.normalY[e] * half,
      dy = -field.normalX[e] * half
    push(runs, kindOf(e), x - dx, y - dy, x + dx, y + dy, share, skipped < MEND)
    skipped = 0
  }
}

function take(to: LayerRuns, from: LayerRuns, i: number): void {
  push(
    to,
    from.kind[i],
    from.x0[i],
    from.y0[i],
    from.x1[i],
    from.y1[i],
    from.scale[i],
    from.joined[i],
    from.times[i],
  )
}

/** Brings the runs from the `first` on to a length, mm. */
function scaleTo(runs: LayerRuns, length: number, first = 0): LayerRuns {
  const { x0, y0, x1, y1, times, scale } = runs
  let sum = 0
  for (let i = first; i < x0.length; i++)
    sum += times[i] * Math.sqrt((x1[i] - x0[i]) ** 2 + (y1[i] - y0[i]) ** 2)
  if (sum > 0) scale.fill(length / sum, first)
  return runs
}

/** More lines than this in a layer are a grey blur in a picture. */
const MOST_LINES = 3000

const turnAbout = (index: number): number => (index % 2 === 0 ? Math.PI / 4 : -Math.PI / 4)
/** Ways that infill runs in a layer, rad. */
const WAYS: Record<Recipe['infillPattern'], (index: number) => number[]> = {
  lines: index => [turnAbout(index)],
  grid: () => [Math.PI / 4, -Math.PI / 4],
  triangles: () => [0, Math.PI / 3, -Math.PI / 3],
}

interface LinesLaid {
  /** rad */
  angle: number
  /** mm, and of all lines together, mm. */
  spacing: number
  length: number
  /** In a double skin they are laid between the two, mm apart. */
  gap: number | null
  most: number
}

/** Parallel lines at an angle, inside the innermost wall: there and back, one after the other. */
function addLines(
  runs: LayerRuns,
  kind: RunKind,
  inside: Section,
  index: number,
  { angle, spacing, length, gap, most }: LinesLaid,
): void {
  const cos = Math.cos(angle),
    sin = Math.sin(angle)
  if (inside.length === 0) return
  const turned = inside.map(loop => turnedBy(loop, cos, sin))
  const [, low, , high] = boxOfAll(turned)
  const pitch = Math.max(spacing, (high - low) / most)
  const times = pitch / spacing
  const count = Math.max(1, Math.ceil((high - low) / pitch))
  const first = runs.kind.length
  const put = (from: number, to: number, y: number) => {
    if (Math.abs(to - from) < 1e-6) return
    push(
      runs,
      kind,
      from * cos + y * sin,
      -from * sin + y * cos,
      to * cos + y * sin,
      -to * sin + y * cos,
      1,
      false,
      times,
    )
  }
  // Shifted from layer to layer, so that sparse lines do not miss a narrow section altogether.
  const start = low - pitch * ((index * 0.382) % 1)
  let back = false
  scanLoops(turned, start, pitch, count + 1).forEach((line, k) => {
    const ends = gap ? besideSkins(line, gap) : line
    const y = start + (k + 0.5) * pitch
    // The whole line one way, the next the other: nothing is crossed twice.
    if (back) for (let i = ends.length - 1; i > 0; i -= 2) put(ends[i], ends[i - 1], y)
    else for (let i = 0; i + 1 < ends.length; i += 2) put(ends[i], ends[i + 1], y)
    if (ends.length > 0) back = !back
  })
  scaleTo(runs, length, first)
}

function turnedBy(loop: Float64Array, cos: number, sin: number): Float64Array {
  const turned = new Float64Array(loop.length)
  for (let i = 0; i < loop.length; i += 2) {
    turned[i] = loop[i] * cos - loop[i + 1] * sin
    turned[i + 1] = loop[i] * sin + loop[i + 1] * cos
  }
  return turned
}

/** Of stretches across a double skin, what lies between its two beads; all of it where they meet. */
function besideSkins(line: ArrayLike<number>, gap: number): number[] {
  const ends: number[] = []
  for (let i = 0; i + 1 < line.length; i += 2) {
    const from = line[i],
      to = line[i + 1]
    if (to - from > 2 * gap) ends.push(from, from + gap, to - gap, to)
    else ends.push(from, to)
  }
  return ends
}

/** Out, along the blind end, and back. */
const OUT_AND_BACK = 3
/** Webs out and back, brought to the length that they have in the mean over the heights near by. */
function webRuns(slits: readonly WebSlit[], length: number, width: number): LayerRuns {
  const runs = emptyRuns()
  for (const { x, from, to } of [...slits].sort((a, b) => a.x - b.x)) {
    push(runs, 'web', x, from, x, to, 1, true)
    push(runs, 'web', x, to, x + width, to, 1, true)
    push(runs, 'web', x + width, to, x + width, from, 1, true)
  }
  return scaleTo(runs, length)
}

/** The bead leaves the wall for a web and comes back: walls and webs in turn. */
function woven(walls: LayerRuns, webs: LayerRuns): LayerRuns {
  const count = webs.kind.length / OUT_AND_BACK
  if (count === 0) return walls
  const runs = emptyRuns()
  let web = 0
  for (let i = 0; i < walls.kind.length; i++) {
    take(runs, walls, i)
    while (web < count && (web + 1) * walls.kind.length <= (i + 1) * (count + 1)) {
      for (let part = 0; part < OUT_AND_BACK; part++) take(runs, webs, OUT_AND_BACK * web + part)
      web++
    }
  }
  return runs
}
