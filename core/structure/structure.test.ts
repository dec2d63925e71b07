import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { LIBRARIES, stockArea, stockInertia, stockInertiaAcross, stockTorsion } from '../libraries'
import { solveBeam } from './beam'
import { skinBucklingStress } from './skin-buckling'
import { lineAt, shearAndMoment } from './span-loads'

const EI = 20
const cantilever = {
  length: 1.2,
  support: 'cantilever' as const,
  stations: [{ x: 0, EI }],
  loads: [],
  distributed: [],
}
const simple = { ...cantilever, support: 'simple' as const }

describe('beams in closed form, within 0.1 %', () => {
  it('cantilever: PL³/3EI, wL⁴/8EI, and a load part-way Pa²(3L − a)/6EI', () => {
    const tip = solveBeam({ ...cantilever, loads: [{ x: 1.2, force: 10 }] })
    expect(tip.tipDeflection).toBeCloseTo((10 * 1.2 ** 3) / (3 * EI), 6)
    expect(tip.maxMoment).toBeCloseTo(12, 9)
    expect(tip.maxShear).toBeCloseTo(10, 9)
    expect(tip.reactions).toEqual({ force: [10], moment: [12] })
    const spread = solveBeam({
      ...cantilever,
      distributed: [
        { x: 0, load: 15 },
        { x: 1.2, load: 15 },
      ],
    })
    expect(spread.tipDeflection / ((15 * 1.2 ** 4) / (8 * EI))).toBeCloseTo(1, 5)
    expect(spread.maxMoment).toBeCloseTo((15 * 1.2 ** 2) / 2, 9)
    const part = solveBeam({ ...cantilever, loads: [{ x: 0.5, force: 10 }] })
    expect(part.tipDeflection / ((10 * 0.25 * (3.6 - 0.5)) / (6 * EI))).toBeCloseTo(1, 5)
  })
  it('cantilever under a triangle heaviest at the root: wL⁴/30EI', () => {
    const { tipDeflection, maxMoment } = solveBeam({
      ...cantilever,
      distributed: [
        { x: 0, load: 30 },
        { x: 1.2, load: 0 },
      ],
    })
    expect(tipDeflection / ((30 * 1.2 ** 4) / (30 * EI))).toBeCloseTo(1, 4)
    expect(maxMoment).toBeCloseTo((30 * 1.2 ** 2) / 6, 9)
  })
  it('simple beam: PL³/48EI at mid-span, 5wL⁴/384EI, Pab/L and uneven reactions', () => {
    const mid = solveBeam({ ...simple, loads: [{ x: 0.6, force: 10 }] })
    expect(mid.maxDeflection / ((10 * 1.2 ** 3) / (48 * EI))).toBeCloseTo(1, 5)
    expect(mid.reactions.force).toEqual([5, 5])
    const spread = solveBeam({
      ...simple,
      distributed: [
        { x: 0, load: 15 },
        { x: 1.2, load: 15 },
      ],
    })
    expect(spread.maxDeflection / ((5 * 15 * 1.2 ** 4) / (384 * EI))).toBeCloseTo(1, 5)
    const off = solveBeam({ ...simple, loads: [{ x: 0.3, force: 8 }] })
    expect(off.maxMoment).toBeCloseTo((8 * 0.3 * 0.9) / 1.2, 9)
    expect(off.reactions.force[0]).toBeCloseTo(6, 9)
    expect(off.maxShear).toBeCloseTo(6, 9)
  })
  it('a cantilever of two stiffnesses: moments of the curvature diagram', () => {
    // Root half EI, outer half EI/4: δ = P/EI·[∫ half of (L−x)² + 4·∫ other half].
    const L = 1,
      P = 5
    const stations = [
      { x: 0, EI },
      { x: 0.5, EI },
      { x: 0.5 + 1e-9, EI: EI / 4 },
      { x: 1, EI: EI / 4 },
    ]
    const { tipDeflection } = solveBeam({ ...cantilever, length: L, stations, loads: [{ x: L, force: P }] })
    expect(tipDeflection / ((P / EI) * ((1 - 0.125) / 3 + (4 * 0.125) / 3))).toBeCloseTo(1, 4)
  })
  it('loads superpose', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 1.2, noNaN: true }),
        fc.double({ min: -20, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 30, noNaN: true }),
        (x, force, load) => {
          const distributed = [
            { x: 0, load },
            { x: 1.2, load: load / 2 },
          ]
          const a = solveBeam({ ...cantilever, loads: [{ x, force }] }).tipDeflection,
            b = solveBeam({ ...cantilever, distributed }).tipDeflection
          expect(solveBeam({ ...cantilever, loads: [{ x, force }], distributed }).tipDeflection).toBeCloseTo(
            a + b,
            9,
          )
        },
      ),
    )
  })
})

