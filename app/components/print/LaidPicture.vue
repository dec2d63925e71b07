<script setup lang="ts">
/** What a machine file lays, layer by layer, coloured by what it is or by how fast it is laid. */
import { useElementSize } from '@vueuse/core'
import { LIBRARIES } from '../../../core/libraries'
import { LAID_KINDS, type GcodePreview } from '../../../core/workshop/export'
import { amount, figure } from '~/composables/format'

const props = defineProps<{ preview: GcodePreview; density: string }>()
const own = computed(
  () => LIBRARIES.filaments.find(item => item.id === props.density) ?? LIBRARIES.filaments[0],
)
const grams = computed(() => (props.preview.figures.extrudedMm3 * own.value.density) / 1e6)
const layer = ref(Math.floor(props.preview.heights.length / 2))
watch(
  () => props.preview,
  next => (layer.value = Math.floor(next.heights.length / 2)),
)
const by = ref<'kind' | 'speed'>('kind')
const host = ref<HTMLElement>(),
  { width, height } = useElementSize(host)
const box = computed(() => {
  const b = props.preview.figures.bbox
  if (!b) return { x: 0, y: 0, w: 100, h: 100 }
  const aspect = width.value && height.value ? width.value / height.value : 2
  const w = Math.max(b.max[0] - b.min[0] + 4, (b.max[1] - b.min[1] + 4) * aspect),
    h = w / aspect
  return { x: (b.min[0] + b.max[0] - w) / 2, y: -(b.min[1] + b.max[1] + h) / 2, w, h }
})
const fastest = computed(() => props.preview.speeds.reduce((most, value) => Math.max(most, value), 0))
/** Speeds in fifths of the fastest. */
const STEPS = 5
const groups = computed(() => {
  const { starts, segments, kinds, speeds } = props.preview
  const paths = new Map<string, string[]>()
  for (let i = starts[layer.value] ?? 0; i < (starts[layer.value + 1] ?? 0); i++) {
    const key =
      by.value === 'kind'
        ? LAID_KINDS[kinds[i]!]!
        : `speed-${Math.min(STEPS - 1, Math.floor((STEPS * speeds[i]!) / (fastest.value + 1e-6)))}`
    const list = paths.get(key) ?? []
    list.push(
      `M${segments[4 * i]!.toFixed(2)} ${(-segments[4 * i + 1]!).toFixed(2)}L${segments[4 * i + 2]!.toFixed(2)} ${(-segments[4 * i + 3]!).toFixed(2)}`,
    )
    paths.set(key, list)
  }
  return [...paths]
    .sort((a, b) => (a[0] < b[0] ? -1 : 1))
    .map(([key, list]) => ({
      key,
      css: key.replace(/ /g, '-'),
      label: key.startsWith('speed-')
        ? `up to ${figure(((Number(key.slice(6)) + 1) * fastest.value) / STEPS)} mm/s`
        : key === 'unnamed'
          ? 'laid'
          : key,
      d: list.join(''),
    }))
})
</script>

<template>
  <div>
    <div class="figures" data-gcode>
      <span
        >Filament
        <b class="num" data-figure="gcode-filament"
          >{{ figure(preview.figures.filamentMm / 1000, 2) }} m</b
        ></span
      ><span
        >Mass <b class="num" data-figure="gcode-mass">{{ amount(grams, 'g', 1) }}</b></span
      ><span
        >Time
        <b class="num" data-figure="gcode-hours">{{ figure(preview.figures.seconds / 3600, 2) }} h</b></span
      ><span
        >Layers <b class="num" data-figure="gcode-layers">{{ preview.figures.layers }}</b></span
      ><span v-if="preview.figures.bbox"
        >Extent
        <b class="num"
          >{{
            preview.figures.bbox.max.map((v, i) => figure(v - preview.figures.bbox!.min[i]!, 1)).join(' × ')
          }}
          mm</b
        ></span
      >
    </div>
    <slot />
    <div class="bar">
      <label v-if="preview.heights.length" class="slide"
        ><span
          >Layer <span class="num">{{ layer + 1 }} of {{ preview.heights.length }}</span
          >, <span class="num">{{ amount(preview.heights[layer], 'mm', 2) }}</span> high</span
        ><input
          v-model.number="layer"
          type="range"
          min="0"
          :max="preview.heights.length - 1"
          step="1"
          aria-label="Layer of the machine file"
      /></label>
      <v-btn-toggle
        v-model="by"
        mandatory
        density="compact"
        variant="outlined"
        divided
        aria-label="Coloured by"
        ><v-btn value="kind">By kind</v-btn><v-btn value="speed">By speed</v-btn></v-btn-toggle
      >
    </div>
    <div ref="host" class="sheet">
      <svg
        :viewBox="`${box.x} ${box.y} ${box.w} ${box.h}`"
        role="img"
        :aria-label="`Layer ${layer + 1}, to scale`"
      >
        <path
          v-for="group in groups"
          :key="group.key"
          :d="group.d"
          :class="group.css"
          :stroke-width="Math.max(0.35, box.w / 900)"
        />
      </svg>
    </div>
    <p class="small keys">
      <span v-for="group in groups" :key="group.key" class="key"
        ><span class="dot" :class="group.css" />{{ group.label }}</span
      >
    </p>
    <p v-if="preview.leftOut" class="quiet small">
      The picture leaves out the last {{ preview.leftOut }} stretches; the figures count all.
    </p>
  </div>
</template>

<style scoped>
.figures {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  margin: 6px 0 14px;
  font-size: 13px;
}
.bar {
  display: flex;
  gap: 16px;
  align-items: end;
  margin-bottom: 6px;
  flex-wrap: wrap;
}
.sheet {
  position: relative;
  height: 300px;
  border: 1px solid var(--hair);
  border-radius: 8px;
}
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
path {
  fill: none;
  stroke: rgb(var(--v-theme-on-surface));
  stroke-linecap: round;
}
.slide {
  display: grid;
  font-size: 12.5px;
  flex: 1;
  min-width: 200px;
}
input[type='range'] {
  accent-color: rgb(var(--v-theme-primary));
  width: 100%;
}
.keys {
  margin: 6px 0 0;
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
  background: rgb(var(--v-theme-on-surface));
}
.web,
.speed-1 {
  stroke: rgb(var(--v-theme-primary));
  background: rgb(var(--v-theme-primary));
}
.infill,
.speed-4 {
  stroke: rgb(var(--v-theme-warning));
  background: rgb(var(--v-theme-warning));
}
.inner-wall,
.speed-2 {
  stroke: rgb(var(--v-theme-secondary));
  background: rgb(var(--v-theme-secondary));
}
.solid,
.brim,
.speed-0 {
  stroke: var(--quiet);
  background: var(--quiet);
}
</style>
