import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { assess } from '../../assess'
import { DEMOS } from '../../demo'
import { buttCuts, plain } from '../../testing/plain'
import type { ProjectFile } from '../../document'
import { convexHull } from '../../geometry'
import { written } from '../../units'
import { drafted } from '../../testing/changed'

const [thistledown, plover] = DEMOS
const withBrief = (brief: Partial<ProjectFile['brief']>, doc = thistledown): ProjectFile => ({
  ...doc,
  brief: { ...doc.brief, ...brief },
})

describe('verdicts', () => {
  it('margins are positive exactly when the target is met, and the wing is full exactly then', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 300, max: 1500 }),
        fc.integer({ min: 2, max: 80 }),
        fc.double({ min: 1, max: 20, noNaN: true }),
        (targetMassG, printHours, loadFactor) => {
          const { verdicts } = assess(withBrief({ targetMassG, printHours, loadFactor }))
          expect(verdicts.weight.margin).toBeCloseTo(targetMassG - verdicts.weight.value, 9)
          expect(verdicts.hours.margin).toBeCloseTo(printHours - verdicts.hours.value, 9)
          for (const verdict of [verdicts.weight, verdicts.hours, verdicts.strength]) {
            expect(verdict.state === 'failing').toBe(verdict.margin < 0)
            expect(verdict.fill >= 1).toBe(verdict.margin >= 0)
          }
        },
      ),
      { numRuns: 30 },
    )
  })
  it('just met is tight when the spread could carry it over', () => {
    const { value, spread } = assess(thistledown).verdicts.weight
    expect(assess(withBrief({ targetMassG: Math.ceil(value + spread / 2) })).verdicts.weight.state).toBe(
      'tight',
    )
    expect(assess(withBrief({ targetMassG: Math.ceil(value + 3 * spread) })).verdicts.weight.state).toBe(
      'good',
    )
  })
  it('balance must hold with the payload gone too: a hopper far from the CG fails once it is empty', () => {
    const far: ProjectFile = {
      ...thistledown,
      equipment: thistledown.equipment.map(e =>
        e.id === 'seed' ? { ...e, xMm: 60, massG: 120 } : e.id === 'battery' ? { ...e, xMm: 160 } : e,
      ),
    }
    const { verdicts, flight } = assess(far)
    const [low, high] = far.brief.staticMarginPct
    // As loaded it is forward of where it is empty by the payload's moment.
    expect(flight.staticMarginEmptyPct).toBeLessThan(flight.staticMarginPct - 10)
    expect(verdicts.balance.margin).toBeCloseTo(
      Math.min(
        flight.staticMarginPct - low,
        high - flight.staticMarginPct,
        flight.staticMarginEmptyPct - low,
        high - flight.staticMarginEmptyPct,
      ),
      9,
    )
  })
  it('failing verdicts are findings with the figure and the limit they missed', () => {
    const list = assess(withBrief({ targetMassG: 400, printHours: 5 })).findings
    const weight = list.find(f => f.code === 'weight-failing')!
    expect(weight.limit).toBeCloseTo(400, 6)
    expect(list.find(f => f.code === 'hours-failing')!.limit).toBeCloseTo(5, 6)
    expect(
      assess(withBrief({ targetMassG: 4000, printHours: 500 })).findings.filter(f =>
        /^(weight|hours)-failing$/.test(f.code),
      ),
    ).toEqual([])
  })
  it('the CG range is the band of static margin, laid off from the neutral point', () => {
    const { flight, plan } = assess(plover)
    const [low, high] = plover.brief.staticMarginPct
    expect(flight.cgRangeMm[1]).toBeCloseTo(flight.neutralPointMm - (low / 100) * plan.macMm, 9)
    expect(flight.cgRangeMm[0]).toBeCloseTo(flight.neutralPointMm - (high / 100) * plan.macMm, 9)
  })
})

describe('figures of the plan', () => {
  it('area, span, mean chord and loading of Thistledown by hand', () => {
    const { plan, totals } = assess(thistledown)
    // Inner 270 × 195, outer 330 × (195 + 130)/2, both sides.
    const area = 2 * (270 * 195 + 330 * 162.5)
    expect(plan.areaDm2).toBeCloseTo(area / 1e4, 9)
    expect(plan.spanMm).toBeCloseTo(1200, 9)
    expect(plan.macMm).toBeCloseTo(
      (2 * (270 * 195 ** 2 + (330 * (195 ** 2 + 195 * 130 + 130 ** 2)) / 3)) / area,
      9,
    )
    expect(plan.loadingGdm2).toBeCloseTo(totals.massG / (area / 1e4), 6)
    expect(plan.aspectRatio).toBeCloseTo(1200 ** 2 / area, 9)
  })
  it('tail volume: area times arm over wing area times mean chord', () => {
    const { plan } = assess(thistledown)
    const tailArea = 205 * (115 + 80),
      mac = (2 / 3) * 115 * ((1 + 80 / 115 + (80 / 115) ** 2) / (1 + 80 / 115))
    const tailLead = 806 + 24 * ((1 + (2 * 80) / 115) / (3 * (1 + 80 / 115)))
    const arm = tailLead + mac / 4 - (plan.macLeadMm + plan.macMm / 4)
    expect(plan.tailVolume).toBeCloseTo((tailArea * arm) / (plan.areaDm2 * 1e4 * plan.macMm), 6)
  })
})

