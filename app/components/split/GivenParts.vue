<script setup lang="ts">
/** Parts that came as files: brought in, put where they belong, re-materialled and weighed with the rest. */
import type { Given } from '../../../core/document'
import { refuseTooLarge, refuseTooMany } from '../../../core/workshop/export'
import { amount } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'

const { doc, edit, now } = useBench()
const core = useCore('aside')
const chooser = ref<HTMLInputElement>()
const busy = ref(false),
  fault = ref(''),
  said = ref('')

async function bring(event: Event) {
  const file = chosenFile(event)
  if (!file) return
  fault.value = said.value = ''
  busy.value = true
  try {
    refuseTooLarge(file)
    const parts = await core.readGiven(file.name, new Uint8Array(await file.arrayBuffer()))
    refuseTooMany([...doc.value.given, ...parts])
    let n = doc.value.given.length
    const taken = parts.map((part): Given => {
      do n++
      while (doc.value.given.some(item => item.id === `given-${n}`))
      const spanwise = part.sizeMm[2] >= Math.max(part.sizeMm[0], part.sizeMm[1])
      return {
        id: `given-${n}`,
        name: part.name,
        zone: doc.value.zones[0].id,
        mesh: part.mesh,
        standsFor: 'nothing',
        lies: spanwise ? 'span' : 'length',
        xMm: Math.round(doc.value.wing.xMm + doc.value.wing.rootChordMm / 2),
        yMm: spanwise ? Math.round(part.sizeMm[2] / 2) : 0,
        zMm: Math.round(doc.value.wing.zMm),
        turnDeg: 0,
        pair: false,
      }
    })
    edit(
      `Bring in ${taken.length === 1 ? taken[0].name : `${taken.length} parts of ${file.name.slice(0, 60)}`}`,
      draft => {
        draft.given.push(...taken)
      },
    )
    const open = parts.reduce((sum, part) => sum + part.openEdges, 0)
    said.value = `${parts.length} part${parts.length > 1 ? 's' : ''} read${open ? `; ${open} open edges, so where a layer is open its beads are missing` : ', closed'}.`
  } catch (error) {
    // Faults cross from the worker as plain errors with the same words.
    fault.value = `${file.name.slice(0, 60)} was not read. ${(error as Error).message}. Nothing was changed.`
  } finally {
    busy.value = false
  }
}
const set = (i: number, label: string, change: (given: Given) => void) =>
  edit(`${doc.value.given[i].name}: ${label}`, draft => {
    change(draft.given[i] as Given)
  })
const lies = [
  { title: 'Its height runs to starboard', value: 'span' },
  { title: 'Its height runs aft', value: 'length' },
  { title: 'Its height runs up', value: 'fin' },
]
const stands = [
  { title: 'Nothing drawn here: it is extra', value: 'nothing' },
  { title: 'The drawn wing', value: 'wing' },
  { title: 'The drawn second wing', value: 'second' },
  { title: 'The drawn tailplane', value: 'horizontal' },
  { title: 'The drawn fin', value: 'vertical' },
  { title: 'The drawn body', value: 'body' },
]
const weight = (given: Given) =>
  now.value.pieces
    .filter(piece => piece.id === given.id || piece.id.startsWith(`${given.id}-`))
    .reduce((sum, piece) => sum + piece.predictedG, 0)
</script>

<template>
  <h3>Given parts</h3>
  <p v-if="!doc.given.length" class="quiet small">
    Part files you bought or were given (STL, 3MF) are weighed, re-materialled and balanced with the rest.
  </p>
  <div class="acts">
    <v-btn data-act="bring-part" :loading="busy" @click="chooser?.click()">Bring in parts</v-btn
    ><input ref="chooser" type="file" accept=".stl,.3mf" class="sr" aria-label="Part file" @change="bring" />
  </div>
  <p v-if="fault" class="bad small" role="alert" data-fault="part">{{ fault }}</p>
  <p v-if="said" class="quiet small" role="status">{{ said }}</p>
  <details v-for="(given, i) in doc.given" :key="given.id" class="given" :data-given="given.id">
    <summary>
      <span class="name">{{ given.name }}</span> <span class="num">{{ amount(weight(given), 'g', 1) }}</span>
    </summary>
    <v-select
      :model-value="given.zone"
      :items="doc.zones.map(z => ({ title: z.name, value: z.id }))"
      label="Printed as zone"
      @update:model-value="
        set(i, 'another zone', g => {
          g.zone = $event
        })
      "
    />
    <v-select
      :model-value="given.standsFor"
      :items="stands"
      label="Stands for"
      :data-field="`stands-${i}`"
      @update:model-value="
        set(i, 'what it stands for', g => {
          g.standsFor = $event
        })
      "
    />
    <v-select
      :model-value="given.lies"
      :items="lies"
      label="As it was drawn"
      @update:model-value="
        set(i, 'how it lies', g => {
          g.lies = $event
        })
      "
    />
    <div class="row">
      <FigureField
        label="Middle aft"
        :model-value="given.xMm"
        unit="mm"
        :min="-2000"
        :max="4000"
        :data-field="`given-x-${i}`"
        @update:model-value="
          set(i, 'move it along', g => {
            g.xMm = $event!
          })
        "
      /><FigureField
        label="To starboard"
        :model-value="given.yMm"
        unit="mm"
        :min="-2000"
        :max="4000"
        @update:model-value="
          set(i, 'move it across', g => {
            g.yMm = $event!
          })
        "
      />
    </div>
    <div class="row">
      <FigureField
        label="Up"
        :model-value="given.zMm"
        unit="mm"
        :min="-2000"
        :max="4000"
        @update:model-value="
          set(i, 'move it up or down', g => {
            g.zMm = $event!
          })
        "
      /><FigureField
        label="Turned"
        :model-value="given.turnDeg"
        unit="°"
        :min="-360"
        :max="360"
        :digits="0"
        @update:model-value="
          set(i, 'turn it', g => {
            g.turnDeg = $event!
          })
        "
      />
    </div>
    <v-checkbox
      :model-value="given.pair"
      label="And its mirror image to port"
      @update:model-value="
        set(i, $event ? 'a pair' : 'one only', g => {
          g.pair = !!$event
        })
      "
    />
    <v-btn
      variant="text"
      @click="
        edit(`Take out ${given.name}`, d => {
          d.given.splice(i, 1)
        })
      "
      >Take it out</v-btn
    >
  </details>
</template>

<style scoped>
.given {
  border-left: 3px solid var(--hair);
  padding-left: 10px;
}
.given > * {
  margin-bottom: 8px;
}
summary {
  cursor: pointer;
  font-size: 13px;
  padding: 4px 0;
}
.name {
  overflow-wrap: anywhere;
  font-weight: 600;
}
</style>
