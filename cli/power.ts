import { z } from 'zod'
import { createAssessor, ordinarySection } from '../core/assess'
import { DocumentError, parseJson, readProject } from '../core/document'
import { bladesOf, propellerMap, running, usualResistance, type Running } from '../core/power'
import { written } from '../core/units'
import { powerReport, type Limit } from '../core/workshop/power'
import type { Arguments } from './answer'
import { LIMITS, parseInput } from './parse'

const RPM = 60 / (2 * Math.PI)
const VISCOSITY = 1.789e-5

/** A project's drive, or one of a handful of figures. */
export function powerVerb({ read }: Arguments): unknown {
  const text = read()
  const raw = text.length > LIMITS.bytes ? { format: '' } : parseJson(text, 'an input', LIMITS)
  return typeof raw === 'object' && raw !== null && 'format' in raw ? project(text) : figures(text)
}

function project(text: string): unknown {
  const doc = readProject(text)
  const assessor = createAssessor()
  const report = powerReport(doc, assessor.assess(doc), assessor.flown(doc).pitch(true))
  const { figures: own } = report
  if (!own)
    throw new DocumentError(
      'equipment',
      report.none ? 'no motor and no propeller' : `lacks ${report.missing.map(written).join('; ')}`,
    )
  const { static: rest, plan } = own
  return {
    static: {
      thrustN: rest.thrustN,
      currentA: rest.currentA,
      voltageV: rest.voltageV,
      powerW: rest.powerW,
      rpm: rest.rpm,
      motorEfficiency: rest.motorEfficiency,
      toWeight: rest.toWeight,
    },
    bySpeed: own.bySpeed,
    levelMaxMs: own.levelMaxMs,
    climbMs: own.climb?.ms ?? null,
    climbAtMs: own.climb?.atMs ?? null,
    cruise: own.cruise,
    minutes: plan.canMinutes,
    planMinutes: plan.minutes,
    leftPct: plan.leftPct,
    parts: plan.parts.map(({ heat: _, ...part }) => part),
    heat: own.heat,
    thrustLine: { underMm: own.line.underMm, elevatorDeg: own.line.elevatorDeg },
    limits: own.limits.map(limitRow),
    absurd: report.absurd.map(written),
    assumed: report.assumed.map(written),
  }
}

const limitRow = ({ id, what, value, limit, unit, side, ok }: Limit) => ({
  id,
  what: written(what),
  value,
  limit,
  unit,
  side,
  ok,
})

const Input = z.object({
  motor: z.object({
    kvRpmV: z.number().min(1).max(1e5),
    resistanceOhm: z.number().min(0).max(100),
    noLoadA: z.number().min(0).max(1000),
  }),
  controllerOhm: z.number().min(0).max(10).default(0),
  battery: z.object({
    cells: z.number().int().min(1).max(100),
    capacityMah: z.number().min(1).max(1e6),
    resistanceOhm: z.number().min(0).max(100).nullable().optional(),
  }),
  propeller: z.object({
    diameterM: z.number().min(0.01).max(10),
    pitchM: z.number().min(0.001).max(10),
    blades: z.number().int().min(2).max(12).default(2),
  }),
  motors: z.number().int().min(1).max(16).default(1),
  left: z.number().min(0).max(1).default(0.95),
  throttle: z.number().min(0).max(1).default(1),
  speeds: z.array(z.number().min(0).max(400)).min(1).max(1000).optional(),
  density: z.number().min(0.01).max(2000).default(1.225),
})

function figures(text: string): unknown {
  const input = parseInput(Input, text)
  const { motor, battery, propeller, density } = input
  const drive = {
    motor: { kv: motor.kvRpmV / RPM, resistance: motor.resistanceOhm, noLoad: motor.noLoadA },
    controller: input.controllerOhm,
    battery: {
      cells: battery.cells,
      charge: battery.capacityMah * 3.6,
      resistance: battery.resistanceOhm ?? usualResistance(battery.cells, battery.capacityMah),
      temperatureC: 25,
      age: 0,
    },
    turned: propellerMap(
      bladesOf({
        diameter: propeller.diameterM,
        pitch: propeller.pitchM,
        count: propeller.blades,
        law: 'medium',
      }),
      ordinarySection(),
      { density, viscosity: VISCOSITY / density },
    ),
    motors: input.motors,
  }
  const at = (speed: number) => running(drive, input.throttle, speed, input.left)
  const rest = at(0)
  const pitchSpeed = (propeller.pitchM * rest.omega) / (2 * Math.PI)
  const speeds = input.speeds ?? Array.from({ length: 13 }, (_, i) => (1.2 * pitchSpeed * i) / 12)
  return {
    static: { ...told(rest), heat: rest.heat, shaftW: rest.shaft },
    bySpeed: speeds.map(speedMs => ({ speedMs, ...told(at(speedMs)) })),
  }
}

const told = ({ thrust, current, volts, power, omega, motorEfficiency }: Running) => ({
  thrustN: thrust,
  currentA: current,
  voltageV: volts,
  powerW: power,
  rpm: omega * RPM,
  motorEfficiency,
})
