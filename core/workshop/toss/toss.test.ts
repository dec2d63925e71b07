import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import type { ProjectFile } from '../../document'
import { LEVEL_THROW } from '../../testing/level-throw'
import { runs } from '../../testing/runs'
import { fly } from '../../toss'
import { gliderOf, steadyGlide, suitingThrow, survivingBalance, toss, type Throw } from './index'

const assessor = sharedAssessor()
const tablesOf = (doc: ProjectFile, payload = true) => assessor.flown(doc).pitch(payload)

describe('the tables against what they were made of', () => {
  it('a steady glide has the speed and the ratio of the trim table, with payload and without', () => {
    for (const doc of DEMOS) {
      const { trim } = assessor.assess(doc)
      for (const row of trim.filter(item => item.id === 'glide')) {
        const glide = steadyGlide(tablesOf(doc, row.payload), row.controlDeg!)!
        // The table takes lift for weight; in a glide of one in eleven that is 0.4 % in force, 0.2 % in speed.
        expect(Math.abs(glide.speedMs / row.speedMs - 1), doc.name).toBeLessThan(0.01)
        expect(Math.abs(glide.ratio / row.glideRatio - 1), doc.name).toBeLessThan(0.01)
      }
    }
  })
  it('thrown so, it goes on so', () => {
    for (const doc of DEMOS) {
      const tables = tablesOf(doc)
      const elevatorDeg = assessor.assess(doc).trim.find(row => row.id === 'glide')!.controlDeg!
      const glide = steadyGlide(tables, elevatorDeg)!
      const { path } = fly(gliderOf(tables), {
        speed: glide.speedMs,
        path: (-glide.slopeDeg * Math.PI) / 180,
        attitude: ((glide.alphaDeg - glide.slopeDeg) * Math.PI) / 180,
        height: 60,
        elevator: (elevatorDeg * Math.PI) / 180,
        wind: 0,
        gust: null,
        thrust: null,
        seconds: 10,
      })
      for (const point of path) expect(Math.abs(point.speed / glide.speedMs - 1)).toBeLessThan(0.01)
    }
  })
  it('modes: the nod of a toss is the short period of the handling page', () => {
    const [doc] = DEMOS
    const tables = tablesOf(doc)
    // Its own damping and stiffness, as the handling page says them at cruise.
    const { derivatives } = assessor.assess(doc).handling
    expect(Math.abs(tables.Cmq / derivatives.Cm_q - 1)).toBeLessThan(0.03)
    expect(Math.abs(tables.CLq / derivatives.CL_q - 1)).toBeLessThan(0.03)
    // The slope of the moment at the incidence of cruise, between the entries on either side of it.
    const cruise = assessor.assess(doc).trim.find(row => row.id === 'cruise')!
    const at = ((cruise.alphaDeg * Math.PI) / 180 - tables.alphaFrom) / tables.alphaStep
    const i = Math.round(at)
    const near = (k: number) => (tables.Cm[k + 1] - tables.Cm[k - 1]) / (2 * tables.alphaStep)
    const slope = near(i) + (at - i) * (near(i + 1) - near(i))
    expect(Math.abs(slope / derivatives.Cm_alpha - 1)).toBeLessThan(0.03)
  })
})

describe('a toss', () => {
  const tables = tablesOf(DEMOS[0])
  const glide = assessor.assess(DEMOS[0]).trim.find(row => row.id === 'glide')!,
    elevatorDeg = glide.controlDeg!
  it('the throw that suits it glides flat and lands softly', () => {
    const suits = suitingThrow(tables, { ...LEVEL_THROW, elevatorDeg }, 20)!
    const found = toss(tables, suits)
    expect(found.kind).toBe('glides')
    expect(found.sinkMs).toBeLessThan(1.2)
    expect(found.highestM).toBeCloseTo(1.8, 2)
    // An arm that throws no faster is believed.
    expect(suitingThrow(tables, { ...LEVEL_THROW, elevatorDeg }, 6)!.speedMs).toBe(6)
  })
  it('nose-heavy goes down steeper and sooner, and every millimetre says so', () => {
    let last = Infinity
    for (let mm = 5; mm >= -35; mm -= 2) {
      const found = toss(tables, { ...LEVEL_THROW, elevatorDeg }, mm / 1000)
      expect(found.distanceM).toBeLessThan(last + 0.05)
      last = found.distanceM
    }
  })
  it('far tail-heavy it rises, slows and stalls', () => {
    const found = toss(tables, { ...LEVEL_THROW, speedMs: 10, elevatorDeg }, 0.035)
    expect(found.stalled).toBe(true)
    expect(found.kind).toBe('stalls')
    expect(found.highestM).toBeGreaterThan(2.2)
  })
  it('a fast throw with the right balance rises and sinks back: not tail-heavy', () => {
    // Half as much again of the lift that carries it: up, and over before it hangs.
    const speedMs = 1.25 * glide.speedMs
    expect(toss(tables, { ...LEVEL_THROW, speedMs, pathDeg: 4, elevatorDeg }).kind).toBe('balloons')
  })
  it('is smooth in every figure of the throw', () => {
    // Where it is after 1.2 s, thrown from a hill: where it lands may jump, where it only just clears the ground.
    const sweep = (of: (value: number) => Throw, from: number, to: number, step: number) => {
      let last: { x: number; z: number } | null = null
      // By day a stretch of it, in the same fine steps.
      const end = runs(to, from + 0.08 * (to - from))
      for (let value = from; value <= end; value += step) {
        const now = toss(tables, { ...of(value), heightM: 12 }).path[60]
        if (last) expect(Math.hypot(now.x - last.x, now.z - last.z), `at ${value}`).toBeLessThan(0.1)
        last = now
      }
    }
    sweep(speedMs => ({ ...LEVEL_THROW, speedMs, elevatorDeg }), 4, 12, 0.02)
    sweep(pathDeg => ({ ...LEVEL_THROW, pathDeg, elevatorDeg }), -30, 40, 0.2)
    sweep(deg => ({ ...LEVEL_THROW, elevatorDeg: deg }), -10, 10, 0.1)
    sweep(windMs => ({ ...LEVEL_THROW, windMs, speedMs: 9, elevatorDeg }), 0, 5, 0.02)
    sweep(gustMs => ({ ...LEVEL_THROW, gustMs, elevatorDeg }), -3, 3, 0.05)
  })
  it('the balance that survives lies round the one that suits', () => {
    const suits = suitingThrow(tables, { ...LEVEL_THROW, elevatorDeg }, 20)!
    const { foreMm, aftMm } = survivingBalance(tables, suits)
    expect(foreMm).toBeLessThan(-5)
    expect(aftMm).toBeGreaterThan(2)
    const beyond = toss(tables, suits, (foreMm - 8) / 1000)
    expect(beyond.sinkMs).toBeGreaterThan(3)
  })
})
