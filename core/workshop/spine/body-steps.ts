/** Single changes that could mend the body, the wing's seat on it, or the boom behind it. */
import type { ProjectFile } from '../../document'
import { type Libraries, stockOr, BOLTS } from '../../libraries'
import { skinSteps } from './skin-steps'
import type { Weakness } from './weakness'
import { SIZES } from './wing-steps'
import { type Step, larger } from '../../change'
import { q, say } from '../../units'

export function boomSteps(doc: ProjectFile, weakness: Weakness, libraries: Libraries): Step[] {
  if (!doc.boom) return []
  const { boom } = doc
  const sizes = larger(stockOr(libraries, boom.stock), libraries)
    .slice(0, SIZES)
    .map((next): Step => ({
      id: `boom-${next.id}`,
      title: `Boom: ${next.name}`,
      change: { boom: { ...boom, stock: next.id } },
    }))
  const sockets = [1.3, 1.7, 2.2, 3]
    .map(times => Math.min(300, Math.round(Math.max(20, boom.socketMm) * times)))
    .map((socketMm): Step => ({
      id: `socket-${socketMm}`,
      title: say`Boom: a socket of ${q(socketMm, 'mm')}`,
      change: { boom: { ...boom, socketMm } },
    }))
  const zone =
    doc.body && doc.zones.find(item => item.id === doc.body!.stations[doc.body!.stations.length - 2].zone)
  return weakness.mode === 'boom in its socket'
    ? [...sockets, ...(zone ? skinSteps(doc, zone, libraries) : [])]
    : sizes
}

export function bodySteps(doc: ProjectFile, weakness: Weakness, libraries: Libraries): Step[] {
  const { body } = doc
  if (!body) return []
  const station =
    body.stations.findLast((item, i) => item.xMm <= weakness.atMm && i < body.stations.length - 1) ??
    body.stations[0]
  const zone = doc.zones.find(item => item.id === station.zone) ?? doc.zones[0]
  const openings = body.openings
    .filter(item => item.id === weakness.subject)
    .flatMap(opening =>
      [0.8, 0.6].map((share): Step => ({
        id: `narrow-${opening.id}-${share}`,
        title: say`${opening.name} ${q(opening.widthMm * share, 'mm', 0)} wide`,
        change: {
          body: {
            ...body,
            openings: body.openings.map(item =>
              item.id === opening.id
                ? { ...item, widthMm: Math.max(2, Math.round(opening.widthMm * share)) }
                : item,
            ),
          },
        },
      })),
    )
  const bolts =
    weakness.subject === 'saddle' && body.saddle
      ? [body.saddle.bolts + 1, body.saddle.bolts + 2]
          .filter(n => n <= 4)
          .map((n): Step => ({
            id: `bolts-${n}`,
            title: `${n} wing bolts`,
            change: { body: { ...body, saddle: { ...body.saddle!, bolts: n } } },
          }))
      : []
  const larger =
    weakness.subject === 'saddle' && body.saddle
      ? BOLTS.filter(mm => mm > body.saddle!.boltMm)
          .slice(0, 2)
          .map((mm): Step => ({
            id: `bolt-${mm}`,
            title: say`Wing bolts of ${q(mm, 'mm')}, with beams to match`,
            change: { body: { ...body, saddle: { ...body.saddle!, boltMm: mm } } },
          }))
      : []
  return [...bolts, ...larger, ...skinSteps(doc, zone, libraries), ...openings]
}
