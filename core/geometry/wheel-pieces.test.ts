/** Printed wheels against the volumes of bodies of revolution. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { createCutter } from './cutter'
import { measureMesh } from './mesh'
import { polygonArea } from './polygon'
import {
  LEAST_RIM_MM,
  rimLeftMm,
  rimProfile,
  turnedVolume,
  TYRE_STRETCH,
  tyreProfile,
  wheelShapes,
  type WheelForm,
} from './wheel-pieces'

const WHEEL: WheelForm = { wheelMm: 60, widthMm: 18, axleMm: 3, thickMm: 9 }
const form: fc.Arbitrary<WheelForm> = fc.record({
  wheelMm: fc.double({ min: 8, max: 300, noNaN: true }),
  widthMm: fc.double({ min: 3, max: 120, noNaN: true }),
  axleMm: fc.double({ min: 0.5, max: 12, noNaN: true }),
  thickMm: fc.oneof(fc.constant(0), fc.double({ min: 1, max: 60, noNaN: true })),
})

describe('a printed wheel', () => {
  it('in one is a disc with a bore and broken edges: π (R² − b²) w less two rings of half a square millimetre', () => {
    // Edge of 1 mm; a ring's centroid lies a third of its side in from the rim (Pappus).
    const { rim } = wheelShapes({ ...WHEEL, thickMm: 0 })!
    const disc = Math.PI * (30 ** 2 - 1.65 ** 2) * 18,
      ring = 0.5 * 2 * Math.PI * (30 - 1 / 3)
    expect(measureMesh(rim.mesh).volume).toBeCloseTo(disc - 2 * ring, -1)
    expect(Math.abs(measureMesh(rim.mesh).volume / (disc - 2 * ring) - 1)).toBeLessThan(1e-5)
  })
  it('has in its middle the sections of rim and tyre, round and as large as circles', () => {
    const { rim, tyre } = wheelShapes(WHEEL)!
    const area = (mesh: typeof rim.mesh, z: number) =>
      createCutter(mesh)(z).reduce((sum, loop) => sum + polygonArea(loop).area, 0)
    expect(area(rim.mesh, 9)).toBeCloseTo(Math.PI * (21 ** 2 - 1.65 ** 2), 1)
    expect(area(tyre!.mesh, tyre!.height / 2)).toBeCloseTo(Math.PI * (30 ** 2 - (0.98 * 21) ** 2), 1)
    // The upper flange stands out by a third of the tyre, 1.5 mm at most.
    expect(area(rim.mesh, 17.5)).toBeCloseTo(Math.PI * (22.5 ** 2 - 1.65 ** 2), 1)
  })
  it('whatever its size: closed, of the volume that its profile turns, and its tyre lies on the seat between the flanges', () => {
    fc.assert(
      fc.property(form, own => {
        const shapes = wheelShapes(own)
        expect(shapes === null).toBe(rimLeftMm(own) < LEAST_RIM_MM)
        if (!shapes) return
        for (const [shape, profile] of [
          [shapes.rim, rimProfile(own)],
          ...(shapes.tyre ? [[shapes.tyre, tyreProfile(own)] as const] : []),
        ] as const) {
          expect(measureMesh(shape.mesh).openEdges).toBe(0)
          const volume = turnedVolume(profile)
          expect(volume).toBeGreaterThan(0)
          expect(Math.abs(measureMesh(shape.mesh).volume / volume - 1)).toBeLessThan(1e-4)
          expect(measureMesh(shape.mesh).min[2]).toBeCloseTo(0, 4)
        }
        if (!shapes.tyre) return
        const rim = rimProfile(own),
          tyre = tyreProfile(own)
        const seat = own.wheelMm / 2 - own.thickMm
        expect(Math.min(...tyre.map(([r]) => r))).toBeCloseTo(seat * (1 - TYRE_STRETCH), 9)
        expect(Math.max(...tyre.map(([r]) => r))).toBeCloseTo(own.wheelMm / 2, 9)
        // Between the flanges, both as wide as the seat where they meet it.
        expect(shapes.tyre.height).toBeLessThan(own.widthMm)
        const [, low] = rim[3],
          [, high] = rim[4]
        expect(tyre[0][1] - tyre[1][1]).toBeCloseTo(high - low, 9)
      }),
    )
  })
})
