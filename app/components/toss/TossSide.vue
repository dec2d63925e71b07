<script setup lang="ts">
/** Tosses in side view to one scale: the one that flies with snapshots of the aircraft, others as lines under it. */
import { useElementSize } from '@vueuse/core'
import type { Toss } from '../../../core/workshop/toss'
import { worded } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const props = withDefaults(
  defineProps<{
    flown: Toss
    laid?: Array<{ id: number; toss: Toss }>
    /** Moment that is shown, s. */
    t: number
    /** Only as far as it has flown: what comes is not told. */
    unseen?: boolean
    label?: string
  }>(),
  { laid: () => [], unseen: false, label: '' },
)
const { now } = useBench()
const host = ref<HTMLDivElement>()
const { width } = useElementSize(host)
const LEFT = 34,
  RIGHT = 14,
  TOP = 30,
  GROUND = 34
const shown = computed(() => [...props.laid.map(item => item.toss), props.flown])
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
const boom = computed(() => {
  const own = now.value.drawing.booms[0]
  if (!own) return null
  const [cx, , cz] = now.value.totals.cgMm
  const points: string[] = []
  for (let i = 0; i + 1 < own.side.length; i += 2)
    points.push(`${(-(own.side[i]! - cx)).toFixed(0)},${(-(own.side[i + 1]! - cz)).toFixed(0)}`)
  return { points: points.join(' '), width: own.widthMm }
})
/** At true size it would be a speck over a long field: then it is drawn so many times as large, and that is said. */
const larger = computed(() => {
  const { minX, maxX } = now.value.drawing.box
  return Math.max(1, Math.ceil(46 / (((maxX - minX) / 1000) * perM.value)))
})
const placed = (at: { x: number; z: number; theta: number }) =>
  `translate(${X(at.x).toFixed(1)} ${Z(at.z).toFixed(1)}) rotate(${((-at.theta * 180) / Math.PI).toFixed(1)}) scale(${((larger.value * perM.value) / 1000).toFixed(5)})`
/** A picture of it every third of a second, as a series of snapshots. */
const snaps = computed(() => props.flown.path.filter((_, i) => i % 25 === 0))

const at = computed(() => {
  const path = props.flown.path
  return path[Math.min(path.length - 1, Math.round(props.t / 0.02))] ?? null
})
/** The path that is behind it, or all of it. */
const seen = computed(() =>
  line(
    props.unseen
      ? { ...props.flown, path: props.flown.path.filter(point => point.t <= props.t + 1e-9) }
      : props.flown,
  ),
)
defineExpose({ larger })
</script>

<template>
  <div ref="host" class="field">
    <svg
      v-if="width > 100"
      :width="width"
      :height="high"
      role="img"
      :aria-label="label || `Side view of the toss: ${worded(flown.reading)}`"
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
        <polyline :points="line(item.toss)" :stroke-dasharray="['7 4', '2 3', '10 3 2 3', '4 4'][i % 4]" />
        <text :x="X(item.toss.distanceM) - 2" :y="Z(0) - 5 - 12 * (i % 3)" text-anchor="end">
          {{ i + 1 }}
        </text>
      </g>
      <polyline :points="seen" class="path" />
      <g
        v-for="snap in snaps.filter(item => !unseen || item.t <= t)"
        :key="snap.t"
        :transform="placed(snap)"
        class="snap"
      >
        <polygon v-for="(points, k) in outline" :key="k" :points="points" />
        <polyline v-if="boom" :points="boom.points" :stroke-width="boom.width" class="boom" />
      </g>
      <g v-if="at" :transform="placed(at)" class="now">
        <polygon v-for="(points, k) in outline" :key="k" :points="points" />
        <polyline v-if="boom" :points="boom.points" :stroke-width="boom.width" class="boom" />
      </g>
    </svg>
  </div>
</template>

<style scoped>
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
.boom {
  fill: none;
}
.snap .boom {
  stroke: color-mix(in srgb, rgb(var(--v-theme-on-surface)) 16%, transparent);
}
.now .boom {
  stroke: rgb(var(--v-theme-secondary));
}
.now polygon {
  fill: rgb(var(--v-theme-secondary));
}
</style>
