/**
 * Who prints what: pieces handed to the printers at hand, longest first, so that the last one finishes
 * soonest.
 */
import type { Printer } from '../document'

export interface PlateJob {
  piece: string
  secondsOn: ReadonlyMap<string, number>
  wanted: string | undefined
}

/**
 * Longest processing time first (Graham 1969): at worst 4/3 of the best finish on equal printers.
 * `secondsOn` lists only printers that can make the piece. A job nobody can make is left out of the result.
 */
export function assignPrinters(
  jobs: readonly PlateJob[],
  printers: readonly Printer[],
): { printerOf: Map<string, string>; busy: Map<string, number> } {
  const busy = new Map(printers.map(printer => [printer.id, 0]))
  const printerOf = new Map<string, string>()
  const longest = (job: PlateJob) => Math.max(0, ...job.secondsOn.values())
  const give = (job: PlateJob, printer: string) => {
    printerOf.set(job.piece, printer)
    busy.set(printer, busy.get(printer)! + job.secondsOn.get(printer)!)
  }
  const free: PlateJob[] = []
  for (const job of jobs) {
    if (job.wanted && job.secondsOn.has(job.wanted)) give(job, job.wanted)
    else free.push(job)
  }
  for (const job of free.sort((a, b) => longest(b) - longest(a))) {
    let best: string | null = null
    for (const [printer, seconds] of job.secondsOn) {
      if (best === null || busy.get(printer)! + seconds < busy.get(best)! + job.secondsOn.get(best)!)
        best = printer
    }
    if (best) give(job, best)
  }
  return { printerOf, busy }
}
