/** Where the airframe is cut into pieces, and how the pieces meet. */
import { z } from 'zod'
import { list, pieceNumber } from './fields'

export const Joint = z.strictObject({
  kind: z
    .enum(['butt', 'lip', 'pins', 'tongue', 'bolts', 'plug'])
    .describe(
      'what aligns and holds the two pieces, glue apart; bolts and plug are not glued: a plugged wing comes apart, and the spars pushed in over the joint carry it alone',
    ),
  toleranceMm: z.number().min(0).max(1).describe('gap between the parts that plug into each other, mm'),
})

export const cut = (low: number, high: number) =>
  z.strictObject({
    atMm: z.number().min(low).max(high).describe('place along the span or the body, mm'),
    joint: Joint,
    piece: pieceNumber
      .min(2)
      .describe(
        'number of the piece beyond it; it stays with the piece, and 1 is the innermost or foremost one',
      ),
  })

export const Cuts = z.strictObject({
  wing: list(cut(0, 3000), 40),
  second: list(cut(0, 3000), 40),
  winglet: list(cut(0, 600), 8),
  horizontal: list(cut(0, 3000), 20),
  vertical: list(cut(0, 3000), 20),
  body: list(cut(-2000, 4000), 40),
})

export type Joint = z.infer<typeof Joint>

export type Cut = Cuts['wing'][number]

/** What is cut by places of its own; pods carry theirs. */
export type CutPart = keyof z.infer<typeof Cuts>

export type Cuts = z.infer<typeof Cuts>
