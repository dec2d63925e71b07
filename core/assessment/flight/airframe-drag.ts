/**
 * Drag of an airframe: induced in the far wake, profile by strips from their polars, bodies by friction. SI
 * inside.
 */
import {
  bodyDragArea,
  coefficientsAt,
  ellipsePerimeter,
  steady,
  stripCirculations,
  type Circulation,
  type Deflection,
} from '../../aero'
import type { BodyLoft } from '../../geometry'
import { memoise, steadied } from '../../memo'
import { mmToM } from '../../units'
import { airOf, type SolvedFlight } from './solved-lift'
import { alongSpan, type StationModels } from './section-models'
import type { SurfaceName } from '../../document'
import type { Designed } from '../resolve'

/** On top of what is computed: gaps, hinges, rods, edges, joints and what stands in the wind. */
const EXTRA = 1.15
/** Body and wing, body and tail, boom and tail slow each other's layers: on top of what bodies drag alone. */
const INTERFERENCE = 1.25
/**
 * A propeller that stands or turns with the wind in the glide, of a disc's area: blades fill about 6 % of it, and
 * half of what a blade square to the wind drags (Hoerner 13-10). Blades that fold drag less; nothing is taken off.
 */
const PROPELLER = 0.06 * 0.5

/**
 * A strut across the wind, of its frontal area: a cylinder below the drag crisis 1.1 (Hoerner 3-9), a strip with its
 * narrow side to the wind no less. Leant against the wind it drags a little less; nothing is taken off.
 */
const STRUT = 1.1

const strutArea = ({ struts }: Designed): number =>
  struts.reduce((sum, { strut, stock, ends }) => {
    const [a, b] = ends,
      across = mmToM(Math.hypot(b[1] - a[1], b[2] - a[2]))
    return sum + (strut.pair ? 2 : 1) * STRUT * across * mmToM(Math.min(stock.heightMm, stock.widthMm))
  }, 0)

export type SurfaceModels = Partial<Record<SurfaceName, StationModels>>

export interface DragModel {
  (
    alpha: number,
    deflections: readonly Deflection[],
    speed: number,
  ): { CL: number; CD: number; profile: number; induced: number; body: number }
}

const bodyWetted = memoise((body: BodyLoft) => {
  const steps = 40,
    from = mmToM(body.from),
    length = mmToM(body.to - body.from)
  let area = 0,
    widest = 0
  for (let i = 0; i < steps; i++) {
    const { width, height } = body.at((from + ((i + 0.5) / steps) * length) * 1000)
    area += (ellipsePerimeter(mmToM(width), mmToM(height)) * length) / steps
    widest = Math.max(widest, mmToM(Math.sqrt(width * height)))
  }
  return { area, widest, length }
}, 16)

/** What of an airframe besides its surfaces stands in the wind, and the air. */
interface Dragging {
  bodies: ReadonlyArray<{ area: number; widest: number; length: number; count: number }>
  /** m² */
  standing: number
  /** What flights have taught of this very aircraft; what lift costs is not touched by it. */
  found: number
  kinematic: number
  boom: { length: number; size: number; count: number } | null
  /** Struts across the wind, m². */
  struts: number
}

const draggingOf = (airframe: Designed): Dragging => {
  const { body, pods, boom, doc } = airframe,
    { viscosity, density } = airOf(doc)
  return {
    bodies: [
      ...(body ? [{ ...bodyWetted(body), count: 1 }] : []),
      ...pods.map(({ pod, loft }) => ({ ...bodyWetted(loft), count: pod.pair ? 2 : 1 })),
    ],
    standing: standingPropellers(airframe),
    found: doc.measured.dragShare ?? 1,
    kinematic: viscosity / density,
    struts: strutArea(airframe),
    boom: boom && {
      length: mmToM(boom.boom.toMm - boom.boom.fromMm),
      size: mmToM(boom.stock.heightMm),
      count: boom.count,
    },
  }
}

/**
 * The drag of an airframe, the very same function while nothing in it changes that stands in the wind. `models` are the
 * sections of each surface; a surface without them drags like the wing's first section.
 */
export function createDrag(): (airframe: Designed, flight: SolvedFlight, models: SurfaceModels) => DragModel {
  const sameModels = steadied<SurfaceModels>(),
    sameShape = steadied<Dragging>()
  const model = memoise(dragModel, 4)
  return (airframe, flight, models) => model(flight, sameModels(models), sameShape(draggingOf(airframe)))
}

function dragModel(
  flight: SolvedFlight,
  models: SurfaceModels,
  { bodies, standing, found, kinematic, boom, struts }: Dragging,
): DragModel {
  const { lift, reference, plan } = flight
  const { panels } = lift.flows.lattice
  const units = new Map<string, Float64Array>()
  const unit = (key: string, solved: () => Circulation) => {
    if (!units.has(key)) units.set(key, stripCirculations(panels, solved()).starboard)
    return units.get(key)!
  }
  return (alpha, deflections, speed) => {
    const flows = flight.flowsAt(speed)
    const { pitch } = flows.settled(steady(alpha, deflections)).turned ?? { pitch: 0 }
    const parts = [
      ...(pitch === 0 ? [] : [{ of: unit('turn pitch', () => lift.flows.turn('pitch')), by: pitch }]),
      { of: unit('wind 0', () => lift.flows.wind(0)), by: Math.cos(alpha) },
      { of: unit('wind 2', () => lift.flows.wind(2)), by: Math.sin(alpha) },
      ...deflections.flatMap(({ id, sense, angle }) => {
        // A control that covers nothing of its surface has no flow of its own.
        const flow = lift.flows.control(id, sense)
        return flow ? [{ of: unit(`${id} ${sense}`, () => flow), by: angle }] : []
      }),
    ]
    const { CL, CD: induced } = coefficientsAt(flows, alpha, deflections, { x: reference.x, z: 0 }, reference)
    let profile = 0
    panels.strips.forEach((strip, k) => {
      const own = models[strip.surface as SurfaceName]
      // What body and boom carry on is their own skin, counted below.
      if (!own) return
      const cl =
        (2 * parts.reduce((sum, part) => sum + part.by * part.of[k], 0)) / Math.max(1e-6, strip.chord)
      profile +=
        (strip.mirrored ? 2 : 1) *
        strip.chord *
        strip.width *
        alongSpan(own, strip.span, model => model.drag(cl, (speed * strip.chord) / kinematic))
    })
    let area = struts
    for (const { count, length, area: wetted, widest } of bodies)
      area += count * bodyDragArea(length, wetted, widest, speed, kinematic)
    if (boom)
      area +=
        boom.count * bodyDragArea(boom.length, Math.PI * boom.size * boom.length, boom.size, speed, kinematic)
    const own = {
      profile: (found * EXTRA * profile) / plan.area,
      body: (found * EXTRA * INTERFERENCE * area + standing) / plan.area,
      induced,
    }
    return { CL, CD: own.profile + own.body + induced, ...own }
  }
}

/** What propellers that stand still drag, m²: fixed ones nothing turns, and folded ones the little that stands out. */
export const standingPropellers = ({ doc }: Designed): number =>
  PROPELLER *
  doc.equipment
    .filter(item => item.kind === 'propeller')
    .reduce(
      (sum, item) =>
        sum + (item.pair ? 2 : 1) * (Math.PI / 4) * mmToM(Math.max(item.sizeMm[1], item.sizeMm[2])) ** 2,
      0,
    )
