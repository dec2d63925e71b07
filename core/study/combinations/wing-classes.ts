/**
 * What the wing bears, by how it is built and what the whole aircraft weighs. Ways to build it are few
 * against all combinations, and for each the reserve is a smooth function of mass: the real kernel is run at
 * masses half a percent apart, and 1/reserve runs straight between.
 */
import { surfaceOf } from '../../document'
import { MODE_GIVES, type Gives, decide, stationModes } from '../../structure'
import { degToRad, mToMm } from '../../units'
import { indexIn, type Tables } from './tables'
import { rootHeld, type Airframe } from '../../assessment/resolve'
import {
  boltPull,
  braced,
  strutPlaces,
  wingCases,
  gearOf,
  mainLegs,
  loadsOf,
  type createWingBearing,
  type WingBearing,
  type WingSurface,
  liftLoads,
  shareOf,
  loadAt,
  weightLoads,
  type WingLoads,
} from '../../assessment/strength'
import type { createStall, Flown } from '../../assessment/flight'
import { sparEntries } from '../../assessment/ledger'
import type { LoadsReport } from '../../assessment/report'
import { SPREAD_OF } from '../../assessment/findings'

/** Masses at which the kernel is run lie so far apart. */
const STEP = 0.0025
/**
 * Places and cases whose share of what they bear stays under this part of the greatest are left out, but at
 * the first of so many masses.
 */
const NEAR = 0.88,
  BAND = 8

/** Ways to build the wing that are held at once. */
const KEPT = 600

/**
 * At one mass: how much of what it bears is used up (1/reserve), by what kind of stuff, and what the wing
 * hands to the body.
 */
export interface WingState {
  used: number
  /** Spread of the reserve, as a share, of the mode that decides. */
  spread: number
  /** N on the bolt that bears most, and its place, m; 0 without bolts. */
  pull: number
  boltX: number
  /** N on the edges of the seat. */
  pressed: number
  /** The landing's braking over the weight. */
  factor: number
  /** Greatest load factor in flight, and the least. */
  n: number
  least: number
  /** Shares of the weight that two wings bear; all and none of one alone. */
  firstShare: number
  secondShare: number
}

export interface WingClasses {
  /** Dimensions that the wing's strength depends on, besides mass. */
  dims: readonly number[]
  stateAt(picks: ArrayLike<number>, mass: number, cg: number): WingState
  /** Ways to build the wing so far, and runs of the kernel. */
  counts(): { classes: number; runs: number }
}

interface Node {
  mass: number
  stallMs: number
  loads: LoadsReport
  byPlaces: WeakMap<readonly number[], ReturnType<typeof liftLoads>>
  alpha: number
}

interface Built {
  airframe: Airframe
  /** The wing, and a second one behind it. */
  wings: Array<{ bearing: WingBearing; weight: Pick<WingLoads, 'weight' | 'parts'> }>
  near: Map<number, Array<[number, number, number]>>
  states: Array<WingState | undefined>
}

export interface WingInput {
  tables: Tables
  flown: Pick<Flown, 'solved' | 'models'>
  stall: ReturnType<typeof createStall>
  bearing: ReturnType<typeof createWingBearing>
  massFrom: number
}

/** Pieces of wings, and pods, which hang on them. */
const ON_WING: readonly string[] = ['wing', 'second', 'winglet', 'pod']
const onWing = ({ part }: { part: string }): boolean => ON_WING.includes(part)

/**
 * Dimensions that decide how the wing is built: zones of its pieces and of the legs that land it, and its
 * spars.
 */
