/**
 * Run in a process of its own, so that its memory is its own: over a million combinations of the first demo
 * in eight zones. One JSON object.
 */
import { performance } from 'node:perf_hooks'
import { createAssessor } from '../../core/assess'
import { createStudyKernel, designOf, dimensions, study } from '../../core/study/combinations'
import { eightZones, millionSpace } from '../../core/testing/eight-zones'

const doc = eightZones(),
  vary = millionSpace(doc)
let tabulated = 0,
  rss = 0
const from = performance.now()
const result = await study(createStudyKernel(), doc, vary, now => {
  if (!tabulated && now().phase !== 'tabulating') tabulated = performance.now() - from
  rss = Math.max(rss, process.memoryUsage.rss())
  return true
})
const spent = performance.now() - from

// The same task by plain enumeration: every combination assessed, one after another in the same order; a run
// of them says what one takes.
const list = dimensions(doc, vary),
  assessor = createAssessor(),
  TRIED = 40
const picksOf = (n: number) =>
  list.map(
    (item, k) =>
      Math.floor(n / list.slice(k + 1).reduce((product, other) => product * other.options.length, 1)) %
      item.options.length,
  )
assessor.assess(designOf(doc, list, picksOf(0), result.printerOf))
const plainFrom = performance.now()
for (let n = 1; n <= TRIED; n++) assessor.assess(designOf(doc, list, picksOf(n), result.printerOf))
const each = (performance.now() - plainFrom) / TRIED

console.log(
  JSON.stringify({
    of: result.of,
    front: result.front.length,
    seconds: spent / 1000,
    tabulated: tabulated / 1000,
    rssMb: rss / 1e6,
    plainMsEach: each,
    checked: result.checked,
  }),
)
