<script setup lang="ts">
/** The body, the pods beside it and booms, by figures. */
import type { Body, Pod } from '../../../core/document'
import { gapAt, loftSurface, seatAbove } from '../../../core/geometry'
import { LIBRARIES } from '../../../core/libraries'
import { useBench } from '~/composables/useBench'

const { doc, edit } = useBench()
const changeBody = (label: string, apply: (own: Body) => void) => edit(label, draft => apply(draft.body!))
const setBoom =
  (field: 'fromMm' | 'toMm' | 'yMm' | 'zMm' | 'socketMm', label: string) => (value: number | null) =>
    edit(`Boom: set ${label}`, draft => {
      draft.boom![field] = value!
    })
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
/** The pod that is looked at, by its number; 0 is the body. */
const which = ref(0)
const chosen = computed<Pod | undefined>(() => doc.value.pods.find(pod => pod.piece === which.value))
function addPod() {
  const { wing, zones, pods, body } = doc.value
  const piece = 1 + Math.max(0, ...pods.map(pod => pod.piece))
  // Out where nothing of the body is, with its back under the wing's lower skin.
  const yMm = Math.round(0.3 * wing.panels.reduce((sum, panel) => sum + panel.spanMm, 0))
  const at = planOfWing(yMm)
  const zone = (body ? body.stations[0]!.zone : undefined) ?? zones[0]!.id
  const long = Math.round(0.8 * at.chord)
  edit('Add a pair of pods', draft => {
    draft.pods.push({
      id: `pod-${piece}`,
      name: `Pod ${piece}`,
      piece,
      xMm: Math.round(at.lead - 0.25 * long),
      yMm,
      zMm: Math.round(at.under - 10),
      pair: true,
      duct: null,
      cuts: [],
      body: {
        stations: [
          [0, 24],
          [0.25, 34],
          [0.7, 30],
          [1, 10],
        ].map(([t, size]) => ({
          xMm: Math.round(t! * long),
          widthMm: size!,
          heightMm: size!,
          zMm: 0,
          squareness: 0.1,
          zone,
        })),
        firewall: null,
        openings: [],
        saddle: { clearanceMm: 0.3, bolts: 0, boltMm: 3 },
      },
    })
  })
  which.value = piece
}
/** Leading edge, chord and lower skin of the wing at a distance from the middle, as drawn. */
function planOfWing(yMm: number) {
  const loft = loftSurface('wing', 'Wing', doc.value.wing, doc.value.aerofoils, 1)
  const seat = seatAbove(loft, yMm)!
  const skin = gapAt(seat.outline, seat.lead + 0.3 * seat.chord)
  return { lead: seat.lead, chord: seat.chord, under: seat.z + (skin?.lower ?? seat.n) }
}
const addBoom = () =>
  edit('Add a boom', draft => {
    draft.boom = {
      yMm: 0,
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
    <v-btn-toggle
      v-if="doc.pods.length"
      v-model="which"
      mandatory
      density="compact"
      variant="outlined"
      divided
      ><v-btn :value="0">Body</v-btn
      ><v-btn v-for="pod in doc.pods" :key="pod.piece" :value="pod.piece" :data-pod="pod.piece">{{
        pod.name
      }}</v-btn></v-btn-toggle
    >
    <PodFigures v-if="chosen" :key="chosen.piece" :pod="chosen" />
    <template v-else-if="doc.body">
      <BodyStations :body="doc.body" name="Body" field="body" :most="40" :change="changeBody" />
      <v-btn
        @click="
          edit('Leave out the body', d => {
            d.body = null
          })
        "
        >No body</v-btn
      >
      <BodyFeatures :body="doc.body" field="body" :most="12" :change="changeBody" />
      <DuctFigures />
    </template>
    <v-btn v-else @click="addBody">Add a body</v-btn>
    <h3>Pods</h3>
    <p class="quiet small">
      Nacelles, pods or floats under the wing. They weigh, drag, turn the nose like a body and hang on the
      wing; they lift nothing.
    </p>
    <v-btn :disabled="doc.pods.length >= 4" data-act="add-pod" @click="addPod">Add a pair of pods</v-btn>
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
          label="From the middle"
          :model-value="doc.boom.yMm"
          unit="mm"
          :min="0"
          :max="2000"
          data-field="boom-y"
          @update:model-value="setBoom('yMm', 'distance from the middle')($event)"
        />
      </div>
      <p v-if="doc.boom.yMm > 0" class="quiet small">
        A pair, alike, each so far from the middle; each bears half of what the tail does. A pod on the same
        line holds it.
      </p>
      <div class="row">
        <FigureField
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
