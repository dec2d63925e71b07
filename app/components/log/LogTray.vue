<script setup lang="ts">
import type { Flight } from '../../../core/document'
import { today } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { doc, edit } = useBench()
const empty = () => ({
  date: today(),
  minutes: 5 as number | null,
  windMs: 0 as number | null,
  elevatorTrimDeg: null as number | null,
  aileronTrimDeg: null as number | null,
  usedMah: null as number | null,
  motorC: null as number | null,
  glideRatio: null as number | null,
  signs: [] as Flight['signs'],
  behaviour: '',
  broke: '',
  next: '',
})
const entry = reactive(empty())
/** What was tried, in a pilot's words: less or to port, as it should be, more or to starboard. */
const TRIED: Array<{
  sign: Flight['signs'][number]['sign']
  label: string
  words: [string, string, string]
}> = [
  { sign: 'dive', label: 'Shallow dive, hands off', words: ['tucks under', 'holds', 'pulls out'] },
  { sign: 'pitch', label: 'Elevator feels', words: ['slack', 'right', 'nervous'] },
  { sign: 'power', label: 'Full throttle, hands off', words: ['nose down', 'level', 'nose up'] },
  { sign: 'turn', label: 'Trims at the middle, it turns', words: ['to port', 'straight', 'to starboard'] },
  { sign: 'slow', label: 'Slower, that turn gets', words: ['less', 'the same', 'more'] },
  { sign: 'stall', label: 'In a stall drops', words: ['port', 'neither', 'starboard'] },
  { sign: 'climb', label: 'Climbs', words: ['weakly', 'as computed', 'strongly'] },
  { sign: 'end', label: 'The end of the charge is', words: ['weak early', 'as computed', 'strong'] },
]
const VALUES = [-1, 0, 1] as const
const tried = ref(false)
const valueOf = (sign: string) => entry.signs.find(item => item.sign === sign)?.value ?? null
/** Pressed again, it was not tried. */
function note(sign: Flight['signs'][number]['sign'], value: -1 | 0 | 1) {
  const before = valueOf(sign)
  entry.signs = [
    ...entry.signs.filter(item => item.sign !== sign),
    ...(before === value ? [] : [{ sign, value }]),
  ]
}
function keep() {
  let n = doc.value.flights.length + 1
  while (doc.value.flights.some(flight => flight.id === `flight-${n}`)) n++
  const figures = {
    minutes: entry.minutes ?? 0,
    windMs: entry.windMs ?? 0,
  }
  if (
    edit(`Log flight ${n}`, draft => {
      draft.flights.push({
        id: `flight-${n}`,
        ...entry,
        ...figures,
        signs: entry.signs.map(item => ({ ...item })),
      })
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
        optional
        label="Elevator trim, up +"
        unit="°"
        :min="-30"
        :max="30"
        data-field="trim"
      /><FigureField
        v-model="entry.aileronTrimDeg"
        optional
        label="Aileron trim, right +"
        unit="°"
        :min="-30"
        :max="30"
      />
    </div>
    <div class="row">
      <FigureField
        v-model="entry.usedMah"
        optional
        label="Used"
        unit="mAh"
        :min="0"
        :max="50000"
        :digits="0"
      /><FigureField
        v-model="entry.motorC"
        optional
        label="Motor after"
        unit="°C"
        :min="-40"
        :max="250"
        :digits="0"
      />
    </div>
    <FigureField
      v-model="entry.glideRatio"
      label="Measured glide, one in"
      :min="0.5"
      :max="100"
      optional
      data-field="glide-ratio"
    />
    <button type="button" class="plain fold" :aria-expanded="tried" data-act="tried" @click="tried = !tried">
      <b>What was tried</b> <span class="quiet">{{ entry.signs.length || 'nothing yet' }}</span>
    </button>
    <template v-if="tried">
      <div v-for="item in TRIED" :key="item.sign" class="try" role="group" :aria-label="item.label">
        <span class="small">{{ item.label }}</span>
        <div class="three">
          <button
            v-for="(value, i) in VALUES"
            :key="value"
            type="button"
            class="plain pick"
            :class="{ on: valueOf(item.sign) === value }"
            :aria-pressed="valueOf(item.sign) === value"
            :data-sign="`${item.sign}:${value}`"
            @click="note(item.sign, value)"
          >
            {{ item.words[i] }}
          </button>
        </div>
      </div>
    </template>
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

<style scoped>
.fold {
  display: flex;
  justify-content: space-between;
  width: 100%;
  padding: 6px 0;
}
.try {
  padding: 4px 0 6px;
  border-bottom: 1px solid var(--hair);
}
.three {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 6px;
  margin-top: 3px;
}
.pick {
  border: 1px solid var(--hair);
  border-radius: 6px;
  padding: 5px 4px;
  text-align: center;
  font-size: 12.5px;
}
.pick.on {
  border-color: rgb(var(--v-theme-secondary));
  background: color-mix(in srgb, rgb(var(--v-theme-secondary)) 16%, transparent);
  font-weight: 650;
}
@media (max-width: 700px) {
  .pick {
    min-height: 44px;
  }
}
</style>
