/** Sets the book as PDF on its own thread; the writer is loaded only here. Stopped by ending the worker. */
import { expose, transfer } from 'comlink'
import pdfmake from 'pdfmake/build/pdfmake'
import textLight from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?url'
import textHeavy from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?url'
import extendedLight from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-400-normal.woff?url'
import extendedHeavy from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-700-normal.woff?url'
import monoLight from '@fontsource/spline-sans-mono/files/spline-sans-mono-latin-400-normal.woff?url'
import monoHeavy from '@fontsource/spline-sans-mono/files/spline-sans-mono-latin-500-normal.woff?url'
import textPage from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff2?url'
import textPageHeavy from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff2?url'
import monoPage from '@fontsource/spline-sans-mono/files/spline-sans-mono-latin-400-normal.woff2?url'
import type { TDocumentDefinitions } from 'pdfmake/interfaces'
import { createAssessor } from '../../core/assess'
import type { ProjectFile } from '../../core/document'
import {
  bookHtml,
  composeBook,
  composeCard,
  composeOutlines,
  composeRecipeSheets,
  pdfDefinition,
  type Book,
  type Paper,
} from '../../core/workshop/book'
import { amount, reading, worded, type Reading } from '../composables/format'

const FONTS = {
  Text: { normal: textLight, bold: textHeavy },
  Extended: { normal: extendedLight, bold: extendedHeavy },
  Mono: { normal: monoLight, bold: monoHeavy },
}
export interface BookWish {
  paper: Paper
  now: string
  reading: Reading
  /** Everything, what somebody needs who prints for the maker, what is wanted at the field, or flat parts at full size. */
  what: 'book' | 'sheets' | 'card' | 'outlines'
}

async function base64(address: string): Promise<string> {
  const answer = await fetch(address)
  if (!answer.ok)
    throw new Error('the fonts could not be loaded; is the server that serves this page still there?')
  const bytes = new Uint8Array(await answer.arrayBuffer())
  let text = ''
  for (let i = 0; i < bytes.length; i += 8192) text += String.fromCharCode(...bytes.subarray(i, i + 8192))
  return btoa(text)
}

let ready: Promise<void> | null = null
const loadFonts = () =>
  (ready ??= (async () => {
    const vfs: Record<string, string> = {}
    for (const address of Object.values(FONTS).flatMap(font => Object.values(font)))
      vfs[address] = await base64(address)
    pdfmake.addVirtualFileSystem(vfs)
    pdfmake.setFonts(FONTS)
  })().catch(fault => {
    ready = null
    throw fault
  }))

function compose(doc: ProjectFile, wish: BookWish): Book {
  reading.value = wish.reading
  const assessor = createAssessor()
  const make = {
    book: composeBook,
    sheets: composeRecipeSheets,
    card: composeCard,
    outlines: composeOutlines,
  }[wish.what]
  return make(assessor, doc, {
    paper: wish.paper,
    now: wish.now,
    hand: { words: worded, amount },
  })
}

const api = {
  async pdf(doc: ProjectFile, wish: BookWish, progress: (share: number) => void): Promise<Uint8Array> {
    progress(0.05)
    const book = compose(doc, wish)
    progress(0.3)
    await loadFonts()
    pdfmake.setProgressCallback(share => void progress(0.3 + 0.7 * share))
    const definition = pdfDefinition(book, wish.paper) as unknown as TDocumentDefinitions
    const bytes = new Uint8Array(await pdfmake.createPdf(definition).getBuffer())
    return transfer(bytes, [bytes.buffer])
  },
  async html(doc: ProjectFile, wish: BookWish): Promise<string> {
    const fonts = await Promise.all(
      (
        [
          ['Text', 400, textPage],
          ['Text', 700, textPageHeavy],
          ['Mono', 400, monoPage],
        ] as const
      ).map(async ([family, weight, address]) => ({ family, weight, base64: await base64(address) })),
    )
    return bookHtml(compose(doc, wish), wish.paper, fonts)
  },
}
export type BookApi = typeof api
expose(api)
