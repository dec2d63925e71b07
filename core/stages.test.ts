/** Which stages of an assessment run again after an edit of any field: what does not depend on it is known. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { createAssessor, type Assessment } from './assess'
import { DEMOS } from './demo'
import { checkProject, share, type ProjectFile } from './document'
import { figureAt, withFigure } from './testing/sweeps'
import { runs } from './testing/runs'
import { CHEEKS, throughBody } from './testing/ducted-body'
import { twinBoom } from './testing/twin'
import { cabane, interplane, twoWings } from './testing/two-wings'
import { wingletsFor } from './testing/winglets'

const STAGES = new Set(['shapes', 'weights', 'flight', 'lattice', 'strength', 'plates', 'verdicts'])

/** Paths of every figure of a document. */
function paths(value: unknown, path = ''): string[] {
  if (typeof value === 'number') return [path]
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([key, item]) => paths(item, path ? `${path}.${key}` : key))
}

/** Noted, asked or moved on a plate: nothing of the aircraft itself is computed again. */
const KEPT = [
  /^(spools|plates|accepted|fileChecks|build|power|wingSets|checks|flights|tracks|field|wishes|tracings)\./,
  /^brief\.(targetMassG|printHours|stallMaxMs|spanMaxMm|windMaxMs)$/,
  /^printers\.\d+\.(travelSpeedMmS|infillSpeedMmS|accelMmS2|cornerMmS|layerMinS|plateOverheadMin|retractMmS?|nozzleMaxC|filamentMm)$/,
  /^printers\.\d+\.(runs|tended)\./,
]
/** Nothing is printed otherwise. */
const PRINTS_NOTHING = [
  ...KEPT,
  /^(brief|allowances|gear|struts|proofs|polars|weighIns|measured|damages)\./,
  // A pocket is cut for its servo.
  /^equipment\.\d+\.(massG|spreadG|propeller|motor|battery|controller|fan)/,
  /\.linkage\./,
]
/** Where air goes is the same. The edge is opened for two beads, and what stands in the air is its speed and density. */
const MOVES_NO_AIR = [
  ...KEPT,
  /^(spars|struts|cuts|equipment|allowances|gear|proofs|weighIns|damages|calibrations|printers)\./,
  /^zones\.\d+\.recipe\.(?!beadWidthMm)/,
  /^brief\.(gustMs|throwMs|dropMm|loadFactor|safetyFactor|staticMarginPct|topSpeedMs|bungeeN)/,
  /\.(linkage\.|hinge\.|throwUpDeg|throwDownDeg|piece)/,
  // Cut out of a body, not its shape.
  /^(body|pods\.\d+\.body)\.(firewall|openings|saddle)\b/,
  /^pods\.\d+\.(piece$|cuts)/,
  /^duct\./,
]
const matches = (rules: readonly RegExp[], path: string) => rules.some(rule => rule.test(path))

/** The same document with one figure a little larger, or smaller; null where the schema admits neither. */
function nudged(doc: ProjectFile, path: string): ProjectFile | null {
  const value = figureAt(doc, path)
  for (const next of Number.isInteger(value) ? [value + 1, value - 1] : [value * 1.001 + 1e-3, value * 0.999])
    try {
      return share(doc, checkProject(withFigure(doc, path, next)))
    } catch {
      // The other way.
    }
  return null
}

/** After every figure, or other ones every day: what ran that reads none of it. */
function provesStages(doc: ProjectFile): void {
  let ran = new Set<string>()
  const assessor = createAssessor(undefined, {
    at: what => ran.add(STAGES.has(what) ? what : 'printing'),
  })
  const after = (next: ProjectFile) => {
    ran = new Set()
    assessor.assess(next)
    return ran
  }
  after(doc)
  const all = paths(doc).filter(path => matches([...PRINTS_NOTHING, ...MOVES_NO_AIR], path))
  const shuffled = fc.shuffledSubarray(all, { minLength: all.length })
  const [some] = fc.sample(shuffled, { numRuns: 1, seed: new Date().getDate() })
  // Recipes last: after many of one piece the first print of it is forgotten, and rightly made again.
  const last = (path: string) => Number(path.startsWith('zones.'))
  let tried = 0
  for (const path of some.slice(0, runs(4000, 36)).toSorted((a, b) => last(a) - last(b))) {
    const next = nudged(doc, path)
    if (!next) continue
    tried++
    const allowed = matches(KEPT, path) ? ['plates', 'verdicts'] : [...STAGES, 'printing']
    const wrong = [...after(next)].filter(
      stage =>
        !allowed.includes(stage) ||
        (stage === 'printing' && matches(PRINTS_NOTHING, path)) ||
        (stage === 'lattice' && matches(MOVES_NO_AIR, path)),
    )
    expect(wrong, path).toEqual([])
    after(doc)
  }
  expect(tried).toBeGreaterThan(24)
  // And what is read runs.
  const wider = withFigure(doc, 'wing.panels.0.spanMm', doc.wing.panels[0].spanMm + 3)
  expect([...after(share(doc, wider))].sort()).toEqual([...STAGES, 'printing'].sort())
}

const BIPLANE: ProjectFile = {
  ...twoWings({ upMm: 150, aftMm: -30, struts: [cabane(), interplane(330)] }),
  winglets: wingletsFor(DEMOS[0]),
}

describe('an edit runs no stage that does not read it', () => {
  const drawn: Array<[string, ProjectFile]> = [
    ['a glider with a boom', DEMOS[0]],
    ['a flying wing', DEMOS[1]],
    ['a fan in the body', throughBody(CHEEKS)],
    ['two wings on struts, winglets', BIPLANE],
    ['two motors in pods, two booms', twinBoom()],
  ]
  it.each(drawn.slice(0, runs(5, 2)))('%s', (_, doc) => provesStages(checkProject(doc)), 600_000)
})

it('an assessor fed with edits to and fro, of any figure, answers as one that knows nothing', () => {
  const plain = (assessment: Assessment) => JSON.parse(JSON.stringify(assessment)) as unknown
  const docs = [...DEMOS, twinBoom(), BIPLANE].map(checkProject)
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: docs.length - 1 }),
      fc.array(fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.boolean()), {
        minLength: 3,
        maxLength: 8,
      }),
      (which, edits) => {
        const assessor = createAssessor()
        const states = [docs[which]]
        let doc = docs[which]
        for (const [place, back] of edits) {
          const all = paths(doc)
          const next = nudged(doc, all[Math.floor(place * (all.length - 1))])
          if (back && states.length > 1) doc = states[states.length - 2]
          else if (next) doc = next
          states.push(doc)
          assessor.assess(doc)
        }
        expect(plain(assessor.assess(doc))).toEqual(plain(createAssessor().assess(doc)))
      },
    ),
    { numRuns: runs(500, 3), seed: new Date().getDate() },
  )
}, 7_200_000)
