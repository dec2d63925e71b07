/** Struts, once what they stand on is set. */
import { q, say } from '../../units'
import { strutSides } from '../resolve'
import type { Site } from './site'
import type { BuildStep } from './step'
import { cutCaution, MINUTES, step } from './step-kit'

const ON = {
  wing: 'wing',
  second: 'second wing',
  winglet: 'winglet',
  horizontal: 'tailplane',
  vertical: 'fin',
  body: 'body',
}

export const strutSteps = ({ airframe }: Site): BuildStep[] =>
  airframe.struts.map(({ strut, stock, lengthMm, ends }) => {
    const count = strutSides(strut).length
    return step({
      id: `strut.${strut.id}`,
      kind: 'strut',
      bench: 'whole',
      title: say`${strut.name}: ${count === 2 ? 'both sides' : 'in the middle'}, ${ON[strut.from.on]} to ${ON[strut.to.on]}`,
      how: [
        say`Cut to ${q(lengthMm, 'mm', 1)} between the middles of its ends; what its fittings take comes off.`,
        'Hold it in place first and measure: incidence and the gap at both tips must not change when it is in.',
        'Bind or plate each end to a spar or a web: a skin alone tears out.',
      ],
      parts: [strut.id],
      at: () => [(ends[0][0] + ends[1][0]) / 2, (ends[0][1] + ends[1][1]) / 2, (ends[0][2] + ends[1][2]) / 2],
      from: [0, 80, 0],
      glue: 'joints',
      glueMm: () => 20 * count,
      minutes: count * MINUTES.strut,
      gate: 'aligned',
      caution: cutCaution(stock),
      hand: [say`${count} × ${stock.name}, ${q(lengthMm, 'mm', 0)}`, 'thread and thin glue'],
    })
  })
