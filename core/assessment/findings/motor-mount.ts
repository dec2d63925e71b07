/** The firewall under its motor: thrust, torque, weight in a landing, a propeller out of balance, and heat. */
import { printedMaterial, strengthLeft } from '../../structure'
import { GRAVITY, gToKg, mmToM, q, say } from '../../units'
import { FRESH, running } from '../../power'
import { propulsionOf } from '../power'
import { bodiesOf, heated, type Airframe, type StandingBody } from '../resolve'
import type { Finding, StrengthFigures } from '../report'

/** A motor's mount is warmer than the air by about so much after a flight, K; hard-worn ones by more. */
const MOTOR_RISE = 25
/**
 * Where the drive is not told: static thrust against the weight, and its torque against thrust × propeller
 * diameter.
 */
const THRUST = 1,
  TORQUE = 0.06
/** A propeller out of balance shakes with about so many times its own weight. */
const SHAKES = 8
/** The head of a bolt and its washer, against the bolt. */
const HEAD = 2

/** Of one motor at full throttle, standing, nearly full. */
function driveOf(doc: Airframe['doc']): { thrust: number; torque: number } | null {
  const { propulsion } = propulsionOf(doc)
  if (!propulsion) return null
  const { thrust, torque } = running(propulsion.drive, 1, 0, FRESH)
  return { thrust: Math.max(0, thrust) / propulsion.drive.motors, torque: Math.max(0, torque) }
}

/** What each firewall must bear against what it bears, warm; with what it is made of. */
export const motorMount = (airframe: Airframe, strength: StrengthFigures): Finding[] =>
  bodiesOf(airframe).flatMap(own => mountOf(airframe, own, strength))

/** The motor that stands before a body: on its line, within its own width. */
const motorBefore = (doc: Airframe['doc'], { loft, ys }: StandingBody) =>
  doc.equipment.find(
    item =>
      item.kind === 'motor' &&
      Math.abs(Math.abs(item.yMm) - Math.abs(ys[0])) <= Math.max(20, loft.at(loft.from).width / 2),
  )

function mountOf(airframe: Airframe, own: StandingBody, { gear }: StrengthFigures): Finding[] {
  const { doc } = airframe,
    body = own.loft
  const wall = own.body.firewall
  const motor = motorBefore(doc, own)
  if (!wall || !motor || wall.bolts === 0) return []
  const zone = airframe.zoneAt(body, body.from),
    filament = airframe.filamentOf(zone)
  const temperature = Math.max(airframe.warm.temperatureC, doc.brief.fieldTemperatureC + MOTOR_RISE)
  const where = own.main ? 'Firewall' : `Firewall of ${own.name}`,
    stations: Finding['stations'] = ['skin']
  const found: Finding[] = []
  if (filament.expansion)
    found.push({
      code: 'firewall-foamed',
      stations,
      severity: 'warn',
      where,
      value: filament.softeningC,
      limit: temperature,
      unit: '°C',
      text: say`${zone.name} holds the motor in ${filament.name}: foam creeps under bolts, and lets the motor loose when it is warm`,
      remedy: 'Skin: a tough or heat-proof filament in that zone',
    })
  const left = strengthLeft(filament.softeningC, temperature)
  if (filament.softeningC < temperature + 10)
    found.push({
      code: 'firewall-warm',
      stations,
      severity: filament.softeningC < temperature ? 'stop' : 'note',
      where,
      value: temperature,
      limit: filament.softeningC,
      unit: '°C',
      text: say`Behind a motor the firewall reaches about ${q(temperature, '°C', 0)} on a day of ${q(doc.brief.fieldTemperatureC, '°C')}; ${filament.name} softens at ${q(filament.softeningC, '°C')} and keeps ${q(100 * left, '%', 0)} of its strength`,
      remedy: 'Air past the motor, a spacer of metal or plywood, or a heat-proof filament',
    })
  const propeller = doc.equipment.find(item => item.kind === 'propeller')
  const diameter = propeller ? mmToM(Math.max(propeller.sizeMm[1], propeller.sizeMm[2])) : 0.2,
    hung = gToKg(motor.massG + (propeller?.massG ?? 0))
  const weight = GRAVITY * gToKg(doc.brief.targetMassG),
    told = driveOf(doc)
  const thrust = told?.thrust ?? THRUST * weight,
    torque = told?.torque ?? TORQUE * thrust * diameter
  const reach = mmToM(Math.abs(motor.xMm - body.from) + motor.sizeMm[0] / 2)
  const bending =
    hung * GRAVITY * gear.factor * reach + SHAKES * GRAVITY * gToKg(propeller?.massG ?? 0) * reach
  const circle = mmToM(wall.boltCircleMm)
  // Bolts on a circle: half of them pull against half; torque goes round them, thrust is shared.
  const pull = bending / Math.max(1e-3, (circle * wall.bolts) / 4) + thrust / wall.bolts
  const round = torque / Math.max(1e-3, (circle / 2) * wall.bolts)
  const plastic = printedMaterial({ ...zone.recipe, stance: 'flat' }, heated(filament, temperature))
  const thick = mmToM(wall.thicknessMm),
    bolt = mmToM(wall.boltMm)
  const punched = Math.PI * HEAD * bolt * thick * plastic.shear,
    crushed = bolt * thick * plastic.compression
  const reserve = Math.min(punched / pull, crushed / Math.max(1e-9, round)) / doc.brief.safetyFactor
  if (reserve < 1)
    found.push({
      code: 'firewall-weak',
      stations,
      severity: 'stop',
      where,
      value: reserve,
      limit: 1,
      unit: '×',
      text: say`A bolt of the motor pulls with ${q(pull, 'N', 0)} in a landing at ${q(gear.factor, 'gₙ', 1)}; warm, the firewall bears ${q(punched, 'N', 0)} round its head`,
      remedy: 'A thicker firewall, larger washers, or a stronger filament',
    })
  return found
}
