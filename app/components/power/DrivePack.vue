<script setup lang="ts">
/** The battery: from the shelf, or as written on it. */
import { LIBRARIES } from '../../../core/libraries'
import { offeredParts, usePower } from '~/composables/usePower'

const { pack, change, figureOf } = usePower()
function takePack(id: string) {
  const found = LIBRARIES.batteries.find(item => item.id === id)
  if (!found || !pack.value) return
  change(pack.value, `is ${found.name}`, own => {
    own.battery = {
      continuousC: own.battery?.continuousC ?? 25,
      cells: found.cells,
      capacityMah: found.capacityMah,
      resistanceOhm: null,
    }
    Object.assign(own, { name: found.name, massG: found.massG, sizeMm: [...found.sizeMm], weighed: false })
  })
}
const packFields = computed(() => {
  const plain = { cells: 3, capacityMah: 1000, resistanceOhm: null, continuousC: 25 }
  const of = (field: string) => figureOf(pack.value, 'battery', field, plain)
  return [
    { id: 'cells', label: 'Cells', unit: 'S', min: 1, max: 14, digits: 0, optional: false, ...of('cells') },
    {
      id: 'capacity',
      label: 'Capacity',
      unit: 'mAh',
      min: 20,
      max: 50000,
      digits: 0,
      optional: false,
      ...of('capacityMah'),
    },
    {
      id: 'pack-ohm',
      label: 'Resistance',
      unit: 'Ω',
      min: 0,
      max: 5,
      digits: 4,
      optional: true,
      ...of('resistanceOhm'),
    },
    {
      id: 'pack-c',
      label: 'Bears, times capacity',
      unit: 'C',
      min: 1,
      max: 300,
      digits: 0,
      optional: false,
      ...of('continuousC'),
    },
  ]
})
</script>

<template>
  <div>
    <p v-if="!pack" class="small quiet">Add a battery among the components (Balance).</p>
    <template v-else>
      <v-select
        class="mb-3"
        :model-value="null"
        :items="offeredParts(LIBRARIES.batteries)"
        label="From the shelf"
        data-field="shelf-pack"
        @update:model-value="$event && takePack($event)"
      />
      <FigureFields :fields="packFields" pairs />
    </template>
  </div>
</template>
