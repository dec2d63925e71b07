/** What was, is and will be printed: plates that were begun or set by hand, first pieces, checked machine files. */
import { z } from 'zod'
import { date, figure, id, list, text } from './fields'
import { Recipe } from './recipe'

const placeMm = z.number().min(0).max(1000)

export const PlatePiece = z.strictObject({
  piece: id,
  xMm: placeMm.describe('its lower left corner on the bed'),
  yMm: placeMm,
  turnDeg: z.number().min(-360).max(360),
})

export const FAULTS = [
  'lifted',
  'starved',
  'strung',
  'thin-edge',
  'bowed',
  'layer-shifted',
  'ran-out',
  'power',
] as const

const moment = z.string().regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/, 'a date and time as YYYY-MM-DDTHH:MM')

export const PlateRecord = z.strictObject({
  id,
  printer: id,
  pieces: list(PlatePiece, 40, 1),
  state: z.enum(['waiting', 'printing', 'done', 'failed']),
  notBefore: moment.nullable().describe('begins no earlier, where it was moved by hand'),
  begun: moment.nullable(),
  ended: moment.nullable(),
  spool: id.nullable().describe('the spool that it is printed from'),
  gramsOff: figure('massG', 'what it took off the spool; of a failed one as far as it got, g'),
  fault: z
    .strictObject({
      why: z.enum(FAULTS),
      share: figure('share', 'how far it got'),
      note: text,
    })
    .nullable(),
})

export const Acceptance = z.strictObject({
  piece: id,
  printer: id,
  filament: id,
  recipe: Recipe.describe('as it was printed; the same recipe in another zone is accepted with it'),
  date,
  byHand: z.boolean().describe('the rest was released although not everything was looked at'),
  note: text,
})

export const AsPrinted = z.strictObject({
  piece: id.describe('the piece without its side: what is printed on one side is printed so on the other'),
  filament: id,
  recipe: Recipe.describe('as it was printed; the zone may say otherwise by now'),
  date,
})

export const FileCheck = z.strictObject({
  piece: id,
  date,
  verdict: z.enum(['accepted', 'sent-back']),
  found: text.describe('what differed, in words'),
})

export type PlatePiece = z.infer<typeof PlatePiece>
export type PlateRecord = z.infer<typeof PlateRecord>
export type PrintFault = (typeof FAULTS)[number]
export type Acceptance = z.infer<typeof Acceptance>
export type AsPrinted = z.infer<typeof AsPrinted>
export type FileCheck = z.infer<typeof FileCheck>
