/**
 * What aircraft are for, and the habits of practice that go with it. They are where sizing begins, not laws:
 * every figure that comes of them is assessed.
 */

export type PurposeId = 'gentle' | 'glider' | 'camera' | 'aerobatic' | 'fast' | 'indoor' | 'carrier' | 'jet'

export type LayoutId =
  | 'boom-and-pod'
  | 'full-body'
  | 'v-tail'
  | 't-tail'
  | 'flying-wing'
  | 'canard'
  | 'twin'
  | 'pusher'
  | 'biplane'
  | 'fan-over'
  | 'fan-pair'

export interface Purpose {
  label: string
  /** What a project of it is called at first. */
  noun: string
  /** One plain sentence of what it does. */
  means: string
  stallMs: number
  /** Cruise and top speed over the stall. */
  cruise: number
  top: number
  payloadG: number
  windMs: number
  spanMaxMm: number
  /** Smaller ones are twitchy, and their bays and edges come out too thin. */
  leastSpanMm: number
  loadFactor: number
  aspect: number
  /** Tip chord over root chord. */
  taper: number
  section: string
  dihedralDeg: number
  washoutDeg: number
  /** Static thrust over weight. */
  pull: number
  /** Of motor in one flight. */
  minutes: number
  /** Of them climbing, and then with the motor off, s. */
  climbS: number
  idleS: number
  marginPct: [number, number]
  tailVolume: number
  finVolume: number
  /** Tail arm over mean chord. */
  arm: number
  gustMs: number
  /** Width of the bead of wings and tails, mm. */
  beadMm: number
  /** Distance of lanes of webs in the wing, mm. */
  webMm: number
  /** Without them the rudder turns it, by more dihedral. */
  ailerons: boolean
  layouts: readonly LayoutId[]
}

/** Entries of one kind in a drawer. */
export const BATTERIES_AT_MOST = 60

const usual = {
  climbS: 45,
  idleS: 60,
  payloadG: 0,
  windMs: 5,
  taper: 0.7,
  washoutDeg: 2,
  marginPct: [8, 18] as [number, number],
  tailVolume: 0.55,
  finVolume: 0.035,
  arm: 3,
  gustMs: 5,
  beadMm: 0.45,
  webMm: 32,
  ailerons: true,
}

