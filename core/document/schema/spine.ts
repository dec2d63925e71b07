/** Spars. */
import { z } from 'zod'
import { figure, id, name } from './fields'

/** Which lifting surface of the document. */
export const SurfaceName = z.enum(['wing', 'second', 'winglet', 'horizontal', 'vertical'])

export const Spar = z.strictObject({
  id,
  name,
  stock: id,
  surface: SurfaceName,
  fromMm: z.number().min(0).max(3000).describe('inner end along the span from the root, mm'),
  toMm: z.number().min(0).max(3000).describe('outer end, mm'),
  rootShare: figure('share', 'place along the chord at its inner end'),
  tipShare: figure('share', 'place along the chord at its outer end'),
  clearanceMm: z.number().min(0).max(3).describe('gap between spar and bore, on the radius, mm'),
  through: z.boolean().describe('one piece through the middle, instead of one a side'),
  fixing: z
    .enum(['bonded', 'removable'])
    .describe('glued in along its length, or pushed into its bore, so that the wing comes off it'),
  lay: z
    .enum(['middle', 'caps'])
    .describe(
      "middle: at half the section's height; caps: one under the top skin and one over the bottom skin, with a printed web between",
    ),
  route: z
    .enum(['straight', 'bent'])
    .describe('straight from end to end, or bent to follow every break of the dihedral'),
})

export type Spar = z.infer<typeof Spar>

export type SurfaceName = z.infer<typeof SurfaceName>
