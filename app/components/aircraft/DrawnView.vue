<script setup lang="ts">
/** Plan, side and front view to scale with rulers in mm; things are grabbed where they are. */
import type { Assessment } from '../../../core/assess'
import { type ProjectFile, surfaceOf } from '../../../core/document'
import { figure } from '~/composables/format'
import { paintFor } from '~/composables/usePaint'
import type { StationId } from '~/stations/path'
import { useDrawer } from '~/stores/drawer'
import { useView } from '~/stores/view'
import { provideSheet, type FlatView } from './sheet'

const props = defineProps<{
  station: StationId
  doc: ProjectFile
  assessment: Assessment
  view: FlatView
}>()
const look = useView()
const host = ref<HTMLElement>()
const svg = ref<SVGSVGElement>()
const sheet = provideSheet(
  host,
  () => props.view,
  () => props.assessment.drawing.box,
)
/** A picture lies under this view: it must be seen through what is drawn over it. */
const traced = computed(() => props.doc.tracings.some(item => item.view === props.view))
const drawer = useDrawer()
/** A part from the drawer is let go over the drawing: it takes the place that the view shows. */
function over(event: DragEvent) {
  if (drawer.held) event.preventDefault()
}
function drop(event: DragEvent) {
  if (!drawer.held || !svg.value) return
  event.preventDefault()
  const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.value.getScreenCTM()!.inverse())
  const at: Record<'x' | 'y' | 'z', number | null> = { x: null, y: null, z: null }
  const spots = [p.x, p.y]
  sheet.value.axes.forEach(([axis, sign], i) => {
    at[axis] = sign * spots[i]!
  })
  drawer.put(drawer.held, { xMm: at.x, yMm: at.y, zMm: at.z })
  drawer.held = null
}
const paint = computed(() => paintFor(props.station, props.doc, props.assessment, look.paint))
const balanced = computed(
  () => ['balance', 'field', 'log', 'shape', 'weigh'].includes(props.station) && props.view !== 'front',
)
/** Where the wing stalls first, on both sides, at the quarter chord. */
const stalls = computed(() => {
  if (props.station !== 'shape' || props.view !== 'plan') return []
  const { placeMm, surface: name } = props.assessment.stall
  const surface = surfaceOf(props.doc, name) ?? props.doc.wing
  let left = placeMm,
    lead = surface.xMm,
    chord = surface.rootChordMm
  for (const panel of surface.panels) {
    const t = Math.min(1, left / panel.spanMm)
    lead += t * panel.sweepMm
    chord += t * (panel.tipChordMm - chord)
    left -= panel.spanMm
    if (left <= 0) break
  }
  const y = surface.yMm + placeMm * Math.cos((surface.cantDeg * Math.PI) / 180)
  return (surface.mirror ? [1, -1] : [1]).map(side => sheet.value.flat([lead + chord / 4, side * y, 0]))
})
</script>

<template>
  <figure class="drawn">
    <div ref="host" class="sheet" @dragover="over" @drop="drop">
      <svg
        ref="svg"
        :viewBox="`${sheet.frame.x} ${sheet.frame.y} ${sheet.frame.w} ${sheet.frame.h}`"
        preserveAspectRatio="xMidYMid meet"
        role="group"
        :aria-label="`${view} view of ${doc.name}, to scale`"
      >
        <defs>
          <pattern
            v-for="p in 5"
            :id="`hatch-${p}`"
            :key="p"
            :width="9 * sheet.unit"
            :height="9 * sheet.unit"
            patternUnits="userSpaceOnUse"
            :patternTransform="`rotate(${[0, 45, -45, 0, 90, 20][p]})`"
          >
            <path
              :d="
                p === 3
                  ? `M${3 * sheet.unit} ${3 * sheet.unit}h${1.6 * sheet.unit}`
                  : `M0 ${4 * sheet.unit}H${9 * sheet.unit}`
              "
              :stroke-width="(p === 3 ? 1.8 : 0.9) * sheet.unit"
              class="hatch"
            />
          </pattern>
        </defs>
        <DrawnTracing v-if="doc.tracings.length" :doc="doc" :svg="svg" />
        <DrawnRulers />
        <g :opacity="traced ? 0.55 : 1">
          <DrawnOutlines :doc="doc" :assessment="assessment" :paint="paint" />
        </g>
        <DrawnBalance v-if="balanced" :assessment="assessment" :detailed="station === 'balance'" />
        <g
          v-for="(place, i) in stalls"
          :key="`stall-${i}`"
          class="stall"
          :transform="`translate(${place.join(' ')})`"
        >
          <circle :r="7 * sheet.unit" :stroke-width="2 * sheet.unit" />
          <path
            :d="`M${-4 * sheet.unit} ${-4 * sheet.unit}L${4 * sheet.unit} ${4 * sheet.unit}M${4 * sheet.unit} ${-4 * sheet.unit}L${-4 * sheet.unit} ${4 * sheet.unit}`"
            :stroke-width="1.8 * sheet.unit"
          />
          <title>Stalls here first, {{ figure(100 * assessment.stall.placeShare) }} % out</title>
        </g>
        <DrawnInHand :doc="doc" />
        <DrawnHandles :station="station" :doc="doc" :svg="svg" />
        <DrawnCentre v-if="balanced" />
      </svg>
    </div>
    <figcaption v-if="paint.title" class="legend">
      <span class="quiet">{{ paint.title }}:</span>
      <span v-for="item in paint.legend" :key="item.label" class="key"
        ><svg width="16" height="12" aria-hidden="true">
          <rect width="16" height="12" :fill="item.colour" />
          <rect v-if="item.pattern" width="16" height="12" :fill="`url(#hatch-${item.pattern})`" /></svg
        >{{ item.label }}</span
      >
    </figcaption>
    <figcaption v-else-if="balanced" class="legend quiet">
      Cross: balance point as loaded, with its spread. Dashed: neutral point. Band: where it should
      balance.<template v-if="station === 'balance'">
        Discs: printed pieces, spars, glue and wires, area by mass.</template
      ><template v-if="stalls.length"> Crossed ring: where the wing stalls first.</template>
    </figcaption>
  </figure>
</template>

<style scoped>
.drawn {
  margin: 0;
  width: 100%;
  height: 100%;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.sheet {
  flex: 1;
  min-height: 0;
  position: relative;
  overflow: hidden;
}
.sheet > svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  touch-action: none;
  user-select: none;
}
.hatch {
  stroke: #16233a;
  stroke-opacity: 0.5;
  fill: none;
}
.stall circle {
  fill: rgb(var(--v-theme-background));
  stroke: rgb(var(--v-theme-error));
}
.stall path {
  stroke: rgb(var(--v-theme-error));
}
.legend {
  font-size: 12px;
  padding: 2px 12px 4px;
  display: flex;
  gap: 4px 14px;
  flex-wrap: wrap;
}
.key {
  display: inline-flex;
  gap: 5px;
  align-items: center;
}
.key rect:first-child {
  stroke: #16233a;
}
</style>
