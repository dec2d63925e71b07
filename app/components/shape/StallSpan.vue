<script setup lang="ts">
/**
 * Lift of every strip at the stall against what its section can bear, along the half span; and what twist,
 * taper and flaps do to it.
 */
import { figure, signed } from '~/composables/format'
import { useAside } from '~/composables/useAside'
import { useBench } from '~/composables/useBench'
import { useSize } from '~/composables/useSize'

const { now } = useBench()
const stall = computed(() => now.value.stall)
/** Lattices of wings that are not drawn: solved for whoever looks. */
const { answer: tried, fault, fresh } = useAside((core, doc) => core.stallCases(doc))
const cases = computed(() => tried.value?.slice(1) ?? [])
const ghost = useState<string>('stall-ghost', () => 'untwisted')
const host = ref<HTMLElement>()
const size = useSize(host)
const left = 40,
  right = 12,
  top = 14,
  bottom = 30
const w = computed(() => size.pixels.value),
  h = computed(() => Math.max(150, size.pixels.value / size.aspect.value))
const most = computed(
  () =>
    Math.ceil(
      5 *
        Math.max(
          1,
          ...stall.value.strips.map(strip => strip.limit + strip.band),
          ...cases.value.flatMap(item => item.cls),
        ),
    ) / 5,
)
const x = (share: number) => left + share * (w.value - left - right)
const y = (cl: number) => top + (1 - Math.max(0, cl) / most.value) * (h.value - top - bottom)
const path = (values: number[]) =>
  stall.value.strips
    .map((strip, i) => `${i ? 'L' : 'M'}${x(strip.share).toFixed(1)} ${y(values[i]).toFixed(1)}`)
    .join('')
const band = computed(
  () =>
    `${path(stall.value.strips.map(s => s.limit + s.band))}${[...stall.value.strips]
      .reverse()
      .map(s => `L${x(s.share).toFixed(1)} ${y(s.limit - s.band).toFixed(1)}`)
      .join('')}Z`,
)
/** Of this very wing alone: another one has other strips. */
const other = computed(() => (fresh.value ? cases.value.find(item => item.id === ghost.value) : undefined))
const first = computed(() =>
  stall.value.strips.reduce((a, b) =>
    Math.abs(b.sMm - stall.value.placeMm) < Math.abs(a.sMm - stall.value.placeMm) ? b : a,
  ),
)
const clTicks = computed(() => Array.from({ length: Math.floor(most.value / 0.4) + 1 }, (_, i) => i * 0.4))
const source = {
  computed: 'computed by panels and boundary layer',
  measured: 'measured polars',
  both: 'measured where there are polars, computed elsewhere',
}
</script>

