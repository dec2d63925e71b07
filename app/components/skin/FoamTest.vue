<script setup lang="ts">
/** Calibration of a foaming filament on printed tubes, and its curve over temperature. */
import { useTheme } from 'vuetify'
import type { Recipe } from '../../../core/document'
import { expansionAt, LIBRARIES, type Filament } from '../../../core/libraries'
import { calibratedFilaments } from '../../../core/assess'
import { beadSection } from '../../../core/document'
import { calibrate, TEST_TUBE, testTube, tubeMassG, writeStl } from '../../../core/printing'
import { download } from '~/composables/download'
import { amount, figure, today } from '~/composables/format'
import { plotAxis, Scatter, STILL } from '~/composables/plot'
import { useBench } from '~/composables/useBench'

const props = defineProps<{ filament: Filament; recipe: Recipe }>()
const emit = defineEmits<{ take: [flow: number] }>()
const { doc, edit } = useBench()
const mass = ref<number | null>(null),
  wall = ref<number | null>(null)
const nozzle = ref<number | null>(props.recipe.nozzleC),
  used = ref<number | null>(props.recipe.flow)
watch(
  () => [props.recipe.nozzleC, props.recipe.flow],
  ([c, f]) => {
    nozzle.value = c
    used.value = f
  },
)
const solid = computed(() =>
  tubeMassG(
    TEST_TUBE.diameterMm,
    TEST_TUBE.heightMm,
    beadSection(props.recipe),
    props.recipe.layerHeightMm,
    props.filament.density,
  ),
)
const result = computed(() =>
  mass.value && wall.value && nozzle.value && used.value
    ? calibrate({
        massG: mass.value,
        solidMassG: solid.value,
        wallMm: wall.value,
        beadWidthMm: props.recipe.beadWidthMm,
        flow: used.value,
      })
    : null,
)
const flow = computed(() => (result.value ? Math.round(result.value.flow * 100) / 100 : null))
const sane = computed(
  () =>
    !!flow.value &&
    flow.value >= 0.2 &&
    flow.value <= 1.5 &&
    result.value!.expansion >= 0.8 &&
    result.value!.expansion <= 4,
)
const own = computed(() =>
  doc.value.calibrations
    .map((item, i) => ({ ...item, i }))
    .filter(item => item.filament === props.filament.id),
)

function keep() {
  const point = {
    filament: props.filament.id,
    nozzleC: nozzle.value!,
    expansion: Math.round(result.value!.expansion * 1000) / 1000,
    date: today(),
  }
  edit(`${props.filament.name}: test tube at ${nozzle.value} °C`, draft => {
    draft.calibrations.push(point)
  })
  // The zone prints at the tested temperature, so its flow follows at once; elsewhere the curve is all that
  // changes.
  if (Math.abs(nozzle.value! - props.recipe.nozzleC) < 0.5) emit('take', flow.value!)
  mass.value = wall.value = null
}
const takePiece = () =>
  download('test-tube.stl', writeStl(testTube(props.recipe.beadWidthMm), 'test tube'), 'model/stl')

const theme = useTheme()
const curve = computed(() => {
  const library = LIBRARIES.filaments.find(item => item.id === props.filament.id) ?? props.filament
  const [fixed] = calibratedFilaments([library], doc.value.calibrations)
  const [low, high] = library.nozzleC
  const line = (filament: Filament) =>
    Array.from({ length: 27 }, (_, i) => low + ((high - low) * i) / 26).map(x => ({
      x,
      y: expansionAt(filament, x),
    }))
  const ink = String(theme.current.value.colors['on-background']),
    strong = String(theme.current.value.colors.primary)
  return {
    data: {
      datasets: [
        {
          label: 'typical',
          data: line(library),
          showLine: true,
          borderColor: ink,
          borderDash: [4, 4],
          pointRadius: 0,
          borderWidth: 1,
        },
        {
          label: 'yours',
          data: own.value.length ? line(fixed) : [],
          showLine: true,
          borderColor: strong,
          pointRadius: 0,
          borderWidth: 2,
        },
        {
          label: 'test tubes',
          data: own.value.map(item => ({ x: item.nozzleC, y: item.expansion })),
          borderColor: strong,
          backgroundColor: strong,
          pointRadius: 5,
          pointStyle: 'rectRot' as const,
        },
      ],
    },
    options: {
      ...STILL,
      plugins: { legend: { display: false } },
      scales: {
        x: plotAxis('nozzle, °C', ink),
        y: plotAxis('expansion, ×', ink, { most: 5 }),
      },
    },
  }
})
</script>

