/** Zones of the airframe and the recipe that each is printed by. */
import { z } from 'zod'
import { figure, id, name } from './fields'
import { Ribs } from './ribs'

export const Webs = z.strictObject({
  pitchMm: figure('pitchMm', 'distance of neighbouring lanes of webs along the chord, mm'),
  slitMm: figure('slitMm', 'width of the slit round which the bead runs out and back, mm'),
  overlapMm: figure(
    'overlapMm',
    'by how much the bead at the blind end of a web overlaps what it ends against, mm',
  ),
  leanDeg: figure('leanDeg', 'how far webs lean from upright along the chord, °'),
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
})

export type Webs = z.infer<typeof Webs>

export type Recipe = z.infer<typeof Recipe>

export type Zone = z.infer<typeof Zone>
