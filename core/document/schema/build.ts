/** How it is built: which glue where, what is done, what was noted. */
import { z } from 'zod'
import { date, id, list, text } from './fields'

export const GlueId = z.enum(['ca-activator', 'ca-slow', 'epoxy-5', 'epoxy-slow', 'pen'])

/** Steps are named by what they do to which parts, so that a tick stays with its step when the order changes. */
const stepId = z.string().min(1).max(240)

const moment = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2})?$/, 'a date and time as YYYY-MM-DDTHH:MM or with seconds')

export const BuildTick = z.strictObject({
  step: stepId,
  state: z.enum(['done', 'skipped']),
  at: moment,
  tookMin: z
    .number()
    .min(0)
    .max(1440)
    .nullable()
    .describe('hands on, from opening the step to the tick; null where that says nothing'),
})

export const BuildNote = z.strictObject({
  id,
  about: stepId.describe('a step, or the id of a piece'),
  text,
  photos: list(id, 12).describe('pictures kept in the browser, and beside the project in a zip'),
  date,
})

export const Build = z.strictObject({
  glues: z.strictObject({
    joints: GlueId.describe('between pieces'),
    spars: GlueId.describe('spars, boom and mounts'),
    hinges: GlueId.describe('strip and pin hinges'),
  }),
  people: z.number().int().min(1).max(4).describe('how many work at it, each at a bench of their own'),
  ticks: list(BuildTick, 2000),
  notes: list(BuildNote, 400),
  had: list(z.string().min(1).max(120), 800).describe('pieces and bought parts that were counted'),
  timers: list(z.strictObject({ step: stepId, ends: moment.describe('when it rings') }), 60).describe(
    'what cures now',
  ),
})

export type GlueId = z.infer<typeof GlueId>
export type Build = z.infer<typeof Build>
export type BuildTick = z.infer<typeof BuildTick>
export type BuildNote = z.infer<typeof BuildNote>
