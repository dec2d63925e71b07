/** Motors that turn up: balance by the moments that move, lift and download by momentum, torque by hand. */
import { describe, expect, it } from 'vitest'
import { propulsionOf, sharedAssessor, turnedUp } from '../../assess'
import type { ProjectFile, Tilt } from '../../document'
import { FRESH, running } from '../../power'
import { AXIS, HUB_AHEAD, MOTOR_AHEAD, tilting } from '../../testing/tilting'
import { readiness } from '../../workshop/readiness'

const assessor = sharedAssessor()
const report = (doc: ProjectFile) => assessor.assess(doc).tilt!
const codes = (doc: ProjectFile) =>
  assessor
    .assess(doc)
    .findings.filter(item => item.code.startsWith('tilt-'))
    .map(item => item.code)
const massOf = (doc: ProjectFile, kind: string) => 2 * doc.equipment.find(item => item.kind === kind)!.massG
const servoOf = (doc: ProjectFile) => doc.equipment.find(item => item.servo)!

describe('what turns', () => {
  it('what lay ahead of the axis lies over it, what lay over it lies behind: a turn keeps its distance', () => {
    expect(turnedUp([-30, 0], [0, 0], 90)[0]).toBeCloseTo(0, 12)
    expect(turnedUp([-30, 0], [0, 0], 90)[1]).toBeCloseTo(30, 12)
    expect(turnedUp([10, 25], [10, 5], 90)).toEqual([expect.closeTo(30, 12), expect.closeTo(5, 12)])
    for (const deg of [5, 33, 90, 117]) {
      const [x, z] = turnedUp([70, -12], [100, 8], deg)
      expect(Math.hypot(x - 100, z - 8)).toBeCloseTo(Math.hypot(30, 20), 9)
    }
    // And with itself the other way about: twice half is the whole.
    expect(turnedUp(turnedUp([3, 4], [1, 1], 30), [1, 1], 30)[0]).toBeCloseTo(
      turnedUp([3, 4], [1, 1], 60)[0],
      12,
    )
  })
  it('moves the balance point by its own moments, and the flying aircraft not at all', () => {
    const doc = tilting(),
      now = assessor.assess(doc),
      plain = assessor.assess({ ...doc, tilt: null })
    const moment = massOf(doc, 'motor') * MOTOR_AHEAD + massOf(doc, 'propeller') * HUB_AHEAD
    expect(now.tilt!.upMm[0] - now.totals.cgMm[0]).toBeCloseTo(moment / now.totals.massG, 9)
    expect(now.tilt!.upMm[1] - now.totals.cgMm[2]).toBeCloseTo(moment / now.totals.massG, 9)
    expect(now.totals).toEqual(plain.totals)
    expect(now.flight).toEqual(plain.flight)
    expect(plain.tilt).toBeNull()
  })
  it('turns with its spar where one is named: the axis lies on that', () => {
    const spar = tilting().spars.find(own => own.surface === 'wing')!
    const doc = tilting({ spar: spar.id, xMm: -500, zMm: -500 })
    const frame = assessor.airframe(doc)
    const line = frame.spars.wing!.find(own => own.spar.id === spar.id)!
    const s = Math.min(line.to, AXIS.y - frame.wing.origin[1])
    expect(report(doc).axisMm[0]).toBeCloseTo(line.at(s).x, 6)
    expect(Math.abs(report(doc).axisMm[1] - frame.wing.origin[2])).toBeLessThan(60)
  })
})

