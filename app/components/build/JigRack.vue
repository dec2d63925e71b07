<script setup lang="ts">
/** Aids for the build, as they are printed: each with its drawing, grams and minutes, and how they lie on plates. */
import type { JigPrint } from '../../../core/workshop/build'
import { amount, figure } from '~/composables/format'
import { download, fileName } from '~/composables/download'
import { useAside } from '~/composables/useAside'
import { useBench } from '~/composables/useBench'
import { spokenTime } from '~/composables/useBuild'

const { doc } = useBench()
const { answer, busy, fault, fresh } = useAside((core, subject) => core.jigs(subject))
const prints = computed(() => answer.value?.prints ?? null)
const byId = computed(() => new Map(prints.value?.jigs.map(jig => [jig.id, jig])))
const total = computed(() => ({
  massG: prints.value?.jigs.reduce((sum, jig) => sum + jig.count * jig.massG, 0) ?? 0,
  minutes: prints.value?.jigs.reduce((sum, jig) => sum + jig.count * jig.minutes, 0) ?? 0,
}))
const shape = (jig: JigPrint) => {
  const points = jig.loops.flatMap(loop =>
    Array.from({ length: loop.length / 2 }, (_, i) => [loop[2 * i]!, loop[2 * i + 1]!] as const),
  )
  const x0 = Math.min(...points.map(point => point[0])),
    y1 = Math.max(...points.map(point => point[1]))
  const path = jig.loops
    .map(
      loop =>
        `M${Array.from({ length: loop.length / 2 }, (_, i) => `${(loop[2 * i]! - x0).toFixed(2)} ${(y1 - loop[2 * i + 1]!).toFixed(2)}`).join('L')}Z`,
    )
    .join('')
  return { path, width: jig.sizeMm[0], height: jig.sizeMm[1] }
}
const shapes = computed(() => new Map(prints.value?.jigs.map(jig => [jig.id, shape(jig)])))
const take = () => download(`${fileName(doc.value.name)}-jigs.zip`, answer.value!.zip, 'application/zip')
</script>

<template>
  <div>
    <p v-if="fault" class="bad" role="alert">The jigs were not made: {{ fault }}</p>
    <p v-else-if="!prints" class="quiet">Cutting the jigs from the sections …</p>
    <template v-if="prints">
      <p class="lead">
        <b>{{ prints.jigs.length }} jigs</b> from the real sections, lying on the bed in
        {{ prints.filament }}: {{ amount(total.massG, 'g') }} and {{ spokenTime(total.minutes) }} on
        {{ prints.plates.length }} {{ prints.plates.length === 1 ? 'plate' : 'plates' }}. They never fly and
        stand in no ledger; their hours are not in the week.
        <v-btn size="small" :disabled="!fresh" :loading="busy" data-act="jigs-zip" @click="take"
          >STL and plates (.zip)</v-btn
        >
      </p>
      <div class="columns">
        <ul class="rack">
          <li v-for="jig in prints.jigs" :key="jig.id" :data-jig="jig.id">
            <svg
              class="part"
              :viewBox="`-2 -2 ${shapes.get(jig.id)!.width + 4} ${shapes.get(jig.id)!.height + 4}`"
              role="img"
              :aria-label="`${jig.name}, ${jig.sizeMm[0].toFixed(0)} × ${jig.sizeMm[1].toFixed(0)} mm`"
            >
              <path :d="shapes.get(jig.id)!.path" fill-rule="evenodd" />
            </svg>
            <div>
              <p class="name">
                <b class="num">{{ jig.mark }}</b> {{ jig.name
                }}<template v-if="jig.count > 1">, {{ jig.count }} of it</template>
                <span class="num quiet"
                  >{{ amount(jig.massG, 'g', 1) }}, {{ figure(jig.minutes) }} min each</span
                >
              </p>
              <p class="small">
                {{ jig.note[0]!.toUpperCase() + jig.note.slice(1) }}.
                <template v-if="jig.gapMm">Air {{ amount(jig.gapMm, 'mm', 1) }}.</template>
                <span v-if="jig.tooLarge" class="bad">Larger than every bed.</span>
              </p>
            </div>
          </li>
        </ul>
        <section class="plates" aria-label="Plates">
          <svg
            v-for="(plate, i) in prints.plates"
            :key="i"
            :viewBox="`-2 -12 ${plate.bedMm[0] + 4} ${plate.bedMm[1] + 14}`"
            role="img"
            :aria-label="`Plate ${i + 1} of jigs on ${plate.printer}`"
          >
            <text x="0" y="-3">Plate {{ i + 1 }}, {{ plate.printer }}</text>
            <rect x="0" y="0" :width="plate.bedMm[0]" :height="plate.bedMm[1]" class="bed" />
            <g
              v-for="(place, k) in plate.places"
              :key="k"
              :transform="`translate(${place.xMm} ${plate.bedMm[1] - place.yMm - byId.get(place.jig)!.sizeMm[1]})`"
            >
              <path :d="shapes.get(place.jig)!.path" fill-rule="evenodd" />
            </g>
          </svg>
        </section>
      </div>
    </template>
  </div>
</template>

<style scoped>
.lead {
  margin: 0 0 8px;
  color: inherit;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 250px;
  gap: 24px;
}
.rack {
  list-style: none;
  padding: 0;
  margin: 0;
}
.rack li {
  display: grid;
  grid-template-columns: 110px minmax(0, 1fr);
  gap: 14px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--hair);
}
.rack p {
  margin: 0;
}
.name .num.quiet {
  margin-left: 8px;
  font-size: 12.5px;
}
.part {
  width: 110px;
  height: 64px;
}
path {
  fill: color-mix(in srgb, rgb(var(--v-theme-secondary)) 55%, transparent);
  stroke: currentColor;
  stroke-width: 0.5;
}
.plates {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.bed {
  fill: none;
  stroke: var(--hair);
}
text {
  font-size: 10px;
  fill: currentColor;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
