/**
 * Older project files brought up to the present version, before they are checked. What is not an object is
 * left as it is: the check names it.
 */

import { NO_SPECS, RECKONED, USUAL_C, type Build, type Field, type Power } from './schema'

type Loose = Record<string, unknown>
const isObject = (value: unknown): value is Loose =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
const each = (value: unknown, change: (item: Loose) => Loose): unknown =>
  Array.isArray(value) ? value.map(item => (isObject(item) ? change(item) : item)) : value

/**
 * What version 1 did not say: surfaces end flat and twist about the quarter chord, cuts are butt joints,
 * bodies have no openings.
 */
export function fromVersion1(raw: unknown): unknown {
  if (!isObject(raw)) return raw
  const surface = (value: unknown) =>
    !isObject(value)
      ? value
      : {
          ...value,
          twistAxisShare: 0.25,
          tip: { kind: 'flat', lengthMm: 10 },
          controls: each(value.controls, control => ({
            ...control,
            hinge: { kind: 'tape', count: 3, gapMm: 0.5 },
          })),
        }
  const cuts = isObject(raw.cuts)
    ? Object.fromEntries(
        Object.entries(raw.cuts).map(([part, list]) => [
          part,
          Array.isArray(list)
            ? list.map(atMm => ({ atMm, joint: { kind: 'butt', toleranceMm: 0.2 } }))
            : list,
        ]),
      )
    : raw.cuts
  return {
    ...raw,
    version: 2,
    wing: surface(raw.wing),
    cuts,
    tail: isObject(raw.tail)
      ? { ...raw.tail, horizontal: surface(raw.tail.horizontal), vertical: surface(raw.tail.vertical) }
      : raw.tail,
    body: isObject(raw.body) ? { ...raw.body, firewall: null, openings: [], saddle: null } : raw.body,
    boom: isObject(raw.boom) ? { ...raw.boom, socketMm: 30 } : raw.boom,
    zones: each(raw.zones, zone => ({
      ...zone,
      recipe: isObject(zone.recipe) ? { ...zone.recipe, brimMm: 0, infillPattern: 'lines' } : zone.recipe,
    })),
    equipment: each(raw.equipment, item => ({ ...item, pocket: null })),
    printers: each(raw.printers, printer => ({ ...printer, retractMm: 0.8, retractMmS: 35 })),
    given: [],
    calibrations: [],
  }
}

/** Recipes of projects before version 3, and of recipe files of version 1, stand on their end. */
export const recipeFromVersion1 = (recipe: unknown): unknown =>
  isObject(recipe) ? { stance: 'standing', ...recipe } : recipe

/**
 * What version 2 did not say: rods and horns, what servos and batteries can do, other wings, measured polars;
 * a top speed of 1.6 times cruise, gusts of 5 m/s, the usual launches and landings; pieces stand, spars are
 * bonded, straight and in the middle.
 */
export function fromVersion2(raw: unknown): unknown {
  if (!isObject(raw)) return raw
  const surface = (value: unknown) =>
    !isObject(value)
      ? value
      : { ...value, controls: each(value.controls, control => ({ ...control, linkage: null })) }
  const cruise = isObject(raw.brief) && typeof raw.brief.cruiseMs === 'number' ? raw.brief.cruiseMs : 12
  return {
    ...raw,
    version: 3,
    brief: isObject(raw.brief)
      ? {
          ...raw.brief,
          topSpeedMs: Math.min(100, Math.round(16 * cruise) / 10),
          gustMs: 5,
          throwMs: 8,
          bungeeN: 25,
          dropMm: 50,
          colour: 'bright',
        }
      : raw.brief,
    wing: surface(raw.wing),
    tail: isObject(raw.tail)
      ? { ...raw.tail, horizontal: surface(raw.tail.horizontal), vertical: surface(raw.tail.vertical) }
      : raw.tail,
    equipment: each(raw.equipment, item => ({ ...item, battery: null, servo: null })),
    measured: isObject(raw.measured) ? { ...raw.measured, scales: null } : raw.measured,
    wingSets: [],
    polars: [],
    gear: [],
    proofs: [],
    zones: each(raw.zones, zone => ({ ...zone, recipe: recipeFromVersion1(zone.recipe) })),
    spars: each(raw.spars, spar => ({ ...spar, fixing: 'bonded', lay: 'middle', route: 'straight' })),
  }
}

