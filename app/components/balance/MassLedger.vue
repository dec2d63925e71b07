<script setup lang="ts">
/** Every mass with where it is, how well it is known, and how far it pulls the balance. */
import { amount, amountOf, signedAmount } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { now, look } = useBench()
const rows = computed(() => [...now.value.ledger].sort((a, b) => b.massG - a.massG))
const shift = (massG: number, xMm: number) =>
  (massG * (xMm - now.value.flight.cgAimMm)) / now.value.totals.massG
</script>

<template>
  <table class="ledger" data-table="ledger">
    <thead>
      <tr>
        <th>Every mass</th>
        <th>Known from</th>
        <th class="r">Mass</th>
        <th class="r">Aft of nose</th>
        <th class="r">Starboard</th>
        <th class="r">Up</th>
        <th class="r">Shifts the CG from the aim</th>
      </tr>
    </thead>
    <tbody>
      <tr
        v-for="row in rows"
        :key="row.id"
        class="pick"
        :class="{ on: look.selected === row.id }"
        v-pick="() => (look.selected = row.id)"
      >
        <td>{{ row.name }}</td>
        <td class="quiet">{{ row.source }}{{ row.drops ? ', leaves in flight' : '' }}</td>
        <td class="r num">
          {{ amount(row.massG, 'g', 1) }} <span class="quiet">± {{ amountOf(row.sigmaG, 'g', 1) }}</span>
        </td>
        <td class="r num">{{ amount(row.xMm, 'mm') }}</td>
        <td class="r num">{{ amount(row.yMm, 'mm') }}</td>
        <td class="r num">{{ amount(row.zMm, 'mm') }}</td>
        <td class="r num">{{ signedAmount(shift(row.massG, row.xMm), 'mm', 1) }}</td>
      </tr>
    </tbody>
  </table>
</template>
