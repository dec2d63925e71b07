/** What one layer of a recipe lays down in a section: bead lengths by kind, and where they are. All mm. */
import { beadSpacing, mostWallsReach, wallDepth, wallsReach, type Recipe } from '../document'
import { areaMoments, type WebLengths } from '../geometry'
import { denserEdges, inPrintedSpar, openInside } from './along-chord'
import { insetArea, insetEdge, insetLoops, type InsetField } from './inset-field'

type BeadOf = Pick<Recipe, 'beadWidthMm' | 'layerHeightMm' | 'beadForm'> & { spiral?: boolean }

export interface Layer {
  outerWall: number
  innerWall: number
  lattice: number
  infill: number
  /** Of a printed spar. */
  spar: number
  /** Beads that a base or top layer would add over this layer's own, were all of it open. */
  solidExtra: number
  /** Moments of the beads but for `solidExtra`: Σl·x, Σl·y (mm²) and Σl·x², Σl·y², Σl·xy (mm³). */
  sum: Moments
  /** Length-weighted mean of the same over the inside, for what is laid solid. */
  inside: Moments
}
export interface Moments {
  x: number
  y: number
  xx: number
  yy: number
  xy: number
}

const nothing = (): Moments => ({ x: 0, y: 0, xx: 0, yy: 0, xy: 0 })
function addMoments(to: Moments, by: number, { x, y, xx, yy, xy }: Moments): void {
  to.x += by * x
  to.y += by * y
  to.xx += by * xx
  to.yy += by * yy
  to.xy += by * xy
}

/**
 * A bead still fits where it is squeezed by this share of its width: shells made n beads thick get n beads.
 */
const SQUEEZE = 0.04

/**
 * How much of the bead of wall i (from 1) an edge gets where the medial axis lies `depth` in: 1, ½ where both
 * sides share it, or none. A spiral is one loop at one flow: it lies whole on both sides, one on the other if need
 * be, as long as the section is a bead wide.
 */
export function wallShare(depth: number, i: number, bead: BeadOf): number {
  const width = bead.beadWidthMm,
    middle = wallDepth(bead, i) - SQUEEZE * width
  if (depth >= (bead.spiral && i === 1 ? middle : middle + beadSpacing(bead) / 2)) return 1
  return depth >= middle || (i === 1 && depth >= width / 4) ? 0.5 : 0
}

/**
 * Walls run at w/2 + (i − 1)s inside the outline, s being the distance of neighbouring beads. Where the
 * section is too thin for every bead, as many are laid as fit across it: a last one is shared by both sides,
 * and the thinnest edge down to half a bead still gets one. `more`: where along the chord there are more of them.
 */
export function wallBeads(
  field: InsetField,
  walls: number,
  bead: BeadOf,
  more: ReturnType<typeof denserEdges> = null,
): { outer: number; inner: number; more: number; sum: Moments } {
  let outer = 0,
    inner = 0,
    further = 0
  const sum = nothing()
  for (let e = 0; e < field.length.length; e++) {
    const depth = field.depth[e]
    for (let i = 1; i <= walls; i++) {
      const share = wallShare(depth, i, bead)
      if (share === 0) break
      const length = addEdge(sum, field, e, Math.min(wallDepth(bead, i), depth), share)
      if (i === 1) outer += length
      else inner += length
    }
    for (let i = walls + 1; more && i <= walls + more.walls; i++) {
      const d = Math.min(wallDepth(bead, i), depth),
        share = wallShare(depth, i, bead)
      if (share === 0) break
      const part = more.share(e, d)
      if (part > 0) further += addEdge(sum, field, e, d, part * share)
    }
  }
  return { outer, inner: inner + further, more: further, sum }
}

/**
 * Adds the moments of edge e carried in by d; returns its length. A straight run's own second moment is l³/12
 * along it.
 */
function addEdge(sum: Moments, field: InsetField, e: number, d: number, share: number): number {
  const length = share * insetEdge(field, e, d)
  const x = field.midX[e] + d * field.normalX[e],
    y = field.midY[e] + d * field.normalY[e]
  const own = (length * (length / share) ** 2) / 12
  sum.x += length * x
  sum.y += length * y
  sum.xx += length * x * x + own * field.normalY[e] ** 2
  sum.yy += length * y * y + own * field.normalX[e] ** 2
  sum.xy += length * x * y - own * field.normalX[e] * field.normalY[e]
  return length
}

