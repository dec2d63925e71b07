<script setup lang="ts">
/** A recording of a flight: brought in column by column, drawn, and held against what was computed. */
import { DocumentError, type Flight } from '../../../core/document'
import {
  guessMapping,
  MAX_RECORDING,
  MEANINGS,
  readRecording,
  toTrack,
  type Mapping,
  type Meaning,
  type Recording,
} from '../../../core/workshop/track'
import type { TrackReading } from '../../../core/workshop/track'
import { amount, figure, worded } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'

const { flight } = defineProps<{ flight: Flight }>()
const { doc, edit } = useBench()
const track = computed(() => doc.value.tracks.find(item => item.flight === flight.id) ?? null)
const chooser = ref<HTMLInputElement>()
const recording = shallowRef<Recording | null>(null)
const mapping = ref<Mapping>({})
const fault = ref('')
const shown = ref(false)

async function bring(event: Event) {
  const file = chosenFile(event)
  if (!file) return
  fault.value = ''
  recording.value = null
  try {
    if (file.size > MAX_RECORDING)
      throw new DocumentError('', `a recording has at most ${MAX_RECORDING / 1e6} MB`)
    const read = readRecording(file.name, await file.text())
    recording.value = read
    mapping.value = guessMapping(read)
  } catch (error) {
    if (!(error instanceof DocumentError)) throw error
    fault.value = `${file.name.slice(0, 60)} was not read. ${error.message}.`
  }
}
const columns = computed(() => [
  { title: 'none of them', value: -1 },
  ...(recording.value?.columns.map((name, i) => ({ title: name, value: i })) ?? []),
])
function setColumn(meaning: Meaning, column: number) {
  const next = { ...mapping.value }
  if (column < 0) delete next[meaning]
  else next[meaning] = { column, unit: next[meaning]?.unit ?? Object.keys(MEANINGS[meaning].units)[0]! }
  mapping.value = next
}
function take() {
  try {
    const own = toTrack(flight.id, toRaw(recording.value!), toRaw(mapping.value))
    const done = edit(`The recording ${own.source.slice(0, 60)}`, draft => {
      draft.tracks = draft.tracks.filter(item => item.flight !== flight.id)
      draft.tracks.push(own)
    })
    if (!done) return
    recording.value = null
    shown.value = true
    fault.value = ''
  } catch (error) {
    if (!(error instanceof DocumentError)) throw error
    fault.value = error.message
  }
}
const remove = () =>
  edit('Remove a recording', draft => {
    draft.tracks = draft.tracks.filter(item => item.flight !== flight.id)
  })

const reading = shallowRef<TrackReading | null>(null)
const busy = ref(false)
watch(
  [shown, doc],
  async () => {
    if (!shown.value || !track.value) return
    busy.value = true
    try {
      reading.value = await useCore('aside').readTrack(toRaw(doc.value), flight.id)
    } catch (error) {
      fault.value = `It was not held against the computation: ${(error as Error).message}`
    } finally {
      busy.value = false
    }
  },
  { immediate: true },
)
const into = () => {
  const { glideRatio, usedMah, minutes } = reading.value!
  edit(`Figures of ${flight.date} from its recording`, draft => {
    const own = draft.flights.find(item => item.id === flight.id)
    if (!own) return
    if (glideRatio !== null) own.glideRatio = Math.round(10 * glideRatio) / 10
    if (usedMah !== null) own.usedMah = Math.round(usedMah)
    if (minutes > 0) own.minutes = Math.round(10 * minutes) / 10
  })
}
const points = (values: ReadonlyArray<number | null>) =>
  values.map((y, i) => ({ x: (i * track.value!.stepS) / 60, y }))
const air = computed(() =>
  track.value
    ? [
        ...(track.value.heightM.length
          ? [{ label: 'height', colour: 'ink' as const, points: points(track.value.heightM), nameAt: 0.3 }]
          : []),
        ...(track.value.speedMs.length
          ? [
              {
                label: track.value.air ? 'airspeed' : 'speed over the ground',
                right: true,
                dash: [4, 3],
                points: points(track.value.speedMs),
                nameAt: 0.7,
              },
            ]
          : []),
      ]
    : [],
)
const drive = computed(() =>
  track.value
    ? [
        ...(track.value.amps.length
          ? [{ label: 'current', points: points(track.value.amps), nameAt: 0.2 }]
          : []),
        ...(track.value.volts.length
          ? [
              {
                label: 'voltage',
                right: true,
                colour: 'secondary' as const,
                dash: [4, 3],
                points: points(track.value.volts),
                nameAt: 0.7,
              },
            ]
          : []),
      ]
    : [],
)
const MINUTES = { label: 'time', unit: 'min', digits: 1 }
</script>

