/** Random but admissible aircraft and parts, for property tests. */
import fc from 'fast-check'
import { withSecondWing } from '../change'
import { DEMOS } from '../demo'
import type { Control, Joint, ProjectFile, Recipe, Surface } from '../document'
import { LIBRARIES, recipeFor } from '../libraries'
import { wingletsFor } from './winglets'

const AEROFOILS = ['naca0009', 'naca0012', 'naca2412', 'naca4415', 'naca23012', 'naca23112', 'naca6418']

export const aerofoilName = fc.constantFrom(...AEROFOILS)
const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true, noDefaultInfinity: true })

const control: fc.Arbitrary<Control> = fc.record({
  piece: fc.constant(1),
  name: fc.constant('Ailerons'),
  kind: fc.constant('aileron' as const),
  fromShare: mm(0, 0.6),
  toShare: mm(0.4, 1),
  chordShare: mm(0.1, 0.45),
  throwUpDeg: mm(5, 35),
  throwDownDeg: mm(5, 35),
  hinge: fc.record({
    kind: fc.constantFrom(
      'bought-strip' as const,
      'printed-strip' as const,
      'pins' as const,
      'tape' as const,
    ),
    count: fc.integer({ min: 1, max: 5 }),
    gapMm: mm(0.2, 1.5),
  }),
  linkage: fc.option(
    fc.record({
      servo: fc.constantFrom('aileron-servo', 'nobody', null),
      armMm: mm(5, 20),
      hornMm: mm(5, 25),
    }),
    { nil: null },
  ),
})

export const joint: fc.Arbitrary<Joint> = fc.record({
  kind: fc.constantFrom(
    'butt' as const,
    'lip' as const,
    'pins' as const,
    'tongue' as const,
    'bolts' as const,
    'plug' as const,
  ),
  toleranceMm: mm(0.05, 0.4),
})

export const surface = (zone: string, scale = 1): fc.Arbitrary<Surface> =>
  fc.record({
    xMm: mm(0, 400),
    yMm: fc.constant(0),
    zMm: mm(-60, 60),
    incidenceDeg: mm(-4, 6),
    cantDeg: fc.constant(0),
    mirror: fc.constant(true),
    rootChordMm: mm(60 * scale, 320 * scale),
    rootAerofoil: aerofoilName,
    twistAxisShare: mm(0, 1),
    tip: fc.record({
      kind: fc.constantFrom('flat' as const, 'rounded' as const, 'faired' as const),
      lengthMm: mm(5, 40),
    }),
    panels: fc.array(
      fc.record({
        spanMm: mm(40 * scale, 500 * scale),
        tipChordMm: mm(40 * scale, 300 * scale),
        sweepMm: mm(-50 * scale, 150 * scale),
        dihedralDeg: mm(-3, 20),
        tipTwistDeg: mm(-5, 3),
        tipAerofoil: aerofoilName,
        zone: fc.constant(zone),
      }),
      { minLength: 1, maxLength: 3 },
    ),
    controls: fc.array(control, { maxLength: 1 }),
  })

export const recipe: fc.Arbitrary<Recipe> = fc
  .tuple(
    fc.constantFrom(...LIBRARIES.schools),
    fc.constantFrom(...LIBRARIES.filaments),
    mm(0.35, 0.8),
    mm(0.12, 0.3),
    fc.option(fc.record({ walls: fc.integer({ min: 1, max: 3 }), noseTo: mm(0, 0.3), rearFrom: mm(0.6, 1) })),
    fc.option(fc.record({ atShare: mm(0.1, 0.6), widthMm: mm(0.5, 12) })),
  )
  .map(([school, filament, beadWidthMm, layerHeightMm, denser, printedSpar]) => ({
    ...recipeFor(school, filament),
    beadWidthMm,
    layerHeightMm,
    denser,
    printedSpar,
  }))

/** The demo with another wing, tailplane and recipes: any of these must assess without a crash or a NaN. */
export const aircraft: fc.Arbitrary<ProjectFile> = fc
  .record({
    wing: surface('wing-inner'),
    tail: surface('tail', 0.5),
    recipes: fc.array(recipe, { minLength: 5, maxLength: 5 }),
    filaments: fc.array(fc.constantFrom(...LIBRARIES.filaments.map(f => f.id)), {
      minLength: 5,
      maxLength: 5,
    }),
    cut: mm(20, 400),
    joints: fc.array(joint, { minLength: 3, maxLength: 3 }),
    second: fc.oneof(
      { weight: 3, arbitrary: fc.constant(null) },
      { weight: 1, arbitrary: fc.constantFrom('over' as const, 'under' as const, 'behind' as const) },
    ),
    winglets: fc.oneof(
      { weight: 3, arbitrary: fc.constant(false) },
      { weight: 1, arbitrary: fc.constant(true) },
    ),
    kind: fc.constantFrom('conventional' as const, 'V' as const, 'none' as const, 'all-moving' as const),
  })
  .map(({ wing, tail, recipes, filaments, cut, joints, kind, second, winglets }) => {
    const base = DEMOS[0]
    const single: ProjectFile = {
      ...base,
      wing,
      tail: { ...base.tail, kind, horizontal: { ...tail, xMm: 700, cantDeg: kind === 'V' ? 36 : 0 } },
      weighIns: [],
      zones: base.zones.map((zone, i) => ({ ...zone, filament: filaments[i], recipe: recipes[i] })),
      cuts: {
        ...base.cuts,
        wing: [{ atMm: cut, joint: joints[0], piece: 2 }],
        body: base.cuts.body.map((item, i) => ({ ...item, joint: joints[1 + i] })),
      },
    }
    return {
      ...single,
      ...(second ? withSecondWing(single, second) : {}),
      winglets: winglets ? wingletsFor(single) : null,
    }
  })
