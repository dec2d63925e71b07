/** What a motor may be screwed to. */
import type { ProjectFile, Zone } from '../document'
import type { Filament } from '../libraries'

/** Foam creeps under bolts: a zone that holds a firewall is offered none. */
export const mayHold = (doc: ProjectFile, zone: Zone, filament: Filament): boolean =>
  filament.expansion === null ||
  [doc.body, ...doc.pods.map(pod => pod.body)].every(
    body => !body?.firewall || body.stations[0].zone !== zone.id,
  )
