/** What the log of this aircraft says is off with it, how sure that is, and what would tell more. */
import type { Assessment, PitchTables } from '../../assess'
import type { Flight, ProjectFile } from '../../document'
import { q, say, type Words } from '../../units'
import { causeWords, inUnit, mendWords, modelOf, TESTS, type Cause } from './causes'
import { weigh, type Notes } from './infer'

export interface Found {
  code: Cause
  chance: number
  /** In `unit`, with one standard deviation. */
  amount: number
  sigma: number
  unit: string
  what: Words
  test: string
  mend: Words
}

export interface Diagnosis {
  reading: Words
  causes: Found[]
  nothing: number
  flights: number
  /** Notes that were used, all flights together. */
  notes: number
  /** What to try next: most telling first. */
  tests: Array<{ sign: string; words: string; bits: number }>
  tooLittle: boolean
}

/** Under that chance nobody is accused. */
const STANDS_OUT = 0.5
/** With fewer notes the log cannot say. */
const ENOUGH = 3

export function notesOf({
  minutes,
  usedMah,
  motorC,
  elevatorTrimDeg,
  aileronTrimDeg,
  signs,
  glideRatio,
}: Flight): Notes {
  const figures: Notes['figures'] = {}
  if (elevatorTrimDeg !== null) figures.elevator = elevatorTrimDeg
  if (aileronTrimDeg !== null) figures.aileron = aileronTrimDeg
  // A hop says nothing of what a minute takes, nor of heat.
  if (usedMah !== null && minutes >= 1) figures.charge = usedMah / minutes
  if (motorC !== null && minutes >= 1) figures.motor = motorC
  if (glideRatio !== null) figures.glide = glideRatio
  return { figures, ticks: Object.fromEntries(signs.map(({ sign, value }) => [sign, value])) }
}

export function diagnose(doc: ProjectFile, assessment: Assessment, tables: PitchTables): Diagnosis {
  const model = modelOf(doc, assessment, tables)
  const notes = doc.flights.map(notesOf)
  const weighed = weigh(model, notes)
  const count = notes.reduce(
    (sum, { figures, ticks }) => sum + Object.keys(figures).length + Object.keys(ticks).length,
    0,
  )
  const tooLittle = count < ENOUGH
  const tests = weighed.tells
    .filter(item => item.bits > 0.002)
    .slice(0, 4)
    .map(({ sign, bits }) => ({ sign, words: TESTS[sign], bits }))
  const next = tests[0]?.words ?? TESTS.glide
  const causes = weighed.causes.map(({ cause, chance, amount, sigma }): Found => ({
    code: cause,
    chance,
    amount: inUnit(cause, amount),
    sigma: inUnit(cause, sigma),
    unit: model.unit[cause],
    what: causeWords(cause, amount),
    test: next,
    mend: mendWords(cause, amount),
  }))
  return {
    causes,
    nothing: weighed.nothing,
    flights: notes.length,
    notes: count,
    tests,
    tooLittle,
    reading: read(causes, weighed.nothing, tooLittle, next),
  }
}

function read(causes: readonly Found[], nothing: number, tooLittle: boolean, next: string): Words {
  if (tooLittle) return say`The log says too little yet. ${next}`
  const [first, second] = causes
  if (nothing > first.chance)
    return say`Nothing stands out: it flies as computed, by what was noted (${q(100 * nothing, '%', 0)})`
  if (first.chance < STANDS_OUT)
    return say`Nothing stands out for sure: ${first.what} (${q(100 * first.chance, '%', 0)}), or ${lower(second.what)} (${q(100 * second.chance, '%', 0)}). ${next}`
  return say`${first.what}, by ${q(100 * first.chance, '%', 0)}${second.chance > 0.3 ? say`; perhaps as well: ${lower(second.what)} (${q(100 * second.chance, '%', 0)})` : ''}`
}

/** In the middle of a sentence. */
const lower = (words: Words): Words =>
  typeof words === 'string'
    ? words.charAt(0).toLowerCase() + words.slice(1)
    : words.map((part, i) =>
        i === 0 && typeof part === 'string' ? part.charAt(0).toLowerCase() + part.slice(1) : part,
      )
