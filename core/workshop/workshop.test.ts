import Papa from 'papaparse'
import { written } from '../units'
import { describe, expect, it } from 'vitest'
import { STLLoader } from 'three/examples/jsm/loaders/STLLoader.js'
import { assess, sharedAssessor } from '../assess'
import { DEMOS } from '../demo'
import type { ProjectFile } from '../document'
import { LIBRARIES } from '../libraries'
import { testKernel } from '../testing/kernel'
import { pieceSolid } from '../geometry'
import { throwMm } from '../geometry'
import { compareSchools, proposeAllCuts, proportions, controlThrows, hingeLines } from './advice'
import { exportPieces, piecesCsv, uniqueNames } from './export'
import { readiness } from './readiness'
import { twin } from '../testing/twin'
import { runs } from '../testing/runs'

const [thistledown, plover] = DEMOS

describe('schools', () => {
  it('taking one gives the figures that the comparison showed', () => {
    const assessor = sharedAssessor()
    const rows = compareSchools(assessor, LIBRARIES, thistledown, 'wing-outer', 'petg')
    for (const row of rows.filter(({ school }, i) => school === 'ribs' || i % runs(1, 4) === 0)) {
      const after = sharedAssessor().assess({
        ...thistledown,
        zones: thistledown.zones.map(z => (z.id === row.zone.id ? row.zone : z)),
      })
      expect(after.totals.massG).toBeCloseTo(row.flyingMassG, 9)
      expect(after.strength.reserve).toBeCloseTo(row.reserve, 9)
      const own = after.pieces.filter(p => p.zone === 'wing-outer').reduce((sum, p) => sum + p.predictedG, 0)
      // Where ribs are covered, the film is in it.
      const film = after.ledger
        .filter(item => item.group === 'film')
        .reduce((sum, item) => sum + item.massG, 0)
      expect(film > 0).toBe(row.school === 'ribs')
      expect(own + film).toBeCloseTo(row.massG, 9)
    }
  })
  it('foamed weighs about half of solid in the same school', () => {
    const of = (filament: string) =>
      compareSchools(sharedAssessor(), LIBRARIES, thistledown, 'wing-inner', filament).find(
        r => r.school === 'beads' && r.name !== 'As it is',
      )!
    const ratio = of('pla-foam').massG / of('pla').massG
    expect(ratio).toBeGreaterThan(0.38)
    expect(ratio).toBeLessThan(0.55)
  })
})

describe('readiness', () => {
  const complete = (wind: number) => {
    const a = assess(thistledown)
    const measured = {
      massG: a.totals.emptyMassG,
      cgMm: a.totals.cgEmptyMm[0],
      thrustG: 500,
      dragShare: null,
      scales: null,
    }
    const checks = readiness(thistledown, a)
      .items.filter(item => item.byHand)
      .map(item => ({ item: item.id, date: '2026-11-01' }))
    const doc = { ...thistledown, measured, checks, field: { ...thistledown.field, windMs: wind } }
    return readiness(doc, assess(doc))
  }
  it('is open while anything is unknown, go when all is in order, and no-go for one thing against', () => {
    expect(readiness(thistledown, assess(thistledown)).verdict).toBe('open')
    expect(complete(3).verdict).toBe('go')
    const windy = complete(9)
    expect(windy.verdict).toBe('no-go')
    expect(windy.items.filter(item => item.state === 'no-go').map(item => item.id)).toEqual(['wind'])
  })
  it('a measured balance point behind the band is a no-go, payload in or out', () => {
    const a = assess(thistledown)
    const doc = { ...thistledown, measured: { ...thistledown.measured, cgMm: a.flight.cgRangeMm[1] + 3 } }
    expect(readiness(doc, a).items.find(item => item.id === 'cg')!.state).toBe('no-go')
  })
})

it('proposed cuts make every piece fit, and fall where zones meet', () => {
  const uncut = {
    ...thistledown,
    cuts: { wing: [], second: [], winglet: [], horizontal: [], vertical: [], body: [] },
  }
  expect(assess(uncut).pieces.some(p => !p.fits)).toBe(true)
  const cuts = proposeAllCuts(sharedAssessor().airframe(uncut))
  const after = assess({ ...uncut, cuts })
  expect(after.pieces.every(p => p.fits)).toBe(true)
  expect(after.findings.some(f => f.code === 'zones-in-piece')).toBe(false)
  expect(cuts.wing.map(cut => cut.atMm)).toContain(270)
})

