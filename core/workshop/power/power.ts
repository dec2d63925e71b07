/** What the drive makes of this aircraft: pull, current, speed, climb, minutes, heat, and what is passed. SI inside. */
import {
  ordinarySection,
  propulsionOf,
  type Assessment,
  type Duct,
  type PitchTables,
  type Propulsion,
} from '../../assess'
import type { ProjectFile } from '../../document'
import {
  fanAt,
  idealThrust,
  idealFanThrust,
  rootBetween,
  FRESH,
  running,
  solvePropeller,
  usableCharge,
  type Running,
} from '../../power'
import { kgToG, mmToM, paToMpa, q, radToDeg, say, type Words } from '../../units'
import type { Glider } from '../../toss'
import { proportions } from '../advice'
import { gliderOf } from '../toss'
import { bladeStress } from './blade-stress'
import { flightPlan, type Plan } from './flight-plan'
import { CONTROLLER_LUMP, MOTOR_LUMP, PACK_LUMP, warmest } from './heat'
import { dragCurve } from './drag-curve'
import { levelAt } from './level-flight'
import { thrustLine } from './pull'
import { reachOf } from './reach'
import { limitsOf, type Limit } from './limits'

export interface AtRest {
  thrustN: number
  currentA: number
  voltageV: number
  powerW: number
  rpm: number
  motorEfficiency: number
  /** Thrust over what an ideal disc would pull with the shaft's power. */
  ofIdeal: number
  toWeight: number
  wattsPerKg: number
  /** Pitch × rev/s; null for a fan. */
  pitchSpeedMs: number | null
}
export interface AtSpeed {
  speedMs: number
  thrustN: number
  currentA: number
  powerW: number
  rpm: number
  /** Of the propeller and of motor with controller. */
  efficiency: number
  motorEfficiency: number
  /** In trim at this speed; null under the stall. */
  dragN: number | null
}
export interface AtThrottle {
  throttlePct: number
  thrustN: number
  currentA: number
  rpm: number
  powerW: number
}
export interface AtCharge {
  leftPct: number
  thrustN: number
  currentA: number
  cellV: number
}

/** The duct of a fan, its places from its own intake. */
export interface DuctFigures extends Duct {
  /** Of the fan, mm from the intake. */
  fanMm: number
  /** What lip and walls take of the head at rest, %. */
  lostPct: number
}

export interface PowerFigures {
  weightN: number
  static: AtRest
  bySpeed: AtSpeed[]
  byThrottle: AtThrottle[]
  byCharge: AtCharge[]
  /** Null where it cannot stay level at all. */
  levelMaxMs: number | null
  climb: { ms: number; atMs: number; deg: number } | null
  cruise: { speedMs: number; throttlePct: number; currentA: number; enough: boolean }
  plan: Plan
  heat: { motorC: number; controllerC: number; packC: number }
  limits: Limit[]
  /** Of the thrust line: how far it passes under the CG, and what full throttle asks of the elevator at climb speed. */
  line: { underMm: number; elevatorDeg: number | null; reading: Words }
  /** `rpm`: turns at which a blade bears no more; null without blades. */
  limitsAt: { motorMaxA: number; controllerA: number | null; packA: number; rpm: number | null }
  usableMah: number
  /** Null without a fan in a duct that is drawn. */
  duct: DuctFigures | null
}

export interface PowerReport {
  /** No motor and no propeller: a glider. */
  none: boolean
  missing: Words[]
  assumed: Words[]
  absurd: Words[]
  figures: PowerFigures | null
}

const RPM = 60 / (2 * Math.PI)

export function powerReport(doc: ProjectFile, assessment: Assessment, tables: PitchTables): PowerReport {
  const { propulsion, missing, none } = propulsionOf(doc)
  if (!propulsion) return { none, missing, assumed: [], absurd: [], figures: null }
  const figures = figuresOf(doc, assessment, tables, propulsion)
  return {
    none,
    missing,
    assumed: propulsion.assumed,
    absurd: absurdities(propulsion, figures),
    figures,
  }
}

