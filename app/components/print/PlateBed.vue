<script setup lang="ts">
/** One plate: its pieces on the bed to scale, what is done with it, and what its first piece wants. */
import { proxy } from 'comlink'
import { recipeOf, SURFACE_NAMES } from '../../../core/document'
import type { PlannedPlate } from '../../../core/workshop/print-room'
import type { GcodePreview } from '../../../core/workshop/export'
import { download, fileName } from '~/composables/download'
import { amount, figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'
import { usePrintRoom } from '~/composables/usePrintRoom'
import { useInstruments } from '~/composables/useInstruments'

const props = defineProps<{ plate: PlannedPlate }>()
const { doc, now, project } = useBench()
const room = usePrintRoom()
const aside = useCore('aside')
const printer = computed(
  () => doc.value.printers.find(item => item.id === props.plate.printer) ?? doc.value.printers[0],
)
const instruments = useInstruments()
const machine = computed(() => instruments.printers.value.find(item => item.name === printer.value.name))

/** Pieces of wings and tails on their side; bodies always stand. */
const lying = computed(() =>
  props.plate.state === 'waiting'
    ? now.value.pieces.filter(
        item =>
          props.plate.pieces.some(({ piece }) => piece === item.id) &&
          SURFACE_NAMES.some(name => name === item.part) &&
          item.kind !== 'given' &&
          recipeOf(doc.value, item).stance === 'flat',
      )
    : [],
)
const fixed = computed(() => props.plate.state !== 'waiting')
const bed = ref<{ turn(by: number): void }>()

const progress = ref<{ done: number; of: number } | null>(null)
const fault = ref('')
const preview = shallowRef<GcodePreview | null>(null)
const looking = ref(false)
let stop = false
let written: Blob | null = null
async function write(): Promise<Blob | null> {
  stop = false
  fault.value = ''
  progress.value = { done: 0, of: 1 }
  try {
    const made = await aside.machineFile(
      toRaw(project.doc!),
      props.plate.printer,
      props.plate.pieces.map(item => ({ ...item })),
      proxy((done: number, of: number) => {
        progress.value = { done, of }
        return !stop
      }),
    )
    if (!made) return null
    preview.value = made.preview
    written = made.file
    return made.file
  } catch (error) {
    fault.value = `No file was written. ${(error as Error).message}.`
    return null
  } finally {
    progress.value = null
  }
}
async function look() {
  if (await write()) looking.value = true
}
const keepFile = async () => {
  if (written)
    download(
      `${fileName(doc.value.name)}-${fileName(props.plate.marks.join('-'))}.gcode`,
      new Uint8Array(await written.arrayBuffer()),
      'text/plain',
    )
}
async function send() {
  const file = await write()
  if (!file || !machine.value) return
  try {
    await instruments.print(machine.value.id, file, props.plate.id)
    room.begin(props.plate)
  } catch (error) {
    fault.value = `It was not sent. ${(error as Error).message}.`
  }
}

const asking = ref(false)
</script>

<template>
  <section class="bench" :aria-label="`Plate ${plate.marks.join(' ')}`">
    <header>
      <h3 class="num">{{ plate.marks.join(' ') }}</h3>
      <v-select
        v-if="!fixed"
        :model-value="plate.printer"
        :items="doc.printers.map(item => ({ title: item.name, value: item.id }))"
        label="On"
        data-field="plate-printer"
        class="on"
        @update:model-value="room.move(plate, $event, plate.record?.notBefore ?? null)"
      />
      <span v-else class="quiet">{{ printer.name }}</span>
    </header>
    <BedDrawing ref="bed" :plate="plate" />
    <p class="small line">
      <span class="num">{{ figure(plate.hours, 2) }} h</span>,
      <span class="num">{{ amount(plate.gramsOff, 'g', 1) }}</span> off the spool
      <template v-if="!fixed">
        <v-btn size="small" variant="text" data-act="turn-left" @click="bed?.turn(15)">Turn 15° left</v-btn
        ><v-btn size="small" variant="text" data-act="turn-right" @click="bed?.turn(-15)">right</v-btn
        ><v-btn v-if="plate.record" size="small" variant="text" @click="room.layAnew(plate)"
          >Lay out anew</v-btn
        >
      </template>
    </p>
    <p v-if="plate.mends" class="small" data-mends>
      The rest of a broken piece: its solid is taken at Log, What broke. The bed shows the whole piece, which
      is larger.
    </p>
    <div v-if="plate.state !== 'done'" class="acts">
      <template v-if="plate.state === 'waiting'">
        <v-btn
          v-if="machine && !plate.mends"
          color="primary"
          variant="flat"
          data-act="send"
          :disabled="!!progress || (!!plate.heldBy && !plate.first) || machine.state === 'printing'"
          @click="send"
          >Print on {{ machine.name }}</v-btn
        >
        <v-btn v-if="!plate.mends" data-act="write-file" :disabled="!!progress" @click="look"
          >Machine file</v-btn
        >
        <v-btn data-act="begin" :disabled="!!plate.heldBy && !plate.first" @click="room.begin(plate)"
          >Begun by hand</v-btn
        >
      </template>
      <v-btn v-if="plate.state !== 'failed'" data-act="done" @click="room.done(plate)">Done</v-btn>
      <v-btn v-if="plate.state !== 'failed'" data-act="failed" @click="asking = true">Failed…</v-btn>
    </div>
    <div v-if="progress" role="status">
      <v-progress-linear :model-value="(100 * progress.done) / progress.of" height="8" />
      <v-btn size="small" @click="stop = true">Stop</v-btn>
    </div>
    <p v-if="fault" class="bad small" role="alert" data-fault="plate">{{ fault }}</p>
    <p v-for="item in lying" :key="item.id" class="caution small" data-lying>
      {{ item.mark }} lies on its side: {{ amount(item.overhangMm2 / 100, 'cm²', 0) }} of its underside hang
      over the bed, and this file lays no supports. What is flat below prints so; the rest wants a slicing
      program.
    </p>
    <p v-if="plate.state === 'waiting'" class="caution small">
      Stay with the first one; try the start text on your own machine before you trust it. Nozzle and bed
      burn.
    </p>
    <FaultCard v-if="plate.state === 'failed'" :plate="plate" />
    <FirstPieceCard :plate="plate" />
    <FaultDialog v-model="asking" :plate="plate" />
    <v-dialog v-model="looking" max-width="860">
      <v-card v-if="preview" class="pa-5">
        <h2>{{ plate.marks.join(' ') }}, as written</h2>
        <LaidPicture
          :preview="preview"
          :density="now.pieces.find(p => p.id === plate.pieces[0]?.piece)?.filament ?? ''"
        />
        <p class="caution small">
          Stay with the first one. Start and end text are
          {{ printer.startText ? 'your own' : 'the shipped ones, which home, heat and wipe a line' }}: check
          them on your own machine.
        </p>
        <div class="acts end">
          <v-btn color="primary" variant="flat" data-act="keep-file" @click="keepFile">Keep the file</v-btn
          ><v-btn variant="text" @click="looking = false">Close</v-btn>
        </div>
      </v-card>
    </v-dialog>
  </section>
</template>

<style scoped>
.bench {
  position: sticky;
  top: 0;
}
header {
  display: flex;
  gap: 16px;
  align-items: center;
  justify-content: space-between;
}
header h3 {
  margin: 0;
  overflow-wrap: anywhere;
}
.on {
  max-width: 190px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 6px;
  margin: 0 0 6px;
}
.acts,
.bench :deep(.acts) {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
  margin: 6px 0;
}
.end {
  justify-content: flex-end;
}
.bench :deep(.card) {
  border-top: 1px solid var(--hair);
  padding: 8px 0;
  font-size: 13px;
}
.bench :deep(.card ul) {
  margin: 4px 0;
  padding-left: 18px;
}
</style>
