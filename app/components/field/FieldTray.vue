<script setup lang="ts">
/** The air and the pack of today; what the scale and the stand said. */
import { packLife } from '../../../core/workshop/field'
import { amount, figure, today, worded } from '~/composables/format'
import type { FieldOf } from '~/components/common/FigureFields.vue'
import { useBench } from '~/composables/useBench'
import { useInstruments } from '~/composables/useInstruments'

const { doc, edit } = useBench()
const { mast } = useInstruments()
const setMeasured = (field: 'massG' | 'cgMm' | 'thrustG', label: string) => (value: number | null) =>
  edit(`Enter ${label}`, draft => {
    draft.measured[field] = value
  })
const setAir =
  (field: 'windMs' | 'gustMs' | 'airC' | 'pressureHpa' | 'chargePct', label: string) =>
  (value: number | null) =>
    edit(`Enter ${label}`, draft => {
      draft.field[field] = value
      draft.field.date = today()
    })
const air = computed((): FieldOf[] => {
  const { windMs, gustMs, airC, pressureHpa } = doc.value.field
  const of = (
    [id, label, unit]: [string, string, string],
    [min, max]: [number, number],
    value: number | null,
    set: FieldOf['set'],
  ) => ({ id, label, unit, min, max, value, set, optional: true })
  return [
    of(['field-wind', 'Wind', 'm/s'], [0, 40], windMs, setAir('windMs', 'the wind')),
    of(['field-gust', 'Gusts', 'm/s'], [0, 60], gustMs, setAir('gustMs', 'the gusts')),
    of(['field-air', 'Air', '°C'], [-40, 60], airC, setAir('airC', 'the temperature')),
    of(
      ['field-pressure', 'Pressure here', 'hPa'],
      [400, 1100],
      pressureHpa,
      setAir('pressureHpa', 'the pressure'),
    ),
  ]
})
const measured = computed((): FieldOf[] => {
  const { massG, cgMm, thrustG } = doc.value.measured
  return [
    {
      id: 'measured-mass',
      label: 'Weight, no payload',
      unit: 'g',
      min: 1,
      max: 20000,
      optional: true,
      value: massG,
      set: setMeasured('massG', 'the measured weight'),
    },
    {
      id: 'measured-cg',
      label: 'Balance point, no payload',
      unit: 'mm',
      min: -2000,
      max: 4000,
      optional: true,
      value: cgMm,
      set: setMeasured('cgMm', 'the measured balance point'),
    },
    {
      id: 'measured-thrust',
      label: 'Static thrust',
      unit: 'g',
      min: 0,
      max: 20000,
      digits: 0,
      optional: true,
      value: thrustG,
      set: setMeasured('thrustG', 'the static thrust'),
    },
  ]
})
/** Air of another day is shown as what it is. */
const stale = computed(() => {
  const { date, windMs, airC } = doc.value.field
  return (windMs !== null || airC !== null) && date !== null && date !== today()
})
const clear = () =>
  edit('A new day at the field', draft => {
    Object.assign(draft.field, { date: today(), windMs: null, gustMs: null, airC: null, pressureHpa: null })
  })
const takeMast = () => {
  if (!mast.value) return
  const { windMs, gustMs, airC, pressureHpa } = mast.value
  edit('Air from the weather mast', draft => {
    Object.assign(draft.field, { date: today(), windMs, gustMs, airC, pressureHpa })
  })
}
const packs = computed(() => [
  { title: 'as designed', value: null as string | null },
  ...doc.value.field.packs
    .filter(pack => !pack.retired)
    .map(pack => ({ title: pack.name, value: pack.id as string | null })),
])
const pack = computed(() =>
  packs.value.some(item => item.value === doc.value.field.pack) ? doc.value.field.pack : null,
)
const life = computed(() => {
  const own = doc.value.field.packs.find(item => item.id === pack.value)
  return own ? packLife(doc.value, own) : null
})
const setPack = (id: string | null) =>
  edit('The pack that flies next', draft => {
    draft.field.pack = id
    draft.field.chargePct = null
  })
</script>

<template>
  <div class="stack">
    <h3 class="first">Air of today</h3>
    <p v-if="stale" class="bad" data-stale>
      Of {{ doc.field.date }}, not of today.
      <v-btn size="small" variant="text" @click="clear">Clear it</v-btn>
    </p>
    <div v-if="mast" class="mast" data-mast>
      <span class="num small"
        >{{ mast.name }}: {{ figure(mast.windMs, 1) }}, gusts {{ amount(mast.gustMs, 'm/s', 1) }} from
        {{ amount(mast.fromDeg, '°') }}; {{ amount(mast.airC, '°C', 1) }},
        {{ amount(mast.pressureHpa, 'hPa', 1) }}</span
      >
      <v-btn size="small" :disabled="!mast.settled" data-act="take-mast" @click="takeMast">Take it</v-btn>
    </div>
    <FigureFields :fields="air" pairs />
    <p class="small quiet">Pressure at the place itself, not brought to sea level as forecasts give it.</p>
    <h3>Pack that flies next</h3>
    <div class="row">
      <v-select
        :model-value="pack"
        :items="packs"
        label="Pack"
        data-field="field-pack"
        @update:model-value="setPack"
      />
      <FigureField
        label="Charge"
        :model-value="doc.field.chargePct"
        unit="%"
        :min="0"
        :max="100"
        :digits="0"
        optional
        data-field="field-charge"
        @update:model-value="setAir('chargePct', 'the charge')($event)"
      />
    </div>
    <p v-if="life" class="small quiet" data-figure="pack-life">
      {{ life.cycles }} charges; {{ worded(life.reason) }}.
    </p>
    <h3>Measured on the bench</h3>
    <FigureFields :fields="measured" />
    <p class="caution">
      First throw into the wind, level, over soft ground, on low rates, with somebody watching the sky. Look
      the airframe over after every landing.
    </p>
  </div>
</template>

<style scoped>
.first {
  margin-top: 0;
}
.mast {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  align-items: center;
  border: 1px solid var(--hair);
  border-radius: 6px;
  padding: 6px 10px;
}
</style>
