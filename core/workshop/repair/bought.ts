/** Spars, boom and legs that broke: the part anew, or a sleeve over the break. */
import { stockGramsPerMetre, type Assessment } from '../../assess'
import { DocumentError, type ProjectFile } from '../../document'
import { LIBRARIES, stockInertia, stockOr, type Stock } from '../../libraries'
import { q, say } from '../../units'
import type { Repair } from './repairs'

export interface Bought {
  id: string
  name: string
  stock: string | null
  fromMm: number
  toMm: number
  centreMm: [number, number, number]
  price: number
}

/** What can break besides printed pieces, with the places along it. */
export function boughtParts(doc: ProjectFile, { ledger, spars }: Assessment): Bought[] {
  const row = (id: string) => ledger.find(item => item.id === id || item.id.startsWith(`${id}-`))
  const at = (id: string): [number, number, number] => {
    const own = row(id)
    return own ? [own.xMm, own.yMm, own.zMm] : [0, 0, 0]
  }
  return [
    ...spars.map(spar => ({
      id: spar.id,
      name: spar.name,
      stock: spar.stock,
      fromMm: spar.fromMm,
      toMm: spar.toMm,
      centreMm: at(spar.id),
      price: spar.price,
    })),
    ...(doc.boom
      ? [
          {
            id: 'boom',
            name: 'Boom',
            stock: doc.boom.stock,
            fromMm: doc.boom.fromMm,
            toMm: doc.boom.toMm,
            centreMm: at('boom'),
            price: (stockOr(LIBRARIES, doc.boom.stock).price * (doc.boom.toMm - doc.boom.fromMm)) / 1000,
          },
        ]
      : []),
    ...doc.gear.map(leg => ({
      id: leg.id,
      name: leg.name,
      stock: null,
      fromMm: 0,
      toMm: leg.dropMm,
      centreMm: at(leg.id),
      price: 1,
    })),
  ]
}

/** A sleeve reaches so many diameters to either side: the usual scarf of a bonded tube. */
const REACH = 5
const GLUE_G = 1

/** The tube that goes over another: its bore is a little wider, the wall at least as thick. */
export function sleeveOver(stock: Stock): Stock | null {
  const fits = LIBRARIES.stock.filter(
    item =>
      item.shape === 'round' &&
      item.boreMm >= stock.heightMm &&
      item.boreMm <= stock.heightMm + 0.6 &&
      item.heightMm > stock.heightMm,
  )
  return fits.sort((a, b) => a.boreMm - b.boreMm)[0] ?? null
}

export function boughtRepairs(before: Assessment, part: Bought, atMm: number): Repair[] {
  if (!(atMm >= part.fromMm && atMm <= part.toMm))
    throw new DocumentError(
      '--at',
      `${atMm} lies outside ${part.name}, which reaches from ${part.fromMm.toFixed(0)} to ${part.toMm.toFixed(0)} mm`,
    )
  const { massG, cgMm } = before.totals
  const { reserve } = before.strength
  const anew: Repair = {
    code: 'new-part',
    what: say`Put in a new ${part.name.toLowerCase()}`,
    massG: 0,
    hours: 0,
    printG: 0,
    cost: part.price,
    reserve,
    cgMm: cgMm[0],
    against:
      part.stock === null
        ? 'look at its mount: what bent the leg pulled there too'
        : 'a bonded one is drilled or warmed out; when its bore suffers, the piece round it goes too',
    change: null,
  }
  const stock = part.stock === null ? null : stockOr(LIBRARIES, part.stock)
  const tube = stock && stock.shape === 'round' ? sleeveOver(stock) : null
  if (!stock || !tube) return [anew]
  const long = 2 * REACH * stock.heightMm
  const grams = (stockGramsPerMetre(tube.id) * long) / 1000 + GLUE_G
  const stiffer = tube.modulus * stockInertia(tube) >= stock.modulus * stockInertia(stock)
  return [
    {
      code: 'sleeve',
      what: say`Slide ${tube.name} over the break, ${q(long, 'mm', 0)} long, glued`,
      massG: grams,
      hours: 0,
      printG: 0,
      cost: (tube.price * long) / 1000,
      reserve,
      cgMm: (massG * cgMm[0] + grams * part.centreMm[0]) / (massG + grams),
      against: stiffer
        ? 'only where it lies free: inside a bore there is no room for it'
        : 'the sleeve is softer than what it mends: it bears less there than before, and how much is not reckoned',
      change: null,
    },
    anew,
  ]
}
