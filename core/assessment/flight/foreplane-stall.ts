/**
 * Whether a canard lets go before the wing, as it must: then the nose drops by itself and speed comes back. Where
 * the wing goes first, it falls tail first and nothing at the nose can lower it. SI inside.
 */
import { CARRIES, flapTheory, stripCirculations } from '../../aero'
import { GRAVITY, radToDeg } from '../../units'
import type { ForeplaneStall } from '../report'
import type { Designed } from '../resolve'
import type { ControlRoles } from './airframe-lattice'
import { alongSpan, type StationModels } from './section-models'
import { airOf, type SolvedFlight } from './solved-lift'
import { FLAP_LIMIT_SHARE } from './stall-along-span'
import { trimmedAt, type Loading } from './trim-rows'

/** The slowest speed is looked for up to so many stall speeds of the wing. */
const FASTEST = 3

/**
 * Trimmed in level flight with its elevator, whose lift counts as its limit rises with it (share of plain flaps).
 * Null without a canard. `load.stall` is the stall of the wing, m/s.
 */
export function foreplaneStall(
  airframe: Designed,
  flight: SolvedFlight,
  roles: ControlRoles,
  models: StationModels | undefined,
  load: Loading,
): ForeplaneStall | null {
  const { doc } = airframe
  if (doc.tail.kind !== 'canard' || !doc.tail.horizontal || !models) return null
  const air = airOf(doc)
  const { panels } = flight.lift.flows.lattice
  const gamma = roles.pitch ? flight.lift.flows.control(roles.pitch, 'together') : null
  const added = gamma && stripCirculations(panels, gamma).starboard
  const moved = roles.pitch ? panels.controls.get(roles.pitch) : undefined
  const hinge = roles.pitch?.startsWith('horizontal:')
    ? doc.tail.horizontal.controls[Number(roles.pitch.split(':')[1])]
    : null
  const raised = hinge ? FLAP_LIMIT_SHARE * flapTheory(hinge.chordShare).effectiveness * 2 * Math.PI : 0
  const own = panels.strips.flatMap((strip, k) => (strip.surface === 'horizontal' ? [{ strip, k }] : []))
  const strips = flight.lift.strips
    .filter(strip => strip.surface === 'horizontal')
    .map((strip, i) => {
      const { k, strip: panel } = own[i]
      const covered = moved?.subarray(panel.first, panel.first + panel.panels).some(value => value !== 0)
      return {
        ...strip,
        perDeflection: added ? (2 * added[k]) / panel.chord : 0,
        limitPerDeflection: covered ? raised : 0,
      }
    })
    .filter(strip => strip.clPerRad > CARRIES)
  if (strips.length === 0) return null
  // Trim is linear in the lift coefficient: two speeds tell all of them.
  const [slow, fast] = [load.stall, 2 * load.stall].map(speed =>
    trimmedAt(airframe, flight, roles, load, speed),
  )
  const between = (a: number, b: number, CL: number) =>
    b + ((a - b) * (CL - fast.CL)) / Math.max(1e-9, slow.CL - fast.CL)
  /** Incidence that is left in the strip with the least, rad. */
  const leftAt = (speed: number): number => {
    const CL = (2 * load.mass * GRAVITY) / (air.density * speed ** 2 * flight.reference.area)
    const alpha = between(slow.alpha, fast.alpha, CL),
      turn = between(slow.deflections[0]?.angle ?? 0, fast.deflections[0]?.angle ?? 0, CL)
    return Math.min(
      ...strips.map(strip => {
        const reynolds = (air.density * speed * strip.chord) / air.viscosity
        const limit =
          alongSpan(models, strip.span, model => model.limit(reynolds).cl) + strip.limitPerDeflection * turn
        return (limit - strip.clZero - strip.perDeflection * turn - strip.clPerRad * alpha) / strip.clPerRad
      }),
    )
  }
  let low = load.stall / FASTEST,
    high = FASTEST * load.stall
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2
    if (leftAt(middle) < 0) low = middle
    else high = middle
  }
  return { marginDeg: radToDeg(leftAt(load.stall)), nodsAtMs: high }
}
