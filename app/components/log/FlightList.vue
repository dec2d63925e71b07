<script setup lang="ts">
/** Flights, newest first: what was noted of each, and its recording where it has one. */
import type { Flight } from '../../../core/document'
import { amount, figure, signed } from '~/composables/format'
import { useFlightDraft } from '~/composables/flight-entry'
import { useBench } from '~/composables/useBench'

const { doc, edit } = useBench()
const draft = useFlightDraft(doc.value.id)
const flights = computed(() => [...doc.value.flights].reverse())
const packName = (id: string | null) => doc.value.field.packs.find(pack => pack.id === id)?.name
/** What was noted, and nothing that was not. */
const noted = (flight: Flight) =>
  [
    `${figure(flight.minutes, 1)} min`,
    `wind ${amount(flight.windMs, 'm/s', 1)}`,
    flight.airC !== null && amount(flight.airC, '°C'),
    packName(flight.pack),
    flight.usedMah !== null &&
      `${figure(flight.usedMah)} mAh${flight.minutes > 0 ? ` (${figure(flight.usedMah / flight.minutes)} a minute)` : ''}`,
    flight.leftPct !== null && `${figure(flight.leftPct)} % left`,
    flight.elevatorTrimDeg !== null && `elevator ${signed(flight.elevatorTrimDeg, 1)}°`,
    flight.aileronTrimDeg !== null && `ailerons ${signed(flight.aileronTrimDeg, 1)}°`,
    flight.motorC !== null && `motor ${figure(flight.motorC)} °C`,
    flight.glideRatio !== null && `glide one in ${figure(flight.glideRatio, 1)}`,
    flight.landing !== null && (flight.landing === 'crash' ? 'a crash' : `${flight.landing} landing`),
  ]
    .filter(Boolean)
    .join(', ')
const remove = (flight: Flight) =>
  edit(`Remove the flight of ${flight.date}`, own => {
    own.flights = own.flights.filter(item => item.id !== flight.id)
    own.tracks = own.tracks.filter(item => item.flight !== flight.id)
  })
const complete = (flight: Flight) => {
  draft.value = { entry: draft.value.entry, completes: flight.id }
}
const totalMin = computed(() => doc.value.flights.reduce((sum, flight) => sum + flight.minutes, 0))
</script>

<template>
  <div>
    <p v-if="!flights.length" class="lead">
      No flights yet. After the first one, enter what trim it needed and what broke: the next mark is made of
      that.
    </p>
    <p v-else class="quiet" data-figure="flown">
      {{ flights.length }} {{ flights.length === 1 ? 'flight' : 'flights' }},
      {{ amount(totalMin, 'min', 0) }} in the air.
    </p>
    <article v-for="flight in flights" :key="flight.id" class="flight" :data-flight="flight.id">
      <header>
        <h2>{{ flight.date }}{{ flight.startedAt ? `, ${flight.startedAt}` : '' }}</h2>
        <span class="num quiet">{{ noted(flight) }}</span>
      </header>
      <dl>
        <template v-if="flight.behaviour"
          ><dt>Did</dt>
          <dd>{{ flight.behaviour }}</dd></template
        ><template v-if="flight.broke"
          ><dt>Broke</dt>
          <dd>{{ flight.broke }}</dd></template
        ><template v-if="flight.next"
          ><dt>Next mark</dt>
          <dd>{{ flight.next }}</dd></template
        >
      </dl>
      <TrackOfFlight :flight="flight" />
      <div class="acts">
        <v-btn size="small" variant="text" data-act="complete" @click="complete(flight)">Complete it</v-btn>
        <v-btn size="small" variant="text" @click="remove(flight)">Remove</v-btn>
      </div>
    </article>
  </div>
</template>

<style scoped>
.flight {
  border-bottom: 1px solid var(--hair);
  padding: 6px 0 8px;
}
header {
  display: flex;
  gap: 4px 14px;
  align-items: baseline;
  flex-wrap: wrap;
}
header h2 {
  white-space: nowrap;
}
dl {
  display: grid;
  grid-template-columns: 90px 1fr;
  gap: 3px 10px;
  margin: 4px 0;
  overflow-wrap: anywhere;
}
dt {
  color: var(--quiet);
}
dd {
  margin: 0;
}
</style>