describe('span loads', () => {
  it('an elliptic lift of half wing L has its centre at 4/3π of the half span', () => {
    const n = 400,
      b = 0.6,
      L = 10
    const net = Array.from({ length: n + 1 }, (_, i) => ({
      s: (b * i) / n,
      value: ((4 * L) / (Math.PI * b)) * Math.sqrt(Math.max(0, 1 - (i / n) ** 2)),
    }))
    const [root] = shearAndMoment(net, [], [0])
    expect(root.shear / L).toBeCloseTo(1, 3)
    expect(root.moment / ((L * 4 * b) / (3 * Math.PI))).toBeCloseTo(1, 3)
  })
  it('shear is the slope of the moment, and a point load steps it', () => {
    const net = [
      { s: 0, value: 30 },
      { s: 0.6, value: 5 },
    ]
    const rows = shearAndMoment(net, [{ s: 0.4, force: -3 }], [0.2, 0.2 + 1e-6, 0.399, 0.401])
    expect((rows[0].moment - rows[1].moment) / 1e-6).toBeCloseTo(rows[0].shear, 3)
    expect(rows[3].shear - rows[2].shear).toBeCloseTo(3 - 0.002 * lineAt(net, 0.4), 4)
  })
})

it('stock: area, inertia and torsion of a tube and a strip in closed form', () => {
  const stock = LIBRARIES.stock.find(item => item.id === 'tube-10x8')!
  expect(stockInertia(stock)).toBeCloseTo((Math.PI / 64) * (0.01 ** 4 - 0.008 ** 4), 15)
  expect(stockTorsion(stock)).toBeCloseTo((Math.PI / 32) * (0.01 ** 4 - 0.008 ** 4), 15)
  const strip = LIBRARIES.stock.find(item => item.id === 'strip-1x10')!
  expect(stockInertia(strip)).toBeCloseTo((0.001 * 0.01 ** 3) / 12, 15)
  expect(stockInertiaAcross(strip)).toBeCloseTo((0.01 * 0.001 ** 3) / 12, 15)
  // Saint-Venant, b/a = 10: 0.312·a³b (Timoshenko & Goodier, table of rectangular bars).
  expect(stockTorsion(strip) / (0.312 * 0.001 ** 3 * 0.01)).toBeCloseTo(1, 2)
  expect(stockArea(strip)).toBeCloseTo(1e-5, 12)
})

it('skin buckling: flat plate 4π²E/12(1−ν²)(t/b)² when the radius is endless; thicker, closer held or rounder is stronger', () => {
  const flat = skinBucklingStress(1e9, 0.001, 0.05, 1e9)
  expect(flat / (((4 * Math.PI ** 2 * 1e9) / (12 * (1 - 0.35 ** 2))) * 0.0004)).toBeCloseTo(1, 6)
  expect(skinBucklingStress(1e9, 0.002, 0.05, 0.3)).toBeGreaterThan(skinBucklingStress(1e9, 0.001, 0.05, 0.3))
  expect(skinBucklingStress(1e9, 0.001, 0.04, 0.3)).toBeGreaterThan(skinBucklingStress(1e9, 0.001, 0.05, 0.3))
  expect(skinBucklingStress(1e9, 0.001, 0.05, 0.2)).toBeGreaterThan(skinBucklingStress(1e9, 0.001, 0.05, 0.3))
})
