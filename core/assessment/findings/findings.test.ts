/** What is found, with place, figure, limit and remedy; and pieces that keep their names through cuts. */
import fc from 'fast-check'
import { written } from '../../units'
import { describe, expect, it } from 'vitest'
import { assess, type Assessment, sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import { newPieceNumber, type ProjectFile } from '../../document'
import { aircraft } from '../../testing/arbitraries'
import { proposeAllCuts } from '../../workshop/advice'
import { changed } from '../../testing/changed'
import { runs } from '../../testing/runs'

const [thistledown] = DEMOS

describe('findings', () => {
  const found = (change: (d: ProjectFile) => void): Assessment['findings'] =>
    assess(changed(thistledown, change)).findings
  it('a tube thicker than the wing is a finding with place, figure, limit and remedy, not a crash', () => {
    const finding = found(d => {
      d.spars[0].stock = 'tube-16x14'
      d.wing.panels[1].tipChordMm = 60
      d.spars[0].toMm = 590
    }).find(f => f.code === 'spar-breaks-out')!
    expect(written(finding.where)).toMatch(/Main spar at \d+ mm/)
    expect(finding.value).toBeLessThan(finding.limit)
    expect(written(finding.remedy)).toMatch(/End it at \d+ mm/)
    // The remedy, taken, clears the finding.
    const end = Number(/End it at (\d+) mm/.exec(written(finding.remedy))![1])
    expect(
      found(d => {
        d.spars[0].stock = 'tube-16x14'
        d.wing.panels[1].tipChordMm = 60
        Object.assign(d.spars[0], { toMm: end })
      }).some(f => f.code === 'spar-breaks-out' && written(f.where).startsWith('Main')),
    ).toBe(false)
  })
  it('a piece larger than every bed', () => {
    const finding = found(d => {
      d.cuts.wing = []
    }).find(f => f.code === 'piece-too-large')!
    expect(finding.value).toBeCloseTo(600, 6)
    expect(finding.limit).toBe(250)
  })
  it('a starved and a proud bead say which flow fills it, and that flow does', () => {
    for (const [flow, code] of [
      [0.3, 'bead-starved'],
      [0.6, 'bead-proud'],
    ] as const) {
      const finding = found(d => {
        d.zones[2].recipe.flow = flow
      }).find(f => f.code === code)!
      const mend = Number(/Flow ([\d.]+)/.exec(written(finding.remedy))![1])
      expect(
        found(d => {
          d.zones[2].recipe.flow = mend
        }).some(f => f.code.startsWith('bead-')),
      ).toBe(false)
    }
  })
  it('a first piece 15 % heavy is caught; a weighing of an older design does not count', () => {
    expect(
      found(d => {
        d.weighIns[0].massG = 27.9
      }).some(f => f.code === 'weighs-off'),
    ).toBe(true)
    const redesigned = assess(
      changed(thistledown, d => {
        d.zones[2].recipe.walls = 2
      }),
    )
    const piece = redesigned.pieces.find(p => p.id === 'wing-1-starboard')!
    expect(piece.weighedG).toBeNull()
    expect(piece.outdatedG).toBe(24.9)
    expect(piece.massG).toBe(piece.predictedG)
  })
  it('a new cut leaves every other piece its weighing, its printer and its id', () => {
    const doc = changed(thistledown, d => {
      const weigh = (piece: string, massG: number) => ({ ...d.weighIns[0], piece, massG, predictedG: massG })
      const now = assess(thistledown).pieces
      d.weighIns = ['wing-3-starboard', 'wing-4-port'].map(id =>
        weigh(id, now.find(piece => piece.id === id)!.predictedG),
      )
      d.printerOf = { 'wing-4-port': d.printers[1].id }
    })
    const before = assess(doc).pieces
    // Between the first cut and the second.
    const cut = changed(doc, d => {
      d.cuts.wing.splice(1, 0, { ...d.cuts.wing[0], atMm: 205, piece: newPieceNumber(doc, 'wing') })
    })
    const after = assess(cut).pieces
    expect(after.length).toBe(before.length + 2)
    for (const id of ['wing-3-starboard', 'wing-4-port', 'wing-1-starboard', 'body-2']) {
      const [a, b] = [before, after].map(list => list.find(piece => piece.id === id)!)
      expect([b.fromMm, b.toMm, b.weighedG, b.printer, b.mark]).toEqual([
        a.fromMm,
        a.toMm,
        a.weighedG,
        a.printer,
        a.mark,
      ])
    }
    expect(after.find(piece => piece.id === 'wing-3-starboard')!.weighedG).not.toBeNull()
    // The piece that was cut in two keeps the name of its inner half; the new one has a name of its own.
    expect(after.find(piece => piece.id === 'wing-2-starboard')!.toMm).toBe(205)
    expect(after.find(piece => piece.id === 'wing-5-starboard')).toMatchObject({ fromMm: 205, toMm: 270 })
  })
  it('proposed cuts give no new piece the name of an old one', () => {
    const moved = changed(thistledown, d => {
      d.cuts.wing = [{ ...d.cuts.wing[0], atMm: 60, piece: 2 }]
    })
    const { wing } = proposeAllCuts(sharedAssessor().airframe(moved))
    expect(wing.length).toBeGreaterThan(0)
    for (const { atMm, piece } of wing) expect(piece === 2).toBe(Math.abs(atMm - 60) < 0.05)
    expect(new Set(wing.map(({ piece }) => piece)).size).toBe(wing.length)
  })
  it('unknown filament and stock are named, and something stands in', () => {
    const list = found(d => {
      d.zones[0].filament = 'unobtainium'
      d.spars[0].stock = 'rebar'
    }).filter(f => f.code === 'unknown-material')
    expect(list.map(f => written(f.where))).toEqual(['zone Nose and firewall', 'Main spar'])
  })
  it('every finding carries a number, a limit and a remedy', () => {
    fc.assert(
      fc.property(aircraft, doc => {
        for (const f of assess(doc).findings) {
          expect(typeof f.value).toBe('number')
          expect(Number.isNaN(f.value) || Number.isNaN(f.limit)).toBe(false)
          expect(written(f.remedy).length).toBeGreaterThan(5)
        }
      }),
      { numRuns: runs(60, 1) },
    )
  })
})
