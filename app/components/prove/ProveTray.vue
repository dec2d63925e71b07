<script setup lang="ts">
import type { Proof } from '../../../core/document'
import { KIND_WORDS, startProof } from '~/composables/proofs'
import { useBench } from '~/composables/useBench'

const { doc, now, edit, look } = useBench()
const proof = computed(() => doc.value.proofs.find(item => item.id === look.proof) ?? doc.value.proofs.at(-1))
const at = computed(() => doc.value.proofs.findIndex(item => item.id === proof.value?.id))
type Figures = 'massG' | 'atMm' | 'armMm'
const set = (field: Figures, label: string) => (value: number | null) =>
  edit(`Test: set ${label}`, draft => {
    draft.proofs[at.value][field] = value!
  })
const measure = (value: number | null) =>
  edit(value === null ? 'Test: take the measurement back' : `Test: measured ${value}`, draft => {
    draft.proofs[at.value].measured = value
  })
const kinds = Object.entries(KIND_WORDS) as Array<[Proof['kind'], (typeof KIND_WORDS)['drop']]>
</script>

<template>
  <div class="stack">
    <template v-if="proof">
      <h3>{{ KIND_WORDS[proof.kind].title }}</h3>
      <FigureField
        :key="`${proof.id}-m`"
        :label="proof.kind === 'drop' ? 'Mass that falls' : 'Mass hung on'"
        :model-value="proof.massG"
        unit="g"
        :min="0"
        :max="20000"
        :digits="0"
        data-field="proof-mass"
        @update:model-value="set('massG', 'mass')($event)"
      />
      <FigureField
        :key="`${proof.id}-a`"
        :label="KIND_WORDS[proof.kind].at"
        :model-value="proof.atMm"
        unit="mm"
        :min="0"
        :max="3000"
        :digits="0"
        data-field="proof-at"
        @update:model-value="set('atMm', 'place')($event)"
      />
      <FigureField
        v-if="proof.kind === 'twist'"
        :key="`${proof.id}-l`"
        label="Lever of the mass"
        :model-value="proof.armMm"
        unit="mm"
        :min="0"
        :max="2000"
        :digits="0"
        @update:model-value="set('armMm', 'lever')($event)"
      />
      <FigureField
        :key="`${proof.id}-r`"
        :label="KIND_WORDS[proof.kind].measured"
        :model-value="proof.measured"
        :unit="proof.kind === 'twist' ? '°' : 'mm'"
        :min="0"
        :max="5000"
        optional
        data-field="proof-measured"
        hint="Read it twice, with the load on and off"
        @update:model-value="measure"
      />
      <v-textarea
        :key="`${proof.id}-n`"
        :model-value="proof.note"
        label="What you saw"
        rows="2"
        maxlength="4000"
        @change="
          (e: Event) =>
            edit('Test: note', d => {
              d.proofs[at].note = (e.target as HTMLTextAreaElement).value
            })
        "
      />
      <v-btn
        @click="
          edit('Strike the test', d => {
            d.proofs.splice(at, 1)
          })
        "
        >Strike this test</v-btn
      >
    </template>
    <h3>{{ proof ? 'Plan another' : 'Plan a test' }}</h3>
    <div class="acts">
      <v-btn
        v-for="[kind, words] in kinds"
        :key="kind"
        size="small"
        :data-act="`tray-${kind}`"
        @click="startProof(kind, doc, now, edit, look)"
        >{{ words.title }}</v-btn
      >
    </div>
    <p class="caution">
      Test without the battery and the propeller. Nobody's hands or face under the wing or beside its tips.
    </p>
  </div>
</template>
