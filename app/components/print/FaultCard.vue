<script setup lang="ts">
/** What went wrong with a plate, what it cost, and what helps. */
import { FAULT_NAMES, faultRemedies, type PlannedPlate } from '../../../core/workshop/print-room'
import { amount, figure, worded } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const props = defineProps<{ plate: PlannedPlate }>()
const { doc, now, edit } = useBench()
const zoneOf = computed(() => {
  const piece = now.value.pieces.find(item => item.id === props.plate.pieces[0]?.piece)
  return doc.value.zones.find(item => item.id === piece?.zone)
})
const remedies = computed(() =>
  props.plate.record?.fault && zoneOf.value
    ? faultRemedies(doc.value, zoneOf.value, props.plate.printer, props.plate.record.fault.why)
    : [],
)
const takeRemedy = (remedy: (typeof remedies.value)[number]) =>
  edit(worded(remedy.words), draft => Object.assign(draft, remedy.change))
</script>

<template>
  <div v-if="plate.state === 'failed' && plate.record?.fault" class="card" data-card="fault">
    <b class="bad">It {{ FAULT_NAMES[plate.record.fault.why] }}</b> at
    {{ figure(100 * plate.record.fault.share) }} %, {{ amount(plate.gramsOff, 'g', 1) }} wasted.
    <q v-if="plate.record.fault.note">{{ plate.record.fault.note }}</q> Its pieces wait again. What helps:
    <ul>
      <li v-for="(remedy, i) in remedies" :key="i">
        {{ worded(remedy.words) }}
        <v-btn
          v-if="remedy.change"
          size="small"
          variant="text"
          data-act="fault-remedy"
          @click="takeRemedy(remedy)"
          >Take</v-btn
        >
      </li>
    </ul>
  </div>
</template>
