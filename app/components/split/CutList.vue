<script setup lang="ts">
/** The cuts of one surface, body or pod: place, joint, play. */
import type { Cut, Joint } from '../../../core/document'
import { amount } from '~/composables/format'

const props = defineProps<{
  label: string
  /** Set before the names of its fields. */
  field: string
  cuts: readonly Cut[]
  /** From where to where it may be cut, mm. */
  edges: readonly [number, number]
  range: readonly [number, number]
  kind: 'surface' | 'body'
  most: number
  newPiece: () => number
  change: (label: string, apply: (cuts: Cut[]) => void) => void
}>()
const joints: Record<'surface' | 'body', Array<{ title: string; value: Joint['kind'] }>> = {
  surface: [
    { title: 'Butt, glued', value: 'butt' },
    { title: 'Two 3 mm pins', value: 'pins' },
    { title: 'Plywood tongue', value: 'tongue' },
    ...(props.label === 'Wing' ? [{ title: 'Plugs in, comes apart', value: 'plug' as const }] : []),
  ],
  body: [
    { title: 'Butt, glued', value: 'butt' },
    { title: 'Lip inside', value: 'lip' },
    { title: 'Three 3 mm pins', value: 'pins' },
    { title: 'Three bolts', value: 'bolts' },
  ],
}
const name = computed(() => props.label.toLowerCase())
const set = (i: number) => (value: number | null) =>
  props.change(`Move ${name.value} cut ${i + 1}`, cuts => {
    cuts[i]!.atMm = value!
  })
const setJoint = (i: number, apply: (joint: Joint) => void) =>
  props.change(`Joint of ${name.value} cut ${i + 1}`, cuts => apply(cuts[i]!.joint))
const drop = (i: number) =>
  props.change(`Drop ${name.value} cut ${i + 1}`, cuts => {
    cuts.splice(i, 1)
  })
/** In the middle of the longest piece. */
function add() {
  const [from, to] = props.edges
  const edges = [from, ...props.cuts.map(cut => cut.atMm).sort((a, b) => a - b), to]
  let widest = 0
  for (let i = 1; i < edges.length - 1; i++)
    if (edges[i + 1]! - edges[i]! > edges[widest + 1]! - edges[widest]!) widest = i
  const [first] = props.cuts
  const joint: Joint = first
    ? { ...first.joint }
    : { kind: props.kind === 'body' ? 'lip' : 'pins', toleranceMm: 0.2 }
  const atMm = Math.round((edges[widest]! + edges[widest + 1]!) / 2),
    piece = props.newPiece()
  props.change(`Add a ${name.value} cut`, cuts => {
    cuts.push({ atMm, joint, piece })
    cuts.sort((a, b) => a.atMm - b.atMm)
  })
}
</script>

<template>
  <div>
    <h3>
      {{ label }}
      <span class="quiet num">{{ amount(kind === 'body' ? edges[1] : edges[1] - edges[0], 'mm') }}</span>
    </h3>
    <div v-for="(cut, i) in cuts" :key="i" class="cut">
      <FigureField
        :label="`Cut ${i + 1}`"
        :model-value="cut.atMm"
        unit="mm"
        :min="range[0]"
        :max="range[1]"
        :data-field="`cut-${field}-${i}`"
        @update:model-value="set(i)($event)"
      />
      <v-btn variant="text" :aria-label="`Drop ${label} cut ${i + 1}`" @click="drop(i)">Drop</v-btn>
      <v-select
        :model-value="cut.joint.kind"
        :items="joints[kind]"
        label="Joint"
        :data-field="`joint-${field}-${i}`"
        @update:model-value="
          setJoint(i, j => {
            j.kind = $event
          })
        "
      />
      <FigureField
        v-if="cut.joint.kind !== 'butt'"
        label="Play"
        :model-value="cut.joint.toleranceMm"
        unit="mm"
        :min="0"
        :max="1"
        :digits="2"
        @update:model-value="
          setJoint(i, j => {
            j.toleranceMm = $event!
          })
        "
      />
    </div>
    <v-btn size="x-small" :data-add="field" :disabled="cuts.length >= most" @click="add">Add a cut</v-btn>
  </div>
</template>

<style scoped>
.cut {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 104px;
  gap: 6px;
  align-items: center;
  margin-bottom: 12px;
}
</style>
