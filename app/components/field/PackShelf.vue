<script setup lang="ts">
/** Packs by name: charges, what tests and flights say is left of them, and when one has had its time. */
import { packLife } from '../../../core/workshop/field'
import { fingerprint, type Pack } from '../../../core/document'
import { amount, figure, today, worded } from '~/composables/format'
import type { FieldOf } from '~/components/common/FigureFields.vue'
import { useBench } from '~/composables/useBench'

const { doc, edit } = useBench()
const packs = computed(() => doc.value.field.packs.map(pack => ({ pack, life: packLife(doc.value, pack) })))
const open = ref<string | null>(null)
const VERDICTS = { good: 'good', watch: 'watch it', retire: 'retire it' }

function add() {
  const battery = doc.value.equipment.find(item => item.battery)?.battery
  const n = doc.value.field.packs.length + 1
  const id = `pack-${fingerprint([n, Date.now()])}`
  edit('A new pack', draft => {
    draft.field.packs.push({
      id,
      name: `Pack ${n}`,
      cells: battery?.cells ?? 3,
      capacityMah: battery?.capacityMah ?? 1300,
      resistanceMohm: null,
      cyclesBefore: 0,
      tests: [],
      retired: false,
    })
  })
  open.value = id
}
function change(id: string, what: string, apply: (pack: Pack) => void) {
  edit(what, draft => {
    const pack = draft.field.packs.find(item => item.id === id)
    if (pack) apply(pack)
  })
}
const remove = (pack: Pack) =>
  edit(`Remove ${pack.name}`.slice(0, 120), draft => {
    draft.field.packs = draft.field.packs.filter(item => item.id !== pack.id)
    if (draft.field.pack === pack.id) draft.field.pack = null
  })
const figuresOf = (pack: Pack): FieldOf[] => [
  {
    id: 'pack-cells',
    label: 'Cells',
    unit: '',
    min: 1,
    max: 14,
    digits: 0,
    value: pack.cells,
    set: value =>
      change(pack.id, 'Cells of a pack', own => {
        own.cells = Math.round(value!)
      }),
  },
  {
    id: 'pack-capacity',
    label: 'Written on it',
    unit: 'mAh',
    min: 10,
    max: 50000,
    digits: 0,
    value: pack.capacityMah,
    set: value =>
      change(pack.id, 'Capacity of a pack', own => {
        own.capacityMah = value!
      }),
  },
  {
    id: 'pack-resistance',
    label: 'Resistance when new',
    unit: 'mΩ',
    min: 0.1,
    max: 5000,
    digits: 0,
    optional: true,
    value: pack.resistanceMohm,
    set: value =>
      change(pack.id, 'First resistance of a pack', own => {
        own.resistanceMohm = value
      }),
  },
  {
    id: 'pack-cycles',
    label: 'Charges before this log',
    unit: '',
    min: 0,
    max: 5000,
    digits: 0,
    value: pack.cyclesBefore,
    set: value =>
      change(pack.id, 'Charges of a pack', own => {
        own.cyclesBefore = Math.round(value!)
      }),
  },
]
const tested = reactive({ capacityMah: null as number | null, resistanceMohm: null as number | null })
function keepTest(id: string) {
  if (tested.capacityMah === null && tested.resistanceMohm === null) return
  const test = { date: today(), ...tested }
  change(id, 'A test of the pack', pack => {
    pack.tests.push({ ...test })
  })
  Object.assign(tested, { capacityMah: null, resistanceMohm: null })
}
const lines = (life: (typeof packs.value)[number]['life']) => {
  const day = (date: string) => Math.round(Date.parse(date) / 86_400_000)
  const from = life.history.length ? day(life.history[0]!.date) : 0
  return [
    {
      label: 'capacity',
      marked: true,
      points: life.history.map(item => ({
        x: day(item.date) - from,
        y: item.capacityShare === null ? null : 100 * item.capacityShare,
      })),
    },
    {
      label: 'resistance',
      marked: true,
      dash: [4, 3],
      colour: 'secondary' as const,
      nameAt: 1,
      points: life.history.map(item => ({
        x: day(item.date) - from,
        y: item.resistanceShare === null ? null : 100 * item.resistanceShare,
      })),
    },
  ]
}
</script>

