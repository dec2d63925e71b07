<script setup lang="ts">
/** Go on or stop: what the pieces that are still to print can mend, each way assessed and forecast. */
import { proxy } from 'comlink'
import {
  begunPieces,
  LIKELY,
  type GoOn,
  type GoOnOffer,
  type GoOnVerdict,
} from '../../../core/workshop/go-on'
import { amount, amountOf, chance, figure, signedAmount, today, worded } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'

const { doc, now, project } = useBench()
const core = useCore('aside')
const progress = ref<{ done: number; of: number } | null>(null)
const answer = shallowRef<GoOn | null>(null)
const of = shallowRef<typeof doc.value | null>(null)
const fault = ref('')
let stopped = false
onScopeDispose(() => {
  stopped = true
})
async function ask() {
  stopped = false
  fault.value = ''
  progress.value = { done: 0, of: 1 }
  const subject = toRaw(doc.value)
  try {
    const found = await core.goOn(
      subject,
      today(),
      proxy((done: number, all: number) => {
        progress.value = { done, of: all }
        return !stopped
      }),
    )
    if (found) {
      answer.value = found
      of.value = subject
    }
  } catch (error) {
    fault.value = (error as Error).message
  } finally {
    progress.value = null
  }
}
const fresh = computed(() => of.value === toRaw(doc.value))
const ahead = computed(() => now.value.forecast)
const split = computed(() => begunPieces(doc.value, now.value))
const VERDICTS: Record<GoOnVerdict, string> = {
  'not-begun': 'Nothing is printed yet',
  done: 'Everything is printed',
  'go-on': 'Go on as it is',
  even: 'Go on, at even chances',
  change: 'Go on, but print the rest otherwise',
  balance: 'Go on, and mend the balance',
  stop: 'Stop and think',
}
const WHY: Record<GoOnVerdict, string> = {
  'not-begun': 'Weigh a first piece; until then this is a matter for Skin and Choose.',
  done: 'What is left to mend is balance and the pieces that came out heavy.',
  'go-on': 'Weight and balance will very likely come out; the ways below would only add room.',
  even: 'No way below is clearly better than what you have.',
  change: 'The first way below makes it more likely than not.',
  balance:
    'The weight will do; where it balances will not. Balance shows what slides or is added for that: nothing has to be printed otherwise.',
  stop: 'Not even the best of these makes it likely. Print the heaviest again, ask for less at Brief, or fly it heavier: stall and reserve say whether that is wise.',
}
const take = (offer: GoOnOffer) =>
  project.takeOffer(`Go on with ${worded(offer.title)}`, offer.change, fresh.value ? of.value : null)
</script>

<template>
  <section class="card" data-card="go-on">
    <div class="top">
      <div>
        <h3>
          <template v-if="answer && fresh"
            ><span :class="{ bad: answer.verdict === 'stop' }" data-verdict>{{
              VERDICTS[answer.verdict]
            }}</span></template
          ><template v-else>Go on or stop?</template>
        </h3>
        <p>
          As it goes, it will weigh
          <b class="num">{{ amount(ahead.massG, 'g') }}</b> ± {{ amountOf(ahead.massSigmaG, 'g') }} of
          {{ amount(doc.brief.targetMassG, 'g') }}: <b class="num">{{ chance(ahead.chanceWeight) }}</b> for
          the weight, <b class="num">{{ chance(ahead.chanceBalance) }}</b> for the balance.
          <template v-if="answer && fresh">{{ WHY[answer.verdict] }}</template>
        </p>
      </div>
      <div class="acts">
        <v-btn v-if="!progress" data-act="go-on" :disabled="!split.rest.length" @click="ask">{{
          answer ? 'Look again' : 'What can the rest mend?'
        }}</v-btn>
        <v-btn v-else @click="stopped = true">Stop looking</v-btn>
      </div>
    </div>
    <div v-if="progress" role="status">
      <v-progress-linear :model-value="(100 * progress.done) / progress.of" height="8" />
      <p class="quiet small">
        {{ progress.done }} of {{ progress.of }} ways of printing the rest assessed, with what is printed held
        as it is
      </p>
    </div>
    <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
    <template v-if="answer">
      <table
        v-if="answer.offers.length"
        class="ledger"
        :class="{ stale: !fresh }"
        :aria-busy="!!progress"
        data-table="go-on"
      >
        <thead>
          <tr>
            <th>Print the rest with</th>
            <th class="r">Saves</th>
            <th class="r">Will weigh</th>
            <th class="r">Weight met</th>
            <th class="r">Balance met</th>
            <th class="r">Reserve</th>
            <th class="r">Hours left</th>
            <th />
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="offer in answer.offers"
            :key="offer.id"
            :class="{ on: offer.id === answer.take }"
            :data-offer="offer.id"
          >
            <td>
              {{ worded(offer.title)
              }}<span v-if="!offer.holds" class="bad">{{
                offer.misfits.length
                  ? `; ${offer.misfits.join(', ')}, printed already, would no longer fit`
                  : '; then something stops the build or bears too little'
              }}</span>
            </td>
            <td class="r num">{{ amount(offer.savesG, 'g', 1) }}</td>
            <td class="r num">{{ amount(offer.massG, 'g') }}</td>
            <td class="r num" :class="{ good: offer.chanceWeight >= LIKELY }">
              {{ chance(offer.chanceWeight) }}
            </td>
            <td class="r num">{{ chance(offer.chanceBalance) }}</td>
            <td class="r num" :class="{ bad: offer.reserve < 1 }">{{ figure(offer.reserve, 2) }}</td>
            <td class="r num">{{ figure(offer.hoursLeft, 1) }} h</td>
            <td>
              <v-btn size="x-small" :disabled="!fresh" :data-take="offer.id" @click="take(offer)">Take</v-btn>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-else-if="answer.left" class="quiet">No way of printing the rest saves anything.</p>
      <p v-for="item in answer.reprints" :key="item.piece" data-reprint>
        <b>{{ item.name }}</b> printed again as it is would be about
        <b class="num">{{ amount(item.expectedG, 'g', 1) }}</b>,
        {{ signedAmount(item.expectedG - item.weighedG, 'g', 1) }}, for {{ figure(item.hours, 1) }} h and
        {{ amount(item.filamentG, 'g') }} of filament: {{ chance(item.chanceWeight) }} for the weight.
      </p>
      <p class="quiet small">
        {{ answer.begun }} {{ answer.begun === 1 ? 'piece is' : 'pieces are' }} begun, mirror images with
        them, and {{ answer.begun === 1 ? 'stays' : 'stay' }} as printed when one of these is taken;
        {{ answer.left }} follow. Bead and layer height stay, for the rest is glued to what is there.
        Filaments in the aircraft or on the shelf are tried.{{
          fresh ? '' : ' This was looked at before your last edit.'
        }}
      </p>
    </template>
  </section>
</template>

<style scoped>
.card {
  border: 1px solid var(--hair);
  border-radius: 6px;
  padding: 10px 14px;
  margin-bottom: 14px;
}
.top {
  display: flex;
  justify-content: space-between;
  align-items: flex-start;
  gap: 16px;
}
.top h3 {
  margin-top: 4px;
}
.top p {
  max-width: 80ch;
  margin: 2px 0 6px;
}
.acts {
  flex: none;
}
.stale {
  opacity: 0.55;
}
@media (max-width: 700px) {
  .top {
    display: block;
  }
}
</style>
