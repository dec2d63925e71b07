/** Tails of flat sheet in slots of the body: what is cut, what that leaves of the body, how it is built and comes apart. */
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../assess'
import { share, type ProjectFile } from '../document'
import { holdsPoint, measureMesh, meshOf, pieceSolid, polygonArea, SLOT_AIR } from '../geometry'
import { bodyBears } from '../testing/body-bears'
import { testKernel } from '../testing/kernel'
import { slotted } from '../testing/sheeted'
import { buildOrder } from '../workshop/build'
import { packingList } from '../workshop/field'
import { travelOf } from './travel'

const assessor = sharedAssessor()
const SHEET = 5
const plain = (doc: ProjectFile): ProjectFile => ({ ...doc, tail: { ...doc.tail, slots: false } })
const sections = (doc: ProjectFile, x: number) =>
  assessor
    .airframe(doc)
    .pieces.filter(piece => piece.part === 'body' && piece.kind === 'fixed')
    .find(piece => x > piece.from && x < piece.to)!
    .sectionAt(x)
const area = (loops: readonly Float64Array[]) => loops.reduce((sum, loop) => sum + polygonArea(loop).area, 0)
/** Is there plastic at a place? */
const solidAt = (doc: ProjectFile, x: number, y: number, z: number): boolean =>
  sections(doc, x)
    .filter(loop => holdsPoint(loop, y, z))
    .reduce((sum, loop) => sum + Math.sign(polygonArea(loop).area), 0) > 0
/** Inside of a tailplane's chord, where no fin stands, and the other way about. */
const chordOf = ({ xMm, rootChordMm }: { xMm: number; rootChordMm: number }) =>
  [xMm, xMm + rootChordMm] as const

describe('a slot', () => {
  const doc = slotted()
  const { horizontal, vertical } = doc.tail
  const middle = horizontal!.xMm + 0.47 * horizontal!.rootChordMm
  it('is as high as the sheet and its air, through the skin on both sides, and nowhere else', () => {
    const wall = 21.6
    for (const side of [1, -1]) {
      const open = (z: number) => !solidAt(doc, middle, side * wall, z)
      expect(solidAt(plain(doc), middle, side * wall, 0)).toBe(true)
      expect(open(0)).toBe(true)
      expect(open(SHEET / 2 + SLOT_AIR - 0.05)).toBe(true)
      expect(open(SHEET / 2 + SLOT_AIR + 0.1)).toBe(false)
      expect(open(-SHEET / 2 - SLOT_AIR - 0.1)).toBe(false)
    }
    const [from, to] = chordOf(horizontal!)
    expect(solidAt(doc, from - 2, wall, 0)).toBe(true)
    expect(solidAt(doc, to + 2, wall, 0)).toBe(true)
  })
  it('of a fin opens the back alone', () => {
    const x = vertical!.xMm + 0.47 * vertical!.rootChordMm
    expect(solidAt(doc, x, 0, 21.6)).toBe(false)
    expect(solidAt(doc, x, 0, -21.6)).toBe(true)
    expect(solidAt(plain(doc), x, 0, 21.6)).toBe(true)
  })
  it('takes of the skin what lies in it: two strips as high as it, and the body weighs less', () => {
    const only = slotted(draft => (draft.tail.vertical = null))
    const left = area(sections(plain(only), middle)) - area(sections(only, middle))
    const { recipe } = only.zones.find(zone => zone.id === only.body!.stations.at(-1)!.zone)!
    const spacing = recipe.beadWidthMm - recipe.layerHeightMm * (1 - Math.PI / 4)
    const wall = recipe.beadWidthMm + (recipe.walls - 1) * spacing
    expect(left / (2 * wall * (SHEET + 2 * SLOT_AIR))).toBeCloseTo(1, 1)
    const mass = (own: ProjectFile) =>
      assessor
        .assess(own)
        .pieces.filter(piece => piece.part === 'body')
        .reduce((sum, piece) => sum + piece.massG, 0)
    expect(mass(doc)).toBeLessThan(mass(plain(doc)))
  })
  it('stands in the solid as in the sections that are weighed, closed', async () => {
    const kernel = await testKernel()
    const piece = assessor
      .airframe(doc)
      .pieces.filter(own => own.part === 'body' && own.kind === 'fixed')
      .find(own => middle > own.from && middle < own.to)!
    const solid = pieceSolid(kernel, piece),
      { volume, watertight } = measureMesh(meshOf(solid))
    solid.delete()
    const steps = 2000,
      step = (piece.to - piece.from) / steps
    let sum = 0
    for (let i = 0; i < steps; i++) sum += step * area(piece.sectionAt(piece.from + (i + 0.5) * step))
    expect(watertight).toBe(true)
    expect(Math.abs(volume / sum - 1)).toBeLessThan(0.01)
  })
  it('stays the same, and the body with it, while the tail changes further out', () => {
    const longer = share(doc, {
      ...doc,
      tail: {
        ...doc.tail,
        horizontal: {
          ...horizontal!,
          panels: horizontal!.panels.map(panel => ({ ...panel, tipChordMm: panel.tipChordMm + 5 })),
        },
      },
    })
    const [a, b] = [doc, longer].map(own => assessor.airframe(own))
    expect(b.slots.horizontal).toBe(a.slots.horizontal)
    const body = (own: typeof a) =>
      own.pieces.filter(piece => piece.part === 'body').map(piece => piece.sectionAt)
    expect(body(b)).toEqual(body(a))
  })
})

