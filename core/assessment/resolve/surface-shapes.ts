/**
 * Wings and tails as lofts, spar lines and pieces. Each is made again only for what shapes it: a zone's recipe, a
 * control's throw or a servo's weight shape nothing.
 */
import type { Control, Cut, Design, Equipment, Spar, Surface, SurfaceName, Zone } from '../../document'
import {
  cutSurface,
  loftSurface,
  reuseShapes,
  sparLines,
  trailingEdgeMm,
  type CutControl,
  type KnownShapes,
  type PieceShape,
  type Pocketed,
  type RibShape,
  type SheetShape,
  type SparLine,
  type SurfaceLoft,
  type SurfaceShape,
} from '../../geometry'
import { stockOr, type Libraries } from '../../libraries'
import { memoise, narrowed, narrowedList, only } from '../../memo'
import { surfaceLabel } from './surface-labels'

/** What a winglet is glued to is no rounded end. */
const FLAT_END: Surface['tip'] = { kind: 'flat', lengthMm: 1 }
/** Under a printer's height by so much a piece stands on its bed, mm. */
const UNDER_THE_TOP = 5

export interface SurfaceShapes {
  /** What its trailing edge is opened to, mm. */
  edge: number
  loft: SurfaceLoft
  lines: readonly SparLine[]
  /** Its pieces, made when asked for: a given part may stand for all of them. */
  pieces(): readonly PieceShape[]
}

const byName = <T>(make: () => T): Record<SurfaceName, T> => ({
  wing: make(),
  second: make(),
  winglet: make(),
  horizontal: make(),
  vertical: make(),
})

export function createSurfaceShapes(
  libraries: Libraries,
  remembered: number,
): (doc: Design, name: SurfaceName, drawn: Surface) => SurfaceShapes {
  const loftOf = byName(() => memoise(loftSurface, remembered))
  // Neither controls nor the zones' names shape a surface, nor do linkages shape a control.
  const shapeOf = byName(() =>
    narrowed(({ controls: _, ...shape }: Surface): SurfaceShape => shape, remembered),
  )
  const cutControls = byName(() =>
    narrowedList(({ linkage: _, ...cut }: Control): CutControl => cut, remembered),
  )
  const pocketed = narrowed(
    only<Equipment, keyof Pocketed>('name', 'xMm', 'yMm', 'zMm', 'sizeMm', 'pocket'),
    4 * remembered,
  )
  const ribShape = narrowed(({ id, ribs }: Zone): RibShape => {
    const { pitchMm, thicknessMm, rimMm } = ribs!
    return { zone: id, pitchMm, thicknessMm, rimMm }
  }, remembered)
  const sheetShape = narrowed(({ id }: Zone): SheetShape => ({ sheetOf: id }), remembered)
  // A spar keeps its lines while the others change.
  const ownLines = byName(() =>
    memoise(
      (loft: SurfaceLoft, spar: Spar) => sparLines(loft, spar, stockOr(libraries, spar.stock)),
      4 * remembered,
    ),
  )
  const linesOf = byName(() =>
    memoise(
      (loft: SurfaceLoft, ...spars: Spar[]) => spars.flatMap(spar => ownLines[loft.name](loft, spar)),
      remembered,
    ),
  )
  const known = byName((): KnownShapes => new Map())
  const piecesOf = byName(() =>
    memoise(
      (
        loft: SurfaceLoft,
        cuts: readonly Cut[],
        lines: readonly SparLine[],
        controls: readonly CutControl[],
        bedHeight: number,
        ...more: Array<Pocketed | RibShape | SheetShape>
      ) =>
        reuseShapes(
          known[loft.name],
          cutSurface({
            loft,
            cuts,
            lines,
            controls,
            bedHeight,
            pockets: more.filter((item): item is Pocketed => 'pocket' in item),
            ribs: more.filter((item): item is RibShape => 'pitchMm' in item),
            sheets: more.filter((item): item is SheetShape => 'sheetOf' in item),
          }),
        ),
      remembered,
    ),
  )
  return (doc, name, drawn) => {
    const surface = name === 'wing' && doc.winglets ? { ...drawn, tip: FLAT_END } : drawn
    const zones = doc.zones.filter(zone => surface.panels.some(panel => panel.zone === zone.id))
    // Pieces that are printed keep the edge that others are glued to.
    const held = doc.asPrinted.filter(item => item.piece.startsWith(`${name}-`))
    const edge = trailingEdgeMm([...(zones.length ? zones : doc.zones), ...held])
    const loft = loftOf[name](name, surfaceLabel(name, doc), shapeOf[name](surface), doc.aerofoils, edge)
    const lines = linesOf[name](loft, ...doc.spars.filter(spar => spar.surface === name))
    return {
      edge,
      loft,
      lines,
      pieces: () =>
        piecesOf[name](
          loft,
          doc.cuts[name],
          lines,
          cutControls[name](surface.controls),
          Math.max(...doc.printers.map(printer => printer.bedMm[2])) - UNDER_THE_TOP,
          ...doc.equipment.filter(item => item.pocket?.surface === name).map(pocketed),
          ...zones.filter(zone => zone.sheet).map(sheetShape),
          ...zones.filter(zone => zone.ribs && !zone.sheet).map(ribShape),
        ),
    }
  }
}
