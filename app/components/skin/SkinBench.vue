<script setup lang="ts">
/** Schools side by side for the chosen zone, each really assessed. */
import { withZone } from '../../../core/change'
import { LIBRARIES } from '../../../core/libraries'
import type { SchoolFigures } from '../../../core/workshop/advice'
import { amount, figure, signed } from '~/composables/format'
import { useAside } from '~/composables/useAside'
import { useBench } from '~/composables/useBench'

const { doc, project } = useBench()
const zoneId = useState('skin-zone', () => '')
const zone = computed(() => doc.value.zones.find(item => item.id === zoneId.value) ?? doc.value.zones[0])
const filament = ref(zone.value.filament)
watch(
  () => [zone.value.id, zone.value.filament],
  () => {
    filament.value = zone.value.filament
  },
)
const mode = ref<'schools' | 'inside'>('schools')
const { answer, of, fresh, fault } = useAside(
  (core, subject) => core.compare(subject, zone.value.id, filament.value),
  () => `${zone.value.id} ${filament.value}`,
)
const rows = computed<SchoolFigures[]>(() => answer.value ?? [])
const base = computed(() => rows.value[0])
/** Rows of another zone or filament stand until the new ones come, and are not taken for them. */
const shown = computed(() => fresh.value && base.value?.zone.id === zone.value.id)
function take(row: SchoolFigures) {
  const { zones } = withZone(toRaw(doc.value), row.zone)
  project.takeOffer(
    `${row.zone.name}: ${row.name.toLowerCase()} in ${row.filament}`,
    { zones },
    fresh.value ? of.value : null,
  )
}
</script>

<template>
  <div class="head">
    <v-btn-toggle
      v-model="mode"
      mandatory
      density="compact"
      variant="outlined"
      divided
      aria-label="What to look at"
      ><v-btn value="schools" data-mode="schools">Schools side by side</v-btn
      ><v-btn value="inside" data-mode="inside">Look inside</v-btn></v-btn-toggle
    ><span v-if="mode === 'schools'" class="zone"
      >{{ zone.name }}<span v-if="!shown" class="quiet">, computing</span></span
    ><v-select
      v-if="mode === 'schools'"
      v-model="filament"
      :items="LIBRARIES.filaments.map(f => ({ title: f.name, value: f.id }))"
      label="in filament"
      class="pick"
      data-field="compare-filament"
    />
  </div>
  <p v-if="fault" class="bad small" role="alert">The schools could not be computed: {{ fault }}.</p>
  <SliceLook v-if="mode === 'inside'" />
  <table v-else class="ledger" :class="{ quiet: !shown }" data-table="schools" :aria-busy="!shown">
    <thead>
      <tr>
        <th>School</th>
        <th class="r">Zone</th>
        <th class="r">Hours</th>
        <th class="r">Cost</th>
        <th class="r">Skin E·t</th>
        <th class="r">Aircraft</th>
        <th class="r">Reserve</th>
        <th>Bad at</th>
        <th />
      </tr>
    </thead>
    <tbody>
      <tr v-for="(row, i) in rows" :key="row.name" :class="{ on: i === 0 }">
        <td>
          {{ row.name }}<span class="quiet">, {{ row.filament }}</span>
        </td>
        <td class="r num">{{ amount(row.massG, 'g', 1) }}</td>
        <td class="r num">{{ figure(row.hours, 1) }} h</td>
        <td class="r num">{{ doc.brief.currency }} {{ figure(row.cost, 2) }}</td>
        <td class="r num">{{ figure(row.skinStiffness, 0) }} kN/m</td>
        <td class="r num">
          {{ amount(row.flyingMassG, 'g')
          }}<span v-if="i && base" class="quiet">&nbsp;{{ signed(row.flyingMassG - base.flyingMassG) }}</span>
        </td>
        <td class="r num" :class="{ bad: row.reserve < 1 }">{{ figure(row.reserve, 2) }}</td>
        <td class="quiet">{{ row.badAt }}</td>
        <td><v-btn v-if="i" size="x-small" :data-take="row.school" @click="take(row)">Take</v-btn></td>
      </tr>
    </tbody>
  </table>
  <p v-if="mode === 'schools' && !rows.length" class="quiet">Computing each school …</p>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  margin-bottom: 4px;
}
.pick {
  max-width: 220px;
}
.zone {
  flex: 1;
  font-weight: 650;
}
</style>
