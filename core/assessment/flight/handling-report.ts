/** Modes, rates and their plain reading at cruise. SI inside. */
import { damping, derivativesAt, halfTime, handling, period, type Derivatives, type Mode } from '../../aero'
import { inertiaAbout, sumInertia, type InertiaFigures, type MassEntry } from '../../mass'
import { GRAVITY, q, say, type Words } from '../../units'
import type { DragModel } from './airframe-drag'
import { airOf, type SolvedFlight } from './solved-lift'
import type { ControlRoles } from './airframe-lattice'
import { trimmedAt, type Loading } from './trim-rows'
import type { Designed } from '../resolve'
import type { HandlingReport, ModeReport, TurnInertia } from '../report'

export interface FlownState {
  derivatives: Derivatives
  report: HandlingReport
  alpha: number
}

export function handlingOf(
  airframe: Designed,
  flight: SolvedFlight,
  roles: ControlRoles,
  drag: DragModel,
  load: Loading,
  entries: readonly MassEntry[],
): FlownState {
  const { doc } = airframe
  const air = airOf(doc)
  const speed = Math.max(doc.brief.cruiseMs, 1.1 * load.stall)
  const { alpha, deflections } = trimmedAt(airframe, flight, roles, load, speed)
  const bare = derivativesAt(
    flight.flowsAt(speed),
    alpha,
    deflections,
    { x: load.x, z: load.z },
    flight.reference,
  )
  const d: Derivatives = {
    ...bare,
    alpha: { ...bare.alpha, Cm: bare.alpha.Cm + flight.bodyPitch },
    beta: { ...bare.beta, Cn: bare.beta.Cn + flight.bodyYaw },
  }
  const about = { x: load.x, y: 0, z: load.z }
  const inertia = sumInertia(entries, about)
  const h = 0.01
  const at = drag(alpha, deflections, speed),
    next = drag(alpha + h, deflections, speed)
  const modes = handling(d, {
    mass: load.mass,
    speed,
    density: air.density,
    gravity: GRAVITY,
    reference: flight.reference,
    inertia,
    CD: at.CD,
    CDalpha: (next.CD - at.CD) / h,
  })
  return {
    alpha,
    derivatives: d,
    report: {
      speedMs: speed,
      inertia: turning(inertia),
      inertiaOf: entries.map(entry => ({ id: entry.id, ...turning(inertiaAbout(entry, about)) })),
      modes: [
        phugoid(modes.phugoid),
        shortPeriod(modes.shortPeriod),
        roll(modes.roll),
        spiral(modes.spiral),
        dutchRoll(modes.dutchRoll),
      ],
      derivatives: {
        Cl_beta: d.beta.Cl,
        Cn_beta: d.beta.Cn,
        CY_beta: d.beta.CY,
        Cl_p: d.p.Cl,
        Cn_p: d.p.Cn,
        Cl_r: d.r.Cl,
        Cn_r: d.r.Cn,
        Cm_q: d.q.Cm,
        CL_q: d.q.CL,
        Cm_alpha: d.alpha.Cm,
        CL_alpha: d.alpha.CL,
      },
      readings: readings(d),
    },
  }
}

const turning = ({ xx, yy, zz }: InertiaFigures): TurnInertia => ({
  rollKgM2: xx,
  pitchKgM2: yy,
  yawKgM2: zz,
})

/** Digits as far as a stopwatch by hand tells anything. */
const digitsOf = (value: number): number => (value >= 10 ? 0 : value >= 1 ? 1 : 2)
const seconds = (value: number) => q(value, 's', digitsOf(value))
/** Several real roots speak by the slowest. */
const slowest = (modes: readonly Mode[]): Mode =>
  modes.reduce((a, b) => (Math.abs(b.growth) < Math.abs(a.growth) ? b : a))

function report(
  id: ModeReport['id'],
  label: string,
  mode: Mode,
  words: Words,
  state: ModeReport['state'],
): ModeReport {
  const swing = period(mode)
  return {
    id,
    label,
    periodS: Number.isFinite(swing) ? swing : null,
    halfS: halfTime(mode),
    grows: mode.growth > 0,
    dampingShare: damping(mode),
    words,
    state,
  }
}

