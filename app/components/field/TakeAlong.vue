<script setup lang="ts">
/** What to take along, by what this aircraft needs; ticks stay until the car is unpacked. */
import { packingList } from '../../../core/workshop/field'
import { worded } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { doc, edit } = useBench()
const list = computed(() => packingList(doc.value))
const groups = computed(() =>
  [...new Set(list.value.map(item => item.group))].map(group => ({
    group,
    items: list.value.filter(item => item.group === group),
  })),
)
const packed = computed(() => new Set(doc.value.field.packed))
const left = computed(() => list.value.filter(item => !packed.value.has(item.id)).length)
const tick = (id: string, on: boolean) =>
  edit(on ? 'Packed' : 'Unpacked', draft => {
    draft.field.packed = draft.field.packed.filter(item => item !== id)
    if (on) draft.field.packed.push(id)
  })
const unpack = () =>
  edit('Unpack everything', draft => {
    draft.field.packed = []
  })
</script>

<template>
  <section>
    <p class="first" role="status" data-figure="packed">
      {{ left ? `${left} of ${list.length} still to pack.` : 'Everything is packed.' }}
    </p>
    <div class="groups">
      <section v-for="{ group, items } in groups" :key="group">
        <h3>{{ group }}</h3>
        <v-checkbox
          v-for="item in items"
          :key="item.id"
          :model-value="packed.has(item.id)"
          :label="worded(item.what)"
          hide-details
          density="compact"
          :data-pack="item.id"
          @update:model-value="(v: boolean | null) => tick(item.id, !!v)"
        />
      </section>
    </div>
    <div class="acts">
      <v-btn v-if="packed.size" variant="text" @click="unpack">Unpack everything</v-btn>
    </div>
  </section>
</template>

<style scoped>
.first {
  font-size: 16px;
}
.groups {
  columns: 2;
  column-gap: 32px;
}
.groups section {
  break-inside: avoid;
}
@media (max-width: 700px) {
  .groups {
    columns: 1;
  }
}
</style>
