/** Where an aircraft comes apart without a saw. All mm. */
import type { CutPart } from '../../document'
import type { SparLine } from '../../geometry'
import type { Designed } from './designed'

/** What is laid over a joint by less does not hold it. */
const OVER = 1

/** The halves of the wing are parted at the field: all that runs through the middle is pushed in, not glued. */
export function halvesPart({ spars }: Pick<Designed, 'spars'>): boolean {
  const through = (spars.wing ?? []).filter(line => line.spar.through)
  return through.length > 0 && through.every(line => line.spar.fixing === 'removable')
}

/** The wing comes off the body: bolts hold it. */
export const wingComesOff = ({ doc }: Pick<Designed, 'doc'>): boolean => (doc.body?.saddle?.bolts ?? 0) > 0

/** Every surface of the tail is pushed into a slot of the body: nothing of it is glued to that. */
export const tailPushedIn = ({ surfaces, slots }: Pick<Designed, 'surfaces' | 'slots'>): boolean =>
  Object.keys(slots).length > 0 &&
  (['horizontal', 'vertical'] as const).every(name => !surfaces[name] || slots[name] !== undefined)

/** Tailplane and fin come off: each is screwed down at its root, or pushed into a slot. */
export const tailComesOff = (design: Pick<Designed, 'doc' | 'surfaces' | 'slots'>): boolean =>
  design.doc.tail.screws > 0 || tailPushedIn(design)

/**
 * Parts that a surface of such a tail comes to, by the side of the middle that each stands on. Halves are one where they
 * meet in the middle, or where what runs through both is glued in.
 */
export function tailParts(
  { surfaces, spars }: Pick<Designed, 'surfaces' | 'spars'>,
  name: 'horizontal' | 'vertical',
): ReadonlyArray<-1 | 0 | 1> {
  const loft = surfaces[name]
  if (!loft) return []
  const apart = loft.mirror && Math.abs(loft.origin[1]) > OVER
  const over = (spars[name] ?? []).some(line => line.spar.through && line.spar.fixing === 'bonded')
  return apart && !over ? [1, -1] : [0]
}

/** The spar of the document that a line is laid for; caps have ids of their own. */
const sparOf = ({ spar, part }: SparLine): string =>
  part === 'whole' ? spar.id : spar.id.slice(0, -`-${part}`.length)

/** Spars, by id, that are glued in on both sides of a place along a surface: it does not come apart there. */
export const gluedOver = ({ spars }: Pick<Designed, 'spars'>, part: CutPart, at: number): string[] =>
  part === 'body'
    ? []
    : [
        ...new Set(
          (spars[part] ?? [])
            .filter(line => line.from < at - OVER && line.to > at + OVER && line.spar.fixing === 'bonded')
            .map(sparOf),
        ),
      ]

/** A boom that is glued into a body runs through its joint there. */
export const boomOver = ({ boom }: Pick<Designed, 'boom'>, xMm: number): boolean =>
  boom !== null && boom.boom.yMm === 0 && boom.boom.fromMm < xMm - OVER && boom.boom.toMm > xMm + OVER
