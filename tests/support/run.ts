/**
 * One run of the browser tests: a folder of its own, whose name stands in the command line of every browser, driver
 * and server that it starts, so that none of them outlives it.
 */
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const VARIABLE = 'MARIPOSA_RUN'

/** Processes, this one apart, whose command line names something. */
export const processesWith = (word: string): number[] =>
  readdirSync('/proc')
    .filter(name => /^\d+$/.test(name) && Number(name) !== process.pid)
    .map(Number)
    .filter(pid => commandLine(pid).includes(word))
function commandLine(pid: number): string {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8')
  } catch {
    // It is gone already.
    return ''
  }
}

/** Kills at once every process whose command line names something. */
export function killAll(word: string, which: (commandLine: string) => boolean = () => true): void {
  for (const pid of processesWith(word))
    try {
      if (which(commandLine(pid))) process.kill(pid, 'SIGKILL')
    } catch {
      // It went by itself.
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
