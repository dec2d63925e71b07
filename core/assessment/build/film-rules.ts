/** When a frame of ribs is covered, and a sheet folded shut. */
import { ofWing, pairs, sameSide, sameSurface, surfaceJoins, type Rule } from './rule-kit'

export const FILM_RULES: readonly Rule[] = [
  {
    id: 'film-last-inside',
    because:
      'Under the film, or in a sheet that is folded, nothing is glued, drawn through or squared any more.',
    trap: true,
    pairs: steps =>
      pairs([...surfaceJoins(steps), ...steps.of('spar', 'lead')], steps.of('cover', 'fold'), sameSide),
  },
  {
    id: 'spar-before-fold',
    because:
      'What runs through both halves is laid into open sheets: folded shut, neither of them lets it in.',
    trap: true,
    pairs: steps => pairs(steps.of('halves'), steps.of('fold').filter(ofWing), sameSurface),
  },
  {
    id: 'film-before-hinge',
    because:
      'The film goes round the edge that a surface hangs on, and a sheet is glued shut along it; behind a surface that hangs there neither iron nor clamp reaches.',
    trap: true,
    pairs: steps => pairs(steps.of('cover', 'fold'), steps.of('hinge'), sameSide),
  },
  {
    id: 'film-on-the-table',
    because:
      'It is pulled tight, or weighted down, over a frame that can be turned; set in its place, one side is out of reach.',
    trap: true,
    pairs: steps => [
      ...pairs(steps.of('cover').filter(ofWing), steps.of('halves', 'set-wing'), sameSurface),
      ...pairs(steps.of('fold').filter(ofWing), steps.of('set-wing'), sameSurface),
      ...pairs(steps.of('cover', 'fold'), steps.of('tail'), sameSurface),
    ],
  },
]
