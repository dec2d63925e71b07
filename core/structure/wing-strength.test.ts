import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DEMOS } from '../demo'
import type { Recipe, Spar } from '../document'
import { loftSurface, sparLines, trailingEdgeMm, type SurfaceLoft } from '../geometry'
import { LIBRARIES, recipeFor, stockInertia, type Filament } from '../libraries'
import { recipe as anyRecipe, surface } from '../testing/arbitraries'
import { stationSection, type Meeting } from './station-section'
import { buildStation } from './wing-station'
import { decide, type Modes } from './strength-modes'
import { stationModes, type StationLoad } from './wing-strength'

const [thistledown] = DEMOS
const filament = (id: string): Filament => LIBRARIES.filaments.find(item => item.id === id)!
const stock = (id: string) => LIBRARIES.stock.find(item => item.id === id)!
const wing = loftSurface('wing', 'Wing', thistledown.wing, [], trailingEdgeMm(thistledown.zones))
const spar = (more: Partial<Spar> = {}): Spar => ({
  id: 'a',
  name: 'A',
  stock: 'tube-8x6',
  surface: 'wing',
  fromMm: 0,
  toMm: 400,
  rootShare: 0.3,
  tipShare: 0.3,
  clearanceMm: 0.15,
  through: false,
  fixing: 'bonded',
  lay: 'middle',
  route: 'straight',
  ...more,
})
const load: StationLoad = { shear: 8, moment: 1.5, torque: 0.1, lag: 0 }
const foam = recipeFor(LIBRARIES.schools[0], filament('pla-foam'))

const at = (
  s: number,
  spars: Spar[],
  recipe: Recipe = foam,
  stuff = filament('pla-foam'),
  meeting: Meeting = 'none',
  loft: SurfaceLoft = wing,
) => {
  const section = stationSection(
    loft,
    s,
    spars.flatMap(item => sparLines(loft, item, stock(item.stock))),
    meeting,
  )
  const build = buildStation(section, recipe, stuff)
  return { section, build, modes: stationModes(section, build, recipe, load, 1.5) }
}

describe('a printed section', () => {
  it('a bonded tube in a weak skin tends to the tube alone', () => {
    const weak = { ...filament('pla-foam'), modulus: 10 }
    const { build, modes } = at(150, [spar()], foam, weak)
    const tube = stock('tube-8x6'),
      EI = tube.modulus * stockInertia(tube)
    expect(build.shear.bending.EIx / EI).toBeCloseTo(1, 3)
    // σ = M·r/I with the factor of safety.
    expect(modes['spar bending']! / (tube.strength / ((1.5 * 1.5 * 0.004) / stockInertia(tube)))).toBeCloseTo(
      1,
      3,
    )
    expect(modes['spar alone']! / modes['spar bending']!).toBeCloseTo(1, 3)
  })
  it('two caps on a stiff web: 2·EA·(h/2)² and their own', () => {
    const stiff: Filament = { ...filament('pla'), modulus: 1e3, acrossModulusShare: 1e12 }
    const { build } = at(150, [spar({ stock: 'strip-1x3', lay: 'caps' })], { ...foam, flow: 1 }, stiff)
    const strip = stock('strip-1x3'),
      EA = strip.modulus * 3e-6
    const [top, bottom] = build.groups[0].lines.map(line => line.n / 1000).sort((a, b) => b - a)
    expect(top - bottom).toBeGreaterThan(0.015)
    expect(build.sparEI / (2 * EA * ((top - bottom) / 2) ** 2)).toBeCloseTo(1, 1)
    // In foam they slip, and carry less; never less than each by itself.
    const soft = at(150, [spar({ stock: 'strip-1x3', lay: 'caps' })]).build.sparEI
    expect(soft).toBeLessThan(build.sparEI)
    expect(soft).toBeGreaterThan((2 * strip.modulus * 0.003 * 0.001 ** 3) / 12)
  })
  it('pushed in, a spar is not twisted with the wing', () => {
    const glued = at(150, [spar({ rootShare: 0.15, tipShare: 0.15 })]),
      loose = at(150, [spar({ rootShare: 0.15, tipShare: 0.15, fixing: 'removable' })])
    expect(loose.build.shear.bending.EIx).toBeCloseTo(glued.build.shear.bending.EIx, 9)
    expect(loose.build.shear.GJ).toBeLessThan(glued.build.shear.GJ)
  })
  it('where the halves come apart, no skin carries: the joiner and its socket do', () => {
    const apart = at(
      0,
      [spar({ through: true, fixing: 'removable', toMm: 120 })],
      foam,
      filament('pla-foam'),
      'apart',
    ).modes
    expect(apart['skin buckling']).toBeUndefined()
    expect(apart['joiner in its socket']).toBeGreaterThan(0)
    const deeper = at(
      0,
      [spar({ through: true, fixing: 'removable', toMm: 240 })],
      foam,
      filament('pla-foam'),
      'apart',
    ).modes
    // Mostly a couple: twice as deep bears nearly four times as much, and not more.
    const ratio = deeper['joiner in its socket']! / apart['joiner in its socket']!
    expect(ratio).toBeGreaterThan(2)
    expect(ratio).toBeLessThanOrEqual(4)
    expect(decide(at(0, [], foam, filament('pla-foam'), 'apart').modes).reserve).toBe(0)
  })
  it('a spar stops in the middle of a panel: the section just beyond is the weak one', () => {
    const before = at(399, [spar()]),
      beyond = at(400.5, [spar()])
    expect(decide(beyond.modes).reserve).toBeLessThan(0.5 * decide(before.modes).reserve)
    expect(at(400, [spar()]).modes['spar end']).toBeGreaterThan(0)
    // Another that goes on beside it takes over.
    const other = spar({ id: 'b', name: 'B', fromMm: 330, toMm: 560, rootShare: 0.42, tipShare: 0.4 })
    expect(at(400, [spar(), other]).modes['spar overlap']).toBeGreaterThan(0)
    expect(at(400, [spar(), other]).modes['spar end']).toBeUndefined()
  })
  it('wire can be bent at a break of the dihedral, and is the weaker for it; carbon cannot', () => {
    const bent = at(270, [spar({ stock: 'wire-4', route: 'bent' })]).modes,
      straight = at(270, [spar({ stock: 'wire-4' })]).modes
    expect(bent['spar alone']! / straight['spar alone']!).toBeCloseTo(0.7, 9)
    expect(bent['bent spar']).toBeGreaterThan(0)
    expect(at(270, [spar({ route: 'bent' })]).modes['bent spar']).toBe(0)
  })
})

