/** What is bought and put in, and what is allowed for by shares. */
import { z } from 'zod'
import { figure, id, name } from './fields'
import { SurfaceName } from './spine'
import { ControllerSpec, FanSpec, MotorSpec, PropellerSpec } from './power'

export const Equipment = z.strictObject({
  id,
  name,
  kind: z.enum([
    'motor',
    'propeller',
    'speed-controller',
    'battery',
    'receiver',
    'servo',
    'payload',
    'gear',
    'sensor',
    'ballast',
    'hardware',
  ]),
  massG: figure('massG', 'mass of one, g'),
  spreadG: z.number().min(0).max(500).describe('one standard deviation, g'),
  xMm: figure('positionMm', 'its middle, mm'),
  yMm: figure('positionMm', 'its middle, mm'),
  zMm: figure('positionMm', 'its middle, mm'),
  sizeMm: z.tuple([figure('sizeMm', 'length'), figure('sizeMm', 'width'), figure('sizeMm', 'height')]),
  pair: z.boolean().describe('a second one to port'),
  bay: z
    .tuple([figure('positionMm', 'front'), figure('positionMm', 'rear')])
    .nullable()
    .describe('how far its ends may slide, mm'),
  drops: z.boolean().describe('payload that leaves in flight'),
  weighed: z.boolean().describe("mass from the maker's own scale"),
  pocket: z
    .strictObject({
      surface: SurfaceName,
      cableMm: z
        .number()
        .min(0)
        .max(20)
        .describe('diameter of the run for its lead to the root, mm; 0 for none'),
    })
    .nullable()
    .describe('a bay cut for it in a surface, open below'),
  battery: z
    .strictObject({
      cells: z.number().int().min(1).max(14),
      capacityMah: z.number().min(20).max(50000),
      resistanceOhm: z
        .number()
        .min(0)
        .max(5)
        .nullable()
        .describe('of the whole pack, Ω; null: as is usual for its size'),
      continuousC: z
        .number()
        .min(1)
        .max(300)
        .describe('current it bears all the time, as a multiple of its capacity an hour'),
    })
    .nullable()
    .describe('what a battery holds'),
  servo: z
    .strictObject({
      torqueNcm: z.number().min(0.1).max(2000).describe('torque at the voltage used, N·cm'),
      travelDeg: z.number().min(5).max(120).describe('travel each way, °'),
    })
    .nullable()
    .describe('what a servo can do'),
  motor: MotorSpec.nullable().describe('what a motor is'),
  controller: ControllerSpec.nullable().describe('what a speed controller bears'),
  propeller: PropellerSpec.nullable().describe('what a propeller is'),
  fan: FanSpec.nullable().describe('instead of a propeller: a fan in its duct'),
})

/** A part that neither holds, turns nor drives anything. */
export const NO_SPECS = {
  battery: null,
  servo: null,
  motor: null,
  controller: null,
  propeller: null,
  fan: null,
} as const satisfies Partial<z.infer<typeof Equipment>>

/** Cells that a pack is said to bear where nothing is written on it. */
export const USUAL_C = 20

const weighedPart = (what: string) =>
  z
    .number()
    .min(0)
    .max(5000)
    .nullable()
    .describe(
      `${what}, on the whole aircraft, g; null reckons it from the drawing, 0 says that there is none`,
    )

/** What everybody forgets to weigh. */
export const SmallParts = z.strictObject({
  hinges: weighedPart('hinges'),
  linkages: weighedPart('rods, horns and clevises'),
  screws: weighedPart('screws of servos and motor'),
  wingBolts: weighedPart('wing bolts and nuts'),
  closures: weighedPart('magnets and catches of hatches'),
  straps: weighedPart('straps and hook tape of batteries'),
  finish: weighedPart('markings, tape, paint or film'),
})

export const Allowances = z.strictObject({
  glueShare: z.number().min(0).max(0.3).describe('glue as a share of the printed mass'),
  wireShare: z
    .number()
    .min(0)
    .max(0.5)
    .describe('wires and plugs as a share of the electric equipment, battery left out'),
  flowSpreadShare: z
    .number()
    .min(0)
    .max(0.3)
    .describe('one standard deviation of printed mass from flow and filament'),
  smallParts: SmallParts,
})

export type Equipment = z.infer<typeof Equipment>

export type SmallParts = z.infer<typeof SmallParts>

/** None of them weighed yet. */
export const RECKONED: SmallParts = {
  hinges: null,
  linkages: null,
  screws: null,
  wingBolts: null,
  closures: null,
  straps: null,
  finish: null,
}

export type SmallPart = keyof SmallParts

export type Allowances = z.infer<typeof Allowances>
