<script setup lang="ts">
/** Go or not: what was computed and what is looked at. Whole before the first flight, short before the others. */
import { readiness } from '../../../core/workshop/readiness'
import { today, worded } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { doc, now, edit } = useBench()
const result = computed(() => readiness(doc.value, now.value, today()))
const first = computed(() => doc.value.flights.length === 0)
const whole = ref(false)
/** What is asked every day or flight, and whatever is open or against; the rest was settled before. */
const shown = computed(() =>
  result.value.items.filter(
    item => first.value || whole.value || item.each !== 'once' || item.state !== 'go',
  ),
)
const groups = computed(() =>
  [...new Set(shown.value.map(item => item.group))].map(group => ({
    group,
    items: shown.value.filter(item => item.group === group),
  })),
)
const words = { go: 'go', 'no-go': 'no', open: 'open' }
const tick = (id: string, label: string, on: boolean) =>
  edit(`${on ? 'Tick' : 'Untick'}: ${label}`, draft => {
    draft.checks = draft.checks.filter(check => check.item !== id)
    if (on) draft.checks.push({ item: id, date: today() })
  })
</script>

<template>
  <section class="list">
    <h2>Before it flies</h2>
    <div class="groups">
      <section v-for="{ group, items } in groups" :key="group">
        <h3>{{ group }}</h3>
        <div v-for="item in items" :key="item.id" class="item" :data-item="item.id" :data-state="item.state">
          <v-checkbox
            v-if="item.byHand"
            :model-value="item.state === 'go'"
            :aria-label="worded(item.label)"
            @update:model-value="(v: boolean | null) => tick(item.id, worded(item.label), !!v)"
          />
          <span v-else class="state" :class="item.state">{{ words[item.state] }}</span>
          <div>
            <div>{{ worded(item.label) }}</div>
            <div class="quiet num small">{{ worded(item.evidence) }}</div>
            <p v-if="item.caution" class="caution">{{ item.caution }}</p>
          </div>
        </div>
      </section>
    </div>
    <v-btn v-if="!first" variant="text" data-act="whole-list" @click="whole = !whole">{{
      whole ? 'The short list' : 'The whole list, as before the first flight'
    }}</v-btn>
  </section>
</template>

<style scoped>
.list {
  border-top: 1px solid var(--hair);
  padding: 8px 0;
}
.groups {
  columns: 2;
  column-gap: 32px;
}
.groups > section {
  break-inside: avoid;
}
.groups > section:first-child h3 {
  margin-top: 6px;
}
.item {
  display: grid;
  grid-template-columns: 46px 1fr;
  gap: 6px;
  align-items: start;
  padding: 5px 0;
  border-bottom: 1px solid var(--hair);
  line-height: 1.35;
  break-inside: avoid;
}
.small {
  font-size: 12px;
  overflow-wrap: anywhere;
}
.state {
  font-weight: 700;
  font-size: 12px;
  border: 1.5px solid currentcolor;
  border-radius: 6px;
  align-self: start;
  text-align: center;
  padding: 1px 0;
}
.state.go {
  color: rgb(var(--v-theme-success));
}
.state.no-go {
  color: rgb(var(--v-theme-error));
}
.state.open {
  color: var(--quiet);
  border-style: dashed;
}
@media (max-width: 900px) {
  .groups {
    columns: 1;
  }
}
@media (max-width: 700px) {
  .item {
    font-size: 16px;
    min-height: 44px;
  }
}
</style>
