/** Bodies beside the main one: nacelles, pods and floats under the wing, or in its place. */
import { z } from 'zod'
import { Body, BodyStation, Opening } from './body'
import { cut } from './cuts'
import { figure, id, list, name, pieceNumber } from './fields'

/** Smaller than the main one: what a nacelle, a pod or a float needs. */
const PodBody = Body.extend({ stations: list(BodyStation, 12, 2), openings: list(Opening, 4) })

export const Pod = z.strictObject({
  id,
  name,
  piece: pieceNumber.describe('number that its pieces are called by; it stays with it'),
  xMm: figure('positionMm', 'its datum; places along it count from here, mm'),
  yMm: figure('positionMm', 'its middle, mm; of a pair the starboard one'),
  zMm: figure('positionMm', 'its axis; heights of its stations count from here, mm'),
  pair: z.boolean().describe('a second one to port, mirrored'),
  body: PodBody.describe('its shape, in its own places; a saddle is the seat of the wing above or below it'),
  duct: id.nullable().describe('the fan that turns in it: it is a tube then, open at both ends'),
  cuts: list(cut(-2000, 4000), 4).describe('in its own places'),
})

export type Pod = z.infer<typeof Pod>
