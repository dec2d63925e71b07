<script setup lang="ts">
/** Everything that has an outline: pieces in their colours, boom, legs, hinge lines, spars, and a change looked at. */
import type { Assessment, PieceReport } from '../../../core/assess'
import type { ProjectFile } from '../../../core/document'
import { hingeLines } from '../../../core/workshop/advice'
import type { Paint } from '~/composables/usePaint'
import { useView } from '~/stores/view'
import { useSheet } from './sheet'

const props = defineProps<{ doc: ProjectFile; assessment: Assessment; paint: Paint }>()
const sheet = useSheet()
const look = useView()
const pieces = computed(() => new Map(props.assessment.pieces.map(piece => [piece.id, piece])))
/** Nearest to the eye last: from above, from port, from ahead. */
const depth = ({ centreMm: [x, y, z] }: PieceReport) => ({ plan: z, side: -y, front: -x })[sheet.value.view]
const shapes = computed(() =>
  props.assessment.drawing[sheet.value.view]
    .map(item => {
      const piece = pieces.value.get(item.id)!
      return { id: item.id, points: sheet.value.outline(item.points), piece, ...props.paint.of(piece) }
    })
    .sort((a, b) => depth(a.piece) - depth(b.piece)),
)
/** Film lies over the ribs; they are pressed through it. */
const films = computed(() =>
  props.assessment.drawing.films.map(film => ({
    key: film.id,
    name: film.name,
    points: sheet.value.outline(film[sheet.value.view]),
  })),
)
const spars = computed(() =>
  props.assessment.drawing.spars.map((spar, i) => ({
    key: i,
    points: sheet.value.outline(spar[sheet.value.view]),
    width: spar.widthMm,
  })),
)
const ducts = computed(() =>
  props.assessment.drawing.ducts.map((duct, i) => ({
    key: i,
    points: sheet.value.outline(duct[sheet.value.view]),
  })),
)
/** Where motors turn, from tip to tip or as a ring, and where they stand turned up. */
const tilted = computed(() => {
  const { tilt } = props.assessment
  const { view, outline } = sheet.value
  if (!tilt || view === 'front') return null
  const [x, z] = tilt.axisMm,
    pick = ([ax, ay, az]: readonly number[]) => (view === 'plan' ? [ax!, ay!] : [ax!, az!])
  const wide = Math.max(20, ...tilt.places.map(({ atMm }) => Math.abs(atMm[1])))
  const axis = view === 'plan' ? [x, -wide, x, wide] : [x - 12, z, x + 12, z]
  const boxes = tilt.places.flatMap(({ id, atMm: [ax, ay, az], pair }) => {
    const item = props.doc.equipment.find(own => own.id === id)
    if (!item) return []
    const [long, wide, high] = item.sizeMm
    const turn = (tilt.upDeg * Math.PI) / 180
    // As long as it was high and the other way about, by how far it is turned.
    const half = [
      (Math.abs(long * Math.cos(turn)) + Math.abs(high * Math.sin(turn))) / 2,
      wide / 2,
      (Math.abs(long * Math.sin(turn)) + Math.abs(high * Math.cos(turn))) / 2,
    ]
    return (pair ? [ay, -ay] : [ay]).map(y => {
      const [a, b] = pick([ax, y, az]),
        [ra, rb] = pick(half)
      return outline([a! - ra!, b! - rb!, a! + ra!, b! - rb!, a! + ra!, b! + rb!, a! - ra!, b! + rb!])
    })
  })
  return { axis: outline(axis), boxes }
})
const struts = computed(() =>
  props.assessment.drawing.struts.map((strut, i) => ({
    key: i,
    points: sheet.value.outline(strut[sheet.value.view]),
    width: strut.widthMm,
  })),
)
const hinges = computed(() => (sheet.value.view === 'plan' ? hingeLines(props.doc) : []))
const booms = computed(() => {
  const { view, outline } = sheet.value
  if (view === 'front') return []
  return props.assessment.drawing.booms.map(own => ({ points: outline(own[view]), width: own.widthMm }))
})
/** Outlines of a change that is being looked at, or of a state that was kept. */
const ghosts = computed(
  () =>
    (look.ghost?.drawing ?? look.overlay)?.[sheet.value.view].map(item => sheet.value.outline(item.points)) ??
    [],
)
/** A wheel's width over its diameter, as seen from ahead and above. */
const WHEEL_WIDTH = 0.28
/** Legs as lines; wheels round from the side, a narrow box from ahead and above. */
const legs = computed(() => {
  const { view, outline } = sheet.value
  const pick = ([x, y, z]: readonly [number, number, number]) =>
    ({ plan: [x, y], side: [x, z], front: [y, z] })[view] as [number, number]
  return props.assessment.drawing.legs.map(({ mount, axle, widthMm, wheelMm }, i) => {
    const [x, y] = pick(axle),
      r = wheelMm / 2,
      w = (WHEEL_WIDTH * wheelMm) / 2
    const [dx, dy] = view === 'plan' ? [r, w] : [w, r]
    const wheel =
      view === 'side'
        ? Array.from({ length: 32 }, (_, k) => [
            x + r * Math.cos((k * Math.PI) / 16),
            y + r * Math.sin((k * Math.PI) / 16),
          ]).flat()
        : [x - dx, y - dy, x + dx, y - dy, x + dx, y + dy, x - dx, y + dy]
    return { key: i, points: outline([...pick(mount), x, y]), wheel: outline(wheel), width: widthMm }
  })
})
</script>

