/** What broke and was decided to be mended: one more thing to do before it is balanced anew. */
import type { Damage, Way } from '../../document'
import { q, say, type Words } from '../../units'
import type { Site } from './site'
import type { BuildStep } from './step'
import { MINUTES, step } from './step-kit'

const DRY =
  'Battery out. Look over what lies round it first: what broke this went through its neighbours too.'

const HOW: Record<Way, (damage: Damage) => Words[]> = {
  'new-piece': ({ piece }) => [
    DRY,
    say`Part the joints of ${piece} with a thin warm blade or heat; clean its neighbours' faces.`,
    'Put the new one in as at the first time: its own steps stand open again.',
  ],
  stronger: ({ piece }) => [
    DRY,
    say`Part the joints of ${piece}, clean the faces, and put in the one of the stronger recipe.`,
  ],
  rest: ({ atMm }) => [
    DRY,
    say`Cut the stump square along one layer near ${q(atMm, 'mm', 0)}; sand it flat on a board.`,
    'Try the printed rest dry: in line from above and from behind. Then glue, and keep it so until it has set.',
  ],
  glue: () => [
    DRY,
    'Both faces clean and dry, every splinter in its place. Glue sparingly, press together, keep in line.',
    'Fill what gapes with light filler or tape; sanding opens a foamed skin.',
  ],
  splint: () => [
    DRY,
    'Glue the break. When it has set, cut a slot across it, lay the rod in, close it flush with filler.',
  ],
  sleeve: () => [
    DRY,
    'Cut splinters off square, roughen both ends, slide the sleeve over with slow glue, sight along it.',
  ],
  'new-part': ({ piece }) => [DRY, say`Take ${piece} out and put the new one in as at the first time.`],
}

const CAUTION =
  'Cyanoacrylate and epoxy: air, gloves, eyes. Carbon: cut and sand it wet, with mask and gloves; hot blades burn.'

export const mendSteps = ({ doc, airframe }: Site): BuildStep[] =>
  doc.damages
    .filter(damage => damage.state !== 'open' && damage.way !== null)
    .map(damage => {
      const piece = airframe.pieces.find(item => item.id === damage.piece)
      return step({
        id: `mend.${damage.id}`,
        kind: 'mend',
        bench: 'whole',
        title: say`Mend ${piece?.name ?? damage.piece}`,
        how: HOW[damage.way!](damage),
        touches: piece ? [piece.id] : [],
        at: () => damage.placeMm,
        from: [0, 0, 60],
        minutes: MINUTES.mend,
        caution: CAUTION,
        hand: damage.printG > 0 ? [say`what was printed for it, ${q(damage.printG, 'g', 0)}`] : [],
      })
    })
