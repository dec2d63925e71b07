/** The main body and the pods, each where it stands. mm */
import type { Body } from '../../document'
import { podPrefix, type BodyLoft } from '../../geometry'
import type { Designed } from './designed'

export interface StandingBody {
  /** As it is called in a sentence; the main one is "body". */
  name: string
  main: boolean
  /** What the ids of its printed pieces begin with, and those of its lids. */
  pieces: string
  lids: string
  /** In the aircraft's x and z. */
  body: Body
  loft: BodyLoft
  /** Its plane of symmetry; two of a pair. */
  ys: readonly number[]
}

export const bodiesOf = ({ doc, body, pods }: Pick<Designed, 'doc' | 'body' | 'pods'>): StandingBody[] => [
  ...(doc.body && body
    ? [{ name: 'body', main: true, pieces: 'body-', lids: 'lid-', body: doc.body, loft: body, ys: [0] }]
    : []),
  ...pods.map(({ pod, body: own, loft }) => ({
    name: pod.name,
    main: false,
    pieces: podPrefix(pod),
    lids: `${podPrefix(pod)}lid-`,
    body: own,
    loft,
    ys: pod.pair ? [pod.yMm, -pod.yMm] : [pod.yMm],
  })),
]
