<script setup lang="ts">
/**
 * The wing's section at any place along the span, to scale, with every spar in its bore and the plastic left
 * over it.
 */
import { loftSurface, outlineAt, planAt, sparFit, sparLines, trailingEdgeMm } from '../../../core/geometry'
import { coverWanted } from '../../../core/assess'
import { LIBRARIES } from '../../../core/libraries'
import { amount, figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { doc, now } = useBench()
const share = ref(0.45)
const loft = computed(() =>
  loftSurface('wing', 'Wing', doc.value.wing, doc.value.aerofoils, trailingEdgeMm(doc.value.zones)),
)
const s = computed(() => Math.round(share.value * loft.value.span))
const outline = computed(() => outlineAt(loft.value, s.value))
const plan = computed(() => planAt(loft.value, s.value))
const spars = computed(() =>
  doc.value.spars.flatMap(spar => {
    const stock = LIBRARIES.stock.find(item => item.id === spar.stock)
    if (spar.surface !== 'wing' || !stock) return []
    return sparLines(loft.value, spar, stock)
      .filter(line => s.value >= line.from && s.value <= line.to)
      .map(line => {
        const fit = sparFit(loft.value, line, s.value, outline.value)
        return {
          id: line.spar.id,
          name: line.spar.name,
          ...line.at(s.value),
          stock: line.stock,
          gap: spar.clearanceMm,
          fit,
          ok: Math.min(fit.above, fit.below) >= coverWanted(doc.value),
        }
      })
  }),
)
const points = computed(() =>
  Array.from(
    { length: outline.value.length / 2 },
    (_, i) => `${outline.value[2 * i]},${-outline.value[2 * i + 1]}`,
  ).join(' '),
)
const box = computed(
  () =>
    `${plan.value.lead - 3} ${-plan.value.n - 0.14 * plan.value.chord} ${plan.value.chord + 6} ${0.24 * plan.value.chord}`,
)
const reserve = computed(() =>
  now.value.strength.stations.reduce((a, b) => (Math.abs(b.s - s.value) < Math.abs(a.s - s.value) ? b : a)),
)
</script>

<template>
  <figure class="fit">
    <svg :viewBox="box" role="img" :aria-label="`Section ${s} mm from the root`">
      <polygon :points="points" class="skin" />
      <template v-for="spar in spars" :key="spar.id">
        <template v-if="spar.stock.shape === 'round'">
          <circle
            :cx="spar.x"
            :cy="-spar.n"
            :r="spar.stock.heightMm / 2 + spar.gap"
            class="bore"
            :class="{ out: !spar.ok }"
          />
          <circle :cx="spar.x" :cy="-spar.n" :r="spar.stock.heightMm / 2" class="carbon" />
          <circle
            v-if="spar.stock.boreMm"
            :cx="spar.x"
            :cy="-spar.n"
            :r="spar.stock.boreMm / 2"
            class="hollow"
          />
        </template>
        <rect
          v-else
          :x="spar.x - spar.stock.widthMm / 2"
          :y="-spar.n - spar.stock.heightMm / 2"
          :width="spar.stock.widthMm"
          :height="spar.stock.heightMm"
          class="carbon"
        />
      </template>
    </svg>
    <label class="place"
      ><span
        ><span class="num">{{ s }} mm</span> out, chord
        <span class="num">{{ amount(plan.chord, 'mm') }}</span>, reserve
        <span class="num">{{ figure(reserve.reserve, 2) }}</span> ({{ reserve.mode }})</span
      ><input
        v-model.number="share"
        type="range"
        min="0"
        max="0.97"
        step="0.01"
        aria-label="Place along the half span"
    /></label>
    <figcaption class="small quiet">
      <template v-for="spar in spars" :key="spar.id"
        >{{ spar.name }}:
        <span class="num" :class="{ bad: !spar.ok }">{{ amount(spar.fit.above, 'mm', 2) }}</span> of plastic
        above,
        <span class="num" :class="{ bad: !spar.ok }">{{ amount(spar.fit.below, 'mm', 2) }}</span>
        below. </template
      ><template v-if="!spars.length">No spar here: the skin carries alone.</template>
    </figcaption>
  </figure>
</template>

<style scoped>
.fit {
  margin: 0 0 8px;
}
svg {
  width: 100%;
  display: block;
}
.skin {
  fill: color-mix(in srgb, rgb(var(--v-theme-on-background)) 7%, transparent);
  stroke: rgb(var(--v-theme-on-background));
  stroke-width: 1.4;
  vector-effect: non-scaling-stroke;
}
.bore {
  fill: none;
  stroke: rgb(var(--v-theme-on-background));
  stroke-width: 0.8;
  stroke-dasharray: 3 2;
  vector-effect: non-scaling-stroke;
}
.bore.out {
  stroke: rgb(var(--v-theme-error));
  stroke-width: 2;
}
.carbon {
  fill: rgb(var(--v-theme-on-background));
}
.hollow {
  fill: rgb(var(--v-theme-background));
}
.place {
  display: grid;
  font-size: 12.5px;
  gap: 2px;
}
input[type='range'] {
  width: 100%;
  accent-color: rgb(var(--v-theme-primary));
}
</style>
