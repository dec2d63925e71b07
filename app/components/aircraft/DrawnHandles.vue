<script setup lang="ts">
/** What can be grabbed where it is, by pointer and by arrow keys; each is one named edit. */
import { loftSurface, trailingEdgeMm } from '../../../core/geometry'
import type { ProjectFile } from '../../../core/document'
import { arrowSteps, useDrag } from '~/composables/useDrag'
import { handlesFor, type Handle } from '~/composables/useHandles'
import type { StationId } from '~/stations/path'
import { useProject } from '~/stores/project'
import { useView } from '~/stores/view'
import { INDEX, useSheet } from './sheet'

const props = defineProps<{ station: StationId; doc: ProjectFile; svg: SVGSVGElement | undefined }>()
const sheet = useSheet()
const project = useProject()
const look = useView()
const hovered = ref<string | null>(null)
/**
 * Handles stand where the newest edit put them, ahead of the drawing: two quick key presses must both count.
 */
const newest = computed(() => project.doc ?? props.doc)
/** The wing's loft for spar handles; cheap, and only where it is wanted. */
const wing = computed(() =>
  props.station === 'spine'
    ? loftSurface(
        'wing',
        'Wing',
        newest.value.wing,
        newest.value.aerofoils,
        trailingEdgeMm(newest.value.zones),
      )
    : null,
)
const handles = computed(() =>
  handlesFor(props.station, sheet.value.view, newest.value, wing.value, look.part),
)
function toAircraft(event: PointerEvent, handle: Handle): [number, number, number] {
  const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(props.svg!.getScreenCTM()!.inverse())
  const to: [number, number, number] = [...handle.at]
  const values = [p.x, p.y]
  sheet.value.axes.forEach(([axis, sign], i) => {
    if (handle.axes.includes(axis)) to[INDEX[axis]] = sign * values[i]!
  })
  return to
}
const { held: grabbed, take } = useDrag<string>((id, event, gesture) => {
  const handle = handles.value.find(item => item.id === id)
  if (!handle) return
  const to = toAircraft(event, handle)
  project.edit(handle.edit, draft => handle.apply(draft, to), { gesture })
})
watch(grabbed, id => sheet.value.hold(id !== null))
function grab(event: PointerEvent, handle: Handle) {
  look.selected = handle.id.replace(/^mass-/, '')
  take(event, handle.id)
}
function nudge(event: KeyboardEvent, { id }: Handle) {
  const handle = handles.value.find(item => item.id === id)
  const steps = handle && arrowSteps(event, 10)
  if (!steps) return
  const across = steps[0] !== 0 ? 0 : 1
  const [axis, sign] = sheet.value.axes[across]
  if (!handle.axes.includes(axis)) return
  const to: [number, number, number] = [...handle.at]
  to[INDEX[axis]] += sign * steps[across]
  project.edit(handle.edit, draft => handle.apply(draft, to), { gesture: 'keys' })
}
const active = computed(() => handles.value.find(handle => handle.id === (grabbed.value ?? hovered.value)))
/** Words of a handle at the right are written towards the middle. */
const toTheRight = computed(
  () =>
    !!active.value && sheet.value.flat(active.value.at)[0] > sheet.value.frame.x + 0.55 * sheet.value.frame.w,
)

const shortLabel = (handle: Handle) => handle.label.split(' ')[0]!
/** Of a letter, in the label's size, mm on the sheet. */
const LETTER = 6.4
/** A box's label stands inside where it fits, over it where the box is too short for it; null in small boxes. */
function labelY({ shape, size, label }: Handle): number | null {
  const { unit, view } = sheet.value
  if (shape !== 'box' || view !== 'side' || !size || size[0] < 22 * unit || size[2] < 13 * unit) return null
  const fits = size[0] > label.split(' ')[0]!.length * LETTER * unit
  return fits ? 4 * unit : -size[2] / 2 - 4 * unit
}
const named = computed(() => handles.value.filter(handle => labelY(handle) !== null))
</script>

