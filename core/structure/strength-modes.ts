/** The ways in which a station gives way, what gives in each, and the reserve that counts of them all. */
export type StrengthMode =
  | 'skin across layers'
  | 'skin along the bead'
  | 'skin in compression'
  | 'skin buckling'
  | 'skin collapse'
  | 'skin wrinkling'
  | 'skin shear'
  | 'film torn'
  | 'foam torn'
  | 'no spar'
  | 'glue joint'
  | 'spar bending'
  | 'tube flattening'
  | 'bent spar'
  | 'spar alone'
  | 'shell alone'
  | 'spar shear'
  | 'web shear'
  | 'joiner in its socket'
  | 'spar end'
  | 'spar overlap'

/** What gives way: printed plastic and its glue, or stock that was bought. Prints scatter more. */
export type Gives = 'plastic' | 'stock'

/** Sockets, ends and overlaps of a spar give way in the plastic round them. */
export const MODE_GIVES: Record<StrengthMode, Gives> = {
  'skin across layers': 'plastic',
  'skin along the bead': 'plastic',
  'skin in compression': 'plastic',
  'skin buckling': 'plastic',
  'skin collapse': 'plastic',
  'skin wrinkling': 'plastic',
  'skin shear': 'plastic',
  'film torn': 'stock',
  'foam torn': 'plastic',
  'no spar': 'stock',
  'glue joint': 'plastic',
  'spar bending': 'stock',
  'tube flattening': 'stock',
  'bent spar': 'stock',
  'spar alone': 'stock',
  'shell alone': 'plastic',
  'spar shear': 'stock',
  'web shear': 'plastic',
  'joiner in its socket': 'plastic',
  'spar end': 'plastic',
  'spar overlap': 'plastic',
}

export type Modes = Partial<Record<StrengthMode, number>>

/** Reserves above this are drawn and compared as this: nothing acts there. */
export const PLENTY = 1e4

const local: ReadonlySet<StrengthMode> = new Set<StrengthMode>([
  'skin shear',
  'film torn',
  'spar shear',
  'web shear',
  'joiner in its socket',
  'spar end',
  'spar overlap',
])
const bare: ReadonlySet<StrengthMode> = new Set<StrengthMode>(['spar alone', 'tube flattening'])
/** Where a spar breaks, and the shell may go on without it. */
const breaks: ReadonlySet<StrengthMode> = new Set<StrengthMode>([
  'spar bending',
  'spar alone',
  'tube flattening',
  'bent spar',
  'spar shear',
  'web shear',
])
/** Where its forces go into plastic, whatever bears the rest. */
const handed: ReadonlySet<StrengthMode> = new Set<StrengthMode>([
  'joiner in its socket',
  'spar end',
  'spar overlap',
])

const SKIN_MODES = [
  'skin across layers',
  'skin along the bead',
  'foam torn',
  'skin in compression',
  'skin collapse',
  'skin wrinkling',
  'skin shear',
  'glue joint',
] as const satisfies readonly StrengthMode[]

/** Does all of the skin bear more than a reserve? */
export const skinOutlives = (modes: Modes, reserve: number): boolean =>
  SKIN_MODES.every(mode => (modes[mode] ?? PLENTY) > reserve)

/** Is it a spar that breaks first, so that the shell may go on without it? */
export const sparBreaks = (mode: StrengthMode): boolean => breaks.has(mode)

/**
 * The station's reserve from its modes: the better of together and spars alone, and never more than what must hold
 * either way; or what the shell alone bears once they have given way, where that is more.
 */
export function decide(modes: Modes): { reserve: number; mode: StrengthMode } {
  let together = Infinity,
    alone = Infinity,
    must = Infinity
  let togetherMode: StrengthMode | null = null,
    aloneMode: StrengthMode | null = null,
    mustMode: StrengthMode | null = null
  for (const key in modes) {
    const mode = key as StrengthMode,
      reserve = modes[mode]!
    // A skin that shows buckles still carries: what it carries then is its collapse.
    if (mode === 'skin buckling' || mode === 'shell alone') continue
    if (local.has(mode)) {
      if (reserve < must) [must, mustMode] = [reserve, mode]
    } else if (bare.has(mode)) {
      if (reserve < alone) [alone, aloneMode] = [reserve, mode]
    } else if (reserve < together) [together, togetherMode] = [reserve, mode]
  }
  const byAlone = aloneMode !== null && (togetherMode === null || alone > together)
  const carried = byAlone ? alone : together,
    carriedMode = byAlone ? aloneMode : togetherMode
  const found: { reserve: number; mode: StrengthMode } =
    mustMode && (!carriedMode || must < carried)
      ? { reserve: must, mode: mustMode }
      : carriedMode
        ? { reserve: carried, mode: carriedMode }
        : { reserve: 0, mode: 'skin shear' }
  let shell = modes['shell alone'] ?? 0
  for (const mode of handed) shell = Math.min(shell, modes[mode] ?? PLENTY)
  return shell > found.reserve ? { reserve: shell, mode: 'shell alone' } : found
}
