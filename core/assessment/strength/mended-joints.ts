/** Breaks of a wing that were glued or had their rest put on: a joint of glue each, where the design has none. */
import type { Damage, Spar } from '../../document'
import { sparLines, type Piece, type SparLine, type SurfaceLoft } from '../../geometry'
import { LIBRARIES, stockOr } from '../../libraries'
import { memoise } from '../../memo'

export interface MendedJoint {
  /** mm from the root. */
  at: number
  /** The rod that was let in across it; counted at the break alone, since one half has it and the other has not. */
  rods: readonly SparLine[]
}

/** A splint: a rod of carbon in the middle of the section, so far to either side of the break, mm. */
export const SPLINT = { stock: 'rod-3', reachMm: 60 } as const

export const splintSpar = (id: string, surface: Spar['surface'], atMm: number): Spar => ({
  id,
  name: 'Splint',
  stock: SPLINT.stock,
  surface,
  fromMm: Math.max(0, atMm - SPLINT.reachMm),
  toMm: atMm + SPLINT.reachMm,
  rootShare: 0.45,
  tipShare: 0.45,
  clearanceMm: 0.15,
  through: false,
  fixing: 'bonded',
  lay: 'middle',
  route: 'straight',
})

const NONE: readonly MendedJoint[] = []

/** A mend of a piece that the design does not have any more is no joint of this aircraft. */
export const mendedJoints = memoise(
  (damages: readonly Damage[], pieces: readonly Piece[], loft: SurfaceLoft): readonly MendedJoint[] => {
    const found = damages.flatMap(({ piece, state, way, jointMm }): MendedJoint[] => {
      const own = pieces.find(item => item.id === piece && item.part === loft.name)
      if (!own || state === 'open' || jointMm === null || jointMm <= 0 || jointMm >= loft.span) return []
      const spar = way === 'splint' ? splintSpar('splint', loft.name, jointMm) : null
      return [{ at: jointMm, rods: spar ? sparLines(loft, spar, stockOr(LIBRARIES, spar.stock)) : [] }]
    })
    return found.length ? found : NONE
  },
  8,
)
