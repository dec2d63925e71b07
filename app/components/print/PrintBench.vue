<script setup lang="ts">
/** The print room: plates, the printers' week, the shelf, machine files held against their pieces, all pieces. */
import { useIntervalFn } from '@vueuse/core'
import { useBench } from '~/composables/useBench'
import { usePrintRoom } from '~/composables/usePrintRoom'

const { doc } = useBench()
const { refresh, fault } = usePrintRoom()
const tab = useState('print-tab', () => 'plates')
const tabs = [
  { id: 'plates', label: 'Plates' },
  { id: 'week', label: 'The week' },
  { id: 'shelf', label: 'Spools' },
  { id: 'check', label: 'Check a machine file' },
  { id: 'pieces', label: 'All pieces' },
]
watch(doc, refresh, { immediate: true })
// The week goes on while nobody edits.
useIntervalFn(refresh, 60_000)
</script>

<template>
  <div class="room">
    <BenchTabs v-model="tab" :tabs="tabs" label="The print room" />
    <p v-if="fault" class="bad small" role="alert">The room was not planned: {{ fault }}</p>
    <PlateRoom v-if="tab === 'plates'" /><RoomWeek v-else-if="tab === 'week'" /><SpoolShelf
      v-else-if="tab === 'shelf'"
    /><FileCheck v-else-if="tab === 'check'" /><PieceTable v-else />
  </div>
</template>

<style scoped>
.room {
  min-height: 100%;
  display: flex;
  flex-direction: column;
}
</style>
