<script setup lang="ts">
/**
 * Other choices for the same aircraft, each computed: combinations, another filament, another size, a state
 * that was kept.
 */
const tab = useState('choose-tab', () => 'study')
const tabs = [
  { id: 'study', label: 'Combinations' },
  { id: 'filament', label: 'Another filament' },
  { id: 'sizes', label: 'Other sizes' },
  { id: 'marks', label: 'Against a mark' },
]
</script>

<template>
  <div class="whole">
    <BenchTabs v-model="tab" :tabs="tabs" label="Other choices" />
    <StudyFront v-if="tab === 'study'" /><FilamentSwaps v-else-if="tab === 'filament'" /><SizeFamily
      v-else-if="tab === 'sizes'"
    /><MarkAgainst v-else />
  </div>
</template>

<style scoped>
.whole {
  display: flex;
  flex-direction: column;
  height: 100%;
}
.whole > :last-child {
  flex: 1;
  min-height: 0;
}
</style>