it('throws: a hinge chord c turned by θ moves the edge 2c·sin(θ/2); hinges lie inside the surface', () => {
  expect(throwMm(50, 60)).toBeCloseTo(50, 9)
  const elevator = controlThrows(thistledown).find(t => t.name === 'Elevator')!
  // 115 mm root chord, 35 mm taper over 205 mm, hinge chord 35 % at 5 % of the span, 15°.
  expect(elevator.upMm).toBeCloseTo(2 * 0.35 * (115 - 35 * 0.05) * Math.sin((7.5 * Math.PI) / 180), 9)
  const [x0, y0, x1, y1] = hingeLines(thistledown)[0].points
  expect([x0, y0]).toEqual([162 + (30 / 330) * 30 + 0.75 * (195 - (65 * 30) / 330), 300])
  expect(y1).toBeCloseTo(570, 9)
  expect(x1).toBeGreaterThan(162)
})

it('proportions flag a wing that is far too small, and say what would mend it', () => {
  const tiny = {
    ...thistledown,
    wing: {
      ...thistledown.wing,
      rootChordMm: 90,
      panels: thistledown.wing.panels.map(p => ({ ...p, tipChordMm: 80 })),
    },
    spars: [],
  }
  const loading = proportions(tiny, assess(tiny)).find(p => p.id === 'loading')!
  expect(loading.ok).toBe(false)
  expect(written(loading.mend)).toMatch(/more area/)
})

it('proportions: areas and dihedral by hand; each remedy that names a figure, done, brings it into the range', () => {
  const of = (doc: ProjectFile, id: string) => proportions(doc, assess(doc)).find(item => item.id === id)!
  // One panel of constant chord: a quarter of the chord over half the span is an eighth of the area.
  const plank: ProjectFile = {
    ...thistledown,
    spars: [],
    wing: {
      ...thistledown.wing,
      rootChordMm: 200,
      panels: [{ ...thistledown.wing.panels[0], spanMm: 600, tipChordMm: 200, dihedralDeg: 4 }],
      controls: [{ ...thistledown.wing.controls[0], fromShare: 0.5, toShare: 1, chordShare: 0.25 }],
    },
  }
  expect(of(plank, 'ailerons').value).toBeCloseTo(12.5, 6)
  expect(of(plank, 'dihedral').value).toBeCloseTo(4, 6)
  // Flat inside, 8° outside from the middle: ∫y dy over the outer half is three quarters of the whole.
  const poly: ProjectFile = {
    ...plank,
    wing: {
      ...plank.wing,
      panels: [
        { ...plank.wing.panels[0], spanMm: 300, dihedralDeg: 0 },
        { ...plank.wing.panels[0], spanMm: 300, dihedralDeg: 8 },
      ],
    },
  }
  expect(of(poly, 'dihedral').value).toBeCloseTo(6, 3)
  expect(of(thistledown, 'prop-gap').value).toBeCloseTo(2, 6)
  // A pusher's tips, 76 mm out, pass behind a trailing edge that sweeps back to 272.2 mm there.
  const rear = (70 * 76) / 120 + 250 - (35 * 76) / 120
  expect(of(plover, 'prop-gap').value).toBeCloseTo(279 - rear, 6)
  // A twin's discs clear the body beside them, and stand before their own pods.
  const pair = twin(230)
  const [disc] = pair.equipment.filter(item => item.kind === 'propeller')
  const ahead = (xMm: number, yMm: number) =>
    of(
      {
        ...pair,
        pods: [{ ...pair.pods[0], yMm }],
        equipment: pair.equipment.map(item => (item === disc ? { ...item, xMm, yMm } : item)),
      },
      'prop-gap',
    ).value
  const nose = pair.pods[0].xMm
  expect(ahead(nose - disc.sizeMm[0] / 2 - 7, 230)).toBeCloseTo(7, 6)
  // Nearer the middle the tips pass 4 mm beside the body, then through it.
  const widest = Math.max(...pair.body!.stations.map(station => station.widthMm)) / 2
  const beside = disc.sizeMm[1] / 2 + widest
  expect(ahead(nose - disc.sizeMm[0] / 2 - 7, beside + 4)).toBeCloseTo(4, 6)
  expect(ahead(nose - disc.sizeMm[0] / 2 - 7, beside - 9)).toBeCloseTo(-9, 6)
  // Belly at −43.x, blades' tips at −115.
  expect(of(thistledown, 'ground').label).toMatch(/Folding/)
  const small = {
    ...thistledown,
    tail: {
      ...thistledown.tail,
      horizontal: {
        ...thistledown.tail.horizontal!,
        panels: [{ ...thistledown.tail.horizontal!.panels[0], spanMm: 90 }],
      },
    },
  }
  const tail = of(small, 'tail')
  expect(tail.ok).toBe(false)
  const more = Number(/([\d.]+) dm²/.exec(written(tail.mend))![1]) * 1e4
  const span = 90 * (1 + more / ((90 * (115 + 80)) / 2))
  const mended = of(
    {
      ...small,
      tail: {
        ...small.tail,
        horizontal: {
          ...small.tail.horizontal!,
          panels: [{ ...small.tail.horizontal!.panels[0], spanMm: span }],
        },
      },
    },
    'tail',
  )
  expect(mended.value).toBeGreaterThan(0.38)
})

