<script setup lang="ts">
/** What the weighings have taught: each filament, printer and recipe, and the pieces that surprise. */
import { figure, signed } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { LIBRARIES } from '../../../core/libraries'
import { OUTLIER } from '../../../core/mass'

const { now } = useBench()
const forecast = computed(() => now.value.forecast)
const odd = computed(() => forecast.value.surprises.filter(item => Math.abs(item.z) > 2))
const nameOf = (id: string) => now.value.pieces.find(piece => piece.id === id)?.name ?? id
const schoolOf = (id: string) => LIBRARIES.schools.find(school => school.id === id)?.name ?? id
const CAUSES = { filament: 'Filament', printer: 'Printer', recipe: 'Recipe' } as const
</script>

<template>
  <div class="beside">
    <ForecastChart />
    <div>
      <table class="ledger" data-table="taught">
        <thead>
          <tr>
            <th>What the weighings taught</th>
            <th class="r">Heavier than predicted by</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="item in forecast.offsets" :key="`${item.cause} ${item.name}`">
            <td>
              <span class="quiet">{{ CAUSES[item.cause] }}</span>
              {{ item.cause === 'recipe' ? schoolOf(item.name) : item.name }}
            </td>
            <td class="r num">
              {{ signed(item.percent, 1) }} % <span class="quiet">± {{ figure(item.sigmaPercent, 1) }}</span>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-for="item in odd" :key="item.piece" :class="Math.abs(item.z) > OUTLIER ? 'bad' : 'quiet'">
        {{ nameOf(item.piece) }} is {{ figure(Math.abs(item.z), 1) }} standard deviations
        {{ item.z > 0 ? 'heavier' : 'lighter' }} than the others say{{
          Math.abs(item.z) > OUTLIER
            ? ': weigh it again. Until then it teaches nothing; its own weight counts.'
            : '.'
        }}
      </p>
    </div>
  </div>
</template>

<style scoped>
.beside {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 24px;
  align-items: start;
}
@media (max-width: 900px) {
  .beside {
    grid-template-columns: 1fr;
  }
}
</style>
