/** The boom or booms of a design, with what holds them. */
import type { Boom, Pod } from '../../document'
import type { BodyLoft } from '../../geometry'
import type { Stock } from '../../libraries'

/** A boom, or a pair of them alike. */
export interface HeldBoom {
  stock: Stock
  boom: Boom
  count: 1 | 2
  /** The body or pod that it runs into, and where that lets go of it, mm; without one its own front end. */
  holder: BodyLoft | null
  heldMm: number
}

export function heldBoom(
  boom: Boom,
  stock: Stock,
  body: BodyLoft | null,
  pods: ReadonlyArray<{ pod: Pod; loft: BodyLoft }>,
): HeldBoom {
  const holder = boom.yMm === 0 ? body : (pods.find(({ pod }) => holdsBoom(pod, boom))?.loft ?? null)
  return {
    stock,
    boom,
    count: boom.yMm === 0 ? 1 : 2,
    holder,
    heldMm: Math.max(boom.fromMm, Math.min(holder?.to ?? boom.fromMm, boom.toMm)),
  }
}

/** Does a boom run into this pod? One of a pair into one of a pair, on the same line. */
export const holdsBoom = (pod: Pod, boom: Boom): boolean =>
  boom.yMm > 0 && pod.pair && Math.abs(pod.yMm - boom.yMm) < 0.5
