/** Power, tosses, the field, what flights say and what breaks. */
import type { PitchTables } from '../../../core/assess'
import type { ProjectFile } from '../../../core/document'
import { LIBRARIES } from '../../../core/libraries'
import { diagnose, type Diagnosis } from '../../../core/workshop/diagnosis'
import { repairs, type Repair } from '../../../core/workshop/repair'
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
import { aside, known, type Progress } from './memory'

export const flying = {
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
  diagnose(doc: ProjectFile): Diagnosis {
    const own = known(doc)
    return diagnose(own, aside.assess(own), aside.flown(own).pitch(true))
  },
  /** Ways to mend a piece that broke at a place, mm. */
  repairs: (doc: ProjectFile, piece: string, atMm: number): Repair[] =>
    repairs(aside, known(doc), piece, atMm),
  /** The aircraft in today's air, on the pack that is chosen. */
  fieldDay: (doc: ProjectFile): FieldDay => fieldDay(aside, known(doc)),
  flightCard: (doc: ProjectFile): FlightCard => flightCard(aside, known(doc)),
  /** How far the balance may move before this throw no longer glides; half a second of tosses. */
  survivingBalance: (tables: PitchTables, thrown: Throw): { foreMm: number; aftMm: number } =>
    survivingBalance(tables, thrown),
}
