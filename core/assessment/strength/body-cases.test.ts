/** What acts on a section of the body, against sums by hand; what it bears, against a plain tube. */
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import { areaMoments, seatLine, wingSeat } from '../../geometry'
import { changed } from '../../testing/changed'
import { bodyStations } from './body-beam'
import { bodyCases, bodyReserve, type Beyond, type BodyForces } from './body-cases'
import { runs } from '../../testing/runs'

const STILL: BodyForces = {
  n: 4,
  least: -1.6,
  held: 1e-3,
  tail: null,
  wings: [],
  motor: null,
  launch: 'none',
  throwMs: 0,
  bungeeN: 0,
  contact: 1e-3,
  factor: 0,
}
const g = 9.80665
/** 0.3 kg, 120 mm before the section and 20 mm above its middle, of an aircraft of 1 kg with its CG at 0.25 m. */
const NOSE: Beyond = { moment: 0.3 * 0.12, mass: 0.3, rise: 0.3 * 0.05 }
const at = (forces: Partial<BodyForces>, x = 0.2, beyond = NOSE, cg = 0.25) => {
  const found: Record<string, { moment: number; axial: number }> = {}
  bodyCases(x, 0.03, cg, 1, beyond, { ...STILL, ...forces }, (of, moment, axial) => {
    found[of] = { moment, axial }
  })
  return found
}

describe('what acts on a section of the body', () => {
  it('hangs on the wing when pulled up, and is bent the other way when pushed over', () => {
    const { 'pull-up': up, 'pushed over': over } = at({})
    expect(up.moment).toBeCloseTo(4 * g * 0.036, 9)
    expect(over.moment).toBeCloseTo(-1.6 * g * 0.036, 9)
  })
  it('is pressed between a hand and what lies before it, drawn by what lies behind, and bent by how high that is', () => {
    // 10 m/s over 1.1 m: 100/2.2 m/s².
    const a = 100 / 2.2
    const ahead = at({ launch: 'hand', throwMs: 10 }).launch
    expect(ahead.axial).toBeCloseTo(-0.3 * a, 9)
    // Above the middle it presses the top, which eases what its weight does.
    expect(ahead.moment).toBeCloseTo(g * 0.036 - a * 0.3 * 0.02, 9)
    const behind = at({ launch: 'hand', throwMs: 10 }, 0.3).launch
    expect(behind.axial).toBeCloseTo(0.3 * a, 9)
    expect(behind.moment).toBeCloseTo(g * 0.036 + a * 0.3 * 0.02, 9)
  })
  it('a bungee of 30 N on 1 kg pulls with 30 m/s², and the wing lifts 1/√2 of it with the weight', () => {
    const { launch } = at({ launch: 'bungee', bungeeN: 30 })
    expect(launch.axial).toBeCloseTo(-0.3 * 30, 9)
    expect(launch.moment).toBeCloseTo((g + 30 * Math.SQRT1_2) * 0.036 - 30 * 0.3 * 0.02, 9)
  })
  it('a motor before it draws, one behind pushes what lies between it and the CG, and nothing else', () => {
    // Twice the weight, 10 mm under the middle.
    const tractor = at({ motor: { x: 0.01, z: 0.02 } })['pull-up']
    expect(tractor.axial).toBeCloseTo(2 * g, 9)
    expect(tractor.moment).toBeCloseTo(4 * g * 0.036 - 2 * g * 0.01, 9)
    const pusher = { motor: { x: 0.6, z: 0.02 } }
    expect(at(pusher)['pull-up'].axial).toBe(0)
    expect(at(pusher, 0.3)['pull-up'].axial).toBeCloseTo(-2 * g, 9)
  })
  it('the tail pushes either way with its lever, less or more what hangs there', () => {
    const found = at({ tail: { x: 0.9, force: 5 } }, 0.3)
    expect(found['elevator hard over at cruise'].moment).toBeCloseTo(g * 0.036 + 5 * 0.6, 9)
    expect(found['elevator hard over, nose down'].moment).toBeCloseTo(g * 0.036 - 5 * 0.6, 9)
  })
  it('nothing jumps where the CG passes a section, nor where a motor stands behind or before it', () => {
    // Two masses, ahead and behind; the CG where they balance.
    const beyond = (x: number, cg: number): Beyond =>
      x < cg ? { moment: 0.6 * x, mass: 0.6, rise: 0.03 } : { moment: 0.4 * (0.5 - x), mass: 0.4, rise: 0.01 }
    for (const motor of [
      { x: 0, z: 0.05 },
      { x: 0.5, z: 0 },
    ]) {
      const forces = { held: 0.05, motor, launch: 'hand' as const, throwMs: 10 }
      let before = at(forces, 0.14, beyond(0.14, 0.2), 0.2)
      for (let x = 0.1405; x < 0.26; x += 0.0005) {
        const now = at(forces, x, beyond(x, 0.2), 0.2)
        for (const of of ['pull-up', 'launch']) {
          // 20 N of thrust over 5 cm, 27 N of mass over 4: a third of a newton a step.
          expect(Math.abs(now[of].axial - before[of].axial)).toBeLessThan(0.5)
          expect(Math.abs(now[of].moment - before[of].moment)).toBeLessThan(0.05)
        }
        before = now
      }
    }
  })
  it('bending and what goes along are added up; a launch is held by what the sun leaves', () => {
    const bears = { hogging: 10, sagging: 5, stretched: 100, pressed: 50, launch: 0.5 }
    expect(bodyReserve(bears, 'pull-up', 2, 20)).toBeCloseTo(1 / (0.2 + 0.2), 12)
    expect(bodyReserve(bears, 'pushed over', -2, -20)).toBeCloseTo(1 / (0.4 + 0.4), 12)
    expect(bodyReserve(bears, 'launch', 2, 20)).toBeCloseTo(0.5 / 0.4, 12)
  })
})

