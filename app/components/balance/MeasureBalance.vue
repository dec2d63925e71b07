<script setup lang="ts">
/** The real aircraft on two scales, on the fingers or on the cradle, against what was computed. */
import { fromTwoScales } from '../../../core/workshop/balance'
import { download, fileName } from '~/composables/download'
import { amount, amountOf, figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'

const { doc, now, edit } = useBench()
const scales = computed(() => doc.value.measured.scales)
const t = computed(() => now.value.totals)
type Field = 'foreMm' | 'foreG' | 'aftMm' | 'aftG'
const start = computed(() => ({
  foreMm: Math.round(now.value.plan.macLeadMm),
  foreG: 0,
  aftMm: Math.round(0.85 * now.value.drawing.box.maxX),
  aftG: 0,
}))
const set = (field: Field, label: string) => (value: number | null) =>
  edit(`Two scales: ${label}`, draft => {
    draft.measured.scales = { ...start.value, ...draft.measured.scales, [field]: value ?? 0 }
  })
const reading = computed(() =>
  scales.value && scales.value.foreG + scales.value.aftG > 0 ? fromTwoScales(scales.value) : null,
)
const result = computed(() => (reading.value && 'massG' in reading.value ? reading.value : null))
const off = computed(() => (result.value ? result.value.cgMm - t.value.cgEmptyMm[0] : 0))
const sigma = computed(() => (result.value ? Math.hypot(result.value.sigmaMm, t.value.cgSpreadMm) : 0))
function take() {
  const { massG, cgMm } = result.value!
  edit('Take weight and balance from two scales', draft => {
    draft.measured.massG = Math.round(massG * 10) / 10
    draft.measured.cgMm = Math.round(cgMm * 10) / 10
  })
}
const core = useCore('aside')
const making = ref(false),
  fault = ref('')
async function cradle() {
  making.value = true
  fault.value = ''
  try {
    const zip = await core.balanceTemplates(toRaw(doc.value))
    if (zip) download(`${fileName(doc.value.name)}-balance-aids.zip`, zip, 'application/zip')
    else
      fault.value =
        'The band lies outside the chord near the root, so nothing can stand under it there: mend the balance band first.'
  } catch (error) {
    fault.value = (error as Error).message
  }
  making.value = false
}
/** Distances that a ruler finds: from the wing's leading edge at the root. */
const fromLead = computed(() => ({
  fore: now.value.flight.cgRangeMm[0] - doc.value.wing.xMm,
  aim: now.value.flight.cgAimMm - doc.value.wing.xMm,
  aft: now.value.flight.cgRangeMm[1] - doc.value.wing.xMm,
}))
</script>

<template>
  <div class="split">
    <div>
      <h2>Two scales</h2>
      <p class="lead">
        Level, payload out, battery in its place, one support under the wing and one under the tail. Places
        are mm aft of the nose.
      </p>
      <div class="row">
        <FigureField
          label="Front support at"
          :model-value="scales?.foreMm ?? start.foreMm"
          unit="mm"
          :min="-2000"
          :max="4000"
          data-field="scale-fore-mm"
          @update:model-value="set('foreMm', 'front support')($event)"
        /><FigureField
          label="Its scale reads"
          :model-value="scales?.foreG ?? null"
          unit="g"
          :min="0"
          :max="20000"
          optional
          data-field="scale-fore-g"
          @update:model-value="set('foreG', 'front reading')($event)"
        />
      </div>
      <div class="row">
        <FigureField
          label="Rear support at"
          :model-value="scales?.aftMm ?? start.aftMm"
          unit="mm"
          :min="-2000"
          :max="4000"
          data-field="scale-aft-mm"
          @update:model-value="set('aftMm', 'rear support')($event)"
        /><FigureField
          label="Its scale reads"
          :model-value="scales?.aftG ?? null"
          unit="g"
          :min="0"
          :max="20000"
          optional
          data-field="scale-aft-g"
          @update:model-value="set('aftG', 'rear reading')($event)"
        />
      </div>
      <p v-if="reading && 'fault' in reading" class="bad small" role="alert">{{ reading.fault }}</p>
      <template v-if="result">
        <p>
          Weighs <b class="num">{{ amount(result.massG, 'g', 1) }}</b>, balances at
          <b class="num" data-figure="scale-cg"
            >{{ amountOf(result.cgMm, 'mm', 1) }} ± {{ amount(result.sigmaMm, 'mm', 1) }}</b
          >; computed {{ amount(t.emptyMassG, 'g', 1) }} at {{ amountOf(t.cgEmptyMm[0], 'mm', 1) }} ±
          {{ amount(t.cgSpreadMm, 'mm', 1) }}.
          <span v-if="Math.abs(off) > 2 * sigma" class="bad"
            >{{ amount(Math.abs(off), 'mm', 1) }} {{ off > 0 ? 'aft' : 'forward' }} of it, more than both
            spreads explain: look for a mass that is missing or misplaced.</span
          ><span v-else class="quiet">Within their spreads.</span>
        </p>
        <v-btn data-act="take-scales" @click="take">Take both as measured</v-btn>
      </template>
    </div>
    <div>
      <h2>Cradle and marks</h2>
      <p class="lead">
        Where to mark the wing's underside, from its leading edge at the root:
        <b class="num">{{ figure(fromLead.fore, 1) }}</b> to
        <b class="num">{{ amount(fromLead.aft, 'mm', 1) }}</b>, aim
        <b class="num">{{ amount(fromLead.aim, 'mm', 1) }}</b>.
      </p>
      <p class="small">
        Printed aids made for this wing: two uprights whose fence takes the leading edge and whose ridge
        stands under the aim, a bar that holds them apart, and a gauge that hooks over the leading edge with a
        notch at each end of the band and a deeper one at the aim.
      </p>
      <v-btn :loading="making" data-act="cradle" @click="cradle">Cradle and gauge as STL</v-btn>
      <p v-if="fault" class="bad small" role="alert">{{ fault }}</p>
      <p class="small quiet">
        Scales ± 1 g and supports ± 0.5 mm, one standard deviation. Print uprights and gauge lying down; the
        edges that touch the wing deserve a strip of tape.
      </p>
    </div>
  </div>
</template>

<style scoped>
.split {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 26px;
}
@media (max-width: 900px) {
  .split {
    grid-template-columns: 1fr;
  }
}
</style>
