/** Documents drawn from the schema itself: whatever it admits is reckoned to figures, station by station. */
import { expect, it } from 'vitest'
import { createAssessor } from './assess'
import type { Equipment, ProjectFile } from './document'
import { drawn } from './testing/drawn'
import { notNumbers } from './testing/extremes'
import { LEVEL_THROW } from './testing/level-throw'
import { DEEP, runs } from './testing/runs'
import { powerReport } from './workshop/power'
import { toss } from './workshop/toss'

/** What a part is follows from the figures that were drawn for it, so that there is a drive where there may be one. */
const byFigures = (item: Equipment): Equipment['kind'] => {
  if (item.battery) return 'battery'
  if (item.motor) return 'motor'
  return item.propeller || item.fan ? 'propeller' : item.kind
}
const driven = (doc: ProjectFile): ProjectFile => ({
  ...doc,
  equipment: doc.equipment.map(item => ({ ...item, kind: byFigures(item) })),
})

const DRIVE: ReadonlyArray<Equipment['kind']> = ['battery', 'motor', 'propeller']

it('any document that the schema admits is assessed, tossed and driven to finite figures', () => {
  const assessor = createAssessor()
  let drives = 0
  const few = runs(2000, 0)
  for (let seed = 0; seed < few || (drives === 0 && seed < 400); seed++) {
    const doc = driven(drawn(seed))
    // By day the first of them that has all that turns a propeller.
    if (seed >= few && !DRIVE.every(kind => doc.equipment.some(item => item.kind === kind))) continue
    const assessment = assessor.assess(doc)
    expect(notNumbers(assessment), `document ${seed}`).toEqual([])
    const tables = assessor.flown(doc).pitch(true)
    const flown = toss(tables, LEVEL_THROW)
    for (const value of [flown.distanceM, flown.seconds, flown.highestM, flown.sinkMs, flown.noseDeg])
      expect(Number.isFinite(value), `document ${seed}, tossed`).toBe(true)
    const { figures } = powerReport(doc, assessment, tables)
    if (!figures) continue
    drives++
    expect(notNumbers(figures), `document ${seed}, driven`).toEqual([])
  }
  expect(drives).toBeGreaterThan(0)
}, 7_200_000)

it.runIf(DEEP)(
  'one with every list as long as the schema lets it be, too',
  () => {
    expect(notNumbers(createAssessor().assess(drawn(2, { full: true })))).toEqual([])
  },
  240_000,
)
