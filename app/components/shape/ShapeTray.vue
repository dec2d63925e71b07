<script setup lang="ts">
import {
  DocumentError,
  LIMITS,
  secondStands,
  surfaceOf,
  type Panel,
  type ProjectFile,
  type Surface,
  type Tail,
  flatTails,
} from '../../../core/document'
import { withSecondWing, type SecondPlace } from '../../../core/change'
import { formatCoordinates, parseCoordinates, shapeOf } from '../../../core/geometry'
import { SURFACE_WORDS, useAerofoils } from '~/composables/useAerofoils'
import { download, fileName } from '~/composables/download'
import { useBench } from '~/composables/useBench'

const { doc, edit, look, project } = useBench()
const { part: which } = storeToRefs(look)
const choices = computed(
  () =>
    [
      { id: 'wing', label: 'Wing' },
      ...(doc.value.second ? [{ id: 'second', label: 'Second' }] : []),
      ...(doc.value.tail.horizontal && doc.value.tail.kind !== 'none'
        ? [{ id: 'horizontal', label: doc.value.tail.kind === 'V' ? 'V-tail' : 'Tailplane' }]
        : []),
      ...(doc.value.tail.vertical && doc.value.tail.kind !== 'V' ? [{ id: 'vertical', label: 'Fin' }] : []),
      { id: 'body', label: 'Body' },
    ] as Array<{ id: 'wing'; label: string }>,
)
const surface = computed<Surface>(
  () => (which.value === 'body' ? null : surfaceOf(doc.value, which.value)) ?? doc.value.wing,
)
watch(choices, list => {
  if (!list.some(item => item.id === which.value)) which.value = 'wing'
})

type Draft = Parameters<Parameters<typeof edit>[1]>[0]
const target = (draft: Draft): Surface =>
  (which.value === 'body' ? null : surfaceOf(draft as ProjectFile, which.value)) ?? draft.wing
const setSurface =
  (field: 'xMm' | 'zMm' | 'rootChordMm' | 'incidenceDeg' | 'cantDeg', label: string) =>
  (value: number | null) =>
    edit(`Set ${SURFACE_WORDS[which.value]} ${label}`, draft => {
      target(draft)[field] = value!
    })

const { choices: aerofoils, fault: aerofoilFault, take } = useAerofoils()
const setAerofoil = (value: string | null) =>
  take(value, `Set ${SURFACE_WORDS[which.value]} root aerofoil`, (draft, name) => {
    target(draft).rootAerofoil = name
  })
const chooser = ref<HTMLInputElement>()
async function bring(event: Event) {
  const file = chosenFile(event)
  if (!file) return
  try {
    const { name, points } = parseCoordinates(await file.text())
    const id = `own-${doc.value.aerofoils.length + 1}`
    aerofoilFault.value = ''
    edit(`Import aerofoil ${name.slice(0, 40)}`, draft => {
      draft.aerofoils.push({ id, name: name.slice(0, 100), points })
    })
  } catch (error) {
    if (!(error instanceof DocumentError)) throw error
    aerofoilFault.value = `${file.name.slice(0, 40)}: ${error.message}`
  }
}
/** The root section as a coordinate file: over the top and back, from the trailing edge. */
function takeAerofoil() {
  const name = surface.value.rootAerofoil,
    { upperX, upperY, lowerX, lowerY } = shapeOf(name, doc.value.aerofoils)
  const points = [
    ...Array.from(upperX, (x, i): [number, number] => [x, upperY[i]]).reverse(),
    ...Array.from(lowerX, (x, i): [number, number] => [x, lowerY[i]]).slice(1),
  ]
  const title = doc.value.aerofoils.find(item => item.id === name)?.name ?? name
  download(`${fileName(title)}.dat`, formatCoordinates(title, points), 'text/plain')
}
function addPanel() {
  edit(`Add a panel to the ${SURFACE_WORDS[which.value]}`, draft => {
    const s = target(draft)
    const last = s.panels[s.panels.length - 1] as Panel
    s.panels.push({
      ...last,
      spanMm: 100,
      tipChordMm: Math.max(30, Math.round(last.tipChordMm * 0.8)),
      sweepMm: 10,
    })
  })
}

