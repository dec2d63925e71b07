/** Pictures laid under the drawn views, to draw over. */
import { z } from 'zod'
import { id } from './fields'

const place = z.number().min(-20000).max(20000)

export const Tracing = z.strictObject({
  view: z.enum(['plan', 'side', 'front']),
  photo: id.describe('the picture, kept in the browser, and beside the project in a zip'),
  rightMm: place.describe('its middle on the drawn view, to the right of the origin, mm'),
  downMm: place.describe('and below it, mm'),
  widthMm: z
    .number()
    .min(1)
    .max(50000)
    .describe('how wide the whole picture is at the scale of the aircraft'),
  turnDeg: z.number().min(-360).max(360).describe('turned clockwise about its middle'),
  strength: z.number().min(0.05).max(1).describe('1 as it is, less is fainter'),
})

export type Tracing = z.infer<typeof Tracing>
