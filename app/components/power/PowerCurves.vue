<script setup lang="ts">
/** Thrust over speed, throttle or charge, with drag, what else is asked for, and the limits drawn in. */
import type { PowerFigures } from '../../../core/workshop/power'
import type { PlotLimit, PlotLine } from '~/components/common/PlotLines.vue'
import { figure } from '~/composables/format'

const props = defineProps<{ figures: PowerFigures }>()
const over = useState('power-over', () => 'speed')
const views = [
  { id: 'speed', label: 'over speed' },
  { id: 'throttle', label: 'over throttle' },
  { id: 'charge', label: 'over charge' },
]
const currentLimits = computed((): PlotLimit[] => {
  const { motorMaxA, controllerA, packA } = props.figures.limitsAt
  const most = props.figures.static.currentA
  return [
    { y: motorMaxA, label: `motor ${figure(motorMaxA)} A`, right: true, broken: motorMaxA < most },
    ...(controllerA === null
      ? []
      : [
          {
            y: controllerA,
            label: `controller ${figure(controllerA)} A`,
            right: true,
            broken: controllerA < most,
          },
        ]),
    // A pack that bears three times as much would only flatten the curve.
    ...(packA > 2 * Math.max(most, motorMaxA)
      ? []
      : [{ y: packA, label: `pack ${figure(packA)} A`, right: true, broken: packA < most }]),
  ]
})
type SpeedRow = PowerFigures['bySpeed'][number]
/** What is drawn beside thrust and drag, at the right. */
const second = useState('power-second', () => 'current')
const SECONDS: Array<{ id: string; label: string; unit: string; of: (row: SpeedRow) => number }> = [
  { id: 'current', label: 'current', unit: 'A', of: row => Math.max(0, row.currentA) },
  { id: 'power', label: 'power', unit: 'W', of: row => Math.max(0, row.powerW) },
  { id: 'turns', label: 'turns', unit: 'rev/min', of: row => row.rpm },
  { id: 'propeller', label: 'propeller’s efficiency', unit: '%', of: row => 100 * row.efficiency },
  { id: 'motor', label: 'motor’s efficiency', unit: '%', of: row => 100 * row.motorEfficiency },
]
const beside = computed(() => {
  const chosen = SECONDS.find(item => item.id === second.value) ?? SECONDS[0]!
  const { rpm } = props.figures.limitsAt
  const most = Math.max(...props.figures.bySpeed.map(row => row.rpm))
  const limits: PlotLimit[] =
    chosen.id === 'current'
      ? currentLimits.value
      : chosen.id === 'turns' && rpm !== null
        ? [{ y: rpm, label: `blades bear ${figure(rpm)} rev/min`, right: true, broken: rpm < most }]
        : []
  return { ...chosen, limits }
})
const plot = computed(() => {
  const { bySpeed, byThrottle, byCharge } = props.figures
  const line = <T,>(rows: readonly T[], x: (row: T) => number, y: (row: T) => number | null) =>
    rows.map(row => ({ x: x(row), y: y(row) }))
  const choose: Record<
    string,
    () => { lines: PlotLine[]; x: { label: string; unit: string }; limits: PlotLimit[] }
  > = {
    speed: () => ({
      x: { label: 'speed of flight, full throttle', unit: 'm/s' },
      limits: beside.value.limits,
      lines: [
        {
          label: 'thrust',
          points: line(
            bySpeed,
            r => r.speedMs,
            r => Math.max(0, r.thrustN),
          ),
        },
        {
          label: 'drag, level',
          colour: 'ink',
          dash: [7, 3],
          points: line(
            bySpeed,
            r => r.speedMs,
            r => r.dragN,
          ),
        },
        {
          label: beside.value.label,
          right: true,
          colour: 'secondary',
          dash: [2, 3],
          points: line(bySpeed, r => r.speedMs, beside.value.of),
        },
      ],
    }),
    throttle: () => ({
      x: { label: 'throttle, standing', unit: '%' },
      limits: currentLimits.value,
      lines: [
        {
          label: 'thrust',
          points: line(
            byThrottle,
            r => r.throttlePct,
            r => r.thrustN,
          ),
        },
        {
          label: 'current',
          right: true,
          colour: 'secondary',
          dash: [2, 3],
          points: line(
            byThrottle,
            r => r.throttlePct,
            r => r.currentA,
          ),
        },
      ],
    }),
    charge: () => ({
      x: { label: 'charge left, full throttle, standing', unit: '%' },
      limits: [
        {
          y: 3.3,
          label: '3.3 V a cell',
          right: true,
          broken: byCharge.some(r => r.cellV < 3.3 && r.leftPct >= 25),
        },
      ],
      lines: [
        {
          label: 'thrust',
          points: line(
            byCharge,
            r => r.leftPct,
            r => r.thrustN,
          ),
        },
        {
          label: 'a cell',
          right: true,
          colour: 'secondary',
          dash: [2, 3],
          points: line(
            byCharge,
            r => r.leftPct,
            r => r.cellV,
          ),
        },
      ],
    }),
  }
  return choose[over.value]!()
})
const rightAxis = computed(() =>
  over.value === 'charge'
    ? { label: 'volts of a cell', unit: 'V' }
    : over.value === 'speed'
      ? { label: beside.value.label, unit: beside.value.unit }
      : { label: 'current', unit: 'A' },
)
</script>

<template>
  <figure class="curve">
    <PickOne v-model="over" :options="views" label="Curves" mark="over" />
    <PickOne
      v-if="over === 'speed'"
      v-model="second"
      :options="SECONDS"
      label="At the right"
      lead="at the right"
      mark="second"
    />
    <PlotLines
      :lines="plot.lines"
      :limits="plot.limits"
      :x="plot.x"
      :left="{ label: 'force', unit: 'N' }"
      :right="rightAxis"
      :label="`Thrust ${over === 'speed' ? 'and drag ' : ''}${plot.x.label}; ${rightAxis.label} at the right`"
      :height="236"
    />
  </figure>
</template>

<style scoped>
.curve {
  margin: 6px 0 0;
}
</style>
