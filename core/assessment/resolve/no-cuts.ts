/** Stretches along a surface or the body that no cut may run through, and why. */
import { controlsOf, type Body, type CutPart } from '../../document'
import { bays, HINGE_SLOTS, hingedControls, wingBoltPlaces, wingSeat, type SurfaceLoft } from '../../geometry'
import type { Designed } from './designed'

/** A cut keeps this far from a hinge, a bay or a hatch, mm. */
const CLEAR = 2

export interface NoCut {
  from: number
  to: number
  why: string
}

export function noCuts({ doc, surfaces, body }: Designed, part: CutPart): NoCut[] {
  if (part === 'body') {
    if (!doc.body || !body) return []
    const bolts =
      doc.body.saddle && surfaces.wing
        ? wingBoltPlaces(wingSeat(surfaces.wing), doc.body.saddle.bolts).map(x => ({
            from: x - 6 - CLEAR,
            to: x + 6 + CLEAR,
            why: 'a wing bolt',
          }))
        : []
    return [...hatchNoCuts(doc.body), ...bolts]
  }
  const loft = surfaces[part]
  return loft
    ? surfaceNoCuts(
        loft,
        doc.equipment.filter(item => item.pocket?.surface === part),
        controlsOf(doc, part),
      )
    : []
}

/** Of a body or a pod, in the places that its openings have. */
export const hatchNoCuts = ({ openings }: Pick<Body, 'openings'>): NoCut[] =>
  openings.map(({ name, fromMm, toMm }) => ({
    from: fromMm - CLEAR,
    to: toMm + CLEAR,
    why: `the ${name}`,
  }))

function surfaceNoCuts(
  loft: SurfaceLoft,
  pockets: Parameters<typeof bays>[0]['pockets'],
  controls: Parameters<typeof hingedControls>[1],
): NoCut[] {
  const hinges = hingedControls(loft, controls).flatMap(({ control, hinges: places }) => {
    const half = (HINGE_SLOTS[control.hinge.kind]?.width ?? 0) / 2
    return half > 0
      ? places.map(s => ({
          from: s - half - CLEAR,
          to: s + half + CLEAR,
          why: `a hinge of the ${control.name.toLowerCase()}`,
        }))
      : []
  })
  const pits = bays({ loft, pockets })
    .features.filter(feature => !feature.inside)
    .map(({ name, from, to }) => ({ from: from - CLEAR, to: to + CLEAR, why: `the bay of ${name}` }))
  return [...hinges, ...pits]
}
