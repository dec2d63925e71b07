/** Cuts proposed for the printers at hand. */
import type { Airframe } from '../assess'
import type { Cuts, Joint, SurfaceName } from '../document'
import { bays, HINGE_SLOTS, hingedControls, proposeCuts, wingBoltPlaces, type PartName, type SurfaceLoft } from '../geometry'

/** Room left under the top of the tallest bed, mm. */
const HEADROOM = 5
/** A cut keeps this far from a hinge, a bay or a hatch, mm. */
const CLEAR = 2

export interface NoCut { from: number, to: number, why: string }

/** Stretches along a surface or the body that no cut may run through, and why. */
export function noCuts({ doc, surfaces, body }: Airframe, part: PartName): NoCut[] {
  if (part === 'body') {
    if (!doc.body || !body) return []
    const hatches = doc.body.openings.map(({ name, fromMm, toMm }) => ({ from: fromMm - CLEAR, to: toMm + CLEAR, why: name }))
    const bolts = doc.body.saddle && surfaces.wing ? wingBoltPlaces(surfaces.wing, doc.body.saddle.bolts).map(x => ({ from: x - 6 - CLEAR, to: x + 6 + CLEAR, why: 'wing bolt' })) : []
    return [...hatches, ...bolts]
  }
  const loft = surfaces[part]
  return loft ? surfaceNoCuts(loft, doc.equipment.filter(item => item.pocket?.surface === part), part === 'wing' ? doc.wing.controls : doc.tail[part]!.controls) : []
}

function surfaceNoCuts(loft: SurfaceLoft, pockets: Parameters<typeof bays>[0]['pockets'], controls: Parameters<typeof hingedControls>[1]): NoCut[] {
  const hinges = hingedControls(loft, controls).flatMap(({ control, hinges: places }) => {
    const half = (HINGE_SLOTS[control.hinge.kind]?.width ?? 0) / 2
    return half > 0 ? places.map(s => ({ from: s - half - CLEAR, to: s + half + CLEAR, why: `hinge of the ${control.name.toLowerCase()}` })) : []
  })
  const pits = bays({ loft, pockets }).features.filter(feature => !feature.inside).map(({ name, from, to }) => ({ from: from - CLEAR, to: to + CLEAR, why: `bay of ${name}` }))
  return [...hinges, ...pits]
}

/**
 * New cuts: fewest pieces that stand under the tallest bed, even in length, with a cut wherever the zone or the dihedral
 * changes, none through a hinge, a bay or a hatch. Joints are those that the part has now, else pins in surfaces and lips in bodies.
 */
export function proposeAllCuts(airframe: Airframe): Cuts {
  const { doc, surfaces, body } = airframe
  const height = Math.max(...doc.printers.map(printer => printer.bedMm[2])) - HEADROOM
  const jointed = (part: PartName, places: readonly number[]): Cuts['wing'] => {
    const joint: Joint = doc.cuts[part][0]?.joint ?? { kind: part === 'body' ? 'lip' : 'pins', toleranceMm: 0.2 }
    return places.map(atMm => ({ atMm, joint: { ...joint } }))
  }
  const stretches = (part: PartName) => noCuts(airframe, part).map(({ from, to }) => [from, to] as const)
  const along = (name: SurfaceName) => {
    const loft = surfaces[name]
    if (!loft) return doc.cuts[name]
    const surface = name === 'wing' ? doc.wing : doc.tail[name]!
    const fixed = loft.ends.slice(1, -1).filter((_, i) => surface.panels[i].zone !== surface.panels[i + 1].zone || surface.panels[i].dihedralDeg !== surface.panels[i + 1].dihedralDeg).map(station => station.s)
    return jointed(name, proposeCuts(0, loft.span, height, fixed, stretches(name)).cuts)
  }
  const bodyFixed = body ? body.breaks.filter((x, i) => i > 0 && i < body.breaks.length - 1 && body.zoneAt(x + 0.01) !== body.zoneAt(x - 0.01)) : []
  return {
    wing: along('wing'), horizontal: along('horizontal'), vertical: along('vertical'),
    body: body ? jointed('body', proposeCuts(body.from, body.to, height, bodyFixed, stretches('body')).cuts) : doc.cuts.body,
  }
}
