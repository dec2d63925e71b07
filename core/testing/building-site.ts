/**
 * A builder without foresight: does the steps in the order given and says what he finds buried, shut, crooked or
 * dangerous. It knows nothing of the rules: it looks at what is closed, fixed and in reach at each step.
 */
import type { Airframe, BuildStep } from '../assess'
import type { Piece } from '../geometry'

interface Hands {
  airframe: Airframe
  done: BuildStep[]
  later: BuildStep[]
  /** Pairs of pieces that are fixed to each other. */
  fixed: Set<string>
}

const key = (a: string, b: string) => [a, b].sort().join('|')

export function trapsIn(airframe: Airframe, order: readonly BuildStep[]): string[] {
  const hands: Hands = { airframe, done: [], later: [...order], fixed: new Set() }
  const traps: string[] = []
  for (const step of order) {
    hands.later.shift()
    traps.push(...LOOKS.flatMap(look => look(step, hands)).map(text => `${step.id}: ${text}`))
    hands.done.push(step)
    for (const [a, b] of step.joins) hands.fixed.add(key(a, b))
  }
  return traps
}

const chainOf = ({ pieces }: Airframe, part: string, side: string): Piece[] =>
  pieces
    .filter(piece => piece.part === part && piece.side === side && piece.kind === 'fixed')
    .sort((a, b) => a.from - b.from)
const isFixed = (hands: Hands, a: Piece, b: Piece) => hands.fixed.has(key(a.id, b.id))
const did = (hands: Hands, test: (step: BuildStep) => boolean) => hands.done.some(test)
const comes = (hands: Hands, test: (step: BuildStep) => boolean) => hands.later.some(test)
/** Joints of a chain that are closed, by the place where they lie. */
const closed = (hands: Hands, chain: readonly Piece[]): number[] =>
  chain.slice(1).flatMap((piece, i) => (isFixed(hands, chain[i], piece) ? [piece.from] : []))
const onBody = (step: BuildStep) => step.kind === 'halves' || step.kind === 'set-wing'
/** The root of a surface is closed by it. */
const closes = (other: BuildStep, surface: string | undefined) =>
  (onBody(other) || other.kind === 'tail') && other.subject.surface === surface
const says = (fault: boolean, text: string): string[] => (fault ? [text] : [])
const part = (step: BuildStep) => step.subject.surface ?? 'body'
const glues = (step: BuildStep) => step.glue !== null || step.joins.length > 0

type Look = (step: BuildStep, hands: Hands) => string[]

/** A bore is entered through an open face that it reaches, and the joints beyond it are still open. */
const spar: Look = (step, hands) => {
  if (step.kind !== 'spar') return []
  const { surface, side, spar: id } = step.subject
  const line = (hands.airframe.spars[surface!] ?? []).find(item => item.spar.id === id)!
  const chain = chainOf(hands.airframe, surface!, side!)
  const inside = closed(hands, chain).filter(at => at > line.from && at < line.to)
  const rootShut = did(hands, other => closes(other, surface))
  // What is closed beyond it was set without it.
  const beyond = closed(hands, chain).filter(at => at > line.from)
  return [
    ...says(inside.length > 0, 'pieces were joined that should slide on to it'),
    ...says(beyond.length > 0 && inside.length === 0, 'what it should align was joined before'),
    ...says(rootShut, 'the root is closed'),
  ]
}

const lead: Look = (step, hands) => {
  if (step.kind !== 'lead') return []
  const { surface, side, item: id } = step.subject
  const chain = chainOf(hands.airframe, surface!, side!)
  const item = hands.airframe.doc.equipment.find(other => other.id === id)!
  const reach = chain.filter(piece => piece.to < Math.abs(item.yMm) * 0.9)
  const shut = closed(hands, chain).filter(at => reach.some(piece => Math.abs(piece.to - at) < 0.01))
  return [
    ...says(shut.length > 0, 'a closed rib lies in its way'),
    ...says(
      did(hands, other => other.kind === 'servo' && other.subject.item === id && other.subject.side === side),
      'the servo shuts the run',
    ),
    ...says(
      did(hands, other => closes(other, surface)),
      'the root is closed',
    ),
  ]
}

const servo: Look = (step, hands) =>
  says(
    step.kind === 'servo' &&
      comes(hands, other => other.kind === 'centre-servo' && other.subject.item === step.subject.item),
    'never tried',
  )

/** What film or a folded sheet closes, and what is in its way. */
const film: Look = (step, hands) => {
  const shuts = (other: BuildStep) => other.kind === 'cover' || other.kind === 'fold'
  const same = (other: BuildStep) =>
    shuts(other) && part(other) === part(step) && other.subject.side === step.subject.side
  const ofSurface = (other: BuildStep) => shuts(other) && part(other) === part(step)
  const inside =
    step.kind === 'spar' || step.kind === 'lead' || (step.kind === 'join' && step.subject.joint !== undefined)
  return [
    ...says(inside && did(hands, same), 'the film is on'),
    ...says(step.kind === 'hinge' && comes(hands, same), 'the edge that it hangs on is not covered'),
    ...says(
      (onBody(step) && comes(hands, other => other.kind === 'cover' && part(other) === part(step))) ||
        (step.kind === 'set-wing' &&
          comes(hands, other => other.kind === 'fold' && part(other) === part(step))) ||
        (step.kind === 'tail' && comes(hands, ofSurface)),
      'one side of the frame can no longer be reached',
    ),
    ...says(
      step.kind === 'fold' && comes(hands, other => other.kind === 'halves' && part(other) === part(step)),
      'the spar that runs through has no way in',
    ),
  ]
}