/** What version 3 did not say: the wing is held by bolts of 3 mm. */
export function fromVersion3(raw: unknown): unknown {
  if (!isObject(raw)) return raw
  const { body } = raw
  return {
    ...raw,
    version: 4,
    body: isObject(body) && isObject(body.saddle) ? { ...body, saddle: { ...body.saddle, boltMm: 3 } } : body,
  }
}

/** What version 4 did not say: pieces were known by their place, counted from the root or the nose. */
export function fromVersion4(raw: unknown): unknown {
  if (!isObject(raw)) return raw
  const place = (cut: unknown): number => (isObject(cut) && typeof cut.atMm === 'number' ? cut.atMm : 0)
  const numbered = (list: unknown): unknown => {
    if (!Array.isArray(list)) return list
    const order = [...list].sort((a, b) => place(a) - place(b))
    return list.map(cut => (isObject(cut) ? { ...cut, piece: order.indexOf(cut) + 2 } : cut))
  }
  const surface = (value: unknown) => {
    if (!isObject(value) || !Array.isArray(value.controls)) return value
    const controls = value.controls.map((control, i) =>
      isObject(control) ? { ...control, piece: i + 1 } : control,
    )
    return { ...value, controls }
  }
  return {
    ...raw,
    version: 5,
    wing: surface(raw.wing),
    tail: isObject(raw.tail)
      ? { ...raw.tail, horizontal: surface(raw.tail.horizontal), vertical: surface(raw.tail.vertical) }
      : raw.tail,
    cuts: isObject(raw.cuts)
      ? Object.fromEntries(Object.entries(raw.cuts).map(([part, list]) => [part, numbered(list)]))
      : raw.cuts,
    wingSets: each(raw.wingSets, set => ({ ...set, wing: surface(set.wing), cuts: numbered(set.cuts) })),
  }
}

/** What recipe files of version 2 did not say: beads have round sides. */
export const recipeFromVersion2 = (recipe: unknown): unknown =>
  isObject(recipe) ? { beadForm: 'rounded', ...recipe } : recipe

/**
 * What version 5 did not say: what hinges, rods, screws, straps and finish weigh. They are
 * reckoned, and beads have round sides. */
export function fromVersion5(raw: unknown): unknown {
  if (!isObject(raw)) return raw
  const { allowances } = raw
  return {
    ...raw,
    version: 6,
    zones: each(raw.zones, zone => ({ ...zone, recipe: recipeFromVersion2(zone.recipe) })),
    allowances: isObject(allowances) ? { ...allowances, smallParts: { ...RECKONED } } : allowances,
  }
}

/**
 * What recipes of version 3 said of webs in other words: a layer met one of each of two families every pitch·√2, out
 * and back or once. Now they go out and back in lanes: as many millimetres of bead as before.
 */
export function recipeFromVersion3(recipe: unknown): unknown {
  if (!isObject(recipe) || !isObject(recipe.lattice)) return recipe
  const { pitchMm, passes } = recipe.lattice
  if (typeof pitchMm !== 'number' || passes === undefined) return recipe
  const lanes = (pitchMm / Math.SQRT2) * (passes === 1 ? 2 : 1)
  return {
    ...recipe,
    lattice: { pitchMm: Math.min(300, Math.max(5, Math.round(10 * lanes) / 10)), ...WEB_DEFAULTS },
  }
}
/** Slit, overlap and lean where nothing was said of them. */
export const WEB_DEFAULTS = { slitMm: 0.04, overlapMm: 0.15, leanDeg: 45 }

/** What a printer of version 6 did not say: its own words, its spool, its hours. */
export const PRINTER_DEFAULTS = {
  filamentMm: 1.75,
  startText: '',
  endText: '',
  spool: null,
  runs: { fromH: 0, toH: 24 },
  tended: { fromH: 7, toH: 23 },
}

/**
 * What version 6 did not say: where webs stand, which are slits in the solid now; what is on the printers, when they
 * may run; which plates were printed.
 */
