<script setup lang="ts">
/** One plate: its pieces on the bed to scale, what is done with it, and what its first piece wants. */
import { proxy } from 'comlink'
import { FAULTS, type PrintFault } from '../../../core/document'
import {
  FAULT_NAMES,
  faultRemedies,
  firstPieceState,
  FIRST_OFF,
  type PlannedPlate,
  type PlateShape,
} from '../../../core/workshop/print-room'
import type { GcodePreview } from '../../../core/workshop/export'
import { download, fileName } from '~/composables/download'
import { amount, figure, signed, worded } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'
import { arrowSteps, useDrag } from '~/composables/useDrag'
import { usePrintRoom } from '~/composables/usePrintRoom'
import { useInstruments } from '~/composables/useInstruments'

const props = defineProps<{ plate: PlannedPlate }>()
const { doc, now, edit, project } = useBench()
const room = usePrintRoom()
const core = useCore(),
  aside = useCore('aside')
const printer = computed(
  () => doc.value.printers.find(item => item.id === props.plate.printer) ?? doc.value.printers[0],
)
const instruments = useInstruments()
const machine = computed(() => instruments.printers.value.find(item => item.name === printer.value.name))

const shapes = shallowRef<PlateShape[]>([])
watch(
  () => [props.plate, doc.value] as const,
  async () => {
    shapes.value = await core.plateShapes(
      toRaw(project.doc!),
      props.plate.pieces.map(item => ({ ...item })),
    )
  },
  { immediate: true },
)
const fixed = computed(() => props.plate.state !== 'waiting')
const bed = ref<SVGSVGElement>()
interface Held {
  piece: string
  x: number
  y: number
  xMm: number
  yMm: number
}
const { held, take } = useDrag<Held>((what, event, gesture) => {
  const own = props.plate.pieces.find(item => item.piece === what.piece)
  if (!own || fixed.value) return
  const scale = bed.value!.viewBox.baseVal.width / bed.value!.clientWidth
  put(
    own.piece,
    what.xMm + (event.clientX - what.x) * scale,
    what.yMm - (event.clientY - what.y) * scale,
    own.turnDeg,
    gesture,
  )
})
function grasp(event: PointerEvent, piece: string) {
  const own = props.plate.pieces.find(item => item.piece === piece)!
  take(event, { piece, x: event.clientX, y: event.clientY, xMm: own.xMm, yMm: own.yMm })
  picked.value = piece
}
const picked = ref(props.plate.pieces[0]?.piece ?? '')
const clamp = (value: number) => Math.max(0, Math.min(1000, Math.round(value * 10) / 10))
function put(piece: string, xMm: number, yMm: number, turnDeg: number, gesture?: symbol) {
  room.place(props.plate, { piece, xMm: clamp(xMm), yMm: clamp(yMm), turnDeg }, gesture)
}
function nudge(event: KeyboardEvent, piece: string) {
  const steps = arrowSteps(event, 10)
  const own = room.placesOf(props.plate).find(item => item.piece === piece)
  if (steps && own && !fixed.value) put(piece, own.xMm + steps[0], own.yMm - steps[1], own.turnDeg)
}
function turn(by: number) {
  const places = room.placesOf(props.plate)
  const own = places.find(item => item.piece === picked.value) ?? places[0]
  if (own) put(own.piece, own.xMm, own.yMm, ((own.turnDeg + by + 540) % 360) - 180)
}
const outlineOf = (shape: PlateShape): string =>
  shape.outline.reduce(
    (text, value, i) =>
      text +
      (i % 2 === 0 ? `${i ? 'L' : 'M'}${value.toFixed(1)} ` : (printer.value.bedMm[1] - value).toFixed(1)),
    '',
  ) + 'Z'
const middle = (shape: PlateShape): [number, number] => {
  const xs = shape.outline.filter((_, i) => i % 2 === 0),
    ys = shape.outline.filter((_, i) => i % 2 === 1)
  return [
    (Math.min(...xs) + Math.max(...xs)) / 2,
    printer.value.bedMm[1] - (Math.min(...ys) + Math.max(...ys)) / 2,
  ]
}
const beyond = computed(() =>
  shapes.value.filter(({ outline, brimMm }) =>
    outline.some((value, i) => value < brimMm - 0.05 || value > printer.value.bedMm[i % 2] - brimMm + 0.05),
  ),
)

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
const why = ref<PrintFault>('lifted')
const share = ref(50)
const note = ref('')
function failed() {
  room.fail(props.plate, why.value, share.value / 100, note.value.slice(0, 4000))
  asking.value = false
}
const zoneOf = computed(() => {
  const piece = now.value.pieces.find(item => item.id === props.plate.pieces[0]?.piece)
  return doc.value.zones.find(item => item.id === piece?.zone)
})
const remedies = computed(() =>
  props.plate.record?.fault && zoneOf.value
    ? faultRemedies(doc.value, zoneOf.value, props.plate.printer, props.plate.record.fault.why)
    : [],
)
const takeRemedy = (remedy: (typeof remedies.value)[number]) =>
  edit(worded(remedy.words), draft => Object.assign(draft, remedy.change))

