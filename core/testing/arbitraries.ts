/** Random but admissible aircraft and parts, for property tests. */
import fc from 'fast-check'
import { DEMOS } from '../demo'
import type { ProjectFile, Recipe, Surface } from '../document'
import { LIBRARIES, recipeFor } from '../libraries'

const AEROFOILS = ['naca0009', 'naca0012', 'naca2412', 'naca4415', 'naca23012', 'naca23112', 'naca6418']

export const aerofoilName = fc.constantFrom(...AEROFOILS)
const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true, noDefaultInfinity: true })

export const surface = (zone: string, scale = 1): fc.Arbitrary<Surface> => fc.record({
  xMm: mm(0, 400), yMm: fc.constant(0), zMm: mm(-60, 60), incidenceDeg: mm(-4, 6), cantDeg: fc.constant(0), mirror: fc.constant(true),
  rootChordMm: mm(60 * scale, 320 * scale), rootAerofoil: aerofoilName,
  panels: fc.array(fc.record({
    spanMm: mm(40 * scale, 500 * scale), tipChordMm: mm(40 * scale, 300 * scale), sweepMm: mm(-50 * scale, 150 * scale), dihedralDeg: mm(-3, 20), tipTwistDeg: mm(-5, 3), tipAerofoil: aerofoilName, zone: fc.constant(zone),
  }), { minLength: 1, maxLength: 3 }),
  controls: fc.constant([]),
})

export const recipe: fc.Arbitrary<Recipe> = fc.tuple(fc.constantFrom(...LIBRARIES.schools), fc.constantFrom(...LIBRARIES.filaments), mm(0.35, 0.8), mm(0.12, 0.3)).map(([school, filament, beadWidthMm, layerHeightMm]) =>
  ({ ...recipeFor(school, filament), beadWidthMm, layerHeightMm }))

/** The demo with another wing, tailplane and recipes: any of these must assess without a crash or a NaN. */
export const aircraft: fc.Arbitrary<ProjectFile> = fc.record({
  wing: surface('wing-inner'), tail: surface('tail', 0.5), recipes: fc.array(recipe, { minLength: 5, maxLength: 5 }),
  filaments: fc.array(fc.constantFrom(...LIBRARIES.filaments.map(f => f.id)), { minLength: 5, maxLength: 5 }), cut: mm(20, 400), kind: fc.constantFrom('conventional' as const, 'V' as const, 'none' as const, 'all-moving' as const),
}).map(({ wing, tail, recipes, filaments, cut, kind }) => {
  const base = DEMOS[0]
  return {
    ...base, wing, tail: { ...base.tail, kind, horizontal: { ...tail, xMm: 700, cantDeg: kind === 'V' ? 36 : 0 } }, weighIns: [],
    zones: base.zones.map((zone, i) => ({ ...zone, filament: filaments[i], recipe: recipes[i] })), cuts: { ...base.cuts, wing: [cut] },
  }
})
