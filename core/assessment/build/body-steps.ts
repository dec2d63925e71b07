/** The body: tried dry, nuts in, joined, boom, legs and lids. */
import { isWheelOf } from '../../geometry'
import { q, say } from '../../units'
import { bodiesOf } from '../resolve'
import type { Chain, Site } from './site'
import type { BuildStep } from './step'
import { joinSteps } from './surface-steps'
import { MINUTES, step, cutCaution, middleOf } from './step-kit'

export function bodySteps(site: Site, chain: Chain): BuildStep[] {
  const { doc, airframe } = site
  const saddle = doc.body?.saddle
  const dry =
    chain.pieces.length > 1
      ? [
          step({
            id: 'dry.body.centre',
            kind: 'dry-fit',
            bench: 'body',
            subject: { side: 'centre' },
            title: 'Try the body together dry',
            how: ['Every lip goes in without force; the seams line up along the top.'],
            at: () => middleOf(chain.pieces[0]),
            minutes: MINUTES.dry + MINUTES.dryPiece * chain.pieces.length,
            gate: 'dry fit',
            hand: ['fine sandpaper on a block'],
          }),
        ]
      : []
  const nuts =
    saddle && saddle.bolts > 0
      ? [
          step({
            id: 'nuts',
            kind: 'wing-nuts',
            bench: 'body',
            title: say`${saddle.bolts} nuts for the wing's bolts into their beams`,
            how: [
              'Wing on dry, bolts through, nuts drawn up from below; then a ring of glue round each, none on the thread.',
            ],
            touches: chain.pieces
              .filter(
                piece =>
                  airframe.wing.stations[0].lead < piece.to &&
                  airframe.wing.stations[0].lead + airframe.wing.stations[0].chord > piece.from,
              )
              .map(piece => piece.id),
            at: () => [
              airframe.wing.stations[0].lead + airframe.wing.stations[0].chord / 2,
              0,
              airframe.wing.origin[2],
            ],
            from: [0, 0, -60],
            glue: 'spars',
            glueMm: () => 30 * saddle.bolts,
            minutes: MINUTES.nuts,
            hand: [say`${saddle.bolts} nuts of ${q(saddle.boltMm, 'mm')}`],
          }),
        ]
      : []
  return [...dry, ...nuts, ...joinSteps(chain)]
}

/** A pair of booms runs into pods, or is bound to the wing. */
export function boomSteps({ airframe, body, doc }: Site): BuildStep[] {
  if (!airframe.boom) return []
  const { boom, stock, count } = airframe.boom
  const last =
    count === 1
      ? body?.pieces[body.pieces.length - 1]
      : airframe.pieces.findLast(piece => piece.part === 'pod' && piece.side === 'starboard')
  return [
    step({
      id: 'boom',
      kind: 'boom',
      bench: last && count === 1 ? 'body' : 'whole',
      title: say`${count > 1 ? 'Both booms' : 'Boom'} into ${last ? (count > 1 ? 'their sockets' : 'its socket') : 'the airframe'}`,
      how: [
        say`${stock.name}, cut to ${q(boom.toMm - boom.fromMm, 'mm', 0)}: scuff what lies in the socket, wipe it with alcohol.`,
        doc.tail.kind === 'none'
          ? 'Sight it along the middle.'
          : 'Sleeves of the tail run through it first. Sight it from behind: no bend to either side.',
      ],
      touches: last ? [last.id] : [],
      parts: ['boom'],
      at: () => [Math.max(boom.fromMm, last ? last.to - boom.socketMm : boom.fromMm), boom.yMm, boom.zMm],
      from: [150, 0, 0],
      glue: 'spars',
      glueMm: () => count * (Math.PI * stock.heightMm + boom.socketMm),
      minutes: count * MINUTES.boom,
      caution: cutCaution(stock),
      hand: [
        say`${count > 1 ? '2 × ' : ''}${stock.name}, ${q(boom.toMm - boom.fromMm, 'mm', 0)}`,
        'sleeves of the tail',
      ],
    }),
  ]
}

const LID_OFF: Record<string, [number, number, number]> = {
  top: [0, 0, 80],
  bottom: [0, 0, -80],
  starboard: [0, 80, 0],
  port: [0, -80, 0],
}

export function lidSteps(site: Site): BuildStep[] {
  const bodies = bodiesOf(site.airframe)
  return site.airframe.pieces
    .filter(piece => piece.kind === 'lid')
    .map(lid => {
      const middle = (lid.from + lid.to) / 2
      const owner = bodies.find(own => lid.id.startsWith(own.lids))
      const shells = site.airframe.pieces
        .filter(
          piece =>
            piece.kind === 'fixed' && owner && piece.id.startsWith(owner.pieces) && piece.side === lid.side,
        )
        .sort((a, b) => a.from - b.from)
      const under = shells.find(piece => middle < piece.to) ?? shells.at(-1)
      const opening = owner?.body.openings.find(item =>
        [item.id, `${item.id}-${lid.side}`].some(id => lid.id === `${owner.lids}${id}`),
      )
      const side = opening?.side ?? 'top'
      return step({
        id: `lid.${lid.id}`,
        kind: 'lid',
        bench: owner?.main ? 'body' : 'whole',
        title: say`${lid.name}: magnets and fit`,
        how: [
          'Mark the side of each magnet that attracts before any glue: one turned round pushes the lid off.',
          'Let the glue set with the lid apart, or it is glued shut.',
        ],
        touches: [lid.id, ...(under ? [under.id] : [])],
        joins: under ? [[under.id, lid.id] as const] : [],
        at: () => middleOf(lid),
        from: LID_OFF[side],
        glue: 'hinges',
        glueMm: () => 60,
        minutes: MINUTES.lid,
        hand: ['4 magnets', 'pen to mark their sides'],
      })
    })
}

export const gearSteps = ({ airframe, doc, body }: Site): BuildStep[] =>
  doc.gear.map(leg => {
    const wheels = airframe.pieces.filter(piece => piece.kind === 'wheel' && isWheelOf(leg, piece))
    return step({
      id: `gear.${leg.id}`,
      kind: 'gear',
      bench: body ? 'body' : 'whole',
      subject: { leg: leg.id },
      title: say`Mount ${leg.name.toLowerCase()}`,
      how: [
        'Try it dry, square to the middle and with both wheels on the table.',
        'Glue the mount over its whole bearing, and bind a wire leg with thread.',
        ...(leg.printedWheel?.tyre ? ['Stretch the tyre over its rim, all round between the flanges.'] : []),
        ...(wheels.length
          ? ['Slide the wheel on its axle between two collars: it must run free and not wander.']
          : []),
      ],
      touches: wheels.map(piece => piece.id),
      parts: [leg.id],
      at: () => [leg.xMm, 0, leg.zMm],
      from: [0, 0, -120],
      glue: 'spars',
      glueMm: () => 2 * (leg.mount.lengthMm + leg.mount.widthMm) * (leg.pair ? 2 : 1),
      minutes: (MINUTES.leg + (wheels.length ? MINUTES.wheel : 0)) * (leg.pair ? 1.5 : 1),
    })
  })