<template>
  <section>
    <p v-if="!packs.length" class="lead">
      No packs yet. Name each one: what it has been through tells how long it flies today, and when it has had
      its time.
    </p>
    <article v-for="{ pack, life } in packs" :key="pack.id" class="pack" :data-pack-card="pack.id">
      <header>
        <button
          type="button"
          class="plain name"
          :aria-expanded="open === pack.id"
          @click="open = open === pack.id ? null : pack.id"
        >
          <b>{{ pack.name }}</b>
          <span class="quiet num">
            {{ pack.cells }} cells, {{ amount(pack.capacityMah, 'mAh') }}, {{ life.cycles }} charges</span
          >
        </button>
        <span v-if="pack.retired" class="quiet">retired</span>
        <span v-else class="verdict" :class="life.verdict" data-figure="pack-verdict">{{
          VERDICTS[life.verdict]
        }}</span>
      </header>
      <p class="small">
        {{ worded(life.reason)
        }}<template v-if="life.flown"
          >; flights say {{ amount(life.flown.capacityMah, 'mAh') }} ({{ life.flown.of }}
          {{ life.flown.of === 1 ? 'flight' : 'flights' }}, taken as full at the start)</template
        >.
      </p>
      <template v-if="open === pack.id">
        <div class="name-of">
          <v-text-field
            :model-value="pack.name"
            label="Name"
            maxlength="80"
            @change="
              change(pack.id, 'Name of a pack', own => {
                own.name = ($event.target as HTMLInputElement).value.slice(0, 80) || own.name
              })
            "
          />
        </div>
        <FigureFields :fields="figuresOf(pack)" pairs />
        <PlotLines
          v-if="life.history.length > 1"
          :lines="lines(life)"
          :limits="[
            { y: 80, label: 'capacity: retire', broken: true },
            { y: 200, label: 'resistance: retire', broken: true },
          ]"
          :x="{ label: 'since its first test', unit: 'd', digits: 0 }"
          :left="{ label: 'of new', unit: '%', digits: 0 }"
          label="Capacity and resistance over time"
          :height="180"
        />
        <div class="rowed">
          <FigureField
            v-model="tested.capacityMah"
            label="Measured capacity"
            unit="mAh"
            :min="1"
            :max="100000"
            :digits="0"
            optional
            data-field="test-capacity"
          />
          <FigureField
            v-model="tested.resistanceMohm"
            label="Measured resistance"
            unit="mΩ"
            :min="0.1"
            :max="5000"
            :digits="0"
            optional
            data-field="test-resistance"
          />
          <v-btn
            :disabled="tested.capacityMah === null && tested.resistanceMohm === null"
            data-act="keep-test"
            @click="keepTest(pack.id)"
            >Keep this test</v-btn
          >
        </div>
        <div class="acts">
          <v-btn
            variant="text"
            @click="
              change(pack.id, pack.retired ? 'Bring a pack back' : 'Retire a pack', own => {
                own.retired = !own.retired
              })
            "
            >{{ pack.retired ? 'Bring it back' : 'Retire it' }}</v-btn
          >
          <v-btn variant="text" @click="remove(pack)">Remove it from the list</v-btn>
        </div>
      </template>
    </article>
    <div class="acts"><v-btn data-act="add-pack" @click="add">Another pack</v-btn></div>
    <p class="caution">
      ⚠ A swollen, dented or hot pack does not fly again: put it outdoors in a fireproof bag, and take it
      where your place collects such cells. Charge watched, on something that does not burn.
    </p>
    <p class="small quiet">
      Watched under {{ figure(87) }} % of its capacity or over 1.5 times its resistance, retired at
      {{ figure(80) }} % or twice; half way there the drive is reckoned with half the wear.
    </p>
  </section>
</template>

<style scoped>
.pack {
  border-bottom: 1px solid var(--hair);
  padding: 8px 0;
}
header {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  align-items: baseline;
}
.name {
  font-size: 16px;
  overflow-wrap: anywhere;
  text-decoration: underline;
  text-decoration-color: var(--hair);
  text-underline-offset: 3px;
}
.name .num {
  font-size: 13px;
  margin-left: 8px;
}
.verdict {
  font-weight: 700;
  white-space: nowrap;
}
.good {
  color: rgb(var(--v-theme-success));
}
.watch {
  color: rgb(var(--v-theme-warning));
}
.retire {
  color: rgb(var(--v-theme-error));
}
.name-of {
  max-width: 420px;
  margin: 8px 0;
}
.rowed {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 10px;
  align-items: center;
  margin: 8px 0;
}
</style>
