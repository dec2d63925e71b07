/** What a rule is, and how it finds the steps that it is about. */
import type { Site } from './site'
import type { BuildStep, StepKind } from './step'

export interface Rule {
  id: string
  /** Said at the step that comes first: what the later one would bury or spoil. */
  because: string
  /** Left out, something is buried, shut or set out of true; the others only spare trouble. */
  trap: boolean
  /** Pairs of ids: first, then. */
  pairs(steps: Steps, site: Site): Array<readonly [string, string]>
}

/** Steps to be found by kind and subject. */
export class Steps {
  constructor(readonly all: readonly BuildStep[]) {}
  of(...kinds: StepKind[]): BuildStep[] {
    return this.all.filter(step => kinds.includes(step.kind))
  }
}

export const sameSide = (a: BuildStep, b: BuildStep) =>
  a.subject.surface === b.subject.surface && a.subject.side === b.subject.side

export const sameSurface = (a: BuildStep, b: BuildStep) => a.subject.surface === b.subject.surface

/** Of a wing, the first or the second. */
export const ofWing = ({ subject }: BuildStep) => subject.surface === 'wing' || subject.surface === 'second'

export const sameControl = (a: BuildStep, b: BuildStep) =>
  sameSide(a, b) && a.subject.control === b.subject.control

/** Every pair of two lists that belongs together. */
export const pairs = (
  first: readonly BuildStep[],
  then: readonly BuildStep[],
  belong: (a: BuildStep, b: BuildStep) => boolean = () => true,
): Array<readonly [string, string]> =>
  first.flatMap(a => then.flatMap(b => (a !== b && belong(a, b) ? [[a.id, b.id] as const] : [])))

/** Joints between fixed pieces, not those of moving ones. */
export const fixedJoins = (steps: Steps) => steps.of('join').filter(step => step.subject.joint !== undefined)
export const lastJoint = ({ subject }: BuildStep) => subject.jointTo ?? subject.joint!
export const movingJoins = (steps: Steps) =>
  steps.of('join').filter(step => step.subject.control !== undefined)
export const surfaceJoins = (steps: Steps) => fixedJoins(steps).filter(step => step.subject.surface)
export const bodyJoins = (steps: Steps) => fixedJoins(steps).filter(step => !step.subject.surface)
export const inBody = (step: BuildStep) =>
  step.subject.surface === undefined && step.subject.item !== undefined