<template>
  <g>
    <g
      v-for="handle in handles"
      :key="handle.id"
      class="handle"
      :class="{ on: grabbed === handle.id || look.selected === handle.id.replace(/^mass-/, '') }"
      tabindex="0"
      role="slider"
      :aria-label="`${handle.label}: ${handle.figure}. Arrow keys move it`"
      :aria-valuetext="handle.figure"
      :aria-valuenow="Math.round(handle.at[handle.axes.includes('y') ? 1 : 0])"
      :data-handle="handle.id"
      :transform="`translate(${sheet.flat(handle.at).join(' ')})`"
      @pointerdown.prevent="grab($event, handle)"
      @pointerenter="hovered = handle.id"
      @pointerleave="hovered = null"
      @focus="hovered = handle.id"
      @blur="hovered = null"
      @keydown="nudge($event, handle)"
    >
      <title>{{ handle.label }}: {{ handle.figure }}</title>
      <circle v-if="handle.shape !== 'box'" :r="14 * sheet.unit" class="reach" />
      <circle v-if="handle.shape === 'round'" :r="6.5 * sheet.unit" :stroke-width="2 * sheet.unit" />
      <rect
        v-else-if="handle.shape === 'bar' && (handle.axes[0] === 'x') === (sheet.view === 'plan')"
        :x="-11 * sheet.unit"
        :y="-3.5 * sheet.unit"
        :width="22 * sheet.unit"
        :height="7 * sheet.unit"
        :rx="2 * sheet.unit"
        :stroke-width="1.8 * sheet.unit"
      />
      <rect
        v-else-if="handle.shape === 'bar'"
        :x="-3.5 * sheet.unit"
        :y="-16 * sheet.unit"
        :width="7 * sheet.unit"
        :height="32 * sheet.unit"
        :rx="2 * sheet.unit"
        :stroke-width="1.8 * sheet.unit"
      />
      <rect
        v-else
        :x="-(sheet.view === 'plan' ? handle.size![1] : handle.size![0]) / 2"
        :y="-(sheet.view === 'plan' ? handle.size![0] : handle.size![2]) / 2"
        :width="sheet.view === 'plan' ? handle.size![1] : handle.size![0]"
        :height="sheet.view === 'plan' ? handle.size![0] : handle.size![2]"
        :rx="2 * sheet.unit"
        class="box"
        :stroke-width="1.3 * sheet.unit"
      />
      <rect
        v-if="handle.pair && sheet.view === 'plan'"
        :x="-2 * handle.at[1] - handle.size![1] / 2"
        :y="-handle.size![0] / 2"
        :width="handle.size![1]"
        :height="handle.size![0]"
        :rx="2 * sheet.unit"
        class="box twin"
        :stroke-width="1.3 * sheet.unit"
      />
    </g>
    <!-- After all boxes: one that lies in another would be washed out by it. -->
    <text
      v-for="handle in named"
      :key="`name ${handle.id}`"
      :font-size="10.5 * sheet.unit"
      text-anchor="middle"
      :transform="`translate(${sheet.flat(handle.at).join(' ')})`"
      :y="labelY(handle)!"
      class="tag name"
      :class="{ above: labelY(handle)! < 0 }"
    >
      {{ shortLabel(handle) }}
    </text>
    <g
      v-if="active"
      class="tip"
      :transform="`translate(${sheet.flat(active.at)[0]} ${sheet.flat(active.at)[1] - 22 * sheet.unit})`"
    >
      <text
        v-for="halo in [true, false]"
        :key="String(halo)"
        :font-size="13 * sheet.unit"
        :text-anchor="toTheRight ? 'end' : 'start'"
        :class="{ halo }"
        :stroke-width="halo ? 4 * sheet.unit : 0"
      >
        {{ active.label }}: {{ active.figure }}
      </text>
    </g>
  </g>
</template>

<style scoped>
.tag {
  fill: rgb(var(--v-theme-on-background));
}
.twin {
  pointer-events: none;
}
.preview .tag {
  fill: rgb(var(--v-theme-secondary));
  font-weight: 650;
}
.handle {
  cursor: grab;
  outline: none;
}
.handle:active {
  cursor: grabbing;
}
.handle .reach {
  fill: transparent;
  stroke: none;
}
.handle circle:not(.reach),
.handle rect {
  fill: rgb(var(--v-theme-surface));
  stroke: rgb(var(--v-theme-primary));
}
.handle .box {
  fill: color-mix(in srgb, rgb(var(--v-theme-primary)) 28%, #fbf8f1);
  fill-opacity: 0.85;
}
.handle.on circle:not(.reach),
.handle.on rect,
.handle:focus-visible circle:not(.reach),
.handle:focus-visible rect {
  stroke: rgb(var(--v-theme-secondary));
  stroke-width: 3px;
  vector-effect: non-scaling-stroke;
}
.name {
  pointer-events: none;
}
.name:not(.above) {
  fill: #16233a;
}
.tip {
  pointer-events: none;
}
.tip text {
  fill: rgb(var(--v-theme-on-background));
  font-weight: 600;
}
.tip .halo {
  stroke: rgb(var(--v-theme-background));
}
</style>
