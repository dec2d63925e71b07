<script setup lang="ts">
/** Other choices for the same aircraft, each computed: another filament, another size, a state that was kept. */
const tab = useState('choose-tab', () => 'filament')
const tabs = [{ id: 'filament', label: 'Another filament' }, { id: 'sizes', label: 'Other sizes' }, { id: 'marks', label: 'Against a mark' }]
</script>

<template>
  <div class="whole">
    <BenchTabs v-model="tab" :tabs="tabs" label="Other choices" />
    <FilamentSwaps v-if="tab === 'filament'" /><SizeFamily v-else-if="tab === 'sizes'" /><MarkAgainst v-else />
  </div>
</template>

<style scoped>
.whole { display: flex; flex-direction: column; height: 100%; } .whole > :last-child { flex: 1; min-height: 0; }
</style>
