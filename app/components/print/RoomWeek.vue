<script setup lang="ts">
/** Who prints what when: a row a printer, plates to be dragged to another printer or a later hour. */
import { momentAt, within, type PlannedPlate } from '../../../core/workshop/print-room'
import { figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { arrowSteps, useDrag } from '~/composables/useDrag'
import { dayAndHour, dayName } from '~/composables/room-time'
import { usePrintRoom } from '~/composables/usePrintRoom'
import { useElementSize, useWindowSize } from '@vueuse/core'

const { doc, edit } = useBench()
const room = usePrintRoom()
const { plan, plates, planned, chosen } = room
const HEAD = 30,
  SIDE = 110
const host = ref<HTMLElement>()
const { width } = useElementSize(host)
const { height: tall } = useWindowSize()
/** Few printers have high rows: the chart is the subject. */
const ROW = computed(() => Math.max(64, Math.min(150, (tall.value - 480) / doc.value.printers.length)))
const nowHour = computed(() => Number(planned.value.slice(11, 13)) + Number(planned.value.slice(14, 16)) / 60)
const days = computed(() => Math.min(14, Math.max(2, Math.ceil((plan.value?.doneAt ?? 48) / 24 + 0.2))))
const perHour = computed(() => Math.max(3, (Math.max(320, width.value) - SIDE - 8) / (24 * days.value)))
const x = (hour: number) => SIDE + hour * perHour.value
const height = computed(() => HEAD + ROW.value * doc.value.printers.length + 6)
const shown = computed(() => plates.value.filter(item => item.begins !== null && item.ends !== null))
const never = computed(() => plates.value.filter(item => item.state === 'waiting' && item.begins === null))
const rowOf = (printer: string) => doc.value.printers.findIndex(item => item.id === printer)

/** Stretches in which a printer rests, or runs with nobody there, by the quarter of an hour. */
function shades(index: number): Array<{ from: number; to: number; kind: 'rests' | 'alone' }> {
  const { runs, tended } = doc.value.printers[index]!
  const found: Array<{ from: number; to: number; kind: 'rests' | 'alone' }> = []
  for (let t = 0; t < 24 * days.value; t += 0.25) {
    const kind = !within(runs, t + 0.01) ? 'rests' : within(tended, t + 0.01) ? null : 'alone'
    const last = found[found.length - 1]
    if (kind && last && last.kind === kind && Math.abs(last.to - t) < 1e-6) last.to = t + 0.25
    else if (kind) found.push({ from: t, to: t + 0.25, kind })
  }
  return found
}

const sheet = ref<SVGSVGElement>()
const moved = shallowRef<{ id: string; hour: number; row: number } | null>(null)
interface Held {
  plate: PlannedPlate
  grip: number
}
const { held, take } = useDrag<Held>((what, event) => {
  const frame = sheet.value!.getBoundingClientRect()
  const hour = Math.max(nowHour.value, (event.clientX - frame.left - SIDE) / perHour.value - what.grip)
  const row = Math.max(
    0,
    Math.min(doc.value.printers.length - 1, Math.floor((event.clientY - frame.top - HEAD) / ROW.value)),
  )
  moved.value = { id: what.plate.id, hour: Math.round(hour * 4) / 4, row }
})
watch(held, (now, before) => {
  if (now || !before || !moved.value) return
  put(before.plate, doc.value.printers[moved.value.row]!.id, moved.value.hour)
  moved.value = null
})
function put(plate: PlannedPlate, printer: string, hour: number) {
  if (plate.state !== 'waiting') return
  room.move(plate, printer, momentAt(planned.value, hour))
}
function grasp(event: PointerEvent, plate: PlannedPlate) {
  chosen.value = plate.id
  if (plate.state !== 'waiting') return
  const frame = sheet.value!.getBoundingClientRect()
  take(event, { plate, grip: (event.clientX - frame.left - SIDE) / perHour.value - plate.begins! })
}
function nudge(event: KeyboardEvent, plate: PlannedPlate) {
  const steps = arrowSteps(event, 4)
  if (!steps) return
  const row = Math.max(0, Math.min(doc.value.printers.length - 1, rowOf(plate.printer) + Math.sign(steps[1])))
  put(plate, doc.value.printers[row]!.id, Math.max(nowHour.value, plate.begins! + steps[0]))
}
const at = (plate: PlannedPlate) =>
  moved.value?.id === plate.id
    ? { begins: moved.value.hour, row: moved.value.row }
    : { begins: plate.begins!, row: rowOf(plate.printer) }
const setHours = (index: number, which: 'runs' | 'tended', end: 'fromH' | 'toH') => (value: number | null) =>
  edit(
    `${doc.value.printers[index]!.name}: ${which === 'runs' ? 'when it runs' : 'when somebody is there'}`,
    draft => {
      draft.printers[index]![which][end] = value!
    },
  )
</script>

<template>
  <div ref="host" class="week">
    <svg
      ref="sheet"
      :width="x(24 * days) + 4"
      :height="height"
      role="group"
      aria-label="Plates by printer and hour"
      data-chart="week"
    >
      <g v-for="(printer, i) in doc.printers" :key="printer.id">
        <rect :x="SIDE" :y="HEAD + ROW * i" :width="24 * days * perHour" :height="ROW - 4" class="row" />
        <rect
          v-for="(shade, k) in shades(i)"
          :key="k"
          :x="x(shade.from)"
          :y="HEAD + ROW * i"
          :width="(shade.to - shade.from) * perHour"
          :height="ROW - 4"
          :class="shade.kind"
        />
        <text x="0" :y="HEAD + ROW * i + ROW / 2 - 8" class="name">{{ printer.name }}</text>
        <text x="0" :y="HEAD + ROW * i + ROW / 2 + 10" class="load">
          {{ doc.spools.find(spool => spool.id === printer.spool)?.name ?? 'no spool on it' }}
        </text>
      </g>
      <g v-for="day in days" :key="day">
        <line :x1="x(24 * (day - 1))" :x2="x(24 * (day - 1))" y1="4" :y2="height - 6" class="midnight" />
        <text :x="x(24 * (day - 1)) + 4" y="14" class="day">{{ dayName(planned, 24 * (day - 1)) }}</text>
        <template v-if="perHour > 4">
          <text v-for="hour in [6, 12, 18]" :key="hour" :x="x(24 * (day - 1) + hour)" y="26" class="hour">
            {{ hour }}
          </text>
        </template>
      </g>
      <g
        v-for="plate in shown"
        :key="plate.id"
        class="plate"
        :class="[plate.state, { held: plate.heldBy && !plate.first, on: chosen === plate.id }]"
        :tabindex="plate.state === 'waiting' ? 0 : -1"
        role="button"
        :aria-label="`${plate.marks.join(' ')}: ${dayAndHour(planned, plate.begins!)} to ${dayAndHour(planned, plate.ends!)}; arrow keys move it`"
        :data-week-plate="plate.id"
        @pointerdown="grasp($event, plate)"
        @keydown="nudge($event, plate)"
      >
        <title>
          {{ plate.marks.join(' ') }}: {{ figure(plate.hours, 1) }} h,
          {{ dayAndHour(planned, plate.begins!) }} to
          {{ dayAndHour(planned, plate.ends!) }}
        </title>
        <rect
          :x="x(at(plate).begins) + 0.5"
          :y="HEAD + ROW * at(plate).row + 6"
          :width="Math.max(2, plate.hours * perHour - 1)"
          :height="ROW - 16"
          rx="3"
        />
        <text
          v-if="plate.hours * perHour > 26"
          :x="x(at(plate).begins) + 4"
          :y="HEAD + ROW * at(plate).row + ROW / 2"
          :textLength="
            plate.marks.join(' ').length * 6.6 > plate.hours * perHour - 8
              ? plate.hours * perHour - 8
              : undefined
          "
          lengthAdjust="spacingAndGlyphs"
        >
          {{ plate.marks.length > 1 ? `${plate.marks[0]} +${plate.marks.length - 1}` : plate.marks[0] }}
        </text>
      </g>
      <line :x1="x(nowHour)" :x2="x(nowHour)" y1="16" :y2="height - 6" class="now" />
    </svg>
    <p v-if="plan" class="small">
      Done
      <b class="num">{{ plan.doneAt === null ? 'never' : dayAndHour(planned, plan.doneAt) }}</b>; if nothing
      ran while nobody is there,
      <span class="num">{{
        plan.doneTendedAt === null ? 'never' : dayAndHour(planned, plan.doneTendedAt)
      }}</span>. Dark: it may not run. Grey: nobody is there, so that it ends what it began and no plate is
      changed. Pale plates wait for a first piece.
    </p>
    <p v-if="never.length" class="bad small" role="alert">
      {{ never.map(plate => plate.marks.join(' ')).join(', ') }}: longer than any stretch in which the printer
      may run. Let it run longer, or cut the piece.
    </p>
    <div class="hours">
      <div v-for="(printer, i) in doc.printers" :key="printer.id">
        <h3>{{ printer.name }}</h3>
        <div class="row4">
          <FigureField
            label="Runs from"
            :model-value="printer.runs.fromH"
            unit="h"
            :min="0"
            :max="24"
            data-field="runs-from"
            @update:model-value="setHours(i, 'runs', 'fromH')($event)"
          />
          <FigureField
            label="to"
            :model-value="printer.runs.toH"
            unit="h"
            :min="0"
            :max="24"
            @update:model-value="setHours(i, 'runs', 'toH')($event)"
          />
          <FigureField
            label="There"
            :model-value="printer.tended.fromH"
            unit="h"
            :min="0"
            :max="24"
            @update:model-value="setHours(i, 'tended', 'fromH')($event)"
          />
          <FigureField
            label="to"
            :model-value="printer.tended.toH"
            unit="h"
            :min="0"
            :max="24"
            @update:model-value="setHours(i, 'tended', 'toH')($event)"
          />
        </div>
      </div>
    </div>
    <p class="caution small">
      A printer that runs unwatched can burn: smoke alarm over it, nothing that catches fire beside it, and
      whatever your insurer and landlord ask for.
    </p>
  </div>
</template>

<style scoped>
.week {
  overflow-x: auto;
}
svg {
  display: block;
  touch-action: none;
}
.row {
  fill: rgb(var(--v-theme-surface));
  stroke: var(--hair);
}
.rests {
  fill: var(--hair);
}
.alone {
  fill: var(--hair);
  opacity: 0.4;
}
.midnight {
  stroke: var(--hair);
}
.now {
  stroke: rgb(var(--v-theme-error));
  stroke-width: 1.5;
}
text {
  font-size: 11px;
  fill: rgb(var(--v-theme-on-background));
}
.name {
  font-weight: 650;
  font-size: 12.5px;
}
.load,
.hour {
  fill: var(--quiet);
}
.hour {
  font-size: 9.5px;
  text-anchor: middle;
}
.plate {
  cursor: grab;
}
.plate rect {
  fill: rgba(var(--v-theme-primary), 0.45);
  stroke: rgb(var(--v-theme-primary));
}
.plate.held rect {
  fill: rgba(var(--v-theme-primary), 0.12);
  stroke-dasharray: 3 2;
}
.plate.printing rect {
  fill: rgba(var(--v-theme-secondary), 0.5);
  stroke: rgb(var(--v-theme-secondary));
}
.plate.on rect {
  stroke-width: 2.5;
}
.plate text {
  pointer-events: none;
  font-family: 'Spline Sans Mono', monospace;
}
.hours {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(330px, 1fr));
  gap: 0 28px;
}
.row4 {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 10px;
}
</style>
