import { written } from '../../units'
import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import { createAssessor, sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import { held, type Leg, type ProjectFile } from '../../document'
import { aircraft } from '../../testing/arbitraries'
import { eightZones, millionSpace } from '../../testing/eight-zones'
import { costOf } from '../../change'
import { designOf } from './chosen-design'
import { dominates, Front, type Objectives } from './front'
import { createStudyKernel, difference, prepare, study, type StudyPoint, type StudyState } from './study'
import { chanceOfAll } from './robust'
import { dimensions, readVary, type Vary } from './vary'
import { DEEP, runs } from '../../testing/runs'
import { cabane, interplane, twoWings } from '../../testing/two-wings'
import { wingletsFor } from '../../testing/winglets'

const [thistledown, plover] = DEMOS
const kernel = createStudyKernel()
const plain = readVary({
  zones: {
    outer: [{}, { school: 'bead-infill' }, { pitchMm: 70 }],
    centre: [{}, { walls: 2 }, { filament: 'pla-foam', school: 'beads' }],
  },
  spars: { spar: ['rod-5', 'rod-4', null] },
})
const goOn = () => true
const ready = async (doc: ProjectFile, vary: Vary) => (await prepare(kernel, doc, vary, goOn))!
const leg = (id: string, xMm: number, pair: boolean, kind: Leg['kind'], zone: string): Leg => ({
  id,
  name: id,
  kind,
  xMm,
  yMm: pair ? 25 : 0,
  zMm: -40,
  dropMm: 90,
  splayMm: pair ? 60 : 0,
  thicknessMm: kind === 'wire' ? 3 : 8,
  widthMm: 20,
  zone,
  springNmm: 1,
  travelMm: 20,
  coil: null,
  wheelMm: 55,
  tyreMm: 6,
  wheelG: 9,
  printedWheel: null,
  pair,
  mount: { lengthMm: 60, widthMm: 8, depthMm: 8 },
})
const axes = (point: StudyPoint): Objectives => [point.massG, point.hours, point.cost, point.reserveFactor]

describe('the front', () => {
  const point: fc.Arbitrary<Objectives> = fc.tuple(
    ...[0, 1, 2, 3].map(() => fc.integer({ min: 0, max: 9 })),
  ) as never
  it('is what plain comparison of all with all leaves, in whatever order they come', () => {
    fc.assert(
      fc.property(fc.array(point, { maxLength: 400 }), points => {
        const front = new Front()
        points.forEach((item, id) => front.add(...item, id))
        const left = points.flatMap((item, id) => (points.some(other => dominates(other, item)) ? [] : [id]))
        expect(front.list().sort((a, b) => a - b)).toEqual(left)
      }),
      { numRuns: 100 },
    )
  })
  it('needs one better and none worse', () => {
    expect(dominates([1, 1, 1, 1], [1, 1, 1, 1])).toBe(false)
    expect(dominates([1, 1, 1, 2], [1, 1, 1, 1])).toBe(true)
    expect(dominates([1, 2, 1, 2], [1, 1, 1, 1])).toBe(false)
  })
})

describe('the study against brute force', () => {
  it.runIf(DEEP)(
    'pieces that stay as they were printed hang on no option: points assessed again come out the same',
    async () => {
      const { pieces } = sharedAssessor().assess(plover)
      const kept: ProjectFile = {
        ...plover,
        asPrinted: held(
          plover,
          pieces.filter(piece => ['wing-1-starboard', 'wing-2-starboard'].includes(piece.id)),
          '2026-11-01',
        ),
      }
      const result = await study(kernel, kept, plain, goOn)
      expect(result.checked.points).toBeGreaterThan(3)
      expect(result.checked.worst).toBeLessThan(1e-3)
    },
  )
  it('from scratch: every combination assessed by itself, and the front of those that hold', async () => {
    const must = { staticMarginPct: [0, 30] as [number, number], reserveMin: 1, massMaxG: 430 }
    const result = await study(kernel, plover, { ...plain, must }, goOn)
    const list = dimensions(plover, plain)
    expect(result).toMatchObject({ evaluated: 27, of: 27, stopped: false })
    const scratch = createAssessor(),
      all: Array<{ key: string; axes: Objectives; holds: boolean }> = []
    for (const a of [0, 1, 2])
      for (const b of [0, 1, 2])
        for (const c of [0, 1, 2]) {
          const picks = list.map(item => (item.key === 'zone:outer' ? a : item.key === 'zone:centre' ? b : c))
          const r = scratch.assess(designOf(plover, list, picks, result.printerOf))
          const holds =
            r.strength.reserve >= 1 &&
            r.totals.massG <= 430 &&
            [r.flight.staticMarginPct, r.flight.staticMarginEmptyPct].every(pct => pct >= 0 && pct <= 30)
          all.push({
            key: picks.join(),
            axes: [r.totals.massG, r.totals.hours, costOf(r), r.strength.reserve],
            holds,
          })
        }
    const left = all.filter(
      item => item.holds && !all.some(other => other.holds && dominates(other.axes, item.axes)),
    )
    expect(result.front.map(item => item.picks.join()).sort()).toEqual(left.map(item => item.key).sort())
    for (const item of result.front) {
      const own = all.find(row => row.key === item.picks.join())!
      axes(item).forEach((value, k) =>
        expect(Math.abs(value / own.axes[k] - 1)).toBeLessThan(k === 3 ? 1e-3 : 1e-9),
      )
    }
    expect(result.front.length).toBeGreaterThan(1)
    expect(result.checked.points).toBe(Math.min(12, result.front.length))
    expect(result.checked.worst).toBeLessThan(1e-3)
    expect(all.some(item => !item.holds)).toBe(true)
  }, 120_000)

  const wide = eightZones()
  beforeAll(async () => {
    await ready(wide, millionSpace(wide))
  }, 120_000)
  it('in random spaces of up to 50 000: summed afresh one by one, each weighed by itself, all compared with all', async () => {
    const whole = millionSpace(wide)
    const cut = <T>(list: readonly T[], keep: readonly boolean[]) => {
      const left = list.filter((_, i) => keep[i])
      return left.length ? left : [list[0]]
    }
    const keep = fc.array(fc.boolean(), { minLength: 6, maxLength: 6 })
    const musts = fc.record(
      {
        reserveMin: fc.double({ min: 0.2, max: 1.4, noNaN: true }),
        staticMarginPct: fc.constant([-5, 25] as [number, number]),
        massMaxG: fc.integer({ min: 700, max: 1100 }),
      },
      { requiredKeys: [] },
    )
    const space = fc
      .tuple(fc.array(keep, { minLength: 10, maxLength: 10 }), musts)
      .map(([keeps, must]): Vary => ({
        zones: Object.fromEntries(
          Object.entries(whole.zones).map(([id, list], i) => [id, cut(list, keeps[i])]),
        ),
        spars: Object.fromEntries(
          Object.entries(whole.spars).map(([id, list], i) => [id, cut(list, keeps[8 + i])]),
        ),
        must,
      }))
      .filter(
        vary =>
          [...Object.values(vary.zones), ...Object.values(vary.spars)].reduce(
            (product, list) => product * list.length,
            1,
          ) <= 50_000,
      )
    let most = 0
    await fc.assert(
      fc.asyncProperty(space, async vary => {
        const { search, weigher, tables } = await ready(wide, vary)
        most = Math.max(most, search.of)
        search.run(Infinity)
        const rows: Array<{ id: number; axes: Objectives }> = []
        for (let id = 0; id < search.of; id++) {
          const picks = search.picksOf(id),
            w = weigher.weigh(search.sumsOf(picks).slice(0, tables.layout.deciding), picks, true)
          if (w.missed === 0) rows.push({ id, axes: [w.massG, w.hours, w.cost, w.reserveFactor] })
        }
        // Sums in another order differ in the last bits; what differs by less is the same point.
        const near = (a: Objectives, b: Objectives) =>
          a.every((value, k) => Math.abs(value - b[k]) <= 1e-9 * Math.abs(b[k]))
        const sorted = rows.sort((a, b) => a.axes[0] - b.axes[0]),
          left: typeof rows = []
        for (const row of sorted)
          if (!left.some(other => dominates(other.axes, row.axes) && !near(other.axes, row.axes)))
            left.push(row)
        const front = search.front.list().map(id => rows.find(row => row.id === id)!)
        for (const row of left)
          expect(
            front.some(other => near(other.axes, row.axes)),
            `${row.id} is missing`,
          ).toBe(true)
        for (const row of front)
          expect(
            left.some(other => near(other.axes, row.axes)),
            `${row.id} is beaten`,
          ).toBe(true)
      }),
      { numRuns: runs(50, 2), seed: 6 },
    )
    expect(most).toBeGreaterThan(runs(5000, 1000))
  }, 300_000)
})

describe('a point assessed from nothing gives the same four verdicts within a thousandth', () => {
  const variants: Array<[string, ProjectFile]> = [
    ['with eight zones', eightZones()],
    ['a flying wing', plover],
    [
      'on legs, one of them printed, wheels and all',
      {
        ...thistledown,
        brief: { ...thistledown.brief, landing: 'wheels', launch: 'bungee' },
        gear: [
          {
            ...leg('main', 300, true, 'printed', 'body'),
            printedWheel: { zone: 'nose', tyre: 'tail', widthMm: 14, thickMm: 8, axleMm: 3 },
          },
          leg('nose', 60, false, 'wire', 'nose'),
        ],
      },
    ],
    [
      'caught in a net, spars in caps, pieces weighed',
      {
        ...thistledown,
        brief: { ...thistledown.brief, landing: 'net' },
        spars: thistledown.spars.map(spar =>
          spar.id === 'main-spar' ? { ...spar, stock: 'strip-1x6', lay: 'caps' } : spar,
        ),
      },
    ],
  ]
  it.each(variants.filter((_, i) => i % runs(1, 4) === runs(0, 1)))(
    '%s',
    async (_, doc) => {
      const zones = Object.fromEntries(
        doc.zones.map(zone => [
          zone.id,
          [{}, { filament: 'petg', school: 'beads' }, { filament: 'asa-foam' }, { school: 'double-skin' }],
        ]),
      )
      const { search, tables, pointOf, printerOf } = await ready(
        doc,
        readVary({ zones, spars: { [doc.spars[0].id]: [doc.spars[0].stock, 'rod-3', null] } }),
      )
      const assessor = sharedAssessor()
      const points = runs(12, 2)
      for (let k = 0; k < points; k++) {
        const point = pointOf(Math.floor((search.of * (k + 0.5)) / points)),
          a = assessor.assess(designOf(doc, tables.list, point.picks, { ...printerOf, ...point.printers }))
        expect(
          difference(point, a),
          `${JSON.stringify(point.choices)}: ${a.strength.mode}, ${written(a.strength.where)}`,
        ).toBeLessThan(1e-3)
      }
    },
    120_000,
  )
  it('where the tail gives out first, by its print and its spar', async () => {
    const fast: ProjectFile = {
      ...thistledown,
      brief: { ...thistledown.brief, cruiseMs: 27, topSpeedMs: 35 },
      body: { ...thistledown.body!, openings: [] },
      boom: { ...thistledown.boom!, socketMm: 110 },
    }
    const { search, tables, pointOf, printerOf } = await ready(
      fast,
      readVary({
        zones: { tail: [{}, { walls: 2 }, { filament: 'petg' }] },
        spars: { 'tail-rod': ['rod-3', null] },
      }),
    )
    const assessor = sharedAssessor()
    let tails = 0
    for (let k = 0; k < search.of; k++) {
      const point = pointOf(k),
        a = assessor.assess(designOf(fast, tables.list, point.picks, { ...printerOf, ...point.printers }))
      expect(difference(point, a), JSON.stringify(point.choices)).toBeLessThan(1e-3)
      if (a.strength.part === 'horizontal') tails++
    }
    // As it is printed now, with its rod and without.
    expect(tails).toBeGreaterThanOrEqual(2)
  })
  it.runIf(DEEP)(
    'of two wings on struts, of which either may give out first, of a tandem on its boom, and with winglets',
    async () => {
      const vary = readVary({
        zones: { 'wing-inner': [{}, { filament: 'petg', walls: 2 }] },
        spars: { 'main-spar-2': ['rod-4', null], 'main-spar': ['tube-6x4', null] },
      })
      for (const doc of [
        twoWings({ upMm: 150, aftMm: -30, struts: [cabane(), interplane(330, { stock: 'rod-2' })] }),
        twoWings({ upMm: -40, aftMm: 420 }),
        {
          ...twoWings({ upMm: 400 }),
          second: null,
          struts: [],
          winglets: wingletsFor(thistledown, { zone: 'wing-inner' }),
        },
      ]) {
        const { search, tables, pointOf, printerOf } = await ready(doc, vary)
        const assessor = sharedAssessor()
        for (let k = 0; k < search.of; k++) {
          const point = pointOf(k),
            a = assessor.assess(designOf(doc, tables.list, point.picks, { ...printerOf, ...point.printers }))
          expect(difference(point, a), JSON.stringify(point.choices)).toBeLessThan(1e-3)
        }
      }
    },
  )
  it.runIf(DEEP)(
    'random aircraft too',
    async () => {
      await fc.assert(
        fc.asyncProperty(aircraft, fc.nat(1e6), async (doc, seed) => {
          const own = createStudyKernel(),
            zones = Object.fromEntries(
              doc.zones
                .slice(0, 3)
                .map(zone => [zone.id, [{}, { filament: 'petg', walls: 2 }, { school: 'double-skin' }]]),
            )
          const { search, tables, pointOf, printerOf } = (await prepare(
            own,
            doc,
            readVary({
              zones,
              spars: Object.fromEntries(
                doc.spars.slice(0, 1).map(spar => [spar.id, [spar.stock, 'tube-6x4']]),
              ),
            }),
            goOn,
          ))!
          const point = pointOf(seed % search.of)
          expect(
            difference(
              point,
              sharedAssessor().assess(
                designOf(doc, tables.list, point.picks, { ...printerOf, ...point.printers }),
              ),
            ),
          ).toBeLessThan(1e-3)
        }),
        { numRuns: runs(20, 1) },
      )
    },
    120_000,
  )
})

describe('what a study says', () => {
  it('names what keeps it from being lighter, the least relaxed first, and what that buys', async () => {
    const free = await study(kernel, plover, plain, goOn),
      [lightest] = free.front
    const bound = await study(
      kernel,
      plover,
      { ...plain, must: { reserveMin: lightest.reserveFactor + 0.01 } },
      goOn,
    )
    expect(bound.front[0].massG).toBeGreaterThan(lightest.massG)
    expect(
      bound.nearly.every(
        point =>
          point.massG < bound.front[0].massG && /^strength .* under/.test(point.broken.map(written).join()),
      ),
    ).toBe(true)
    expect(bound.nearly.at(-1)!.massG).toBeCloseTo(lightest.massG, 6)
    const steps = bound.nearly.map(point => point.reserveFactor)
    expect([...steps].sort((a, b) => b - a)).toEqual(steps)
  }, 60_000)
  it('shelf, heat and cost bind; a filament that no nozzle reaches is held by nobody', async () => {
    expect(
      (await study(kernel, plover, { ...plain, must: { softeningMinC: 70, onShelf: true } }, goOn)).front,
    ).toEqual([])
    const cheap = await study(kernel, plover, plain, goOn),
      limit = cheap.front[0].cost - 0.01
    const bound = await study(kernel, plover, { ...plain, must: { costMax: limit } }, goOn)
    expect(bound.front.every(point => point.cost <= limit)).toBe(true)
    const cold = { ...plover, printers: plover.printers.map(printer => ({ ...printer, nozzleMaxC: 248 })) }
    const hot = await study(kernel, cold, readVary({ zones: { outer: [{}, { filament: 'asa' }] } }), goOn)
    expect(hot.front.length).toBeGreaterThan(0)
    expect(hot.front.every(point => !/ASA/.test(point.choices.outer))).toBe(true)
  }, 60_000)
  it.runIf(DEEP)(
    'stopped anywhere and gone on with, it ends where it would have ended',
    async () => {
      const vary: Vary = { ...plain, must: { reserveMin: 0.9 } },
        straight = await study(kernel, plover, vary, goOn)
      for (const at of [1, 13, 26]) {
        const { search } = await ready(plover, vary)
        search.run(at)
        const state: StudyState = JSON.parse(
          JSON.stringify({
            done: search.done,
            front: search.front.list(),
            sure: search.sure.list(),
            near: search.near.flatMap(list => list.map(item => item.id)),
          }),
        )
        expect(state.done).toBe(at)
        const rest = await study(kernel, plover, vary, goOn, state)
        expect(rest.front.map(point => point.id)).toEqual(straight.front.map(point => point.id))
        expect(rest.sure.map(point => point.id)).toEqual(straight.sure.map(point => point.id))
        expect(rest.nearly.map(point => point.id)).toEqual(straight.nearly.map(point => point.id))
      }
      const stopped = await study(kernel, plover, vary, () => false)
      expect(stopped).toMatchObject({ evaluated: 0, of: 27, stopped: true, front: [] })
    },
    60_000,
  )
  it('the surest: none is as light, quick and cheap and surer; their chance is that of their assessment', async () => {
    const vary = readVary({
      zones: {
        'wing-outer': [{}, { school: 'bead-infill' }, { filament: 'pla-tough' }],
        tail: [{}, { school: 'beads' }],
        body: [{}, { walls: 3 }],
      },
    })
    const result = await study(kernel, thistledown, vary, goOn),
      assessor = sharedAssessor()
    for (const point of result.sure) {
      const a = assessor.assess(
        designOf(thistledown, dimensions(thistledown, vary), point.picks, {
          ...result.printerOf,
          ...point.printers,
        }),
      )
      expect(point.chance).toBeCloseTo(chanceOfAll(a), 3)
      expect(
        result.front.some(other =>
          dominates(
            [other.massG, other.hours, other.cost, other.chance],
            [point.massG, point.hours, point.cost, point.chance],
          ),
        ),
      ).toBe(false)
    }
    expect(result.sure.length).toBeGreaterThan(0)
  }, 60_000)
  it('says what is wrong with a space: a zone that is not there, a filament, a stock, too many, nothing', () => {
    const wrong = (raw: unknown, words: RegExp) =>
      expect(() => dimensions(plover, readVary(raw))).toThrow(words)
    wrong({ zones: { nowhere: [{}] } }, /zones\.nowhere/)
    wrong({ zones: { outer: [{ filament: 'wood' }] } }, /zones\.outer\[0\]\.filament.*wood/)
    wrong(
      { zones: { outer: [{ layerHeightMm: 0.7 }] } },
      /zones\.outer\[0\]\.layerHeightMm: a bead 0\.\d+ mm wide/,
    )
    wrong({ spars: { spar: ['rope'] } }, /no stock "rope"/)
    wrong({}, /nothing varies/)
    wrong({ zones: { outer: [{ walls: 40 }] } }, /walls/)
    expect(() =>
      dimensions(
        thistledown,
        readVary({ zones: Object.fromEntries(thistledown.zones.map(zone => [zone.id, Array(40).fill({})])) }),
      ),
    ).toThrow(/102,400,000 combinations/)
  })
})
