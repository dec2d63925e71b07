/** Trim at cruise, best glide and slow flight, with the payload aboard and gone. SI inside. */
import { trimAt, type Deflection, type Trim } from '../../aero'
import { GRAVITY, radToDeg, q, say, type Words } from '../../units'
import type { DragModel } from './airframe-drag'
import { airOf, type SolvedFlight } from './solved-lift'
import type { ControlRoles } from './airframe-lattice'
import { surfaceOf, type Control, type SurfaceName } from '../../document'
import { memoise } from '../../memo'
import type { Designed } from '../resolve'
import type { TrimRow } from '../report'

/** Slow flight, as a multiple of the stall speed. */
export const SLOW = 1.2

export interface Loading {
  mass: number
  x: number
  z: number
  stall: number
}

export interface Trimmed {
  alpha: number
  deflections: Deflection[]
  CL: number
  trim: Trim
}

/** Incidence and pitch control at a speed in level flight or a shallow glide (lift taken as weight). */
export function trimmedAt(
  airframe: Designed,
  flight: SolvedFlight,
  roles: ControlRoles,
  load: Loading,
  speed: number,
): Trimmed {
  const { density } = airOf(airframe.doc)
  const CL = (2 * load.mass * GRAVITY) / (density * speed ** 2 * flight.reference.area)
  const trim = trimAt(
    flight.flowsAt(speed),
    CL,
    roles.pitch,
    { x: load.x, z: load.z },
    flight.reference,
    flight.bodyPitch,
  )
  return {
    alpha: trim.alpha,
    deflections: roles.pitch ? [{ id: roles.pitch, sense: 'together', angle: trim.deflection }] : [],
    CL,
    trim,
  }
}

/** Steps of the search for the best glide. */
const GLIDE_STEPS = 24

/**
 * Speed of the best glide, m/s: searched in steps between the stall and the top speed, and found between them on the
 * parabola through the best and its neighbours. Where the load lies says nothing: it is known again while the rest
 * stays.
 */
const glideSpeed = memoise(
  (
    flight: SolvedFlight,
    drag: DragModel,
    mass: number,
    stallMs: number,
    topSpeedMs: number,
    density: number,
  ): number => {
    const from = 1.05 * stallMs,
      to = Math.max(topSpeedMs, 1.5 * from),
      step = (to - from) / GLIDE_STEPS
    const ratios = Array.from({ length: GLIDE_STEPS + 1 }, (_, i) => {
      const speed = from + i * step
      const CL = (2 * mass * GRAVITY) / (density * speed ** 2 * flight.reference.area)
      return CL / drag((CL - flight.lift.clZero) / flight.lift.clAlpha, [], speed).CD
    })
    const best = ratios.indexOf(Math.max(...ratios))
    if (best <= 0 || best === GLIDE_STEPS) return from + Math.max(0, best) * step
    const [before, at, after] = ratios.slice(best - 1, best + 2),
      bend = before - 2 * at + after
    return from + (best + (bend < 0 ? (before - after) / (2 * bend) : 0)) * step
  },
  8,
)

export function trimRows(
  airframe: Designed,
  flight: SolvedFlight,
  roles: ControlRoles,
  drag: DragModel,
  loads: { aboard: Loading; gone: Loading | null },
): TrimRow[] {
  const rows: TrimRow[] = []
  const { topSpeedMs } = airframe.doc.brief,
    { density } = airOf(airframe.doc)
  const [pitchSurface, pitchIndex] = (roles.pitch ?? 'wing:0').split(':')
  const control = roles.pitch
    ? surfaceOf(airframe.doc, pitchSurface as SurfaceName)!.controls[Number(pitchIndex)]
    : null
  for (const [payload, load] of [
    [true, loads.aboard],
    [false, loads.gone],
  ] as const) {
    if (!load) continue
    const speeds = [
      ['cruise', 'Cruise', airframe.doc.brief.cruiseMs],
      ['glide', 'Best glide', glideSpeed(flight, drag, load.mass, load.stall, topSpeedMs, density)],
      ['slow', `Slow, ${SLOW} × stall`, SLOW * load.stall],
    ] as const
    for (const [id, label, speed] of speeds) {
      const { alpha, deflections, CL, trim } = trimmedAt(airframe, flight, roles, load, speed)
      const { CD } = drag(alpha, deflections, speed)
      const deg = radToDeg(trim.deflection)
      const limit = control ? (deg < 0 ? control.throwUpDeg : control.throwDownDeg) : 0
      const trouble = (): [words: Words, serious: boolean] => {
        if (speed < load.stall) return ['slower than it can fly', true]
        if (!control)
          return Math.abs(trim.at.Cm) > 0.005
            ? ['nothing holds the pitch: give the tail or wing an elevator', true]
            : ['', false]
        if (!trim.found || Math.abs(deg) > limit)
          return [
            say`wants ${q(Math.abs(deg), '°', 0)} ${deg < 0 ? 'up' : 'down'}; the throw is ${q(limit, '°')}`,
            true,
          ]
        return [Math.abs(deg) > 0.6 * limit ? 'leaves little throw to fly with' : '', false]
      }
      const [words, serious] = trouble()
      rows.push({
        id,
        label,
        payload,
        speedMs: speed,
        cl: CL,
        alphaDeg: radToDeg(alpha),
        controlDeg: control ? deg : null,
        cmLeft: control ? 0 : trim.at.Cm,
        glideRatio: CL / CD,
        sinkMs: (speed * CD) / Math.hypot(CL, CD),
        trouble: words,
        serious,
      })
    }
  }
  return rows
}

/**
 * Change of the tailplane's incidence (°) that lets it cruise without elevator: the elevator's moment at
 * cruise made by turning the whole tail, by the ratio of both effects. Null without a tailplane with an
 * elevator of its own.
 */
export function tailIncidence(
  airframe: Designed,
  roles: ControlRoles,
  cruise: TrimRow | undefined,
): number | null {
  const tail = airframe.doc.tail.horizontal
  if (!tail || !roles.pitch?.startsWith('horizontal') || cruise === undefined || cruise.controlDeg === null)
    return null
  const control = tail.controls[Number(roles.pitch.split(':')[1])]
  return cruise.controlDeg * elevatorEffect(control)
}

/**
 * What a degree of the elevator is worth in degrees of the whole tail (thin aerofoil), over the span that it
 * covers.
 */
export function elevatorEffect({
  chordShare,
  fromShare,
  toShare,
}: Pick<Control, 'chordShare' | 'fromShare' | 'toShare'>): number {
  const hinge = Math.acos(Math.min(1, 2 * chordShare - 1))
  return (1 - (hinge - Math.sin(hinge)) / Math.PI) * Math.max(0, toShare - fromShare)
}

export const loadingOf = (sum: { mass: number; x: number; z: number }, stall: number): Loading => ({
  mass: sum.mass,
  x: sum.x,
  z: sum.z,
  stall,
})
