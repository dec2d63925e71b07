import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DEMOS } from '../demo'
import { drawn } from '../testing/drawn'
import { DocumentError } from './fault'
import { parseJson } from './json'
import { checkProject, readProject, writeProject } from './read'
import { newControlNumber, newPieceNumber } from './piece-numbers'
import { readRecipe, writeRecipe } from './recipe-file'
import { share } from './share'
import type { ProjectFile } from './schema'

const copy = (): ProjectFile => JSON.parse(writeProject(DEMOS[0]))
const fault = (change: (doc: ProjectFile & Record<string, never>) => void): string => {
  const doc = copy()
  change(doc as ProjectFile & Record<string, never>)
  try {
    checkProject(doc)
  } catch (error) {
    expect(error).toBeInstanceOf(DocumentError)
    return (error as DocumentError).message
  }
  return 'accepted'
}

describe('project files', () => {
  it('what is written is read back the same', () => {
    for (const demo of DEMOS) expect(readProject(writeProject(demo))).toEqual(demo)
  })
  it('a truncated file is refused at every length, with a reason', () => {
    const text = writeProject(DEMOS[1])
    for (let at = 0; at < text.length - 3; at += 97)
      expect(() => readProject(text.slice(0, at))).toThrow(DocumentError)
  })
  it('names the first faulty place', () => {
    expect(
      fault(d => {
        d.wing.panels[1].spanMm = -5
      }),
    ).toMatch(/^wing\.panels\[1\]\.spanMm: /)
    expect(
      fault(d => {
        d.brief.targetMassG = 'heavy' as never
      }),
    ).toMatch(/^brief\.targetMassG: /)
    expect(
      fault(d => {
        d.equipment[2].massG = Number.NaN
      }),
    ).toMatch(/^equipment\[2\]\.massG: /)
    expect(
      fault(d => {
        d.name = 'x'.repeat(10_000)
      }),
    ).toMatch(/^name: /)
    expect(
      fault(d => {
        d.wing.panels[0].zone = 'nowhere'
      }),
    ).toMatch(/^wing\.panels\[0\]\.zone: there is no zone "nowhere"/)
    expect(
      fault(d => {
        d.wing.rootAerofoil = 'naca99'
      }),
    ).toMatch(/^wing\.rootAerofoil: /)
    expect(
      fault(d => {
        d.spars[1].id = d.spars[0].id
      }),
    ).toMatch(/^spars\[1\]\.id: "main-spar" is used twice/)
    expect(
      fault(d => {
        d.body!.stations[2].xMm = 1
      }),
    ).toMatch(/^body\.stations\[2\]\.xMm: /)
    expect(
      fault(d => {
        d.brief.staticMarginPct = [18, 8]
      }),
    ).toMatch(/^brief\.staticMarginPct: /)
    const leg = {
      id: 'a',
      name: 'Leg',
      kind: 'wire' as const,
      xMm: 0,
      yMm: 0,
      zMm: 0,
      dropMm: 80,
      splayMm: 0,
      thicknessMm: 3,
      widthMm: 3,
      zone: 'body',
      springNmm: 1,
      travelMm: 5,
      wheelMm: 40,
      tyreMm: 2,
      wheelG: 5,
      pair: true,
      mount: { lengthMm: 20, widthMm: 4, depthMm: 3 },
    }
    expect(
      fault(d => {
        d.gear = [{ ...leg, zone: 'undercarriage' }]
      }),
    ).toMatch(/^gear\[0\]\.zone: there is no zone "undercarriage"/)
    expect(
      fault(d => {
        d.gear = [leg, { ...leg }]
      }),
    ).toMatch(/^gear\[1\]\.id: "a" is used twice/)
    expect(
      fault(d => {
        d.proofs = [
          {
            id: 'p',
            kind: 'twist',
            massG: 100,
            atMm: 300,
            armMm: 100,
            measured: -2,
            date: '2026-11-25',
            note: '',
          },
        ]
      }),
    ).toMatch(/^proofs\[0\]\.measured: /)
    expect(
      fault(d => {
        ;(d as Record<string, unknown>).extra = 1
      }),
    ).toMatch(/extra/)
  })
  it('tells a foreign and a newer file apart from a broken one', () => {
    expect(() => readProject('{"format":"other"}')).toThrow(/^format: /)
    expect(() => readProject('{"format":"mariposa-project","version":11}')).toThrow(/^version: 11 is newer/)
    expect(() => readProject('[]')).toThrow(/one JSON object/)
    expect(() => readProject('x'.repeat(64_000_001))).toThrow(/64 MB/)
  })
  it('of flights of version 8 what stood there untyped is no note, and what was typed is', () => {
    const { power: _, ...bare } = DEMOS[0]
    const old = (more: object) => {
      const {
        signs: _s,
        glideRatio: _g,
        startedAt: _t,
        airC: _a,
        pack: _p,
        leftPct: _l,
        landing: _d,
        ...flight
      } = DEMOS[0].flights[0]
      return readProject(JSON.stringify({ ...bare, version: 8, flights: [{ ...flight, ...more }] }))
        .flights[0]
    }
    expect(old({ elevatorTrimDeg: 0, aileronTrimDeg: -1, usedMah: 0, motorC: 20 })).toMatchObject({
      elevatorTrimDeg: null,
      aileronTrimDeg: -1,
      usedMah: null,
      motorC: null,
      signs: [],
      glideRatio: null,
    })
    expect(old({})).toMatchObject({ elevatorTrimDeg: -1.5, usedMah: 640, motorC: 47 })
  })
  it('the wind of version 9 moves to the field, and nothing else of it changes', () => {
    const { field: _f, tracks: _t, damages: _d, wishes: _w, ...bare } = DEMOS[0]
    const read = readProject(
      JSON.stringify({
        ...bare,
        version: 9,
        measured: { ...bare.measured, massG: 700, windMs: 3 },
        flights: bare.flights.map(
          ({ startedAt: _s, airC: _a, pack: _p, leftPct: _l, landing: _g, ...flight }) => flight,
        ),
      }),
    )
    expect(read.measured).toEqual({ ...bare.measured, massG: 700 })
    expect(read.field).toMatchObject({ windMs: 3, airC: null, packs: [] })
    expect(read.flights[1]).toEqual({
      ...DEMOS[0].flights[1],
      startedAt: null,
      airC: null,
      pack: null,
      leftPct: null,
      landing: null,
    })
    const { flights: _x, measured: _m, version: _v, ...rest } = bare
    expect(read).toMatchObject(rest)
  })
  it('a file of version 2 is read with what it did not say, one of version 3 has wing bolts of 3 mm, and one of this version is left as it is', () => {
    const now = structuredClone(DEMOS[0]) as unknown as Record<string, never> & {
      brief: { topSpeedMs?: number; gustMs?: number }
      equipment: Array<Record<string, unknown>>
      wing: { controls: Array<Record<string, unknown>> }
      measured: Record<string, unknown>
    }
    const old = structuredClone(now) as typeof now & Record<string, unknown>
    Object.assign(old, { version: 2 })
    delete (old as Record<string, unknown>).wingSets
    delete (old as Record<string, unknown>).polars
    delete old.brief.topSpeedMs
    delete old.brief.gustMs
    delete old.measured.scales
    for (const key of ['throwMs', 'bungeeN', 'dropMm', 'colour'])
      delete (old.brief as Record<string, unknown>)[key]
    for (const key of ['gear', 'proofs']) delete (old as Record<string, unknown>)[key]
    for (const zone of (old as unknown as { zones: Array<{ recipe: Record<string, unknown> }> }).zones)
      delete zone.recipe.stance
    for (const spar of (old as unknown as { spars: Array<Record<string, unknown>> }).spars)
      for (const key of ['fixing', 'lay', 'route']) delete spar[key]
    for (const item of old.equipment) {
      delete item.battery
      delete item.servo
    }
    for (const surface of [
      old.wing,
      (old as unknown as { tail: { horizontal: typeof old.wing } }).tail.horizontal,
      (old as unknown as { tail: { vertical: typeof old.wing } }).tail.vertical,
    ])
      for (const control of surface.controls) delete control.linkage
    delete (old as unknown as { body: { saddle: { boltMm?: number } } }).body.saddle.boltMm
    const read = readProject(JSON.stringify(old))
    expect(read.body!.saddle).toEqual({ clearanceMm: 0.3, bolts: 2, boltMm: 3 })
    expect(
      readProject(
        JSON.stringify({
          ...old,
          ...Object.fromEntries(Object.entries(now).filter(([key]) => key !== 'body')),
          version: 3,
        }),
      ),
    ).toEqual(DEMOS[0])
    expect(read.brief.topSpeedMs).toBeCloseTo(1.6 * DEMOS[0].brief.cruiseMs, 9)
    expect(read.wing.controls[0].linkage).toBeNull()
    expect(read.zones.every(zone => zone.recipe.stance === 'standing')).toBe(true)
    expect(
      read.spars.every(
        spar => spar.fixing === 'bonded' && spar.lay === 'middle' && spar.route === 'straight',
      ),
    ).toBe(true)
    expect(read).toMatchObject({ gear: [], proofs: [], brief: { throwMs: 8, dropMm: 50, colour: 'bright' } })
    expect(read.equipment.map(item => item.massG)).toEqual(DEMOS[0].equipment.map(item => item.massG))
    expect(readProject(JSON.stringify(now))).toEqual(DEMOS[0])
  })
  it('pieces of version 4 keep the numbers that their place gave them, in whatever order cuts are written', () => {
    const old = structuredClone(DEMOS[0]) as unknown as Record<string, unknown> & {
      wing: { controls: Array<Record<string, unknown>> }
      tail: Record<'horizontal' | 'vertical', { controls: Array<Record<string, unknown>> }>
      cuts: Record<string, Array<Record<string, unknown>>>
    }
    for (const list of Object.values(old.cuts)) for (const cut of list) delete cut.piece
    for (const surface of [old.wing, old.tail.horizontal, old.tail.vertical])
      for (const control of surface.controls) delete control.piece
    old.version = 4
    expect(readProject(JSON.stringify(old))).toEqual(DEMOS[0])
    old.cuts.wing!.reverse()
    expect(readProject(JSON.stringify(old)).cuts.wing.map(cut => [cut.atMm, cut.piece])).toEqual([
      [435, 4],
      [270, 3],
      [135, 2],
    ])
  })
  it('webs of version 6 become lanes with as much bead, laid once or out and back; printers get their hours', () => {
    const old = structuredClone(DEMOS[0]) as unknown as Record<string, unknown> & {
      zones: Array<{ recipe: Record<string, unknown> }>
      printers: Array<Record<string, unknown>>
      spools: Array<Record<string, unknown>>
    }
    old.version = 6
    old.zones[2].recipe.lattice = { pitchMm: 45, passes: 2 }
    old.zones[3].recipe.lattice = { pitchMm: 45, passes: 1 }
    for (const key of ['filamentMm', 'startText', 'endText', 'spool', 'runs', 'tended'])
      for (const printer of old.printers) delete printer[key]
    for (const spool of old.spools) delete spool.name
    for (const key of ['plates', 'accepted', 'fileChecks']) delete old[key]
    const read = readProject(JSON.stringify(old))
    // A layer met two webs every 45·√2 mm, out and back: one every 31.8 mm. Laid once, half as many.
    expect(read.zones[2].recipe.lattice).toEqual({
      pitchMm: 31.8,
      slitMm: 0.04,
      overlapMm: 0.15,
      leanDeg: 45,
    })
    expect(read.zones[3].recipe.lattice!.pitchMm).toBe(63.6)
    expect(read.printers[0]).toMatchObject({ filamentMm: 1.75, spool: null, runs: { fromH: 0, toH: 24 } })
    expect(read.spools[0].name).toBe('foam-white')
    expect(read.plates).toEqual([])
  })
  it('no two pieces of a part share a number, and a new one gets none that has named a piece', () => {
    const doc = structuredClone(DEMOS[0])
    doc.cuts.wing[1].piece = doc.cuts.wing[0].piece
    expect(() => readProject(JSON.stringify(doc))).toThrow(/^cuts\.wing\[1\]\.piece: 2 is the number/)
    const { wing } = DEMOS[0].cuts
    expect(newPieceNumber(DEMOS[0], 'wing')).toBe(5)
    // Its weighing still speaks of piece 4 after the cut before it is gone.
    const weighed = {
      ...DEMOS[0],
      cuts: { ...DEMOS[0].cuts, wing: wing.slice(0, 2) },
      weighIns: [{ ...DEMOS[0].weighIns[0], piece: 'wing-4-starboard' }],
    }
    expect(newPieceNumber(weighed, 'wing')).toBe(5)
    expect(newControlNumber(DEMOS[0], 'wing', DEMOS[0].wing)).toBe(2)
  })
  it('a recipe file of version 1 stands on its end; one of this version says so itself', () => {
    const { stance: _, ...recipe } = DEMOS[0].zones[0].recipe
    const file = { format: 'mariposa-recipe', version: 1, name: 'Nose', filament: 'pla-tough', recipe }
    expect(readRecipe(JSON.stringify(file))).toMatchObject({
      version: 4,
      recipe: { stance: 'standing', beadForm: 'rounded' },
    })
    const flat = { name: 'Nose', filament: 'pla-tough', recipe: { ...recipe, stance: 'flat' as const } }
    expect(readRecipe(writeRecipe(flat)).recipe.stance).toBe('flat')
    expect(() => readRecipe(JSON.stringify({ ...file, version: 4 }))).toThrow(/^recipe\.stance: /)
  })
  it('survives any mutation of the text: read, or refused with a reason', () => {
    const text = writeProject(DEMOS[1])
    fc.assert(
      fc.property(
        fc.nat(text.length),
        fc.oneof(
          fc.string({ maxLength: 6 }),
          fc.constantFrom('null', '-1e999', 'NaN', '[', '}', '""', '1e308'),
        ),
        fc.nat(12),
        (at, put, cut) => {
          try {
            readProject(text.slice(0, at) + put + text.slice(at + cut))
          } catch (error) {
            expect(error).toBeInstanceOf(DocumentError)
          }
        },
      ),
      { numRuns: 1500 },
    )
  })
})

