/** The book as a reader of its own sees it: pages, words, figures, and lengths on the paper. */
import { mkdtempSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { beforeAll, describe, expect, it } from 'vitest'
import { assess } from '../core/assess'
import { DEMOS } from '../core/demo'
import type { ProjectFile } from '../core/document'
import { answer } from './answer'
import { DEEP } from '../core/testing/runs'

// The reader is written for an engine a little newer than this one.
const buffers = ArrayBuffer.prototype as unknown as Record<string, unknown>
buffers.transferToFixedLength ??= function (this: ArrayBuffer) {
  return this.slice(0)
}

const [thistledown, plover] = DEMOS
const folder = mkdtempSync(join(tmpdir(), 'mariposa-book-'))
async function book(doc: ProjectFile, name: string, ...options: string[]) {
  const input = join(folder, `${name}.json`),
    out = join(folder, name)
  writeFileSync(input, JSON.stringify(doc))
  const { status, err, out: text } = await answer(['book', input, '--out', out, ...options], 0)
  expect(err).toBe('')
  expect(status).toBe(0)
  return { out, ...(JSON.parse(text) as { pages: number; bytes: number }) }
}
async function read(path: string) {
  const { extractText, getDocumentProxy, getResolvedPDFJS } = await import('unpdf')
  const pdf = await getDocumentProxy(new Uint8Array(readFileSync(path)))
  const { OPS } = await getResolvedPDFJS()
  const { text } = await extractText(pdf)
  return { pdf, OPS, pages: text.map(page => page.replace(/\s+/g, ' ')) }
}

describe('the book', () => {
  let made: Awaited<ReturnType<typeof book>>, found: Awaited<ReturnType<typeof read>>
  beforeAll(async () => {
    made = await book(thistledown, 'thistledown.pdf')
    found = await read(made.out)
  }, 120_000)
  const page = (title: string) => found.pages.find(text => text.startsWith(title)) ?? ''

  it('has every chapter, under 5 MB', () => {
    expect(found.pages).toHaveLength(made.pages)
    expect(made.bytes).toBe(statSync(made.out).size)
    expect(made.bytes).toBeLessThan(5e6)
    for (const title of [
      'Thistledown',
      'Three views',
      'Pieces',
      'Recipes by zone',
      'To have and to cut',
      'Building it',
      'Rods and throws',
      'Balance',
      'Flight card',
      'What was measured and flown',
      'Templates at full size',
    ])
      expect(page(title), title).not.toBe('')
  })

  it('says what the assessment says', () => {
    const { verdicts, totals, flight, pieces, plan } = assess(thistledown)
    expect(page('Thistledown')).toContain(`${verdicts.weight.value.toFixed(0)} g`)
    expect(page('Thistledown')).toContain(`${verdicts.balance.value.toFixed(1)} % MAC`)
    expect(page('Thistledown')).toContain(`${verdicts.hours.value.toFixed(1)} h`)
    expect(page('Thistledown')).toContain(`${plan.areaDm2.toFixed(1)} dm²`)
    for (const piece of pieces.slice(0, 8))
      expect(page('Pieces')).toContain(`${piece.predictedG.toFixed(1)} g`)
    expect(page('Balance')).toContain(`Aim ${flight.cgAimMm.toFixed(0)} mm`)
    expect(page('Balance')).toContain(`${totals.cgEmptyMm[0].toFixed(1)} mm`)
    expect(page('Flight card')).toContain(`${flight.stallMs.toFixed(1)} m/s`)
    expect(page('What was measured')).toContain('Skid under the nose scuffed through')
  })

  it('names every piece once among the pieces, every step in its order, and the cautions', () => {
    const { pieces } = assess(thistledown)
    const list = page('Pieces')
    for (const piece of pieces.slice(0, 20)) expect(list.split(` ${piece.mark} `).length, piece.mark).toBe(2)
    const text = found.pages.join(' ')
    // With its number before it: traps name later steps.
    const at = [
      'Glue main spar into Wing 1 starboard',
      'Glue Wing 2 starboard to Wing 1 starboard',
      'Join the halves of the wing',
    ].map(title => text.search(new RegExp(`\\d ${title}`)))
    expect(at.every(place => place > 0)).toBe(true)
    expect([...at].sort((a, b) => a - b)).toEqual(at)
    expect(text).toContain('the dust stays in the lungs')
    expect(text).toContain('ask the national authority, the club and the owner of the site')
  })

  it('a bar of 200 mm is 200 mm long on the paper, and the root chord is full size', async () => {
    const index = found.pages.findIndex(text => text.startsWith('Templates at full size'))
    const widths = await pathWidths(found, index + 1)
    expect(widths.some(mm => Math.abs(mm - 200) < 0.1)).toBe(true)
    const chord = thistledown.wing.rootChordMm
    expect(widths.some(mm => Math.abs(mm - chord) < 0.5)).toBe(true)
  })

  it.runIf(DEEP)('comes on letter paper, as recipe sheets alone, and with names in any letters', async () => {
    const doc = { ...plover, name: 'Ťažký Łoś → 2', purpose: 'Žltý ≥ 3' }
    const letter = await book(doc, 'letter.pdf', '--paper', 'letter')
    const own = await read(letter.out)
    const view = (await own.pdf.getPage(1)).view
    expect(view[2]).toBeCloseTo(8.5 * 72, 0)
    expect(view[3]).toBeCloseTo(11 * 72, 0)
    expect(own.pages[0]).toContain('Ťažký Łoś -> 2')
    const sheets = await book(plover, 'sheets.pdf', '--sheets', 'true')
    const alone = await read(sheets.out)
    expect(sheets.pages).toBeLessThan(5)
    expect(alone.pages.join(' ')).toContain('Recipes by zone')
    expect(alone.pages.join(' ')).not.toContain('Flight card')
  })

  it('as one page it holds all it shows, and no name becomes markup', async () => {
    const doc = { ...plover, name: '<img src=x onerror=alert(1)>', purpose: 'a & b' }
    const { out } = await book(doc, 'page.html', '--html', 'true')
    const text = readFileSync(out, 'utf8')
    expect(text).not.toMatch(/<img src=x/)
    expect(text).toContain('&lt;img src=x onerror=alert(1)&gt;')
    expect(text).not.toMatch(/(src|href)="(https?:)?\/\//)
    expect(text).not.toContain('<script')
    expect(text.match(/@font-face/g)).toHaveLength(3)
    expect(text).toContain(`${assess(plover).verdicts.weight.value.toFixed(0)} g`)
  })

  it('says what is wrong with what was asked, and writes nothing', async () => {
    const input = join(folder, 'a.json')
    writeFileSync(input, JSON.stringify(plover))
    const ask = (...words: string[]) => answer(['book', input, ...words], 0)
    expect((await ask()).err).toMatch(/--out: wants the file to write/)
    expect((await ask('--out', join(folder, 'b.pdf'), '--paper', 'a9')).err).toMatch(
      /--paper: wants one of a4, letter/,
    )
    expect((await ask('--out', join(folder, 'no', 'such', 'b.pdf'))).err).toMatch(/cannot be written/)
  })
})

/** Widths of what is drawn on a page, mm of the paper: path boxes under the transforms that hold for them. */
async function pathWidths({ pdf, OPS }: Awaited<ReturnType<typeof read>>, number: number): Promise<number[]> {
  const { fnArray, argsArray } = await (await pdf.getPage(number)).getOperatorList()
  const stack: number[] = []
  let scale = 1
  const widths: number[] = []
  fnArray.forEach((code: number, i: number) => {
    const args = argsArray[i] as never[]
    if (code === OPS.save) stack.push(scale)
    if (code === OPS.restore) scale = stack.pop() ?? 1
    if (code === OPS.transform) scale *= Math.hypot(args[0], args[1])
    const box = code === OPS.constructPath ? (args[2] as unknown as Float32Array | null) : null
    if (box) widths.push(((box[2] - box[0]) * scale * 25.4) / 72)
  })
  return widths
}
