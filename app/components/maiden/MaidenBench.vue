<script setup lang="ts">
/** Go or not yet, and the card that comes along. */
const tab = useState('maiden-tab', () => 'go')
const tabs = [
  { id: 'go', label: 'Go, or not yet' },
  { id: 'card', label: 'Flight card' },
]
</script>

<template>
  <div>
    <BenchTabs v-model="tab" :tabs="tabs" label="Maiden" />
    <GoList v-if="tab === 'go'" />
    <FlightCardView v-else />
  </div>
</template>
