<script setup lang="ts">
/** A look inside any layer of any piece: beads drawn to scale, along a height slider. */
import { useElementSize } from '@vueuse/core'
import { createAssessor } from '../../../core/assess'
import { isSheet, slitOutlines, webbedSection, webPattern, websOf } from '../../../core/geometry'
import {
  beadMassPerMm,
  divideSection,
  insetField,
  insetLoops,
  layerBeads,
  layerRuns,
  layLayer,
  type RunKind,
} from '../../../core/printing'
import { amount } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { doc, look } = useBench()
const assessor = createAssessor()
const airframe = computed(() => assessor.airframe(toRaw(doc.value)))
const zoneId = useState('skin-zone', () => '')
const choices = computed(() => airframe.value.pieces.filter(piece => piece.side !== 'port'))
const chosen = ref('')
const piece = computed(
  () =>
    choices.value.find(item => item.id === chosen.value) ??
    choices.value.find(item => item.zone.id === (zoneId.value || doc.value.zones[0].id)) ??
    choices.value[0],
)
watch(
  () => look.selected,
  id => {
    const own = id?.replace('-port', '-starboard')
    if (choices.value.some(item => item.id === own)) chosen.value = own!
  },
)
watch(zoneId, () => {
  chosen.value = ''
})
const share = ref(0.5)
/** What is cut has sections, and no layers. */
const sheet = computed(() => (isSheet(piece.value) ? piece.value.zone.sheet! : null))
const recipe = computed(() => piece.value.zone.recipe)
const height3 = computed(() => piece.value.to + piece.value.proud - piece.value.from)
const layers = computed(() => Math.max(1, Math.round(height3.value / recipe.value.layerHeightMm)))
const layer = computed(() => Math.min(layers.value - 1, Math.floor(share.value * layers.value)))
const height = computed(() => piece.value.from + ((layer.value + 0.5) * height3.value) / layers.value)
const slits = computed(() => {
  const pattern = webPattern(recipe.value)
  return pattern && !piece.value.mesh ? websOf(piece.value, pattern) : []
})
/** As it is exported: with the slits of its webs. */
const slice = computed(() => webbedSection(piece.value, slits.value, height.value))
const field = computed(() =>
  insetField(divideSection(slice.value, 2.5), Infinity, piece.value.chordAt(height.value)),
)
const laid = computed(() => layLayer(field.value, recipe.value))
/**
 * Base and top layers at the ends are laid solid; what is open further in is found only when every layer is
 * sliced.
 */
const open = computed(() =>
  !recipe.value.spiral &&
  (layer.value < recipe.value.baseLayers || layer.value >= layers.value - recipe.value.topLayers)
    ? 1
    : 0,
)
const runs = computed(() =>
  layerRuns(field.value, laid.value, recipe.value, layer.value, open.value, {
    outlines: slitOutlines(slits.value, height.value),
  }),
)
const lengthOf = (kind: RunKind): number =>
  runs.value.kind.reduce(
    (sum, own, i) =>
      own === kind
        ? sum +
          runs.value.scale[i] *
            Math.hypot(runs.value.x1[i] - runs.value.x0[i], runs.value.y1[i] - runs.value.y0[i])
        : sum,
    0,
  )
const grams = computed(
  () =>
    (layerBeads(laid.value) + open.value * laid.value.solidExtra) *
    beadMassPerMm(recipe.value, airframe.value.filamentOf(piece.value.zone)) *
    1000,
)

const host = ref<HTMLElement>()
const { width, height: tall } = useElementSize(host)
const zoom = ref(1)
const box = computed(() => {
  const all = slice.value.flatMap(loop => Array.from(loop))
  if (!all.length) return { x: 0, y: 0, w: 10, h: 10 }
  const xs = all.filter((_, i) => i % 2 === 0),
    ys = all.filter((_, i) => i % 2 === 1)
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), -Math.max(...ys), -Math.min(...ys)]
  const aspect = width.value > 0 && tall.value > 0 ? width.value / tall.value : 3
  const w = Math.max(x1 - x0 + 6, (y1 - y0 + 6) * aspect) / zoom.value
  const h = w / aspect
  // Coming closer keeps the trailing edge in sight: that is where beads stop fitting.
  const right = zoom.value > 1 ? x1 + 3 : (x0 + x1 + w) / 2
  const nearY =
    zoom.value > 1 && piece.value.part !== 'body' && piece.value.kind !== 'given'
      ? -slice.value[0][1]
      : (y0 + y1) / 2
  return { x: right - w, y: nearY - h / 2, w, h }
})
const COLOURS = { outer: 'skin', inner: 'inner', web: 'web', infill: 'infill', solid: 'solid' } as const
const paths = computed(() =>
  (['solid', 'infill', 'web', 'inner', 'outer'] as const)
    .map(kind => ({
      kind,
      d: runs.value.kind
        .map((own, i) =>
          own === kind
            ? `M${runs.value.x0[i].toFixed(3)} ${(-runs.value.y0[i]).toFixed(3)}L${runs.value.x1[i].toFixed(3)} ${(-runs.value.y1[i]).toFixed(3)}`
            : '',
        )
        .join(''),
    }))
    .filter(path => path.d),
)
/** Foam of a section: all of it, but for what a folded sheet leaves hollow. */
const foam = computed(() => {
  if (!sheet.value) return ''
  const { make, thicknessMm } = sheet.value
  const loops = [...slice.value, ...(make === 'folded' ? insetLoops(field.value, thicknessMm) : [])]
  return loops
    .map(loop => {
      const points = Array.from({ length: loop.length / 2 }, (_, i) => `${loop[2 * i]!} ${-loop[2 * i + 1]!}`)
      return `M${points.join('L')}Z`
    })
    .join('')
})
const legend = computed(
  () =>
    [
      ['outer', 'outer wall', laid.value.outerWall - lengthOf('web')],
      ['inner', 'inner walls', laid.value.innerWall],
      ['web', 'webs', lengthOf('web')],
      ['infill', 'infill', laid.value.infill],
      ['solid', 'solid', open.value * laid.value.solidExtra + laid.value.spar],
    ] as const,
)
</script>

