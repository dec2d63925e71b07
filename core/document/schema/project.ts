/**
 * The project file, version 5: what the maker wrote, in mm, g and °.
 * Axes: x aft from the nose datum, y to starboard, z up. Everything derived is computed by `assess`.
 */
import { z } from 'zod'
import { Aerofoil, MeasuredPolar } from './aerofoil'
import { Printer, Spool, Calibration } from './bench'
import { Body, Boom } from './body'
import { Brief } from './brief'
import { Cuts } from './cuts'
import { Equipment, Allowances } from './equipment'
import { Leg } from './gear'
import { Given } from './given'
import { Proof, WeighIn, Measured, Check, Flight } from './log'
import { Zone } from './recipe'
import { Spar } from './spine'
import { Surface, Tail, WingSet } from './surface'
import { id, name, text } from './fields'
export const ProjectFile = z.strictObject({
  format: z.literal('mariposa-project'),
  version: z.literal(5),
  id,
  name,
  purpose: text,
  brief: Brief,
  aerofoils: z.array(Aerofoil).max(20),
  wing: Surface,
  tail: Tail,
  body: Body.nullable(),
  boom: Boom.nullable(),
  zones: z.array(Zone).min(1).max(16),
  spars: z.array(Spar).max(24),
  cuts: Cuts,
  equipment: z.array(Equipment).max(80),
  allowances: Allowances,
  printers: z.array(Printer).min(1).max(12),
  spools: z.array(Spool).max(40),
  printerOf: z.record(id, id).describe('which printer a piece is given to'),
  gear: z.array(Leg).max(6),
  proofs: z.array(Proof).max(60),
  given: z.array(Given).max(60),
  wingSets: z.array(WingSet).max(8).describe('other wings for the same body'),
  polars: z.array(MeasuredPolar).max(60),
  calibrations: z.array(Calibration).max(200),
  weighIns: z.array(WeighIn).max(400),
  measured: Measured,
  checks: z.array(Check).max(200),
  flights: z.array(Flight).max(500),
})
export type ProjectFile = z.infer<typeof ProjectFile>
