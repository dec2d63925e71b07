/** What stands on the bench: printers, spools and what was learned of them. */
import { z } from 'zod'
import { figure, id, name, date, text } from './fields'

export const Calibration = z.strictObject({
  filament: id,
  nozzleC: figure('nozzleC', 'nozzle temperature of the test piece, °C'),
  expansion: z.number().min(0.8).max(4).describe('solid density over foamed density'),
  date,
})

/** Hours of the day; to an hour before `fromH` means past midnight. */
export const DayHours = z.strictObject({
  fromH: z.number().min(0).max(24),
  toH: z.number().min(0).max(24),
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
  filamentMm: z.number().min(1).max(4).describe('diameter of the filament it takes, mm'),
  startText: text.describe('what it is told before the first layer; empty: what is shipped'),
  endText: text.describe('and after the last'),
  spool: id.nullable().describe('the spool that is on it now'),
  runs: DayHours.describe('when it may run; from 0 to 24 night and day'),
  tended: DayHours.describe('when somebody can change a plate'),
})

export const Spool = z.strictObject({
  id,
  name,
  filament: id,
  massG: figure('massG', 'filament left, g'),
  pricePerKg: z.number().min(0).max(1000),
})

export type DayHours = z.infer<typeof DayHours>

export type Calibration = z.infer<typeof Calibration>

export type Printer = z.infer<typeof Printer>

export type Spool = z.infer<typeof Spool>
