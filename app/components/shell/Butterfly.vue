<script setup lang="ts">
/** The four wings of consequence, always there. */
import { useAssessment } from '~/stores/assessment'
import { useView } from '~/stores/view'

const assessment = useAssessment()
const view = useView()
const order = ['weight', 'balance', 'strength', 'hours'] as const
</script>

<template>
  <section
    class="butterfly"
    :class="{ old: assessment.failed !== null, kept: assessment.kept }"
    aria-label="Weight, balance, strength and hours"
    :data-old="assessment.failed !== null"
    :data-kept="assessment.kept"
    :title="assessment.kept ? 'As they stood when you left; being computed again' : undefined"
  >
    <p v-if="assessment.failed" class="older" role="alert">
      <template v-if="assessment.kept"
        >These figures are of your last visit: they could not be computed again.</template
      ><template v-else
        >These figures are of the design before your last edit: it could not be computed.</template
      >
    </p>
    <template v-if="assessment.current">
      <ButterflyWing
        v-for="wing in order"
        :key="wing"
        :verdict="assessment.current.verdicts[wing]"
        :difference="assessment.difference[wing] ?? 0"
        :ahead="assessment.ahead?.[wing] ?? null"
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
.old > :deep(.wing) {
  opacity: 0.45;
}
/* Of the last visit, until they have been computed again. */
.kept > :deep(.wing) {
  font-style: italic;
}
.older {
  grid-column: 1 / -1;
  margin: 0;
  font-size: 12.5px;
  color: rgb(var(--v-theme-error));
  text-align: right;
}
@media (max-width: 1100px) {
  .butterfly {
    grid-template-columns: 1fr 1fr;
    justify-content: stretch;
  }
}
@media (max-width: 700px) {
  .butterfly {
    grid-template-columns: repeat(4, minmax(0, 1fr));
    gap: 0;
    padding-left: 8px;
  }
}
</style>
