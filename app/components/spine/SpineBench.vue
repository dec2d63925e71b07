<script setup lang="ts">
/** What carries it: along the span, spar by spar, by load, off the wing, and what heat leaves of it. */
const tab = useState('spine-tab', () => 'span')
const tabs = [
  { id: 'span', label: 'Along the span' },
  { id: 'spars', label: 'Spars and stock' },
  { id: 'loads', label: 'Loads' },
  { id: 'places', label: 'Boom, body, tail, legs' },
  { id: 'heat', label: 'Heat' },
]
</script>

<template>
  <div class="whole">
    <BenchTabs v-model="tab" :tabs="tabs" label="What carries the wing" />
    <SpanMoments v-if="tab === 'span'" /><SparChoices v-else-if="tab === 'spars'" /><FlightLoads
      v-else-if="tab === 'loads'"
    /><OtherPlaces v-else-if="tab === 'places'" /><HeatCard v-else />
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
