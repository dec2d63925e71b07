<script setup lang="ts">
/**
 * Where it would give first in a landing, and what to look for there. A cracked boom found late is a lost
 * model.
 */
import { inspectionList } from '../../../core/workshop/readiness'
import { figure, worded } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { now } = useBench()
const items = computed(() => inspectionList(now.value))
/** Ticked for this landing alone; the next one begins anew. */
const seen = useState<string[]>('landing-seen', () => [])
const toggle = (id: string, on: boolean) => {
  seen.value = on ? [...seen.value, id] : seen.value.filter(item => item !== id)
}
</script>

<template>
  <div>
    <p class="lead">
      The places with least in hand, the weakest first. Look them over after every landing, before the next
      take-off; a hard one above all.
      <button v-if="seen.length" type="button" class="plain link" @click="seen = []">Begin anew</button>
    </p>
    <div class="list">
      <div v-for="item in items" :key="item.id" class="item" data-inspect>
        <v-checkbox
          :model-value="seen.includes(item.id)"
          :aria-label="`Looked at: ${worded(item.where)}`"
          @update:model-value="(v: boolean | null) => toggle(item.id, !!v)"
        />
        <div>
          <b>{{ worded(item.where) }}</b>
          <div>{{ worded(item.look) }}</div>
          <div class="small quiet">
            {{ worded(item.why) }}; reserve
            <span class="num" :class="{ bad: item.reserve < 1 }">{{ figure(item.reserve, 2) }}</span>
          </div>
        </div>
      </div>
    </div>
    <p class="caution">
      Battery out before hands go near the propeller. Anything cracked, creased or loose: it does not fly
      again until it is mended.
    </p>
  </div>
</template>

<style scoped>
.list {
  columns: 2;
  column-gap: 28px;
}
.item {
  display: grid;
  grid-template-columns: 44px 1fr;
  gap: 6px;
  padding: 6px 0;
  border-bottom: 1px solid var(--hair);
  break-inside: avoid;
  line-height: 1.4;
  align-items: start;
}
.link {
  text-decoration: underline;
}
@media (max-width: 900px) {
  .list {
    columns: 1;
  }
}
</style>
