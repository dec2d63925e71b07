<script setup lang="ts">
import { newPieceNumber, type Joint } from '../../../core/document'
import { amount } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'

const { doc, edit, project } = useBench()
const core = useCore()
const labels = { wing: 'Wing', horizontal: 'Tailplane', vertical: 'Fin', body: 'Body' } as const
type Part = keyof typeof labels
const parts = computed(() =>
  (Object.keys(labels) as Part[]).filter(
    part => part === 'wing' || (part === 'body' ? doc.value.body : doc.value.tail[part]),
  ),
)
const spanOf = (part: Part) =>
  part === 'body'
    ? doc.value.body!.stations.at(-1)!.xMm
    : (part === 'wing' ? doc.value.wing : doc.value.tail[part]!).panels.reduce((sum, p) => sum + p.spanMm, 0)
const joints: Record<'surface' | 'body', Array<{ title: string; value: Joint['kind'] }>> = {
  surface: [
    { title: 'Butt, glued', value: 'butt' },
    { title: 'Two 3 mm pins', value: 'pins' },
    { title: 'Plywood tongue', value: 'tongue' },
  ],
  body: [
    { title: 'Butt, glued', value: 'butt' },
    { title: 'Lip inside', value: 'lip' },
    { title: 'Three 3 mm pins', value: 'pins' },
    { title: 'Three bolts', value: 'bolts' },
  ],
}
const said = ref('')
async function propose() {
  const subject = toRaw(project.doc!)
  const cuts = await core.proposeCuts(subject)
  const same = JSON.stringify(cuts) === JSON.stringify(doc.value.cuts)
  said.value = same ? 'These are the cuts it would propose.' : ''
  if (!same) project.takeOffer('Take the proposed cuts', { cuts }, subject)
}
const set = (part: Part, i: number) => (value: number | null) =>
  edit(`Move ${labels[part].toLowerCase()} cut ${i + 1}`, draft => {
    draft.cuts[part][i].atMm = value!
  })
const setJoint = (part: Part, i: number, change: (joint: Joint) => void) =>
  edit(`Joint of ${labels[part].toLowerCase()} cut ${i + 1}`, draft => {
    change(draft.cuts[part][i].joint)
  })
const drop = (part: Part, i: number) =>
  edit(`Drop ${labels[part].toLowerCase()} cut ${i + 1}`, draft => {
    draft.cuts[part].splice(i, 1)
  })
function add(part: Part) {
  const own = doc.value.cuts[part]
  const edges = [
    part === 'body' ? doc.value.body!.stations[0].xMm : 0,
    ...own.map(cut => cut.atMm).sort((a, b) => a - b),
    spanOf(part),
  ]
  let widest = 0
  for (let i = 1; i < edges.length - 1; i++)
    if (edges[i + 1] - edges[i] > edges[widest + 1] - edges[widest]) widest = i
  const joint: Joint = own[0]
    ? { ...own[0].joint }
    : { kind: part === 'body' ? 'lip' : 'pins', toleranceMm: 0.2 }
  const piece = newPieceNumber(toRaw(doc.value), part)
  edit(`Add a ${labels[part].toLowerCase()} cut`, draft => {
    draft.cuts[part] = [
      ...draft.cuts[part],
      { atMm: Math.round((edges[widest] + edges[widest + 1]) / 2), joint, piece },
    ].sort((a, b) => a.atMm - b.atMm)
  })
}
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
    <template v-for="part in parts" :key="part">
      <h3>
        {{ labels[part] }} <span class="quiet num">{{ amount(spanOf(part), 'mm') }}</span>
      </h3>
      <div v-for="(cut, i) in doc.cuts[part]" :key="i" class="cut">
        <FigureField
          :label="`Cut ${i + 1}`"
          :model-value="cut.atMm"
          unit="mm"
          :min="part === 'body' ? -2000 : 0"
          :max="part === 'body' ? 4000 : 3000"
          :data-field="`cut-${part}-${i}`"
          @update:model-value="set(part, i)($event)"
        />
        <v-btn variant="text" :aria-label="`Drop ${labels[part]} cut ${i + 1}`" @click="drop(part, i)"
          >Drop</v-btn
        >
        <v-select
          :model-value="cut.joint.kind"
          :items="joints[part === 'body' ? 'body' : 'surface']"
          label="Joint"
          :data-field="`joint-${part}-${i}`"
          @update:model-value="
            setJoint(part, i, j => {
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
            setJoint(part, i, j => {
              j.toleranceMm = $event!
            })
          "
        />
      </div>
      <v-btn size="x-small" :data-add="part" @click="add(part)">Add a cut</v-btn>
    </template>
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
.cut {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 104px;
  gap: 6px;
  align-items: center;
  margin-bottom: 12px;
}
.small {
  font-size: 12.5px;
  line-height: 1.4;
  margin: 2px 0;
}
</style>
