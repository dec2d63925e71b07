import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { LIBRARIES, recipeFor, type Filament } from '../libraries'
import { circle, polygonArea, polygonPerimeter, type Section } from '../geometry'
import { beadSection, beadSpacing, roundedBead, wallsReach, type Printer, type Recipe } from '../document'
import { beadFill, beadMassPerMm, relativeDensity } from './bead'
import { insetArea, insetField } from './inset-field'
import { layLayer, wallBeads } from './lay'
import { cappedSpeed, layerTime } from './layer-time'
import { layerRuns } from './layer-runs'
import { moveTime } from './motion'
import { assignPrinters } from './plates'
import { writeStl } from './stl'

const disc = (radius: number, count = 96): Section => [circle(0, 0, radius, false, count)]
const box = (w: number, h: number, per = 40): Section => {
  const points: number[] = []
  const side = (x0: number, y0: number, x1: number, y1: number) => {
    for (let i = 0; i < per; i++) points.push(x0 + ((x1 - x0) * i) / per, y0 + ((y1 - y0) * i) / per)
  }
  side(0, 0, w, 0)
  side(w, 0, w, h)
  side(w, h, 0, h)
  side(0, h, 0, 0)
  return [Float64Array.from(points)]
}
const school = (id: string): Recipe =>
  recipeFor(
    LIBRARIES.schools.find(s => s.id === id)!,
    LIBRARIES.filaments[0],
  )
/** Beads that lie side by side, a width apart. */
const square = (beadWidthMm: number) => ({
  beadWidthMm,
  layerHeightMm: beadWidthMm / 2,
  beadForm: 'rectangular' as const,
})
const filament = (id: string): Filament => LIBRARIES.filaments.find(f => f.id === id)!

describe('bead', () => {
  it('is a rectangle with round ends', () => {
    // 0.45 × 0.25: 0.2·0.25 + π·0.0625/4 = 0.05 + 0.0490874.
    expect(roundedBead(0.45, 0.25)).toBeCloseTo(0.0990874, 7)
    // A bead as wide as high is a circle.
    expect(roundedBead(0.3, 0.3)).toBeCloseTo((Math.PI * 0.09) / 4, 12)
  })
  it('foams at a given temperature to one full bead at flow 1/X', () => {
    const foam = filament('pla-foam')
    const recipe = recipeFor(LIBRARIES.schools[0], foam)
    expect(beadFill(recipe, foam)).toBeGreaterThan(0.98)
    expect(beadFill(recipe, foam)).toBeLessThan(1.02)
    // Mass follows flow, not temperature: half the flow, half the mass.
    expect(beadMassPerMm({ ...recipe, flow: recipe.flow / 2 }, foam)).toBeCloseTo(
      beadMassPerMm(recipe, foam) / 2,
      15,
    )
    expect(relativeDensity(recipe, foam)).toBeCloseTo(recipe.flow, 2)
  })
})

describe('inset field against closed forms', () => {
  it('walls of a circle run at (i − ½)w: 2π(r − (i − ½)w)', () => {
    const field = insetField(disc(20))
    const { outer, inner } = wallBeads(field, 3, square(0.5))
    expect(outer / (2 * Math.PI * 19.75)).toBeCloseTo(1, 3)
    expect(inner / (2 * Math.PI * (19.25 + 18.75))).toBeCloseTo(1, 3)
  })
  it('area inside depth d of a rectangle is (a − 2d)(b − 2d), and nothing is left past its middle', () => {
    const field = insetField(box(60, 24))
    for (const d of [0.5, 3, 8]) expect(insetArea(field, d) / ((60 - 2 * d) * (24 - 2 * d))).toBeCloseTo(1, 2)
    expect(insetArea(field, 1000) / (60 * 24)).toBeLessThan(0.01)
  })
  it('bore adds 2π(r + w/2) to a disc, and takes its area away', () => {
    const slice: Section = [circle(0, 0, 20, false, 120), circle(3, 0, 4, true, 60)]
    const field = insetField(slice)
    expect(field.area / (Math.PI * (400 - 16))).toBeCloseTo(1, 4)
    expect(wallBeads(field, 1, square(0.6)).outer / (2 * Math.PI * (19.7 + 4.3))).toBeCloseTo(1, 3)
  })
  it('a thin wedge gets one bead where two do not fit, and none where none does', () => {
    // Wedge 100 long, 4 high at its base: two beads of 0.8 fit where the height is over 1.6, one from there
    // to 0.4.
    const points: number[] = []
    for (let i = 0; i < 400; i++) points.push((100 * i) / 400, 2 * (1 - i / 400) * -1)
    points.push(100, 0)
    for (let i = 400; i > 0; i--) points.push((100 * (i - 1)) / 400, 2 * (1 - (i - 1) / 400))
    for (let i = 1; i < 16; i++) points.push(0, 2 - (4 * i) / 16)
    const field = insetField([Float64Array.from(points)])
    const { outer } = wallBeads(field, 1, square(0.8))
    // Along the sides: full both sides for heights 4…1.6 (60 long), shared from 1.6 to 0.4 (30 long); the
    // base closes it.
    const expected = 2 * 60 + 30 + (4 - 0.8)
    expect(Math.abs(outer / expected - 1)).toBeLessThan(0.02)
  })
  it('inset lengths and areas agree: A(d) falls by the length at d', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 60, noNaN: true }),
        fc.double({ min: 0.35, max: 1, noNaN: true }),
        (a, ratio) => {
          const ellipse = Float64Array.from(
            Array.from({ length: 160 }, (_, i) => (2 * Math.PI * i) / 160).flatMap(t => [
              a * Math.cos(t),
              a * ratio * Math.sin(t),
            ]),
          )
          const field = insetField([ellipse])
          // Inside the least radius of curvature b²/a the offset of an ellipse is smooth: A(d) = A − P·d +
          // π·d² (Steiner).
          const d = 0.7 * a * ratio * ratio
          const steiner = polygonArea(ellipse).area - polygonPerimeter(ellipse) * d + Math.PI * d * d
          expect(insetArea(field, d) / steiner).toBeCloseTo(1, 2)
        },
      ),
    )
  })
})