describe('stalling', () => {
  it('washout moves the start of the stall inboard, taper outboard', () => {
    const place = (tipTwistDeg: number, tipChordMm: number) =>
      assess({
        ...thistledown,
        wing: {
          ...thistledown.wing,
          panels: [{ ...thistledown.wing.panels[1], spanMm: 600, tipTwistDeg, tipChordMm }],
        },
        cuts: { ...thistledown.cuts, wing: buttCuts(200, 400) },
      }).flight.stallPlaceShare
    expect(place(-4, 80)).toBeLessThan(place(2, 80))
    expect(place(0, 60)).toBeGreaterThan(place(0, 195))
    expect(place(3, 60)).toBeGreaterThan(0.7)
  })
  it('thin air and heat raise the stall speed with the root of the density', () => {
    const low = assess(withBrief({ fieldElevationM: 0, fieldTemperatureC: 15 })),
      high = assess(withBrief({ fieldElevationM: 2500, fieldTemperatureC: 15 }))
    const ratio = Math.sqrt(low.flight.density / high.flight.density)
    expect(high.flight.stallMs / low.flight.stallMs).toBeCloseTo(ratio, 1)
  })
})

describe('drawing', () => {
  it('every piece has an outline of its own, where it lies; raising the wing raises it, its mass and its outline', () => {
    // Without the servo's bay, which stays where the servo is while the wing is raised round it.
    const doc = { ...thistledown, equipment: thistledown.equipment.map(item => ({ ...item, pocket: null })) }
    const before = assess(doc)
    for (const piece of before.pieces.filter(p => p.part === 'body')) {
      const xs = before.drawing.side.find(o => o.id === piece.id)!.points.filter((_, i) => i % 2 === 0)
      expect(Math.min(...xs), piece.name).toBeCloseTo(piece.fromMm, 1)
      expect(Math.max(...xs), piece.name).toBeCloseTo(piece.toMm, 1)
    }
    // The same assessor, so that what it remembers of the wing must not be taken for the raised one.
    const raised = assess({ ...doc, wing: { ...doc.wing, zMm: doc.wing.zMm + 10 } })
    const top = (a: typeof before) =>
      Math.max(...a.drawing.side.find(o => o.id === 'wing-1-starboard')!.points.filter((_, i) => i % 2 === 1))
    expect(top(raised) - top(before)).toBeCloseTo(10, 1)
    for (const piece of raised.pieces.filter(p => p.part === 'wing'))
      expect(
        piece.centreMm[2] - before.pieces.find(p => p.id === piece.id)!.centreMm[2],
        piece.name,
      ).toBeCloseTo(10, 6)
  })
  it("plan outlines cover the wing's area, and both sides mirror", () => {
    const { drawing, plan } = assess(plain(thistledown))
    const shoelace = (points: number[]) => {
      let sum = 0
      for (let i = 0; i < points.length; i += 2)
        sum += points[i] * points[(i + 3) % points.length] - points[(i + 2) % points.length] * points[i + 1]
      return Math.abs(sum / 2)
    }
    const wing = drawing.plan.filter(o => o.part === 'wing').reduce((sum, o) => sum + shoelace(o.points), 0)
    // Incidence and the opened trailing edge change the drawn chord by under half a percent.
    expect(wing / (plan.areaDm2 * 1e4)).toBeCloseTo(1, 2)
    expect(drawing.box.minY).toBeCloseTo(-drawing.box.maxY, 6)
  })
  it('a hull holds all its points and turns one way', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: -50, max: 50 }), fc.integer({ min: -50, max: 50 })), {
          minLength: 3,
          maxLength: 40,
        }),
        points => {
          const hull = convexHull(points)
          fc.pre(hull.length > 2)
          for (let i = 0; i < hull.length; i++) {
            const [a, b] = [hull[i], hull[(i + 1) % hull.length]]
            for (const p of points)
              expect((b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0])).toBeGreaterThanOrEqual(0)
          }
        },
      ),
    )
  })
})

it('a piece that lies in two zones says so, and how far it is from changing over', () => {
  // The body's second piece runs from 152 to 330 mm; zones meet at 152: a cut at 120 puts 32 mm of nose into it.
  const doc = drafted(DEMOS[0], draft => {
    draft.cuts.body[0].atMm = 120
  })
  const found = assess(doc).findings.find(finding => finding.code === 'piece-in-two-zones')!
  expect(found.value).toBeCloseTo((100 * 32) / 210, 6)
  // 178 mm of body against 32 of nose: 73 mm further, and nose has as much.
  expect(written(found.text)).toMatch(/15 % in Nose and firewall .* 73 mm further/)
  expect(assess(DEMOS[0]).findings.some(finding => finding.code === 'piece-in-two-zones')).toBe(false)
})

it('surfaces that neither meet nor stand clear, and foam that nobody has tried, are said', () => {
  const codes = (change: (draft: ProjectFile) => void, base = plover) => {
    return assess(drafted(base, change)).findings.map(finding => finding.code)
  }
  expect(codes(() => {})).not.toContain('surfaces-between')
  // 8 % of a chord of 140 mm is 11 mm: 17 mm over the wing's tip is half-way to standing clear.
  expect(codes(draft => (draft.tail.vertical!.zMm = 23))).toContain('surfaces-between')
  expect(codes(draft => (draft.tail.vertical!.zMm = 60))).not.toContain('surfaces-between')
  expect(codes(() => {})).toContain('foam-not-tried')
  expect(codes(() => {}, thistledown)).not.toContain('foam-not-tried')
})
