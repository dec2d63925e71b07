<script setup lang="ts">
/** The pieces as they stand, and what the aircraft comes to taken apart. */
const tab = useState('split-tab', () => 'pieces')
const tabs = [
  { id: 'pieces', label: 'Pieces' },
  { id: 'travel', label: 'To travel' },
]
</script>

<template>
  <div>
    <BenchTabs v-model="tab" :tabs="tabs" label="The split bench" />
    <StandingPieces v-if="tab === 'pieces'" /><ToTravel v-else />
  </div>
</template>
