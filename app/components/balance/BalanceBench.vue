<script setup lang="ts">
/**
 * What would mend the balance, what it is made of, what lies far out, how it changes with payload and wings,
 * and what the scales say.
 */
const tab = useState('balance-tab', () => 'remedies')
const tabs = [
  { id: 'remedies', label: 'Remedies' },
  { id: 'ledger', label: 'Every mass' },
  { id: 'far', label: 'Far out' },
  { id: 'small', label: 'Small parts' },
  { id: 'loadings', label: 'Payload and wings' },
  { id: 'measure', label: 'Scales and cradle' },
]
</script>

<template>
  <div>
    <BenchTabs v-model="tab" :tabs="tabs" label="The balance bench" />
    <RemedyTable v-if="tab === 'remedies'" /><MassLedger v-else-if="tab === 'ledger'" /><FarOut
      v-else-if="tab === 'far'"
    /><SmallParts v-else-if="tab === 'small'" /><Loadings v-else-if="tab === 'loadings'" /><MeasureBalance
      v-else
    />
  </div>
</template>
