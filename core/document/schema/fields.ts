/** The kinds of field that the project file is made of. */
import { z } from 'zod'
import { type LimitName, LIMITS } from '../limits'

export const figure = (limit: LimitName, what: string) => {
  const [low, high] = LIMITS[limit]
  return z.number().min(low).max(high).describe(what)
}

export const id = z
  .string()
  .min(1)
  .max(60)
  .regex(
    /^(?!\.{1,2}$)[A-Za-z0-9_.-]+$/,
    'letters, digits, dot, dash and underscore only, and not dots alone',
  )

export const name = z.string().min(1).max(200)

export const text = z.string().max(4000)

export const date = z.string().regex(/^\d{4}-\d{2}-\d{2}$/, 'a date as YYYY-MM-DD')

/** What a piece is known by: weighings, printers and checks hang on it, so it never changes hands. */
export const pieceNumber = z.number().int().min(1).max(9999)

/**
 * A list of so many at most. Its length is looked at before what is in it: a million faulty items are one
 * fault.
 */
export const list = <T extends z.ZodType>(item: T, max: number, min = 0) =>
  z.preprocess((value, context) => {
    if (!Array.isArray(value) || value.length <= max) return value
    context.addIssue({ code: 'custom', message: `${value.length} items; at most ${max}` })
    return z.NEVER
  }, z.array(item).min(min).max(max))
