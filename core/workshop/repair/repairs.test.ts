import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import { pieceSolid } from '../../geometry'
import { testKernel } from '../../testing/kernel'
import { written } from '../../units'
import type { Damage, ProjectFile } from '../../document'
import { apply } from '../../change'
import { brokenCopies, isPrinted, planRoom } from '../print-room'
import { boughtParts, chooseMend, lookAlso, noteDamage, partHistories, repairs, restOf } from './index'
import { runs } from '../../testing/runs'

const assessor = sharedAssessor()
const [thistledown, plover] = DEMOS
const of = (code: string, ways: ReturnType<typeof repairs>) => ways.find(way => way.code === code)!

describe('a broken piece', () => {
  const before = assessor.assess(thistledown)
  const piece = before.pieces.find(item => item.id === 'wing-2-port')!
  const at = (piece.fromMm + piece.toMm) / 2
  const ways = repairs(assessor, thistledown, piece.id, at)

  it('printed whole it is the aircraft as it was, for its hours and its price', () => {
    expect(of('new-piece', ways)).toMatchObject({ massG: 0, hours: piece.hours, cost: piece.cost })
    expect(of('new-piece', ways).reserve).toBe(before.strength.reserve)
  })

  it('stump and rest weigh the original and their joint, and the rest takes less of printer and shelf than the whole', () => {
    const rest = of('rest', ways)
    expect(rest.massG).toBeGreaterThan(-0.01 * piece.predictedG)
    // Pins in their blocks, two more faces: some grams, not half a piece.
    expect(rest.massG).toBeLessThan(0.35 * piece.predictedG)
    expect(rest.hours).toBeLessThan(piece.hours)
    expect(rest.cost).toBeLessThan(piece.cost)
    // By its words the cut lies inward of the break, on a layer.
    const sound = Number(/layer at ([\d.]+) mm/.exec(written(rest.what))![1])
    const layer = thistledown.zones.find(zone => zone.id === piece.zone)!.recipe.layerHeightMm
    expect(sound).toBeLessThanOrEqual(at - 4)
    expect(
      Math.abs((sound - piece.fromMm) / layer - Math.round((sound - piece.fromMm) / layer)),
    ).toBeLessThan(0.3)
  })

  it('one half alone moves the balance by its own moment', () => {
    // A stronger recipe is its zone's: both halves are designed so.
    for (const way of ways.filter(item => item.code !== 'stronger')) {
      const { massG, cgMm } = before.totals
      expect(way.cgMm).toBeCloseTo((massG * cgMm[0] + way.massG * piece.centreMm[0]) / (massG + way.massG), 3)
    }
  })

  it('glue bears no more than the whole did, a splint no less than glue alone', () => {
    expect(of('glue', ways).reserve).toBeLessThanOrEqual(before.strength.reserve)
    // Its bore takes a little of the skin: a hundredth at the most where something else is the weakest place.
    expect(of('splint', ways).reserve).toBeGreaterThan(of('glue', ways).reserve - 0.01)
    expect(of('splint', ways).massG).toBeGreaterThan(of('glue', ways).massG)
    expect(of('glue', ways).hours).toBe(0)
  })

  it('near an end there is no rest to print; a moving piece is printed or glued', () => {
    expect(repairs(assessor, thistledown, piece.id, piece.fromMm + 3).map(way => way.code)).not.toContain(
      'rest',
    )
    const moving = before.pieces.find(item => item.kind === 'moving')!
    const codes = repairs(assessor, thistledown, moving.id, (moving.fromMm + moving.toMm) / 2).map(
      way => way.code,
    )
    expect(codes).toEqual(['new-piece', 'glue'])
  })

  it('a nose too: the body has its lip, and no rod', () => {
    const nose = before.pieces.find(item => item.id === 'body-1')!
    const ways = repairs(assessor, thistledown, nose.id, 60)
    // The body behind the break stays, so what is printed is the front, and the cut lies behind the break.
    expect(written(of('rest', ways).what)).toMatch(/at 6\d\.\d mm, print the 6\d mm before it/)
    expect(ways.map(way => way.code)).not.toContain('splint')
  })

  it('what is not there is named with what is', () => {
    expect(() => repairs(assessor, plover, 'wing-99-port', 10)).toThrow(
      /no piece "wing-99-port"; pieces: .*wing-1/,
    )
    expect(() => repairs(assessor, thistledown, piece.id, piece.toMm + 50)).toThrow(
      /lies outside .* which reaches from/,
    )
  })
})

