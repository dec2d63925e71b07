import { describe, expect, it } from 'vitest'
import { Handover, KEPT_MS } from './handover'

const bytes = (n: number) => new Uint8Array(n).fill(7)
const at = () => {
  let now = 0,
    serial = 0
  const codes = ['AAAAAA', 'AAAAAA', 'BBBBBB']
  const own = new Handover(
    () => now,
    () => codes[serial++] ?? `C${String(serial).padStart(5, '0')}`,
  )
  return { own, pass: (ms: number) => (now += ms) }
}

describe('handing a project over', () => {
  it('gives it once, to who has the code', () => {
    const { own } = at()
    const { code } = own.give(bytes(3))!
    expect(own.take('ZZZZZZ')).toEqual({ ok: false, why: 'unknown' })
    expect(own.take(code)).toEqual({ ok: true, body: bytes(3) })
    expect(own.take(code)).toEqual({ ok: false, why: 'unknown' })
  })
  it('never gives one code to two projects', () => {
    const { own } = at()
    expect([own.give(bytes(1))!.code, own.give(bytes(1))!.code]).toEqual(['AAAAAA', 'BBBBBB'])
  })
  it('forgets after its minutes, and then has room again', () => {
    const { own, pass } = at()
    const { code } = own.give(bytes(60_000_000))!
    expect(own.give(bytes(30_000_000))).toBeNull()
    pass(KEPT_MS - 1)
    expect(own.give(bytes(30_000_000))).toBeNull()
    pass(1)
    expect(own.take(code)).toEqual({ ok: false, why: 'unknown' })
    expect(own.give(bytes(30_000_000))).not.toBeNull()
  })
  it('who guesses hears nothing for a minute, right or wrong', () => {
    const { own, pass } = at()
    const { code } = own.give(bytes(1))!
    for (let i = 0; i < 20; i++) own.take(`Z${i}`)
    expect(own.take(code)).toEqual({ ok: false, why: 'guessing' })
    pass(60_000)
    expect(own.take(code).ok).toBe(true)
  })
})
