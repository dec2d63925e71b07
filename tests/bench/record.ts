/** Lines of a benchmark: shown as they come, and kept with the run in `last.json`. */
import { writeFileSync } from 'node:fs'
import { format } from 'date-fns'

const figures: Record<string, string> = {}

export function row(name: string, text: string): void {
  figures[name] = text
  console.log(`${name.padEnd(58)} ${text}`)
}

export const keep = (): void =>
  writeFileSync(
    new URL('last.json', import.meta.url),
    `${JSON.stringify({ on: format(new Date(), 'yyyy-MM-dd'), node: process.version, figures }, null, 2)}\n`,
  )
