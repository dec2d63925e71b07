/** A way to mend something, with what it brings and costs. */
import type { Change } from '../../change'
import type { Way } from '../../document'
import type { Words } from '../../units'

export interface Repair {
  code: Way
  what: Words
  /** On top of the aircraft as it was, g. */
  massG: number
  hours: number
  /** Filament that it prints, g. */
  printG: number
  cost: number
  /** Of the whole aircraft with it, as it will stand there once the way is taken. */
  reserve: number
  cgMm: number
  /** What is known against it, or nothing. */
  against: Words
  /** Where it is joined, along its surface, mm; null where it has no joint of its own. */
  jointMm: number | null
  /** What the design becomes by it, where it does. */
  change: Change | null
}

/** Before the whole aircraft was assessed with it. */
export type Draft = Omit<Repair, 'reserve' | 'cgMm'>
