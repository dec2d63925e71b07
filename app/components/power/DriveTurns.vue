<script setup lang="ts">
/** The propeller or the fan: from the shelf, or as written on it. */
import { LIBRARIES } from '../../../core/libraries'
import { offeredParts, usePower } from '~/composables/usePower'

const { turns, change, figureOf } = usePower()
const PLAIN = {
  diameterMm: 203,
  pitchMm: 114,
  blades: 2,
  chord: 'medium' as const,
  folding: false,
  material: 'moulded' as const,
}
function takeTurns(id: string) {
  const item = turns.value
  if (!item) return
  const propeller = LIBRARIES.propellers.find(other => other.id === id)
  const fan = LIBRARIES.fans.find(other => other.id === id)
  change(item, `is ${(propeller ?? fan)!.name}`, own => {
    if (propeller) {
      const { diameterMm, pitchMm, blades, chord, folding, material, name, massG } = propeller
      own.propeller = { diameterMm, pitchMm, blades, chord, folding, material }
      own.fan = null
      Object.assign(own, { name, massG, weighed: false, sizeMm: [own.sizeMm[0], diameterMm, own.sizeMm[2]] })
    } else if (fan) {
      const { diameterMm, hubMm, pitchMm, exitShare, ductMm, name, massG } = fan
      own.fan = { diameterMm, hubMm, pitchMm, exitShare, ductMm }
      own.propeller = null
      Object.assign(own, { name, massG, weighed: false, sizeMm: [diameterMm, diameterMm, diameterMm] })
    }
  })
}
const propellerFields = computed(() => {
  const of = (field: string) => figureOf(turns.value, 'propeller', field, PLAIN)
  return [
    { id: 'diameter', label: 'Diameter', unit: 'mm', min: 20, max: 1500, digits: 0, ...of('diameterMm') },
    { id: 'pitch', label: 'Pitch', unit: 'mm', min: 5, max: 1500, digits: 0, ...of('pitchMm') },
  ]
})
const fanFields = computed(() => {
  const of = (field: string) => figureOf(turns.value, 'fan', field, {})
  return [
    {
      id: 'fan-diameter',
      label: 'Over the blades',
      unit: 'mm',
      min: 15,
      max: 300,
      digits: 0,
      ...of('diameterMm'),
    },
    { id: 'fan-hub', label: 'Hub', unit: 'mm', min: 5, max: 250, digits: 0, ...of('hubMm') },
    { id: 'fan-pitch', label: 'Advance a turn', unit: 'mm', min: 5, max: 500, digits: 0, ...of('pitchMm') },
    {
      id: 'fan-exit',
      label: 'Outlet over annulus',
      unit: '',
      min: 0.4,
      max: 1.2,
      digits: 2,
      ...of('exitShare'),
    },
    { id: 'fan-duct', label: 'Duct, whole', unit: 'mm', min: 0, max: 3000, digits: 0, ...of('ductMm') },
  ]
})
</script>

<template>
  <div>
    <p v-if="!turns" class="small quiet">Add a propeller among the components (Balance).</p>
    <template v-else>
      <v-select
        class="mb-3"
        :model-value="null"
        :items="[...offeredParts(LIBRARIES.propellers), ...offeredParts(LIBRARIES.fans)]"
        label="From the shelf"
        data-field="shelf-turns"
        @update:model-value="$event && takeTurns($event)"
      />
      <template v-if="turns.fan">
        <FigureFields :fields="fanFields" />
      </template>
      <template v-else>
        <FigureFields :fields="propellerFields" pairs />
        <div v-if="turns.propeller" class="row">
          <v-select
            :model-value="turns.propeller.blades"
            :items="[2, 3, 4, 5, 6]"
            label="Blades"
            data-field="blades"
            @update:model-value="
              change(turns!, 'blades', own => {
                own.propeller!.blades = $event
              })
            "
          />
          <v-select
            :model-value="turns.propeller.chord"
            :items="['narrow', 'medium', 'broad']"
            label="Blades are"
            @update:model-value="
              change(turns!, 'breadth', own => {
                own.propeller!.chord = $event
              })
            "
          />
        </div>
        <div v-if="turns.propeller" class="row">
          <v-select
            :model-value="turns.propeller.material"
            :items="['moulded', 'wood', 'carbon', 'printed']"
            label="Made of"
            data-field="blade-material"
            @update:model-value="
              change(turns!, 'material', own => {
                own.propeller!.material = $event
              })
            "
          />
          <label class="tick"
            ><input
              type="checkbox"
              :checked="turns.propeller.folding"
              @change="
                change(turns!, 'folding', own => {
                  own.propeller!.folding = ($event.target as HTMLInputElement).checked
                })
              "
            />
            folds</label
          >
        </div>
      </template>
    </template>
  </div>
</template>

<style scoped>
.tick {
  display: flex;
  gap: 6px;
  align-items: center;
}
</style>
