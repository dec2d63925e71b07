<script setup lang="ts">
/**
 * Every filament in a zone, or in everything that is printed: what it would weigh, where it would balance,
 * what to buy.
 */
import type { FilamentSwap } from '../../../core/study/compared'
import { amount, figure, signed, worded } from '~/composables/format'
import { useAside } from '~/composables/useAside'
import { useBench } from '~/composables/useBench'

const { doc, now, project } = useBench()
const zone = useState<string>('swap-zone', () => 'all')
const zones = computed(() => [
  { title: 'Everything that is printed', value: 'all' },
  ...doc.value.zones.map(item => ({ title: item.name, value: item.id })),
])
const chosen = computed(() => (zones.value.some(item => item.value === zone.value) ? zone.value : 'all'))
const { answer, busy, fault, of, askedFor, fresh } = useAside(
  (core, subject) => core.filamentSwaps(subject, chosen.value === 'all' ? null : chosen.value),
  () => chosen.value,
)
const present = computed(() => now.value.totals)
const take = (row: FilamentSwap) =>
  project.takeOffer(
    `${zones.value.find(item => item.value === askedFor.value)?.title} in ${row.name}`,
    row.change,
    fresh.value ? of.value : null,
  )
const [low, high] = [0, 1].map(i => computed(() => doc.value.brief.staticMarginPct[i as 0 | 1])) as [
  ComputedRef<number>,
  ComputedRef<number>,
]
</script>

<template>
  <div>
    <div class="top">
      <v-select
        :model-value="chosen"
        :items="zones"
        label="Swap the filament of"
        density="compact"
        data-field="swap-zone"
        @update:model-value="zone = $event"
      />
      <p class="lead">
        Each comes with the nozzle temperature and flow it wants; walls, infill and layers stay as they are.
        Band {{ low }}–{{ high }} %.
      </p>
    </div>
    <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
    <p v-if="!answer" class="quiet">Printing it in each filament …</p>
    <div v-else class="scroll">
      <table class="ledger" :aria-busy="busy" data-table="swaps">
        <thead>
          <tr>
            <th>Filament</th>
            <th class="r">Flying weight</th>
            <th class="r">Margin</th>
            <th>mended by the battery</th>
            <th class="r">Stall</th>
            <th class="r">Reserve</th>
            <th class="r">Hours</th>
            <th class="r">Cost</th>
            <th>to buy</th>
            <th />
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="row in answer"
            :key="row.filament"
            :class="{ on: row.present }"
            :data-swap="row.filament"
          >
            <td class="name">
              {{ row.name }}
              <div class="small quiet">
                {{ row.present ? 'as it is' : `softens at ${row.softeningC} °C` }}
              </div>
              <div v-if="row.trouble" class="small bad">{{ worded(row.trouble) }}</div>
            </td>
            <td class="r num">
              {{ amount(row.massG, 'g') }}
              <div v-if="!row.present" class="small quiet">{{ signed(row.massG - present.massG) }}</div>
            </td>
            <td class="r num" :class="{ bad: row.staticMarginPct < low || row.staticMarginPct > high }">
              {{ figure(row.staticMarginPct, 1) }} %
            </td>
            <td class="small">
              {{
                row.slideMm === null
                  ? 'no battery in a bay'
                  : Math.abs(row.slideMm) < 1
                    ? 'nothing to mend'
                    : `${amount(Math.abs(row.slideMm), 'mm')} ${row.slideMm < 0 ? 'forward' : 'aft'}`
              }}<span v-if="row.slideMm !== null && !row.slides" class="bad">: past its bay</span>
            </td>
            <td class="r num">{{ figure(row.stallMs, 1) }} m/s</td>
            <td class="r num" :class="{ bad: row.reserve < 1 }">{{ figure(row.reserve, 2) }}</td>
            <td class="r num">{{ figure(row.hours, 1) }} h</td>
            <td class="r num">{{ doc.brief.currency }} {{ figure(row.cost, 2) }}</td>
            <td class="small">
              {{
                row.buy.length ? row.buy.map(item => `${item.grams} g ${item.name}`).join(', ') : 'nothing'
              }}
            </td>
            <td class="r">
              <v-btn v-if="!row.present" size="x-small" :aria-label="`Take ${row.name}`" @click="take(row)"
                >Take</v-btn
              >
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>

<style scoped>
.top {
  display: grid;
  grid-template-columns: 260px 1fr;
  gap: 16px;
  align-items: center;
  margin-top: 6px;
}
.scroll {
  overflow-x: auto;
}
.name {
  min-width: 118px;
}
@media (max-width: 700px) {
  .top {
    grid-template-columns: 1fr;
  }
}
</style>
