<script setup lang="ts">
/**
 * What the shape does in the air: where it stalls, what its sections do, how it trims and handles, what its
 * servos must hold.
 */
const tab = useState('shape-tab', () => 'stall')
const tabs = [
  { id: 'stall', label: 'Stall along the span' },
  { id: 'section', label: 'Section' },
  { id: 'handling', label: 'Trim and handling' },
  { id: 'hinges', label: 'Hinges and rates' },
]
</script>

<template>
  <div class="whole">
    <BenchTabs v-model="tab" :tabs="tabs" label="What the shape does in the air" />
    <StallSpan v-if="tab === 'stall'" /><SectionLook v-else-if="tab === 'section'" /><TrimHandling
      v-else-if="tab === 'handling'"
    /><HingesRates v-else />
  </div>
</template>

<style scoped>
.whole {
  display: flex;
  flex-direction: column;
  min-height: 100%;
}
.whole > :last-child {
  flex: 1;
  min-height: 0;
}
</style>
