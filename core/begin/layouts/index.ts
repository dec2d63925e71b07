import type { Libraries } from '../../libraries'
import type { LayoutId } from '../purposes'
import type { Draft } from '../sketch'
import type { Drawn } from '../wing'
import { canard, leastFore } from './canard'
import { flyingWing, leastWing, MEAN } from './flying-wing'
import { leastAhead, pusher } from './pusher'
import { shortestFree, shortestNose, tailed } from './tailed'

export interface Layout {
  label: string
  /** One sentence for whom it is. */
  means: string
  draw(draft: Draft, libraries: Libraries): Drawn
  /** What is turned until it balances: the nose's length in mm, or the sweep in °. */
  balances: 'nose' | 'sweep'
  leastNose(draft: Draft): number
  /** A longer nose is none, mean chords. */
  mostNose: number
  /** What lies in the wing must find room in it, mm². */
  leastAreaMm2(draft: Draft): number
  /** Wider ones are not drawn: fins at tips stand up to a metre from the middle. */
  mostSpanMm: number
  /** Its halves can be made to part, for a box that its span does not go into. */
  parts: boolean
  /** Chord at the root over the mean one. */
  rootOverMean: number
  folding: boolean
  motors: number
  /** Alike, one over the other. */
  wings?: 2
  /** Fans in ducts turn instead of propellers. */
  duct?: boolean
  /** Lift over drag that its motor is first chosen by. */
  glide: number
}

const onBoom = {
  balances: 'nose' as const,
  leastNose: shortestNose,
  mostNose: 1.9,
  leastAreaMm2: () => 0,
  mostSpanMm: 4000,
  parts: true,
  rootOverMean: 1.1,
  folding: true,
  motors: 1,
  glide: 7,
}

export const LAYOUTS: Record<LayoutId, Layout> = {
  'boom-and-pod': {
    ...onBoom,
    label: 'Boom and pod',
    means: 'a short body under the wing and a carbon boom to the tail: light behind, quick to print',
    draw: (draft, libraries) => tailed(draft, { tail: 'low', onBoom: true }, libraries),
  },
  'v-tail': {
    ...onBoom,
    label: 'V-tail on a boom',
    means: 'two tail surfaces instead of three, clear of the grass',
    draw: (draft, libraries) => tailed(draft, { tail: 'V', onBoom: true }, libraries),
  },
  't-tail': {
    ...onBoom,
    label: 'T-tail on a boom',
    means: 'the tailplane on the fin: out of the grass and the wake, harder on the boom',
    draw: (draft, libraries) => tailed(draft, { tail: 'T', onBoom: true }, libraries),
  },
  'full-body': {
    ...onBoom,
    label: 'Full body',
    means: 'one body to the tail, no boom: looks like an aeroplane, weighs more behind',
    draw: (draft, libraries) => tailed(draft, { tail: 'low', onBoom: false }, libraries),
  },
  twin: {
    ...onBoom,
    leastNose: shortestFree,
    label: 'Twin, motors on the wing',
    means: 'two motors in pods ahead of the wing: the nose is free, the propellers stay out of the grass',
    motors: 2,
    draw: (draft, libraries) => tailed(draft, { tail: 'low', onBoom: true, drive: 'pods' }, libraries),
  },
  biplane: {
    ...onBoom,
    label: 'Biplane',
    means:
      'two short wings, strutted one over the other: turns tight and rolls fast, drags more, takes longer to print',
    wings: 2,
    // Struts hold both together.
    parts: false,
    glide: 5.5,
    draw: (draft, libraries) => tailed(draft, { tail: 'low', onBoom: false, biplane: true }, libraries),
  },
  pusher: {
    ...onBoom,
    leastNose: leastAhead,
    mostNose: 2.4,
    folding: false,
    label: 'Pusher on two booms',
    means: 'the motor behind the wing: a free view ahead, the propeller out of the grass; thrown with it off',
    draw: pusher,
  },
  'fan-over': {
    ...onBoom,
    leastNose: shortestFree,
    mostNose: 2.4,
    folding: false,
    duct: true,
    label: 'Ducted fan over the wing',
    means:
      'a fan in its duct on the wing, the tail out of its blast: nothing in front, nothing that strikes the ground',
    draw: (draft, libraries) => tailed(draft, { tail: 'V', onBoom: false, drive: 'fan' }, libraries),
  },
  'fan-pair': {
    ...onBoom,
    leastNose: shortestFree,
    mostNose: 2.4,
    folding: false,
    duct: true,
    motors: 2,
    label: 'Two ducted fans under the wing',
    means: 'a pair of smaller fans in ducts under the wing: the thrust line lies low, landings want grass',
    draw: (draft, libraries) => tailed(draft, { tail: 'T', onBoom: false, drive: 'fans' }, libraries),
  },
  'flying-wing': {
    label: 'Flying wing',
    means: 'no tail and no body: fewest pieces, nothing behind to break, least damping',
    draw: flyingWing,
    balances: 'sweep',
    leastNose: () => 0,
    mostNose: 0,
    leastAreaMm2: leastWing,
    mostSpanMm: 1980,
    parts: false,
    rootOverMean: 1 / MEAN,
    folding: false,
    motors: 1,
    glide: 7,
  },
  canard: {
    label: 'Canard',
    means: 'the small wing ahead lifts with the large one; motor behind, a free view ahead',
    draw: canard,
    balances: 'nose',
    leastNose: leastFore,
    mostNose: 3,
    leastAreaMm2: () => 0,
    mostSpanMm: 1980,
    parts: true,
    rootOverMean: 1.1,
    folding: false,
    motors: 1,
    glide: 7,
  },
}
