/** When a frame of ribs is covered. */
import { pairs, sameSide, surfaceJoins, type Rule } from './rule-kit'

export const FILM_RULES: readonly Rule[] = [
  {
    id: 'film-last-inside',
    because: 'Under the film nothing is glued, drawn through or squared any more.',
    trap: true,
    pairs: steps => pairs([...surfaceJoins(steps), ...steps.of('spar', 'lead')], steps.of('cover'), sameSide),
  },
  {
    id: 'film-before-hinge',
    because: 'The film goes round the edge that a surface hangs on; behind it, no iron reaches.',
    trap: true,
    pairs: steps => pairs(steps.of('cover'), steps.of('hinge'), sameSide),
  },
  {
    id: 'film-on-the-table',
    because:
      'It is pulled tight from both sides over a frame that can be turned; set in its place, one side is out of reach.',
    trap: true,
    pairs: steps => [
      ...pairs(
        steps.of('cover').filter(step => step.subject.surface === 'wing'),
        steps.of('halves', 'set-wing'),
      ),
      ...pairs(steps.of('cover'), steps.of('tail'), (a, b) => a.subject.surface === b.subject.surface),
    ],
  },
]
