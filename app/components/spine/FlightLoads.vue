<script setup lang="ts">
/**
 * Speed against load factor for this aircraft: what the stall lets it pull, what the brief allows, and what
 * gusts do.
 */
import { amount, figure, worded } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useSize } from '~/composables/useSize'

const { doc, now } = useBench()
const loads = computed(() => now.value.loads)
const host = ref<HTMLElement>()
const size = useSize(host)
const w = computed(() => size.pixels.value),
  h = computed(() => Math.max(150, size.pixels.value / size.aspect.value))
const left = 34,
  right = 14,
  top = 12,
  bottom = 30
const fastest = computed(() => loads.value.pull[loads.value.pull.length - 1]!.speed)
const most = computed(() =>
  Math.ceil(Math.max(loads.value.limit, 1 + loads.value.gustCruise, 1 + loads.value.gustTop) + 0.5),
)
const least = computed(() =>
  Math.floor(Math.min(-0.4 * loads.value.limit, 1 - loads.value.gustCruise, 1 - loads.value.gustTop)),
)
const x = (speed: number) => left + (speed / fastest.value) * (w.value - left - right)
const y = (n: number) => top + ((most.value - n) / (most.value - least.value)) * (h.value - top - bottom)
const line = (points: Array<{ speed: number }>, pick: 'up' | 'down') =>
  points
    .map(
      (p, i) =>
        `${i ? 'L' : 'M'}${x(p.speed).toFixed(1)} ${y((p as unknown as Record<string, number>)[pick]!).toFixed(1)}`,
    )
    .join('')
const area = computed(
  () =>
    `${line(loads.value.pull, 'up')}${[...loads.value.pull]
      .reverse()
      .map(p => `L${x(p.speed).toFixed(1)} ${y(p.down).toFixed(1)}`)
      .join('')}Z`,
)
const ticks = computed(() =>
  Array.from({ length: most.value - least.value + 1 }, (_, i) => least.value + i).filter(n =>
    most.value - least.value > 8 ? n % 2 === 0 : true,
  ),
)
const speeds = computed(() => [loads.value.stallMs, doc.value.brief.cruiseMs, doc.value.brief.topSpeedMs])
</script>

