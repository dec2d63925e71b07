/** Layers that take long hold less: by hand, smoothly, and in the skin of a wing. */
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../assess'
import { DEMOS } from '../demo'
import { LIBRARIES } from '../libraries'
import { changed } from '../testing/changed'
import { layerBond, layerSeconds } from './layer-bond'
import { printedMaterial } from './printed-skin'

const [{ zones }] = DEMOS
const recipe = { ...zones[0].recipe, stance: 'standing' as const, walls: 2, skinGapMm: null }
const plain = { ...LIBRARIES.filaments.find(item => !item.expansion)!, acrossRange: 0.25, acrossShare: 0.5 }

describe('layers that take long', () => {
  it('two walls round 600 mm at 20 mm/s take a minute, four times what data sheets do', () => {
    expect(layerSeconds(600, recipe, 20)).toBe(60)
    // tanh 1 = 0.7616.
    expect(layerBond(60, plain)).toBeCloseTo(1 - 0.6 * 0.25 * 0.7616, 4)
    expect(layerBond(15, plain)).toBe(1)
    expect(layerBond(3, plain)).toBe(1)
  })
  it('the slower the weaker, without a step, and never by more than the range says', () => {
    let before = 1
    for (let s = 1; s < 3000; s *= 1.02) {
      const now = layerBond(s, plain)
      expect(now).toBeLessThanOrEqual(before)
      expect(before - now).toBeLessThan(0.004)
      before = now
    }
    expect(before).toBeGreaterThan(1 - 0.6 * 0.25)
  })
  it('costs tension and shear between layers, neither stiffness nor what lies along the bead', () => {
    const laid = { ...plain, laidMmS: 20 }
    const [quick, slow] = [printedMaterial(recipe, laid, 100), printedMaterial(recipe, laid, 600)]
    const share = layerBond(60, plain)
    expect(slow.tension / quick.tension).toBeCloseTo(share, 12)
    expect(slow.shear / quick.shear).toBeCloseTo(share, 12)
    expect([slow.modulus, slow.shearModulus, slow.compression]).toEqual([
      quick.modulus,
      quick.shearModulus,
      quick.compression,
    ])
    const flat = { ...recipe, stance: 'flat' as const }
    expect(printedMaterial(flat, laid, 600)).toEqual(printedMaterial(flat, laid, 100))
  })
  it('a second printer that is five times as slow may print it: a wing is torn across its layers sooner', () => {
    const torn = (slower: number) => {
      // The fastest says how the filament foams, and stays.
      const doc = changed(DEMOS[0], d => {
        d.spars = []
        const [first] = d.printers
        d.printers = [
          first,
          { ...first, id: 'second', name: 'Second', wallSpeedMmS: first.wallSpeedMmS / slower },
        ]
      })
      return Math.min(
        ...sharedAssessor()
          .assess(doc)
          .strength.stations.map(row => row.modes['skin across layers'] ?? Infinity),
      )
    }
    const [fast, slow] = [torn(1), torn(5)]
    expect(fast).toBeLessThan(1e4)
    expect(slow).toBeLessThan(0.99 * fast)
    expect(slow).toBeGreaterThan(0.8 * fast)
  })
})
