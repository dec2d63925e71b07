import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DEMOS } from '../demo'
import { drawn } from '../testing/drawn'
import { DocumentError } from './fault'
import { parseJson } from './json'
import { checkProject, PRESENT_VERSION, readProject, writeProject } from './read'
import { readRecipe, writeRecipe } from './recipe-file'
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
    for (let at = 0; at < text.length - 3; at += 97)
      expect(() => readProject(text.slice(0, at))).toThrow(DocumentError)
  })
  it('names the first faulty place', () => {
    expect(
      fault(d => {
        d.wing.panels[1].spanMm = -5
      }),
    ).toMatch(/^wing\.panels\[1\]\.spanMm: /)
    expect(
      fault(d => {
        d.brief.targetMassG = 'heavy' as never
      }),
    ).toMatch(/^brief\.targetMassG: /)
    expect(
      fault(d => {
        d.equipment[2].massG = Number.NaN
      }),
    ).toMatch(/^equipment\[2\]\.massG: /)
    expect(
      fault(d => {
        d.name = 'x'.repeat(10_000)
      }),
    ).toMatch(/^name: /)
    expect(
      fault(d => {
        d.wing.panels[0].zone = 'nowhere'
      }),
    ).toMatch(/^wing\.panels\[0\]\.zone: there is no zone "nowhere"/)
    expect(
      fault(d => {
        d.wing.rootAerofoil = 'naca99'
      }),
    ).toMatch(/^wing\.rootAerofoil: /)
    expect(
      fault(d => {
        d.spars[1].id = d.spars[0].id
      }),
    ).toMatch(/^spars\[1\]\.id: "main-spar" is used twice/)
    expect(
      fault(d => {
        d.body!.stations[2].xMm = 1
      }),
    ).toMatch(/^body\.stations\[2\]\.xMm: /)
    expect(
      fault(d => {
        d.brief.staticMarginPct = [18, 8]
      }),
    ).toMatch(/^brief\.staticMarginPct: /)
    const leg = {
      id: 'a',
      name: 'Leg',
      kind: 'wire' as const,
      xMm: 0,
      yMm: 0,
      zMm: 0,
      dropMm: 80,
      splayMm: 0,
      thicknessMm: 3,
      widthMm: 3,
      zone: 'body',
      springNmm: 1,
      travelMm: 5,
      coil: null,
      wheelMm: 40,
      tyreMm: 2,
      wheelG: 5,
      printedWheel: null,
      pair: true,
      mount: { lengthMm: 20, widthMm: 4, depthMm: 3 },
    }
    expect(
      fault(d => {
        d.gear = [{ ...leg, zone: 'undercarriage' }]
      }),
    ).toMatch(/^gear\[0\]\.zone: there is no zone "undercarriage"/)
    expect(
      fault(d => {
        d.gear = [leg, { ...leg }]
      }),
    ).toMatch(/^gear\[1\]\.id: "a" is used twice/)
    expect(
      fault(d => {
        d.proofs = [
          {
            id: 'p',
            kind: 'twist',
            massG: 100,
            atMm: 300,
            armMm: 100,
            measured: -2,
            date: '2026-11-25',
            note: '',
          },
        ]
      }),
    ).toMatch(/^proofs\[0\]\.measured: /)
    expect(
      fault(d => {
        ;(d as Record<string, unknown>).extra = 1
      }),
    ).toMatch(/extra/)
  })
  it('tells a foreign and a newer file apart from a broken one', () => {
    expect(() => readProject('{"format":"other"}')).toThrow(/^format: /)
    const newer = PRESENT_VERSION + 1
    expect(() => readProject(`{"format":"mariposa-project","version":${newer}}`)).toThrow(
      new RegExp(`^version: ${newer} is newer`),
    )
    expect(() => readProject('[]')).toThrow(/one JSON object/)
    expect(() => readProject('x'.repeat(64_000_001))).toThrow(/64 MB/)
  })
  it('a recipe file of version 1 stands on its end; one of this version says so itself', () => {
    const { stance: _, ...recipe } = DEMOS[0].zones[0].recipe
    const file = { format: 'mariposa-recipe', version: 1, name: 'Nose', filament: 'pla-tough', recipe }
    expect(readRecipe(JSON.stringify(file))).toMatchObject({
      version: 5,
      recipe: { stance: 'standing', beadForm: 'rounded' },
    })
    const flat = { name: 'Nose', filament: 'pla-tough', recipe: { ...recipe, stance: 'flat' as const } }
    expect(readRecipe(writeRecipe(flat)).recipe.stance).toBe('flat')
    expect(() => readRecipe(JSON.stringify({ ...file, version: 5 }))).toThrow(/^recipe\.stance: /)
  })
  it('survives any mutation of the text: read, or refused with a reason', () => {
    const text = writeProject(DEMOS[1])
    fc.assert(
      fc.property(
        fc.nat(text.length),
        fc.oneof(
          fc.string({ maxLength: 6 }),
          fc.constantFrom('null', '-1e999', 'NaN', '[', '}', '""', '1e308'),
        ),
        fc.nat(12),
        (at, put, cut) => {
          try {
            readProject(text.slice(0, at) + put + text.slice(at + cut))
          } catch (error) {
            expect(error).toBeInstanceOf(DocumentError)
          }
        },
      ),
      { numRuns: 1500 },
    )
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
    fc.assert(
      fc.property(fc.jsonValue(), fc.jsonValue(), (a, b) => {
        expect(share(a, b)).toEqual(b)
      }),
      { numRuns: 1000 },
    )
  })
})

