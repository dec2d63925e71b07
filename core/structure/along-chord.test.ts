/** A printed spar and denser skin as structure, against closed forms; more of either is never weaker. SI */
import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import type { Recipe } from '../document'
import { beadSpacing } from '../document'
import { loftSurface, sparLines, type SparLine } from '../geometry'
import { LIBRARIES, recipeById } from '../libraries'
import { DEMOS } from '../demo'
import { beadOf, buildStation, decide, stationModes, stationSection, type Modes } from '.'

const pla = LIBRARIES.filaments.find(item => item.id === 'pla')!
const plain: Recipe = { ...recipeById('beads', pla), walls: 1 }
const { controls: _, ...shape } = DEMOS[0].wing
// Symmetric: the spar's own middle is the section's.
const even = {
  ...shape,
  rootAerofoil: 'naca0012',
  incidenceDeg: 0,
  panels: shape.panels.map(panel => ({ ...panel, tipAerofoil: 'naca0012', tipTwistDeg: 0 })),
}
const loft = loftSurface('wing', 'Wing', even, [], 0.9)
const station = stationSection(loft, 100, [], 'none')
const built = (recipe: Recipe) => buildStation(station, recipe, pla)
const withSpar = (atShare: number, widthMm: number): Recipe => ({
  ...plain,
  printedSpar: { atShare, widthMm },
})

describe('a printed spar', () => {
  it('adds E·w·(h − 2t)³/12 in bending', () => {
    const recipe = withSpar(0.3, 4)
    const { shear, material, bead } = built(recipe)
    // NACA 0012 is 12.0 % thick at 30 % of its chord; a solid holds as much plastic as its beads fill.
    const height = 0.12 * station.chord,
      width = 0.004 * Math.min(1, (1000 * beadOf(recipe, pla)) / beadSpacing(recipe))
    const wanted = (material.modulus * width * (height - 2 * bead) ** 3) / 12
    expect((shear.bending.EIx - built(plain).shear.bending.EIx) / wanted).toBeCloseTo(1, 1.5)
  })
  it('does not jump as it is moved or grows, and its skin does not buckle', () => {
    const EI = Array.from({ length: 201 }, (_, k) => built(withSpar(0.1 + 0.004 * k, 5)).shear.bending.EIx)
    const base = built(plain).shear.bending.EIx
    const steps = EI.slice(1).map((value, k) => Math.abs(value - EI[k]))
    expect(Math.max(...steps)).toBeLessThan(0.05 * (Math.max(...EI) - base))
    const { skin } = built(withSpar(0.3, 30))
    const held = Array.from(skin.pressed).filter(value => value < 1e-9 * Math.max(...skin.pressed)).length
    expect(held).toBeGreaterThan(4)
  })
  it('counts on nothing of itself where a bore runs through it', () => {
    const stock = LIBRARIES.stock.find(item => item.id === 'tube-6x4')!
    const line = sparLines(
      loft,
      { ...DEMOS[0].spars[0], stock: stock.id, rootShare: 0.3, tipShare: 0.3, fixing: 'removable' },
      stock,
    )[0]
    const bored = stationSection(loft, 100, [line], 'none')
    const thickOf = (recipe: Recipe) =>
      buildStation(bored, recipe, pla).sparWalls.reduce((sum, item) => sum + item.thick, 0) / 6
    const hole = stock.widthMm + 2 * line.spar.clearanceMm
    const frame = bored.field.frame!,
      here = (bored.spars[0].x - frame.lead) / frame.chord
    const recipe = withSpar(here, 12),
      fill = Math.min(1, (1000 * beadOf(recipe, pla)) / beadSpacing(recipe))
    expect((1000 * thickOf(recipe)) / fill).toBeCloseTo(12 - hole, 3)
    expect(thickOf(withSpar(here, 0.9 * hole))).toBeCloseTo(0, 9)
  })
  it('gives way in shear where what flows through it tears it', () => {
    const recipe = withSpar(0.3, 0.4)
    const build = built(recipe)
    const load = { shear: 200, moment: 0, torque: 0, lag: 0 }
    const reserve = stationModes(station, build, recipe, load, 1)['web shear']!
    const most = Math.max(
      ...build.sparWalls.map(({ wall, thick }) => Math.abs(200 * build.shear.up[wall]) / thick),
    )
    expect(reserve).toBeCloseTo(build.material.shear / most, 9)
    // A web in the middle of an open section takes V/h: between skins that share it, less than that and more than a tenth.
    const alone = 200 / (0.12 * station.chord) / (0.0004 * 0.9)
    expect(most).toBeLessThan(alone)
    expect(most).toBeGreaterThan(0.1 * alone)
  })
})

