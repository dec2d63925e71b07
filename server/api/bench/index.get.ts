/** What stands on the bench, as it is now. */
import { bench, reports } from '../../bench/bench'
import { problem } from '../../utils/problem'

export default defineEventHandler(event => {
  const own = bench()
  return own
    ? { instruments: reports(own) }
    : problem(event, 404, 'No instruments', 'this server was started without MARIPOSA_BENCH=1')
})
