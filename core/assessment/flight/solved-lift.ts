/**
 * Lattice, neutral point and reference lengths of an airframe. Solved again only when a surface or the body
 * changes. SI inside.
 */
import {
  airAt,
  bodyMoment,
  planform,
  slopesOf,
  softTail,
  solveLift,
  type LiftSolution,
  type Reference,
  type SoftTail,
  type SolvedFlows,
} from '../../aero'
import { surfaceOf, type Boom, type Control, type Design, type SurfaceName } from '../../document'
import { placePoint, type BodyLoft, type SurfaceLoft } from '../../geometry'
import { stockInertia } from '../../libraries'
import { memoise, narrowedList, only } from '../../memo'
import { cToK, mmToM } from '../../units'
import { tubeOf } from './body-carry'
import { latticeParts, type LatticeControl } from './airframe-lattice'
import type { Designed } from '../resolve'

export interface WingPlan {
  area: number
  mac: number
  macLead: number
  macSpan: number
  span: number
}

/** Both halves, projected on the horizontal, m and m². */
export function planOf(loft: SurfaceLoft): WingPlan {
  const half = planform(
    loft.ends.map(station => ({
      span: mmToM(station.s),
      lead: mmToM(station.lead),
      chord: mmToM(station.chord),
    })),
  )
  const sides = loft.mirror ? 2 : 1
  const flat = Math.cos(loft.cant)
  return {
    area: sides * half.area * Math.max(flat, 1e-3),
    mac: half.mac,
    macLead: half.macLead,
    macSpan: mmToM(loft.origin[1]) + half.macSpan,
    span: sides * (mmToM(loft.span) * flat + mmToM(loft.origin[1])),
  }
}

/** Two wings as one: areas add up, the mean chord lies where both wings' do by their areas, the wider one spans. */
export function joinedPlan(first: WingPlan, second: WingPlan | null): WingPlan {
  if (!second) return first
  const area = first.area + second.area
  const mean = (of: (plan: WingPlan) => number) => (first.area * of(first) + second.area * of(second)) / area
  const mac = mean(plan => plan.mac)
  return {
    area,
    mac,
    macLead: mean(plan => plan.macLead + plan.mac / 4) - mac / 4,
    macSpan: mean(plan => plan.macSpan),
    span: Math.max(first.span, second.span),
  }
}

export interface SolvedFlight {
  /** Of all that is wing: of two, as one. */
  plan: WingPlan
  reference: Reference
  lift: LiftSolution
  bodyShift: number
  /** Body's Cm per radian of incidence, and Cn per radian of sideslip. */
  bodyPitch: number
  bodyYaw: number
  neutralPoint: number
  /** The flows at a speed, m/s, in the field's air: with a tail that its boom gives way to. */
  flowsAt(speed: number): SolvedFlows
  /** Share of a force on the tail that its boom leaves it at a speed, up or down and sideways; 1 without a boom. */
  tailLeft(speed: number): { pitch: number; yaw: number }
  /** Pairs of surfaces that the lattice takes as partly joined. */
  between: Array<[string, string]>
}

type Part = { loft: SurfaceLoft; controls: readonly LatticeControl[] }
/** Share of the free stream's turning that a body feels behind the wing, where the downwash takes half. */
const BEHIND_WING = 0.5

/** A fin that stands this much further out than tailplane or boom is on the wing, mm. */
const BESIDE = 10

const NONE: readonly LatticeControl[] = []

/** Shapes whose flows are remembered: the present one and what nudges try. */
const SOLVED = 24

/** What the shapes alone decide. */
type Shaped = Omit<SolvedFlight, 'neutralPoint' | 'flowsAt' | 'tailLeft'> & { soft: SoftTail | null }