describe('a denser nose and rear', () => {
  const dense = (walls: number, noseTo: number, rearFrom: number): Recipe => ({
    ...plain,
    denser: { walls, noseTo, rearFrom },
  })
  it('is as many beads thick there, and as thin as before between', () => {
    const { thickness, bead } = built(dense(2, 0.2, 0.8))
    const at = (share: number) => {
      const { field } = station
      const x = field.frame!.lead + share * field.frame!.chord
      let best = 0
      for (let e = 0; e < thickness.length; e++)
        if (Math.abs(field.midX[e] - x) < Math.abs(field.midX[best] - x)) best = e
      return thickness[best] / bead
    }
    expect(at(0.1)).toBeCloseTo(3, 6)
    expect(at(0.5)).toBeCloseTo(1, 6)
    expect(at(0.85)).toBeCloseTo(3, 6)
  })
  it('its thin middle is still a panel that can buckle and shear', () => {
    const { skin } = built(dense(2, 0.2, 0.8)),
      before = built(plain).skin
    const count = (whole: Uint8Array) => whole.reduce((sum, value) => sum + value, 0)
    expect(count(skin.whole)).toBeGreaterThan(0.8 * count(before.whole))
  })
  it('twists less: more of it never more', () => {
    const GJ = Array.from({ length: 61 }, (_, k) => built(dense(2, 0.01 * k, 1)).shear.GJ)
    for (let k = 1; k < GJ.length; k++) expect(GJ[k]).toBeGreaterThanOrEqual(GJ[k - 1])
  })
})

it('a wing of one bead is never weaker for either, and heavier by what they weigh', () => {
  const base = DEMOS[0],
    zone = base.zones.find(item => item.id === base.wing.panels[0].zone)!
  const doc = (change: Partial<Recipe>) => ({
    ...base,
    spars: [],
    zones: base.zones.map(item =>
      item.id === zone.id
        ? { ...zone, recipe: { ...zone.recipe, spiral: false, lattice: null, infillShare: 0.03, ...change } }
        : item,
    ),
  })
  const bare = assess(doc({})),
    spar = assess(doc({ printedSpar: { atShare: 0.3, widthMm: 6 } })),
    dense = assess(doc({ denser: { walls: 1, noseTo: 0.15, rearFrom: 0.7 } }))
  for (const more of [spar, dense]) {
    expect(more.strength.wing.reserve).toBeGreaterThan(bare.strength.wing.reserve)
    expect(more.totals.printedG).toBeGreaterThan(bare.totals.printedG)
    expect(more.totals.hours).toBeGreaterThan(bare.totals.hours)
  }
})

describe('a shell that outlives its spars', () => {
  it('counts for what it bears alone, as far as their ends hold; else the spars do', () => {
    const modes: Modes = { 'skin across layers': 5, 'spar bending': 2 }
    expect(decide(modes)).toEqual({ reserve: 2, mode: 'spar bending' })
    expect(decide({ ...modes, 'shell alone': 3 })).toEqual({ reserve: 3, mode: 'shell alone' })
    expect(decide({ ...modes, 'shell alone': 3, 'spar end': 2.5 })).toEqual({
      reserve: 2.5,
      mode: 'shell alone',
    })
    expect(decide({ ...modes, 'shell alone': 1 })).toEqual({ reserve: 2, mode: 'spar bending' })
  })
  it('a carbon tube that breaks before the filled petg round it leaves the reserve of the wing without it', () => {
    const stock = LIBRARIES.stock.find(item => item.id === 'tube-10x8')!,
      petg = LIBRARIES.filaments.find(item => item.id === 'petg')!
    const [line] = sparLines(loft, { ...DEMOS[0].spars[0], stock: stock.id }, stock)
    const filled: Recipe = { ...recipeById('solid', petg), stance: 'flat' }
    const load = { shear: 1, moment: 3, torque: 0, lag: 0 }
    const modesOf = (lines: SparLine[]) => {
      const own = stationSection(loft, 100, lines, 'none')
      return stationModes(own, buildStation(own, filled, petg), filled, load, 1)
    }
    const bare = decide(modesOf([])),
      tube = modesOf([line])
    // Carbon bears less strain than petg does along its beads.
    expect(tube['spar bending']!).toBeLessThan(bare.reserve)
    expect(tube['skin along the bead']!).toBeGreaterThan(bare.reserve)
    expect(decide(tube)).toEqual({ reserve: bare.reserve, mode: 'shell alone' })
  })
})
