import { wingletsFor } from '../../testing/winglets'
import fc from 'fast-check'
import { written } from '../../units'
import { describe, expect, it } from 'vitest'
import { assess, sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import type { Equipment, ProjectFile } from '../../document'
import { measureMesh, polygonArea } from '../../geometry'
import { LIBRARIES } from '../../libraries'
import { testKernel } from '../../testing/kernel'
import { balanceTemplates, flatSolid } from './balance-templates'
import { apply, withSecondWing } from '../../change'
import { stretchNose } from './airframe-remedies'
import { balanceRemedies } from './remedies'
import { harm, type Remedy } from './remedy'
import { movedBalance } from './moved-balance'
import { fromTwoScales } from './two-scales'
import { presentWing, swapWingSet, wingSetFigures, withWingSet } from './wing-sets'
import { runs } from '../../testing/runs'
import { random } from '../../testing/random'

const [thistledown, plover] = DEMOS
const assessor = sharedAssessor()
const withBattery = (doc: ProjectFile, xMm: number, more: Partial<Equipment> = {}): ProjectFile => ({
  ...doc,
  equipment: doc.equipment.map(item => (item.id === 'battery' ? { ...item, xMm, ...more } : item)),
})
const withoutPrinted = (list: Remedy[]) =>
  list.filter(item => ['slide', 'battery', 'equipment', 'ballast'].includes(item.kind))

describe('remedies', () => {
  it('each one, applied, gives exactly the CG, weight and reserve it promised', () => {
    for (const doc of [
      withBattery(thistledown, 150),
      withBattery(plover, 80),
      withBattery(thistledown, 60),
    ].slice(0, runs(3, 1))) {
      const before = assess(doc)
      const remedies = balanceRemedies(assessor, doc)
      expect(remedies.length).toBeGreaterThan(3)
      for (const remedy of remedies) {
        const after = assess(apply(doc, remedy.change))
        expect(after.totals.cgMm[0], written(remedy.title)).toBeCloseTo(remedy.cgAfterMm, 9)
        expect(after.totals.massG - before.totals.massG, written(remedy.title)).toBeCloseTo(remedy.grams, 9)
        expect(after.strength.reserve, written(remedy.title)).toBeCloseTo(remedy.reserveAfter, 9)
        expect(after.flight.staticMarginEmptyPct, written(remedy.title)).toBeCloseTo(
          remedy.staticMarginEmptyAfterPct,
          9,
        )
        const margins = [after.flight.staticMarginPct, after.flight.staticMarginEmptyPct]
        expect(remedy.reaches, written(remedy.title)).toBe(
          margins.every(pct => pct >= doc.brief.staticMarginPct[0] && pct <= doc.brief.staticMarginPct[1]),
        )
      }
    }
  })
  it('what reaches comes first, with the least harm; a battery that slides beats ballast', () => {
    const remedies = balanceRemedies(assessor, withBattery(thistledown, 150))
    const firstShort = remedies.findIndex(item => !item.reaches)
    expect(remedies.slice(firstShort < 0 ? remedies.length : firstShort).every(item => !item.reaches)).toBe(
      true,
    )
    const reaching = remedies.filter(item => item.reaches)
    reaching
      .slice(1)
      .forEach((item, i) => expect(harm(item)).toBeGreaterThanOrEqual(harm(reaching[i]) - 1e-9))
    expect(remedies[0].kind).toBe('slide')
    expect(reaching.some(item => item.kind === 'nose')).toBe(true)
  })
  it('the best of those that print nothing, against every place, pack and gram tried one by one, on random aircraft', () => {
    const random = fc.record({
      x: fc.integer({ min: 72, max: 164 }),
      bayRear: fc.integer({ min: 150, max: 200 }),
      mass: fc.integer({ min: 70, max: 160 }),
      motor: fc.integer({ min: 20, max: 120 }),
      seed: fc.integer({ min: 0, max: 150 }),
      hopper: fc.integer({ min: 180, max: 260 }),
    })
    fc.assert(
      fc.property(random, ({ x, bayRear, mass, motor, seed, hopper }) => {
        const drawn: Record<string, Partial<Equipment>> = {
          battery: { xMm: Math.min(x, bayRear - 36), massG: mass, bay: [36, bayRear] },
          motor: { massG: motor },
          seed: { massG: seed, xMm: hopper },
        }
        const doc: ProjectFile = {
          ...thistledown,
          equipment: thistledown.equipment
            .filter(item => !['receiver', 'controller', 'elevator-servo', 'rudder-servo'].includes(item.id))
            .map(item => ({ ...item, ...drawn[item.id] })),
        }
        const before = assessor.assess(doc)
        const aim = before.flight.cgAimMm
        const mean = (extra: number, moment: number) =>
          (
            [
              [before.totals.massG, before.totals.cgMm[0]],
              [before.totals.emptyMassG, before.totals.cgEmptyMm[0]],
            ] as const
          ).reduce((sum, [m, cg]) => sum + (m * cg + moment) / (m + extra), 0) / 2
        const battery = doc.equipment.find(item => item.id === 'battery')!
        const best = (list: Array<[number, number]>) => list.reduce((a, b) => (b[0] < a[0] ? b : a))
        // Every half millimetre of the bay, for the pack that is in and for every other of its cells.
        const places = (massG: number, length: number) =>
          Array.from(
            { length: 2 * Math.max(0, bayRear - 36 - length) + 1 },
            (_, i) => 36 + length / 2 + i / 2,
          ).map((at): [number, number] => [
            Math.abs(mean(massG - battery.massG, massG * at - battery.massG * battery.xMm) - aim),
            at,
          ])
        const found = withoutPrinted(balanceRemedies(assessor, doc))
        const meanAfter = (item: Remedy) =>
          Math.abs(
            (assessor.assess(apply(doc, item.change)).totals.cgMm[0] +
              assessor.assess(apply(doc, item.change)).totals.cgEmptyMm[0]) /
              2 -
              aim,
          )
        const slide = found.find(item => item.kind === 'slide')
        const bestSlide = best(places(battery.massG, 72))
        if (slide) expect(meanAfter(slide)).toBeLessThan(bestSlide[0] + 0.06)
        else expect(Math.abs(bestSlide[1] - battery.xMm)).toBeLessThanOrEqual(0.75)
        for (const item of found.filter(other => other.kind === 'battery')) {
          const pack = LIBRARIES.batteries.find(other => item.id.endsWith(other.id))!
          expect(meanAfter(item)).toBeLessThan(best(places(pack.massG, pack.sizeMm[0]))[0] + 0.06)
        }
        // Ballast: every place along the airframe, every tenth of a gram; the least that centres it.
        const ballast = found.find(item => item.kind === 'ballast')
        if (ballast) {
          const { minX, maxX } = before.drawing.box
          let least = Infinity
          for (let at = minX + 20; at <= maxX - 20; at += 5)
            for (let g = 0.1; g < Math.min(least, 180); g += 0.1)
              if ((mean(g, g * at) - aim) * (mean(0, 0) - aim) <= 0) least = Math.min(least, g)
          expect(Math.abs(ballast.grams - least)).toBeLessThan(0.16)
        }
      }),
      { numRuns: runs(40, 1) },
    )
  })
  it('a nose stretched and shrunk again is the nose it was; what lies behind the wing stays', () => {
    const longer = { ...thistledown, ...stretchNose(thistledown, 40)! }
    expect(longer.body!.stations[0].xMm).toBe(-40)
    expect(longer.equipment.find(item => item.id === 'motor')!.xMm).toBe(-26)
    expect(longer.equipment.find(item => item.id === 'receiver')!.xMm).toBe(262)
    const back = { ...longer, ...stretchNose(longer, -40)! }
    expect(back.body!.stations).toEqual(thistledown.body!.stations)
    expect(back.cuts.body).toEqual(thistledown.cuts.body)
    expect(stretchNose(plover, 10)).toBeNull()
    // An upper wing ahead of the first, and the feet of its struts, stay where they are on the body.
    const biplane = { ...thistledown, ...withSecondWing(thistledown, 'over') },
      stretched = stretchNose(biplane, 40)!
    const stands = Math.min(
      biplane.second!.xMm,
      ...biplane.struts.flatMap(({ from }) => (from.on === 'body' ? [from.xMm] : [])),
    )
    const behind = (body: typeof biplane.body) => body!.stations.filter(station => station.xMm >= stands)
    expect(stretched.body!.stations[0].xMm).toBe(-40)
    expect(behind(stretched.body!)).toEqual(behind(biplane.body))
  })
})

describe('while something is dragged', () => {
  const before = assess(thistledown)
  const moved = (id: string, change: Partial<Equipment>): ProjectFile => ({
    ...thistledown,
    equipment: thistledown.equipment.map(item => (item.id === id ? { ...item, ...change } : item)),
  })
  it('the shifted balance is what the full assessment then says: battery, seed that leaves, a pair of servos; wires move with servos', () => {
    for (const [id, change] of [
      ['battery', { xMm: 140 }],
      ['seed', { xMm: 200 }],
      ['hopper', { xMm: 250, zMm: -30 }],
      ['aileron-servo', { xMm: 230, yMm: 300 }],
    ] as const) {
      const doc = moved(id, change),
        after = assess(doc),
        live = movedBalance(thistledown, before, doc)
      // A servo's wire, an eighth of its mass, its screws and its rod follow in the assessment alone.
      const follows = 0.12 * 20 + 2 * 0.5 + 2 * 2.5
      const wired = id === 'aileron-servo' ? (follows * 32) / before.totals.massG + 1e-9 : 1e-9
      live.cg.forEach((value, k) =>
        expect(Math.abs(value - after.totals.cgMm[k]), `${id} ${k}`).toBeLessThanOrEqual(wired),
      )
      expect(Math.abs(live.empty[0] - after.totals.cgEmptyMm[0])).toBeLessThanOrEqual(wired * 1.1)
    }
    expect(movedBalance(thistledown, before, moved('battery', { xMm: 140 })).marginPct).toBeCloseTo(
      assess(moved('battery', { xMm: 140 })).flight.staticMarginPct,
      9,
    )
  })
  it('stays where it was assessed while more than a place has changed', () => {
    expect(movedBalance(thistledown, before, moved('battery', { xMm: 140, massG: 150 })).cg).toEqual(
      before.totals.cgMm,
    )
    expect(
      movedBalance(thistledown, before, { ...thistledown, equipment: thistledown.equipment.slice(1) }).cg,
    ).toEqual(before.totals.cgMm)
    expect(movedBalance(thistledown, before, thistledown).cg).toEqual(before.totals.cgMm)
  })
})

describe('two scales', () => {
  it('moments of both readings; a plank of 400 g that balances at 230 mm on supports at 100 and 500', () => {
    // F·100 + A·500 = 400·230 with F + A = 400.
    const reading = fromTwoScales({ foreMm: 100, foreG: 270, aftMm: 500, aftG: 130 })
    expect('massG' in reading && reading.massG).toBe(400)
    expect('cgMm' in reading && reading.cgMm).toBeCloseTo(230, 12)
  })
  it('spread by linear propagation agrees with 20 000 samples within 3 %', () => {
    const given = { foreMm: 120, foreG: 410, aftMm: 620, aftG: 190 }
    const { normal } = random(99)
    let sum = 0,
      square = 0
    for (let i = 0; i < 20_000; i++) {
      const r = fromTwoScales({
        foreMm: given.foreMm + 0.5 * normal(),
        foreG: given.foreG + normal(),
        aftMm: given.aftMm + 0.5 * normal(),
        aftG: given.aftG + normal(),
      }) as { cgMm: number }
      sum += r.cgMm
      square += r.cgMm ** 2
    }
    const sampled = Math.sqrt(square / 20_000 - (sum / 20_000) ** 2)
    expect(Math.abs((fromTwoScales(given) as { sigmaMm: number }).sigmaMm / sampled - 1)).toBeLessThan(0.03)
  })
  it('says what is wrong with readings that mean nothing', () => {
    expect(fromTwoScales({ foreMm: 100, foreG: 0, aftMm: 500, aftG: 0 })).toHaveProperty('fault')
    expect(fromTwoScales({ foreMm: 100, foreG: 50, aftMm: 110, aftG: 50 })).toHaveProperty('fault')
  })
})

describe('wing sets', () => {
  const wide = {
    ...thistledown,
    wingSets: [
      {
        ...presentWing(thistledown, 'wide', 'Wide'),
        wing: {
          ...thistledown.wing,
          panels: thistledown.wing.panels.map(panel => ({ ...panel, spanMm: panel.spanMm * 1.2 })),
        },
      },
    ],
  }
  it('are computed as the aircraft with that wing on', () => {
    const [now, other] = wingSetFigures(assessor, wide)
    const direct = assess(withWingSet(wide, wide.wingSets[0]))
    expect(now.massG).toBeCloseTo(assess(wide).totals.massG, 9)
    expect(other.cgMm).toBeCloseTo(direct.totals.cgMm[0], 9)
    expect(other.stallMs).toBeLessThan(now.stallMs)
    expect(other.spanMm).toBeCloseTo(now.spanMm * 1.2, 6)
  })
  it('swapped twice, the aircraft is the one it was, weighings of the wing apart', () => {
    const there = swapWingSet(wide, 'wide', 'Narrow')
    const back = swapWingSet(there, 'wide', 'Wide')
    expect(back.wing).toEqual(wide.wing)
    expect(back.wingSets).toEqual(wide.wingSets)
    expect(there.weighIns.some(item => item.piece.startsWith('wing'))).toBe(false)
    expect(there.wingSets[0].name).toBe('Narrow')
    // Winglets are none of the wing's own pieces, whatever their name begins with.
    const weighed = { ...wide.weighIns[0], piece: 'winglet-1-starboard' }
    const winged = { ...wide, winglets: wingletsFor(wide), weighIns: [weighed] }
    expect(swapWingSet(winged, 'wide', 'Narrow').weighIns).toEqual([weighed])
  })
})

describe('templates', () => {
  it('ridge and fence are as far apart as aim and leading edge; the bar holds both ridges under the same place', () => {
    const { flight } = assess(thistledown)
    const templates = balanceTemplates(assessor.airframe(thistledown), assess(thistledown))!
    const upright = templates.parts[0].outline.map(([x]) => x)
    expect(upright).toContain(-(templates.aimMm - templates.leadMm))
    expect(templates.aimMm).toBeCloseTo(flight.cgAimMm, 9)
    const bar = templates.parts[1].outline.map(([x]) => x)
    expect(Math.max(...bar) - 18).toBeCloseTo(templates.atMm, 6)
    expect(templates.atMm).toBeGreaterThan(
      Math.max(...thistledown.body!.stations.map(station => station.widthMm)) / 2,
    )
  })
  it("every part is a closed solid of its outline's area times its thickness", async () => {
    const kernel = await testKernel()
    for (const doc of [thistledown, plover]) {
      for (const part of balanceTemplates(assessor.airframe(doc), assess(doc))?.parts ?? []) {
        const mesh = measureMesh(flatSolid(kernel, part))
        expect(mesh.watertight, part.name).toBe(true)
        expect(
          mesh.volume / (polygonArea(Float64Array.from(part.outline.flat())).area * part.thicknessMm),
          part.name,
        ).toBeCloseTo(1, 4)
      }
    }
  })
})
