/** A way for air through the main body, its walls printed in one with it. */
import { z } from 'zod'
import { figure, id, list } from './fields'

export const DuctStation = z.strictObject({
  xMm: figure('positionMm', 'place, mm'),
  yMm: z
    .number()
    .min(0)
    .max(2000)
    .describe('its middle from the plane of symmetry; the other side is its mirror, mm'),
  zMm: figure('positionMm', 'height of its middle, mm'),
  widthMm: figure('bodySizeMm', 'free width, mm'),
  heightMm: figure('bodySizeMm', 'free height, mm'),
  squareness: z.number().min(0).max(1).describe('0 an ellipse, 1 nearly a rectangle'),
})

export const Duct = z.strictObject({
  fan: id.describe('the fan that turns in it'),
  stations: list(DuctStation, 12, 2).describe('from the intake to the outlet'),
})

export type DuctStation = z.infer<typeof DuctStation>
export type Duct = z.infer<typeof Duct>