export function wingDims({ list, doc, pieces }: Pick<Tables, 'list' | 'doc' | 'pieces'>): number[] {
  const zones = new Set([
    ...pieces.filter(({ piece }) => onWing(piece)).map(({ piece }) => piece.zone.id),
    ...(['wing', 'second', 'winglet'] as const).flatMap(
      name => surfaceOf(doc, name)?.panels.map(panel => panel.zone) ?? [],
    ),
    ...doc.gear.map(leg => leg.zone),
  ])
  return list.flatMap((item, k) =>
    (zones.has(item.key.slice(5)) && item.key.startsWith('zone:')) ||
    doc.spars.some(
      spar => item.key === `spar:${spar.id}` && (spar.surface === 'wing' || spar.surface === 'second'),
    )
      ? [k]
      : [],
  )
}

export function wingClasses({ tables, flown, stall, bearing, massFrom }: WingInput): WingClasses {
  const { list, doc } = tables,
    dims = wingDims(tables)
  const nodes = new Map<number, Node>(),
    built = new Map<string, Built>()
  let runs = 0,
    ways = 0
  // The lightest possible is node 0; heavier ones follow in equal shares.
  const indexOf = (mass: number) => Math.log(mass / massFrom) / Math.log1p(STEP)
  const nodeAt = (k: number, airframe: Airframe): Node => {
    const known = nodes.get(k)
    if (known) return known
    const mass = massFrom * (1 + STEP) ** k
    const { speedMs, alphaDeg } = stall(airframe, flown.solved, flown.models, mass).report
    const node = {
      mass,
      stallMs: speedMs,
      alpha: degToRad(alphaDeg),
      loads: loadsOf(airframe, flown.solved, mass, speedMs),
      byPlaces: new WeakMap(),
    }
    nodes.set(k, node)
    return node
  }
  const build = (picks: readonly number[]): Built => {
    const airframe = tables.airframeAt(picks)
    const entries = [
      ...tables.pieces
        .filter(({ piece }) => onWing(piece))
        .flatMap(({ dims: own, parts }) => parts[indexIn(own, list, picks)].entries),
      ...sparEntries(airframe),
    ]
    const wings = (['wing', 'second'] as const).filter(name => airframe.surfaces[name])
    return {
      airframe,
      wings: wings.map(name => {
        const own = bearing(airframe, name)
        return { bearing: own, weight: weightLoads(airframe, own.loft, entries, own.places) }
      }),
      near: new Map(),
      states: [],
    }
  }
  const run = (own: Built, k: number, cg: number): WingState => {
    runs++
    const { airframe } = own,
      node = nodeAt(k, airframe)
    const liftOn = ({ loft, places }: WingBearing) => {
      const known = node.byPlaces.get(places)
      if (known) return known
      const lift = liftLoads(loft, flown.solved, flown.models[loft.name]!, node.mass, node.alpha, places)
      node.byPlaces.set(places, lift)
      return lift
    }
    const gear = gearOf(airframe, node.mass, mToMm(cg))
    const { along: alongs, pulls } = braced(
      airframe.struts,
      own.wings.map(({ bearing: bears, weight }) => ({
        bears,
        along: { places: bears.places, ...liftOn(bears), ...weight },
      })),
      w => w === 0 || rootHeld(airframe.surfaces.second!, airframe.body, airframe.boom),
    )
    const loaded = own.wings.map(({ bearing: bears }, w) => ({
      bears,
      along: alongs[w],
      cases: wingCases(
        airframe,
        node.loads,
        gear.report,
        node.mass,
        node.stallMs,
        bears.loft.name as WingSurface,
      ),
    }))
    const usedAt = (w: number, i: number, c: number) => {
      const { bears, along, cases } = loaded[w],
        { sections, builds, zones } = bears
      const { reserve, mode } = decide(
        stationModes(
          sections[i],
          builds[i],
          zones[i].recipe,
          loadAt(along, i, cases[c].flying, builds[i].shear.centre.x),
          doc.brief.safetyFactor,
        ),
      )
      return { used: 1 / Math.max(1e-9, reserve), mode }
    }
    let used = 0,
      spread = 0
    const take = (share: number, gives: Gives) => {
      if (share <= used) return
      used = share
      spread = SPREAD_OF[gives]
    }
    const band = Math.floor(k / BAND),
      near = own.near.get(band)
    if (!near) {
      const all = loaded.flatMap(({ bears, cases }, w) =>
        bears.sections.flatMap((_, i) => cases.map((__, c) => ({ w, i, c, ...usedAt(w, i, c) }))),
      )
      const most = all.reduce((best, item) => Math.max(best, item.used), 0)
      own.near.set(
        band,
        all.filter(item => item.used >= NEAR * most).map(({ w, i, c }) => [w, i, c]),
      )
      for (const item of all) take(item.used, MODE_GIVES[item.mode])
    } else {
      for (const [w, i, c] of near) {
        const { used: share, mode } = usedAt(w, i, c)
        take(share, MODE_GIVES[mode])
      }
    }
    for (const place of [...gear.places, ...strutPlaces(airframe, pulls, loaded[0].cases)])
      take(1 / Math.max(1e-9, place.reserve), place.gives)
    const sides = airframe.wing.mirror ? 2 : 1,
      { lift: air, weight } = loaded[0].along
    const bolt = boltPull(airframe, {
      lift: sides * node.loads.governing.n * (air.shear[0] - weight.shear[0]),
      moment: -sides * node.loads.governing.n * (air.turning[0] - weight.turning[0]),
    })
    return {
      used,
      spread,
      pull: bolt?.pull ?? 0,
      boltX: bolt?.x ?? 0,
      pressed: gear.report.on === 'net' ? 0 : sides * gear.report.factor * weight.shear[0],
      factor: gear.report.factor,
      n: node.loads.governing.n,
      least: Math.min(0, ...node.loads.corners.map(corner => corner.n)),
      firstShare: shareOf(flown.solved, 'wing', node.alpha),
      secondShare: airframe.surfaces.second ? shareOf(flown.solved, 'second', node.alpha) : 0,
    }
  }
  const state: WingState = {
    used: 0,
    spread: 0,
    pull: 0,
    boltX: 0,
    pressed: 0,
    factor: 0,
    n: 0,
    least: 0,
    firstShare: 1,
    secondShare: 0,
  }
  // The last way to build it is asked for again and again.
  let lastKey = '',
    last: Built | null = null
  return {
    dims,
    counts: () => ({ classes: ways, runs }),
    stateAt(picks, mass, cg) {
      const mains =
        doc.gear.length > 1
          ? mainLegs(doc.gear, mToMm(cg))
              .map(leg => leg.id)
              .join()
          : ''
      const key = `${indexIn(dims, list, picks)}|${mains}`
      if (key !== lastKey || !last) {
        last = built.get(key) ?? build(Array.from(list, (_, k) => (dims.includes(k) ? picks[k] : 0)))
        // Gone through one after another, they do not come back but for the points that are kept.
        if (built.size >= KEPT && !built.has(key)) built.delete(built.keys().next().value!)
        if (!built.has(key)) ways++
        built.set(key, last)
        lastKey = key
      }
      const place = Math.max(0, indexOf(mass)),
        k = Math.floor(place)
      const a = (last.states[k] ??= run(last, k, cg)),
        b = (last.states[k + 1] ??= run(last, k + 1, cg))
      // Straight in mass itself.
      const from = massFrom * (1 + STEP) ** k,
        t = (mass - from) / (from * STEP)
      state.used = a.used + (b.used - a.used) * t
      state.spread = t < 0.5 ? a.spread : b.spread
      state.pull = a.pull + (b.pull - a.pull) * t
      state.boltX = t < 0.5 ? a.boltX : b.boltX
      state.pressed = a.pressed + (b.pressed - a.pressed) * t
      state.factor = a.factor + (b.factor - a.factor) * t
      state.n = a.n + (b.n - a.n) * t
      state.least = a.least + (b.least - a.least) * t
      state.firstShare = a.firstShare + (b.firstShare - a.firstShare) * t
      state.secondShare = a.secondShare + (b.secondShare - a.secondShare) * t
      return state
    },
  }
}