describe('what a section of the body bears', () => {
  // Round and of one width all along, without a hatch or a seat.
  const tube = changed(DEMOS[0], doc => {
    const body = doc.body!
    body.openings = []
    body.saddle = null
    body.stations.forEach(station => {
      Object.assign(station, { widthMm: 60, heightMm: 60, squareness: 0, zMm: 0 })
    })
  })
  const assessor = sharedAssessor()
  const frame = assessor.airframe(tube)
  it('of a tube: σ·2πrt drawn out, σ·πr²t bent, either way alike', () => {
    const [station] = bodyStations(frame)
    const { recipe } = station.zone
    expect(recipe.walls).toBeGreaterThan(0)
    const { hogging, sagging, stretched } = station.bears
    expect(sagging / hogging).toBeCloseTo(1, 2)
    // Whatever the plastic and its wall: πr²t / 2πrt = r/2.
    expect(hogging / stretched / (0.03 / 2)).toBeCloseTo(1, 2)
  })
  it('with a hatch on top it bears less where the edges are pressed than where they are drawn, or as much', () => {
    const open = changed(tube, doc => {
      doc.body!.openings = [{ ...DEMOS[0].body!.openings[0], side: 'top' }]
    })
    const found = bodyStations(sharedAssessor().airframe(open)).filter(station => station.opening)
    const [whole] = bodyStations(frame)
    for (const { bears } of found)
      for (const way of ['hogging', 'sagging', 'stretched', 'pressed'] as const)
        expect(bears[way]).toBeLessThan(whole.bears[way])
  })

  it('bears a little less for every tenth of a millimetre that a hatch is wider', () => {
    // From corner to corner of the outline, which the mouth's edge passes on its way.
    const at = (widthMm: number) => {
      const open = changed(tube, doc => {
        doc.body!.openings = [{ ...DEMOS[0].body!.openings[0], side: 'top', widthMm }]
      })
      return bodyStations(assessor.airframe(open)).find(station => station.opening)!.bears
    }
    let before = at(30)
    for (let widthMm = 30.1; widthMm < runs(50, 35); widthMm += 0.1) {
      const now = at(widthMm)
      for (const way of ['hogging', 'sagging', 'stretched', 'pressed'] as const) {
        expect(now[way]).toBeLessThan(before[way] * (1 + 1e-9))
        // Half of it is gone over 200 such steps.
        expect(now[way]).toBeGreaterThan(0.98 * before[way])
      }
      before = now
    }
  })

  /** The wing in the tube's middle, on its axis, a little above or under it; round, so that both are the same. */
  const middle = (zMm: number) =>
    changed(tube, doc => {
      doc.body!.saddle = { ...DEMOS[0].body!.saddle!, clearanceMm: 0 }
      doc.wing.rootAerofoil = 'naca0010'
      for (const panel of doc.wing.panels) panel.tipAerofoil = 'naca0010'
      doc.wing.incidenceDeg = 0
      doc.wing.zMm = zMm
    })
  it('loses to a wing in its middle the half that is cut away: as much over it as under it, and the other way up', () => {
    const [over, under] = [0.01, -0.01].map(zMm => bodyStations(sharedAssessor().airframe(middle(zMm))))
    const seats = over.flatMap((station, i) =>
      Math.abs(station.bears.stretched / under[i].bears.stretched - 1) < 0.01 &&
      Math.abs(station.middleMm) > 5
        ? [{ over: station, under: under[i] }]
        : [],
    )
    expect(seats.length).toBeGreaterThanOrEqual(2)
    for (const { over, under } of seats) {
      // What is left lies under a wing on top.
      expect(over.middleMm).toBeLessThan(0)
      expect(under.middleMm).toBeCloseTo(-over.middleMm, 0)
      expect(under.bears.sagging / over.bears.hogging).toBeCloseTo(1, 1)
    }
  })
  it('has its seat cut where the printed body has, along the whole wing, tilted as it may be', () => {
    // Nose of the wing above the middle of the body, tail of it under.
    const tilted = changed(middle(1), doc => {
      doc.wing.incidenceDeg = 4
    })
    const airframe = sharedAssessor().airframe(tilted)
    const seat = seatLine(airframe.body!, wingSeat(airframe.wing), tilted.body!.saddle!)
    const found = bodyStations(airframe).filter(({ xMm }) => xMm > seat.from + 1 && xMm < seat.to - 1)
    expect(found.length).toBeGreaterThanOrEqual(2)
    for (const { xMm, middleMm } of found) {
      const piece = airframe.pieces.find(item => item.part === 'body' && item.from <= xMm && item.to > xMm)!
      // Plastic left at that place lies on the same side of the axis.
      const { y } = areaMoments(piece.sectionAt(xMm + 0.01))
      expect(Math.sign(middleMm)).toBe(Math.sign(y))
    }
  })
})
