/** Where sizing begins: figures of habit for a flying weight, all of them assessed and turned afterwards. */
import type { ProjectFile } from '../document'
import { stockInertia, type Libraries, type Stock } from '../libraries'
import { GRAVITY } from '../units'
import type { Kit } from './kit'
import type { Purpose } from './purposes'
import type { Sketch } from './sketch'
import type { Wishes } from './wishes'

/** Tubes and rods for spars and joiners, in the order of what they bear, as far as they are in the drawer. */
export function sparLadder({ drawer }: Wishes, libraries: Libraries): Stock[] {
  const round = libraries.stock.filter(item => item.shape === 'round' && !item.bends && item.heightMm <= 16)
  const own = round.filter(item => drawer.stock.includes(item.id))
  return [...(own.length ? own : round)].sort((a, b) => bears(a) - bears(b))
}

/** Bending moment that breaks it, N·m. */
const bears = (stock: Stock): number => (2000 * stock.strength * stockInertia(stock)) / stock.heightMm

/** The first of a ladder that bears a moment; its last where none does. */
const leastThatBears = (ladder: readonly Stock[], moment: number): Stock =>
  ladder.find(item => bears(item) >= moment) ?? ladder[ladder.length - 1]

/** Lift of a half wing acts so far out, as a share of the half span. */
const LIFT_AT = 0.42
/** The skin takes its part from the spar. */
const SPAR_TAKES = 0.55,
  JOINER_TAKES = 0.3
/** Boom of an aircraft of 900 g, mm; of others by the cube root. */
const BOOM_MM = 12

function rootMoment(massG: number, spanMm: number, purpose: Purpose): number {
  const lift = (purpose.loadFactor * 1.5 * (massG / 1000) * GRAVITY) / 2
  return lift * LIFT_AT * (spanMm / 2000)
}

export const tubeLadder = (libraries: Libraries): Stock[] =>
  libraries.stock
    .filter(item => item.boreMm > 0 && item.shape === 'round')
    .sort((a, b) => a.heightMm - b.heightMm)

/** Spar, joiner and boom that a flying weight calls for before anything is assessed. */
export function firstStock(
  massG: number,
  spanMm: number,
  purpose: Purpose,
  wishes: Wishes,
  libraries: Libraries,
): Pick<Sketch, 'spar' | 'joiner' | 'boom'> {
  const moment = rootMoment(massG, spanMm, purpose)
  const ladder = sparLadder(wishes, libraries)
  const boomMm = BOOM_MM * Math.cbrt(massG / 900)
  return {
    spar: leastThatBears(ladder, SPAR_TAKES * moment).id,
    joiner: leastThatBears(ladder, JOINER_TAKES * moment).id,
    boom: tubeLadder(libraries).reduce((a, b) =>
      Math.abs(b.heightMm - boomMm) < Math.abs(a.heightMm - boomMm) ? b : a,
    ).id,
  }
}

export function firstSketch(
  massG: number,
  areaMm2: number,
  purpose: Purpose,
  wishes: Wishes,
  kit: Kit,
  libraries: Libraries,
): Sketch {
  const spanMm = Math.sqrt(purpose.aspect * areaMm2)
  return {
    areaMm2,
    aspect: purpose.aspect,
    noseMm: Math.max(130, (0.85 * spanMm) / purpose.aspect),
    sweepDeg: 24,
    arm: purpose.arm,
    tailDeg: 0,
    fin: 1,
    washoutDeg: purpose.washoutDeg,
    dihedralDeg: purpose.dihedralDeg,
    ...firstStock(massG, spanMm, purpose, wishes, libraries),
    reach: 0.82,
    bodyWalls: 2,
    firewallMm: 3,
    bolts: 2,
    legMm: massG < 600 ? 2 : 3,
    webMm: purpose.webMm,
    kit,
  }
}

/** What is asked of the aircraft, from the wishes and what it weighs. */
export function briefFor(
  wishes: Wishes,
  purpose: Purpose,
  stallMs: number,
  spanMm: number,
  massG: number,
  hours: number,
  topMs: number,
): ProjectFile['brief'] {
  const cruiseMs = Math.round(10 * cruiseOf(wishes, purpose, stallMs)) / 10
  return {
    targetMassG: Math.ceil((1.04 * massG) / 5) * 5,
    staticMarginPct: purpose.marginPct,
    loadFactor: purpose.loadFactor,
    safetyFactor: 1.5,
    printHours: Math.max(1, Math.ceil(1.1 * hours)),
    stallMaxMs: stallMs,
    cruiseMs,
    topSpeedMs: Math.round(10 * Math.max(topMs, purpose.top * stallMs, 1.25 * cruiseMs)) / 10,
    gustMs: purpose.gustMs,
    spanMaxMm: Math.round(spanMm),
    travelBoxMm: null,
    throwMs: 8,
    bungeeN: Math.max(25, Math.round(0.05 * massG)),
    dropMm: 40,
    colour: 'white',
    currency: '€',
    launch: wishes.launch,
    landing: wishes.landing,
    windMaxMs: wishes.windMs ?? purpose.windMs,
    fieldElevationM: wishes.fieldElevationM,
    fieldTemperatureC: wishes.fieldTemperatureC,
  }
}

/** Faster than the wind by half, so that it comes home. */
export const cruiseOf = (wishes: Wishes, purpose: Purpose, stallMs: number): number =>
  Math.max(purpose.cruise * stallMs, 1.5 * (wishes.windMs ?? purpose.windMs))
