<script setup lang="ts">
/** Winglets at the wing's tips, by figures; they stand where the wing ends. */
import { LIMITS, type Winglet } from '../../../core/document'
import { useAerofoils } from '~/composables/useAerofoils'
import { useBench } from '~/composables/useBench'

const { doc, edit } = useBench()
const own = computed(() => doc.value.winglets)
const zones = computed(() => doc.value.zones.map(zone => ({ title: zone.name, value: zone.id })))
const { choices: aerofoils, fault, take } = useAerofoils()
const FIELDS = [
  [
    { field: 'lengthMm', label: 'Length', unit: 'mm', range: [10, 600] },
    { field: 'cantDeg', label: 'From the horizontal', unit: '°', range: [10, 90] },
  ],
  [
    { field: 'rootChordMm', label: 'Chord at its foot', unit: 'mm', range: LIMITS.chordMm },
    { field: 'tipChordMm', label: 'at its end', unit: 'mm', range: LIMITS.chordMm },
  ],
  [
    { field: 'sweepMm', label: 'Sweep', unit: 'mm', range: LIMITS.sweepMm },
    { field: 'toeDeg', label: 'Nose inward', unit: '°', range: LIMITS.twistDeg },
  ],
] as const
type Field = (typeof FIELDS)[number][number]['field']
const set = (field: Field, label: string, value: number | null) =>
  edit(`Winglets: set ${label.toLowerCase()}`, draft => {
    draft.winglets![field] = value!
  })
/** Of ordinary proportions for the tip that it stands on. */
function add() {
  const last = doc.value.wing.panels.at(-1)!,
    chord = last.tipChordMm
  const winglet: Winglet = {
    lengthMm: Math.max(20, Math.round(0.75 * chord)),
    cantDeg: 75,
    rootChordMm: chord,
    tipChordMm: Math.max(10, Math.round(0.6 * chord)),
    sweepMm: Math.round(0.35 * chord),
    toeDeg: 0,
    aerofoil: 'naca0009',
    zone: last.zone,
  }
  edit('Add winglets', draft => {
    draft.winglets = winglet
  })
}
const remove = () =>
  edit('Leave out the winglets', draft => {
    draft.winglets = null
    draft.cuts.winglet = []
    draft.spars = draft.spars.filter(spar => spar.surface !== 'winglet')
  })
</script>

<template>
  <div class="stack">
    <h3>Winglets</h3>
    <template v-if="own">
      <div v-for="(row, i) in FIELDS" :key="i" class="row">
        <FigureField
          v-for="{ field, label, unit, range } in row"
          :key="field"
          :label="label"
          :model-value="own[field]"
          :unit="unit"
          :min="range[0]"
          :max="range[1]"
          :data-field="`winglet-${field}`"
          @update:model-value="set(field, label, $event)"
        />
      </div>
      <v-combobox
        :model-value="own.aerofoil"
        :items="aerofoils"
        label="Aerofoil"
        density="compact"
        variant="outlined"
        hide-details
        @update:model-value="
          (v: string | null) =>
            take(v, 'Set aerofoil of the winglets', (draft, name) => {
              draft.winglets!.aerofoil = name
            })
        "
      />
      <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
      <v-select
        :model-value="own.zone"
        :items="zones"
        label="Zone"
        @update:model-value="
          (v: string) =>
            edit('Put the winglets in another zone', draft => {
              draft.winglets!.zone = v
            })
        "
      />
      <p class="quiet small">
        They end the wing flat, spare drag by lift about as half of that much more span would, load its root,
        and stand as fins above it.
      </p>
      <v-btn data-act="winglets-out" @click="remove">Leave them out</v-btn>
    </template>
    <v-btn v-else data-act="winglets-add" @click="add">Add winglets</v-btn>
  </div>
</template>
