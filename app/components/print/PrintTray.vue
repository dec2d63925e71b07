<script setup lang="ts">
import { proxy } from 'comlink'
import { download, fileName } from '~/composables/download'
import { amount, figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'

const { doc, now, edit, project, look } = useBench()
const core = useCore('aside')
const progress = ref<{ done: number; of: number; name: string } | null>(null)
const fault = ref('')
let stop = false
async function exportPieces() {
  stop = false
  fault.value = ''
  progress.value = { done: 0, of: now.value.pieces.length, name: 'starting' }
  try {
    const zip = await core.exportZip(
      toRaw(project.doc!),
      proxy((done: number, of: number, name: string) => {
        progress.value = { done, of, name }
        return !stop
      }),
    )
    if (zip) download(`${fileName(doc.value.name)}-pieces.zip`, zip, 'application/zip')
  } catch (error) {
    fault.value = `The pieces were not exported: ${(error as Error).message}`
  } finally {
    progress.value = null
  }
}
const chosen = computed(() => now.value.pieces.find(piece => piece.id === look.selected))
const give = (printer: string) =>
  edit(
    `${chosen.value!.name} to ${doc.value.printers.find(p => p.id === printer)?.name ?? 'whichever is free'}`,
    draft => {
      const { [chosen.value!.id]: _, ...rest } = draft.printerOf
      draft.printerOf = printer ? { ...rest, [chosen.value!.id]: printer } : rest
    },
  )
type Figures =
  | 'cornerMmS'
  | 'retractMm'
  | 'retractMmS'
  | 'layerMinS'
  | 'wallSpeedMmS'
  | 'accelMmS2'
  | 'flowMm3S'
  | 'plateOverheadMin'
const set = (i: number, field: Figures, label: string) => (value: number | null) =>
  edit(`${doc.value.printers[i].name}: set ${label}`, draft => {
    draft.printers[i][field] = value!
  })
</script>

<template>
  <div class="stack">
    <p>
      All pieces: <span class="num" data-figure="printed">{{ amount(now.totals.filamentG, 'g') }}</span> of
      filament, <span class="num">{{ doc.brief.currency }} {{ figure(now.totals.cost, 2) }}</span
      >, <span class="num">{{ figure(now.totals.hours, 1) }} h</span> on the printers, done after
      <span class="num">{{ figure(now.totals.finishHours, 1) }} h</span>.
    </p>
    <v-btn
      color="primary"
      variant="flat"
      data-act="export-pieces"
      :disabled="!!progress"
      @click="exportPieces"
      >Export pieces and plates (zip)</v-btn
    >
    <div v-if="progress" role="status">
      <v-progress-linear :model-value="(100 * progress.done) / progress.of" height="8" />
      <p class="quiet">{{ progress.done }} of {{ progress.of }}: {{ progress.name }}</p>
      <v-btn @click="stop = true">Stop</v-btn>
    </div>
    <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
    <p class="quiet small">
      Closed solids in mm, standing as they print: an STL a piece, a 3MF a plate with named pieces, a list.
      Webs are slits in the solids: told one bead and a spiral, any slicing program lays them; let it close no
      gap narrower than the slit. Walls and infill are the recipe's: set them there. Print one, weigh it, then
      the rest.
    </p>
    <BenchPrinters />
    <EveryLayer />
    <MachineFile />
    <h3>Chosen piece</h3>
    <template v-if="chosen"
      ><p>
        {{ chosen.name }}: <span class="num">{{ amount(chosen.predictedG, 'g', 1) }}</span>,
        <span class="num">{{ figure(chosen.hours, 1) }} h</span>, {{ chosen.layers }} layers
      </p>
      <v-select
        :model-value="doc.printerOf[chosen.id] ?? ''"
        :items="[
          { title: 'Whichever is free', value: '' },
          ...doc.printers.map(p => ({ title: p.name, value: p.id })),
        ]"
        label="Printer"
        data-field="printer"
        @update:model-value="give"
    /></template>
    <p v-else class="quiet">Press a piece in the drawing or the list to give it to a printer.</p>
    <template v-for="(printer, i) in doc.printers" :key="printer.id">
      <h3>
        {{ printer.name }}
        <span class="quiet num"
          >{{ figure(now.printers[i]?.hours ?? 0, 1) }} h, {{ now.printers[i]?.pieces }} pieces</span
        >
      </h3>
      <div class="row">
        <FigureField
          label="Wall speed"
          :model-value="printer.wallSpeedMmS"
          unit="mm/s"
          :min="5"
          :max="600"
          :digits="0"
          @update:model-value="set(i, 'wallSpeedMmS', 'wall speed')($event)"
        /><FigureField
          label="Acceleration"
          :model-value="printer.accelMmS2"
          unit="mm/s²"
          :min="100"
          :max="50000"
          :digits="0"
          @update:model-value="set(i, 'accelMmS2', 'acceleration')($event)"
        />
      </div>
      <div class="row">
        <FigureField
          label="Melts at most"
          :model-value="printer.flowMm3S"
          unit="mm³/s"
          :min="1"
          :max="60"
          @update:model-value="set(i, 'flowMm3S', 'melting rate')($event)"
        /><FigureField
          label="A plate costs"
          :model-value="printer.plateOverheadMin"
          unit="min"
          :min="0"
          :max="60"
          @update:model-value="set(i, 'plateOverheadMin', 'plate overhead')($event)"
        />
      </div>
      <div class="row">
        <FigureField
          label="Corner speed"
          :model-value="printer.cornerMmS"
          unit="mm/s"
          :min="0"
          :max="50"
          @update:model-value="set(i, 'cornerMmS', 'corner speed')($event)"
        /><FigureField
          label="Least layer time"
          :model-value="printer.layerMinS"
          unit="s"
          :min="0"
          :max="60"
          @update:model-value="set(i, 'layerMinS', 'least layer time')($event)"
        />
      </div>
      <div class="row">
        <FigureField
          label="Pulls back"
          :model-value="printer.retractMm"
          unit="mm"
          :min="0"
          :max="20"
          @update:model-value="set(i, 'retractMm', 'retraction')($event)"
        /><FigureField
          label="at"
          :model-value="printer.retractMmS"
          unit="mm/s"
          :min="1"
          :max="200"
          @update:model-value="set(i, 'retractMmS', 'retraction speed')($event)"
        />
      </div>
      <PrinterWords :index="i" />
    </template>
    <p class="caution">
      Hot nozzles and beds burn; styrene filaments want ventilation. Stay near a printer that runs overnight,
      or have it watched.
    </p>
  </div>
</template>

<style scoped>
:deep(.acts) {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
  margin-bottom: 8px;
}
</style>
