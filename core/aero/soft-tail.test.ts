/** A tail that its boom gives way to, against the sums for one force on a cantilever. */
import { describe, expect, it } from 'vitest'
import { controlEffect, derivativesAt } from './derivatives'
import { circulationOf, solveFlows } from './flows'
import { slopesOf } from './lift'
import { boundLoads } from './loads'
import { layPanels, type LatticeSurface } from './panels'
import { softTail } from './soft-tail'

const station = (x: number, y: number, z: number, chord: number) => ({
  x,
  y,
  z,
  chord,
  twist: 0.03,
  slopeAt: () => 0,
})
const surface = (name: string, ends: LatticeSurface['stations'], more: Partial<LatticeSurface> = {}) => ({
  name,
  mirror: true,
  chordwise: 3,
  spanwise: 8,
  spacing: 'cosine' as const,
  stations: ends,
  ...more,
})
const flap = (id: string, to: number) => [{ id, from: 0, to, chordShare: 0.4 }]
const tail = surface('tail', [station(1, 0, 0, 0.1), station(1, 0.25, 0, 0.1)], {
  carried: true,
  controls: flap('elevator', 0.25),
})
const fin = surface('fin', [station(1, 0, 0, 0.12), station(1.02, 0, 0.2, 0.08)], {
  mirror: false,
  carried: true,
  controls: flap('rudder', 0.2),
})
const wing = surface('wing', [station(0, 0, 0, 0.2), station(0, 0.6, 0.05, 0.2)], { chordwise: 4 })
const flowsOf = (...surfaces: LatticeSurface[]) => solveFlows(layPanels(surfaces))

const REFERENCE = { area: 0.24, chord: 0.2, span: 1.2, x: 0.05 }
const CG = { x: 0.07, z: 0 }
const SPRING = { heldM: 0.4, EI: 12 }
const PRESSURE = 150

describe('a tail alone on its boom', () => {
  it('gives way to nothing where no boom is soft, or nothing is carried by it', () => {
    expect(softTail(flowsOf(tail), { ...SPRING, EI: 0 })).toBeNull()
    expect(softTail(flowsOf(wing), SPRING)).toBeNull()
    // A wing beside it, which is not carried, takes nothing from that.
    expect(softTail(flowsOf(wing, tail), SPRING)).not.toBeNull()
  })
  it('loses what P = q·a·S·(α − P·l²/2EI) says, of incidence and of the elevator alike', () => {
    const flows = flowsOf(tail)
    const rigid = slopesOf(flows, REFERENCE)
    const soft = softTail(flows, SPRING)!
    // Lift at its own quarter-chord: from the moment about the reference point.
    const x = REFERENCE.x - (rigid.cmAlpha / rigid.clAlpha) * REFERENCE.chord
    const compliance = (x - SPRING.heldM) ** 2 / (2 * SPRING.EI)
    let force = 0
    for (let i = 0; i < 500; i++) force = PRESSURE * REFERENCE.area * rigid.clAlpha * (1 - force * compliance)
    const left = force / (PRESSURE * REFERENCE.area * rigid.clAlpha)
    expect(left).toBeGreaterThan(0.3)
    expect(left).toBeLessThan(0.9)
    expect(soft.left('pitch', PRESSURE)).toBeCloseTo(left, 9)
    expect(slopesOf(soft.at(PRESSURE), REFERENCE).clAlpha / rigid.clAlpha).toBeCloseTo(left, 9)
    const elevator = (of: typeof flows) =>
      controlEffect(of, 0, { id: 'elevator', sense: 'together' }, CG, REFERENCE).CL
    expect(elevator(soft.at(PRESSURE)) / elevator(flows)).toBeCloseTo(left, 2)
  })
  it('is rigid in still air and on a rigid boom; half a stiffness is twice the pressure', () => {
    const flows = flowsOf(tail)
    const soft = softTail(flows, SPRING)!
    expect(soft.left('pitch', 0)).toBe(1)
    expect(softTail(flows, { ...SPRING, EI: 1e12 })!.left('pitch', PRESSURE)).toBeCloseTo(1, 9)
    expect(softTail(flows, { ...SPRING, EI: SPRING.EI / 2 })!.left('pitch', PRESSURE)).toBeCloseTo(
      soft.left('pitch', 2 * PRESSURE),
      12,
    )
    expect(softTail(flows, { ...SPRING, heldM: 2 })).toBeNull()
    expect(softTail(flowsOf({ ...tail, carried: false }), SPRING)).toBeNull()
  })
})

