<script setup lang="ts">
import { newPieceNumber, type Cut, surfaceOf } from '../../../core/document'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'

const { doc, edit, project } = useBench()
const core = useCore()
const labels = {
  wing: 'Wing',
  second: 'Second wing',
  winglet: 'Winglets',
  horizontal: 'Tailplane',
  vertical: 'Fin',
  body: 'Body',
} as const
type Part = keyof typeof labels
const MOST: Record<Part, number> = {
  wing: 40,
  second: 40,
  winglet: 8,
  horizontal: 20,
  vertical: 20,
  body: 40,
}
const parts = computed(() =>
  (Object.keys(labels) as Part[]).filter(
    part => part === 'wing' || (part === 'body' ? doc.value.body : surfaceOf(doc.value, part)),
  ),
)
const spanOf = (part: Part) =>
  part === 'body'
    ? doc.value.body!.stations.at(-1)!.xMm
    : surfaceOf(doc.value, part)!.panels.reduce((sum, p) => sum + p.spanMm, 0)
const said = ref('')
async function propose() {
  const subject = toRaw(project.doc!)
  const cuts = await core.proposeCuts(subject)
  const same = JSON.stringify(cuts) === JSON.stringify(doc.value.cuts)
  said.value = same ? 'These are the cuts it would propose.' : ''
  if (!same) project.takeOffer('Take the proposed cuts', { cuts }, subject)
}
const lists = computed(() => [
  ...parts.value.map(part => ({
    key: part as string,
    label: labels[part] as string,
    cuts: doc.value.cuts[part],
    edges: [part === 'body' ? doc.value.body!.stations[0].xMm : 0, spanOf(part)] as const,
    range: part === 'body' ? ([-2000, 4000] as const) : ([0, 3000] as const),
    kind: part === 'body' ? ('body' as const) : ('surface' as const),
    most: MOST[part],
    newPiece: () => newPieceNumber(toRaw(doc.value), part),
    change: (label: string, apply: (cuts: Cut[]) => void) => edit(label, draft => apply(draft.cuts[part])),
  })),
  ...doc.value.pods.map(pod => ({
    key: `pod-${pod.piece}`,
    label: pod.name,
    cuts: pod.cuts,
    edges: [pod.body.stations[0].xMm, pod.body.stations.at(-1)!.xMm] as const,
    range: [-2000, 4000] as const,
    kind: 'body' as const,
    most: 4,
    newPiece: () => 1 + Math.max(1, ...pod.cuts.map(cut => cut.piece)),
    change: (label: string, apply: (cuts: Cut[]) => void) =>
      edit(label, draft => apply(draft.pods.find(own => own.piece === pod.piece)!.cuts)),
  })),
])
</script>

<template>
  <div class="stack">
    <v-btn color="primary" variant="flat" data-act="propose-cuts" @click="propose"
      >Propose cuts for the beds at hand</v-btn
    >
    <p v-if="said" class="quiet">{{ said }}</p>
    <p class="quiet small">
      Fewest pieces that stand on a bed, even in length, never through a hinge, a bay or a hatch. Cuts nearer
      than 5 mm to an end or to each other are left out. Drag a cut on the drawing, or set it here.
    </p>
    <CutList v-for="{ key, ...list } in lists" :key="key" v-bind="list" :field="key" />
    <GivenParts />
    <h3>Beds</h3>
    <p v-for="printer in doc.printers" :key="printer.id" class="quiet small">
      {{ printer.name }}: <span class="num">{{ printer.bedMm.join(' × ') }} mm</span>, nozzle to
      {{ printer.nozzleMaxC }} °C{{ printer.enclosed ? ', enclosed' : '' }}
    </p>
    <p class="caution">
      Cyanoacrylate and its activator: gloves, air, eyes covered. Keep activator off the face that is glued
      next. Sand joints wet, with a mask.
    </p>
  </div>
</template>

<style scoped>
.small {
  font-size: 12.5px;
  line-height: 1.4;
  margin: 2px 0;
}
</style>
