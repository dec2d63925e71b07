<script setup lang="ts">
/**
 * Every way to mend the balance, really assessed: what it weighs, how long it prints, what it does to
 * strength, where it balances after.
 */
import { HOUR_IN_GRAMS } from '../../../core/change'
import type { Remedy } from '../../../core/workshop/balance'
import { amount, figure, signed, signedAmount, worded } from '~/composables/format'
import { useAside } from '~/composables/useAside'
import { useBench } from '~/composables/useBench'

const { doc, now, project, look } = useBench()
const { answer, busy, of, fresh, fault } = useAside((core, subject) => core.remedies(subject))
const remedies = computed(() => answer.value ?? [])
const [low, high] = [
  computed(() => doc.value.brief.staticMarginPct[0]),
  computed(() => doc.value.brief.staticMarginPct[1]),
]
const show = (remedy: Remedy | null) => {
  look.preview = remedy ? { cgMm: remedy.cgAfterMm, label: worded(remedy.title) } : null
}
onScopeDispose(() => show(null))
watch(doc, () => show(null))
function take(remedy: Remedy) {
  show(null)
  project.takeOffer(worded(remedy.title), remedy.change, of.value)
}
const stale = computed(() => !fresh.value)
</script>

<template>
  <div>
    <p class="lead">
      Balances at <b class="num">{{ amount(now.totals.cgMm[0], 'mm', 1) }}</b>, static margin
      <b class="num">{{ figure(now.flight.staticMarginPct, 1) }} %</b> of a band of {{ low }}–{{ high }} %.
      The middle, payload in and out counted alike, is
      <span class="num">{{ amount(now.flight.cgAimMm, 'mm', 1) }}</span><template v-if="remedies.length"
        >; each of these brings it there or towards it</template
      >.
    </p>
    <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
    <p v-else-if="!answer" class="quiet">Trying every remedy on the whole aircraft …</p>
    <p v-else-if="!remedies.length" class="quiet">It balances in the middle of the band: nothing to mend.</p>
    <table v-else class="ledger" :class="{ stale }" data-table="remedies" :aria-busy="busy">
      <thead>
        <tr>
          <th>Remedy</th>
          <th class="r">Flying weight</th>
          <th class="r">To print</th>
          <th class="r">Reserve</th>
          <th class="r">Balances at</th>
          <th class="r">Margin in, gone</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="remedy in remedies"
          :key="remedy.id"
          :data-remedy-of="remedy.id"
          :class="{ on: look.preview?.label === worded(remedy.title) }"
          @pointerenter="show(remedy)"
          @pointerleave="show(null)"
        >
          <td>
            <b>{{ worded(remedy.title) }}</b>
            <div class="small quiet">{{ worded(remedy.detail) }}</div>
          </td>
          <td class="r num" data-label="weight">
            {{ Math.abs(remedy.grams) < 0.05 ? 'as it is' : `${signedAmount(remedy.grams, 'g', 1)}` }}
          </td>
          <td class="r num" data-label="to print">
            {{ remedy.hours > 0.05 ? `${figure(remedy.hours, 1)} h` : 'nothing' }}
          </td>
          <td class="r num" data-label="reserve" :class="{ bad: remedy.reserveAfter < 1 }">
            {{ figure(remedy.reserveAfter, 2)
            }}<span v-if="Math.abs(remedy.reserveChange) >= 0.005" class="quiet delta">{{
              signed(remedy.reserveChange, 2)
            }}</span>
          </td>
          <td class="r num" data-label="balances at" data-figure="cg-after">
            {{ amount(remedy.cgAfterMm, 'mm', 1) }}
          </td>
          <td class="r num" data-label="margin in, gone" :class="{ bad: !remedy.reaches }">
            {{ figure(remedy.staticMarginAfterPct, 1) }}, {{ figure(remedy.staticMarginEmptyAfterPct, 1) }} %
          </td>
          <td class="r">
            <v-btn
              size="small"
              :data-remedy="remedy.id"
              :disabled="stale"
              @focus="show(remedy)"
              @blur="show(null)"
              @click="take(remedy)"
              >Take it</v-btn
            >
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="remedies.length" class="small quiet">
      First what ends inside the band, least cost first: added grams, with an hour of printing counted as
      {{ HOUR_IN_GRAMS }} g, a part moved as 2 g and a pack bought as 5 g. Then what falls short, in red,
      nearest first.
    </p>
  </div>
</template>

<style scoped>
.delta {
  margin-left: 0.6em;
}
.stale {
  opacity: 0.55;
}
td {
  vertical-align: middle !important;
}
@media (max-width: 700px) {
  thead {
    display: none;
  }
  tbody tr {
    display: grid;
    grid-template-columns: 1fr 1fr;
    padding: 8px 0;
    border-bottom: 1px solid var(--hair);
  }
  td {
    border: 0 !important;
    text-align: left !important;
    padding: 2px 8px 2px 0 !important;
  }
  td:first-child,
  td:last-child {
    grid-column: 1 / -1;
  }
  td[data-label]::before {
    content: attr(data-label) ' ';
    color: var(--quiet);
    font-family: 'Atkinson Hyperlegible Next Variable', sans-serif;
    font-size: 12px;
  }
}
</style>
