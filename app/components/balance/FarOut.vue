<script setup lang="ts">
/** What makes it slow to turn: every mass by what it adds about the three axes, the greatest for roll first. */
import { amount, figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { now, look } = useBench()
const AXES = [
  { key: 'rollKgM2', label: 'Roll' },
  { key: 'pitchKgM2', label: 'Pitch' },
  { key: 'yawKgM2', label: 'Yaw' },
] as const
type AxisKey = (typeof AXES)[number]['key']
const axis = ref<AxisKey>('rollKgM2')
/** Rows below this share of every axis are told in one. */
const LEAST = 0.005
const whole = computed(() => now.value.handling.inertia)
const share = (item: Record<AxisKey, number>, key: AxisKey) =>
  whole.value[key] > 0 ? item[key] / whole.value[key] : 0
const all = computed(() => {
  const rows = new Map(now.value.ledger.map(row => [row.id, row]))
  return now.value.handling.inertiaOf
    .map(item => ({ ...item, row: rows.get(item.id) }))
    .sort((a, b) => b[axis.value] - a[axis.value])
})
const shown = computed(() => all.value.filter(item => AXES.some(({ key }) => share(item, key) >= LEAST)))
/** Bars are to the longest of their column. */
const longest = computed(
  () =>
    Object.fromEntries(
      AXES.map(({ key }) => [key, Math.max(...all.value.map(item => share(item, key)))]),
    ) as Record<AxisKey, number>,
)
const rest = computed(() => {
  const others = all.value.filter(item => !shown.value.includes(item))
  const sum = (of: (item: (typeof others)[number]) => number) =>
    others.reduce((total, item) => total + of(item), 0)
  return {
    count: others.length,
    massG: sum(item => item.row?.massG ?? 0),
    rollKgM2: sum(item => item.rollKgM2),
    pitchKgM2: sum(item => item.pitchKgM2),
    yawKgM2: sum(item => item.yawKgM2),
  }
})
/** Where its mass would have to be as a point to turn as sluggishly, mm. */
const awayMm = (item: (typeof all.value)[number]) =>
  item.row && item.row.massG > 0 ? 1000 * Math.sqrt(item[axis.value] / (item.row.massG / 1000)) : null
const roll = computed(() => now.value.handling.modes.find(mode => mode.id === 'roll') ?? null)
</script>

<template>
  <div class="far" data-table="inertia">
    <p class="small">
      About the balance with payload: roll
      <b class="num" data-figure="inertia-roll">{{ figure(whole.rollKgM2 * 1000, 1) }} g·m²</b>, pitch
      <b class="num">{{ figure(whole.pitchKgM2 * 1000, 1) }} g·m²</b>, yaw
      <b class="num">{{ figure(whole.yawKgM2 * 1000, 1) }} g·m²</b>.
      <template v-if="roll && !roll.grows && roll.halfS > 0">
        A roll that is let go of halves in <span class="num">{{ figure(roll.halfS, 2) }} s</span>; a row with
        a tenth of the roll column makes about a tenth of that.
      </template>
      A gram counts by its distance from the axis squared: half as far out is a quarter.
    </p>
    <v-btn-toggle v-model="axis" mandatory density="compact" aria-label="Sorted by the axis">
      <v-btn v-for="item in AXES" :key="item.key" :value="item.key" size="small" :data-axis="item.key">{{
        item.label
      }}</v-btn>
    </v-btn-toggle>
    <table class="ledger">
      <thead>
        <tr>
          <th>What</th>
          <th class="r">Mass</th>
          <th class="r">Counts as a point at</th>
          <th v-for="item in AXES" :key="item.key" class="r" :class="{ by: item.key === axis }">
            {{ item.label }}
          </th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="item in shown"
          :key="item.id"
          class="pick"
          :class="{ on: look.selected === item.id }"
          :data-inertia="item.id"
          v-pick="() => (look.selected = item.id)"
        >
          <td>{{ item.row?.name ?? item.id }}</td>
          <td class="r num">{{ item.row ? amount(item.row.massG, 'g', 1) : '' }}</td>
          <td class="r num">{{ awayMm(item) === null ? '' : amount(awayMm(item)!, 'mm') }}</td>
          <td v-for="each in AXES" :key="each.key" class="r num share" :class="{ by: each.key === axis }">
            <i
              :style="{ width: `${(70 * share(item, each.key)) / longest[each.key]}%` }"
              aria-hidden="true"
            />{{ figure(100 * share(item, each.key), 1) }}
            %
          </td>
        </tr>
        <tr v-if="rest.count" class="quiet">
          <td>{{ rest.count }} more, each under 0.5 % of every axis</td>
          <td class="r num">{{ amount(rest.massG, 'g', 1) }}</td>
          <td />
          <td v-for="each in AXES" :key="each.key" class="r num">
            {{ figure(100 * share(rest, each.key), 1) }} %
          </td>
        </tr>
      </tbody>
    </table>
    <p class="quiet small">
      Printed pieces from their beads, stock as rods, equipment as boxes, shares of glue and wire with what
      they belong to. The axes are those of the aircraft, through the balance.
    </p>
  </div>
</template>

<style scoped>
.far {
  max-width: 900px;
}
.share {
  position: relative;
  min-width: 92px;
}
.share i {
  position: absolute;
  right: 0;
  bottom: 1px;
  height: 3px;
  background: color-mix(in srgb, rgb(var(--v-theme-on-background)) 30%, transparent);
}
.share.by i {
  background: rgb(var(--v-theme-secondary));
}
th.by {
  font-weight: 750;
}
.ledger {
  margin-top: 8px;
}
@media (max-width: 700px) {
  .share i {
    display: none;
  }
}
</style>
