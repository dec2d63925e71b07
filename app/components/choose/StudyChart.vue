<script setup lang="ts">
/**
 * The front over two of its figures; families told apart by shape, and by colour besides. The design as it is
 * stands among them.
 */
import type { StudyPoint } from '../../../core/study/combinations'
import { amount, figure } from '~/composables/format'
import { AXES, type Axis } from '~/composables/study-axes'

const props = defineProps<{
  points: readonly StudyPoint[]
  here: Record<Axis, number>
  across: Axis
  up: Axis
  family: string
  inside: (point: StudyPoint) => boolean
  chosen: readonly number[]
  currency: string
}>()
const emit = defineEmits<{ pick: [point: StudyPoint] }>()
/** Drawn at most; with more, every so many. */
const DRAWN = 700
const drawn = computed(() =>
  props.points.length <= DRAWN
    ? props.points
    : props.points.filter(
        (point, i) => props.chosen.includes(point.id) || i % Math.ceil(props.points.length / DRAWN) === 0,
      ),
)
const W = 560,
  H = 250,
  left = 50,
  bottom = 36,
  top = 14,
  right = 16
const reach = (axis: Axis) => {
  const list = [...props.points.map(point => point[axis]), props.here[axis]]
  return [Math.min(...list), Math.max(...list)] as const
}
const scale = (axis: Axis, from: number, to: number) => {
  const [low, high] = reach(axis)
  return (value: number) => from + ((value - low) / (high - low || 1)) * (to - from)
}
const x = computed(() => scale(props.across, left, W - right)),
  y = computed(() => scale(props.up, H - bottom, top))
const text = (axis: Axis, value: number) => {
  const { digits, unit, share } = AXES[axis]
  return `${axis === 'cost' ? `${props.currency} ` : ''}${figure(share ? 100 * value : value, digits)}${unit ? ` ${unit}` : ''}`
}
const families = computed(() => [...new Set(props.points.map(point => point.choices[props.family] ?? ''))])
const SHAPES = [
  'M-5 0A5 5 0 1 0 5 0A5 5 0 1 0 -5 0',
  'M-4.5 -4.5H4.5V4.5H-4.5Z',
  'M0 -6L5.5 4.5H-5.5Z',
  'M0 -6.5L6 0L0 6.5L-6 0Z',
  'M-6 -1.8H-1.8V-6H1.8V-1.8H6V1.8H1.8V6H-1.8V1.8H-6Z',
]
const at = (point: StudyPoint) => families.value.indexOf(point.choices[props.family] ?? '')
const shape = (i: number) => SHAPES[i % SHAPES.length]
/**
 * Where there are more families than shapes, colours go round at another pace: no two look alike up to 25.
 */
const colour = (i: number) => `f${(i + Math.floor(i / SHAPES.length)) % 5}`
</script>

<template>
  <div>
    <svg
      :viewBox="`0 0 ${W} ${H}`"
      class="chart"
      role="img"
      :aria-label="`${AXES[across].name} against ${AXES[up].name} of ${points.length} combinations`"
    >
      <g class="axis">
        <line :x1="left" :x2="W - right" :y1="H - bottom" :y2="H - bottom" />
        <line :x1="left" :x2="left" :y1="top" :y2="H - bottom" />
        <text :x="left" :y="H - bottom + 15" class="num">{{ text(across, reach(across)[0]) }}</text>
        <text :x="W - right" :y="H - bottom + 15" text-anchor="end" class="num">
          {{ text(across, reach(across)[1]) }}
        </text>
        <text :x="left - 6" :y="H - bottom" text-anchor="end" class="num">{{ text(up, reach(up)[0]) }}</text>
        <text :x="left - 6" :y="top + 8" text-anchor="end" class="num">{{ text(up, reach(up)[1]) }}</text>
        <text :x="(left + W) / 2" :y="H - 6" text-anchor="middle">larger signs are stronger</text>
      </g>
      <path
        v-for="point in drawn"
        :key="point.id"
        :d="shape(at(point))"
        class="point"
        :class="[colour(at(point)), { out: !inside(point), on: chosen.includes(point.id) }]"
        :transform="`translate(${x(point[across])} ${y(point[up])}) scale(${(0.6 + 0.5 * Math.min(1, point.reserveFactor / 2)).toFixed(2)})`"
        @click="emit('pick', point)"
      >
        <title>
          {{ amount(point.massG, 'g') }}, {{ figure(point.hours, 1) }} h, reserve
          {{ figure(point.reserveFactor, 2) }}
        </title>
      </path>
      <path
        :d="SHAPES[0]"
        class="here"
        :transform="`translate(${x(here[across])} ${y(here[up])}) scale(1.7)`"
      >
        <title>The design as it is</title>
      </path>
    </svg>
    <p class="key small">
      <span
        ><svg viewBox="-8 -8 16 16" width="15" height="15"><path :d="SHAPES[0]" class="here" /></svg>as it
        is</span
      ><span v-for="(item, i) in families" :key="item"
        ><svg viewBox="-8 -8 16 16" width="15" height="15">
          <path :d="shape(i)" class="point" :class="colour(i)" /></svg
        >{{ item }}</span
      >
    </p>
  </div>
</template>

<style scoped>
.chart {
  width: 100%;
  max-height: 270px;
  display: block;
}
.axis line {
  stroke: var(--quiet);
}
.axis text {
  font-size: 11px;
  fill: var(--quiet);
}
.point {
  cursor: pointer;
  stroke-width: 1.5;
  fill-opacity: 0.3;
}
.point.out {
  opacity: 0.12;
}
.point.on {
  fill-opacity: 1;
  stroke-width: 2.6;
}
.f0 {
  fill: rgb(var(--v-theme-secondary));
  stroke: rgb(var(--v-theme-secondary));
}
.f1 {
  fill: rgb(var(--v-theme-primary));
  stroke: rgb(var(--v-theme-primary));
}
.f2 {
  fill: rgb(var(--v-theme-success));
  stroke: rgb(var(--v-theme-success));
}
.f3 {
  fill: rgb(var(--v-theme-warning));
  stroke: rgb(var(--v-theme-warning));
}
.f4 {
  fill: rgb(var(--v-theme-on-background));
  stroke: rgb(var(--v-theme-on-background));
}
.here {
  fill: none;
  stroke: rgb(var(--v-theme-on-background));
  stroke-width: 1.8;
  stroke-dasharray: 2 2;
  pointer-events: none;
}
.key {
  display: flex;
  gap: 2px 14px;
  flex-wrap: wrap;
  color: var(--quiet);
  margin: 2px 0 8px;
}
.key span {
  display: inline-flex;
  gap: 5px;
  align-items: center;
}
.key .point {
  cursor: default;
}
</style>
