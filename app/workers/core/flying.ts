/** Power, tosses, the field, what flights say and what breaks. */
import type { PitchTables, StallCase } from '../../../core/assess'
import type { Break, ProjectFile } from '../../../core/document'
import { printableMesh, writeStl } from '../../../core/printing'
import { LIBRARIES } from '../../../core/libraries'
import { diagnose, learnedDrag, priceOf, type Diagnosis, type Price } from '../../../core/workshop/diagnosis'
import { transfer } from 'comlink'
import {
  boughtParts,
  lookAlso,
  repairs,
  restOf,
  type LookAlso,
  type Repair,
} from '../../../core/workshop/repair'
import { buildOrder } from '../../../core/workshop/build'
import {
  actsFor,
  suggestions,
  tryActs,
  type Act,
  type Suggestion,
  type Tried,
} from '../../../core/workshop/next-mark'
import { fieldDay, type FieldDay } from '../../../core/workshop/field'
import { readTrack, type TrackReading } from '../../../core/workshop/track'
import { flightCard, type FlightCard } from '../../../core/workshop/card'
import {
  dummyMasses,
  survivingBalance,
  type DummyMasses,
  type Pull,
  type Throw,
} from '../../../core/workshop/toss'
import {
  powerReport,
  pullOf,
  shelfOffers,
  standResult,
  type Offer,
  type PowerReport,
  type ShelfAsk,
  type StandResult,
} from '../../../core/workshop/power'
import { aside, known, solids, type Progress } from './memory'

export interface MarkFigures {
  massG: number
  cgMm: number
  marginPct: number
  reserve: number
  hours: number
  /** Wings of consequence that miss their target. */
  failing: string[]
}

const glideWith = (doc: ProjectFile, dragShare: number): number =>
  aside.assess({ ...doc, measured: { ...doc.measured, dragShare } }).flight.bestGlide

/** Steps of the build that handle one of these pieces. */
const stepsTouching = (doc: ProjectFile, pieces: readonly string[]): string[] =>
  buildOrder(aside.airframe(doc))
    .steps.filter(step => step.touches.some(id => pieces.includes(id)))
    .map(step => step.id)

