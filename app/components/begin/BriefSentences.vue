<script setup lang="ts">
/** The brief in plain sentences; a figure that is left open shows the habit that takes its place. */
import { PURPOSES, type PurposeId } from '../../../core/begin'
import { LIBRARIES } from '../../../core/libraries'
import { useBeginning } from '~/composables/useBeginning'
import { useDrawer } from '~/stores/drawer'

const { said, atHand } = useBeginning()
const purpose = computed(() => PURPOSES[said.value.purpose])
const purposes = (Object.keys(PURPOSES) as PurposeId[]).map(value => ({
  value,
  title: PURPOSES[value].label,
}))
const launches = [
  { value: 'hand', title: 'by hand' },
  { value: 'bungee', title: 'by bungee' },
  { value: 'wheels', title: 'on wheels' },
]
const landings = [
  { value: 'belly', title: 'on its belly' },
  { value: 'wheels', title: 'on wheels' },
  { value: 'net', title: 'in a net' },
]
const wings = [
  { value: 'shell', title: 'printed as a shell' },
  { value: 'ribs', title: 'printed ribs under film' },
  { value: 'sheet', title: 'folded from sheet foam' },
]
const filaments = LIBRARIES.filaments
  .filter(item => item.family !== 'flexible')
  .map(item => ({ value: item.id, title: item.name }))
const FIGURES = [
  { key: 'payloadG', label: 'Carries', unit: 'g', min: 0, max: 5000, digits: 0, usual: 'payloadG' },
  {
    key: 'stallMaxMs',
    label: 'Stalls at most at',
    unit: 'm/s',
    min: 2,
    max: 20,
    digits: 1,
    usual: 'stallMs',
  },
  { key: 'windMs', label: 'In wind up to', unit: 'm/s', min: 0, max: 15, digits: 1, usual: 'windMs' },
  { key: 'spanMaxMm', label: 'Span at most', unit: 'mm', min: 200, max: 4000, digits: 0, usual: 'spanMaxMm' },
] as const
const drawer = useDrawer()
/** The maker's own first: what lies in the drawer is more often one of those. */
const shelves = computed(() => {
  const own = (has: (part: (typeof drawer.own)[number]) => unknown) =>
    drawer.own.filter(has).map(({ id, name }) => ({ value: id, title: `${name}, my own` }))
  const bought = (items: ReadonlyArray<{ id: string; name: string }>) =>
    items.map(({ id, name }) => ({ value: id, title: name }))
  const tubes = LIBRARIES.stock.filter(item => item.shape === 'round' && !item.bends)
  return [
    { key: 'motors', label: 'Motors', items: [...own(part => part.motor), ...bought(LIBRARIES.motors)] },
    {
      key: 'propellers',
      label: 'Propellers',
      items: [...own(part => part.propeller), ...bought(LIBRARIES.propellers)],
    },
    {
      key: 'batteries',
      label: 'Batteries',
      items: [...own(part => part.battery), ...bought(LIBRARIES.batteries)],
    },
    { key: 'servos', label: 'Servos', items: [...own(part => part.servo), ...bought(LIBRARIES.servos)] },
    { key: 'stock', label: 'Tubes and rods', items: bought(tubes) },
  ] as const
})
const addBed = () => atHand.value.printers.push({ name: 'Printer', bedMm: [220, 220, 250] })
const SIDES = ['Bed, across', 'deep', 'high']
</script>

<template>
  <div class="stack">
    <v-select v-model="said.purpose" :items="purposes" label="It is" data-field="purpose" />
    <p class="quiet small">It {{ purpose.means }}. What is left open is as usual for this.</p>
    <div class="row">
      <FigureField
        v-for="item in FIGURES"
        :key="item.key"
        v-model="said[item.key]"
        :label="item.label"
        :unit="item.unit"
        :min="item.min"
        :max="item.max"
        :digits="item.digits"
        :usual="purpose[item.usual]"
        optional
        :data-field="item.key"
      />
    </div>
    <div class="row">
      <v-select v-model="said.launch" :items="launches" label="It starts" data-field="launch" />
      <v-select v-model="said.landing" :items="landings" label="It lands" data-field="landing" />
    </div>
    <v-select v-model="said.wing" :items="wings" label="Its wing is" data-field="wing" />
    <BoxSides
      :box="said.boxMm"
      name="box"
      @ask="said.boxMm = $event"
      @side="(i: number, valueMm: number) => (said.boxMm![i] = valueMm)"
    />
    <h3>What is at hand, for all projects</h3>
    <v-select
      v-model="atHand.filaments"
      :items="filaments"
      label="Filaments; none named: any"
      multiple
      data-field="filaments"
    />
    <div v-for="(printer, i) in atHand.printers" :key="i" class="three">
      <FigureField
        v-for="(side, k) in SIDES"
        :key="side"
        :model-value="printer.bedMm[k]!"
        :label="side"
        unit="mm"
        :min="80"
        :max="1000"
        :digits="0"
        :data-field="`bed-${i}-${k}`"
        @update:model-value="printer.bedMm[k] = $event!"
      />
    </div>
    <div class="acts">
      <v-btn size="small" variant="text" :disabled="atHand.printers.length > 5" @click="addBed"
        >Another printer</v-btn
      >
      <v-btn v-if="atHand.printers.length > 1" size="small" variant="text" @click="atHand.printers.pop()"
        >One less</v-btn
      >
    </div>
    <details>
      <summary>The drawer: what must be used</summary>
      <p class="quiet small">Where nothing is named, anything of the shelf may be bought.</p>
      <v-autocomplete
        v-for="item in shelves"
        :key="item.key"
        v-model="atHand.drawer[item.key]"
        :items="item.items"
        :label="item.label"
        multiple
        chips
        closable-chips
        :data-field="`drawer-${item.key}`"
      />
    </details>
  </div>
</template>

<style scoped>
.three {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 10px;
}
summary {
  cursor: pointer;
  margin-bottom: 8px;
  text-decoration: underline dotted;
}
details > * + * {
  margin-bottom: 10px;
}
</style>
