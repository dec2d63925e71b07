/** What goes in: batteries, receivers, motors, payload; through hatches, bays and open ends. */
import type { Equipment } from '../../document'
import { podPrefix } from '../../geometry'
import { say, type Words } from '../../units'
import type { Access, Pocket, Site } from './site'
import type { BuildStep } from './step'
import { MINUTES, step, LIVE, LITHIUM, sideSign } from './step-kit'

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

export function putIn({ item, piece, through, shutIn }: Access): BuildStep {
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

export const pocketStep = ({ item, chain, piece }: Pocket): BuildStep =>
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

/** The pods that a pair of motors stands before. */
const podsBehind = (item: Equipment, { pods }: Site['airframe']) =>
  item.pair ? pods.find(({ pod }) => pod.pair && Math.abs(pod.yMm - item.yMm) < 20) : undefined

const mountedOn = (item: Equipment, airframe: Site['airframe'], body: Site['body']): string[] => {
  const own = podsBehind(item, airframe)
  if (!own) return body ? [body.pieces[0].id] : []
  return (['starboard', 'port'] as const).flatMap(side => {
    const first = airframe.pieces
      .filter(piece => piece.id.startsWith(podPrefix(own.pod)) && piece.kind === 'fixed')
      .filter(piece => piece.side === side)
      .sort((a, b) => a.from - b.from)[0]
    return first ? [first.id] : []
  })
}

export function looseSteps({ airframe, doc, loose, body }: Site): BuildStep[] {
  return loose
    .filter(item => item.kind !== 'propeller' && item.kind !== 'servo')
    .map(item => {
      const beside = item.kind === 'motor' ? podsBehind(item, airframe)?.body : undefined
      const wall = item.kind === 'motor' && (beside ?? doc.body)?.firewall
      return step({
        id: `put.${item.id}`,
        kind: item.kind === 'motor' ? 'motor' : 'put-in',
        bench: item.kind === 'motor' && body && !beside ? 'body' : 'whole',
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
        touches: item.kind === 'motor' ? mountedOn(item, airframe, body) : [],
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
