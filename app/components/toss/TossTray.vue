<script setup lang="ts">
/** How it is thrown, and the throw that would suit it. */
import type { PitchTables } from '../../../core/assess'
import { steadyGlide, suitingThrow, type Throw } from '../../../core/workshop/toss'
import { amount, figure, signedAmount } from '~/composables/format'
import { useAside } from '~/composables/useAside'
import { useToss } from '~/composables/useToss'

const { doc, now, payload, cgShiftMm, thrown, set, reset, own, cgShift } = useToss()
const tables = useState<PitchTables | null>('toss-tables', () => null)
/** What an arm throws at most, m/s. */
const ARM = 14
const suits = computed(() =>
  tables.value ? suitingThrow(tables.value, thrown.value, ARM, cgShift.value) : null,
)
const glide = computed(() =>
  tables.value ? steadyGlide(tables.value, thrown.value.elevatorDeg, cgShift.value) : null,
)
const drops = computed(() => now.value.totals.massG > now.value.totals.emptyMassG + 0.05)
const of = (key: keyof Throw) => ({ value: thrown.value[key], set: (value: number) => set({ [key]: value }) })
const fields = computed(() => [
  { id: 'speed', label: 'Speed of the throw', unit: 'm/s', min: 0, max: 30, ...of('speedMs') },
  { id: 'angle', label: 'Over the horizon', unit: '°', min: -60, max: 60, ...of('pathDeg') },
  { id: 'elevator', label: 'Elevator, down positive', unit: '°', min: -30, max: 30, ...of('elevatorDeg') },
  {
    id: 'cg',
    label: 'Balance moved aft',
    unit: 'mm',
    min: -150,
    max: 150,
    value: cgShiftMm.value,
    set: (value: number) => {
      cgShiftMm.value = value
    },
  },
  { id: 'wind', label: 'Wind against it', unit: 'm/s', min: -5, max: 15, ...of('windMs') },
  { id: 'gust', label: 'Gust upward after half a second', unit: 'm/s', min: -6, max: 6, ...of('gustMs') },
  { id: 'height', label: 'From a height of', unit: 'm', min: 0.3, max: 100, ...of('heightM') },
])
/** Asked again for another aircraft or another throw. */
const { answer: forgives, fresh: forgiven } = useAside(
  async core =>
    tables.value ? core.survivingBalance(toRaw(tables.value), { ...thrown.value }) : { foreMm: 0, aftMm: 0 },
  () => `${JSON.stringify(thrown.value)} ${tables.value?.cgX} ${tables.value?.mass}`,
)
const range = computed(() =>
  forgives.value && forgives.value.aftMm - forgives.value.foreMm > 0.5
    ? [forgives.value.foreMm, forgives.value.aftMm].map(shift => 1000 * (tables.value?.cgX ?? 0) + shift)
    : null,
)
function take() {
  if (suits.value)
    set({
      speedMs: Math.round(10 * suits.value.speedMs) / 10,
      pathDeg: Math.round(10 * suits.value.pathDeg) / 10,
    })
}
</script>

<template>
  <div>
    <FigureField
      v-for="field in fields"
      :key="field.id"
      class="mb-3"
      :label="field.label"
      :unit="field.unit"
      :min="field.min"
      :max="field.max"
      :digits="2"
      :model-value="field.value"
      :data-field="`toss-${field.id}`"
      @update:model-value="field.set($event ?? field.value)"
    />
    <label v-if="drops" class="tick"
      ><input v-model="payload" type="checkbox" data-field="toss-payload" /> with its payload</label
    >
    <v-btn
      v-if="Object.keys(own).length || cgShiftMm"
      size="small"
      variant="text"
      data-act="toss-reset"
      @click="reset"
      >As trimmed and thrown level</v-btn
    >
    <h3>The throw that suits it</h3>
    <p v-if="glide && suits" class="small" data-figure="suits">
      With this elevator it glides at <b class="num">{{ amount(glide.speedMs, 'm/s', 1) }}</b>, one in
      <span class="num">{{ figure(glide.ratio, 1) }}</span>: thrown at
      <b class="num">{{ amount(suits.speedMs, 'm/s', 1) }}</b> and
      <b class="num">{{ signedAmount(suits.pathDeg, '°', 1) }}</b> it simply goes on.
      <v-btn size="small" data-act="take-suiting" @click="take">Take it</v-btn>
    </p>
    <p v-else-if="tables" class="small bad" role="status">
      With this elevator and balance it settles at no speed before the stall: more up elevator, or the balance
      further forward.
    </p>
    <p v-if="forgives" class="small" :class="{ quiet: !forgiven }" data-figure="forgives">
      <template v-if="range"
        >This throw still glides with the balance from <b class="num">{{ amount(range[0], 'mm') }}</b> to
        <b class="num">{{ amount(range[1], 'mm') }}</b>.</template
      ><template v-else>This throw does not glide at the balance as drawn.</template>
    </p>
    <p class="small">
      Balance now {{ amount(now.totals.cgMm[0] + cgShiftMm, 'mm') }}; allowed
      {{ amount(now.flight.cgRangeMm[0], 'mm') }} to {{ amount(now.flight.cgRangeMm[1], 'mm') }}.
    </p>
    <p class="small caution">
      ⚠ Propeller off or battery out for a toss. Over long grass, into the wind, nobody ahead;
      {{ doc.name }} may turn.
    </p>
  </div>
</template>
