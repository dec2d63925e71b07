/** What of a layer lies where: walls, webs and infill inside, brim and supports outside. Lengths in mm. */
import { beadSpacing, wallsReach, type ChordFrame, type Recipe } from '../../document'
import { polygonArea, type Section } from '../../geometry'
import { denserEdges, inPrintedSpar, openInside, sparEdges } from '../along-chord'
import { divideSection } from '../divide-edges'
import { insetArea, insetField, insetLoops } from '../inset-field'
import { layerBeads, layLayer, recipeReach, wallBeads } from '../lay'
import { layerRuns } from '../layer-runs'
import { depthIn, type Fit } from './fit'
import type { KeptLayer } from './piece-in-file'

export interface LayerParts {
  /** Deep inside, of loops that close (webs) and of lines that do not (infill). */
  webs: number
  infill: number
  /** Beyond the skin. */
  outside: number
  /** All that lies within the skin. */
  inside: number
}

/**
 * A loop closes where it ends this near to its beginning, and is at least so long; where a place is too thin for a
 * bead it goes on beyond a hop, mm.
 */
const CLOSES = 1.2,
  LEAST_LOOP = 15,
  HOPS = 6

/** From here on a bead is none of the walls. mm */
const deepFrom = (recipe: Recipe, walls: number): number =>
  beadSpacing(recipe) * (walls - 1) + 1.6 * recipe.beadWidthMm

/** Area that lies so deep, mm². */
export const deepArea = (plain: Section, recipe: Recipe, walls: number): number =>
  insetArea(insetField(divideSection(plain, 2.5), deepFrom(recipe, walls) + 0.1), deepFrom(recipe, walls))

const partsOf = (
  section: Section,
  recipe: Recipe,
  walls: number,
  pieces: Iterable<{ x0: number; y0: number; x1: number; y1: number; closed: boolean }>,
): LayerParts => {
  const deep = deepFrom(recipe, walls)
  const parts = { webs: 0, infill: 0, outside: 0, inside: 0 }
  for (const { x0, y0, x1, y1, closed } of pieces) {
    const length = Math.hypot(x1 - x0, y1 - y0)
    // Long stretches run through several depths.
    const steps = Math.max(1, Math.ceil(length / 2.5))
    for (let k = 0; k < steps; k++) {
      const t = (k + 0.5) / steps
      const { depth, inside } = depthIn(section, x0 + t * (x1 - x0), y0 + t * (y1 - y0))
      const own = length / steps
      if (!inside) {
        if (depth > 0.4 * recipe.beadWidthMm) parts.outside += own
        continue
      }
      parts.inside += own
      if (depth > deep) parts[closed ? 'webs' : 'infill'] += own
    }
  }
  return parts
}

interface Chain {
  x: number
  y: number
  tx: number
  ty: number
  length: number
}

/** Chains that close, alone or with those that follow them over a short hop. */
function closedChains(chains: ReadonlyArray<[id: number, Chain]>): Set<number> {
  const found = new Set<number>()
  let loop: number[] = [],
    length = 0,
    begun: Chain | null = null,
    before: Chain | null = null
  for (const [id, chain] of chains) {
    if (!begun || !before || Math.hypot(chain.x - before.tx, chain.y - before.ty) > HOPS) {
      begun = chain
      loop = []
      length = 0
    }
    loop.push(id)
    length += chain.length
    before = chain
    if (length < LEAST_LOOP || Math.hypot(chain.tx - begun.x, chain.ty - begun.y) > CLOSES) continue
    for (const item of loop) found.add(item)
    begun = null
  }
  return found
}

/** Of a layer in the file. */
export function foundParts(
  layer: KeptLayer,
  fit: Fit,
  section: Section,
  recipe: Recipe,
  walls: number,
): LayerParts {
  const { segments, chainOf } = layer
  const ends = new Map<number, Chain>()
  for (let i = 0; i < chainOf.length; i++) {
    const at = 5 * i
    const chain = ends.get(chainOf[i]) ?? { x: segments[at], y: segments[at + 1], tx: 0, ty: 0, length: 0 }
    chain.tx = segments[at + 2]
    chain.ty = segments[at + 3]
    chain.length += Math.hypot(segments[at + 2] - segments[at], segments[at + 3] - segments[at + 1])
    ends.set(chainOf[i], chain)
  }
  const loops = closedChains([...ends])
  const closed = (i: number): boolean => loops.has(chainOf[i])
  return partsOf(
    section,
    recipe,
    walls,
    (function* () {
      for (let i = 0; i < chainOf.length; i++) {
        const [x0, y0] = fit.toSection(segments[5 * i], segments[5 * i + 1])
        const [x1, y1] = fit.toSection(segments[5 * i + 2], segments[5 * i + 3])
        yield { x0, y0, x1, y1, closed: closed(i) }
      }
    })(),
  )
}

