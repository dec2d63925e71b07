import { readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import pdfmake from 'pdfmake'
import type { TDocumentDefinitions } from 'pdfmake/interfaces'
import { createAssessor } from '../core/assess'
import { DocumentError, readProject } from '../core/document'
import { written, withUnit } from '../core/units'
import {
  bookHtml,
  composeBook,
  composeRecipeSheets,
  PAPERS,
  pdfDefinition,
  type Hand,
  type Paper,
} from '../core/workshop/book'
import type { Arguments } from './answer'

const here = createRequire(import.meta.url)
const fontFile = (family: string, name: string, ending = 'woff') =>
  join(
    dirname(here.resolve(`@fontsource/${family}/package.json`)),
    'files',
    `${family}-${name}-normal.${ending}`,
  )
const TEXT = 'atkinson-hyperlegible-next',
  MONO = 'spline-sans-mono'

/** As files are written: metric, a point before decimals. */
const PLAIN: Hand = {
  words: words => written(words ?? ''),
  amount: (value, unit, digits = 0) =>
    value === null || value === undefined || !Number.isFinite(value)
      ? ''
      : withUnit(value.toFixed(digits), unit),
}

const localMinute = () => {
  const now = new Date()
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 16)
}

/** The aircraft's book as PDF, or as one page of HTML. */
export async function bookVerb({ options, read }: Arguments): Promise<unknown> {
  const doc = readProject(read())
  const { out, paper = 'a4', html, sheets } = options
  if (!out) throw new DocumentError('--out', 'wants the file to write')
  if (!(paper in PAPERS)) throw new DocumentError('--paper', `wants one of ${Object.keys(PAPERS).join(', ')}`)
  const assessor = createAssessor()
  const compose = sheets === 'true' ? composeRecipeSheets : composeBook
  const book = compose(assessor, doc, {
    paper: paper as Paper,
    now: localMinute(),
    hand: PLAIN,
  })
  const { bytes, pages } =
    html === 'true'
      ? { bytes: Buffer.from(bookHtml(book, paper as Paper, embedded())), pages: null }
      : await setPdf(pdfDefinition(book, paper as Paper))
  try {
    writeFileSync(out, bytes)
  } catch (fault) {
    throw new DocumentError('--out', `${out} cannot be written: ${(fault as Error).message}`)
  }
  return { file: out, pages, bytes: bytes.length }
}

async function setPdf(definition: Record<string, unknown>): Promise<{ bytes: Buffer; pages: number }> {
  pdfmake.setUrlAccessPolicy(() => false)
  pdfmake.setLocalAccessPolicy(path => path.includes('@fontsource'))
  const font = (family: string, light: string, heavy: string) => ({
    normal: fontFile(family, light),
    bold: fontFile(family, heavy),
  })
  pdfmake.setFonts({
    Text: font(TEXT, 'latin-400', 'latin-700'),
    Extended: font(TEXT, 'latin-ext-400', 'latin-ext-700'),
    Mono: font(MONO, 'latin-400', 'latin-500'),
  })
  let pages = 0
  const footer = definition.footer as (page: number, of: number) => unknown
  const counted = {
    ...definition,
    footer: (page: number, of: number) => {
      pages = of
      return footer(page, of)
    },
  }
  const bytes = await pdfmake.createPdf(counted as unknown as TDocumentDefinitions).getBuffer()
  return { bytes, pages }
}

const embedded = () =>
  (
    [
      ['Text', 400, TEXT, 'latin-400'],
      ['Text', 700, TEXT, 'latin-700'],
      ['Mono', 400, MONO, 'latin-400'],
    ] as const
  ).map(([family, weight, from, name]) => ({
    family,
    weight,
    base64: readFileSync(fontFile(from, name, 'woff2')).toString('base64'),
  }))