function figuresOf(
  doc: ProjectFile,
  assessment: Assessment,
  tables: PitchTables,
  propulsion: Propulsion,
): PowerFigures {
  const { drive, turns, air } = propulsion
  const glider = gliderOf(tables)
  const weight = glider.mass * glider.gravity
  const full = (speed: number, left = FRESH) => running(drive, 1, speed, left)
  const rest = full(0)
  const stall = Math.max(0.5, tables.stallSpeed)
  const under = thrustLine(doc, assessment.totals, turns.item)
  const drag = dragCurve(glider, tables).at
  const { levelMax, climb } = reachOf(speed => full(speed).thrust, drag, stall, weight)
  // Slower than its stall nothing stays level.
  const cruiseMs = Math.max(stall, doc.brief.cruiseMs)
  const cruiseDrag = drag(cruiseMs)
  const level = (left: number) => throttleFor(cruiseDrag, t => running(drive, t, cruiseMs, left).thrust)
  const fastest = Math.max(1.25 * (levelMax ?? 2 * stall), 2 * stall, doc.brief.cruiseMs)
  const plan = flightPlan(
    drive,
    doc.power.plan,
    doc.power.reservePct,
    { launch: doc.brief.throwMs, climb: climb?.atMs ?? 1.3 * stall, cruise: cruiseMs },
    level,
  )
  const heat = heatOf(propulsion, plan, doc)
  const cruise = level((1 + plan.leftPct / 100) / 2)
  const cruising = running(drive, cruise.throttle, cruiseMs, (1 + plan.leftPct / 100) / 2)
  const atRest = restFigures(rest, propulsion, weight)
  const low = running(drive, 1, 0, Math.max(0.02, doc.power.reservePct / 100))
  const stress = bladesAt(propulsion, rest)
  const controllerLimit = propulsion.controller?.controller?.limitA ?? null
  const turn =
    climb && tables.elevator ? trimChange(glider, tables, climb.atMs, full(climb.atMs).thrust, under) : null
  return {
    weightN: weight,
    static: atRest,
    bySpeed: Array.from({ length: 31 }, (_, i) => {
      const speed = (fastest * i) / 30
      const now = full(speed)
      return {
        speedMs: speed,
        thrustN: now.thrust,
        currentA: now.current,
        powerW: now.power,
        rpm: now.omega * RPM,
        efficiency: now.shaft > 0 ? Math.max(0, (now.thrust * speed) / now.shaft) : 0,
        motorEfficiency: now.motorEfficiency,
        dragN: speed >= stall ? drag(speed) : null,
      }
    }),
    byThrottle: Array.from({ length: 21 }, (_, i) => {
      const now = running(drive, i / 20, 0, FRESH)
      return {
        throttlePct: 5 * i,
        thrustN: now.thrust,
        currentA: now.current,
        rpm: now.omega * RPM,
        powerW: now.power,
      }
    }),
    byCharge: Array.from({ length: 21 }, (_, i) => {
      const now = full(0, 1 - i / 20)
      return {
        leftPct: 100 - 5 * i,
        thrustN: now.thrust,
        currentA: now.current,
        cellV: now.volts / drive.battery.cells,
      }
    }),
    levelMaxMs: levelMax,
    climb,
    cruise: {
      speedMs: cruiseMs,
      throttlePct: 100 * cruise.throttle,
      currentA: cruising.current,
      enough: cruise.enough,
    },
    plan,
    heat,
    limits: [
      ...limitsOf({
        motorA: rest.motorCurrent,
        motorMaxA: propulsion.motorSpec.maxA,
        controllerLimitA: controllerLimit,
        packA: rest.current,
        packLimitA: propulsion.packLimit,
        cellV: low.volts / drive.battery.cells,
        tipMach: (rest.omega * radiusOf(turns)) / (air.sound ?? 343),
        stressMpa: stress && paToMpa(stress.stress),
        bearsMpa: stress && paToMpa(stress.bears),
        ...heat,
        pitchSpeed: atRest.pitchSpeedMs,
        stallSpeed: stall,
        pullShare: atRest.toWeight,
        leftPct: plan.leftPct,
        reservePct: doc.power.reservePct,
        levelMaxMs: levelMax,
        topSpeedMs: doc.brief.topSpeedMs,
      }),
      ...clearances(doc, assessment),
    ],
    line: { underMm: 1000 * under, elevatorDeg: turn, reading: lineReading(1000 * under, turn) },
    limitsAt: {
      motorMaxA: propulsion.motorSpec.maxA,
      controllerA: controllerLimit,
      packA: propulsion.packLimit,
      // Stress goes with the square of the revolutions.
      rpm: stress && atRest.rpm * Math.sqrt(stress.bears / stress.stress),
    },
    usableMah: usableCharge(drive.battery) / 3.6,
    duct: ductFigures(propulsion, rest),
  }
}

function ductFigures({ turns, air }: Propulsion, rest: Running): DuctFigures | null {
  const { duct, ducted, item } = turns
  if (!duct || !ducted) return null
  const { lost } = fanAt(ducted, air, rest.omega, 0)
  return {
    ...duct,
    fanMm: item.xMm - duct.intakeMm,
    // What leaves has the outlet's speed, and the lip and the walls took theirs before.
    lostPct: (100 * lost) / (lost + 1 / ducted.exitShare ** 2),
  }
}

/** Propeller to airframe and to the ground, as the proportions of the brief have them. */
const CLEARANCES = ['prop-gap', 'ground']
const clearances = (doc: ProjectFile, assessment: Assessment): Limit[] =>
  proportions(doc, assessment)
    .filter(item => CLEARANCES.includes(item.id))
    .map(({ id, label, value, low, unit, digits, mend }) => ({
      id,
      what: label,
      value,
      limit: low,
      unit,
      digits,
      side: 'least' as const,
      ok: value >= low,
      remedy: mend,
    }))

/** Radius of what turns, m. */
const radiusOf = ({ blades, fan }: Propulsion['turns']): number =>
  blades ? blades.radius : mmToM(fan!.diameterMm) / 2

