/** Resolve: the document's parts as lofts, spar lines and pieces, with libraries looked up. Memoised part by part. */
import type { Aerofoil, Body, Boom, Cuts, ProjectFile, Spar, Surface, SurfaceName, Zone } from '../document'
import { cutBody, cutSurface, loftBody, loftSurface, sparLine, trailingEdgeMm, type BodyLoft, type Piece, type SparLine, type SurfaceLoft } from '../geometry'
import type { Filament, Libraries, Stock } from '../libraries'
import { memoise } from '../memo'

export interface Airframe {
  doc: ProjectFile
  surfaces: Partial<Record<SurfaceName, SurfaceLoft>>
  wing: SurfaceLoft
  spars: Partial<Record<SurfaceName, readonly SparLine[]>>
  body: BodyLoft | null
  boom: { stock: Stock, boom: Boom } | null
  pieces: readonly Piece[]
  filamentOf(zone: Zone): Filament
  /** References to libraries that found nothing: the name wanted, and what stands in for it. */
  missing: ReadonlyArray<{ where: string, id: string, used: string }>
}

export const SURFACE_LABELS: Record<SurfaceName, string> = { wing: 'Wing', horizontal: 'Tailplane', vertical: 'Fin' }
/** Gap round the boom in the body's socket, mm on the radius. */
const BOOM_CLEARANCE_MM = 0.15

export function createResolver(libraries: Libraries): (doc: ProjectFile) => Airframe {
  const label = (name: SurfaceName, doc: ProjectFile) => (name === 'horizontal' && doc.tail.kind === 'V' ? 'V-tail' : SURFACE_LABELS[name])
  const byName = <T>(make: () => T): Record<SurfaceName, T> => ({ wing: make(), horizontal: make(), vertical: make() })
  const loftOf = byName(() => memoise((name: SurfaceName, text: string, surface: Surface, aerofoils: readonly Aerofoil[], edge: number) => loftSurface(name, text, surface, aerofoils, edge)))
  const linesOf = byName(() => memoise((loft: SurfaceLoft, ...spars: Spar[]) => spars.map(spar => sparLine(loft, spar, stockOr(libraries, spar.stock)))))
  const cutsOf = byName(() => memoise((loft: SurfaceLoft, cuts: readonly number[], zones: readonly Zone[], lines: readonly SparLine[]) => cutSurface(loft, cuts, zones, lines)))
  const bodyOf = memoise((body: Body) => loftBody(body))
  const bodyPieces = memoise((loft: BodyLoft, cuts: Cuts['body'], zones: readonly Zone[], boom: Boom | null) => {
    const radius = boom ? stockOr(libraries, boom.stock).heightMm / 2 + BOOM_CLEARANCE_MM : 0
    return cutBody(loft, cuts, zones, boom ? { from: boom.fromMm, to: boom.toMm, z: boom.zMm, radius } : null)
  })

  return memoise((doc: ProjectFile): Airframe => {
    const surfaces: Airframe['surfaces'] = {}
    const spars: Airframe['spars'] = {}
    const pieces: Piece[] = []
    const present: Array<[SurfaceName, Surface | null]> = [['wing', doc.wing], ['horizontal', doc.tail.kind === 'none' ? null : doc.tail.horizontal], ['vertical', doc.tail.kind === 'V' ? null : doc.tail.vertical]]
    for (const [name, surface] of present) {
      if (!surface) continue
      const zones = doc.zones.filter(zone => surface.panels.some(panel => panel.zone === zone.id))
      const loft = loftOf[name](name, label(name, doc), surface, doc.aerofoils, trailingEdgeMm(zones.length ? zones : doc.zones))
      const lines = linesOf[name](loft, ...doc.spars.filter(spar => spar.surface === name))
      surfaces[name] = loft
      spars[name] = lines
      pieces.push(...cutsOf[name](loft, doc.cuts[name], doc.zones, lines))
    }
    const body = doc.body ? bodyOf(doc.body) : null
    if (body) pieces.push(...bodyPieces(body, doc.cuts.body, doc.zones, doc.boom))
    return {
      doc, surfaces, wing: surfaces.wing!, spars, body, boom: doc.boom ? { stock: stockOr(libraries, doc.boom.stock), boom: doc.boom } : null, pieces,
      filamentOf: zone => libraries.filaments.find(f => f.id === zone.filament) ?? libraries.filaments[0],
      missing: missingReferences(doc, libraries),
    }
  })
}

const stockOr = (libraries: Libraries, id: string): Stock => libraries.stock.find(stock => stock.id === id) ?? libraries.stock[0]

function missingReferences(doc: ProjectFile, libraries: Libraries): Array<{ where: string, id: string, used: string }> {
  const stock = new Set(libraries.stock.map(item => item.id)), filaments = new Set(libraries.filaments.map(item => item.id))
  return [
    ...doc.zones.filter(zone => !filaments.has(zone.filament)).map(zone => ({ where: `zone ${zone.name}`, id: zone.filament, used: libraries.filaments[0].name })),
    ...[...doc.spars, ...(doc.boom ? [{ name: 'boom', stock: doc.boom.stock }] : [])].filter(item => !stock.has(item.stock)).map(item => ({ where: item.name, id: item.stock, used: libraries.stock[0].name })),
  ]
}
