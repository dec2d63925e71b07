/** Verbs run for tests: in this process, or as one of their own. */
import { execFile } from 'node:child_process'
import { expect } from 'vitest'
import { answer, type Answer } from './answer'

export const run = (words: string[], input = '') => answer(words, new TextEncoder().encode(input))
/** As a process of its own, through standard input and output. */
export function spawned(words: string[], input = ''): Promise<Answer> {
  return new Promise(resolve => {
    const child = execFile(
      process.execPath,
      ['--import', 'tsx', 'cli/main.ts', ...words],
      { cwd: new URL('..', import.meta.url).pathname, maxBuffer: 1e8 },
      (fault, out, err) => resolve({ status: fault ? (fault.code as 2) : 0, out, err }),
    )
    child.stdin!.end(input)
  })
}
export const json = async (words: string[], input = '') => {
  const { status, out, err } = await run(words, input)
  expect(err).toBe('')
  expect(status).toBe(0)
  return JSON.parse(out)
}
