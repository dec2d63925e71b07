<script setup lang="ts">
/** Toss it, or learn to read a toss. */
import { useTossed } from '~/composables/useToss'

const tossed = useTossed()
const tab = useState('toss-tab', () => 'field')
const tabs = [
  { id: 'field', label: 'Over the field' },
  { id: 'trainer', label: 'What is wrong with this one?' },
]
</script>

<template>
  <div>
    <BenchTabs v-model="tab" :tabs="tabs" label="Toss" />
    <TossField v-if="tab === 'field'" :tossed="tossed" />
    <TossTrainer v-else />
  </div>
</template>
