<script setup lang="ts">
/** The motor: from the shelf, or as written on it. */
import { LIBRARIES } from '../../../core/libraries'
import { offeredParts, usePower } from '~/composables/usePower'

const { motor, change, figureOf } = usePower()
const PLAIN = { rpmPerVolt: 1000, resistanceOhm: 0.09, noLoadA: 0.6, maxA: 16 }
function takeMotor(id: string) {
  const found = LIBRARIES.motors.find(item => item.id === id)
  if (!found || !motor.value) return
  const { rpmPerVolt, resistanceOhm, noLoadA, maxA } = found
  change(motor.value, `is ${found.name}`, own => {
    own.motor = { rpmPerVolt, resistanceOhm, noLoadA, maxA }
    Object.assign(own, { name: found.name, massG: found.massG, sizeMm: [...found.sizeMm], weighed: false })
  })
}
const motorFields = computed(() => {
  const of = (field: string) => figureOf(motor.value, 'motor', field, PLAIN)
  return [
    {
      id: 'kv',
      label: 'Turns for each volt',
      unit: 'rev/min',
      min: 20,
      max: 20000,
      digits: 0,
      ...of('rpmPerVolt'),
    },
    {
      id: 'resistance',
      label: 'Resistance',
      unit: 'Ω',
      min: 0.0005,
      max: 20,
      digits: 4,
      ...of('resistanceOhm'),
    },
    {
      id: 'no-load',
      label: 'Current at no load',
      unit: 'A',
      min: 0.01,
      max: 30,
      digits: 2,
      ...of('noLoadA'),
    },
    {
      id: 'motor-max',
      label: 'Bears for half a minute',
      unit: 'A',
      min: 0.2,
      max: 600,
      digits: 1,
      ...of('maxA'),
    },
  ]
})
</script>

<template>
  <div>
    <p v-if="!motor" class="small quiet">Add a motor among the components (Balance).</p>
    <template v-else>
      <v-select
        class="mb-3"
        :model-value="null"
        :items="offeredParts(LIBRARIES.motors)"
        label="From the shelf"
        data-field="shelf-motor"
        @update:model-value="$event && takeMotor($event)"
      />
      <FigureFields :fields="motorFields" />
    </template>
  </div>
</template>
