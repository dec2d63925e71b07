<script setup lang="ts">
/** How it is thrown, and the throw that would suit it. */
import {
  alongTable,
  elevatorOf,
  armEnds,
  GRASS,
  stallCost,
  RUNWAY,
  steadyGlide,
  suitingThrow,
  wheeledRun,
  type Throw,
} from '../../../core/workshop/toss'
import { amount, figure, signedAmount } from '~/composables/format'
import { useAside } from '~/composables/useAside'
import { useToss, useTossing } from '~/composables/useToss'

const { doc, now, payload, cgShiftMm, thrown, set, reset, own, cgShift } = useToss()
const { tables, pull, dummies } = useTossing()
/** What an arm throws at most, m/s. */
const ARM = 14
const suits = computed(() =>
  tables.value ? suitingThrow(tables.value, thrown.value, ARM, cgShift.value) : null,
)
const glide = computed(() =>
  tables.value ? steadyGlide(tables.value, elevatorOf(tables.value, thrown.value), cgShift.value) : null,
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
  ...(tables.value?.tailDeg
    ? [{ id: 'tail', label: 'Tail turned, nose up', unit: '°', min: -15, max: 15, ...of('tailDeg') }]
    : []),
  { id: 'wind', label: 'Wind against it', unit: 'm/s', min: -5, max: 15, ...of('windMs') },
  { id: 'gust', label: 'Gust upward after half a second', unit: 'm/s', min: -6, max: 6, ...of('gustMs') },
  { id: 'height', label: 'From a height of', unit: 'm', min: 0.3, max: 100, ...of('heightM') },
  ...(pull.value
    ? [
        { id: 'throttle', label: 'Throttle', unit: '%', min: 0, max: 100, ...of('throttlePct') },
        {
          id: 'power-after',
          label: 'Power on after it is let go',
          unit: 's',
          min: 0,
          max: 10,
          ...of('powerAfterS'),
        },
      ]
    : []),
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
const pullAt = (speed: number): number => alongTable(toRaw(pull.value!), speed)
const arm = computed(() =>
  tables.value && pull.value
    ? armEnds(doc.value.brief.throwMs, pullAt(doc.value.brief.throwMs / 2), tables.value.mass)
    : null,
)
const stallM = computed(() =>
  tables.value ? stallCost(toRaw(tables.value), elevatorOf(tables.value, thrown.value), cgShift.value) : null,
)
const runs = computed(() =>
  tables.value && pull.value && doc.value.brief.launch === 'wheels'
    ? [
        {
          label: 'short grass',
          ...wheeledRun(tables.value, pullAt, GRASS, Math.max(0, thrown.value.windMs)),
        },
        {
          label: 'hard runway',
          ...wheeledRun(tables.value, pullAt, RUNWAY, Math.max(0, thrown.value.windMs)),
        },
      ]
    : [],
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
    <p v-if="forgives && tables && forgiven" class="small" data-figure="forgives">
      <template v-if="range"
        >This throw still glides with the balance from <b class="num">{{ amount(range[0], 'mm') }}</b> to
        <b class="num">{{ amount(range[1], 'mm') }}</b>.</template
      ><template v-else>This throw does not glide at the balance as drawn.</template>
    </p>
    <p class="small">
      Balance now {{ amount(now.totals.cgMm[0] + cgShiftMm, 'mm') }}; allowed
      {{ amount(now.flight.cgRangeMm[0], 'mm') }} to {{ amount(now.flight.cgRangeMm[1], 'mm') }}.
    </p>
    <p v-if="tables" class="small" data-figure="stall-cost">
      <template v-if="stallM !== null"
        >A stall let go of with this elevator costs <b class="num">{{ amount(stallM, 'm', 1) }}</b> of height
        until it has a fifth more than its stall again, and levelling off as much: try it high.</template
      ><template v-else>With this elevator and balance it does not come out of a stall by itself.</template>
    </p>
    <template v-if="arm !== null">
      <h3>With power</h3>
      <p class="small" data-figure="arm">
        The throw of the brief, {{ amount(doc.brief.throwMs, 'm/s', 1) }}, with the motor full on leaves the
        hand at <b class="num">{{ amount(arm, 'm/s', 1) }}</b>.
        <v-btn
          size="small"
          data-act="throw-powered"
          @click="set({ throttlePct: 100, powerAfterS: 0, speedMs: Math.round(10 * arm) / 10, pathDeg: 8 })"
          >Throw it so</v-btn
        >
      </p>
      <p v-for="run in runs" :key="run.label" class="small">
        On {{ run.label }} it leaves at {{ amount(run.liftOffMs, 'm/s', 1) }}
        <template v-if="run.distanceM !== null"
          >after <b class="num">{{ amount(run.distanceM, 'm') }}</b> and
          {{ amount(run.seconds ?? 0, 's', 1) }}.</template
        ><template v-else><b class="bad">never: it does not gain speed</b>.</template>
      </p>
    </template>
    <template v-if="dummies">
      <h3>An empty shell, tossed like the finished one</h3>
      <p class="small" data-figure="dummies">
        The shell alone weighs {{ amount(dummies.shellG, 'g') }}. Tape
        <template v-for="(bag, i) in dummies.bags" :key="i"
          ><template v-if="i"> and </template><b class="num">{{ amount(bag.massG, 'g') }}</b> at
          <b class="num">{{ amount(bag.xMm, 'mm') }}</b></template
        >
        from the nose’s datum: it balances at {{ amount(dummies.cgMm, 'mm') }} and nods
        {{
          Math.abs(dummies.inertiaShare - 1) < 0.03
            ? 'as'
            : dummies.inertiaShare < 1
              ? 'quicker than'
              : 'slower than'
        }}
        the finished aircraft.
      </p>
    </template>
    <p class="small caution">
      ⚠ Propeller off or battery out for a toss. Over long grass, into the wind, nobody ahead;
      {{ doc.name }} may turn.
    </p>
  </div>
</template>
