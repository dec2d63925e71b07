/** Landing gear. */
import { z } from 'zod'
import { figure, id, name } from './fields'

export const Coil = z.strictObject({
  wireMm: z.number().min(0.2).max(6.5).describe('diameter of the wire, mm'),
  coilMm: z.number().min(1).max(80).describe('diameter of the coil to the middle of the wire, mm'),
  turns: z.number().min(1).max(60).describe('turns that give; two more lie flat at the ends'),
  freeMm: z.number().min(2).max(400).describe('length with nothing on it, mm'),
})

export const PrintedWheel = z.strictObject({
  zone: id.describe('zone of the rim; of the whole wheel where it has no tyre'),
  tyre: id.nullable().describe('zone of the tyre that is stretched over the rim; null where it has none'),
  widthMm: z.number().min(3).max(120).describe('along the axle, mm'),
  thickMm: z.number().min(1).max(60).describe('of the tyre under its crown, mm'),
  axleMm: z.number().min(0.5).max(12).describe('diameter of the axle, mm'),
})

export const Leg = z.strictObject({
  id,
  name,
  kind: z
    .enum(['wire', 'printed', 'sprung'])
    .describe('wire: bends along its length; printed: a flat leg; sprung: a rigid leg on a spring'),
  xMm: figure('positionMm', 'mount, mm'),
  yMm: z.number().min(0).max(1500).describe('mount, mm from the plane of symmetry'),
  zMm: figure('positionMm', 'mount, mm'),
  dropMm: z.number().min(5).max(600).describe('how far the axle lies under the mount, mm'),
  splayMm: z.number().min(0).max(600).describe('how far the axle lies outboard of the mount, mm'),
  thicknessMm: z
    .number()
    .min(0.5)
    .max(40)
    .describe('diameter of the wire, or thickness of a printed leg, mm'),
  widthMm: z.number().min(0.5).max(120).describe('width of a printed leg, mm'),
  zone: id.describe('zone whose filament a printed leg and the mount are of'),
  springNmm: z.number().min(0.01).max(500).describe('rate of a sprung leg, N/mm'),
  travelMm: z.number().min(0.5).max(200).describe('travel of a sprung leg to its stop, mm'),
  coil: Coil.nullable().describe(
    'spring of a sprung leg as it is wound, in place of its rate; null where the rate is known',
  ),
  wheelMm: z.number().min(0).max(300).describe('diameter of the wheel, mm; 0 for a skid'),
  tyreMm: z.number().min(0).max(60).describe('how far the tyre can be squashed, mm'),
  wheelG: figure('massG', 'mass of wheel and axle, g; of axle and collars alone where the wheel is printed'),
  printedWheel: PrintedWheel.nullable().describe('the wheel as it is printed; null where it is bought'),
  pair: z.boolean().describe('a second one to port'),
  mount: z.strictObject({
    lengthMm: z.number().min(2).max(200).describe("bearing along the leg's plane, mm"),
    widthMm: z.number().min(1).max(200).describe('bearing across it, mm'),
    depthMm: z.number().min(0.5).max(60).describe('plastic round it, mm'),
  }),
})

export type Coil = z.infer<typeof Coil>

export type PrintedWheel = z.infer<typeof PrintedWheel>

export type Leg = z.infer<typeof Leg>
