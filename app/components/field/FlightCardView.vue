<script setup lang="ts">
/** What is wanted at the field, large enough for a phone in the sun; as PDF and as a page that needs no network. */
import { amount, figure, signedAmount } from '~/composables/format'
import { useAside } from '~/composables/useAside'
import { useBench } from '~/composables/useBench'
import { useBook } from '~/composables/useBook'

const { doc, now } = useBench()
const { answer: card, fault, fresh } = useAside((core, subject) => core.flightCard(subject))
const book = useBook()
const stamp = () => {
  const at = new Date()
  return new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 16)
}
const make = (kind: 'card' | 'card-html') => book.make(toRaw(doc.value), kind, 'a4', stamp())
</script>

<template>
  <section class="cardview">
    <p v-if="fault" class="bad" role="alert">The card was not worked out: {{ fault }}</p>
    <p v-else-if="!card" class="quiet">Working out the card …</p>
    <template v-else>
      <div class="big" :class="{ quiet: !fresh }">
        <div v-if="card.speeds[0]">
          <span>stall</span
          ><b class="num" data-figure="card-stall">{{ amount(card.speeds[0].stallMs, 'm/s', 1) }}</b>
        </div>
        <div>
          <span>cruise</span><b class="num">{{ amount(card.cruiseMs, 'm/s', 1) }}</b>
        </div>
        <div>
          <span>never over</span><b class="num">{{ amount(card.neverMs, 'm/s', 1) }}</b>
        </div>
        <div v-if="card.power">
          <span>land after</span
          ><b class="num" data-figure="card-minutes">{{
            card.power.minutes === null ? '> 6 h' : amount(card.power.minutes, 'min', 0)
          }}</b>
        </div>
        <div v-if="card.power">
          <span>or</span><b class="num">{{ amount(card.power.takenMah, 'mAh') }}</b>
        </div>
        <div v-if="card.toss">
          <span>throw</span
          ><b class="num"
            >{{ amount(card.toss.speedMs, 'm/s', 1) }}, {{ signedAmount(card.toss.pathDeg, '°') }}</b
          >
        </div>
        <div>
          <span>wind at most</span><b class="num">{{ amount(card.windMaxMs, 'm/s', 0) }}</b>
        </div>
      </div>
      <p
        v-if="card.levelMaxMs !== null && card.levelMaxMs > card.neverMs"
        class="bad"
        data-figure="card-too-fast"
      >
        At full throttle it flies {{ amount(card.levelMaxMs, 'm/s', 1) }} level: faster than it is held to.
        Throttle back.
      </p>
      <p v-if="card.oneMotor" class="caution" data-figure="card-one-motor">
        One motor stopped: throttle back at once, then land.
        <template v-if="card.oneMotor.heldFromMs === null">The rudder never holds the other.</template
        ><template v-else
          >The rudder holds the other at full throttle from
          {{ amount(card.oneMotor.heldFromMs, 'm/s', 1) }} on.</template
        >
      </p>
      <p v-if="card.power?.broken" class="bad">
        {{ card.power.broken }} {{ card.power.broken === 1 ? 'limit' : 'limits' }} of the drive passed: see
        Power.
      </p>
      <div class="two">
        <div>
          <h3>Speeds by loading</h3>
          <table class="ledger" data-table="card-speeds">
            <thead>
              <tr>
                <th />
                <th class="r">Stall</th>
                <th class="r">Least sink</th>
                <th class="r">Best glide</th>
                <th class="r">one in</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="row in card.speeds" :key="row.loading">
                <td>{{ row.loading }}, {{ amount(row.massG, 'g') }}</td>
                <td class="r num">{{ amount(row.stallMs, 'm/s', 1) }}</td>
                <td class="r num">{{ amount(row.leastSinkMs, 'm/s', 1) }}</td>
                <td class="r num">{{ amount(row.bestGlideMs, 'm/s', 1) }}</td>
                <td class="r num">{{ figure(row.glideRatio, 1) }}</td>
              </tr>
            </tbody>
          </table>
          <h3>Balance</h3>
          <table class="ledger" data-table="card-balance">
            <tbody>
              <tr v-for="row in card.balances" :key="row.loading">
                <td>{{ row.loading }}</td>
                <td class="r num">
                  <b :class="{ bad: !row.ok }">{{ amount(row.cgMm, 'mm') }}</b>
                </td>
                <td class="r num">{{ figure(row.rangeMm[0]) }}–{{ amount(row.rangeMm[1], 'mm') }}</td>
                <td class="r num">
                  {{ row.batteryMm === null ? '' : `battery ${amount(row.batteryMm, 'mm')}` }}
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <div>
          <h3>Throws, at the inner end of each</h3>
          <table class="ledger" data-table="card-throws">
            <tbody>
              <tr v-for="row in card.throws" :key="row.name">
                <td>{{ row.name }}</td>
                <td class="r num">↑ {{ amount(row.upMm, 'mm', 1) }}</td>
                <td class="r num">↓ {{ amount(row.downMm, 'mm', 1) }}</td>
              </tr>
            </tbody>
          </table>
          <h3>Rates</h3>
          <table class="ledger">
            <tbody>
              <tr v-for="rate in now.rates" :key="rate.axis">
                <td>{{ rate.control }}, {{ rate.axis }}</td>
                <td class="r num">low {{ amount(100 * rate.lowShare, '%') }}</td>
                <td class="r num">high {{ amount(100 * rate.highShare, '%') }}</td>
                <td class="r num">expo {{ amount(100 * rate.expo, '%') }}</td>
              </tr>
            </tbody>
          </table>
          <p v-if="card.trimDeg !== null" class="small">
            Elevator for the best glide: {{ signedAmount(card.trimDeg, '°', 1) }}, down positive.
          </p>
        </div>
      </div>
      <div class="acts">
        <v-btn data-act="card-pdf" :disabled="!!book.at.value" @click="make('card')">Card (PDF)</v-btn>
        <v-btn data-act="card-html" :disabled="!!book.at.value" @click="make('card-html')"
          >Card for the phone (HTML)</v-btn
        >
        <span v-if="book.made.value" class="small quiet" data-card="made">{{ book.made.value.name }}</span>
        <span v-if="book.fault.value" class="bad small" role="alert">{{ book.fault.value }}</span>
      </div>
      <p class="small quiet">
        Computed from the project as it stands; nothing here says that a flight is legal or safe.
      </p>
    </template>
  </section>
</template>

<style scoped>
.big {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 20px;
  padding: 4px 0 10px;
  border-bottom: 1px solid var(--hair);
}
.big div {
  display: flex;
  flex-direction: column;
}
.big span {
  font-size: 12.5px;
  color: var(--quiet);
}
.big b {
  font-size: 21px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 28px;
  margin-bottom: 12px;
}
@media (max-width: 700px) {
  .two {
    grid-template-columns: 1fr;
    gap: 0;
  }
  .big b {
    font-size: 26px;
  }
}
</style>
