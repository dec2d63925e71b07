<script setup lang="ts">
/** Part files sorted: what each is, what was read off them, and the aircraft that they come to, from above. */
import type { PartRole } from '../../../core/begin'
import type { ProjectFile } from '../../../core/document'
import { amount, figure, worded } from '~/composables/format'
import { usePartFiles } from '~/composables/usePartFiles'

defineProps<{ held: boolean }>()
const emit = defineEmits<{ begin: [project: ProjectFile]; more: [] }>()
const { parts, name, found, fault, busy, take, leaveOut, forget } = usePartFiles()
const own = ref<HTMLElement>()
// On a phone they come below the brief.
onMounted(() => own.value?.scrollIntoView({ block: 'start' }))

const roles: ReadonlyArray<{ title: string; value: PartRole }> = [
  { title: 'Wing', value: 'wing' },
  { title: 'Tailplane', value: 'horizontal' },
  { title: 'Fin', value: 'vertical' },
  { title: 'Body', value: 'body' },
  { title: 'Other', value: 'other' },
]
const size = (sides: readonly number[]) => sides.map(side => figure(side)).join(' × ')
const points = (flat: readonly number[]): string =>
  Array.from(
    { length: flat.length / 2 },
    (_, i) => `${flat[2 * i + 1]!.toFixed(1)},${flat[2 * i]!.toFixed(1)}`,
  ).join(' ')
const frame = computed(() => {
  if (!found.value) return '0 0 1 1'
  const { minX, maxX, minY, maxY } = found.value.drawing.box
  const edge = 0.03 * (maxY - minY)
  return [minY - edge, minX - edge, maxY - minY + 2 * edge, maxX - minX + 2 * edge].join(' ')
})
const rows = computed(() => {
  const f = found.value?.figures
  return f
    ? [
        ['Span', amount(f.spanMm, 'mm')],
        ['Wing', amount(f.areaDm2, 'dm²', 1)],
        ['Neutral point aft of the nose', amount(f.neutralPointMm, 'mm')],
        ['Printed', amount(f.printedG, 'g')],
        ['Hours', amount(f.hours, 'h', 1)],
      ]
    : []
})
const begin = () => {
  if (!found.value) return
  emit('begin', { ...found.value.project, name: name.value.trim() || found.value.project.name })
  forget()
}
</script>

<template>
  <section ref="own" class="parts" data-parts>
    <h2>An aircraft from its part files</h2>
    <p>
      Chord, sweep, twist and sections are read off the parts themselves; halves are mirrored. Say what each
      is: what is not sorted lies beside the rest and moves the balance.
    </p>
    <p v-if="fault" class="bad" role="alert" data-fault="parts">{{ fault }}</p>
    <div class="both">
      <table class="ledger">
        <thead>
          <tr>
            <th>Part</th>
            <th class="r">Size</th>
            <th>It is</th>
            <th></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(part, i) in parts" :key="i" :data-part="i">
            <td class="name">{{ part.name }}</td>
            <td class="r num">{{ size(part.sizeMm) }} mm</td>
            <td class="what">
              <v-select
                :model-value="part.role"
                :items="roles"
                :aria-label="`What ${part.name} is`"
                hide-details
                :data-field="`role-${i}`"
                @update:model-value="take(i, $event)"
              />
            </td>
            <td>
              <v-btn size="small" variant="text" :aria-label="`Leave out ${part.name}`" @click="leaveOut(i)"
                >Leave out</v-btn
              >
            </td>
          </tr>
        </tbody>
      </table>
      <div class="come">
        <v-progress-linear v-if="busy" indeterminate color="secondary" height="4" />
        <template v-if="found">
          <svg :viewBox="frame" class="plan" role="img" aria-label="What the parts come to, from above">
            <polygon v-for="item in found.drawing.plan" :key="item.id" :points="points(item.points)" />
          </svg>
          <dl>
            <template v-for="[label, value] in rows" :key="label"
              ><dt>{{ label }}</dt>
              <dd class="num">{{ value }}</dd></template
            >
          </dl>
          <ul class="small">
            <li v-for="(words, i) in found.said" :key="i">{{ worded(words) }}.</li>
          </ul>
        </template>
      </div>
    </div>
    <div class="acts">
      <v-text-field
        v-model="name"
        label="Its name"
        placeholder="From part files"
        maxlength="100"
        hide-details
        data-field="parts-name"
      />
      <v-btn
        color="primary"
        variant="flat"
        :disabled="!found || held || busy"
        data-act="begin-parts"
        @click="begin"
        >Begin with these</v-btn
      >
      <v-btn :disabled="busy" data-act="more-parts" @click="$emit('more')">More files</v-btn>
      <v-btn variant="text" data-act="forget-parts" @click="forget">Forget them</v-btn>
    </div>
  </section>
</template>

<style scoped>
.parts {
  max-width: 1100px;
}
h2 {
  font-size: 22px;
  margin-bottom: 6px;
}
.both {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(220px, 2fr);
  gap: 20px;
  margin: 12px 0;
}
.come {
  position: sticky;
  top: 0;
  align-self: start;
}
.name {
  overflow-wrap: anywhere;
}
.what {
  min-width: 150px;
}
.plan {
  width: 100%;
  max-height: 260px;
}
.plan polygon {
  fill: rgb(var(--v-theme-surface));
  stroke: currentcolor;
  stroke-width: 1.2px;
  vector-effect: non-scaling-stroke;
}
dl {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 10px;
  margin: 8px 0;
}
dd {
  margin: 0;
  text-align: right;
}
ul {
  padding-left: 18px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
}
.acts > :first-child {
  flex: 1 1 220px;
  max-width: 340px;
}
@media (max-width: 700px) {
  .both {
    grid-template-columns: minmax(0, 1fr);
  }
  /* A part is two lines: what it is called and measures, and what it is. */
  tbody tr {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    align-items: center;
    border-bottom: 1px solid var(--hair);
  }
  tbody td {
    border: 0;
  }
  thead {
    position: absolute;
    clip-path: inset(50%);
  }
}
</style>
