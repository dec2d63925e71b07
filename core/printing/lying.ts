/**
 * A piece of a lifting surface that lies on its side. Its layers are not sliced: beads are taken from the
 * standing print, the walls scaled by what skin the lying piece has for what it has standing, infill and webs
 * as they are, end faces left out.
 */
import { beadSection } from '../document'
import { alongBody, type Piece } from '../geometry'
import type { Filament } from '../libraries'
import { beadThickness } from './bead'
import { recipeReach } from './lay'
import type { PiecePrint } from './print-piece'
import { fieldFor, samplePiece } from './sample-sections'
import { skinThicknessMm } from './skin-thickness'

export const lies = (piece: Piece): boolean =>
  piece.zone.recipe.stance === 'flat' && !alongBody(piece.part) && piece.kind !== 'given'

export function lyingPrint(piece: Piece, filament: Filament, standing: PiecePrint): PiecePrint {
  const { recipe } = piece.zone
  const bead = beadThickness(recipe, filament)
  // Base and top layers reach deeper than walls.
  const reach = Math.max(
    recipeReach(recipe),
    1.05 * Math.max(recipe.baseLayers, recipe.topLayers) * recipe.layerHeightMm,
  )
  let lying = 0,
    upright = 0,
    height = 0,
    underside = 0
  for (const sample of samplePiece(piece).samples) {
    const field = fieldFor(sample, reach)
    const flat = skinThicknessMm(field, recipe, bead),
      stood = skinThicknessMm(field, { ...recipe, stance: 'standing' }, bead)
    let low = Infinity,
      high = -Infinity
    for (let e = 0; e < field.length.length; e++) {
      lying += sample.weight * field.length[e] * flat(e)
      upright += sample.weight * field.length[e] * stood(e)
      low = Math.min(low, field.midY[e])
      high = Math.max(high, field.midY[e])
      // Skins seen from below at less than 45° hang over the bed.
      if (field.normalY[e] > Math.SQRT1_2 && e < field.starts[1]) underside += sample.weight * field.length[e]
    }
    height = Math.max(height, high - low)
  }
  const { lengths } = standing
  const walls = upright > 0 ? lying / upright : 1
  const scaled = {
    ...lengths,
    outerWall: lengths.outerWall * walls,
    innerWall: lengths.innerWall * walls,
    solid: 0,
  }
  const total = (l: typeof lengths) => l.outerWall + l.innerWall + l.lattice + l.infill + l.solid
  const share = total(lengths) > 0 ? total(scaled) / total(lengths) : 1
  const { inertia } = standing
  return {
    ...standing,
    mass: standing.mass * share,
    lengths: scaled,
    filamentMm3: (total(scaled) + lengths.brim) * beadSection(recipe) * recipe.flow,
    inertia: {
      xx: inertia.xx * share,
      yy: inertia.yy * share,
      zz: inertia.zz * share,
      xy: inertia.xy * share,
      xz: inertia.xz * share,
      yz: inertia.yz * share,
    },
    layers: Math.max(1, Math.round(height / recipe.layerHeightMm)),
    overhangMm2: underside,
    bridgeMm: 0,
    seconds: printer => share * standing.seconds(printer),
  }
}
