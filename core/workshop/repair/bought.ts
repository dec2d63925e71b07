/** Spars, boom, legs, hinges and the motor's mount that broke: the part anew, a sleeve over the break, a doubler. */
import { stockGramsPerMetre, type Assessment } from '../../assess'
import { DocumentError, type ProjectFile, SURFACE_NAMES, surfaceOf } from '../../document'
import { LIBRARIES, stockInertia, stockOr, type Stock } from '../../libraries'
import { q, say } from '../../units'
import type { Repair } from './repair'

export interface Bought {
  id: string
  name: string
  stock: string | null
  fromMm: number
  toMm: number
  centreMm: [number, number, number]
  price: number
  kind: 'rod' | 'leg' | 'hinges' | 'mount'
}

/** What can break besides printed pieces, with the places along it. */
export function boughtParts(doc: ProjectFile, { ledger, spars, struts, pieces }: Assessment): Bought[] {
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
      kind: 'rod' as const,
    })),
    ...(doc.boom
      ? [
          {
            id: 'boom',
            name: 'Boom',
            stock: doc.boom.stock,
            fromMm: doc.boom.fromMm,
            toMm: doc.boom.toMm,
            centreMm: at(doc.boom.yMm > 0 ? 'boom-starboard' : 'boom'),
            price: (stockOr(LIBRARIES, doc.boom.stock).price * (doc.boom.toMm - doc.boom.fromMm)) / 1000,
            kind: 'rod' as const,
          },
        ]
      : []),
    ...struts.map(strut => ({
      id: strut.id,
      name: strut.name,
      stock: strut.stock,
      fromMm: 0,
      toMm: strut.lengthMm,
      centreMm: at(strut.id),
      price: strut.price,
      kind: 'rod' as const,
    })),
    ...doc.gear.map(leg => ({
      id: leg.id,
      name: leg.name,
      stock: null,
      fromMm: 0,
      toMm: leg.dropMm,
      centreMm: at(leg.id),
      price: 1,
      kind: 'leg' as const,
    })),
    ...hinges(doc, pieces),
    ...mount(doc),
  ]
}

/** Hinges of a control, both sides of a pair together. */
const hinges = (doc: ProjectFile, pieces: Assessment['pieces']): Bought[] =>
  SURFACE_NAMES.flatMap(name => {
    const surface = surfaceOf(doc, name)
    if (!surface) return []
    const span = surface.panels.reduce((sum, panel) => sum + panel.spanMm, 0)
    return surface.controls.map((control): Bought => {
      const moving = pieces.find(item => item.part === name && item.kind === 'moving')
      return {
        id: `hinges-${name}-${control.piece}`,
        name: `Hinges of ${control.name}`,
        stock: null,
        fromMm: control.fromShare * span,
        toMm: Math.max(control.fromShare, control.toShare) * span,
        centreMm: [...(moving?.centreMm ?? [0, 0, 0])] as [number, number, number],
        price: HINGE_PRICE * control.hinge.count,
        kind: 'hinges',
      }
    })
  })

/** What the motor is screwed to. */
const mount = ({ body, equipment }: ProjectFile): Bought[] => {
  const motor = equipment.find(item => item.kind === 'motor')
  return body?.firewall && motor
    ? [
        {
          id: 'firewall',
          name: 'Motor mount',
          stock: null,
          fromMm: 0,
          toMm: body.firewall.thicknessMm,
          centreMm: [motor.xMm, motor.yMm, motor.zMm],
          price: 1,
          kind: 'mount',
        },
      ]
    : []
}

/** Strip, pin or tape of one hinge; a doubler of plywood behind a mount: mm, and g/mm³. */
const HINGE_PRICE = 0.4,
  PLYWOOD = { thickMm: 2, density: 0.65e-3 }

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

const MIND: Record<Exclude<Bought['kind'], 'mount'>, string> = {
  rod: 'a bonded one is drilled or warmed out; when its bore suffers, the piece round it goes too',
  leg: 'look at its mount: what bent the leg pulled there too',
  hinges: 'clean the slots out; a torn slot wants its piece anew, or glue and a hinge beside it',
}

/** A disc of plywood behind the firewall, twice the bolt circle across. */
function doubled(
  { body }: ProjectFile,
  part: Bought,
  reserve: number,
  cgWith: (grams: number) => number,
): Repair {
  const across = 2 * body!.firewall!.boltCircleMm
  const grams = (Math.PI / 4) * across ** 2 * PLYWOOD.thickMm * PLYWOOD.density + GLUE_G
  return {
    code: 'glue',
    what: say`Glue it, with a disc of plywood of ${q(across, 'mm')} and ${q(PLYWOOD.thickMm, 'mm')} behind it`,
    massG: grams,
    hours: 0,
    printG: 0,
    cost: part.price,
    reserve,
    cgMm: cgWith(grams),
    against:
      'battery out; crushed or foamed plastic round the bolts wants the piece anew: choose that piece; sight the thrust line afterwards',
    jointMm: null,
    change: null,
  }
}

export function boughtRepairs(doc: ProjectFile, before: Assessment, part: Bought, atMm: number): Repair[] {
  if (!(atMm >= part.fromMm && atMm <= part.toMm))
    throw new DocumentError(
      '--at',
      `${atMm} lies outside ${part.name}, which reaches from ${part.fromMm.toFixed(0)} to ${part.toMm.toFixed(0)} mm`,
    )
  const { massG, cgMm } = before.totals
  const { reserve } = before.strength
  const cgWith = (grams: number) => (massG * cgMm[0] + grams * part.centreMm[0]) / (massG + grams)
  if (part.kind === 'mount') return [doubled(doc, part, reserve, cgWith)]
  const anew: Repair = {
    code: 'new-part',
    what: say`Put in new: ${part.name}`,
    massG: 0,
    hours: 0,
    printG: 0,
    cost: part.price,
    reserve,
    cgMm: cgMm[0],
    against: MIND[part.kind],
    jointMm: null,
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
      cgMm: cgWith(grams),
      against: stiffer
        ? 'only where it lies free: inside a bore there is no room for it'
        : 'the sleeve is softer than what it mends: it bears less there than before, and how much is not reckoned',
      jointMm: null,
      change: null,
    },
    anew,
  ]
}