/** What hangs on a hinge line. */
const hinge: Look = (step, hands) => {
  if (step.kind !== 'hinge' && step.kind !== 'horn') return []
  const { side, control } = step.subject
  const same = (other: BuildStep) => part(other) === part(step) && other.subject.side === side
  const partsOpen = comes(
    hands,
    other => other.kind === 'join' && same(other) && other.subject.control === control,
  )
  if (step.kind === 'horn')
    return [
      ...says(partsOpen, 'the moving surface is in parts'),
      ...says(
        did(hands, other => other.kind === 'hinge' && same(other) && other.subject.control === control),
        'its nut is out of reach',
      ),
    ]
  const fixed = chainOf(hands.airframe, part(step), side!).filter(piece => step.touches.includes(piece.id))
  return [
    ...says(partsOpen, 'the moving surface is in parts'),
    ...says(
      fixed.slice(1).some((piece, i) => !isFixed(hands, fixed[i], piece)),
      'the hinge line has an open joint',
    ),
    ...says(
      did(hands, other => other.kind === 'tail' && other.subject.surface === part(step)),
      'the aircraft is in the way',
    ),
  ]
}

const rod: Look = (step, hands) => {
  if (step.kind !== 'rod') return []
  const { surface, side, control, item } = step.subject
  const mine = (other: BuildStep) =>
    other.subject.surface === surface && other.subject.side === side && other.subject.control === control
  return [
    ...says(
      comes(hands, other => (other.kind === 'hinge' || other.kind === 'horn') && mine(other)),
      'nothing hangs there',
    ),
    ...says(
      comes(
        hands,
        other =>
          other.kind === 'servo' && other.subject.item === item && (other.subject.side ?? side) === side,
      ),
      'its servo is not in',
    ),
    ...says(
      step.bench === 'whole' && comes(hands, other => closes(other, surface)),
      'the tail is not where it will be',
    ),
  ]
}

/** Something goes into the body: through a hole that lets it, or through an end that is still open. */
const into: Look = (step, hands) => {
  const { airframe } = hands
  const item = airframe.doc.equipment.find(other => other.id === step.subject.item)
  const body = chainOf(airframe, 'body', 'centre')
  if (!item || !body.length || step.subject.surface) return []
  if (step.kind === 'motor') {
    const hatch = airframe.doc.body!.openings.some(opening => opening.fromMm - body[0].from < 70)
    return says(!hatch && body.length > 1 && isFixed(hands, body[0], body[1]), 'its screws are out of reach')
  }
  if (
    (step.kind !== 'put-in' && step.kind !== 'servo') ||
    !(item.xMm > body[0].from && item.xMm < body.at(-1)!.to)
  )
    return []
  const { saddle } = airframe.doc.body!
  const glued = saddle?.bolts === 0 && did(hands, other => other.kind === 'set-wing')
  const half = item.sizeMm[0] / 2
  const wing = airframe.wing.stations[0]
  const seat = airframe.body?.at(wing.lead + wing.chord / 2).width ?? 0
  const holes = [
    ...airframe.doc.body!.openings.map(({ fromMm, toMm, widthMm }) => ({ fromMm, toMm, widthMm })),
    ...(saddle && !glued ? [{ fromMm: wing.lead, toMm: wing.lead + wing.chord, widthMm: 0.7 * seat }] : []),
  ]
  const [small, middle] = [...item.sizeMm].sort((a, b) => a - b)
  const through = holes.some(
    ({ fromMm, toMm, widthMm }) =>
      item.xMm - half < toMm + 80 &&
      item.xMm + half > fromMm - 80 &&
      small <= Math.min(widthMm, toMm - fromMm) &&
      middle <= Math.max(widthMm, toMm - fromMm),
  )
  const at = body.findIndex(piece => item.xMm < piece.to)
  const open =
    (at > 0 && !isFixed(hands, body[at - 1], body[at])) ||
    (at < body.length - 1 && !isFixed(hands, body[at], body[at + 1]))
  return [...says(!through && !open && body.length > 1, 'it has no way in')]
}

