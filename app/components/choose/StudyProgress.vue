<script setup lang="ts">
/** How far a study has come. */
import { useStudy } from '~/composables/useStudy'

const { progress } = useStudy()
const words = computed(() => {
  const now = progress.value
  if (!now) return ''
  const count = (n: number) => n.toLocaleString('en')
  return now.phase === 'tabulating'
    ? `printing and loading what each option makes of each piece: ${count(now.done)} of ${count(now.of)}`
    : now.phase === 'checking'
      ? `assessing points again from nothing: ${now.done} of ${now.of}`
      : `${count(now.done)} of ${count(now.of)} combinations; ${count(now.found)} not beaten so far`
})
</script>

<template>
  <div v-if="progress" role="status" data-study-progress>
    <v-progress-linear :model-value="(100 * progress.done) / Math.max(1, progress.of)" height="8" />
    <p class="quiet small">{{ words }}</p>
  </div>
</template>

<style scoped>
/* A bar that glides is painted at every frame, for nothing. */
div :deep(.v-progress-linear__determinate) {
  transition: none;
}
</style>
