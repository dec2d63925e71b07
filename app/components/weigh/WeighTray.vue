<script setup lang="ts">
import { amount, amountOf, signed } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { doc, now } = useBench()
const t = computed(() => now.value.totals)
const first = computed(() => {
  const entry = doc.value.weighIns[0]
  const piece = entry && now.value.pieces.find(item => item.id === entry.piece)
  return piece && piece.weighedG !== null
    ? { piece, off: 100 * (piece.weighedG / piece.predictedG - 1) }
    : null
})
</script>

<template>
  <div class="stack">
    <h3>First piece</h3>
    <p v-if="!first">
      Print one piece that stands for the rest, weigh it, and enter it before you print the others: a heavy
      skin shows on the first piece.
    </p>
    <p v-else-if="Math.abs(first.off) <= 7">
      <b class="good">Release the rest.</b> {{ first.piece.name }} is {{ signed(first.off, 1) }} % off its
      prediction; 7 % is allowed.
    </p>
    <p v-else>
      <b class="bad">Hold the rest.</b> {{ first.piece.name }} is {{ signed(first.off, 1) }} % off its
      prediction; 7 % is allowed.
      {{
        first.off > 0 ? 'Check flow, bead width and infill.' : 'Look for missing layers and starved beads.'
      }}
    </p>
    <h3>Forecast</h3>
    <table class="ledger">
      <tbody>
        <tr>
          <td>Weighed so far</td>
          <td class="r num">{{ t.weighedCount }} of {{ now.pieces.length }}</td>
        </tr>
        <tr>
          <td>Flying weight, as predicted</td>
          <td class="r num">{{ amount(t.massG, 'g') }}</td>
        </tr>
        <tr>
          <td>if the rest runs like the weighed</td>
          <td class="r num" :class="{ bad: t.forecastMassG > doc.brief.targetMassG }" data-figure="forecast">
            {{ amount(t.forecastMassG, 'g') }}
          </td>
        </tr>
        <tr>
          <td>Target</td>
          <td class="r num">{{ amount(doc.brief.targetMassG, 'g') }}</td>
        </tr>
        <tr>
          <td>CG forecast</td>
          <td class="r num">{{ amount(t.forecastCgMm, 'mm', 1) }}</td>
        </tr>
        <tr>
          <td>Band</td>
          <td class="r num">
            {{ amountOf(now.flight.cgRangeMm[0], 'mm') }}–{{ amount(now.flight.cgRangeMm[1], 'mm') }}
          </td>
        </tr>
      </tbody>
    </table>
    <p class="quiet small">Unweighed pieces take the mean ratio of the weighed ones of the same filament.</p>
  </div>
</template>

<style scoped>
.small {
  font-size: 12.5px;
}
</style>