/** `begins` is told when a lattice is solved anew. */
export function createLift(begins: () => void = () => {}): (airframe: Designed) => SolvedFlight {
  const solveFor = memoise(
    (
      wing: SurfaceLoft,
      wingControls: readonly LatticeControl[],
      second: SurfaceLoft | undefined,
      secondControls: readonly LatticeControl[],
      winglet: SurfaceLoft | undefined,
      tail: SurfaceLoft | undefined,
      tailControls: readonly LatticeControl[],
      fin: SurfaceLoft | undefined,
      finControls: readonly LatticeControl[],
      body: BodyLoft | null,
      tube: Boom | null,
      tubeMm: number,
      boomEI: number,
      boomHeldMm: number,
      boomOutMm: number,
      ...pods: BodyLoft[]
    ): Shaped => {
      begins()
      const plan = joinedPlan(planOf(wing), second ? planOf(second) : null)
      const reference: Reference = {
        area: plan.area,
        chord: plan.mac,
        span: plan.span,
        x: plan.macLead + plan.mac / 4,
      }
      const parts: Part[] = [{ loft: wing, controls: wingControls }]
      if (second) parts.push({ loft: second, controls: secondControls })
      if (winglet) parts.push({ loft: winglet, controls: NONE })
      if (tail) parts.push({ loft: tail, controls: tailControls })
      if (fin) parts.push({ loft: fin, controls: finControls })
      const lift = solveLift(
        parts.flatMap(({ loft, controls }) => {
          const carried = boomEI > 0 && onBoom(loft, tail, boomHeldMm, boomOutMm)
          return latticeParts(loft, controls, body, tube && { boom: tube, diameterMm: tubeMm }).map(part =>
            carried ? { ...part, carried } : part,
          )
        }),
        reference,
      )
      const bodies = [...(body ? [body] : []), ...pods]
      const strips = (
        size: (section: ReturnType<BodyLoft['at']>) => number,
        wingRear: number,
        behind: number,
        length: number,
      ) =>
        bodies.reduce(
          (sum, own) =>
            sum +
            bodyMoment(
              x => mmToM(size(own.at(x * 1000))),
              mmToM(own.from),
              mmToM(own.to),
              wingRear,
              behind,
              plan.area,
              length,
            ),
          0,
        )
      const bodyPitch = strips(section => section.width, plan.macLead + plan.mac, BEHIND_WING, plan.mac)
      return {
        plan,
        reference,
        lift,
        bodyPitch,
        bodyYaw: -strips(section => section.height, Infinity, 1, plan.span),
        bodyShift: (-plan.mac * bodyPitch) / lift.clAlpha,
        soft: softTail(lift.flows, { heldM: mmToM(boomHeldMm), EI: boomEI }),
        between: partlyJoined(lift, parts),
      }
    },
    SOLVED,
  )
  const inAir = memoise((shaped: Shaped, density: number, cruise: number): SolvedFlight => {
    const { soft, lift, reference, plan, bodyPitch } = shaped
    const pressure = (speed: number) => (density * speed ** 2) / 2
    const flowsAt = (speed: number) => soft?.at(pressure(speed)) ?? lift.flows
    const { clAlpha, cmAlpha } = soft ? slopesOf(flowsAt(cruise), reference) : lift
    return {
      ...shaped,
      neutralPoint: reference.x - (reference.chord * cmAlpha) / clAlpha - (plan.mac * bodyPitch) / clAlpha,
      flowsAt,
      tailLeft: speed => ({
        pitch: soft?.left('pitch', pressure(speed)) ?? 1,
        yaw: soft?.left('yaw', pressure(speed)) ?? 1,
      }),
    }
  }, SOLVED)
  const placed = narrowedList(only<Control, keyof LatticeControl>('fromShare', 'toShare', 'chordShare'))
  return ({ doc, wing, surfaces, body, boom, pods }) => {
    const controls = (name: SurfaceName) => (surfaces[name] ? placed(surfaceOf(doc, name)!.controls) : NONE)
    const shaped = solveFor(
      wing,
      controls('wing'),
      surfaces.second,
      controls('second'),
      surfaces.winglet,
      surfaces.horizontal,
      controls('horizontal'),
      surfaces.vertical,
      controls('vertical'),
      body,
      tubeOf(boom)?.boom ?? null,
      boom?.stock.heightMm ?? 0,
      boom ? boom.count * boom.stock.modulus * stockInertia(boom.stock) : 0,
      boom?.heldMm ?? 0,
      boom?.boom.yMm ?? 0,
      ...pods.flatMap(({ pod, loft }) => (pod.pair ? [loft, loft] : [loft])),
    )
    return inAir(shaped, airOf(doc).density, doc.brief.cruiseMs)
  }
}

/** Neither one surface nor two: said, since a gap of millimetres decides. */
function partlyJoined(lift: LiftSolution, parts: readonly Part[]): Array<[string, string]> {
  const { spread, strips, surface } = lift.flows.lattice.panels
  const count = Math.sqrt(spread.length)
  const labels = new Map(parts.map(({ loft }) => [loft.name as string, loft.label]))
  const nameOf = (index: number) =>
    labels.get(strips.find(strip => surface[strip.first] === index)?.surface ?? '')
  const found: Array<[string, string]> = []
  for (let i = 0; i < count; i++)
    for (let j = i + 1; j < count; j++) {
      const [a, b] = [nameOf(i), nameOf(j)]
      if (a && b && spread[i * count + j] > 0.02 && spread[i * count + j] < 0.98) found.push([a, b])
    }
  return found
}

/** Surfaces that stand on the boom: aft of where it is held, and no wider apart than booms and tailplane are. */
function onBoom(loft: SurfaceLoft, tail: SurfaceLoft | undefined, heldMm: number, outMm: number): boolean {
  const root = loft.ends[0]
  if (loft.name === 'wing' || loft.name === 'winglet' || root.lead + root.chord / 4 <= heldMm) return false
  const tip = tail ? placePoint(tail, 0, 0, tail.span, 1)[1] : 0
  return loft.name !== 'vertical' || Math.abs(loft.origin[1]) < Math.max(tip, outMm) + BESIDE
}

export const airOf = (doc: Design) => airAt(doc.brief.fieldElevationM, cToK(doc.brief.fieldTemperatureC))