/** Joints in turn, tried dry, on a table. */
const joint: Look = (step, hands) => {
  if (step.kind !== 'join') return []
  const side = step.subject.side!
  const chain = chainOf(hands.airframe, part(step), side)
  const at = chain.findIndex(piece => piece.id === step.joins[0][1])
  return [
    ...says(at > 1 && !isFixed(hands, chain[at - 2], chain[at - 1]), 'what it is joined to is loose'),
    ...says(
      at > 0 &&
        comes(
          hands,
          other => other.kind === 'dry-fit' && part(other) === part(step) && other.subject.side === side,
        ),
      'never tried dry',
    ),
    ...says(part(step) === 'body' && did(hands, other => other.kind === 'boom'), 'the boom goes with it'),
    ...says(
      part(step) === 'body' && did(hands, other => other.kind === 'gear' || other.kind === 'lid'),
      'gear and lids stood before the body did',
    ),
    ...says(
      at > 0 &&
        did(
          hands,
          other =>
            (onBody(other) && part(other) === part(step)) ||
            (part(step) === 'body' && other.kind === 'set-wing'),
        ),
      'it grows after it was set',
    ),
  ]
}

/** Setting the big parts to one another. */
const setting: Look = (step, hands) => {
  const notYet = (test: (other: BuildStep) => boolean, text: string) => says(comes(hands, test), text)
  switch (step.kind) {
    case 'halves':
    case 'set-wing':
      return [
        ...notYet(
          other => other.id.startsWith('dry.joiner') && part(other) === part(step),
          'the joiner was never in both halves',
        ),
        ...notYet(
          other => step.kind === 'set-wing' && other.kind === 'halves' && part(other) === part(step),
          'two halves are set instead of a wing',
        ),
        ...notYet(other => step.kind === 'set-wing' && other.kind === 'wing-nuts', 'nobody holds the nuts'),
      ]
    case 'strut':
      return notYet(
        other => onBody(other) || other.kind === 'set-pod' || other.kind === 'boom',
        'it has no length yet: what it stands on is not set',
      )
    case 'align':
      return notYet(
        other =>
          onBody(other) ||
          other.kind === 'strut' ||
          other.kind === 'boom' ||
          (other.kind === 'join' && other.subject.joint !== undefined && part(other) !== 'body'),
        'there is nothing to sight against',
      )
    case 'tail': {
      const first = hands.airframe.doc.tail.kind === 'T' ? 'vertical' : 'horizontal'
      return [
        ...notYet(other => other.kind === 'align', 'not sighted'),
        ...notYet(
          other => other.kind === 'tail' && other.subject.surface === first,
          'nothing to square it to',
        ),
      ]
    }
    case 'given':
      return notYet(other => onBody(other) || other.kind === 'join', 'the airframe does not stand yet')
    default:
      return []
  }
}

const ends: Look = (step, hands) => {
  switch (step.kind) {
    case 'direction':
      return says(
        comes(hands, other =>
          ['rod', 'motor', 'servo', 'hinge', 'put-in', 'tail', 'centre-servo'].includes(other.kind),
        ),
        'what is tried is not what will fly',
      )
    case 'propeller':
      return says(
        comes(hands, other => other.kind !== 'balance' && other.kind !== 'propeller'),
        'hands go on working at an armed aircraft',
      )
    case 'balance':
      return says(hands.later.length > 0, 'something is added after it')
    case 'finish':
      return says(
        comes(
          hands,
          other =>
            other.kind !== 'balance' &&
            glues(other) &&
            other.kind !== 'servo' &&
            other.kind !== 'horn' &&
            other.kind !== 'wing-nuts',
        ),
        'a painted face is to be glued',
      )
    default:
      return []
  }
}

const weighed: Look = (step, hands) =>
  says(
    step.kind !== 'weigh' &&
      comes(hands, other => other.kind === 'weigh' && (other.bench === step.bench || step.bench === 'whole')),
    'pieces were never weighed',
  )
const dry: Look = (step, hands) =>
  says(
    step.kind === 'spar' &&
      comes(
        hands,
        other =>
          other.kind === 'dry-fit' && part(other) === part(step) && other.subject.side === step.subject.side,
      ),
    'its bore was never tried',
  )

/** A pod is sighted against a whole wing, and shuts what runs inside it there. */
const pod: Look = (step, hands) =>
  step.kind === 'set-pod'
    ? [
        ...says(
          comes(
            hands,
            other =>
              other.kind === 'halves' ||
              (other.kind === 'join' && other.subject.joint !== undefined && part(other) === 'wing'),
          ),
          'the wing that it is set on still grows',
        ),
        ...says(
          comes(hands, other => (other.kind === 'lead' || other.kind === 'spar') && part(other) === 'wing'),
          'what runs through the wing there has no way in',
        ),
        ...says(
          comes(
            hands,
            other => other.kind === 'join' && other.subject.joint !== undefined && part(other) === 'body',
          ),
          'body and pods in pieces are set askew',
        ),
      ]
    : says(
        (step.kind === 'boom' || step.kind === 'align') && comes(hands, other => other.kind === 'set-pod'),
        'pods are set after what is sighted along them',
      )

const LOOKS: readonly Look[] = [
  spar,
  lead,
  servo,
  film,
  hinge,
  rod,
  into,
  joint,
  setting,
  ends,
  weighed,
  dry,
  pod,
]
