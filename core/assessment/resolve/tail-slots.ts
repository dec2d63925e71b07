/** Tails of flat sheet that are pushed into slots of the body; the very same slots while the roots stay. mm */
import { flatTails, type Design } from '../../document'
import { holdsInSlot, slotOf, slotRoot, type BodyLoft, type Slot, type SurfaceLoft } from '../../geometry'
import type { Designed } from './designed'

/** Surfaces of a tail that are asked for in slots: flat sheet at the root. */
export const wantSlots = (doc: Design, surfaces: Designed['surfaces']): SurfaceLoft[] =>
  doc.tail.slots ? flatTails(doc).flatMap(name => surfaces[name] ?? []) : []

/** What pushes into this body. A root that lies in less than half of it is glued on instead, and a finding says so. */
export function createTailSlots(
  remembered: number,
): (doc: Design, surfaces: Designed['surfaces'], body: BodyLoft | null) => Designed['slots'] {
  const known = new Map<string, Slot>()
  return (doc, surfaces, body) => {
    const found: Designed['slots'] = {}
    for (const loft of body ? wantSlots(doc, surfaces) : []) {
      const root = slotRoot(loft)
      if (!holdsInSlot(root, body!)) continue
      const text = JSON.stringify({ ...root, outline: Array.from(root.outline) })
      if (!known.has(text)) {
        if (known.size > remembered) known.clear()
        known.set(text, slotOf(root))
      }
      found[loft.name] = known.get(text)
    }
    return found
  }
}
