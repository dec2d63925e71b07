/**
 * A piece of a lifting surface that lies on its side. Its layers are not sliced: beads are taken from the
 * standing print, the walls scaled by what skin the lying piece has for what it has standing, both ends
 * walls, infill and webs as they are; the time is that of the beads at their speeds.
 */
import { beadSection } from '../document'
import { alongBody, polygonArea, type Piece, type Section } from '../geometry'
import type { Filament } from '../libraries'
import { beadThickness } from './bead'
import { recipeReach } from './lay'
import { cappedSpeed, FIRST_SPEED } from './layer-time'
import type { PiecePrint } from './print-piece'
import { fieldFor, samplePiece, type PieceSamples } from './sample-sections'
import { skinThicknessMm } from './skin-thickness'

/**
 * What ways, corners and ends add to the time of the beads alone. Files of lying pieces of the demos, in hollow schools,
 * take 0.85 to 1.18 of that time: rather too long than too short.
 */
const WAYS_AND_CORNERS = 1.15

export const lies = (piece: Piece): boolean =>
  piece.zone.recipe.stance === 'flat' && !alongBody(piece.part) && !piece.mesh

/** Plastic of the foot's and the head's section, mm². */
function endsArea({ jumps }: PieceSamples): number {
  const area = (section: Section | null) =>
    (section ?? []).reduce((sum, loop) => sum + polygonArea(loop).area, 0)
  return area(jumps[0].above()) + area(jumps[jumps.length - 1].below())
}

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
      // As the standing print has them: nothing more along the chord.
      stood = skinThicknessMm(field, { ...recipe, stance: 'standing', denser: null }, bead)
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
  // Both ends are walls now: in every layer a bead runs across each, as long as the end is deep there.
  const ends = endsArea(samplePiece(piece)) / recipe.layerHeightMm
  const scaled = {
    ...lengths,
    outerWall: lengths.outerWall * walls + ends,
    innerWall: lengths.innerWall * walls + (recipe.walls - 1) * ends,
    solid: 0,
  }
  const total = (l: typeof lengths) => l.outerWall + l.innerWall + l.lattice + l.infill + l.solid
  const share = total(lengths) > 0 ? total(scaled) / total(lengths) : 1
  const { inertia } = standing
  const layers = Math.max(1, Math.round(height / recipe.layerHeightMm))
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
    layers,
    overhangMm2: underside,
    bridgeMm: 0,
    seconds: printer => {
      const wall = cappedSpeed(printer.wallSpeedMmS, recipe, filament, printer),
        fill = cappedSpeed(printer.infillSpeedMmS, recipe, filament, printer)
      const all =
        WAYS_AND_CORNERS *
        ((scaled.outerWall + scaled.innerWall + scaled.lattice) / wall + scaled.infill / fill)
      const first = all / layers
      return (
        Math.max(layers * printer.layerMinS, all) +
        first * (1 / FIRST_SPEED - 1) +
        lengths.brim / (FIRST_SPEED * wall)
      )
    },
  }
}
