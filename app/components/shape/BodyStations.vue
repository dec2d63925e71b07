<script setup lang="ts">
/** The stations of a body or a pod by figures. */
import type { Body } from '../../../core/document'
import { useBench } from '~/composables/useBench'

const props = defineProps<{
  body: Body
  /** As it is called in the history, and in the names of its fields. */
  name: string
  field: string
  most: number
  change: (label: string, apply: (own: Body) => void) => void
}>()
const { doc } = useBench()
type Figures = 'xMm' | 'widthMm' | 'heightMm' | 'zMm'
const set = (i: number, field: Figures, label: string) => (value: number | null) =>
  props.change(`${props.name} station ${i + 1}: set ${label}`, own => {
    own.stations[i]![field] = value!
  })
const add = () =>
  props.change(`Add a station to ${props.name}`, ({ stations }) => {
    const a = stations[stations.length - 2]!,
      b = stations[stations.length - 1]!
    stations.splice(stations.length - 1, 0, {
      ...a,
      xMm: Math.round((a.xMm + b.xMm) / 2),
      widthMm: Math.round((a.widthMm + b.widthMm) / 2),
      heightMm: Math.round((a.heightMm + b.heightMm) / 2),
      zMm: Math.round((a.zMm + b.zMm) / 2),
    })
  })
</script>

<template>
  <template v-for="(s, i) in body.stations" :key="i">
    <h3 class="titled">
      Station {{ i + 1 }}
      <v-btn
        v-if="body.stations.length > 2"
        variant="text"
        size="x-small"
        @click="
          change(`Remove ${name} station ${i + 1}`, own => {
            own.stations.splice(i, 1)
          })
        "
        >Remove</v-btn
      >
    </h3>
    <div class="row">
      <FigureField
        label="At"
        :model-value="s.xMm"
        unit="mm"
        :min="-2000"
        :max="4000"
        @update:model-value="set(i, 'xMm', 'place')($event)"
      /><FigureField
        label="Middle's height"
        :model-value="s.zMm"
        unit="mm"
        :min="-2000"
        :max="4000"
        @update:model-value="set(i, 'zMm', 'height of its middle')($event)"
      />
    </div>
    <div class="row">
      <FigureField
        label="Width"
        :model-value="s.widthMm"
        unit="mm"
        :min="2"
        :max="600"
        :data-field="`${field}-width-${i}`"
        @update:model-value="set(i, 'widthMm', 'width')($event)"
      /><FigureField
        label="Height"
        :model-value="s.heightMm"
        unit="mm"
        :min="2"
        :max="600"
        @update:model-value="set(i, 'heightMm', 'height')($event)"
      />
    </div>
    <div class="row">
      <FigureField
        label="Squareness"
        :model-value="s.squareness * 100"
        unit="%"
        :min="0"
        :max="100"
        :digits="0"
        @update:model-value="
          change(`${name} station ${i + 1}: set squareness`, own => {
            own.stations[i].squareness = $event! / 100
          })
        "
      /><v-select
        :model-value="s.zone"
        :items="doc.zones.map(z => ({ title: z.name, value: z.id }))"
        label="Zone from here"
        @update:model-value="
          change(`${name} station ${i + 1}: another zone`, own => {
            own.stations[i].zone = $event
          })
        "
      />
    </div>
  </template>
  <v-btn :disabled="body.stations.length >= most" @click="add">Add a station</v-btn>
</template>
