<script setup lang="ts">
/** The aircraft flies its toss in side view, to scale; earlier ones lie under it. */
import { useElementSize, useRafFn } from '@vueuse/core'
import type { Toss } from '../../../core/workshop/toss'
import { amount, figure, worded } from '~/composables/format'
import { useToss, useTossed } from '~/composables/useToss'

const { now, laid, thrown } = useToss()
const { flown, busy, fault, fresh, lay } = useTossed()
const host = ref<HTMLDivElement>()
const { width } = useElementSize(host)
const LEFT = 34,
  RIGHT = 14,
  TOP = 30,
  GROUND = 34
const shown = computed(() => [...laid.value.map(item => item.toss), ...(flown.value ? [flown.value] : [])])
const reach = computed(() => ({
  x0: Math.min(-1, ...shown.value.flatMap(toss => toss.path.map(point => point.x))),
  x1: Math.max(8, ...shown.value.map(toss => Math.max(...toss.path.map(point => point.x)))) + 0.8,
  top: Math.max(3, ...shown.value.map(toss => toss.highestM)) + 0.7,
}))
/** One scale both ways: what it does is judged by its slope. */
const perM = computed(() =>
  Math.max(
    2,
    Math.min((width.value - LEFT - RIGHT) / (reach.value.x1 - reach.value.x0), 420 / reach.value.top),
  ),
)
const high = computed(() => TOP + reach.value.top * perM.value + GROUND)
const X = (x: number) => LEFT + (x - reach.value.x0) * perM.value
const Z = (z: number) => TOP + (reach.value.top - z) * perM.value
const line = (toss: Toss) =>
  toss.path.map(point => `${X(point.x).toFixed(1)},${Z(point.z).toFixed(1)}`).join(' ')
/** So many metres between ticks that their figures do not meet. */
const every = computed(() => [1, 2, 5, 10, 20, 50, 100].find(step => step * perM.value > 42) ?? 200)
const ticks = computed(() =>
  Array.from({ length: Math.floor(reach.value.x1 / every.value) + 1 }, (_, i) => i * every.value),
)

/** The drawn aircraft about its balance, nose to the right as it is thrown, at true size. */
const outline = computed(() => {
  const [cx, , cz] = now.value.totals.cgMm
  return now.value.drawing.side.map(({ points }) => {
    const list: string[] = []
    for (let i = 0; i + 1 < points.length; i += 2)
      list.push(`${(-(points[i]! - cx)).toFixed(0)},${(-(points[i + 1]! - cz)).toFixed(0)}`)
    return list.join(' ')
  })
})
/** At true size it would be a speck over a long field: then it is drawn so many times as large, and that is said. */
const larger = computed(() => {
  const { minX, maxX } = now.value.drawing.box
  return Math.max(1, Math.ceil(46 / (((maxX - minX) / 1000) * perM.value)))
})
const placed = (at: { x: number; z: number; theta: number }) =>
  `translate(${X(at.x).toFixed(1)} ${Z(at.z).toFixed(1)}) rotate(${((-at.theta * 180) / Math.PI).toFixed(1)}) scale(${((larger.value * perM.value) / 1000).toFixed(5)})`
/** A picture of it every third of a second, as a series of snapshots. */
const snaps = computed(() => (flown.value?.path ?? []).filter((_, i) => i % 25 === 0))

const t = ref(0)
const { pause, resume, isActive } = useRafFn(
  ({ delta }) => {
    t.value += delta / 1000
    if (t.value >= (flown.value?.seconds ?? 0)) pause()
  },
  { immediate: false },
)
const at = computed(() => {
  const path = flown.value?.path ?? []
  return path[Math.min(path.length - 1, Math.round(t.value / 0.02))] ?? null
})
function go() {
  t.value = 0
  resume()
}
watch(flown, () => {
  t.value = Math.min(t.value, flown.value?.seconds ?? 0)
})
</script>