describe('what it lifts', () => {
  const total = (doc: ProjectFile) => running(propulsionOf(doc).propulsion!.drive, 1, 0, FRESH).thrust
  it('is the pull at rest by the sine of the turn, less what the wing takes of it', () => {
    for (const upDeg of [30, 60, 90]) {
      const doc = tilting({ upDeg }),
        { lift } = report(doc)
      const weight = (assessor.assess(doc).totals.massG / 1000) * 9.80665
      expect(lift!.thrustN).toBeCloseTo(total(doc), 9)
      expect(lift!.toWeight).toBeCloseTo(
        (total(doc) * Math.sin((upDeg * Math.PI) / 180) * (1 - lift!.download)) / weight,
        9,
      )
    }
  })
  it('of a pair on one side of the disc alone counts by its number', () => {
    const doc = tilting({}, draft => {
      draft.equipment.push({
        ...draft.equipment.find(item => item.kind === 'motor')!,
        id: 'third',
        name: 'Third',
        pair: false,
        yMm: 0,
      })
    })
    expect(report(doc).lift!.thrustN).toBeCloseTo((2 / 3) * total(doc), 9)
  })
  it('is pressed down by a wing right across its stream: 0.25 · 1.2 · 1.5² of the covered share of the disc', () => {
    // A small disc in the middle of the chord lies over the wing altogether: 67.5 %.
    const within = tilting({}, draft => {
      const hub = draft.equipment.find(item => item.kind === 'propeller')!
      hub.sizeMm = [10, 60, 60]
      const chord = draft.wing.rootChordMm
      Object.assign(draft.tilt!, { xMm: draft.wing.xMm + chord / 2 })
      hub.xMm = draft.wing.xMm + chord / 2 - 80
      hub.yMm = 120
    })
    expect(report(within).lift!.download).toBeCloseTo(0.675, 3)
    // Off the tip none of it does.
    const off = tilting({}, draft => {
      draft.equipment.find(item => item.kind === 'propeller')!.yMm = 3000
    })
    expect(report(off).lift!.download).toBe(0)
    // With half of the disc past the tip, half: a tilting rotor at its tip loses about a tenth of what it lifts.
    const steps = Array.from(
      { length: 16 },
      (_, i) =>
        report(
          tilting({}, draft => {
            draft.equipment.find(item => item.kind === 'propeller')!.yMm = 460 + 20 * i
          }),
        ).lift!.download,
    )
    const most = Math.max(...steps)
    for (const [i, next] of steps.slice(1).entries()) {
      expect(next).toBeLessThanOrEqual(steps[i] + 1e-3)
      expect(steps[i] - next).toBeLessThan(0.3 * most)
    }
  })
  it('without a propeller among what turns is not told', () => {
    const doc = tilting()
    expect(report({ ...doc, tilt: { ...doc.tilt!, items: ['motor'] } }).lift).toBeNull()
  })
})

describe('what it asks', () => {
  const loaded = (tilt: Partial<Tilt> = {}, more: (draft: ProjectFile) => void = () => {}) =>
    tilting({ zMm: AXIS.z - 15, servo: servoOf(tilting()).id, ...tilt }, draft => {
      draft.equipment.find(item => item.servo)!.pair = false
      more(draft)
    })
  it('of the servo: twice the thrust on its offset and the weight on its arm, by the gear, shared by two', () => {
    const doc = loaded(),
      { lift, servo } = report(doc)
    const [m, p] = [massOf(doc, 'motor'), massOf(doc, 'propeller')]
    const arm = Math.hypot((m * MOTOR_AHEAD + p * HUB_AHEAD) / (m + p), 15) / 1000
    const byHand = 2 * (lift!.thrustN * 0.015 + ((m + p) / 1000) * 9.80665 * arm) * 100
    expect(servo!.asksNcm).toBeCloseTo(byHand, 6)
    expect(report(loaded({ gear: 2 })).servo!.asksNcm).toBeCloseTo(2 * byHand, 6)
    expect(
      report(loaded({}, draft => (draft.equipment.find(item => item.servo)!.pair = true))).servo!.asksNcm,
    ).toBeCloseTo(byHand / 2, 6)
    expect(servo!.reachesDeg).toBe(2 * servoOf(doc).servo!.travelDeg)
  })
  it('of the spar: τ = M r / J and φ = M l / (G J) of a tube, half of it on either side', () => {
    const doc = loaded({ spar: 'main-spar' }, draft => {
      const spar = draft.spars.find(own => own.id === 'main-spar')!
      spar.stock = 'tube-8x6'
    })
    const { spar, servo } = report(doc)
    const stock = assessor.airframe(doc).spars.wing!.find(own => own.spar.id === 'main-spar')!.stock
    const M = servo!.asksNcm / 100 / 2 / 2,
      J = (Math.PI / 2) * (0.004 ** 4 - 0.003 ** 4)
    expect(spar!.torqueNcm).toBeCloseTo(100 * M, 9)
    expect(spar!.reserve).toBeCloseTo(stock.shearStrength / (doc.brief.safetyFactor * ((M * 0.004) / J)), 6)
    const length = (AXIS.y - Math.abs(servoOf(doc).yMm)) / 1000
    expect(spar!.twistDeg).toBeCloseTo((((M * length) / (stock.shearModulus * J)) * 180) / Math.PI, 9)
  })
})

