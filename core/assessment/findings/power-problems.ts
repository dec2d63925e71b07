/** A drive that asks more of its parts than they bear, or that flies faster than the wing is held against. */
import { rootBetween, FRESH, running } from '../../power'
import { q, say } from '../../units'
import { oneMotor, propulsionOf } from '../power'
import type { Flown } from '../flight'
import type { Finding } from '../report'
import { fanInDuct } from './duct-problems'
import type { ProjectFile } from '../../document'

/** What a climb away from the ground is flown at, as a multiple of the stall's. */
const SAFE_SPEED = 1.2
/** Speeds at which level flight asks least, as multiples of the stall's. */
const SLOW = [1.15, 1.3, 1.5, 1.8, 2.2, 3]

export function powerProblems(
  doc: ProjectFile,
  { levelDrag, stall, flight }: Pick<Flown, 'levelDrag' | 'stall' | 'flight'>,
): Finding[] {
  const { propulsion } = propulsionOf(doc)
  if (!propulsion) return []
  const { drive, motor, motorSpec, controller, packLimit, packs, turns } = propulsion
  const rest = running(drive, 1, 0, FRESH)
  const found: Finding[] = turns.duct ? fanInDuct(turns.duct, turns.item) : []
  const over = (code: string, where: string, value: number, limit: number, bears: string) => {
    if (value <= limit) return
    found.push({
      code,
      stations: ['power'],
      severity: 'warn',
      where,
      value,
      limit,
      unit: 'A',
      text: say`Standing at full throttle ${q(value, 'A', 1)} go through ${where}; it bears ${q(limit, 'A', 0)} ${bears}`,
      remedy: 'Power: a smaller propeller, a slower motor, or a part that bears it',
    })
  }
  over('motor-current', motor.name, rest.motorCurrent, motorSpec.maxA, 'for half a minute')
  const limit = controller?.controller?.limitA
  if (limit !== undefined)
    over('controller-current', controller!.name, rest.motorCurrent, limit, 'all the time')
  over('pack-current', packs[0].name, rest.current, packLimit, 'all the time')
  const excess = (speed: number) => running(drive, 1, speed, FRESH).thrust - levelDrag(speed)
  const slow = SLOW.map(share => share * stall.speedMs)
  if (!slow.some(speed => excess(speed) >= 0))
    found.push({
      code: 'sinks-at-full-throttle',
      stations: ['power'],
      severity: 'stop',
      where: 'Full throttle',
      value: Math.max(...slow.map(speed => running(drive, 1, speed, FRESH).thrust)),
      limit: Math.min(...slow.map(levelDrag)),
      unit: 'N',
      text: say`At full throttle it pulls ${q(running(drive, 1, slow[0], FRESH).thrust, 'N', 1)} at ${q(slow[0], 'm/s', 1)}, and drags ${q(levelDrag(slow[0]), 'N', 1)}: it cannot stay level`,
      remedy: 'Power: more cells, a faster motor, or a larger propeller',
    })
  const top = Math.max(doc.brief.topSpeedMs, 1.1 * stall.speedMs)
  if (excess(top) > 0) {
    const drag = between(levelDrag, top, 1.5 * top)
    const over = (speed: number) => running(drive, 1, speed, FRESH).thrust - drag(speed)
    let far = 1.3 * top
    while (over(far) > 0 && far < 300) far *= 1.3
    const fastest = rootBetween(over, top, far, 0.01)
    found.push({
      code: 'faster-than-held',
      stations: ['power', 'brief'],
      severity: 'warn',
      where: 'Full throttle',
      value: fastest,
      limit: doc.brief.topSpeedMs,
      unit: 'm/s',
      text: say`Level it flies about ${q(fastest, 'm/s', 0)} at full throttle; loads, twist and flutter are held to ${q(doc.brief.topSpeedMs, 'm/s', 0)}`,
      remedy: say`Brief: a top speed of ${q(Math.ceil(fastest), 'm/s', 0)} and more, or throttle back; a dive is faster still`,
    })
  }
  const one = oneMotor(doc, propulsion, flight.rudderYawM3, flight.density)
  const slowest = SAFE_SPEED * flight.stallMs
  if (one && !(one.heldFromMs !== null && one.heldFromMs <= slowest))
    found.push({
      code: 'one-motor-turns-it',
      stations: ['power'],
      severity: 'warn',
      where: 'One motor stopped',
      value: one.heldFromMs ?? 2 * doc.brief.topSpeedMs,
      limit: slowest,
      unit: 'm/s',
      text:
        one.heldFromMs === null
          ? say`Should one motor stop at full throttle, no speed lets the rudder hold the other: it turns and rolls over`
          : say`Should one motor stop at full throttle, the rudder holds the other only from ${q(one.heldFromMs, 'm/s', 1)} on; slower it turns and rolls over`,
      remedy:
        'Motors nearer the middle, more rudder, or less thrust; in flight: throttle back at once, then land',
    })
  return found
}

/** Drag of level flight as skin and lift make it, a v² + b/v², through two speeds: near enough for a warning. */
function between(drag: (speed: number) => number, slow: number, fast: number): (speed: number) => number {
  const [d, e] = [drag(slow), drag(fast)]
  const a = (e * fast ** 2 - d * slow ** 2) / (fast ** 4 - slow ** 4)
  const b = d * slow ** 2 - a * slow ** 4
  return speed => a * speed ** 2 + b / speed ** 2
}
