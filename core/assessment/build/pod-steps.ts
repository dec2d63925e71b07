/** Pods: their pieces joined, then each set on the wing or the body, and booms that run into them. */
import { podPrefix, seatAbove } from '../../geometry'
import { q, say } from '../../units'
import type { Site } from './site'
import type { BuildStep, Side } from './step'
import { middleOf, MINUTES, rim, step } from './step-kit'
import { joinSteps } from './surface-steps'

/** Set along the seat at least this far, mm. */
const LEAST_SEAT = 20

export const podSteps = ({ airframe, chains }: Site): BuildStep[] =>
  airframe.pods.flatMap(({ pod, body }): BuildStep[] => {
    const sides: readonly Side[] = pod.pair ? ['starboard', 'port'] : ['centre']
    const seat = body.saddle && seatAbove(airframe.wing, pod.yMm)
    return sides.flatMap((side): BuildStep[] => {
      const pieces = airframe.pieces
        .filter(piece => piece.id.startsWith(podPrefix(pod)) && piece.kind === 'fixed' && piece.side === side)
        .sort((a, b) => a.from - b.from)
      if (pieces.length === 0) return []
      const y = side === 'port' ? -pod.yMm : pod.yMm
      // What it is set on: the piece of the wing over it, else the body.
      const wing = chains.find(
        chain =>
          chain.part === 'wing' && (chain.side === side || chain.side === 'centre' || side === 'centre'),
      )
      const s = seat ? Math.abs(pod.yMm) - airframe.wing.origin[1] : 0
      const under = seat ? (wing?.pieces.find(piece => s < piece.to) ?? wing?.pieces.at(-1)) : undefined
      const held = under && pieces.find(piece => seat!.lead < piece.to)
      const bolts = body.saddle?.bolts ?? 0
      const long = seat
        ? Math.max(
            LEAST_SEAT,
            Math.min(seat.lead + seat.chord, pieces.at(-1)!.to) - Math.max(seat.lead, pieces[0].from),
          )
        : rim(pieces[0], (pieces[0].from + pieces[0].to) / 2) / 4
      return [
        ...joinSteps({ part: `pod-${pod.piece}`, side, bench: 'whole', pieces }),
        step({
          id: `pod.${pod.piece}.${side}`,
          kind: 'set-pod',
          bench: 'whole',
          subject: { side },
          title: say`${pod.name}${side === 'centre' ? '' : ` ${side}`} ${under ? 'to the wing' : 'to the airframe'}`,
          how: [
            under
              ? say`Its middle ${q(Math.abs(pod.yMm), 'mm', 0)} from the middle of the aircraft; sight it from above: parallel to the body.`
              : 'Sight it from above and from the side: parallel to the middle.',
            ...(pod.pair ? ['Both the same: measure from the tip of each wing.'] : []),
            'Leads are drawn through before glue shuts the way.',
          ],
          touches: [...pieces.map(piece => piece.id), ...(under ? [under.id] : [])],
          joins: held ? [[held.id, under.id]] : [],
          at: () => middleOf(pieces[0]),
          from: [0, Math.sign(y) * 30, pod.zMm <= airframe.wing.origin[2] ? -110 : 110],
          glue: bolts > 0 ? null : 'joints',
          glueMm: () => (bolts > 0 ? 0 : 2 * long),
          minutes: MINUTES.pod,
          hand: bolts > 0 ? [say`${bolts} bolts`] : ['masking tape', 'cloth'],
        }),
      ]
    })
  })
