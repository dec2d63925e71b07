<script setup lang="ts">
import type { Finding } from '../../../core/assess'
import { worded } from '~/composables/format'

defineProps<{ findings: readonly Finding[] }>()
const words = { stop: 'Stop', warn: 'Mind', note: 'Note' }
</script>

<template>
  <ul v-if="findings.length" class="findings">
    <li v-for="(finding, i) in findings" :key="i" :class="finding.severity" :data-finding="finding.code">
      <b>{{ words[finding.severity] }}.</b> {{ worded(finding.text) }}.
      <span class="quiet">{{ worded(finding.remedy) }}.</span>
    </li>
  </ul>
</template>

<style scoped>
.findings {
  list-style: none;
  padding: 0;
  margin: 0 0 12px;
  font-size: 13px;
  line-height: 1.4;
  overflow-wrap: anywhere;
}
.findings li {
  padding: 4px 0 4px 10px;
  border-left: 3px solid var(--hair);
  margin-bottom: 6px;
}
.findings li.stop {
  border-color: rgb(var(--v-theme-error));
}
.findings li.stop b {
  color: rgb(var(--v-theme-error));
}
.findings li.warn {
  border-color: rgb(var(--v-theme-warning));
}
.findings li.warn b {
  color: rgb(var(--v-theme-warning));
}
</style>
