/**
 * Lattice, neutral point and reference lengths of an airframe. Solved again only when a surface or the body
 * changes. SI inside.
 */
import { airAt, bodyMoment, planform, solveLift, type LiftSolution, type Reference } from '../../aero'
import type { Boom, Control, Design, SurfaceName } from '../../document'
import type { BodyLoft, SurfaceLoft } from '../../geometry'
import { stockInertia } from '../../libraries'
import { memoise, narrowedList, only } from '../../memo'
import { tailEffectiveness } from '../../structure'
import { cToK, mmToM } from '../../units'
import { tubeOf } from './body-carry'
import { latticeParts, surfaceOf, type LatticeControl } from './airframe-lattice'
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

export interface SolvedFlight {
  plan: WingPlan
  reference: Reference
  lift: LiftSolution
  bodyShift: number
  /** Body's Cm per radian of incidence, and Cn per radian of sideslip. */
  bodyPitch: number
  bodyYaw: number
  neutralPoint: number
  /** Share of the tailplane's lift slope that its boom leaves it at cruise; 1 without a boom. */
  tailLeft: number
  /** Pairs of surfaces that the lattice takes as partly joined. */
  between: Array<[string, string]>
}

type Part = { loft: SurfaceLoft; controls: readonly LatticeControl[] }
/** Share of the free stream's turning that a body feels behind the wing, where the downwash takes half. */
const BEHIND_WING = 0.5

/** Shapes whose flows are remembered: the present one and what nudges try. */
const SOLVED = 24

/** `begins` is told when a lattice is solved anew. */
export function createLift(begins: () => void = () => {}): (airframe: Designed) => SolvedFlight {
  const solveFor = memoise(
    (
      wing: SurfaceLoft,
      wingControls: readonly LatticeControl[],
      tail: SurfaceLoft | undefined,
      tailControls: readonly LatticeControl[],
      fin: SurfaceLoft | undefined,
      finControls: readonly LatticeControl[],
      body: BodyLoft | null,
      boom: Boom | null,
      boomMm: number,
      boomEI: number,
      boomHeld: number,
      pressure: number,
      ...pods: BodyLoft[]
    ): SolvedFlight => {
      begins()
      const plan = planOf(wing)
      const reference: Reference = {
        area: plan.area,
        chord: plan.mac,
        span: plan.span,
        x: plan.macLead + plan.mac / 4,
      }
      const parts: Part[] = [{ loft: wing, controls: wingControls }]
      if (tail) parts.push({ loft: tail, controls: tailControls })
      if (fin) parts.push({ loft: fin, controls: finControls })
      const lift = solveLift(
        parts.flatMap(({ loft, controls }) =>
          latticeParts(loft, controls, body, boom && { boom, diameterMm: boomMm }),
        ),
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
      const give = boomGives(
        lift,
        reference,
        boomEI > 0 ? { heldM: boomHeld, EI: boomEI } : null,
        tail?.mirror ?? false,
        pressure,
      )
      return {
        plan,
        reference,
        lift,
        bodyPitch,
        bodyYaw: -strips(section => section.height, Infinity, 1, plan.span),
        bodyShift: (-plan.mac * bodyPitch) / lift.clAlpha,
        neutralPoint: give.neutralPointX - (plan.mac * bodyPitch) / give.clAlpha,
        tailLeft: give.left,
        between: partlyJoined(lift, parts),
      }
    },
    SOLVED,
  )
  const NONE: readonly LatticeControl[] = []
  const placed = narrowedList(only<Control, keyof LatticeControl>('fromShare', 'toShare', 'chordShare'))
  return ({ doc, wing, surfaces, body, boom, pods }) => {
    const controls = (name: SurfaceName) => (surfaces[name] ? placed(surfaceOf(doc, name)!.controls) : NONE)
    return solveFor(
      wing,
      controls('wing'),
      surfaces.horizontal,
      controls('horizontal'),
      surfaces.vertical,
      controls('vertical'),
      body,
      tubeOf(boom)?.boom ?? null,
      boom?.stock.heightMm ?? 0,
      boom ? boom.count * boom.stock.modulus * stockInertia(boom.stock) : 0,
      boom ? mmToM(boom.heldMm) : 0,
      boom ? (airOf(doc).density * doc.brief.cruiseMs ** 2) / 2 : 0,
      ...pods.flatMap(({ pod, loft }) => (pod.pair ? [loft, loft] : [loft])),
    )
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

/**
 * The tail's lift bends its boom, and takes some of it away: the neutral point at cruise moves forward by as much.
 * The lattice itself stays rigid, trim and rates with it.
 */
function boomGives(
  lift: LiftSolution,
  reference: Reference,
  boom: { heldM: number; EI: number } | null,
  mirror: boolean,
  pressure: number,
): { clAlpha: number; neutralPointX: number; left: number } {
  const strips = lift.strips.filter(strip => strip.surface === 'horizontal')
  const slopes = strips.map(strip => (mirror ? 2 : 1) * strip.clPerRad * strip.chord * strip.width)
  const lifted = slopes.reduce((sum, value) => sum + value, 0)
  const rigid = { clAlpha: lift.clAlpha, neutralPointX: lift.neutralPointX, left: 1 }
  if (!boom || !(lifted > 0) || !(boom.EI > 0)) return rigid
  const x = strips.reduce((sum, strip, i) => sum + slopes[i] * (strip.x + strip.chord / 4), 0) / lifted
  // What stands ahead of where the boom is held, as a canard does, does not bend it.
  if (x <= boom.heldM) return rigid
  const left = tailEffectiveness(pressure, lifted, 1, x - boom.heldM, boom.EI)
  const lost = ((1 - left) * lifted) / reference.area
  const clAlpha = lift.clAlpha - lost,
    cmAlpha = lift.cmAlpha + (lost * (x - reference.x)) / reference.chord
  return { clAlpha, neutralPointX: reference.x - (reference.chord * cmAlpha) / clAlpha, left }
}

export const airOf = (doc: Design) => airAt(doc.brief.fieldElevationM, cToK(doc.brief.fieldTemperatureC))
