<script setup lang="ts">
/** Keep the present state before trying another. */
import { format } from 'date-fns'
import { useBench } from '~/composables/useBench'

const { project } = useBench()
const name = ref('')
async function keep() {
  if (!name.value.trim()) return
  if (await project.said(() => project.mark(name.value.trim().slice(0, 120)))) name.value = ''
}
const last = computed(() => project.marks.at(-1))
</script>

<template>
  <div class="stack">
    <p class="quiet small">
      Keep the design as it is before you try another: a mark holds all of it, and you can come back.
    </p>
    <form class="stack" @submit.prevent="keep">
      <v-text-field v-model="name" label="Name and reason" maxlength="120" data-field="choose-mark" /><v-btn
        type="submit"
        color="primary"
        variant="flat"
        :disabled="!name.trim()"
        data-act="keep-mark"
        >Keep a mark</v-btn
      >
    </form>
    <p v-if="last" class="small">
      Last mark: {{ last.name }} <span class="quiet">{{ format(last.at, 'd MMM HH:mm') }}</span>, of
      {{ project.marks.length }}.
    </p>
  </div>
</template>
