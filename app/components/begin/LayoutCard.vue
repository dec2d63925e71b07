<script setup lang="ts">
/** One layout that was sized: from above at the scale of all of them, its four wings, its figures, what it gave up. */
import type { Begun } from '../../../core/begin'
import type { WingName } from '../../../core/assess'
import { amount, figure, worded } from '~/composables/format'

const props = defineProps<{ layout: Begun; boxMm: { width: number; height: number }; busy: boolean }>()
defineEmits<{ choose: [] }>()

const why = ref<WingName | null>(null)
const WINGS: readonly WingName[] = ['weight', 'balance', 'strength', 'hours']
const pairs = (flat: readonly number[]): string => {
  const out: string[] = []
  // Nose up: what lies aft is drawn further down.
  for (let i = 0; i + 1 < flat.length; i += 2) out.push(`${flat[i + 1]!.toFixed(1)},${flat[i]!.toFixed(1)}`)
  return out.join(' ')
}
const drawing = computed(() => props.layout.drawing)
const frame = computed(() => {
  const { minX, maxX } = drawing.value.box
  const { width, height } = props.boxMm
  return `${-width / 2} ${(minX + maxX) / 2 - height / 2} ${width} ${height}`
})
const rows = computed(() => {
  const { figures: f } = props.layout
  return [
    ['Span', amount(f.spanMm, 'mm')],
    ['Length', amount(f.lengthMm, 'mm')],
    ...(f.longestPartMm === null ? [] : [['Taken apart, longest', amount(Math.ceil(f.longestPartMm), 'mm')]]),
    ['Wing', amount(f.areaDm2, 'dm²', 1)],
    ['Stalls at', amount(f.stallMs, 'm/s', 1)],
    ['Glides', `${figure(f.glide, 1)} : 1`],
    ['Pieces', figure(f.pieces)],
    ['Filament and spars', `${figure(f.cost, 0)} €`],
  ]
})
const parts = computed(() => {
  const { figures: f } = props.layout
  return [f.motor, f.propeller, f.battery].join(', ')
})
</script>

<template>
  <article class="card" :data-layout="layout.kind">
    <h3>{{ layout.label }}</h3>
    <svg :viewBox="frame" class="plan" role="img" :aria-label="`${layout.label} from above`">
      <polyline
        v-for="(boom, i) in drawing.booms"
        :key="i"
        :points="pairs(boom.plan)"
        class="boom"
        :stroke-width="boom.widthMm"
      />
      <polygon v-for="item in drawing.plan" :key="item.id" :points="pairs(item.points)" />
    </svg>
    <p class="quiet small means">{{ layout.means }}.</p>
    <div class="wings">
      <ButterflyWing
        v-for="wing in WINGS"
        :key="wing"
        :verdict="layout.verdicts[wing]"
        :difference="0"
        :ghost="null"
        brief
        :open="why === wing"
        @why="why = why === wing ? null : wing"
      />
    </div>
    <p v-if="why" class="small">{{ worded(layout.verdicts[why].reason) }}</p>
    <dl>
      <template v-for="[name, value] in rows" :key="name"
        ><dt>{{ name }}</dt>
        <dd class="num">{{ value }}</dd></template
      >
    </dl>
    <p class="small quiet">{{ parts }}.</p>
    <ul v-if="layout.gaveUp.length" class="gave small">
      <li v-for="item in layout.gaveUp" :key="item.wish" :data-gave-up="item.wish">
        <span class="bad">Gave up:</span> {{ worded(item.words) }}.
        <span class="quiet">To keep it: {{ worded(item.cost) }}.</span>
      </li>
    </ul>
    <p v-else class="small good">Every wish is met.</p>
    <v-btn color="primary" variant="flat" :disabled="busy" :data-choose="layout.kind" @click="$emit('choose')"
      >Begin with this one</v-btn
    >
  </article>
</template>

<style scoped>
.card {
  display: flex;
  flex-direction: column;
  border: 1px solid var(--hair);
  border-radius: 8px;
  padding: 10px 12px 12px;
  gap: 6px;
}
h3 {
  margin: 0;
  font-size: 15px;
}
.plan {
  width: 100%;
  height: 190px;
}
.plan polygon {
  fill: color-mix(in srgb, rgb(var(--v-theme-on-surface)) 12%, transparent);
  stroke: rgb(var(--v-theme-on-surface));
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
}
.boom {
  fill: none;
  stroke: rgb(var(--v-theme-on-surface));
}
p {
  margin: 0;
}
.wings {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 2px 8px;
}
dl {
  display: grid;
  grid-template-columns: auto auto;
  gap: 2px 10px;
  margin: 0;
  font-size: 13px;
}
dt {
  color: var(--quiet);
}
dd {
  margin: 0;
  text-align: right;
}
.gave {
  margin: 0;
  padding-left: 16px;
}
.v-btn {
  margin-top: auto;
}
</style>
