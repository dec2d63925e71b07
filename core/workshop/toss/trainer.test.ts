import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import { written } from '../../units'
import { pullOf } from '../power'
import { confused, DIFFICULTIES, faultsFor, lesson, noted, revealed, turning, type FaultKind } from './index'
import { random } from '../../testing/random'

const assessor = sharedAssessor()
const chanceOf = (seed: number) => random(seed).uniform
const at = DEMOS.map(doc => {
  const assessment = assessor.assess(doc)
  return {
    doc,
    tables: assessor.flown(doc).pitch(true),
    elevatorDeg: assessment.trim.find(row => row.id === 'glide')!.controlDeg!,
    pull: pullOf(doc, assessment),
  }
})
const [plain] = DIFFICULTIES

describe('the trainer', () => {
  it.each(at)('shows on $doc.name what each fault is known by', ({ tables, elevatorDeg, pull }) => {
    const of = (fault: FaultKind) => lesson(tables, elevatorDeg, fault, plain, chanceOf(3), pull)!
    const right = of('none').toss
    expect(['glides', 'balloons']).toContain(right.kind)
    // Nose-heavy and held down it lands sooner and faster.
    for (const fault of ['nose-heavy', 'dives'] as const) {
      expect(of(fault).toss.distanceM).toBeLessThan(right.distanceM)
      expect(of(fault).toss.sinkMs).toBeGreaterThan(right.sinkMs)
    }
    // Tail-heavy, held up, thrown up and lifted it rises above where it was let go.
    for (const fault of ['tail-heavy', 'loops', 'steep-throw'] as const)
      expect(of(fault).toss.highestM).toBeGreaterThan(right.highestM + 0.05)
    expect(of('weak-throw').toss.path[0].speed).toBeLessThan(0.75 * right.path[0].speed)
    // A gust lifts it in the middle of the way, and not before it is there.
    const high = (fault: FaultKind, t: number) => of(fault).toss.path.find(point => point.t >= t)!.z
    expect(high('gust', 1.4)).toBeGreaterThan(high('none', 1.4) + 0.2)
    expect(high('gust', 0.48)).toBeCloseTo(high('none', 0.48), 9)
    // A warp leaves the side view alone and turns it.
    expect(of('warp').toss.kind).toBe(right.kind)
    expect(Math.abs(of('warp').sideways.at(-1)!.bank)).toBeGreaterThan(0.15)
    expect(Math.max(...right.path.map((_, i) => Math.abs(of('none').sideways[i]?.y ?? 0)))).toBe(0)
  })

  it('finer faults are smaller, and every one says what it was with its figure', () => {
    for (const { tables, elevatorDeg, pull } of at)
      for (const fault of faultsFor(pull)) {
        const sizes = DIFFICULTIES.map(step =>
          Math.abs(lesson(tables, elevatorDeg, fault, step, chanceOf(5), pull)!.amount),
        )
        expect(sizes[0]).toBeGreaterThanOrEqual(sizes[1])
        expect(sizes[1]).toBeGreaterThanOrEqual(sizes[2])
        const words = written(revealed(lesson(tables, elevatorDeg, fault, plain, chanceOf(5), pull)!))
        if (fault !== 'none') expect(words).toMatch(/\d/)
      }
  })

  it('without a motor no lesson is about thrust', () => {
    expect(faultsFor(null)).not.toContain('thrust-line')
    expect(faultsFor(at[0].pull)).toContain('thrust-line')
  })

  it('a lesson can be had again', () => {
    const { tables, elevatorDeg, pull } = at[0]
    const twice = [1, 2].map(() => lesson(tables, elevatorDeg, 'gust', plain, chanceOf(11), pull)!)
    expect(twice[0].toss.path).toEqual(twice[1].toss.path)
  })

  it('a warp rolls until its own roll takes it away: pb/2V is the twist', () => {
    // At a steady 10 m/s with a span of 1 m, 1° makes 2 · 10 · 0.01745 = 0.349 rad/s.
    const path = Array.from({ length: 51 }, (_, i) => ({
      t: i * 0.02,
      x: i * 0.2,
      z: 5,
      speed: 10,
      alpha: 0,
      theta: 0,
      rate: 0,
    }))
    const found = turning(path, 1, { span: 1, gravity: 9.81 })
    expect(found.at(-1)!.bank).toBeCloseTo((2 * 10 * Math.PI) / 180, 6)
    // y'' = g tan φ with φ = p t: about g p t³/6 while the angles are small.
    expect(found.at(-1)!.y).toBeCloseTo((9.81 * 0.349) / 6, 1)
    expect(turning(path, -1, { span: 1, gravity: 9.81 }).at(-1)!.y).toBeCloseTo(-found.at(-1)!.y, 9)
  })

  it('keeps what is mistaken for what, most often first', () => {
    let record = {}
    record = noted(record, 'gust', 'tail-heavy')
    record = noted(record, 'gust', 'tail-heavy')
    record = noted(record, 'dives', 'nose-heavy')
    record = noted(record, 'dives', 'dives')
    expect(confused(record)).toEqual([
      { was: 'gust', said: 'tail-heavy', times: 2 },
      { was: 'dives', said: 'nose-heavy', times: 1 },
    ])
  })
})
