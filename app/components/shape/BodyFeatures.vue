<script setup lang="ts">
/** Firewall, openings with lids and the wing's seat, of a body or a pod. */
import type { Body, Firewall, Opening } from '../../../core/document'

const props = defineProps<{
  body: Body
  field: string
  most: number
  change: (label: string, apply: (own: Body) => void) => void
}>()
const setWall = (field: keyof Firewall, label: string) => (value: number | null) =>
  props.change(`Firewall: set ${label}`, own => {
    own.firewall![field] = value!
  })
const addWall = () =>
  props.change('Add a firewall', own => {
    own.firewall = { thicknessMm: 3, bolts: 4, boltCircleMm: 25, boltMm: 3.2, shaftMm: 8 }
  })
const setOpening =
  (i: number, field: 'fromMm' | 'toMm' | 'widthMm', label: string) => (value: number | null) =>
    props.change(`${props.body.openings[i]!.name}: set ${label}`, own => {
      own.openings[i]![field] = value!
    })
const sides: Array<{ title: string; value: Opening['side'] }> = [
  { title: 'Top', value: 'top' },
  { title: 'Bottom', value: 'bottom' },
  { title: 'Starboard', value: 'starboard' },
  { title: 'Port', value: 'port' },
]
function addOpening() {
  let n = 1
  while (props.body.openings.some(opening => opening.id === `hatch-${n}`)) n++
  const { stations } = props.body
  const from = stations[0]!.xMm,
    length = stations[stations.length - 1]!.xMm - from
  props.change('Add a hatch', own => {
    own.openings.push({
      id: `hatch-${n}`,
      name: `hatch ${n}`,
      side: 'top',
      fromMm: Math.round(from + 0.2 * length),
      toMm: Math.round(from + 0.35 * length),
      widthMm: Math.round(0.5 * stations[Math.floor(stations.length / 2)]!.widthMm),
    })
  })
}
</script>

<template>
  <div class="stack">
    <h3 class="titled">
      Firewall
      <v-btn
        v-if="body.firewall"
        variant="text"
        size="x-small"
        @click="
          change('Leave out the firewall', own => {
            own.firewall = null
          })
        "
        >Leave out</v-btn
      >
    </h3>
    <template v-if="body.firewall">
      <div class="row">
        <FigureField
          label="Thickness"
          :model-value="body.firewall.thicknessMm"
          unit="mm"
          :min="0.5"
          :max="40"
          :data-field="field === 'body' ? 'firewall' : `${field}-firewall`"
          @update:model-value="setWall('thicknessMm', 'thickness')($event)"
        /><FigureField
          label="Shaft hole"
          :model-value="body.firewall.shaftMm"
          unit="mm"
          :min="0"
          :max="60"
          @update:model-value="setWall('shaftMm', 'shaft hole')($event)"
        />
      </div>
      <div class="row">
        <FigureField
          label="Bolts"
          :model-value="body.firewall.bolts"
          :min="0"
          :max="8"
          :digits="0"
          @update:model-value="setWall('bolts', 'number of bolts')($event)"
        /><FigureField
          label="Bolt circle"
          :model-value="body.firewall.boltCircleMm"
          unit="mm"
          :min="2"
          :max="200"
          @update:model-value="setWall('boltCircleMm', 'bolt circle')($event)"
        />
      </div>
    </template>
    <v-btn v-else @click="addWall">Add a firewall</v-btn>
    <template v-for="(opening, i) in body.openings" :key="opening.id">
      <h3 class="titled">
        {{ opening.name }}
        <v-btn
          variant="text"
          size="x-small"
          @click="
            change(`Close ${opening.name}`, own => {
              own.openings.splice(i, 1)
            })
          "
          >Close it</v-btn
        >
      </h3>
      <div class="row">
        <FigureField
          label="From"
          :model-value="opening.fromMm"
          unit="mm"
          :min="-2000"
          :max="4000"
          :data-field="field === 'body' ? `opening-from-${i}` : `${field}-opening-from-${i}`"
          @update:model-value="setOpening(i, 'fromMm', 'front edge')($event)"
        /><FigureField
          label="To"
          :model-value="opening.toMm"
          unit="mm"
          :min="-2000"
          :max="4000"
          @update:model-value="setOpening(i, 'toMm', 'rear edge')($event)"
        />
      </div>
      <div class="row">
        <FigureField
          label="Width"
          :model-value="opening.widthMm"
          unit="mm"
          :min="2"
          :max="600"
          @update:model-value="setOpening(i, 'widthMm', 'width')($event)"
        /><v-select
          :model-value="opening.side"
          :items="sides"
          label="Side"
          @update:model-value="
            change(`${opening.name} on the other side`, own => {
              own.openings[i]!.side = $event
            })
          "
        />
      </div>
    </template>
    <v-btn :disabled="body.openings.length >= most" @click="addOpening">Cut a hatch</v-btn>
    <h3 class="titled">
      Wing's seat
      <v-btn
        v-if="body.saddle"
        variant="text"
        size="x-small"
        @click="
          change('No seat for the wing', own => {
            own.saddle = null
          })
        "
        >Leave out</v-btn
      >
    </h3>
    <div v-if="body.saddle" class="row">
      <FigureField
        label="Gap"
        :model-value="body.saddle.clearanceMm"
        unit="mm"
        :min="0"
        :max="5"
        @update:model-value="
          change('Seat: set the gap', own => {
            own.saddle!.clearanceMm = $event!
          })
        "
      /><FigureField
        label="Bolts"
        :model-value="body.saddle.bolts"
        :min="0"
        :max="4"
        :digits="0"
        @update:model-value="
          change('Seat: set the bolts', own => {
            own.saddle!.bolts = Math.round($event!)
          })
        "
      /><FigureField
        v-if="body.saddle.bolts"
        label="Size"
        :model-value="body.saddle.boltMm"
        unit="mm"
        :min="1.5"
        :max="12"
        :data-field="field === 'body' ? 'bolt-size' : `${field}-bolt-size`"
        @update:model-value="
          change('Seat: set the bolt', own => {
            own.saddle!.boltMm = $event!
          })
        "
      />
    </div>
    <v-btn
      v-else
      @click="
        change('Cut a seat for the wing', own => {
          own.saddle = { clearanceMm: 0.3, bolts: 2, boltMm: 3 }
        })
      "
      >Cut a seat for the wing</v-btn
    >
  </div>
</template>
