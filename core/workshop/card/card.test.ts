import { expect, it } from 'vitest'
import { sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import { changed } from '../../testing/changed'
import { twin } from '../../testing/twin'
import { presentWing } from '../balance'
import { powerReport } from '../power'
import { flightCard } from './index'

const assessor = sharedAssessor()

it('the card says what the other pages say, for every loading and wing set', () => {
  const [thistledown] = DEMOS
  const doc = { ...thistledown, wingSets: [presentWing(thistledown, 'second', 'Second wing')] }
  const card = flightCard(assessor, doc)
  const now = assessor.assess(doc)
  const figures = powerReport(doc, now, assessor.flown(doc).pitch(true)).figures!
  expect(card.speeds.map(row => row.loading)).toEqual(['With payload', 'Payload gone'])
  expect(card.speeds[0].stallMs).toBeCloseTo(now.flight.stallMs, 9)
  // Lighter by the payload, slower by the root of it.
  expect(card.speeds[1].stallMs / card.speeds[0].stallMs).toBeCloseTo(
    Math.sqrt(now.totals.emptyMassG / now.totals.massG),
    9,
  )
  expect(card.power!.minutes).toBe(figures.plan.canMinutes)
  expect(card.power!.takenMah).toBeCloseTo(0.75 * figures.usableMah, 6)
  expect(card.neverMs).toBe(doc.brief.topSpeedMs)
  // The same wing as a set has the same band and the same balance.
  const [own, , set] = card.balances
  expect(set.loading).toBe('With Second wing')
  expect(set.rangeMm[0]).toBeCloseTo(own.rangeMm[0], 6)
  expect(set.rangeMm[1]).toBeCloseTo(own.rangeMm[1], 6)
  expect(Math.abs(set.cgMm - own.cgMm)).toBeLessThan(1)
  for (const row of card.speeds) {
    expect(row.leastSinkMs).toBeLessThan(row.bestGlideMs)
    expect(row.leastSinkMs).toBeGreaterThan(1.09 * row.stallMs)
  }
})

it('a twin’s says from which speed its rudder holds one motor, as the finding does; one motor’s says nothing', () => {
  expect(flightCard(assessor, DEMOS[0]).oneMotor).toBeNull()
  const found = assessor.assess(twin()).findings.find(item => item.code === 'one-motor-turns-it')!
  expect(flightCard(assessor, twin()).oneMotor!.heldFromMs).toBeCloseTo(found.value, 9)
})

it('no speed to fly at is within a tenth of the stall, however slow the best glide is; least sink is the slower', () => {
  // A low aspect ratio glides best near its stall.
  const stubby = changed(twin(), doc => {
    for (const panel of doc.wing.panels) panel.spanMm *= 0.6
  })
  for (const row of flightCard(assessor, stubby).speeds) {
    expect(row.bestGlideMs).toBeGreaterThanOrEqual(1.1 * row.stallMs - 1e-9)
    expect(row.leastSinkMs).toBeLessThanOrEqual(row.bestGlideMs)
  }
})

it('a glider has a card without power', () => {
  const [, plover] = DEMOS
  const glider = {
    ...plover,
    equipment: plover.equipment.filter(item => !['motor', 'propeller'].includes(item.kind)),
  }
  expect(flightCard(assessor, glider)).toMatchObject({ power: null, levelMaxMs: null })
})
