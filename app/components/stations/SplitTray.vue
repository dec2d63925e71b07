<script setup lang="ts">
import { figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'

const { doc, edit, project } = useBench()
const core = useCore()
const labels = { wing: 'Wing', horizontal: 'Tailplane', vertical: 'Fin', body: 'Body' } as const
type Part = keyof typeof labels
const parts = computed(() => (Object.keys(labels) as Part[]).filter(part => part === 'wing' || (part === 'body' ? doc.value.body : doc.value.tail[part])))
const spanOf = (part: Part) => part === 'body' ? doc.value.body!.stations.at(-1)!.xMm : (part === 'wing' ? doc.value.wing : doc.value.tail[part]!).panels.reduce((sum, p) => sum + p.spanMm, 0)
const said = ref('')
async function propose() {
  const cuts = await core.proposeCuts(toRaw(project.doc!))
  const same = JSON.stringify(cuts) === JSON.stringify(doc.value.cuts)
  said.value = same ? 'These are the cuts it would propose.' : ''
  if (!same) edit('Take the proposed cuts', (draft) => { draft.cuts = cuts })
}
const set = (part: Part, i: number) => (value: number | null) => edit(`Move ${labels[part].toLowerCase()} cut ${i + 1}`, (draft) => { draft.cuts[part][i] = value! })
const drop = (part: Part, i: number) => edit(`Drop ${labels[part].toLowerCase()} cut ${i + 1}`, (draft) => { draft.cuts[part].splice(i, 1) })
function add(part: Part) {
  const edges = [part === 'body' ? doc.value.body!.stations[0].xMm : 0, ...[...doc.value.cuts[part]].sort((a, b) => a - b), spanOf(part)]
  let widest = 0
  for (let i = 1; i < edges.length - 1; i++) if (edges[i + 1] - edges[i] > edges[widest + 1] - edges[widest]) widest = i
  edit(`Add a ${labels[part].toLowerCase()} cut`, (draft) => { draft.cuts[part] = [...draft.cuts[part], Math.round((edges[widest] + edges[widest + 1]) / 2)].sort((a, b) => a - b) })
}
</script>

<template>
  <div class="stack">
    <v-btn color="primary" variant="flat" data-act="propose-cuts" @click="propose">Propose cuts for the beds at hand</v-btn>
    <p v-if="said" class="quiet">{{ said }}</p>
    <p class="quiet small">Pieces stand on flat ends. Cuts nearer than 5 mm to an end or to each other are left out. Drag a cut on the drawing, or set it here.</p>
    <template v-for="part in parts" :key="part">
      <h3>{{ labels[part] }} <span class="quiet num">{{ figure(spanOf(part)) }} mm</span></h3>
      <div v-for="(cut, i) in doc.cuts[part]" :key="i" class="cut"><FigureField :label="`Cut ${i + 1}`" :model-value="cut" unit="mm" :min="part === 'body' ? -2000 : 0" :max="part === 'body' ? 4000 : 3000" :data-field="`cut-${part}-${i}`" @update:model-value="set(part, i)($event)" /><v-btn variant="text" :aria-label="`Drop ${labels[part]} cut ${i + 1}`" @click="drop(part, i)">Drop</v-btn></div>
      <v-btn size="x-small" :data-add="part" @click="add(part)">Add a cut</v-btn>
    </template>
    <h3>Beds</h3>
    <p v-for="printer in doc.printers" :key="printer.id" class="quiet small">{{ printer.name }}: <span class="num">{{ printer.bedMm.join(' × ') }} mm</span>, nozzle to {{ printer.nozzleMaxC }} °C{{ printer.enclosed ? ', enclosed' : '' }}</p>
  </div>
</template>

<style scoped>
.cut { display: flex; gap: 6px; align-items: center; } .small { font-size: 12.5px; line-height: 1.4; margin: 2px 0; }
</style>