describe('recipes', () => {
  it('solid plastic fills its volume, whichever way a bead is counted', () => {
    const field = insetField(disc(20))
    for (const beadForm of ['rounded', 'rectangular'] as const)
      for (const walls of [1, 2, 4]) {
        const recipe: Recipe = { ...school('solid'), walls, beadForm, beadWidthMm: 0.5 }
        const layer = layLayer(field, recipe)
        const volume = (layer.outerWall + layer.innerWall + layer.infill) * beadSection(recipe)
        // Round sides leave half of an overlap, h(1 − π/4)/2, open round the outline.
        const open =
          beadForm === 'rounded' ? 2 * Math.PI * 20 * 0.5 * recipe.layerHeightMm * (1 - Math.PI / 4) : 0
        expect(volume / (field.area * recipe.layerHeightMm - open * recipe.layerHeightMm)).toBeCloseTo(1, 3)
      }
  })
  it('what a wall weighs differs by w·h over the rounded section between the two, what is inside by nothing', () => {
    const field = insetField(disc(20))
    const volumes = (['rounded', 'rectangular'] as const).map(beadForm => {
      const recipe: Recipe = { ...school('bead-infill'), beadForm, infillShare: 0.2 }
      const layer = layLayer(field, recipe)
      return [layer.outerWall, layer.infill].map(length => length * beadSection(recipe))
    })
    expect(volumes[1][0] / volumes[0][0]).toBeCloseTo((0.45 * 0.25) / roundedBead(0.45, 0.25), 9)
    expect(volumes[1][1] / volumes[0][1]).toBeCloseTo(1, 2)
  })
  it('infill of share f has length f·area/s inside the innermost wall', () => {
    const recipe: Recipe = { ...school('bead-infill'), walls: 2, beadWidthMm: 0.5, infillShare: 0.1 }
    const layer = layLayer(insetField(disc(20)), recipe)
    const radius = 20 - wallsReach(recipe)
    expect(layer.infill / ((0.1 * Math.PI * radius ** 2) / beadSpacing(recipe))).toBeCloseTo(1, 2)
  })
  it('a double skin has two beads a set distance apart and infill between them alone', () => {
    const gap = 2.5,
      w = 0.5,
      f = 0.1
    const recipe: Recipe = { ...school('double-skin'), beadWidthMm: w, skinGapMm: gap, infillShare: f }
    const layer = layLayer(insetField(disc(20)), recipe)
    expect(layer.innerWall / (2 * Math.PI * (20 - w / 2 - gap))).toBeCloseTo(1, 2)
    const between = Math.PI * ((20 - wallsReach(recipe)) ** 2 - (20 - gap) ** 2)
    expect(layer.infill / ((f * between) / beadSpacing(recipe))).toBeCloseTo(1, 1)
  })
})

