/** When it stands: directions, finish, propeller, balance. */
import { allControls } from '../../document'
import { say } from '../../units'
import type { Site } from './site'
import type { BuildStep } from './step'
import { MINUTES, step, LIVE, middleOf, rim } from './step-kit'

export function finalSteps(site: Site): BuildStep[] {
  const { doc, airframe } = site
  const root = airframe.wing.stations[0]
  const middle: [number, number, number] = [root.lead + root.chord / 4, 0, airframe.wing.origin[2]]
  const propellers = doc.equipment.filter(item => item.kind === 'propeller')
  const moves = allControls(doc).length > 0
  return [
    ...(moves
      ? [
          step({
            id: 'direction',
            kind: 'direction',
            bench: 'whole',
            title: 'Every surface the right way, and as far as it should',
            how: [
              'Standing behind it: stick right, starboard aileron up and rudder right; stick back, elevator up.',
              'Throws by the gauges, low rates set; failsafe cuts the motor.',
            ],
            at: () => middle,
            minutes: MINUTES.direction,
            gate: 'direction right',
            caution: LIVE,
            hand: ['transmitter', 'throw gauges'],
          }),
        ]
      : []),
    ...(doc.allowances.smallParts.finish === 0
      ? []
      : [
          step({
            id: 'finish',
            kind: 'finish',
            bench: 'whole',
            title: 'Seams, markings and finish',
            how: [
              'Tape or light filler over open seams; sanding opens a foamed skin.',
              'A name and how to reach you inside; markings that tell top from bottom in the air.',
            ],
            at: () => middle,
            minutes: MINUTES.finish,
            hand: ['seam tape', 'markings'],
          }),
        ]),
    ...propellers.map(item =>
      step({
        id: `put.${item.id}`,
        kind: 'propeller',
        bench: 'whole',
        subject: { item: item.id },
        title: say`${item.name} on, battery out`,
        how: [
          'Front face forward, nut or screw tight, blades free to fold.',
          'Turn it by hand: it clears everything.',
        ],
        parts: [item.id],
        at: () => [item.xMm, item.yMm, item.zMm],
        from: [-90, 0, 0],
        minutes: MINUTES.propeller * (item.pair ? 2 : 1),
        caution:
          'Battery out while hands are at the propeller. Afterwards stand behind it, hold the aircraft, nobody in its plane.',
        hand: ['spanner', 'adaptor of the propeller'],
      }),
    ),
    step({
      id: 'balance',
      kind: 'balance',
      bench: 'whole',
      title: 'Weigh it and balance it, ready to fly',
      how: [
        say`On two scales or a stand, battery where Balance puts it; the aim stands at Balance.`,
        'Note what it weighs and where it balances at Balance; Field takes it from there.',
      ],
      at: () => middle,
      minutes: MINUTES.balance,
      hand: ['scale', 'balance stand'],
    }),
  ]
}

export const givenSteps = ({ airframe }: Site): BuildStep[] =>
  airframe.pieces
    .filter(piece => piece.kind === 'given')
    .map(piece =>
      step({
        id: `given.${piece.id}`,
        kind: 'given',
        bench: 'whole',
        title: say`Fix ${piece.name}`,
        how: ['Try it in its place, mark it, then glue.'],
        touches: [piece.id],
        at: () => middleOf(piece),
        from: [0, 0, 90],
        glue: 'joints',
        glueMm: () => rim(piece, piece.from),
        minutes: MINUTES.given,
      }),
    )
