/** Of very many lines some are timed for all: as long, and as smooth, as if every one had been. */
import { describe, expect, it } from 'vitest'
import { DEMOS } from '../demo'
import { LIBRARIES } from '../libraries'
import { divideSection } from './divide-edges'
import { insetField } from './inset-field'
import { layLayer } from './lay'
import { layerRuns } from './layer-runs'
import { layerMoves, movesTime } from './layer-time'
import { writePlate } from './machine-file'

const [{ printers, zones }] = DEMOS
const recipe = {
  ...zones[0].recipe,
  walls: 1,
  beadWidthMm: 0.4,
  infillShare: 1,
  infillPattern: 'lines' as const,
  spiral: false,
  skinGapMm: null,
  lattice: null,
}
const filament = LIBRARIES.filaments.find(item => item.id === zones[0].filament)!
const printer = { ...printers[0], layerMinS: 0 }

/** An ellipse laid solid, or between two skins. */
function layer(widthMm: number, most: number, skinGapMm: number | null = null) {
  const of = { ...recipe, skinGapMm }
  const outline = Float64Array.from({ length: 240 }, (_, i) => {
    const turn = (2 * Math.PI * Math.floor(i / 2)) / 120
    return i % 2 === 0 ? (widthMm / 2) * Math.cos(turn) : (widthMm / 5) * Math.sin(turn)
  })
  const field = insetField(divideSection([outline], 2.5))
  const moves = layerMoves(layerRuns(field, layLayer(field, of), of, 0, 0, null, 0, most), of)
  return { moves, seconds: movesTime(moves, of, filament, printer) }
}

describe('lines that stand for several', () => {
  it('take as long as all of them: within half a percent, from a tenth of them, turns and all', () => {
    for (const widthMm of [120, 260, 500]) {
      const all = layer(widthMm, Infinity)
      const lines = all.moves.what.filter(what => what === 1).length
      const some = layer(widthMm, lines / 10)
      expect(some.moves.what.length).toBeLessThan(0.5 * all.moves.what.length)
      expect(Math.abs(some.seconds / all.seconds - 1)).toBeLessThan(0.005)
      expect(Math.abs(some.moves.travelMm / all.moves.travelMm - 1)).toBeLessThan(0.03)
    }
  })
  it('travel across the hollow of a double skin as wide as it is', () => {
    for (const widthMm of [120, 500]) {
      const all = layer(widthMm, Infinity, 5)
      const lines = all.moves.what.filter(what => what === 1).length / 2
      const some = layer(widthMm, lines / 8, 5)
      expect(Math.abs(some.seconds / all.seconds - 1)).toBeLessThan(0.01)
      expect(Math.abs(some.moves.travelMm / all.moves.travelMm - 1)).toBeLessThan(0.03)
    }
  })
  it('change over smoothly, where one line more would be too many', () => {
    let before = layer(60, 120).seconds
    for (let widthMm = 60.5; widthMm < 130; widthMm += 0.5) {
      const { seconds } = layer(widthMm, 120)
      // Area grows by about 1.7 to 0.8 % a step.
      expect(seconds / before).toBeGreaterThan(1)
      expect(seconds / before).toBeLessThan(1.03)
      before = seconds
    }
  })
})

it('two halves are filled as fast joined by a thread of a micron as apart', () => {
  // Two blocks of 20 by 40, 42 mm from each other; the thread runs along their feet.
  const apart = [-1, 1].map(side => {
    const [near, far] = side > 0 ? [21, 41] : [-41, -21]
    return Float64Array.of(near, 0, far, 0, far, 40, near, 40)
  })
  const joined = [Float64Array.of(-41, 0, 41, 0, 41, 40, 21, 40, 21, 1e-3, -21, 1e-3, -21, 40, -41, 40)]
  const [one, two] = [joined, apart].map(section => {
    const field = insetField(divideSection(section, 5))
    const moves = layerMoves(layerRuns(field, layLayer(field, recipe), recipe, 0, 0), recipe)
    return {
      lines: moves.what.filter(what => what === 1).length,
      seconds: movesTime(moves, recipe, filament, printer),
    }
  })
  expect(Math.abs(one.lines / two.lines - 1)).toBeLessThan(0.02)
  expect(Math.abs(one.seconds / two.seconds - 1)).toBeLessThan(0.02)
})

it('a machine file has every line of a layer, however wide: what it lays fills it', () => {
  // A square of 900 mm, solid, in beads of 0.2 mm: some 6 400 lines at 45°.
  const outline = Float64Array.from([0, 0, 900, 0, 900, 900, 0, 900])
  const wide = {
    ...recipe,
    beadWidthMm: 0.2,
    layerHeightMm: 0.1,
    flow: 1,
    brimMm: 0,
    baseLayers: 0,
    topLayers: 0,
  }
  const part = {
    mark: 'T',
    name: 'Table',
    recipe: { ...wide, beadForm: 'rectangular' as const },
    heightMm: 0.1,
    turn: 0,
    at: () => ({ section: [outline], slits: [], frame: null }),
  }
  const big = { ...printer, bedMm: [1000, 1000, 100] as [number, number, number] }
  const pen = writePlate({ parts: [part], printer: big, filament }, 50)
  let step = pen.next()
  while (!step.done) step = pen.next()
  const laidMm3 = step.value.filamentMm * Math.PI * (big.filamentMm / 2) ** 2
  expect(laidMm3 / (900 * 900 * 0.1)).toBeCloseTo(1, 2)
})