<template>
  <div class="look">
    <div class="bar">
      <v-select
        :model-value="piece.id"
        :items="choices.map(p => ({ title: p.name, value: p.id }))"
        label="Piece"
        class="pick"
        data-field="look-piece"
        @update:model-value="chosen = $event"
      />
      <label class="slide"
        ><span v-if="sheet"
          >Section <span class="num" data-figure="section">{{ amount(height, 'mm') }}</span> along the
          span</span
        ><span v-else
          >Layer <span class="num" data-figure="layer">{{ layer + 1 }} of {{ layers }}</span
          >, <span class="num">{{ amount((layer + 0.5) * recipe.layerHeightMm, 'mm', 1) }}</span> over the
          bed</span
        ><input
          v-model.number="share"
          type="range"
          min="0"
          max="1"
          step="0.002"
          aria-label="Height in the piece"
      /></label>
      <v-btn-toggle v-model="zoom" mandatory density="compact" variant="outlined" divided aria-label="Closer"
        ><v-btn :value="1">Whole</v-btn><v-btn :value="5">Closer ×5</v-btn
        ><v-btn :value="20">×20</v-btn></v-btn-toggle
      >
    </div>
    <div ref="host" class="sheet">
      <svg
        :viewBox="`${box.x} ${box.y} ${box.w} ${box.h}`"
        role="img"
        :aria-label="
          sheet
            ? `Section of ${piece.name}, to scale`
            : `Beads of layer ${layer + 1} of ${piece.name}, to scale`
        "
      >
        <path v-if="sheet" :d="foam" class="foam" />
        <path
          v-for="path in sheet ? [] : paths"
          :key="path.kind"
          :d="path.d"
          :class="COLOURS[path.kind]"
          :stroke-width="recipe.beadWidthMm"
        />
      </svg>
    </div>
    <p v-if="!slice.length" class="bad small">Nothing is left of the piece at this height.</p>
    <p v-if="sheet" class="small">
      A sheet of {{ amount(sheet.thicknessMm, 'mm', 1) }}, {{ sheet.make }}, drawn to scale; spars and leads
      lie
      {{ sheet.make === 'folded' ? 'between its halves' : 'in grooves' }}
    </p>
    <p v-else class="small">
      <template v-for="[kind, label, mm] in legend" :key="kind"
        ><span v-if="mm > 0" class="key"
          ><span class="dot" :class="COLOURS[kind]" />{{ label }}
          <span class="num">{{ amount(mm, 'mm') }}</span></span
        ></template
      ><span class="num" data-figure="layer-mass">{{ amount(grams, 'g', 3) }}</span> in this layer, beads
      {{ recipe.beadWidthMm }} × {{ recipe.layerHeightMm }} mm drawn to scale
    </p>
  </div>
</template>

<style scoped>
.look {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  height: calc(100% - 44px);
  min-height: 190px;
  gap: 6px;
}
.bar {
  margin-top: 8px;
  display: flex;
  gap: 16px;
  align-items: center;
  flex-wrap: wrap;
}
.pick {
  max-width: 220px;
}
.slide {
  flex: 1;
  min-width: 180px;
  display: grid;
  font-size: 12.5px;
}
input[type='range'] {
  accent-color: rgb(var(--v-theme-primary));
  width: 100%;
}
.sheet {
  position: relative;
  min-height: 0;
}
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
path {
  fill: none;
  stroke-linecap: round;
}
.foam {
  fill: currentcolor;
  fill-rule: evenodd;
  stroke: none;
}
.skin {
  stroke: rgb(var(--v-theme-on-background));
  background: rgb(var(--v-theme-on-background));
}
.inner {
  stroke: rgb(var(--v-theme-secondary));
  background: rgb(var(--v-theme-secondary));
}
.web {
  stroke: rgb(var(--v-theme-primary));
  background: rgb(var(--v-theme-primary));
}
.infill {
  stroke: rgb(var(--v-theme-warning));
  background: rgb(var(--v-theme-warning));
}
.solid {
  stroke: var(--quiet);
  background: var(--quiet);
}
.small {
  margin: 0;
}
.key {
  margin-right: 14px;
}
.dot {
  display: inline-block;
  width: 10px;
  height: 10px;
  margin-right: 5px;
  border-radius: 3px;
}
</style>
