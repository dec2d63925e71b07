<script setup lang="ts">
/** What was flown, what it means, and what broke. */
const tab = useState('log-tab', () => 'flights')
const tabs = [
  { id: 'flights', label: 'Flights' },
  { id: 'meaning', label: 'What it means' },
  { id: 'broke', label: 'What broke' },
]
</script>

<template>
  <div>
    <BenchTabs v-model="tab" :tabs="tabs" label="Log" />
    <FlightList v-if="tab === 'flights'" />
    <WhatItMeans v-else-if="tab === 'meaning'" />
    <WhatBroke v-else />
  </div>
</template>
