/** What another choice would make of it: remedies, mends, single changes, combinations, sizes. */
import type { Assessment, HeatReport, WingName } from '../../../core/assess'
import {
  compareDesigns,
  filamentSwaps,
  type DesignComparison,
  type FilamentSwap,
} from '../../../core/study/compared'
import {
  begin,
  fromParts,
  type FromParts,
  type Begun,
  type Beginning,
  type LayoutId,
  type SortedPart,
  type Wishes,
} from '../../../core/begin'
import { cutsForAll, sizeReport, type SizeAsk, type SizeReport } from '../../../core/study/sizes'
import { nudges, type Nudge } from '../../../core/study/nudges'
import {
  study,
  createStudyKernel,
  type StudyKernel,
  type StudyProgress,
  type StudyResult,
  type StudyState,
  type Vary,
} from '../../../core/study/combinations'
import type { Cuts, ProjectFile, Spar } from '../../../core/document'
import { LIBRARIES } from '../../../core/libraries'
import { mToMm } from '../../../core/units'
import {
  balanceRemedies,
  wingSetFigures,
  type Remedy,
  type WingSetFigures,
} from '../../../core/workshop/balance'
import { goOn, type GoOn } from '../../../core/workshop/go-on'
import { compareSchools, proposeAllCuts, type SchoolFigures } from '../../../core/workshop/advice'
import { filmEdges, mend, sparChoices, type Mending, type SparChoice } from '../../../core/workshop/spine'
import { aside, known } from './memory'

/** How far a beginning is; layouts once they are ready. */
export interface BeginningNow {
  share: number
  label: string
  ready: Begun[] | null
}

/** What part files come to as one aircraft. */
export interface PartsAsAircraft extends FromParts {
  drawing: Assessment['drawing']
  figures: { spanMm: number; areaDm2: number; printedG: number; hours: number; neutralPointMm: number }
}

let space: StudyKernel | null = null

export const choosing = {
  /** Part files as one aircraft, drawn and assessed. */
  partsAsAircraft(name: string, parts: SortedPart[]): PartsAsAircraft {
    const found = fromParts(name, parts)
    const { drawing, totals, flight } = aside.assess(found.project)
    const { plan } = aside.flown(found.project).solved
    return {
      ...found,
      drawing,
      figures: {
        spanMm: mToMm(plan.span),
        areaDm2: 100 * plan.area,
        printedG: totals.printedG,
        hours: totals.hours,
        neutralPointMm: flight.neutralPointMm,
      },
    }
  },
  compare: (doc: ProjectFile, zone: string, filament: string): SchoolFigures[] =>
    compareSchools(aside, LIBRARIES, doc, zone, filament),
  /** What the rest of the printing can mend; each way is assessed, and false stops. */
  goOn: (
    doc: ProjectFile,
    date: string,
    progress: (done: number, of: number) => boolean | Promise<boolean>,
  ): Promise<GoOn | null> => goOn(aside, known(doc), date, progress),
  /** Ways to mend the balance, each really assessed; takes a second or two, so it goes aside. */
  remedies: (doc: ProjectFile): Remedy[] => balanceRemedies(aside, known(doc)),
  /** Ways to make the weakest place bear what it must; several seconds where nothing easy does. */
  mend: (doc: ProjectFile): Mending => mend(aside, known(doc)),
  sparChoices: (doc: ProjectFile): SparChoice[] => sparChoices(aside, known(doc)),
  /** Rods and strips that the film of a wing of ribs lacks. */
  filmEdges: (doc: ProjectFile): Spar[] => filmEdges(aside.airframe(known(doc)), LIBRARIES),
  /**
   * Steps that would help a wing, every so many of them; `progress` is told what was found so far, and false
   * stops.
   */
  nudges: (
    doc: ProjectFile,
    wing: WingName,
    part: [number, number],
    progress: (done: number, of: number, found: Nudge[]) => boolean | Promise<boolean>,
  ): Promise<Nudge[]> => {
    let told = 0
    return nudges(aside, known(doc), wing, part, (done, of, found) => {
      // Every message costs the page a little, and a search that is called off should soon know.
      if (performance.now() - told < 40) return true
      told = performance.now()
      return progress(done, of, found)
    })
  },
  /** Another design against this one; its drawing, to lay over this one. */
  compareDesigns: (
    from: ProjectFile,
    to: ProjectFile,
  ): { comparison: DesignComparison; drawing: Assessment['drawing'] } => {
    const before = aside.assess(from),
      after = aside.assess(to)
    return { comparison: compareDesigns(before, after), drawing: before.drawing }
  },
  filamentSwaps: (doc: ProjectFile, zone: string | null): FilamentSwap[] =>
    filamentSwaps(aside, known(doc), zone),
  /** One size after another: every answer is shown as it comes. */
  size: (doc: ProjectFile, ask: SizeAsk): SizeReport | null => sizeReport(aside, known(doc), ask),
  /** Cuts proposed for the largest size, brought down to the first. */
  cutsForAll: (largest: ProjectFile, factor: number): Cuts =>
    cutsForAll(proposeAllCuts(aside.airframe(largest)), factor),
  /**
   * Every combination of what may vary; told a few times a second, and false stops. `from` goes on where one
   * of the same space stood.
   */
  study: (
    doc: ProjectFile,
    vary: Vary,
    progress: (now: StudyProgress) => boolean | Promise<boolean>,
    from: StudyState | null,
  ): Promise<StudyResult> => {
    let told = 0
    return study(
      (space ??= createStudyKernel()),
      known(doc),
      vary,
      now => {
        if (performance.now() - told < 700) return true
        told = performance.now()
        return progress(now())
      },
      from,
    )
  },
  /** Layouts for a brief, told as they become ready; null where the maker stopped it. */
  beginning: async (
    wishes: Wishes,
    kinds: LayoutId[],
    progress: (now: BeginningNow) => boolean | Promise<boolean>,
  ): Promise<Beginning | null> => {
    const work = begin(wishes, kinds)
    let known = 0
    for (;;) {
      const step = work.next()
      if (step.done) return step.value
      const { share, label, ready } = step.value
      if (!(await progress({ share, label, ready: ready.length > known ? ready : null }))) return null
      known = ready.length
    }
  },
  heat: (doc: ProjectFile): HeatReport => aside.heat(known(doc)),
  wingSets: (doc: ProjectFile): WingSetFigures[] => wingSetFigures(aside, known(doc)),
}
