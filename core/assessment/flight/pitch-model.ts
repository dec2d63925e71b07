/**
 * What a flight in the vertical plane goes by, tabulated once: lift, moment and drag over incidence and speed, what the
 * elevator does, damping in pitch, the stall, and the surfaces as plates beyond it. Plain data, so that a page can fly
 * it without the lattice. SI
 */
import { coefficientsAt, controlEffect, derivativesAt } from '../../aero'
import { mmToM, degToRad, GRAVITY } from '../../units'
import { standingPropellers, type DragModel } from './airframe-drag'
import { airOf, type SolvedFlight } from './solved-lift'
import type { ControlRoles } from './airframe-lattice'
import { elevatorEffect, type Loading } from './trim-rows'
import { surfaceOf, type SurfaceName } from '../../document'
import type { Designed } from '../resolve'
import type { PitchTables } from '../report'

/** Incidences of the tables, rad: attached flow, as far as trim and stall go. */
const FROM = degToRad(-16),
  STEP = degToRad(2),
  COUNT = 19
/** Speeds of the drag tables, as multiples of the stall's. */
const THROWN = 1.4
const SPEEDS = [0.7, 1, 1.4, 2, 3]

export interface PitchState {
  load: Loading
  /** About the pitch axis through the CG, kg·m². */
  inertia: number
  clMax: number
}

export function pitchTables(
  airframe: Designed,
  flight: SolvedFlight,
  roles: ControlRoles,
  drag: DragModel,
  { load, inertia, clMax }: PitchState,
): PitchTables {
  const { doc } = airframe
  const { lift, reference, plan } = flight
  const point = { x: load.x, z: load.z }
  // A boom gives as it does in a throw: tables over incidence know one speed.
  const flows = flight.flowsAt(THROWN * Math.max(1, load.stall))
  const alphas = Array.from({ length: COUNT }, (_, i) => FROM + i * STEP)
  const speeds = SPEEDS.map(share => share * Math.max(1, load.stall))
  const [surface, index] = (roles.pitch ?? 'wing:0').split(':')
  const control = roles.pitch ? surfaceOf(doc, surface as SurfaceName)!.controls[Number(index)] : null
  const throws = control
    ? { up: degToRad(control.throwUpDeg), down: degToRad(control.throwDownDeg) }
    : { up: 0, down: 0 }
  const turned = (angle: number) =>
    roles.pitch ? [{ id: roles.pitch, sense: 'together' as const, angle }] : []
  const d = derivativesAt(flows, lift.clAlpha > 0 ? -lift.clZero / lift.clAlpha : 0, [], point, reference)
  const effect = roles.pitch
    ? controlEffect(flows, 0, { id: roles.pitch, sense: 'together' }, point, reference)
    : null
  const elevators = control ? [-throws.up, 0, throws.down] : [0]
  return {
    mass: load.mass,
    inertia,
    area: reference.area,
    chord: reference.chord,
    span: plan.span,
    density: airOf(doc).density,
    gravity: GRAVITY,
    cgX: load.x,
    neutralX: flight.neutralPoint,
    stallSpeed: load.stall,
    clMax,
    clZero: lift.clZero,
    clAlpha: lift.clAlpha,
    CLq: d.q.CL,
    Cmq: d.q.Cm,
    alphaFrom: FROM,
    alphaStep: STEP,
    CL: alphas.map(alpha => coefficientsAt(flows, alpha, [], point, reference).CL),
    Cm: alphas.map(alpha => coefficientsAt(flows, alpha, [], point, reference).Cm + flight.bodyPitch * alpha),
    elevator: effect ? { CL: effect.CL, Cm: effect.Cm, ...throws } : null,
    speeds,
    elevators,
    drag: elevators.map(angle =>
      alphas.map(alpha => speeds.map(speed => drag(alpha, turned(angle), speed).CD)),
    ),
    standingPropeller: standingPropellers(airframe) / reference.area,
    induced: elevators.map(angle => alphas.map(alpha => drag(alpha, turned(angle), load.stall).induced)),
    tailDeg:
      control && surface === 'horizontal' && elevatorEffect(control) > 0.1
        ? 1 / elevatorEffect(control)
        : null,
    plates: platesOf(airframe, reference.area, reference.chord, load.x),
  }
}

/** Surfaces by their share of the wing's area and where their middle is, aft of the CG in mean chords. */
function platesOf(
  { surfaces }: Designed,
  area: number,
  chord: number,
  cg: number,
): Array<{ share: number; arm: number }> {
  return Object.values(surfaces)
    .filter(loft => Math.abs(Math.cos(loft.cant)) > 0.3)
    .map(loft => {
      let own = 0,
        moment = 0
      for (let i = 0; i + 1 < loft.ends.length; i++) {
        const [a, b] = [loft.ends[i], loft.ends[i + 1]]
        const part = mmToM(b.s - a.s) * mmToM((a.chord + b.chord) / 2) * (loft.mirror ? 2 : 1)
        own += part
        moment += part * mmToM((a.lead + a.chord / 2 + b.lead + b.chord / 2) / 2)
      }
      return {
        share: (own * Math.cos(loft.cant) ** 2) / area,
        arm: own > 0 ? (moment / own - cg) / chord : 0,
      }
    })
}
