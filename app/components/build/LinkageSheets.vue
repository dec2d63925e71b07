<script setup lang="ts">
/** Every rod as it is made: holes, lengths, turns, drawn to scale; and what to note of each channel. */
import { channelList } from '../../../core/workshop/build'
import { amount, figure, worded } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useBuild } from '~/composables/useBuild'
import RodDrawing from './RodDrawing.vue'

const { doc } = useBench()
const { linkages } = useBuild()
const channels = computed(() => channelList(doc.value, linkages.value))
</script>

<template>
  <div class="rods">
    <p v-if="linkages.length === 0" class="lead">
      No control has a servo and a horn yet. Shape sets both, under the control of each surface.
    </p>
    <p v-else class="lead">
      <b>{{ linkages.length }} rods.</b> Lengths are between the holes, servo and surface at their middles. A
      servo at right angles to its rod moves the surface alike both ways; horn longer than arm turns it less
      and holds it harder.
    </p>
    <section v-for="sheet in linkages" :key="sheet.id" class="sheet" :data-rod="sheet.id">
      <div>
        <h3>{{ sheet.name }}</h3>
        <p class="small">
          Rod <b class="num">{{ amount(sheet.rodMm, 'mm', 1) }}</b> from the arm's hole at
          <b class="num">{{ amount(sheet.armMm, 'mm', 1) }}</b> to the horn's at
          <b class="num">{{ amount(sheet.hornMm, 'mm', 1) }}</b>, {{ sheet.runs }} the surface. Throw at the
          edge <span class="num">{{ figure(sheet.throwUpMm, 1) }}</span> up,
          <span class="num">{{ amount(sheet.throwDownMm, 'mm', 1) }}</span> down; {{ sheet.servo }} turns
          <span class="num">{{ amount(sheet.servoUpDeg, '°', 0) }}</span> and
          <span class="num">{{ amount(sheet.servoDownDeg, '°', 0) }}</span><template
            v-if="sheet.travelDeg !== null"
          >
            of {{ amount(sheet.travelDeg, '°', 0) }}</template
          >.
        </p>
        <p class="small quiet">{{ worded(sheet.setUp) }}.</p>
        <p v-if="sheet.trouble" class="bad small" role="status">{{ worded(sheet.trouble) }}</p>
      </div>
      <RodDrawing :sheet="sheet" />
    </section>
    <table v-if="channels.length" class="ledger">
      <thead>
        <tr>
          <th>Servo</th>
          <th>Moves</th>
          <th>Channel</th>
          <th class="r">Turn up</th>
          <th class="r">Turn down</th>
          <th>To note on the bench</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="item in channels" :key="item.servo">
          <td>
            {{ item.servo }}<template v-if="item.count > 1">, {{ item.count }} of them</template>
          </td>
          <td>{{ item.moves.join('; ') || 'nothing yet' }}</td>
          <td>{{ item.channel }}</td>
          <td class="r num">{{ amount(item.upDeg, '°', 0) }}</td>
          <td class="r num">{{ amount(item.downDeg, '°', 0) }}</td>
          <td class="quiet">number, direction, sub-trim</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.lead {
  margin: 0 0 8px;
  color: inherit;
}
.sheet {
  display: grid;
  grid-template-columns: minmax(240px, 340px) minmax(0, 1fr);
  gap: 16px;
  border-bottom: 1px solid var(--hair);
  padding: 6px 0;
}
.sheet h3 {
  margin: 2px 0;
}
.sheet p {
  margin: 0;
}
@media (max-width: 700px) {
  .sheet {
    grid-template-columns: 1fr;
  }
}
</style>
