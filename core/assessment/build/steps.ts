/** Every step there is to do on an aircraft, in no order yet. */
import type { Equipment } from '../../document'
import { placePoint, planAt, type Piece } from '../../geometry'
import { listed, q, say, type Words } from '../../units'
import type { Access, Chain, LaidSpar, Moving, Pocket, Site } from './site'
import { BENCHES, type Bench, type BuildStep, type Side } from './step'

/** Hands on, min: the middle of what people report; ± 40 % from one pair of hands to another. */
export const MINUTES = {
  weighPiece: 1,
  dryPiece: 1,
  dry: 2,
  centre: 5,
  lead: 4,
  spar: 5,
  join: 4,
  servo: 5,
  horn: 4,
  hinge: 2,
  hinges: 3,
  tape: 5,
  rod: 8,
  nuts: 8,
  motor: 8,
  putIn: 4,
  wired: 6,
  boom: 10,
  leg: 12,
  halves: 8,
  setWing: 6,
  align: 10,
  tail: 8,
  given: 6,
  lid: 10,
  direction: 5,
  finish: 20,
  propeller: 5,
  balance: 15,
} as const

type Draft = Pick<BuildStep, 'id' | 'kind' | 'bench' | 'title' | 'how' | 'minutes' | 'at'> &
  Partial<BuildStep>

const step = (draft: Draft): BuildStep => ({
  subject: {},
  touches: [],
  parts: [],
  joins: [],
  from: [0, 0, 0],
  glue: null,
  glueMm: () => 0,
  gate: null,
  caution: null,
  hand: [],
  ...draft,
})

const CARBON = 'Carbon: cut and sand it wet, with mask and gloves; the dust stays in the lungs.'
const LIVE =
  'Propeller off for every trial on the bench. With the battery in, a motor may start at any moment: hands and face out of its plane.'
const LITHIUM =
  'Lithium battery: never charge it alone in a room, never use a swollen or dented one, carry it in a fireproof bag.'

const sideSign = (side: Side) => (side === 'port' ? -1 : 1)
const middleOf = (piece: Piece): [number, number, number] => {
  const at = (piece.from + piece.to) / 2
  const [loop] = piece.sectionAt(at)
  if (!loop) return piece.place(0, 0, at)
  let a = 0,
    b = 0
  for (let i = 0; i < loop.length; i += 2) {
    a += loop[i]
    b += loop[i + 1]
  }
  return piece.place((2 * a) / loop.length, (2 * b) / loop.length, at)
}
/** Round the outermost loop of a section, mm. */
function rim(piece: Piece, at: number): number {
  const loops = piece.sectionAt(Math.min(piece.to - 0.01, Math.max(piece.from + 0.01, at)))
  let most = 0
  for (const loop of loops) {
    let length = 0
    for (let i = 0; i < loop.length; i += 2) {
      const k = (i + 2) % loop.length
      length += Math.hypot(loop[k] - loop[i], loop[k + 1] - loop[i + 1])
    }
    most = Math.max(most, length)
  }
  return most
}

const pinned: Record<string, Words> = {
  butt: 'No pin aligns it: sight it along the edges and hold it.',
  pins: 'Pins first into one piece, dry into the other; then glue.',
  tongue: 'The tongue goes to half its length into one piece first.',
  lip: 'Turn the lip in until the seams meet.',
  bolts: 'Bolts finger-tight first, square it, then a quarter turn; no thread-lock that eats plastic.',
}

export function stepsOf(site: Site): BuildStep[] {
  const { doc } = site
  return [
    ...weighing(site),
    ...site.chains.flatMap(chain =>
      chain.part === 'body' ? bodySteps(site, chain) : chainSteps(site, chain),
    ),
    ...site.moving.flatMap(moving => movingSteps(site, moving)),
    ...site.spars.filter(laid => laid.chain.side !== 'port' || !laid.line.spar.through).flatMap(sparSteps),
    ...servoSteps(site),
    ...site.pockets.filter(pocket => pocket.item.kind !== 'servo').map(pocketStep),
    ...site.access.filter(({ item }) => item.kind !== 'servo').map(access => putIn(access)),
    ...looseSteps(site),
    ...wingSteps(site),
    ...tailSteps(site),
    ...doc.gear.map(leg =>
      step({
        id: `gear.${leg.id}`,
        kind: 'gear',
        bench: site.body ? 'body' : 'whole',
        subject: { leg: leg.id },
        title: say`Mount ${leg.name.toLowerCase()}`,
        how: [
          'Try it dry, square to the middle and with both wheels on the table.',
          'Glue the mount over its whole bearing, and bind a wire leg with thread.',
        ],
        parts: [leg.id],
        at: () => [leg.xMm, 0, leg.zMm],
        from: [0, 0, -120],
        glue: 'spars',
        glueMm: () => 2 * (leg.mount.lengthMm + leg.mount.widthMm) * (leg.pair ? 2 : 1),
        minutes: MINUTES.leg * (leg.pair ? 1.5 : 1),
      }),
    ),
    ...lidSteps(site),
    ...site.airframe.pieces
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
      ),
    ...finalSteps(site),
  ]
}

