/** Servos: tried and centred, lead drawn, in their place, the rod last. */
import { placePoint, planAt } from '../../geometry'
import { q, say } from '../../units'
import type { Pocket, Site } from './site'
import type { Bench, BuildStep } from './step'
import { MINUTES, step, LIVE, sideSign, named, nameOf } from './step-kit'

export function servoSteps(site: Site): BuildStep[] {
  const servos = site.doc.equipment.filter(item => item.kind === 'servo')
  return servos.flatMap((item): BuildStep[] => {
    const pockets = site.pockets.filter(pocket => pocket.item === item)
    const access = site.access.find(other => other.item === item)
    const bench: Bench =
      pockets.length > 1 ? 'whole' : (pockets[0]?.chain.bench ?? (access ? 'body' : 'whole'))
    const at: [number, number, number] = [item.xMm, item.yMm, item.zMm]
    const centre = step({
      id: `centre.${item.id}`,
      kind: 'centre-servo',
      bench,
      subject: { item: item.id },
      title: say`Try and centre ${nameOf(item.name)}${item.pair ? ', both of them' : ''}`,
      how: [
        'On the receiver, trims at nought: full travel both ways, no buzz, no play.',
        'Arm on at a right angle to where its rod will run, screw in, then off the battery.',
      ],
      parts: [item.id],
      at: () => at,
      minutes: MINUTES.centre * (item.pair ? 2 : 1),
      gate: 'servos centred',
      caution: LIVE,
      hand: ['receiver, battery and transmitter'],
    })
    const install = pockets.flatMap(pocket => [
      ...leadSteps(pocket),
      step({
        id: `servo.${item.id}.${pocket.chain.side}`,
        kind: 'servo',
        bench: pocket.chain.bench,
        subject: { surface: pocket.chain.part as 'wing', side: pocket.chain.side, item: item.id },
        title: say`${item.name} into its bay, ${named(pocket.chain)}`,
        how: [
          'Lead first, arm towards the horn; a thin line of glue on the case or screws into hard points.',
          'The lead is free at its end: mark it.',
        ],
        touches: [pocket.chain.pieces[pocket.piece].id],
        parts: [item.id],
        at: () => [item.xMm, Math.abs(item.yMm) * sideSign(pocket.chain.side), item.zMm],
        from: [0, 0, -90],
        glue: 'hinges',
        glueMm: () => item.sizeMm[0] + item.sizeMm[1],
        minutes: MINUTES.servo,
        hand: ['masking tape round the case', 'servo screws'],
      }),
    ])
    const inBody = pockets.length
      ? []
      : [
          step({
            id: `servo.${item.id}`,
            kind: 'servo',
            bench: access ? 'body' : 'whole',
            subject: { item: item.id, joint: access?.piece },
            title: say`${item.name} into the ${access ? 'body' : 'airframe'}`,
            how: access?.through
              ? [say`Through ${access.through}, on its tray; screws into hard points.`]
              : access
                ? ['Through the open end, on its tray: no hatch reaches it later.']
                : ['On its tray, screws into hard points.'],
            touches: access && site.body ? [site.body.pieces[access.piece].id] : [],
            parts: [item.id],
            at: () => at,
            from: [0, 0, 90],
            minutes: MINUTES.servo,
            hand: ['servo screws'],
          }),
        ]
    return [centre, ...install, ...inBody, ...rodSteps(site, item.id)]
  })
}

function leadSteps({ item, chain, piece, run }: Pocket): BuildStep[] {
  if (piece === 0 && !run) return []
  const inner = chain.pieces.slice(0, piece + 1)
  return [
    step({
      id: `lead.${item.id}.${chain.side}`,
      kind: 'lead',
      bench: chain.bench,
      subject: { surface: chain.part as 'wing', side: chain.side, item: item.id, joint: piece },
      title: say`Draw the lead of ${nameOf(item.name)}, ${named(chain)}`,
      how: run
        ? [
            say`A thread with a bead on it through ${inner.length} ${inner.length === 1 ? 'piece' : 'pieces'}, then the extension lead.`,
            'Plug and socket taped together; 80 mm to spare at the root.',
          ]
        : ['No run is drawn for it: along the lower skin, under tape.'],
      at: () => [item.xMm, Math.abs(item.yMm) * sideSign(chain.side), item.zMm],
      from: [0, -120 * sideSign(chain.side), 0],
      minutes: MINUTES.lead,
      hand: [
        say`extension lead of ${q(100 * Math.ceil((Math.abs(item.yMm) + 80) / 100), 'mm', 0)}`,
        'thread',
      ],
    }),
  ]
}

function rodSteps(site: Site, servo: string): BuildStep[] {
  return site.moving
    .filter(
      moving => moving.control.linkage?.servo === servo && (moving.chain.side !== 'port' || !moving.joined),
    )
    .map(({ control, chain, hinged }) => {
      const loft = site.airframe.surfaces[chain.part as 'wing']!
      const s = (hinged.from + hinged.to) / 2
      const item = site.doc.equipment.find(other => other.id === servo)!
      // Beside its servo: one that sits in another part is reached when both stand where they will.
      const beside = item.pocket?.surface === chain.part
      return step({
        id: `rod.${chain.part}.${chain.side}.${control.piece}`,
        kind: 'rod',
        bench: beside ? chain.bench : 'whole',
        subject: { surface: chain.part as 'wing', side: chain.side, control: control.piece, item: servo },
        title: say`Rod from ${nameOf(item.name)} to the ${chain.side === 'centre' ? '' : `${chain.side} `}${control.name.toLowerCase()}`,
        how: [
          'Servo at its middle, surface held level with its neighbour: then fix the length.',
          'Clevises closed and sleeved; no rubbing, no bend under push.',
        ],
        parts: [servo],
        at: () => placePoint(loft, hinged.hingeAt(s), planAt(loft, s).n, s, chain.side === 'port' ? -1 : 1),
        from: [0, 0, -60],
        minutes: MINUTES.rod,
        hand: ['rod and clevises, lengths at Rods and throws'],
      })
    })
}
