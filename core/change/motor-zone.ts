/** What a motor may be screwed to. */
import type { ProjectFile, Zone } from '../document'
import type { Filament } from '../libraries'

/** Foam creeps under bolts: the zone that holds the firewall is offered none. */
export const mayHold = (doc: ProjectFile, zone: Zone, filament: Filament): boolean =>
  filament.expansion === null || !doc.body?.firewall || doc.body.stations[0].zone !== zone.id
