/** One motor of two stops: what the rudder holds, against the balance of moments by hand. */
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../assess'
import { FRESH, running } from '../../power'
import { changed } from '../../testing/changed'
import { twin } from '../../testing/twin'
import { DEMOS } from '../../demo'
import { oneMotor } from './one-motor'
import { propulsionOf } from './propulsion'

const assessor = sharedAssessor()
const found = (yMm: number, rudder: number) => {
  const doc = twin(yMm)
  return oneMotor(doc, propulsionOf(doc).propulsion!, rudder, 1.2)
}

describe('one motor stopped', () => {
  it('is nothing to an aircraft with one', () => {
    expect(oneMotor(DEMOS[0], propulsionOf(DEMOS[0]).propulsion!, 0.01, 1.2)).toBeNull()
  })
  it('is held where the rudder balances the live thrust and the dead disc on their arms', () => {
    const rudder = 0.02
    const { heldFromMs, arm } = found(230, rudder)!
    expect(arm).toBeCloseTo(0.23, 9)
    const { drive, turns } = propulsionOf(twin()).propulsion!
    const thrust = running({ ...drive, motors: 1 }, 1, heldFromMs!, FRESH).thrust
    const pressure = (1.2 * heldFromMs! ** 2) / 2
    // Three hundredths of the disc: blades fill 6 % of it, and drag half of a plate (Hoerner 13-10).
    const disc = (Math.PI / 4) * (Math.max(turns.item.sizeMm[1], turns.item.sizeMm[2]) / 1000) ** 2
    expect(pressure * rudder).toBeCloseTo(0.23 * (thrust + 0.03 * disc * pressure), 3)
  })
  it('asks for more speed with every millimetre of arm, smoothly, and none with a rudder without end', () => {
    const speeds = Array.from({ length: 40 }, (_, i) => found(100 + 5 * i, 0.03)!.heldFromMs!)
    const moves = speeds.slice(1).map((speed, i) => speed - speeds[i])
    expect(Math.min(...moves)).toBeGreaterThan(0)
    expect(Math.max(...moves.slice(1).map((move, i) => Math.abs(move - moves[i])))).toBeLessThan(0.03)
    expect(found(230, 100)!.heldFromMs).toBeLessThan(0.5)
    expect(found(230, 0)!.heldFromMs).toBeNull()
  })
  it('is warned of at Power where a climb is flown slower than that', () => {
    const codes = (size: number, yMm: number) =>
      assessor
        .assess(
          changed(twin(yMm), doc => {
            const fin = doc.tail.vertical!
            fin.rootChordMm *= size
            for (const panel of fin.panels) panel.tipChordMm *= size
            // A rudder that is all of a large fin, against a stub.
            for (const control of fin.controls) control.chordShare = size > 1 ? 0.5 : 0.1
          }),
        )
        .findings.map(item => item.code)
    expect(codes(0.5, 230)).toContain('one-motor-turns-it')
    expect(codes(3, 70)).not.toContain('one-motor-turns-it')
  })
})
