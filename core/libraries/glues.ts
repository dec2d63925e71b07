/** Schools of glue, with what each asks for: hands, waiting, grams, cautions. Typical figures of practice. */
import type { GlueId } from '../document'

export interface Glue {
  id: GlueId
  name: string
  /** Hands on for a joint, beyond what the joint itself takes, min. */
  minutes: number
  /** Until it can be moved on, min. */
  waitMin: number
  /** Along the edges of a joint, g per mm of bead. */
  gramsPerMm: number
  /** How it is put on. */
  how: string
  /** What goes wrong with it. */
  trap: string
  caution: string
  /** A filament pen welds the same plastic, but not a foamed one. */
  foamed: boolean
}

const FUMES = 'Air the room, keep it off skin and eyes; a soaked rag gets hot.'

export const GLUES: readonly Glue[] = [
  {
    id: 'ca-activator',
    name: 'Thin cyanoacrylate with activator',
    minutes: 1,
    waitMin: 5,
    gramsPerMm: 0.0006,
    how: 'Activator on one face only, glue on the other, close within seconds and hold for ten.',
    trap: 'Activator that drifts onto the next joint sets that one before it is closed: let it fade for five minutes. It stains some filaments.',
    caution: `Cyanoacrylate and activator: ${FUMES}`,
    foamed: true,
  },
  {
    id: 'ca-slow',
    name: 'Slow cyanoacrylate',
    minutes: 2,
    waitMin: 12,
    gramsPerMm: 0.0011,
    how: 'A thin bead on one face; half a minute to sight and press.',
    trap: 'It runs along the layers: keep the joint upright until it grabs.',
    caution: `Cyanoacrylate: ${FUMES}`,
    foamed: true,
  },
  {
    id: 'epoxy-5',
    name: 'Epoxy, five minutes',
    minutes: 4,
    waitMin: 40,
    gramsPerMm: 0.0024,
    how: 'Scuff, wipe with alcohol, mix by weight, butter both faces.',
    trap: 'It can be handled after forty minutes and carries only the next day.',
    caution: 'Epoxy: gloves, no skin contact; sand it wet or with a mask.',
    foamed: true,
  },
  {
    id: 'epoxy-slow',
    name: 'Epoxy, slow',
    minutes: 5,
    waitMin: 600,
    gramsPerMm: 0.0024,
    how: 'Scuff, wipe with alcohol, mix by weight, butter both faces, clamp in line overnight.',
    trap: 'It creeps for an hour: sight the joint again before you leave it.',
    caution: 'Epoxy: gloves, no skin contact; sand it wet or with a mask.',
    foamed: true,
  },
  {
    id: 'pen',
    name: 'Filament pen',
    minutes: 5,
    waitMin: 2,
    gramsPerMm: 0.003,
    how: 'Tack at four places, sight it, then weld round with the same filament.',
    trap: 'A foamed skin melts back and opens: try it on a failed piece first.',
    caution: 'The nib is hot enough to burn; air the room, above all with styrene filaments.',
    foamed: false,
  },
]

export const glueOf = (id: GlueId): Glue => GLUES.find(glue => glue.id === id) ?? GLUES[0]
