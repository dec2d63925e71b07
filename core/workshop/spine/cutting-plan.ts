/**
 * Lengths of spars, struts and boom to cut from stock, with what is left over: longest first into the first length
 * with room.
 */
import type { Assessment } from '../../assess'
import type { ProjectFile } from '../../document'
import { stockOr, type Libraries } from '../../libraries'

/** Width of a saw cut, mm. */
export const KERF_MM = 1.5

export interface CutLength {
  stock: string
  name: string
  lengthMm: number
  price: number
  pieces: Array<{ name: string; mm: number }>
  offcutMm: number
}
export interface CuttingPlan {
  lengths: CutLength[]
  /** Too long for any length of the stock. */ tooLong: Array<{ name: string; mm: number; stockMm: number }>
  price: number
}

export function cuttingPlan(
  doc: ProjectFile,
  { spars, struts }: Pick<Assessment, 'spars' | 'struts'>,
  libraries: Libraries,
): CuttingPlan {
  const wanted = spars.flatMap(spar =>
    Array.from({ length: spar.pieces }, (_, i) => ({
      stock: spar.stock,
      name: `${spar.name}${spar.pieces > 1 ? (i ? ', port' : ', starboard') : ''}`,
      mm: spar.pieceMm,
    })),
  )
  for (const { name, stock, pieces, lengthMm } of struts)
    for (let i = 0; i < pieces; i++)
      wanted.push({
        stock,
        name: `${name}${pieces > 1 ? (i ? ', port' : ', starboard') : ''}`,
        mm: lengthMm,
      })
  if (doc.boom) {
    const { stock, fromMm, toMm, yMm } = doc.boom
    for (const name of yMm > 0 ? ['Boom, starboard', 'Boom, port'] : ['Boom'])
      wanted.push({ stock, name, mm: toMm - fromMm })
  }
  const lengths: CutLength[] = [],
    tooLong: CuttingPlan['tooLong'] = []
  for (const piece of wanted.filter(item => item.mm > 0.5).sort((a, b) => b.mm - a.mm)) {
    const stock = stockOr(libraries, piece.stock)
    if (piece.mm > stock.lengthMm) {
      tooLong.push({ name: piece.name, mm: piece.mm, stockMm: stock.lengthMm })
      continue
    }
    let own = lengths.find(
      item => item.stock === stock.id && item.offcutMm >= piece.mm + (item.pieces.length ? KERF_MM : 0),
    )
    if (!own) {
      own = {
        stock: stock.id,
        name: stock.name,
        lengthMm: stock.lengthMm,
        price: stock.price,
        pieces: [],
        offcutMm: stock.lengthMm,
      }
      lengths.push(own)
    }
    own.offcutMm -= piece.mm + (own.pieces.length ? KERF_MM : 0)
    own.pieces.push({ name: piece.name, mm: piece.mm })
  }
  return { lengths, tooLong, price: lengths.reduce((sum, item) => sum + item.price, 0) }
}
