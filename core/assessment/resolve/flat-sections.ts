/** Surfaces that are cut whole from flat sheet have the sheet for a section, whatever aerofoil they are drawn with. */
import { plateName, type Design, type Surface, type Winglet, type Zone } from '../../document'
import { zoneOr } from '../../geometry'
import { memoise } from '../../memo'

/** What of a document this is about. */
type Drawn = Pick<Design, 'wing' | 'second' | 'winglets' | 'tail' | 'zones'>

/** Of one flat sheet at each end of its panels, root first; null where another way of building holds anywhere. */
export function flatThicknesses({ panels }: Surface, zones: readonly Zone[]): number[] | null {
  const sheets = panels.map(panel => zoneOr(zones, panel.zone).sheet)
  if (!sheets.every(sheet => sheet?.make === 'flat')) return null
  const mm = sheets.map(sheet => sheet!.thicknessMm)
  // Where two sheets meet, the thicker is sanded down to the other.
  return [mm[0], ...mm.map((own, i) => Math.min(own, mm[i + 1] ?? own))]
}

/** The very same document where nothing lies flat; surfaces stay the same objects while they and their sheets do. */
export function createFlatSections(remembered: number): <D extends Drawn>(doc: D) => D {
  const flat = memoise((surface: Surface, ...mm: number[]): Surface => {
    const name = (i: number, chordMm: number) => plateName(mm[i] / chordMm)
    return {
      ...surface,
      rootAerofoil: name(0, surface.rootChordMm),
      panels: surface.panels.map((panel, i) => ({ ...panel, tipAerofoil: name(i + 1, panel.tipChordMm) })),
    }
  }, remembered)
  const flatWinglet = memoise(
    (winglet: Winglet, mm: number): Winglet => ({
      ...winglet,
      aerofoil: plateName(mm / winglet.rootChordMm),
    }),
    remembered,
  )
  return doc => {
    if (!doc.zones.some(zone => zone.sheet?.make === 'flat')) return doc
    const own = <S extends Surface | null>(surface: S): S => {
      const mm = surface && flatThicknesses(surface, doc.zones)
      return surface && mm ? (flat(surface, ...mm) as S) : surface
    }
    const { wing, second, winglets, tail } = doc,
      plate = winglets && zoneOr(doc.zones, winglets.zone).sheet
    const [horizontal, vertical] = [own(tail.horizontal), own(tail.vertical)]
    return {
      ...doc,
      wing: own(wing),
      second: own(second),
      winglets: winglets && plate?.make === 'flat' ? flatWinglet(winglets, plate.thicknessMm) : winglets,
      tail:
        horizontal === tail.horizontal && vertical === tail.vertical
          ? tail
          : { ...tail, horizontal, vertical },
    }
  }
}
