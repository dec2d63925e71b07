<script setup lang="ts">
/** Every piece as it stands on its bed. */
import { amount, amountOf, figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { now, doc, look } = useBench()
/** Sheets lie on no bed. */
const printed = computed(() => now.value.pieces.filter(piece => !piece.sheet))
const rows = computed(() => printed.value.filter(piece => piece.side !== 'port'))
const bed = computed(() => doc.value.printers.reduce((a, b) => (b.bedMm[2] > a.bedMm[2] ? b : a)))
const joint = (kind: string | undefined) => kind ?? '–'
</script>

<template>
  <div>
    <h2>{{ printed.length }} pieces, standing</h2>
    <p class="lead">
      Tallest bed: {{ bed.name }}, {{ bed.bedMm[2] }} mm. A port piece (P) is its starboard twin (S) in a
      mirror, never turned round.
    </p>
    <table class="ledger" data-table="split">
      <thead>
        <tr>
          <th>Mark</th>
          <th>Piece</th>
          <th class="r">Width × depth</th>
          <th class="r">Height</th>
          <th class="r">Tall by</th>
          <th>Foot, head</th>
          <th class="r">Overhang</th>
          <th class="r">Bridge</th>
          <th>Stands on</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="p in rows"
          :key="p.id"
          class="pick"
          :class="{ on: look.selected === p.id }"
          :data-piece="p.id"
          v-pick="() => (look.selected = p.id)"
        >
          <td class="num">{{ p.mark }}</td>
          <td>{{ p.name }}</td>
          <td class="r num">{{ amountOf(p.boxMm[0], 'mm') }} × {{ amount(p.boxMm[1], 'mm') }}</td>
          <td class="r num">{{ amount(p.boxMm[2], 'mm') }}</td>
          <td class="r num">{{ figure(p.slender, 1) }}×</td>
          <td>{{ joint(p.joints.foot?.kind) }}, {{ joint(p.joints.head?.kind) }}</td>
          <td class="r num">{{ amount(p.overhangMm2 / 100, 'cm²', 1) }}</td>
          <td class="r num">{{ amount(p.bridgeMm, 'mm') }}</td>
          <td :class="p.fits ? '' : 'bad'">{{ p.fits ? p.printerName : 'no bed takes it' }}</td>
        </tr>
      </tbody>
    </table>
    <p class="quiet small">
      “Tall by”: height over the narrower side of the foot, brim counted. Overhang: what each layer lays
      beyond 45° of the one below; bridge: its longest stretch over nothing.
    </p>
  </div>
</template>
