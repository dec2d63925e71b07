/** What surfaces are called in sentences and on pieces. */
import { secondStands, type Design, type SurfaceName } from '../../document'

const SURFACE_LABELS: Record<SurfaceName, string> = {
  wing: 'Wing',
  second: 'Second wing',
  winglet: 'Winglet',
  horizontal: 'Tailplane',
  vertical: 'Fin',
}
const SECOND_LABELS = {
  upper: 'Upper wing',
  lower: 'Lower wing',
  rear: 'Rear wing',
  front: 'Front wing',
}

export function surfaceLabel(name: SurfaceName, doc: Design): string {
  if (name === 'second' && doc.second) return SECOND_LABELS[secondStands({ ...doc, second: doc.second })]
  if (name !== 'horizontal') return SURFACE_LABELS[name]
  if (doc.tail.kind === 'V') return 'V-tail'
  return doc.tail.kind === 'canard' ? 'Canard' : SURFACE_LABELS[name]
}
