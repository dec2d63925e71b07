/** The shrinking-ball inset against real offset curves, on shapes nobody chose. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DEMOS } from '../demo'
import { loftSurface, outlineAt } from '../geometry'
import { surface } from '../testing/arbitraries'
import { testKernel } from '../testing/kernel'
import { insetArea, insetField } from './inset-field'
import { wallBeads } from './lay'

const pairs = (outline: Float64Array): Array<[number, number]> =>
  Array.from({ length: outline.length / 2 }, (_, i) => [outline[2 * i], outline[2 * i + 1]])
const perimeter = (polygons: ReadonlyArray<ReadonlyArray<readonly number[]>>): number =>
  polygons.reduce(
    (sum, p) =>
      sum +
      p.reduce(
        (s, a, i) => s + Math.hypot(a[0] - p[(i + 1) % p.length][0], a[1] - p[(i + 1) % p.length][1]),
        0,
      ),
    0,
  )

describe('against offset curves of manifold-3d (Clipper2)', () => {
  it('area left inside depth d of random wing sections, within 1 % of the section', async () => {
    const kernel = await testKernel()
    fc.assert(
      fc.property(
        surface('a'),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0.2, max: 2.5, noNaN: true }),
        (s, t, d) => {
          const loft = loftSurface('wing', 'Wing', s, [], 0.9)
          const outline = outlineAt(loft, t * loft.span)
          const field = insetField([outline])
          const section = new kernel.CrossSection([pairs(outline)])
          const inner = section.offset(-d, 'Miter', 4)
          expect(Math.abs(insetArea(field, d) - inner.area()) / field.area).toBeLessThan(0.01)
          inner.delete()
          section.delete()
        },
      ),
      { numRuns: 60 },
    )
  })
  it('one wall of a wing section is as long as its offset at half a bead, where a bead fits on each side', async () => {
    const kernel = await testKernel()
    const w = 0.45
    for (const aerofoil of ['naca0009', 'naca4412', 'naca23112']) {
      // A trailing edge of three beads, so that every place takes the whole bead.
      const wing = {
        ...DEMOS[0].wing,
        rootAerofoil: aerofoil,
        panels: DEMOS[0].wing.panels.map(panel => ({ ...panel, tipAerofoil: aerofoil })),
      }
      const outline = outlineAt(loftSurface('wing', 'Wing', wing, [], 3 * w), 100)
      const section = new kernel.CrossSection([pairs(outline)])
      const wall = section.offset(-w / 2, 'Miter', 4)
      const own = wallBeads(insetField([outline]), 1, {
        beadWidthMm: w,
        layerHeightMm: w / 2,
        beadForm: 'rectangular',
      }).outer
      expect(Math.abs(own / perimeter(wall.toPolygons()) - 1), aerofoil).toBeLessThan(0.005)
      wall.delete()
      section.delete()
    }
  })
})
