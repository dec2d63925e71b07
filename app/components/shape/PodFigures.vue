<script setup lang="ts">
/** One pod, or a pair: where it stands, its shape, what it is cut for. */
import type { Body, Pod } from '../../../core/document'
import { useBench } from '~/composables/useBench'

const props = defineProps<{ pod: Pod }>()
const { doc, edit } = useBench()
const fans = computed(() =>
  doc.value.equipment.flatMap(item =>
    item.fan ? [{ title: `the duct of ${item.name}`, value: item.id }] : [],
  ),
)
const inDraft = (pods: Pod[]) => pods.find(pod => pod.piece === props.pod.piece)!
const change = (label: string, apply: (own: Pod) => void) => edit(label, draft => apply(inDraft(draft.pods)))
const changeBody = (label: string, apply: (own: Body) => void) =>
  change(label, own => apply(own.body as Body))
const set = (field: 'xMm' | 'yMm' | 'zMm', label: string) => (value: number | null) =>
  change(`${props.pod.name}: set ${label}`, own => {
    own[field] = value!
  })
const rename = (value: string) => {
  const name = value.trim().slice(0, 60)
  if (name && name !== props.pod.name)
    change(`${props.pod.name}: another name`, own => {
      own.name = name
    })
}
const remove = () =>
  edit(`Leave out ${props.pod.name}`, draft => {
    draft.pods = draft.pods.filter(pod => pod.piece !== props.pod.piece)
  })
</script>

<template>
  <div class="stack">
    <v-text-field
      :model-value="pod.name"
      label="Name"
      density="compact"
      variant="outlined"
      hide-details
      data-field="pod-name"
      @change="rename(($event.target as HTMLInputElement).value)"
    />
    <div class="row">
      <FigureField
        label="Nose at"
        :model-value="pod.xMm"
        unit="mm"
        :min="-2000"
        :max="4000"
        data-field="pod-x"
        @update:model-value="set('xMm', 'place')($event)"
      /><FigureField
        label="From the middle"
        :model-value="pod.yMm"
        unit="mm"
        :min="pod.pair ? 1 : -2000"
        :max="4000"
        data-field="pod-y"
        @update:model-value="set('yMm', 'distance from the middle')($event)"
      /><FigureField
        label="Height"
        :model-value="pod.zMm"
        unit="mm"
        :min="-2000"
        :max="4000"
        data-field="pod-z"
        @update:model-value="set('zMm', 'height')($event)"
      />
    </div>
    <v-checkbox
      :model-value="pod.pair"
      :disabled="pod.yMm < 1"
      label="A second one to port, mirrored"
      density="compact"
      hide-details
      data-field="pod-pair"
      @update:model-value="
        change(`${pod.name}: ${$event ? 'a pair' : 'one alone'}`, own => {
          own.pair = !!$event
        })
      "
    />
    <v-select
      v-if="fans.length || pod.duct"
      :model-value="pod.duct ?? ''"
      :items="[{ title: 'closed at its ends', value: '' }, ...fans]"
      label="It is"
      data-field="pod-duct"
      @update:model-value="
        change($event ? `${pod.name}: a duct` : `${pod.name}: closed`, own => {
          own.duct = $event || null
        })
      "
    />
    <p v-if="pod.duct" class="quiet small">
      A tube, open at both ends, with walls as its zone has beads. Its way is told at Power.
    </p>
    <p class="quiet small">Places along it and heights below count from its nose and its axis.</p>
    <BodyStations :body="pod.body" :name="pod.name" field="pod" :most="12" :change="changeBody" />
    <BodyFeatures :body="pod.body" field="pod" :most="4" :change="changeBody" />
    <v-btn data-act="remove-pod" @click="remove">Leave out {{ pod.name }}</v-btn>
  </div>
</template>
