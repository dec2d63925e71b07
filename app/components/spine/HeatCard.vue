<script setup lang="ts">
/**
 * Sun and air: how hot a skin gets in each colour, what strength that leaves, and which filament would stand
 * it.
 */
import { figure } from '~/composables/format'
import { useAside } from '~/composables/useAside'
import { useBench } from '~/composables/useBench'

const { doc, edit } = useBench()
const { answer, busy } = useAside((core, doc) => core.heat(doc))
type Colour = typeof doc.value.brief.colour
const colour = computed({
  get: () => doc.value.brief.colour,
  set: (value: Colour) =>
    edit(`Paint it ${value}`, draft => {
      draft.brief.colour = value
    }),
})
const colours: Array<{ title: string; value: Colour }> = (['white', 'bright', 'dark', 'black'] as const).map(
  value => ({ title: value, value }),
)
const cases = computed(() => (answer.value?.cases ?? []).filter(item => item.colour === colour.value))
const zones = computed(() => cases.value[0]?.left ?? [])
const stands = computed(() => {
  const car = cases.value.find(item => item.place === 'car')
  return car?.stands ?? []
})
</script>

<template>
  <div>
    <div class="top">
      <v-select
        v-model="colour"
        :items="colours"
        label="Colour of the skin"
        density="compact"
        class="narrow"
        data-field="heat-colour"
      />
      <p v-if="answer" class="lead">
        Air at {{ answer.airC }} °C, from the brief. Strength and stiffness fall straight from the data
        sheet's 23 °C to nothing where the filament softens. The verdict is that in the air, in the brief's
        colour; a launch is held against skin that stood in still air.
      </p>
    </div>
    <p v-if="!answer" class="quiet">Heating the aircraft …</p>
    <table v-else class="ledger" :aria-busy="busy" data-table="heat">
      <thead>
        <tr>
          <th>In the sun</th>
          <th class="r">Skin</th>
          <th v-for="zone in zones" :key="zone.zone" class="r">{{ zone.name.slice(0, 22) }}</th>
          <th class="r">Least reserve</th>
        </tr>
      </thead>
      <tbody>
        <tr>
          <td class="quiet">softens at</td>
          <td />
          <td v-for="zone in zones" :key="zone.zone" class="r num quiet">{{ zone.softeningC }} °C</td>
          <td class="r num quiet">{{ figure(answer.coldReserve, 2) }} at 23 °C</td>
        </tr>
        <tr v-for="item in cases" :key="item.place" :data-heat="item.place">
          <td>{{ item.placeLabel }}</td>
          <td class="r num">{{ figure(item.temperatureC) }} °C</td>
          <td
            v-for="zone in item.left"
            :key="zone.zone"
            class="r num"
            :class="{ bad: zone.left < 0.1, warn: zone.left >= 0.1 && zone.left < 0.5 }"
          >
            {{ zone.left <= 0 ? 'sags' : `${figure(100 * zone.left)} % left` }}
          </td>
          <td class="r num" :class="{ bad: item.reserve !== null && item.reserve < 1 }">
            {{ item.reserve === null ? 'not flown' : figure(item.reserve, 2) }}
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="answer" class="small">
      {{
        stands.length
          ? `Would keep its shape in the parked car: ${stands.join(', ')}.`
          : 'Nothing in the library keeps its shape in the parked car in this colour: leave it in the shade, or cover it.'
      }}
    </p>
    <p class="small quiet">
      T = air + α·G/h for a thin skin square to the sun: 900 W/m² outside, 600 behind glass in a car 25 K
      warmer; h = 50 W/m²K in flight, 12 in still air, 9 in the car; α = 0.25 white, 0.45 bright, 0.75 dark,
      0.92 black.
    </p>
  </div>
</template>

<style scoped>
.top {
  display: grid;
  grid-template-columns: 170px 1fr;
  gap: 16px;
  align-items: center;
}
.narrow {
  max-width: 170px;
}
@media (max-width: 700px) {
  .top {
    grid-template-columns: 1fr;
  }
}
</style>
