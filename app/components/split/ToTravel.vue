<script setup lang="ts">
/** What the aircraft comes to taken apart, how that lies in its box, and what would make it smaller. */
import type { Travel } from '../../../core/assess'
import { amount, figure, signedAmount, worded } from '~/composables/format'
import { useAside } from '~/composables/useAside'
import { useBench } from '~/composables/useBench'

const { now, project } = useBench()
const { answer, busy, of, fresh, fault } = useAside((core, subject) => core.travelling(subject))
const travel = computed<Travel | null>(() => answer.value?.now ?? null)
const sides = (sizeMm: readonly number[]) =>
  `${sizeMm
    .slice(0, -1)
    .map(side => figure(Math.ceil(side)))
    .join(' × ')} × ${amount(Math.ceil(sizeMm.at(-1)!), 'mm')}`
/** From above, and from one long side. */
const VIEWS = [
  { name: 'From above', across: 1 },
  { name: 'From the side', across: 2 },
] as const
const drawn = computed(() => {
  const { boxMm, laid } = travel.value ?? {}
  if (!boxMm || !laid) return []
  return VIEWS.map(({ name, across }) => ({
    name,
    width: boxMm[0],
    height: boxMm[across],
    boxes: laid
      .map((item, i) => ({
        number: i + 1,
        x: item.at[0],
        // Heights are drawn upward.
        y: across === 2 ? boxMm[2] - item.at[2] - item.size[2] : item.at[1],
        width: item.size[0],
        height: item.size[across],
        near: item.at[3 - across] + item.size[3 - across],
      }))
      .sort((a, b) => a.near - b.near),
  }))
})
</script>

<template>
  <div :aria-busy="busy" data-table="travel">
    <p v-if="fault" class="bad" role="alert">This could not be computed: {{ fault }}.</p>
    <p v-else-if="!travel" class="quiet">Taking it apart …</p>
    <div v-else class="columns" :class="{ stale: !fresh }">
      <section>
        <p class="lead">
          Taken apart it comes to <b>{{ travel.parts.length }}</b>
          {{ travel.parts.length === 1 ? 'part' : 'parts' }}; the longest is
          <b class="num" data-figure="longest">{{ amount(Math.ceil(travel.longestMm), 'mm') }}</b>.
          <span v-if="travel.laid" class="good" data-travel="fits">All of it goes into its box.</span>
          <span v-else-if="travel.why" class="bad" data-travel="fails">{{ worded(travel.why) }}.</span>
          <span v-if="answer?.wouldDo"> One of {{ sides(answer.wouldDo) }} would do.</span>
        </p>
        <table class="ledger">
          <thead>
            <tr>
              <th class="r">No.</th>
              <th>Part</th>
              <th>Of pieces</th>
              <th class="r">Close box round it</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(part, i) in travel.parts" :key="part.id" :data-part="part.id">
              <td class="r num">{{ i + 1 }}</td>
              <td>{{ part.name }}</td>
              <td class="num small">{{ part.marks.join(' ') || 'bought' }}</td>
              <td class="r num">{{ sides(part.sizeMm) }}</td>
            </tr>
          </tbody>
        </table>
        <p class="quiet small">
          Each box is turned with its part to be small, and gets {{ amount(travel.paddingMm, 'mm') }} of
          padding on every side. Glue holds for ever: tails, booms, pods and legs stay on; propellers and
          spars that are pushed in travel beside.
        </p>
        <template v-if="answer!.ways.length">
          <h3>What would make it smaller</h3>
          <ul class="offers">
            <li v-for="way in answer!.ways" :key="way.id" :data-way="way.id">
              <div>
                <b>{{ worded(way.title) }}</b>
                <div class="small quiet">
                  longest <span class="num">{{ amount(Math.ceil(way.longestMm), 'mm') }}</span><template
                    v-if="way.fits !== null"
                    >,
                    <span :class="way.fits ? 'good' : 'bad'">{{
                      way.fits ? 'fits' : 'does not fit'
                    }}</span></template
                  >; reserve
                  <span class="num" :class="{ bad: way.reserveAfter < 1 }"
                    >{{ figure(now.strength.reserve, 2) }} → {{ figure(way.reserveAfter, 2) }}</span
                  >, <span class="num">{{ signedAmount(way.grams, 'g', 1) }}</span>,
                  <span class="num">{{ figure(way.hours, 1) }} h</span> to print anew
                </div>
              </div>
              <v-btn
                size="x-small"
                :aria-label="`Take: ${worded(way.title)}`"
                @click="project.takeOffer(worded(way.title), way.change, of)"
                >Take</v-btn
              >
            </li>
          </ul>
          <p class="quiet small">
            Where a wing is plugged together its spars alone are counted on; that it twists there no more than
            a glued one is taken for granted. Tape every plug before a flight, and pull at both sides. What
            the three bolts of a body bear is not reckoned: its shell counts as whole. Prove it on the bench.
          </p>
        </template>
      </section>
      <section>
        <TravelBox />
        <div v-if="drawn.length" class="views">
          <figure v-for="view in drawn" :key="view.name">
            <svg
              :viewBox="`-4 -4 ${view.width + 8} ${view.height + 8}`"
              role="img"
              :aria-label="`The box ${view.name.toLowerCase()}, with ${view.boxes.length} parts in it`"
            >
              <rect x="0" y="0" :width="view.width" :height="view.height" class="edge" />
              <g v-for="box in view.boxes" :key="box.number">
                <rect :x="box.x" :y="box.y" :width="box.width" :height="box.height" class="part" />
                <text
                  v-if="Math.min(box.width, box.height) > view.width / 24"
                  :x="box.x + box.width / 2"
                  :y="box.y + box.height / 2"
                  :font-size="view.width / 28"
                >
                  {{ box.number }}
                </text>
              </g>
            </svg>
            <figcaption class="small quiet">{{ view.name }}</figcaption>
          </figure>
        </div>
      </section>
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  gap: 24px;
}
.stale {
  opacity: 0.55;
}
.lead {
  margin: 0 0 8px;
  color: inherit;
}
.views {
  margin: 10px 0;
}
figure {
  margin: 0 0 6px;
}
svg {
  width: 100%;
  max-height: 190px;
}
.edge {
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.5;
  vector-effect: non-scaling-stroke;
}
.part {
  fill: color-mix(in srgb, rgb(var(--v-theme-secondary)) 16%, rgb(var(--v-theme-surface)));
  stroke: rgb(var(--v-theme-secondary));
  vector-effect: non-scaling-stroke;
}
text {
  fill: currentcolor;
  text-anchor: middle;
  dominant-baseline: central;
  font-family: var(--figures, monospace);
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
