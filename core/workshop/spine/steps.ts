/**
 * Single changes that could mend a weakness, from slight to heavy. Whether they do is for the assessment to
 * say.
 */
import type { Assessment } from '../../assess'
import type { ProjectFile } from '../../document'
import { type Libraries } from '../../libraries'
import { type Step } from '../../change'
import type { Weakness } from './weakness'
import { boomSteps, bodySteps } from './body-steps'
import { gearSteps } from './gear-steps'
import { skinSteps } from './skin-steps'
import { wingSteps } from './wing-steps'

export function stepsFor(
  doc: ProjectFile,
  now: Assessment,
  weakness: Weakness,
  libraries: Libraries,
): Step[] {
  if (weakness.part === 'wing') return wingSteps(doc, now, weakness, libraries)
  if (weakness.part === 'boom') return boomSteps(doc, weakness, libraries)
  if (weakness.part === 'body') return bodySteps(doc, weakness, libraries)
  if (weakness.part === 'horizontal' || weakness.part === 'vertical') {
    const zone = doc.zones.find(item => item.id === weakness.subject)
    return zone ? skinSteps(doc, zone, libraries) : []
  }
  return gearSteps(doc, weakness)
}
