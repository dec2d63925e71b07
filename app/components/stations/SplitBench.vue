<script setup lang="ts">
import { figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { now, doc, look } = useBench()
const rows = computed(() => now.value.pieces.filter(piece => piece.side !== 'port'))
const bed = computed(() => doc.value.printers.reduce((a, b) => (b.bedMm[2] > a.bedMm[2] ? b : a)))
</script>

<template>
  <h2>{{ now.pieces.length }} pieces, standing</h2>
  <p class="lead">Tallest bed: {{ bed.name }}, {{ bed.bedMm[2] }} mm. A port piece is its starboard twin in a mirror.</p>
  <table class="ledger">
    <thead><tr><th>Piece</th><th class="r">Width × depth</th><th class="r">Height</th><th class="r">Turned</th><th>Zone</th><th>Fits</th></tr></thead>
    <tbody><tr v-for="p in rows" :key="p.id" class="pick" :class="{ on: look.selected === p.id }" @click="look.selected = p.id"><td>{{ p.name }}</td><td class="r num">{{ figure(p.boxMm[0]) }} × {{ figure(p.boxMm[1]) }} mm</td><td class="r num">{{ figure(p.boxMm[2]) }} mm</td><td class="r num">{{ p.turnDeg }}°</td><td>{{ p.zoneName }}</td><td :class="p.fits ? '' : 'bad'">{{ p.fits ? `on ${p.printerName}` : 'no bed takes it' }}</td></tr></tbody>
  </table>
</template>