describe('how the piece stands on the bed', () => {
  const base: Recipe = {
    ...recipeFor(LIBRARIES.schools[1], filament('pla')),
    walls: 2,
    baseLayers: 4,
    topLayers: 4,
  }
  it('standing, tension pulls layers apart; lying flat it runs along the bead, and twist slides layers either way', () => {
    const standing = at(150, [], base, filament('pla')),
      flat = at(150, [], { ...base, stance: 'flat' }, filament('pla'))
    expect(standing.modes['skin across layers']).toBeGreaterThan(0)
    expect(standing.modes['skin along the bead']).toBeUndefined()
    // Strength 1 against 0.55, at moduli of 1 against 0.9 and with layers instead of beads for skin.
    const skins = flat.build.shear.bending.EIx / standing.build.shear.bending.EIx
    expect(
      flat.modes['skin along the bead']! / standing.modes['skin across layers']! / ((skins * 0.9) / 0.55),
    ).toBeCloseTo(1, 1)
  })
  it('lying flat, a skin without base or top layers is left with its edges alone', () => {
    const bare = at(150, [], { ...base, stance: 'flat', topLayers: 0 }, filament('pla')),
      full = at(150, [], { ...base, stance: 'flat' }, filament('pla'))
    expect(bare.build.shear.bending.EIx).toBeLessThan(0.8 * full.build.shear.bending.EIx)
  })
})

/** Modes that the skin has, and those that a spar serves. */
const SKIN = [
  // Whichever of the three a bent skin comes to first.
  ['skin across layers', 'skin in compression', 'skin collapse'],
  ['skin buckling'],
  ['skin shear'],
] as const
const least = (modes: Modes, names: readonly string[]) =>
  Math.min(
    ...Object.entries(modes)
      .filter(([mode]) => names.includes(mode))
      .map(([, reserve]) => reserve),
  )

describe('over random wings', () => {
  const place = fc.double({ min: 0.02, max: 0.9, noNaN: true })
  const lofted = surface('z').map(item => loftSurface('wing', 'Wing', item, [], 0.9))
  const stuff = fc.constantFrom(...LIBRARIES.filaments)
  it('another bead is never weaker in any mode of the skin', () => {
    fc.assert(
      fc.property(lofted, place, anyRecipe, stuff, (loft, share, recipe, of) => {
        const s = share * loft.span
        const thin = at(s, [], { ...recipe, skinGapMm: null }, of, 'none', loft).modes,
          thick = at(s, [], { ...recipe, skinGapMm: null, walls: recipe.walls + 1 }, of, 'none', loft).modes
        for (const names of SKIN)
          expect(
            least(thick, names) / least(thin, names),
            `${names[0]}, ${recipe.school}, ${of.id}`,
          ).toBeGreaterThan(1 - 1e-4)
      }),
      { numRuns: 60 },
    )
  })
  it('a stronger filament of the same stiffness, or a colder one, is never weaker', () => {
    fc.assert(
      fc.property(
        lofted,
        place,
        anyRecipe,
        stuff,
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        (loft, share, recipe, of, left) => {
          const s = share * loft.span
          const cold = at(s, [], recipe, of, 'none', loft).modes,
            warm = at(
              s,
              [],
              recipe,
              { ...of, modulus: left * of.modulus, strength: left * of.strength },
              'none',
              loft,
            ).modes
          for (const mode of Object.keys(cold) as Array<keyof Modes>)
            expect(warm[mode]!).toBeLessThanOrEqual(cold[mode]! * (1 + 1e-6))
        },
      ),
      { numRuns: 60 },
    )
  })
  it('a spar that runs further never lowers stiffness anywhere, nor the least reserve of the section it newly reaches', () => {
    fc.assert(
      fc.property(
        lofted,
        fc.double({ min: 0.2, max: 0.6, noNaN: true }),
        fc.double({ min: 0.1, max: 0.35, noNaN: true }),
        fc.constantFrom('rod-3', 'rod-5', 'tube-6x4', 'tube-8x6'),
        anyRecipe,
        stuff,
        (loft, end, more, id, recipe, of) => {
          const short = spar({ stock: id, toMm: end * loft.span, route: 'bent' }),
            long = { ...short, toMm: (end + more) * loft.span }
          for (const share of [0.5 * end, end + 0.5 * more]) {
            const a = at(share * loft.span, [short], recipe, of, 'none', loft),
              b = at(share * loft.span, [long], recipe, of, 'none', loft)
            expect(b.build.shear.bending.EIx / a.build.shear.bending.EIx).toBeGreaterThan(1 - 1e-6)
            if (share > end)
              expect(decide(b.modes).reserve / decide(a.modes).reserve).toBeGreaterThan(1 - 1e-6)
          }
          expect(
            least(at(0.5 * end * loft.span, [long], recipe, of, 'none', loft).modes, SKIN.flat()),
          ).toBeGreaterThan(0)
        },
      ),
      { numRuns: 60 },
    )
  })
})
