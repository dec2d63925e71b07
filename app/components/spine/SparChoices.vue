<script setup lang="ts">
/** What each spar could be instead, computed at once; and the lengths to cut from stock. */
import { coverWanted } from '../../../core/assess'
import { LIBRARIES } from '../../../core/libraries'
import type { ProjectFile } from '../../../core/document'
import type { Words } from '../../../core/units'
import { cuttingPlan, KERF_MM } from '../../../core/workshop/spine'
import { amount, figure, signed, signedAmount, worded } from '~/composables/format'
import { useAside } from '~/composables/useAside'
import { useBench } from '~/composables/useBench'

const { doc, now, project } = useBench()
const { answer, busy, of, fresh, fault } = useAside((core, subject) => core.sparChoices(subject))
const nameOf = (id: string) => doc.value.spars.find(spar => spar.id === id)?.name ?? id
/** Narrowest bead in use: less plastic than that is no wall. */
const bead = computed(() => coverWanted(doc.value))
const plan = computed(() => cuttingPlan(doc.value, now.value, LIBRARIES))
const take = (item: { spar: string; title: Words; change: Partial<ProjectFile> }) =>
  project.takeOffer(`${nameOf(item.spar)}: ${worded(item.title)}`, item.change, of.value)
</script>

<template>
  <div>
    <div :aria-busy="busy" class="scroll">
      <p v-if="fault" class="bad small" role="alert">The choices could not be computed: {{ fault }}.</p>
      <p v-if="answer && !fresh && !busy" class="quiet small">Of the design before your last edit.</p>
      <p v-if="!answer" class="quiet">Trying each spar out, a size less, a size more …</p>
      <p v-else-if="!answer.length">
        No spar in the wing: the printed skin carries by itself. Add one in the tray to compare.
      </p>
      <table v-else class="ledger" data-table="spar-choices">
        <thead>
          <tr>
            <th>Each spar, and instead</th>
            <th class="r">Wing's reserve</th>
            <th>first to go</th>
            <th class="r">tip twist</th>
            <th class="r">weight</th>
            <th class="r">cost</th>
            <th class="r">cover</th>
            <th />
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="item in answer"
            :key="`${item.spar}-${item.id}`"
            :data-choice="`${item.spar}:${item.id}`"
            :class="{ first: item.id === 'as it is' }"
          >
            <td :class="{ inset: item.id !== 'as it is' }">
              <template v-if="item.id === 'as it is'"
                ><b>{{ nameOf(item.spar) }}</b
                >, {{ worded(item.title) }}</template
              ><template v-else>{{ worded(item.title) }}</template>
            </td>
            <td class="r num" :class="{ bad: item.reserve < 1 }">{{ figure(item.reserve, 2) }}</td>
            <td class="small">{{ item.mode }}, {{ amount(item.atMm, 'mm') }}</td>
            <td class="r num">{{ figure(item.tipTwistDeg, 1) }}°</td>
            <td class="r num">{{ item.id === 'as it is' ? '' : `${signedAmount(item.grams, 'g', 1)}` }}</td>
            <td class="r num">
              {{ item.id === 'as it is' ? '' : `${doc.brief.currency} ${signed(item.cost, 2)}` }}
            </td>
            <td class="r num" :class="{ bad: item.coverMm !== null && item.coverMm < bead }">
              {{ item.coverMm === null ? '' : `${amount(item.coverMm, 'mm', 1)}` }}
            </td>
            <td class="r">
              <v-btn
                v-if="item.id !== 'as it is'"
                size="x-small"
                :aria-label="`Take ${nameOf(item.spar)}: ${worded(item.title)}`"
                @click="take(item)"
                >Take</v-btn
              >
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <div class="split">
      <div>
        <h2>To cut from stock</h2>
        <p v-if="!plan.lengths.length && !plan.tooLong.length" class="quiet">Nothing: no spar and no boom.</p>
        <div v-for="(item, i) in plan.lengths" :key="i" class="length" data-cut-length>
          <div class="small">
            {{ item.name }}, {{ item.lengthMm }} mm
            <span class="num quiet">{{ doc.brief.currency }} {{ figure(item.price, 2) }}</span>
          </div>
          <div
            class="bar"
            role="img"
            :aria-label="`${item.pieces.map(piece => `${piece.name} ${amount(piece.mm, 'mm')}`).join(', ')}; ${amount(item.offcutMm, 'mm')} left`"
          >
            <span
              v-for="(piece, k) in item.pieces"
              :key="k"
              class="piece"
              :style="{ width: `${(100 * piece.mm) / item.lengthMm}%` }"
              ><span class="num">{{ figure(piece.mm) }}</span></span
            >
          </div>
          <div class="small quiet">
            {{ item.pieces.map(piece => `${piece.name} ${figure(piece.mm)}`).join(' · ') }};
            <span class="num">{{ amount(item.offcutMm, 'mm') }}</span> left
          </div>
        </div>
        <p v-for="item in plan.tooLong" :key="item.name" class="bad small">
          {{ item.name }} wants {{ amount(item.mm, 'mm') }} in one; stock is {{ item.stockMm }} mm: end it
          earlier, or join two at the root.
        </p>
        <p v-if="plan.lengths.length" class="small">
          Whole lengths to buy: <b class="num">{{ doc.brief.currency }} {{ figure(plan.price, 2) }}</b
          >. A saw cut takes {{ KERF_MM }} mm.
        </p>
      </div>
      <div>
        <h2>Plastic round each bore</h2>
        <table class="ledger">
          <thead>
            <tr>
              <th>Spar</th>
              <th class="r">above</th>
              <th class="r">below</th>
              <th class="r">worst at</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="spar in now.spars" :key="spar.id">
              <td>{{ spar.name }}</td>
              <td
                v-for="way in ['above', 'below'] as const"
                :key="way"
                class="r num"
                :class="{ bad: Math.min(...spar.fits.map(f => f[way])) < bead }"
              >
                {{ amount(Math.min(...spar.fits.map(f => f[way])), 'mm', 2) }},
                {{ Math.max(0, Math.floor(Math.min(...spar.fits.map(f => f[way])) / bead)) }} beads
              </td>
              <td class="r num">{{ amount(spar.worstAt, 'mm') }}</td>
            </tr>
          </tbody>
        </table>
        <p class="caution">
          Cutting and sanding carbon makes harmful dust: cut it wet, wear a mask and gloves, and mind the
          splinters.
        </p>
      </div>
    </div>
  </div>
</template>

<style scoped>
.split {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 28px;
  align-items: start;
  margin-top: 18px;
}
.inset {
  padding-left: 16px !important;
}
.first td {
  border-top: 1.5px solid var(--quiet);
}
.scroll {
  overflow-x: auto;
}
.length {
  margin-bottom: 10px;
}
.bar {
  display: flex;
  gap: 2px;
  height: 20px;
  border: 1px solid var(--quiet);
  margin: 2px 0;
}
.piece {
  background: color-mix(in srgb, rgb(var(--v-theme-on-background)) 18%, transparent);
  display: grid;
  place-items: center;
  font-size: 11px;
  overflow: hidden;
  min-width: 0;
}
@media (max-width: 700px) {
  .split {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