<template>
  <g :class="{ filmed: films.length > 0 }">
    <polyline
      v-for="(boom, i) in booms"
      :key="i"
      :points="boom.points"
      class="boom"
      :stroke-width="boom.width"
    />
    <g
      v-for="shape in shapes"
      :key="shape.id"
      class="piece"
      :data-shape="shape.id"
      :class="{ on: look.selected === shape.id, rib: shape.piece.ribOf !== null }"
      @click="look.selected = shape.id"
    >
      <polygon :points="shape.points" :fill="shape.colour" :stroke-width="sheet.unit" />
      <polygon
        v-if="shape.pattern"
        :points="shape.points"
        :fill="`url(#hatch-${shape.pattern})`"
        stroke="none"
      />
      <title>{{ shape.piece.name }}: {{ shape.note }}</title>
    </g>
    <polygon
      v-for="film in films"
      :key="`film-${film.key}`"
      :points="film.points"
      class="film"
      :stroke-width="sheet.unit"
      :data-film="film.key"
    />
    <polygon
      v-for="duct in ducts"
      :key="`duct-${duct.key}`"
      :points="duct.points"
      class="duct"
      data-duct
      v-bind="sheet.dashed('6 2')"
    />
    <g v-if="tilted" data-tilted>
      <polyline :points="tilted.axis" class="hinge" v-bind="sheet.dashed('8 3 2 3')" />
      <polygon
        v-for="(points, i) in tilted.boxes"
        :key="`tilted-${i}`"
        :points="points"
        class="turned"
        v-bind="sheet.dashed('3 3')"
      />
    </g>
    <polygon
      v-for="(points, i) in ghosts"
      :key="`ghost-${i}`"
      :points="points"
      class="ghost"
      v-bind="sheet.dashed('5 3')"
    />
    <g v-for="leg in legs" :key="`leg-${leg.key}`">
      <polyline :points="leg.points" class="boom" :stroke-width="Math.max(leg.width, 1.5 * sheet.unit)" />
      <polygon :points="leg.wheel" class="wheel" :stroke-width="1.5 * sheet.unit" />
    </g>
    <polyline
      v-for="strut in struts"
      :key="`strut-${strut.key}`"
      :points="strut.points"
      class="boom"
      data-strut
      :stroke-width="Math.max(strut.width, 1.5 * sheet.unit)"
    />
    <polyline
      v-for="(hinge, i) in hinges"
      :key="`hinge-${i}`"
      :points="sheet.outline(hinge.points)"
      class="hinge"
      v-bind="sheet.dashed('5 3')"
    >
      <title>{{ hinge.name }}: hinge line</title>
    </polyline>
    <polyline
      v-for="spar in spars"
      :key="spar.key"
      :points="spar.points"
      class="spar"
      :stroke-width="Math.max(spar.width, 1.5 * sheet.unit)"
    />
  </g>
</template>

<style scoped>
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
.film {
  fill: #d9b45a;
  fill-opacity: 0.3;
  stroke: #16233a;
  stroke-opacity: 0.5;
  pointer-events: none;
}
/* Seen through the skin, as a bore in a section is. */
.duct {
  fill: #16233a;
  fill-opacity: 0.1;
  stroke: #16233a;
  stroke-opacity: 0.8;
  pointer-events: none;
}
.v-theme--night .duct {
  fill: #d5dcec;
}
/* Where it comes to stand. */
.turned {
  fill: none;
  stroke: #33405a;
  pointer-events: none;
}
.v-theme--night .turned {
  stroke: #8090ad;
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
/* At night what is thin stands out by its edges, and is seen through the film. */
.v-theme--night .film {
  fill-opacity: 0.14;
  stroke: #8090ad;
}
.v-theme--night .rib polygon {
  stroke: #d5dcec;
}
.v-theme--night .rib.on polygon {
  stroke: rgb(var(--v-theme-secondary));
}
.v-theme--night .filmed .spar {
  stroke: #8090ad;
}
.v-theme--night .boom {
  stroke: #8090ad;
}
</style>
