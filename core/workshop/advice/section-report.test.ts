import { describe, expect, it } from 'vitest'
import { assess, sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import { scaleSection, shapeFigures, shapeFromPoints, shapeOf } from '../../geometry'
import { parsePolar } from '../../aero'
import { DocumentError, type ProjectFile } from '../../document'
import { sectionReport } from './section-report'

const [thistledown] = DEMOS
const assessor = sharedAssessor()
const report = (doc: ProjectFile, sMm: number, surface: 'wing' | 'horizontal' = 'wing', alpha = 4) =>
  sectionReport(assessor.airframe(doc), assess(doc), surface, sMm, alpha)!

describe('section report', () => {
  it('the root of a 4412 wing: chord, thickness and camber of the designation, the edge opened to two beads', () => {
    const root = report(thistledown, 0)
    expect(root.chordMm).toBe(195)
    expect(root.thickness).toBeCloseTo(0.12 + 0.3 * (0.9 / 195 - 0.0025), 3)
    expect(root.camber).toBeCloseTo(0.04, 3)
    expect(root.edgeMm).toBeCloseTo(0.9, 2)
    expect(root.twistDeg).toBeCloseTo(2, 9)
    // Reynolds number at cruise: ρVc/μ of the field.
    expect(root.reynolds / assess(thistledown).stall.strips[0].reynolds).toBeCloseTo(
      (13 * 195) / (assess(thistledown).stall.speedMs * assess(thistledown).stall.strips[0].chordMm),
      3,
    )
  })
  it('spars lie where they are drawn, in chord shares; the servo shows only across its bay', () => {
    const inner = report(thistledown, 200)
    const main = inner.parts.find(part => part.name === 'Main spar')!
    // Straight from 30 % of 195 mm at the root to 31 % of the chord at 505 mm, whose leading edge lies 21.4
    // mm further aft.
    const end = (30 * 235) / 330 + 0.31 * (195 - (65 * 235) / 330)
    expect(main.x * 195).toBeCloseTo(58.5 + ((end - 58.5) * 200) / 505, 0)
    expect(main.height * inner.chordMm).toBeCloseTo(8, 9)
    expect(inner.parts.some(part => part.kind === 'servo')).toBe(false)
    const outer = report(thistledown, 345)
    const servo = outer.parts.find(part => part.kind === 'servo')!
    expect(servo.width * outer.chordMm).toBeCloseTo(23, 9)
    expect(report(thistledown, 590).parts).toEqual([])
  })
  it('pressure integrates to the lift of the circulation; the nose stagnates and the top sucks', () => {
    const root = report(thistledown, 0, 'wing', 5)
    const top = root.pressure.find(side => side.side === 'top')!
    expect(Math.min(...top.cp)).toBeLessThan(-1)
    expect(Math.max(...root.pressure.flatMap(side => side.cp))).toBeGreaterThan(0.95)
    expect(root.clByPressure).toBeCloseTo(
      root.clAlphaPerRad * Math.sin(((5 - root.alphaZeroLiftDeg) * Math.PI) / 180),
      1,
    )
  })
  it('halfway along a panel it is the mix of both ends, and a tailplane is symmetric', () => {
    expect(report(thistledown, 435).chordMm).toBeCloseTo((195 + 130) / 2, 6)
    const tail = report(thistledown, 0, 'horizontal')
    expect(Math.abs(tail.camber)).toBeLessThan(1e-6)
    expect(Math.abs(tail.alphaZeroLiftDeg)).toBeLessThan(0.02)
  })
})

describe('scaled sections', () => {
  it('have the thickness and the camber asked for, and give the first one back when scaled back', () => {
    const shape = shapeOf('naca4412', [])
    const points = scaleSection(shape, { thickness: 0.15, camber: 0.02 })
    const { thickness, camber } = shapeFigures(shapeFromPoints(points))
    expect(thickness).toBeCloseTo(0.15, 3)
    expect(camber).toBeCloseTo(0.02, 3)
    const back = shapeFromPoints(scaleSection(shapeFromPoints(points), { thickness: 0.12, camber: 0.04 }))
    back.upperY.forEach((y, i) =>
      expect(
        Math.abs(y - shapeFromPoints(scaleSection(shape, { thickness: 0.12, camber: 0.04 })).upperY[i]),
      ).toBeLessThan(2e-3),
    )
  })
})

describe('measured polars', () => {
  const about = { aerofoil: 'naca4412', source: 'a tunnel', reynolds: 100_000 }
  it('columns in any order under their headings, semicolons and comments, rows sorted by incidence', () => {
    const polar = parsePolar('# tunnel\ncd;alpha;cl\n0.02;4;0.9\n0.015;0;0.45\n0.03;8;1.2', about)
    expect(polar.points).toEqual([
      [0, 0.45, 0.015, 0],
      [4, 0.9, 0.02, 0],
      [8, 1.2, 0.03, 0],
    ])
    expect(parsePolar('0,0.4,0.01,-0.1\n2,0.6,0.011,-0.1\n4,0.8,0.012,-0.1', about).points[1]).toEqual([
      2, 0.6, 0.011, -0.1,
    ])
  })
  it('what cannot be read names its row', () => {
    expect(() => parsePolar('alpha,cl,cd\n0,0.4,0.01\n2,x,0.01', about)).toThrow(
      /row 3: "x" is not a number for cl/,
    )
    expect(() => parsePolar('angle,lift\n0,1', about)).toThrow(/no column for cd/)
    expect(() => parsePolar('', about)).toThrow(DocumentError)
    expect(() => parsePolar('0,0.4,0.01\n0,0.5,0.01\n1,0.6,0.01', about)).toThrow(/there twice/)
  })
  it('override the computed limit: a wing measured to lift less stalls faster, by the root of the ratio', () => {
    const polars = ['1', '2']
      .map(() => about)
      .slice(0, 1)
      .map(item => ({
        ...item,
        points: [
          [-4, -0.1, 0.02, 0],
          [0, 0.3, 0.015, 0],
          [8, 0.9, 0.03, 0],
          [10, 0.85, 0.06, 0],
        ] as Array<[number, number, number, number]>,
      }))
    const measured = assess({ ...thistledown, polars })
    expect(measured.stall.source).toBe('measured')
    expect(measured.stall.strips[0].limit).toBeCloseTo(0.9, 6)
    const computed = assess(thistledown)
    const [a, b] = [computed, measured].map(item => item.stall)
    expect(b.speedMs / a.speedMs).toBeCloseTo(Math.sqrt(a.clMax / b.clMax), 6)
    expect(b.speedMs).toBeGreaterThan(a.speedMs)
  })
})
