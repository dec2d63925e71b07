<script setup lang="ts">
/** Flat parts on sheets, to be cut instead of printed: outlines at full size as files, or on pages. */
import { useStorage } from '@vueuse/core'
import { placedLoops, type PlacedPart } from '../../../core/workshop/flat'
import { amount, figure } from '~/composables/format'
import { download, fileName } from '~/composables/download'
import { useAside } from '~/composables/useAside'
import { useBench } from '~/composables/useBench'
import { useBook } from '~/composables/useBook'
import { thisMinute } from '~/composables/usePrintRoom'

const { doc, project } = useBench()
const { at, fault: bookFault, made, make, stop } = useBook()
/** As plywood and foam board are often sold, in half. */
const size = useStorage<[number, number]>('mariposa-sheet', [600, 300])
const paper = useStorage<'a4' | 'letter'>('mariposa-paper', 'a4')
const { answer, busy, fault, fresh } = useAside(
  (core, subject) => core.flatParts(subject, [size.value[0], size.value[1]]),
  () => size.value.join(),
)
const laid = computed(() => answer.value?.laid ?? null)
const parts = computed(() => answer.value?.parts ?? [])
const stuff = (part: { thicknessMm: number | null }) =>
  part.thicknessMm === null ? 'any stiff sheet' : `${amount(part.thicknessMm, 'mm', 1)} thick`
const path = (placed: PlacedPart) =>
  placedLoops(placed)
    .map(
      loop =>
        `M${Array.from({ length: loop.length / 2 }, (_, i) => `${loop[2 * i]!.toFixed(2)} ${(laid.value!.sizeMm[1] - loop[2 * i + 1]!).toFixed(2)}`).join('L')}Z`,
    )
    .join('')
const setSide = (i: 0 | 1) => (value: number | null) => {
  size.value = i === 0 ? [value!, size.value[1]] : [size.value[0], value!]
}
const take = () =>
  download(`${fileName(doc.value.name)}-flat-parts.zip`, answer.value!.zip, 'application/zip')
const pages = () => make(toRaw(project.doc!), 'outlines', paper.value, thisMinute())
</script>

<template>
  <div>
    <p v-if="fault" class="bad" role="alert">The flat parts were not made: {{ fault }}</p>
    <p v-else-if="!laid" class="quiet">Laying out sections, plates and jigs …</p>
    <template v-if="laid">
      <p class="lead">
        <b>{{ parts.length }} outlines</b> at full size, for plywood, card or foam board, by a cutter or by
        hand: sections with the bores of the spars, sheets of foam wings and tails, plates behind motors,
        tongues, and the jigs. They are as drawn: a cutter's own width is not taken off.
      </p>
      <div class="acts">
        <FigureField
          label="Sheet"
          :model-value="size[0]"
          unit="mm"
          :min="50"
          :max="3000"
          data-field="sheet-width"
          @update:model-value="setSide(0)($event)"
        /><FigureField
          label="by"
          :model-value="size[1]"
          unit="mm"
          :min="50"
          :max="3000"
          data-field="sheet-height"
          @update:model-value="setSide(1)($event)"
        /><v-btn :disabled="!fresh" :loading="busy" data-act="flat-zip" @click="take"
          >SVG and DXF (.zip)</v-btn
        ><v-btn :disabled="!!at" data-act="flat-pdf" @click="pages">On pages (PDF)</v-btn
        ><v-btn v-if="at" variant="text" data-act="flat-stop" @click="stop">Stop</v-btn>
      </div>
      <p v-if="bookFault" class="bad" role="alert">{{ bookFault }}</p>
      <p v-if="made" class="good" role="status">
        {{ made.name }}, {{ figure(made.bytes / 1e6, 2) }} MB, is among your downloads.
      </p>
      <p v-if="laid.tooLarge.length" class="bad" role="status">
        Larger than the sheet: {{ laid.tooLarge.map(part => part.name).join('; ') }}. They are on the pages,
        in parts.
      </p>
      <div class="columns">
        <section class="sheets" aria-label="Sheets">
          <svg
            v-for="(sheet, i) in laid.sheets"
            :key="i"
            :viewBox="`-2 -16 ${laid.sizeMm[0] + 4} ${laid.sizeMm[1] + 18}`"
            role="img"
            :aria-label="`Sheet ${i + 1} with ${sheet.length} parts`"
            :data-sheet="i"
          >
            <text x="0" y="-4">Sheet {{ i + 1 }}</text>
            <rect x="0" y="0" :width="laid.sizeMm[0]" :height="laid.sizeMm[1]" class="edge" />
            <path v-for="(placed, k) in sheet" :key="k" :d="path(placed)" fill-rule="evenodd" />
          </svg>
        </section>
        <ul class="list">
          <li v-for="part in parts" :key="part.id" :data-flat="part.id">
            <p class="name">
              <b class="num">{{ part.mark }}</b> {{ part.name
              }}<template v-if="part.count > 1">, {{ part.count }} of it</template>
              <span class="num quiet"
                >{{ figure(part.widthMm) }} × {{ amount(part.heightMm, 'mm') }}, {{ stuff(part) }}</span
              >
            </p>
            <p class="small quiet">{{ part.note[0]!.toUpperCase() + part.note.slice(1) }}.</p>
          </li>
        </ul>
      </div>
    </template>
  </div>
</template>

<style scoped>
.lead {
  margin: 0 0 8px;
  color: inherit;
}
.acts {
  align-items: center;
  margin-bottom: 10px;
}
.acts > :deep(.figure-field) {
  width: 120px;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 24px;
}
.sheets {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.list {
  list-style: none;
  margin: 0;
  padding: 0;
}
.list li {
  padding: 5px 0;
  border-bottom: 1px solid var(--hair);
}
.list p {
  margin: 0;
}
.name .quiet {
  display: block;
  font-size: 12.5px;
}
.edge {
  fill: none;
  stroke: var(--hair);
}
path {
  fill: color-mix(in srgb, rgb(var(--v-theme-secondary)) 45%, transparent);
  stroke: currentColor;
  stroke-width: 0.6;
}
text {
  font-size: 12px;
  fill: currentColor;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