function weighing(site: Site): BuildStep[] {
  const pieces = new Map<Bench, Piece[]>()
  const benchOf = new Map(
    site.chains.flatMap(chain => chain.pieces.map(piece => [piece.id, chain.bench] as const)),
  )
  for (const { chain, pieces: own } of site.moving)
    for (const piece of own) benchOf.set(piece.id, chain.bench)
  for (const piece of site.airframe.pieces) {
    const bench = benchOf.get(piece.id) ?? (piece.kind === 'lid' ? 'body' : 'whole')
    pieces.set(bench, [...(pieces.get(bench) ?? []), piece])
  }
  return [...pieces].map(([bench, own]) =>
    step({
      id: `weigh.${bench}`,
      kind: 'weigh',
      bench,
      title: say`Lay out the ${own.length} pieces of ${bench === 'whole' ? 'the aircraft' : `the ${BENCHES[bench].toLowerCase()}`}`,
      how: [
        'Break brims off, open bores and slots, write the mark inside.',
        'Weigh each one at Weigh: what is glued in is not weighed again.',
      ],
      at: () => middleOf(own[0]),
      minutes: MINUTES.weighPiece * own.length,
      gate: 'weighed',
      hand: ['scale', 'knife', say`drill for the bores of the spars`],
    }),
  )
}

const named = (chain: Chain): string => {
  const label = { wing: 'wing', horizontal: 'tailplane', vertical: 'fin', body: 'body' }[chain.part]
  return chain.side === 'centre' ? label : `${chain.side} ${label}`
}

function chainSteps(site: Site, chain: Chain): BuildStep[] {
  const { pieces, bench } = chain
  const spars = site.spars.filter(item => item.chain === chain)
  const key = `${chain.part}.${chain.side}`
  const subject = { surface: chain.part as 'wing', side: chain.side }
  const dry =
    pieces.length > 1 || spars.length > 0
      ? [
          step({
            id: `dry.${key}`,
            kind: 'dry-fit',
            bench,
            subject,
            title: say`Try the ${named(chain)} together dry`,
            how: [
              say`All ${pieces.length} pieces on their spars, no glue: every joint closes, no bore binds.`,
              'Sight along the leading edge: no kink, the twist as drawn.',
            ],
            at: () => middleOf(pieces[Math.floor(pieces.length / 2)]),
            minutes: MINUTES.dry + MINUTES.dryPiece * pieces.length,
            gate: 'dry fit',
            caution: spars.length ? CARBON : null,
            hand: ['round file', 'fine sandpaper on a block'],
          }),
        ]
      : []
  return [...dry, ...joinSteps(chain)]
}

function joinSteps(chain: Chain): BuildStep[] {
  const { pieces } = chain
  return pieces.slice(1).map((outer, i) => {
    const inner = pieces[i]
    const kind = inner.joints.head?.kind ?? 'butt'
    // Along its axis, as seen from the middle of the aircraft.
    const [a, b] = [outer.place(0, 0, outer.to), outer.place(0, 0, outer.from)]
    const length = Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]) || 1
    const out = a.map((v, k) => (110 * (v - b[k])) / length) as [number, number, number]
    return step({
      id: `join.${chain.part}.${chain.side}.${inner.id}+${outer.id}`,
      kind: 'join',
      bench: chain.bench,
      subject: {
        ...(chain.part === 'body' ? {} : { surface: chain.part }),
        side: chain.side,
        joint: i,
      },
      title: say`Glue ${outer.name} to ${inner.name}`,
      how: [pinned[kind], 'Wipe off what squeezes out before it sets.'],
      touches: [inner.id, outer.id],
      joins: [[inner.id, outer.id]],
      at: () => inner.place(...centreOf(inner, inner.to), inner.to),
      from: out,
      glue: kind === 'bolts' ? null : 'joints',
      glueMm: () => (kind === 'bolts' ? 0 : rim(outer, outer.from)),
      minutes: MINUTES.join,
      hand: ['masking tape', 'cloth'],
    })
  })
}

