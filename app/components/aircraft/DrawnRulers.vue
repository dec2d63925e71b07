<script setup lang="ts">
/** Rulers along the foot and the left of the sheet, in mm or inches. */
import { reading } from '~/composables/format'
import { useSheet } from './sheet'

const sheet = useSheet()
/** One unit of the ruler in mm, its steps from wide to narrow sheets, and every how many it is numbered. */
const ruler = computed(() =>
  reading.value.units === 'imperial'
    ? { mm: 25.4, steps: [4, 2, 1], numbered: 8, unit: 'in' }
    : { mm: 1, steps: [100, 50, 20], numbered: 200, unit: 'mm' },
)
const ticks = (fromMm: number, lengthMm: number) => {
  const { mm, steps, numbered } = ruler.value
  const step = steps[lengthMm > 900 ? 0 : lengthMm > 350 ? 1 : 2]!,
    first = Math.ceil(fromMm / mm / step) * step
  return Array.from({ length: Math.floor(lengthMm / mm / step) + 1 }, (_, i) => first + i * step)
    .filter(value => value * mm <= fromMm + lengthMm)
    .map(value => ({ value, at: value * mm, numbered: value % numbered === 0 }))
}
</script>

<template>
  <g class="ruler" :stroke-width="0.8 * sheet.unit" :font-size="10.5 * sheet.unit">
    <template v-for="t in ticks(sheet.frame.x, sheet.frame.w)" :key="`x${t.value}`">
      <line
        :x1="t.at"
        :x2="t.at"
        :y1="sheet.frame.y + sheet.frame.h"
        :y2="sheet.frame.y + sheet.frame.h - (t.numbered ? 9 : 5) * sheet.unit"
      />
      <text
        v-if="
          t.numbered &&
          t.at > sheet.frame.x + 24 * sheet.unit &&
          t.at < sheet.frame.x + sheet.frame.w - 24 * sheet.unit
        "
        :x="t.at"
        :y="sheet.frame.y + sheet.frame.h - 12 * sheet.unit"
        text-anchor="middle"
      >
        {{ sheet.axes[0][1] * t.value || 0 }}{{ t.value === 0 ? ` ${ruler.unit}` : '' }}
      </text>
    </template>
    <template v-for="t in ticks(sheet.frame.y, sheet.frame.h)" :key="`y${t.value}`">
      <line
        :x1="sheet.frame.x"
        :x2="sheet.frame.x + (t.numbered ? 9 : 5) * sheet.unit"
        :y1="t.at"
        :y2="t.at"
      />
      <text
        v-if="
          t.numbered &&
          t.at < sheet.frame.y + sheet.frame.h - 52 * sheet.unit &&
          t.at > sheet.frame.y + 48 * sheet.unit
        "
        :x="sheet.frame.x + 12 * sheet.unit"
        :y="t.at + 4 * sheet.unit"
      >
        {{ sheet.axes[1][1] * t.value || 0 }}
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