export const flying = {
  /** The stall with another twist or taper. */
  stallCases: (doc: ProjectFile): StallCase[] => aside.flown(known(doc)).stallCases(),
  /** The aircraft in the vertical plane, for the page to toss, its thrust, and the bags that an empty shell wants. */
  tossing(
    doc: ProjectFile,
    payload: boolean,
  ): { tables: PitchTables; pull: Pull | null; dummies: DummyMasses | null } {
    const own = known(doc)
    const assessment = aside.assess(own)
    const tables = aside.flown(own).pitch(payload)
    return { tables, pull: pullOf(own, assessment), dummies: dummyMasses(own, assessment, tables) }
  },
  power(doc: ProjectFile): { report: PowerReport; stand: StandResult | null } {
    const own = known(doc)
    return {
      report: powerReport(own, aside.assess(own), aside.flown(own).pitch(true)),
      stand: standResult(own),
    }
  },
  /** Every propeller, pack or both of the shelf; null where the maker stopped it. */
  shelf(doc: ProjectFile, ask: ShelfAsk, progress: Progress): Promise<Offer[] | null> {
    const own = known(doc)
    return shelfOffers(own, aside.assess(own), aside.flown(own).pitch(true), LIBRARIES, ask, (done, of) =>
      progress(done, of, ''),
    )
  },
  /** What a recording of the project says, beside what is computed; null where that flight has none. */
  readTrack(doc: ProjectFile, flight: string): TrackReading | null {
    const own = known(doc)
    const track = own.tracks.find(item => item.flight === flight)
    return track ? readTrack(own, aside.assess(own), aside.flown(own).pitch(true), track) : null
  },
  /** What the flights that were logged say is off. */
  diagnose(
    doc: ProjectFile,
  ): Diagnosis & { prices: Record<string, Price | null>; drag: { share: number; glide: number } | null } {
    const own = known(doc)
    const found = diagnose(own, aside.assess(own), aside.flown(own).pitch(true))
    const likely = found.tooLittle ? [] : found.causes.filter(cause => cause.chance > 0.2)
    const drag = likely.find(cause => cause.code === 'drag')
    const share = drag ? learnedDrag(aside, own, drag.amount / 100) : null
    return {
      ...found,
      prices: Object.fromEntries(
        likely.map(cause => [cause.code, priceOf(aside, own, cause.code, cause.amount)]),
      ),
      drag: share === null ? null : { share, glide: glideWith(own, share) },
    }
  },
  /** What can break besides printed pieces. */
  boughtParts(doc: ProjectFile): Array<{ id: string; name: string; fromMm: number; toMm: number }> {
    const own = known(doc)
    return boughtParts(own, aside.assess(own)).map(({ id, name, fromMm, toMm }) => ({
      id,
      name,
      fromMm,
      toMm,
    }))
  },
  /** Ways to mend what broke at a place, what else to look at, and the steps of the build that handle it. */
  damage(
    doc: ProjectFile,
    piece: string,
    atMm: number,
    how: Break,
  ): { ways: Repair[]; looks: LookAlso[]; redo: string[] } {
    const own = known(doc)
    const ways = repairs(aside, own, piece, atMm, how)
    const looks = lookAlso(own, aside.assess(own), piece, atMm)
    return { ways, looks, redo: stepsTouching(own, [piece]) }
  },
  /** The rest of a broken piece as it is printed, STL; null where it has none. */
  async restFile(doc: ProjectFile, piece: string, atMm: number): Promise<Uint8Array | null> {
    const rest = restOf(aside, known(doc), piece, atMm)
    if (!rest) return null
    const own = aside.airframe(rest.doc).pieces.find(item => item.id === rest.piece)
    if (!own) return null
    const bytes = writeStl(printableMesh(await solids(), own), `rest of ${piece}`)
    return transfer(bytes, [bytes.buffer])
  },
  /** What can be wished for on this design, and what log, damage and findings suggest. */
  wishing(doc: ProjectFile): { acts: Array<Omit<Act, 'change'>>; suggestions: Suggestion[] } {
    const own = known(doc)
    const assessment = aside.assess(own)
    const diagnosis = own.flights.length ? diagnose(own, assessment, aside.flown(own).pitch(true)) : null
    return {
      acts: actsFor(own).map(({ change: _, ...act }) => act),
      suggestions: suggestions(own, assessment, diagnosis),
    }
  },
  /** Wishes tried together, with the steps of the build that what is new wants again. */
  tryWishes(doc: ProjectFile, acts: string[]): { tried: Tried; redo: string[] } {
    const own = known(doc)
    const tried = tryActs(aside, own, acts)
    return { tried, redo: tried.anew.length ? stepsTouching(own, tried.anew) : [] }
  },
  /** A mark in a few figures. */
  markFigures(doc: ProjectFile): MarkFigures {
    const { totals, flight, strength, verdicts } = aside.assess(known(doc))
    return {
      massG: totals.massG,
      cgMm: totals.cgMm[0],
      marginPct: flight.staticMarginPct,
      reserve: strength.reserve,
      hours: totals.hours,
      failing: Object.values(verdicts)
        .filter(verdict => verdict.state === 'failing')
        .map(verdict => verdict.wing),
    }
  },
  /** The aircraft in today's air, on the pack that is chosen. */
  fieldDay: (doc: ProjectFile): FieldDay => fieldDay(aside, known(doc)),
  flightCard: (doc: ProjectFile): FlightCard => flightCard(aside, known(doc)),
  /** How far the balance may move before this throw no longer glides; half a second of tosses. */
  survivingBalance: (tables: PitchTables, thrown: Throw): { foreMm: number; aftMm: number } =>
    survivingBalance(tables, thrown),
}
