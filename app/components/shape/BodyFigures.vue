<script setup lang="ts">
/** Body stations and boom by figures. */
import { LIBRARIES } from '../../../core/libraries'
import { useBench } from '~/composables/useBench'

const { doc, edit } = useBench()
type Figures = 'xMm' | 'widthMm' | 'heightMm' | 'zMm'
const set = (i: number, field: Figures, label: string) => (value: number | null) =>
  edit(`Body station ${i + 1}: set ${label}`, draft => {
    draft.body!.stations[i][field] = value!
  })
const setBoom = (field: 'fromMm' | 'toMm' | 'zMm' | 'socketMm', label: string) => (value: number | null) =>
  edit(`Boom: set ${label}`, draft => {
    draft.boom![field] = value!
  })
function addStation() {
  edit('Add a body station', draft => {
    const list = draft.body!.stations
    const a = list[list.length - 2],
      b = list[list.length - 1]
    list.splice(list.length - 1, 0, {
      ...a,
      xMm: Math.round((a.xMm + b.xMm) / 2),
      widthMm: Math.round((a.widthMm + b.widthMm) / 2),
      heightMm: Math.round((a.heightMm + b.heightMm) / 2),
      zMm: Math.round((a.zMm + b.zMm) / 2),
    })
  })
}
function addBody() {
  const zone = doc.value.zones[0].id,
    at = doc.value.wing.xMm
  edit('Add a body', draft => {
    draft.body = {
      stations: [
        [0, 40],
        [0.5, 70],
        [1, 24],
      ].map(([t, size]) => ({
        xMm: Math.round(at - 120 + t * 360),
        widthMm: size,
        heightMm: size,
        zMm: 0,
        squareness: 0.2,
        zone,
      })),
      firewall: null,
      openings: [],
      saddle: null,
    }
  })
}
const addBoom = () =>
  edit('Add a boom', draft => {
    draft.boom = {
      stock: 'tube-10x8',
      fromMm: doc.value.wing.xMm + 100,
      toMm: doc.value.wing.xMm + 600,
      zMm: 0,
      socketMm: 30,
    }
  })
const round = LIBRARIES.stock
  .filter(item => item.boreMm > 0)
  .map(item => ({ title: item.name, value: item.id }))
</script>

<template>
  <div class="stack">
    <template v-if="doc.body">
      <template v-for="(s, i) in doc.body.stations" :key="i">
        <h3 class="head">
          Station {{ i + 1 }}
          <v-btn
            v-if="doc.body.stations.length > 2"
            variant="text"
            size="x-small"
            @click="
              edit(`Remove body station ${i + 1}`, d => {
                d.body!.stations.splice(i, 1)
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
            :data-field="`body-width-${i}`"
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
              edit(`Body station ${i + 1}: set squareness`, d => {
                d.body!.stations[i].squareness = $event! / 100
              })
            "
          /><v-select
            :model-value="s.zone"
            :items="doc.zones.map(z => ({ title: z.name, value: z.id }))"
            label="Zone from here"
            @update:model-value="
              edit(`Body station ${i + 1}: another zone`, d => {
                d.body!.stations[i].zone = $event
              })
            "
          />
        </div>
      </template>
      <div class="acts">
        <v-btn :disabled="doc.body.stations.length >= 40" @click="addStation">Add a station</v-btn
        ><v-btn
          @click="
            edit('Leave out the body', d => {
              d.body = null
            })
          "
          >No body</v-btn
        >
      </div>
      <BodyFeatures />
    </template>
    <v-btn v-else @click="addBody">Add a body</v-btn>
    <h3>Boom</h3>
    <template v-if="doc.boom">
      <v-select
        :model-value="doc.boom.stock"
        :items="round"
        label="Tube"
        @update:model-value="
          edit('Boom: another tube', d => {
            d.boom!.stock = $event
          })
        "
      />
      <div class="row">
        <FigureField
          label="From"
          :model-value="doc.boom.fromMm"
          unit="mm"
          :min="-2000"
          :max="4000"
          @update:model-value="setBoom('fromMm', 'front end')($event)"
        /><FigureField
          label="To"
          :model-value="doc.boom.toMm"
          unit="mm"
          :min="-2000"
          :max="4000"
          @update:model-value="setBoom('toMm', 'rear end')($event)"
        />
      </div>
      <div class="row">
        <FigureField
          label="Height"
          :model-value="doc.boom.zMm"
          unit="mm"
          :min="-2000"
          :max="4000"
          @update:model-value="setBoom('zMm', 'height')($event)"
        /><FigureField
          label="Socket"
          :model-value="doc.boom.socketMm"
          unit="mm"
          :min="0"
          :max="300"
          @update:model-value="setBoom('socketMm', 'socket length')($event)"
        />
      </div>
      <v-btn
        @click="
          edit('Leave out the boom', d => {
            d.boom = null
          })
        "
        >No boom</v-btn
      >
    </template>
    <v-btn v-else @click="addBoom">Add a boom</v-btn>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
</style>
