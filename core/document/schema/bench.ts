/** What stands on the bench: printers, spools and what was learned of them. */
import { z } from 'zod'
import { figure, id, name, date } from './fields'

export const Calibration = z.strictObject({
  filament: id,
  nozzleC: figure('nozzleC', 'nozzle temperature of the test piece, °C'),
  expansion: z.number().min(0.8).max(4).describe('solid density over foamed density'),
  date,
})

export const Printer = z.strictObject({
  id,
  name,
  bedMm: z.tuple([z.number().min(50).max(1000), z.number().min(50).max(1000), z.number().min(50).max(1500)]),
  wallSpeedMmS: z.number().min(5).max(600),
  infillSpeedMmS: z.number().min(5).max(600),
  travelSpeedMmS: z.number().min(20).max(1000),
  accelMmS2: z.number().min(100).max(50000),
  cornerMmS: z.number().min(0).max(50),
  flowMm3S: z.number().min(1).max(60),
  layerMinS: z.number().min(0).max(60),
  plateOverheadMin: z.number().min(0).max(60),
  retractMm: z.number().min(0).max(20),
  retractMmS: z.number().min(1).max(200),
  nozzleMaxC: z.number().min(180).max(500),
  enclosed: z.boolean(),
})

export const Spool = z.strictObject({
  id,
  filament: id,
  massG: figure('massG', 'filament left, g'),
  pricePerKg: z.number().min(0).max(1000),
})

export type Calibration = z.infer<typeof Calibration>

export type Printer = z.infer<typeof Printer>

export type Spool = z.infer<typeof Spool>
