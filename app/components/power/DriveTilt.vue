<script setup lang="ts">
/** Motors that turn up: what turns, about which axis, how far, by which servo. */
import type { Tilt } from '../../../core/document'
import { useBench } from '~/composables/useBench'

const { doc, edit } = useBench()
const TURNING = ['motor', 'propeller', 'speed-controller', 'hardware'] as const
const candidates = computed(() =>
  doc.value.equipment
    .filter(item => (TURNING as readonly string[]).includes(item.kind) && !item.pocket)
    .map(item => ({ title: item.pair ? `${item.name}, both` : item.name, value: item.id })),
)
const servos = computed(() => [
  { title: 'none yet', value: '' },
  ...doc.value.equipment
    .filter(item => item.servo)
    .map(item => ({ title: item.pair ? `${item.name}, both` : item.name, value: item.id })),
])
const spars = computed(() => [
  { title: 'a shaft of their own', value: '' },
  ...doc.value.spars.map(spar => ({ title: spar.name, value: spar.id })),
])
const change = (label: string, apply: (own: Tilt) => void) => edit(label, draft => apply(draft.tilt!))
/** Every motor with what turns on it, about a shaft through their middle. */
function add() {
  const turns = doc.value.equipment.filter(item => item.kind === 'motor' || item.kind === 'propeller')
  const motor = turns.find(item => item.kind === 'motor')
  if (!motor) return
  edit('Motors tilt', draft => {
    draft.tilt = {
      items: turns.slice(0, 16).map(item => item.id),
      spar: null,
      xMm: Math.round(motor.xMm + motor.sizeMm[0]),
      zMm: Math.round(motor.zMm),
      upDeg: 90,
      servo: null,
      gear: 1,
    }
  })
}
const fields = computed(() => {
  const own = doc.value.tilt!
  const field = (
    id: 'xMm' | 'zMm' | 'upDeg' | 'gear',
    label: string,
    unit: string,
    [min, max]: readonly [number, number],
    digits: number,
  ) => ({
    id: `tilt-${id}`,
    label,
    unit,
    min,
    max,
    digits,
    optional: false,
    value: own[id],
    set: (value: number | null) =>
      change(`Motors that tilt: ${label.toLowerCase()}`, tilt => {
        tilt[id] = value!
      }),
  })
  return [
    ...(own.spar === null
      ? [
          field('xMm', 'Axis at', 'mm', [-2000, 4000], 1),
          field('zMm', 'Axis’ height', 'mm', [-2000, 4000], 1),
        ]
      : []),
    field('upDeg', 'Turned up by', '°', [5, 120], 0),
    field('gear', 'Axis over servo', '×', [0.1, 10], 2),
  ]
})
</script>

<template>
  <div class="stack">
    <template v-if="doc.tilt">
      <v-select
        :model-value="doc.tilt.items"
        :items="candidates"
        label="What turns"
        multiple
        data-field="tilt-items"
        @update:model-value="
          $event.length > 0 &&
          change('Motors that tilt: what turns', own => {
            own.items = [...$event].slice(0, 16)
          })
        "
      />
      <v-select
        :model-value="doc.tilt.spar ?? ''"
        :items="spars"
        label="With"
        data-field="tilt-spar"
        @update:model-value="
          change('Motors that tilt: another axis', own => {
            own.spar = $event || null
          })
        "
      />
      <v-select
        :model-value="doc.tilt.servo ?? ''"
        :items="servos"
        label="Turned by"
        data-field="tilt-servo"
        @update:model-value="
          change('Motors that tilt: another servo', own => {
            own.servo = $event || null
          })
        "
      />
      <FigureFields :fields="fields" pairs />
      <p class="quiet small">
        Weights, drag, strength and trim are those of the motors forward. What turning up moves, lifts and
        asks is told in the bench; how it is flown from one to the other is not reckoned.
      </p>
      <p class="small caution">
        ⚠ Turned up, the discs stand at the height of faces and hands, over ground that throws stones. First
        lift with a tether, behind a screen, at the least throttle; nobody within ten metres, and the rules of
        your country may count it as another kind of aircraft.
      </p>
      <v-btn
        data-act="remove-tilt"
        @click="
          edit('Motors stay as they are', d => {
            d.tilt = null
          })
        "
        >They do not tilt</v-btn
      >
    </template>
    <template v-else>
      <p class="quiet small">
        For a short start, a hover or a slow landing: motors that turn up with a spar or a shaft.
      </p>
      <v-btn :disabled="!doc.equipment.some(item => item.kind === 'motor')" data-act="add-tilt" @click="add"
        >Let the motors tilt</v-btn
      >
    </template>
  </div>
</template>
