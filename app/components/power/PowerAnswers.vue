<script setup lang="ts">
/** Answers first: pull, climb, speed, minutes; then what is passed; then the curves. */
import type { PowerReport } from '../../../core/workshop/power'
import { amount, figure, worded } from '~/composables/format'

const props = defineProps<{ report: PowerReport; old: boolean }>()
const own = computed(() => props.report.figures!)
const broken = computed(() => own.value.limits.filter(limit => !limit.ok))
const WORDS = {
  launch: 'launch',
  climb: 'climb',
  cruise: 'cruise',
  aerobatics: 'aerobatics',
  idle: 'glide',
} as const
const at = (seconds: number) => (seconds >= 60 ? amount(seconds / 60, 'min', 1) : amount(seconds, 's'))
const taken = computed(() => own.value.plan.parts.reduce((sum, part) => sum + part.chargeMah, 0))
const efficient = computed(() =>
  own.value.bySpeed.reduce((best, row) => (row.efficiency > best.efficiency ? row : best)),
)
</script>

<template>
  <section>
    <p class="first" data-figure="power-sentence">
      It pulls <b class="num">{{ amount(own.static.thrustN, 'N', 1) }}</b>,{{ ' '
      }}<b class="num" data-figure="to-weight">{{ figure(own.static.toWeight, 2) }}</b> of its weight, at
      <b class="num" data-figure="current">{{ amount(own.static.currentA, 'A', 1) }}</b>;
      <template v-if="own.climb"
        >climbs with <b class="num" data-figure="climb">{{ amount(own.climb.ms, 'm/s', 1) }}</b>, flies level
        up to <b class="num" data-figure="level-max">{{ amount(own.levelMaxMs, 'm/s', 1) }}</b>, and stays up
        <b class="num" data-figure="minutes">{{
          own.plan.canMinutes === null ? 'over 6 h' : amount(own.plan.canMinutes, 'min', 0)
        }}</b>
        to {{ amount(own.plan.reservePct, '%') }} of charge.</template
      ><template v-else><b class="bad">it cannot stay level</b>.</template>
      <span v-if="old" class="quiet"> (of the design before)</span>
    </p>
    <p v-for="(item, i) in report.absurd" :key="`a${i}`" class="bad" role="status" data-absurd>
      {{ worded(item) }}.
    </p>
    <ul v-if="broken.length" class="broken" aria-label="What is passed">
      <li v-for="limit in broken" :key="limit.id" :data-limit="limit.id">
        <b class="bad">{{ worded(limit.what) }}: {{ amount(limit.value, limit.unit, limit.digits) }}</b
        >, {{ limit.side === 'most' ? 'at most' : 'at least' }}
        {{ amount(limit.limit, limit.unit, limit.digits) }}. {{ worded(limit.remedy) }}.
      </li>
    </ul>
    <p v-else class="good small">Nothing that is looked at is passed.</p>

    <slot />
    <div class="two">
      <PowerCurves :figures="own" />
      <div>
        <h3>The flight as planned</h3>
        <div
          class="bar"
          role="img"
          :aria-label="`Charge by parts of the flight, ${figure(own.plan.leftPct)} % left`"
        >
          <span
            v-for="(part, i) in own.plan.parts"
            :key="i"
            :class="['part', `p${i % 4}`]"
            :style="{ width: `${Math.max(0.4, (100 * part.chargeMah) / Math.max(1, own.usableMah))}%` }"
          />
          <span class="rest" :style="{ width: `${own.plan.leftPct}%` }"
            ><i
              class="mark"
              :style="{ right: `${(100 * own.plan.reservePct) / Math.max(1, own.plan.leftPct)}%` }"
          /></span>
        </div>
        <table class="ledger" data-table="plan">
          <tbody>
            <tr v-for="(part, i) in own.plan.parts" :key="i">
              <td><span :class="['key', `p${i % 4}`]" /> {{ WORDS[part.kind] }}</td>
              <td class="r num">{{ at(part.flownS) }}</td>
              <td class="r num">{{ amount(part.throttlePct, '%') }}</td>
              <td class="r num">{{ amount(part.currentA, 'A', 1) }}</td>
              <td class="r num">{{ amount(part.chargeMah, 'mAh') }}</td>
              <td :class="{ bad: !part.enough }">
                {{ part.enough ? '' : part.flownS < part.seconds ? 'runs out' : 'sinks' }}
              </td>
            </tr>
            <tr>
              <td><b>in all</b></td>
              <td class="r num">
                <b>{{ amount(own.plan.minutes, 'min', 1) }}</b>
              </td>
              <td />
              <td />
              <td class="r num">{{ amount(taken, 'mAh') }}</td>
              <td />
            </tr>
            <tr>
              <td>left in the pack</td>
              <td class="r num" data-figure="left">{{ amount(own.plan.leftPct, '%') }}</td>
              <td colspan="4" class="quiet small">
                land with {{ amount(own.plan.reservePct, '%') }}, dashed
              </td>
            </tr>
          </tbody>
        </table>
        <p class="small quiet">
          Warmest on the way: motor {{ amount(own.heat.motorC, '°C') }}, controller
          {{ amount(own.heat.controllerC, '°C') }}, pack {{ amount(own.heat.packC, '°C') }}; ± 30 % of the
          rise.
        </p>
      </div>
    </div>

    <DuctWay v-if="own.duct" :duct="own.duct" />
    <table class="ledger limits" data-table="limits">
      <thead>
        <tr>
          <th>Looked at</th>
          <th class="r">Is</th>
          <th class="r">Limit</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="limit in own.limits" :key="limit.id">
          <td>{{ worded(limit.what) }}</td>
          <td class="r num">{{ amount(limit.value, limit.unit, limit.digits) }}</td>
          <td class="r num">
            {{ limit.side === 'most' ? '≤' : '≥' }} {{ amount(limit.limit, limit.unit, limit.digits) }}
          </td>
          <td :class="limit.ok ? 'good' : 'bad'">{{ limit.ok ? 'holds' : 'passed' }}</td>
        </tr>
        <tr>
          <td>
            Thumb: thrust over weight 0.5 for a gentle hand launch, 0.8–1 for aerobatics, over 1 to climb
            straight up
          </td>
          <td class="r num">{{ figure(own.static.toWeight, 2) }}</td>
          <td />
          <td />
        </tr>
        <tr>
          <td>Thumb: 100–250 W/kg gentle to sporty, 400 and more for jets</td>
          <td class="r num">{{ amount(own.static.wattsPerKg, 'W/kg') }}</td>
          <td />
          <td />
        </tr>
      </tbody>
    </table>
    <p class="small">
      {{ worded(own.line.reading) }}. Standing it turns
      <span class="num" data-figure="rpm">{{ amount(own.static.rpm, 'rev/min') }}</span> on
      {{ amount(own.static.voltageV, 'V', 1) }} and {{ amount(own.static.powerW, 'W') }}; the motor gives
      {{ amount(100 * own.static.motorEfficiency, '%') }} of that to the shaft, and the pull is
      {{ amount(100 * own.static.ofIdeal, '%') }} of what an ideal disc would make of it. Best in flight:
      {{ amount(100 * efficient.efficiency, '%') }} at {{ amount(efficient.speedMs, 'm/s') }}.
    </p>
    <p v-for="(item, i) in report.assumed" :key="`s${i}`" class="small quiet">{{ worded(item) }}.</p>
    <p class="small quiet">
      By blade elements and momentum with our own section polars, blades half as rough again as clean ones;
      with 95 % of charge, in still air at the field’s height and temperature. A thrust stand corrects it.
    </p>
  </section>
