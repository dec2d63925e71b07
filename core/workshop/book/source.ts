/** What every chapter of a book draws on. */
import type { Airframe, Assessment } from '../../assess'
import type { ProjectFile } from '../../document'
import { buildOrder, type BuildOrder } from '../build'
import { innerOf, type Cell, type Hand, type Paper } from './blocks'

export interface BookAsk {
  paper: Paper
  /** The maker's own now, YYYY-MM-DDTHH:MM. */
  now: string
  hand: Hand
}

export interface Source extends BookAsk {
  doc: ProjectFile
  airframe: Airframe
  assessment: Assessment
  order: BuildOrder
  inner: { widthMm: number; heightMm: number }
}

export const sourceOf = (airframe: Airframe, assessment: Assessment, ask: BookAsk): Source => ({
  ...ask,
  doc: airframe.doc,
  airframe,
  assessment,
  order: buildOrder(airframe),
  inner: innerOf(ask.paper),
})

export const right = (text: string): Cell => ({ text, right: true })

export const strong = (text: string): Cell => ({ text, strong: true })
