<script setup lang="ts">
/**
 * A machine file (G-code) replayed on one of the printers: filament, mass, hours, extent, and a look at every
 * layer.
 */
import { LIBRARIES } from '../../../core/libraries'
import type { GcodePreview } from '../../../core/workshop/export'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'

const { doc } = useBench()
const core = useCore('aside')
const chooser = ref<HTMLInputElement>()
const open = ref(false),
  busy = ref(false),
  fault = ref(''),
  name = ref('')
const printer = ref(doc.value.printers[0].id),
  filament = ref(doc.value.zones[0].filament)
const preview = shallowRef<GcodePreview | null>(null)
let chosen: File | null = null

async function bring(event: Event) {
  const file = chosenFile(event)
  if (!file) return
  open.value = true
  fault.value = ''
  name.value = file.name
  preview.value = null
  chosen = file
  await replay()
}
async function replay() {
  if (!chosen) return
  busy.value = true
  try {
    preview.value = await core.gcode(
      chosen,
      toRaw(doc.value.printers.find(item => item.id === printer.value) ?? doc.value.printers[0]),
    )
  } catch (error) {
    preview.value = null
    fault.value = `It was not read. ${(error as Error).message}.`
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <v-btn data-act="replay-gcode" @click="chooser?.click()">Replay a machine file (G-code)</v-btn>
  <input
    ref="chooser"
    type="file"
    accept=".gcode,.gco,.g,.nc,.txt"
    class="sr"
    aria-label="Machine file"
    @change="bring"
  />
  <v-dialog v-model="open" max-width="860">
    <v-card class="pa-5">
      <h2 class="cut">{{ name }}</h2>
      <p class="lead">
        Every move carried out on paper: what it pushes, how long it takes, where it lays. Comments are not
        read.
      </p>
      <v-progress-linear v-if="busy" indeterminate aria-label="Replaying" />
      <p v-if="fault" class="bad" role="alert" data-fault="gcode">{{ fault }}</p>
      <template v-if="preview">
        <LaidPicture :preview="preview" :density="filament">
          <div class="row">
            <v-select
              v-model="printer"
              :items="doc.printers.map(p => ({ title: p.name, value: p.id }))"
              label="On"
              @update:model-value="replay"
            /><v-select
              v-model="filament"
              :items="LIBRARIES.filaments.map(f => ({ title: f.name, value: f.id }))"
              label="In"
            />
          </div>
        </LaidPicture>
        <p class="quiet small">
          Solid filament of the printer's diameter; foamed filament weighs what goes in. Accelerations and
          corner speed are this printer's; commands that heat, probe or pause take no time here.
        </p>
      </template>
      <div class="end"><v-btn variant="text" @click="open = false">Close</v-btn></div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.cut {
  overflow-wrap: anywhere;
}
.end {
  display: flex;
  justify-content: flex-end;
  margin-top: 10px;
}
</style>
