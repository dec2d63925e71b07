<script setup lang="ts">
import { WEIGH_LIMIT } from '../../../core/assess'
import { firstPieceState, releases } from '../../../core/workshop/print-room'
import { amount, amountOf, chance, figure, signed } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { doc, now } = useBench()
const t = computed(() => now.value.totals)
const ahead = computed(() => now.value.forecast)
/** The same rule as at Print: one piece of each filament, recipe and printer before the rest. */
const waiting = computed(() =>
  releases(doc.value, now.value).flatMap(release => {
    const piece = now.value.pieces.find(item => item.id === release.first)
    return piece && release.held.length > 0
      ? [{ ...firstPieceState(doc.value, piece), piece, held: release.held.length }]
      : []
  }),
)
const limit = 100 * WEIGH_LIMIT
function firstWord(off: number): string {
  if (Math.abs(off) <= limit) return 'Look it over and accept it at Print.'
  return off > 0 ? 'Check flow, bead width and infill.' : 'Look for missing layers and starved beads.'
}
</script>

<template>
  <div class="stack">
    <ScalePanel />
    <h3>First pieces</h3>
    <p v-if="!waiting.length">
      <b class="good">Nothing is held.</b> Of every filament, recipe and printer a piece has been accepted.
    </p>
    <p v-for="item in waiting" :key="item.piece.id" data-first>
      <b :class="item.offPercent !== null && Math.abs(item.offPercent) > limit ? 'bad' : ''">{{
        item.piece.name
      }}</b>
      goes before {{ item.held }} more like it{{
        item.offPercent === null
          ? '; it is not weighed yet.'
          : `: ${signed(item.offPercent, 1)} % off, ${figure(limit)} % is allowed. ${firstWord(item.offPercent)}`
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
          <td>with what the weighings taught</td>
          <td class="r num" :class="{ bad: ahead.massG > doc.brief.targetMassG }">
            <span data-figure="forecast">{{ amount(ahead.massG, 'g') }}</span>
            <span class="quiet"> ± {{ amountOf(ahead.massSigmaG, 'g') }}</span>
          </td>
        </tr>
        <tr>
          <td>Chance to meet the target</td>
          <td class="r num" data-figure="forecast-chance">{{ chance(ahead.chanceWeight) }}</td>
        </tr>
        <tr>
          <td>Target</td>
          <td class="r num">{{ amount(doc.brief.targetMassG, 'g') }}</td>
        </tr>
        <tr>
          <td>CG forecast</td>
          <td class="r num">
            {{ amount(ahead.cgMm, 'mm', 1) }}
            <span class="quiet">± {{ amountOf(ahead.cgSigmaMm, 'mm', 1) }}</span>
          </td>
        </tr>
        <tr>
          <td>Band</td>
          <td class="r num">
            {{ amountOf(now.flight.cgRangeMm[0], 'mm') }}–{{ amount(now.flight.cgRangeMm[1], 'mm') }}
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="ahead.restG > 0 && ahead.restFactor !== null" :class="{ bad: ahead.restFactor < 0.92 }">
      <template v-if="ahead.restFactor >= 1">
        {{ amount(ahead.restG, 'g') }} are still to make, and the target leaves room.
      </template>
      <template v-else>
        {{ amount(ahead.restG, 'g') }} are still to make. To meet the target they must come out
        {{ figure(100 * (1 - ahead.restFactor), 1) }} % lighter{{
          ahead.restFactor < 0.92
            ? ': more than flow can give. Ask beside the table what the rest can mend.'
            : '.'
        }}
      </template>
    </p>
    <p class="quiet small">
      Each weighing corrects the rest by what it shares with them: filament, printer, recipe and size, each
      taken as far off as such things usually are.
    </p>
  </div>
</template>

<style scoped>
.small {
  font-size: 12.5px;
}
</style>
