/** A brief in, ranked projects out. */
import { beginAll, readWishes } from '../core/begin'
import { parseJson } from '../core/document'
import { written } from '../core/units'
import type { Arguments } from './answer'
import { LIMITS } from './parse'

export function beginVerb({ read }: Arguments): unknown {
  const { layouts, refused } = beginAll(readWishes(parseJson(read(), 'a brief', LIMITS)))
  return {
    layouts: layouts.map(({ kind, project, verdicts, figures, gaveUp }) => ({
      kind,
      project,
      verdicts: Object.fromEntries(
        Object.entries(verdicts).map(([wing, { value, unit, state, margin }]) => [
          wing,
          { value, unit, state, margin },
        ]),
      ),
      figures,
      gaveUp: gaveUp.map(({ wish, words, cost }) => ({ wish, said: written(words), cost: written(cost) })),
    })),
    refused: refused.map(({ kind, why }) => ({ kind, why: written(why) })),
  }
}
