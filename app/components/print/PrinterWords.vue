<script setup lang="ts">
/** What a printer is told before the first layer and after the last, and the filament it takes. */
import { PLACEHOLDERS, SHIPPED_END, SHIPPED_START } from '../../../core/printing'
import { useBench } from '~/composables/useBench'

const props = defineProps<{ index: number }>()
const { doc, edit } = useBench()
const printer = computed(() => doc.value.printers[props.index]!)
const set = (which: 'startText' | 'endText') => (event: Event) => {
  const text = (event.target as HTMLTextAreaElement).value.slice(0, 4000)
  edit(`${printer.value.name}: ${which === 'startText' ? 'start' : 'end'} text`, draft => {
    draft.printers[props.index]![which] = text
  })
}
</script>

<template>
  <details class="small" :data-words="printer.id">
    <summary>Start and end text of machine files</summary>
    <FigureField
      label="Takes filament of"
      :model-value="printer.filamentMm"
      unit="mm"
      :min="1"
      :max="4"
      :digits="2"
      @update:model-value="
        edit(`${printer.name}: filament diameter`, d => {
          d.printers[index]!.filamentMm = $event!
        })
      "
    />
    <v-textarea
      :model-value="printer.startText"
      label="Before the first layer"
      :placeholder="SHIPPED_START"
      persistent-placeholder
      rows="6"
      maxlength="4000"
      data-field="start-text"
      @change="set('startText')($event)"
    />
    <v-textarea
      :model-value="printer.endText"
      label="After the last"
      :placeholder="SHIPPED_END"
      persistent-placeholder
      rows="3"
      maxlength="4000"
      @change="set('endText')($event)"
    />
    <p class="quiet">
      Left empty, what is shown grey is written: it homes, heats and wipes a line. Named values are filled in:
      <template v-for="(what, name) in PLACEHOLDERS" :key="name"
        ><code v-text="`{${name}}`" /> {{ what }};
      </template>
    </p>
  </details>
</template>

<style scoped>
:deep(textarea) {
  font-family: 'Spline Sans Mono', monospace;
  font-size: 12px;
}
</style>
