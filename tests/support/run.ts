/**
 * One run of the browser tests: a folder of its own, whose name stands in the command line of every browser, driver
 * and server that it starts, so that none of them outlives it.
 */
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const VARIABLE = 'MARIPOSA_RUN'

/** Kills at once every process whose command line names something. */
export function killAll(word: string, which: (commandLine: string) => boolean = () => true): void {
  for (const name of readdirSync('/proc').filter(
    entry => /^\d+$/.test(entry) && Number(entry) !== process.pid,
  ))
    try {
      const words = readFileSync(`/proc/${name}/cmdline`, 'utf8')
      if (words.includes(word) && which(words)) process.kill(Number(name), 'SIGKILL')
    } catch {
      // It is gone already.
    }
}

/** Nothing that was started lives on, and nothing that it wrote stays. */
function end() {
  killAll(RUN)
  rmSync(RUN, { recursive: true, force: true, maxRetries: 5 })
}

/** Made, and ended, by whoever is first: the test run before its workers, or a script. */
export const RUN = process.env[VARIABLE] ?? begin()
function begin(): string {
  process.once('exit', end)
  return (process.env[VARIABLE] = mkdtempSync(join(tmpdir(), 'mariposa-run-')))
}

/** Before the first browser test; what it returns comes after the last. */
export default () => end
