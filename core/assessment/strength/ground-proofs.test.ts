/** Loads hung from the wing on the ground: what is predicted, what a reading corrects, what a test proves. */
import { describe, expect, it } from 'vitest'
import { type Assessment, sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import type { Proof, ProjectFile } from '../../document'
import { drafted } from '../../testing/changed'
import { plank } from '../../testing/plank'
import { GRAVITY as g, written } from '../../units'

const assessor = sharedAssessor()
const assess = (change: (draft: ProjectFile) => void = () => {}): Assessment =>
  assessor.assess(drafted(DEMOS[0], change))
const proof = (more: Partial<Proof>): Proof => ({
  id: 'p',
  kind: 'root',
  massG: 200,
  atMm: 400,
  armMm: 0,
  measured: null,
  date: '2026-11-25',
  note: '',
  ...more,
})

describe('tests on the ground', () => {
  it('a plank held at its root: P·a³/3EI within 1 %; on trestles each half takes half the load', () => {
    const root = assess(d => {
        plank(d)
        d.proofs = [proof({})]
      }).strength,
      EI = root.stations[4].EI
    expect(root.proofs[0].predicted / ((1000 * 0.2 * g * 0.4 ** 3) / (3 * EI))).toBeCloseTo(1, 2)
    const trestles = assess(d => {
      plank(d)
      d.proofs = [proof({ kind: 'trestles', massG: 400 })]
    }).strength.proofs[0]
    expect(trestles.predicted).toBeCloseTo(root.proofs[0].predicted, 6)
    // P/2·a at the middle over the moment of 1 g.
    expect(trestles.equivalent).toBeCloseTo((0.2 * g * 0.4) / (root.stations[0].moment / 5), 6)
  })
  it('twisted: T·a/GJ; what is measured corrects twist, divergence and flutter, and leaves the reserve alone', () => {
    const twist = (measured: number | null) =>
      assess(d => {
        plank(d)
        d.proofs = [proof({ kind: 'twist', massG: 300, atMm: 500, armMm: 150, measured })]
      }).strength
    const plain = twist(null),
      { predicted } = plain.proofs[0]
    expect(predicted / (((180 / Math.PI) * (0.3 * g * 0.15 * 0.5)) / plain.stations[4].GJ)).toBeCloseTo(1, 2)
    const soft = twist(2 * predicted)
    expect(soft.proofs[0].ratio).toBeCloseTo(0.5, 9)
    expect(soft.measured).toMatchObject({
      twist: expect.closeTo(0.5, 9),
      bending: 1,
      twistTests: 1,
      bendingTests: 0,
    })
    expect(soft.twist.diveDeg / plain.twist.diveDeg).toBeCloseTo(2, 6)
    expect(soft.twist.divergenceMs! / plain.twist.divergenceMs!).toBeCloseTo(Math.SQRT1_2, 6)
    expect(soft.reserve).toBe(plain.reserve)
  })
  it('several bending tests count by their geometric mean; a softer wing rises further and a tip strike is milder', () => {
    const plain = assess(d => {
      d.proofs = [proof({}), proof({ id: 'q', kind: 'trestles', atMm: 330, massG: 2000 })]
    }).strength
    const [a, b] = plain.proofs
    const both = assess(d => {
      d.proofs = [
        proof({ measured: 2 * a.predicted }),
        proof({ id: 'q', kind: 'trestles', atMm: 330, massG: 2000, measured: b.predicted / 0.8 }),
      ]
    }).strength
    expect(both.measured.bending).toBeCloseTo(Math.sqrt(0.5 * 0.8), 6)
    expect(both.twist.tipRiseMm / plain.twist.tipRiseMm).toBeCloseTo(1 / both.measured.bending, 6)
    const force = (s: typeof both) =>
      Number(written(s.cases.find(item => item.id === 'tip')!.words).split(' ')[0])
    expect(force(both)).toBeLessThanOrEqual(force(plain))
  })
  it("what a test proves ends where its moment falls under the flight's", () => {
    const {
      proofs: [report],
      stations,
    } = assess(d => {
      d.proofs = [proof({ kind: 'trestles', massG: 4000, atMm: 330 })]
    }).strength
    expect(report.provenTo).toBeGreaterThan(0)
    expect(report.provenTo!).toBeLessThan(330)
    const beyond = stations.find(station => station.s > report.provenTo!)!
    expect((2 * g * (0.33 - beyond.s / 1000)) / (beyond.moment / 5)).toBeLessThan(5)
    expect(written(report.provesNot)).toContain('330 mm')
  })
  it("a drop of its own mass from the brief's height is the landing itself", () => {
    const a = assess()
    const {
      proofs: [report],
      gear,
    } = assess(d => {
      d.proofs = [proof({ kind: 'drop', massG: a.totals.massG, atMm: d.brief.dropMm })]
    }).strength
    expect(report.predicted).toBeCloseTo(gear.travelMm, 9)
    expect(report.equivalent).toBeCloseTo(gear.factor, 9)
    expect(gear.workJ / gear.fallJ).toBeCloseTo(1, 6)
  })
  it('a drop of nothing at all has figures', () => {
    const [report] = assess(d => {
      d.proofs = [proof({ kind: 'drop', massG: 0, atMm: 0.5 })]
    }).strength.proofs
    expect(Number.isFinite(report.predicted)).toBe(true)
    expect(report.reserve).toBeGreaterThan(1)
  })
})
