<script setup lang="ts">
/** The balance in every state it flies in: payload aboard and gone, and with each set of wings. */
import { presentWing, swapWingSet, type WingSetFigures } from '../../../core/workshop/balance'
import { amount, figure } from '~/composables/format'
import { useAside } from '~/composables/useAside'
import { useBench } from '~/composables/useBench'

const { doc, now, edit, project } = useBench()
const { answer, busy } = useAside((core, subject) => core.wingSets(subject))
const rows = computed<WingSetFigures[]>(() => answer.value ?? [])
const band = computed(() => doc.value.brief.staticMarginPct)
const name = ref('')
const carries = computed(() => now.value.totals.emptyMassG < now.value.totals.massG - 1e-6)
function keep() {
  let n = 1
  while (doc.value.wingSets.some(set => set.id === `wing-set-${n}`)) n++
  const set = presentWing(
    toRaw(doc.value),
    `wing-set-${n}`,
    name.value.trim().slice(0, 80) || `Wing set ${n}`,
  )
  edit(`Keep the present wing as ${set.name}`, draft => {
    draft.wingSets.push(JSON.parse(JSON.stringify(set)))
  })
  name.value = ''
}
const swap = (row: WingSetFigures) =>
  project.replace(`Put ${row.name} on`, swapWingSet(toRaw(doc.value), row.id, 'The wing before'))
const out = (pct: number) => pct < band.value[0] || pct > band.value[1]
</script>

<template>
  <div class="stack">
    <table class="ledger" :aria-busy="busy" data-table="wing-sets">
      <thead>
        <tr>
          <th>Wing</th>
          <th class="r">Span</th>
          <th class="r">Weight</th>
          <th class="r">Balances at</th>
          <th class="r">Neutral point</th>
          <th class="r">Margin{{ carries ? ', payload in' : '' }}</th>
          <th v-if="carries" class="r">payload gone</th>
          <th class="r">Stall</th>
          <th class="r">Reserve</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.id" :data-wing-set="row.id">
          <td class="acts">{{ row.name.slice(0, 24) }}</td>
          <td class="r num">{{ amount(row.spanMm, 'mm') }}</td>
          <td class="r num">{{ amount(row.massG, 'g') }}</td>
          <td class="r num">{{ amount(row.cgMm, 'mm', 1) }}</td>
          <td class="r num">{{ amount(row.neutralPointMm, 'mm', 1) }}</td>
          <td class="r num" :class="{ bad: out(row.staticMarginPct) }">
            {{ figure(row.staticMarginPct, 1) }} %
          </td>
          <td v-if="carries" class="r num" :class="{ bad: out(row.staticMarginEmptyPct) }">
            {{ figure(row.staticMarginEmptyPct, 1) }} %
          </td>
          <td class="r num">{{ figure(row.stallMs, 1) }} m/s</td>
          <td class="r num" :class="{ bad: row.reserve < 1 }">{{ figure(row.reserve, 2) }}</td>
          <td class="r acts">
            <template v-if="row.id !== 'present'"
              ><v-btn size="small" :data-swap="row.id" @click="swap(row)">Put it on</v-btn
              ><v-btn
                size="small"
                variant="text"
                @click="
                  edit(`Forget ${row.name}`, d => {
                    d.wingSets = d.wingSets.filter(set => set.id !== row.id)
                  })
                "
                >Forget</v-btn
              ></template
            >
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="!rows.length" class="quiet">Computing every set of wings …</p>
    <div class="keep">
      <v-text-field
        v-model="name"
        label="Keep the present wing as"
        placeholder="a name for this set"
        density="compact"
        hide-details
        data-field="wing-set-name"
      /><v-btn data-act="keep-wing" :disabled="doc.wingSets.length >= 8" @click="keep"
        >Keep this wing as a set</v-btn
      >
    </div>
    <p class="small quiet">
      Keep the wing, change it, and put sets on and off: body, tail and equipment stay. Weighings of the
      wing's pieces count only for the wing they belong to.
    </p>
  </div>
</template>

<style scoped>
.keep {
  display: grid;
  grid-template-columns: minmax(180px, 320px) auto;
  gap: 10px;
  align-items: center;
  justify-content: start;
}
.acts {
  white-space: nowrap;
}
</style>
