/** Flat parts on pages at full size: small ones side by side, large ones over several pages. */
import type { Assessor } from '../../assess'
import type { ProjectFile } from '../../document'
import { flatParts, flatSheets, sheetSvg, type PlacedPart } from '../flat'
import { innerOf, type Block, type Book, type Picture } from './blocks'
import { scaleBar, tiles } from './pictures'
import type { BookAsk } from './source'

/** Under a drawing, for what is said of it, mm. */
const CAPTION_MM = 30
const BAR_MM = 200

export function composeOutlines(
  assessor: Assessor,
  doc: ProjectFile,
  { paper, now }: Pick<BookAsk, 'paper' | 'now'>,
): Book {
  const { widthMm, heightMm } = innerOf(paper, true)
  const room = [widthMm, heightMm - CAPTION_MM] as const
  const parts = flatParts(assessor.airframe(doc), assessor.assess(doc))
  const { sheets, tooLarge } = flatSheets(parts, room)
  const drawn = (placed: readonly PlacedPart[], [wide, high]: readonly [number, number]): Picture => ({
    svg: sheetSvg(placed, [wide, high], 'Mono').trim(),
    widthMm: wide,
    heightMm: high,
  })
  const named = (list: readonly PlacedPart[]) =>
    [...new Set(list.map(({ part }) => `${part.mark} ${part.name}`))].join('; ')
  const tiled = tooLarge.flatMap(part => {
    const whole = drawn([{ part, xMm: 2, yMm: 2, turned: false }], [part.widthMm + 4, part.heightMm + 4])
    const pieces = tiles(whole, room[0], room[1])
    return pieces.map((picture, i): Block => ({
      kind: 'sheet',
      picture,
      caption: `${part.mark} ${part.name}, ${part.count} of it: part ${i + 1} of ${pieces.length}; lay the dashed line over the one before`,
    }))
  })
  return {
    name: `${doc.name}: flat parts`,
    date: now.slice(0, 10),
    blocks: [
      { kind: 'chapter', text: 'Flat parts at full size', landscape: true },
      { kind: 'text', text: 'Print at 100 %, without fitting to the page. Lay a ruler on the bar first.' },
      { kind: 'sheet', picture: scaleBar(BAR_MM), caption: '' },
      ...sheets.map((placed): Block => ({
        kind: 'sheet',
        picture: drawn(placed, room),
        caption: named(placed),
      })),
      ...tiled,
    ],
  }
}
