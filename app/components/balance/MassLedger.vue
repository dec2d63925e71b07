<script setup lang="ts">
/** Every mass with where it is, how well it is known, and how far it pulls the balance. */
import { figure, signed } from '~/composables/format'
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
          {{ figure(row.massG, 1) }} g <span class="quiet">± {{ figure(row.sigmaG, 1) }}</span>
        </td>
        <td class="r num">{{ figure(row.xMm) }} mm</td>
        <td class="r num">{{ figure(row.yMm) }} mm</td>
        <td class="r num">{{ figure(row.zMm) }} mm</td>
        <td class="r num">{{ signed(shift(row.massG, row.xMm), 1) }} mm</td>
      </tr>
    </tbody>
  </table>
</template>
