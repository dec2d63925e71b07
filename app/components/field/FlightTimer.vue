<script setup lang="ts">
/** Counts charge, not only minutes: one thumb says what it does, a voice or a tone says when to land. */
import { useStorage } from '@vueuse/core'
import {
  AIR_KINDS,
  callsBetween,
  charge,
  NO_FLIGHT,
  spent,
  type AirKind,
  type FlightClock,
} from '~/composables/flight-clock'
import { amount, figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useFieldDay } from '~/composables/useFieldDay'

const { doc } = useBench()
const { answer: day, fault } = useFieldDay()
/** Kept over a reload: a phone in a pocket may throw the page away. */
const clock = useStorage<FlightClock>(`mariposa-flight-${doc.value.id}`, NO_FLIGHT)
const voice = useStorage<'voice' | 'tone' | 'none'>('mariposa-calls', 'voice')
const now = ref(Date.now())
const flying = computed(() => clock.value.stretches.length > 0 && clock.value.landedAt === null)
const kind = computed(() => clock.value.stretches.at(-1)?.kind ?? null)
const seconds = computed(() => spent(clock.value, now.value))
const total = computed(() => AIR_KINDS.reduce((sum, item) => sum + seconds.value[item], 0))
const usable = computed(() => day.value?.charge?.usableMah ?? null)
const taken = computed(() => (day.value?.charge ? charge(seconds.value, day.value.charge.amps) : null))
const share = computed(() => (usable.value && taken.value !== null ? taken.value / usable.value : 0))
/** At what it does now, s. */
const left = computed(() => {
  const amps = kind.value && day.value?.charge ? day.value.charge.amps[kind.value] : 0
  if (usable.value === null || taken.value === null || amps <= 0.01) return null
  return Math.max(0, ((usable.value - taken.value) * 3.6) / amps)
})
const asClock = (s: number) => `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, '0')}`
const said = ref('')

let sound: AudioContext | null = null
function tones(count: number) {
  sound ??= new AudioContext()
  for (let i = 0; i < count; i++) {
    const tone = sound.createOscillator(),
      level = sound.createGain()
    tone.frequency.value = 880
    level.gain.value = 0.2
    tone.connect(level).connect(sound.destination)
    tone.start(sound.currentTime + i * 0.3)
    tone.stop(sound.currentTime + i * 0.3 + 0.16)
  }
}
function call(words: string, count: number) {
  said.value = words
  if (voice.value === 'none') return
  const speech = globalThis.speechSynthesis as SpeechSynthesis | undefined
  if (voice.value === 'voice' && speech && speech.getVoices().length > 0)
    speech.speak(new SpeechSynthesisUtterance(words))
  // Without a voice on this machine a tone says it.
  else tones(count)
}
let before = share.value
const ticking = setInterval(() => {
  now.value = Date.now()
  if (!flying.value) return
  for (const due of callsBetween(before, share.value)) call(due.words, due.tones)
  before = share.value
}, 250)
onBeforeUnmount(() => clearInterval(ticking))

function doing(next: AirKind) {
  const at = Date.now()
  // The voice is woken by a press, or browsers keep it mute.
  if (voice.value === 'tone') sound ??= new AudioContext()
  if (!flying.value) {
    before = 0
    said.value = ''
    clock.value = { stretches: [{ kind: next, at }], landedAt: null }
  } else if (kind.value !== next)
    clock.value = { ...clock.value, stretches: [...clock.value.stretches, { kind: next, at }] }
  now.value = at
}
const land = () => {
  clock.value = { ...clock.value, landedAt: Date.now() }
}
const clear = () => {
  clock.value = { stretches: [], landedAt: null }
  said.value = ''
}
const WORDS: Record<AirKind, string> = { climb: 'Full, climbing', cruise: 'Cruising', idle: 'Gliding' }
const toLog = () => navigateTo('/log')
</script>

<template>
  <section class="timer">
    <p v-if="fault" class="bad" role="alert">The charge cannot be counted: {{ fault }}</p>
    <div class="readings" :class="{ over: share >= 1 }">
      <div>
        <span>in the air</span><b class="num" data-figure="air-time">{{ asClock(total) }}</b>
      </div>
      <div v-if="taken !== null && usable !== null">
        <span>taken, of {{ amount(usable, 'mAh') }}</span
        ><b class="num" data-figure="air-charge">{{ amount(taken, 'mAh') }}</b>
      </div>
      <div v-if="left !== null && flying">
        <span>like this until landing</span><b class="num">{{ asClock(left) }}</b>
      </div>
    </div>
    <div v-if="usable !== null" class="gauge" aria-hidden="true">
      <i :style="{ width: `${Math.min(100, 100 * share)}%` }" />
    </div>
    <p class="call" role="alert" data-figure="call">{{ said }}</p>
    <div class="thumbs" role="group" aria-label="What it does now">
      <button
        v-for="item in AIR_KINDS"
        :key="item"
        type="button"
        class="plain thumb"
        :class="{ on: flying && kind === item }"
        :aria-pressed="flying && kind === item"
        :data-air="item"
        @click="doing(item)"
      >
        {{ WORDS[item] }}
        <span v-if="day?.charge" class="num small">{{ amount(day.charge.amps[item], 'A', 1) }}</span>
      </button>
    </div>
    <div class="acts">
      <v-btn v-if="flying" size="large" color="primary" variant="flat" data-act="landed" @click="land"
        >Landed</v-btn
      >
      <template v-else-if="total > 0">
        <v-btn size="large" color="primary" variant="flat" data-act="to-log" @click="toLog"
          >Log this flight</v-btn
        >
        <v-btn size="large" variant="text" @click="clear">Clear the clock</v-btn>
      </template>
      <span v-else class="quiet">The first press is the launch.</span>
    </div>
    <v-radio-group v-model="voice" inline label="Calls" hide-details class="calls">
      <v-radio value="voice" label="by voice" />
      <v-radio value="tone" label="by tone" />
      <v-radio value="none" label="none" />
    </v-radio-group>
    <p class="small quiet">
      Charge is counted from the computed current of what you press: {{ figure(100) }} % of what is usable
      above the reserve calls for landing. Wind, a nicked propeller or a cold pack take more: land earlier
      when in doubt, and charge back to see what it really took.
    </p>
  </section>
</template>

<style scoped>
.readings {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 32px;
}
.readings div {
  display: flex;
  flex-direction: column;
}
.readings span {
  font-size: 13px;
  color: var(--quiet);
}
.readings b {
  font-size: 44px;
  line-height: 1.1;
}
.readings.over b {
  color: rgb(var(--v-theme-error));
}
.gauge {
  height: 18px;
  border: 1px solid rgb(var(--v-theme-on-background));
  margin: 10px 0 4px;
}
.gauge i {
  display: block;
  height: 100%;
  background: rgb(var(--v-theme-secondary));
}
.call {
  min-height: 34px;
  font-size: 22px;
  font-weight: 700;
  margin: 4px 0;
  color: rgb(var(--v-theme-error));
}
.thumbs {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 10px;
  margin-bottom: 12px;
}
.thumb {
  min-height: 84px;
  border: 2px solid var(--hair);
  border-radius: 10px;
  font-size: 19px;
  font-weight: 650;
  text-align: center;
  display: flex;
  flex-direction: column;
  justify-content: center;
}
.thumb.on {
  border-color: rgb(var(--v-theme-secondary));
  background: color-mix(in srgb, rgb(var(--v-theme-secondary)) 22%, transparent);
}
.calls {
  margin-top: 14px;
}
@media (max-width: 700px) {
  .thumbs {
    grid-template-columns: 1fr;
  }
}
</style>