describe('a way that was decided on', () => {
  const before = assessor.assess(thistledown)
  const piece = before.pieces.find(item => item.id === 'wing-2-port')!
  const at = Math.round((piece.fromMm + piece.toMm) / 2)
  const broken = {
    piece: piece.id,
    atMm: at,
    how: 'crack' as const,
    flight: 'flight-2',
    date: '2026-11-08',
    note: '',
  }
  const noted = noteDamage(thistledown, before, broken)
  const ways = repairs(assessor, thistledown, piece.id, at)
  const chosen = (code: string, doc = thistledown) =>
    apply(doc, chooseMend(doc, noted, of(code, ways), ['join.x']))

  it('weighs and balances what it promised', () => {
    for (const code of ['rest', 'glue', 'splint']) {
      const way = of(code, ways)
      const after = assessor.assess(chosen(code))
      expect(after.totals.massG - before.totals.massG).toBeCloseTo(way.massG, 2)
      expect(after.totals.cgMm[0]).toBeCloseTo(way.cgMm, 6)
      expect(after.strength.reserve).toBeCloseTo(way.reserve, 9)
    }
    for (const code of ['stronger', 'new-piece']) {
      const way = of(code, ways)
      const after = assessor.assess(chosen(code))
      expect(after.totals.massG - before.totals.massG).toBeCloseTo(way.massG, 6)
      expect(after.strength.reserve).toBeCloseTo(way.reserve, 9)
    }
  })
  it('strength knows the joint, as it knows one of the design: no stronger than a cut there, weaker than none', () => {
    // A wing without spars, of one piece a half: its skin carries, and glue bears less than it.
    const bare: ProjectFile = {
      ...thistledown,
      spars: thistledown.spars.filter(spar => spar.surface !== 'wing'),
      cuts: { ...thistledown.cuts, wing: [] },
    }
    const whole = assessor.assess(bare)
    const own = whole.pieces.find(
      item => item.part === 'wing' && item.side === 'port' && item.kind === 'fixed',
    )!
    const here = 60
    const glue = of('glue', repairs(assessor, bare, own.id, here))
    const near = (assessment: typeof whole) =>
      Math.min(
        ...assessment.strength.stations.filter(({ s }) => Math.abs(s - here) < 0.1).map(row => row.reserve),
      )
    const mended = assessor.assess(
      apply(
        bare,
        chooseMend(bare, noteDamage(bare, whole, { ...broken, piece: own.id, atMm: here }), glue, []),
      ),
    )
    const cut = assessor.assess({
      ...bare,
      cuts: { ...bare.cuts, wing: [{ atMm: here, joint: { kind: 'butt', toleranceMm: 0.2 }, piece: 2 }] },
    })
    const beside = Math.min(
      ...whole.strength.stations.filter(({ s }) => Math.abs(s - here) < 25).map(row => row.reserve),
    )
    expect(near(mended)).toBeLessThan(beside)
    const at = (assessment: typeof whole) =>
      assessment.strength.stations.find(({ s }) => Math.abs(s - here) < 0.1)
    // The wing's own weight lies otherwise in a cut one and bends it otherwise: what glue bears is the same moment.
    const bears = (assessment: typeof whole) => at(assessment)!.modes['glue joint']! * at(assessment)!.moment
    expect(bears(mended) / bears(cut)).toBeCloseTo(1, 3)
    expect(at(whole)?.modes['glue joint']).toBeUndefined()
    // Taken back, or on a piece that is no more, it is no joint.
    expect(assessor.assess({ ...bare, damages: [] }).strength.reserve).toBe(whole.strength.reserve)
  })
  it('a new copy is printed once more, and weighed anew; the old one’s steps stand open', () => {
    const built: ProjectFile = {
      ...thistledown,
      weighIns: [{ piece: piece.id, massG: 20, predictedG: piece.predictedG, date: '2026-10-01', note: '' }],
      build: {
        ...thistledown.build,
        ticks: ['join.x', 'balance', 'other'].map(step => ({
          step,
          state: 'done' as const,
          at: '2026-10-20T10:00',
          tookMin: null,
        })),
      },
      plates: [
        {
          id: 'p-1',
          printer: thistledown.printers[0].id,
          pieces: [{ piece: piece.id, xMm: 1, yMm: 1, turnDeg: 0 }],
          state: 'done',
          notBefore: null,
          begun: null,
          ended: null,
          spool: null,
          gramsOff: 20,
          fault: null,
        },
      ],
    }
    const damage = noteDamage(built, assessor.assess(built), broken)
    expect(damage.wasG).toBe(20)
    const next = apply(built, chooseMend(built, damage, of('new-piece', ways), ['join.x']))
    expect(next.weighIns).toEqual([])
    expect(next.build.ticks.map(tick => tick.step)).toEqual(['other'])
    const report = assessor.assess(next).pieces.find(item => item.id === piece.id)!
    expect(brokenCopies(next, piece.id)).toBe(1)
    expect(isPrinted(next, report)).toBe(false)
    const again = { ...next, plates: [...next.plates, { ...next.plates[0], id: 'p-2' }] }
    expect(isPrinted(again, report)).toBe(true)
  })
  it('a rest is a plate of its own with its own hours and grams, until it is done', () => {
    const way = of('rest', ways)
    const next = chosen('rest')
    const plates = (doc: ProjectFile) =>
      planRoom(doc, assessor.airframe(doc), assessor.assess(doc), '2026-11-09T08:00').plates
    const own = plates(next).find(plate => plate.mends === noted.id)!
    const printer = next.printers.find(item => item.id === own.printer)!
    expect(own.hours).toBeCloseTo(way.hours + printer.plateOverheadMin / 60, 6)
    expect(own.gramsOff).toBeCloseTo(way.printG, 6)
    // The piece itself is asked for no more than before.
    const asked = (doc: ProjectFile) =>
      plates(doc).filter(plate => !plate.mends && plate.pieces.some(item => item.piece === piece.id)).length
    expect(asked(next)).toBe(asked(thistledown))
    const done = { ...next, damages: next.damages.map((item): Damage => ({ ...item, state: 'mended' })) }
    expect(plates(done).some(plate => plate.mends)).toBe(false)
  })
  it('the rest that is exported is the piece that was promised', () => {
    const rest = restOf(assessor, thistledown, piece.id, at)!
    const printed = assessor.assess(rest.doc).pieces.find(item => item.id === rest.piece)!
    expect(printed.filamentG).toBeCloseTo(of('rest', ways).printG, 9)
    expect(printed.toMm - printed.fromMm).toBeLessThan(piece.toMm - piece.fromMm)
  })
  it('what is torn or gone is not glued', () => {
    const codes = repairs(assessor, thistledown, piece.id, at, 'gone').map(way => way.code)
    expect(codes).not.toContain('glue')
    expect(codes).not.toContain('splint')
    expect(codes).toContain('rest')
  })
  it('a stronger recipe bears more there', () => {
    expect(of('stronger', ways).massG).toBeGreaterThan(0)
    expect(Number(/bears ([\d.]+) times/.exec(written(of('stronger', ways).what))![1])).toBeGreaterThan(1.01)
  })
  it('spars, boom and legs are parts too; a boom takes a sleeve or is put in anew', () => {
    const parts = boughtParts(thistledown, before)
    expect(parts.map(part => part.id)).toEqual(
      expect.arrayContaining([
        'boom',
        'firewall',
        'hinges-wing-1',
        'hinges-vertical-1',
        ...thistledown.spars.map(spar => spar.id),
      ]),
    )
    expect(new Set(parts.map(part => part.id)).size).toBe(parts.length)
    for (const part of parts)
      for (const way of repairs(assessor, thistledown, part.id, part.fromMm)) {
        expect(Number.isFinite(way.massG + way.cost + way.reserve + way.cgMm)).toBe(true)
        expect(way.cost).toBeGreaterThanOrEqual(0)
      }
    const mount = repairs(assessor, thistledown, 'firewall', 0)
    // A disc of plywood twice the bolt circle across: π/4 · 50² · 2 mm at 0.65 g/cm³, and the glue.
    expect(mount[0].massG).toBeCloseTo(((Math.PI / 4) * 50 ** 2 * 2 * 0.65) / 1000 + 1, 1)
    const { fromMm, toMm } = thistledown.boom!
    const boom = repairs(assessor, thistledown, 'boom', (fromMm + toMm) / 2)
    expect(boom.map(way => way.code)).toContain('new-part')
    for (const way of boom.filter(item => item.code === 'sleeve')) expect(way.massG).toBeGreaterThan(1)
    expect(() => repairs(assessor, thistledown, 'boom', toMm + 5)).toThrow(/lies outside Boom/)
  })
  it('the load went on: neighbours, the other side, spars and the weakest places are named', () => {
    const looks = lookAlso(thistledown, before, piece.id, at)
    const names = looks.map(look => written(look.where))
    expect(names).toContain(before.pieces.find(item => item.id === 'wing-1-port')!.name)
    expect(names).toContain(before.pieces.find(item => item.id === 'wing-2-starboard')!.name)
    expect(looks.some(look => /runs through it/.test(written(look.why)))).toBe(true)
    expect(lookAlso(thistledown, before, 'boom', 500).length).toBeGreaterThan(1)
  })
  it('the history says which copy it is, and where it broke twice', () => {
    const damage = (id: string, atMm: number, way: Damage['way']): Damage => ({
      ...noted,
      id,
      atMm,
      way,
      state: 'mended',
    })
    const [history] = partHistories({
      damages: [damage('a', 300, 'glue'), damage('b', 318, 'new-piece'), damage('c', 500, 'glue')],
    })
    expect(history).toMatchObject({ copy: 2, mends: 2, open: 0, again: [{ atMm: 309, times: 2 }] })
  })
})

