<script setup lang="ts">
/** Up to three combinations side by side, zone by zone; what differs stands out. */
import type { StudyPoint } from '../../../core/study/combinations'
import { amount, figure } from '~/composables/format'
import { AXES, AXIS_IDS, type Axis } from '~/composables/study-axes'
import { useBench } from '~/composables/useBench'
import { useStudy } from '~/composables/useStudy'

const props = defineProps<{ points: readonly StudyPoint[] }>()
const { doc, project } = useBench()
const { designed, ran } = useStudy()
const nameOf = (id: string) =>
  doc.value.zones.find(zone => zone.id === id)?.name ??
  doc.value.spars.find(spar => spar.id === id)?.name ??
  id
const text = (point: StudyPoint, axis: Axis) =>
  `${axis === 'cost' ? `${doc.value.brief.currency} ` : ''}${figure(AXES[axis].share ? 100 * point[axis] : point[axis], AXES[axis].digits)} ${AXES[axis].unit}`
const best = (axis: Axis) =>
  props.points.reduce(
    (a, b) => ((AXES[axis].least ? b[axis] < a[axis] : b[axis] > a[axis]) ? b : a),
    props.points[0]!,
  )[axis]
const differs = (id: string) => new Set(props.points.map(point => point.choices[id])).size > 1
const title = (point: StudyPoint) =>
  `A combination of ${amount(point.massG, 'g')}, ${figure(point.hours, 1)} h, reserve ${figure(point.reserveFactor, 2)}`
const take = (point: StudyPoint) => project.takeOffer(title(point), designed(point), ran.value?.doc ?? null)
const keep = (point: StudyPoint) => project.said(() => project.mark(title(point), designed(point)))
</script>

<template>
  <table class="ledger" data-table="compared">
    <tbody>
      <tr>
        <td />
        <td v-for="point in points" :key="point.id" class="r">
          <v-btn size="x-small" data-keep-point @click="keep(point)">As a mark</v-btn>
          <v-btn size="x-small" color="primary" variant="flat" data-take-point @click="take(point)"
            >Take</v-btn
          >
        </td>
      </tr>
      <tr v-for="axis in AXIS_IDS" :key="axis">
        <td>{{ AXES[axis].name[0]!.toUpperCase() + AXES[axis].name.slice(1) }}</td>
        <td
          v-for="point in points"
          :key="point.id"
          class="r num"
          :class="{ strong: points.length > 1 && point[axis] === best(axis) }"
        >
          {{ text(point, axis) }}
        </td>
      </tr>
      <tr>
        <td>Static margin</td>
        <td v-for="point in points" :key="point.id" class="r num">
          {{ figure(point.staticMarginPct, 1) }} %
        </td>
      </tr>
      <tr
        v-for="id in Object.keys(points[0]!.choices)"
        :key="id"
        :class="{ quiet: points.length > 1 && !differs(id) }"
      >
        <td>{{ nameOf(id) }}</td>
        <td v-for="point in points" :key="point.id" class="r small wrap">{{ point.choices[id] }}</td>
      </tr>
      <tr v-if="points.some(point => point.broken.length)">
        <td>Misses</td>
        <td v-for="point in points" :key="point.id" class="r small wrap bad">
          {{ point.broken.map(worded).join('; ') }}
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.wrap {
  white-space: normal !important;
}
.strong {
  font-weight: 700;
}
</style>
