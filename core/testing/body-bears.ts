/** What a body bears at a place by what ducts and slots leave of its skin: no hatch, no seat. N·m and N */
import { sharedAssessor } from '../assess'
import type { ProjectFile } from '../document'
import { bodySection, type BodySection } from '../assessment/strength/body-section'

export function bodyBears(doc: ProjectFile, xMm: number): BodySection['bears'] {
  const airframe = sharedAssessor().airframe(doc),
    body = airframe.body!,
    zone = airframe.zoneAt(body, xMm)
  return bodySection(
    body,
    [],
    zone,
    airframe.filamentOf(zone),
    xMm,
    false,
    Infinity,
    -Infinity,
    airframe.duct,
    ...Object.values(airframe.slots),
  ).bears
}
