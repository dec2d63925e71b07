/**
 * Why one step comes before another, each rule with its reason; those of film stand apart. A rule names pairs of
 * steps; what is ordered by no rule may be done in any order.
 */
import { FILM_RULES } from './film-rules'
import type { BuildStep } from './step'
import {
  bodyJoins,
  fixedJoins,
  inBody,
  lastJoint,
  movingJoins,
  pairs,
  sameControl,
  ofWing,
  sameSide,
  sameSurface,
  surfaceJoins,
  type Rule,
} from './rule-kit'

export const RULES: readonly Rule[] = [
  {
    id: 'weighed-first',
    because: 'What is glued in is never weighed alone again, and the balance is reckoned from it.',
    trap: true,
    pairs: steps =>
      pairs(
        steps.of('weigh'),
        steps.all.filter(step => step.kind !== 'weigh'),
        (a, b) => b.bench === a.bench || b.bench === 'whole',
      ),
  },
  {
    id: 'dry-first',
    because: 'A bore that binds or a joint that gapes can be mended dry; with glue in it there are seconds.',
    trap: true,
    pairs: steps => [
      ...pairs(steps.of('dry-fit'), [...fixedJoins(steps), ...steps.of('spar')], sameSide),
      ...pairs(
        steps.of('dry-fit').filter(step => step.id.startsWith('dry.joiner')),
        steps.of('halves', 'set-wing'),
        sameSurface,
      ),
    ],
  },
  {
    id: 'chain',
    because: 'Pieces follow one another from the root, each against one that is already true.',
    trap: true,
    pairs: steps =>
      pairs(
        fixedJoins(steps),
        fixedJoins(steps),
        (a, b) => sameSide(a, b) && b.subject.joint === lastJoint(a) + 1,
      ),
  },
  {
    id: 'spar-before-joints',
    because:
      'The next piece slides on to it and is aligned by it; a bore that ends inside a piece is shut by then.',
    trap: true,
    pairs: (steps, site) =>
      site.spars.flatMap(({ chain, line, runs }) =>
        runs
          ? pairs(
              steps.of('spar').filter(step => step.subject.spar === line.spar.id),
              surfaceJoins(steps),
              (a, b) =>
                sameSide(a, b) &&
                a.subject.side === chain.side &&
                a.subject.surface === chain.part &&
                lastJoint(b) >= runs[0],
            )
          : [],
      ),
  },
  {
    id: 'spar-before-root',
    because: 'Once the root is closed by the other half, the body or the fin, the spar has no way in.',
    trap: true,
    pairs: steps => [
      ...pairs(steps.of('spar').filter(ofWing), steps.of('halves', 'set-wing'), sameSurface),
      ...pairs(steps.of('spar'), steps.of('tail'), sameSurface),
    ],
  },
  {
    id: 'lead-before-joints',
    because: 'A lead is drawn through open pieces; a closed rib lets nothing through.',
    trap: true,
    pairs: steps => [
      ...pairs(
        steps.of('lead'),
        surfaceJoins(steps),
        (a, b) => sameSide(a, b) && b.subject.joint! < a.subject.joint!,
      ),
      ...pairs(steps.of('lead').filter(ofWing), steps.of('halves', 'set-wing'), sameSurface),
      ...pairs(steps.of('lead'), steps.of('tail'), sameSurface),
    ],
  },
  {
    id: 'lead-before-servo',
    because: 'The servo closes the mouth of the run.',
    trap: true,
    pairs: steps =>
      pairs(
        steps.of('lead'),
        steps.of('servo'),
        (a, b) => sameSide(a, b) && a.subject.item === b.subject.item,
      ),
  },
  {
    id: 'centred-before-in',
    because: 'A servo that was never tried comes out again with its bay; its arm cannot be turned there.',
    trap: true,
    pairs: steps =>
      pairs(steps.of('centre-servo'), steps.of('servo'), (a, b) => a.subject.item === b.subject.item),
  },
  {
    id: 'moving-whole',
    because: 'The parts of a moving surface are joined on a flat table; on the wing they follow its bend.',
    trap: true,
    pairs: steps => pairs(movingJoins(steps), steps.of('hinge', 'horn'), sameControl),
  },
  {
    id: 'horn-before-hinge',
    because: 'Its nut lies under the hinge line, out of reach once the surface hangs there.',
    trap: true,
    pairs: steps => pairs(steps.of('horn'), steps.of('hinge'), sameControl),
  },
  {
    id: 'straight-before-hinge',
    because: 'A hinge across a joint that is still open sets the joint out of line, and binds.',
    trap: true,
    pairs: (steps, site) =>
      site.moving.flatMap(({ chain, control, along }) =>
        pairs(
          surfaceJoins(steps).filter(
            step =>
              step.subject.surface === chain.part &&
              step.subject.side === chain.side &&
              lastJoint(step) >= along[0] &&
              step.subject.joint! < along[1],
          ),
          steps.of('hinge').filter(step => step.subject.control === control.piece),
          sameSide,
        ),
      ),
  },
  ...FILM_RULES,
  {
    id: 'rod-last',
    because: 'A rod is cut to length between a servo at its middle and a surface that hangs.',
    trap: false,
    pairs: steps => [
      ...pairs(steps.of('hinge', 'horn'), steps.of('rod'), sameControl),
      ...pairs(
        steps.of('servo'),
        steps.of('rod'),
        (a, b) =>
          a.subject.item === b.subject.item && (a.subject.surface !== b.subject.surface || sameSide(a, b)),
      ),
    ],
  },
  {
    id: 'rod-through-whole',
    because: 'A rod from the body to the tail has its length only when both stand where they will.',
    trap: true,
    pairs: (steps, { doc }) => {
      const rods = steps.of('rod').filter(step => step.bench === 'whole')
      const from = (step: BuildStep) =>
        doc.equipment.find(item => item.id === step.subject.item)?.pocket?.surface
      const ends = (step: BuildStep, surface: string | undefined) =>
        surface !== undefined && (step.subject.surface === surface || from(step) === surface)
      return [
        ...pairs(steps.of('tail'), rods, (a, b) => ends(b, a.subject.surface)),
        ...pairs(steps.of('set-wing', 'halves'), rods, (a, b) => ends(b, a.subject.surface)),
      ]
    },
  },
  {
    id: 'motor-before-closing',
    because:
      'Nuts and screws behind the firewall are reached through the open end, or through a hatch beside it.',
    trap: true,
    pairs: (steps, { doc, body }) => {
      const wall = body?.pieces[0]
      const near = wall && (doc.body?.openings ?? []).some(item => item.fromMm < wall.from + MOTOR_REACH)
      return near ? [] : pairs(steps.of('motor'), bodyJoins(steps), (_, join) => join.subject.joint === 0)
    },
  },
  {
    id: 'in-before-closing',
    because: 'No hatch near it is large enough: it goes in through the open end, or never.',
    trap: true,
    pairs: (steps, { access, body }) =>
      access
        .filter(({ through }) => through === null)
        .flatMap(({ item, piece }) => {
          const last = (body?.pieces.length ?? 1) - 1
          const joint = piece < last ? piece : piece - 1
          return pairs(
            steps.of('put-in', 'servo').filter(step => inBody(step) && step.subject.item === item.id),
            bodyJoins(steps).filter(step => step.subject.joint === joint),
          )
        }),
  },
  {
    id: 'through-seat-before-wing',
    because: 'It goes in through the seat, which the wing closes when it is glued on.',
    trap: true,
    pairs: (steps, { access }) =>
      access
        .filter(({ beforeWing }) => beforeWing)
        .flatMap(({ item }) =>
          pairs(
            steps.of('put-in', 'servo').filter(step => inBody(step) && step.subject.item === item.id),
            steps.of('set-wing'),
          ),
        ),
  },
  {
    id: 'nuts-before-wing',
    because: 'The nuts lie under the seat; from above, with the wing on, nobody holds them.',
    trap: true,
    pairs: steps => pairs(steps.of('wing-nuts'), steps.of('set-wing')),
  },
  {
    id: 'body-before-boom',
    because: 'The boom is sighted along the whole body; a joint that is glued after it takes it along.',
    trap: true,
    pairs: steps => pairs(bodyJoins(steps), steps.of('boom')),
  },
  {
    id: 'body-before-wing',
    because: 'The seat and the bolts run across joints of the body.',
    trap: true,
    pairs: steps => pairs(bodyJoins(steps), steps.of('set-wing')),
  },
  {
    id: 'wing-whole-before-halves',
    because: 'Dihedral is set from tip to tip: a half that still grows is set by guess.',
    trap: true,
    pairs: steps => pairs(surfaceJoins(steps).filter(ofWing), steps.of('halves', 'set-wing'), sameSurface),
  },
  {
    id: 'halves-before-body',
    because: 'One wing is set on the body, not two.',
    trap: true,
    pairs: steps => pairs(steps.of('halves'), steps.of('set-wing')),
  },
  {
    id: 'wing-before-tail',
    because: 'The tail is sighted against the wing: without it on, square means nothing.',
    trap: true,
    pairs: steps => [
      ...pairs(steps.of('set-wing', 'halves', 'boom'), steps.of('align')),
      ...pairs(surfaceJoins(steps), steps.of('align')),
    ],
  },
  {
    id: 'sighted-before-glued',
    because: 'Glue sets what was not looked at.',
    trap: true,
    pairs: steps => pairs(steps.of('align'), steps.of('tail')),
  },
  {
    id: 'tail-in-turn',
    because: 'The fin is squared to the tailplane; of a T-tail the tailplane stands on the fin.',
    trap: true,
    pairs: (steps, { doc }) => {
      const of = (part: string) => steps.of('tail').filter(step => step.subject.surface === part)
      return doc.tail.kind === 'T'
        ? pairs(of('vertical'), of('horizontal'))
        : pairs(of('horizontal'), of('vertical'))
    },
  },
  {
    id: 'tail-hinged-on-bench',
    because: 'On the table it lies flat; on the aircraft the fin is in the way of the tape and of the glue.',
    trap: false,
    pairs: steps => pairs(steps.of('hinge'), steps.of('tail'), sameSurface),
  },
  {
    id: 'pods-on-whole-wing',
    because:
      'A pod is set by the span from tip to middle: a half that still grows or is not joined has neither.',
    trap: true,
    pairs: steps => [
      ...pairs(
        surfaceJoins(steps).filter(step => step.subject.surface === 'wing'),
        steps.of('set-pod'),
      ),
      ...pairs(
        steps.of('lead', 'spar').filter(step => step.subject.surface === 'wing'),
        steps.of('set-pod'),
      ),
      ...pairs(bodyJoins(steps), steps.of('set-pod')),
      ...pairs(steps.of('halves'), steps.of('set-pod')),
      ...pairs(steps.of('set-pod'), steps.of('boom', 'align')),
    ],
  },
  {
    id: 'struts-between-set-wings',
    because:
      'A strut has its length only between two things that stand true; put in first, it sets them askew.',
    trap: true,
    pairs: steps => [
      ...pairs(
        [...steps.of('halves', 'set-wing', 'set-pod', 'boom'), ...surfaceJoins(steps)],
        steps.of('strut'),
      ),
      ...pairs(bodyJoins(steps), steps.of('strut')),
      ...pairs(steps.of('strut'), steps.of('align')),
    ],
  },
  {
    id: 'lids-after-inside',
    because: 'Magnets beside an open bay catch every screw; the lid is fitted to the finished rim.',
    trap: false,
    pairs: steps => pairs(bodyJoins(steps), steps.of('lid')),
  },
  {
    id: 'given-in-turn',
    because: 'It is set on an airframe that stands.',
    trap: false,
    pairs: steps => [
      ...pairs(steps.of('set-wing', 'halves', 'boom', 'join'), steps.of('given')),
      ...pairs(bodyJoins(steps), steps.of('gear')),
    ],
  },
  {
    id: 'electrics-before-direction',
    because: 'Directions are tried on what will fly: every rod, the receiver and the battery in place.',
    trap: true,
    pairs: steps =>
      pairs(
        [
          ...steps.of('rod', 'motor', 'servo', 'tail', 'hinge', 'centre-servo'),
          ...steps.of('put-in').filter(step => step.subject.item !== undefined),
        ],
        steps.of('direction'),
      ),
  },
  {
    id: 'propeller-last',
    because:
      'The propeller goes on when nothing has to be tried any more: until then a motor that starts hurts nobody.',
    trap: true,
    pairs: steps =>
      pairs(
        steps.all.filter(step => step.kind !== 'propeller' && step.kind !== 'balance'),
        steps.of('propeller'),
      ),
  },
  {
    id: 'balance-last',
    because: 'What is added after the balance moves it.',
    trap: true,
    pairs: steps =>
      pairs(
        steps.all.filter(step => step.kind !== 'balance'),
        steps.of('balance'),
      ),
  },
  {
    id: 'finish-after-joints',
    because: 'Paint and tape on a face that is to be glued hold the paint, not the joint.',
    trap: true,
    pairs: steps =>
      pairs(
        steps.of(
          'join',
          'halves',
          'tail',
          'boom',
          'gear',
          'given',
          'spar',
          'set-wing',
          'set-pod',
          'strut',
          'hinge',
          'lid',
        ),
        steps.of('finish'),
      ),
  },
]

/** How far behind the firewall a hatch may begin and a screwdriver still reach its nuts, mm. */
const MOTOR_REACH = 70
