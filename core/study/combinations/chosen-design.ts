/** The design that one option of every dimension makes of another. */
import type { ProjectFile } from '../../document'
import type { PrinterOf } from './piece-parts'
import type { Dimension } from './vary'

/** `printerOf` says who prints what where that was frozen. */
export function designOf(
  doc: ProjectFile,
  list: readonly Dimension[],
  picks: readonly number[],
  printerOf: PrinterOf = {},
): ProjectFile {
  const zones = new Map(
    list.flatMap((item, k) => {
      const { zone } = item.options[picks[k]]
      return zone ? [[zone.id, zone] as const] : []
    }),
  )
  const spars = new Map(
    list.flatMap((item, k) => {
      const { spar } = item.options[picks[k]]
      return item.key.startsWith('spar:') ? [[item.key.slice(5), spar ?? null] as const] : []
    }),
  )
  return {
    ...doc,
    zones: zones.size ? doc.zones.map(zone => zones.get(zone.id) ?? zone) : doc.zones,
    spars: spars.size
      ? doc.spars.flatMap(spar => {
          const found = spars.get(spar.id)
          return found === undefined ? [spar] : found ? [found] : []
        })
      : doc.spars,
    printerOf: Object.keys(printerOf).length ? { ...doc.printerOf, ...printerOf } : doc.printerOf,
  }
}
