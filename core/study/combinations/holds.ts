/** What an assessed design does not hold of what must hold, in words with figures. */
import type { Assessment } from '../../assess'
import type { ProjectFile } from '../../document'
import type { Libraries } from '../../libraries'
import { costOf } from '../../change'
import type { Kind } from './weigher'
import type { Vary } from './vary'
import { listed, q, say, type Words } from '../../units'

export interface Broken {
  kind: Kind
  words: Words
}

export function brokenBy(
  doc: ProjectFile,
  a: Assessment,
  must: Vary['must'],
  libraries: Libraries,
): Broken[] {
  const broken: Broken[] = [],
    put = (kind: Kind, words: Words) => broken.push({ kind, words })
  const nameOf = (id: string) => libraries.filaments.find(item => item.id === id)?.name ?? id
  const [low, high] = must.staticMarginPct ?? [-Infinity, Infinity],
    both = [a.flight.staticMarginPct, a.flight.staticMarginEmptyPct]
  if (must.massMaxG !== undefined && a.totals.massG > must.massMaxG)
    put('weight', say`weight ${q(a.totals.massG, 'g', 0)} over ${q(must.massMaxG, 'g')}`)
  if (both.some(pct => pct < low || pct > high))
    put(
      'balance',
      say`balance ${q(both[0], '%', 1)} with payload, ${q(both[1], '%', 1)} without, outside ${low}–${q(high, '%')}`,
    )
  if (must.reserveMin !== undefined && a.strength.reserve < must.reserveMin)
    put(
      'strength',
      say`strength ${q(a.strength.reserve, '', 2)} under ${must.reserveMin}: ${a.strength.mode}, ${a.strength.where}`,
    )
  if (must.hoursMax !== undefined && a.totals.hours > must.hoursMax)
    put('hours', say`hours ${q(a.totals.hours, '', 1)} over ${must.hoursMax}`)
  if (must.costMax !== undefined && costOf(a) > must.costMax)
    put('cost', say`cost ${q(costOf(a), '', 2)} over ${must.costMax}`)
  const filaments = [...new Set(a.pieces.filter(piece => !piece.sheet).map(piece => piece.filament))]
  const soft = filaments.filter(
    id =>
      (libraries.filaments.find(item => item.id === id)?.softeningC ?? Infinity) <
      (must.softeningMinC ?? -Infinity),
  )
  if (soft.length)
    put('heat', say`heat: ${soft.map(nameOf).join(', ')} softens under ${q(must.softeningMinC!, '°C')}`)
  const short = !must.onShelf
    ? []
    : filaments.flatMap(id => {
        const wanted = a.pieces
          .filter(piece => piece.filament === id && piece.weighedG === null && !piece.sheet)
          .reduce((sum, piece) => sum + piece.filamentG, 0)
        const there = doc.spools
          .filter(spool => spool.filament === id)
          .reduce((sum, spool) => sum + spool.massG, 0)
        return wanted > there ? [say`${q(Math.ceil(wanted - there), 'g')} of ${nameOf(id)}`] : []
      })
  if (short.length) put('shelf', say`shelf: short of ${listed(short, ', ')}`)
  const none = a.pieces.filter(piece => piece.printer === null && !piece.sheet)
  if (none.length)
    put(
      'printer',
      `printer: none takes ${none.length === 1 ? none[0].name : `${none.length} pieces`} at ${none[0].zoneName}'s recipe`,
    )
  return broken
}