describe('structural sharing', () => {
  it('keeps every part that did not change, and only those', () => {
    const before = copy()
    const next = copy()
    next.zones[1].recipe.walls = 3
    const shared = share(before, next)
    expect(shared).toEqual(next)
    expect(shared.wing).toBe(before.wing)
    expect(shared.zones[0]).toBe(before.zones[0])
    expect(shared.zones[1]).not.toBe(before.zones[1])
    expect(share(before, copy())).toBe(before)
  })
  it('equals the new value for any two JSON values', () => {
    expect(share([], {})).toEqual({})
    expect(share({}, [])).toEqual([])
    fc.assert(
      fc.property(fc.jsonValue(), fc.jsonValue(), (a, b) => {
        expect(share(a, b)).toEqual(b)
      }),
      { numRuns: 1000 },
    )
  })
})

describe('files made to fill the memory', () => {
  const limits = { bytes: 1000, values: 40, depth: 5 }
  it('are refused before anything is built of them: too long, too many values, too deep', () => {
    expect(() => parseJson('x'.repeat(2_000_001), 'a file', { ...limits, bytes: 2e6 })).toThrow(
      /has 3 MB; .* at most 2 MB/,
    )
    expect(() => parseJson(`[${'{},'.repeat(50)}{}]`, 'a file', limits)).toThrow(/more than 40 values/)
    expect(() => parseJson('['.repeat(6), 'a file', limits)).toThrow(/deeper than 5/)
    // What stands in a string is no value, whatever it looks like; escaped quotation marks do not end it.
    const text = JSON.stringify({ note: `\\"${'[{,:'.repeat(30)}`, end: '\\' })
    expect(parseJson(text, 'a file', limits)).toEqual(JSON.parse(text))
    expect(() => parseJson('"open', 'a file', limits)).toThrow(/not JSON, or cut short/)
  })
  it('a million faulty items in a list are one fault, named at the list', () => {
    const doc = { ...DEMOS[0], equipment: Array.from({ length: 300_000 }, () => ({})) }
    expect(() => checkProject(doc)).toThrow(/^equipment: 300000 items; at most 80/)
  })
  it('the largest that the schema admits stays under the limit of values', () => {
    const full = drawn(5, { full: true })
    full.polars = Array.from({ length: 60 }, () => ({
      aerofoil: 'naca2412',
      source: '',
      reynolds: 1e5,
      points: Array.from({ length: 1000 }, (_, i): [number, number, number, number] => [
        i / 100,
        0.5,
        0.01,
        0,
      ]),
    }))
    expect(readProject(writeProject(full)).polars).toHaveLength(60)
  })
  it('names that a file system or a weighing would confuse are refused', () => {
    const given = { ...drawn(3, { full: true }).given[0] }
    for (const id of ['.', '..', 'wing-1-starboard', 'Body-2'])
      expect(
        () => checkProject({ ...DEMOS[0], given: [{ ...given, id, zone: DEMOS[0].zones[0].id }] }),
        id,
      ).toThrow(/^given\[0\]\.id/)
    expect(() =>
      checkProject({
        ...DEMOS[0],
        zones: DEMOS[0].zones.map(zone => ({
          ...zone,
          recipe: { ...zone.recipe, layerHeightMm: 0.7, beadWidthMm: 0.4 },
        })),
      }),
    ).toThrow(/zones\[0\]\.recipe\.beadWidthMm: a bead 0.4 mm wide cannot be 0.7 mm high/)
  })
})
