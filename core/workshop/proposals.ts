/** Cuts proposed for the printers at hand. */
import type { Airframe } from '../assess'
import type { Cuts, SurfaceName } from '../document'
import { proposeCuts } from '../geometry'

/** Room left under the top of the tallest bed, mm. */
const HEADROOM = 5

/** New cuts: pieces of even length that stand under the tallest bed, with a cut wherever the zone or the dihedral changes. */
export function proposeAllCuts({ doc, surfaces, body }: Airframe): Cuts {
  const height = Math.max(...doc.printers.map(printer => printer.bedMm[2])) - HEADROOM
  const along = (name: SurfaceName) => {
    const loft = surfaces[name]
    if (!loft) return doc.cuts[name]
    const surface = name === 'wing' ? doc.wing : doc.tail[name]!
    const fixed = loft.stations.slice(1, -1).filter((_, i) => surface.panels[i].zone !== surface.panels[i + 1].zone || surface.panels[i].dihedralDeg !== surface.panels[i + 1].dihedralDeg).map(station => station.s)
    return proposeCuts(0, loft.span, height, fixed)
  }
  const bodyFixed = body ? body.breaks.filter((x, i) => i > 0 && i < body.breaks.length - 1 && body.zoneAt(x + 0.01) !== body.zoneAt(x - 0.01)) : []
  return { wing: along('wing'), horizontal: along('horizontal'), vertical: along('vertical'), body: body ? proposeCuts(body.from, body.to, height, bodyFixed) : doc.cuts.body }
}
