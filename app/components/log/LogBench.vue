<script setup lang="ts">
/** What was flown, and what it means. */
const tab = useState('log-tab', () => 'flights')
const tabs = [
  { id: 'flights', label: 'Flights' },
  { id: 'meaning', label: 'What it means' },
]
</script>

<template>
  <div>
    <BenchTabs v-model="tab" :tabs="tabs" label="Log" />
    <FlightList v-if="tab === 'flights'" />
    <WhatItMeans v-else />
  </div>
</template>
