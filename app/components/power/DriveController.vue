<script setup lang="ts">
/** The speed controller: from the shelf, or as written on it. */
import { LIBRARIES } from '../../../core/libraries'
import { offeredParts, usePower } from '~/composables/usePower'

const { controller, change, figureOf } = usePower()
const PLAIN = { limitA: 20, resistanceOhm: 0.008 }
function takeController(id: string) {
  const found = LIBRARIES.controllers.find(item => item.id === id)
  if (!found || !controller.value) return
  const { limitA, resistanceOhm } = found
  change(controller.value, `is ${found.name}`, own => {
    own.controller = { limitA, resistanceOhm }
    Object.assign(own, { name: found.name, massG: found.massG, sizeMm: [...found.sizeMm], weighed: false })
  })
}
const controllerFields = computed(() => {
  const of = (field: string) => figureOf(controller.value, 'controller', field, PLAIN)
  return [
    { id: 'controller-limit', label: 'Bears', unit: 'A', min: 0.5, max: 600, digits: 0, ...of('limitA') },
    {
      id: 'controller-ohm',
      label: 'Resistance',
      unit: 'Ω',
      min: 0,
      max: 1,
      digits: 4,
      ...of('resistanceOhm'),
    },
  ]
})
</script>

<template>
  <div>
    <p v-if="!controller" class="small quiet">Add a speed controller among the components (Balance).</p>
    <template v-else>
      <v-select
        class="mb-3"
        :model-value="null"
        :items="offeredParts(LIBRARIES.controllers)"
        label="From the shelf"
        @update:model-value="$event && takeController($event)"
      />
      <FigureFields :fields="controllerFields" pairs />
    </template>
  </div>
</template>
