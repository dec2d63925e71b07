/** The build: its order as of the present design, what is done of it, and the clock that it cures by. */
import { useIntervalFn } from '@vueuse/core'
import { addSeconds, differenceInSeconds, format, parseISO } from 'date-fns'
import {
  buildProgress,
  type BuildOrder,
  type HardwareRow,
  type LinkageSheet,
} from '../../core/workshop/build'
import type { Damage } from '../../core/document'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'
import { worded } from '~/composables/format'

/** The maker's own now, to the second. */
export const thisSecond = (): string => format(new Date(), "yyyy-MM-dd'T'HH:mm:ss")

/** From opening a step to its tick: beyond these shares of what is reckoned, something else was done meanwhile. */
const SAYS_SOMETHING = [0.15, 4] as const

/** A step that mends says of its damage whether it is mended. */
function mended(damages: Damage[], step: string, done: boolean) {
  const own = damages.find(damage => step === `mend.${damage.id}`)
  if (own && own.state !== 'open') own.state = done ? 'mended' : 'chosen'
}

export function useBuild() {
  const { doc, edit, project } = useBench()
  const core = useCore()
  const order = useState<BuildOrder | null>('build-order', () => null)
  const hardware = useState<HardwareRow[]>('build-hardware', () => [])
  const linkages = useState<LinkageSheet[]>('build-linkages', () => [])
  const fault = useState('build-fault', () => '')
  /** The step that is looked at; null follows what is next. */
  const chosen = useState<string | null>('build-step', () => null)
  const opened = useState<{ step: string; at: string } | null>('build-opened', () => null)
  const clock = useState('build-clock', thisSecond)

  let asked = 0
  async function refresh() {
    const own = ++asked
    try {
      const found = await core.buildOrder(toRaw(project.doc!))
      if (own !== asked) return
      order.value = found.order
      hardware.value = found.hardware
      linkages.value = found.linkages
      fault.value = ''
    } catch (error) {
      if (own === asked) fault.value = (error as Error).message
    }
  }

  const progress = computed(() =>
    order.value ? buildProgress(order.value, doc.value.build, clock.value) : null,
  )
  const current = computed(
    () => progress.value?.steps.find(item => item.step.id === chosen.value) ?? progress.value?.next ?? null,
  )
  const stepAt = (id: string) => progress.value?.steps.find(item => item.step.id === id) ?? null
  watch(
    () => current.value?.step.id,
    step => {
      if (step && opened.value?.step !== step) opened.value = { step, at: thisSecond() }
    },
    { immediate: true },
  )

  function took(step: string, reckoned: number): number | null {
    if (opened.value?.step !== step) return null
    const minutes = differenceInSeconds(parseISO(thisSecond()), parseISO(opened.value.at)) / 60
    const share = minutes / reckoned
    return share >= SAYS_SOMETHING[0] && share <= SAYS_SOMETHING[1] ? Math.round(10 * minutes) / 10 : null
  }

  /** Ticked or skipped; what glue there is begins to cure. The next one opens. */
  function tick(id: string, state: 'done' | 'skipped') {
    const item = stepAt(id)
    if (!item) return
    const at = thisSecond(),
      tookMin = state === 'done' ? took(id, item.step.minutes) : null
    const { waitMin } = item.step
    edit(`${state === 'done' ? 'Done' : 'Skipped'}: ${worded(item.step.title)}`, draft => {
      const { build } = draft
      build.ticks = [...build.ticks.filter(other => other.step !== id), { step: id, state, at, tookMin }]
      build.timers = build.timers.filter(timer => timer.step !== id && timer.ends > at)
      mended(draft.damages, id, state === 'done')
      if (state === 'done' && waitMin > 0)
        build.timers.push({
          step: id,
          ends: format(addSeconds(parseISO(at), Math.round(waitMin * 60)), "yyyy-MM-dd'T'HH:mm:ss"),
        })
    })
    clock.value = at
    // Done out of turn, it stays open and says what it shut.
    chosen.value = state === 'done' && item.waitsFor.length > 0 ? id : null
  }
  function untick(id: string) {
    const item = stepAt(id)
    edit(`Not done: ${item ? worded(item.step.title) : id}`, draft => {
      draft.build.ticks = draft.build.ticks.filter(other => other.step !== id)
      mended(draft.damages, id, false)
      draft.build.timers = draft.build.timers.filter(timer => timer.step !== id)
    })
    chosen.value = id
  }
  const stopTimer = (id: string) =>
    edit('Timer off', draft => {
      draft.build.timers = draft.build.timers.filter(timer => timer.step !== id)
    })

  return {
    order,
    hardware,
    linkages,
    fault,
    chosen,
    clock,
    progress,
    current,
    stepAt,
    refresh,
    tick,
    untick,
    stopTimer,
  }
}

/** What is left of a timer, `m:ss`, or hours where there are any; negative counts from when it rang. */
export function timerLeft(ends: string, now: string): { text: string; rung: boolean } {
  const seconds = differenceInSeconds(parseISO(ends), parseISO(now))
  const left = Math.abs(seconds)
  const hours = Math.floor(left / 3600),
    minutes = Math.floor((left % 3600) / 60)
  const two = (value: number) => String(value).padStart(2, '0')
  return {
    text: hours > 0 ? `${hours}:${two(minutes)}:${two(left % 60)}` : `${minutes}:${two(left % 60)}`,
    rung: seconds <= 0,
  }
}

/** Minutes as people say them. */
export function spokenTime(minutes: number): string {
  const whole = Math.round(minutes)
  const hours = Math.floor(whole / 60)
  if (hours === 0) return `${whole} min`
  return whole % 60 === 0 ? `${hours} h` : `${hours} h ${whole % 60} min`
}

/** Counts the seconds, and rings once for each timer that runs out while the page is open. */
export function useBuildClock() {
  const { doc } = useBench()
  const { clock } = useBuild()
  const rung = new Set<string>()
  useIntervalFn(() => {
    const before = clock.value
    clock.value = thisSecond()
    for (const { step, ends } of doc.value.build.timers)
      if (ends <= clock.value && ends > before && !rung.has(step + ends)) {
        rung.add(step + ends)
        ring()
      }
  }, 1000)
}

/** Three short tones; a browser that allows none before the first press stays silent, and the screen says it. */
function ring() {
  try {
    const sound = new AudioContext()
    for (const [i, hertz] of [660, 880, 660].entries()) {
      const tone = sound.createOscillator(),
        loudness = sound.createGain()
      tone.frequency.value = hertz
      loudness.gain.value = 0.2
      tone.connect(loudness).connect(sound.destination)
      tone.start(sound.currentTime + 0.25 * i)
      tone.stop(sound.currentTime + 0.25 * i + 0.18)
    }
    setTimeout(() => void sound.close(), 1500)
  } catch {
    // No sound device: the timer on the screen turns.
  }
}
