/**
 * Single changes that would help a wing of the butterfly, each assessed on the whole aircraft, ranked by help
 * per harm.
 */
import type { Assessment, Assessor, Verdict, WingName } from '../../assess'
import type { ProjectFile } from '../../document'
import { LIBRARIES, type Libraries } from '../../libraries'
import { admissible, apply, stops, type Change, type Step } from '../../change'
import { nudgeSteps } from './nudge-steps'
import type { Words } from '../../units'

export const WINGS: readonly WingName[] = ['weight', 'balance', 'strength', 'hours']

export interface Nudge {
  id: string
  title: Words
  change: Change
  /** Value of each wing after it, and how much that is more than before. */
  after: Record<WingName, number>
  price: Record<WingName, number>
  state: Record<WingName, Verdict['state']>
  /** Help to the wing asked for and harm to the others, both in margins' worth; see `gainOf`. */
  help: number
  harm: number
}

/**
 * One unit of gain: 2 % of the target weight, a quarter of the balance band, a tenth of a reserve, 2 % of the
 * target hours.
 */
function unitOf(doc: ProjectFile, wing: WingName): number {
  const { brief } = doc
  if (wing === 'weight') return 0.02 * brief.targetMassG
  if (wing === 'hours') return 0.02 * brief.printHours
  return wing === 'strength' ? 0.1 : Math.max(0.5, (brief.staticMarginPct[1] - brief.staticMarginPct[0]) / 4)
}

/** Reserve past this is worth nothing more. */
const ENOUGH_RESERVE = 2

/** Change of margin in units; in balance and strength what lies past plenty counts for nothing. */
export function gainOf(doc: ProjectFile, wing: WingName, before: Verdict, after: Verdict): number {
  const capped = (verdict: Verdict) =>
    wing === 'strength' ? Math.min(ENOUGH_RESERVE - 1, verdict.margin) : verdict.margin
  return (capped(after) - capped(before)) / unitOf(doc, wing)
}

/** A wing that fails after it weighs this much heavier than one that stays good. */
const FAILS = 3
/** Harm that no step is free of: doing it at all. */
const TROUBLE = 0.25
/** Less help than this is none. */
const LEAST = 0.05

/** The wing that is furthest under its target in units; the first that just meets it where none is. */
export function neediest(doc: ProjectFile, { verdicts }: Pick<Assessment, 'verdicts'>): WingName {
  return WINGS.reduce((worst, wing) =>
    verdicts[wing].margin / unitOf(doc, wing) < verdicts[worst].margin / unitOf(doc, worst) ? wing : worst,
  )
}

/** Null where it does not help, or stops the build elsewhere. */
export function judge(
  doc: ProjectFile,
  before: Assessment,
  after: Assessment,
  wing: WingName,
  { id, title, change }: Step,
): Nudge | null {
  if (stops(after) > stops(before)) return null
  const gain = (name: WingName) => gainOf(doc, name, before.verdicts[name], after.verdicts[name])
  const help = gain(wing)
  if (help < LEAST) return null
  const harm = WINGS.filter(name => name !== wing).reduce(
    (sum, name) => sum + Math.max(0, -gain(name)) * (after.verdicts[name].state === 'failing' ? FAILS : 1),
    0,
  )
  const each = <T>(pick: (name: WingName) => T) =>
    Object.fromEntries(WINGS.map(name => [name, pick(name)])) as Record<WingName, T>
  return {
    id,
    title,
    change,
    after: each(name => after.verdicts[name].value),
    price: each(name => after.verdicts[name].value - before.verdicts[name].value),
    state: each(name => after.verdicts[name].state),
    help,
    harm,
  }
}

/** Most help for the harm first. */
export const ranked = (nudges: readonly Nudge[]): Nudge[] =>
  [...nudges].sort(
    (a, b) => b.help / (TROUBLE + b.harm) - a.help / (TROUBLE + a.harm) || (a.id < b.id ? -1 : 1),
  )

/**
 * Tries every step in turn, or every `parts`-th from the `part`-th on, so that several workers share them.
 * `progress` is asked before each with what was found so far; false stops, and what was found comes back.
 * `assessor` should be one of its own: the steps would push the live one's memory out.
 */
export async function nudges(
  assessor: Assessor,
  doc: ProjectFile,
  wing: WingName,
  [part, parts]: readonly [number, number],
  progress: (done: number, of: number, found: Nudge[]) => boolean | Promise<boolean>,
  libraries: Libraries = LIBRARIES,
): Promise<Nudge[]> {
  const before = assessor.assess(doc)
  const steps = nudgeSteps(doc, before, wing, libraries)
    .filter(step => admissible(apply(doc, step.change)))
    .filter((_, i) => i % parts === part)
  const found: Nudge[] = []
  for (const [i, step] of steps.entries()) {
    if (!(await progress(i, steps.length, ranked(found)))) return ranked(found)
    const nudge = judge(doc, before, assessor.assess(apply(doc, step.change)), wing, step)
    if (nudge) found.push(nudge)
  }
  return ranked(found)
}