export function fromVersion6(raw: unknown): unknown {
  if (!isObject(raw)) return raw
  return {
    plates: [],
    accepted: [],
    fileChecks: [],
    ...raw,
    version: 7,
    zones: each(raw.zones, zone => ({ ...zone, recipe: recipeFromVersion3(zone.recipe) })),
    printers: each(raw.printers, printer => ({ ...PRINTER_DEFAULTS, ...printer })),
    spools: each(raw.spools, spool => ({ name: spool.id, ...spool })),
  }
}

/** A build that was not begun, in the glues that most people take. */
export const NOT_BUILT: Build = {
  glues: { joints: 'ca-activator', spars: 'epoxy-5', hinges: 'ca-slow' },
  people: 1,
  ticks: [],
  notes: [],
  had: [],
  timers: [],
}

/** What version 7 did not say: how it is put together. */
export const fromVersion7 = (raw: unknown): unknown =>
  isObject(raw) ? { build: NOT_BUILT, ...raw, version: 8 } : raw

/** A short flight: away, up, round, and down with a quarter left. */
export const USUAL_POWER: Power = {
  plan: [
    { kind: 'launch', seconds: 6, throttlePct: null },
    { kind: 'climb', seconds: 45, throttlePct: null },
    { kind: 'cruise', seconds: 240, throttlePct: null },
    { kind: 'idle', seconds: 60, throttlePct: 0 },
  ],
  reservePct: 25,
  packC: null,
  agePct: 0,
  downDeg: 0,
  stand: [],
  learned: null,
  bladesG: [],
}

/** What stood in a field of version 8 before anybody typed there is no note: nobody is to be diagnosed by it. */
const UNTYPED = { elevatorTrimDeg: 0, aileronTrimDeg: 0, usedMah: 0, motorC: 20 }
const unnoted = (flight: Loose): Loose =>
  Object.fromEntries(
    Object.entries(UNTYPED).flatMap(([field, value]) => (flight[field] === value ? [[field, null]] : [])),
  )

/** What version 8 did not say: what motors, controllers and propellers are; how it is flown on a charge. */
export const fromVersion8 = (raw: unknown): unknown =>
  isObject(raw)
    ? {
        power: USUAL_POWER,
        ...raw,
        version: 9,
        flights: each(raw.flights, flight => ({
          glideRatio: null,
          signs: [],
          ...flight,
          ...unnoted(flight),
        })),
        equipment: each(raw.equipment, item => ({
          ...NO_SPECS,
          ...item,
          battery: isObject(item.battery)
            ? { resistanceOhm: null, continuousC: USUAL_C, ...item.battery }
            : (item.battery ?? null),
        })),
      }
    : raw

/** Nothing of the field yet; bolts, hinges and horns are looked at every tenth flight. */
export const NO_FIELD: Field = {
  date: null,
  airC: null,
  pressureHpa: null,
  windMs: null,
  gustMs: null,
  pack: null,
  chargePct: null,
  packs: [],
  packed: [],
  rules: [],
  looks: [],
  flown: null,
  lookEvery: 10,
}

/** What a flight of version 9 did not say. */
const UNSAID_FLIGHT = {
  startedAt: null,
  airC: null,
  pack: null,
  leftPct: null,
  landing: null,
}

/** What version 9 did not say: the day's air, packs, what broke, wishes. The wind moves to the field. */
export const fromVersion9 = (raw: unknown): unknown => {
  if (!isObject(raw)) return raw
  const { windMs = null, ...measured } = isObject(raw.measured) ? raw.measured : { windMs: null }
  return {
    field: { ...NO_FIELD, windMs },
    tracks: [],
    damages: [],
    wishes: [],
    ...raw,
    version: 10,
    measured: isObject(raw.measured) ? { dragShare: null, ...measured } : raw.measured,
    flights: each(raw.flights, flight => ({ ...UNSAID_FLIGHT, ...flight })),
  }
}

/** What version 10 did not say: nothing is drawn over. */
export const fromVersion10 = (raw: unknown): unknown =>
  isObject(raw) ? { tracings: [], ...raw, version: 11 } : raw

