<script setup lang="ts">
/** The build: one step at a time, the whole order, what to have, rods. */
import { useBench } from '~/composables/useBench'
import { useBuild, useBuildClock } from '~/composables/useBuild'

const { doc } = useBench()
const { refresh, fault, order } = useBuild()
useBuildClock()
const tab = useState('build-tab', () => 'step')
const tabs = [
  { id: 'step', label: 'Now' },
  { id: 'order', label: 'The whole order' },
  { id: 'have', label: 'What to have' },
  { id: 'rods', label: 'Rods and throws' },
  { id: 'jigs', label: 'Jigs' },
  { id: 'flat', label: 'Flat parts' },
  { id: 'book', label: 'The book' },
]
watch(doc, refresh, { immediate: true })
</script>

<template>
  <div class="room">
    <BenchTabs v-model="tab" :tabs="tabs" label="The build" />
    <p v-if="fault" class="bad small" role="alert">The order was not worked out: {{ fault }}</p>
    <p v-else-if="!order" class="quiet">Working out the order …</p>
    <template v-else>
      <StepNow v-if="tab === 'step'" /><WholeOrder v-else-if="tab === 'order'" /><HaveList
        v-else-if="tab === 'have'"
      /><LinkageSheets v-else-if="tab === 'rods'" /><JigRack v-else-if="tab === 'jigs'" /><FlatDesk
        v-else-if="tab === 'flat'"
      /><BookDesk v-else />
    </template>
  </div>
</template>

<style scoped>
.room {
  min-height: 100%;
  display: flex;
  flex-direction: column;
}
</style>
