/**
 * Single changes that could mend a weakness, from slight to heavy. Whether they do is for the assessment to
 * say.
 */
import type { Assessment } from '../../assess'
import type { ProjectFile } from '../../document'
import { stockOr, type Libraries } from '../../libraries'
import { larger, withSpar, type Step } from '../../change'
import type { Weakness } from './weakness'
import { boomSteps, bodySteps } from './body-steps'
import { gearSteps } from './gear-steps'
import { skinSteps } from './skin-steps'
import { SIZES, wingSteps } from './wing-steps'

export function stepsFor(
  doc: ProjectFile,
  now: Assessment,
  weakness: Weakness,
  libraries: Libraries,
): Step[] {
  if (weakness.part === 'wing') return wingSteps(doc, now, weakness, libraries)
  if (weakness.part === 'second') return secondSteps(doc, weakness, libraries)
  if (weakness.part === 'strut') return strutSteps(doc, weakness, libraries)
  if (weakness.part === 'boom') return boomSteps(doc, weakness, libraries)
  if (weakness.part === 'body') return bodySteps(doc, weakness, libraries)
  if (weakness.part === 'horizontal' || weakness.part === 'vertical' || weakness.part === 'winglet') {
    const zone = doc.zones.find(item => item.id === weakness.subject)
    return zone ? skinSteps(doc, zone, libraries) : []
  }
  return gearSteps(doc, weakness)
}

/** A second wing: its spars a size up, then its skin. */
function secondSteps(doc: ProjectFile, { subject }: Weakness, libraries: Libraries): Step[] {
  const zone = doc.zones.find(item => item.id === subject)
  return [
    ...doc.spars
      .filter(spar => spar.surface === 'second')
      .flatMap(spar =>
        larger(stockOr(libraries, spar.stock), libraries)
          .slice(0, SIZES)
          .map(next => ({
            id: `size-${spar.id}-${next.id}`,
            title: `${spar.name}: ${next.name}`,
            change: withSpar(doc, spar.id, { stock: next.id }),
          })),
      ),
    ...(zone ? skinSteps(doc, zone, libraries) : []),
  ]
}

function strutSteps(doc: ProjectFile, { subject }: Weakness, libraries: Libraries): Step[] {
  const strut = doc.struts.find(item => item.id === subject)
  if (!strut) return []
  return larger(stockOr(libraries, strut.stock), libraries)
    .slice(0, SIZES)
    .map(next => ({
      id: `size-${strut.id}-${next.id}`,
      title: `${strut.name}: ${next.name}`,
      change: {
        struts: doc.struts.map(item => (item.id === strut.id ? { ...item, stock: next.id } : item)),
      },
    }))
}
