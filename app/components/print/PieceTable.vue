<script setup lang="ts">
import { amount, figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { doc, now, look } = useBench()
</script>

<template>
  <table class="ledger" data-table="pieces">
    <thead>
      <tr>
        <th>Mark</th>
        <th>Piece</th>
        <th>Of</th>
        <th class="r">Mass</th>
        <th class="r">Hours</th>
        <th class="r">Cost</th>
        <th class="r">Skin</th>
        <th class="r">Layers</th>
        <th>Printer</th>
      </tr>
    </thead>
    <tbody>
      <tr
        v-for="p in now.pieces"
        :key="p.id"
        class="pick"
        :class="{ on: look.selected === p.id }"
        :data-piece="p.id"
        v-pick="() => (look.selected = p.id)"
      >
        <td class="num">{{ p.mark }}</td>
        <td>{{ p.name }}</td>
        <td>{{ p.filamentName }}</td>
        <td class="r num">{{ amount(p.predictedG, 'g', 1) }}</td>
        <td class="r num">{{ p.sheet ? '–' : `${figure(p.hours, 2)} h` }}</td>
        <td class="r num">{{ doc.brief.currency }} {{ figure(p.cost, 2) }}</td>
        <td class="r num">{{ amount(p.areaMassGdm2, 'g/dm²', 2) }}</td>
        <td class="r num">{{ p.sheet ? '–' : p.layers }}</td>
        <td :class="{ bad: !p.fits }">{{ p.printerName }}</td>
      </tr>
    </tbody>
  </table>
</template>
