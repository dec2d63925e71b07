/**
 * Bought parts at another size: the stock nearest to what scaling asks for, and the gap that a scaled bore
 * leaves round it. mm
 */
import type { ProjectFile } from '../../document'
import { LIBRARIES, nearestBolt, type Libraries, type Stock } from '../../libraries'
import { wingBolt } from '../../geometry'
import { q, say, type Words } from '../../units'

export interface Fittings {
  spars: Record<string, string>
  struts: Record<string, string>
  boom: string | null
  boltMm: number | null
}

/** Stock of the same shape and stuff, hollow or solid alike. */
export const sameKind = (own: Stock, libraries: Libraries): Stock[] =>
  libraries.stock.filter(
    item => item.shape === own.shape && item.modulus === own.modulus && item.boreMm > 0 === own.boreMm > 0,
  )

const girth = ({ heightMm, widthMm }: Stock): number => Math.sqrt(heightMm * widthMm)

/** Of its own kind, the one whose size differs least, as a share, from the factor's. */
function nearest(id: string, factor: number, libraries: Libraries): string {
  const own = libraries.stock.find(item => item.id === id)
  if (!own) return id
  const off = (item: Stock) => Math.abs(Math.log(girth(item) / (factor * girth(own))))
  return sameKind(own, libraries).reduce((a, b) => (off(b) < off(a) - 1e-12 ? b : a), own).id
}

/** The main spar's stock and the bolt may be chosen; all else is the nearest. */
export function fittingsFor(
  doc: ProjectFile,
  factor: number,
  chosen: { spar: string; stock: string } | null,
  boltMm: number | null,
  libraries: Libraries = LIBRARIES,
): Fittings {
  const bolt = doc.body?.saddle?.bolts ? doc.body.saddle.boltMm : null
  return {
    spars: Object.fromEntries(
      doc.spars.map(spar => [
        spar.id,
        spar.id === chosen?.spar ? chosen.stock : nearest(spar.stock, factor, libraries),
      ]),
    ),
    struts: Object.fromEntries(doc.struts.map(strut => [strut.id, nearest(strut.stock, factor, libraries)])),
    boom: doc.boom && nearest(doc.boom.stock, factor, libraries),
    boltMm: bolt === null ? null : (boltMm ?? (factor === 1 ? bolt : nearestBolt(factor * bolt))),
  }
}

export interface FittingGap {
  id: string
  name: Words
  stock: Words
  /**
   * Bore of the first size times the factor, what goes into it, the gap between both, on the diameter, and
   * the gap that was meant.
   */
  boreMm: number
  sizeMm: number
  gapMm: number
  wantedMm: number
}

/** Gap of the boom in its socket, on the diameter. */
const BOOM_GAP = 0.3

/**
 * For round stock and bolts: whether one set of files, scaled in the slicer, takes the hardware of each size.
 */
export function gapsOf(
  doc: ProjectFile,
  factor: number,
  fittings: Fittings,
  libraries: Libraries = LIBRARIES,
): FittingGap[] {
  const stockOf = (id: string) => libraries.stock.find(item => item.id === id)
  const gap = (id: string, name: Words, from: string, to: string, wantedMm: number): FittingGap[] => {
    const own = stockOf(from),
      other = stockOf(to)
    if (!own || !other || own.shape !== 'round') return []
    const boreMm = factor * (own.heightMm + wantedMm)
    return [
      {
        id,
        name,
        stock: other.name,
        boreMm,
        sizeMm: other.heightMm,
        gapMm: boreMm - other.heightMm,
        wantedMm,
      },
    ]
  }
  const bolt = doc.body?.saddle?.boltMm,
    size = fittings.boltMm
  return [
    ...doc.spars.flatMap(spar =>
      gap(spar.id, spar.name, spar.stock, fittings.spars[spar.id] ?? spar.stock, 2 * spar.clearanceMm),
    ),
    ...(doc.boom ? gap('boom', 'Boom', doc.boom.stock, fittings.boom ?? doc.boom.stock, BOOM_GAP) : []),
    ...(bolt && size !== null
      ? [
          {
            id: 'bolts',
            name: 'Wing bolts',
            stock: say`${q(size, 'mm')}`,
            boreMm: factor * wingBolt(bolt).hole,
            sizeMm: size,
            gapMm: factor * wingBolt(bolt).hole - size,
            wantedMm: wingBolt(size).hole - size,
          },
        ]
      : []),
  ]
}
