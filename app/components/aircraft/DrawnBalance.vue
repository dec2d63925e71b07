<script setup lang="ts">
/** Where it balances and where it should: the band, the neutral point, what weighs where, what a remedy would do. */
import type { Assessment } from '../../../core/assess'
import { amount, amountOf } from '~/composables/format'
import { useLiveBalance } from '~/composables/useLiveBalance'
import { useView } from '~/stores/view'
import { useSheet } from './sheet'

/** `detailed`: the reach of batteries, the discs of masses and the remedy being looked at, too. */
const props = defineProps<{ assessment: Assessment; detailed: boolean }>()
const sheet = useSheet()
const look = useView()
const live = useLiveBalance()
/** Printed pieces, spars, glue and wires as discs whose area is their mass; equipment is drawn as its own boxes. */
const masses = computed(() =>
  props.detailed
    ? props.assessment.ledger
        .filter(row => row.massG > 0.2 && row.group !== 'equipment' && row.group !== 'payload')
        .map(row => ({ ...row, r: 1.9 * Math.sqrt(row.massG) }))
    : [],
)
const balance = computed(() => {
  const { flight, totals } = props.assessment
  const [fore, aft] = flight.cgRangeMm
  return {
    fore,
    aft,
    np: flight.neutralPointMm,
    cg: live.value.cg,
    empty: live.value.empty,
    spread: totals.cgSpreadMm,
    reach: props.detailed && flight.cgReachMm[1] - flight.cgReachMm[0] > 1 ? flight.cgReachMm : null,
    preview: props.detailed ? look.preview : null,
  }
})
</script>

<template>
  <g>
    <template v-if="sheet.view === 'side'">
      <rect
        :x="balance.fore"
        :y="sheet.frame.y + 30 * sheet.unit"
        :width="balance.aft - balance.fore"
        :height="sheet.frame.h - 62 * sheet.unit"
        class="band"
      />
      <line
        :x1="balance.np"
        :x2="balance.np"
        :y1="sheet.frame.y + 30 * sheet.unit"
        :y2="sheet.frame.y + sheet.frame.h - 32 * sheet.unit"
        class="np"
        v-bind="sheet.dashed('7 4')"
      />
      <text
        :x="balance.np + 5 * sheet.unit"
        :y="sheet.frame.y + sheet.frame.h - 38 * sheet.unit"
        :font-size="11.5 * sheet.unit"
        class="tag"
      >
        neutral point {{ amount(balance.np, 'mm') }}
      </text>
      <text
        :x="balance.fore - 5 * sheet.unit"
        :y="sheet.frame.y + sheet.frame.h - 38 * sheet.unit"
        :font-size="11.5 * sheet.unit"
        class="tag"
        text-anchor="end"
      >
        band {{ amountOf(balance.fore, 'mm') }}–{{ amount(balance.aft, 'mm') }}
      </text>
    </template>
    <template v-else>
      <rect :x="-60" :width="120" :y="balance.fore" :height="balance.aft - balance.fore" class="band" />
      <line x1="-90" x2="90" :y1="balance.np" :y2="balance.np" class="np" v-bind="sheet.dashed('7 4')" />
    </template>
    <g v-if="detailed" class="masses">
      <circle
        v-for="row in masses"
        :key="row.id"
        :cx="sheet.flat([row.xMm, row.yMm, row.zMm])[0]"
        :cy="sheet.flat([row.xMm, row.yMm, row.zMm])[1]"
        :r="row.r"
      >
        <title>{{ row.name }}: {{ amount(row.massG, 'g', 1) }} at {{ amount(row.xMm, 'mm') }}</title>
      </circle>
    </g>
    <g v-if="sheet.view === 'side'" class="spread">
      <rect
        :x="balance.cg[0] - balance.spread"
        :width="2 * balance.spread"
        :y="-balance.cg[2] - 15 * sheet.unit"
        :height="30 * sheet.unit"
      />
    </g>
    <g v-if="balance.reach" class="reach-line">
      <template v-if="sheet.view === 'side'">
        <line
          :x1="balance.reach[0]"
          :x2="balance.reach[1]"
          :y1="sheet.frame.y + sheet.frame.h - 66 * sheet.unit"
          :y2="sheet.frame.y + sheet.frame.h - 66 * sheet.unit"
          :stroke-width="2 * sheet.unit"
        />
        <line
          v-for="end in balance.reach"
          :key="end"
          :x1="end"
          :x2="end"
          :y1="sheet.frame.y + sheet.frame.h - 72 * sheet.unit"
          :y2="sheet.frame.y + sheet.frame.h - 60 * sheet.unit"
          :stroke-width="2 * sheet.unit"
        />
        <text
          :x="balance.reach[1] + 6 * sheet.unit"
          :y="sheet.frame.y + sheet.frame.h - 62 * sheet.unit"
          :font-size="11.5 * sheet.unit"
          class="tag"
        >
          as far as the battery's bay lets it
        </text>
      </template>
    </g>
    <g v-if="balance.preview" class="preview">
      <template v-if="sheet.view === 'side'">
        <line
          :x1="balance.preview.cgMm"
          :x2="balance.preview.cgMm"
          :y1="-balance.cg[2] - 46 * sheet.unit"
          :y2="-balance.cg[2] + 76 * sheet.unit"
          :stroke-width="2.4 * sheet.unit"
        />
        <text
          :x="balance.preview.cgMm - 6 * sheet.unit"
          :y="-balance.cg[2] + 76 * sheet.unit"
          :font-size="12 * sheet.unit"
          text-anchor="end"
          class="tag"
        >
          {{ amount(balance.preview.cgMm, 'mm', 1) }} after
        </text>
      </template>
      <line
        v-else
        x1="-46"
        x2="46"
        :y1="balance.preview.cgMm"
        :y2="balance.preview.cgMm"
        :stroke-width="2.4 * sheet.unit"
      />
    </g>
  </g>
</template>

<style scoped>
.band {
  fill: rgb(var(--v-theme-success));
  opacity: 0.2;
}
.np {
  stroke: rgb(var(--v-theme-error));
}
.tag {
  fill: rgb(var(--v-theme-on-background));
}
.masses circle {
  fill: rgb(var(--v-theme-on-background));
  fill-opacity: 0.16;
  stroke: rgb(var(--v-theme-on-background));
  stroke-opacity: 0.35;
  vector-effect: non-scaling-stroke;
}
.spread rect {
  fill: none;
  stroke: rgb(var(--v-theme-on-background));
  stroke-dasharray: 2 2;
  vector-effect: non-scaling-stroke;
}
.reach-line line {
  stroke: rgb(var(--v-theme-primary));
}
.preview line {
  stroke: rgb(var(--v-theme-secondary));
}
.preview .tag {
  fill: rgb(var(--v-theme-secondary));
  font-weight: 650;
}
</style>
