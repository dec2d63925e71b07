/** A book as one page of HTML that holds everything it shows: opened anywhere, with no network. */
import { PAPERS, type Block, type Book, type Cell, type Paper, type Picture } from './blocks'

export interface EmbeddedFont {
  family: string
  weight: number
  /** WOFF2 in base64. */
  base64: string
}

const escaped = (text: string) =>
  text.replace(/[&<>"]/g, sign => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign]!)

export function bookHtml(book: Book, paper: Paper, fonts: readonly EmbeddedFont[]): string {
  const { widthMm, heightMm, marginMm } = PAPERS[paper]
  const faces = fonts
    .map(
      font =>
        `@font-face{font-family:"${font.family}";font-weight:${font.weight};src:url(data:font/woff2;base64,${font.base64}) format("woff2")}`,
    )
    .join('\n')
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; font-src data:">
<title>${escaped(book.name)}</title><style>
${faces}
@page{size:${widthMm}mm ${heightMm}mm;margin:${marginMm}mm}
@page across{size:${heightMm}mm ${widthMm}mm;margin:${marginMm}mm}
.across,.sheet{page:across}
body{font:10.5pt/1.4 "Text",sans-serif;color:#20293a;background:#f6f1e6;margin:0 auto;max-width:190mm;padding:8mm}
h1{font-size:30pt;margin:0}h2{font-size:18pt;margin:14mm 0 3mm;break-before:page}h3{font-size:12pt;margin:5mm 0 1mm}
table{border-collapse:collapse;width:100%;margin:2mm 0 5mm;font-size:9pt}th{text-align:left;color:#4d5568}
td,th{border-bottom:.3mm solid #c3bba9;padding:.7mm 2.5mm .7mm 0;vertical-align:top}.r{text-align:right;font-family:"Mono",monospace}
.small{font-size:8.5pt;color:#4d5568}.warn{border-left:1mm solid #c4501f;padding-left:3mm;font-weight:700}
.step{display:flex;gap:5mm;margin:0 0 5mm;break-inside:avoid}.step>div{flex:1}.step svg{flex:none}
.step h3{margin:0}.step p{margin:.6mm 0}.sheet{break-inside:avoid;overflow:auto}svg,img{max-width:100%}.sheet svg{max-width:none}
</style></head><body>
${book.blocks.map(part).join('\n')}
<p class="small">${escaped(`${book.name}, ${book.date}. Made with Mariposa.`)}</p>
</body></html>
`
}

const drawn = ({ svg }: Picture) => svg

function part(block: Block): string {
  switch (block.kind) {
    case 'title':
      return `<h1>${escaped(block.text)}</h1><p>${escaped(block.under)}</p>`
    case 'chapter':
      return `<h2${block.landscape ? ' class="across"' : ''}>${escaped(block.text)}</h2>`
    case 'heading':
      return `<h3>${escaped(block.text)}</h3>`
    case 'text':
      return `<p${block.small ? ' class="small"' : ''}>${escaped(block.text)}</p>`
    case 'warning':
      return `<p class="warn">${escaped(block.text)}</p>`
    case 'table':
      return table(block)
    case 'picture':
      return `<figure style="margin:0">${drawn(block.picture)}${block.caption ? `<figcaption class="small">${escaped(block.caption)}</figcaption>` : ''}</figure>`
    case 'step':
      return `<section class="step">${drawn(block.picture)}<div><h3>${escaped(`${block.number}  ${block.title}`)}</h3>${block.lines.map(line => `<p>${escaped(line)}</p>`).join('')}${block.small.map(line => `<p class="small">${escaped(line)}</p>`).join('')}</div></section>`
    case 'sheet':
      return `<div class="sheet">${drawn(block.picture)}${block.caption ? `<p class="small">${escaped(block.caption)}</p>` : ''}</div>`
  }
}

function cell(value: Cell, tag: 'td' | 'th'): string {
  const { text, right = false, strong = false } = typeof value === 'string' ? { text: value } : value
  const inner = strong ? `<b>${escaped(text)}</b>` : escaped(text)
  return `<${tag}${right ? ' class="r"' : ''}>${inner}</${tag}>`
}

const table = ({ head, rows }: Extract<Block, { kind: 'table' }>): string =>
  `<table>${head.length ? `<thead><tr>${head.map(item => cell(item, 'th')).join('')}</tr></thead>` : ''}<tbody>${rows
    .map(row => `<tr>${row.map(item => cell(item, 'td')).join('')}</tr>`)
    .join('')}</tbody></table>`