<template>
  <div class="split">
    <div class="plot">
      <div ref="host" class="sheet">
        <svg
          :viewBox="`0 0 ${w} ${h}`"
          role="img"
          :aria-label="`Lift coefficient of each strip at the stall: it begins ${figure(100 * stall.placeShare)} % out`"
        >
          <rect :x="x(0.7)" :y="top" :width="x(1) - x(0.7)" :height="h - top - bottom" class="tip" />
          <text :x="x(0.995)" :y="h - bottom - 5" class="axis" text-anchor="end">tip</text>
          <g class="axis">
            <template v-for="t in clTicks" :key="t">
              <line :x1="left" :x2="w - right" :y1="y(t)" :y2="y(t)" class="grid" />
              <text :x="left - 6" :y="y(t) + 4" text-anchor="end" class="num">{{ figure(t, 1) }}</text>
            </template>
            <template v-for="t in [0, 0.25, 0.5]" :key="`x${t}`">
              <text :x="x(t)" :y="h - bottom + 14" :text-anchor="t === 0 ? 'start' : 'middle'" class="num">
                {{ figure(100 * t) }}
              </text>
            </template>
            <text :x="w - right" :y="h - bottom + 14" text-anchor="end">% of the half span</text>
            <text :x="left + 4" :y="top + 9">lift coefficient</text>
          </g>
          <path :d="band" class="band" />
          <path :d="path(stall.strips.map(s => s.limit))" class="limit" />
          <path v-if="other" :d="path(other.cls)" class="ghost" />
          <path :d="path(stall.strips.map(s => s.cl))" class="cl" />
          <circle :cx="x(first.share)" :cy="y(first.cl)" r="6" class="first" />
          <text
            :x="x(first.share) + (first.share > 0.6 ? -10 : 10)"
            :y="y(first.cl) + 22"
            :text-anchor="first.share > 0.6 ? 'end' : 'start'"
            class="tag"
          >
            stalls here first
          </text>
        </svg>
      </div>
      <p class="key small">
        <span class="item"><span class="line solid" />at the stall, {{ figure(stall.alphaDeg, 1) }}°</span
        ><span class="item"><span class="line dash" />what the section can bear, and its band</span
        ><span v-if="other" class="item"><span class="line dots" />{{ other.label }}</span>
      </p>
    </div>
    <div>
      <p class="lead">
        {{ stall.foreplane ? 'The wing stalls at' : 'Stalls at' }}
        <b class="num" data-figure="stall"
          >{{ figure(stall.speedMs, 1) }} ± {{ figure(stall.spreadMs, 1) }} m/s</b
        >, CL <span class="num">{{ figure(stall.clMax, 2) }}</span>, beginning
        <span class="num">{{ figure(100 * stall.placeShare) }} %</span> out{{
          stall.surface === 'second' ? ' on the second wing' : ''
        }}. The outer third follows
        <b class="num" :class="{ bad: stall.tipMarginDeg < 0 }" data-figure="tip-margin"
          >{{ figure(stall.tipMarginDeg, 1) }}°</b
        >
        {{ stall.tipMarginDeg < 0 ? 'before the inner wing: it drops a wing' : 'later' }}.
      </p>
      <p v-if="stall.foreplane" class="lead" data-figure="foreplane">
        <template v-if="stall.foreplane.marginDeg <= 0"
          >Trimmed, the canard lets go first, at
          <b class="num">{{ figure(stall.foreplane.nodsAtMs, 1) }} m/s</b>: the nose drops, and slower it does
          not fly. At the wing’s stall it would be
          <span class="num">{{ figure(-stall.foreplane.marginDeg, 1) }}°</span> past its limit.</template
        ><template v-else
          >The wing lets go <b class="num bad">{{ figure(stall.foreplane.marginDeg, 1) }}°</b> before the
          canard: it falls tail first.</template
        >
      </p>
      <table class="ledger" :aria-busy="!fresh" data-table="stall">
        <thead>
          <tr>
            <th>What if it had</th>
            <th class="r">Stall</th>
            <th class="r">begins at</th>
            <th class="r">tip margin</th>
          </tr>
        </thead>
        <tbody>
          <tr data-stall-case="drawn">
            <td>as drawn</td>
            <td class="r num">{{ figure(stall.speedMs, 1) }} m/s</td>
            <td class="r num">{{ figure(100 * stall.placeShare) }} %</td>
            <td class="r num" :class="{ bad: stall.tipMarginDeg < 0 }">
              {{ figure(stall.tipMarginDeg, 1) }}°
            </td>
          </tr>
          <tr
            v-for="item in cases"
            :key="item.id"
            class="pick"
            :class="{ on: item.id === ghost, quiet: !fresh }"
            :data-stall-case="item.id"
            v-pick="() => (ghost = item.id)"
          >
            <td>{{ item.label }}</td>
            <td class="r num">
              {{ figure(item.speedMs, 1) }} m/s<span v-if="fresh" class="quiet delta">{{
                signed(item.speedMs - stall.speedMs, 1)
              }}</span>
            </td>
            <td class="r num">{{ figure(100 * item.placeShare) }} %</td>
            <td class="r num" :class="{ bad: item.tipMarginDeg < 0 }">{{ figure(item.tipMarginDeg, 1) }}°</td>
          </tr>
          <tr v-if="fault || !tried">
            <td colspan="4" :class="fault ? 'bad' : 'quiet'">
              {{
                fault
                  ? `Another twist and taper could not be tried: ${fault}`
                  : 'Another twist and taper are being tried …'
              }}
            </td>
          </tr>
          <tr v-if="stall.flap">
            <td>
              {{ stall.flap.name.toLowerCase() }} {{ stall.flap.drooped ? 'drooped' : 'down' }}
              {{ stall.flap.deg }}°
            </td>
            <td class="r num">
              {{ figure(stall.flap.speedMs, 1) }} m/s<span class="quiet delta">{{
                signed(stall.flap.speedMs - stall.speedMs, 1)
              }}</span>
            </td>
            <td class="r num quiet">CL {{ figure(stall.flap.clMax, 2) }}</td>
            <td />
          </tr>
        </tbody>
      </table>
      <p class="small quiet">
        Section limits {{ source[stall.source] }}, at the Reynolds number of each strip ({{
          figure(Math.min(...stall.strips.map(s => s.reynolds)) / 1000)
        }}–{{ figure(Math.max(...stall.strips.map(s => s.reynolds)) / 1000) }} thousand); ± is theirs alone.
        Press a row to lay it over.
      </p>
    </div>
  </div>
</template>

<style scoped>
.split {
  display: grid;
  grid-template-columns: 1.15fr 1fr;
  gap: 20px;
  align-items: start;
}
.plot {
  position: sticky;
  top: 0;
  min-width: 0;
  display: flex;
  flex-direction: column;
  height: 262px;
}
.sheet {
  flex: 1;
  min-height: 150px;
  position: relative;
}
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
.delta {
  margin-left: 0.6em;
}
.axis text,
text.axis {
  font-size: 11px;
  fill: var(--quiet);
}
.grid {
  stroke: var(--hair);
}
.tip {
  fill: color-mix(in srgb, rgb(var(--v-theme-on-background)) 5%, transparent);
}
.band {
  fill: color-mix(in srgb, rgb(var(--v-theme-error)) 14%, transparent);
}
.limit {
  fill: none;
  stroke: rgb(var(--v-theme-error));
  stroke-width: 1.5;
  stroke-dasharray: 7 4;
}
.cl {
  fill: none;
  stroke: rgb(var(--v-theme-on-background));
  stroke-width: 2.4;
}
.ghost {
  fill: none;
  stroke: rgb(var(--v-theme-secondary));
  stroke-width: 1.8;
  stroke-dasharray: 2 4;
  stroke-linecap: round;
}
.first {
  fill: rgb(var(--v-theme-background));
  stroke: rgb(var(--v-theme-error));
  stroke-width: 2.5;
}
.tag {
  font-size: 12px;
  font-weight: 600;
  fill: rgb(var(--v-theme-on-background));
}
.key {
  margin: 2px 0 0 40px;
  display: flex;
  gap: 2px 14px;
  flex-wrap: wrap;
  color: var(--quiet);
}
.item {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  white-space: nowrap;
}
.line {
  width: 24px;
  border-top: 2.4px solid rgb(var(--v-theme-on-background));
  display: inline-block;
}
.line.dash {
  border-top: 1.6px dashed rgb(var(--v-theme-error));
}
.line.dots {
  border-top: 2px dotted rgb(var(--v-theme-secondary));
}
@media (max-width: 700px) {
  .split {
    grid-template-columns: 1fr;
  }
  .plot {
    height: auto;
    position: static;
  }
  .sheet {
    height: 230px;
    flex: none;
  }
}
</style>
