<script setup lang="ts">
/**
 * A scale's readings land in the piece that waits for them once they have settled: the simulated one of the bench, or
 * a real one over the browser's own serial interface.
 */
import { FIGURE, scaleLine, Settling } from '../../../core/workshop/print-room'
import { amount, figure, today } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useInstruments } from '~/composables/useInstruments'

interface SerialPort {
  open(options: { baudRate: number }): Promise<void>
  close(): Promise<void>
  readable: ReadableStream<Uint8Array> | null
}
const { now, edit, look } = useBench()
const bench = useInstruments()
const { scale } = bench
const serial = computed(
  () =>
    (globalThis.navigator as Navigator & { serial?: { requestPort(): Promise<SerialPort> } }).serial ?? null,
)
const port = shallowRef<SerialPort | null>(null)
const pattern = useState('scale-pattern', () => `${FIGURE} g`)
const baud = useState('scale-baud', () => 9600)
const sample = ref('+  22.41 g')
const tried = computed(() => scaleLine(pattern.value, sample.value))
const fault = ref('')
const reading = ref<number | null>(null)
const settled = ref<number | null>(null)

const waiting = ref('')
const next = computed(
  () =>
    now.value.pieces.find(item => item.id === waiting.value) ??
    now.value.pieces.find(item => item.id === look.selected && item.weighedG === null) ??
    now.value.pieces.find(item => item.weighedG === null) ??
    null,
)
/** Less than this on the pan is nothing, g; after it the next piece may land. */
const EMPTY = 0.5
let ready = true
function landed(grams: number) {
  if (grams < EMPTY) {
    ready = true
    return
  }
  const piece = next.value
  if (!ready || !piece) return
  ready = false
  const massG = Math.round(grams * 100) / 100
  edit(`Weigh ${piece.name}`, draft => {
    const entry = { massG, predictedG: piece.predictedG, date: today() }
    const at = draft.weighIns.findIndex(item => item.piece === piece.id)
    if (at >= 0) Object.assign(draft.weighIns[at]!, entry)
    else draft.weighIns.push({ piece: piece.id, note: '', ...entry })
  })
  waiting.value = ''
}
const still = new Settling()
watch(scale, report => {
  if (!report || port.value) return
  reading.value = report.grams
  settled.value = still.add(performance.now() / 1000, report.grams)
  if (report.settled && settled.value !== null) landed(settled.value)
})

async function connect() {
  fault.value = ''
  try {
    const chosen = await serial.value!.requestPort()
    await chosen.open({ baudRate: baud.value })
    port.value = chosen
    const lines = new Settling()
    const decoder = new TextDecoder()
    const reader = chosen.readable!.getReader()
    let rest = ''
    for (;;) {
      const { done, value } = await reader.read()
      if (done) break
      const parts = (rest + decoder.decode(value, { stream: true })).split(/\r?\n/)
      rest = parts.pop()!.slice(-400)
      for (const line of parts) {
        const grams = scaleLine(pattern.value, line)
        if (grams === null) {
          sample.value = line.slice(0, 200) || sample.value
          continue
        }
        reading.value = grams
        settled.value = lines.add(performance.now() / 1000, grams)
        if (settled.value !== null) landed(settled.value)
      }
    }
  } catch (error) {
    fault.value = `The scale is not heard: ${(error as Error).message}`
  } finally {
    port.value = null
  }
}
/** A piece of the simulated print comes out a little off, as pieces do. */
const lay = () =>
  next.value && bench.put(scale.value!.id, next.value.predictedG * (1.02 + 0.03 * (Math.random() - 0.5)))
</script>

<template>
  <section aria-label="Scale">
    <h3>Scale</h3>
    <template v-if="scale || port">
      <p class="reading">
        <b class="num" data-figure="scale">{{ amount(reading, 'g', 2) }}</b>
        <span :class="settled === null ? 'quiet' : 'good'" data-scale-settled>{{
          settled === null ? 'settling' : 'settled'
        }}</span>
      </p>
      <v-select
        :model-value="next?.id ?? ''"
        :items="
          now.pieces.map(p => ({
            title: `${p.name}${p.weighedG === null ? '' : ` (${figure(p.weighedG, 1)} g)`}`,
            value: p.id,
          }))
        "
        label="The next reading lands in"
        data-field="scale-piece"
        @update:model-value="waiting = $event"
      />
      <div v-if="scale && !port" class="acts">
        <v-btn size="small" data-act="lay-on" :disabled="!next" @click="lay">Lay it on (simulated)</v-btn
        ><v-btn size="small" data-act="take-off" @click="bench.put(scale.id, 0)">Take it off</v-btn
        ><v-btn size="small" data-act="tare" @click="bench.tare(scale.id)">Tare</v-btn>
      </div>
      <p class="quiet small">
        A reading that has settled lands by itself; the pan must be empty before the next.
      </p>
    </template>
    <details v-if="serial" class="small">
      <summary>A real scale on a serial port</summary>
      <FigureField
        label="Baud"
        :model-value="baud"
        unit=""
        :min="300"
        :max="230400"
        :digits="0"
        @update:model-value="baud = $event ?? 9600"
      />
      <v-text-field v-model="pattern" :label="`Its line, with ${FIGURE} for the figure`" maxlength="80" />
      <v-text-field v-model="sample" label="Try it on a line" maxlength="200" />
      <p :class="tried === null ? 'bad' : 'good'">
        {{ tried === null ? 'The pattern does not fit this line.' : `Reads ${figure(tried, 2)} g.` }}
      </p>
      <v-btn size="small" :disabled="!!port" @click="connect">Connect</v-btn>
    </details>
    <p v-if="!scale && !port && !serial" class="quiet small">
      No scale is connected, and this browser has no serial interface: type what it says.
    </p>
    <p v-if="fault" class="bad small" role="alert">{{ fault }}</p>
  </section>
</template>

<style scoped>
.reading {
  display: flex;
  gap: 12px;
  align-items: baseline;
  margin: 0 0 6px;
}
.reading b {
  font-size: 22px;
}
.acts {
  display: flex;
  gap: 6px;
  flex-wrap: wrap;
}
</style>
