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
  postMessage() {}
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
})
