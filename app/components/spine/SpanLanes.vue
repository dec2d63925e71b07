<script setup lang="ts">
/**
 * The half wing as drawn, and under it what acts and what is left along the span: moment, shear, twist,
 * reserve. Ends of spars can be dragged.
 */
import { coverWanted } from '../../../core/assess'
import { LIBRARIES } from '../../../core/libraries'
import { amount, figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { arrowSteps, useDrag } from '~/composables/useDrag'
import { useSize } from '~/composables/useSize'
import type { Gesture } from '~/stores/project'

const { doc, now, edit } = useBench()
const host = ref<HTMLElement>()
const size = useSize(host)
const w = computed(() => size.pixels.value)
const left = 46,
  right = 14,
  drawnTop = 4,
  drawnHeight = 62,
  gap = 18,
  lane = 38
const half = computed(() => doc.value.wing.panels.reduce((sum, panel) => sum + panel.spanMm, 0))
const x = (s: number) => left + (s / half.value) * (w.value - left - right)
const stations = computed(() => now.value.strength.stations)

/** Planform, nose up. */
const plan = computed(() => {
  let s = 0,
    lead = 0
  const list = [{ s, lead, chord: doc.value.wing.rootChordMm }]
  for (const panel of doc.value.wing.panels)
    list.push({ s: (s += panel.spanMm), lead: (lead += panel.sweepMm), chord: panel.tipChordMm })
  return list
})
const low = computed(() => Math.min(...plan.value.map(p => p.lead))),
  high = computed(() => Math.max(...plan.value.map(p => p.lead + p.chord)))
const yOf = (lead: number) => drawnTop + ((lead - low.value) / (high.value - low.value)) * drawnHeight
const at = (s: number) => {
  const i = Math.max(
      1,
      plan.value.findIndex(p => p.s >= s - 1e-6),
    ),
    a = plan.value[i - 1]!,
    b = plan.value[i] ?? a
  const t = b.s === a.s ? 0 : (s - a.s) / (b.s - a.s)
  return { lead: a.lead + (b.lead - a.lead) * t, chord: a.chord + (b.chord - a.chord) * t }
}
const outline = computed(() =>
  [
    ...plan.value.map(p => `${x(p.s)},${yOf(p.lead)}`),
    ...[...plan.value].reverse().map(p => `${x(p.s)},${yOf(p.lead + p.chord)}`),
  ].join(' '),
)
const spars = computed(() =>
  doc.value.spars
    .map((spar, index) => ({ spar, index }))
    .filter(({ spar }) => spar.surface === 'wing')
    .map(({ spar, index }) => {
      const from = spar.through ? 0 : Math.min(spar.fromMm, half.value),
        to = Math.min(spar.toMm, half.value)
      const a = at(from),
        b = at(to)
      const report = now.value.spars.find(item => item.id === spar.id || item.id === `${spar.id}-top`)
      const thick = LIBRARIES.stock.find(item => item.id === spar.stock)?.widthMm ?? 3
      return {
        spar,
        index,
        from,
        to,
        y0: yOf(a.lead + spar.rootShare * a.chord),
        y1: yOf(b.lead + spar.tipShare * b.chord),
        thin: (report?.worstMm ?? 1) < coverWanted(doc.value),
        wide: Math.max(2, Math.min(6, (thick * drawnHeight) / 260)),
      }
    }),
)
const cuts = computed(() => doc.value.cuts.wing.map(cut => cut.atMm).filter(s => s > 0 && s < half.value))

const lanes = computed(() => {
  const { twist } = now.value.strength
  const list = [
    {
      id: 'moment',
      label: 'moment',
      unit: 'N·m',
      points: stations.value.map(s => ({ s: s.s, v: s.moment })),
    },
    { id: 'shear', label: 'shear', unit: 'N', points: stations.value.map(s => ({ s: s.s, v: s.shear })) },
    { id: 'twist', label: 'twist', unit: '°', points: twist.along.map(p => ({ s: p.s, v: p.deg })) },
  ]
  return list.map((item, k) => {
    const top = drawnTop + drawnHeight + gap + k * (lane + gap)
    const most = Math.max(1e-6, ...item.points.map(p => p.v)),
      least = Math.min(0, ...item.points.map(p => p.v))
    const y = (v: number) => top + ((most - v) / (most - least || 1)) * lane
    return {
      ...item,
      top,
      zero: y(0),
      most,
      least,
      path: item.points.map((p, i) => `${i ? 'L' : 'M'}${x(p.s).toFixed(1)} ${y(p.v).toFixed(1)}`).join(''),
    }
  })
})
const reserveTop = computed(() => drawnTop + drawnHeight + gap + 3 * (lane + gap)),
  reserveHeight = 64
/** Reserves past this are drawn at the top: nothing is decided there. */
const TOP = 20,
  BOTTOM = 0.2
const yr = (v: number) =>
  reserveTop.value +
  (1 - Math.log(Math.min(TOP, Math.max(BOTTOM, v)) / BOTTOM) / Math.log(TOP / BOTTOM)) * reserveHeight
const reservePath = computed(() =>
  stations.value.map((s, i) => `${i ? 'L' : 'M'}${x(s.s).toFixed(1)} ${yr(s.reserve).toFixed(1)}`).join(''),
)
const worst = computed(() => stations.value.reduce((a, b) => (b.reserve < a.reserve ? b : a)))
const height = computed(() => reserveTop.value + reserveHeight + 20)
const chosen = ref<number | null>(null)
const shown = computed(() =>
  chosen.value === null
    ? worst.value
    : stations.value.reduce((a, b) =>
        Math.abs(b.s - chosen.value!) < Math.abs(a.s - chosen.value!) ? b : a,
      ),
)
const spanAt = (event: PointerEvent) => {
  const box = host.value!.getBoundingClientRect()
  return ((event.clientX - box.left - left) / (w.value - left - right)) * half.value
}
const look = (event: PointerEvent) => {
  chosen.value = Math.min(half.value, Math.max(0, spanAt(event)))
}

const moved = (index: number, to: number, gesture: Gesture) =>
  edit(
    `Run ${doc.value.spars[index]!.name} further or less`,
    draft => {
      draft.spars[index]!.toMm =
        Math.round(2 * Math.min(half.value, Math.max(draft.spars[index]!.fromMm + 10, to))) / 2
    },
    { gesture },
  )
/** The end of a spar in hand. */
const { take } = useDrag<number>((index, event, gesture) => moved(index, spanAt(event), gesture))
function nudge(event: KeyboardEvent, index: number) {
  const steps = arrowSteps(event, 4)
  if (steps?.[0]) moved(index, doc.value.spars[index]!.toMm + 5 * steps[0], 'keys')
}
</script>

<template>
  <div ref="host" class="lanes" :style="{ height: `${height}px` }">
    <svg
      :viewBox="`0 0 ${w} ${height}`"
      role="group"
      :aria-label="`Half wing of ${amount(half, 'mm')} with moment, shear, twist and reserve along it; least reserve ${figure(worst.reserve, 2)} at ${amount(worst.s, 'mm')}`"
      @pointermove="look"
      @pointerleave="chosen = null"
    >
      <polygon :points="outline" class="wing" />
      <line
        v-for="s in cuts"
        :key="s"
        :x1="x(s)"
        :x2="x(s)"
        :y1="drawnTop"
        :y2="reserveTop + reserveHeight"
        class="cut"
      />
      <line
        :x1="x(shown.s)"
        :x2="x(shown.s)"
        :y1="drawnTop"
        :y2="reserveTop + reserveHeight"
        class="cursor"
      />
      <line
        v-for="item in spars"
        :key="item.spar.id"
        :x1="x(item.from)"
        :x2="x(item.to)"
        :y1="item.y0"
        :y2="item.y1"
        class="spar"
        :class="{ thin: item.thin }"
        :style="{ strokeWidth: `${item.wide}px` }"
      />
      <g v-for="l in lanes" :key="l.id" class="axis">
        <line :x1="left" :x2="w - right" :y1="l.zero" :y2="l.zero" class="grid" />
        <text :x="left - 6" :y="l.top + 9" text-anchor="end" class="num">
          {{ figure(l.most, l.most < 10 ? 1 : 0) }}
        </text>
        <text v-if="l.least < -0.02 * l.most" :x="left - 6" :y="l.top + lane" text-anchor="end" class="num">
          {{ figure(l.least, l.least > -10 ? 1 : 0) }}
        </text>
        <text :x="left" :y="l.top - 5">{{ l.label }}, {{ l.unit }}</text>
        <path :d="l.path" class="line" />
      </g>
      <g class="axis">
        <template v-for="v in [0.2, 1, 5, 20]" :key="v">
          <line :x1="left" :x2="w - right" :y1="yr(v)" :y2="yr(v)" class="grid" :class="{ one: v === 1 }" />
          <text :x="left - 6" :y="yr(v) + 4" text-anchor="end" class="num">{{ v }}</text>
        </template>
        <text :x="left" :y="reserveTop - 5">reserve, × (past {{ TOP }} drawn at {{ TOP }})</text>
        <text
          v-for="t in [0, 0.25, 0.5]"
          :key="`s${t}`"
          :x="x(t * half)"
          :y="height - 4"
          :text-anchor="t ? 'middle' : 'start'"
          class="num"
        >
          {{ figure(t * half) }}
        </text>
        <text :x="w - right" :y="height - 4" text-anchor="end">mm from the root</text>
      </g>
      <path :d="reservePath" class="reserve" />
      <circle
        :cx="x(worst.s)"
        :cy="yr(worst.reserve)"
        r="6"
        class="worst"
        :class="{ fails: worst.reserve < 1 }"
      />
      <g
        v-for="item in spars"
        :key="`h${item.spar.id}`"
        class="handle"
        role="slider"
        tabindex="0"
        :aria-label="`End of ${item.spar.name}`"
        :aria-valuenow="item.spar.toMm"
        aria-valuemin="0"
        :aria-valuemax="half"
        :aria-valuetext="`${amount(item.spar.toMm, 'mm')} from the root`"
        :data-spar-end="item.spar.id"
        @pointerdown.prevent="take($event, item.index)"
        @keydown="nudge($event, item.index)"
      >
        <circle :cx="x(item.to)" :cy="item.y1" r="13" class="reach" />
        <circle :cx="x(item.to)" :cy="item.y1" r="5.5" class="grip" />
      </g>
    </svg>
    <p class="sr" aria-live="polite">{{ figure(worst.reserve, 2) }}</p>
  </div>
</template>

<style scoped>
.lanes {
  position: relative;
  min-width: 0;
}
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  touch-action: pan-y;
}
.axis text {
  font-size: 11px;
  fill: var(--quiet);
}
.grid {
  stroke: var(--hair);
}
.grid.one {
  stroke: rgb(var(--v-theme-error));
  stroke-width: 1.3;
}
.wing {
  fill: color-mix(in srgb, rgb(var(--v-theme-on-background)) 6%, transparent);
  stroke: rgb(var(--v-theme-on-background));
  stroke-width: 1.3;
}
.cut {
  stroke: var(--quiet);
  stroke-dasharray: 2 4;
}
.cursor {
  stroke: rgb(var(--v-theme-secondary));
  stroke-width: 1;
}
.spar {
  stroke: rgb(var(--v-theme-on-background));
  stroke-linecap: butt;
}
.spar.thin {
  stroke: rgb(var(--v-theme-error));
}
.line {
  fill: none;
  stroke: rgb(var(--v-theme-on-background));
  stroke-width: 1.8;
}
.reserve {
  fill: none;
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 2.4;
}
.worst {
  fill: rgb(var(--v-theme-background));
  stroke: rgb(var(--v-theme-on-background));
  stroke-width: 2.4;
}
.worst.fails {
  stroke: rgb(var(--v-theme-error));
}
.handle {
  cursor: ew-resize;
  outline: none;
}
.reach {
  fill: transparent;
}
.grip {
  fill: rgb(var(--v-theme-background));
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 2.4;
}
.handle:focus-visible .reach {
  stroke: rgb(var(--v-theme-secondary));
  stroke-width: 2;
}
</style>
