<script setup lang="ts">
/** The picture that is drawn over, under everything else; and the two points that are shown on it. */
import type { ProjectFile } from '../../../core/document'
import { useDrag } from '~/composables/useDrag'
import { photoUrl } from '~/composables/photos'
import { useProject } from '~/stores/project'
import { useTracing } from '~/stores/tracing'
import { useSheet } from './sheet'

const props = defineProps<{ doc: ProjectFile; svg: SVGSVGElement | undefined }>()
const sheet = useSheet()
const project = useProject()
const tracing = useTracing()
const at = computed(() => props.doc.tracings.findIndex(item => item.view === sheet.value.view))
const picture = computed(() => props.doc.tracings[at.value] ?? null)
const url = ref<string | null>(null)
/** Height over width. */
const tall = ref(1)
watch(
  () => picture.value?.photo,
  async photo => {
    if (url.value) URL.revokeObjectURL(url.value)
    url.value = null
    if (!photo) return
    const found = await photoUrl(photo)
    if (found) {
      const image = new Image()
      image.src = found
      await image.decode().catch(() => {})
      tall.value = image.naturalHeight / Math.max(1, image.naturalWidth)
    }
    if (picture.value?.photo === photo) url.value = found
  },
  { immediate: true },
)
onBeforeUnmount(() => {
  if (url.value) URL.revokeObjectURL(url.value)
})

function spotOf(event: PointerEvent): [number, number] {
  const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(props.svg!.getScreenCTM()!.inverse())
  return [p.x, p.y]
}
let held: [number, number] = [0, 0]
const { take } = useDrag<'picture'>((_, event, gesture) => {
  const [x, y] = spotOf(event)
  const by = [x - held[0], y - held[1]]
  held = [x, y]
  project.edit(
    'Move the picture under the drawing',
    draft => {
      const own = draft.tracings[at.value]
      if (!own) return
      own.rightMm = Math.max(-20000, Math.min(20000, own.rightMm + by[0]!))
      own.downMm = Math.max(-20000, Math.min(20000, own.downMm + by[1]!))
    },
    { gesture },
  )
})
function press(event: PointerEvent) {
  const spot = spotOf(event)
  if (tracing.act === 'points') tracing.put(spot)
  else if (tracing.act === 'move') {
    held = spot
    take(event, 'picture')
  }
}
const CROSS = 8
</script>

<template>
  <g v-if="picture && url" data-tracing>
    <image
      :href="url"
      :x="-picture.widthMm / 2"
      :y="(-tall * picture.widthMm) / 2"
      :width="picture.widthMm"
      :height="tall * picture.widthMm"
      preserveAspectRatio="none"
      :opacity="picture.strength"
      :transform="`translate(${picture.rightMm} ${picture.downMm}) rotate(${picture.turnDeg})`"
    />
  </g>
  <Teleport v-if="tracing.act !== 'none' && svg" :to="svg">
    <rect
      :x="sheet.frame.x"
      :y="sheet.frame.y"
      :width="sheet.frame.w"
      :height="sheet.frame.h"
      class="over"
      :class="tracing.act"
      data-trace-over
      @pointerdown="press"
    />
    <g
      v-for="(spot, i) in tracing.spots"
      :key="i"
      :transform="`translate(${spot[0]} ${spot[1]})`"
      class="spot"
    >
      <path
        :d="`M${-CROSS * sheet.unit} 0H${CROSS * sheet.unit}M0 ${-CROSS * sheet.unit}V${CROSS * sheet.unit}`"
        :stroke-width="1.6 * sheet.unit"
      />
      <circle :r="4 * sheet.unit" :stroke-width="1.6 * sheet.unit" />
    </g>
    <line
      v-if="tracing.spots.length === 2"
      :x1="tracing.spots[0]![0]"
      :y1="tracing.spots[0]![1]"
      :x2="tracing.spots[1]![0]"
      :y2="tracing.spots[1]![1]"
      class="between"
      :stroke-width="1.2 * sheet.unit"
    />
  </Teleport>
</template>

<style scoped>
image {
  pointer-events: none;
}
.over {
  fill: transparent;
  cursor: crosshair;
}
.over.move {
  cursor: move;
}
.spot {
  stroke: rgb(var(--v-theme-error));
  fill: none;
  pointer-events: none;
}
.between {
  stroke: rgb(var(--v-theme-error));
  stroke-dasharray: none;
  pointer-events: none;
}
</style>
