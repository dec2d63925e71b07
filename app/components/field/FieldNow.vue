<script setup lang="ts">
/** Today, in figures that are read at arm's length; what changed, what is due, then the list. */
import { changesSince, firstFlight, looksDue } from '../../../core/workshop/field'
import { amount, figure, signed, today, worded } from '~/composables/format'
import { readiness } from '../../../core/workshop/readiness'
import { useBench } from '~/composables/useBench'
import { useFieldDay } from '~/composables/useFieldDay'

const { doc, now, edit } = useBench()
const { answer: day, fault, fresh } = useFieldDay()
const result = computed(() => readiness(doc.value, now.value, today()))
const count = (state: string) => result.value.items.filter(item => item.state === state).length
const VERDICTS = { go: 'Go, by what is entered here', 'no-go': 'No go', open: 'Not yet' }
const changes = computed(() => changesSince(doc.value, now.value))
const due = computed(() => looksDue(doc.value).filter(look => look.inFlights <= 0))
/** What comes due next of what is not due yet. */
const next = computed(() => looksDue(doc.value).find(look => look.inFlights > 0) ?? null)
const setEvery = (flights: number | null) =>
  edit('Flights between two looks', draft => {
    draft.field.lookEvery = Math.round(flights ?? 10)
  })
const first = computed(() => doc.value.flights.length === 0)
const showOrder = ref(false)
const order = computed(() => (day.value ? firstFlight(doc.value, day.value) : []))
const looked = (id: string, what: string) =>
  edit(`Looked at: ${what}`, draft => {
    draft.field.looks = [
      ...draft.field.looks.filter(look => look.item !== id),
      { item: id, date: today(), flights: draft.flights.length },
    ]
  })
const lookAll = () =>
  edit('Looked over what was due', draft => {
    const ids = due.value.map(look => look.id)
    draft.field.looks = [
      ...draft.field.looks.filter(look => !ids.includes(look.item)),
      ...ids.map(item => ({ item, date: today(), flights: draft.flights.length })),
    ]
  })
</script>

