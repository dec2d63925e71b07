/** What an assessor remembers never shows: after any edits and steps back it answers as one made from nothing. */
import fc from 'fast-check'
import { expect, it } from 'vitest'
import { createAssessor } from './assess'
import { DEMOS } from './demo'
import { checkProject, type ProjectFile } from './document'
import { LIBRARIES, recipeFor } from './libraries'
import { aircraft } from './testing/arbitraries'
import { drafted } from './testing/changed'
import { runs } from './testing/runs'
import { figureAt, sweptPaths, withFigure } from './testing/sweeps'

/** A figure moved a little, another school or filament in a zone, another stock, or back to where it was. */
type Act =
  | { kind: 'figure'; pick: number; by: number }
  | { kind: 'school' | 'filament' | 'stock'; pick: number; other: number }
  | { kind: 'back'; pick: number }

const nat = fc.nat(1_000_000)
const act: fc.Arbitrary<Act> = fc.oneof(
  {
    weight: 5,
    arbitrary: fc.record({
      kind: fc.constant('figure' as const),
      pick: nat,
      by: fc.double({ min: -1, max: 1, noNaN: true }),
    }),
  },
  {
    weight: 2,
    arbitrary: fc.record({
      kind: fc.constantFrom('school' as const, 'filament' as const, 'stock' as const),
      pick: nat,
      other: nat,
    }),
  },
  { weight: 2, arbitrary: fc.record({ kind: fc.constant('back' as const), pick: nat }) },
)

const of = <T>(list: readonly T[], pick: number): T => list[pick % list.length]

function done(history: readonly ProjectFile[], own: Act): ProjectFile {
  const doc = history.at(-1)!
  if (own.kind === 'back') return of(history, own.pick)
  if (own.kind === 'figure') {
    const path = of(sweptPaths(doc), own.pick),
      value = figureAt(doc, path)
    return withFigure(doc, path, value + own.by * Math.max(0.5, 0.05 * Math.abs(value)))
  }
  return drafted(doc, draft => {
    const zone = of(draft.zones, own.pick)
    if (own.kind === 'filament') zone.filament = of(LIBRARIES.filaments, own.other).id
    else if (own.kind === 'school')
      zone.recipe = recipeFor(
        of(LIBRARIES.schools, own.other),
        LIBRARIES.filaments.find(item => item.id === zone.filament)!,
      )
    else if (draft.spars.length) of(draft.spars, own.pick).stock = of(LIBRARIES.stock, own.other).id
  })
}

const admitted = (doc: ProjectFile): boolean => {
  try {
    checkProject(doc)
    return true
  } catch {
    return false
  }
}

/** The project as a file has it: nothing shared with what is remembered. */
const copied = (doc: ProjectFile): ProjectFile => JSON.parse(JSON.stringify(doc))

it('any edits of any aircraft, and back again: figures, findings and drawing are those of a fresh one', () => {
  const start = fc.oneof(fc.constantFrom(...DEMOS), aircraft)
  fc.assert(
    fc.property(start, fc.array(act, { minLength: 4, maxLength: 8 }), (first, acts) => {
      const kept = createAssessor()
      const history = [first]
      kept.assess(first)
      for (const own of acts) {
        const next = done(history, own)
        if (next === history.at(-1) || !admitted(next)) continue
        history.push(next)
        kept.assess(next)
      }
      const last = history.at(-1)!
      expect(JSON.stringify(kept.assess(last))).toBe(JSON.stringify(createAssessor().assess(copied(last))))
    }),
    { numRuns: runs(500, 1), endOnFailure: true },
  )
}, 7_200_000)
