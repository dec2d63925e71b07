<script setup lang="ts">
import { today } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { doc, edit } = useBench()
const empty = () => ({
  date: today(),
  minutes: 5 as number | null,
  windMs: 0 as number | null,
  elevatorTrimDeg: 0 as number | null,
  aileronTrimDeg: 0 as number | null,
  usedMah: 0 as number | null,
  motorC: 20 as number | null,
  behaviour: '',
  broke: '',
  next: '',
})
const entry = reactive(empty())
function keep() {
  let n = doc.value.flights.length + 1
  while (doc.value.flights.some(flight => flight.id === `flight-${n}`)) n++
  const figures = {
    minutes: entry.minutes ?? 0,
    windMs: entry.windMs ?? 0,
    elevatorTrimDeg: entry.elevatorTrimDeg ?? 0,
    aileronTrimDeg: entry.aileronTrimDeg ?? 0,
    usedMah: entry.usedMah ?? 0,
    motorC: entry.motorC ?? 20,
  }
  if (
    edit(`Log flight ${n}`, draft => {
      draft.flights.push({ id: `flight-${n}`, ...entry, ...figures })
    })
  )
    Object.assign(entry, empty())
}
</script>

<template>
  <div class="stack">
    <h3 style="margin-top: 0">A flight</h3>
    <v-text-field v-model="entry.date" label="Date" type="date" />
    <div class="row">
      <FigureField v-model="entry.minutes" label="In the air" unit="min" :min="0" :max="600" /><FigureField
        v-model="entry.windMs"
        label="Wind"
        unit="m/s"
        :min="0"
        :max="40"
      />
    </div>
    <div class="row">
      <FigureField
        v-model="entry.elevatorTrimDeg"
        label="Elevator trim, up +"
        unit="°"
        :min="-30"
        :max="30"
        data-field="trim"
      /><FigureField
        v-model="entry.aileronTrimDeg"
        label="Aileron trim, right +"
        unit="°"
        :min="-30"
        :max="30"
      />
    </div>
    <div class="row">
      <FigureField
        v-model="entry.usedMah"
        label="Used"
        unit="mAh"
        :min="0"
        :max="50000"
        :digits="0"
      /><FigureField v-model="entry.motorC" label="Motor after" unit="°C" :min="-40" :max="250" :digits="0" />
    </div>
    <v-textarea v-model="entry.behaviour" label="What it did" maxlength="4000" data-field="behaviour" />
    <v-textarea v-model="entry.broke" label="What broke" maxlength="4000" />
    <v-textarea
      v-model="entry.next"
      label="What the next mark should change"
      maxlength="4000"
      data-field="next"
    />
    <v-btn color="primary" variant="flat" data-act="log-flight" @click="keep">Log this flight</v-btn>
  </div>
</template>
