<script setup lang="ts">
/** The balance point as loaded, and ringed without payload; over everything else. */
import { useLiveBalance } from '~/composables/useLiveBalance'
import { useSheet } from './sheet'

const sheet = useSheet()
const balance = useLiveBalance()
</script>

<template>
  <g class="over">
    <g :transform="`translate(${sheet.flat(balance.cg).join(' ')})`" class="cg">
      <circle :r="8 * sheet.unit" :stroke-width="1.6 * sheet.unit" />
      <path
        :d="`M0 ${-12 * sheet.unit}V${12 * sheet.unit}M${-12 * sheet.unit} 0H${12 * sheet.unit}`"
        :stroke-width="1.4 * sheet.unit"
      />
    </g>
    <g
      v-if="Math.abs(balance.empty[0] - balance.cg[0]) > 0.3"
      :transform="`translate(${sheet.flat(balance.empty).join(' ')})`"
      class="cg empty"
    >
      <circle :r="5 * sheet.unit" :stroke-width="1.4 * sheet.unit" />
    </g>
  </g>
</template>

<style scoped>
.cg circle {
  fill: #fbf8f1;
  stroke: #16233a;
}
.cg path {
  stroke: #16233a;
  fill: none;
}
.cg.empty circle {
  fill: none;
  stroke-dasharray: 3 2;
  vector-effect: non-scaling-stroke;
}
.over {
  pointer-events: none;
}
</style>