<template>
  <div class="split">
    <div ref="host" class="plot">
      <svg :viewBox="`0 0 ${w} ${h}`" role="img" aria-label="Speed against load factor">
        <g class="axis">
          <template v-for="n in ticks" :key="n">
            <line :x1="left" :x2="w - right" :y1="y(n)" :y2="y(n)" class="grid" :class="{ zero: n === 0 }" />
            <text :x="left - 6" :y="y(n) + 4" text-anchor="end" class="num">{{ figure(n) }}</text>
          </template>
          <text :x="left + 4" :y="top + 9">load factor, g</text>
          <template v-for="(speed, i) in speeds" :key="i">
            <line :x1="x(speed)" :x2="x(speed)" :y1="top" :y2="h - bottom" class="grid mark" />
            <text
              :x="Math.min(w - right, x(speed))"
              :y="h - bottom + 14"
              :text-anchor="i === 2 ? 'end' : 'middle'"
              class="num"
            >
              {{ figure(speed, 1) }}
            </text>
            <text
              :x="Math.min(w - right, x(speed))"
              :y="h - bottom + 27"
              :text-anchor="i === 2 ? 'end' : 'middle'"
            >
              {{ ['stall', 'cruise', 'top, m/s'][i] }}
            </text>
          </template>
        </g>
        <path :d="area" class="inside" />
        <path :d="line(loads.pull, 'up')" class="pull" />
        <path :d="line(loads.pull, 'down')" class="pull" />
        <path :d="line(loads.gusts, 'up')" class="gust" />
        <path :d="line(loads.gusts, 'down')" class="gust" />
        <circle
          v-for="corner in loads.corners"
          :key="corner.id"
          :cx="x(corner.speed)"
          :cy="y(corner.n)"
          r="3"
          class="corner"
        />
        <circle :cx="x(loads.governing.speed)" :cy="y(loads.governing.n)" r="6" class="worst" />
      </svg>
    </div>
    <div>
      <p class="lead">
        Bent most by
        <b class="num" data-figure="governing">{{ amount(loads.governing.n, 'gₙ', 1) }}</b>:
        {{ loads.governing.by }}, at {{ figure(loads.governing.speed, 1) }} m/s. The factor of safety of
        {{ doc.brief.safetyFactor }} comes on top. Every corner marked goes through the wing: the faster, the
        more its sections twist it besides.
      </p>
      <table class="ledger">
        <tbody>
          <tr>
            <td>Pull-up, from the brief</td>
            <td class="r num">{{ amount(loads.limit, 'gₙ', 1) }}</td>
            <td class="quiet">
              from {{ figure(loads.stallMs * Math.sqrt(loads.limit), 1) }} m/s on; slower, it stalls first
            </td>
          </tr>
          <tr>
            <td>Gust of {{ doc.brief.gustMs }} m/s at cruise</td>
            <td class="r num" data-figure="gust">{{ amount(1 + loads.gustCruise, 'gₙ', 1) }}</td>
            <td class="quiet">down to {{ amount(1 - loads.gustCruise, 'gₙ', 1) }}</td>
          </tr>
          <tr>
            <td>Gust of {{ doc.brief.gustMs / 2 }} m/s at top speed</td>
            <td class="r num">{{ amount(1 + loads.gustTop, 'gₙ', 1) }}</td>
            <td class="quiet">down to {{ amount(1 - loads.gustTop, 'gₙ', 1) }}</td>
          </tr>
        </tbody>
      </table>
      <table class="ledger" data-table="cases">
        <thead>
          <tr>
            <th>The wing under</th>
            <th class="r">reserve</th>
            <th>first to go</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="item in now.strength.cases" :key="item.id" :data-case="item.id">
            <td>
              {{ item.label }}
              <div class="small quiet">{{ worded(item.words) }}</div>
            </td>
            <td
              class="r num"
              :class="{ bad: item.reserve < 1 && item.counts, warn: item.reserve < 1 && !item.counts }"
            >
              {{ figure(item.reserve, 2) }}
            </td>
            <td class="small">
              {{ item.mode }}, {{ amount(item.atMm, 'mm')
              }}{{ item.counts ? '' : '; an accident, not counted' }}
            </td>
          </tr>
        </tbody>
      </table>
      <p class="small quiet">
        Solid: what stall and limit allow, upside down 40 % of it. Dashed: gusts, let in over a distance by a
        factor of <span class="num">{{ figure(loads.alleviation, 2) }}</span> (Pratt's rule). Speeds, gusts,
        launch and landing are set at Brief. A throw speeds up over 1.1 m; a tip that strikes first feels the
        aircraft's mass as 1/(1/m + y²/I).
      </p>
    </div>
  </div>
</template>

<style scoped>
.split {
  display: grid;
  grid-template-columns: 1.2fr 1fr;
  gap: 20px;
  align-items: start;
}
.plot {
  position: sticky;
  top: 0;
  height: 246px;
  min-width: 0;
}
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
.axis text {
  font-size: 11px;
  fill: var(--quiet);
}
.grid {
  stroke: var(--hair);
}
.grid.zero {
  stroke: var(--quiet);
}
.mark {
  stroke-dasharray: 2 3;
}
.inside {
  fill: color-mix(in srgb, rgb(var(--v-theme-on-background)) 7%, transparent);
}
.pull {
  fill: none;
  stroke: rgb(var(--v-theme-on-background));
  stroke-width: 2.2;
}
.gust {
  fill: none;
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 1.8;
  stroke-dasharray: 7 4;
}
.corner {
  fill: rgb(var(--v-theme-on-background));
}
.worst {
  fill: rgb(var(--v-theme-background));
  stroke: rgb(var(--v-theme-error));
  stroke-width: 2.5;
}
@media (max-width: 700px) {
  .split {
    grid-template-columns: minmax(0, 1fr);
  }
  .plot {
    height: 240px;
  }
}
</style>
