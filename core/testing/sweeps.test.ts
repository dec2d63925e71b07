/** The sweep itself: it finds a jump between two of its coarse places, and none where a figure only bends. */
import { expect, it } from 'vitest'
import type { Assessment } from '../assess'
import { DEMOS } from '../demo'
import type { ProjectFile } from '../document'
import { figureAt, sweep } from './sweeps'

const PATH = 'wing.rootChordMm'
const start = figureAt(DEMOS[0], PATH)
/** An aircraft that weighs what a formula of the root chord's growth says, with so many pieces. */
const weighing =
  (massG: (grown: number) => number, pieces: (grown: number) => number = () => 1) =>
  (doc: ProjectFile): Assessment => {
    const grown = figureAt(doc, PATH) - start
    return {
      totals: { massG: massG(grown), hours: 10 },
      verdicts: { balance: { value: 10 } },
      strength: { reserve: 2 },
      pieces: Array.from({ length: pieces(grown) }, (_, i) => ({ id: `piece-${i}`, printer: 'one' })),
      findings: [],
    } as unknown as Assessment
  }
const swept = (assess: (doc: ProjectFile) => Assessment) => sweep(assess, DEMOS[0], PATH, 200)

it('a gram and a half more at one place of a slope of grams is found where it is', () => {
  // Nearly ten millimetres in steps of 0.05: a coarse one, of 0.39 mm, grows by 0.8 g, a fine one by a tenth of it.
  const found = swept(weighing(grown => 800 + 2 * grown + (grown > 3.3 ? 1.5 : 0)))
  expect(found.map(jump => jump.wing)).toEqual(['weight'])
  expect(found[0].at).toBeLessThanOrEqual(start + 3.3)
  expect(found[0].at).toBeGreaterThan(start + 3.2)
})
it('a bend is none, nor is a step of what is counted', () => {
  expect(swept(weighing(grown => 800 + (grown > 3.3 ? 40 * (grown - 3.3) : 0)))).toEqual([])
  expect(
    swept(
      weighing(
        grown => 800 + 2 * grown + (grown > 3.3 ? 30 : 0),
        grown => (grown > 3.3 ? 2 : 1),
      ),
    ),
  ).toEqual([])
})
