/** What was tested, weighed, checked, measured and flown. */
import { z } from 'zod'
import { figure, id, list, text, date } from './fields'

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
  windMs: z.number().min(0).max(40).nullable(),
  thrustG: figure('massG', 'static thrust on the stand, g').nullable(),
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

/** What a pilot tried: less (or to port, or down), as it should be, more (or to starboard, or up). */
export const FlightSign = z.strictObject({
  sign: z.enum(['dive', 'pitch', 'power', 'turn', 'slow', 'stall', 'climb', 'end']),
  value: z.union([z.literal(-1), z.literal(0), z.literal(1)]),
})

export const Flight = z.strictObject({
  id,
  date,
  minutes: z.number().min(0).max(600),
  windMs: z.number().min(0).max(40),
  elevatorTrimDeg: z.number().min(-30).max(30).nullable().describe('up positive; null: not noted, as below'),
  aileronTrimDeg: z.number().min(-30).max(30).nullable().describe('right positive'),
  usedMah: z.number().min(0).max(50000).nullable(),
  motorC: z.number().min(-40).max(250).nullable().describe('its case after landing, °C'),
  glideRatio: z
    .number()
    .min(0.5)
    .max(100)
    .nullable()
    .describe('measured, motor off: metres on for a metre down'),
  signs: list(FlightSign, 12).describe('what it did when it was tried'),
  behaviour: text,
  broke: text,
  next: text,
})

export type Proof = z.infer<typeof Proof>

export type WeighIn = z.infer<typeof WeighIn>

export type Measured = z.infer<typeof Measured>

export type Flight = z.infer<typeof Flight>
