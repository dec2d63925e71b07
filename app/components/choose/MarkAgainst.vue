<script setup lang="ts">
/**
 * The design as it is against one that was kept: figures, ledger, what must be printed anew; its outline laid
 * over the drawing.
 */
import { format } from 'date-fns'
import { amount, amountOf, figure, signedAmount, signedAmountOf } from '~/composables/format'
import { useAside } from '~/composables/useAside'
import { useBench } from '~/composables/useBench'

const { doc, project, look } = useBench()
const chosen = useState<number | null>('mark-against', () => null)
const mark = computed(
  () => project.marks.find(item => item.id === chosen.value) ?? project.marks.at(-1) ?? null,
)
/** Against the present design, or against another mark. */
const other = useState<number | null>('mark-other', () => null)
const second = computed(() => project.marks.find(item => item.id === other.value) ?? null)
const { answer, busy } = useAside(
  async (core, subject) =>
    mark.value ? core.compareDesigns(toRaw(mark.value.doc), toRaw(second.value?.doc ?? subject)) : null,
  () => `${mark.value?.id} ${second.value?.id}`,
)
watch(answer, found => {
  look.overlay = second.value ? null : (found?.drawing ?? null)
})
onScopeDispose(() => {
  look.overlay = null
})
const marks = computed(() =>
  [...project.marks]
    .reverse()
    .map(item => ({ title: `${item.name} (${format(item.at, 'd MMM HH:mm')})`, value: item.id! })),
)
const count = (fate: string) =>
  answer.value?.comparison.pieces.filter(piece => piece.fate === fate).length ?? 0
/** A project of its own from a mark: both go on. */
const branch = (from: NonNullable<typeof mark.value>) =>
  project.said(() => project.add(from.doc, `${doc.value.name.slice(0, 120)}: ${from.name.slice(0, 60)}`))
const anew = computed(
  () => answer.value?.comparison.pieces.filter(piece => piece.fate !== 'carries over') ?? [],
)
</script>

<template>
  <div v-if="!project.marks.length">
    <h2>No mark kept yet</h2>
    <p class="lead">
      Keep one in the tray, change something, and come back here: figures side by side, the ledger's
      differences, what must be printed anew and what carries over, the old outline under the new.
    </p>
  </div>
  <div v-else>
    <div class="top">
      <v-select
        :model-value="mark?.id"
        :items="marks"
        label="From the mark"
        density="compact"
        data-field="mark-from"
        @update:model-value="chosen = $event ?? null"
      /><v-select
        :model-value="second?.id ?? 0"
        :items="[
          { title: 'The design as it is', value: 0 },
          ...marks.filter(item => item.value !== mark?.id),
        ]"
        label="to"
        density="compact"
        data-field="mark-to"
        @update:model-value="other = $event || null"
      />
      <div v-if="mark" class="acts">
        <v-btn size="small" @click="project.backToMark(mark)">Go back to it</v-btn
        ><v-btn size="small" @click="branch(mark)">Branch off</v-btn>
      </div>
    </div>
    <p v-if="!answer" class="quiet">Comparing …</p>
    <div v-else class="split" :aria-busy="busy" data-compared>
      <div>
        <table class="ledger">
          <thead>
            <tr>
              <th />
              <th class="r">mark</th>
              <th class="r">now</th>
              <th class="r">difference</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in answer.comparison.verdicts" :key="row.wing" :data-verdict="row.wing">
              <td>{{ row.label }}</td>
              <td class="r num">{{ amount(row.before, row.unit, row.digits) }}</td>
              <td class="r num">{{ amountOf(row.after, row.unit, row.digits) }}</td>
              <td class="r num" :class="row.better === null ? 'quiet' : row.better ? 'good' : 'bad'">
                {{ signedAmountOf(row.after - row.before, row.unit, row.digits) }}
              </td>
            </tr>
          </tbody>
        </table>
        <h3>What changed in the ledger</h3>
        <p v-if="!answer.comparison.ledger.length" class="quiet small">
          Nothing: the same masses in the same places.
        </p>
        <table v-else class="ledger">
          <tbody>
            <tr v-for="row in answer.comparison.ledger.slice(0, 12)" :key="row.id">
              <td>{{ row.name }}</td>
              <td class="r num">
                {{
                  Math.abs(row.afterG - row.beforeG) > 0.05
                    ? `${signedAmount(row.afterG - row.beforeG, 'g', 1)}`
                    : ''
                }}
              </td>
              <td class="r num quiet">
                {{
                  Math.abs(row.shiftMm) > 0.5
                    ? `${amount(Math.abs(row.shiftMm), 'mm', 1)} ${row.shiftMm < 0 ? 'forward' : 'aft'}`
                    : ''
                }}
              </td>
            </tr>
          </tbody>
        </table>
        <p v-if="answer.comparison.ledger.length > 12" class="small quiet">
          and {{ answer.comparison.ledger.length - 12 }} smaller ones.
        </p>
      </div>
      <div>
        <h2>
          To print
          <span class="num" data-figure="anew-hours">{{ figure(answer.comparison.hours, 1) }} h</span>,
          <span class="num">{{ amount(answer.comparison.grams, 'g') }}</span>
        </h2>
        <p class="lead">
          {{ count('printed anew') }} printed anew, {{ count('new') }} new, {{ count('left out') }} left out;
          {{ count('carries over') }} carry over as they are.
        </p>
        <table class="ledger">
          <tbody>
            <tr v-for="piece in anew.slice(0, 16)" :key="piece.id">
              <td>{{ piece.name }}</td>
              <td class="small">{{ piece.fate }}</td>
              <td class="r num">{{ piece.fate === 'left out' ? '' : `${amount(piece.afterG, 'g', 1)}` }}</td>
              <td class="r num">{{ piece.fate === 'left out' ? '' : `${figure(piece.hours, 1)} h` }}</td>
            </tr>
          </tbody>
        </table>
        <p v-if="anew.length > 16" class="small quiet">and {{ anew.length - 16 }} more.</p>
        <p v-if="!second" class="small quiet">Dashed on the drawing: the outline of the mark.</p>
      </div>
    </div>
  </div>
</template>

<style scoped>
.acts {
  flex-wrap: nowrap;
}
.top {
  display: grid;
  grid-template-columns: 1fr 1fr auto;
  gap: 14px;
  align-items: start;
  margin: 8px 0;
}
.split {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 26px;
  align-items: start;
}
@media (max-width: 700px) {
  .top,
  .split {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
