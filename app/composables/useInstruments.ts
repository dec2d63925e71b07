/** The bench's instruments where the server has some: their reports as they come, and words to them. */
import type { InstrumentReport } from '../../server/bench/bench'
import type { MastReport } from '../../server/bench/simulated-mast'
import type { PrinterReport } from '../../server/bench/simulated-printer'
import type { ScaleReport } from '../../server/bench/simulated-scale'
import type { StandReport } from '../../server/bench/simulated-stand'

const reports = shallowRef<InstrumentReport[]>([])
let source: EventSource | null = null

/** Listens once for the whole page; a server without instruments is asked once and not again. */
async function listen() {
  if (source || import.meta.server) return
  source = {} as EventSource
  const there = await fetch('/api/bench').then(
    answer => answer.ok,
    () => false,
  )
  if (!there) return
  source = new EventSource('/api/bench/events')
  source.addEventListener('instruments', event => {
    reports.value = JSON.parse((event as MessageEvent<string>).data) as InstrumentReport[]
  })
  // The stream comes back by itself; until then nothing is shown as being there.
  source.addEventListener('error', () => {
    reports.value = []
  })
}

async function post(path: string, body: unknown): Promise<void> {
  const answer = await fetch(`/api/bench/${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  })
  if (!answer.ok) {
    const problem = (await answer.json().catch(() => null)) as { detail?: string } | null
    throw new Error(problem?.detail ?? `the server answered ${answer.status}`)
  }
}

export function useInstruments() {
  void listen()
  const speed = useState('bench-speed', () => 60)
  return {
    speed,
    printers: computed(() => reports.value.filter((item): item is PrinterReport => item.kind === 'printer')),
    scale: computed(() => reports.value.find((item): item is ScaleReport => item.kind === 'scale') ?? null),
    stand: computed(() => reports.value.find((item): item is StandReport => item.kind === 'stand') ?? null),
    mast: computed(() => reports.value.find((item): item is MastReport => item.kind === 'mast') ?? null),
    mount: (id: string, parts: unknown) => post(`${id}/control`, { action: 'mount', parts }),
    arm: (id: string, on: boolean) => post(`${id}/control`, { action: on ? 'arm' : 'disarm' }),
    throttle: (id: string, percent: number) => post(`${id}/control`, { action: 'throttle', percent }),
    print: async (id: string, file: Blob, job: string) =>
      post(`${id}/print`, { gcode: await file.text(), job, speed: speed.value }),
    fail: (id: string, why: string) => post(`${id}/control`, { action: 'fail', why }),
    clear: (id: string) => post(`${id}/control`, { action: 'clear' }),
    hurry: (id: string, to: number) => post(`${id}/control`, { action: 'speed', speed: to }),
    tare: (id: string) => post(`${id}/control`, { action: 'tare' }),
    put: (id: string, grams: number) => post(`${id}/control`, { action: 'put', grams }),
  }
}
