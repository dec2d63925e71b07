import { describe, expect, it } from 'vitest'
import { DEMOS } from '../../../core/demo'
import type { ProjectFile } from '../../../core/document'
import { large } from '../../../core/testing/large'
import { createReceiver, createSender } from './crossing'

/** What a worker's boundary makes of it: a copy that shares nothing. */
const cross = (value: unknown): unknown => structuredClone(value)

describe('a document on its way to a worker', () => {
  const text = 'x'.repeat(50_000),
    other = 'y'.repeat(50_000)
  const doc: ProjectFile = {
    ...large({ given: 3 }),
    given: large({ given: 3 }).given.map((item, i) => ({ ...item, mesh: [text, text, other][i] })),
  }

  it('arrives as it went, again and again, and its meshes cross once', () => {
    const send = createSender(),
      receive = createReceiver()
    const first = cross(send(doc))
    expect(receive(first)).toEqual(doc)
    // Two of three are the same.
    expect(JSON.stringify(first).length).toBeLessThan(JSON.stringify(doc).length - 40_000)
    const moved = { ...doc, given: doc.given.map(item => ({ ...item, xMm: item.xMm + 1 })) }
    const second = cross(send(moved))
    expect(receive(second)).toEqual(moved)
    expect(JSON.stringify(second).length).toBeLessThan(JSON.stringify(doc).length - 140_000)
  })
  it('goes whole to a worker that was started anew', () => {
    const old = createSender()
    old(doc)
    expect(createReceiver()(cross(createSender()(doc)))).toEqual(doc)
  })
  it('without large meshes, and whatever is no document, goes as it is', () => {
    const send = createSender(),
      receive = createReceiver()
    for (const value of [DEMOS[0], large({ given: 1 }), 'wing', 3, null, undefined, { given: [] }])
      expect(receive(send(value))).toBe(value)
  })
})
