<script setup lang="ts">
import { LIMITS } from '../../../core/document'
import { useBench } from '~/composables/useBench'

const { doc, edit } = useBench()
const b = computed(() => doc.value.brief)
type Figures =
  | 'targetMassG'
  | 'loadFactor'
  | 'safetyFactor'
  | 'printHours'
  | 'stallMaxMs'
  | 'cruiseMs'
  | 'topSpeedMs'
  | 'gustMs'
  | 'spanMaxMm'
  | 'windMaxMs'
  | 'throwMs'
  | 'bungeeN'
  | 'dropMm'
  | 'fieldElevationM'
  | 'fieldTemperatureC'
const set = (field: Figures, label: string) => (value: number | null) =>
  edit(`Set ${label}`, draft => {
    draft.brief[field] = value!
  })
const setMargin = (i: 0 | 1) => (value: number | null) =>
  edit(i ? 'Set greatest static margin' : 'Set least static margin', draft => {
    draft.brief.staticMarginPct[i] = value!
  })
const name = ref(doc.value.name)
watch(
  () => doc.value.name,
  value => {
    name.value = value
  },
)
const rename = () => {
  if (name.value.trim() && name.value !== doc.value.name)
    edit('Rename the project', draft => {
      draft.name = name.value.trim().slice(0, 200)
    })
}
</script>

<template>
  <div class="stack">
    <v-text-field v-model="name" label="Name" maxlength="200" @blur="rename" @keydown.enter="rename" />
    <v-textarea
      :model-value="doc.purpose"
      label="What it is for"
      maxlength="4000"
      @change="
        (e: Event) =>
          edit('Say what it is for', d => {
            d.purpose = (e.target as HTMLTextAreaElement).value
          })
      "
    />
    <h3>Targets</h3>
    <p class="quiet small">
      Flying weight counts the payload. Static margin is the distance from balance point to neutral point, in
      % of the mean chord.
    </p>
    <div class="row">
      <FigureField
        label="Weight at most"
        :model-value="b.targetMassG"
        unit="g"
        :min="10"
        :max="20000"
        :digits="0"
        data-field="targetMassG"
        @update:model-value="set('targetMassG', 'target weight')($event)"
      /><FigureField
        label="Hours at most"
        :model-value="b.printHours"
        unit="h"
        :min="LIMITS.hours[0]"
        :max="LIMITS.hours[1]"
        @update:model-value="set('printHours', 'target hours')($event)"
      />
    </div>
    <div class="row">
      <FigureField
        label="Margin from"
        :model-value="b.staticMarginPct[0]"
        unit="%"
        :min="-20"
        :max="60"
        @update:model-value="setMargin(0)($event)"
      /><FigureField
        label="to"
        :model-value="b.staticMarginPct[1]"
        unit="%"
        :min="-20"
        :max="60"
        @update:model-value="setMargin(1)($event)"
      />
    </div>
    <div class="row">
      <FigureField
        label="Load factor"
        :model-value="b.loadFactor"
        unit="gₙ"
        :min="LIMITS.loadFactor[0]"
        :max="LIMITS.loadFactor[1]"
        data-field="loadFactor"
        @update:model-value="set('loadFactor', 'load factor')($event)"
      /><FigureField
        label="Safety factor"
        :model-value="b.safetyFactor"
        unit="×"
        :min="1"
        :max="4"
        :digits="2"
        @update:model-value="set('safetyFactor', 'factor of safety')($event)"
      />
    </div>
    <div class="row">
      <FigureField
        label="Stall at most"
        :model-value="b.stallMaxMs"
        unit="m/s"
        :min="0.5"
        :max="100"
        @update:model-value="set('stallMaxMs', 'stall speed wanted')($event)"
      /><FigureField
        label="Span at most"
        :model-value="b.spanMaxMm"
        unit="mm"
        :min="10"
        :max="3000"
        :digits="0"
        @update:model-value="set('spanMaxMm', 'greatest span')($event)"
      />
    </div>
    <TravelBox />
    <div class="row">
      <FigureField
        label="Cruise"
        :model-value="b.cruiseMs"
        unit="m/s"
        :min="0.5"
        :max="100"
        data-field="cruiseMs"
        @update:model-value="set('cruiseMs', 'cruise speed')($event)"
      /><FigureField
        label="Top speed, dives too"
        :model-value="b.topSpeedMs"
        unit="m/s"
        :min="0.5"
        :max="100"
        data-field="topSpeedMs"
        @update:model-value="set('topSpeedMs', 'top speed')($event)"
      />
    </div>
    <FigureField
      label="Strongest gust, up or down"
      :model-value="b.gustMs"
      unit="m/s"
      :min="0"
      :max="20"
      data-field="gustMs"
      @update:model-value="set('gustMs', 'strongest gust')($event)"
    />
    <h3>Launch and field</h3>
    <div class="row">
      <v-select
        :model-value="b.launch"
        label="Launch"
        :items="['hand', 'bungee', 'wheels']"
        @update:model-value="
          v =>
            edit('Set launch', d => {
              d.brief.launch = v
            })
        "
      />
      <v-select
        :model-value="b.landing"
        label="Landing"
        :items="['belly', 'wheels', 'net']"
        @update:model-value="
          v =>
            edit('Set landing', d => {
              d.brief.landing = v
            })
        "
      />
    </div>
    <div class="row">
      <FigureField
        v-if="b.launch === 'hand'"
        label="Thrown at"
        :model-value="b.throwMs"
        unit="m/s"
        :min="0"
        :max="30"
        data-field="throwMs"
        @update:model-value="set('throwMs', 'speed of the throw')($event)"
      />
      <FigureField
        v-else-if="b.launch === 'bungee'"
        label="Pull at most"
        :model-value="b.bungeeN"
        unit="N"
        :min="0"
        :max="2000"
        :digits="0"
        data-field="bungeeN"
        @update:model-value="set('bungeeN', 'pull of the bungee')($event)"
      />
      <FigureField
        label="Lands as if dropped"
        :model-value="b.dropMm"
        unit="mm"
        :min="0"
        :max="3000"
        :digits="0"
        data-field="dropMm"
        @update:model-value="set('dropMm', 'height of the drop')($event)"
      />
    </div>
    <v-select
      :model-value="b.colour"
      label="Colour of the skin"
      :items="['white', 'bright', 'dark', 'black']"
      data-field="colour"
      @update:model-value="
        v =>
          edit(`Paint it ${v}`, d => {
            d.brief.colour = v
          })
      "
    />
    <div class="row">
      <FigureField
        label="Elevation"
        :model-value="b.fieldElevationM"
        unit="m"
        :min="-430"
        :max="6000"
        :digits="0"
        @update:model-value="set('fieldElevationM', 'field elevation')($event)"
      /><FigureField
        label="Air"
        :model-value="b.fieldTemperatureC"
        unit="°C"
        :min="-40"
        :max="60"
        :digits="0"
        @update:model-value="set('fieldTemperatureC', 'field temperature')($event)"
      />
    </div>
    <v-text-field
      :model-value="b.currency"
      label="Prices in"
      maxlength="5"
      @change="
        (e: Event) =>
          edit('Set the currency', d => {
            d.brief.currency = (e.target as HTMLInputElement).value.trim() || '€'
          })
      "
    />
    <FigureField
      label="Wind for a first flight at most"
      :model-value="b.windMaxMs"
      unit="m/s"
      :min="0"
      :max="30"
      @update:model-value="set('windMaxMs', 'wind limit')($event)"
    />
  </div>
</template>
