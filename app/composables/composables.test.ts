import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { assess } from '../../core/assess'
import { DEMOS } from '../../core/demo'
import { checkProject, share, type ProjectFile } from '../../core/document'
import { loftSurface, trailingEdgeMm } from '../../core/geometry'
import { CHEEKS, throughBody } from '../../core/testing/ducted-body'
import { runs } from '../../core/testing/runs'
import { figure, signed } from './format'
import { fileName } from './download'
import { isStation, STATIONS } from '../stations/path'
import { stationState } from '../stations/station-state'
import { handlesFor, type Handle } from './useHandles'
import { paintFor } from './usePaint'

const [thistledown, plover] = DEMOS
const loft = (doc: ProjectFile) =>
  loftSurface('wing', 'Wing', doc.wing, doc.aerofoils, trailingEdgeMm(doc.zones))
const take = (doc: ProjectFile, handle: Handle, to: [number, number, number]) =>
  checkProject(produce(doc, draft => handle.apply(draft, to)))

describe('figures', () => {
  it('have fixed digits, a true minus, no minus zero and no NaN', () => {
    expect(figure(-3.14159, 2)).toBe('−3.14')
    expect(figure(-0.04, 1)).toBe('0.0')
    expect(figure(Number.NaN)).toBe('–')
    expect(figure(null)).toBe('–')
    expect(signed(0.04, 1)).toBe('0.0')
    expect(signed(2, 0)).toBe('+2')
    expect(signed(-2.5, 1)).toBe('−2.5')
  })
  it('file names keep letters and lose what a disk refuses', () => {
    expect(fileName('Möwe / "groß": Nr. 2')).toMatch(/^[\w.-]+$/)
    expect(fileName('///')).toBe('project')
    expect(fileName('x'.repeat(300)).length).toBe(60)
  })
})

/** With everything that can be grabbed. */
const HELD = [...DEMOS, throughBody(CHEEKS)]
describe('handles', () => {
  it('dragged to where they are change nothing', () => {
    for (const doc of HELD) {
      for (const [station, view] of [
        ['shape', 'plan'],
        ['shape', 'side'],
        ['spine', 'plan'],
        ['split', 'plan'],
        ['split', 'side'],
        ['balance', 'side'],
        ['balance', 'plan'],
      ] as const) {
        const handles = handlesFor(station, view, doc, loft(doc))
        for (const handle of handles.filter((_, i) => i % runs(1, 4) === 0)) {
          const after = share(doc, take(doc, handle, handle.at))
          // Places snap to half a millimetre; the aircraft otherwise stays.
          const [a, b] = [assess(doc), assess(after)]
          expect(Math.abs(a.totals.cgMm[0] - b.totals.cgMm[0]), handle.label).toBeLessThan(0.6)
        }
      }
    }
  })
  it('the tip moves span and sweep, the root the whole wing, chords only themselves', () => {
    const find = (id: string) => handlesFor('shape', 'plan', thistledown, null).find(h => h.id === id)!
    const tip = take(thistledown, find('lead-2'), [222, 650, 0]).wing.panels[1]
    expect([tip.spanMm, tip.sweepMm, tip.tipChordMm]).toEqual([380, 60, 130])
    expect(take(thistledown, find('lead-0'), [180, 999, 0]).wing).toEqual({ ...thistledown.wing, xMm: 180 })
    expect(take(thistledown, find('chord-0'), [162 + 210, 0, 0]).wing.rootChordMm).toBe(210)
    // The tailplane's root lies 6 mm out, at the boom's side.
    expect(take(thistledown, find('tail-lead-1'), [830, 236, 0]).tail.horizontal!.panels[0].spanMm).toBe(230)
  })
  it('never leave what the schema admits, however far they are dragged', () => {
    for (const doc of HELD) {
      for (const [station, view] of [
        ['shape', 'plan'],
        ['shape', 'side'],
        ['spine', 'plan'],
        ['split', 'plan'],
        ['balance', 'side'],
        ['balance', 'plan'],
      ] as const) {
        for (const handle of handlesFor(station, view, doc, loft(doc))) {
          for (const far of [-1e5, 1e5])
            expect(() => take(doc, handle, [far, far, far]), `${handle.label} to ${far}`).not.toThrow()
        }
      }
    }
  })
  it('a battery stays in its bay, and other things go where they are put', () => {
    const handles = handlesFor('balance', 'side', thistledown, null)
    const battery = handles.find(h => h.id === 'mass-battery')!
    const moved = take(thistledown, battery, [-500, 0, 90]).equipment.find(e => e.id === 'battery')!
    expect(moved.xMm - moved.sizeMm[0] / 2).toBe(moved.bay![0])
    expect(moved.zMm).toBe(-14)
    const receiver = take(
      thistledown,
      handles.find(h => h.id === 'mass-receiver')!,
      [300, 0, 10],
    ).equipment.find(e => e.id === 'receiver')!
    expect([receiver.xMm, receiver.zMm]).toEqual([300, 10])
  })
  it('a station of the duct goes where it is put, between its neighbours, and never past the middle', () => {
    const doc = throughBody(CHEEKS)
    const at = (view: 'plan' | 'side', to: [number, number, number]) => {
      const handle = handlesFor('shape', view, doc, null, 'body').find(h => h.id === 'duct-1')!
      const { xMm, yMm, zMm } = take(doc, handle, to).duct!.stations[1]
      return [xMm, yMm, zMm]
    }
    expect(at('plan', [220, 44, 99])).toEqual([220, 44, 0])
    expect(at('plan', [1000, -20, 0])).toEqual([299, 0, 0])
    expect(at('side', [50, 99, -12])).toEqual([101, 30, -12])
  })
  it("a spar's end follows the pointer along the span, and stays between its start and the tip", () => {
    const handle = handlesFor('spine', 'plan', thistledown, loft(thistledown)).find(
      h => h.id === 'spar-main-spar',
    )!
    expect(take(thistledown, handle, [0, 420, 0]).spars[0].toMm).toBe(420)
    expect(take(thistledown, handle, [0, 5000, 0]).spars[0].toMm).toBe(600)
    expect(take(thistledown, handle, [0, -50, 0]).spars[0].toMm).toBe(10)
  })
})

