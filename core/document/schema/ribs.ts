/** A zone of a wing or tail that is built of ribs under a film, instead of printed as a shell. */
import { z } from 'zod'
import { figure, id } from './fields'

export const Ribs = z.strictObject({
  pitchMm: figure('ribPitchMm', 'greatest distance from one rib to the next, mm'),
  thicknessMm: figure('ribThicknessMm', 'thickness of a rib along the span, mm'),
  rimMm: figure(
    'rimMm',
    'width of what is left of a rib round its holes: along the skin, beside bores, between holes, mm',
  ),
  film: id.describe('what it is covered with'),
})

export type Ribs = z.infer<typeof Ribs>
