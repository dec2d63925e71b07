<script setup lang="ts">
/** What was flown, what it means, what broke, and what the next mark changes. */
const tab = useState('log-tab', () => 'flights')
const tabs = [
  { id: 'flights', label: 'Flights' },
  { id: 'meaning', label: 'What it means' },
  { id: 'broke', label: 'What broke' },
  { id: 'next', label: 'Next mark' },
]
</script>

<template>
  <div>
    <BenchTabs v-model="tab" :tabs="tabs" label="Log" />
    <FlightList v-if="tab === 'flights'" />
    <WhatItMeans v-else-if="tab === 'meaning'" />
    <WhatBroke v-else-if="tab === 'broke'" />
    <NextMark v-else />
  </div>
</template>
