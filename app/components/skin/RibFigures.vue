<script setup lang="ts">
/** The ribs of a zone, what covers them, and what they weigh. */
import { LIMITS, type Zone } from '../../../core/document'
import { filmOr, LIBRARIES } from '../../../core/libraries'
import { amount, figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'

const { zone } = defineProps<{ zone: Zone }>()
const { doc, now, edit, project } = useBench()
const core = useCore()
const fault = ref('')
const film = computed(() => zone.ribs && filmOr(LIBRARIES.films, zone.ribs.film))
const index = computed(() => doc.value.zones.findIndex(item => item.id === zone.id))
const figures = [
  { key: 'pitchMm', label: 'Ribs at most apart', limits: LIMITS.ribPitchMm, digits: 0 },
  { key: 'thicknessMm', label: 'A rib is thick', limits: LIMITS.ribThicknessMm, digits: 1 },
  { key: 'rimMm', label: 'Rim round its holes', limits: LIMITS.rimMm, digits: 1 },
] as const
const built = computed(() => {
  const ribs = now.value.pieces.filter(piece => piece.zone === zone.id && piece.ribOf !== null)
  const filmG = now.value.ledger
    .filter(row => row.group === 'film' && ribs.some(rib => row.id === `film-${rib.ribOf}-${zone.id}`))
    .reduce((sum, row) => sum + row.massG, 0)
  return { count: ribs.length, massG: ribs.reduce((sum, rib) => sum + rib.massG, 0), filmG }
})
const bare = computed(() => now.value.findings.some(finding => finding.code === 'ribs-no-edge'))
async function layEdges() {
  fault.value = ''
  const asked = toRaw(doc.value)
  try {
    const edges = await core.filmEdges(asked)
    if (edges.length === 0) fault.value = 'No place was found where the ribs cover a rod or a strip.'
    else project.takeOffer('Edges for the film', { spars: [...asked.spars, ...edges] }, asked)
  } catch (error) {
    fault.value = (error as Error).message
  }
}
</script>

<template>
  <div class="stack">
    <template v-if="zone.ribs && film">
      <v-select
        :model-value="film.id"
        :items="LIBRARIES.films.map(item => ({ title: item.name, value: item.id }))"
        label="Covered with"
        data-field="film"
        @update:model-value="
          edit(`${zone.name}: another film`, d => {
            d.zones[index].ribs!.film = $event
          })
        "
      />
      <p class="quiet small">{{ film.summary }}.</p>
      <p v-if="film.ironC !== null" class="caution">
        Its iron has {{ amount(film.ironC, '°C', 0) }}: more than most prints stand. Over edges only, on and
        off.
      </p>
      <p v-else class="caution">Contact glue and dope give off solvent: draught, no flame, gloves.</p>
      <FigureField
        v-for="part in figures"
        :key="part.key"
        :label="part.label"
        :model-value="zone.ribs[part.key]"
        unit="mm"
        :min="part.limits[0]"
        :max="part.limits[1]"
        :digits="part.digits"
        :data-field="`rib-${part.key}`"
        @update:model-value="
          edit(`${zone.name}: ${part.label.toLowerCase()}`, d => {
            d.zones[index].ribs![part.key] = $event!
          })
        "
      />
      <p class="quiet small" data-text="ribs">
        <span class="num">{{ built.count }}</span> ribs weigh {{ amount(built.massG, 'g', 1) }}, their film
        {{ amount(built.filmG, 'g', 1) }} with 8&nbsp;% for laps. Ribs are laid solid with the bead and layer
        below; controls are printed whole, as the school says. Spars alone bend; of the film counts
        {{ figure(12.5, 1) }}&nbsp;% of its stiffness, in twist: slack in the sun, wrinkled from the first.
      </p>
      <div v-if="bare" class="acts">
        <v-btn size="x-small" data-act="lay-edges" @click="layEdges">Lay edges for the film</v-btn>
      </div>
      <p v-if="fault" class="bad small" role="alert">{{ fault }}</p>
    </template>
  </div>
</template>
