/** What an assessed design does not hold of what must hold, in words with figures. */
import type { Assessment } from '../../assess'
import type { ProjectFile } from '../../document'
import type { Libraries } from '../../libraries'
import { costOf } from '../../change'
import type { Kind } from './weigher'
import type { Vary } from './vary'

export interface Broken {
  kind: Kind
  words: string
}

export function brokenBy(
  doc: ProjectFile,
  a: Assessment,
  must: Vary['must'],
  libraries: Libraries,
): Broken[] {
  const broken: Broken[] = [],
    say = (kind: Kind, words: string) => broken.push({ kind, words })
  const nameOf = (id: string) => libraries.filaments.find(item => item.id === id)?.name ?? id
  const [low, high] = must.staticMarginPct ?? [-Infinity, Infinity],
    both = [a.flight.staticMarginPct, a.flight.staticMarginEmptyPct]
  if (must.massMaxG !== undefined && a.totals.massG > must.massMaxG)
    say('weight', `weight ${a.totals.massG.toFixed(0)} g over ${must.massMaxG} g`)
  if (both.some(pct => pct < low || pct > high))
    say(
      'balance',
      `balance ${both[0].toFixed(1)} % with payload, ${both[1].toFixed(1)} % without, outside ${low}–${high} %`,
    )
  if (must.reserveMin !== undefined && a.strength.reserve < must.reserveMin)
    say(
      'strength',
      `strength ${a.strength.reserve.toFixed(2)} under ${must.reserveMin}: ${a.strength.mode}, ${a.strength.where}`,
    )
  if (must.hoursMax !== undefined && a.totals.hours > must.hoursMax)
    say('hours', `hours ${a.totals.hours.toFixed(1)} over ${must.hoursMax}`)
  if (must.costMax !== undefined && costOf(a) > must.costMax)
    say('cost', `cost ${costOf(a).toFixed(2)} over ${must.costMax}`)
  const filaments = [...new Set(a.pieces.map(piece => piece.filament))]
  const soft = filaments.filter(
    id =>
      (libraries.filaments.find(item => item.id === id)?.softeningC ?? Infinity) <
      (must.softeningMinC ?? -Infinity),
  )
  if (soft.length) say('heat', `heat: ${soft.map(nameOf).join(', ')} softens under ${must.softeningMinC} °C`)
  const short = !must.onShelf
    ? []
    : filaments.flatMap(id => {
        const wanted = a.pieces
          .filter(piece => piece.filament === id && piece.weighedG === null)
          .reduce((sum, piece) => sum + piece.filamentG, 0)
        const there = doc.spools
          .filter(spool => spool.filament === id)
          .reduce((sum, spool) => sum + spool.massG, 0)
        return wanted > there ? [`${Math.ceil(wanted - there)} g of ${nameOf(id)}`] : []
      })
  if (short.length) say('shelf', `shelf: short of ${short.join(', ')}`)
  const none = a.pieces.filter(piece => piece.printer === null)
  if (none.length)
    say(
      'printer',
      `printer: none takes ${none.length === 1 ? none[0].name : `${none.length} pieces`} at ${none[0].zoneName}'s recipe`,
    )
  return broken
}