<template>
  <section :data-track="flight.id">
    <div class="acts">
      <v-btn v-if="track" size="small" :aria-expanded="shown" data-act="show-track" @click="shown = !shown">{{
        shown ? 'Fold the recording' : `Recording: ${track.source.slice(0, 30)}`
      }}</v-btn>
      <v-btn size="small" variant="text" data-act="bring-track" @click="chooser?.click()">{{
        track ? 'Another recording' : 'Add a recording (CSV, GPX)'
      }}</v-btn>
      <v-btn v-if="track" size="small" variant="text" @click="remove">Remove it</v-btn>
      <input
        ref="chooser"
        type="file"
        accept=".csv,.txt,.tsv,.gpx"
        class="sr"
        aria-label="Recording of the flight"
        @change="bring"
      />
    </div>
    <p v-if="fault" class="bad" role="alert" data-fault="track">{{ fault }}</p>
    <div v-if="recording" class="map" data-map>
      <p>{{ recording.source }}: {{ recording.rows.length }} lines. Which column is what?</p>
      <div v-for="(about, meaning) in MEANINGS" :key="meaning" class="mean">
        <v-select
          :model-value="mapping[meaning]?.column ?? -1"
          :items="columns"
          :label="about.label"
          :data-meaning="meaning"
          @update:model-value="setColumn(meaning, $event)"
        />
        <v-select
          v-if="mapping[meaning]"
          :model-value="mapping[meaning]!.unit"
          :items="Object.keys(about.units)"
          label="in"
          @update:model-value="mapping = { ...mapping, [meaning]: { ...mapping[meaning]!, unit: $event } }"
        />
      </div>
      <div class="acts">
        <v-btn color="primary" variant="flat" data-act="take-track" @click="take"
          >Keep it with this flight</v-btn
        >
        <v-btn variant="text" @click="recording = null">Leave it</v-btn>
      </div>
    </div>
    <template v-if="track && shown">
      <PlotLines
        v-if="air.length"
        :lines="air"
        :x="MINUTES"
        :left="{ label: 'height', unit: 'm', digits: 0 }"
        :right="{ label: 'speed', unit: 'm/s', digits: 1 }"
        label="Height and speed of the flight"
        :height="200"
      />
      <PlotLines
        v-if="drive.length"
        :lines="drive"
        :x="MINUTES"
        :left="{ label: 'current', unit: 'A', digits: 1 }"
        :right="track.volts.length ? { label: 'voltage', unit: 'V', digits: 1 } : undefined"
        label="Current and voltage of the flight"
        :height="150"
      />
      <p v-if="busy && !reading" class="quiet">Holding it against the computation …</p>
      <template v-if="reading">
        <table v-if="reading.rows.length" class="ledger" data-table="track">
          <thead>
            <tr>
              <th>In this flight</th>
              <th class="r">Recorded</th>
              <th class="r">Computed</th>
              <th>By</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in reading.rows" :key="row.id" :data-row="row.id">
              <td>{{ worded(row.what) }}</td>
              <td class="r num">{{ amount(row.recorded, row.unit, row.digits) }}</td>
              <td class="r num">{{ amount(row.computed, row.unit, row.digits) }}</td>
              <td class="small quiet">{{ worded(row.note) }}</td>
            </tr>
          </tbody>
        </table>
        <p v-for="(note, i) in reading.notes" :key="i" class="bad small">{{ worded(note) }}.</p>
        <v-btn
          v-if="reading.glideRatio !== null || reading.usedMah !== null"
          size="small"
          data-act="track-into"
          @click="into"
          >Put {{ figure(reading.minutes, 1) }} min{{
            reading.glideRatio === null ? '' : `, glide one in ${figure(reading.glideRatio, 1)}`
          }}{{ reading.usedMah === null ? '' : `, ${amount(reading.usedMah, 'mAh')}` }} into its notes</v-btn
        >
      </template>
    </template>
  </section>
</template>

<style scoped>
.map {
  border-left: 3px solid rgb(var(--v-theme-primary));
  padding-left: 12px;
  margin: 6px 0;
  max-width: 520px;
}
.mean {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 110px;
  gap: 10px;
  margin-bottom: 8px;
}
</style>
