/** The aircraft's drive as its document tells it: which parts there are, what is missing, what cannot be. */
import type { Equipment, FanSpec, Learned, MotorSpec, ProjectFile, PropellerSpec } from '../../document'
import { ductOf, type Duct } from './duct'
import { sectionOutline } from '../../geometry'
import { solveSection, airAt } from '../../aero'
import {
  bladeSection,
  bladesOf,
  fanAt,
  propellerMap,
  usualResistance,
  type Air,
  type Battery,
  type Blades,
  type BladeSection,
  type Drive,
  type Fan,
  corrected,
  type Turned,
} from '../../power'
import { cToK, mmToM, q, say, type Words } from '../../units'

/** All propellers are reckoned with this section: about what moulded ones of this size have. */
export const BLADE_SECTION = 'naca4410'
let ordinary: BladeSection | null = null
export function ordinarySection(): BladeSection {
  if (!ordinary) {
    const outline = sectionOutline(BLADE_SECTION, [], 120)
    ordinary = bladeSection(solveSection(outline), outline.gap)
  }
  return ordinary
}

export interface Propulsion {
  drive: Drive
  air: Air
  motor: Equipment
  motorSpec: MotorSpec
  controller: Equipment | null
  packs: Equipment[]
  turns: {
    item: Equipment
    propeller: PropellerSpec | null
    fan: FanSpec | null
    blades: Blades | null
    /** The fan as it turns in its duct, and the duct where one is drawn. */
    ducted: Fan | null
    duct: Duct | null
  }
  /** Current that the packs bear all the time, A. */
  packLimit: number
  /** Things that were taken although nothing says them. */
  assumed: Words[]
}

/** Where nothing is written of a controller, Ω. */
const USUAL_CONTROLLER = 0.008

export const airOfField = ({
  brief,
}: {
  brief: Pick<ProjectFile['brief'], 'fieldElevationM' | 'fieldTemperatureC'>
}): Air => {
  const { density, viscosity } = airAt(brief.fieldElevationM, cToK(brief.fieldTemperatureC))
  return {
    density,
    viscosity: viscosity / density,
    sound: Math.sqrt(1.4 * 287.05 * cToK(brief.fieldTemperatureC)),
  }
}

export const bladesFrom = (spec: PropellerSpec): Blades =>
  bladesOf({
    diameter: mmToM(spec.diameterMm),
    pitch: mmToM(spec.pitchMm),
    count: spec.blades,
    law: spec.chord,
    folding: spec.folding,
  })

export const fanFrom = (spec: FanSpec): Fan => ({
  diameter: mmToM(spec.diameterMm),
  hub: mmToM(Math.min(spec.hubMm, 0.9 * spec.diameterMm)),
  pitch: mmToM(spec.pitchMm),
  exitShare: spec.exitShare,
  duct: mmToM(spec.ductMm),
})

/** Outlets that a fan still works with. */
const EXIT = [0.4, 1.2] as const
/** In the duct that is drawn for it: its own length and ends instead of those that are written. */
const inDuct = (spec: FanSpec, duct: Duct | null): Fan => ({
  ...fanFrom(spec),
  ...(duct && {
    exitShare: Math.min(EXIT[1], Math.max(EXIT[0], duct.exit)),
    duct: mmToM(duct.lengthMm),
    intake: duct.intake,
  }),
})

/** Tables of propellers once made, by what they are and the air they turn in. */
const maps = new Map<string, Turned>()
const MOST_MAPS = 120
export function turnedBy(spec: PropellerSpec, air: Air): Turned {
  const { diameterMm, pitchMm, blades, chord, folding } = spec
  const key = [diameterMm, pitchMm, blades, chord, folding, air.density, air.viscosity, air.sound].join(' ')
  let known = maps.get(key)
  if (!known) {
    if (maps.size >= MOST_MAPS) maps.delete(maps.keys().next().value!)
    known = propellerMap(bladesFrom(spec), ordinarySection(), air)
    maps.set(key, known)
  }
  return known
}

/** What a stand found of a motor holds for that motor alone. */
export function motorOf({ rpmPerVolt, resistanceOhm, noLoadA }: MotorSpec, found: Learned | null) {
  const learned = found?.rpmPerVolt === rpmPerVolt ? found : null
  return {
    kv: ((rpmPerVolt * 2 * Math.PI) / 60) * (learned?.kvShare ?? 1),
    resistance: resistanceOhm * (learned?.resistanceShare ?? 1),
    noLoad: noLoadA * (learned?.noLoadShare ?? 1),
  }
}

