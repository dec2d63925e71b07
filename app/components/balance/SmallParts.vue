<script setup lang="ts">
/** What everybody forgets to weigh: reckoned from the drawing until it lay on the scale. */
import type { SmallPart } from '../../../core/document'
import { amount, worded } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { doc, now, edit } = useBench()
const rows = computed(() => now.value.smallParts)
const total = computed(() => rows.value.reduce((sum, row) => sum + row.massG, 0))
const set = (part: SmallPart, name: string, massG: number | null) =>
  edit(massG === null ? `${name}: reckon` : `${name}: weighed`, draft => {
    draft.allowances.smallParts[part] = massG
  })
</script>

<template>
  <p class="quiet">
    Reckoned from the drawing and from what such hardware usually weighs, ± 30 % (finish ± 60 %). Weigh each
    kind and write it down; 0 where there is none, or where it stands among the components already.
  </p>
  <table class="ledger" data-table="small-parts">
    <thead>
      <tr>
        <th>Small parts</th>
        <th class="r">Reckoned</th>
        <th>All of them</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.part" :data-part="row.part">
        <td>
          {{ row.name }}
          <div class="small quiet">{{ worded(row.from) }}</div>
        </td>
        <td class="r num" :class="{ quiet: row.confirmed }">{{ amount(row.reckonedG, 'g', 1) }}</td>
        <td class="own">
          <FigureField
            label="Weighed"
            :aria-label="`${row.name}, weighed`"
            :model-value="doc.allowances.smallParts[row.part]"
            unit="g"
            :min="0"
            :max="5000"
            :digits="1"
            optional
            :data-field="`small-${row.part}`"
            @update:model-value="set(row.part, row.name, $event)"
          />
        </td>
      </tr>
      <tr>
        <th>Together, in the ledger</th>
        <td class="r num" data-figure="small-parts">{{ amount(total, 'g', 1) }}</td>
        <td></td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.own {
  width: 11rem;
  min-width: 8.5rem;
}
</style>
