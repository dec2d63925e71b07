<script setup lang="ts">
/** How it is thrown, and the throw that would suit it. */
import type { PitchTables } from '../../../core/assess'
import { suitingThrow } from '../../../core/workshop/toss'
import { amount, figure, signedAmount } from '~/composables/format'
import { glideOf, useToss } from '~/composables/useToss'

const { doc, now, payload, cgShiftMm, thrown, set, reset, own, change } = useToss()
const tables = useState<PitchTables | null>('toss-tables', () => null)
/** What an arm throws at most, m/s. */
const ARM = 14
const suits = computed(() =>
  tables.value ? suitingThrow(tables.value, thrown.value, ARM, change.value) : null,
)
const glide = computed(() =>
  tables.value ? glideOf(tables.value, thrown.value.elevatorDeg, change.value.cgShift) : null,
)
const drops = computed(() => now.value.totals.massG > now.value.totals.emptyMassG + 0.05)
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
      class="mb-3"
      label="Speed of the throw"
      unit="m/s"
      :min="0"
      :max="30"
      :model-value="thrown.speedMs"
      data-field="toss-speed"
      @update:model-value="set({ speedMs: $event ?? 0 })"
    />
    <FigureField
      class="mb-3"
      label="Over the horizon"
      unit="°"
      :min="-60"
      :max="60"
      :model-value="thrown.pathDeg"
      data-field="toss-angle"
      @update:model-value="set({ pathDeg: $event ?? 0 })"
    />
    <FigureField
      class="mb-3"
      label="Elevator, down positive"
      unit="°"
      :min="-30"
      :max="30"
      :digits="2"
      :model-value="thrown.elevatorDeg"
      data-field="toss-elevator"
      @update:model-value="set({ elevatorDeg: $event ?? 0 })"
    />
    <FigureField
      class="mb-3"
      label="Balance moved aft"
      unit="mm"
      :min="-150"
      :max="150"
      :model-value="cgShiftMm"
      data-field="toss-cg"
      @update:model-value="cgShiftMm = $event ?? 0"
    />
    <FigureField
      class="mb-3"
      label="Wind against it"
      unit="m/s"
      :min="-5"
      :max="15"
      :model-value="thrown.windMs"
      data-field="toss-wind"
      @update:model-value="set({ windMs: $event ?? 0 })"
    />
    <FigureField
      class="mb-3"
      label="Gust upward after half a second"
      unit="m/s"
      :min="-6"
      :max="6"
      :model-value="thrown.gustMs"
      data-field="toss-gust"
      @update:model-value="set({ gustMs: $event ?? 0 })"
    />
    <FigureField
      class="mb-3"
      label="From a height of"
      unit="m"
      :min="0.3"
      :max="100"
      :model-value="thrown.heightM"
      data-field="toss-height"
      @update:model-value="set({ heightM: $event ?? 1.8 })"
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
