/** Body and boom. */
import { z } from 'zod'
import { figure, id, list, name } from './fields'

export const BodyStation = z.strictObject({
  xMm: figure('positionMm', 'place, mm'),
  widthMm: figure('bodySizeMm', 'width, mm'),
  heightMm: figure('bodySizeMm', 'height, mm'),
  zMm: figure('positionMm', 'height of its middle, mm'),
  squareness: z.number().min(0).max(1).describe('0 an ellipse, 1 nearly a rectangle'),
  zone: id.describe('zone from here to the next station'),
})

export const Firewall = z.strictObject({
  thicknessMm: z.number().min(0.5).max(40),
  bolts: z.number().int().min(0).max(8),
  boltCircleMm: z.number().min(2).max(200).describe('diameter of the circle of bolts, mm'),
  boltMm: z.number().min(1).max(10).describe('diameter of a bolt hole, mm'),
  shaftMm: z.number().min(0).max(60).describe('diameter of the hole in the middle, mm; 0 for none'),
})

export const Opening = z.strictObject({
  id,
  name,
  side: z.enum(['top', 'bottom', 'starboard', 'port']),
  fromMm: figure('positionMm', 'front edge, mm'),
  toMm: figure('positionMm', 'rear edge, mm'),
  widthMm: figure('bodySizeMm', 'width, mm'),
})

export const Saddle = z.strictObject({
  clearanceMm: z.number().min(0).max(5).describe('gap between wing and body, mm'),
  bolts: z.number().int().min(0).max(4).describe('bolts that hold the wing'),
  boltMm: z.number().min(1.5).max(12).describe('nominal diameter of those bolts, mm'),
})

export const Body = z.strictObject({
  stations: list(BodyStation, 40, 2),
  firewall: Firewall.nullable().describe('closed front end'),
  openings: list(Opening, 12),
  saddle: Saddle.nullable().describe("the wing's seat, cut out of the body"),
})

export const Boom = z.strictObject({
  stock: id,
  fromMm: figure('positionMm', 'front end, mm'),
  toMm: figure('positionMm', 'rear end, mm'),
  zMm: figure('positionMm', 'height, mm'),
  yMm: z.number().min(0).max(2000).describe('0: one in the middle; else a pair, each so far from it, mm'),
  socketMm: z
    .number()
    .min(0)
    .max(300)
    .describe('length of the ribbed collar that holds it at the rear of the body, mm'),
})

export type Firewall = z.infer<typeof Firewall>

export type Opening = z.infer<typeof Opening>

export type Saddle = z.infer<typeof Saddle>

export type BodyStation = z.infer<typeof BodyStation>

export type Body = z.infer<typeof Body>

export type Boom = z.infer<typeof Boom>
