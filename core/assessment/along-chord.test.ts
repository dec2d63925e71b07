/** Whole aircraft that are denser at nose and rear and have a printed spar: studied, swept, split, on their side. */
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../assess'
import { DEMOS } from '../demo'
import type { ProjectFile, Recipe } from '../document'
import { LIBRARIES, recipeById } from '../libraries'
import { createStudyKernel, readVary, study } from '../study/combinations'
import { DEEP } from '../testing/runs'
import { sweep, sweptPaths } from '../testing/sweeps'

const foam = LIBRARIES.filaments.find(item => item.id === 'pla-foam')!
const recipe: Recipe = {
  ...recipeById('bead-infill', foam),
  denser: { walls: 1, noseTo: 0.15, rearFrom: 0.7 },
  printedSpar: { atShare: 0.4, widthMm: 5 },
}
const made = (own: Partial<Recipe>): ProjectFile => ({
  ...DEMOS[0],
  weighIns: [],
  zones: DEMOS[0].zones.map(zone =>
    zone.id === 'wing-inner' || zone.id === 'wing-outer' ? { ...zone, recipe: { ...recipe, ...own } } : zone,
  ),
})
const doc = made({})
const assessor = sharedAssessor()

it.runIf(DEEP)('a study of it tells what an assessment of each of its points does', async () => {
  const vary = readVary({
    zones: { 'wing-inner': [{}, { filament: 'pla' }, { school: 'beads' }] },
    spars: { 'main-spar': ['tube-8x6', 'tube-10x8'] },
  })
  const { checked } = await study(createStudyKernel(), doc, vary, () => true)
  expect(checked.points).toBeGreaterThan(0)
  expect(checked.worst).toBeLessThan(1e-3)
})

describe('how it changes', () => {
  it.runIf(DEEP)(
    'no figure along its chord makes a verdict jump',
    () => {
      const paths = sweptPaths(doc).filter(path => /\.(denser|printedSpar)\./.test(path))
      expect(paths.length).toBe(8)
      const found = paths.flatMap(path => sweep(next => assessor.assess(next), doc, path, 200))
      expect(found.map(({ path, wing, from, to, at }) => `${path} at ${at}: ${wing} ${from} ${to}`)).toEqual(
        [],
      )
    },
    1_800_000,
  )
  it('more of either is never weaker, softer in twist, lighter or quicker', () => {
    const never = (list: ReadonlyArray<Partial<Recipe>>) => {
      const all = list.map(more => assessor.assess(made(more)))
      all.slice(1).forEach((now, i) => {
        const before = all[i]
        expect(now.strength.wing.reserve).toBeGreaterThanOrEqual(before.strength.wing.reserve - 1e-6)
        expect(now.strength.stations[0].GJ).toBeGreaterThanOrEqual(before.strength.stations[0].GJ)
        expect(now.totals.printedG).toBeGreaterThan(before.totals.printedG)
        expect(now.totals.hours).toBeGreaterThan(before.totals.hours)
      })
    }
    never([{ denser: null }, {}, ...(DEEP ? [{ denser: { ...recipe.denser!, walls: 2 } }] : [])])
    never([
      { denser: { walls: 1, noseTo: 0.1, rearFrom: 0.8 } },
      {},
      { denser: { walls: 1, noseTo: 0.3, rearFrom: 0.5 } },
    ])
    never((DEEP ? [2, 5, 9] : [2, 9]).map(widthMm => ({ printedSpar: { atShare: 0.4, widthMm } })))
  })
  it('the nose moves the balance forward, the rear aft', () => {
    const at = (denser: Recipe['denser']) => assessor.assess(made({ denser })).totals.cgMm[0]
    const even = at(null)
    expect(at({ walls: 1, noseTo: 0.15, rearFrom: 1 })).toBeLessThan(even)
    expect(at({ walls: 1, noseTo: 0, rearFrom: 0.7 })).toBeGreaterThan(even)
  })
})
