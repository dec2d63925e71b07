<script setup lang="ts">
/** The test as it is set up, to scale along the span: supports, load, and the bend many times over. */
import type { ProofReport } from '../../../core/assess'
import type { Proof } from '../../../core/document'
import { amount } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const props = defineProps<{ proof: Proof; report: ProofReport | undefined }>()
const { doc } = useBench()
const half = computed(() => doc.value.wing.panels.reduce((sum, panel) => sum + panel.spanMm, 0))
const W = 640,
  H = 150,
  middle = W / 2
const scale = computed(() => (W / 2 - 24) / half.value)
const x = (s: number, side: 1 | -1 = 1) => middle + side * s * scale.value
const at = computed(() => Math.min(props.proof.atMm, half.value))
const both = computed(() => props.proof.kind === 'trestles')
/**
 * Exaggerated so that it can be seen: the middle sinks between trestles, an end held at the root goes down.
 */
const sag = computed(() => (props.proof.kind === 'drop' ? 0 : 26))
const y = (s: number) => {
  const t = Math.min(1, s / Math.max(1, at.value))
  return both.value
    ? 66 + sag.value * (1 - t * t * (1.5 - t / 2)) - (s > at.value ? ((s - at.value) / at.value) * 8 : 0)
    : 66 + sag.value * t * t * (1.5 - t / 2) + (s > at.value ? ((s - at.value) / at.value) * 20 : 0)
}
const line = (side: 1 | -1) =>
  Array.from({ length: 25 }, (_, i) => {
    const s = (half.value * i) / 24
    return `${i ? 'L' : 'M'}${x(s, side).toFixed(1)} ${y(s).toFixed(1)}`
  }).join('')
</script>

<template>
  <svg
    class="sketch"
    :viewBox="`0 0 ${W} ${H}`"
    role="img"
    :aria-label="`${proof.kind}: ${amount(proof.massG, 'g')}, ${amount(proof.atMm, 'mm')}`"
  >
    <template v-if="proof.kind !== 'drop'">
      <path :d="line(1)" class="wing" />
      <path v-if="both" :d="line(-1)" class="wing" />
      <template v-if="both">
        <g v-for="side in [1, -1] as const" :key="side">
          <path
            :d="`M${x(at, side)} ${y(at) + 3} l-9 50 M${x(at, side)} ${y(at) + 3} l9 50`"
            class="trestle"
          />
        </g>
        <path :d="`M${middle} ${y(0)} v16`" class="string" />
        <rect :x="middle - 15" :y="y(0) + 16" width="30" height="26" class="load" />
        <text :x="middle" :y="y(0) + 56" text-anchor="middle" class="num">
          {{ amount(proof.massG, 'g') }}
        </text>
        <path :d="`M${middle} 22 H${x(at)}`" class="dim" />
        <text :x="(middle + x(at)) / 2" y="17" text-anchor="middle" class="num">{{ amount(at, 'mm') }}</text>
      </template>
      <template v-else>
        <path
          :d="`M${middle - 16} 40 v52 M${middle} 40 v52 M${middle - 16} 48 h16 M${middle - 16} 62 h16 M${middle - 16} 76 h16`"
          class="trestle"
        />
        <text :x="middle - 22" y="70" text-anchor="end">held at the root</text>
        <path :d="`M${middle} 22 H${x(at)}`" class="dim" />
        <text :x="(middle + x(at)) / 2" y="17" text-anchor="middle" class="num">{{ amount(at, 'mm') }}</text>
        <template v-if="proof.kind === 'root'">
          <path :d="`M${x(at)} ${y(at)} v14`" class="string" />
          <rect :x="x(at) - 13" :y="y(at) + 14" width="26" height="22" class="load" />
          <text :x="x(at)" :y="y(at) + 50" text-anchor="middle" class="num">
            {{ amount(proof.massG, 'g') }}
          </text>
        </template>
        <template v-else>
          <path :d="`M${x(at) - 26} ${y(at) + 8} a26 14 0 1 0 8 -18`" class="turn" />
          <text :x="x(at)" :y="y(at) + 44" text-anchor="middle" class="num">
            {{ amount(proof.massG, 'g') }} on {{ amount(proof.armMm, 'mm') }}
          </text>
        </template>
      </template>
      <path
        v-if="report && report.provenTo !== null && both"
        :d="`M${x(0)} 132 H${x(report.provenTo)}`"
        class="proven"
      />
      <text v-if="report && report.provenTo !== null && both" :x="x(report.provenTo) + 6" y="136">
        proved to {{ amount(report.provenTo, 'mm') }}
      </text>
    </template>
    <template v-else>
      <path :d="`M${middle - 120} 118 h240`" class="ground" />
      <rect :x="middle - 70" y="34" width="140" height="24" rx="12" class="body" />
      <path :d="`M${middle - 110} 62 V114 m-4 -8 l4 8 l4 -8`" class="dim" />
      <text :x="middle - 118" y="92" text-anchor="end" class="num">{{ amount(proof.atMm, 'mm') }}</text>
      <text :x="middle" y="50" text-anchor="middle" class="num">{{ amount(proof.massG, 'g') }}</text>
    </template>
  </svg>
</template>

<style scoped>
.sketch {
  width: 100%;
  max-height: 170px;
  display: block;
}
text {
  font-size: 12px;
  fill: var(--quiet);
}
.wing {
  fill: none;
  stroke: rgb(var(--v-theme-on-background));
  stroke-width: 5;
  stroke-linecap: round;
}
.trestle {
  fill: none;
  stroke: var(--quiet);
  stroke-width: 2;
}
.string,
.dim {
  fill: none;
  stroke: var(--quiet);
  stroke-width: 1;
}
.load,
.body {
  fill: color-mix(in srgb, rgb(var(--v-theme-on-background)) 14%, transparent);
  stroke: rgb(var(--v-theme-on-background));
  stroke-width: 1.4;
}
.turn {
  fill: none;
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 2;
}
.proven {
  stroke: rgb(var(--v-theme-success));
  stroke-width: 3;
}
.ground {
  stroke: rgb(var(--v-theme-on-background));
  stroke-width: 2;
  fill: none;
}
</style>
