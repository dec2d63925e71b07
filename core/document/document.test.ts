import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DEMOS } from '../demo'
import { checkProject, DocumentError, readProject, writeProject } from './read'
import { share } from './share'
import type { ProjectFile } from './schema'

const copy = (): ProjectFile => JSON.parse(writeProject(DEMOS[0]))
const fault = (change: (doc: ProjectFile & Record<string, never>) => void): string => {
  const doc = copy()
  change(doc as ProjectFile & Record<string, never>)
  try {
    checkProject(doc)
  } catch (error) {
    expect(error).toBeInstanceOf(DocumentError)
    return (error as DocumentError).message
  }
  return 'accepted'
}

describe('project files', () => {
  it('what is written is read back the same', () => {
    for (const demo of DEMOS) expect(readProject(writeProject(demo))).toEqual(demo)
  })
  it('a truncated file is refused at every length, with a reason', () => {
    const text = writeProject(DEMOS[1])
    for (let at = 0; at < text.length - 3; at += 97) expect(() => readProject(text.slice(0, at))).toThrow(DocumentError)
  })
  it('names the first faulty place', () => {
    expect(fault((d) => { d.wing.panels[1].spanMm = -5 })).toMatch(/^wing\.panels\[1\]\.spanMm: /)
    expect(fault((d) => { d.brief.targetMassG = 'heavy' as never })).toMatch(/^brief\.targetMassG: /)
    expect(fault((d) => { d.equipment[2].massG = Number.NaN })).toMatch(/^equipment\[2\]\.massG: /)
    expect(fault((d) => { d.name = 'x'.repeat(10_000) })).toMatch(/^name: /)
    expect(fault((d) => { d.wing.panels[0].zone = 'nowhere' })).toMatch(/^wing\.panels\[0\]\.zone: there is no zone "nowhere"/)
    expect(fault((d) => { d.wing.rootAerofoil = 'naca99' })).toMatch(/^wing\.rootAerofoil: /)
    expect(fault((d) => { d.spars[1].id = d.spars[0].id })).toMatch(/^spars\[1\]\.id: "main-spar" is used twice/)
    expect(fault((d) => { d.body!.stations[2].xMm = 1 })).toMatch(/^body\.stations\[2\]\.xMm: /)
    expect(fault((d) => { d.brief.staticMarginPct = [18, 8] })).toMatch(/^brief\.staticMarginPct: /)
    expect(fault((d) => { (d as Record<string, unknown>).extra = 1 })).toMatch(/extra/)
  })
  it('tells a foreign and a newer file apart from a broken one', () => {
    expect(() => readProject('{"format":"other"}')).toThrow(/^format: /)
    expect(() => readProject('{"format":"mariposa-project","version":3}')).toThrow(/^version: 3 is newer/)
    expect(() => readProject('[]')).toThrow(/one JSON object/)
    expect(() => readProject('x'.repeat(64_000_001))).toThrow(/64 MB/)
  })
  it('survives any mutation of the text: read, or refused with a reason', () => {
    const text = writeProject(DEMOS[1])
    fc.assert(fc.property(fc.nat(text.length), fc.oneof(fc.string({ maxLength: 6 }), fc.constantFrom('null', '-1e999', 'NaN', '[', '}', '""', '1e308')), fc.nat(12), (at, put, cut) => {
      try {
        readProject(text.slice(0, at) + put + text.slice(at + cut))
      } catch (error) {
        expect(error).toBeInstanceOf(DocumentError)
      }
    }), { numRuns: 1500 })
  })
})

describe('structural sharing', () => {
  it('keeps every part that did not change, and only those', () => {
    const before = copy()
    const next = copy()
    next.zones[1].recipe.walls = 3
    const shared = share(before, next)
    expect(shared).toEqual(next)
    expect(shared.wing).toBe(before.wing)
    expect(shared.zones[0]).toBe(before.zones[0])
    expect(shared.zones[1]).not.toBe(before.zones[1])
    expect(share(before, copy())).toBe(before)
  })
  it('equals the new value for any two JSON values', () => {
    expect(share([], {})).toEqual({})
    expect(share({}, [])).toEqual([])
    fc.assert(fc.property(fc.jsonValue(), fc.jsonValue(), (a, b) => { expect(share(a, b)).toEqual(b) }), { numRuns: 1000 })
  })
})
