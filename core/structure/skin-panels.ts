/**
 * The outer skin's walls as panels: where they lie and how much they bear, apart from any load. SI, flat
 * arrays by wall.
 */
import { denserOf, type Recipe } from '../document'
import { sparEdges, wallsAsked } from '../printing'
import { mmToM } from '../units'
import { skinSupport, type PrintedMaterial } from './printed-skin'
import { sandwichThickness, shearBucklingStress, skinBucklingStress } from './skin-buckling'
import type { ShearProperties } from './shear-flow'
import type { ThinWalled } from './thin-walled-section'
import type { StationSection } from './station-section'

export interface SkinPanels {
  count: number
  /** Which wall of the section each is. */
  wall: Int32Array
  /** Middle of the wall from the section's centroid, m. */
  x: Float64Array
  y: Float64Array
  /** Shear stress (Pa) under 1 N of shear and 1 N·m of torque. */
  up: Float64Array
  torque: Float64Array
  /** 1 where the skin has its whole thickness: there it is a panel that can buckle or shear. */
  whole: Uint8Array
  /** Share of the buckling stress under a compressive strain of 1, and under a shear stress of 1 Pa. */
  pressed: Float64Array
  sheared: Float64Array
}

/**
 * Curved skins buckle in shear at about 0.1·E·t/R beyond the flat plate's value (long curved panels,
 * Batdorf).
 */
const SHELL_SHEAR = 0.1

/** Thickness is that of each wall in m; walls that are not laid are left out. */
export function skinPanels(
  station: StationSection,
  section: ThinWalled,
  thickness: Float64Array,
  flow: ShearProperties,
  recipe: Recipe,
  material: PrintedMaterial,
  bead: number,
): SkinPanels {
  const laid = Array.from(thickness.keys()).filter(w => thickness[w] > 1e-7)
  const support = skinSupport(recipe, station.chord),
    radius = radiiOf(station),
    walls = wallsAsked(station.field, recipe),
    overSpar = sparEdges(station.field, recipe),
    full = laid.reduce((most, w) => Math.max(most, thickness[w]), 0)
  const gap = recipe.skinGapMm ? mmToM(recipe.skinGapMm) : 0
  // A double skin bends as one thick plate, and its faces share the load.
  const plate = (t: number) => (gap ? sandwichThickness(bead, gap) : t),
    width = gap ? skinSupport({ ...recipe, lattice: null, infillShare: 0 }, station.chord) : support
  const share = gap ? plate(0) / (2 * bead) : 1
  // Over a printed spar the skin is solid down to the other one: there it does not buckle.
  const free = (w: number) => (overSpar ? 1 - overSpar(w) : 1)
  // As thick as anywhere, or as its own walls make it where others are thicker.
  const whole = (w: number) => (denserOf(recipe) ? Math.min(full, walls(w) * bead) : full)
  const column = (value: (w: number) => number) => Float64Array.from(laid, value)
  const middle = (at: readonly number[], w: number) => (at[section.walls[w].a] + at[section.walls[w].b]) / 2
  return {
    count: laid.length,
    wall: Int32Array.from(laid),
    x: column(w => middle(section.x, w) - flow.bending.x),
    y: column(w => middle(section.y, w) - flow.bending.y),
    up: column(w => flow.up[w] / thickness[w]),
    torque: column(w => flow.torque[w] / thickness[w]),
    whole: Uint8Array.from(laid, w => Number(thickness[w] >= 0.9 * whole(w))),
    pressed: column(
      w =>
        (free(w) * material.modulus) /
        (skinBucklingStress(material.modulus, plate(thickness[w]), width, radius[w]) * share),
    ),
    sheared: column(
      w =>
        free(w) /
        (shearBucklingStress(material.modulus, plate(thickness[w]), width) * share +
          (SHELL_SHEAR * material.modulus * thickness[w]) / radius[w]),
    ),
  }
}

/** Nodes to either side over which the skin's own turning is read. */
const NEAR = 2

/**
 * Radius of each wall, m: a circular arc over most of the chord with the section's own rise, R = c²/8h, or the
 * skin's own where it is rounder, as at the leading edge.
 */
function radiiOf({ chord, field }: StationSection): Float64Array {
  const count = field.starts[1]
  let top = -Infinity,
    bottom = Infinity
  for (let e = 0; e < count; e++) {
    top = Math.max(top, field.midY[e])
    bottom = Math.min(bottom, field.midY[e])
  }
  const arc = (chord * 0.9) ** 2 / (8 * Math.max(1e-4, mmToM(top - bottom) / 2))
  return Float64Array.from({ length: count }, (_, e) => {
    const before = (e + count - NEAR) % count,
      after = (e + NEAR) % count
    // Inward normals of a convex skin turn with it, counter-clockwise.
    const cross = field.normalX[before] * field.normalY[after] - field.normalY[before] * field.normalX[after],
      dot = field.normalX[before] * field.normalX[after] + field.normalY[before] * field.normalY[after]
    const turn = Math.atan2(cross, dot)
    let length = 0
    for (let k = -NEAR; k <= NEAR; k++) {
      const share = Math.abs(k) === NEAR ? 0.5 : 1
      length += share * mmToM(field.length[(e + k + count) % count])
    }
    return turn > 1e-4 ? Math.min(arc, length / turn) : arc
  })
}
