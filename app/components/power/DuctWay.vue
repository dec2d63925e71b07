<script setup lang="ts">
/** How much room the air has on its way through the duct, against the ring that the blades sweep. */
import type { DuctFigures } from '../../../core/workshop/power'
import { amount } from '~/composables/format'

const { duct } = defineProps<{ duct: DuctFigures }>()
const WIDE = 460,
  HIGH = 74,
  FOOT = 14
const most = computed(() => 1.06 * Math.max(1.2, ...duct.along.map(item => item.share)))
const x = (mm: number) => (WIDE * mm) / duct.lengthMm
const y = (share: number) => HIGH - (HIGH * share) / most.value
const way = computed(() => duct.along.map(item => `${x(item.xMm)},${y(item.share)}`).join(' '))
const percent = (share: number) => amount(100 * share, '%')
</script>

<template>
  <section data-figure="duct">
    <h3>The way through {{ duct.name }}</h3>
    <p class="small">
      Of the ring between hub and blade tips: intake
      <b class="num" data-figure="duct-intake">{{ percent(duct.intake) }}</b>, least
      <b class="num">{{ percent(duct.narrowest.share) }}</b> at {{ amount(duct.narrowest.xMm, 'mm') }}, outlet
      <b class="num" data-figure="duct-exit">{{ percent(duct.exit) }}</b>;
      {{ amount(duct.lengthMm, 'mm') }} long. Lip and walls take
      <b class="num">{{ amount(duct.lostPct, '%') }}</b> of the head.
    </p>
    <svg
      :viewBox="`0 0 ${WIDE} ${HIGH + FOOT}`"
      role="img"
      :aria-label="`Free area from intake to outlet, ${percent(duct.intake)} to ${percent(duct.exit)} of the ring`"
    >
      <line x1="0" :x2="WIDE" :y1="y(1)" :y2="y(1)" class="ring" />
      <line v-if="!duct.outside" :x1="x(duct.fanMm)" :x2="x(duct.fanMm)" y1="0" :y2="HIGH" class="fan" />
      <polyline :points="way" class="way" />
      <text x="0" :y="HIGH + 11">intake</text>
      <text v-if="!duct.outside" :x="x(duct.fanMm)" :y="HIGH + 11" text-anchor="middle">fan</text>
      <text :x="WIDE" :y="HIGH + 11" text-anchor="end">outlet</text>
    </svg>
  </section>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 560px;
  display: block;
}
.way {
  fill: none;
  stroke: rgb(var(--v-theme-secondary));
  stroke-width: 2;
}
.ring {
  stroke: currentColor;
  stroke-opacity: 0.45;
  stroke-dasharray: 4 3;
}
.fan {
  stroke: currentColor;
  stroke-opacity: 0.6;
  stroke-width: 3;
}
text {
  fill: currentColor;
  font-size: 11px;
}
</style>
