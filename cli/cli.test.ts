import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { assess } from '../core/assess'
import { DEMOS } from '../core/demo'
import { writeStl } from '../core/printing'
import { createStudyKernel, readVary, study } from '../core/study/combinations'
import { json, run, spawned } from './run-verbs'
import { revolve } from '../core/testing/meshes'
import { DEEP } from '../core/testing/runs'

describe('command line', () => {
  it('as a process: standard input to standard output', async () => {
    const beam = { length: 0.6, tube: { outer: 0.008, modulus: 7e10 }, loads: [{ x: 0.6, force: 5 }] }
    const { status, out, err } = await spawned(['beam', '-'], JSON.stringify(beam))
    expect(status).toBe(0)
    expect({ status, out, err }).toEqual(await run(['beam', '-'], JSON.stringify(beam)))
  })
  it.runIf(DEEP)('as a process: a mistake on standard error, with status 2', async () => {
    expect(await spawned(['nonsense'])).toEqual(await run(['nonsense']))
  })
  it('forecast says the chances, and with --rest whether to go on; another word than true is refused', async () => {
    const { out } = await run(['demo', 'plover'])
    const doc = JSON.parse(out) as (typeof DEMOS)[number]
    const [first] = assess(doc).pieces
    // Half a tenth heavy: the first piece of a build that would rather be light.
    const { id: piece, predictedG } = first
    const weighed = JSON.stringify({
      ...doc,
      weighIns: [{ piece, predictedG, massG: 1.05 * predictedG, date: '2026-11-01', note: '' }],
    })
    const { rest, ...forecast } = await json(['forecast', '-', '--rest', 'true'], weighed)
    const now = assess(JSON.parse(weighed))
    expect(forecast.massG).toBeCloseTo(now.forecast.massG, 9)
    expect(rest.now.chanceWeight).toBeCloseTo(now.forecast.chanceWeight, 9)
    // The piece and its mirror image are begun.
    expect([rest.begun, rest.left]).toEqual([2, now.pieces.length - 2])
    expect(rest.offers[0]).toMatchObject({ title: expect.any(String), holds: true })
    expect(await json(['forecast', '-'], weighed)).not.toHaveProperty('rest')
    expect(await run(['forecast', '-', '--rest', 'maybe'], weighed)).toMatchObject({
      status: 2,
      err: expect.stringMatching(/--rest/),
    })
  })
  it('demo gives a project file that assess takes, with the fields of the page and the figures of the core', async () => {
    const { out } = await run(['demo'])
    const result = await json(['assess', '-'], out)
    const a = assess(DEMOS[0])
    expect(result.massG).toBeCloseTo(a.totals.massG, 9)
    expect(result.cgMm.x).toBeCloseTo(a.totals.cgMm[0], 9)
    expect(result.strength.reserveFactor).toBeCloseTo(a.strength.reserve, 9)
    expect(Object.keys(result)).toEqual([
      'massG',
      'emptyMassG',
      'cgMm',
      'neutralPointMm',
      'staticMarginPct',
      'cgRangeMm',
      'wingLoadingGdm2',
      'stallSpeedMs',
      'strength',
      'printHours',
      'filamentG',
      'filamentCost',
      'pieces',
      'findings',
    ])
    expect(Object.keys(result.pieces[0])).toEqual([
      'id',
      'name',
      'material',
      'recipe',
      'massG',
      'hours',
      'lengthMm',
      'bboxMm',
    ])
  })
  it('options stand before or behind the file, with a space or an equals sign; a mistake names the file it is in', async () => {
    const joined = await json(['section', '--alpha=-3', '--inviscid=true', 'naca2412'])
    expect(joined).toEqual(await json(['section', 'naca2412', '--alpha', '-3', '--inviscid', 'true']))
    expect(joined.alphaDeg).toBeCloseTo(-3, 9)
    // The option's value is no file: it was named as the faulty one.
    const { status, err } = await run(['gcode', '--filament', 'pla-tough', 'nowhere.gcode'])
    expect(status).toBe(2)
    expect(err).toMatch(/^gcode: nowhere\.gcode: cannot be read/)
  })
  it('mistakes are one line that names file, field and reason, with status 2 and nothing on standard output', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'mariposa-cli-'))
    const file = join(folder, 'bad.json')
    const cases: Array<[string, RegExp]> = [
      [
        JSON.stringify({ ...DEMOS[0], brief: { ...DEMOS[0].brief, loadFactor: -1 } }),
        /bad\.json: brief\.loadFactor: /,
      ],
      ['{"format":', /bad\.json: not JSON/],
      ['{}', /bad\.json: format: /],
    ]
    for (const [text, wanted] of cases) {
      writeFileSync(file, text)
      const { status, out, err } = await run(['assess', file])
      expect(status).toBe(2)
      expect(out).toBe('')
      expect(err.trim().split('\n').length).toBe(1)
      expect(err).toMatch(wanted)
      expect(readFileSync(file, 'utf8')).toBe(text)
    }
    for (const words of [
      ['nonsense'],
      ['assess', join(folder, 'missing.json')],
      ['section', 'naca99'],
      ['section', 'naca2412', '--alpha', 'steep'],
      ['beam', '-', '--colour', 'red'],
    ]) {
      const { status, out, err } = await run(words, '{}')
      expect([status, out, err.trim().split('\n').length]).toEqual([2, '', 1])
    }
  })
  it('input made to hang or to break it is one line that names the place, too', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'mariposa-cli-'))
    const put = (name: string, text: string | Uint8Array) => {
      writeFileSync(join(folder, name), text)
      return join(folder, name)
    }
    const surface = {
      stations: [
        { x: 0, y: 0, chord: 0.2 },
        { x: 0, y: 0.5, chord: 0.2 },
      ],
    }
    const reference = { area: 0.2, chord: 0.2, span: 1 }
    const tube = { outer: 0.01, modulus: 7e10 }
    const cone = revolve(
      [
        [5, 0],
        [3, 8],
      ],
      10,
    )
    const cases: Array<[string[], RegExp]> = [
      [['beam', put('far.json', JSON.stringify({ length: 1e308, tube }))], /: length: /],
      [
        [
          'beam',
          put(
            'many.json',
            JSON.stringify({
              length: 1,
              tube,
              loads: Array.from({ length: 1001 }, () => ({ x: 1, force: 1 })),
            }),
          ),
        ],
        /: loads: /,
      ],
      [
        ['lift', put('twice.json', JSON.stringify({ surfaces: [surface, surface], reference }))],
        /: surfaces\[1\]: .* surfaces\[0\]/,
      ],
      [['assess', folder], /is a folder/],
      [['section', folder], /is a folder/],
      [
        [
          'slice',
          put('wide.stl', writeStl({ ...cone, positions: cone.positions.map(value => value * 1e5) }, '')),
        ],
        /at most 3000 mm a side/,
      ],
      [
        [
          'slice',
          put(
            'flat.stl',
            writeStl({ ...cone, positions: cone.positions.map((value, i) => (i % 3 === 2 ? 0 : value)) }, ''),
          ),
        ],
        /holds no volume/,
      ],
      [['gcode', put('back.gcode', 'G1 X5 F600 E1\nG4 S-100000\n')], /line 2: cannot wait/],
      [['gcode', put('long.gcode', `G1 X5 F600 E1\nG1 X${'9'.repeat(300)}\n`)], /line 2: /],
    ]
    for (const [words, wanted] of cases) {
      const { status, out, err } = await run(words)
      expect([status, out, err.trim().split('\n').length], err).toEqual([2, '', 1])
      expect(err).toMatch(wanted)
    }
  }, 60_000)
  it('study: every combination, its front as the core has it; a bad space names file and place', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'mariposa-cli-')),
      vary = join(folder, 'vary.json')
    const space = {
      zones: { outer: [{}, { pitchMm: 70 }] },
      spars: { spar: ['rod-5', 'rod-4', null] },
      must: { massMaxG: 420 },
    }
    writeFileSync(vary, JSON.stringify(space))
    const project = JSON.stringify(DEMOS[1])
    const result = await json(['study', '-', '--vary', vary], project)
    const own = await study(createStudyKernel(), DEMOS[1], readVary(space), () => true)
    expect(result.evaluated).toBe(6)
    expect(result.front.map((row: { massG: number }) => row.massG)).toEqual(
      own.front.map(point => point.massG),
    )
    expect(result.front[0].choices).toEqual(own.front[0].choices)
    expect(result.front.every((row: { massG: number }) => row.massG <= 420)).toBe(true)
    for (const [text, wanted] of [
      ['{"zones":{"tail":[{}]}}', /zones\.tail: there is no such zone/],
      ['{"zones":', /vary\.json: not JSON/],
      ['{"must":{"reserveMin":"high"}}', /must\.reserveMin/],
    ] as const) {
      writeFileSync(vary, text)
      const { status, out, err } = await run(['study', '-', '--vary', vary], project)
      expect([status, out]).toEqual([2, ''])
      expect(err).toMatch(wanted)
    }
  }, 60_000)
  it('beam: what lies beyond it, and a beam of two kinds, are named', async () => {
    for (const [input, wanted] of [
      [
        {
          length: 1,
          tube: { outer: 0.01, modulus: 1e9 },
          distributed: [
            { x: 0, load: 1 },
            { x: 2, load: 1 },
          ],
        },
        /distributed\[1\]\.x/,
      ],
      [{ length: 1, tube: { outer: 0.01, modulus: 1e9 }, stations: [{ x: 0, EI: 1 }] }, /not both/],
      [{ length: 1, tube: { outer: 0.01, inner: 0.01, modulus: 1e9 } }, /smaller than tube\.outer/],
    ] as const) {
      const { status, err } = await run(['beam', '-'], JSON.stringify(input))
      expect(status).toBe(2)
      expect(err).toMatch(wanted)
    }
  })
  it('section: a 2412 without and with its layer, a plate against Blasius, and a wrong option named', async () => {
    const bare = await json(['section', 'naca2412', '--alpha', '4', '--inviscid', 'true'])
    // Panels put the thick section a little under the thin one's −2.077°, with 2π(1 + 0.77·0.12) of slope.
    expect(bare.alphaZeroLiftDeg).toBeCloseTo(-2.13, 1)
    expect(Math.abs(bare.clAlpha / (2 * Math.PI * 1.0924) - 1)).toBeLessThan(0.02)
    expect(bare.clByPressure).toBeCloseTo(bare.cl, 2)
    const real = await json(['section', 'naca2412', '--alpha', '4', '--re', '200000'])
    expect(real.cl).toBeLessThan(bare.cl)
    expect(real.clMax).toBeGreaterThan(1)
    expect(real.thickness).toBe(0.12)
    const plate = await json(['section', 'naca0001', '--re', '200000'])
    expect(Math.abs(plate.cd / ((2 * 1.328) / Math.sqrt(2e5)) - 1)).toBeLessThan(0.05)
    expect((await run(['section', 'naca2412', '--inviscid', 'perhaps'])).err).toMatch(/--inviscid/)
  })
  it('lift: a rectangle of aspect ratio 6 as in the methods page, and a broken station named', async () => {
    const surfaces = [
      {
        name: 'wing',
        mirror: true,
        chordwise: 4,
        spanwise: 20,
        stations: [
          { x: 0, y: 0, z: 0, chord: 1, twistDeg: 0, aerofoil: 'naca0012' },
          { x: 0, y: 3, z: 0, chord: 1, twistDeg: 0, aerofoil: 'naca0012' },
        ],
      },
    ]
    const input = { surfaces, reference: { area: 6, chord: 1, span: 6, x: 0.25 } }
    const lift = await json(['lift', '-'], JSON.stringify(input))
    expect(lift.clAlpha).toBeCloseTo(4.218, 2)
    expect(lift.strips.length).toBe(20)
    // Strips carry what the whole does.
    const sum = lift.strips.reduce(
      (total: number, strip: { cl: number; chord: number }) =>
        total + (strip.cl * strip.chord * 0.15 * 2) / 6,
      0,
    )
    expect(sum / lift.clAlpha).toBeCloseTo(1, 6)
    // An unswept flat wing without dihedral does not feel sideslip; strips alone would damp rolling by 2π/6.
    expect(Math.abs(lift.derivatives.Cl_beta)).toBeLessThan(1e-9)
    expect(lift.derivatives.Cl_p).toBeLessThan(0)
    expect(lift.derivatives.Cl_p).toBeGreaterThan(-Math.PI / 3)
    const rolled = await json(
      ['lift', '-'],
      JSON.stringify({
        ...input,
        surfaces: [{ ...surfaces[0], controls: [{ id: 'ailerons', from: 1.5, to: 3, chordShare: 0.25 }] }],
      }),
    )
    const opposed = rolled.derivatives.controls.find((c: { sense: string }) => c.sense === 'opposed')
    expect(opposed.Cl).toBeGreaterThan(0)
    expect(Math.abs(opposed.CL)).toBeLessThan(1e-9)
    const { err } = await run(
      ['lift', '-'],
      JSON.stringify({
        ...input,
        surfaces: [
          { ...surfaces[0], stations: [surfaces[0].stations[0], { ...surfaces[0].stations[1], chord: -1 }] },
        ],
      }),
    )
    expect(err).toMatch(/standard input: surfaces\[0\]\.stations\[1\]\.chord/)
  })
  it('slice and gcode: a cylinder in two beads, and a move of known length', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'mariposa-cli-'))
    const model = join(folder, 'cylinder.stl'),
      recipe = join(folder, 'recipe.json')
    writeFileSync(
      model,
      writeStl(
        revolve([
          [15, 0],
          [15, 40],
        ]),
        'cylinder',
      ),
    )
    writeFileSync(
      recipe,
      JSON.stringify({
        walls: 2,
        beadWidthMm: 0.5,
        layerHeightMm: 0.25,
        infillShare: 0.1,
        baseLayers: 2,
        topLayers: 2,
        filament: 'petg',
        flow: 1,
      }),
    )
    const sliced = await json(['slice', model, '--recipe', recipe])
    expect(sliced.watertight).toBe(true)
    expect(sliced.layers).toBe(160)
    expect(sliced.volumeMm3 / (Math.PI * 225 * 40)).toBeCloseTo(1, 2)
    expect(sliced.lengthsMm.outerWall / (2 * Math.PI * 14.75 * 160)).toBeCloseTo(1, 2)
    // Beads with round sides lie their section over their height apart; two walls reach ½ w + 1½ of it in.
    const bead = 0.25 * 0.25 + (Math.PI * 0.0625) / 4,
      apart = bead / 0.25,
      inside = Math.PI * (15 - 0.25 - 1.5 * apart) ** 2
    expect(sliced.lengthsMm.infill / ((0.1 * inside * 160) / apart)).toBeCloseTo(1, 2)
    expect(sliced.lengthsMm.solid / ((4 * 0.9 * inside) / apart)).toBeCloseTo(1, 2)
    const length = Object.entries(sliced.lengthsMm as Record<string, number>)
      .filter(([kind]) => kind !== 'travel')
      .reduce((sum, [, mm]) => sum + mm, 0)
    expect(sliced.extrudedMm3).toBeCloseTo(length * bead, 3)
    expect(sliced.massG).toBeCloseTo(length * bead * 1.27e-3, 3)
    writeFileSync(recipe, '{"wals": 2}')
    const { status, err } = await run(['slice', model, '--recipe', recipe])
    expect([status, err.trim()]).toEqual([2, `slice: ${recipe}: Unrecognized key: "wals"`])
    const printer = join(folder, 'printer.json')
    writeFileSync(printer, JSON.stringify({ accelMmS2: 1000, cornerMmS: 0, filamentDiameterMm: 2.85 }))
    const moved = await json(['gcode', '-', '--printer', printer], 'G90\nM83\nG1 X100 F3000 E4\n')
    expect(moved.hours * 3600).toBeCloseTo(2.05, 9)
    expect(moved.extrudedMm3).toBeCloseTo((4 * Math.PI * 2.85 ** 2) / 4, 9)
    expect((await run(['gcode', '-'], 'nothing here')).err).toMatch(/gcode: standard input: has no moves/)
  })
  it('beam: a simple tube under its own kind of load', async () => {
    const beam = await json(
      ['beam', '-'],
      JSON.stringify({
        length: 1,
        support: 'simple',
        tube: { outer: 0.01, inner: 0.008, modulus: 7e10 },
        distributed: 10,
      }),
    )
    expect(beam.maxDeflection).toBeCloseTo(
      (5 * 10) / (384 * 7e10 * (Math.PI / 64) * (0.01 ** 4 - 0.008 ** 4)),
      7,
    )
  })
})
