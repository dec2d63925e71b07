<script setup lang="ts">
/** A zone's recipe in and out as a file. */
import { readRecipe, writeRecipe, type Zone } from '../../../core/document'
import { LIBRARIES } from '../../../core/libraries'
import { download, fileName } from '~/composables/download'
import { useBench } from '~/composables/useBench'

const props = defineProps<{ zone: Zone }>()
const { doc, edit } = useBench()
const chooser = ref<HTMLInputElement>()
const fault = ref('')
const take = () =>
  download(
    `${fileName(props.zone.name)}-recipe.json`,
    writeRecipe({ name: props.zone.name, filament: props.zone.filament, recipe: props.zone.recipe }),
    'application/json',
  )
async function bring(event: Event) {
  const file = chosenFile(event)
  if (!file) return
  fault.value = ''
  try {
    const { name, filament, recipe } = readRecipe(await file.text())
    if (!LIBRARIES.filaments.some(item => item.id === filament))
      throw new Error(`filament: "${filament}" is not in the library`)
    const index = doc.value.zones.findIndex(item => item.id === props.zone.id)
    edit(`${props.zone.name}: recipe of ${name.slice(0, 40)}`, draft => {
      Object.assign(draft.zones[index], { filament, recipe })
    })
  } catch (error) {
    fault.value = `${file.name.slice(0, 40)} was not read. ${(error as Error).message}. Nothing was changed.`
  }
}
</script>

<template>
  <div class="acts">
    <v-btn size="x-small" data-act="export-recipe" @click="take">Export this recipe</v-btn
    ><v-btn size="x-small" data-act="import-recipe" @click="chooser?.click()">Import a recipe</v-btn
    ><input ref="chooser" type="file" accept=".json" class="sr" aria-label="Recipe file" @change="bring" />
  </div>
  <p v-if="fault" class="bad small" role="alert" data-fault="recipe">{{ fault }}</p>
</template>
