<script setup lang="ts">
/** A piece that broke, and where: every way to mend it, computed on the whole aircraft. */
import type { Repair } from '../../../core/workshop/repair'
import { amount, figure, signedAmount, worded } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'

const { doc, now, look } = useBench()
const chosen = ref('')
const piece = computed(
  () =>
    now.value.pieces.find(item => item.id === (chosen.value || look.selected)) ?? now.value.pieces[0] ?? null,
)
const at = ref<number | null>(null)
const place = computed(() => {
  if (!piece.value) return 0
  const { fromMm, toMm } = piece.value
  const middle = Math.round((fromMm + toMm) / 2)
  return at.value !== null && at.value >= fromMm && at.value <= toMm ? at.value : middle
})
const ways = shallowRef<Repair[]>([])
const busy = ref(false),
  fault = ref('')
let asked = 0
async function reckon() {
  if (!piece.value) return
  const own = ++asked
  busy.value = true
  fault.value = ''
  try {
    const found = await useCore('aside').repairs(toRaw(doc.value), piece.value.id, place.value)
    if (own === asked) ways.value = found
  } catch (error) {
    if (own === asked) fault.value = (error as Error).message
  } finally {
    if (own === asked) busy.value = false
  }
}
watch([doc, () => piece.value?.id, place], reckon, { immediate: true })
onBeforeUnmount(() => {
  asked++
})
</script>

<template>
  <section>
    <div class="ask">
      <v-select
        :model-value="piece?.id"
        :items="now.pieces.map(item => ({ title: item.name, value: item.id }))"
        label="What broke"
        data-field="broke-piece"
        @update:model-value="chosen = $event"
      />
      <FigureField
        v-if="piece"
        v-model="at"
        :label="`At, ${figure(piece.fromMm)} to ${figure(piece.toMm)}`"
        unit="mm"
        :min="piece.fromMm"
        :max="piece.toMm"
        :digits="0"
        optional
        data-field="broke-at"
      />
      <span class="small quiet">{{ busy ? 'Computing …' : `broken at ${amount(place, 'mm')}` }}</span>
    </div>
    <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
    <table v-if="ways.length" class="ledger" data-table="repairs">
      <thead>
        <tr>
          <th>Way to mend it</th>
          <th class="r">Weight</th>
          <th class="r">Hours</th>
          <th class="r">Cost</th>
          <th class="r">Reserve</th>
          <th class="r">Balances at</th>
          <th>Mind</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="way in ways" :key="way.code" :data-way="way.code">
          <td>
            <b>{{ worded(way.what) }}</b>
          </td>
          <td class="r num">{{ signedAmount(way.massG, 'g', 1) }}</td>
          <td class="r num">{{ amount(way.hours, 'h', 1) }}</td>
          <td class="r num">{{ figure(way.cost, 2) }} {{ doc.brief.currency }}</td>
          <td class="r num" :class="{ bad: way.reserve < 1 }">{{ figure(way.reserve, 2) }}</td>
          <td class="r num">{{ amount(way.cgMm, 'mm', 1) }}</td>
          <td class="small">{{ worded(way.against) }}</td>
        </tr>
      </tbody>
    </table>
    <p class="small caution">
      ⚠ Look the whole aircraft over: what broke one piece went through its neighbours, spars, bolts and mount
      too. Cyanoacrylate and epoxy: air, gloves, eyes.
    </p>
    <p class="small quiet">
      A break that is glued is reckoned as a joint of its own there; a rest as a piece with its joint. Weight
      is that of the one half, reserve that of the whole aircraft with the joint in both.
    </p>
  </section>
</template>

<style scoped>
.ask {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr) auto;
  gap: 12px;
  align-items: center;
  max-width: 640px;
  margin-bottom: 10px;
}
@media (max-width: 700px) {
  .ask {
    grid-template-columns: 1fr;
  }
  .ledger th:nth-child(7),
  .ledger td:nth-child(7),
  .ledger th:nth-child(4),
  .ledger td:nth-child(4) {
    display: none;
  }
}
</style>
