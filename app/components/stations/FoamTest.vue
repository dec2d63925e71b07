<script setup lang="ts">
/** Calibration of a foaming filament on one printed tube. */
import { beadArea, calibrate, tubeMassG } from '../../../core/printing'
import type { Filament } from '../../../core/libraries'
import type { Recipe } from '../../../core/document'
import { figure } from '~/composables/format'

const props = defineProps<{ filament: Filament, recipe: Recipe }>()
const emit = defineEmits<{ take: [flow: number] }>()
/** The test tube: one bead round, open at both ends. */
const DIAMETER = 40, HEIGHT = 20
const mass = ref<number | null>(null), wall = ref<number | null>(null)
const solid = computed(() => tubeMassG(DIAMETER, HEIGHT, beadArea(props.recipe.beadWidthMm, props.recipe.layerHeightMm), props.recipe.layerHeightMm, props.filament.density))
const result = computed(() => (mass.value && wall.value ? calibrate({ massG: mass.value, solidMassG: solid.value, wallMm: wall.value, beadWidthMm: props.recipe.beadWidthMm, flow: props.recipe.flow }) : null))
const flow = computed(() => (result.value ? Math.round(result.value.flow * 100) / 100 : null))
</script>

<template>
  <details class="test">
    <summary>Calibrate on a test tube</summary>
    <p class="small quiet">Print a tube {{ DIAMETER }} mm across (middle of the bead) and {{ HEIGHT }} mm tall, one bead, open at both ends, at {{ recipe.nozzleC }} °C, flow {{ recipe.flow }}, bead {{ recipe.beadWidthMm }} × {{ recipe.layerHeightMm }} mm. Unfoamed at flow 1 it would weigh <span class="num">{{ figure(solid, 2) }} g</span>.</p>
    <div class="row"><FigureField v-model="mass" label="It weighs" unit="g" :min="0.05" :max="50" :digits="2" optional data-field="test-mass" /><FigureField v-model="wall" label="Its wall" unit="mm" :min="0.1" :max="5" :digits="2" optional data-field="test-wall" /></div>
    <template v-if="result">
      <p class="small">Expansion <span class="num" data-figure="expansion">{{ figure(result.expansion, 2) }}×</span>; the bead was <span class="num">{{ figure(100 * result.fill) }} %</span> full; flow <span class="num">{{ figure(result.flow, 2) }}</span> fills it.</p>
      <v-btn v-if="flow && flow >= 0.2 && flow <= 1.5" size="small" data-act="take-flow" @click="emit('take', flow)">Use flow {{ flow }}</v-btn>
      <p v-else class="bad small">That flow is outside 0.2 to 1.5: weigh and measure again.</p>
    </template>
  </details>
</template>

<style scoped>
.test { border-left: 3px solid var(--hair); padding-left: 10px; } summary { cursor: pointer; font-size: 13px; padding: 4px 0; }
</style>
