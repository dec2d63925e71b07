<script setup lang="ts">
/**
 * Tests on the ground: what is to be seen, what it proves, what was measured; and where to look after a
 * landing.
 */
const tab = useState('prove-tab', () => 'tests')
const tabs = [
  { id: 'tests', label: 'Tests' },
  { id: 'after', label: 'After every landing' },
]
</script>

<template>
  <div class="whole">
    <BenchTabs v-model="tab" :tabs="tabs" label="Proving" />
    <ProofTests v-if="tab === 'tests'" /><LandingChecks v-else />
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
