<script setup lang="ts">
/** The four wings of consequence, always there. */
import { useAssessment } from '~/stores/assessment'
import { useView } from '~/stores/view'

const assessment = useAssessment()
const view = useView()
const order = ['weight', 'balance', 'strength', 'hours'] as const
</script>

<template>
  <section class="butterfly" aria-label="Weight, balance, strength and hours">
    <template v-if="assessment.current">
      <ButterflyWing
        v-for="wing in order"
        :key="wing"
        :verdict="assessment.current.verdicts[wing]"
        :difference="assessment.difference[wing] ?? 0"
        :open="view.why === wing"
        :ghost="view.ghost ? view.ghost.after[wing] : null"
        @why="view.why = view.why === wing ? null : wing"
      />
    </template>
    <span v-else class="quiet">computing …</span>
  </section>
</template>

<style scoped>
.butterfly {
  display: grid;
  grid-template-columns: repeat(4, auto);
  gap: 2px 6px;
  justify-content: end;
}
@media (max-width: 1100px) {
  .butterfly {
    grid-template-columns: 1fr 1fr;
    justify-content: stretch;
  }
}
</style>
