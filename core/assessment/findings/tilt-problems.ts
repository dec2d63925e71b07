/** Motors that turn up: where that takes the balance, what it asks of servo and spar, and what the discs come near. */
import { q, say } from '../../units'
import type { Airframe } from '../resolve'
import type { Finding, TiltReport } from '../report'
import { foundAt } from './found-at'

/** From here on it is to hang on its propellers, °. */
const HOVERS = 75
/** What lifts it must have to spare over its weight, to rise, to be steered and for gusts: by common experience. */
const TO_HOVER = 1.3
/** Further from the balance point than this the thrust turns it over faster than a pilot trims, of the mean chord. */
const LEVER = 0.03
/** Blades bend, and wings do: so much air is left over a wing, mm. */
const AIR = 10

export function tiltProblems(
  { doc, spars }: Airframe,
  report: TiltReport | null,
  [front, rear]: readonly [number, number],
  macMm: number,
): Finding[] {
  const { tilt } = doc
  if (!tilt) return []
  const finding = foundAt('Motors that tilt', ['power'])
  if (!report)
    return [
      finding(
        'tilt-nothing',
        'warn',
        [0, 1, 'parts'],
        'Nothing of the equipment is named that turns up',
        'Power: choose motors and propellers that tilt, or leave it out',
      ),
    ]
  const found: Finding[] = []
  const [upX] = report.upMm
  if (upX < front || upX > rear)
    found.push(
      finding(
        'tilt-balance',
        'warn',
        [upX, upX < front ? front : rear, 'mm'],
        say`With the motors turned up it balances at ${q(upX, 'mm', 0)}, ${q(Math.abs(upX - report.forwardMm[0]), 'mm', 1)} ${upX > report.forwardMm[0] ? 'behind' : 'ahead of'} where it does with them forward, and outside of the band from ${q(front, 'mm', 0)} to ${q(rear, 'mm', 0)}`,
        upX > rear
          ? 'Balance: further forward as drawn, or Power: motors nearer their axis'
          : 'Balance: further back as drawn, or Power: motors nearer their axis',
      ),
    )
  const { lift, servo, spar, gapMm } = report
  if (lift && tilt.upDeg >= HOVERS && lift.toWeight < TO_HOVER)
    found.push(
      finding(
        'tilt-lift',
        'warn',
        [lift.toWeight, TO_HOVER, '× weight'],
        say`Turned up they lift ${q(lift.toWeight, 'of its weight', 2)}, after ${q(100 * lift.download, '%', 0)} that their stream presses on the wing; a hover wants ${q(TO_HOVER, 'of it', 1)} and more`,
        'Power: more pull, or turned up less, for a short start only',
      ),
    )
  if (lift && tilt.upDeg >= HOVERS && lift.toWeight >= 1 && Math.abs(lift.leverMm) > LEVER * macMm)
    found.push(
      finding(
        'tilt-lever',
        'warn',
        [Math.abs(lift.leverMm), LEVER * macMm, 'mm'],
        say`Turned up they pull ${q(Math.abs(lift.leverMm), 'mm', 0)} ${lift.leverMm > 0 ? 'behind' : 'ahead of'} the balance point: at a hover it turns over ${lift.leverMm > 0 ? 'nose down' : 'nose up'}, and nothing that is reckoned here holds it`,
        'Balance: the balance point under the propellers when they are up',
      ),
    )
  if (servo && servo.asksNcm > servo.hasNcm)
    found.push(
      finding(
        'tilt-servo',
        'warn',
        [servo.asksNcm, servo.hasNcm, 'N·cm'],
        say`Thrust and weight off the axis ask ${q(servo.asksNcm, 'N·cm', 1)} of ${servo.name}, twice what they are; it has ${q(servo.hasNcm, 'N·cm', 1)}`,
        'Power: the motors nearer their axis, a stronger servo, or fewer turns of the axis for one of the servo',
      ),
    )
  if (servo && servo.reachesDeg < tilt.upDeg)
    found.push(
      finding(
        'tilt-travel',
        'warn',
        [servo.reachesDeg, tilt.upDeg, '°'],
        say`${servo.name} turns them by ${q(servo.reachesDeg, '°', 0)} from end to end; ${q(tilt.upDeg, '°', 0)} are asked for`,
        'Power: more turns of the axis for one of the servo, or a servo that reaches further',
      ),
    )
  const line = Object.values(spars)
    .flat()
    .find(own => own.spar.id === tilt.spar)
  if (tilt.spar !== null && !line)
    found.push(
      finding(
        'tilt-spar-missing',
        'warn',
        [0, 1, 'spars'],
        'The spar that they turn with is not there; the place of the shaft counts instead',
        'Power: another spar, or a shaft of their own',
      ),
    )
  if (line && line.stock.shape !== 'round')
    found.push(
      finding(
        'tilt-spar-flat',
        'stop',
        [0, 1, 'round spars'],
        say`${line.spar.name} is a strip: it cannot turn in its bore`,
        'Spine: a rod or a tube',
      ),
    )
  if (line && line.spar.fixing === 'bonded')
    found.push(
      finding(
        'tilt-spar-bonded',
        'stop',
        [0, 1, 'loose spars'],
        say`${line.spar.name} is glued in along its length: it does not turn`,
        'Spine: a spar of their own that is pushed in, with one that is glued beside it',
      ),
    )
  if (spar && spar.reserve < 1)
    found.push(
      finding(
        'tilt-spar-weak',
        'stop',
        [spar.reserve, 1, '×'],
        say`${spar.name} is twisted with ${q(spar.torqueNcm, 'N·cm', 0)} on either side: a reserve of ${q(spar.reserve, '×', 2)}`,
        'Spine: a thicker tube',
      ),
    )
  if (gapMm !== null && gapMm < AIR)
    found.push(
      finding(
        'tilt-strikes',
        gapMm < 0 ? 'stop' : 'warn',
        [gapMm, AIR, 'mm'],
        gapMm < 0
          ? say`Turned up the propellers strike the wing, ${q(-gapMm, 'mm', 0)} deep`
          : say`Turned up the propellers pass ${q(gapMm, 'mm', 0)} over the wing; blades and wing bend`,
        'Power: motors further from their axis, an axis higher, or turned up less',
      ),
    )
  return found
}