/** What version 11 did not say: one body and one boom are all. */
export const fromVersion11 = (raw: unknown): unknown =>
  isObject(raw)
    ? {
        pods: [],
        ...raw,
        version: 12,
        boom: isObject(raw.boom) ? { yMm: 0, ...raw.boom } : raw.boom,
      }
    : raw

/** What version 12 did not say: every piece follows its zone. */
export const fromVersion12 = (raw: unknown): unknown =>
  isObject(raw) ? { asPrinted: [], ...raw, version: 13 } : raw

/** What version 13 did not say: nobody asked how it travels, and springs had a rate alone. */
export const fromVersion13 = (raw: unknown): unknown =>
  isObject(raw)
    ? {
        ...raw,
        version: 14,
        brief: isObject(raw.brief) ? { travelBoxMm: null, ...raw.brief } : raw.brief,
        gear: each(raw.gear, leg => ({ coil: null, ...leg })),
      }
    : raw

/** What version 14 did not say: every zone is a printed shell, and no pod is a duct. */
export const fromVersion14 = (raw: unknown): unknown =>
  isObject(raw)
    ? {
        ...raw,
        version: 15,
        zones: each(raw.zones, zone => ({ ribs: null, ...zone })),
        pods: each(raw.pods, pod => ({ duct: null, ...pod })),
      }
    : raw

/** What recipes of projects before version 16, and of files before version 5, did not say: all of a chord is alike. */
export const recipeFromVersion4 = (recipe: unknown): unknown =>
  isObject(recipe) ? { denser: null, printedSpar: null, ...recipe } : recipe

/** What version 15 did not say of recipes, wherever one stands. */
export const fromVersion15 = (raw: unknown): unknown => {
  if (!isObject(raw)) return raw
  const brought = (list: unknown) =>
    each(list, item => ({ ...item, recipe: recipeFromVersion4(item.recipe) }))
  return {
    ...raw,
    version: 16,
    zones: brought(raw.zones),
    accepted: brought(raw.accepted),
    asPrinted: brought(raw.asPrinted),
  }
}

/** What version 16 did not say: nothing is cut from sheet. */
export const fromVersion16 = (raw: unknown): unknown =>
  isObject(raw) ? { ...raw, version: 17, zones: each(raw.zones, zone => ({ sheet: null, ...zone })) } : raw

/** What version 17 did not say: one wing is all, its tips end as they are, and nothing struts it. */
export const fromVersion17 = (raw: unknown): unknown =>
  isObject(raw)
    ? {
        second: null,
        winglets: null,
        struts: [],
        ...raw,
        version: 18,
        cuts: isObject(raw.cuts) ? { second: [], winglet: [], ...raw.cuts } : raw.cuts,
      }
    : raw

/** What version 18 did not say: every wheel is bought, and tails are glued on. */
export const fromVersion18 = (raw: unknown): unknown =>
  isObject(raw)
    ? {
        ...raw,
        version: 19,
        gear: each(raw.gear, leg => ({ printedWheel: null, ...leg })),
        tail: isObject(raw.tail) ? { screws: 0, ...raw.tail } : raw.tail,
      }
    : raw

/** What version 19 did not say: no air runs through the body, motors stay as they are, and no tail is pushed in. */
export const fromVersion19 = (raw: unknown): unknown =>
  isObject(raw)
    ? {
        duct: null,
        tilt: null,
        ...raw,
        version: 20,
        tail: isObject(raw.tail) ? { slots: false, ...raw.tail } : raw.tail,
      }
    : raw

const STEPS = [
  fromVersion1,
  fromVersion2,
  fromVersion3,
  fromVersion4,
  fromVersion5,
  fromVersion6,
  fromVersion7,
  fromVersion8,
  fromVersion9,
  fromVersion10,
  fromVersion11,
  fromVersion12,
  fromVersion13,
  fromVersion14,
  fromVersion15,
  fromVersion16,
  fromVersion17,
  fromVersion18,
  fromVersion19,
]

/** Any older version, step by step. */
export function migrate(raw: Loose): unknown {
  const version = raw.version
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1) return raw
  return STEPS.slice(version - 1).reduce<unknown>((value, step) => step(value), raw)
}
