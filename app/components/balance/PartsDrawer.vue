<script setup lang="ts">
/** Parts to put in: press one and it goes where its kind belongs, or drag it onto the drawing. */
import { DocumentError, type Equipment } from '../../../core/document'
import { partOf, readParts, writeParts, type DrawerPart, type PartGroup } from '../../../core/workshop/drawer'
import { download } from '~/composables/download'
import { amount } from '~/composables/format'
import { useDrawer } from '~/stores/drawer'

const props = defineProps<{ selected: Equipment | null }>()
const drawer = useDrawer()
const GROUPS: readonly PartGroup[] = [
  'Motors',
  'Propellers and fans',
  'Controllers',
  'Batteries',
  'Servos',
  'Receivers',
  'Wheels',
  'Cameras, sensors, lights',
  'Small things',
  'Ballast',
  'My own',
]
const group = useState<PartGroup>('drawer-group', () => 'Servos')
const list = computed(() => drawer.parts.filter(item => item.group === group.value))
const chooser = ref<HTMLInputElement>()
const fault = ref('')
function take(event: DragEvent, part: DrawerPart) {
  drawer.held = part
  event.dataTransfer?.setData('text/plain', part.name)
}
async function bring(event: Event) {
  const file = chosenFile(event)
  if (!file) return
  fault.value = ''
  try {
    drawer.add(readParts(await file.text()))
    group.value = 'My own'
  } catch (error) {
    if (!(error instanceof DocumentError)) throw error
    fault.value = `${file.name.slice(0, 40)} was not read. ${error.message}. Nothing was changed.`
  }
}
function keep() {
  if (!props.selected) return
  drawer.add([partOf(JSON.parse(JSON.stringify(props.selected)) as Equipment)])
  group.value = 'My own'
}
</script>

<template>
  <section data-drawer>
    <h3>The drawer</h3>
    <v-select v-model="group" :items="GROUPS" label="What" data-field="drawer-group" />
    <p class="quiet small">Press a part to put it in, or drag it onto the drawing.</p>
    <ul v-if="list.length" class="parts">
      <li v-for="part in list" :key="part.name">
        <button
          type="button"
          class="plain part"
          draggable="true"
          :data-part="part.id"
          @click="drawer.put(part)"
          @dragstart="take($event, part)"
          @dragend="drawer.held = null"
        >
          <span>{{ part.name }}</span><span class="num quiet">{{
            amount(part.massG, 'g', part.massG < 10 ? 1 : 0)
          }}</span>
        </button>
        <v-btn
          v-if="group === 'My own'"
          variant="text"
          size="x-small"
          :aria-label="`Take ${part.name} out of the drawer`"
          @click="drawer.remove(part.name)"
          >Out</v-btn
        >
      </li>
    </ul>
    <p v-else class="quiet small">
      Nothing yet. A component that you weighed is kept here for the next aircraft.
    </p>
    <div class="acts">
      <v-btn v-if="selected" size="small" data-act="keep-part" @click="keep">Keep {{ selected.name }}</v-btn>
      <v-btn
        v-if="drawer.own.length"
        size="small"
        variant="text"
        data-act="parts-out"
        @click="download('my-parts.json', writeParts(drawer.own), 'application/json')"
        >My own as a file</v-btn
      >
      <v-btn size="small" variant="text" data-act="parts-in" @click="chooser?.click()">From a file</v-btn>
      <input
        ref="chooser"
        type="file"
        accept=".json,application/json"
        class="sr"
        aria-label="File of parts"
        @change="bring"
      />
    </div>
    <p v-if="fault" class="bad small" role="alert">{{ fault }}</p>
  </section>
</template>

<style scoped>
.parts {
  list-style: none;
  padding: 0;
  margin: 4px 0 10px;
  max-height: 232px;
  overflow-y: auto;
  border-top: 1px solid var(--hair);
}
.parts li {
  display: flex;
  align-items: center;
  border-bottom: 1px solid var(--hair);
}
.part {
  flex: 1;
  display: flex;
  justify-content: space-between;
  gap: 10px;
  padding: 5px 4px;
  font-size: 13px;
  cursor: grab;
}
.part:hover {
  background: color-mix(in srgb, rgb(var(--v-theme-on-background)) 7%, transparent);
}
.acts :deep(.v-btn__content) {
  white-space: normal;
  text-align: left;
}
@media (max-width: 700px) {
  .part {
    min-height: 44px;
    align-items: center;
  }
  .parts {
    max-height: none;
  }
}
</style>