describe('the rest of a broken piece as a solid', () => {
  it('stump and rest are closed, and together they are the piece and its joint', async () => {
    const kernel = await testKernel()
    for (const id of ['wing-2-port', 'body-1'].slice(0, runs(2, 1))) {
      const piece = assessor.assess(thistledown).pieces.find(item => item.id === id)!
      const at = Math.round((piece.fromMm + piece.toMm) / 2)
      const rest = restOf(assessor, thistledown, id, at)!
      const volume = (doc: ProjectFile, name: string) => {
        const own = assessor.airframe(doc).pieces.find(item => item.id === name)!
        const solid = pieceSolid(kernel, own)
        try {
          expect(solid.status()).toBe('NoError')
          expect(solid.isEmpty()).toBe(false)
          return solid.volume()
        } finally {
          solid.delete()
        }
      }
      const names = assessor
        .assess(rest.doc)
        .pieces.filter(item => item.part === piece.part && item.side === piece.side && item.kind === 'fixed')
        .map(item => item.id)
      const cut = names.reduce((sum, name) => sum + volume(rest.doc, name), 0)
      const whole = assessor
        .assess(thistledown)
        .pieces.filter(item => item.part === piece.part && item.side === piece.side && item.kind === 'fixed')
        .reduce((sum, item) => sum + volume(thistledown, item.id), 0)
      // Nothing of the outline goes; a lip or pins add or take a few per cent of one piece.
      expect(Math.abs(cut / whole - 1)).toBeLessThan(0.03)
    }
  })
})
