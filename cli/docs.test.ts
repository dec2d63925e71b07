import { readFileSync } from 'node:fs'
import Ajv2020 from 'ajv/dist/2020'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { beamVerb } from './beam'
import { beginVerb } from './begin'
import { liftVerb } from './lift'
import { DEMOS } from '../core/demo'
import { readProject, readRecipe } from '../core/document'
import { DEEP, runs } from '../core/testing/runs'

const page = readFileSync(new URL('../docs/cli.md', import.meta.url), 'utf8')
const example = (name: string) => new RegExp(`\`\`\`json ${name}\\n([\\s\\S]*?)\`\`\``).exec(page)![1]
const given = (text: string) => ({
  file: '-',
  options: {},
  more: [],
  read: () => text,
  readBytes: () => new TextEncoder().encode(text),
  chunks: () => [text],
})

it('the examples of docs/cli.md run, to figures that hold by hand', () => {
  const beam = beamVerb(given(example('beam'))) as { tipDeflection: number; reactions: { force: number[] } }
  const EI = 7e10 * (Math.PI / 64) * (0.008 ** 4 - 0.006 ** 4)
  expect(beam.tipDeflection).toBeCloseTo((5 * 0.6 ** 3) / (3 * EI) + (2 * 0.6 ** 4) / (8 * EI), 6)
  expect(beam.reactions.force[0]).toBeCloseTo(6.2, 9)
  const lift = liftVerb(given(example('lift'))) as { clAlpha: number; alphaZeroLiftDeg: number }
  // Aspect ratio 7.27: under Helmbold's 4.95, over nine tenths of it; washout raises the zero-lift angle
  // above −2.08°.
  expect(lift.clAlpha).toBeGreaterThan(4.4)
  expect(lift.clAlpha).toBeLessThan(4.95)
  expect(lift.alphaZeroLiftDeg).toBeGreaterThan(-2.08)
  expect(lift.alphaZeroLiftDeg).toBeLessThan(-0.8)
})

it.runIf(DEEP)('the brief of docs/cli.md is answered, best first, with the battery of its drawer', () => {
  const { layouts } = beginVerb(given(example('begin'))) as {
    layouts: Array<{
      kind: string
      figures: { spanMm: number; massG: number; battery: string }
      project: unknown
      gaveUp: unknown[]
    }>
  }
  expect(layouts.length).toBeGreaterThan(1)
  for (const { figures, project } of layouts) {
    expect(figures.spanMm).toBeLessThanOrEqual(850)
    expect(figures.battery).toBe('Battery 2S 450 mAh')
    readProject(JSON.stringify(project))
  }
  const wishes = layouts.map(item => item.gaveUp.length)
  expect(wishes).toEqual([...wishes].sort((a, b) => a - b))
})

it('the recipe of docs/file-format.md is read', () => {
  const formats = readFileSync(new URL('../docs/file-format.md', import.meta.url), 'utf8')
  const { recipe } = readRecipe(/```json recipe\n([\s\S]*?)```/.exec(formats)![1])
  // At 245 °C the typical filament foams to 1.9 times its volume: this flow fills the bead.
  expect(recipe.flow * 1.9).toBeCloseTo(1, 1)
})

describe('docs/project.schema.json, read by a validator that is not ours', () => {
  const schema = JSON.parse(
    readFileSync(new URL('../docs/project.schema.json', import.meta.url), 'utf8'),
  ) as object
  // Patterns and formats of the draft as they stand; no coercion.
  const valid = new Ajv2020({ strict: false }).compile(schema)
  const reads = (doc: unknown): boolean => {
    try {
      readProject(JSON.stringify(doc))
      return true
    } catch {
      return false
    }
  }
  it('says its version, and takes what the application writes', () => {
    expect(schema).toMatchObject({
      title: `Mariposa project file, version ${DEMOS[0].version}`,
      $id: `urn:mariposa:project:${DEMOS[0].version}`,
    })
    for (const doc of DEMOS) expect(valid(doc) || valid.errors).toBe(true)
  })
  it('refuses what the application refuses for its shape: any field missing, unknown, or of another type', () => {
    const places = (at: unknown, path: string[] = []): string[][] =>
      typeof at !== 'object' || at === null
        ? [path]
        : Object.entries(at).flatMap(([key, value]) => [[...path, key], ...places(value, [...path, key])])
    const all = places(DEMOS[0]).filter(path => path[0] !== 'printerOf')
    fc.assert(
      fc.property(
        fc.constantFrom(...all),
        fc.constantFrom('drop', 'type', 'more'),
        fc.constantFrom('zz', { a: 1 }),
        (path, act, other) => {
          const doc = structuredClone(DEMOS[0]) as unknown as Record<string, unknown>
          let at = doc
          for (const key of path.slice(0, -1)) at = at[key] as Record<string, unknown>
          const key = path.at(-1)!
          if (act === 'drop' && !Array.isArray(at)) delete at[key]
          else if (act === 'type' && typeof at[key] !== 'string') at[key] = other
          else if (act === 'more' && !Array.isArray(at)) at.somethingElse = 1
          else return
          expect([path.join('.'), act, valid(doc)]).toEqual([path.join('.'), act, reads(doc)])
        },
      ),
      { numRuns: runs(400, 100) },
    )
  })
})
