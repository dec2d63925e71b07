import { beforeEach, describe, expect, it, vi } from 'vitest'
import { useCore, CoreFailure } from './useCore'

/** Workers started; each remembers what it was sent and can be made to fail. */
const workers: FakeWorker[] = []
class FakeWorker extends EventTarget {
  ended = false
  constructor() {
    super()
    workers.push(this)
  }
  private asked: string[] = []
  postMessage({ id }: { id: string }) {
    this.asked.push(id)
  }
  /** The next call that waits, as comlink's other end does. */
  answer(value: unknown) {
    const id = this.asked.shift()
    this.dispatchEvent(new MessageEvent('message', { data: { id, type: 'RAW', value } }))
  }
  terminate() {
    this.ended = true
  }
  fail(message: string) {
    this.dispatchEvent(Object.assign(new Event('error'), { message }))
  }
}

beforeEach(() => {
  workers.length = 0
  vi.stubGlobal('Worker', FakeWorker)
})

describe('a worker of the core', () => {
  it('that cannot be loaded or breaks tells everybody who waits, and the next call starts another', async () => {
    const core = useCore('aside')
    const first = core.heat({} as never),
      second = core.drawing({} as never)
    expect(workers.length).toBe(1)
    workers[0]!.fail('out of memory')
    await expect(first).rejects.toThrow(/stopped \(out of memory\)/)
    await expect(second).rejects.toBeInstanceOf(CoreFailure)
    expect(workers[0]!.ended).toBe(true)
    const third = core.heat({} as never)
    expect(workers.length).toBe(2)
    workers[1]!.fail('')
    await expect(third).rejects.toThrow(/could not be loaded/)
  })
  it('that takes too long is stopped, the maker reads at what; one that waits behind it has its own time', async () => {
    vi.useFakeTimers()
    try {
      const core = useCore('live')
      const first = core.assess({} as never)
      const told = expect(first).rejects.toThrow(/longer than 40 s and was stopped, at Wing 2/)
      workers[0]!.dispatchEvent(new MessageEvent('message', { data: { at: 'Wing 2' } }))
      // It has not answered before: its code may still be slow.
      await vi.advanceTimersByTimeAsync(39_000)
      expect(workers[0]!.ended).toBe(false)
      await vi.advanceTimersByTimeAsync(1500)
      expect(workers[0]!.ended).toBe(true)
      await told
      const again = core.assess({} as never),
        behind = core.heat({} as never)
      const second = expect(again).rejects.toThrow(/longer than \d+ s/),
        third = expect(behind).rejects.toThrow(/longer than \d+ s/)
      expect(workers.length).toBe(2)
      await vi.advanceTimersByTimeAsync(40_500)
      await second
      await third
      // One that has answered is warm: half the time is enough for it.
      const known = core.heat({} as never)
      workers[2]!.answer('known')
      await expect(known).resolves.toBe('known')
      const fourth = expect(core.assess({} as never)).rejects.toThrow(/longer than 20 s/)
      await vi.advanceTimersByTimeAsync(20_500)
      await fourth
      // What reports how far it is has no limit.
      const long = core.study({} as never, {} as never, () => true, null)
      await vi.advanceTimersByTimeAsync(3_600_000)
      expect(workers[3]!.ended).toBe(false)
      workers[3]!.fail('ended')
      await expect(long).rejects.toThrow(/ended/)
    } finally {
      vi.useRealTimers()
    }
  })
})