const kinds = [
  { title: 'Tailplane and fin', value: 'conventional' },
  { title: 'T-tail', value: 'T' },
  { title: 'V-tail', value: 'V' },
  { title: 'All-moving tailplane', value: 'all-moving' },
  { title: 'Canard and fin', value: 'canard' },
  { title: 'No tailplane: flying wing', value: 'none' },
]
const seconds: Array<{ title: string; value: SecondPlace | 'none' }> = [
  { title: 'None', value: 'none' },
  { title: 'Over the first: biplane', value: 'over' },
  { title: 'Under the first: biplane', value: 'under' },
  { title: 'Behind the first: tandem', value: 'behind' },
]
const STANDS = { upper: 'over', lower: 'under', rear: 'behind', front: 'behind' } as const
const second = computed(() => {
  const { second: own } = doc.value
  return own ? STANDS[secondStands({ ...doc.value, second: own })] : 'none'
})
/** A second wing comes with spars, and with struts where it needs them. */
function setSecond(place: SecondPlace | 'none') {
  if (place === second.value) return
  edit(place === 'none' ? 'Leave out the second wing' : `A second wing, ${place} the first`, draft => {
    Object.assign(draft, withSecondWing(toRaw(project.doc!), place === 'none' ? null : place))
  })
}
const setScrews = (value: number | null) =>
  edit(value ? 'Screw the tail on' : 'Glue the tail on', draft => {
    draft.tail.screws = Math.round(value!)
  })
/** Is any of it cut flat from sheet? */
const flatTail = computed(() => flatTails(doc.value).length > 0)
const setSlots = (slots: boolean) =>
  edit(slots ? 'Push the tail into slots of the body' : 'No slots for the tail', draft => {
    draft.tail.slots = slots
  })
/** A tail kind brings its geometry along: where the surfaces stand and how they lean. */
function setTail(kind: Tail['kind']) {
  edit(`Tail: ${kinds.find(item => item.value === kind)!.title}`, draft => {
    const { tail, wing } = draft
    tail.kind = kind
    const zone = wing.panels[wing.panels.length - 1].zone
    if (kind !== 'none' && !tail.horizontal) {
      const x = wing.xMm + 3.5 * wing.rootChordMm
      tail.horizontal = {
        xMm: x,
        yMm: 0,
        zMm: wing.zMm,
        incidenceDeg: 0,
        cantDeg: 0,
        mirror: true,
        rootChordMm: 0.6 * wing.rootChordMm,
        rootAerofoil: 'naca0009',
        panels: [
          {
            spanMm: Math.max(50, 0.35 * wing.panels.reduce((sum, p) => sum + p.spanMm, 0)),
            tipChordMm: 0.45 * wing.rootChordMm,
            sweepMm: 0.1 * wing.rootChordMm,
            dihedralDeg: 0,
            tipTwistDeg: 0,
            tipAerofoil: 'naca0009',
            zone,
          },
        ],
        controls: [],
        twistAxisShare: 0.25,
        tip: { kind: 'flat', lengthMm: 10 },
      }
    }
    if (tail.horizontal) {
      const ahead = tail.horizontal.xMm < wing.xMm
      if (kind === 'canard' && !ahead)
        tail.horizontal.xMm = Math.max(-2000, wing.xMm - 1.8 * wing.rootChordMm)
      if (kind !== 'canard' && kind !== 'none' && ahead)
        tail.horizontal.xMm = wing.xMm + 3.5 * wing.rootChordMm
      tail.horizontal.cantDeg = kind === 'V' ? 38 : 0
      const fin = tail.vertical
      tail.horizontal.zMm =
        kind === 'T' && fin
          ? fin.zMm + fin.panels.reduce((sum, p) => sum + p.spanMm, 0)
          : (draft.boom?.zMm ?? tail.horizontal.zMm)
      tail.horizontal.controls.forEach(control => {
        control.chordShare = kind === 'all-moving' ? 1 : Math.min(control.chordShare, 0.4)
      })
    }
  })
}
</script>