describe('what it leaves of the body', () => {
  it('is the stronger half alone: drawn, half the wall by the corner of a cut-out, 2.5', () => {
    const doc = slotted(draft => (draft.tail.vertical = null)),
      { horizontal } = doc.tail
    const x = horizontal!.xMm + 0.47 * horizontal!.rootChordMm
    const whole = bodyBears(plain(doc), x),
      split = bodyBears(doc, x)
    // A ring 44 mm across, without two strips as high as the slot.
    const strips = (2 * (SHEET + 2 * SLOT_AIR)) / (Math.PI * 44)
    expect(split.stretched / whole.stretched / (((1 - strips) / 2) * (1 / 2.5))).toBeCloseTo(1, 1)
    // Half a thin ring about its own middle: R³t (π/2 − 4/π), against πR³t of the whole; its ends lie 2R/π from that.
    const half = (Math.PI / 2 - 4 / Math.PI) / (2 / Math.PI) / Math.PI
    expect(split.hogging).toBeLessThan(half * whole.hogging)
    expect(split.hogging).toBeGreaterThan((0.6 * half * whole.hogging) / 2.5)
  })
  it('is nowhere stronger than the whole, in any way, and its places are told', () => {
    const doc = slotted(),
      { from, to } = assessor.airframe(doc).slots.horizontal!
    for (const share of [0.01, 0.25, 0.5, 0.75, 0.99]) {
      const x = from + share * (to - from)
      const [whole, split] = [bodyBears(plain(doc), x), bodyBears(doc, x)]
      for (const way of ['hogging', 'sagging', 'stretched', 'pressed'] as const)
        expect(split[way]).toBeLessThanOrEqual(whole[way])
    }
    const places = assessor.assess(doc).strength.places.filter(place => place.part === 'body')
    expect(places.some(place => place.xMm > from && place.xMm < to)).toBe(true)
    for (const { reserve } of places) expect(Number.isFinite(reserve)).toBe(true)
  })
})

describe('pushed in', () => {
  it('it is glued to nothing, comes off for the journey, and tape goes along', () => {
    const doc = slotted()
    const steps = buildOrder(assessor.airframe(doc)).steps.filter(step => step.id.startsWith('tail.'))
    expect(steps.map(step => JSON.stringify(step.title))).toEqual([
      expect.stringContaining('Push'),
      expect.stringContaining('Push'),
    ])
    for (const step of steps) expect(step.how.map(String).join(' ')).toMatch(/slot/)
    const named = (own: ProjectFile) =>
      travelOf(assessor.airframe(own), own.brief.travelBoxMm).parts.map(part => part.name)
    expect(named(doc)).toEqual(expect.arrayContaining(['Fin']))
    expect(named(plain(doc))).not.toContain('Fin')
    expect(packingList(doc).map(item => item.id)).toContain('tail-tape')
  })
  it('a root outside of the body is glued on and told; a tail that is no sheet, too', () => {
    const codes = (own: ProjectFile) =>
      assessor
        .assess(own)
        .findings.map(item => item.code)
        .filter(code => code.startsWith('slot-'))
    expect(codes(slotted())).toEqual([])
    const high = slotted(draft => (draft.tail.horizontal!.zMm = 60))
    expect(codes(high)).toEqual(['slot-not-made'])
    expect(assessor.airframe(high).slots.horizontal).toBeUndefined()
    const titles = buildOrder(assessor.airframe(high)).steps.map(step => JSON.stringify(step.title))
    expect(titles.join()).not.toContain('Push')
    const printed = slotted(draft => {
      for (const zone of draft.zones) zone.sheet = null
    })
    expect(codes(printed)).toEqual(['slot-not-sheet'])
    expect(codes(plain(printed))).toEqual([])
  })
})
