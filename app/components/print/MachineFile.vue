<script setup lang="ts">
/**
 * A machine file (G-code) replayed on one of the printers: filament, mass, hours, extent, and a look at every
 * layer.
 */
import { useElementSize } from '@vueuse/core'
import { LIBRARIES } from '../../../core/libraries'
import type { GcodePreview } from '../../../core/workshop/export'
import { amount, figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'

const { doc } = useBench()
const core = useCore('aside')
const chooser = ref<HTMLInputElement>()
const open = ref(false),
  busy = ref(false),
  fault = ref(''),
  name = ref('')
const printer = ref(doc.value.printers[0].id),
  filament = ref(doc.value.zones[0].filament)
const preview = shallowRef<GcodePreview | null>(null)
let chosen: File | null = null

async function bring(event: Event) {
  const file = chosenFile(event)
  if (!file) return
  open.value = true
  fault.value = ''
  name.value = file.name
  preview.value = null
  chosen = file
  await replay()
}
async function replay() {
  if (!chosen) return
  busy.value = true
  try {
    preview.value = await core.gcode(
      chosen,
      toRaw(doc.value.printers.find(item => item.id === printer.value) ?? doc.value.printers[0]),
    )
    layer.value = Math.floor(preview.value.heights.length / 2)
  } catch (error) {
    preview.value = null
    fault.value = `It was not read. ${(error as Error).message}.`
  } finally {
    busy.value = false
  }
}
const own = computed(() => LIBRARIES.filaments.find(item => item.id === filament.value)!)
const grams = computed(() =>
  preview.value ? (preview.value.figures.extrudedMm3 * own.value.density) / 1e6 : 0,
)
const layer = ref(0)
const host = ref<HTMLElement>(),
  { width, height } = useElementSize(host)
const box = computed(() => {
  const b = preview.value?.figures.bbox
  if (!b) return { x: 0, y: 0, w: 100, h: 100 }
  const aspect = width.value && height.value ? width.value / height.value : 2
  const w = Math.max(b.max[0] - b.min[0] + 4, (b.max[1] - b.min[1] + 4) * aspect),
    h = w / aspect
  return { x: (b.min[0] + b.max[0] - w) / 2, y: -(b.min[1] + b.max[1] + h) / 2, w, h }
})
const path = computed(() => {
  const p = preview.value
  if (!p || !p.heights.length) return ''
  const parts: string[] = []
  for (let i = 4 * p.starts[layer.value]; i < 4 * p.starts[layer.value + 1]; i += 4)
    parts.push(
      `M${p.segments[i].toFixed(2)} ${(-p.segments[i + 1]).toFixed(2)}L${p.segments[i + 2].toFixed(2)} ${(-p.segments[i + 3]).toFixed(2)}`,
    )
  return parts.join('')
})
</script>

<template>
  <v-btn data-act="replay-gcode" @click="chooser?.click()">Replay a machine file (G-code)</v-btn>
  <input
    ref="chooser"
    type="file"
    accept=".gcode,.gco,.g,.nc,.txt"
    class="sr"
    aria-label="Machine file"
    @change="bring"
  />
  <v-dialog v-model="open" max-width="860">
    <v-card class="pa-5">
      <h2 class="cut">{{ name }}</h2>
      <p class="lead">
        Every move carried out on paper: what it pushes, how long it takes, where it lays. Comments are not
        read.
      </p>
      <v-progress-linear v-if="busy" indeterminate aria-label="Replaying" />
      <p v-if="fault" class="bad" role="alert" data-fault="gcode">{{ fault }}</p>
      <template v-if="preview">
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
            <b class="num" data-figure="gcode-hours"
              >{{ figure(preview.figures.seconds / 3600, 2) }} h</b
            ></span
          ><span
            >Layers <b class="num" data-figure="gcode-layers">{{ preview.figures.layers }}</b></span
          ><span v-if="preview.figures.bbox"
            >Extent
            <b class="num"
              >{{
                preview.figures.bbox.max
                  .map((v, i) => figure(v - preview!.figures.bbox!.min[i], 1))
                  .join(' × ')
              }}
              mm</b
            ></span
          >
        </div>
        <div class="row">
          <v-select
            v-model="printer"
            :items="doc.printers.map(p => ({ title: p.name, value: p.id }))"
            label="On"
            @update:model-value="replay"
          /><v-select
            v-model="filament"
            :items="LIBRARIES.filaments.map(f => ({ title: f.name, value: f.id }))"
            label="In"
          />
        </div>
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
        <div ref="host" class="sheet">
          <svg
            :viewBox="`${box.x} ${box.y} ${box.w} ${box.h}`"
            role="img"
            :aria-label="`Layer ${layer + 1}, to scale`"
          >
            <path :d="path" :stroke-width="Math.max(0.35, box.w / 900)" />
          </svg>
        </div>
        <p v-if="preview.leftOut" class="quiet small">
          The picture leaves out the last {{ preview.leftOut }} stretches; the figures count all.
        </p>
        <p class="quiet small">
          Solid filament of 1.75 mm; foamed filament weighs what goes in. Accelerations and corner speed are
          this printer's; commands that heat, probe or pause take no time here.
        </p>
      </template>
      <div class="end"><v-btn variant="text" @click="open = false">Close</v-btn></div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.cut {
  overflow-wrap: anywhere;
}
.figures {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  margin: 6px 0 14px;
  font-size: 13px;
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
  margin-bottom: 6px;
}
input[type='range'] {
  accent-color: rgb(var(--v-theme-primary));
  width: 100%;
}
.end {
  display: flex;
  justify-content: flex-end;
  margin-top: 10px;
}
</style>