function centreOf(piece: Piece, at: number): [number, number] {
  const [loop] = piece.sectionAt(Math.min(piece.to - 0.01, at))
  if (!loop) return [0, 0]
  let a = 0,
    b = 0
  for (let i = 0; i < loop.length; i += 2) {
    a += loop[i]
    b += loop[i + 1]
  }
  return [(2 * a) / loop.length, (2 * b) / loop.length]
}

const HINGE_NAMES = {
  'bought-strip': 'strip hinges',
  'printed-strip': 'printed hinges',
  pins: 'pin hinges',
  tape: 'hinge tape',
}

function movingSteps(site: Site, moving: Moving): BuildStep[] {
  const { chain, control, hinged, pieces } = moving
  const key = `${chain.part}.${chain.side}.${control.piece}`
  const subject = { surface: chain.part as 'wing', side: chain.side, control: control.piece }
  const label =
    chain.side === 'centre' ? control.name.toLowerCase() : `${chain.side} ${control.name.toLowerCase()}`
  const loft = site.airframe.surfaces[chain.part as 'wing']!
  const s = (hinged.from + hinged.to) / 2
  const at = placePoint(loft, hinged.hingeAt(s), planAt(loft, s).n, s, chain.side === 'port' ? -1 : 1)
  const joins = pieces.slice(1).map((outer, i) =>
    step({
      id: `join.${key}.${pieces[i].id}+${outer.id}`,
      kind: 'join',
      bench: chain.bench,
      subject,
      title: say`Glue ${outer.name} to ${pieces[i].name}`,
      how: ['Upper side down on a flat table, the edges against a ruler.', 'Wipe off what squeezes out.'],
      touches: [pieces[i].id, outer.id],
      joins: [[pieces[i].id, outer.id] as const],
      at: () => middleOf(outer),
      from: [60, 60 * sideSign(chain.side), 0],
      glue: 'joints',
      glueMm: () => rim(outer, outer.from),
      minutes: MINUTES.join,
      hand: ['ruler', 'flat table'],
    }),
  )
  const fixed = chain.pieces.slice(moving.along[0], moving.along[1] + 1)
  const { kind, count } = control.hinge
  // A servo in the body moves both halves of a tail by one rod and a joiner.
  const joined = joinedHalves(site, moving)
  const horn =
    control.linkage && !(joined && chain.side === 'port')
      ? [
          step({
            id: `horn.${key}`,
            kind: 'horn',
            bench: chain.bench,
            subject,
            title: say`Horn on the ${label}`,
            how: [
              say`Its hole stands over the hinge line, ${q(control.linkage.hornMm, 'mm', 1)} from it.`,
              'Scuff, glue or screw it, and the nut on the other skin while that is still in reach.',
              ...(joined
                ? ['A bent wire joins both halves: try it dry in its holes before either is hinged.']
                : []),
            ],
            touches: pieces.map(piece => piece.id),
            parts: [],
            at: () => at,
            from: [0, 0, -60],
            glue: 'spars',
            glueMm: () => 40,
            minutes: MINUTES.horn,
            hand: ['horn', 'drill of the size of the clevis pin', ...(joined ? ['joiner of 2 mm wire'] : [])],
          }),
        ]
      : []
  const hinge = step({
    id: `hinge.${key}`,
    kind: 'hinge',
    bench: chain.bench,
    subject,
    title: say`Hinge the ${label}`,
    how:
      kind === 'tape'
        ? [
            'Turn it hard down, tape along the upper skin, press it into the gap; then a strip underneath at the ends.',
            'It falls of its own weight through its whole throw.',
          ]
        : [
            say`${count} ${HINGE_NAMES[kind]}: a pin through each as a stop, half into the wing first, dry.`,
            'One drop each side, wicked in from above and below; work it to and fro before it sets.',
            'It falls of its own weight through its whole throw.',
          ],
    touches: [...pieces, ...fixed].map(piece => piece.id),
    joins: pieces.map(piece => [nearestFixed(piece, fixed).id, piece.id] as const),
    at: () => at,
    from: [90, 0, 0],
    glue: kind === 'tape' ? null : 'hinges',
    glueMm: () => (kind === 'tape' ? 0 : 40 * count),
    minutes: kind === 'tape' ? MINUTES.tape : MINUTES.hinges + MINUTES.hinge * count,
    gate: 'hinges free',
    hand: [
      kind === 'tape'
        ? say`${q(hinged.to - hinged.from, 'mm', 0)} of hinge tape`
        : say`${count} ${HINGE_NAMES[kind]}`,
    ],
  })
  return [...joins, ...horn, hinge]
}

