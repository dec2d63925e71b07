<script setup lang="ts">
/** Points of a thrust stand: run by the bench's own, or typed; what they say, and into the model. */
import { mounting } from '../../../core/workshop/power'
import type { PlotLine } from '~/components/common/PlotLines.vue'
import { amount, figure, today, worded } from '~/composables/format'
import { useInstruments } from '~/composables/useInstruments'
import { usePower } from '~/composables/usePower'

const { doc, told, set } = usePower()
const bench = useInstruments()
const { stand } = bench
const result = computed(() => told.value?.stand ?? null)
const points = computed(() => doc.value.power.stand)
const fault = ref('')
const running = ref(false)
const clear = ref(false)
/** Throttle of a run, %. */
const RUN = [30, 45, 60, 75, 90, 100]
const wait = (ms: number) => new Promise(resolve => setTimeout(resolve, ms))
let halted = false

async function tried(work: () => Promise<unknown>) {
  fault.value = ''
  try {
    await work()
  } catch (error) {
    fault.value = (error as Error).message
  }
}
const mount = () =>
  tried(async () => {
    const parts = mounting(toRaw(doc.value))
    if (!parts) throw new Error('the stand wants a motor, a pack and a propeller with their figures')
    await bench.mount(stand.value!.id, parts)
  })
/** Steady readings of a second, taken together. */
async function logged(percent: number) {
  const id = stand.value!.id
  await bench.throttle(id, percent)
  const until = Date.now() + 20_000
  while (!halted && !(stand.value?.steady && Math.abs(stand.value.throttlePct - percent) < 0.5)) {
    if (Date.now() > until || !stand.value) throw new Error('the stand does not settle')
    await wait(120)
  }
  const seen: Array<NonNullable<typeof stand.value>> = []
  for (let i = 0; i < 4 && !halted; i++) {
    await wait(260)
    if (stand.value) seen.push(stand.value)
  }
  if (halted || !seen.length) return
  const mean = (of: (report: (typeof seen)[number]) => number, digits: number) =>
    Math.round((10 ** digits * seen.reduce((sum, item) => sum + of(item), 0)) / seen.length) / 10 ** digits
  set('A point of the thrust stand', power => {
    power.stand.push({
      throttlePct: percent,
      volts: Math.max(
        0.5,
        mean(item => item.volts, 3),
      ),
      amps: Math.max(
        0,
        mean(item => item.amps, 2),
      ),
      rpm: mean(item => item.rpm, 0),
      thrustN: mean(item => item.thrustN, 3),
      used: true,
    })
  })
}
const run = () =>
  tried(async () => {
    running.value = true
    halted = false
    try {
      await bench.arm(stand.value!.id, true)
      for (const percent of RUN) {
        if (halted) break
        await logged(percent)
      }
    } finally {
      running.value = false
      clear.value = false
      if (stand.value) await bench.arm(stand.value.id, false)
    }
  })
const halt = () =>
  tried(async () => {
    halted = true
    await bench.arm(stand.value!.id, false)
  })
onBeforeUnmount(() => {
  if (running.value) void halt()
})

const draft = reactive({
  throttlePct: 100,
  volts: 11.1,
  amps: 10,
  rpm: null as number | null,
  thrustN: null as number | null,
})
type Draft = typeof draft
/** What must be there keeps its last figure while it is being typed anew. */
const field = (
  id: string,
  label: string,
  unit: string,
  key: keyof Draft,
  limits: [number, number, number],
  optional = false,
) => ({
  id,
  label,
  unit,
  min: limits[0],
  max: limits[1],
  digits: limits[2],
  optional,
  value: draft[key],
  set: (value: number | null) => {
    if (value !== null || optional) (draft as Record<string, number | null>)[key] = value
  },
})
const entry = computed(() => [
  field('stand-throttle', 'Throttle', '%', 'throttlePct', [1, 100, 0]),
  field('stand-volts', 'Volts', 'V', 'volts', [0.5, 80, 2]),
  field('stand-amps', 'Current', 'A', 'amps', [0, 600, 2]),
  field('stand-rpm', 'Turns', 'rev/min', 'rpm', [0, 100000, 0], true),
  field('stand-thrust', 'Thrust', 'N', 'thrustN', [-5, 1000, 3], true),
])
const add = () =>
  set('A point of the thrust stand', power => {
    power.stand.push({ ...draft, used: true })
  })
const accept = () =>
  set('The model as the stand says', power => {
    power.learned = { date: today(), ...result.value!.learned }
  })
const lines = computed((): PlotLine[] => {
  const own = result.value?.readings ?? []
  if (!own.length) {
    const rows = told.value?.report.figures?.byThrottle ?? []
    return [
      {
        label: 'thrust as computed',
        nameAt: 0.5,
        points: rows.map(row => ({ x: row.throttlePct, y: row.thrustN })),
      },
      {
        label: 'current as computed',
        nameAt: 0.75,
        right: true,
        colour: 'secondary',
        dash: [2, 3],
        points: rows.map(row => ({ x: row.throttlePct, y: row.currentA })),
      },
    ]
  }
  const sorted = [...own].sort((a, b) => a.throttlePct - b.throttlePct)
  const line = (of: (reading: (typeof own)[number]) => number | null) =>
    sorted.map(item => ({ x: item.throttlePct, y: of(item) }))
  return [
    { label: 'as written', colour: 'quiet', dash: [6, 4], points: line(item => item.written.thrustN) },
    { label: 'corrected', points: line(item => item.predicted.thrustN) },
    {
      label: 'measured',
      dots: true,
      colour: 'ink',
      points: line(item => item.thrustN).filter(point => point.y !== null),
    },
    {
      label: 'current, corrected',
      right: true,
      colour: 'secondary',
      dash: [2, 3],
      points: line(item => item.predicted.amps),
    },
    {
      label: 'current, measured',
      right: true,
      dots: true,
      colour: 'secondary',
      points: line(item => item.amps),
    },
  ]
})
const NAMES = {
  kv: 'turns for each volt',
  resistance: 'resistance',
  noLoad: 'current at no load',
  thrust: 'thrust',
  torque: 'torque',
} as const
</script>

