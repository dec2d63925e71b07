import { execFile } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { assess } from '../core/assess'
import { DEMOS } from '../core/demo'
import { writeStl } from '../core/printing'
import { createStudyKernel, readVary, study } from '../core/study/combinations'
import { answer, type Answer } from './answer'
import { revolve } from '../core/testing/meshes'

const run = (words: string[], input = '') => answer(words, new TextEncoder().encode(input))
/** As a process of its own, through standard input and output. */
function spawned(words: string[], input = ''): Promise<Answer> {
  return new Promise(resolve => {
    const child = execFile(
      process.execPath,
      ['--import', 'tsx', 'cli/main.ts', ...words],
      { cwd: new URL('..', import.meta.url).pathname, maxBuffer: 1e8 },
      (fault, out, err) => resolve({ status: fault ? (fault.code as 2) : 0, out, err }),
    )
    child.stdin!.end(input)
  })
}
const json = async (words: string[], input = '') => {
  const { status, out, err } = await run(words, input)
  expect(err).toBe('')
  expect(status).toBe(0)
  return JSON.parse(out)
}

describe('command line', () => {
  it('as a process: standard input to standard output, and a mistake on standard error with status 2', async () => {
    const beam = { length: 0.6, tube: { outer: 0.008, modulus: 7e10 }, loads: [{ x: 0.6, force: 5 }] }
    const { status, out, err } = await spawned(['beam', '-'], JSON.stringify(beam))
    expect(status).toBe(0)
    expect({ status, out, err }).toEqual(await run(['beam', '-'], JSON.stringify(beam)))
    expect(await spawned(['nonsense'])).toEqual(await run(['nonsense']))
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
  it('diagnose: the causes of the core, most likely first, and a log that says too little', async () => {
    const doc = DEMOS[0]
    const found = await json(['diagnose', '-'], JSON.stringify(doc))
    const chances = found.causes.map((cause: { chance: number }) => cause.chance)
    expect([...chances].sort((a, b) => b - a)).toEqual(chances)
    for (const cause of found.causes)
      expect(Object.keys(cause)).toEqual(
        expect.arrayContaining(['code', 'chance', 'amount', 'unit', 'test', 'mend']),
      )
    // Three degrees more of down trim than computed are not found by chance on an aircraft that trims level.
    const trimmed = { ...doc, flights: [{ ...doc.flights[0], elevatorTrimDeg: -7 }] }
    const heavy = await json(['diagnose', '-'], JSON.stringify(trimmed))
    expect(['cg', 'incidence']).toContain(heavy.causes[0].code)
    expect(heavy.nothing).toBeLessThan(heavy.causes[0].chance)
    expect((await json(['diagnose', '-'], JSON.stringify({ ...doc, flights: [] }))).tooLittle).toBe(true)
  })

  it('mend: every way with its figures; a place outside and a piece that is not there are named', async () => {
    const doc = JSON.stringify(DEMOS[0])
    const { ways } = await json(['mend', '-', '--piece', 'body-1', '--at', '60'], doc)
    expect(ways.map((way: { code: string }) => way.code)).toEqual(['new-piece', 'rest', 'glue'])
    expect(ways[1].hours).toBeLessThan(ways[0].hours)
    for (const way of ways)
      expect(Object.keys(way)).toEqual(expect.arrayContaining(['massG', 'hours', 'cost', 'reserve', 'cgMm']))
    expect((await run(['mend', '-', '--piece', 'body-1', '--at', '900'], doc)).err).toMatch(
      /--at: 900 lies outside Body 1/,
    )
    expect((await run(['mend', '-', '--piece', 'tail-9', '--at', '9'], doc)).err).toMatch(
      /--piece: there is no piece/,
    )
    expect((await run(['mend', '-', '--piece', 'body-1'], doc)).err).toMatch(/--at: wants the place/)
  })

  it('propeller: by chord law and by stations the same; power: a project and a handful of figures', async () => {
    const by = async (input: object) => json(['propeller', '-'], JSON.stringify(input))
    const law = await by({ diameterM: 0.2286, pitchM: 0.1143, rpm: 7000, speeds: [0, 8, 16] })
    const [rest, flies, fast] = law.points
    // C_T = T/ρn²D⁴ and C_P = P/ρn³D⁵, by hand.
    const n = 7000 / 60
    expect(rest.ct).toBeCloseTo(rest.thrustN / (1.225 * n ** 2 * 0.2286 ** 4), 9)
    expect(rest.cp).toBeCloseTo(rest.powerW / (1.225 * n ** 3 * 0.2286 ** 5), 9)
    expect(rest.powerW).toBeCloseTo(rest.torqueNm * n * 2 * Math.PI, 9)
    expect(flies.j).toBeCloseTo(8 / (n * 0.2286), 9)
    expect(flies.efficiency).toBeCloseTo((flies.thrustN * 8) / flies.powerW, 9)
    expect(fast.thrustN).toBeLessThan(flies.thrustN)
    const stations = Array.from({ length: 40 }, (_, i) => {
      const r = 0.12 * 0.1143 + (i / 39) * 0.88 * 0.1143
      return { r, chord: 0.02, twistDeg: (Math.atan(0.1143 / (2 * Math.PI * r)) * 180) / Math.PI }
    })
    const broad = await by({ diameterM: 0.2286, stations, rpm: 7000 })
    expect(broad.points[0].ct).toBeGreaterThan(0.07)
    expect((await run(['propeller', '-'], '{"diameterM":0.2,"rpm":7000}')).err).toMatch(
      /pitchM: give a pitch/,
    )
    const crossed = JSON.stringify({ diameterM: 0.2, rpm: 7000, stations: [...stations].reverse() })
    expect((await run(['propeller', '-'], crossed)).err).toMatch(/stations\[0\]\.r|stations\[1\]\.r/)

    const own = await json(['power', '-'], JSON.stringify(DEMOS[0]))
    expect(own.static.thrustN).toBeGreaterThan(5)
    expect(own.limits.find((limit: { id: string }) => limit.id === 'motor-current').value).toBeCloseTo(
      own.static.currentA,
      6,
    )
    expect(own.minutes).toBeGreaterThan(own.planMinutes)
    const figures = {
      motor: { kvRpmV: 1000, resistanceOhm: 0.09, noLoadA: 0.6 },
      controllerOhm: 0.006,
      battery: { cells: 3, capacityMah: 1300 },
      propeller: { diameterM: 0.229, pitchM: 0.127, blades: 2 },
    }
    const few = await json(['power', '-'], JSON.stringify(figures))
    // What is taken from the leads is shaft, and heat of controller and motor.
    expect(few.static.powerW).toBeCloseTo(
      few.static.shaftW + few.static.heat.controllers + few.static.heat.motors,
      4,
    )
    // The same parts in the project, in other air and with a folding hub: within a few hundredths.
    expect(few.static.thrustN / own.static.thrustN).toBeGreaterThan(0.9)
    expect(few.static.thrustN / own.static.thrustN).toBeLessThan(1.15)
    const bare = { ...DEMOS[0], equipment: DEMOS[0].equipment.filter(item => item.kind !== 'battery') }
    expect((await run(['power', '-'], JSON.stringify(bare))).err).toMatch(/equipment: lacks a battery/)
  })

  it('order: every piece and component once; toss: a parabola, a project, and what is wrong with it', async () => {
    const doc = JSON.stringify(DEMOS[0])
    const { steps, hardware } = await json(['order', '-'], doc)
    const brought: string[] = steps.flatMap((step: { what: string[] }) => step.what)
    for (const id of [
      ...assess(DEMOS[0]).pieces.map(piece => piece.id),
      ...DEMOS[0].equipment.map(item => item.id),
    ])
      expect(
        brought.filter(item => item === id),
        id,
      ).toHaveLength(1)
    expect(hardware.find((row: { name: string }) => row.name.startsWith('Strip hinge')).count).toBe(8)
    const stone = {
      mass: 1,
      inertia: 1,
      area: 1,
      chord: 1,
      density: 1.2,
      CL0: 0,
      CLalpha: 0,
      CD0: 0,
      k: 0,
      Cm0: 0,
      Cmalpha: 0,
      CLq: 0,
      Cmq: 0,
    }
    const { distanceM, seconds } = await json(
      ['toss', '-'],
      JSON.stringify({ ...stone, start: { speed: 10, pathDeg: 45, heightM: 2 } }),
    )
    // From 2 m at 45° with 10 m/s: t = (v·sin + √(v²sin² + 2gh))/g.
    const up = 10 * Math.SQRT1_2
    const t = (up + Math.sqrt(up ** 2 + 2 * 9.80665 * 2)) / 9.80665
    expect(seconds).toBeCloseTo(t, 3)
    expect(distanceM).toBeCloseTo(up * t, 2)
    const thrown = await json(['toss', '-', '--speed', '9', '--angle', '-5'], doc)
    expect(thrown.kind).toBe('glides')
    expect((await json(['toss', '-', '--cg', '220'], doc)).distanceM).toBeLessThan(thrown.distanceM)
    const powered = await json(['toss', '-', '--throttle', '15', '--speed', '9.3', '--angle', '-5'], doc)
    expect(powered.kind).toBe('climbs')
    expect(powered.lowestM).toBeLessThanOrEqual(1.8)
    expect((await run(['toss', '-'], JSON.stringify({ ...stone, mass: -1 }))).err).toMatch(/mass/)
    expect((await run(['toss', '-', '--speed', 'fast'], doc)).err).toMatch(/--speed: "fast" is not a number/)
  })
})
