import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import type { ProjectFile } from '../../document'
import { written } from '../../units'
import { buildOrder, buildProgress, channelList, hardwareList, linkageSheets, servoTurn } from './index'
import { drafted as change } from '../../testing/changed'

const [thistledown, plover] = DEMOS
const assessor = sharedAssessor()
const RAD = Math.PI / 180

describe('a rod between servo and horn', () => {
  it('arm and horn alike make a parallelogram: the servo turns as far as the surface', () => {
    for (const deg of [-35, -12, 0.5, 20, 40]) expect(servoTurn(140, 11, 11, deg)).toBeCloseTo(deg, 9)
  })
  it('the rod keeps its length at every turn, whatever arm and horn', () => {
    for (const [distance, arm, horn] of [
      [42, 8, 14],
      [560, 10, 15],
      [25, 12, 6],
    ])
      for (let deg = -24; deg <= 24; deg += 3) {
        const turn = servoTurn(distance, arm, horn, deg)!
        const a = [arm * Math.sin(turn * RAD), arm * Math.cos(turn * RAD)]
        const b = [distance + horn * Math.sin(deg * RAD), horn * Math.cos(deg * RAD)]
        expect(Math.hypot(b[0] - a[0], b[1] - a[1])).toBeCloseTo(Math.hypot(distance, horn - arm), 9)
      }
  })
  it('small turns go as horn over arm; a long rod hardly knows up from down', () => {
    expect(servoTurn(600, 8, 16, 0.01)! / 0.01).toBeCloseTo(2, 3)
    expect(servoTurn(1e6, 8, 12, 20)!).toBeCloseTo(-servoTurn(1e6, 8, 12, -20)!, 3)
    // Far away it is a matter of sines alone: arm sin t = horn sin d.
    expect(servoTurn(1e7, 8, 12, 20)!).toBeCloseTo(Math.asin((12 / 8) * Math.sin(20 * RAD)) / RAD, 4)
  })
  it('locks where the arm is too short for the throw, and never steps on the way there', () => {
    expect(servoTurn(80, 4, 20, 30)).toBeNull()
    let last = servoTurn(80, 10, 14, -30)!
    for (let deg = -29.9; deg <= 30; deg += 0.1) {
      const next = servoTurn(80, 10, 14, deg)!
      expect(next - last).toBeGreaterThan(0)
      expect(next - last).toBeLessThan(0.5)
      last = next
    }
  })
})

describe('linkages of an aircraft', () => {
  it('are one for every surface that has a servo; a tail in halves is moved by one rod and a joiner', () => {
    const names = (doc: ProjectFile) => linkageSheets(assessor.airframe(doc)).map(sheet => sheet.name)
    expect(names(thistledown)).toEqual([
      'Ailerons, starboard',
      'Ailerons, port',
      'Elevator, both halves',
      'Rudder',
    ])
    expect(names(plover)).toEqual(['Elevons, starboard', 'Elevons, port'])
  })
  it('is as long as from the arm to the horn, in space', () => {
    const [sheet] = linkageSheets(assessor.airframe(plover))
    expect(sheet.rodMm ** 2).toBeCloseTo(sheet.distanceMm ** 2 + (sheet.hornMm - sheet.armMm) ** 2, 6)
    // Servo at x 206 and the hinge line 22 % of the chord before the trailing edge: some 50 to 60 mm apart.
    expect(sheet.distanceMm).toBeGreaterThan(45)
    expect(sheet.distanceMm).toBeLessThan(65)
  })
  it('the differential is the lesser turn over the greater; a flap spreads one way over both', () => {
    const [ailerons] = linkageSheets(assessor.airframe(thistledown))
    const share = (100 * ailerons.servoDownDeg!) / ailerons.servoUpDeg!
    // 12° of 20° is 60 %; the rod below makes it a little less, by its own geometry.
    expect(share).toBeGreaterThan(50)
    expect(share).toBeLessThan(62)
    expect(written(ailerons.setUp)).toContain(`limit down to ${share.toFixed(0)} % of up`)
    const flap = change(thistledown, doc => {
      Object.assign(doc.wing.controls[0], { kind: 'flap', throwUpDeg: 0, throwDownDeg: 28 })
    })
    const [sheet] = linkageSheets(assessor.airframe(flap))
    expect(written(sheet.setUp)).toContain(`turned ${(sheet.servoDownDeg! / 2).toFixed(0)}° away`)
  })
  it('says where the servo cannot turn so far', () => {
    const weak = change(thistledown, doc => {
      doc.equipment.find(item => item.id === 'rudder-servo')!.servo!.travelDeg = 20
    })
    const rudder = linkageSheets(assessor.airframe(weak)).find(sheet => sheet.name === 'Rudder')!
    expect(rudder.trouble).not.toBeNull()
    expect(channelList(weak, [rudder]).find(item => item.servo.startsWith('Rudder'))!.upDeg).toBe(
      rudder.servoUpDeg,
    )
  })
})

