<script setup lang="ts">
/** Rulers along the foot and the left of the sheet, mm. */
import { useSheet } from './sheet'

const sheet = useSheet()
const ticks = (from: number, length: number) => {
  const step = length > 900 ? 100 : length > 350 ? 50 : 20
  return Array.from(
    { length: Math.floor(length / step) + 1 },
    (_, i) => Math.ceil(from / step) * step + i * step,
  ).filter(v => v <= from + length)
}
</script>

<template>
  <g class="ruler" :stroke-width="0.8 * sheet.unit" :font-size="10.5 * sheet.unit">
    <template v-for="t in ticks(sheet.frame.x, sheet.frame.w)" :key="`x${t}`">
      <line
        :x1="t"
        :x2="t"
        :y1="sheet.frame.y + sheet.frame.h"
        :y2="sheet.frame.y + sheet.frame.h - (t % 200 === 0 ? 9 : 5) * sheet.unit"
      />
      <text
        v-if="
          t % 200 === 0 &&
          t > sheet.frame.x + 24 * sheet.unit &&
          t < sheet.frame.x + sheet.frame.w - 24 * sheet.unit
        "
        :x="t"
        :y="sheet.frame.y + sheet.frame.h - 12 * sheet.unit"
        text-anchor="middle"
      >
        {{ sheet.axes[0][1] * t || 0 }}{{ t === 0 ? ' mm' : '' }}
      </text>
    </template>
    <template v-for="t in ticks(sheet.frame.y, sheet.frame.h)" :key="`y${t}`">
      <line :x1="sheet.frame.x" :x2="sheet.frame.x + (t % 200 === 0 ? 9 : 5) * sheet.unit" :y1="t" :y2="t" />
      <text
        v-if="
          t % 200 === 0 &&
          t < sheet.frame.y + sheet.frame.h - 52 * sheet.unit &&
          t > sheet.frame.y + 48 * sheet.unit
        "
        :x="sheet.frame.x + 12 * sheet.unit"
        :y="t + 4 * sheet.unit"
      >
        {{ sheet.axes[1][1] * t || 0 }}
      </text>
    </template>
  </g>
</template>

<style scoped>
.ruler line {
  stroke: rgb(var(--v-theme-on-background));
  opacity: 0.45;
}
.ruler text {
  fill: var(--quiet);
  font-family: 'Spline Sans Mono', monospace;
}
</style>
