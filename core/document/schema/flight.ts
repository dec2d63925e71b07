/** What was flown, what it did, and what instruments aboard wrote down. */
import { z } from 'zod'
import { date, id, list, name, text } from './fields'

/** What a pilot tried: less (or to port, or down), as it should be, more (or to starboard, or up). */
export const FlightSign = z.strictObject({
  sign: z.enum(['dive', 'pitch', 'power', 'turn', 'slow', 'stall', 'climb', 'end']),
  value: z.union([z.literal(-1), z.literal(0), z.literal(1)]),
})

/** A column of a track holds so many figures at most: enough for a chart and for means. */
export const TRACK_SAMPLES = 240

const column = (low: number, high: number, what: string) =>
  list(z.number().min(low).max(high).nullable(), TRACK_SAMPLES).describe(what)

/** A recording, brought to equal steps of time; a column that it does not have is empty. */
export const Track = z.strictObject({
  flight: id.describe('that it was recorded in'),
  source: name.describe('name of the file'),
  stepS: z.number().min(0.01).max(600).describe('between two samples, s'),
  speedMs: column(0, 150, 'over the ground or through the air, m/s'),
  air: z.boolean().describe('speed is through the air'),
  heightM: column(-1000, 12000, 'over where it began, m'),
  eastM: column(-100000, 100000, 'from where it began, m'),
  northM: column(-100000, 100000, 'from where it began, m'),
  amps: column(-50, 1000, 'from the pack, A'),
  volts: column(0, 100, 'of the pack, V'),
})

export const Flight = z.strictObject({
  id,
  date,
  startedAt: z
    .string()
    .regex(/^\d{2}:\d{2}$/, 'a time as HH:MM')
    .nullable(),
  minutes: z.number().min(0).max(600),
  windMs: z.number().min(0).max(40),
  airC: z.number().min(-40).max(60).nullable(),
  pack: id.nullable().describe('one of field.packs'),
  elevatorTrimDeg: z.number().min(-30).max(30).nullable().describe('up positive; null: not noted, as below'),
  aileronTrimDeg: z.number().min(-30).max(30).nullable().describe('right positive'),
  usedMah: z.number().min(0).max(50000).nullable(),
  leftPct: z.number().min(0).max(100).nullable().describe('charge left in the pack, %'),
  motorC: z.number().min(-40).max(250).nullable().describe('its case after landing, °C'),
  glideRatio: z
    .number()
    .min(0.5)
    .max(100)
    .nullable()
    .describe('measured, motor off: metres on for a metre down'),
  landing: z.enum(['soft', 'firm', 'hard', 'crash']).nullable(),
  signs: list(FlightSign, 12).describe('what it did when it was tried'),
  behaviour: text,
  broke: text,
  next: text,
})

export type FlightSign = z.infer<typeof FlightSign>
export type Track = z.infer<typeof Track>
export type Flight = z.infer<typeof Flight>