describe('files made to fill the memory', () => {
  const limits = { bytes: 1000, values: 40, depth: 5 }
  it('are refused before anything is built of them: too long, too many values, too deep', () => {
    expect(() => parseJson('x'.repeat(2_000_001), 'a file', { ...limits, bytes: 2e6 })).toThrow(
      /has 3 MB; .* at most 2 MB/,
    )
    expect(() => parseJson(`[${'{},'.repeat(50)}{}]`, 'a file', limits)).toThrow(/more than 40 values/)
    expect(() => parseJson('['.repeat(6), 'a file', limits)).toThrow(/deeper than 5/)
    // What stands in a string is no value, whatever it looks like; escaped quotation marks do not end it.
    const text = JSON.stringify({ note: `\\"${'[{,:'.repeat(30)}`, end: '\\' })
    expect(parseJson(text, 'a file', limits)).toEqual(JSON.parse(text))
    expect(() => parseJson('"open', 'a file', limits)).toThrow(/not JSON, or cut short/)
  })
  it('a million faulty items in a list are one fault, named at the list', () => {
    const doc = { ...DEMOS[0], equipment: Array.from({ length: 300_000 }, () => ({})) }
    expect(() => checkProject(doc)).toThrow(/^equipment: 300000 items; at most 80/)
  })
  it('the largest that the schema admits stays under the limit of values', () => {
    const full = drawn(5, { full: true })
    full.polars = Array.from({ length: 60 }, () => ({
      aerofoil: 'naca2412',
      source: '',
      reynolds: 1e5,
      points: Array.from({ length: 1000 }, (_, i): [number, number, number, number] => [
        i / 100,
        0.5,
        0.01,
        0,
      ]),
    }))
    expect(readProject(writeProject(full)).polars).toHaveLength(60)
  })
  it('names that a file system or a weighing would confuse are refused', () => {
    const [given] = Array.from({ length: 40 }, (_, seed) => drawn(seed)).flatMap(doc => doc.given)
    for (const id of ['.', '..', 'wing-1-starboard', 'Body-2'])
      expect(
        () => checkProject({ ...DEMOS[0], given: [{ ...given, id, zone: DEMOS[0].zones[0].id }] }),
        id,
      ).toThrow(/^given\[0\]\.id/)
    expect(() =>
      checkProject({
        ...DEMOS[0],
        zones: DEMOS[0].zones.map(zone => ({
          ...zone,
          recipe: { ...zone.recipe, layerHeightMm: 0.7, beadWidthMm: 0.4 },
        })),
      }),
    ).toThrow(/zones\[0\]\.recipe\.beadWidthMm: a bead 0.4 mm wide cannot be 0.7 mm high/)
  })
})
