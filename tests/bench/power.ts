/** The drive: a propeller over its advance, the whole shelf, a report, a toss. */
import { LEVEL_THROW } from '../../core/testing/level-throw'
import { performance } from 'node:perf_hooks'
import { createAssessor, ordinarySection } from '../../core/assess'
import { DEMOS } from '../../core/demo'
import { LIBRARIES } from '../../core/libraries'
import { bladesOf, solvePropeller } from '../../core/power'
import { powerReport, shelfOffers } from '../../core/workshop/power'
import { toss } from '../../core/workshop/toss'
import { row } from './record'

const took = async (work: () => unknown): Promise<number> => {
  const from = performance.now()
  await work()
  return performance.now() - from
}
const ms = (value: number) => `${value.toFixed(1)} ms`

export async function power(): Promise<void> {
  const [doc] = DEMOS
  const assessor = createAssessor()
  const assessment = assessor.assess(doc),
    tables = assessor.flown(doc).pitch(true)
  const section = ordinarySection()
  const blades = bladesOf({ diameter: 0.2, pitch: 0.12, count: 2, law: 'medium' })
  const air = { density: 1.225, viscosity: 1.46e-5 }
  const advance = () => {
    for (let i = 0; i < 30; i++) solvePropeller(blades, section, air, 800, 0.75 * i)
  }
  advance()
  row('a propeller at 30 advance ratios', ms(await took(advance)))
  powerReport(doc, assessment, tables)
  row('the drive of the demo, whole', ms(await took(() => powerReport(doc, assessment, tables))))
  let pairs = 0
  const shelf = await took(async () => {
    pairs = (await shelfOffers(doc, assessment, tables, LIBRARIES, 'both'))!.length
  })
  row(`the whole shelf, ${pairs} pairs of propeller and pack`, ms(shelf))
  const thrown = { ...LEVEL_THROW, speedMs: 9, pathDeg: -5 }
  toss(tables, thrown)
  row('a toss', ms((await took(() => Array.from({ length: 20 }, () => toss(tables, thrown)))) / 20))
}
