/** What was tested, weighed, checked and measured. */
import { z } from 'zod'
import { figure, id, text, date } from './fields'

export const Proof = z.strictObject({
  id,
  kind: z
    .enum(['trestles', 'root', 'twist', 'drop'])
    .describe(
      'trestles: held up under both wings and loaded in the middle; root: held at the root and loaded outboard; twist: turned at a place; drop: let fall on its wheels or belly',
    ),
  massG: figure('massG', 'mass that was hung on, g; of a drop the mass that fell'),
  atMm: z
    .number()
    .min(0)
    .max(3000)
    .describe('trestle, load or grip, from the root along the span; height of a drop, mm'),
  armMm: z.number().min(0).max(2000).describe('lever of a twisting mass, mm; 0 otherwise'),
  measured: z
    .number()
    .min(0)
    .max(5000)
    .nullable()
    .describe('deflection or travel in mm, twist in °; null until it is measured'),
  date,
  note: text,
})

export const WeighIn = z.strictObject({
  piece: id,
  massG: figure('massG', 'what the scale said, g'),
  predictedG: figure(
    'massG',
    'what it should have weighed as designed then, g; a piece redesigned since counts as not weighed',
  ),
  date,
  note: text,
})

export const Check = z.strictObject({ item: id, date })

export const Measured = z.strictObject({
  massG: figure('massG', 'ready to fly without payload, g').nullable(),
  cgMm: figure('positionMm', 'balance point aft of the nose without payload, mm').nullable(),
  thrustG: figure('massG', 'static thrust on the stand, g').nullable(),
  dragShare: z
    .number()
    .min(0.5)
    .max(3)
    .nullable()
    .describe('drag without lift, found in flight over what is computed'),
  scales: z
    .strictObject({
      foreMm: figure('positionMm', 'front support, mm'),
      foreG: figure('massG', 'reading of the scale under it, g'),
      aftMm: figure('positionMm', 'rear support, mm'),
      aftG: figure('massG', 'reading of the scale under it, g'),
    })
    .nullable()
    .describe('without payload, level, on two scales'),
})

export type Proof = z.infer<typeof Proof>

export type WeighIn = z.infer<typeof WeighIn>

export type Measured = z.infer<typeof Measured>