/** Mean moments over the area further than d inside; over all of it where nothing lies that deep. */
function meanMoments(field: InsetField, d: number): Moments {
  const inner = areaMoments(insetLoops(field, d))
  if (inner.area > 0 && inner.area > 0.02 * field.area) return meansOf(inner)
  if (field.area <= 0) return nothing()
  return {
    x: field.areaX,
    y: field.areaY,
    xx: field.areaXX / field.area,
    yy: field.areaYY / field.area,
    xy: field.areaXY / field.area,
  }
}

const meansOf = ({ area, x, y, xx, yy, xy }: ReturnType<typeof areaMoments>): Moments => ({
  x: x / area,
  y: y / area,
  xx: xx / area,
  yy: yy / area,
  xy: xy / area,
})

/** How deep into a section a recipe looks, mm. */
export const recipeReach = (recipe: Recipe): number =>
  1.05 * Math.max(mostWallsReach(recipe), recipe.skinGapMm ? recipe.skinGapMm + 1.5 * recipe.beadWidthMm : 0)

/**
 * Share of an edge that the inner bead of a double skin follows: where the section is deep enough for it,
 * begun and ended over a bead's width.
 */
export const innerSkinShare = (depth: number, gap: number, width: number): number =>
  Math.min(1, Math.max(0, (depth - gap - width / 2) / width))

/**
 * Lays one layer. Infill of share f inside the innermost wall has length f·area/s (methods page). `webs`: what the
 * slits of webs add to the walls of a section that is given without them.
 */
export function layLayer(field: InsetField, recipe: Recipe, webs: WebLengths | null = null): Layer {
  const w = recipe.beadWidthMm,
    spacing = beadSpacing(recipe)
  const walls = wallBeads(field, recipe.walls, recipe, denserEdges(field, recipe))
  const inside = insetArea(field, wallsReach(recipe))
  const { outer, sum } = walls
  let { inner } = walls
  const band = inPrintedSpar(field, recipe, () => insetLoops(field, wallsReach(recipe)))
  const filledBand = band ? areaMoments(band) : null,
    open = openInside(field, recipe)
  const room = open ? areaMoments(open) : null
  let infillArea = room ? Math.max(0, room.area) : inside
  const hollow = recipe.infillShare === 0 && recipe.baseLayers === 0 && recipe.topLayers === 0
  const filled = hollow ? nothing() : meanMoments(field, wallsReach(recipe))
  let between = room && room.area > 0 ? meansOf(room) : filled
  if (recipe.skinGapMm) {
    const gap = recipe.skinGapMm
    for (let e = 0; e < field.length.length; e++) {
      const share = innerSkinShare(field.depth[e], gap, w)
      if (share > 0) inner += addEdge(sum, field, e, Math.min(w / 2 + gap, field.depth[e]), share)
    }
    infillArea = Math.max(0, inside - insetArea(field, gap))
    // Where two skins with infill between share the section, the infill lies with the beads, not over its
    // area.
    const beads = outer + inner
    if (beads > 0)
      between = {
        x: sum.x / beads,
        y: sum.y / beads,
        xx: sum.xx / beads,
        yy: sum.yy / beads,
        xy: sum.xy / beads,
      }
  }
  const lattice = webs?.length ?? 0
  const infill = (recipe.infillShare * infillArea) / spacing
  const spar = Math.max(0, filledBand?.area ?? 0) / spacing
  addMoments(sum, infill, between)
  if (filledBand && spar > 0) addMoments(sum, spar, meansOf(filledBand))
  if (webs) addMoments(sum, 1, webs)
  return {
    outerWall: outer,
    innerWall: inner,
    lattice,
    infill,
    spar,
    solidExtra: Math.max(0, (room ? infillArea : inside) / spacing - infill - lattice),
    sum,
    inside: filled,
  }
}

export const layerBeads = (layer: Layer): number =>
  layer.outerWall + layer.innerWall + layer.lattice + layer.infill + layer.spar
