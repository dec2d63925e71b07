<script setup lang="ts">
/** The pieces of a plate on its bed, to scale: dragged, moved by arrow keys, turned. */
import type { PlannedPlate, PlateShape } from '../../../core/workshop/print-room'
import { figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'
import { arrowSteps, useDrag } from '~/composables/useDrag'
import { usePrintRoom } from '~/composables/usePrintRoom'

const props = defineProps<{ plate: PlannedPlate }>()
const { doc, project } = useBench()
const room = usePrintRoom()
const core = useCore()
const printer = computed(
  () => doc.value.printers.find(item => item.id === props.plate.printer) ?? doc.value.printers[0],
)

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

defineExpose({ turn })
</script>

<template>
  <div>
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
    <p v-if="beyond.length" class="bad small" role="alert">
      {{ beyond.map(shape => shape.mark).join(', ') }} {{ beyond.length > 1 ? 'reach' : 'reaches' }} over the
      edge, brim and all: move or turn it.
    </p>
  </div>
</template>

<style scoped>
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
</style>