describe('export', () => {
  it('every piece as STL, read by an independent loader to the same volume, and a list that a spreadsheet reads', async () => {
    const kernel = await testKernel()
    const airframe = sharedAssessor().airframe(plover)
    const reports = assess(plover).pieces
    const seen: string[] = []
    const files = await exportPieces(kernel, airframe, reports, (_done, _of, name) => {
      seen.push(name)
    })
    expect(seen).toEqual(airframe.pieces.map(p => p.name))
    for (const piece of airframe.pieces) {
      const { bytes } = files.find(file => file.name === `${piece.id}.stl`)!
      const position = new STLLoader().parse(bytes.buffer as ArrayBuffer).getAttribute('position')
      let volume = 0
      for (let i = 0; i < position.count; i += 3) {
        const [a, b, c] = [i, i + 1, i + 2].map(k => [position.getX(k), position.getY(k), position.getZ(k)])
        volume +=
          (a[0] * (b[1] * c[2] - b[2] * c[1]) +
            a[1] * (b[2] * c[0] - b[0] * c[2]) +
            a[2] * (b[0] * c[1] - b[1] * c[0])) /
          6
      }
      const solid = pieceSolid(kernel, piece)
      expect(volume / solid.volume()).toBeCloseTo(1, 4)
      solid.delete()
    }
    const rows = Papa.parse<Record<string, string>>(new TextDecoder().decode(files.at(-1)!.bytes).trim(), {
      header: true,
    }).data
    expect(rows.length).toBe(reports.length)
    expect(Number(rows[0].mass_g)).toBeCloseTo(reports[0].predictedG, 1)
  })
  it('stops when told to, and quotes names that would upset a spreadsheet', async () => {
    const kernel = await testKernel()
    await expect(
      exportPieces(kernel, sharedAssessor().airframe(plover), [], done => {
        if (done === 2) throw new Error('stopped')
      }),
    ).rejects.toThrow('stopped')
    const report = { ...assess(plover).pieces[0], zoneName: '=SUM(A1), "x"' }
    expect(piecesCsv([report], () => DEMOS[0].zones[2].recipe).split('\r\n')[1]).toContain(
      '"\'=SUM(A1), ""x"""',
    )
    expect(piecesCsv([{ ...report, zoneName: '\n =1+1' }], () => DEMOS[0].zones[2].recipe)).toContain(
      '"\'\n =1+1"',
    )
    const name = uniqueNames()
    expect(['a.stl', 'A.stl', 'plates/a.b-01.3mf', 'plates/A.b-01.3mf', 'a-2.stl'].map(name)).toEqual([
      'a.stl',
      'A-2.stl',
      'plates/a.b-01.3mf',
      'plates/A.b-01-2.3mf',
      'a-2-2.stl',
    ])
  })
})
