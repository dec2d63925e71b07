import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import { checkProject, DocumentError, TRACK_SAMPLES, type Track } from '../../document'
import { runs } from '../../testing/runs'
import { powerReport } from '../power'
import { guessMapping, readRecording, readTrack, toTrack } from './index'

const [thistledown] = DEMOS
const assessor = sharedAssessor()
const now = assessor.assess(thistledown)
const tables = assessor.flown(thistledown).pitch(true)

/** A table as loggers write it, from functions of time. */
const table = (
  head: string,
  columns: Array<(t: number) => number | string>,
  { long = 120, step = 0.5, sign = ',' } = {},
) =>
  [
    head,
    ...Array.from({ length: Math.round(long / step) + 1 }, (_, i) =>
      columns.map(column => column(i * step)).join(sign),
    ),
  ].join('\n')
const track = (text: string): Track => {
  const recording = readRecording('x.csv', text)
  return toTrack('flight-1', recording, guessMapping(recording))
}
const mean = (values: Array<number | null>) =>
  values.reduce<number>((sum, value) => sum + value!, 0) / values.length

describe('recordings', () => {
  it('names tell what a column is and in which unit', () => {
    const recording = readRecording(
      'a.csv',
      table('Time (ms),Airspeed [km/h],Altitude (ft),Current(A),VBat (V)', [
        t => 1000 * t,
        () => 36,
        t => 100 + t,
        () => 4,
        () => 11.1,
      ]),
    )
    expect(guessMapping(recording)).toEqual({
      time: { column: 0, unit: 'ms' },
      airspeed: { column: 1, unit: 'km/h' },
      height: { column: 2, unit: 'ft' },
      current: { column: 3, unit: 'A' },
      voltage: { column: 4, unit: 'V' },
    })
    const own = toTrack('flight-1', recording, guessMapping(recording))
    // 36 km/h are 10 m/s; 120 s of a foot a second are 36.6 m.
    expect(mean(own.speedMs)).toBeCloseTo(10, 6)
    expect(own.heightM.at(-1)! - own.heightM[0]!).toBeCloseTo(120 * 0.3048, 0)
    expect(own.air).toBe(true)
    expect(own.stepS * own.speedMs.length).toBeCloseTo(120, 1)
    expect(own.eastM).toEqual([])
  })
  it('semicolons with decimal commas, clock times and empty cells are read', () => {
    const text = 'Zeit;Strom;Höhe\n10:00:00;1,5;0\n10:00:01;;1\n\n10:00:02;2,5;2\n10:00:03;2,5;\n'
    const own = track(text)
    expect(own.amps.slice(0, 1)).toEqual([1.5])
    // Nothing was written at the first second: half way between its neighbours.
    expect(own.amps[Math.floor(1 / own.stepS)]!).toBeCloseTo(2, 0)
  })
  it('a circle flown at twelve metres a second is told from its places', () => {
    const radius = 60,
      speed = 12,
      lat = 47,
      degree = (Math.PI * 6371008.8) / 180
    const points = Array.from({ length: 240 }, (_, t) => {
      const turn = (speed * t) / radius
      return `<trkpt lat="${lat + (radius * Math.sin(turn)) / degree}" lon="${8 + (radius * Math.cos(turn)) / degree / Math.cos((lat * Math.PI) / 180)}"><ele>${300 + t / 10}</ele><time>2026-11-08T14:${String(Math.floor(t / 60)).padStart(2, '0')}:${String(t % 60).padStart(2, '0')}Z</time></trkpt>`
    })
    const recording = readRecording(
      'a.gpx',
      `<?xml version="1.0"?><gpx><trk><trkseg>${points.join('')}</trkseg></trk></gpx>`,
    )
    const own = toTrack('flight-1', recording, guessMapping(recording))
    // Over two seconds the chord is shorter than the arc by (ωΔt)²/24.
    const chord = 1 - ((speed / radius) * 2) ** 2 / 24
    expect(mean(own.speedMs.slice(3))).toBeCloseTo(speed * chord, 1)
    expect(
      Math.max(...own.eastM.map(value => value!)) - Math.min(...own.eastM.map(value => value!)),
    ).toBeCloseTo(2 * radius, 0)
    expect(own.air).toBe(false)
    expect(own.heightM.at(-1)!).toBeCloseTo(23.9, 0)
  })
  it('however long, it stays short, and the project takes it', () => {
    const own = track(
      table('t,speed,amps', [t => t, t => 10 + Math.sin(t), () => 3], { long: 5000, step: 0.25 }),
    )
    expect(own.speedMs.length).toBe(TRACK_SAMPLES)
    expect(checkProject({ ...thistledown, tracks: [own] }).tracks).toHaveLength(1)
  })
  it('what is no recording is refused with the place and the reason', () => {
    const refused = (text: string) => {
      try {
        track(text)
      } catch (error) {
        expect(error).toBeInstanceOf(DocumentError)
        return (error as Error).message
      }
      return 'read'
    }
    expect(refused('')).toMatch(/line of names/)
    expect(refused('a,b\nx,y\nz,w')).toMatch(/no line holds two figures/)
    expect(refused('speed,amps\n1,2\n3,4')).toMatch(/which column is the time/)
    expect(refused('time,speed\n5,2\n4,4\n3,1\n2,1')).toMatch(/fewer than two lines have a time/)
    expect(refused('time,speed\n0,2\n9000000,4')).toMatch(/2500 h/)
    expect(refused('<kml></kml>')).toMatch(/begins with <gpx>/)
    expect(refused('<gpx><trk><trkseg><trkpt lat="200" lon="0"/></trkseg></trk></gpx>')).toMatch(/no place/)
    expect(refused('<gpx><trk><trkseg>')).toMatch(/not well-formed|no track/)
    expect(refused('<!DOCTYPE x [<!ENTITY a "b">]><gpx></gpx>')).toMatch(/document type/)
  })
  it('any mutation of one is read or refused, never anything else', () => {
    const text = table('time,speed (m/s),height (m),current (A)', [t => t, () => 10, t => t, () => 3], {
      long: 20,
    })
    const gpx =
      '<gpx><trk><trkseg><trkpt lat="47" lon="8"><time>2026-11-08T14:00:00Z</time></trkpt><trkpt lat="47.001" lon="8"><time>2026-11-08T14:00:09Z</time></trkpt></trkseg></trk></gpx>'
    fc.assert(
      fc.property(
        fc.constantFrom(text, gpx),
        fc.array(fc.tuple(fc.nat(400), fc.constantFrom('', ',', '\n', '-', '1e999', '<', '"', '\0', ':')), {
          maxLength: 6,
        }),
        (whole, cuts) => {
          let own = whole
          for (const [at, by] of cuts) own = own.slice(0, at) + by + own.slice(at + 1)
          try {
            const read = track(own)
            checkProject({ ...thistledown, tracks: [read] })
          } catch (error) {
            expect(error).toBeInstanceOf(DocumentError)
          }
        },
      ),
      { numRuns: runs(5000, 300) },
    )
  })
})

