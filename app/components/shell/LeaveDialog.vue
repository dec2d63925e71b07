<script setup lang="ts">
/** Another project was asked for while this one has work that could not be kept: a file of it first, or stay. */
import { useCopies } from '~/stores/copies'
import { useProject } from '~/stores/project'

const project = useProject()
const copies = useCopies()
async function exportAndLeave() {
  await copies.exportNow()
  await project.leave()
}
</script>

<template>
  <v-dialog :model-value="!!project.leaving" max-width="520" @update:model-value="project.stay">
    <v-card class="pa-5" data-dialog="leave">
      <h2>{{ project.doc?.name }} is not kept</h2>
      <p>
        {{
          project.saveState === 'elsewhere'
            ? 'Another tab changed this project, so what you changed here since was not written.'
            : "The browser's own store did not take your last changes."
        }}
        Opening {{ project.leaving?.to }} would throw them away.
      </p>
      <div class="acts">
        <v-btn color="primary" variant="flat" data-act="leave-export" @click="exportAndLeave"
          >Export it as a file, then open</v-btn
        >
        <v-btn data-act="leave-stay" @click="project.stay">Stay here</v-btn>
        <v-btn variant="text" color="error" data-act="leave-lose" @click="project.leave"
          >Throw the changes away</v-btn
        >
      </div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.acts {
  margin-top: 8px;
}
h2 {
  overflow-wrap: anywhere;
}
</style>
