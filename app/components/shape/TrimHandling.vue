<script setup lang="ts">
/** Trim at three speeds with payload in and out, and how it behaves when left alone, in plain words. */
import { figure, signed, worded } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { doc, now } = useBench()
const rows = computed(() => now.value.trim)
const hand = computed(() => now.value.handling)
const both = computed(() => rows.value.some(row => !row.payload))
const control = computed(() => {
  const kind = doc.value.tail.kind
  return kind === 'none' ? 'Elevons' : kind === 'V' ? 'V-tail' : 'Elevator'
})
const setting = (deg: number | null) =>
  deg === null
    ? 'none'
    : Math.abs(deg) < 0.05
      ? '0.0°'
      : `${figure(Math.abs(deg), 1)}° ${deg < 0 ? 'up' : 'down'}`
const mark = { good: '', tight: 'watch', poor: 'mend' }
</script>

<template>
  <div class="stack2">
    <div>
      <table class="ledger">
        <thead>
          <tr>
            <th>Trimmed</th>
            <th class="r">Speed</th>
            <th class="r">CL</th>
            <th class="r">Incidence</th>
            <th class="r">{{ control }}</th>
            <th class="r">Glide</th>
            <th class="r">Sink</th>
          </tr>
        </thead>
        <tbody>
          <template v-for="row in rows" :key="`${row.id}${row.payload}`"
            ><tr :data-trim="`${row.id}-${row.payload ? 'in' : 'out'}`">
              <td class="name">
                {{ row.label
                }}<span v-if="both" class="quiet">, payload {{ row.payload ? 'in' : 'gone' }}</span>
              </td>
              <td class="r num">{{ figure(row.speedMs, 1) }} m/s</td>
              <td class="r num">{{ figure(row.cl, 2) }}</td>
              <td class="r num">{{ signed(row.alphaDeg, 1) }}°</td>
              <td class="r num" :class="{ bad: row.trouble }">{{ setting(row.controlDeg) }}</td>
              <td class="r num">1 : {{ figure(row.glideRatio, 1) }}</td>
              <td class="r num">{{ figure(row.sinkMs, 2) }} m/s</td>
            </tr>
            <tr v-if="row.trouble" class="trouble">
              <td colspan="7" class="small warn">{{ worded(row.trouble) }}</td>
            </tr></template
          >
        </tbody>
      </table>
      <p v-if="now.tailIncidenceDeg !== null && Math.abs(now.tailIncidenceDeg) > 0.2" class="small">
        Tailplane turned <b class="num">{{ figure(Math.abs(now.tailIncidenceDeg), 1) }}°</b>
        {{ now.tailIncidenceDeg > 0 ? 'nose up' : 'nose down' }} (now
        {{ figure(doc.tail.horizontal?.incidenceDeg ?? 0, 1) }}°) would let it cruise with the elevator in
        line.
      </p>
      <p class="small quiet">
        Incidence is that of the body's axis; power and drag do not pitch it here. Drag: induced in the far
        wake, profile by strips, body by friction, and 15 % for gaps and edges.
      </p>
      <p class="small quiet">
        Inertia with payload: roll <span class="num">{{ figure(hand.inertia.rollKgM2 * 1000, 1) }}</span>,
        pitch <span class="num">{{ figure(hand.inertia.pitchKgM2 * 1000, 1) }}</span>, yaw
        <span class="num">{{ figure(hand.inertia.yawKgM2 * 1000, 1) }} g·m²</span>, from the beads of every
        piece.
      </p>
    </div>
    <div>
      <table class="ledger">
        <thead>
          <tr>
            <th>Left alone at {{ figure(hand.speedMs, 0) }} m/s</th>
            <th />
            <th class="r">Swing</th>
            <th class="r">Halves in</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="mode in hand.modes" :key="mode.id" :data-mode="mode.id">
            <td class="name">
              <b>{{ mode.label }}</b>
              <span v-if="mark[mode.state]" class="flag" :class="mode.state">{{ mark[mode.state] }}</span>
            </td>
            <td>{{ worded(mode.words) }}</td>
            <td class="r num">
              {{ mode.periodS === null ? 'none' : `${figure(mode.periodS, mode.periodS < 10 ? 1 : 0)} s` }}
            </td>
            <td class="r num">
              {{ mode.grows ? 'grows ' : ''
              }}{{ mode.halfS > 99 ? 'over 99' : figure(mode.halfS, mode.halfS < 10 ? 2 : 0) }} s
            </td>
          </tr>
          <tr v-for="item in hand.readings" :key="item.id">
            <td class="name">
              <b>{{ item.label }}</b>
              <span v-if="mark[item.state]" class="flag" :class="item.state">{{ mark[item.state] }}</span>
            </td>
            <td>{{ worded(item.words) }}</td>
            <td class="r num" colspan="2">{{ signed(item.value, 3) }} per rad</td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>

<style scoped>
.stack2 {
  display: grid;
  gap: 14px;
}
.name {
  white-space: nowrap;
}
.flag {
  font-size: 11px;
  font-weight: 700;
  border: 1px solid currentcolor;
  border-radius: 5px;
  padding: 0 4px;
}
.flag.tight {
  color: rgb(var(--v-theme-warning));
}
.flag.poor {
  color: rgb(var(--v-theme-error));
}
.trouble td {
  border-top: 0;
}
</style>
