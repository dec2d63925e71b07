/** Names of filaments and stock that the libraries do not have, with what stands in for them. */
import type { Design } from '../../document'
import type { Libraries } from '../../libraries'

export function missingReferences(
  doc: Design,
  libraries: Libraries,
): Array<{ where: string; id: string; used: string }> {
  const stock = new Set(libraries.stock.map(item => item.id)),
    filaments = new Set(libraries.filaments.map(item => item.id)),
    films = new Set(libraries.films.map(item => item.id)),
    foams = new Set(libraries.foams.map(item => item.id))
  return [
    ...doc.zones
      .filter(zone => !filaments.has(zone.filament))
      .map(zone => ({ where: `zone ${zone.name}`, id: zone.filament, used: libraries.filaments[0].name })),
    ...doc.zones.flatMap(zone =>
      zone.ribs && !films.has(zone.ribs.film)
        ? [{ where: `film of zone ${zone.name}`, id: zone.ribs.film, used: libraries.films[0].name }]
        : [],
    ),
    ...doc.zones.flatMap(zone =>
      zone.sheet && !foams.has(zone.sheet.foam)
        ? [{ where: `sheet of zone ${zone.name}`, id: zone.sheet.foam, used: libraries.foams[0].name }]
        : [],
    ),
    ...doc.asPrinted
      .filter(item => !filaments.has(item.filament))
      .map(item => ({
        where: `piece ${item.piece}, as it was printed`,
        id: item.filament,
        used: libraries.filaments[0].name,
      })),
    ...[...doc.spars, ...doc.struts, ...(doc.boom ? [{ name: 'boom', stock: doc.boom.stock }] : [])]
      .filter(item => !stock.has(item.stock))
      .map(item => ({ where: item.name, id: item.stock, used: libraries.stock[0].name })),
  ]
}
