import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { projectSchema } from '../scripts/write-schema'
import { beamVerb } from './beam'
import { liftVerb } from './lift'
import { readRecipe } from '../core/document'

const page = readFileSync(new URL('../docs/cli.md', import.meta.url), 'utf8')
const example = (name: string) => new RegExp(`\`\`\`json ${name}\\n([\\s\\S]*?)\`\`\``).exec(page)![1]
const given = (text: string) => ({
  file: '-',
  options: {},
  read: () => text,
  readBytes: () => new TextEncoder().encode(text),
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

it('the recipe of docs/file-format.md is read', () => {
  const formats = readFileSync(new URL('../docs/file-format.md', import.meta.url), 'utf8')
  const { recipe } = readRecipe(/```json recipe\n([\s\S]*?)```/.exec(formats)![1])
  // At 245 °C the typical filament foams to 2.35 times its volume: this flow fills the bead.
  expect(recipe.flow * 2.35).toBeCloseTo(1, 1)
})

it('docs/project.schema.json is what the code says', () => {
  expect(readFileSync(new URL('../docs/project.schema.json', import.meta.url), 'utf8')).toBe(projectSchema())
})
