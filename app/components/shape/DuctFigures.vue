<script setup lang="ts">
/** A way for air through the body to a fan in it, by figures. */
import type { Duct, DuctStation, Equipment } from '../../../core/document'
import { loftBody } from '../../../core/geometry'
import { useBench } from '~/composables/useBench'

const { doc, edit } = useBench()
const fans = computed(() => doc.value.equipment.filter(item => item.fan))
const items = computed(() => [
  ...fans.value.map(item => ({ title: item.name, value: item.id })),
  ...(fans.value.some(item => item.id === doc.value.duct?.fan)
    ? []
    : [{ title: 'none that is there', value: doc.value.duct?.fan ?? '' }]),
])
const change = (label: string, apply: (own: Duct) => void) => edit(label, draft => apply(draft.duct!))

/** Free room of a way over the ring that the blades sweep, and round their tips, mm. */
const OUTLET = 0.9,
  ROUND_MM = 1
function add() {
  const [fan] = fans.value
  if (!fan) return
  const stations = through(fan)
  edit('Lead a duct through the body', draft => {
    draft.duct = { fan: fan.id, stations }
  })
}
/** From nose to tail, as wide as the fan where the body has room, and drawn in to the outlet. */
function through({ id: _, fan, xMm }: Equipment): DuctStation[] {
  const loft = loftBody(doc.value.body!.stations)
  const { diameterMm, hubMm } = fan!,
    outlet = Math.sqrt(OUTLET * (diameterMm ** 2 - hubMm ** 2))
  const middle = Math.round((loft.from + loft.to) / 2)
  const at = xMm > loft.from + 20 && xMm < loft.to - 20 ? Math.round(xMm) : middle
  const station = (x: number, size: number, room: number): DuctStation => {
    const { width, height, z } = loft.at(Math.min(loft.to, Math.max(loft.from, x)))
    const free = Math.max(4, Math.round(10 * Math.min(size, room * Math.min(width, height))) / 10)
    return { xMm: x, yMm: 0, zMm: Math.round(z), widthMm: free, heightMm: free, squareness: 0 }
  }
  return [
    station(Math.floor(loft.from) - 2, diameterMm, 0.8),
    // The fan's own room is not drawn narrower than the fan: what does not fit is said.
    station(at, diameterMm + ROUND_MM, Infinity),
    station(Math.ceil(loft.to) + 2, outlet, 0.8),
  ]
}
const set =
  (i: number, field: Exclude<keyof DuctStation, 'squareness'>, label: string) => (value: number | null) =>
    change(`Duct station ${i + 1}: set ${label}`, own => {
      own.stations[i]![field] = value!
    })
const more = () =>
  change('Add a station to the duct', ({ stations }) => {
    const a = stations.at(-2)!,
      b = stations.at(-1)!
    const between = (pick: (station: DuctStation) => number) => Math.round((pick(a) + pick(b)) / 2)
    stations.splice(stations.length - 1, 0, {
      ...a,
      xMm: between(s => s.xMm),
      yMm: between(s => s.yMm),
      zMm: between(s => s.zMm),
      widthMm: between(s => s.widthMm),
      heightMm: between(s => s.heightMm),
    })
  })
const remove = () =>
  edit('Leave out the duct in the body', draft => {
    draft.duct = null
  })
</script>

<template>
  <div class="stack">
    <h3 class="titled">
      Duct through the body
      <v-btn v-if="doc.duct" variant="text" size="x-small" data-act="remove-duct" @click="remove"
        >Leave out</v-btn
      >
    </h3>
    <template v-if="doc.duct">
      <p class="quiet small">
        A way for air with walls of its own, printed in one with the body, as thick as its zone has beads.
        Widths are free inside. What stands outside of the skin has no wall: from a side it is an intake flush
        with it. Its way is told at Power; what its mouths drag is not reckoned.
      </p>
      <v-select
        :model-value="doc.duct.fan"
        :items="items"
        label="The fan in it"
        data-field="duct-fan"
        @update:model-value="
          change('Duct: another fan', own => {
            own.fan = $event
          })
        "
      />
      <template v-for="(s, i) in doc.duct.stations" :key="i">
        <h4 class="titled">
          {{ i === 0 ? 'Intake' : i === doc.duct.stations.length - 1 ? 'Outlet' : `Station ${i + 1}` }}
          <v-btn
            v-if="doc.duct.stations.length > 2"
            variant="text"
            size="x-small"
            @click="
              change(`Remove duct station ${i + 1}`, own => {
                own.stations.splice(i, 1)
              })
            "
            >Remove</v-btn
          >
        </h4>
        <div class="row">
          <FigureField
            label="At"
            :model-value="s.xMm"
            unit="mm"
            :min="-2000"
            :max="4000"
            :data-field="`duct-x-${i}`"
            @update:model-value="set(i, 'xMm', 'place')($event)"
          /><FigureField
            label="From the middle"
            :model-value="s.yMm"
            unit="mm"
            :min="0"
            :max="2000"
            :data-field="`duct-y-${i}`"
            @update:model-value="set(i, 'yMm', 'distance from the middle')($event)"
          />
        </div>
        <div class="row">
          <FigureField
            label="Free width"
            :model-value="s.widthMm"
            unit="mm"
            :min="2"
            :max="600"
            :data-field="`duct-width-${i}`"
            @update:model-value="set(i, 'widthMm', 'free width')($event)"
          /><FigureField
            label="Free height"
            :model-value="s.heightMm"
            unit="mm"
            :min="2"
            :max="600"
            :data-field="`duct-height-${i}`"
            @update:model-value="set(i, 'heightMm', 'free height')($event)"
          />
        </div>
        <div class="row">
          <FigureField
            label="Middle's height"
            :model-value="s.zMm"
            unit="mm"
            :min="-2000"
            :max="4000"
            :data-field="`duct-z-${i}`"
            @update:model-value="set(i, 'zMm', 'height of its middle')($event)"
          /><FigureField
            label="Squareness"
            :model-value="s.squareness * 100"
            unit="%"
            :min="0"
            :max="100"
            :digits="0"
            @update:model-value="
              change(`Duct station ${i + 1}: set squareness`, own => {
                own.stations[i].squareness = $event! / 100
              })
            "
          />
        </div>
      </template>
      <p class="quiet small">Off the middle it runs on both sides; where both meet they are one tube.</p>
      <v-btn :disabled="doc.duct.stations.length >= 12" data-act="add-duct-station" @click="more"
        >Add a station</v-btn
      >
    </template>
    <template v-else>
      <v-btn :disabled="!fans.length" data-act="add-duct" @click="add">Lead a duct through it</v-btn>
      <p v-if="!fans.length" class="quiet small">
        For a fan in the body: give the aircraft one at Power, instead of its propeller.
      </p>
    </template>
  </div>
</template>
