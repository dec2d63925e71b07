/** What a book is made of, before it is paper or a page: headings, sentences, tables, pictures to scale. */

import type { Words } from '../../units'

export type Cell = string | { text: string; right?: boolean; strong?: boolean }

export interface Picture {
  /** Vector drawing; its user units are mm on the paper unless it was scaled. */
  svg: string
  widthMm: number
  heightMm: number
}

export type Block =
  | { kind: 'title'; text: string; under: string }
  /** `landscape`: on sheets laid across, for drawings at full size. */
  | { kind: 'chapter'; text: string; landscape?: boolean }
  | { kind: 'heading'; text: string }
  | { kind: 'text'; text: string; small?: boolean }
  | { kind: 'warning'; text: string }
  | {
      kind: 'table'
      head: readonly Cell[]
      rows: ReadonlyArray<readonly Cell[]>
      widths?: readonly (number | '*')[]
    }
  | { kind: 'picture'; picture: Picture; caption: string }
  /** Steps: a number, a picture, a heading, sentences, and what to beware of. */
  | {
      kind: 'step'
      number: string
      title: string
      picture: Picture
      lines: readonly string[]
      small: readonly string[]
    }
  /** At full size on a sheet of its own; nothing may scale it. */
  | { kind: 'sheet'; picture: Picture; caption: string }

export interface Book {
  name: string
  /** Day on which it was made, YYYY-MM-DD. */
  date: string
  blocks: Block[]
}

export type Paper = 'a4' | 'letter'
/** Width and height, and the margin all round, mm. */
export const PAPERS: Record<Paper, { widthMm: number; heightMm: number; marginMm: number }> = {
  a4: { widthMm: 210, heightMm: 297, marginMm: 15 },
  letter: { widthMm: 215.9, heightMm: 279.4, marginMm: 15 },
}
/** What is left inside the margins, mm; `landscape` of a sheet that lies across. */
export function innerOf(paper: Paper, landscape = false): { widthMm: number; heightMm: number } {
  const { widthMm, heightMm, marginMm } = PAPERS[paper]
  const [across, down] = landscape ? [heightMm, widthMm] : [widthMm, heightMm]
  return { widthMm: across - 2 * marginMm, heightMm: down - 2 * marginMm }
}

/** How figures are written: metric with a point, or as the reader has set it. */
export interface Hand {
  words(words: Words | null | undefined): string
  amount(value: number | null | undefined, unit: string, digits?: number): string
}
