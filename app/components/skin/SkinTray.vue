<script setup lang="ts">
import { calibratedFilaments } from '../../../core/assess'
import { expansionAt, LIBRARIES, recipeFor } from '../../../core/libraries'
import { LIMITS } from '../../../core/document'
import { amount, figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { doc, edit, look } = useBench()
const zoneId = useState('skin-zone', () => '')
const zone = computed(() => doc.value.zones.find(item => item.id === zoneId.value) ?? doc.value.zones[0])
const index = computed(() => doc.value.zones.indexOf(zone.value))
/** With the maker's own test tubes, as the assessment has them. */
const filaments = computed(() => calibratedFilaments(LIBRARIES.filaments, doc.value.calibrations))
const filament = computed(
  () => filaments.value.find(item => item.id === zone.value.filament) ?? filaments.value[0],
)
const r = computed(() => zone.value.recipe)
// Pressing a piece on the drawing chooses its zone.
const { now } = useBench()
watch(
  () => look.selected,
  id => {
    const piece = now.value?.pieces.find(item => item.id === id)
    if (piece) zoneId.value = piece.zone
  },
)

const webFigures = [
  { key: 'slitMm', label: 'Slit', unit: 'mm', limits: LIMITS.slitMm, digits: 2 },
  { key: 'overlapMm', label: 'Overlap at the blind end', unit: 'mm', limits: LIMITS.overlapMm, digits: 2 },
  { key: 'leanDeg', label: 'Webs lean', unit: '°', limits: LIMITS.leanDeg, digits: 0 },
] as const
const stances: Array<{ title: string; value: 'standing' | 'flat' }> = [
  { title: 'Standing on its end', value: 'standing' },
  { title: 'Lying on its side', value: 'flat' },
]
/** Zones of wing, tailplane and fin: bodies always stand. */
const surfaces = computed(
  () =>
    new Set(
      [doc.value.wing, doc.value.tail.horizontal, doc.value.tail.vertical].flatMap(
        item => item?.panels.map(panel => panel.zone) ?? [],
      ),
    ),
)
/** A zone of surfaces that are printed as shells. */
const shells = computed(() => surfaces.value.has(zone.value.id) && !zone.value.ribs && !zone.value.sheet)
/** Something of it is printed: of a zone of sheet a body that lies in it. */
const prints = computed(
  () => !zone.value.sheet || now.value.pieces.some(piece => piece.zone === zone.value.id && !piece.sheet),
)
const patterns: Array<{ title: string; value: 'lines' | 'grid' | 'triangles' }> = [
  { title: 'One way a layer, in turn', value: 'lines' },
  { title: 'Both ways, a grid', value: 'grid' },
  { title: 'Three ways, triangles', value: 'triangles' },
]
function setFilament(id: string) {
  const next = filaments.value.find(item => item.id === id)!
  const school = LIBRARIES.schools.find(item => item.id === r.value.school)!
  edit(`${zone.value.name} in ${next.name}`, draft => {
    const z = draft.zones[index.value]
    const { nozzleC, flow } = recipeFor(school, next)
    z.filament = id
    Object.assign(z.recipe, { nozzleC, flow })
  })
}
function setSchool(id: string) {
  const school = LIBRARIES.schools.find(item => item.id === id)!
  edit(`${zone.value.name}: ${school.name.toLowerCase()}`, draft => {
    draft.zones[index.value].recipe = recipeFor(school, filament.value)
  })
}
type Figures =
  | 'brimMm'
  | 'walls'
  | 'beadWidthMm'
  | 'layerHeightMm'
  | 'infillShare'
  | 'baseLayers'
  | 'topLayers'
  | 'flow'
  | 'nozzleC'
const set =
  (field: Figures, label: string, scale = 1) =>
  (value: number | null) =>
    edit(`${zone.value.name}: set ${label}`, draft => {
      draft.zones[index.value].recipe[field] = value! * scale
    })
function setNozzle(value: number | null) {
  edit(`${zone.value.name}: nozzle ${value} °C`, draft => {
    const recipe = draft.zones[index.value].recipe
    recipe.nozzleC = value!
    if (filament.value.expansion) recipe.flow = Math.round(100 / expansionAt(filament.value, value!)) / 100
  })
}
function addZone() {
  let n = 1
  while (doc.value.zones.some(item => item.id === `zone-${n}`)) n++
  edit('Add a zone', draft => {
    draft.zones.push({ ...JSON.parse(JSON.stringify(zone.value)), id: `zone-${n}`, name: `Zone ${n}` })
  })
  zoneId.value = `zone-${n}`
}
const expansion = computed(() => expansionAt(filament.value, r.value.nozzleC))
</script>

<template>
  <div class="stack">
    <v-select
      :model-value="zone.id"
      :items="doc.zones.map(z => ({ title: z.name, value: z.id }))"
      label="Zone"
      data-field="zone"
      @update:model-value="zoneId = $event"
    />
    <div class="acts">
      <v-btn size="x-small" :disabled="doc.zones.length >= 16" @click="addZone">Another zone like this</v-btn>
    </div>
    <HeldPieces :zone="zone" />
    <BuiltAs v-if="surfaces.has(zone.id)" :zone="zone" />
    <template v-if="prints">
      <v-select
        :model-value="zone.filament"
        :items="LIBRARIES.filaments.map(f => ({ title: f.name, value: f.id }))"
        label="Filament"
        data-field="filament"
        @update:model-value="setFilament"
      />
      <p class="quiet small">Good for: {{ filament.goodFor }}. Bad at: {{ filament.badFor }}.</p>
      <p v-if="filament.fumes" class="caution">Fumes of {{ filament.fumes }}.</p>
      <v-select
        v-if="shells"
        :model-value="r.stance"
        :items="stances"
        label="Lies on the bed"
        data-field="stance"
        @update:model-value="
          edit(`${zone.name}: ${$event === 'flat' ? 'lying on its side' : 'standing on its end'}`, d => {
            d.zones[index].recipe.stance = $event
            if ($event === 'flat') {
              d.zones[index].recipe.spiral = false
              d.zones[index].recipe.lattice = null
            }
          })
        "
      />
      <p v-if="shells" class="quiet small" data-text="stance">
        {{
          r.stance === 'standing'
            ? `Layers lie across the span: lift pulls at the bond between them, ${figure(100 * filament.acrossShare)} % of the strength along a bead.`
            : 'Layers lie along the span: lift pulls along the beads. Skins come from base and top layers, the underside hangs over the bed and wants support, and twist still slides layer over layer. Its print is reckoned from the standing one.'
        }}
      </p>
      <v-select
        :model-value="r.school"
        :items="LIBRARIES.schools.map(s => ({ title: s.name, value: s.id }))"
        :label="zone.ribs ? 'School of its controls' : 'School'"
        data-field="school"
        @update:model-value="setSchool"
      />
      <div class="row">
        <FigureField
          label="Beads a wall"
          :model-value="r.walls"
          :min="1"
          :max="8"
          :digits="0"
          data-field="walls"
          @update:model-value="set('walls', 'beads')($event)"
        /><FigureField
          label="Bead width"
          :model-value="r.beadWidthMm"
          unit="mm"
          :min="0.15"
          :max="1.5"
          :digits="2"
          data-field="beadWidthMm"
          @update:model-value="set('beadWidthMm', 'bead width')($event)"
        />
      </div>
      <div class="row">
        <FigureField
          label="Layer"
          :model-value="r.layerHeightMm"
          unit="mm"
          :min="0.05"
          :max="0.8"
          :digits="2"
          @update:model-value="set('layerHeightMm', 'layer height')($event)"
        /><FigureField
          label="Infill"
          :model-value="r.infillShare * 100"
          unit="%"
          :min="0"
          :max="100"
          @update:model-value="set('infillShare', 'infill', 0.01)($event)"
        />
      </div>
      <div class="row">
        <FigureField
          label="Nozzle"
          :model-value="r.nozzleC"
          unit="°C"
          :min="150"
          :max="320"
          :digits="0"
          @update:model-value="setNozzle"
        /><FigureField
          label="Flow"
          :model-value="r.flow"
          unit="×"
          :min="0.2"
          :max="1.5"
          :digits="2"
          data-field="flow"
          @update:model-value="set('flow', 'flow')($event)"
        />
      </div>
      <p v-if="filament.expansion" class="quiet small">
        At {{ r.nozzleC }} °C it foams to <span class="num">{{ expansion.toFixed(2) }}</span>× its volume;
        expansion × flow =
        <span class="num" :class="{ bad: Math.abs(expansion * r.flow - 1) > 0.05 }">{{
          (expansion * r.flow).toFixed(2)
        }}</span>, and 1 is a full bead.
      </p>
      <FoamTest
        v-if="filament.expansion"
        :key="zone.id"
        :filament="filament"
        :recipe="r"
        @take="
          flow =>
            edit(`${zone.name}: flow ${flow} from a test tube`, d => {
              d.zones[index].recipe.flow = flow
            })
        "
      />
      <div class="row">
        <FigureField
          label="Base layers"
          :model-value="r.baseLayers"
          :min="0"
          :max="40"
          :digits="0"
          @update:model-value="set('baseLayers', 'base layers')($event)"
        /><FigureField
          label="Top layers"
          :model-value="r.topLayers"
          :min="0"
          :max="40"
          :digits="0"
          @update:model-value="set('topLayers', 'top layers')($event)"
        />
      </div>
      <v-select
        :model-value="r.beadForm"
        :items="[
          { title: 'with round sides, overlapping', value: 'rounded' },
          { title: 'as width × height, side by side', value: 'rectangular' },
        ]"
        label="A bead is counted"
        data-field="bead-form"
        @update:model-value="
          edit(
            `${zone.name}: beads are counted ${$event === 'rounded' ? 'with round sides' : 'as width × height'}`,
            d => {
              d.zones[index].recipe.beadForm = $event
            },
          )
        "
      />
      <v-select
        v-if="r.infillShare > 0 && r.infillShare < 1"
        :model-value="r.infillPattern"
        :items="patterns"
        label="Infill runs"
        data-field="pattern"
        @update:model-value="
          edit(`${zone.name}: infill in ${$event}`, d => {
            d.zones[index].recipe.infillPattern = $event
          })
        "
      />
      <FigureField
        label="Brim round the foot"
        :model-value="r.brimMm"
        unit="mm"
        :min="0"
        :max="20"
        data-field="brim"
        @update:model-value="set('brimMm', 'brim')($event)"
      />
      <FigureField
        v-if="r.lattice"
        label="Webs every"
        :model-value="r.lattice.pitchMm"
        unit="mm"
        :min="5"
        :max="300"
        data-field="pitch"
        @update:model-value="
          edit(`${zone.name}: set web spacing`, d => {
            d.zones[index].recipe.lattice!.pitchMm = $event!
          })
        "
      />
      <template v-if="r.lattice">
        <FigureField
          v-for="part in webFigures"
          :key="part.key"
          :label="part.label"
          :model-value="r.lattice[part.key]"
          :unit="part.unit"
          :min="part.limits[0]"
          :max="part.limits[1]"
          :digits="part.digits"
          :data-field="part.key"
          @update:model-value="
            edit(`${zone.name}: ${part.label.toLowerCase()}`, d => {
              d.zones[index].recipe.lattice![part.key] = $event!
            })
          "
        />
        <p class="quiet small">
          Webs are slits in the exported solid: the bead runs out along each and back, so any slicing program
          lays one loop a layer. Let it not close gaps narrower than {{ amount(r.lattice.slitMm, 'mm', 2) }}.
        </p>
      </template>
      <FigureField
        v-if="r.skinGapMm"
        label="Distance of the two skins"
        :model-value="r.skinGapMm"
        unit="mm"
        :min="0.5"
        :max="20"
        @update:model-value="
          edit(`${zone.name}: set distance of the skins`, d => {
            d.zones[index].recipe.skinGapMm = $event!
          })
        "
      />
      <p v-if="r.skinGapMm" class="quiet small">
        The exported solid is hollow inside the second skin:
        {{ r.walls === 1 ? 'one wall' : `${r.walls} walls` }} and {{ figure(100 * r.infillShare, 0) }} %
        infill lay both, whatever program slices it.
      </p>
      <ChordFigures v-if="shells" :zone="zone" />
      <RecipeFile :zone="zone" />
    </template>
  </div>
</template>