<template>
  <section>
    <p class="first" data-figure="stand-sentence">
      <template v-if="result">{{ worded(result.reading) }}.</template>
      <template v-else
        >Two or three steady points of throttle, volts, current and thrust correct the whole model.</template
      >
      <v-btn v-if="result" size="small" color="primary" variant="flat" data-act="accept-stand" @click="accept"
        >Correct the model</v-btn
      >
    </p>
    <p class="caution small">
      ⚠ Never stand in the disc’s plane; eyes protected, sleeves and cables away, the stand screwed down.
      Battery out before hands in.
    </p>
    <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
    <div v-if="stand" class="live" data-stand>
      <b>{{ stand.name }}</b>
      <span class="quiet">{{ stand.mounted ?? 'nothing mounted' }}</span>
      <span v-if="stand.mounted" class="num">
        {{ amount(stand.throttlePct, '%') }} · {{ amount(stand.volts, 'V', 2) }} ·
        {{ amount(stand.amps, 'A', 2) }} · {{ amount(stand.rpm, 'rev/min') }} ·
        {{ amount(stand.thrustN, 'N', 2) }} · {{ amount(stand.motorC, '°C') }}
      </span>
      <span :class="stand.armed ? 'bad' : 'quiet'">{{ stand.armed ? 'ARMED' : 'not armed' }}</span>
      <v-btn size="small" data-act="mount" :disabled="running" @click="mount">Mount this drive</v-btn>
      <label v-if="stand.mounted && !running" class="tick"
        ><input v-model="clear" type="checkbox" data-field="disc-clear" /> the disc is clear and the stand
        held</label
      >
      <v-btn
        v-if="stand.mounted && !running"
        size="small"
        :disabled="!clear"
        data-act="run-stand"
        @click="run"
        >Run up in six steps</v-btn
      >
      <v-btn v-if="running" size="small" color="error" variant="flat" data-act="halt-stand" @click="halt"
        >Stop</v-btn
      >
    </div>
    <PlotLines
      v-if="result || told?.report.figures"
      :lines="lines"
      :x="{ label: 'throttle', unit: '%' }"
      :left="{ label: 'thrust', unit: 'N' }"
      :right="{ label: 'current', unit: 'A' }"
      label="Thrust and current over throttle: as written, corrected and measured"
      :height="200"
    />
    <table v-if="points.length" class="ledger" data-table="stand">
      <thead>
        <tr>
          <th>Used</th>
          <th class="r">Throttle</th>
          <th class="r">Volts</th>
          <th class="r">Current</th>
          <th class="r">Turns</th>
          <th class="r">Thrust</th>
          <th class="r">computed, corrected</th>
          <th />
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="(point, i) in points" :key="i">
          <td>
            <input
              type="checkbox"
              :checked="point.used"
              :aria-label="`Point ${i + 1} is used`"
              @change="
                set('Which points are used', power => {
                  power.stand[i]!.used = ($event.target as HTMLInputElement).checked
                })
              "
            />
          </td>
          <td class="r num">{{ amount(point.throttlePct, '%') }}</td>
          <td class="r num">{{ amount(point.volts, 'V', 2) }}</td>
          <td class="r num">{{ amount(point.amps, 'A', 2) }}</td>
          <td class="r num">{{ point.rpm === null ? '' : amount(point.rpm, 'rev/min') }}</td>
          <td class="r num">{{ point.thrustN === null ? '' : amount(point.thrustN, 'N', 2) }}</td>
          <td class="r num">
            {{ result?.readings[i] ? amount(result.readings[i]!.predicted.thrustN, 'N', 2) : '' }}
          </td>
          <td class="warn small">{{ worded(result?.readings[i]?.doubt) }}</td>
          <td>
            <button
              type="button"
              class="plain link"
              :aria-label="`Forget point ${i + 1}`"
              @click="
                set('A point less', power => {
                  power.stand.splice(i, 1)
                })
              "
            >
              Forget
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <FigureFields class="entry" :fields="entry" pairs />
    <v-btn class="mb-3" data-act="add-point" @click="add">Log it</v-btn>

    <table v-if="result" class="ledger shares" data-table="shares">
      <tbody>
        <tr v-for="(share, id) in result.shares" :key="id">
          <td>{{ NAMES[id as keyof typeof NAMES] }}</td>
          <td class="r num">× {{ figure(share.value, 3) }} ± {{ figure(share.sigma, 3) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="result" class="small quiet">
      Least squares over every reading, with what was written as a first guess: ± is one standard deviation.
      Let it warm up for half a minute first: a cold motor and a warm thrust cell drift.
    </p>
  </section>
</template>

<style scoped>
.first .v-btn {
  margin-left: 10px;
}
.first {
  font-size: 15px;
  line-height: 1.5;
  margin: 2px 0 6px;
}
.live {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
  padding: 6px 0;
  border-block: 1px solid var(--hair);
  margin-bottom: 8px;
}
.entry {
  display: grid;
  grid-template-columns: 0.8fr 0.8fr 0.9fr 1.35fr 1fr;
  gap: 8px;
  align-items: center;
  margin: 12px 0;
}
.shares {
  max-width: 340px;
}
.link {
  text-decoration: underline;
}
@media (max-width: 700px) {
  .entry {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