<template>
  <section class="field">
    <header class="head">
      <p class="verdict" :class="result.verdict" role="status" data-figure="go">
        {{ VERDICTS[result.verdict] }}
      </p>
      <p class="quiet">
        {{ count('go') }} in order, {{ count('open') }} open, {{ count('no-go') }} against. The decision, and
        the law, stay with you.
      </p>
    </header>
    <p v-if="fault" class="bad" role="alert">Today's figures were not worked out: {{ fault }}</p>
    <p v-else-if="!day" class="quiet">Working out today's figures …</p>
    <template v-else>
      <div class="big" :class="{ quiet: !fresh }">
        <div>
          <span>stalls at</span
          ><b class="num" data-figure="today-stall">{{ amount(day.stallMs, 'm/s', 1) }}</b>
        </div>
        <div>
          <span>approach at</span
          ><b class="num" data-figure="today-approach">{{ amount(day.approachMs, 'm/s', 1) }}</b>
        </div>
        <div v-if="day.throwMs !== null">
          <span>throw at</span><b class="num">{{ amount(day.throwMs, 'm/s', 1) }}</b>
        </div>
        <div v-if="day.charge">
          <span>land after</span
          ><b class="num" data-figure="today-minutes">{{
            day.charge.minutes === null ? '> 6 h' : amount(day.charge.minutes, 'min', 1)
          }}</b>
        </div>
        <div v-if="day.charge">
          <span>or</span><b class="num">{{ amount(day.charge.usableMah, 'mAh') }}</b>
        </div>
        <div v-if="day.wind" :class="{ bad: day.wind.marginMs < 0 }">
          <span>wind, gusts</span
          ><b class="num" data-figure="today-wind"
            >{{ figure(day.wind.meanMs, 0) }}, {{ amount(day.wind.gustMs, 'm/s', 0) }}</b
          >
        </div>
        <div v-if="day.wind">
          <span>headway at cruise</span><b class="num">{{ amount(day.wind.headwayMs, 'm/s', 0) }}</b>
        </div>
      </div>
      <p class="small quiet">
        Air of {{ figure(day.densityKgM3, 3) }} kg/m³, {{ signed(100 * (day.densityShare - 1), 1) }} % on the
        brief's; {{ amount(day.massG, 'g')
        }}{{ doc.measured.massG === null ? ' by computation' : ' by the scale' }}; approach is 1.3 × stall and
        half of what gusts add{{
          doc.field.windMs === null ? '. Enter the wind for headway and margin' : ''
        }}.
      </p>
      <p v-for="(note, i) in day.notes" :key="i" class="bad note" role="alert">⚠ {{ worded(note) }}.</p>
    </template>
    <section v-if="changes.length" class="block" data-list="changes">
      <h2>Not as it last flew</h2>
      <ul>
        <li v-for="(item, i) in changes" :key="i">{{ worded(item) }}</li>
      </ul>
    </section>
    <section v-if="due.length" class="block" data-list="due">
      <h2>Look at these before it flies</h2>
      <ul>
        <li v-for="look in due" :key="look.id" :data-look="look.id">
          <div>
            <b>{{ worded(look.what) }}</b>
            <div class="small quiet">{{ look.how }}</div>
          </div>
          <v-btn size="small" @click="looked(look.id, worded(look.what))">Looked</v-btn>
        </li>
      </ul>
      <v-btn v-if="due.length > 1" data-act="look-all" @click="lookAll">All of them looked over</v-btn>
    </section>
    <div class="every small">
      <FigureField
        label="Looked over every"
        unit="flights"
        :min="1"
        :max="200"
        :digits="0"
        :model-value="doc.field.lookEvery"
        data-field="look-every"
        @update:model-value="setEvery"
      />
      <span v-if="next" class="quiet" data-figure="next-look"
        >Next: {{ worded(next.what).toLowerCase() }}, in {{ next.inFlights }}
        {{ next.inFlights === 1 ? 'flight' : 'flights' }}.</span
      >
    </div>
    <section class="block">
      <h2>
        <button
          type="button"
          class="plain"
          :aria-expanded="showOrder || first"
          data-act="order"
          @click="showOrder = !showOrder"
        >
          {{ first ? 'The first flight, in order' : 'In the air, in order' }}
          <span v-if="!first" class="quiet small">{{ showOrder ? 'fold' : 'show' }}</span>
        </button>
      </h2>
      <ol v-if="showOrder || first" data-list="order">
        <li v-for="look in order" :key="look.id">
          <b>{{ look.title }}.</b> {{ worded(look.words) }}
        </li>
      </ol>
    </section>
    <GoList />
    <PlaceRules />
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  align-items: baseline;
}
.head p {
  margin: 2px 0;
}
.verdict {
  font-size: 22px;
  font-weight: 750;
}
.verdict.go {
  color: rgb(var(--v-theme-success));
}
.verdict.no-go {
  color: rgb(var(--v-theme-error));
}
.big {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 26px;
  padding: 4px 0 8px;
}
.big div {
  display: flex;
  flex-direction: column;
}
.big span {
  font-size: 13px;
  color: var(--quiet);
}
.big b {
  font-size: 26px;
  line-height: 1.2;
}
.note {
  font-size: 15px;
  margin: 6px 0;
}
.block {
  border-top: 1px solid var(--hair);
  padding: 8px 0;
}
.block ul,
.block ol {
  padding-left: 20px;
  margin: 4px 0 8px;
  line-height: 1.5;
}
.block li[data-look] {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  margin-left: -20px;
  padding: 4px 0;
  border-bottom: 1px solid var(--hair);
}
.every {
  display: grid;
  grid-template-columns: 190px minmax(0, 1fr);
  gap: 12px;
  align-items: center;
  margin: 10px 0;
}
@media (max-width: 700px) {
  .big {
    display: grid;
    grid-template-columns: 1fr 1fr;
  }
  .big b {
    font-size: 30px;
  }
  .block {
    font-size: 16px;
  }
}
</style>
