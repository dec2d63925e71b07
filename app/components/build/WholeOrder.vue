<script setup lang="ts">
/** The whole order: who is at which bench when, drawn; below it every step. */
import { useElementSize } from '@vueuse/core'
import { benchesOf, TIME_SIGMA } from '../../../core/workshop/build'
import { worded } from '~/composables/format'
import { spokenTime, useBuild } from '~/composables/useBuild'
import { BENCHES } from '../../../core/assess'

const { order, progress, chosen } = useBuild()
const tab = useState('build-tab', () => 'step')
const host = ref<HTMLDivElement>()
const { width } = useElementSize(host)
const LANE = 26
const HEAD = 20
const MARGIN = 104
const benches = computed(() => (order.value ? benchesOf(order.value) : []))
const scale = computed(() => (width.value - MARGIN - 8) / Math.max(1, order.value?.untilMin ?? 1))
const x = (minutes: number) => MARGIN + minutes * scale.value
const laneOf = (bench: string) => benches.value.findIndex(item => item.bench === bench)
/** Hours on the scale: so many that their figures do not meet. */
const hours = computed(() => {
  const until = (order.value?.untilMin ?? 0) / 60
  const every = [1, 2, 4, 6, 12, 24, 48].find(step => step * 60 * scale.value > 46) ?? 96
  return Array.from({ length: Math.floor(until / every) + 1 }, (_, i) => i * every)
})
/** Steps take the middle of what people report; many together err less than one. */
const spread = computed(() => {
  const steps = order.value?.steps ?? []
  return TIME_SIGMA * Math.sqrt(steps.reduce((sum, step) => sum + step.minutes ** 2, 0))
})
const waiting = computed(() =>
  (order.value?.waitingMin ?? 0) > 1
    ? `Of that ${spokenTime(order.value!.waitingMin)} wait for glue.`
    : 'What cures is worked through elsewhere.',
)
function show(id: string) {
  chosen.value = id
  tab.value = 'step'
}
const bench = ref<string>('all')
const rows = computed(() =>
  (progress.value?.steps ?? []).filter(item => bench.value === 'all' || item.step.bench === bench.value),
)
const marks: Record<string, string> = { done: '✓', skipped: '–', ready: '›', waits: '', cures: '…' }
</script>

<template>
  <div v-if="order && progress" class="order">
    <p class="lead">
      <b>{{ spokenTime(order.handsMin) }} ± {{ spokenTime(spread) }}</b> of hands on in
      {{ order.steps.length }} steps, {{ spokenTime(order.untilMin) }} from the first to the last.
      {{ waiting }}
      <template v-if="progress.pace">
        So far it goes at {{ Math.round(100 * progress.pace) }} % of that time.</template
      >
    </p>
    <div ref="host" class="chart">
      <svg
        v-if="width > 200"
        :width="width"
        :height="HEAD + LANE * benches.length + 4"
        role="img"
        :aria-label="`Order of building: ${benches.length} benches over ${spokenTime(order.untilMin)}`"
      >
        <g v-for="hour in hours" :key="hour">
          <line
            :x1="x(hour * 60)"
            :x2="x(hour * 60)"
            :y1="HEAD - 4"
            :y2="HEAD + LANE * benches.length"
            class="hair"
          />
          <text :x="x(hour * 60)" y="11" class="tick" text-anchor="middle">{{ hour }} h</text>
        </g>
        <text v-for="(item, i) in benches" :key="item.bench" x="0" :y="HEAD + LANE * i + 17" class="name">
          {{ item.name }}
        </text>
        <g
          v-for="{ step, state } in progress.steps"
          :key="step.id"
          class="bar"
          :class="state"
          @click="show(step.id)"
        >
          <title>{{ worded(step.title) }}, {{ spokenTime(step.minutes) }}</title>
          <rect
            v-if="step.waitMin"
            :x="x(step.beginsMin + step.minutes)"
            :y="HEAD + LANE * laneOf(step.bench) + 10"
            :width="Math.max(0, step.waitMin * scale)"
            height="5"
            class="cure"
          />
          <rect
            :x="x(step.beginsMin)"
            :y="HEAD + LANE * laneOf(step.bench) + 4"
            :width="Math.max(1.5, step.minutes * scale - 1)"
            height="17"
            rx="2"
            class="work"
          />
        </g>
      </svg>
    </div>
    <p class="quiet small key">
      <span class="swatch now" /> can be done now <span class="swatch work" /> to do
      <span class="swatch done" /> done <span class="swatch cure" /> curing · press a bar to open its step
    </p>
    <table class="ledger" data-table="order">
      <thead>
        <tr>
          <th />
          <th>Step</th>
          <th>Bench</th>
          <th>Brings in</th>
          <th class="r">Hands on</th>
          <th class="r">Cures</th>
          <th>Why it comes first</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="{ step, state } in rows"
          :key="step.id"
          class="pick"
          role="button"
          tabindex="0"
          :data-order="step.id"
          :class="state"
          @click="show(step.id)"
          @keydown.enter="show(step.id)"
          @keydown.space.prevent="show(step.id)"
        >
          <td class="num">{{ marks[state] }}</td>
          <td>{{ worded(step.title) }}</td>
          <td class="quiet">{{ BENCHES[step.bench] }}</td>
          <td class="num quiet brings">{{ step.brings.join(' ') }}</td>
          <td class="r num">{{ spokenTime(step.minutes) }}</td>
          <td class="r num">{{ step.waitMin ? spokenTime(step.waitMin) : '' }}</td>
          <td class="quiet">{{ step.traps[0]?.because ?? '' }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.lead {
  margin: 0 0 6px;
  color: inherit;
}
.chart {
  width: 100%;
}
.hair {
  stroke: var(--hair);
}
.tick {
  font:
    11px 'Spline Sans Mono',
    monospace;
  fill: var(--quiet);
}
.name {
  font-size: 12.5px;
  fill: currentColor;
}
.bar {
  cursor: pointer;
}
.work {
  fill: rgb(var(--v-theme-secondary));
}
.bar.done .work,
.bar.skipped .work {
  fill: var(--quiet);
}
.bar.ready .work {
  fill: rgb(var(--v-theme-primary));
}
.cure {
  fill: color-mix(in srgb, rgb(var(--v-theme-on-surface)) 26%, transparent);
}
.key {
  margin: 2px 0 10px;
}
.swatch {
  display: inline-block;
  width: 14px;
  height: 9px;
  margin: 0 3px 0 8px;
  border-radius: 2px;
}
.swatch.now {
  background: rgb(var(--v-theme-primary));
}
.swatch.work {
  background: rgb(var(--v-theme-secondary));
}
.swatch.done {
  background: var(--quiet);
}
.swatch.cure {
  background: color-mix(in srgb, rgb(var(--v-theme-on-surface)) 26%, transparent);
}
tr.done td,
tr.skipped td {
  color: var(--quiet);
}
tr.ready td:first-child {
  color: rgb(var(--v-theme-primary));
  font-weight: 700;
}
.brings {
  font-size: 12px;
  max-width: 190px;
  overflow-wrap: anywhere;
}
@media (max-width: 700px) {
  .ledger th:nth-child(3),
  .ledger td:nth-child(3),
  .ledger th:nth-child(4),
  .ledger td:nth-child(4),
  .ledger th:nth-child(7),
  .ledger td:nth-child(7) {
    display: none;
  }
}
</style>
