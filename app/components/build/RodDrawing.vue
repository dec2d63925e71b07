<script setup lang="ts">
/** Servo arm, rod and horn from the side, to scale; a long rod is broken in its middle. */
import type { LinkageSheet } from '../../../core/workshop/build'
import { amount } from '~/composables/format'

const props = defineProps<{ sheet: LinkageSheet }>()
/** Longer than this between axis and hinge it is broken, mm. */
const WHOLE = 110
const broken = computed(() => props.sheet.distanceMm > WHOLE)
const reach = computed(() => (broken.value ? WHOLE : props.sheet.distanceMm))
const high = computed(() => Math.max(props.sheet.armMm, props.sheet.hornMm))
/** Below the surface the picture hangs. */
const way = computed(() => (props.sheet.runs === 'below' ? 1 : -1))
const box = computed(() => {
  const up = props.sheet.runs === 'below' ? 12 : high.value + 8
  const down = props.sheet.runs === 'below' ? high.value + 8 : 12
  return { y: -up, h: up + down }
})
</script>

<template>
  <svg
    class="drawing"
    :viewBox="`-48 ${box.y} 220 ${box.h}`"
    preserveAspectRatio="xMinYMid meet"
    role="img"
    :aria-label="`${sheet.name}: arm ${sheet.armMm} mm, rod ${sheet.rodMm.toFixed(1)} mm, horn ${sheet.hornMm} mm`"
  >
    <line :x1="-11" :x2="-2" :y1="way * sheet.armMm" :y2="way * sheet.armMm" class="lead" />
    <rect x="-9" y="-6" width="23" height="12" class="part" />
    <path
      :d="`M${reach + 0.5} -2.6 L${reach + 40} -0.4 L${reach + 40} 0.4 L${reach + 0.5} 2.6 Z`"
      class="part"
    />
    <line x1="0" y1="0" x2="0" :y2="way * sheet.armMm" class="arm" />
    <line :x1="reach" y1="0" :x2="reach" :y2="way * sheet.hornMm" class="arm" />
    <g class="rod">
      <template v-if="broken">
        <line
          x1="0"
          :y1="way * sheet.armMm"
          :x2="reach / 2 - 3"
          :y2="way * (sheet.armMm + (sheet.hornMm - sheet.armMm) / 2)"
        />
        <line
          :x1="reach / 2 + 3"
          :y1="way * (sheet.armMm + (sheet.hornMm - sheet.armMm) / 2)"
          :x2="reach"
          :y2="way * sheet.hornMm"
        />
      </template>
      <line v-else x1="0" :y1="way * sheet.armMm" :x2="reach" :y2="way * sheet.hornMm" />
    </g>
    <circle cx="0" :cy="way * sheet.armMm" r="1.3" class="hole" />
    <circle :cx="reach" :cy="way * sheet.hornMm" r="1.3" class="hole" />
    <circle cx="0" cy="0" r="1.6" class="hole" />
    <circle :cx="reach" cy="0" r="1" class="hole" />
    <text :x="reach / 2" :y="way * (high + 4) + (way < 0 ? 0 : 2)" text-anchor="middle">
      {{ amount(sheet.rodMm, 'mm', 1) }}
    </text>
    <text x="-12" :y="way * sheet.armMm + 1.5" text-anchor="end">
      {{ amount(sheet.armMm, 'mm', 1) }}
    </text>
    <text :x="reach + 3" :y="way * sheet.hornMm * 0.7 + 1.5">{{ amount(sheet.hornMm, 'mm', 1) }}</text>
  </svg>
</template>

<style scoped>
.drawing {
  width: 100%;
  max-height: 150px;
}
.part {
  fill: color-mix(in srgb, rgb(var(--v-theme-on-surface)) 14%, transparent);
  stroke: currentColor;
  stroke-width: 0.3;
}
.arm {
  stroke: currentColor;
  stroke-width: 1.2;
}
.rod line {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 0.9;
}
.hole {
  fill: rgb(var(--v-theme-background));
  stroke: currentColor;
  stroke-width: 0.4;
}
text {
  font:
    5px 'Spline Sans Mono',
    monospace;
  fill: currentColor;
}
</style>