describe('a whole aircraft', () => {
  const flows = flowsOf(wing, tail, fin)
  const soft = softTail(flows, SPRING)!
  const of = (which: typeof flows, alpha = 0.05) => derivativesAt(which, alpha, [], CG, REFERENCE)

  it('the turn found at once is the one that loads and turn come to step by step', () => {
    const { panels } = flows.lattice
    const flow = {
      wind: [1, 0.04, 0.06],
      spin: [0, 0.1, 0],
      deflections: [
        { id: 'elevator', sense: 'together', angle: -0.1 },
        { id: 'rudder', sense: 'together', angle: 0.2 },
      ],
    } as const
    const on = { ...panels, controls: new Map() }
    const alone = (gamma: ReturnType<typeof circulationOf>) => ({
      starboard: gamma.starboard.map((value, i) => value * panels.carried[i]),
      port: gamma.port.map((value, i) => value * panels.carried[i]),
    })
    const ahead = (_x: number, _y: number, _z: number, out: Float64Array) => out.set([1, 0, 0])
    const arm = (axis: 'pitch' | 'yaw') => {
      const { force, moment } = boundLoads(on, alone(flows.turn(axis)), ahead, [0, 0, 0])
      // My = −x·Fz, Mz = x·Fy for loads in the stream ahead.
      return (axis === 'pitch' ? -moment[1] / force[2] : moment[2] / force[1]) - SPRING.heldM
    }
    let turned = { pitch: 0, yaw: 0 }
    for (let i = 0; i < 400; i++) {
      const { force } = boundLoads(on, alone(circulationOf(flows, { ...flow, turned })), ahead, [0, 0, 0])
      const bent = (axis: 'pitch' | 'yaw', newton: number) => (newton * arm(axis) ** 2) / (2 * SPRING.EI)
      // Slowly, or what overshoots never comes to rest.
      turned = {
        pitch: turned.pitch + 0.2 * (-bent('pitch', 2 * PRESSURE * force[2]) - turned.pitch),
        yaw: turned.yaw + 0.2 * (bent('yaw', 2 * PRESSURE * force[1]) - turned.yaw),
      }
    }
    const found = soft.at(PRESSURE).settled(flow).turned!
    expect(Math.abs(turned.pitch)).toBeGreaterThan(0.003)
    expect(Math.abs(turned.yaw)).toBeGreaterThan(0.003)
    // The fin's small push on the tailplane, and the other way round, is what the two axes leave out.
    expect(found.pitch / turned.pitch).toBeCloseTo(1, 2)
    expect(found.yaw / turned.yaw).toBeCloseTo(1, 2)
  })
  it('is less stable in pitch and yaw, turns less by its controls, damps less; a roll is as it was', () => {
    const [a, b] = [of(flows), of(soft.at(PRESSURE))]
    expect(a.alpha.Cm).toBeLessThan(0)
    expect(a.beta.Cn).toBeGreaterThan(0)
    const turns = (item: { id: string; sense: string }) => item.id === 'elevator' && item.sense === 'together'
    for (const [rigid, given] of [
      [a.alpha.Cm, b.alpha.Cm],
      [a.beta.Cn, b.beta.Cn],
      [a.q.Cm, b.q.Cm],
      [a.r.Cn, b.r.Cn],
      [a.controls.find(turns)!.Cm, b.controls.find(turns)!.Cm],
      [a.controls.find(item => item.id === 'rudder')!.Cn, b.controls.find(item => item.id === 'rudder')!.Cn],
    ]) {
      expect(given / rigid).toBeGreaterThan(0)
      expect(given / rigid).toBeLessThan(0.97)
    }
    expect(b.p.Cl / a.p.Cl).toBeCloseTo(1, 2)
  })
  it('both ways of a V-tail give as one boom does', () => {
    const v = surface('v', [station(1, 0, 0, 0.12), station(1.03, 0.18, 0.18, 0.08)], { carried: true })
    const own = softTail(flowsOf(v), SPRING)!
    // At 45° what lifts and what pushes sideways are projections of one load; the two halves spoil each other's flow
    // less when they lift alike.
    const [up, side] = [1 / own.left('pitch', PRESSURE) - 1, 1 / own.left('yaw', PRESSURE) - 1]
    expect(up).toBeGreaterThan(side)
    expect(up / side).toBeLessThan(2)
  })
  it('goes with the speed without a jump', () => {
    let before = of(flows).alpha.Cm
    const steps = Array.from({ length: 60 }, (_, i) => {
      const now = of(soft.at(5 * (i + 1))).alpha.Cm
      const step = now - before
      before = now
      return step
    })
    expect(steps.every(step => step > 0)).toBe(true)
    steps.slice(1).forEach((step, i) => {
      expect(step).toBeLessThan(steps[i])
    })
  })
})