/** Of a layer as it should be: webs alone, since infill is asked for as a share. */
export function wantedParts(plain: Section, webbed: Section, recipe: Recipe): LayerParts {
  const bare = { ...recipe, infillShare: 0 }
  const field = insetField(divideSection(webbed, 2.5), recipeReach(recipe))
  const runs = layerRuns(field, layLayer(field, bare), bare, 0, 0)
  return partsOf(
    plain,
    recipe,
    recipe.walls,
    (function* () {
      for (let i = 0; i < runs.kind.length; i++)
        yield { x0: runs.x0[i], y0: runs.y0[i], x1: runs.x1[i], y1: runs.y1[i], closed: true }
    })(),
  )
}

/** Bead of a layer, mm. */
export function wantedLength(webbed: Section, recipe: Recipe, frame: ChordFrame | null): number {
  return layerBeads(layLayer(insetField(divideSection(webbed, 2.5), recipeReach(recipe), frame), recipe))
}

/** What lies deep inside of a printed spar, and of walls where there are more of them: no infill, mm. */
export function deepAlongChord(plain: Section, recipe: Recipe, frame: ChordFrame | null): number {
  const deep = deepFrom(recipe, recipe.walls)
  const field = insetField(divideSection(plain, 2.5), recipeReach(recipe) + deep, frame)
  const spar = inPrintedSpar(field, recipe, () => insetLoops(field, deep)) ?? []
  const more = denserEdges(field, recipe)
  // The first of them lies nearer to the skin than that.
  const walls = more ? (wallBeads(field, recipe.walls, recipe, more).more * (more.walls - 1)) / more.walls : 0
  return spar.reduce((sum, loop) => sum + polygonArea(loop).area, 0) / beadSpacing(recipe) + walls
}

/** Area inside the walls that infill is a share of: of a double skin what lies between the two. mm² */
export function infillArea(plain: Section, recipe: Recipe, frame: ChordFrame | null): number {
  const field = insetField(divideSection(plain, 2.5), recipeReach(recipe), frame)
  const open = openInside(field, recipe)
  if (open) return open.reduce((sum, loop) => sum + polygonArea(loop).area, 0)
  const all = insetArea(field, wallsReach(recipe))
  return recipe.skinGapMm ? Math.max(0, all - insetArea(field, recipe.skinGapMm)) : all
}

/** Walls beside each other: crossings of rays that go in from the skin, in the middle case. */
export function countWalls(
  layer: KeptLayer,
  fit: Fit,
  section: Section,
  recipe: Recipe,
  frame: ChordFrame | null,
): number {
  const skin = [...section].sort((a, b) => b.length - a.length)[0]
  if (!skin) return 0
  const spacing = beadSpacing(recipe),
    reach = (recipe.walls + 2.4) * spacing
  const segments: Array<[number, number, number, number]> = []
  for (let i = 0; i < layer.segments.length; i += 5)
    segments.push([
      ...fit.toSection(layer.segments[i], layer.segments[i + 1]),
      ...fit.toSection(layer.segments[i + 2], layer.segments[i + 3]),
    ])
  const counts: number[] = []
  const divided = divideSection([skin], 4)[0]
  // Where there are more of them, or a spar behind them, says nothing of the rest.
  const field = insetField([divided], 0, frame)
  const more = denserEdges(field, recipe),
    spar = sparEdges(field, recipe)
  const apart = (e: number) => (more?.share(e, 0) ?? 0) > 0 || (spar?.(e) ?? 0) > 0
  for (let i = 0, j = divided.length - 2; i < divided.length; j = i, i += 2) {
    const dx = divided[i] - divided[j],
      dy = divided[i + 1] - divided[j + 1],
      length = Math.hypot(dx, dy)
    // An edge is numbered by the corner that it begins at.
    if (length < 0.5 || apart(j / 2)) continue
    const x = (divided[i] + divided[j]) / 2,
      y = (divided[i + 1] + divided[j + 1]) / 2
    const nx = -dy / length,
      ny = dx / length
    // Where the section is thin, the ray would meet the other side's walls.
    const deep = depthIn(section, x + nx * reach, y + ny * reach)
    if (!deep.inside || deep.depth < reach - spacing) continue
    let hits = 0
    for (const [ax, ay, bx, by] of segments)
      if (crosses(x - nx * spacing, y - ny * spacing, x + nx * reach, y + ny * reach, ax, ay, bx, by)) hits++
    counts.push(hits)
  }
  counts.sort((a, b) => a - b)
  return counts.length >= 6 ? counts[counts.length >> 1] : recipe.walls
}

function crosses(
  px: number,
  py: number,
  qx: number,
  qy: number,
  ax: number,
  ay: number,
  bx: number,
  by: number,
): boolean {
  const side = (x: number, y: number) => (qx - px) * (y - py) - (qy - py) * (x - px)
  const other = (x: number, y: number) => (bx - ax) * (y - ay) - (by - ay) * (x - ax)
  return side(ax, ay) > 0 !== side(bx, by) > 0 && other(px, py) > 0 !== other(qx, qy) > 0
}
