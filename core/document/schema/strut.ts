/** Struts: what holds a wing besides its root. */
import { z } from 'zod'
import { figure, id, name } from './fields'
import { SurfaceName } from './spine'

const OnSurface = z.strictObject({
  on: SurfaceName,
  alongMm: z.number().min(0).max(3000).describe('from the root along the span, mm'),
  share: figure('share', 'place along the chord'),
})

const OnBody = z.strictObject({
  on: z.literal('body'),
  xMm: figure('positionMm', 'aft of the nose, mm'),
  yMm: z.number().min(0).max(1000).describe('to starboard, mm'),
  zMm: figure('positionMm', 'height, mm'),
})

export const StrutEnd = z.discriminatedUnion('on', [OnSurface, OnBody])

export const Strut = z.strictObject({
  id,
  name,
  stock: id,
  from: StrutEnd,
  to: StrutEnd,
  pair: z.boolean().describe('whether its mirror image is there, too'),
  fittingG: z.number().min(0).max(50).describe('what holds each end, g'),
})

export type StrutEnd = z.infer<typeof StrutEnd>

export type Strut = z.infer<typeof Strut>