export const PURPOSES: Record<PurposeId, Purpose> = {
  gentle: {
    ...usual,
    label: 'A gentle first model',
    noun: 'First model',
    means: 'is slow, forgiving and easy to mend',
    stallMs: 7,
    cruise: 1.6,
    top: 2.4,
    windMs: 4,
    spanMaxMm: 1300,
    leastSpanMm: 800,
    loadFactor: 4,
    aspect: 6.5,
    taper: 0.8,
    section: 'naca4412',
    dihedralDeg: 5,
    pull: 0.6,
    minutes: 9,
    layouts: ['boom-and-pod', 'full-body', 'v-tail', 't-tail', 'biplane'],
  },
  glider: {
    ...usual,
    label: 'A glider with a motor',
    noun: 'Glider',
    means: 'climbs for half a minute and glides for as long as it can',
    stallMs: 7,
    cruise: 1.4,
    top: 2.8,
    spanMaxMm: 1800,
    leastSpanMm: 1000,
    loadFactor: 6,
    aspect: 10,
    taper: 0.62,
    section: 'naca4411',
    dihedralDeg: 4,
    pull: 0.5,
    minutes: 4,
    climbS: 120,
    idleS: 900,
    arm: 3.6,
    tailVolume: 0.5,
    finVolume: 0.03,
    layouts: ['boom-and-pod', 't-tail', 'v-tail', 'flying-wing'],
  },
  camera: {
    ...usual,
    label: 'A slow camera carrier',
    noun: 'Camera carrier',
    means: 'carries a camera for a long quiet flight',
    stallMs: 8,
    cruise: 1.5,
    top: 2.2,
    payloadG: 80,
    spanMaxMm: 1500,
    leastSpanMm: 900,
    loadFactor: 4,
    aspect: 7.5,
    section: 'naca4412',
    dihedralDeg: 4,
    pull: 0.6,
    minutes: 15,
    layouts: ['boom-and-pod', 'v-tail', 'full-body', 'canard', 'flying-wing', 'twin', 'pusher'],
  },
  aerobatic: {
    ...usual,
    label: 'An aerobatic model',
    noun: 'Aerobat',
    means: 'flies the same either way up and pulls hard',
    stallMs: 9.5,
    cruise: 1.8,
    top: 2.8,
    spanMaxMm: 1100,
    leastSpanMm: 700,
    loadFactor: 8,
    aspect: 5.2,
    taper: 0.65,
    section: 'naca1413',
    dihedralDeg: 1,
    washoutDeg: 1,
    pull: 1.1,
    minutes: 6,
    marginPct: [5, 14],
    tailVolume: 0.5,
    finVolume: 0.045,
    arm: 2.7,
    layouts: ['full-body', 'boom-and-pod', 'v-tail', 'flying-wing', 'biplane'],
  },
  fast: {
    ...usual,
    label: 'A fast one',
    noun: 'Fast one',
    means: 'is small, stiff and quick',
    stallMs: 10.5,
    cruise: 2,
    top: 3.2,
    windMs: 7,
    spanMaxMm: 1000,
    leastSpanMm: 600,
    loadFactor: 8,
    aspect: 5.8,
    taper: 0.62,
    section: 'naca2411',
    dihedralDeg: 2,
    washoutDeg: 1.5,
    pull: 0.9,
    minutes: 5,
    marginPct: [6, 15],
    tailVolume: 0.45,
    arm: 2.7,
    layouts: ['flying-wing', 'v-tail', 'full-body', 'boom-and-pod'],
  },
  jet: {
    ...usual,
    label: 'A ducted-fan jet',
    noun: 'Jet',
    means: 'looks and sounds fast, and wants room to land',
    stallMs: 10,
    cruise: 1.8,
    top: 2.8,
    windMs: 6,
    spanMaxMm: 1300,
    leastSpanMm: 700,
    loadFactor: 6,
    aspect: 5.6,
    taper: 0.6,
    section: 'naca2411',
    dihedralDeg: 2,
    washoutDeg: 1.5,
    pull: 0.65,
    minutes: 4,
    climbS: 20,
    tailVolume: 0.5,
    finVolume: 0.04,
    arm: 2.9,
    layouts: ['fan-over', 'fan-pair'],
  },
  indoor: {
    ...usual,
    label: 'A light one for the hall',
    noun: 'Hall flyer',
    means: 'is slow and light enough to turn within a large hall',
    stallMs: 6,
    cruise: 1.4,
    top: 2.2,
    windMs: 0,
    spanMaxMm: 900,
    leastSpanMm: 500,
    loadFactor: 3,
    aspect: 5,
    taper: 0.8,
    section: 'naca4410',
    dihedralDeg: 8,
    pull: 0.6,
    minutes: 6,
    gustMs: 1,
    beadMm: 0.4,
    webMm: 50,
    ailerons: false,
    arm: 2.6,
    tailVolume: 0.45,
    finVolume: 0.03,
    layouts: ['boom-and-pod', 'v-tail'],
  },
  carrier: {
    ...usual,
    label: 'A load carrier',
    noun: 'Load carrier',
    means: 'takes as much as possible from one meadow to another',
    stallMs: 9.5,
    cruise: 1.5,
    top: 2.1,
    payloadG: 300,
    spanMaxMm: 1600,
    leastSpanMm: 900,
    loadFactor: 4,
    aspect: 6.5,
    taper: 0.75,
    section: 'naca4413',
    dihedralDeg: 4,
    pull: 0.65,
    minutes: 8,
    tailVolume: 0.6,
    layouts: ['boom-and-pod', 'full-body', 'v-tail', 'canard', 'twin'],
  },
}
