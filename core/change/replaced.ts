/** One part of a document replaced; everything else keeps its identity, so that only it is computed again. */
import type { Equipment, ProjectFile, Spar, Zone } from '../document'
import type { Change } from './change'

export const withZone = (doc: ProjectFile, zone: Zone): ProjectFile => ({
  ...doc,
  zones: doc.zones.map(item => (item.id === zone.id ? zone : item)),
})

export const withSpar = (doc: ProjectFile, id: string, more: Partial<Spar>): Change => ({
  spars: doc.spars.map(spar => (spar.id === id ? { ...spar, ...more } : spar)),
})

export const withItem = (doc: ProjectFile, id: string, more: Partial<Equipment>): Change => ({
  equipment: doc.equipment.map(item => (item.id === id ? { ...item, ...more } : item)),
})
