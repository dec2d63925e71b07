<script setup lang="ts">
/** What is wanted at the field, for every flight: go or not, the card, the clock, what comes along, the packs. */
const tab = useState('field-tab', () => 'now')
const tabs = [
  { id: 'now', label: 'Now' },
  { id: 'timer', label: 'In the air' },
  { id: 'card', label: 'Flight card' },
  { id: 'along', label: 'Take along' },
  { id: 'packs', label: 'Packs' },
]
</script>

<template>
  <div>
    <BenchTabs v-model="tab" :tabs="tabs" label="Field" />
    <FieldNow v-if="tab === 'now'" />
    <FlightTimer v-else-if="tab === 'timer'" />
    <FlightCardView v-else-if="tab === 'card'" />
    <TakeAlong v-else-if="tab === 'along'" />
    <PackShelf v-else />
  </div>
</template>
