/**
 * One combination's figures from its sums: what it weighs, where it balances, what it bears, and what of what
 * must hold it does not. SI inside.
 */
import { kgToG, mToMm } from '../../units'
import type { Held, heldPlaces } from './held-places'
import { chanceOf } from './robust'
import { addGlue, COST, HOURS, MASS, MOMENT, SOFT, spreadOf, UNPRINTABLE } from './sums'
import type { Tables } from './tables'
import type { Vary } from './vary'
import type { WingClasses } from './wing-classes'

/** What can bind, in the order in which it is named. */
export const KINDS = ['weight', 'balance', 'strength', 'hours', 'cost', 'heat', 'shelf', 'printer'] as const
export type Kind = (typeof KINDS)[number]

export interface Weighed {
  massG: number
  /** mm aft of the nose, with payload and without. */
  cgMm: number
  cgEmptyMm: number
  staticMarginPct: number
  staticMarginEmptyPct: number
  hours: number
  cost: number
  reserveFactor: number
  reserveSpread: number
  /** How many things are not held, the last of them as a place in KINDS, and by how much in its own unit. */
  missed: number
  kind: number
  excess: number
}

export interface Aims {
  neutralPointMm: number
  neutralPointSigmaMm: number
  macMm: number
  foreMm: number
  aftMm: number
}

export interface Weigher {
  /**
   * `sums` is a vector's deciding part without glue; it is changed. With `always`, strength is found even
   * where two other things are missed. Returns the same object every time.
   */
  weigh(sums: Float64Array, picks: ArrayLike<number>, always?: boolean): Weighed
  /**
   * Chance to meet all targets of the brief, of what was weighed last; `sums` is its whole vector without
   * glue.
   */
  chance(sums: Float64Array): number
}

export interface WeigherInput {
  tables: Tables
  classes: WingClasses
  held: ReturnType<typeof heldPlaces>
  aims: Aims
  must: Vary['must']
}

export function createWeigher({ tables, classes, held, aims, must }: WeigherInput): Weigher {
  const { doc, layout, dropping } = tables,
    { glueShare } = doc.allowances,
    { brief } = doc
  const onShelf = layout.filaments.map(id =>
    doc.spools.filter(spool => spool.filament === id).reduce((sum, spool) => sum + spool.massG, 0),
  )
  const [low, high] = must.staticMarginPct ?? [-Infinity, Infinity]
  const most = {
      mass: must.massMaxG ?? Infinity,
      hours: must.hoursMax ?? Infinity,
      cost: must.costMax ?? Infinity,
    },
    reserveMin = must.reserveMin ?? -Infinity
  const out: Weighed = {
    massG: 0,
    cgMm: 0,
    cgEmptyMm: 0,
    staticMarginPct: 0,
    staticMarginEmptyPct: 0,
    hours: 0,
    cost: 0,
    reserveFactor: 0,
    reserveSpread: 0,
    missed: 0,
    kind: -1,
    excess: 0,
  }
  const other: Held = { reserve: 0, spread: 0 }
  const miss = (kind: number, excess: number) => {
    out.missed++
    out.kind = kind
    out.excess = excess
  }
  return {
    weigh(sums, picks, always = false) {
      addGlue(sums, layout, glueShare)
      const mass = sums[MASS],
        cg = sums[MOMENT] / mass,
        lighter = mass - dropping.mass
      out.massG = kgToG(mass)
      out.cgMm = mToMm(cg)
      out.cgEmptyMm = dropping.mass > 0 ? mToMm((sums[MOMENT] - dropping.moment) / lighter) : out.cgMm
      out.staticMarginPct = (100 * (aims.neutralPointMm - out.cgMm)) / aims.macMm
      out.staticMarginEmptyPct = (100 * (aims.neutralPointMm - out.cgEmptyMm)) / aims.macMm
      out.hours = sums[HOURS]
      out.cost = sums[COST]
      out.missed = 0
      out.kind = -1
      out.excess = 0
      if (out.massG > most.mass) miss(0, out.massG - most.mass)
      const outside = Math.max(
        low - out.staticMarginPct,
        low - out.staticMarginEmptyPct,
        out.staticMarginPct - high,
        out.staticMarginEmptyPct - high,
      )
      if (outside > 0) miss(1, outside)
      if (out.hours > most.hours) miss(3, out.hours - most.hours)
      if (out.cost > most.cost) miss(4, out.cost - most.cost)
      if (sums[SOFT] > 0) miss(5, sums[SOFT])
      let short = 0
      for (let f = 0; f < onShelf.length; f++) short += Math.max(0, sums[layout.wantedAt + f] - onShelf[f])
      if (short > 0) miss(6, short)
      if (sums[UNPRINTABLE] > 0) miss(7, sums[UNPRINTABLE])
      if (out.missed > 1 && !always) return out
      const wing = classes.stateAt(picks, mass, cg)
      held(sums, picks, wing, other)
      const own = 1 / Math.max(1e-4, wing.used)
      out.reserveFactor = Math.min(own, other.reserve)
      out.reserveSpread = own <= other.reserve ? wing.spread : other.spread
      if (out.reserveFactor < reserveMin) miss(2, reserveMin - out.reserveFactor)
      return out
    },
    chance(sums) {
      addGlue(sums, layout, glueShare)
      const spread = spreadOf(sums, layout)
      return chanceOf({
        massG: out.massG,
        massTargetG: brief.targetMassG,
        massSigmaG: kgToG(spread.mass),
        cgMm: [out.cgMm, out.cgEmptyMm],
        foreMm: aims.foreMm,
        aftMm: aims.aftMm,
        cgSigmaMm: mToMm(spread.x),
        neutralPointSigmaMm: aims.neutralPointSigmaMm,
        correlation: spread.correlation,
        reserve: out.reserveFactor,
        reserveSpread: out.reserveSpread,
        hours: out.hours,
        hoursTarget: brief.printHours,
      })
    },
  }
}
