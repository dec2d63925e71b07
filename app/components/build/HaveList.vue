<script setup lang="ts">
/** Nothing missing: pieces by mark and everything bought, ticked off from the table before the first joint. */
import Papa from 'papaparse'
import { LIBRARIES } from '../../../core/libraries'
import type { HardwareRow } from '../../../core/workshop/build'
import { amount, figure } from '~/composables/format'
import { download, fileName } from '~/composables/download'
import { useBench } from '~/composables/useBench'
import { useBuild } from '~/composables/useBuild'
import { usePrintRoom } from '~/composables/usePrintRoom'

const { doc, now, edit } = useBench()
const { hardware } = useBuild()
const room = usePrintRoom()
watch(doc, room.refresh, { immediate: true })
const had = computed(() => new Set(doc.value.build.had))
function count(ids: readonly string[], name: string, there: boolean) {
  edit(there ? `There: ${name}` : `Not there: ${name}`, draft => {
    const next = new Set(draft.build.had)
    for (const id of ids)
      if (there) next.add(id)
      else next.delete(id)
    draft.build.had = [...next]
  })
}
/** Pieces by the plate that they came from; those of none together. */
const plates = computed(() => {
  const groups = new Map<string, typeof now.value.pieces>()
  for (const piece of now.value.pieces) {
    const plate = room.plates.value.find(
      item => item.state !== 'failed' && item.pieces.some(other => other.piece === piece.id),
    )
    const key = plate
      ? plate.pieces.length > 1
        ? `${plate.marks.join(' + ')}, ${STATE[plate.state]}`
        : ALONE[plate.state]!
      : 'On no plate'
    groups.set(key, [...(groups.get(key) ?? []), piece])
  }
  return [...groups].map(([name, pieces]) => ({ name, pieces }))
})
const ALONE: Record<string, string> = {
  waiting: 'Alone on their plates, waiting',
  printing: 'Alone on their plates, printing',
  done: 'Alone on their plates, printed',
}
const STATE: Record<string, string> = {
  waiting: 'waits',
  printing: 'printing',
  done: 'printed',
  failed: 'failed',
}
const groups = computed(() => {
  const found = new Map<string, typeof hardware.value>()
  for (const item of hardware.value) found.set(item.group, [...(found.get(item.group) ?? []), item])
  return [...found].map(([name, rows]) => ({ name, rows }))
})
const sizeOf = (item: HardwareRow) =>
  [
    item.name,
    ...(item.lengthMm === null ? [] : [amount(item.lengthMm, 'mm')]),
    ...(item.group === 'Glue' ? [amount(item.grams, 'g', 1)] : []),
  ].join(', ')
const missing = computed(() => ({
  pieces: now.value.pieces.filter(piece => !had.value.has(piece.id)).length,
  parts: hardware.value.filter(item => !had.value.has(item.id)).length,
}))
const filaments = computed(() => room.shelf.value?.buy ?? [])
const filamentName = (id: string) => LIBRARIES.filaments.find(item => item.id === id)?.name ?? id
function csv() {
  const rows = [
    ...now.value.pieces.map(piece => ({
      group: 'Pieces',
      name: `${piece.mark} ${piece.name}`,
      count: 1,
      length_mm: '',
      grams: piece.predictedG.toFixed(1),
      note: piece.filamentName,
      there: had.value.has(piece.id) ? 'yes' : '',
    })),
    ...hardware.value.map(item => ({
      group: item.group,
      name: item.name,
      count: item.count,
      length_mm: item.lengthMm === null ? '' : item.lengthMm.toFixed(0),
      grams: item.grams === null ? '' : item.grams.toFixed(1),
      note: item.note,
      there: had.value.has(item.id) ? 'yes' : '',
    })),
    ...filaments.value.map(item => ({
      group: 'Filament',
      name: filamentName(item.filament),
      count: item.spools,
      length_mm: '',
      grams: item.grams.toFixed(0),
      note: 'short on the shelf',
      there: '',
    })),
  ]
  download(
    `${fileName(doc.value.name)}-to-have.csv`,
    Papa.unparse(rows, { escapeFormulae: true }),
    'text/csv',
  )
}
</script>

<template>
  <div class="have">
    <p class="lead">
      <b v-if="missing.pieces + missing.parts === 0">Everything lies on the table.</b>
      <b v-else
        >{{ missing.pieces }} of {{ now.pieces.length }} pieces and {{ missing.parts }} of
        {{ hardware.length }} other things are not counted yet.</b
      >
      Tick what lies before you; what is left is what to print and to buy.
      <v-btn size="small" variant="text" data-act="have-csv" @click="csv">List as CSV</v-btn>
    </p>
    <div class="columns">
      <section>
        <h3>Printed pieces, by plate</h3>
        <div v-for="plate in plates" :key="plate.name" class="plate">
          <span class="quiet small">{{ plate.name }}</span>
          <label v-for="piece in plate.pieces" :key="piece.id" class="tick"
            ><input
              type="checkbox"
              :checked="had.has(piece.id)"
              :data-had="piece.id"
              @change="count([piece.id], piece.name, ($event.target as HTMLInputElement).checked)"
            /><b class="num">{{ piece.mark }}</b> {{ piece.name }}
            <span class="num quiet">{{ amount(piece.weighedG ?? piece.predictedG, 'g', 1) }}</span></label
          >
        </div>
      </section>
      <section>
        <div v-for="group in groups" :key="group.name">
          <h3>{{ group.name }}</h3>
          <label v-for="item in group.rows" :key="item.id" class="tick"
            ><input
              type="checkbox"
              :checked="had.has(item.id)"
              :data-had="item.id"
              @change="count([item.id], item.name, ($event.target as HTMLInputElement).checked)"
            /><b class="num">{{ item.count }} ×</b>
            <span
              >{{ sizeOf(item) }} <span v-if="item.note" class="quiet small">({{ item.note }})</span></span
            ></label
          >
        </div>
        <template v-if="filaments.length">
          <h3>Filament that the shelf lacks</h3>
          <p v-for="item in filaments" :key="item.filament" class="bad">
            {{ filamentName(item.filament) }}: {{ amount(item.grams, 'g') }}, {{ item.spools }}
            {{ item.spools === 1 ? 'spool' : 'spools' }} (about {{ figure(item.cost) }}
            {{ doc.brief.currency }})
          </p>
        </template>
      </section>
    </div>
  </div>
</template>

<style scoped>
.lead {
  margin: 0 0 8px;
  color: inherit;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr);
  gap: 0 28px;
}
.plate {
  display: block;
  padding: 4px 0;
  border-bottom: 1px solid var(--hair);
}
.tick {
  display: flex;
  gap: 8px;
  align-items: baseline;
  padding: 4px 0;
  cursor: pointer;
}
.tick input {
  width: 17px;
  height: 17px;
  flex: none;
  align-self: center;
}
.tick b {
  min-width: 44px;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
  .tick {
    min-height: 44px;
    align-items: center;
  }
}
</style>
