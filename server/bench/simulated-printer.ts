/** A printer that is not there: takes a machine file and runs it against the clock, faster if it is told to. */
import type { Printer } from '../../core/document'
import { createReplay } from '../../core/printing'

export type PrinterState = 'idle' | 'printing' | 'done' | 'failed'

export interface PrinterReport {
  id: string
  kind: 'printer'
  name: string
  state: PrinterState
  job: string | null
  layer: number
  layers: number
  nozzleC: number
  bedC: number
  /** Pushed so far and in all, g, for filament of `density`. */
  grams: number
  share: number
  secondsLeft: number
  speed: number
  why: string | null
}

/** As fast as it goes, times real time. */
export const FASTEST = 1000
const ROOM_C = 22
/** Of the filament that it takes to be in it, kg/m³: it only reports. */
const DENSITY = 1240
/** What every printer of the bench is like; a machine file has its own speeds. */
const MACHINE = { accelMmS2: 2500, cornerMmS: 9 } as Printer

interface Job {
  id: string
  seconds: number
  /** Share of the time and plastic (mm³) at the end of each layer. */
  layers: Array<{ share: number; mm3: number }>
  nozzleC: number
  bedC: number
}

export class SimulatedPrinter {
  private job: Job | null = null
  private state: PrinterState = 'idle'
  private speed = 60
  /** Seconds of the job that are behind it, as of `since`. */
  private behind = 0
  private since = 0
  private failAt: number | null = null
  private why: string | null = null

  constructor(
    readonly id: string,
    readonly name: string,
    private readonly clock: () => number = () => performance.now() / 1000,
  ) {}

  /** Throws where the file is none, with the reader's words. */
  print(gcode: string, job: string, speed: number): void {
    if (this.report().state === 'printing') throw new Error(`${this.name} is printing already`)
    const layers: Job['layers'] = []
    let nozzleC = 0,
      bedC = 0,
      mm3 = 0,
      way = 0,
      z = Number.NaN,
      first = 0
    const replay = createReplay(MACHINE, 1.75, {
      heard: (code, value) => {
        if (value === undefined) return
        if (code === 'M104' || code === 'M109') nozzleC = Math.max(nozzleC, value)
        if (code === 'M140' || code === 'M190') bedC = Math.max(bedC, value)
      },
      laid: (x0, y0, _z0, x1, y1, z1, plastic, feed) => {
        mm3 += plastic
        way += Math.hypot(x1 - x0, y1 - y0) / Math.max(1, feed)
        if (first === 0) first = z1
        if (Number.isNaN(z) || z1 > z + 0.9 * first) {
          layers.push({ share: way, mm3 })
          z = z1
        } else Object.assign(layers[layers.length - 1]!, { share: way, mm3 })
      },
    })
    replay.push(gcode)
    const { seconds } = replay.end()
    for (const layer of layers) layer.share /= Math.max(1e-9, way)
    this.job = { id: job, seconds, layers, nozzleC, bedC }
    this.speed = Math.min(FASTEST, Math.max(1, speed))
    this.behind = 0
    this.since = this.clock()
    this.failAt = null
    this.why = null
    this.state = 'printing'
  }

  /** It stops where it is, or at a share of the job that is still to come. */
  fail(why: string, at: number | null): void {
    if (this.state !== 'printing') return
    this.why = why
    this.failAt = at === null ? this.report().share : Math.min(1, Math.max(0, at))
  }

  setSpeed(speed: number): void {
    this.behind = this.elapsed()
    this.since = this.clock()
    this.speed = Math.min(FASTEST, Math.max(1, speed))
  }

  /** The plate is taken off. */
  clear(): void {
    if (this.state === 'printing') return
    this.job = null
    this.state = 'idle'
    this.why = null
  }

  private elapsed(): number {
    return this.behind + (this.clock() - this.since) * this.speed
  }

  report(): PrinterReport {
    const { job } = this
    if (this.state === 'printing' && job) {
      const gone = this.elapsed() / Math.max(1e-9, job.seconds)
      const end = this.failAt ?? 1
      if (gone >= end) {
        this.state = this.failAt === null ? 'done' : 'failed'
        this.behind = end * job.seconds
        this.since = this.clock()
      }
    }
    const seconds = this.state === 'printing' ? this.elapsed() : this.behind
    const share = job ? Math.min(1, seconds / Math.max(1e-9, job.seconds)) : 0
    const at = job ? job.layers.findIndex(layer => layer.share >= share - 1e-9) : -1
    const index = job ? (at < 0 ? job.layers.length - 1 : at) : 0
    const hot = this.state === 'printing'
    return {
      id: this.id,
      kind: 'printer',
      name: this.name,
      state: this.state,
      job: job?.id ?? null,
      layer: job ? index + 1 : 0,
      layers: job?.layers.length ?? 0,
      nozzleC: hot ? job!.nozzleC : ROOM_C,
      bedC: hot ? job!.bedC : ROOM_C,
      grams: job ? (within(job, index, share) * DENSITY) / 1e6 : 0,
      share,
      secondsLeft: job && hot ? Math.max(0, job.seconds - seconds) : 0,
      speed: this.speed,
      why: this.state === 'failed' ? this.why : null,
    }
  }
}

/** Plastic at a share of the job: evenly through the layer. */
function within({ layers }: Job, index: number, share: number): number {
  const layer = layers[index],
    before = layers[index - 1] ?? { share: 0, mm3: 0 }
  if (!layer) return 0
  const t = layer.share > before.share ? (share - before.share) / (layer.share - before.share) : 1
  return before.mm3 + (layer.mm3 - before.mm3) * Math.min(1, Math.max(0, t))
}
