/** What one layer of a recipe lays down in a slice: bead lengths by kind, and where they are. All mm. */
import type { Recipe } from '../document'
import { insetArea, insetEdge, type InsetField } from './inset-field'

export interface Layer {
  outerWall: number
  innerWall: number
  lattice: number
  infill: number
  /** Beads that a base or top layer adds over this layer's own. */
  solidExtra: number
  /** Length-weighted middle of all beads, in the slice's plane. */
  x: number
  y: number
  /** Loops begun in this layer, for travel and corners. */
  loops: number
  /** Mean length of a straight run of lattice or infill, mm. */
  run: number
}

/**
 * Walls run at (i − ½)w inside the outline. Where the section is too thin for every bead, as many are laid as fit
 * across it: a last one is shared by both sides, and the thinnest edge down to half a bead still gets one.
 */
export function wallBeads(field: InsetField, walls: number, width: number): { outer: number, inner: number, x: number, y: number } {
  let outer = 0, inner = 0, x = 0, y = 0
  for (let e = 0; e < field.length.length; e++) {
    const depth = field.depth[e]
    for (let i = 1; i <= walls; i++) {
      const share = depth >= i * width - 1e-9 ? 1 : depth >= (i - 0.5) * width - 1e-9 || (i === 1 && depth >= width / 4) ? 0.5 : 0
      if (share === 0) break
      const d = Math.min((i - 0.5) * width, depth)
      const length = share * insetEdge(field, e, d)
      if (i === 1) outer += length
      else inner += length
      x += length * (field.midX[e] + d * field.normalX[e])
      y += length * (field.midY[e] + d * field.normalY[e])
    }
  }
  return { outer, inner, x, y }
}

/** Lattice: two families of upright webs at ±45° to the span, each `pitch` apart; a layer meets one every pitch·√2 along the chord. */
export const latticeLength = (area: number, pitch: number, passes: number): number => (passes * 2 * area) / (pitch * Math.SQRT2)

/** Lays one layer. Infill of share f inside the innermost wall has length f·area/w (methods page). */
export function layLayer(field: InsetField, recipe: Recipe): Layer {
  const w = recipe.beadWidthMm
  const walls = wallBeads(field, recipe.walls, w)
  const inside = insetArea(field, recipe.walls * w)
  const { outer } = walls
  let { inner, x, y } = walls
  let lattice = 0, infillArea = inside
  if (recipe.skinGapMm) {
    const gap = recipe.skinGapMm
    for (let e = 0; e < field.length.length; e++) {
      if (field.depth[e] < gap + w) continue
      const d = w / 2 + gap
      const length = insetEdge(field, e, d)
      inner += length
      x += length * (field.midX[e] + d * field.normalX[e])
      y += length * (field.midY[e] + d * field.normalY[e])
    }
    infillArea = Math.max(0, inside - insetArea(field, gap))
  }
  if (recipe.lattice) lattice = latticeLength(inside, recipe.lattice.pitchMm, recipe.lattice.passes)
  const infill = (recipe.infillShare * infillArea) / w
  // Where two skins with infill between share the section, the infill lies with the beads, not at its middle.
  const between = recipe.skinGapMm !== null
  const beads = outer + inner
  const beadX = beads > 0 ? x / beads : field.areaX, beadY = beads > 0 ? y / beads : field.areaY
  x += between ? infill * beadX : (infill + lattice) * field.areaX
  y += between ? infill * beadY : (infill + lattice) * field.areaY
  const total = outer + inner + infill + lattice
  const solidExtra = Math.max(0, inside / w - infill - lattice)
  const thickness = field.area / Math.max(1, outer / 2)
  return {
    outerWall: outer, innerWall: inner, lattice, infill, solidExtra,
    x: total > 0 ? x / total : field.areaX, y: total > 0 ? y / total : field.areaY,
    loops: recipe.spiral ? 0 : recipe.walls * (1 + (field.length.length > field.outerCount ? 1 : 0)) + (recipe.skinGapMm ? 1 : 0),
    run: Math.max(1, recipe.skinGapMm ?? thickness),
  }
}

export const layerBeads = (layer: Layer): number => layer.outerWall + layer.innerWall + layer.lattice + layer.infill
