/** What the stand's points say of this drive, and what of it goes into the model. */
import { airOfField, motorOf, propulsionOf, turnedBy, type Propulsion } from '../../assess'
import type { Learned, ProjectFile, StandPoint } from '../../document'
import { fitStand, SHARES, standing, type Reading, type StandFit } from '../../power'
import { q, say, type Words } from '../../units'

export interface StandReading extends StandPoint {
  /** Of the corrected model; null where it is left out of the fit. */
  predicted: { amps: number; rpm: number; thrustN: number }
  /** As the parts are written, before anything was measured. */
  written: { amps: number; rpm: number; thrustN: number }
  /** Channel that is more than is believed off, or nothing. */
  doubt: Words
}

export interface StandResult {
  readings: StandReading[]
  shares: StandFit['shares']
  learned: Omit<Learned, 'date'>
  misfit: number
  reading: Words
}

const RPM = 60 / (2 * Math.PI)
/** So many standard deviations are asked about. */
const DOUBTED = 3.5

const readingOf = ({ throttlePct, volts, amps, rpm, thrustN }: StandPoint): Reading => ({
  throttle: throttlePct / 100,
  volts,
  current: amps,
  omega: rpm === null ? null : rpm / RPM,
  thrust: thrustN,
})

/** Null without points in use, or without a propeller to compare with. */
export function standResult(doc: ProjectFile): StandResult | null {
  const { propulsion } = propulsionOf(doc)
  const { stand } = doc.power
  const used = stand.filter(point => point.used)
  if (!propulsion?.turns.propeller || used.length === 0) return null
  const bare = {
    motor: motorOf(propulsion.motorSpec, null),
    controller: propulsion.drive.controller,
    turned: turnedBy(propulsion.turns.propeller, airOfField(doc)),
  }
  const fit = fitStand(bare, used.map(readingOf))
  const all = fitAt(bare, fit, stand.map(readingOf))
  const plain = fitAt(bare, null, stand.map(readingOf))
  const readings = stand.map((point, i): StandReading => {
    const inFit = used.indexOf(point)
    return {
      ...point,
      predicted: inPlain(all[i]),
      written: inPlain(plain[i]),
      doubt: inFit < 0 ? '' : doubtOf(fit.off[inFit]),
    }
  })
  const { shares } = fit
  const bounded = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value))
  return {
    readings,
    shares,
    learned: {
      rpmPerVolt: propulsion.motorSpec.rpmPerVolt,
      diameterMm: propulsion.turns.propeller.diameterMm,
      pitchMm: propulsion.turns.propeller.pitchMm,
      kvShare: bounded(shares.kv.value, 0.3, 3),
      resistanceShare: bounded(shares.resistance.value, 0.1, 10),
      noLoadShare: bounded(shares.noLoad.value, 0.05, 20),
      thrustShare: bounded(shares.thrust.value, 0.2, 3),
      torqueShare: bounded(shares.torque.value, 0.2, 3),
    },
    misfit: fit.misfit,
    reading: readingWords(propulsion, fit, used.length),
  }
}

const inPlain = ({ current, omega, thrust }: { current: number; omega: number; thrust: number }) => ({
  amps: current,
  rpm: omega * RPM,
  thrustN: thrust,
})

function fitAt(bare: Parameters<typeof standing>[0], fit: StandFit | null, readings: readonly Reading[]) {
  const shares = Object.fromEntries(SHARES.map(name => [name, fit ? fit.shares[name].value : 1])) as Record<
    (typeof SHARES)[number],
    number
  >
  return readings.map(({ throttle, volts }) => standing(bare, shares, throttle, volts))
}

function doubtOf({ current, omega, thrust }: StandFit['off'][number]): Words {
  const channels = [
    ['current', current],
    ['revolutions', omega],
    ['thrust', thrust],
  ] as const
  const worst = channels.reduce((a, b) => (Math.abs(b[1] ?? 0) > Math.abs(a[1] ?? 0) ? b : a))
  if (Math.abs(worst[1] ?? 0) < DOUBTED) return ''
  return say`${worst[0]} ${q(Math.abs(worst[1]!), '', 1)} deviations ${worst[1]! > 0 ? 'over' : 'under'} what the others say: a slip, or a gust?`
}

function readingWords({ motorSpec }: Propulsion, { shares, misfit }: StandFit, count: number): Words {
  const { kv, thrust } = shares
  const pct = (value: number) => q(100 * (value - 1), '%', 1)
  const found = say`${count} ${count === 1 ? 'point says' : 'points say'} ${q(motorSpec.rpmPerVolt * kv.value, 'rev/min', 0)} for each volt ± ${q(motorSpec.rpmPerVolt * kv.sigma, '', 0)}, and ${thrust.value < 1 ? 'less' : 'more'} thrust than computed: ${pct(thrust.value)} ± ${q(100 * thrust.sigma, '', 1)}`
  return misfit > 3
    ? say`${found}. They scatter ${q(Math.sqrt(misfit), '', 1)} times as much as a good stand does: look for a loose mount or a wrong figure`
    : found
}

/** What goes on the stand, in SI, as it is written on the parts; null where something is not told, or it is a fan. */
export function mounting(doc: ProjectFile) {
  const { propulsion } = propulsionOf(doc)
  if (!propulsion?.turns.propeller) return null
  const { motor, motorSpec, drive, turns } = propulsion
  return {
    name: `${motor.name}, ${turns.item.name}`.slice(0, 200),
    motor: motorOf(motorSpec, null),
    motorG: Math.max(1, motor.massG),
    controllerOhm: drive.controller,
    // In a room, and as fresh as the stand-in's pack is.
    battery: { ...drive.battery, temperatureC: 21, age: 0 },
    propeller: turns.propeller,
  }
}
