<script setup lang="ts">
/** Where something fails: changes that mend it, each computed; pressing one makes it. */
import type { ProjectFile } from '../../../core/document'
import type { Words } from '../../../core/units'
import { figure, signedAmount, worded } from '~/composables/format'
import { useAside } from '~/composables/useAside'
import { useBench } from '~/composables/useBench'

const { now, project } = useBench()
const fails = computed(() => now.value.strength.reserve < 1)
const { answer, busy, of, fresh, fault } = useAside(
  async (core, subject) => (fails.value ? core.mend(subject) : null),
  () => fails.value,
  400,
)
const take = (item: { title: Words; change: Partial<ProjectFile> }, words = worded(item.title)) =>
  project.takeOffer(words, item.change, of.value)
</script>

<template>
  <div v-if="fails" class="mend" :aria-busy="busy" data-table="mend">
    <h3>What would mend it</h3>
    <p v-if="fault" class="bad small" role="alert">This could not be computed: {{ fault }}.</p>
    <p v-else-if="!answer || !fresh" class="quiet small">Trying sizes, lengths, beads and filaments …</p>
    <template v-else>
      <ul class="offers">
        <li v-for="item in answer.single.slice(0, 5)" :key="item.id" :data-mend="item.id">
          <div>
            <b>{{ worded(item.title) }}</b>
            <div class="small quiet">
              there
              <span class="num" :class="item.mends ? 'good' : 'bad'">{{ figure(item.placeAfter, 2) }}</span>,
              least of all
              <span class="num" :class="{ bad: item.reserveAfter < 1 }">{{
                figure(item.reserveAfter, 2)
              }}</span>; <span class="num">{{ signedAmount(item.grams, 'g', 1) }}</span>,
              <span class="num">{{ figure(item.hours, 1) }} h</span> to print anew
            </div>
          </div>
          <v-btn size="x-small" :aria-label="`Take: ${worded(item.title)}`" @click="take(item)">Take</v-btn>
        </li>
      </ul>
      <p v-if="!answer.single.length" class="small bad">
        No single change helps here: less load at Brief, a lighter aircraft, or a thicker wing.
      </p>
      <div v-if="answer.all" class="all">
        <p class="small">
          Everything in {{ answer.all.titles.length }}
          {{ answer.all.titles.length === 1 ? 'step' : 'steps' }}:
          {{ answer.all.titles.map(worded).join('; ') }}. Then
          <span class="num good">{{ figure(answer.all.reserveAfter, 2) }}</span>,
          <span class="num">{{ signedAmount(answer.all.grams, 'g', 1) }}</span>,
          <span class="num">{{ figure(answer.all.hours, 1) }} h</span> to print anew.
        </p>
        <v-btn
          color="primary"
          variant="flat"
          size="small"
          data-act="mend-all"
          @click="take(answer.all, `Strengthen: ${answer.all.titles.map(worded).join(', ')}`)"
          >Take all of it</v-btn
        >
      </div>
    </template>
  </div>
</template>

<style scoped>
.mend {
  margin: 0 0 12px;
}
.mend h3 {
  margin-top: 4px;
}
.all {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 12px;
  align-items: center;
}
@media (max-width: 700px) {
  .mend {
    overflow-x: auto;
  }
  .all {
    grid-template-columns: 1fr;
  }
}
</style>
