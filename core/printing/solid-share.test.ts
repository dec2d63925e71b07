/** What is open below or above a layer, against squares whose areas are known. */
import { expect, it } from 'vitest'
import { DEMOS } from '../demo'
import { wallsReach, type Recipe } from '../document'
import { insetField } from './inset-field'
import { recipeReach } from './lay'
import { createSolidShare } from './solid-share'

const recipe: Recipe = {
  ...DEMOS[0].zones[0].recipe,
  ...{ school: 'bead-infill', walls: 2, spiral: false, lattice: null, skinGapMm: null, infillShare: 0.1 },
  ...{ baseLayers: 1, topLayers: 0 },
}
const REACH = wallsReach(recipe)
const SIDE = 40
/** A square that grows by `step` to every side from layer to layer; every other one with a corner more where asked. */
const growing = (step: number, extra: boolean) => (k: number) => {
  const half = SIDE / 2 + step * k
  const corners = [half, -half, half, half, -half, half, -half, -half]
  if (extra && k % 2 === 1) corners.splice(2, 0, half, 0)
  return [Float64Array.from(corners)]
}
const share = (step: number, extra = false, change: Partial<Recipe> = {}) => {
  const section = growing(step, extra),
    own = { ...recipe, ...change }
  const at = createSolidShare(section, 20, own)
  return at(10, insetField(section(10), recipeReach(own)))
}
/** Of the inside of layer 10 what lies past layer 9, both squares. */
const reckoned = (step: number) => {
  const inside = SIDE + 20 * step - 2 * REACH,
    below = SIDE + 18 * step
  return Math.max(0, 1 - (below / inside) ** 2)
}

it('nothing is open where the wall is wider than the step, and past it what the squares leave over', () => {
  for (const step of [0, 0.3 * REACH, 0.95 * REACH]) expect(share(step)).toBe(0)
  for (const step of [1.5 * REACH, 2 * REACH, 4 * REACH]) {
    expect(reckoned(step)).toBeGreaterThan(0.01)
    // Lines across it count an edge to a hundredth of the side.
    expect(Math.abs(share(step) - reckoned(step))).toBeLessThan(0.012)
  }
})

it('corner by corner or line by line it is the same, and it begins where the wall ends', () => {
  for (const step of [0.5 * REACH, 0.98 * REACH, 1.02 * REACH, 3 * REACH])
    expect(share(step, true)).toBeCloseTo(share(step), 2)
  expect(share(1.02 * REACH)).toBeLessThan(0.01)
})

it('top layers look up: a square that grows is covered from above; spirals and bare recipes lay nothing solid', () => {
  expect(share(3 * REACH, false, { baseLayers: 0, topLayers: 2 })).toBe(0)
  expect(share(-2 * REACH, false, { baseLayers: 0, topLayers: 1 })).toBeGreaterThan(0.02)
  expect(share(-2 * REACH, false, { baseLayers: 1, topLayers: 0 })).toBe(0)
  expect(share(3 * REACH, false, { spiral: true })).toBe(0)
  expect(share(3 * REACH, false, { baseLayers: 0 })).toBe(0)
})
