import { describe, expect, it, vi } from 'vitest'
import { createTurns } from './turns'

/** Work that goes on until it is told to end. */
const work = () => {
  let end = () => {}
  const going = new Promise<void>(resolve => {
    end = resolve
  })
  return { run: vi.fn(() => going.then(() => 'done')), end }
}
const soon = () => new Promise(resolve => setTimeout(resolve, 0))

describe('turns', () => {
  it('two at once, the others in the order in which they came, one more than may wait turned away', async () => {
    const { inTurn } = createTurns({ atOnce: 2, waiting: 2, patienceMs: 10_000 })
    const all = Array.from({ length: 5 }, work)
    const answers = all.map(item => inTurn(item.run))
    expect(await answers[4]).toBeNull()
    const begun = () => all.map(item => item.run.mock.calls.length).join('')
    expect(begun()).toBe('11000')
    all[1]!.end()
    await answers[1]
    await soon()
    expect(begun()).toBe('11100')
    all[0]!.end()
    await soon()
    expect(begun()).toBe('11110')
    for (const item of all) item.end()
    expect(await Promise.all(answers)).toEqual(['done', 'done', 'done', 'done', null])
  })
  it('work that fails hands its turn on; who waits too long is turned away, and the row goes on without it', async () => {
    const { inTurn } = createTurns({ atOnce: 1, waiting: 3, patienceMs: 30 })
    const slow = work()
    const first = inTurn(slow.run)
    expect(await inTurn(work().run)).toBeNull()
    const failing = inTurn(() => Promise.reject(new Error('broken')))
    const last = inTurn(() => Promise.resolve('last'))
    slow.end()
    await first
    await expect(failing).rejects.toThrow('broken')
    expect(await last).toBe('last')
    expect(await inTurn(() => Promise.resolve('again'))).toBe('again')
  })
})
