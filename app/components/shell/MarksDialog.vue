<script setup lang="ts">
/** Marks: named states of the design to come back to. */
import { format } from 'date-fns'
import { StoreFault } from '~/db/store-fault'
import { useProject } from '~/stores/project'
import { useView } from '~/stores/view'

const project = useProject()
const view = useView()
const name = ref(''),
  fault = ref('')
async function keep() {
  if (!name.value.trim()) return
  try {
    await project.mark(name.value.trim().slice(0, 120))
    name.value = ''
    fault.value = ''
  } catch (error) {
    if (!(error instanceof StoreFault)) throw error
    fault.value = `${error.message}.`
  }
}
function goBack(mark: (typeof project.marks)[number]) {
  project.backToMark(mark)
  view.marking = false
}
</script>

<template>
  <v-dialog v-model="view.marking" max-width="520" scrollable>
    <v-card class="pa-5">
      <h2>Marks</h2>
      <p class="lead">
        A mark keeps the whole design as it is now, so that you can try something and come back.
      </p>
      <form class="new" @submit.prevent="keep">
        <v-text-field v-model="name" label="Name and reason" maxlength="120" data-field="mark-name" /><v-btn
          type="submit"
          color="primary"
          variant="flat"
          :disabled="!name.trim()"
          >Keep a mark</v-btn
        >
      </form>
      <p v-if="fault" class="bad" role="alert" data-fault="mark">{{ fault }}</p>
      <ul class="list">
        <li v-for="mark in [...project.marks].reverse()" :key="mark.id">
          <span
            >{{ mark.name }} <span class="quiet">{{ format(mark.at, 'd MMM HH:mm') }}</span></span
          ><v-btn @click="goBack(mark)">Go back to it</v-btn>
        </li>
        <li v-if="!project.marks.length" class="quiet">None yet.</li>
      </ul>
      <div class="end"><v-btn variant="text" @click="view.marking = false">Close</v-btn></div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.new {
  display: flex;
  gap: 10px;
  align-items: center;
}
.list {
  list-style: none;
  padding: 0;
  margin: 14px 0;
}
.list li {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  padding: 6px 0;
  border-bottom: 1px solid var(--hair);
  overflow-wrap: anywhere;
}
.end {
  text-align: right;
}
</style>