function restFigures(rest: Running, { turns, air, drive }: Propulsion, weight: number): AtRest {
  const each = rest.shaft / drive.motors
  const ideal = turns.blades
    ? idealThrust(each, turns.blades.radius, air.density)
    : idealFanThrust(each, turns.ducted!, air.density)
  return {
    thrustN: rest.thrust,
    currentA: rest.current,
    voltageV: rest.volts,
    powerW: rest.power,
    rpm: rest.omega * RPM,
    motorEfficiency: rest.motorEfficiency,
    ofIdeal: ideal > 0 ? rest.thrust / drive.motors / ideal : 0,
    toWeight: rest.thrust / weight,
    wattsPerKg: (rest.power * 9.80665) / weight,
    pitchSpeedMs: turns.propeller ? (mmToM(turns.propeller.pitchMm) * rest.omega) / (2 * Math.PI) : null,
  }
}

/** Least throttle that pulls so much. */
export function throttleFor(
  drag: number,
  pull: (throttle: number) => number,
): { throttle: number; enough: boolean } {
  if (pull(1) < drag) return { throttle: 1, enough: false }
  return { throttle: rootBetween(t => pull(t) - drag, 0.02, 1, 1e-6), enough: true }
}

/** What full throttle asks of the elevator to stay level at a speed, °; up is negative. */
function trimChange(glider: Glider, tables: PitchTables, speed: number, pull: number, under: number): number {
  return radToDeg(
    levelAt(glider, tables, speed, pull, under).elevator - levelAt(glider, tables, speed).elevator,
  )
}

function lineReading(underMm: number, turn: number | null): Words {
  const side = underMm >= 0 ? 'under' : 'over'
  const base = say`The thrust line passes ${q(Math.abs(underMm), 'mm', 0)} ${side} the CG`
  if (turn === null) return base
  if (Math.abs(turn) < 0.3) return say`${base}; throttle hardly changes the trim`
  return say`${base}: full throttle raises ${turn > 0 ? 'the nose' : 'the tail'} as much as ${q(Math.abs(turn), '°', 1)} of elevator`
}

function bladesAt({ turns, air }: Propulsion, rest: Running) {
  if (!turns.blades || rest.omega <= 0) return null
  const { rings } = solvePropeller(turns.blades, ordinarySection(), air, rest.omega, 0, 12)
  return bladeStress(turns.blades, turns.propeller!.material, rest.omega, rings)
}

function heatOf(
  { motor, controller, packs, drive }: Propulsion,
  plan: Plan,
  doc: ProjectFile,
): PowerFigures['heat'] {
  const air = doc.brief.fieldTemperatureC
  const of = (key: keyof Running['heat'], count: number) =>
    plan.parts.map(part => ({ seconds: part.flownS, heat: part.heat[key] / count }))
  const packMass = packs.reduce((sum, item) => sum + item.massG * (item.pair ? 2 : 1), 0)
  return {
    motorC: warmest({ massG: motor.massG, ...MOTOR_LUMP }, air, of('motors', drive.motors)),
    controllerC: warmest(
      { massG: controller?.massG ?? 10, ...CONTROLLER_LUMP },
      air,
      of('controllers', drive.motors),
    ),
    packC: warmest({ massG: packMass, ...PACK_LUMP }, doc.power.packC ?? air, of('battery', 1)),
  }
}

/** Parts that do not belong together, said as such. */
/** Of a cell that was just charged, V. */
const FULL_CELL = 4.2

function absurdities(
  { drive, motor, turns, motorSpec }: Propulsion,
  { static: rest, weightN }: PowerFigures,
): Words[] {
  const found: Words[] = []
  const free = motorSpec.rpmPerVolt * drive.battery.cells * 3.7
  if (rest.rpm <= 0)
    found.push(
      say`${motor.name} cannot turn ${turns.item.name} with ${drive.battery.cells} cells: it stands and burns`,
    )
  else if (rest.toWeight < 0.1)
    found.push(
      say`Turning ${q(rest.rpm, 'rev/min', 0)} it pulls ${q(rest.thrustN, 'N', 2)} for a weight of ${q(weightN, 'N', 1)}: with ${drive.battery.cells} cells ${motor.name} turns ${q((free * FULL_CELL) / 3.7, 'rev/min', 0)} at most, free`,
    )
  if (free > 60000 && !turns.fan)
    found.push(
      say`${motor.name} would turn ${q(free, 'rev/min', 0)} free with ${drive.battery.cells} cells: no propeller stands that`,
    )
  if (rest.motorEfficiency > 0 && rest.motorEfficiency < 0.35)
    found.push(
      say`Only ${q(100 * rest.motorEfficiency, '%', 0)} of the power reaches the shaft: the load is far too large for ${motor.name}`,
    )
  if (rest.powerW > 0 && rest.wattsPerKg > 3000)
    found.push(
      say`${q(rest.powerW, 'W', 0)} for ${q(kgToG(weightN / 9.80665), 'g', 0)}: check cells, rev/min for each volt and resistance`,
    )
  return found
}
