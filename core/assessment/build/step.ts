/** What there is to do, one step at a time; the order is found by `rules` and kept apart from it. */
import type { SurfaceName } from '../../document'
import type { Words } from '../../units'

/** Sub-assemblies that can be worked apart, so that two people can share. */
export type Bench = 'tail' | 'starboard' | 'port' | 'body' | 'whole'
export const BENCHES: Record<Bench, string> = {
  body: 'Body',
  starboard: 'Starboard wing',
  port: 'Port wing',
  tail: 'Tail',
  whole: 'Aircraft',
}

export type StepKind =
  | 'weigh'
  | 'dry-fit'
  | 'centre-servo'
  | 'lead'
  | 'spar'
  | 'join'
  | 'servo'
  | 'horn'
  | 'hinge'
  | 'rod'
  | 'wing-nuts'
  | 'motor'
  | 'put-in'
  | 'boom'
  | 'gear'
  | 'halves'
  | 'set-wing'
  | 'set-pod'
  | 'strut'
  | 'align'
  | 'tail'
  | 'given'
  | 'lid'
  | 'direction'
  | 'cover'
  | 'fold'
  | 'finish'
  | 'propeller'
  | 'mend'
  | 'balance'

export type Gate = 'weighed' | 'dry fit' | 'hinges free' | 'aligned' | 'servos centred' | 'direction right'
export type Side = 'starboard' | 'port' | 'centre'

/** What a step is about, for rules to find it by. */
export interface StepSubject {
  surface?: SurfaceName
  side?: Side
  /** Of a joint: between the fixed pieces `joint` and `joint + 1` of its chain, from 0. */
  joint?: number
  /** Ribs are threaded all at once: the last joint of the step. */
  jointTo?: number
  spar?: string
  item?: string
  /** Number of the control's piece. */
  control?: number
  leg?: string
}

export interface BuildStep {
  id: string
  kind: StepKind
  bench: Bench
  subject: StepSubject
  title: Words
  /** What to do, sentence by sentence. */
  how: readonly Words[]
  /** Printed pieces that are handled; the first step that handles one brings it in. */
  touches: readonly string[]
  /** Components, spars, boom and legs that are handled. */
  parts: readonly string[]
  /** Pairs of pieces that are fixed to each other. */
  joins: ReadonlyArray<readonly [string, string]>
  /** Where, aircraft axes, mm; asked for only where it is shown, since sections cost time. */
  at(): readonly [number, number, number]
  /** Where what is brought in comes from, mm off its place. */
  from: readonly [number, number, number]
  glue: 'joints' | 'spars' | 'hinges' | null
  /** Length of the line of glue, mm. */
  glueMm(): number
  /** Hands on, without the glue's own. */
  minutes: number
  gate: Gate | null
  caution: Words | null
  /** Besides pieces and parts: what to have at hand. */
  hand: readonly Words[]
}

/** Why one step comes before another. */
export interface Need {
  before: string
  after: string
  rule: string
}
