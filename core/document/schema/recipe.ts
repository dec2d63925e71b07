/** Zones of the airframe and the recipe that each is printed by. */
import { z } from 'zod'
import { figure, id, name } from './fields'
import { Ribs } from './ribs'
import { Sheet } from './sheet'

export const Webs = z.strictObject({
  pitchMm: figure('pitchMm', 'distance of neighbouring lanes of webs along the chord, mm'),
  slitMm: figure('slitMm', 'width of the slit round which the bead runs out and back, mm'),
  overlapMm: figure(
    'overlapMm',
    'by how much the bead at the blind end of a web overlaps what it ends against, mm',
  ),
  leanDeg: figure('leanDeg', 'how far webs lean from upright along the chord, °'),
})

/** More walls where a section is held or hit; the middle of the chord stays thin. */
export const Denser = z.strictObject({
  walls: z.number().int().min(1).max(6).describe('walls more than elsewhere'),
  noseTo: z.number().min(0).max(0.6).describe('from the leading edge to here, share of the chord'),
  rearFrom: z
    .number()
    .min(0.3)
    .max(1)
    .describe('from here to the trailing edge, share of the chord; what moves is a part of it'),
})

/** A stretch of the chord that is filled from skin to skin. */
export const PrintedSpar = z.strictObject({
  atShare: z.number().min(0.05).max(0.95).describe('its middle, share of the chord'),
  widthMm: z.number().min(0.4).max(60).describe('along the chord, mm'),
})

export const Recipe = z.strictObject({
  school: z.enum(['spiral-lattice', 'bead-infill', 'double-skin', 'beads', 'solid']),
  walls: z.number().int().min(1).max(8),
  beadWidthMm: figure('beadWidthMm', 'width of a bead, mm'),
  layerHeightMm: figure('layerHeightMm', 'layer height, mm'),
  beadForm: z
    .enum(['rounded', 'rectangular'])
    .describe(
      'how a bead is counted: with round sides, neighbours overlapping so that a layer is filled, as most slicing programs do; or as width × height side by side, an eighth more in a single wall',
    ),
  infillShare: figure('share', 'infill inside the innermost wall, share'),
  baseLayers: z.number().int().min(0).max(40),
  topLayers: z.number().int().min(0).max(40),
  flow: figure('flow', 'flow multiplier; about 1/expansion for foaming filament'),
  nozzleC: figure('nozzleC', 'nozzle temperature, °C'),
  spiral: z.boolean(),
  lattice: Webs.nullable(),
  skinGapMm: z
    .number()
    .min(0.5)
    .max(20)
    .nullable()
    .describe('double skin: distance between the middles of the two beads, mm'),
  denser: Denser.nullable().describe(
    'in wing and tail: more walls at the nose and at the rear than between; null where all of the chord has the same',
  ),
  printedSpar: PrintedSpar.nullable().describe(
    'in wing and tail: a spar that is printed with the skin, solid from the one to the other; null where there is none',
  ),
  brimMm: z.number().min(0).max(20).describe('width of a one-layer brim round the foot, mm'),
  stance: z
    .enum(['standing', 'flat'])
    .describe(
      'how pieces of a lifting surface lie on the bed: on their end, with layers across the span, or on their side, with layers along it',
    ),
  infillPattern: z
    .enum(['lines', 'grid', 'triangles'])
    .describe('lines: one way a layer, ±45° in turn; grid: both ways in every layer; triangles: three ways'),
})

export const Zone = z.strictObject({
  id,
  name,
  filament: id,
  recipe: Recipe,
  ribs: Ribs.nullable().describe(
    'in a wing or tail: printed ribs under a film, with bought edges and spars; null where it is printed as a shell',
  ),
  sheet: Sheet.nullable().describe(
    'in a wing or tail: cut from a sheet of foam, which counts before ribs; null where it is printed',
  ),
})

export type Webs = z.infer<typeof Webs>

export type Denser = z.infer<typeof Denser>

export type PrintedSpar = z.infer<typeof PrintedSpar>

export type Recipe = z.infer<typeof Recipe>

export type Zone = z.infer<typeof Zone>
