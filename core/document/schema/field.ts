/**
 * At the field: today's air, packs and their lives, what is taken along, the pilot's own rules, what was
 * looked at when.
 */
import { z } from 'zod'
import { date, id, list, name, text } from './fields'

export const PackTest = z.strictObject({
  date,
  capacityMah: z.number().min(1).max(100000).nullable().describe('discharged from full to empty'),
  resistanceMohm: z.number().min(0.1).max(5000).nullable().describe('of the whole pack, mΩ'),
})

/** A pack of its own; flights name it. */
export const Pack = z.strictObject({
  id,
  name,
  cells: z.number().int().min(1).max(14),
  capacityMah: z.number().min(10).max(50000).describe('as written on it'),
  resistanceMohm: z.number().min(0.1).max(5000).nullable().describe('of the whole pack when new, mΩ'),
  cyclesBefore: z.number().int().min(0).max(5000).describe('charges before the first flight of this log'),
  tests: list(PackTest, 30),
  retired: z.boolean(),
})

/** The last time that somebody looked at something that works loose. */
export const Look = z.strictObject({
  item: id,
  date,
  flights: z.number().int().min(0).max(10000).describe('flights in the log by then'),
})

/** The design as it last flew: what it weighed, where it balanced, and each part by a short number of its content. */
export const Flown = z.strictObject({
  massG: z.number().min(0).max(40000),
  cgMm: z.number().min(-4000).max(8000),
  parts: z
    .record(z.string().max(80), z.string().max(16))
    .refine(parts => Object.keys(parts).length <= 400, 'at most 400 parts'),
})

export const Field = z.strictObject({
  date: date.nullable().describe('of what follows; the air of another day is no air of today'),
  airC: z.number().min(-40).max(60).nullable(),
  pressureHpa: z
    .number()
    .min(400)
    .max(1100)
    .nullable()
    .describe('at the place itself, not brought to sea level'),
  windMs: z.number().min(0).max(40).nullable(),
  gustMs: z.number().min(0).max(60).nullable(),
  pack: id.nullable().describe('that flies next'),
  chargePct: z.number().min(0).max(100).nullable().describe('of that pack as it starts'),
  packs: list(Pack, 30),
  packed: list(id, 200).describe('taken along, ticked'),
  rules: list(z.strictObject({ id, text }), 60).describe("the place's, the club's and the pilot's own"),
  looks: list(Look, 60),
  flown: Flown.nullable(),
  lookEvery: z.number().int().min(1).max(200).describe('flights between two looks at what works loose'),
})

export type PackTest = z.infer<typeof PackTest>
export type Pack = z.infer<typeof Pack>
export type Look = z.infer<typeof Look>
export type Flown = z.infer<typeof Flown>
export type Field = z.infer<typeof Field>