/** Both halves of a tail on one servo: a wire joins them, and one horn serves. */
const joinedHalves = (site: Site, { control, chain }: Moving): boolean =>
  chain.part !== 'wing' &&
  chain.side !== 'centre' &&
  control.kind !== 'ruddervator' &&
  !site.doc.equipment.some(item => item.id === control.linkage?.servo && item.pair)

const nearestFixed = (piece: Piece, fixed: readonly Piece[]): Piece =>
  fixed.find(item => (piece.from + piece.to) / 2 < item.to) ?? fixed[fixed.length - 1]

function sparSteps({ chain, line, runs }: LaidSpar): BuildStep[] {
  const { spar, stock } = line
  const through = spar.through && chain.side !== 'centre'
  // A spar through both halves is laid where they meet, and one that comes out is never glued.
  if (through) return []
  const loose = spar.fixing === 'removable'
  const held = runs ? chain.pieces.slice(runs[0], runs[1] + 1) : []
  const [first] = held
  const middle = (line.from + line.to) / 2
  const { x, n } = line.at(middle)
  return [
    step({
      id: `spar.${chain.part}.${chain.side}.${spar.id}`,
      kind: 'spar',
      bench: chain.bench,
      subject: { surface: chain.part as 'wing', side: chain.side, spar: spar.id },
      title: say`${loose ? 'Push' : 'Glue'} ${nameOf(spar.name)} ${first ? say`into ${first.name}` : 'in'}`,
      how: [
        say`${stock.name}, cut to ${q(line.to - line.from, 'mm', 0)}: scuff it over its length, wipe it with alcohol.`,
        loose
          ? 'It comes out again: no glue, and a stop at its outer end.'
          : `Turn it as it goes in, so that the glue lies all round${held.length > 1 ? '; the next pieces slide on to it' : ''}.`,
      ],
      touches: first ? [first.id] : [],
      parts: [partId(spar.id, chain.side)],
      at: () => (first ? first.place(x, n, Math.min(first.to, Math.max(first.from, middle))) : [x, 0, n]),
      from: chain.part === 'vertical' ? [0, 0, 140] : [0, 140 * sideSign(chain.side), 0],
      glue: loose ? null : 'spars',
      glueMm: () => (loose ? 0 : line.to - line.from),
      minutes: MINUTES.spar,
      caution: stock.name.toLowerCase().includes('carbon') || stock.printedIn === null ? CARBON : null,
      hand: [say`${stock.name}, ${q(line.to - line.from, 'mm', 0)}`, 'fine sandpaper', 'alcohol'],
    }),
  ]
}

const partId = (id: string, side: Side) => (side === 'port' ? `${id}-port` : id)

const nameOf = (words: string) => words.replace(/^\p{Lu}(?=\p{Ll})/u, letter => letter.toLowerCase())