function phugoid(modes: readonly Mode[]): ModeReport {
  const mode = modes.find(item => item.growth > 0) ?? slowest(modes)
  const words =
    mode.frequency === 0
      ? mode.growth > 0
        ? say`runs away in speed, doubling in ${seconds(halfTime(mode))}: the balance is too far aft`
        : 'speed comes back without a swing'
      : mode.growth > 0.02
        ? say`rises and dives every ${seconds(period(mode))}, a little more each time: hold it with the elevator`
        : say`rises and dives every ${seconds(period(mode))} and settles in ${seconds(3 * halfTime(mode))} if left alone`
  return report(
    'phugoid',
    'Phugoid',
    mode,
    words,
    mode.growth > 0.05 ? 'poor' : mode.growth > 0 ? 'tight' : 'good',
  )
}

function shortPeriod(modes: readonly Mode[]): ModeReport {
  const growing = modes.find(item => item.growth > 0)
  const mode = growing ?? slowest(modes)
  const words = growing
    ? say`diverges in pitch, doubling in ${seconds(halfTime(growing))}: not to be flown`
    : mode.frequency > 0
      ? say`nods back within ${seconds(3 * halfTime(mode))}, ${damping(mode) > 0.5 ? 'without overshoot to speak of' : 'with a visible nod or two'}`
      : say`comes back without a swing in ${seconds(3 * halfTime(mode))}`
  return report(
    'short-period',
    'Short period',
    mode,
    words,
    growing ? 'poor' : damping(mode) < 0.3 && mode.frequency > 0 ? 'tight' : 'good',
  )
}

const roll = (mode: Mode): ModeReport =>
  report(
    'roll',
    'Roll',
    mode,
    mode.growth < 0
      ? say`answers the ailerons within ${seconds(-1 / mode.growth)} and stops as fast`
      : 'does not damp in roll',
    mode.growth < 0 ? 'good' : 'poor',
  )

function spiral(mode: Mode): ModeReport {
  const time = halfTime(mode)
  const words =
    mode.growth <= 0
      ? say`levels itself out of a bank, halving it in ${seconds(time)}`
      : time > 20
        ? say`a bank stays about as it is (doubles in ${seconds(time)})`
        : say`a bank tightens, doubling in ${seconds(time)}: ${time < 5 ? 'more dihedral or a smaller fin' : 'keep an eye on it'}`
  return report(
    'spiral',
    'Spiral',
    mode,
    words,
    mode.growth <= 0 || time > 10 ? 'good' : time > 4 ? 'tight' : 'poor',
  )
}

function dutchRoll(modes: readonly Mode[]): ModeReport {
  const growing = modes.find(item => item.growth > 0)
  const mode = growing ?? slowest(modes)
  const words = () => {
    if (growing) return 'swings its tail wider and wider: a larger fin or less dihedral'
    if (mode.frequency === 0) return 'does not wag its tail'
    return damping(mode) < 0.08
      ? say`wags its tail every ${seconds(period(mode))} and keeps at it: a larger fin or less dihedral`
      : say`wags its tail every ${seconds(period(mode))}, gone in ${seconds(3 * halfTime(mode))}`
  }
  return report(
    'dutch-roll',
    'Dutch roll',
    mode,
    words(),
    growing ? 'poor' : mode.frequency > 0 && damping(mode) < 0.08 ? 'tight' : 'good',
  )
}

function readings(d: Derivatives): HandlingReport['readings'] {
  const { Cl: dihedral, Cn: weathercock } = d.beta
  return [
    {
      id: 'weathercock',
      label: 'Weathercock Cn_β',
      value: weathercock,
      words:
        weathercock <= 0
          ? 'turns its nose away from the wind: the fin is too small'
          : weathercock < 0.03
            ? 'finds the wind slowly'
            : 'keeps its nose into the wind',
      state: weathercock <= 0 ? 'poor' : weathercock < 0.03 ? 'tight' : 'good',
    },
    {
      id: 'dihedral',
      label: 'Dihedral effect Cl_β',
      value: dihedral,
      words:
        dihedral >= 0
          ? 'rolls into a sideslip: flies it by itself never'
          : dihedral > -0.03
            ? 'steers on ailerons; rudder alone will not bank it'
            : 'rudder banks it',
      state: dihedral >= 0 ? 'tight' : 'good',
    },
    {
      id: 'roll-damping',
      label: 'Roll damping Cl_p',
      value: d.p.Cl,
      words: 'how much a wing resists being rolled',
      state: d.p.Cl < 0 ? 'good' : 'poor',
    },
    {
      id: 'adverse',
      label: 'Yaw by rolling Cn_p',
      value: d.p.Cn,
      words:
        d.p.Cn < -0.02
          ? 'rolling pulls the nose the other way: mix in rudder or differential'
          : 'rolling hardly turns the nose',
      state: d.p.Cn < -0.08 ? 'tight' : 'good',
    },
  ]
}
