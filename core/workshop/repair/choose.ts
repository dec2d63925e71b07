/** A way that was decided on, as one change of the project: plates, steps, rows of the ledger follow from it. */
import type { Assessment } from '../../assess'
import type { Change } from '../../change'
import { pairOf, type Break, type Damage, type ProjectFile } from '../../document'
import { boughtParts } from './bought'
import type { Draft, Repair } from './repair'

export interface Broken {
  piece: string
  atMm: number
  how: Break
  flight: string | null
  date: string
  note: string
}

/** Ways after which the piece is another copy: what the old one weighed no longer counts. */
const ANOTHER: ReadonlySet<Repair['code']> = new Set(['new-piece', 'stronger'])

const freshId = ({ damages }: ProjectFile): string => {
  let n = damages.length + 1
  while (damages.some(damage => damage.id === `damage-${n}`)) n++
  return `damage-${n}`
}

/** Noted and not decided yet. */
export function noteDamage(doc: ProjectFile, assessment: Assessment, broken: Broken): Damage {
  const piece = assessment.pieces.find(item => item.id === broken.piece)
  const bought = piece ? null : boughtParts(doc, assessment).find(item => item.id === broken.piece)
  const held = (value: number) => Math.min(4000, Math.max(-2000, Math.round(10 * value) / 10))
  const [x, y, z] = piece?.centreMm ?? bought?.centreMm ?? [0, 0, 0]
  return {
    id: freshId(doc),
    ...broken,
    way: null,
    state: 'open',
    jointMm: null,
    massG: 0,
    placeMm: [held(x), held(y), held(z)],
    hours: 0,
    printG: 0,
    cost: 0,
    wasG: piece?.weighedG ?? null,
  }
}

/** The damage as it stands once this way was decided on. */
const decided = (damage: Damage, repair: Draft): Damage => ({
  ...damage,
  way: repair.code,
  state: 'chosen',
  jointMm: repair.jointMm,
  // A piece in a stronger recipe weighs what the design then says.
  massG: ANOTHER.has(repair.code) ? 0 : Math.round(100 * repair.massG) / 100,
  hours: Math.min(2000, Math.max(0, repair.hours)),
  printG: Math.min(20000, Math.max(0, repair.printG)),
  cost: Math.max(0, repair.cost),
})

/**
 * `redo`: steps of the build that handle the piece. A new copy wants them again, and every mend wants the balance anew.
 */
export function chooseMend(doc: ProjectFile, damage: Damage, repair: Draft, redo: readonly string[]): Change {
  const another = ANOTHER.has(repair.code)
  const undone = new Set(['balance', ...(another ? redo : [])])
  return {
    ...repair.change,
    damages: [...doc.damages.filter(item => item.id !== damage.id), decided(damage, repair)],
    weighIns: another ? doc.weighIns.filter(item => item.piece !== damage.piece) : doc.weighIns,
    // A stronger copy follows its zone, which has just become stronger.
    asPrinted:
      repair.code === 'stronger'
        ? doc.asPrinted.filter(item => item.piece !== pairOf(damage.piece))
        : doc.asPrinted,
    build: { ...doc.build, ticks: doc.build.ticks.filter(tick => !undone.has(tick.step)) },
  }
}
