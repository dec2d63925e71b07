<script setup lang="ts">
/** Plan, side and front view to scale with rulers in mm; things are grabbed where they are. */
import type { Assessment } from '../../../core/assess'
import type { ProjectFile } from '../../../core/document'
import { loftSurface, trailingEdgeMm } from '../../../core/geometry'
import { hingeLines } from '../../../core/workshop/advice'
import { amount, amountOf, figure } from '~/composables/format'
import { useLiveBalance } from '~/composables/useLiveBalance'
import type { StationId } from '~/stations/path'
import { paintFor } from '~/composables/usePaint'
import { useSize } from '~/composables/useSize'
import { arrowSteps, useDrag } from '~/composables/useDrag'
import { handlesFor, type Handle } from '~/composables/useHandles'
import { useProject } from '~/stores/project'
import { useView, type ViewName } from '~/stores/view'

const props = defineProps<{
  station: StationId
  doc: ProjectFile
  assessment: Assessment
  view: Exclude<ViewName, 'space'>
}>()
const project = useProject()
const look = useView()
const host = ref<HTMLElement>()
const { pixels, aspect } = useSize(host)
const svg = ref<SVGSVGElement>()
const hovered = ref<string | null>(null)

/** Screen right and down as aircraft axes: [axis, sign]. */
const AXES = {
  plan: [
    ['y', 1],
    ['x', 1],
  ],
  side: [
    ['x', 1],
    ['z', -1],
  ],
  front: [
    ['y', -1],
    ['z', -1],
  ],
} as const
const INDEX = { x: 0, y: 1, z: 2 } as const
const axes = computed(() => AXES[props.view])
const flat = (p: readonly [number, number, number]): [number, number] => [
  axes.value[0][1] * p[INDEX[axes.value[0][0]]],
  axes.value[1][1] * p[INDEX[axes.value[1][0]]],
]
/** Outlines come as (x, y), (x, z) or (y, z). */
const outline = (points: readonly number[]) => {
  const pairs: string[] = []
  for (let i = 0; i < points.length; i += 2) {
    const p: [number, number, number] =
      props.view === 'plan'
        ? [points[i], points[i + 1], 0]
        : props.view === 'side'
          ? [points[i], 0, points[i + 1]]
          : [0, points[i], points[i + 1]]
    pairs.push(flat(p).join(','))
  }
  return pairs.join(' ')
}

/** Everything drawn, with room for rulers, widened to the shape of the stage so that the drawing fills it. */
const frame = computed(() => {
  const { box } = props.assessment.drawing
  const lows = flat([box.minX, box.minY, box.minZ]),
    highs = flat([box.maxX, box.maxY, box.maxZ])
  const [x0, x1] = [Math.min(lows[0], highs[0]), Math.max(lows[0], highs[0])]
  const [y0, y1] = [Math.min(lows[1], highs[1]), Math.max(lows[1], highs[1])]
  const w = (x1 - x0) * 1.17 + 20,
    h = (y1 - y0) * 1.15 + 50 + (props.view === 'side' ? 110 : 0)
  const width = Math.max(w, h * aspect.value),
    height = Math.max(h, w / aspect.value)
  // A little low, so that the view buttons stay clear of the aircraft.
  return { x: (x0 + x1) / 2 - width / 2, y: (y0 + y1) / 2 - height * 0.48, w: width, h: height }
})
/** Millimetres of the aircraft to a pixel of the screen. */
const unit = computed(() => frame.value.w / pixels.value)
const ticks = (from: number, length: number) => {
  const step = length > 900 ? 100 : length > 350 ? 50 : 20
  return Array.from(
    { length: Math.floor(length / step) + 1 },
    (_, i) => Math.ceil(from / step) * step + i * step,
  ).filter(v => v <= from + length)
}
const paint = computed(() => paintFor(props.station, props.doc, props.assessment, look.paint))
const pieces = computed(() => new Map(props.assessment.pieces.map(piece => [piece.id, piece])))
/** Nearest to the eye last: from above, from port, from ahead. */
const depth = (piece: { centreMm: [number, number, number] }) =>
  props.view === 'plan' ? piece.centreMm[2] : props.view === 'side' ? -piece.centreMm[1] : -piece.centreMm[0]
