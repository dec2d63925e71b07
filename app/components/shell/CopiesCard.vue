<script setup lang="ts">
/** Where copies outside this browser go, when the last one was taken, and whether the browser may throw data away. */
import { formatDistanceToNow } from 'date-fns'
import { useCopies } from '~/stores/copies'

const copies = useCopies()
const { state: offline } = useOffline()
const last = computed(() =>
  copies.copiedAt === null
    ? 'No copy of this project has been taken yet.'
    : `The last copy of this project was taken ${formatDistanceToNow(copies.copiedAt, { addSuffix: true })}.`,
)
</script>

<template>
  <section class="copies" aria-label="Copies outside this browser">
    <h3>A copy outside this browser</h3>
    <p :class="{ due: copies.due }" data-copies>
      {{ last }} A browser profile can be lost; a file cannot be lost with it.
    </p>
    <p v-if="copies.folder" class="quiet">
      {{
        copies.asleep
          ? `The folder ${copies.folder.name} must be allowed again in this visit.`
          : `Once a minute while you work, a dated project file is written to ${copies.folder.name}.`
      }}
    </p>
    <p v-if="copies.fault" class="bad" role="alert">{{ copies.fault }}</p>
    <div class="acts">
      <v-btn color="primary" variant="flat" data-act="export" @click="copies.exportNow"
        >Export this project</v-btn
      >
      <template v-if="copies.folder">
        <v-btn v-if="copies.asleep" data-act="wake-folder" @click="copies.wake">Allow the folder</v-btn>
        <v-btn variant="text" @click="copies.forget">Write no more copies there</v-btn>
      </template>
      <v-btn v-else-if="copies.canChoose" data-act="choose-folder" @click="copies.choose"
        >Choose a folder for copies</v-btn
      >
    </div>
    <p v-if="copies.persistent !== null" class="quiet" data-persistent>
      {{
        copies.persistent
          ? 'The browser has promised to keep what is stored here.'
          : 'The browser may throw away what is stored here when the disk runs short.'
      }}
      <v-btn
        v-if="!copies.persistent"
        variant="text"
        size="small"
        data-act="persist"
        @click="copies.askToPersist"
        >Ask it to keep it</v-btn
      >
    </p>
    <p class="quiet" data-offline>
      {{
        offline.ready
          ? 'The application itself is kept here: it opens and works without a network.'
          : 'The application is not kept here yet: without a network it opens only where this page stays open. A browser keeps it for a secure address (https, or this machine itself).'
      }}
    </p>
  </section>
</template>

<style scoped>
.due {
  font-weight: 600;
}
</style>