<template>
  <div class="toss">
    <p v-if="fault" class="bad" role="alert">The toss was not worked out: {{ fault }}</p>
    <p v-else-if="!flown" class="quiet">Working out how it flies …</p>
    <template v-if="flown">
      <p class="lead" data-figure="reading" :data-kind="flown.kind">
        <b>Thrown at {{ amount(thrown.speedMs, 'm/s', 1) }}</b
        >, it {{ worded(flown.reading) }}.
        <span v-if="!fresh || busy" class="quiet">(of the design before)</span>
      </p>
      <div ref="host" class="field">
        <svg
          v-if="width > 100"
          :width="width"
          :height="high"
          role="img"
          :aria-label="`Side view of the toss: ${worded(flown.reading)}`"
        >
          <line :x1="LEFT" :x2="width - RIGHT" :y1="Z(0)" :y2="Z(0)" class="ground" />
          <g v-for="m in ticks" :key="m">
            <line :x1="X(m)" :x2="X(m)" :y1="Z(0)" :y2="Z(0) + 4" class="ground" />
            <text :x="X(m)" :y="Z(0) + 17" text-anchor="middle">{{ m }} m</text>
          </g>
          <g v-for="m in Math.floor(reach.top)" :key="`h${m}`">
            <line
              v-if="m % Math.max(1, Math.ceil(22 / perM)) === 0"
              :x1="LEFT"
              :x2="width - RIGHT"
              :y1="Z(m)"
              :y2="Z(m)"
              class="level"
            />
            <text
              v-if="m % Math.max(1, Math.ceil(22 / perM)) === 0"
              :x="LEFT - 5"
              :y="Z(m) + 4"
              text-anchor="end"
            >
              {{ m }}
            </text>
          </g>
          <g v-for="(item, i) in laid" :key="item.id" class="laid">
            <polyline
              :points="line(item.toss)"
              :stroke-dasharray="['7 4', '2 3', '10 3 2 3', '4 4'][i % 4]"
            />
            <text :x="X(item.toss.distanceM) - 2" :y="Z(0) - 5 - 12 * (i % 3)" text-anchor="end">
              {{ i + 1 }}
            </text>
          </g>
          <polyline :points="line(flown)" class="path" />
          <g v-for="snap in snaps" :key="snap.t" :transform="placed(snap)" class="snap">
            <polygon v-for="(points, k) in outline" :key="k" :points="points" />
          </g>
          <g v-if="at" :transform="placed(at)" class="now">
            <polygon v-for="(points, k) in outline" :key="k" :points="points" />
          </g>
        </svg>
      </div>
      <div class="row">
        <v-btn variant="flat" color="primary" data-act="throw" @click="go">Throw</v-btn>
        <v-btn data-act="lay-toss" @click="lay">Lay it under the next</v-btn>
        <v-btn v-if="laid.length" variant="text" data-act="clear-tosses" @click="laid = []">Clear</v-btn>
        <input
          v-model.number="t"
          type="range"
          min="0"
          :max="flown.seconds"
          step="0.02"
          aria-label="Moment of the toss"
          @input="isActive && pause()"
        />
        <span v-if="at" class="num at" data-figure="moment"
          >{{ figure(at.t, 1) }} s · {{ amount(at.speed, 'm/s', 1) }} · incidence
          {{ amount((at.alpha * 180) / Math.PI, '°', 1) }} · {{ amount(at.z, 'm', 1) }} up</span
        >
      </div>
      <table class="ledger" data-table="tosses">
        <thead>
          <tr>
            <th />
            <th>Thrown</th>
            <th class="r">Distance</th>
            <th class="r">In the air</th>
            <th class="r">Highest</th>
            <th class="r">Sink at the end</th>
            <th class="r">Nose</th>
            <th>What the eye sees</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(item, i) in [...laid, { id: 0, label: 'This one', toss: flown }]" :key="item.id">
            <td class="num">{{ item.id ? i + 1 : '›' }}</td>
            <td>{{ item.label }}</td>
            <td class="r num">{{ amount(item.toss.distanceM, 'm', 1) }}</td>
            <td class="r num">{{ amount(item.toss.seconds, 's', 1) }}</td>
            <td class="r num">{{ amount(item.toss.highestM, 'm', 1) }}</td>
            <td class="r num">{{ amount(item.toss.sinkMs, 'm/s', 1) }}</td>
            <td class="r num">{{ amount(item.toss.noseDeg, '°', 0) }}</td>
            <td :class="{ bad: item.toss.stalled }">{{ worded(item.toss.reading) }}</td>
          </tr>
        </tbody>
      </table>
      <p class="small quiet">
        Quasi-steady, in the vertical plane: a wing that drops is not seen here, nor is warp. Past the stall
        lift is taken as four fifths of the greatest, on the safe side. The path is drawn to one scale{{
          larger > 1 ? `, the aircraft ${larger} times its size` : ', the aircraft too'
        }}.
      </p>
    </template>
  </div>
</template>

<style scoped>
.lead {
  margin: 0 0 6px;
  color: inherit;
}
.field {
  width: 100%;
}
.ground {
  stroke: currentColor;
}
.level {
  stroke: var(--hair);
}
text {
  font:
    11px 'Spline Sans Mono',
    monospace;
  fill: var(--quiet);
}
.path {
  fill: none;
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 1.6;
}
.laid polyline {
  fill: none;
  stroke: var(--quiet);
}
.snap polygon {
  fill: color-mix(in srgb, rgb(var(--v-theme-on-surface)) 16%, transparent);
}
.now polygon {
  fill: rgb(var(--v-theme-secondary));
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  margin: 4px 0 10px;
}
.row input {
  flex: 1;
  min-width: 120px;
}
@media (max-width: 700px) {
  .ledger th:nth-child(n + 4):nth-child(-n + 7),
  .ledger td:nth-child(n + 4):nth-child(-n + 7) {
    display: none;
  }
}
</style>