const shapes = computed(() =>
  props.assessment.drawing[props.view]
    .map(item => {
      const piece = pieces.value.get(item.id)!
      return { id: item.id, points: outline(item.points), piece, ...paint.value.of(piece) }
    })
    .sort((a, b) => depth(a.piece) - depth(b.piece)),
)
const spars = computed(() =>
  props.assessment.drawing.spars.map((spar, i) => ({
    key: i,
    points: outline(spar[props.view]),
    width: spar.widthMm,
  })),
)
const hinges = computed(() => (props.view === 'plan' ? hingeLines(props.doc) : []))
const boom = computed(() =>
  props.assessment.drawing.boom && props.view !== 'front'
    ? {
        points: outline(props.assessment.drawing.boom[props.view]),
        width: props.assessment.drawing.boom.widthMm,
      }
    : null,
)
/** Outlines of a change that is being looked at, or of a state that was kept. */
const ghosts = computed(
  () => (look.ghost?.drawing ?? look.overlay)?.[props.view].map(item => outline(item.points)) ?? [],
)
/**
 * Legs as lines, wheels by their outline in the view: round from the side, a narrow box from ahead and above.
 */
const WHEEL_WIDTH = 0.28
const legs = computed(() =>
  props.assessment.drawing.legs.map(({ mount, axle, widthMm, wheelMm }, i) => {
    const pick = (p: readonly [number, number, number]) =>
      props.view === 'plan' ? [p[0], p[1]] : props.view === 'side' ? [p[0], p[2]] : [p[1], p[2]]
    const [x, y] = pick(axle) as [number, number],
      r = wheelMm / 2,
      w = props.view === 'side' ? r : (WHEEL_WIDTH * wheelMm) / 2
    const [dx, dy] = props.view === 'plan' ? [r, w] : [w, r]
    const wheel =
      props.view === 'side'
        ? Array.from({ length: 32 }, (_, k) => [
            x + r * Math.cos((k * Math.PI) / 16),
            y + r * Math.sin((k * Math.PI) / 16),
          ]).flat()
        : [x - dx, y - dy, x + dx, y - dy, x + dx, y + dy, x - dx, y + dy]
    return { key: i, points: outline([...pick(mount), x, y]), wheel: outline(wheel), width: widthMm }
  }),
)
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
const handles = computed(() => handlesFor(props.station, props.view, newest.value, wing.value))
const showBalance = computed(
  () => ['balance', 'maiden', 'log', 'shape', 'weigh'].includes(props.station) && props.view !== 'front',
)
const live = useLiveBalance()
/**
 * Printed pieces, spars, glue and wires as discs whose area is their mass; equipment is drawn as its own
 * boxes.
 */
const masses = computed(() =>
  props.station === 'balance' && props.view !== 'front'
    ? props.assessment.ledger
        .filter(row => row.massG > 0.2 && row.group !== 'equipment' && row.group !== 'payload')
        .map(row => ({ ...row, r: 1.9 * Math.sqrt(row.massG) }))
    : [],
)
const balance = computed(() => {
  if (!showBalance.value) return null
  const { flight, totals } = props.assessment
  const [fore, aft] = flight.cgRangeMm
  return {
    fore,
    aft,
    np: flight.neutralPointMm,
    cg: live.value.cg,
    empty: live.value.empty,
    spread: totals.cgSpreadMm,
    reach:
      props.station === 'balance' && flight.cgReachMm[1] - flight.cgReachMm[0] > 1 ? flight.cgReachMm : null,
    preview: props.station === 'balance' ? look.preview : null,
  }
})
/** Where the wing stalls first, on both sides, at the quarter chord. */
const stalls = computed(() => {
  if (props.station !== 'shape' || props.view !== 'plan') return []
  const { placeMm } = props.assessment.stall
  const { wing: surface } = props.doc
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
  return (surface.mirror ? [1, -1] : [1]).map(side => flat([lead + chord / 4, side * y, 0]))
})

