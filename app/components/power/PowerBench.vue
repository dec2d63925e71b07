<script setup lang="ts">
/** The drive: what it makes of the aircraft, which propeller or pack instead, what a stand measured, blades. */
import { useBench } from '~/composables/useBench'
import { usePowerReport } from '~/composables/usePower'
import { worded } from '~/composables/format'

const { told, busy, fault, fresh } = usePowerReport()
const { now } = useBench()
const tab = useState('power-tab', () => 'answers')
const tabs = [
  { id: 'answers', label: 'What it makes of it' },
  { id: 'shelf', label: 'Which propeller, which pack' },
  { id: 'stand', label: 'Thrust stand' },
  { id: 'blades', label: 'Blades' },
]
const report = computed(() => told.value?.report ?? null)
</script>

<template>
  <div>
    <p v-if="fault" class="bad" role="alert">The drive was not worked out: {{ fault }}</p>
    <p v-else-if="!report" class="quiet">Working out the drive …</p>
    <template v-else-if="report.none">
      <p class="first">A glider: no motor and no propeller among its components.</p>
      <p class="quiet">Add them at Balance, and what they pull, draw and last is told here.</p>
    </template>
    <template v-else-if="!report.figures">
      <p class="first" data-figure="missing">The drive cannot be reckoned yet. It wants</p>
      <ul>
        <li v-for="(item, i) in report.missing" :key="i">{{ worded(item) }}</li>
      </ul>
      <p class="quiet">Take them from the shelf at the right, or type what is written on them.</p>
    </template>
    <template v-else>
      <BenchTabs v-model="tab" :tabs="tabs" label="Power" />
      <template v-if="tab === 'answers'">
        <PowerAnswers :report="report" :old="!fresh || busy">
          <TiltAnswers v-if="now.tilt" :tilt="now.tilt" />
        </PowerAnswers>
      </template>
      <PowerShelf v-else-if="tab === 'shelf'" />
      <StandDesk v-else-if="tab === 'stand'" />
      <BladePair v-else />
    </template>
  </div>
</template>

<style scoped>
.first {
  font-size: 15px;
  margin: 4px 0 8px;
}
</style>
