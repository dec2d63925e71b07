/** Sections: their shape, and polars that were measured. */
import { z } from 'zod'
import { id, list, name, text } from './fields'

export const Aerofoil = z.strictObject({
  id,
  name,
  points: list(z.tuple([z.number().min(-0.5).max(1.5), z.number().min(-1).max(1)]), 2000, 7).describe(
    'x, y of the outline as a share of the chord, from the trailing edge over the top to the nose and back',
  ),
})

export const aerofoilRef = z
  .string()
  .min(4)
  .max(60)
  .describe('naca0012-style name, or the id of an aerofoil of this file')

export const MeasuredPolar = z.strictObject({
  aerofoil: aerofoilRef,
  source: text.describe('where it was measured'),
  reynolds: z.number().min(1000).max(1e8),
  points: list(
    z.tuple([
      z.number().min(-90).max(90),
      z.number().min(-5).max(5),
      z.number().min(0).max(5),
      z.number().min(-3).max(3),
    ]),
    1000,
    3,
  ).describe('incidence °, cl, cd, cm about the quarter chord; incidence rising'),
})

export type Aerofoil = z.infer<typeof Aerofoil>

export type MeasuredPolar = z.infer<typeof MeasuredPolar>
