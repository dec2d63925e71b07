/** The bench's instruments as server-sent events: all of them, four times a second while somebody listens. */
import { createEventStream } from 'h3'
import { bench, reports } from '../../bench/bench'
import { problem } from '../../utils/problem'

const EVERY_MS = 250
/** Listeners at once: a page opens one. */
const MOST = 20
let listening = 0

export default defineEventHandler(event => {
  const own = bench()
  if (!own) return problem(event, 404, 'No instruments', 'this server was started without MARIPOSA_BENCH=1')
  if (listening >= MOST) return problem(event, 503, 'Busy', `${MOST} are listening already`)
  listening++
  const stream = createEventStream(event)
  const clock = setInterval(() => {
    void stream.push({ event: 'instruments', data: JSON.stringify(reports(own)) })
  }, EVERY_MS)
  stream.onClosed(async () => {
    clearInterval(clock)
    listening--
    await stream.close()
  })
  return stream.send()
})
