<script setup lang="ts">
/** What a zone is cut from, what its sheets weigh, and where their outlines are. */
import { LIMITS, type Sheet, type Zone } from '../../../core/document'
import { foamOr, LIBRARIES } from '../../../core/libraries'
import { amount } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { zone, sheet } = defineProps<{ zone: Zone; sheet: Sheet }>()
const { doc, now, edit } = useBench()
const index = computed(() => doc.value.zones.findIndex(item => item.id === zone.id))
const foam = computed(() => foamOr(LIBRARIES.foams, sheet.foam))
const cut = computed(() => {
  const own = now.value.pieces.filter(piece => piece.zone === zone.id && piece.sheet)
  return { count: own.length, massG: own.reduce((sum, piece) => sum + piece.massG, 0) }
})
</script>

<template>
  <div class="stack">
    <v-select
      :model-value="foam.id"
      :items="LIBRARIES.foams.map(item => ({ title: item.name, value: item.id }))"
      label="Cut from"
      data-field="foam"
      @update:model-value="
        edit(`${zone.name}: another foam`, d => {
          d.zones[index].sheet!.foam = $event
        })
      "
    />
    <p class="quiet small">{{ foam.summary }}.</p>
    <p class="caution">Glue: {{ foam.glue }}. A new blade, a steel ruler, fingers behind the blade.</p>
    <FigureField
      label="Sheet is thick"
      :model-value="sheet.thicknessMm"
      unit="mm"
      :min="LIMITS.sheetMm[0]"
      :max="LIMITS.sheetMm[1]"
      :digits="1"
      data-field="sheet-thicknessMm"
      @update:model-value="
        edit(`${zone.name}: sheet of ${$event} mm`, d => {
          d.zones[index].sheet!.thicknessMm = $event!
        })
      "
    />
    <p class="quiet small" data-text="sheet">
      <span class="num">{{ cut.count }}</span> {{ cut.count === 1 ? 'sheet weighs' : 'sheets weigh' }}
      {{ amount(cut.massG, 'g', 1) }}; nothing of it is printed.
      {{
        sheet.make === 'flat'
          ? 'The sheet is the section: its nose rounded, its rear bevelled, whatever aerofoil is drawn.'
          : 'One sheet goes round the nose of the drawn section and is glued along its rear; it is hollow over its spars.'
      }}
      Foam counts with the lesser of what it bears in tension and when it is pressed, along the middle of the
      sheet. Controls are cut from it, too. Outlines at full size: Build, flat parts.
    </p>
  </div>
</template>
