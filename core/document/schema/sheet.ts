/** A zone of a wing or tail that is cut from a sheet of foam, instead of printed. */
import { z } from 'zod'
import { figure, id } from './fields'

export const Sheet = z.strictObject({
  foam: id.describe('what it is cut from'),
  thicknessMm: figure('sheetMm', 'thickness of the sheet, mm'),
  make: z
    .enum(['flat', 'folded'])
    .describe(
      'flat: the sheet itself is the section, its edges rounded; folded: one sheet round the nose, glued along the rear, hollow over its spar',
    ),
})

export type Sheet = z.infer<typeof Sheet>