</template>

<style scoped>
.first {
  font-size: 15px;
  line-height: 1.45;
  margin: 2px 0 8px;
}
.broken {
  margin: 0 0 6px;
  padding-left: 18px;
  font-size: 13px;
  line-height: 1.4;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
  gap: 18px;
}
/* Six columns stand beside the curves. */
.two .ledger td {
  padding-inline: 3px;
}
.bar {
  display: flex;
  height: 20px;
  border: 1px solid var(--hair);
  border-radius: 3px;
  overflow: hidden;
  margin-bottom: 6px;
}
.part {
  display: block;
}
.rest {
  position: relative;
  flex: 1;
}
.mark {
  position: absolute;
  top: 0;
  bottom: 0;
  border-left: 2px dashed rgb(var(--v-theme-error));
}
.key {
  display: inline-block;
  width: 10px;
  height: 10px;
  border-radius: 2px;
}
.p0 {
  background: rgb(var(--v-theme-primary));
}
.p1 {
  background: rgb(var(--v-theme-secondary));
}
.p2 {
  background: color-mix(in srgb, rgb(var(--v-theme-secondary)) 45%, transparent);
}
.p3 {
  background: var(--hair);
}
.two td:first-child {
  white-space: nowrap;
}
.limits {
  margin-top: 12px;
}
@media (max-width: 700px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
