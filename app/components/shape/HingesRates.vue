<script setup lang="ts">
/** What each control surface asks of its servo at top speed, and rates to start with. */
import { withUnit } from '../../../core/units'
import { amount, figure, worded } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { doc, now } = useBench()
const controls = computed(() => now.value.controls)
const boom = computed(() => now.value.strength.boom)
const rates = computed(() => now.value.rates)
const pull = (item: { axis: string; unit: string }, value: number) =>
  item.axis === 'pitch' ? `${amount(value + 1, 'gₙ', 1)}` : withUnit(figure(value), item.unit)
</script>

<template>
  <div>
    <p v-if="!controls.length" class="quiet">
      No control surfaces yet: add them at the right, under the surface they belong to.
    </p>
    <template v-else>
      <table class="ledger">
        <thead>
          <tr>
            <th>Control</th>
            <th class="r">Chord</th>
            <th class="r">Up</th>
            <th class="r">Down</th>
            <th class="r">Hinge at {{ figure(doc.brief.topSpeedMs) }} m/s</th>
            <th>Servo</th>
            <th class="r">turns</th>
            <th class="r">holds</th>
          </tr>
        </thead>
        <tbody>
          <template v-for="item in controls" :key="item.id"
            ><tr :data-control="item.id">
              <td>{{ item.name }}</td>
              <td class="r num">{{ amount(item.hingeChordMm, 'mm') }}</td>
              <td class="r num">{{ amount(item.upMm, 'mm', 1) }}, {{ item.upDeg }}°</td>
              <td class="r num">{{ amount(item.downMm, 'mm', 1) }}, {{ item.downDeg }}°</td>
              <td class="r num" :data-figure="`hinge-${item.id}`">{{ figure(item.hingeNcm, 1) }} N·cm</td>
              <td>{{ item.servoName ?? 'none named' }}</td>
              <td class="r num">
                {{ item.servoAngleDeg === null ? '–' : `${figure(item.servoAngleDeg)}°`
                }}<span v-if="item.servoTravelDeg !== null" class="quiet">
                  of {{ item.servoTravelDeg }}°</span
                >
              </td>
              <td class="r num" :class="{ bad: item.trouble && item.servoNeedsNcm !== null }">
                {{ item.servoNeedsNcm === null ? '–' : `${figure(item.servoNeedsNcm, 1)}`
                }}<span v-if="item.servoHasNcm !== null" class="quiet">
                  of {{ figure(item.servoHasNcm, 1) }} N·cm</span
                >
              </td>
            </tr>
            <tr v-if="item.trouble">
              <td colspan="8" class="small warn">{{ worded(item.trouble) }}</td>
            </tr></template
          >
        </tbody>
      </table>
      <table class="ledger rates">
        <thead>
          <tr>
            <th>Rates to start with</th>
            <th class="r">Throw</th>
            <th class="r">Low</th>
            <th class="r">gives</th>
            <th class="r">High</th>
            <th class="r">gives</th>
            <th class="r">Expo</th>
            <th>At cruise</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="item in rates" :key="item.axis" :data-rate="item.axis">
            <td>{{ item.axis[0]!.toUpperCase() + item.axis.slice(1) }}: {{ item.control.toLowerCase() }}</td>
            <td class="r num">{{ figure(item.fullDeg) }}°</td>
            <td class="r num">
              <b>{{ figure(100 * item.lowShare) }} %</b>
            </td>
            <td class="r num">{{ pull(item, item.lowResponse) }}</td>
            <td class="r num">
              <b>{{ figure(100 * item.highShare) }} %</b>
            </td>
            <td class="r num">{{ pull(item, item.highResponse) }}</td>
            <td class="r num">
              <b>{{ figure(100 * item.expo) }} %</b>
            </td>
            <td class="quiet">
              {{ worded(item.words)
              }}<template v-if="item.timeS !== null"
                >; two thirds of it after {{ figure(item.timeS, 2) }} s</template
              >
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="boom" class="small quiet" data-boom-gives>
        The boom gives: {{ figure(100 * boom.leftCruise.pitch) }} % of the elevator and
        {{ figure(100 * boom.leftCruise.yaw) }} % of the rudder are left at cruise,
        {{ figure(100 * boom.leftTop.pitch) }} % and {{ figure(100 * boom.leftTop.yaw) }} % at top speed.
        Rates, trim and modes reckon with it.
      </p>
      <p class="small quiet">
        Chord and throws at the inner end of each surface. Hinge moments by thin-aerofoil theory, nothing
        taken off: real ones are about a quarter less. A servo should hold with 60 % of its torque. Low rates
        aim at 90°/s, 1.8 g and 10° of sideslip, high ones at 200°/s, what wing and stall allow, and 20°; the
        exponential keeps a quarter of the stick under 25°/s, 0.25 g and 3°.
      </p>
      <p class="caution">Check every direction of travel with the propeller off before the first flight.</p>
    </template>
  </div>
</template>

<style scoped>
.rates {
  margin-top: 14px;
}
</style>
