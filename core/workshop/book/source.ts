/** What every chapter of a book draws on. */
import type { Airframe, Assessment, Assessor } from '../../assess'
import type { ProjectFile } from '../../document'
import { buildOrder, type BuildOrder } from '../build'
import { flightCard, type FlightCard } from '../card'
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
  card: FlightCard
  inner: { widthMm: number; heightMm: number }
}

export function sourceOf(assessor: Assessor, doc: ProjectFile, ask: BookAsk): Source {
  const airframe = assessor.airframe(doc)
  return {
    ...ask,
    doc,
    airframe,
    assessment: assessor.assess(doc),
    inner: innerOf(ask.paper),
    // Recipe sheets want neither.
    get order() {
      return buildOrder(airframe)
    },
    get card() {
      return flightCard(assessor, doc)
    },
  }
}

export const right = (text: string): Cell => ({ text, right: true })

export const strong = (text: string): Cell => ({ text, strong: true })
