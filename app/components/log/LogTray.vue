<script setup lang="ts">
/** A flight in thirty seconds: what is known is filled in; the rest may be completed later. */
import { useStorage } from '@vueuse/core'
import { flownState } from '../../../core/workshop/field'
import { afterFlight } from '../../../core/workshop/readiness'
import type { Flight } from '../../../core/document'
import { entryOf, newEntry, useFlightDraft } from '~/composables/flight-entry'
import { NO_FLIGHT, type FlightClock } from '~/composables/flight-clock'
import { useBench } from '~/composables/useBench'
import { useFieldDay } from '~/composables/useFieldDay'

const { doc, now, edit } = useBench()
const draft = useFlightDraft(doc.value.id)
const clock = useStorage<FlightClock>(`mariposa-flight-${doc.value.id}`, NO_FLIGHT)
const { answer: day } = useFieldDay()
const landed = computed(() => clock.value.landedAt !== null)
const fresh = () => newEntry(doc.value, clock.value, day.value?.charge?.amps ?? null, new Date())
draft.value.entry ??= fresh()
const entry = computed(() => draft.value.entry!)
/** A clock that ran is waiting to be logged: what it says goes in once, and nothing typed since is written over. */
const fromClock = useStorage(`mariposa-log-clock-${doc.value.id}`, 0)
watch(
  [landed, day],
  () => {
    const { landedAt } = clock.value
    if (landedAt === null || draft.value.completes || !draft.value.entry) return
    const { minutes, usedMah, date, startedAt } = fresh()
    if (fromClock.value !== landedAt) {
      Object.assign(draft.value.entry, { minutes, date, startedAt })
      fromClock.value = landedAt
    }
    // The currents come later than the times.
    draft.value.entry.usedMah ??= usedMah
  },
  { immediate: true },
)
const completing = computed(
  () => doc.value.flights.find(flight => flight.id === draft.value.completes) ?? null,
)
watch(
  () => draft.value.completes,
  id => {
    const flight = doc.value.flights.find(item => item.id === id)
    if (flight) draft.value.entry = entryOf(flight)
  },
)
const packs = computed(() => [
  { title: 'not noted', value: null as string | null },
  ...doc.value.field.packs.map(pack => ({ title: pack.name, value: pack.id as string | null })),
])
const LANDINGS = [
  { id: 'soft', label: 'soft' },
  { id: 'firm', label: 'firm' },
  { id: 'hard', label: 'hard' },
  { id: 'crash', label: 'a crash' },
]
const tried = ref(false)
const rest = ref(false)

function start() {
  draft.value = { entry: fresh(), completes: null }
}
function flight(id: string): Flight {
  // Plain values: what lies in the form is watched, and nothing watched may go into an edit.
  const own = JSON.parse(JSON.stringify(entry.value)) as typeof entry.value
  return {
    ...own,
    id,
    minutes: own.minutes ?? 0,
    windMs: own.windMs ?? 0,
    startedAt: own.startedAt || null,
  }
}
function keep() {
  if (completing.value) {
    const { id } = completing.value
    const next = flight(id)
    const done = edit(`Complete the flight of ${next.date}`, own => {
      own.flights = own.flights.map(item => (item.id === id ? next : item))
    })
    if (done) start()
    return
  }
  let n = doc.value.flights.length + 1
  while (doc.value.flights.some(item => item.id === `flight-${n}`)) n++
  const next = flight(`flight-${n}`)
  const state = flownState(doc.value, now.value)
  const done = edit(`Log flight ${n}`, own => {
    own.flights.push(next)
    own.checks = afterFlight(own.checks)
    own.field.flown = state
    own.field.chargePct = null
  })
  if (!done) return
  clock.value = { stretches: [], landedAt: null }
  start()
}
</script>