describe('a recording beside what was computed', () => {
  const SINK = 1.1,
    SPEED = 12.5
  /** Climbs for a minute, cruises for two, glides for one. */
  const height = (t: number) => (t < 60 ? 2 * t : t < 180 ? 120 : 120 - SINK * (t - 180))
  const amps = (t: number) => (t < 60 ? 12 : t < 180 ? 3.6 : 0)
  const own = track(table('time,airspeed,height,current', [t => t, () => SPEED, height, amps], { long: 240 }))
  const reading = readTrack(thistledown, now, tables, own)
  const row = (id: string) => reading.rows.find(item => item.id === id)!
  it('glide and sink come from what was flown with the motor off', () => {
    expect(row('sink').recorded).toBeCloseTo(SINK, 2)
    expect(row('glide').recorded).toBeCloseTo(SPEED / SINK, 1)
    expect(reading.glideRatio).toBeCloseTo(SPEED / SINK, 1)
    // The glide of the trim table stands at its own speed; at this one it is no better.
    expect(row('glide').computed!).toBeLessThan(now.flight.bestGlide * 1.02)
  })
  it('at the best glide’s own speed the computed one is the trim table’s', () => {
    const glide = now.trim.find(item => item.id === 'glide' && item.payload)!
    const there = track(
      table('time,airspeed,height,current', [t => t, () => glide.speedMs, t => 200 - t, () => 0], {
        long: 120,
      }),
    )
    const computed = readTrack(thistledown, now, tables, there).rows.find(
      item => item.id === 'glide',
    )!.computed!
    expect(Math.abs(computed / glide.glideRatio - 1)).toBeLessThan(0.02)
  })
  it('level current at cruise speed is that of the flight plan', () => {
    const cruise = powerReport(thistledown, now, tables).figures!.cruise
    const there = track(
      table('time,airspeed,height,current', [t => t, () => cruise.speedMs, () => 50, () => 4], { long: 60 }),
    )
    const level = readTrack(thistledown, now, tables, there).rows.find(item => item.id === 'level-current')!
    expect(level.recorded).toBeCloseTo(4, 6)
    // Full and half charged differ by their voltage alone.
    expect(Math.abs(level.computed! / cruise.currentA - 1)).toBeLessThan(0.08)
  })
  it('charge is the sum of ampere-seconds, climb the best ten seconds', () => {
    expect(row('charge').recorded).toBeCloseTo((60 * 12 + 120 * 3.6) / 3.6, -1)
    expect(row('climb').recorded).toBeCloseTo(2, 1)
    expect(row('fastest').recorded).toBeCloseTo(SPEED, 6)
  })
  it('faster than it is held to is said', () => {
    const fast = track(table('time,airspeed', [t => t, t => (t > 20 && t < 24 ? 60 : 12)], { long: 60 }))
    expect(readTrack(thistledown, now, tables, fast).notes).toHaveLength(1)
  })
  it('without a current, sinking steadily is a glide', () => {
    const bare = track(table('time,speed,height', [t => t, () => SPEED, height], { long: 240 }))
    const glide = readTrack(thistledown, now, tables, bare).rows.find(item => item.id === 'glide')!
    expect(glide.recorded).toBeCloseTo(SPEED / SINK, 1)
  })
})
