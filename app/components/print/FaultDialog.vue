<script setup lang="ts">
/** Asks why a plate failed and how far it got. */
import { FAULTS, type PrintFault } from '../../../core/document'
import { FAULT_NAMES, type PlannedPlate } from '../../../core/workshop/print-room'
import { usePrintRoom } from '~/composables/usePrintRoom'

const props = defineProps<{ plate: PlannedPlate }>()
const asking = defineModel<boolean>({ required: true })
const room = usePrintRoom()
const why = ref<PrintFault>('lifted')
const share = ref(50)
const note = ref('')
function failed() {
  room.fail(props.plate, why.value, share.value / 100, note.value.slice(0, 4000))
  asking.value = false
}
</script>

<template>
  <v-dialog v-model="asking" max-width="460">
    <v-card class="pa-5">
      <h2>What happened?</h2>
      <v-select
        v-model="why"
        :items="FAULTS.map(value => ({ title: `It ${FAULT_NAMES[value]}`, value }))"
        label="Fault"
        data-field="fault-why"
      />
      <FigureField
        label="How far it got"
        :model-value="share"
        unit="%"
        :min="0"
        :max="100"
        :digits="0"
        data-field="fault-share"
        @update:model-value="share = $event ?? 0"
      />
      <v-text-field v-model="note" label="Note" maxlength="400" />
      <div class="acts">
        <v-btn color="primary" variant="flat" data-act="fault-keep" @click="failed"
          >Keep, and print it again</v-btn
        ><v-btn variant="text" @click="asking = false">Cancel</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.acts {
  display: flex;
  gap: 8px;
  margin-top: 6px;
}
</style>