/** The stand had other parts on it: what is taken over from it, and what not. */
function strangers(learned: Learned, motor: MotorSpec, { propeller, fan }: Equipment): Words[] {
  const said: Words[] = []
  if (learned.rpmPerVolt !== motor.rpmPerVolt)
    said.push(
      say`The stand turned a motor of ${q(learned.rpmPerVolt, 'rev/min', 0)} for each volt: what it found of that one is left out`,
    )
  if (fan) said.push('The stand turned a propeller: what it found of that is left out for a fan')
  else if (
    propeller &&
    (learned.diameterMm !== propeller.diameterMm || learned.pitchMm !== propeller.pitchMm)
  )
    said.push(
      say`The stand turned a propeller of ${q(learned.diameterMm, 'mm', 0)} and ${q(learned.pitchMm, 'mm', 0)} of pitch; this one is taken to be off by as much`,
    )
  return said
}

/** Several packs of the same cells lie side by side. */
export function batteryOf(
  packs: readonly Equipment[],
  { packC, agePct }: ProjectFile['power'],
  airC: number,
): Battery {
  const { cells } = packs[0].battery!
  const each = packs.flatMap(item => (item.pair ? [item.battery!, item.battery!] : [item.battery!]))
  const conductance = each.reduce(
    (sum, own) => sum + 1 / Math.max(1e-6, own.resistanceOhm ?? usualResistance(cells, own.capacityMah)),
    0,
  )
  return {
    cells,
    charge: each.reduce((sum, own) => sum + own.capacityMah, 0) * 3.6,
    resistance: 1 / conductance,
    temperatureC: packC ?? airC,
    age: agePct / 100,
  }
}

/** The drive, or why there is none to reckon. */
export function propulsionOf(doc: ProjectFile): {
  propulsion: Propulsion | null
  missing: Words[]
  none: boolean
} {
  const motors = doc.equipment.filter(item => item.kind === 'motor')
  const turning = doc.equipment.filter(item => item.kind === 'propeller')
  const packs = doc.equipment.filter(item => item.kind === 'battery')
  if (motors.length === 0 && turning.length === 0) return { propulsion: null, missing: [], none: true }
  const missing: Words[] = []
  const motor = motors.find(item => item.motor)
  const turns = turning.find(item => item.propeller || item.fan)
  const pack = packs.find(item => item.battery)
  if (motors.length === 0) missing.push('a motor among the components (Balance)')
  else if (!motor)
    missing.push(say`what ${motors[0].name} is: rev/min for each volt, resistance, current at no load`)
  if (turning.length === 0) missing.push('a propeller or a fan among the components (Balance)')
  else if (!turns) missing.push(say`what ${turning[0].name} is: diameter and pitch, or a fan`)
  if (packs.length === 0) missing.push('a battery among the components (Balance)')
  else if (!pack) missing.push(say`what ${packs[0].name} holds: cells and capacity`)
  if (!motor || !turns || !pack) return { propulsion: null, missing, none: false }
  const assumed: Words[] = []
  const controller = doc.equipment.find(item => item.controller) ?? null
  if (!controller)
    assumed.push(
      say`No controller's figures are written: ${q(1000 * USUAL_CONTROLLER, 'mΩ', 0)} are taken, and no limit`,
    )
  const alike = packs.filter(item => item.battery?.cells === pack.battery!.cells)
  if (alike.length < packs.length)
    assumed.push('Packs with other numbers of cells are left out: they must not be joined')
  if (alike.some(item => item.battery!.resistanceOhm === null))
    assumed.push('The pack’s resistance is that of an ordinary one of its size')
  const count = motors.reduce((sum, item) => sum + (item.pair ? 2 : 1), 0)
  if (new Set(motors.map(item => JSON.stringify(item.motor))).size > 1)
    assumed.push(say`All ${count} motors are taken as ${motor.name}`)
  const { learned } = doc.power
  if (learned) assumed.push(...strangers(learned, motor.motor!, turns))
  const air = airOfField(doc)
  const duct = turns.fan ? ductOf(doc, turns) : null,
    ducted = turns.fan ? inDuct(turns.fan, duct) : null
  if (duct) assumed.push(say`Length, intake and outlet of the duct are those of ${duct.name} as it is drawn`)
  const turned: Turned = ducted
    ? (omega, speed) => fanAt(ducted, air, omega, speed)
    : turnedBy(turns.propeller!, air)
  const packLimit = alike.reduce(
    (sum, item) => sum + ((item.pair ? 2 : 1) * item.battery!.continuousC * item.battery!.capacityMah) / 1000,
    0,
  )
  return {
    none: false,
    missing,
    propulsion: {
      drive: {
        motor: motorOf(motor.motor!, learned),
        controller: controller?.controller?.resistanceOhm ?? USUAL_CONTROLLER,
        battery: batteryOf(alike, doc.power, doc.brief.fieldTemperatureC),
        turned: turns.fan ? turned : corrected(turned, learned),
        motors: count,
      },
      air,
      motor,
      motorSpec: motor.motor!,
      controller,
      packs: alike,
      turns: {
        item: turns,
        propeller: turns.fan ? null : turns.propeller,
        fan: turns.fan,
        blades: turns.fan ? null : bladesFrom(turns.propeller!),
        ducted,
        duct,
      },
      packLimit,
      assumed,
    },
  }
}
