import { createAssessor } from '../core/assess'
import { BREAKS, DocumentError, readProject, type Break } from '../core/document'
import { written } from '../core/units'
import { repairs } from '../core/workshop/repair'
import type { Arguments } from './answer'

/** What broke and where: every way to mend it, computed. */
export function mendVerb({ options, read }: Arguments): unknown {
  const { piece, at } = options
  if (!piece) throw new DocumentError('--piece', 'wants the id of the piece that broke (wing-2-port)')
  const place = Number(at)
  if (at === undefined || at.trim() === '' || !Number.isFinite(place))
    throw new DocumentError('--at', 'wants the place along the span or the body, mm')
  const how = options.how ?? 'crack'
  if (!(BREAKS as readonly string[]).includes(how))
    throw new DocumentError('--how', `"${how.slice(0, 40)}" is none of ${BREAKS.join(', ')}`)
  const doc = readProject(read())
  return {
    piece,
    atMm: place,
    ways: repairs(createAssessor(), doc, piece, place, how as Break).map(
      ({ what, against, change: _, ...way }) => ({
        ...way,
        what: written(what),
        against: written(against),
      }),
    ),
  }
}
