<script setup lang="ts">
import type { Flight } from '../../../core/document'
import { amount, figure, signed } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { doc, edit } = useBench()
const flights = computed(() => [...doc.value.flights].reverse())
/** What was noted, and nothing that was not. */
const noted = ({ minutes, windMs, elevatorTrimDeg, aileronTrimDeg, usedMah, motorC, glideRatio }: Flight) =>
  [
    `${figure(minutes, 1)} min`,
    `wind ${amount(windMs, 'm/s', 1)}`,
    elevatorTrimDeg !== null && `elevator ${signed(elevatorTrimDeg, 1)}°`,
    aileronTrimDeg !== null && `ailerons ${signed(aileronTrimDeg, 1)}°`,
    usedMah !== null &&
      `${figure(usedMah)} mAh${minutes > 0 ? ` (${figure(usedMah / minutes)} a minute)` : ''}`,
    motorC !== null && `motor ${figure(motorC)} °C`,
    glideRatio !== null && `glide one in ${figure(glideRatio, 1)}`,
  ]
    .filter(Boolean)
    .join(', ')
</script>

<template>
  <div>
    <p v-if="!flights.length" class="lead">
      No flights yet. After the first one, enter what trim it needed and what broke: the next mark is made of
      that.
    </p>
    <article v-for="flight in flights" :key="flight.id" class="flight" :data-flight="flight.id">
      <header>
        <h2>{{ flight.date }}</h2>
        <span class="num quiet">{{ noted(flight) }}</span><v-btn
          variant="text"
          size="x-small"
          @click="
            edit(`Remove the flight of ${flight.date}`, d => {
              d.flights = d.flights.filter(f => f.id !== flight.id)
            })
          "
          >Remove</v-btn
        >
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
    </article>
  </div>
</template>

<style scoped>
.flight {
  border-bottom: 1px solid var(--hair);
  padding: 4px 0 8px;
}
header {
  display: flex;
  gap: 14px;
  align-items: baseline;
  flex-wrap: wrap;
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