function toAircraft(event: PointerEvent, handle: Handle): [number, number, number] {
  const matrix = svg.value!.getScreenCTM()!.inverse()
  const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix)
  const to: [number, number, number] = [...handle.at]
  const values = [p.x, p.y]
  axes.value.forEach(([axis, sign], i) => {
    if (handle.axes.includes(axis)) to[INDEX[axis]] = sign * values[i]
  })
  return to
}
const { held: grabbed, take } = useDrag<string>((id, event, gesture) => {
  const handle = handles.value.find(item => item.id === id)
  if (!handle) return
  const to = toAircraft(event, handle)
  project.edit(handle.edit, draft => handle.apply(draft, to), { gesture })
})
function grab(event: PointerEvent, handle: Handle) {
  look.selected = handle.id.replace(/^mass-/, '')
  take(event, handle.id)
}
function nudge(event: KeyboardEvent, { id }: Handle) {
  const handle = handles.value.find(item => item.id === id)
  if (!handle) return
  const steps = arrowSteps(event, 10)
  if (!steps) return
  const across = steps[0] !== 0 ? 0 : 1
  const [axis, sign] = axes.value[across]
  if (!handle.axes.includes(axis)) return
  const to: [number, number, number] = [...handle.at]
  to[INDEX[axis]] += sign * steps[across]
  project.edit(handle.edit, draft => handle.apply(draft, to), { gesture: 'keys' })
}
const active = computed(() => handles.value.find(handle => handle.id === (grabbed.value ?? hovered.value)))
const hoveredPiece = ref<string | null>(null)
const line = (dash: string) => ({
  'stroke-dasharray': dash
    .split(' ')
    .map(v => Number(v) * unit.value)
    .join(' '),
  'stroke-width': 1.4 * unit.value,
})
</script>

