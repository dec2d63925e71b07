/** Parts that came as files. */
import { z } from 'zod'
import { figure, id, name } from './fields'
import { SurfaceName } from './spine'

export const Given = z.strictObject({
  id,
  name,
  zone: id,
  mesh: z
    .string()
    .max(6_000_000)
    .describe('the part itself: triangles in hundredths of a millimetre, deflated, base64'),
  standsFor: z
    .enum(['nothing', ...SurfaceName.options, 'body'])
    .describe('a designed part that given pieces replace'),
  lies: z
    .enum(['span', 'length', 'fin'])
    .describe('where its build axis points in the aircraft: to starboard, aft, or up'),
  xMm: figure('positionMm', 'middle of its box, mm'),
  yMm: figure('positionMm', 'middle of its box, mm'),
  zMm: figure('positionMm', 'middle of its box, mm'),
  turnDeg: z.number().min(-360).max(360).describe('turn about its build axis, °'),
  pair: z.boolean().describe('a mirrored one to port'),
})

export type Given = z.infer<typeof Given>