function servoSteps(site: Site): BuildStep[] {
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
      moving =>
        moving.control.linkage?.servo === servo &&
        (moving.chain.side !== 'port' || !joinedHalves(site, moving)),
    )
    .map(({ control, chain, hinged }) => {
      const loft = site.airframe.surfaces[chain.part as 'wing']!
      const s = (hinged.from + hinged.to) / 2
      const item = site.doc.equipment.find(other => other.id === servo)!
      const pocketed = item.pocket !== null
      return step({
        id: `rod.${chain.part}.${chain.side}.${control.piece}`,
        kind: 'rod',
        bench: pocketed ? chain.bench : 'whole',
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

const WIRED = new Set(['receiver', 'speed-controller', 'sensor'])
const putTitle = (name: string) => say`${name} in its place`
const PUT_HOW: Partial<Record<Equipment['kind'], readonly Words[]>> = {
  battery: [
    'Hook tape under it and a strap over it: upside down and shaken it does not move.',
    'It slides over its whole bay, and out again.',
  ],
  receiver: ['Leads marked and tied away from whatever moves; aerials clear of carbon.'],
  'speed-controller': ['Leads marked and tied away from whatever moves; air can reach it.'],
  sensor: ['Leads marked and tied away from whatever moves.'],
  payload: ['In and out ten times: nothing catches.'],
}
const putHow = (kind: Equipment['kind'], way: Words): Words[] => [
  way,
  ...(PUT_HOW[kind] ?? ['It does not move when the airframe is shaken.']),
]

function putIn({ item, piece, through, shutIn }: Access): BuildStep {
  const way: Words = shutIn
    ? 'It cannot get in: see the findings at Split.'
    : through
      ? say`In through ${through}.`
      : 'In through the open end, before the body is closed: no hatch reaches it.'
  return step({
    id: `put.${item.id}`,
    kind: 'put-in',
    bench: 'body',
    subject: { item: item.id, joint: piece },
    title: putTitle(item.name),
    how: putHow(item.kind, way),
    parts: [item.id],
    at: () => [item.xMm, item.yMm, item.zMm],
    from: [0, 0, 110],
    minutes: (WIRED.has(item.kind) ? MINUTES.wired : MINUTES.putIn) * (item.pair ? 2 : 1),
    caution: item.kind === 'battery' ? LITHIUM : null,
    hand: item.kind === 'battery' ? ['strap', 'hook tape'] : [],
  })
}

const pocketStep = ({ item, chain, piece }: Pocket): BuildStep =>
  step({
    id: `put.${item.id}.${chain.side}`,
    kind: 'put-in',
    bench: chain.bench,
    subject: { surface: chain.part as 'wing', side: chain.side, item: item.id, joint: piece },
    title: putTitle(item.name),
    how: putHow(item.kind, 'Into its bay from below.'),
    touches: [chain.pieces[piece].id],
    parts: [item.id],
    at: () => [item.xMm, Math.abs(item.yMm) * sideSign(chain.side), item.zMm],
    from: [0, 0, -90],
    minutes: WIRED.has(item.kind) ? MINUTES.wired : MINUTES.putIn,
    caution: item.kind === 'battery' ? LITHIUM : null,
  })

function looseSteps({ doc, loose, body }: Site): BuildStep[] {
  return loose
    .filter(item => item.kind !== 'propeller' && item.kind !== 'servo')
    .map(item => {
      const wall = item.kind === 'motor' && doc.body?.firewall
      return step({
        id: `put.${item.id}`,
        kind: item.kind === 'motor' ? 'motor' : 'put-in',
        bench: item.kind === 'motor' && body ? 'body' : 'whole',
        subject: { item: item.id },
        title: item.kind === 'motor' ? say`${item.name} on its mount` : putTitle(item.name),
        how:
          item.kind === 'motor'
            ? [
                wall
                  ? say`${wall.bolts} screws through the firewall, with thread-lock that does not eat the plastic.`
                  : 'Screws with thread-lock that does not eat the plastic.',
                'No screw touches a winding: turn it by hand and listen.',
              ]
            : putHow(item.kind, 'Fixed to the airframe.'),
        touches: item.kind === 'motor' && body ? [body.pieces[0].id] : [],
        parts: [item.id],
        at: () => [item.xMm, item.yMm, item.zMm],
        from: item.kind === 'motor' ? [-90, 0, 0] : [0, 0, 90],
        minutes: (item.kind === 'motor' ? MINUTES.motor : MINUTES.putIn) * (item.pair ? 2 : 1),
        caution: item.kind === 'motor' ? LIVE : item.kind === 'battery' ? LITHIUM : null,
        hand:
          item.kind === 'motor'
            ? ['thread-lock', 'screws']
            : item.kind === 'battery'
              ? ['strap', 'hook tape']
              : [],
      })
    })
}

function bodySteps(site: Site, chain: Chain): BuildStep[] {
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
  return [...dry, ...nuts, ...joinSteps(chain), ...boomSteps(site)]
}

function boomSteps({ airframe, body, doc }: Site): BuildStep[] {
  if (!airframe.boom) return []
  const { boom, stock } = airframe.boom
  const last = body?.pieces[body.pieces.length - 1]
  return [
    step({
      id: 'boom',
      kind: 'boom',
      bench: last ? 'body' : 'whole',
      title: say`Boom into ${last ? 'its socket' : 'the airframe'}`,
      how: [
        say`${stock.name}, cut to ${q(boom.toMm - boom.fromMm, 'mm', 0)}: scuff what lies in the socket, wipe it with alcohol.`,
        doc.tail.kind === 'none'
          ? 'Sight it along the middle.'
          : 'Sleeves of the tail run through it first. Sight it from behind: no bend to either side.',
      ],
      touches: last ? [last.id] : [],
      parts: ['boom'],
      at: () => [Math.max(boom.fromMm, last ? last.to - boom.socketMm : boom.fromMm), 0, boom.zMm],
      from: [150, 0, 0],
      glue: 'spars',
      glueMm: () => Math.PI * stock.heightMm + boom.socketMm,
      minutes: MINUTES.boom,
      caution: CARBON,
      hand: [say`${stock.name}, ${q(boom.toMm - boom.fromMm, 'mm', 0)}`, 'sleeves of the tail'],
    }),
  ]
}

function wingSteps(site: Site): BuildStep[] {
  const { doc, airframe, body } = site
  const halves = site.chains.filter(chain => chain.part === 'wing' && chain.side !== 'centre')
  const through = site.spars.filter(
    ({ chain, line }) => chain.part === 'wing' && line.spar.through && chain.side === 'starboard',
  )
  const plugged = through.filter(({ line }) => line.spar.fixing === 'removable')
  const root = airframe.wing.stations[0]
  const at: [number, number, number] = [root.lead + root.chord / 2, 0, airframe.wing.origin[2]]
  const steps: BuildStep[] = []
  if (halves.length === 2) {
    if (through.length)
      steps.push(
        step({
          id: 'dry.joiner',
          kind: 'dry-fit',
          bench: 'whole',
          subject: { surface: 'wing' },
          title: say`${through.length === 1 ? 'Joiner' : `${through.length} joiners`} dry into both halves at once`,
          how: [
            'Each half on its own may fit and the two not: push them together whole.',
            say`Both tips equally high over the table: the dihedral is ${q(airframe.doc.wing.panels[0].dihedralDeg, '°', 1)} a side.`,
          ],
          touches: halves.map(chain => chain.pieces[0].id),
          parts: through.map(({ line }) => line.spar.id),
          at: () => at,
          minutes: MINUTES.halves / 2 + 2,
          gate: 'dry fit',
          caution: CARBON,
          hand: through.map(({ line }) => say`${line.stock.name}, ${q(2 * line.to, 'mm', 0)}`),
        }),
      )
    if (!plugged.length)
      steps.push(
        step({
          id: 'halves',
          kind: 'halves',
          bench: 'whole',
          subject: { surface: 'wing' },
          title: 'Join the halves of the wing',
          how: [
            'One half flat on the table, the other tip propped to twice the dihedral; root faces closed all round.',
            'Look from ahead and from behind before it sets.',
          ],
          touches: halves.map(chain => chain.pieces[0].id),
          joins: [[halves[0].pieces[0].id, halves[1].pieces[0].id]],
          parts: through.map(({ line }) => line.spar.id),
          at: () => at,
          from: [0, -120, 0],
          glue: 'spars',
          glueMm: () =>
            rim(halves[0].pieces[0], halves[0].pieces[0].from) +
            through.reduce((sum, { line }) => sum + 2 * line.to, 0),
          minutes: MINUTES.halves,
          hand: ['blocks to prop a tip', 'weights'],
        }),
      )
  }
  const under = (body?.pieces ?? [])
    .filter(piece => root.lead < piece.to && root.lead + root.chord > piece.from)
    .map(piece => piece.id)
  if (body && under.length)
    steps.push(
      step({
        id: 'set-wing',
        kind: 'set-wing',
        bench: 'whole',
        subject: { surface: 'wing' },
        title: site.wingOff
          ? 'Wing on the body, bolted'
          : plugged.length
            ? 'Wing halves plugged to the body'
            : 'Glue the wing to the body',
        how: [
          say`Incidence ${q(doc.wing.incidenceDeg, '°', 1)} in its cradle; both tips equally far from the tail's end.`,
          site.wingOff ? 'Bolts hand-tight: plastic creeps.' : 'Look again before it sets.',
        ],
        touches: [...halves.map(chain => chain.pieces[0].id), ...under],
        joins:
          site.wingOff || plugged.length
            ? []
            : halves.slice(0, 1).map(chain => [under[0], chain.pieces[0].id] as const),
        at: () => at,
        from: [0, 0, airframe.wing.origin[2] >= 0 ? 120 : -120],
        parts: plugged.map(({ line }) => line.spar.id),
        glue: site.wingOff || plugged.length ? null : 'spars',
        glueMm: () => (site.wingOff || plugged.length ? 0 : 2 * root.chord),
        minutes: MINUTES.setWing,
        gate: 'aligned',
        hand: ['incidence cradle', 'thread from tip to tail'],
      }),
    )
  return steps
}

function tailSteps(site: Site): BuildStep[] {
  const { doc } = site
  const names = (['horizontal', 'vertical'] as const).filter(part =>
    site.chains.some(chain => chain.part === part),
  )
  if (names.length === 0) return []
  const label = {
    horizontal: doc.tail.kind === 'V' ? 'V-tail' : doc.tail.kind === 'canard' ? 'canard' : 'tailplane',
    vertical: 'fin',
  }
  const chainsOf = (part: 'horizontal' | 'vertical') => site.chains.filter(chain => chain.part === part)
  const [first] = chainsOf(names[0])[0].pieces
  return [
    step({
      id: 'align.tail',
      kind: 'align',
      bench: 'whole',
      title: say`Sight the ${listed(
        names.map(part => label[part]),
        ' and the ',
      )} against the wing, dry`,
      how: [
        'From behind: tailplane level with the wing, fin square to it. Measure from each tip to the tail.',
        'Mark it all round with a pencil, so that it comes back to the same place.',
      ],
      at: () => middleOf(first),
      minutes: MINUTES.align,
      gate: 'aligned',
      hand: ['set square', 'thread', 'pencil'],
    }),
    ...names.map(part => {
      const own = chainsOf(part)
      const tip = doc.tail.kind === 'none' && part === 'vertical' && own.length === 2
      const rods = site.spars.filter(({ chain, line }) => chain.part === part && line.spar.through)
      const roots = own.map(chain => chain.pieces[0])
      return step({
        id: `tail.${part}`,
        kind: 'tail',
        bench: 'whole',
        subject: { surface: part },
        title: say`Glue the ${label[part]}${own.length === 2 && tip ? 's on' : ' on'}`,
        how: [
          'To the pencil marks; one side first, look again from behind, then the rest.',
          part === 'vertical'
            ? 'Square to the tailplane: hold it with tape to both sides.'
            : 'Weights on it, not clamps.',
        ],
        touches: roots.map(piece => piece.id),
        joins: own.length === 2 && !tip ? [[roots[0].id, roots[1].id] as const] : [],
        parts: [...new Set(rods.map(({ line }) => line.spar.id))],
        at: () => middleOf(roots[0]),
        from: part === 'vertical' ? [0, 0, 120] : [110, 0, 0],
        glue: 'spars',
        glueMm: () => roots.reduce((sum, piece) => sum + rim(piece, piece.from), 0),
        minutes: MINUTES.tail,
        gate: 'aligned',
        hand: ['set square', 'masking tape'],
      })
    }),
  ]
}

const LID_OFF: Record<string, [number, number, number]> = {
  top: [0, 0, 80],
  bottom: [0, 0, -80],
  starboard: [0, 80, 0],
  port: [0, -80, 0],
}

function lidSteps(site: Site): BuildStep[] {
  return site.airframe.pieces
    .filter(piece => piece.kind === 'lid')
    .map(lid => {
      const middle = (lid.from + lid.to) / 2
      const under = site.body?.pieces.find(piece => middle < piece.to) ?? site.body?.pieces.at(-1)
      const side = site.doc.body?.openings.find(opening => lid.id === `lid-${opening.id}`)?.side ?? 'top'
      return step({
        id: `lid.${lid.id}`,
        kind: 'lid',
        bench: 'body',
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

function finalSteps(site: Site): BuildStep[] {
  const { doc, airframe } = site
  const root = airframe.wing.stations[0]
  const middle: [number, number, number] = [root.lead + root.chord / 4, 0, airframe.wing.origin[2]]
  const propellers = doc.equipment.filter(item => item.kind === 'propeller')
  const moves =
    doc.wing.controls.length +
      (doc.tail.horizontal?.controls.length ?? 0) +
      (doc.tail.vertical?.controls.length ?? 0) >
    0
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
        'Note what it weighs and where it balances at Balance; Maiden takes it from there.',
      ],
      at: () => middle,
      minutes: MINUTES.balance,
      hand: ['scale', 'balance stand'],
    }),
  ]
}