describe('paint', () => {
  it('every station colours every piece, and colour never stands alone: a hatch, a note or a legend goes with it', () => {
    for (const doc of DEMOS) {
      const a = assess(doc)
      for (const { id } of STATIONS) {
        const paint = paintFor(id, doc, a)
        for (const piece of a.pieces) {
          const { colour, note } = paint.of(piece)
          expect(colour).toMatch(/^#[0-9a-f]{6}$/)
          expect(note.length).toBeGreaterThan(2)
        }
        if (id === 'skin')
          expect(new Set(paint.legend.map(item => `${item.colour}${item.pattern}`)).size).toBe(
            doc.zones.length,
          )
      }
    }
  })
  it('a wing that breaks is painted so at Spine, a piece that fits no bed at Split, a heavy one at Weigh', () => {
    const bare = { ...plover, spars: [], brief: { ...plover.brief, loadFactor: 25 } }
    const a = assess(bare)
    const wing = a.pieces.find(p => p.id === 'wing-2-starboard')!
    expect(paintFor('spine', bare, a).of(wing).note).toMatch(/least reserve 0\./)
    const uncut = { ...thistledown, cuts: { ...thistledown.cuts, wing: [] } }
    const large = assess(uncut)
    expect(paintFor('split', uncut, large).of(large.pieces[0]).pattern).toBeGreaterThan(0)
    const heavy = { ...thistledown, weighIns: [{ ...thistledown.weighIns[0], massG: 27 }] }
    const weighed = assess(heavy)
    expect(paintFor('weigh', heavy, weighed).of(weighed.pieces[0]).colour).toBe(
      paintFor('weigh', heavy, weighed).legend.find(item => item.label === 'heavy')!.colour,
    )
  })
})

describe('stations', () => {
  it('know their names', () => {
    expect(isStation('spine')).toBe(true)
    expect(isStation('constructor')).toBe(false)
  })
  it('want attention where something stops the build, and only there', () => {
    const state = (doc: ProjectFile) => {
      const a = assess(doc)
      return Object.fromEntries(STATIONS.map(({ id }) => [id, stationState(id, doc, a)]))
    }
    const demo = state(thistledown)
    expect(demo.brief).toBe('attention')
    expect(demo.weigh).toBe('going')
    expect(demo.log).toBe('going')
    expect(
      state({
        ...plover,
        equipment: plover.equipment.map(item => (item.id === 'battery' ? { ...item, xMm: 90 } : item)),
      }).balance,
    ).toBe('attention')
    expect(state(plover).weigh).toBe('untouched')
    expect(state({ ...plover, spars: [], brief: { ...plover.brief, loadFactor: 25 } }).spine).toBe(
      'attention',
    )
    expect(state({ ...thistledown, cuts: { ...thistledown.cuts, wing: [] } }).split).toBe('attention')
    expect(state({ ...thistledown, weighIns: [{ ...thistledown.weighIns[0], massG: 27 }] }).weigh).toBe(
      'attention',
    )
  })
})
