<script setup lang="ts">
/**
 * One panel of a lifting surface by figures. Its own component, so that an edit redraws only the panel it
 * changed.
 */
import { surfaceOf, type Panel, type ProjectFile } from '../../../core/document'
import { SURFACE_WORDS, useAerofoils, type SurfaceChoice } from '~/composables/useAerofoils'
import { useProject } from '~/stores/project'

const props = defineProps<{ panel: Panel; index: number; which: SurfaceChoice; alone: boolean }>()
const project = useProject()
const { choices, fault, take } = useAerofoils()
const zones = computed(() => project.doc!.zones.map(zone => ({ title: zone.name, value: zone.id })))
const name = computed(() => `${SURFACE_WORDS[props.which]} panel ${props.index + 1}`)

type Change = Parameters<typeof project.edit>[1]
const panels = (draft: Parameters<Change>[0]): Panel[] =>
  ((props.which === 'body' ? null : surfaceOf(draft as ProjectFile, props.which)) ?? draft.wing).panels
function set(
  field: 'spanMm' | 'tipChordMm' | 'sweepMm' | 'dihedralDeg' | 'tipTwistDeg',
  label: string,
  value: number | null,
) {
  project.edit(`Set ${label} of ${name.value}`, draft => {
    panels(draft)[props.index][field] = value!
  })
}
const setZone = (zone: string) =>
  project.edit(`Put ${name.value} in another zone`, draft => {
    panels(draft)[props.index].zone = zone
  })
const setAerofoil = (value: string | null) =>
  take(value, `Set aerofoil of ${name.value}`, (draft, aerofoil) => {
    panels(draft)[props.index].tipAerofoil = aerofoil
  })
const drop = () =>
  project.edit(`Remove ${name.value}`, draft => {
    panels(draft).splice(props.index, 1)
  })
</script>

<template>
  <div class="stack">
    <h3 class="titled">
      Panel {{ index + 1 }} <v-btn v-if="!alone" variant="text" size="x-small" @click="drop">Remove</v-btn>
    </h3>
    <div class="row">
      <FigureField
        label="Span"
        :model-value="panel.spanMm"
        unit="mm"
        :min="10"
        :max="3000"
        :data-field="`span-${index}`"
        @update:model-value="set('spanMm', 'span', $event)"
      /><FigureField
        label="Outer chord"
        :model-value="panel.tipChordMm"
        unit="mm"
        :min="10"
        :max="1200"
        @update:model-value="set('tipChordMm', 'chord', $event)"
      />
    </div>
    <div class="row">
      <FigureField
        label="Sweep"
        :model-value="panel.sweepMm"
        unit="mm"
        :min="-600"
        :max="1200"
        @update:model-value="set('sweepMm', 'sweep', $event)"
      /><FigureField
        label="Dihedral"
        :model-value="panel.dihedralDeg"
        unit="°"
        :min="-30"
        :max="80"
        @update:model-value="set('dihedralDeg', 'dihedral', $event)"
      />
    </div>
    <div class="row">
      <FigureField
        label="Twist"
        :model-value="panel.tipTwistDeg"
        unit="°"
        :min="-15"
        :max="15"
        @update:model-value="set('tipTwistDeg', 'twist', $event)"
      /><v-combobox
        :model-value="panel.tipAerofoil"
        :items="choices"
        label="Aerofoil"
        density="compact"
        variant="outlined"
        hide-details
        @update:model-value="setAerofoil"
      />
    </div>
    <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
    <v-select :model-value="panel.zone" :items="zones" label="Zone" @update:model-value="setZone" />
  </div>
</template>
