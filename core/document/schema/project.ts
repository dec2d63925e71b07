/**
 * The project file, version 20: what the maker wrote, in mm, g and °.
 * Axes: x aft from the nose datum, y to starboard, z up. Everything derived is computed by `assess`.
 */
import { z } from 'zod'
import { Aerofoil, MeasuredPolar } from './aerofoil'
import { Printer, Spool, Calibration } from './bench'
import { Body, Boom } from './body'
import { Brief } from './brief'
import { Build } from './build'
import { Cuts } from './cuts'
import { Duct } from './duct'
import { Equipment, Allowances } from './equipment'
import { Leg } from './gear'
import { Given } from './given'
import { Field } from './field'
import { Flight, Track } from './flight'
import { Proof, WeighIn, Measured, Check } from './log'
import { Damage, Wish } from './mending'
import { Pod } from './pod'
import { Power } from './power'
import { Acceptance, AsPrinted, FileCheck, PlateRecord } from './print-room'
import { Zone } from './recipe'
import { Spar } from './spine'
import { Strut } from './strut'
import { Surface, Tail, WingSet } from './surface'
import { Tilt } from './tilt'
import { Tracing } from './tracing'
import { Winglet } from './winglet'
import { id, list, name, text } from './fields'
export const ProjectFile = z.strictObject({
  format: z.literal('mariposa-project'),
  version: z.literal(20),
  id,
  name,
  purpose: text,
  brief: Brief,
  aerofoils: list(Aerofoil, 20),
  wing: Surface,
  second: Surface.nullable().describe('another wing: over or under the first, ahead of it or behind'),
  tail: Tail,
  body: Body.nullable(),
  boom: Boom.nullable(),
  pods: list(Pod, 4).describe('bodies beside the main one: nacelles, pods, floats'),
  duct: Duct.nullable().describe('a way for air through the body, from its intake to the outlet'),
  zones: list(Zone, 16, 1),
  spars: list(Spar, 24),
  winglets: Winglet.nullable().describe("at the first wing's tips, on both sides"),
  struts: list(Strut, 16).describe('between wings, tails and body'),
  cuts: Cuts,
  equipment: list(Equipment, 80),
  allowances: Allowances,
  printers: list(Printer, 12, 1),
  spools: list(Spool, 40),
  printerOf: z
    .record(id, id)
    .refine(of => Object.keys(of).length <= 600, 'at most 600 pieces')
    .describe('which printer a piece is given to'),
  plates: list(PlateRecord, 400).describe(
    'begun, finished, failed or set by hand; the rest is laid out anew',
  ),
  accepted: list(Acceptance, 200).describe('first pieces of a filament, recipe and printer that were good'),
  asPrinted: list(AsPrinted, 400).describe('pieces that stay as they were printed whatever their zone says'),
  fileChecks: list(FileCheck, 400).describe('machine files that were held against their piece'),
  build: Build.describe('how it is put together, and how far that is'),
  power: Power.describe('how it is driven and flown'),
  tilt: Tilt.nullable().describe('motors that turn up'),
  gear: list(Leg, 6),
  proofs: list(Proof, 60),
  given: list(Given, 60),
  wingSets: list(WingSet, 8).describe('other wings for the same body'),
  polars: list(MeasuredPolar, 60),
  calibrations: list(Calibration, 200),
  weighIns: list(WeighIn, 400),
  measured: Measured,
  checks: list(Check, 200),
  flights: list(Flight, 500),
  tracks: list(Track, 16).describe('recordings of flights'),
  field: Field.describe('air, packs and lists of the day'),
  damages: list(Damage, 300).describe('what broke, and how it is mended'),
  wishes: list(Wish, 200).describe('for the next mark'),
  tracings: list(Tracing, 3).describe('pictures to draw over, one a view'),
})
export type ProjectFile = z.infer<typeof ProjectFile>
