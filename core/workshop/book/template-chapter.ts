/** Sections at full size, on sheets laid across. */
import { innerOf, type Block } from './blocks'
import { scaleBar, sectionPicture, tiles } from './pictures'
import type { Source } from './source'

/** Of the bar on the sheets of templates. */
const BAR_MM = 200

/** Sections at full size: root, every cut, tip. */
export function templates({ airframe, hand, paper }: Source): Block[] {
  const inner = innerOf(paper, true)
  const sheets = Object.values(airframe.surfaces).flatMap(loft => {
    const cuts = airframe.doc.cuts[loft.name].map(cut => cut.atMm)
    const places = [...new Set([0, ...cuts, loft.ends[loft.ends.length - 1].s])]
      .filter(at => at >= 0 && at <= loft.span)
      .sort((a, b) => a - b)
    return places.map(at =>
      sectionPicture(
        loft,
        airframe,
        at,
        `${loft.label}, ${at === 0 ? 'root' : hand.amount(at, 'mm', 0)}, full size`,
      ),
    )
  })
  const tiled = sheets.flatMap(picture => {
    const parts = tiles(picture, inner.widthMm, inner.heightMm - 30)
    return parts.map((part, i) => ({
      part,
      caption:
        parts.length > 1 ? `Part ${i + 1} of ${parts.length}; lay the dashed line over the one before` : '',
    }))
  })
  return [
    { kind: 'chapter', text: 'Templates at full size', landscape: true },
    { kind: 'text', text: 'Print at 100 %, without fitting to the page. Lay a ruler on the bar first.' },
    { kind: 'sheet', picture: scaleBar(BAR_MM), caption: '' },
    ...tiled.map(({ part, caption }): Block => ({ kind: 'sheet', picture: part, caption })),
  ]
}