<template>
  <div class="stack">
    <v-btn-toggle v-model="which" class="which" mandatory density="compact" variant="outlined" divided
      ><v-btn v-for="item in choices" :key="item.id" :value="item.id" :data-surface="item.id">{{
        item.label
      }}</v-btn></v-btn-toggle
    >
    <template v-if="which !== 'body'">
      <div class="row">
        <FigureField
          label="Leading edge at"
          :model-value="surface.xMm"
          unit="mm"
          :min="-2000"
          :max="4000"
          @update:model-value="setSurface('xMm', 'place')($event)"
        /><FigureField
          label="Height"
          :model-value="surface.zMm"
          unit="mm"
          :min="-2000"
          :max="4000"
          @update:model-value="setSurface('zMm', 'height')($event)"
        />
      </div>
      <div class="row">
        <FigureField
          label="Root chord"
          :model-value="surface.rootChordMm"
          unit="mm"
          :min="LIMITS.chordMm[0]"
          :max="LIMITS.chordMm[1]"
          data-field="rootChordMm"
          @update:model-value="setSurface('rootChordMm', 'root chord')($event)"
        /><FigureField
          label="Incidence"
          :model-value="surface.incidenceDeg"
          unit="°"
          :min="-15"
          :max="15"
          @update:model-value="setSurface('incidenceDeg', 'incidence')($event)"
        />
      </div>
      <v-combobox
        :model-value="surface.rootAerofoil"
        :items="aerofoils"
        label="Root aerofoil"
        density="compact"
        variant="outlined"
        hide-details
        @update:model-value="setAerofoil($event)"
      />
      <p v-if="aerofoilFault" class="bad" role="alert">{{ aerofoilFault }}</p>
      <PanelFigures
        v-for="(panel, i) in surface.panels"
        :key="i"
        :panel="panel"
        :index="i"
        :which="which"
        :alone="surface.panels.length === 1"
      />
      <div class="acts">
        <v-btn :disabled="surface.panels.length >= 12" @click="addPanel">Add a panel</v-btn
        ><v-btn @click="chooser?.click()">Import an aerofoil</v-btn
        ><v-btn @click="takeAerofoil">Export the root's</v-btn
        ><input
          ref="chooser"
          type="file"
          accept=".dat,.txt"
          class="sr"
          aria-label="Aerofoil coordinate file"
          @change="bring"
        />
      </div>
      <SurfaceFeatures :which="which" :surface="surface" />
      <WingletFigures v-if="which === 'wing'" />
    </template>
    <BodyFigures v-if="which === 'body'" />
    <h3>Second wing</h3>
    <v-select
      :model-value="second"
      :items="seconds"
      label="Stands"
      data-field="second-wing"
      @update:model-value="setSecond($event as SecondPlace | 'none')"
    />
    <p v-if="doc.second" class="quiet small">
      Both bear: the first to let go is the stall, and each is held against the greater of its shares of the
      load. Its spars and struts are at Spine.
    </p>
    <h3>Tail</h3>
    <v-select
      :model-value="doc.tail.kind"
      :items="kinds"
      label="Kind"
      data-field="tail-kind"
      @update:model-value="setTail"
    />
    <FigureField
      v-if="doc.tail.vertical || (doc.tail.horizontal && doc.tail.kind !== 'none')"
      label="Screws of each surface"
      :model-value="doc.tail.screws"
      unit=""
      :min="0"
      :max="6"
      :digits="0"
      data-field="tail-screws"
      @update:model-value="setScrews"
    />
    <v-checkbox
      v-if="flatTail || doc.tail.slots"
      :model-value="doc.tail.slots"
      label="Sheets pushed into slots of the body"
      density="compact"
      hide-details
      data-field="tail-slots"
      @update:model-value="setSlots(!!$event)"
    />
    <p v-if="doc.tail.slots" class="quiet small">
      Held by the slot and a strip of tape, and knocked out in a crash. The slots are cut with 0.2 mm of air
      all round; between their ends the stronger part of the body’s skin counts alone. That the slot holds the
      root is taken for granted.
    </p>
    <p v-if="doc.tail.screws" class="quiet small">
      Tailplane and fin come off for the journey. Screws of 3 mm into inserts are weighed; that what they are
      screwed into holds is taken for granted. Halves that meet, or that a glued spar runs through, are one;
      others are screwed on each by itself.
    </p>
    <FigureField
      v-if="doc.tail.kind === 'V' && which === 'horizontal'"
      label="Angle from the horizontal"
      :model-value="surface.cantDeg"
      unit="°"
      :min="10"
      :max="80"
      @update:model-value="setSurface('cantDeg', 'angle')($event)"
    />
    <TraceDrawing />
  </div>
</template>

<style scoped>
/* Five of them fit side by side. */
.which :deep(.v-btn) {
  min-width: 0;
  padding: 0 9px;
}
</style>
