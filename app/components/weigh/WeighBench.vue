<script setup lang="ts">
import { WEIGH_LIMIT } from '../../../core/assess'
import { amount, signed, today } from '~/composables/format'
import { parseFigure } from '~/composables/parse-figure'
import { useBench } from '~/composables/useBench'

const { doc, now, edit, look } = useBench()
const typed = reactive<Record<string, string>>({})
const faults = reactive<Record<string, string>>({})
const entryOf = (id: string) => doc.value.weighIns.find(entry => entry.piece === id)
const shown = (id: string) => typed[id] ?? (entryOf(id) ? String(entryOf(id)!.massG) : '')
function commit(id: string, name: string, predictedG: number) {
  if (typed[id] === undefined) return
  const text = typed[id].trim()
  const massG = parseFigure(text)
  if (text !== '' && (!Number.isFinite(massG) || massG <= 0 || massG > 20000)) {
    faults[id] = 'grams, above 0'
    return
  }
  delete faults[id]
  delete typed[id]
  edit(text === '' ? `Forget the weight of ${name}` : `Weigh ${name}`, draft => {
    const at = draft.weighIns.findIndex(entry => entry.piece === id)
    if (text === '') {
      if (at >= 0) draft.weighIns.splice(at, 1)
    } else if (at >= 0) Object.assign(draft.weighIns[at], { massG, predictedG, date: today() })
    else draft.weighIns.push({ piece: id, massG, predictedG, date: today(), note: '' })
  })
}
</script>

<template>
  <GoOnOrStop />
  <table class="ledger" data-table="weigh">
    <thead>
      <tr>
        <th>Piece</th>
        <th>Zone</th>
        <th class="r">Predicted</th>
        <th class="w">On the scale, g</th>
        <th class="r">Off by</th>
        <th>Note</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="p in now.pieces" :key="p.id" :class="{ on: look.selected === p.id }">
        <td>{{ p.name }}</td>
        <td class="quiet">{{ p.zoneName }}, {{ p.filamentName }}{{ p.asPrinted ? ', as printed' : '' }}</td>
        <td class="r num">{{ amount(p.predictedG, 'g', 1) }}</td>
        <td class="w">
          <input
            class="num scale"
            inputmode="decimal"
            :value="shown(p.id)"
            :aria-label="`Weight of ${p.name} in grams`"
            :aria-invalid="!!faults[p.id]"
            :data-weigh="p.id"
            @input="typed[p.id] = ($event.target as HTMLInputElement).value"
            @blur="commit(p.id, p.name, p.predictedG)"
            @keydown.enter="commit(p.id, p.name, p.predictedG)"
          /><span v-if="faults[p.id]" class="bad"> {{ faults[p.id] }}</span>
        </td>
        <td
          class="r num"
          :class="{ bad: p.weighedG !== null && Math.abs(p.weighedG / p.predictedG - 1) > WEIGH_LIMIT }"
        >
          {{ p.weighedG === null ? '' : `${signed(100 * (p.weighedG / p.predictedG - 1), 1)} %` }}
        </td>
        <td class="quiet">
          {{
            p.outdatedG === null
              ? entryOf(p.id)?.note
              : `${amount(p.outdatedG, 'g', 1)} was weighed before this piece was changed; print and weigh it again`
          }}
        </td>
      </tr>
    </tbody>
  </table>
  <WhatWeighingsTeach class="taught" />
</template>

<style scoped>
.taught {
  margin-top: 24px;
}
.scale {
  width: 90px;
  border: 1px solid var(--hair);
  border-radius: 4px;
  padding: 3px 8px;
  background: rgb(var(--v-theme-surface));
  color: inherit;
  text-align: right;
}
.scale[aria-invalid='true'] {
  border-color: rgb(var(--v-theme-error));
}
@media (max-width: 700px) {
  .scale {
    min-height: 44px;
  }
}
</style>
