/** Every spar with its fit in the section, mass and price. The fits are kept while shape and spars stay. */
import { sparFit, type SparFit, type SparLine, type SurfaceLoft } from '../../geometry'
import { stockLinearMass } from '../../libraries'
import type { MassEntry } from '../../mass'
import { memoise } from '../../memo'
import { kgToG } from '../../units'
import type { Designed } from '../resolve'
import type { SparReport } from '../report'

const FIT_STATIONS = 25

const fitsAlong = (loft: SurfaceLoft, line: SparLine): SparFit[] =>
  Array.from({ length: FIT_STATIONS }, (_, i) =>
    sparFit(loft, line, line.from + ((line.to - line.from) * i) / (FIT_STATIONS - 1)),
  )

/** Of the length that is in the aircraft, both sides. */
export const sparPrice = ({ mirror }: SurfaceLoft, { stock, from, to }: SparLine): number =>
  (stock.price * (mirror ? 2 : 1) * (to - from)) / stock.lengthMm

export function createSparReports(): (airframe: Designed, entries: readonly MassEntry[]) => SparReport[] {
  const fitsOf = memoise(fitsAlong, 200)
  return (airframe, entries) =>
    Object.values(airframe.surfaces).flatMap(loft =>
      (airframe.spars[loft.name] ?? []).map((line): SparReport => {
        const fits = fitsOf(loft, line)
        const worst = fits.reduce((a, b) => (Math.min(b.above, b.below) < Math.min(a.above, a.below) ? b : a))
        const length = line.to - line.from
        return {
          id: line.spar.id,
          name: line.spar.name,
          surface: loft.name,
          massG: entries
            .filter(entry => entry.group === 'spar' && entry.common === line.spar.id)
            .reduce((sum, entry) => sum + kgToG(entry.mass), 0),
          price: sparPrice(loft, line),
          pieceMm: line.spar.through ? 2 * length : length,
          stockMm: line.stock.lengthMm,
          pieces: line.spar.through || !loft.mirror ? 1 : 2,
          gramsPerM: kgToG(stockLinearMass(line.stock)),
          stock: line.stock.id,
          fits,
          worstMm: Math.min(worst.above, worst.below),
          worstAt: worst.s,
          fromMm: line.from,
          toMm: line.to,
        }
      }),
    )
}
