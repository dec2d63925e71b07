<script setup lang="ts">
import { proportions } from '../../../core/workshop/advice'
import { amount, amountOf, worded } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { doc, now } = useBench()
const rows = computed(() => proportions(doc.value, now.value))
const share = (value: number, low: number, high: number) =>
  Math.min(100, Math.max(0, 100 * (0.2 + (0.6 * (value - low)) / (high - low))))
</script>

<template>
  <h2>Is it in proportion?</h2>
  <p class="lead">Usual ranges of small electric models, from practice: habits, not laws.</p>
  <table class="ledger">
    <thead>
      <tr>
        <th>Figure</th>
        <th class="r">Here</th>
        <th class="r">Usual</th>
        <th class="scale">Where it stands</th>
        <th>Why it matters, and what would mend it</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.id" :data-proportion="row.id">
        <td>{{ row.label }}</td>
        <td class="r num" :class="{ bad: !row.ok }">{{ amount(row.value, row.unit, row.digits) }}</td>
        <td class="r num quiet">
          {{ amountOf(row.low, row.unit, row.digits) }}–{{ amount(row.high, row.unit, row.digits) }}
        </td>
        <td class="scale">
          <span class="track"
            ><span class="usual" /><span
              class="at"
              :style="{ left: `${share(row.value, row.low, row.high)}%` }"
          /></span>
        </td>
        <td>
          <span class="quiet">{{ worded(row.why) }}</span><template v-if="row.mend"
            >; {{ worded(row.mend) }}</template
          >
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.scale {
  width: 150px;
}
.stacked .scale {
  width: auto;
}
.track {
  display: block;
  position: relative;
  height: 10px;
  width: 130px;
  max-width: 100%;
  border-bottom: 1px solid var(--hair);
}
.usual {
  position: absolute;
  left: 20%;
  width: 60%;
  bottom: 0;
  height: 6px;
  background: color-mix(in srgb, rgb(var(--v-theme-success)) 40%, transparent);
}
.at {
  position: absolute;
  width: 3px;
  height: 10px;
  margin-left: -1px;
  background: rgb(var(--v-theme-on-background));
}
</style>
