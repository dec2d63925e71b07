<script setup lang="ts">
/** The tail boom: which stock, where it runs, how deep it sits. */
import { stockGramsPerMetre } from '../../../core/assess'
import { LIBRARIES } from '../../../core/libraries'
import { useBench } from '~/composables/useBench'

const { doc, edit } = useBench()
const boom = computed(() => doc.value.boom)
const stock = LIBRARIES.stock
  .filter(item => item.shape === 'round' && !item.printedIn)
  .map(item => ({ title: `${item.name} (${stockGramsPerMetre(item.id).toFixed(0)} g/m)`, value: item.id }))
const set = (field: 'fromMm' | 'toMm' | 'zMm' | 'socketMm', label: string) => (value: number | null) =>
  edit(`Boom: set ${label}`, draft => {
    draft.boom![field] = value!
  })
</script>

<template>
  <div v-if="boom" class="stack">
    <h3>Tail boom</h3>
    <v-select
      :model-value="boom.stock"
      :items="stock"
      label="Stock"
      data-field="boom-stock"
      @update:model-value="
        (v: string) =>
          edit(`Boom: ${LIBRARIES.stock.find(s => s.id === v)?.name}`, d => {
            d.boom!.stock = v
          })
      "
    />
    <div class="row">
      <FigureField
        label="From"
        :model-value="boom.fromMm"
        unit="mm"
        :min="-2000"
        :max="4000"
        @update:model-value="set('fromMm', 'front end')($event)"
      /><FigureField
        label="To"
        :model-value="boom.toMm"
        unit="mm"
        :min="-2000"
        :max="4000"
        @update:model-value="set('toMm', 'rear end')($event)"
      />
    </div>
    <div class="row">
      <FigureField
        label="Height"
        :model-value="boom.zMm"
        unit="mm"
        :min="-2000"
        :max="4000"
        @update:model-value="set('zMm', 'height')($event)"
      /><FigureField
        label="Depth of socket"
        :model-value="boom.socketMm"
        unit="mm"
        :min="0"
        :max="300"
        data-field="boom-socket"
        @update:model-value="set('socketMm', 'depth of its socket')($event)"
      />
    </div>
  </div>
</template>
