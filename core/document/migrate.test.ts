/** Files of every older version, read as what they did not say. */
import { describe, expect, it } from 'vitest'
import { DEMOS } from '../demo'
import type { ProjectFile } from './schema'
import { WIRE_LEG } from '../testing/wire-leg'
import { newControlNumber, newPieceNumber } from './piece-numbers'
import { readProject } from './read'

describe('project files of older versions', () => {
  it('of version 19 leads no air through its body, turns no motor up, pushes no tail in, and nothing else of it changes', () => {
    const { version: _v, duct: _d, tilt: _t, tail, ...bare } = DEMOS[0]
    const { slots: _s, ...held } = tail
    expect(readProject(JSON.stringify({ ...bare, tail: held, version: 19 }))).toEqual(DEMOS[0])
  })
  it('of version 18 has every wheel bought and its tail glued on, and nothing else of it changes', () => {
    const { version: _v, tail, ...bare } = DEMOS[0]
    const { printedWheel: _p, ...leg } = WIRE_LEG
    const { screws: _s, ...glued } = tail
    const read = readProject(JSON.stringify({ ...bare, tail: glued, gear: [leg], version: 18 }))
    expect(read).toEqual({ ...DEMOS[0], gear: [WIRE_LEG] })
  })
  it('one of version 13 goes into no box in particular, and nothing else of it changes', () => {
    const { brief, version: _v, ...bare } = DEMOS[0]
    const { travelBoxMm: _t, ...old } = brief
    const { coil: _c, printedWheel: _p, ...leg } = WIRE_LEG
    const read = readProject(JSON.stringify({ ...bare, brief: old, gear: [leg], version: 13 }))
    expect(read).toEqual({ ...DEMOS[0], brief: { ...brief, travelBoxMm: null }, gear: [WIRE_LEG] })
  })
  it('one of version 11 has one body and one boom in its middle, and nothing else of it changes', () => {
    const { pods: _p, version: _v, boom, ...bare } = DEMOS[0]
    const { yMm: _y, ...old } = boom!
    const read = readProject(JSON.stringify({ ...bare, boom: old, version: 11 }))
    expect(read).toEqual({ ...DEMOS[0], pods: [], boom: { ...old, yMm: 0 } })
  })
  it('one of version 10 has no pictures to draw over, and nothing else of it changes', () => {
    const { tracings: _t, version: _v, ...bare } = DEMOS[0]
    const read = readProject(JSON.stringify({ ...bare, version: 10 }))
    expect(read).toEqual({ ...DEMOS[0], tracings: [] })
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
  it('recipes of version 15 are alike all along the chord, wherever one stands, and nothing else changes', () => {
    const doc: ProjectFile = {
      ...DEMOS[0],
      asPrinted: [
        { piece: 'wing-1', filament: 'pla-foam', recipe: DEMOS[0].zones[2].recipe, date: '2026-10-03' },
      ],
    }
    const old = structuredClone(doc) as unknown as Record<'zones' | 'accepted' | 'asPrinted', unknown[]> & {
      version: number
    }
    old.version = 15
    for (const list of [old.zones, old.accepted, old.asPrinted] as Array<Array<{ recipe: object }>>) {
      expect(list.length).toBeGreaterThan(0)
      for (const { recipe } of list)
        for (const key of ['denser', 'printedSpar']) Reflect.deleteProperty(recipe, key)
    }
    expect(readProject(JSON.stringify(old))).toEqual(doc)
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
})
