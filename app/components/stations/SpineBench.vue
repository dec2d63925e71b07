<script setup lang="ts">
/** What carries the wing: moment and reserve along the span, the loads they come from, and what heat leaves of them. */
const tab = useState('spine-tab', () => 'span')
const tabs = [{ id: 'span', label: 'Moment and reserve' }, { id: 'loads', label: 'Loads in flight' }, { id: 'heat', label: 'Heat' }]
</script>

<template>
  <div class="whole">
    <BenchTabs v-model="tab" :tabs="tabs" label="What carries the wing" />
    <SpanMoments v-if="tab === 'span'" /><FlightLoads v-else-if="tab === 'loads'" /><HeatCard v-else />
  </div>
</template>

<style scoped>
.whole { display: flex; flex-direction: column; height: 100%; } .whole > :last-child { flex: 1; min-height: 0; }
</style>
