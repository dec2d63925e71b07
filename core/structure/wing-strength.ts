/**
 * Reserve factor of a half wing at stations along the span. Two ways to carry the moment are weighed at each: skin and
 * spars together (the weakest of them gives out first), and the spars alone after the skin has cracked or wrinkled.
 * The better of the two is the station's reserve; the least station is the wing's. SI.
 */
import type { Recipe } from '../document'
import { boreAt, outlineAt, planAt, type SparLine, type SurfaceLoft } from '../geometry'
import type { Filament } from '../libraries'
import { beadThickness, insetField, relativeDensity, type InsetField } from '../printing'
import { mmToM } from '../units'
import { bendingSection } from './wing-section'
import { skinBucklingStress } from './skin-buckling'

export type StrengthMode = 'skin across layers' | 'skin buckling' | 'glue joint' | 'spar bending' | 'spar alone'

export interface StationStrength {
  /** mm along the span. */
  s: number
  /** N, N·m; with load factor, without factor of safety. */
  shear: number
  moment: number
  EI: number
  reserve: number
  mode: StrengthMode
  /** The reserve of every mode at this station. */
  modes: Partial<Record<StrengthMode, number>>
}

/** Shear-free tensile strength of a butt joint in thin printed skins: cyanoacrylate or epoxy on foam lets go at about this, Pa. */
export const GLUE_STRENGTH = 8e6

/** The shape of a section: what does not depend on load, recipe or filament. */
export interface StationSection { s: number, field: InsetField, spars: ReadonlyArray<{ line: SparLine, n: number }>, joint: boolean, chord: number }

/** `joint`: a glue joint between two pieces lies here. */
export function stationSection(loft: SurfaceLoft, s: number, spars: readonly SparLine[], joint: boolean): StationSection {
  const outer = outlineAt(loft, s)
  const holes = spars.map(line => boreAt(loft, line, s, outer)).filter(hole => hole !== null)
  return {
    s, field: insetField([outer, ...holes]), joint, chord: mmToM(planAt(loft, s).chord),
    spars: spars.filter(line => s >= line.from - 1e-6 && s <= line.to + 1e-6).map(line => ({ line, n: line.at(s).n })),
  }
}

/** Printed plastic's stiffness and strength along the span of a piece that stands on its end: across its layers, foamed by Gibson & Ashby. */
export function acrossLayers(recipe: Recipe, filament: Filament): { modulus: number, strength: number } {
  const density = relativeDensity(recipe, filament)
  return {
    modulus: filament.modulus * filament.acrossModulusShare * density ** 2,
    strength: filament.strength * filament.acrossShare * density ** 1.5,
  }
}

/** Distance between whatever holds the skin from behind, m. */
export function skinSupport(recipe: Recipe, chord: number): number {
  if (recipe.lattice) return mmToM(recipe.lattice.pitchMm * Math.SQRT2)
  if (recipe.infillShare > 0.005) {
    // Lines of infill in two directions, a bead wide, lie 2w/f apart.
    return Math.min(chord, mmToM((2 * recipe.beadWidthMm) / recipe.infillShare))
  }
  return chord * 0.6
}

export function stationReserve(section: StationSection, recipe: Recipe, filament: Filament, shear: number, moment: number, safetyFactor: number): StationStrength {
  const { field } = section
  const bead = mmToM(beadThickness(recipe, filament))
  const walls = recipe.walls + (recipe.skinGapMm ? 1 : 0)
  const thickness = (e: number) => Math.min(walls * bead, mmToM(field.depth[e]))
  const skin = acrossLayers(recipe, filament)
  const bending = bendingSection(field, thickness, skin.modulus, section.spars)
  const applied = Math.max(1e-9, Math.abs(moment) * safetyFactor)
  const reach = Math.max(bending.top, -bending.bottom)
  const skinStress = (skin.modulus * applied * reach) / bending.EI
  const modes: Partial<Record<StrengthMode, number>> = {
    'skin across layers': skin.strength / skinStress,
    'skin buckling': buckling(section, recipe, skin.modulus, bead, walls, reach) / skinStress,
  }
  if (section.joint) modes['glue joint'] = Math.min(GLUE_STRENGTH, skin.strength) / skinStress
  let alone = 0
  if (section.spars.length > 0) {
    modes['spar bending'] = Math.min(...section.spars.map(({ line, n }) => {
      const strain = (Math.abs(mmToM(n) - bending.neutral) + mmToM(line.stock.heightMm) / 2) * (applied / bending.EI)
      return line.stock.strength / (line.stock.modulus * strain)
    }))
    alone = Math.min(...section.spars.map(({ line }) => line.stock.strength / ((line.stock.modulus * applied * mmToM(line.stock.heightMm)) / (2 * bending.sparEI))))
    modes['spar alone'] = alone
  }
  const together = (Object.entries(modes) as Array<[StrengthMode, number]>).filter(([mode]) => mode !== 'spar alone').reduce((a, b) => (b[1] < a[1] ? b : a))
  const [mode, reserve] = alone > together[1] ? (['spar alone', alone] as const) : together
  return { s: section.s, shear, moment, EI: bending.EI, reserve, mode, modes }
}

function buckling(section: StationSection, recipe: Recipe, modulus: number, bead: number, walls: number, halfDepth: number): number {
  const { chord } = section
  // A circular arc over most of the chord with the section's own rise: R = c²/8h.
  const radius = (chord * 0.9) ** 2 / (8 * Math.max(1e-4, halfDepth))
  if (recipe.skinGapMm) {
    // Two thin skins apart bend like a plate of the thickness that has the same stiffness: t_eq³ = 6·t·gap².
    const equal = Math.cbrt(6 * bead * mmToM(recipe.skinGapMm) ** 2)
    const plate = skinBucklingStress(modulus, equal, chord * 0.6, radius)
    return (plate * equal) / (2 * bead)
  }
  return skinBucklingStress(modulus, walls * bead, skinSupport(recipe, chord), radius)
}
