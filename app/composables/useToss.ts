/** Tosses of the present design: thrown on the page from tables that are made aside, laid over one another. */
import { computed, shallowRef, watch } from 'vue'
import type { PitchTables } from '../../core/assess'
import { toss, type DummyMasses, type Pull, type Throw, type Toss } from '../../core/workshop/toss'
import { useAside } from '~/composables/useAside'
import { useBench } from '~/composables/useBench'

export interface LaidToss {
  id: number
  label: string
  toss: Toss
}

/** As many lie over one another as can be told apart. */
const MOST_LAID = 4

export function useToss() {
  const { doc, now } = useBench()
  const payload = useState('toss-payload', () => true)
  const cgShiftMm = useState('toss-cg', () => 0)
  const own = useState<Partial<Throw>>('toss-throw', () => ({}))
  const laid = useState<LaidToss[]>('toss-laid', () => [])

  /** As the aircraft is trimmed for its best glide, thrown level as the brief says. */
  const start = computed((): Throw => ({
    speedMs: doc.value.brief.throwMs,
    pathDeg: 0,
    heightM: 1.8,
    elevatorDeg: now.value.trim.find(row => row.id === 'glide')?.controlDeg ?? 0,
    tailDeg: 0,
    windMs: 0,
    gustMs: 0,
    throttlePct: 0,
    powerAfterS: 0,
  }))
  const thrown = computed((): Throw => ({ ...start.value, ...own.value }))
  const cgShift = computed(() => cgShiftMm.value / 1000)
  function set(part: Partial<Throw>) {
    own.value = { ...own.value, ...part }
  }
  function reset() {
    own.value = {}
    cgShiftMm.value = 0
  }
  return { payload, cgShiftMm, own, laid, thrown, cgShift, set, reset, doc, now }
}

/** What the core said of the aircraft in the vertical plane; the bench asks for it, others read it. */
export const useTossing = () => ({
  tables: useState<PitchTables | null>('toss-tables', () => null),
  pull: useState<Pull | null>('toss-pull', () => null),
  dummies: useState<DummyMasses | null>('toss-dummies', () => null),
})

/** The tables, and what follows from them; used once, by the bench. */
export function useTossed() {
  const { payload, thrown, cgShift, laid, cgShiftMm, doc } = useToss()
  const { tables, pull, dummies } = useTossing()
  const { answer, busy, fault, fresh } = useAside(
    (core, subject) => core.tossing(subject, payload.value),
    () => payload.value,
  )
  watch(answer, next => {
    if (!next) return
    tables.value = next.tables
    pull.value = next.pull
    dummies.value = next.dummies
  })
  // Another aircraft was thrown then.
  watch(
    () => doc.value.id,
    () => {
      laid.value = []
    },
  )
  const flown = shallowRef<Toss | null>(null)
  watch(
    [tables, thrown, cgShift, pull],
    () => {
      flown.value = tables.value ? toss(tables.value, thrown.value, cgShift.value, pull.value) : null
    },
    { immediate: true },
  )
  let serial = 0
  function lay() {
    if (!flown.value) return
    const { speedMs, pathDeg, elevatorDeg, tailDeg, throttlePct } = flown.value.thrown
    const label = [
      `${speedMs.toFixed(1)} m/s`,
      `${pathDeg.toFixed(0)}°`,
      `elevator ${elevatorDeg.toFixed(1)}°`,
      tailDeg && `tail ${tailDeg.toFixed(1)}°`,
      throttlePct && `throttle ${throttlePct.toFixed(0)} %`,
      cgShiftMm.value && `balance ${cgShiftMm.value > 0 ? '+' : ''}${cgShiftMm.value} mm`,
    ]
      .filter(Boolean)
      .join(', ')
    laid.value = [...laid.value, { id: Date.now() + serial++, label, toss: flown.value }].slice(-MOST_LAID)
  }
  return { tables, flown, busy, fault, fresh, lay }
}