describe('what is said of it', () => {
  it('each fault by its name', () => {
    const says = (tilt: Partial<Tilt>, more?: (draft: ProjectFile) => void) => codes(tilting(tilt, more))
    expect(says({ items: ['nobody'] })).toEqual(['tilt-nothing'])
    expect(says({ upDeg: 45 })).not.toContain('tilt-lift')
    // A band round where it balances as drawn: up, it is out of it.
    const margin = assessor.assess(tilting()).flight.staticMarginPct
    expect(
      says({}, draft => {
        draft.brief.staticMarginPct = [margin - 0.1, margin + 0.1]
      }),
    ).toContain('tilt-balance')
    expect(
      says({}, draft => (draft.equipment.find(item => item.kind === 'battery')!.massG = 3000)),
    ).toContain('tilt-lift')
    expect(says({ servo: servoOf(tilting()).id, zMm: AXIS.z - 60 })).toContain('tilt-servo')
    expect(says({ servo: servoOf(tilting()).id, gear: 0.2 })).toContain('tilt-travel')
    expect(says({ spar: 'main-spar' })).toContain('tilt-spar-bonded')
    expect(says({ spar: 'gone' })).toContain('tilt-spar-missing')
    expect(
      says({ spar: 'main-spar' }, draft => {
        const spar = draft.spars.find(own => own.id === 'main-spar')!
        Object.assign(spar, { stock: 'strip-1x3', fixing: 'removable' })
      }),
    ).toContain('tilt-spar-flat')
    expect(
      says({}, draft => {
        for (const item of draft.equipment) if (item.kind === 'propeller') item.xMm = AXIS.x - 4
      }),
    ).toContain('tilt-strikes')
    expect(
      says({}, draft => {
        for (const item of draft.equipment) if (item.kind === 'propeller') item.xMm = AXIS.x - 160
      }),
    ).not.toContain('tilt-strikes')
  })
  it('thrust far off the balance point is told where it would hover', () => {
    const light = (x: number) =>
      tilting({ xMm: x }, draft => {
        for (const item of draft.equipment) {
          if (item.kind === 'motor')
            Object.assign(item, {
              xMm: x - MOTOR_AHEAD,
              motor: { ...item.motor!, rpmPerVolt: 3 * item.motor!.rpmPerVolt },
            })
          if (item.kind === 'propeller') item.xMm = x - HUB_AHEAD
        }
      })
    const far = light(60),
      lift = report(far).lift!
    expect(lift.toWeight).toBeGreaterThan(1)
    expect(lift.leverMm).toBeLessThan(-20)
    expect(codes(far)).toContain('tilt-lever')
    // The axis over the balance point, turn by turn, for that moves with it: nothing is said.
    let x = 60
    for (let i = 0; i < 12; i++) [x] = report(light(x)).upMm
    expect(Math.abs(report(light(x)).lift!.leverMm)).toBeLessThan(1)
    expect(codes(light(x))).not.toContain('tilt-lever')
  })
  it('whoever flies it looks at it every day', () => {
    const asked = (doc: ProjectFile) => readiness(doc, assessor.assess(doc)).items.map(item => item.id)
    expect(asked(tilting())).toContain('tilt')
    expect(asked({ ...tilting(), tilt: null })).not.toContain('tilt')
  })
})
