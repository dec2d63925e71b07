<script setup lang="ts">
/**
 * What carries besides the wing: boom, body, tails, legs and mounts, each place with its reserve; and what launches
 * and landings do.
 */
import { amount, figure, worded } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { doc, now } = useBench()
const s = computed(() => now.value.strength)
const shown = computed(() => s.value.places.slice(0, 20))
const words = { legs: 'on its legs', belly: 'on its belly', net: 'in a net' }
</script>

<template>
  <div class="split">
    <div class="scroll">
      <table class="ledger" data-table="places">
        <thead>
          <tr>
            <th>Place</th>
            <th>first to go</th>
            <th class="r">Reserve</th>
            <th>what acts</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="place in shown" :key="place.id" :data-place="place.id">
            <td class="place">
              {{ place.label }}
              <div class="small quiet num">{{ amount(place.xMm, 'mm') }} aft</div>
            </td>
            <td>
              {{ place.mode }}
              <div class="small quiet">{{ place.case }}</div>
            </td>
            <td class="r num" :class="{ bad: place.reserve < 1 }">
              {{ place.reserve > 99 ? 'plenty' : figure(place.reserve, 2) }}
            </td>
            <td class="small quiet">
              {{ worded(place.words)
              }}<template v-if="place.reserve < 1.2">; mends it: {{ worded(place.remedy) }}</template>
            </td>
          </tr>
          <tr v-if="!shown.length">
            <td colspan="4" class="quiet">
              No boom, no body, no tail and no legs: the wing is all there is.
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <div>
      <h2>Landing {{ words[s.gear.on] }}</h2>
      <p v-if="s.gear.on !== 'net'" class="lead">
        A drop from {{ amount(s.gear.heightMm, 'mm') }} is {{ figure(s.gear.sinkMs, 2) }} m/s. It gives
        <span class="num">{{ amount(s.gear.travelMm, 'mm', 1) }}</span>; the peak is
        <b class="num" data-figure="peak">{{ figure(s.gear.peakN) }} N</b>,
        <span class="num">{{ figure(s.gear.factor, 1) }}</span> times the weight. Fell
        {{ figure(s.gear.fallJ, 2) }} J, taken up {{ figure(s.gear.workJ, 2) }} J.
      </p>
      <p v-else class="lead">The net stops it over about a metre.</p>
      <p v-if="s.gear.on === 'belly'" class="small quiet">
        Grass and belly are taken to give 25 mm like a spring.
        {{
          doc.brief.landing === 'wheels'
            ? 'It is to land on wheels, but has no leg: add one in the tray.'
            : ''
        }}
      </p>
      <template v-if="s.boom"
        ><h3>Boom, {{ amount(s.boom.lengthMm, 'mm') }} free</h3>
        <table class="ledger">
          <tbody>
            <tr>
              <td>Elevator left, cruise and top</td>
              <td class="r num" data-figure="boom-effect">
                {{ figure(100 * s.boom.leftCruise.pitch) }} %, {{ figure(100 * s.boom.leftTop.pitch) }} %
              </td>
            </tr>
            <tr>
              <td>Rudder left, cruise and top</td>
              <td class="r num" data-figure="boom-rudder">
                {{ figure(100 * s.boom.leftCruise.yaw) }} %, {{ figure(100 * s.boom.leftTop.yaw) }} %
              </td>
            </tr>
            <tr>
              <td>Twist, full rudder at cruise</td>
              <td class="r num">{{ figure(s.boom.twistDeg, 1) }}°</td>
            </tr>
            <tr>
              <td>Whip at touchdown</td>
              <td class="r num">
                {{ figure(s.boom.whip.force, 1) }} N, {{ figure(s.boom.whip.factor, 1) }} ×
              </td>
            </tr>
            <tr>
              <td>One swing of the tail</td>
              <td class="r num">{{ figure(1000 * s.boom.whip.periodS) }} ms</td>
            </tr>
          </tbody>
        </table></template
      >
      <p class="small quiet">
        Tail surfaces lift at most 0.9 of the pressure of cruise on their area; the tail rides on the boom
        like a mass on a spring, undamped. Hatches are holes in the shell: their corners see 2.5 times the
        stress, their edges buckle as strips held on one side with half the help of a whole shell.
      </p>
    </div>
  </div>
</template>

<style scoped>
.split {
  display: grid;
  grid-template-columns: 1.5fr 1fr;
  gap: 22px;
  align-items: start;
}
.scroll {
  overflow-x: auto;
}
.place {
  min-width: 92px;
}
@media (max-width: 700px) {
  .split {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
