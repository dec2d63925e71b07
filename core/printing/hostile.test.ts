/**
 * Files made to hang a reader or to fill its memory: refused with a place and a reason, in time that goes with
 * their length.
 */
import { strToU8, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { DEMOS } from '../demo'
import { DocumentError } from '../document'
import { createReplay, replayGcode } from './gcode'
import { MoveReplay, replayMoves } from './motion'
import { readThreeMf } from './threemf'
import { seeded } from '../testing/drawn'
import { DEEP, runs } from '../testing/runs'

const pack = (model: string, more: Record<string, Uint8Array> = {}) =>
  zipSync({ '3D/3dmodel.model': strToU8(model), ...more }, { level: 9 })
const model = (resources: string, build: string) =>
  pack(
    `<?xml version="1.0"?><model unit="millimeter"><resources>${resources}</resources><build>${build}</build></model>`,
  )
const TETRAHEDRON = `<mesh><vertices><vertex x="0" y="0" z="0"/><vertex x="1" y="0" z="0"/><vertex x="0" y="1" z="0"/><vertex x="0" y="0" z="1"/></vertices>
<triangles><triangle v1="0" v2="2" v3="1"/><triangle v1="0" v2="1" v3="3"/><triangle v1="1" v2="2" v3="3"/><triangle v1="2" v2="0" v3="3"/></triangles></mesh>`

describe('3MF', () => {
  it('units, and transforms of items and components one after the other', () => {
    const [{ name, corners }] = readThreeMf(
      pack(`<model unit="inch"><resources><object id="1">${TETRAHEDRON}</object>
      <object id="2" name="A &amp; B"><components><component objectid="1" transform="2 0 0 0 2 0 0 0 2 0 0 1"/></components></object></resources>
      <build><item objectid="2" transform="0 1 0 -1 0 0 0 0 1 10 0 0"/></build></model>`),
    )
    expect(name).toBe('A & B')
    // The corner (1, 0, 0): doubled and lifted to (2, 0, 1), turned a quarter about z and shifted, in inches.
    expect([...corners.slice(6, 9)].map(value => value / 25.4)).toEqual([
      expect.closeTo(10, 5),
      expect.closeTo(2, 5),
      expect.closeTo(1, 5),
    ])
  })
  it('objects built of objects are counted each time they are built', () => {
    // Twenty levels of two each: a million of them in 2 kB.
    const levels = Array.from(
      { length: 14 },
      (_, i) =>
        `<object id="${i + 2}"><components>${`<component objectid="${i + 1}"/>`.repeat(8)}</components></object>`,
    ).join('')
    expect(() => readThreeMf(model(`<object id="1"/>${levels}`, '<item objectid="15"/>'))).toThrow(
      /counted each time they are built/,
    )
    const itself = '<object id="1"><components><component objectid="1"/></components></object>'
    expect(() => readThreeMf(model(itself, '<item objectid="1"/>'))).toThrow(/built of itself/)
  })
  it('a document that never ends is read once', () => {
    for (const text of [
      '<item '.repeat(200_000),
      '<object>'.repeat(100_000),
      `<model>${'<item<'.repeat(100_000)}`,
    ])
      expect(() => readThreeMf(pack(text))).toThrow(DocumentError)
  })
  it('only the one model part is unpacked, and only if it is not too large', () => {
    const zeros = new Uint8Array(runs(30_000_000, 3_000_000))
    const packed = pack(`<model><resources><object id="1">${TETRAHEDRON}</object></resources></model>`, {
      'a.model': zeros,
      'b/3dmodel.model.model': zeros,
    })
    expect(readThreeMf(packed)).toHaveLength(1)
    expect(() =>
      readThreeMf(zipSync({ '3D/3dmodel.model': new Uint8Array(170_000_000) }, { level: 0 })),
    ).toThrow(/swells to 170 MB; at most 160 MB/)
  })
  it('transforms that lead out of all bounds are refused', () => {
    const far = (value: string) =>
      model(
        `<object id="1">${TETRAHEDRON}</object>`,
        `<item objectid="1" transform="${value} 0 0 0 1 0 0 0 1 0 0 0"/>`,
      )
    expect(() => readThreeMf(far('1e308'))).toThrow(/not twelve numbers/)
    expect(() => readThreeMf(far('1e8'))).toThrow(/object 1: has a corner at 100000000 mm/)
  })
})

describe('machine files', () => {
  const [printer] = DEMOS[0].printers
  const replay = (text: string) => replayGcode(`M83\nG1 X10 F600 E1\n${text}\n`, printer)
  it('name the line of a figure that no machine has', () => {
    expect(() => replay('G4 S-100000')).toThrow(/line 3: cannot wait -100000 s/)
    expect(() => replay(`G1 X${'9'.repeat(300)}`)).toThrow(/line 3: X9+ is out of reach/)
    expect(() => replay('G1 X1e30')).not.toThrow()
    expect(() => replay('G91\nG1 X900000\nG1 X900000')).toThrow(/line 5: leads out of reach/)
  })
  it.runIf(DEEP)(
    'arcs of a small file end at the limit of moves, not of memory',
    () => {
      const arcs = 'G2 X0 Y0 I900000 J0\n'.repeat(6000)
      expect(() => replay(arcs)).toThrow(/more than 20000000 moves/)
    },
    120_000,
  )
  it('in stretches cut anywhere, the figures of the whole', () => {
    const random = seeded(4)
    const text = Array.from(
      { length: 3000 },
      (_, i) =>
        `G1 X${(60 * random()).toFixed(2)} Y${(60 * random()).toFixed(2)} E${(i / 20).toFixed(3)} F${600 + Math.round(6000 * random())}`,
    ).join('\n')
    const whole = replayGcode(text, printer)
    const pieces = createReplay(printer)
    for (let at = 0; at < text.length;) {
      const to = at + 1 + Math.floor(60 * random())
      pieces.push(text.slice(at, to))
      at = to
    }
    expect(pieces.end()).toEqual(whole)
  })
  it('a chain of many blocks takes as long as the same chain at once', () => {
    const random = seeded(9),
      count = 200_000
    const list = {
      length: [] as number[],
      speed: [] as number[],
      dx: [] as number[],
      dy: [] as number[],
      dz: [] as number[],
    }
    const chain = new MoveReplay(1500, 8)
    for (let i = 0; i < count; i++) {
      // Long runs straight on, whose braking reaches back over many moves, and turns.
      const turn = i % 5000 < 4800 ? 0 : 2 * Math.PI * random()
      const move = [0.02 + 0.3 * random(), 20 + 280 * random(), Math.cos(turn), Math.sin(turn), 0] as const
      ;(['length', 'speed', 'dx', 'dy', 'dz'] as const).forEach((name, k) => list[name].push(move[k]!))
      chain.add(...move)
    }
    expect(chain.finish() / replayMoves(list, 1500, 8)).toBeCloseTo(1, 12)
  })
})