describe('what to have', () => {
  const list = (doc: ProjectFile) => {
    const airframe = assessor.airframe(doc)
    return hardwareList(airframe, assessor.assess(doc), buildOrder(airframe))
  }
  const count = (doc: ProjectFile, name: RegExp) =>
    list(doc)
      .filter(item => name.test(item.name))
      .reduce((sum, item) => sum + item.count, 0)
  it('counts from the drawing', () => {
    // Four strips a half, two halves; two servo screws for each of four servos; six pinned joints of two pins.
    expect(count(thistledown, /^Strip hinge/)).toBe(8)
    expect(count(thistledown, /^Servo screw/)).toBe(8)
    expect(count(thistledown, /^Pin of 3 mm/)).toBe(12)
    expect(count(thistledown, /^Magnet/)).toBe(8)
    expect(count(thistledown, /^Horn/)).toBe(4)
    expect(count(thistledown, /^Clevis/)).toBe(8)
  })
  it('every component once, a pair as two', () => {
    const own = list(thistledown).filter(item => item.group === 'Components')
    expect(own.reduce((sum, item) => sum + item.count, 0)).toBe(
      thistledown.equipment.reduce((sum, item) => sum + (item.pair ? 2 : 1), 0),
    )
    expect(own.reduce((sum, item) => sum + item.grams!, 0)).toBeCloseTo(
      thistledown.equipment.reduce((sum, item) => sum + item.massG * (item.pair ? 2 : 1), 0),
      9,
    )
  })
  it('no two rows go by one name, or a tick would take both', () => {
    for (const doc of DEMOS) {
      const ids = list(doc).map(item => item.id)
      expect(new Set(ids).size).toBe(ids.length)
    }
  })
})

describe('how far the build is', () => {
  const order = buildOrder(assessor.airframe(thistledown))
  const ticks = (ids: string[], state: 'done' | 'skipped' = 'done') =>
    ids.map(step => ({ step, state, at: '2026-11-27T10:00:00', tookMin: null }))
  const build = { ...thistledown.build }
  it('begins with what needs nothing, and ends with nothing left', () => {
    const begun = buildProgress(order, build, '2026-11-27T10:00:00')
    expect(begun.next!.step.needs).toEqual([])
    expect(begun.leftMin).toBeCloseTo(order.handsMin, 9)
    const all = buildProgress(
      order,
      { ...build, ticks: ticks(order.steps.map(step => step.id)) },
      '2026-11-27T10:00:00',
    )
    expect(all.next).toBeNull()
    expect(all.leftMin).toBe(0)
    expect(all.doneMin).toBeCloseTo(order.handsMin, 9)
  })
  it('a step out of turn is named with what it shut', () => {
    const join = order.steps.find(step => step.joins.some(([, outer]) => outer === 'wing-2-starboard'))!
    const item = buildProgress(
      order,
      { ...build, ticks: ticks([join.id]) },
      '2026-11-27T10:00:00',
    ).steps.find(other => other.step.id === join.id)!
    expect(item.shuts.map(step => step.id)).toContain('lead.aileron-servo.starboard')
    expect(item.shuts.map(step => step.id)).toContain('spar.wing.starboard.main-spar')
  })
  it('what needs a cured joint waits for its timer, and no longer', () => {
    const spar = 'spar.wing.starboard.main-spar'
    const before = order.steps
      .filter(step => step.id !== spar)
      .filter(step => /^(weigh|dry|lead)/.test(step.id))
    const state = (now: string) => {
      const all = buildProgress(
        order,
        {
          ...build,
          ticks: ticks([...before.map(step => step.id), spar, 'spar.wing.starboard.rear-rod']),
          timers: [{ step: spar, ends: '2026-11-27T10:40:00' }],
        },
        now,
      )
      return all.steps.find(item => item.step.joins.some(([, outer]) => outer === 'wing-2-starboard'))!.state
    }
    expect(state('2026-11-27T10:39:59')).toBe('cures')
    expect(state('2026-11-27T10:40:00')).toBe('ready')
  })
  it('the pace is what the noted steps took over what was reckoned', () => {
    const some = order.steps.slice(0, 4)
    const noted = some.map(step => ({
      step: step.id,
      state: 'done' as const,
      at: '2026-11-27T10:00:00',
      tookMin: 1.5 * step.minutes,
    }))
    const half = buildProgress(order, { ...build, ticks: noted }, '2026-11-27T10:00:00')
    expect(half.pace).toBeCloseTo(1.5, 9)
    expect(half.leftMin).toBeCloseTo(1.5 * (order.handsMin - half.doneMin), 9)
    expect(
      buildProgress(order, { ...build, ticks: noted.slice(0, 2) }, '2026-11-27T10:00:00').pace,
    ).toBeNull()
  })
})