describe('time', () => {
  it('a run under acceleration: trapezoid and triangle in closed form', () => {
    // From rest to 50 mm/s at 1000 mm/s²: 0.05 s and 1.25 mm each end.
    expect(moveTime(100, 0, 0, 50, 1000)).toBeCloseTo(0.1 + 97.5 / 50, 10)
    expect(moveTime(1, 0, 0, 50, 1000)).toBeCloseTo(2 * Math.sqrt(1 / 1000), 10)
    expect(moveTime(0, 5, 5, 50, 1000)).toBe(0)
  })
  it('a layer of one square wall: four runs from rest, a corner speed of v/√2 at each right angle, and the way to the next loop', () => {
    const printer = {
      wallSpeedMmS: 50,
      infillSpeedMmS: 50,
      travelSpeedMmS: 200,
      accelMmS2: 1000,
      cornerMmS: 10,
      flowMm3S: 100,
      layerMinS: 0,
      retractMm: 1,
      retractMmS: 40,
    } as Printer
    const recipe = { ...school('beads'), walls: 1, beadWidthMm: 0.5 }
    const square = (x: number): Section => [Float64Array.of(x, 0, x + 30, 0, x + 30, 30, x, 30)]
    const seconds = (section: Section) => {
      const field = insetField(section),
        layer = layLayer(field, recipe)
      return layerTime(layerRuns(field, layer, recipe, 0, 0), recipe, filament('pla'), printer)
    }
    const side = 29.5,
      v = 10 / Math.SQRT2,
      one =
        moveTime(side, 0, v, 50, 1000) + 2 * moveTime(side, v, v, 50, 1000) + moveTime(side, v, 0, 50, 1000)
    expect(seconds(square(0)).seconds).toBeCloseTo(one, 6)
    // Two squares: the bead ends where it began, filament is pulled back and pushed again at rest, and the
    // hop is 100 mm; as far back to where the next layer begins.
    const two = seconds([...square(0), ...square(100)])
    expect(two.travelMm).toBeCloseTo(200, 6)
    expect(two.seconds).toBeCloseTo(
      2 * one + 4 * moveTime(1, 0, 0, 40, 1000) + 2 * moveTime(100, 0, 0, 200, 1000),
      6,
    )
  })
  it('is continuous where the triangle becomes a trapezoid, and never slower with more acceleration', () => {
    expect(moveTime(2.5 + 1e-9, 0, 0, 50, 1000)).toBeCloseTo(moveTime(2.5 - 1e-9, 0, 0, 50, 1000), 6)
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 200, noNaN: true }),
        fc.double({ min: 200, max: 5000, noNaN: true }),
        (length, accel) => {
          expect(moveTime(length, 8, 8, 60, accel * 1.5)).toBeLessThanOrEqual(
            moveTime(length, 8, 8, 60, accel) + 1e-12,
          )
        },
      ),
    )
  })
  it('melting caps the speed at flow over bead section', () => {
    const printer = { flowMm3S: 4 } as Printer
    expect(cappedSpeed(200, school('beads'), filament('pla'), printer)).toBeCloseTo(
      4 / roundedBead(0.45, 0.25),
      6,
    )
  })
})

describe('plates', () => {
  const printers = [{ id: 'a' }, { id: 'b' }] as Printer[]
  const job = (piece: string, seconds: number, only?: string, wanted?: string) => ({
    piece,
    secondsOn: new Map((only ? [only] : ['a', 'b']).map(id => [id, seconds])),
    wanted,
  })
  it('hands out longest first, keeps wishes, and leaves out what nobody can print', () => {
    const { printerOf, busy } = assignPrinters(
      [
        job('x', 3),
        job('y', 5),
        job('z', 4, undefined, 'a'),
        { piece: 'huge', secondsOn: new Map(), wanted: 'a' },
      ],
      printers,
    )
    expect(printerOf.get('z')).toBe('a')
    expect(printerOf.has('huge')).toBe(false)
    expect(busy.get('a')! + busy.get('b')!).toBe(12)
    expect(Math.max(...busy.values())).toBe(7)
  })
  it('stays within 4/3 of the best finish on two equal printers (Graham 1969), by brute force', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 50 }), { minLength: 1, maxLength: 9 }), times => {
        const { busy } = assignPrinters(
          times.map((t, i) => job(String(i), t)),
          printers,
        )
        let best = Infinity
        for (let set = 0; set < 1 << times.length; set++) {
          const a = times.reduce((sum, t, i) => sum + (set & (1 << i) ? t : 0), 0)
          best = Math.min(best, Math.max(a, times.reduce((x, y) => x + y, 0) - a))
        }
        expect(Math.max(...busy.values())).toBeLessThanOrEqual((4 / 3) * best + 1e-9)
      }),
    )
  })
})

it('binary STL: count, outward normal and corners of a triangle in millimetres', () => {
  const bytes = writeStl(
    { positions: Float32Array.of(0, 0, 0, 10, 0, 0, 0, 10, 0), triangles: Uint32Array.of(0, 1, 2) },
    'test',
  )
  const view = new DataView(bytes.buffer)
  expect(bytes.length).toBe(134)
  expect(view.getUint32(80, true)).toBe(1)
  expect([84, 88, 92].map(at => view.getFloat32(at, true))).toEqual([0, 0, 1])
  expect(view.getFloat32(84 + 12 + 12, true)).toBe(10)
})
