/** A book as a document definition of the PDF writer: plain data, set in the fonts that ship with the application. */
import { innerOf, PAPERS, type Block, type Book, type Cell, type Paper, type Picture } from './blocks'

/** Points a millimetre. */
export const PT = 72 / 25.4

/** Letters that the shipped subset of the text font has; the extended subset has the rest of Latin. */
const BASIC = /[\u0000-\u00ff\u0131\u0152\u0153\u02c6\u02da\u02dc\u2000-\u206f\u20ac\u2122\u2212]/u
const EXTENDED = /[\u0100-\u024f\u1e00-\u1eff]/u
/** Signs that neither has, as they are written without them. */
const WRITTEN: Record<string, string> = {
  '≤': 'at most ',
  '≥': 'at least ',
  '→': '->',
  ₙ: '',
  '⚠': '!',
  '✓': 'x',
  μ: 'µ',
}

type Node = Record<string, unknown> | string
type Run = { text: string; font?: string }

/** Text in runs of the font that has its letters; what no font has becomes a question mark. */
export function runs(text: string): Run[] {
  const out: Run[] = []
  for (const letter of text.normalize('NFC')) {
    const plain = WRITTEN[letter] ?? letter
    const extended = plain.length === 1 && EXTENDED.test(plain)
    const known = extended || [...plain].every(sign => BASIC.test(sign))
    const font = extended ? 'Extended' : undefined
    const last = out.at(-1)
    const put = known ? plain : '?'
    if (last && last.font === font) last.text += put
    else out.push(font ? { text: put, font } : { text: put })
  }
  return out
}

const svg = ({ svg: drawn, widthMm, heightMm }: Picture, roomMm = Infinity): Record<string, unknown> => {
  const scale = Math.min(1, roomMm / widthMm)
  return { svg: drawn, width: widthMm * scale * PT, height: heightMm * scale * PT }
}

export function pdfDefinition(book: Book, paper: Paper): Record<string, unknown> {
  const { widthMm, heightMm, marginMm } = PAPERS[paper]
  const inner = innerOf(paper)
  const content = book.blocks.flatMap((block): Node[] => nodeOf(block, inner.widthMm))
  return {
    pageSize: { width: widthMm * PT, height: heightMm * PT },
    pageMargins: [marginMm * PT, marginMm * PT, marginMm * PT, (marginMm + 2) * PT],
    info: { title: book.name, creator: 'Mariposa' },
    defaultStyle: { font: 'Text', fontSize: 9, lineHeight: 1.15, color: '#20293a' },
    content,
    footer: (page: number, pages: number) => ({
      columns: [
        { text: runs(`${book.name}, ${book.date}`), color: '#6b7284' },
        { text: `${page} of ${pages}`, alignment: 'right', color: '#6b7284' },
      ],
      fontSize: 7.5,
      margin: [marginMm * PT, 6, marginMm * PT, 0],
    }),
  }
}

function nodeOf(block: Block, widthMm: number): Node[] {
  switch (block.kind) {
    case 'title':
      return [
        { text: runs(block.text), fontSize: 30, bold: true, margin: [0, 6, 0, 2] },
        { text: runs(block.under), fontSize: 11, color: '#4d5568', margin: [0, 0, 0, 10] },
      ]
    case 'chapter':
      return [
        {
          text: runs(block.text),
          fontSize: 18,
          bold: true,
          margin: [0, 0, 0, 6],
          pageBreak: 'before',
          pageOrientation: block.landscape ? 'landscape' : 'portrait',
        },
      ]
    case 'heading':
      return [{ text: runs(block.text), fontSize: 12, bold: true, margin: [0, 8, 0, 3] }]
    case 'text':
      return [
        {
          text: runs(block.text),
          ...(block.small ? { fontSize: 7.5, color: '#4d5568' } : {}),
          margin: [0, 2, 0, 4],
        },
      ]
    case 'warning':
      return [
        {
          table: { widths: ['*'], body: [[{ text: runs(block.text), bold: true }]] },
          layout: {
            hLineWidth: () => 0,
            vLineWidth: (i: number) => (i === 0 ? 2 : 0),
            vLineColor: () => '#c4501f',
            paddingLeft: () => 6,
          },
          margin: [0, 3, 0, 3],
        },
      ]
    case 'table':
      return [tableNode(block)]
    case 'picture':
      return [
        { ...svg(block.picture, widthMm), margin: [0, 2, 0, 2] },
        ...(block.caption
          ? [{ text: runs(block.caption), fontSize: 7.5, color: '#4d5568', margin: [0, 0, 0, 6] }]
          : []),
      ]
    case 'step':
      return [stepNode(block)]
    case 'sheet':
      return [
        {
          unbreakable: true,
          stack: [
            { ...svg(block.picture) },
            ...(block.caption ? [{ text: runs(block.caption), fontSize: 7.5, color: '#4d5568' }] : []),
          ],
          margin: [0, 4, 0, 4],
        },
      ]
  }
}

const cellNode = (cell: Cell, head: boolean): Node => {
  const { text, right = false, strong = false } = typeof cell === 'string' ? { text: cell } : cell
  return {
    text: runs(text),
    alignment: right ? 'right' : 'left',
    bold: head || strong,
    ...(head ? { color: '#4d5568' } : {}),
    ...(right && !head ? { font: 'Mono', fontSize: 7.8 } : {}),
  }
}

function tableNode({ head, rows, widths }: Extract<Block, { kind: 'table' }>): Node {
  const columns = Math.max(head.length, ...rows.map(row => row.length))
  const filled = (row: readonly Cell[]) => Array.from({ length: columns }, (_, i) => row[i] ?? '')
  return {
    table: {
      headerRows: head.length ? 1 : 0,
      dontBreakRows: true,
      widths: filledWidths(widths, columns),
      body: [
        ...(head.length ? [filled(head).map(cell => cellNode(cell, true))] : []),
        ...rows.map(row => filled(row).map(cell => cellNode(cell, false))),
      ],
    },
    layout: {
      hLineWidth: (i: number) => (i === 0 ? 0 : 0.4),
      vLineWidth: () => 0,
      hLineColor: () => '#c3bba9',
      paddingLeft: () => 0,
      paddingRight: () => 6,
      paddingTop: () => 1.6,
      paddingBottom: () => 1.6,
    },
    fontSize: 8.3,
    margin: [0, 2, 0, 8],
  }
}

const filledWidths = (
  widths: readonly (number | '*')[] | undefined,
  columns: number,
): Array<number | string> =>
  Array.from({ length: columns }, (_, i) => {
    const width = widths?.[i] ?? '*'
    return width === '*' ? '*' : width * PT
  })

function stepNode({ number, title, picture, lines, small }: Extract<Block, { kind: 'step' }>): Node {
  return {
    unbreakable: true,
    columns: [
      { ...svg(picture) },
      {
        stack: [
          {
            text: [{ text: `${number}  `, font: 'Mono', color: '#c4501f' }, ...runs(title)],
            bold: true,
            fontSize: 11,
          },
          ...lines.map(line => ({ text: runs(line), margin: [0, 1.5, 0, 0] })),
          ...small.map(line => ({ text: runs(line), fontSize: 7.3, color: '#4d5568', margin: [0, 2, 0, 0] })),
        ],
      },
    ],
    columnGap: 12,
    margin: [0, 3, 0, 9],
  }
}
