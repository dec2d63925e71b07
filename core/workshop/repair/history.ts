/** What each part went through: which copy it is, how often it was mended, and whether it breaks at one place. */
import type { Damage, ProjectFile } from '../../document'

export interface PartHistory {
  piece: string
  /** The copy that is in, from 1. */
  copy: number
  mends: number
  open: number
  damages: Damage[]
  /** Places at which it broke more than once, mm. */
  again: Array<{ atMm: number; times: number }>
}

/** Breaks so near each other are at one place, mm. */
const ONE_PLACE = 30

export function partHistories({ damages }: Pick<ProjectFile, 'damages'>): PartHistory[] {
  const parts = [...new Set(damages.map(damage => damage.piece))]
  return parts
    .map(piece => {
      const own = damages.filter(damage => damage.piece === piece)
      const anew = own.filter(
        ({ way, state }) =>
          state !== 'open' && (way === 'new-piece' || way === 'stronger' || way === 'new-part'),
      ).length
      return {
        piece,
        copy: 1 + anew,
        mends: own.filter(({ state }) => state === 'mended').length - own.filter(isAnew).length,
        open: own.filter(({ state }) => state !== 'mended').length,
        damages: [...own].sort((a, b) => (a.date < b.date ? 1 : -1)),
        again: placesAgain(own),
      }
    })
    .sort((a, b) => b.open - a.open || b.damages.length - a.damages.length)
}

const isAnew = ({ way, state }: Damage) =>
  state === 'mended' && (way === 'new-piece' || way === 'stronger' || way === 'new-part')

function placesAgain(own: readonly Damage[]): PartHistory['again'] {
  const sorted = own.map(damage => damage.atMm).sort((a, b) => a - b)
  const groups: number[][] = []
  for (const at of sorted) {
    const last = groups.at(-1)
    if (last && at - last[0] <= ONE_PLACE) last.push(at)
    else groups.push([at])
  }
  return groups
    .filter(group => group.length > 1)
    .map(group => ({
      atMm: group.reduce((sum, at) => sum + at, 0) / group.length,
      times: group.length,
    }))
}
