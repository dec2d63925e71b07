/**
 * What drives it: figures of motors, controllers, propellers and fans, the flight that is planned, what a
 * stand measured.
 */
import { z } from 'zod'
import { date, list } from './fields'

export const MotorSpec = z.strictObject({
  rpmPerVolt: z.number().min(20).max(20000).describe('speed constant, rev/min for each volt'),
  resistanceOhm: z.number().min(0.0005).max(20).describe('between two leads, Ω'),
  noLoadA: z.number().min(0.01).max(30).describe('current without a load, A'),
  maxA: z.number().min(0.2).max(600).describe('current that it bears for half a minute, A'),
})

export const ControllerSpec = z.strictObject({
  limitA: z.number().min(0.5).max(600).describe('current that it bears all the time, A'),
  resistanceOhm: z.number().min(0).max(1).describe('fully open, Ω'),
})

export const PropellerSpec = z.strictObject({
  diameterMm: z.number().min(20).max(1500),
  pitchMm: z.number().min(5).max(1500).describe('advance of one turn without slip, mm'),
  blades: z.number().int().min(2).max(6),
  chord: z.enum(['narrow', 'medium', 'broad']).describe('how broad its blades are'),
  folding: z.boolean(),
  material: z.enum(['moulded', 'wood', 'carbon', 'printed']),
})

export const FanSpec = z.strictObject({
  diameterMm: z.number().min(15).max(300).describe('over the blades, mm'),
  hubMm: z.number().min(5).max(250),
  pitchMm: z.number().min(5).max(500).describe('advance of one turn at no pressure, mm'),
  exitShare: z.number().min(0.4).max(1.2).describe('outlet over the area between hub and blade tips'),
  ductMm: z.number().min(0).max(3000).describe('from intake to outlet, mm'),
})

/** What it does in a flight. */
export const FlightPart = z.strictObject({
  kind: z.enum(['launch', 'climb', 'cruise', 'aerobatics', 'idle']),
  seconds: z.number().min(1).max(20000),
  throttlePct: z
    .number()
    .min(0)
    .max(100)
    .nullable()
    .describe('null: as much as it takes to stay level at cruise speed; full in a launch or climb'),
})

export const StandPoint = z.strictObject({
  throttlePct: z.number().min(1).max(100),
  volts: z.number().min(0.5).max(80).describe("at the controller's leads, V"),
  amps: z.number().min(0).max(600).describe('from the battery, A'),
  rpm: z.number().min(0).max(100000).nullable().describe('rev/min'),
  thrustN: z.number().min(-5).max(1000).nullable(),
  used: z.boolean().describe('false: left out of the fit'),
})

/** What the stand taught, beside what was written of the parts. */
export const Learned = z.strictObject({
  date,
  rpmPerVolt: z.number().min(20).max(20000).describe('written on the motor that was on the stand'),
  diameterMm: z.number().min(20).max(1500).describe('of the propeller on it'),
  pitchMm: z.number().min(5).max(1500),
  kvShare: z.number().min(0.3).max(3).describe('speed constant found over that written'),
  resistanceShare: z.number().min(0.1).max(10).describe('resistance of motor, likewise'),
  noLoadShare: z.number().min(0.05).max(20).describe('current at no load, likewise'),
  thrustShare: z.number().min(0.2).max(3).describe('thrust found over that computed at the same turning'),
  torqueShare: z.number().min(0.2).max(3).describe('torque, likewise'),
})

export const Power = z.strictObject({
  plan: list(FlightPart, 12),
  reservePct: z.number().min(0).max(80).describe('charge that is left at the landing, %'),
  packC: z.number().min(-30).max(60).nullable().describe('of the cells as it starts, °C; null: as the air'),
  agePct: z.number().min(0).max(100).describe('wear of the pack: 0 new, 100 worn out'),
  downDeg: z.number().min(-20).max(20).describe('thrust line tilted down at the front, °'),
  stand: list(StandPoint, 200),
  learned: Learned.nullable(),
  bladesG: list(z.number().min(0.01).max(500), 6).describe('each blade on the scale, g'),
})

export type MotorSpec = z.infer<typeof MotorSpec>
export type ControllerSpec = z.infer<typeof ControllerSpec>
export type PropellerSpec = z.infer<typeof PropellerSpec>
export type FanSpec = z.infer<typeof FanSpec>
export type FlightPart = z.infer<typeof FlightPart>
export type StandPoint = z.infer<typeof StandPoint>
export type Learned = z.infer<typeof Learned>
export type Power = z.infer<typeof Power>