/** A failed plate is over; a first piece that is done still wants to be looked at. */
const firstId = computed(() =>
  props.plate.state === 'failed' ? null : (pending.value ?? props.plate.heldBy),
)
/** The piece of a finished plate that others wait for. */
const pending = computed(
  () =>
    room.plan.value?.releases.find(
      release => release.first !== null && props.plate.pieces.some(item => item.piece === release.first),
    )?.first ?? null,
)
const firstPiece = computed(() => now.value.pieces.find(item => item.id === firstId.value))
const isFirst = computed(() => props.plate.pieces.some(item => item.piece === firstId.value))
const first = computed(() => (firstPiece.value ? firstPieceState(doc.value, firstPiece.value) : null))
const looked = ref(false)
const reason = ref('')
const byHand = ref(false)
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
    <svg
      ref="bed"
      class="bed"
      :viewBox="`-4 -4 ${printer.bedMm[0] + 8} ${printer.bedMm[1] + 8}`"
      role="group"
      :aria-label="`Bed of ${printer.name}, ${printer.bedMm[0]} by ${printer.bedMm[1]} mm`"
    >
      <rect class="sheet" x="0" y="0" :width="printer.bedMm[0]" :height="printer.bedMm[1]" rx="4" />
      <path
        class="grid"
        :d="
          Array.from(
            { length: Math.floor(printer.bedMm[0] / 50) },
            (_, i) => `M${50 * (i + 1)} 0V${printer.bedMm[1]}`,
          ).join('') +
          Array.from(
            { length: Math.floor(printer.bedMm[1] / 50) },
            (_, i) => `M0 ${printer.bedMm[1] - 50 * (i + 1)}H${printer.bedMm[0]}`,
          ).join('')
        "
      />
      <g
        v-for="shape in shapes"
        :key="shape.piece"
        class="piece"
        :class="{ off: beyond.includes(shape), held: held?.piece === shape.piece, fixed }"
        :tabindex="fixed ? -1 : 0"
        role="button"
        :aria-label="`${shape.mark}, ${figure(shape.widthMm)} by ${figure(shape.depthMm)} mm; arrow keys move it`"
        :data-on-bed="shape.piece"
        @pointerdown="!fixed && grasp($event, shape.piece)"
        @focus="picked = shape.piece"
        @keydown="nudge($event, shape.piece)"
      >
        <path :d="outlineOf(shape)" :stroke-width="shape.brimMm > 0 ? 2 * shape.brimMm : 0" class="brim" />
        <path :d="outlineOf(shape)" class="skin" />
        <text :x="middle(shape)[0]" :y="middle(shape)[1]">{{ shape.mark }}</text>
      </g>
      <text class="size" x="4" :y="printer.bedMm[1] - 4">
        {{ printer.bedMm[0] }} × {{ printer.bedMm[1] }} mm
      </text>
    </svg>
    <p class="small line">
      <span class="num">{{ figure(plate.hours, 2) }} h</span>,
      <span class="num">{{ amount(plate.gramsOff, 'g', 1) }}</span> off the spool
      <template v-if="!fixed">
        <v-btn size="small" variant="text" data-act="turn-left" @click="turn(15)">Turn 15° left</v-btn
        ><v-btn size="small" variant="text" data-act="turn-right" @click="turn(-15)">right</v-btn
        ><v-btn v-if="plate.record" size="small" variant="text" @click="room.layAnew(plate)"
          >Lay out anew</v-btn
        >
      </template>
    </p>
    <p v-if="beyond.length" class="bad small" role="alert">
      {{ beyond.map(shape => shape.mark).join(', ') }} {{ beyond.length > 1 ? 'reach' : 'reaches' }} over the
      edge, brim and all: move or turn it.
    </p>
    <div v-if="plate.state !== 'done'" class="acts">
      <template v-if="plate.state === 'waiting'">
        <v-btn
          v-if="machine"
          color="primary"
          variant="flat"
          data-act="send"
          :disabled="!!progress || (!!plate.heldBy && !plate.first) || machine.state === 'printing'"
          @click="send"
          >Print on {{ machine.name }}</v-btn
        >
        <v-btn data-act="write-file" :disabled="!!progress" @click="look">Machine file</v-btn>
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
    <p v-if="plate.state === 'waiting'" class="caution small">
      Stay with the first one; try the start text on your own machine before you trust it. Nozzle and bed
      burn.
    </p>
    <div v-if="plate.state === 'failed' && plate.record?.fault" class="card" data-card="fault">
      <b class="bad">It {{ FAULT_NAMES[plate.record.fault.why] }}</b> at
      {{ figure(100 * plate.record.fault.share) }} %, {{ amount(plate.gramsOff, 'g', 1) }} wasted.
      <q v-if="plate.record.fault.note">{{ plate.record.fault.note }}</q> Its pieces wait again. What helps:
      <ul>
        <li v-for="(remedy, i) in remedies" :key="i">
          {{ worded(remedy.words) }}
          <v-btn
            v-if="remedy.change"
            size="small"
            variant="text"
            data-act="fault-remedy"
            @click="takeRemedy(remedy)"
            >Take</v-btn
          >
        </li>
      </ul>
    </div>
    <div v-if="first && firstPiece" class="card" data-card="first-piece">
      <b>{{ plate.pieces.some(item => item.piece === firstPiece!.id) ? 'First piece' : 'Held' }}.</b>
      {{
        isFirst
          ? 'Nothing printed in this filament, recipe and printer has been accepted yet. The rest waits until this one has been checked, weighed and looked at.'
          : `It waits until ${firstPiece.name} has been checked, weighed and looked at.`
      }}
      <ul class="checks">
        <li :class="{ good: first.checked }">
          {{ first.checked ? '✓' : '·' }} machine file held against it and accepted
        </li>
        <li :class="{ good: first.offPercent !== null && Math.abs(first.offPercent) <= FIRST_OFF }">
          {{ first.offPercent !== null && Math.abs(first.offPercent) <= FIRST_OFF ? '✓' : '·' }}
          weighed<template v-if="first.offPercent !== null">, {{ signed(first.offPercent, 1) }} %</template>;
          {{ FIRST_OFF }} % is allowed
        </li>
        <li>
          <label class="tick"
            ><input v-model="looked" type="checkbox" data-field="looked" /> bent and looked at: ends flat,
            webs bonded, no gaps at the edges</label
          >
        </li>
      </ul>
      <div class="acts">
        <v-btn
          data-act="accept-first"
          :disabled="!looked || !first.good"
          @click="room.accept(firstPiece.id, false, '')"
          >Accept, release the rest</v-btn
        ><v-btn variant="text" data-act="release-anyway" @click="byHand = true">Release anyway…</v-btn>
      </div>
      <div v-if="byHand" class="row">
        <v-text-field
          v-model="reason"
          label="Why (kept with the project)"
          data-field="why-release"
          maxlength="400"
        />
        <v-btn
          data-act="release"
          :disabled="!reason.trim()"
          @click="room.accept(firstPiece.id, true, reason.trim())"
          >Release</v-btn
        >
      </div>
    </div>
    <v-dialog v-model="asking" max-width="460">
      <v-card class="pa-5">
        <h2>What happened?</h2>
        <v-select
          v-model="why"
          :items="FAULTS.map(value => ({ title: `It ${FAULT_NAMES[value]}`, value }))"
          label="Fault"
          data-field="fault-why"
        />
        <FigureField
          label="How far it got"
          :model-value="share"
          unit="%"
          :min="0"
          :max="100"
          :digits="0"
          data-field="fault-share"
          @update:model-value="share = $event ?? 0"
        />
        <v-text-field v-model="note" label="Note" maxlength="400" />
        <div class="acts">
          <v-btn color="primary" variant="flat" data-act="fault-keep" @click="failed"
            >Keep, and print it again</v-btn
          ><v-btn variant="text" @click="asking = false">Cancel</v-btn>
        </div>
      </v-card>
    </v-dialog>
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
.bed {
  width: 100%;
  max-height: 250px;
  touch-action: none;
  display: block;
  margin: 4px 0;
}
.sheet {
  fill: rgb(var(--v-theme-surface));
  stroke: var(--hair);
}
.grid {
  stroke: var(--hair);
  stroke-width: 0.5;
}
.piece {
  cursor: grab;
}
.piece.fixed {
  cursor: default;
}
.piece .brim {
  fill: none;
  stroke: rgba(var(--v-theme-primary), 0.25);
  stroke-linejoin: round;
}
.piece .skin {
  fill: rgba(var(--v-theme-primary), 0.35);
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 0.8;
}
.piece.off .skin {
  fill: rgba(var(--v-theme-error), 0.3);
  stroke: rgb(var(--v-theme-error));
}
.piece:focus-visible .skin {
  stroke-width: 2;
}
.bed text {
  font-size: 10px;
  text-anchor: middle;
  dominant-baseline: middle;
  fill: rgb(var(--v-theme-on-background));
  pointer-events: none;
}
.bed text.size {
  text-anchor: start;
  font-size: 8px;
  fill: var(--quiet);
}
.line {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 6px;
  margin: 0 0 6px;
}
.acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
  margin: 6px 0;
}
.end {
  justify-content: flex-end;
}
.card {
  border-top: 1px solid var(--hair);
  padding: 8px 0;
  font-size: 13px;
}
.card ul {
  margin: 4px 0;
  padding-left: 18px;
}
.checks {
  list-style: none;
  padding-left: 2px !important;
}
.tick {
  cursor: pointer;
}
.row {
  display: flex;
  gap: 10px;
  align-items: center;
}
</style>
