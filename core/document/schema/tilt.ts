/** Motors that turn up: for a short start, a hover, or a slow landing. */
import { z } from 'zod'
import { figure, id, list } from './fields'

export const Tilt = z.strictObject({
  items: list(id, 16, 1).describe('equipment that turns: motors, propellers and what sits on them'),
  spar: id.nullable().describe('the spar that turns and carries them; null: a shaft of their own'),
  xMm: figure('positionMm', 'place of that shaft, mm'),
  zMm: figure('positionMm', 'its height, mm'),
  upDeg: z.number().min(5).max(120).describe('turned up at most from where they are drawn, °'),
  servo: id.nullable().describe('what turns them'),
  gear: z.number().min(0.1).max(10).describe('turns of the axis for one of the servo'),
})

export type Tilt = z.infer<typeof Tilt>