<template>
  <figure class="drawn">
    <div ref="host" class="sheet">
      <svg
        ref="svg"
        :viewBox="`${frame.x} ${frame.y} ${frame.w} ${frame.h}`"
        preserveAspectRatio="xMidYMid meet"
        role="group"
        :aria-label="`${view} view of ${doc.name}, to scale`"
      >
        <defs>
          <pattern
            v-for="p in 5"
            :id="`hatch-${p}`"
            :key="p"
            :width="9 * unit"
            :height="9 * unit"
            patternUnits="userSpaceOnUse"
            :patternTransform="`rotate(${[0, 45, -45, 0, 90, 20][p]})`"
          >
            <path
              :d="p === 3 ? `M${3 * unit} ${3 * unit}h${1.6 * unit}` : `M0 ${4 * unit}H${9 * unit}`"
              :stroke-width="(p === 3 ? 1.8 : 0.9) * unit"
              class="hatch"
            />
          </pattern>
        </defs>
        <g class="ruler" :stroke-width="0.8 * unit" :font-size="10.5 * unit">
          <template v-for="t in ticks(frame.x, frame.w)" :key="`x${t}`">
            <line
              :x1="t"
              :x2="t"
              :y1="frame.y + frame.h"
              :y2="frame.y + frame.h - (t % 200 === 0 ? 9 : 5) * unit"
            />
            <text
              v-if="t % 200 === 0 && t > frame.x + 24 * unit && t < frame.x + frame.w - 24 * unit"
              :x="t"
              :y="frame.y + frame.h - 12 * unit"
              text-anchor="middle"
            >
              {{ axes[0][1] * t || 0 }}{{ t === 0 ? ' mm' : '' }}
            </text>
          </template>
          <template v-for="t in ticks(frame.y, frame.h)" :key="`y${t}`">
            <line :x1="frame.x" :x2="frame.x + (t % 200 === 0 ? 9 : 5) * unit" :y1="t" :y2="t" />
            <text
              v-if="t % 200 === 0 && t < frame.y + frame.h - 52 * unit && t > frame.y + 48 * unit"
              :x="frame.x + 12 * unit"
              :y="t + 4 * unit"
            >
              {{ axes[1][1] * t || 0 }}
            </text>
          </template>
        </g>
        <polyline v-if="boom" :points="boom.points" class="boom" :stroke-width="boom.width" />
        <g
          v-for="shape in shapes"
          :key="shape.id"
          class="piece"
          :data-shape="shape.id"
          :class="{ on: look.selected === shape.id }"
          @pointerenter="hoveredPiece = shape.id"
          @pointerleave="hoveredPiece = null"
          @click="look.selected = shape.id"
        >
          <polygon :points="shape.points" :fill="shape.colour" :stroke-width="unit" />
          <polygon
            v-if="shape.pattern"
            :points="shape.points"
            :fill="`url(#hatch-${shape.pattern})`"
            stroke="none"
          />
          <title>{{ shape.piece.name }}: {{ shape.note }}</title>
        </g>
        <polygon
          v-for="(points, i) in ghosts"
          :key="`ghost-${i}`"
          :points="points"
          class="ghost"
          v-bind="line('5 3')"
        />
        <g v-for="leg in legs" :key="`leg-${leg.key}`">
          <polyline :points="leg.points" class="boom" :stroke-width="Math.max(leg.width, 1.5 * unit)" />
          <polygon :points="leg.wheel" class="wheel" :stroke-width="1.5 * unit" />
        </g>
        <polyline
          v-for="(hinge, i) in hinges"
          :key="`hinge-${i}`"
          :points="outline(hinge.points)"
          class="hinge"
          v-bind="line('5 3')"
        >
          <title>{{ hinge.name }}: hinge line</title>
        </polyline>
        <polyline
          v-for="spar in spars"
          :key="spar.key"
          :points="spar.points"
          class="spar"
          :stroke-width="Math.max(spar.width, 1.5 * unit)"
        />
        <g v-if="balance">
          <template v-if="view === 'side'">
            <rect
              :x="balance.fore"
              :y="frame.y + 30 * unit"
              :width="balance.aft - balance.fore"
              :height="frame.h - 62 * unit"
              class="band"
            />
            <line
              :x1="balance.np"
              :x2="balance.np"
              :y1="frame.y + 30 * unit"
              :y2="frame.y + frame.h - 32 * unit"
              class="np"
              v-bind="line('7 4')"
            />
            <text
              :x="balance.np + 5 * unit"
              :y="frame.y + frame.h - 38 * unit"
              :font-size="11.5 * unit"
              class="tag"
            >
              neutral point {{ amount(balance.np, 'mm') }}
            </text>
            <text
              :x="balance.fore - 5 * unit"
              :y="frame.y + frame.h - 38 * unit"
              :font-size="11.5 * unit"
              class="tag"
              text-anchor="end"
            >
              band {{ amountOf(balance.fore, 'mm') }}–{{ amount(balance.aft, 'mm') }}
            </text>
          </template>
          <template v-else>
            <rect :x="-60" :width="120" :y="balance.fore" :height="balance.aft - balance.fore" class="band" />
            <line x1="-90" x2="90" :y1="balance.np" :y2="balance.np" class="np" v-bind="line('7 4')" />
          </template>
          <g v-if="station === 'balance'" class="masses">
            <circle
              v-for="row in masses"
              :key="row.id"
              :cx="flat([row.xMm, row.yMm, row.zMm])[0]"
              :cy="flat([row.xMm, row.yMm, row.zMm])[1]"
              :r="row.r"
            >
              <title>{{ row.name }}: {{ amount(row.massG, 'g', 1) }} at {{ amount(row.xMm, 'mm') }}</title>
            </circle>
          </g>
          <g v-if="view === 'side'" class="spread">
            <rect
              :x="balance.cg[0] - balance.spread"
              :width="2 * balance.spread"
              :y="-balance.cg[2] - 15 * unit"
              :height="30 * unit"
            />
          </g>
          <g v-if="balance.reach" class="reach-line">
            <template v-if="view === 'side'">
              <line
                :x1="balance.reach[0]"
                :x2="balance.reach[1]"
                :y1="frame.y + frame.h - 66 * unit"
                :y2="frame.y + frame.h - 66 * unit"
                :stroke-width="2 * unit"
              />
              <line
                v-for="end in balance.reach"
                :key="end"
                :x1="end"
                :x2="end"
                :y1="frame.y + frame.h - 72 * unit"
                :y2="frame.y + frame.h - 60 * unit"
                :stroke-width="2 * unit"
              />
              <text
                :x="balance.reach[1] + 6 * unit"
                :y="frame.y + frame.h - 62 * unit"
                :font-size="11.5 * unit"
                class="tag"
              >
                as far as the battery's bay lets it
              </text>
            </template>
          </g>
          <g v-if="balance.preview" class="preview">
            <template v-if="view === 'side'">
              <line
                :x1="balance.preview.cgMm"
                :x2="balance.preview.cgMm"
                :y1="-balance.cg[2] - 46 * unit"
                :y2="-balance.cg[2] + 76 * unit"
                :stroke-width="2.4 * unit"
              />
              <text
                :x="balance.preview.cgMm - 6 * unit"
                :y="-balance.cg[2] + 76 * unit"
                :font-size="12 * unit"
                text-anchor="end"
                class="tag"
              >
                {{ amount(balance.preview.cgMm, 'mm', 1) }} after
              </text>
            </template>
            <line
              v-else
              x1="-46"
              x2="46"
              :y1="balance.preview.cgMm"
              :y2="balance.preview.cgMm"
              :stroke-width="2.4 * unit"
            />
          </g>
        </g>
        <g
          v-for="(place, i) in stalls"
          :key="`stall-${i}`"
          class="stall"
          :transform="`translate(${place.join(' ')})`"
        >
          <circle :r="7 * unit" :stroke-width="2 * unit" />
          <path
            :d="`M${-4 * unit} ${-4 * unit}L${4 * unit} ${4 * unit}M${4 * unit} ${-4 * unit}L${-4 * unit} ${4 * unit}`"
            :stroke-width="1.8 * unit"
          />
          <title>Stalls here first, {{ figure(100 * assessment.stall.placeShare) }} % out</title>
        </g>
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
          :transform="`translate(${flat(handle.at).join(' ')})`"
          @pointerdown.prevent="grab($event, handle)"
          @pointerenter="hovered = handle.id"
          @pointerleave="hovered = null"
          @focus="hovered = handle.id"
          @blur="hovered = null"
          @keydown="nudge($event, handle)"
        >
          <title>{{ handle.label }}: {{ handle.figure }}</title>
          <circle v-if="handle.shape !== 'box'" :r="14 * unit" class="reach" />
          <circle v-if="handle.shape === 'round'" :r="6.5 * unit" :stroke-width="2 * unit" />
          <rect
            v-else-if="handle.shape === 'bar' && (handle.axes[0] === 'x') === (view === 'plan')"
            :x="-11 * unit"
            :y="-3.5 * unit"
            :width="22 * unit"
            :height="7 * unit"
            :rx="2 * unit"
            :stroke-width="1.8 * unit"
          />
          <rect
            v-else-if="handle.shape === 'bar'"
            :x="-3.5 * unit"
            :y="-16 * unit"
            :width="7 * unit"
            :height="32 * unit"
            :rx="2 * unit"
            :stroke-width="1.8 * unit"
          />
          <rect
            v-else
            :x="-(view === 'plan' ? handle.size![1] : handle.size![0]) / 2"
            :y="-(view === 'plan' ? handle.size![0] : handle.size![2]) / 2"
            :width="view === 'plan' ? handle.size![1] : handle.size![0]"
            :height="view === 'plan' ? handle.size![0] : handle.size![2]"
            :rx="2 * unit"
            class="box"
            :stroke-width="1.3 * unit"
          />
          <rect
            v-if="handle.pair && view === 'plan'"
            :x="-2 * handle.at[1] - handle.size![1] / 2"
            :y="-handle.size![0] / 2"
            :width="handle.size![1]"
            :height="handle.size![0]"
            :rx="2 * unit"
            class="box twin"
            :stroke-width="1.3 * unit"
          />
          <text
            v-if="
              handle.shape === 'box' &&
              view === 'side' &&
              handle.size![0] > 52 * unit &&
              handle.size![2] > 13 * unit
            "
            :font-size="10.5 * unit"
            text-anchor="middle"
            :y="4 * unit"
            class="tag name"
          >
            {{ handle.label.split(' ')[0] }}
          </text>
        </g>
        <g v-if="balance" class="over">
          <g :transform="`translate(${flat(balance.cg).join(' ')})`" class="cg">
            <circle :r="8 * unit" :stroke-width="1.6 * unit" />
            <path
              :d="`M0 ${-12 * unit}V${12 * unit}M${-12 * unit} 0H${12 * unit}`"
              :stroke-width="1.4 * unit"
            />
          </g>
          <g
            v-if="Math.abs(balance.empty[0] - balance.cg[0]) > 0.3"
            :transform="`translate(${flat(balance.empty).join(' ')})`"
            class="cg empty"
          >
            <circle :r="5 * unit" :stroke-width="1.4 * unit" />
          </g>
        </g>
        <g
          v-if="active"
          class="tip"
          :transform="`translate(${Math.min(flat(active.at)[0], frame.x + frame.w - 200 * unit)} ${flat(active.at)[1] - 22 * unit})`"
        >
          <text :font-size="13 * unit" :stroke-width="4 * unit" class="halo">
            {{ active.label }}: {{ active.figure }}
          </text>
          <text :font-size="13 * unit">{{ active.label }}: {{ active.figure }}</text>
        </g>
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
    <figcaption v-else-if="balance" class="legend quiet">
      Cross: balance point as loaded, with its spread. Dashed: neutral point. Band: where it should
      balance.<template v-if="masses.length">
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
.ruler line {
  stroke: rgb(var(--v-theme-on-background));
  opacity: 0.45;
}
.ruler text {
  fill: var(--quiet);
  font-family: 'Spline Sans Mono', monospace;
}
.piece polygon {
  stroke: #16233a;
  stroke-opacity: 0.75;
}
.piece.on polygon {
  stroke: rgb(var(--v-theme-secondary));
  stroke-opacity: 1;
  stroke-width: 3px;
  vector-effect: non-scaling-stroke;
}
.hatch {
  stroke: #16233a;
  stroke-opacity: 0.5;
  fill: none;
}
.hinge {
  stroke: #16233a;
  stroke-opacity: 0.8;
  fill: none;
}
.spar {
  stroke: #16233a;
  fill: none;
  stroke-opacity: 0.85;
}
.boom {
  stroke: #33405a;
  fill: none;
}
.ghost {
  fill: none;
  stroke: rgb(var(--v-theme-secondary));
  pointer-events: none;
}
.wheel {
  fill: #33405a;
  fill-opacity: 0.25;
  stroke: #33405a;
}
.v-theme--night .wheel {
  stroke: #8090ad;
  fill: #8090ad;
}
.v-theme--night .boom {
  stroke: #8090ad;
}
.band {
  fill: rgb(var(--v-theme-success));
  opacity: 0.2;
}
.np {
  stroke: rgb(var(--v-theme-error));
}
.tag {
  fill: rgb(var(--v-theme-on-background));
}
.cg circle {
  fill: #fbf8f1;
  stroke: #16233a;
}
.cg path {
  stroke: #16233a;
  fill: none;
}
.cg.empty circle {
  fill: none;
  stroke-dasharray: 3 2;
  vector-effect: non-scaling-stroke;
}
.over {
  pointer-events: none;
}
.masses circle {
  fill: rgb(var(--v-theme-on-background));
  fill-opacity: 0.16;
  stroke: rgb(var(--v-theme-on-background));
  stroke-opacity: 0.35;
  vector-effect: non-scaling-stroke;
}
.twin {
  pointer-events: none;
}
.spread rect {
  fill: none;
  stroke: rgb(var(--v-theme-on-background));
  stroke-dasharray: 2 2;
  vector-effect: non-scaling-stroke;
}
.reach-line line {
  stroke: rgb(var(--v-theme-primary));
}
.preview line {
  stroke: rgb(var(--v-theme-secondary));
}
.preview .tag {
  fill: rgb(var(--v-theme-secondary));
  font-weight: 650;
}
.stall circle {
  fill: rgb(var(--v-theme-background));
  stroke: rgb(var(--v-theme-error));
}
.stall path {
  stroke: rgb(var(--v-theme-error));
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
.box + .name {
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
