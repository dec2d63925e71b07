/** Winglets on the tips of the wing. */
import { q, say } from '../../units'
import type { Site } from './site'
import type { BuildStep } from './step'
import { MINUTES, middleOf, rim, sideSign, step } from './step-kit'

export const wingletSteps = ({ doc, chains }: Site): BuildStep[] =>
  chains.flatMap((chain): BuildStep[] => {
    const wing = chains.find(own => own.part === 'wing' && own.side === chain.side)
    if (chain.part !== 'winglet' || !wing || !doc.winglets) return []
    const [foot] = chain.pieces,
      last = wing.pieces[wing.pieces.length - 1]
    return [
      step({
        id: `winglet.${chain.side}`,
        kind: 'join',
        bench: chain.bench,
        subject: { surface: 'wing', side: chain.side, joint: wing.pieces.length - 1 },
        title: say`Winglet to the ${chain.side === 'centre' ? '' : `${chain.side} `}tip`,
        how: [
          say`${q(doc.winglets.cantDeg, '°', 0)} from the horizontal: bevel its foot by a card cut to that, dry, until it closes all round.`,
          'Trailing edges in line. A strip of tape inside the corner holds it while it sets.',
        ],
        touches: [foot.id, last.id],
        joins: [[last.id, foot.id]],
        at: () => middleOf(foot),
        from: [0, 60 * sideSign(chain.side), 60],
        glue: 'joints',
        glueMm: () => rim(foot, foot.from),
        minutes: MINUTES.tail / 2,
        gate: 'aligned',
        hand: ['card cut to its angle', 'masking tape'],
      }),
    ]
  })
