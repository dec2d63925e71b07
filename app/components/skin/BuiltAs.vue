<script setup lang="ts">
/** How a zone of a wing or tail is built: printed as a shell, of ribs under a film, or cut from a sheet of foam. */
import type { Zone } from '../../../core/document'
import { USUAL_RIBS, USUAL_SHEET } from '../../../core/libraries'
import { useBench } from '~/composables/useBench'

const { zone } = defineProps<{ zone: Zone }>()
const { doc, edit } = useBench()
const index = computed(() => doc.value.zones.findIndex(item => item.id === zone.id))
const WAYS = {
  shell: { title: 'A printed shell', name: 'a printed shell' },
  ribs: { title: 'Printed ribs under film', name: 'ribs under film' },
  folded: { title: 'A sheet of foam, folded', name: 'a folded sheet' },
  flat: { title: 'A sheet of foam, flat', name: 'a flat sheet' },
}
type Way = keyof typeof WAYS
const ways = (Object.keys(WAYS) as Way[]).map(value => ({ title: WAYS[value].title, value }))
const built = computed((): Way => zone.sheet?.make ?? (zone.ribs ? 'ribs' : 'shell'))
function setBuilt(way: Way) {
  edit(`${zone.name}: ${WAYS[way].name}`, draft => {
    const own = draft.zones[index.value]
    own.ribs = way === 'ribs' ? { ...USUAL_RIBS } : null
    own.sheet =
      way === 'folded' || way === 'flat' ? { ...USUAL_SHEET, ...(own.sheet ?? {}), make: way } : null
  })
}
</script>

<template>
  <div class="stack">
    <v-select
      :model-value="built"
      :items="ways"
      label="Built as"
      data-field="built"
      @update:model-value="setBuilt($event as Way)"
    />
    <SheetFigures v-if="zone.sheet" :zone="zone" :sheet="zone.sheet" />
    <RibFigures v-else-if="zone.ribs" :zone="zone" />
  </div>
</template>
