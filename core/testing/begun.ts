/** Begin's answer for some of its layouts. */
import { begin, readWishes, type Beginning, type LayoutId } from '../begin'

/** One of the layouts alone. */
export const begun = (raw: unknown, kinds: LayoutId[]): Beginning => {
  const work = begin(readWishes(raw), kinds)
  for (;;) {
    const step = work.next()
    if (step.done) return step.value
  }
}