<template>
  <details class="test" data-test-tube>
    <summary>Calibrate on a test tube{{ own.length ? ` (${own.length} measured)` : '' }}</summary>
    <p class="small quiet">
      A tube {{ TEST_TUBE.diameterMm }} mm across (middle of the bead) and {{ TEST_TUBE.heightMm }} mm tall:
      one bead round, nothing inside, no base, no top, bead {{ recipe.beadWidthMm }} ×
      {{ recipe.layerHeightMm }} mm. Unfoamed at flow 1 it would weigh
      <span class="num">{{ amount(solid, 'g', 2) }}</span>.
    </p>
    <v-btn size="x-small" data-act="test-piece" @click="takePiece">The test tube as STL</v-btn>
    <div class="row mt">
      <FigureField
        v-model="nozzle"
        label="Printed at"
        unit="°C"
        :min="150"
        :max="320"
        :digits="0"
        data-field="test-nozzle"
      /><FigureField
        v-model="used"
        label="With flow"
        unit="×"
        :min="0.2"
        :max="1.5"
        :digits="2"
        data-field="test-flow"
      />
    </div>
    <div class="row">
      <FigureField
        v-model="mass"
        label="It weighs"
        unit="g"
        :min="0.05"
        :max="50"
        :digits="2"
        optional
        data-field="test-mass"
      /><FigureField
        v-model="wall"
        label="Its wall"
        unit="mm"
        :min="0.1"
        :max="5"
        :digits="2"
        optional
        data-field="test-wall"
      />
    </div>
    <template v-if="result">
      <p class="small">
        Expansion <span class="num" data-figure="expansion">{{ figure(result.expansion, 2) }}×</span>; the
        bead was <span class="num">{{ figure(100 * result.fill) }} %</span> full<template
          v-if="result.fill < 0.95"
          >, starved and weak</template
        ><template v-else-if="result.fill > 1.05">, proud and heavy to sand</template>; flow
        <span class="num">{{ figure(result.flow, 2) }}</span> fills it.
      </p>
      <v-btn v-if="sane" size="small" data-act="take-flow" @click="keep"
        >Keep it, and use flow {{ flow }}</v-btn
      >
      <p v-else class="bad small">
        That is outside what filament does (flow 0.2 to 1.5, expansion 0.8 to 4): weigh and measure again.
      </p>
    </template>
    <div class="curve">
      <Scatter :data="curve.data" :options="curve.options" aria-label="Expansion over nozzle temperature" />
    </div>
    <p class="small quiet">
      Dashed: typical. Line: through your tubes; between them the ratio to the typical curve runs straight,
      beyond them it is held.
    </p>
    <ul v-if="own.length" class="own">
      <li v-for="item in own" :key="item.i" class="small">
        <span class="num">{{ item.nozzleC }} °C: {{ figure(item.expansion, 2) }}×</span>, {{ item.date }}
        <v-btn
          variant="text"
          size="x-small"
          @click="
            edit(`Forget a test tube at ${item.nozzleC} °C`, d => {
              d.calibrations.splice(item.i, 1)
            })
          "
          >Forget</v-btn
        >
      </li>
    </ul>
  </details>
</template>

<style scoped>
.test {
  border-left: 3px solid var(--hair);
  padding-left: 10px;
}
summary {
  cursor: pointer;
  font-size: 13px;
  padding: 4px 0;
}
.curve {
  height: 150px;
  margin-top: 8px;
}
.own {
  list-style: none;
  padding: 0;
  margin: 0;
}
.mt {
  margin-top: 10px;
}
</style>
