/**
 * The body, its duct and the pods beside it as lofts and pieces. Openings, walls and seats are cut out of a body: they do
 * not shape it.
 */
import type { AsPrinted, Body, Boom, Cut, Design, Pod } from '../../document'
import {
  cutBody,
  loftBody,
  loftDuct,
  podPrefix,
  podStanding,
  reuseShapes,
  seatAbove,
  standingBody,
  standingStations,
  type BodyLoft,
  type CrossHole,
  type DuctLoft,
  type KnownShapes,
  type PieceShape,
  type Slot,
  type SurfaceLoft,
  type WingSeat,
} from '../../geometry'
import { stockOr, type Libraries } from '../../libraries'
import { memoise } from '../../memo'
import type { Designed } from './designed'
import { holdsBoom } from './held-boom'
import { recipesIn, type Printed } from './printed-recipes'
import { createCrossings, createSeat } from './wing-on-body'

/** Gap round the boom in the body's socket, mm on the radius. */
const BOOM_CLEARANCE_MM = 0.15

type StandingPod = Designed['pods'][number]

export interface BodyShapes {
  lofts(doc: Design): Pick<Designed, 'body' | 'duct' | 'pods'>
  body(
    doc: Design,
    own: Pick<Designed, 'surfaces' | 'spars' | 'duct' | 'slots'> & { body: BodyLoft },
  ): readonly PieceShape[]
  pod(doc: Design, standing: StandingPod, wing: SurfaceLoft): readonly PieceShape[]
}

/** Pieces that stay as they were printed, by what their ids begin with. */
const heldOf = ({ asPrinted }: Design, ...starts: string[]): AsPrinted[] =>
  asPrinted.filter(item => starts.some(start => item.piece.startsWith(start)))

export function createBodyShapes(libraries: Libraries, remembered: number): BodyShapes {
  const bodyOf = memoise(loftBody, remembered)
  const ductOf = memoise(loftDuct, remembered)
  const boomSeat = (boom: Boom | null) =>
    boom && { boom, diameter: stockOr(libraries, boom.stock).heightMm, clearance: BOOM_CLEARANCE_MM }
  const knownBody: KnownShapes = new Map(),
    knownPods: KnownShapes = new Map()
  // Zones of the body come last, so that an edit of any other zone leaves its shapes alone.
  const bodyPieces = memoise(
    (
      loft: BodyLoft,
      body: Body,
      cuts: readonly Cut[],
      boom: Boom | null,
      wing: WingSeat | null,
      crossings: readonly CrossHole[],
      duct: DuctLoft | null,
      slots: readonly Slot[],
      ...printed: Printed[]
    ) =>
      reuseShapes(
        knownBody,
        cutBody({ loft, body, boom: boomSeat(boom), wing, crossings, duct, slots }, cuts, recipesIn(printed)),
      ),
    remembered,
  )
  const stood = memoise(standingStations, remembered)
  const standingOf = memoise((pod: Pod): StandingPod => {
    const body = standingBody(pod, stood(pod.body.stations, pod.xMm, pod.zMm))
    return { pod, body, loft: bodyOf(body.stations) }
  }, remembered)
  const seatOfPod = memoise(seatAbove, remembered)
  const podPieces = memoise(
    ({ pod, body, loft }: StandingPod, boom: Boom | null, wing: WingSeat | null, ...printed: Printed[]) =>
      reuseShapes(
        knownPods,
        cutBody(
          { loft, body, boom: boomSeat(boom), wing, crossings: [], open: pod.duct !== null },
          pod.cuts.map(cut => ({ ...cut, atMm: cut.atMm + pod.xMm })),
          recipesIn(printed),
          podStanding(pod),
        ),
      ),
    remembered,
  )
  // The very same list for the same slots, so that the body's shapes are known again.
  const together = memoise((...slots: Slot[]): readonly Slot[] => slots, remembered)
  const seatOf = createSeat(),
    crossingsOf = createCrossings(remembered)
  const zonesIn = (doc: Design, { stations }: Body) => {
    const own = new Set(stations.map(station => station.zone))
    return doc.zones.filter(zone => own.has(zone.id))
  }
  return {
    lofts: doc => {
      const body = doc.body ? bodyOf(doc.body.stations) : null
      return {
        body,
        duct: body && doc.duct ? ductOf(doc.duct.stations) : null,
        pods: doc.pods.map(standingOf),
      }
    },
    body: (doc, { body, duct, slots, surfaces, spars }) =>
      bodyPieces(
        body,
        doc.body!,
        doc.cuts.body,
        doc.boom?.yMm === 0 ? doc.boom : null,
        doc.body!.saddle ? seatOf(surfaces.wing!) : null,
        crossingsOf(surfaces, spars),
        duct,
        together(...Object.values(slots)),
        ...zonesIn(doc, doc.body!),
        ...heldOf(doc, 'body-', 'lid-'),
      ),
    pod: (doc, standing, wing) =>
      podPieces(
        standing,
        doc.boom && holdsBoom(standing.pod, doc.boom) ? doc.boom : null,
        standing.body.saddle ? seatOfPod(wing, standing.pod.yMm) : null,
        ...zonesIn(doc, standing.body),
        ...heldOf(doc, podPrefix(standing.pod)),
      ),
  }
}
