/** What broke, how it is mended, and what the next mark should change. */
import { z } from 'zod'
import { date, figure, id, text } from './fields'

export const BREAKS = ['crack', 'crushed', 'torn', 'gone', 'delaminated'] as const
export const WAYS = ['new-piece', 'rest', 'glue', 'splint', 'stronger', 'new-part', 'sleeve'] as const

export const Damage = z.strictObject({
  id,
  date,
  piece: id.describe('a printed piece, a spar, the boom, a leg, hinges, the motor mount (firewall)'),
  atMm: figure('positionMm', 'along it, as its piece counts, mm'),
  how: z.enum(BREAKS),
  flight: id.nullable().describe('in which it broke'),
  way: z.enum(WAYS).nullable().describe('chosen to mend it; null while it is not'),
  state: z.enum(['open', 'chosen', 'mended']),
  jointMm: figure('positionMm', 'where the mend is joined, along its surface')
    .nullable()
    .describe('null: no joint of its own'),
  massG: z.number().min(-2000).max(2000).describe('that the mend adds at its place, g'),
  placeMm: z.tuple([figure('positionMm', 'x'), figure('positionMm', 'y'), figure('positionMm', 'z')]),
  hours: figure('hoursOff', 'that the mend takes of a printer, h'),
  printG: figure('massG', 'that it prints, g'),
  cost: z.number().min(0).max(100000),
  wasG: figure('massG', 'what the copy that broke had weighed, g').nullable(),
  note: text,
})

/** A wish for the next mark: in words, and where the core knows how, as a change that it can try. */
export const Wish = z.strictObject({
  id,
  date,
  text,
  from: z.enum(['flight', 'damage', 'finding', 'diagnosis', 'own']),
  act: z.string().max(120).nullable().describe('name of the change that is tried; null: in words alone'),
  state: z.enum(['open', 'taken', 'dropped']),
})

export type Damage = z.infer<typeof Damage>
export type Way = (typeof WAYS)[number]
export type Break = Damage['how']
export type Wish = z.infer<typeof Wish>
