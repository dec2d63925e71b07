<script setup lang="ts">
/** Spools: what is left after every plate, where one runs dry, what to buy, what failures cost. */
import { LIBRARIES } from '../../../core/libraries'
import { amount, figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { usePrintRoom } from '~/composables/usePrintRoom'

const { doc, edit } = useBench()
const { shelf } = usePrintRoom()
const nameOf = (filament: string) => LIBRARIES.filaments.find(item => item.id === filament)?.name ?? filament
const filaments = LIBRARIES.filaments.map(item => ({ title: item.name, value: item.id }))
const on = (spool: string) => doc.value.printers.find(printer => printer.spool === spool)
function mount(spool: string, printer: string) {
  const name = doc.value.printers.find(item => item.id === printer)?.name
  edit(name ? `Spool on ${name}` : 'Spool on the shelf', draft => {
    for (const item of draft.printers) if (item.spool === spool || item.id === printer) item.spool = null
    const own = draft.printers.find(item => item.id === printer)
    if (own) own.spool = spool
  })
}
function add() {
  const taken = new Set(doc.value.spools.map(spool => spool.id))
  let n = doc.value.spools.length + 1
  while (taken.has(`spool-${n}`)) n++
  const filament =
    LIBRARIES.filaments.find(item => item.id === doc.value.zones[0]!.filament) ?? LIBRARIES.filaments[0]!
  edit('A spool more', draft => {
    draft.spools.push({
      id: `spool-${n}`,
      name: `Spool ${n}`,
      filament: filament.id,
      massG: filament.spoolG,
      pricePerKg: filament.pricePerKg,
    })
  })
}
const last = (spool: string) => {
  const use = shelf.value?.spools.find(item => item.spool === spool)
  return use?.after.at(-1)?.leftG ?? use?.leftG ?? 0
}
const useOf = (spool: string) => shelf.value?.spools.find(item => item.spool === spool)
</script>

<template>
  <div class="shelf">
    <div v-for="(spool, i) in doc.spools" :key="spool.id" class="spool" :data-spool="spool.id">
      <div class="fields">
        <v-text-field
          :model-value="spool.name"
          label="Spool"
          maxlength="200"
          @change="
            edit('Name a spool', d => {
              d.spools[i]!.name = ($event.target as HTMLInputElement).value.trim() || spool.id
            })
          "
        />
        <v-select
          :model-value="spool.filament"
          :items="filaments"
          label="Filament"
          @update:model-value="
            edit(`${spool.name}: ${nameOf($event)}`, d => {
              d.spools[i]!.filament = $event
            })
          "
        />
        <FigureField
          label="Left on it"
          :model-value="spool.massG"
          unit="g"
          :min="0"
          :max="20000"
          :digits="0"
          data-field="spool-left"
          @update:model-value="
            edit(`${spool.name}: grams left`, d => {
              d.spools[i]!.massG = $event!
            })
          "
        />
        <v-select
          :model-value="on(spool.id)?.id ?? ''"
          :items="[
            { title: 'the shelf', value: '' },
            ...doc.printers.map(p => ({ title: p.name, value: p.id })),
          ]"
          label="Is on"
          @update:model-value="mount(spool.id, $event)"
        />
      </div>
      <p class="small">
        After all plates from it: <b class="num">{{ amount(last(spool.id), 'g') }}</b>.
        <template v-if="useOf(spool.id)?.dryOn">
          <b class="bad" data-dry
            >Runs dry on {{ useOf(spool.id)!.dryOn!.marks.join(' ') }},
            {{ amount(useOf(spool.id)!.dryOn!.shortG, 'g') }} short.</b
          >
          Put another one on before that plate.
        </template>
      </p>
      <div v-if="useOf(spool.id)?.after.length" class="bars" aria-hidden="true">
        <span
          v-for="item in useOf(spool.id)!.after"
          :key="item.plate"
          :title="`${item.marks.join(' ')}: ${amount(item.leftG, 'g')} left`"
          :class="{ dry: item.leftG <= 0 }"
          ><i :style="{ height: `${Math.max(3, (100 * item.leftG) / Math.max(1, spool.massG))}%` }" /></span
        ><em class="quiet">grams left after each plate from it</em>
      </div>
    </div>
    <v-btn data-act="add-spool" @click="add">A spool more</v-btn>
    <template v-if="shelf">
      <h3>To buy</h3>
      <p v-if="shelf.buy.length === 0">The shelf has what the waiting plates take.</p>
      <ul v-else>
        <li v-for="item in shelf.buy" :key="item.filament" data-buy>
          {{ nameOf(item.filament) }}: <b class="num">{{ amount(item.grams, 'g') }}</b> short,
          {{ item.spools }} {{ item.spools === 1 ? 'spool' : 'spools' }}, {{ doc.brief.currency }}
          {{ figure(item.cost, 0) }}
        </li>
      </ul>
      <h3>Wasted by failures</h3>
      <p>
        <span class="num" data-figure="wasted">{{ amount(shelf.wastedG, 'g', 1) }}</span>,
        {{ doc.brief.currency }}
        {{ figure(shelf.wastedCost, 2) }}
      </p>
    </template>
  </div>
</template>

<style scoped>
.spool {
  border-bottom: 1px solid var(--hair);
  padding: 6px 0 10px;
}
.fields {
  display: grid;
  grid-template-columns: 2fr 2fr 1fr 1.4fr;
  gap: 14px;
}
.bars {
  display: flex;
  align-items: flex-end;
  gap: 3px;
  height: 36px;
}
.bars span {
  width: 12px;
  height: 100%;
  background: var(--hair);
  display: flex;
  align-items: flex-end;
}
.bars i {
  display: block;
  width: 100%;
  background: rgb(var(--v-theme-primary));
}
.bars .dry i {
  background: rgb(var(--v-theme-error));
}
.bars em {
  font-size: 12px;
  font-style: normal;
  margin-left: 8px;
}
@media (max-width: 900px) {
  .fields {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
