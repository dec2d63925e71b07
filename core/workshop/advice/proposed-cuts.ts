/** Cuts proposed for the printers at hand. */
import { noCuts, type Airframe } from '../../assess'
import {
  newPieceNumber,
  surfaceOf,
  type CutPart,
  type Cuts,
  type Joint,
  type SurfaceName,
} from '../../document'
import { proposeCuts, zoneOr } from '../../geometry'

/** Room left under the top of the tallest bed, mm. */
const HEADROOM = 5
/** Nearer than this a cut is the one that is there already, mm. */
const SAME_PLACE = 0.05
/**
 * New cuts: fewest pieces that stand under the tallest bed, even in length, with a cut wherever the zone or
 * the dihedral changes, none through a hinge, a bay or a hatch. Joints are those that the part has now, else
 * pins in surfaces and lips in bodies.
 */
export function proposeAllCuts(airframe: Airframe): Cuts {
  const { doc, surfaces, body } = airframe
  const height = Math.max(...doc.printers.map(printer => printer.bedMm[2])) - HEADROOM
  const jointed = (part: CutPart, places: readonly number[]): Cuts['wing'] => {
    const joint: Joint = doc.cuts[part][0]?.joint ?? {
      kind: part === 'body' ? 'lip' : 'pins',
      toleranceMm: 0.2,
    }
    // A cut that stays where it is keeps the number of its piece; a new one gets one that named no other.
    let free = newPieceNumber(doc, part)
    return places.map(atMm => {
      const same = doc.cuts[part].find(cut => Math.abs(cut.atMm - atMm) < SAME_PLACE)
      return { atMm, joint: { ...joint }, piece: same?.piece ?? free++ }
    })
  }
  const stretches = (part: CutPart) => noCuts(airframe, part).map(({ from, to }) => [from, to] as const)
  const along = (name: SurfaceName) => {
    const loft = surfaces[name]
    if (!loft) return doc.cuts[name]
    const surface = surfaceOf(doc, name)!
    const ribbed = surface.panels.map(({ zone }) => {
      const { ribs, sheet } = zoneOr(doc.zones, zone)
      return !!ribs || !!sheet
    })
    const fixed = loft.ends
      .slice(1, -1)
      .filter(
        (_, i) =>
          surface.panels[i].zone !== surface.panels[i + 1].zone ||
          surface.panels[i].dihedralDeg !== surface.panels[i + 1].dihedralDeg,
      )
      .map(station => station.s)
    // Ribs are as long as they are thick, and sheets know no bed: only shells are cut for it.
    const cuts = surface.panels.flatMap((_, i): number[] => {
      if (ribbed[i] || ribbed[i - 1] === false) return []
      let last = i
      while (ribbed[last + 1] === false) last++
      const from = loft.ends[i].s
      return [
        ...(i > 0 ? [from] : []),
        ...proposeCuts(from, loft.ends[last + 1].s, height, fixed, stretches(name)).cuts,
        ...(last + 1 < ribbed.length ? [loft.ends[last + 1].s] : []),
      ]
    })
    return jointed(name, cuts)
  }
  const bodyFixed = body
    ? body.breaks.filter(
        (x, i) => i > 0 && i < body.breaks.length - 1 && body.zoneAt(x + 0.01) !== body.zoneAt(x - 0.01),
      )
    : []
  return {
    wing: along('wing'),
    second: along('second'),
    winglet: along('winglet'),
    horizontal: along('horizontal'),
    vertical: along('vertical'),
    body: body
      ? jointed('body', proposeCuts(body.from, body.to, height, bodyFixed, stretches('body')).cuts)
      : doc.cuts.body,
  }
}
