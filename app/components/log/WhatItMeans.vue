<script setup lang="ts">
/** Causes of what was noted on this aircraft, with their chance, what would tell more, and what mends each. */
import { amount, figure, signed, signedAmount, signedAmountOf, worded } from '~/composables/format'
import { useAside } from '~/composables/useAside'
import { useBench } from '~/composables/useBench'

const { doc, edit, project } = useBench()
const { answer: found, fault, fresh, of } = useAside((core, doc) => core.diagnose(doc))
/** Under that a cause is about as likely as on the first day; the first three are always shown. */
const SHOWN = 0.1
const shown = computed(() => found.value?.causes.filter((cause, i) => i < 3 || cause.chance > SHOWN) ?? [])
const learn = () => {
  const share = found.value?.drag?.share
  if (share === undefined) return
  edit('Reckon with the drag that was flown', draft => {
    draft.measured.dragShare = share
  })
}
const forget = () =>
  edit('Reckon with the computed drag again', draft => {
    draft.measured.dragShare = null
  })
function mend(code: string, what: string) {
  const price = found.value?.prices[code]
  if (price) project.takeOffer(`Put into the design: ${what}`.slice(0, 120), price.change, of.value)
}
</script>

<template>
  <section>
    <p v-if="fault" class="bad" role="alert">Not worked out: {{ fault }}</p>
    <p v-else-if="!found" class="quiet">Weighing what was noted …</p>
    <template v-else>
      <p class="first" :class="{ quiet: !fresh }" data-figure="diagnosis">{{ worded(found.reading) }}.</p>
      <div v-if="!found.tooLittle" class="bars" role="list" aria-label="Causes by their chance">
        <div v-for="cause in shown" :key="cause.code" class="cause" role="listitem" :data-cause="cause.code">
          <span class="num chance">{{ amount(100 * cause.chance, '%') }}</span>
          <span class="bar" aria-hidden="true"><i :style="{ width: `${100 * cause.chance}%` }" /></span>
          <div>
            <b>{{ worded(cause.what) }}</b>
            <span class="num quiet">
              {{ signedAmountOf(cause.amount, cause.unit, 1) }} ±
              {{ amount(cause.sigma, cause.unit, 1) }}</span
            >
            <div class="small">{{ worded(cause.mend) }}.</div>
            <div v-if="found.prices[cause.code]" class="small price" :data-price="cause.code">
              <span class="num"
                >In the design: {{ signedAmount(found.prices[cause.code]!.massG, 'g', 1) }}, margin
                {{ signedAmount(found.prices[cause.code]!.marginPct, '%', 1) }}, reserve
                {{ signed(found.prices[cause.code]!.reserve, 2) }},
                {{ signedAmount(found.prices[cause.code]!.hours, 'h', 1) }}</span
              >
              <v-btn
                size="x-small"
                :disabled="!fresh"
                :data-mend="cause.code"
                @click="mend(cause.code, worded(cause.mend))"
                >Put it into the design</v-btn
              >
            </div>
            <div v-else-if="cause.code === 'drag' && found.drag" class="small price" data-price="drag">
              <span class="num"
                >Reckoned {{ figure(found.drag.share, 2) }} times as much without lift's own, it glides one in
                {{ figure(found.drag.glide, 1) }}</span
              >
              <v-btn size="x-small" :disabled="!fresh" data-act="learn-drag" @click="learn"
                >Reckon with it from now on</v-btn
              >
            </div>
          </div>
        </div>
        <div class="cause" role="listitem">
          <span class="num chance">{{ amount(100 * found.nothing, '%') }}</span>
          <span class="bar" aria-hidden="true"
            ><i class="plainbar" :style="{ width: `${100 * found.nothing}%` }"
          /></span>
          <div>Nothing but what is trimmed out</div>
        </div>
      </div>
      <p v-if="doc.measured.dragShare !== null" class="small" data-figure="drag-share">
        Drag without lift is reckoned {{ figure(doc.measured.dragShare, 2) }} times as computed, as flights
        taught.
        <v-btn size="x-small" variant="text" @click="forget">Computed again</v-btn>
      </p>
      <template v-if="found.tests.length">
        <h3>What would tell most now</h3>
        <ol class="small">
          <li v-for="test in found.tests" :key="test.sign">{{ test.words }}</li>
        </ol>
      </template>
      <p class="small caution">
        ⚠ Try such things high, over open ground, one at a time; whoever flies decides.
      </p>
      <p class="small quiet">
        {{ found.notes }} notes of {{ found.flights }}
        {{ found.flights === 1 ? 'flight' : 'flights' }} against what the core computes of this aircraft:
        every cause alone, every pair, and none; chances add to more than one where two may be at work. Trims
        are read from the drawn middle, payload aboard.
      </p>
    </template>
  </section>
</template>

<style scoped>
.first {
  font-size: 15px;
  line-height: 1.45;
  margin: 2px 0 10px;
}
.cause {
  display: grid;
  grid-template-columns: 52px 120px 1fr;
  gap: 12px;
  padding: 7px 0;
  border-bottom: 1px solid var(--hair);
  align-items: start;
}
.cause b + .num {
  margin-left: 10px;
  font-size: 12.5px;
}
.price {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: center;
}
.chance {
  text-align: right;
}
.bar {
  height: 12px;
  margin-top: 4px;
  border: 1px solid var(--hair);
}
.bar i {
  display: block;
  height: 100%;
  background: rgb(var(--v-theme-secondary));
}
.bar .plainbar {
  background: var(--hair);
}
@media (max-width: 700px) {
  .cause {
    grid-template-columns: 44px 1fr;
  }
  .bar {
    display: none;
  }
}
</style>