<template>
  <div class="stack">
    <h3 style="margin-top: 0">
      {{ completing ? `The flight of ${completing.date}` : 'A flight' }}
    </h3>
    <p v-if="landed && !completing" class="small quiet" data-from-clock>
      Minutes and charge as the clock counted them.
    </p>
    <div class="row">
      <FigureField
        v-model="entry.minutes"
        label="In the air"
        unit="min"
        :min="0"
        :max="600"
        data-field="minutes"
      />
      <FigureField
        v-model="entry.leftPct"
        optional
        label="Left in the pack"
        unit="%"
        :min="0"
        :max="100"
        :digits="0"
        data-field="left-pct"
      />
    </div>
    <v-select v-model="entry.pack" :items="packs" label="Pack" data-field="flight-pack" />
    <div>
      <span class="small">The landing was</span>
      <PickOne
        boxed
        mark="landing"
        label="The landing was"
        :options="LANDINGS"
        :model-value="entry.landing"
        @update:model-value="entry.landing = entry.landing === $event ? null : ($event as Flight['landing'])"
      />
      <p v-if="entry.landing === 'hard' || entry.landing === 'crash'" class="caution">
        Battery out, away from people, and watch it for a quarter of an hour: a bent pack can burn later. Then
        look the whole aircraft over before it flies again.
      </p>
    </div>
    <button type="button" class="plain fold" :aria-expanded="tried" data-act="tried" @click="tried = !tried">
      <b>What was tried</b> <span class="quiet">{{ entry.signs.length || 'nothing yet' }}</span>
    </button>
    <TriedSigns v-if="tried" v-model="entry.signs" />
    <div class="row">
      <FigureField
        v-model="entry.elevatorTrimDeg"
        optional
        label="Elevator trim, up +"
        unit="°"
        :min="-30"
        :max="30"
        data-field="trim"
      /><FigureField
        v-model="entry.aileronTrimDeg"
        optional
        label="Aileron trim, right +"
        unit="°"
        :min="-30"
        :max="30"
      />
    </div>
    <v-textarea
      v-model="entry.behaviour"
      label="What it did"
      maxlength="4000"
      rows="2"
      data-field="behaviour"
    />
    <button type="button" class="plain fold" :aria-expanded="rest" data-act="rest" @click="rest = !rest">
      <b>Day, air, charge, what broke</b> <span class="quiet">{{ entry.date }} {{ entry.startedAt }}</span>
    </button>
    <template v-if="rest">
      <div class="row">
        <v-text-field v-model="entry.date" label="Date" type="date" />
        <v-text-field v-model="entry.startedAt" label="Began" type="time" />
      </div>
      <div class="row">
        <FigureField v-model="entry.windMs" label="Wind" unit="m/s" :min="0" :max="40" />
        <FigureField v-model="entry.airC" optional label="Air" unit="°C" :min="-40" :max="60" :digits="0" />
      </div>
      <div class="row">
        <FigureField
          v-model="entry.usedMah"
          optional
          label="Charged back"
          unit="mAh"
          :min="0"
          :max="50000"
          :digits="0"
          data-field="used-mah"
        /><FigureField
          v-model="entry.motorC"
          optional
          label="Motor after"
          unit="°C"
          :min="-40"
          :max="250"
          :digits="0"
        />
      </div>
      <FigureField
        v-model="entry.glideRatio"
        label="Measured glide, one in"
        :min="0.5"
        :max="100"
        optional
        data-field="glide-ratio"
      />
      <v-textarea v-model="entry.broke" label="What broke" maxlength="4000" rows="2" data-field="broke" />
    </template>
    <v-textarea
      v-model="entry.next"
      label="What the next mark should change"
      maxlength="4000"
      rows="2"
      data-field="next"
    />
    <div class="acts">
      <v-btn color="primary" variant="flat" data-act="log-flight" @click="keep">{{
        completing ? 'Keep it so' : 'Log this flight'
      }}</v-btn>
      <v-btn variant="text" data-act="empty-entry" @click="start">{{
        completing ? 'Leave it as it was' : 'Empty the form'
      }}</v-btn>
    </div>
  </div>
</template>

<style scoped>
.fold {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  width: 100%;
  padding: 8px 0;
  border-bottom: 1px solid var(--hair);
}
</style>
