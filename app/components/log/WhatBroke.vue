<script setup lang="ts">
/** What broke, where and how: every way to mend it computed on the whole aircraft, one chosen, and what came of it. */
import { BREAKS, type Break, type Damage } from '../../../core/document'
import { chooseMend, noteDamage, partHistories } from '../../../core/workshop/repair'
import type { LookAlso, Repair } from '../../../core/workshop/repair'
import { amount, figure, signedAmount, today, worded } from '~/composables/format'
import { download, fileName } from '~/composables/download'
import { useAside } from '~/composables/useAside'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'

const { doc, now, look, edit, project } = useBench()
const { answer: bought } = useAside(core => core.boughtParts(toRaw(doc.value)))
const chosen = ref('')
const items = computed(() => [
  ...now.value.pieces.map(({ id, name, fromMm, toMm }) => ({ id, name, fromMm, toMm })),
  ...(bought.value ?? []),
])
const piece = computed(
  () => items.value.find(item => item.id === (chosen.value || look.selected)) ?? items.value[0] ?? null,
)
/** Pressed on the drawing, it is that piece. */
watch(
  () => look.selected,
  id => {
    if (id) chosen.value = ''
  },
)
const at = ref<number | null>(null)
const how = ref<Break>('crack')
const HOW: Record<Break, string> = {
  crack: 'cracked',
  crushed: 'crushed',
  torn: 'torn',
  gone: 'gone',
  delaminated: 'layers parted',
}
const place = computed(() => {
  if (!piece.value) return 0
  const { fromMm, toMm } = piece.value
  const middle = Math.round((fromMm + toMm) / 2)
  return at.value !== null && at.value >= fromMm && at.value <= toMm ? at.value : middle
})
const ways = shallowRef<Repair[]>([])
const looks = shallowRef<LookAlso[]>([])
const redo = shallowRef<string[]>([])
/** The design that they were computed for. */
const of = shallowRef<typeof doc.value | null>(null)
const busy = ref(false),
  fault = ref('')
let asked = 0
async function reckon() {
  if (!piece.value) return
  const own = ++asked
  busy.value = true
  fault.value = ''
  const subject = toRaw(doc.value)
  try {
    const found = await useCore('aside').damage(subject, piece.value.id, place.value, how.value)
    if (own !== asked) return
    ways.value = found.ways
    looks.value = found.looks
    redo.value = found.redo
    of.value = subject
  } catch (error) {
    if (own === asked) fault.value = (error as Error).message
  } finally {
    if (own === asked) busy.value = false
  }
}
watch([doc, () => piece.value?.id, place, how], reckon, { immediate: true })
onBeforeUnmount(() => {
  asked++
})
const last = computed(() => doc.value.flights.at(-1)?.id ?? null)
const broken = () =>
  noteDamage(toRaw(doc.value), now.value, {
    piece: piece.value!.id,
    atMm: place.value,
    how: how.value,
    flight: last.value,
    date: today(),
    note: '',
  })
const note = () =>
  edit(`${piece.value!.name} broke`, draft => {
    draft.damages.push(broken())
  })
const nameOf = (id: string) => items.value.find(item => item.id === id)?.name ?? id
/** An open damage at this very place is the one that is decided on. */
function take(way: Repair) {
  const own =
    doc.value.damages.find(
      item => item.state === 'open' && item.piece === piece.value!.id && item.atMm === place.value,
    ) ?? broken()
  project.takeOffer(
    `Mend ${piece.value!.name}: ${WAYS[way.code]}`,
    chooseMend(toRaw(doc.value), toRaw(own), way, redo.value),
    of.value,
  )
}
const WAYS: Record<Repair['code'], string> = {
  'new-piece': 'a new piece',
  rest: 'its rest printed',
  glue: 'glued',
  splint: 'splinted',
  stronger: 'a stronger piece',
  'new-part': 'a new part',
  sleeve: 'a sleeve',
}
const histories = computed(() => partHistories(doc.value))
function settle(damage: Damage, state: Damage['state']) {
  edit(state === 'mended' ? `${nameOf(damage.piece)} is mended` : `Reopen ${nameOf(damage.piece)}`, draft => {
    const own = draft.damages.find(item => item.id === damage.id)
    if (!own) return
    own.state = state
    const step = `mend.${damage.id}`
    draft.build.ticks = draft.build.ticks.filter(tick => tick.step !== step)
    if (state === 'mended')
      draft.build.ticks.push({ step, state: 'done', at: `${today()}T12:00`, tookMin: null })
  })
}
const forget = (damage: Damage) =>
  edit(`Take back: ${nameOf(damage.piece)} broke`, draft => {
    draft.damages = draft.damages.filter(item => item.id !== damage.id)
  })
const writing = ref('')
async function restFile(damage: Damage) {
  writing.value = damage.id
  try {
    const bytes = await useCore('aside').restFile(toRaw(doc.value), damage.piece, damage.atMm)
    if (bytes) download(`${fileName(`${doc.value.name}-${damage.piece}`)}-rest.stl`, bytes, 'model/stl')
    else fault.value = `${nameOf(damage.piece)} has no rest that can be printed any more.`
  } catch (error) {
    fault.value = `The rest was not written: ${(error as Error).message}`
  } finally {
    writing.value = ''
  }
}
</script>

<template>
  <section>
    <div class="ask">
      <v-select
        :model-value="piece?.id"
        :items="items.map(item => ({ title: item.name, value: item.id }))"
        label="What broke, or press it in the drawing"
        data-field="broke-piece"
        @update:model-value="chosen = $event"
      />
      <FigureField
        v-if="piece"
        v-model="at"
        :label="`At, ${figure(piece.fromMm)} to ${figure(piece.toMm)}`"
        unit="mm"
        :min="piece.fromMm"
        :max="piece.toMm"
        :digits="0"
        optional
        data-field="broke-at"
      />
      <v-select
        v-model="how"
        :items="BREAKS.map(item => ({ title: HOW[item], value: item }))"
        label="It is"
        data-field="broke-how"
      />
      <v-btn data-act="note-damage" :disabled="!piece" @click="note">Note it</v-btn>
    </div>
    <p class="small quiet" role="status">
      {{ busy ? 'Computing …' : `broken at ${amount(place, 'mm')}` }}
    </p>
    <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
    <table v-if="ways.length" class="ledger" data-table="repairs">
      <thead>
        <tr>
          <th>Way to mend it</th>
          <th class="r">Weight</th>
          <th class="r">Hours</th>
          <th class="r">Cost</th>
          <th class="r">Reserve</th>
          <th class="r">Balances at</th>
          <th>Mind</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="way in ways" :key="way.code" :data-way="way.code">
          <td>
            <b>{{ worded(way.what) }}</b>
          </td>
          <td class="r num">{{ signedAmount(way.massG, 'g', 1) }}</td>
          <td class="r num">{{ amount(way.hours, 'h', 1) }}</td>
          <td class="r num">{{ figure(way.cost, 2) }} {{ doc.brief.currency }}</td>
          <td class="r num" :class="{ bad: way.reserve < 1 }">{{ figure(way.reserve, 2) }}</td>
          <td class="r num">{{ amount(way.cgMm, 'mm', 1) }}</td>
          <td class="small">{{ worded(way.against) }}</td>
          <td>
            <v-btn size="small" :disabled="busy" :data-take="way.code" @click="take(way)">Mend it so</v-btn>
          </td>
        </tr>
      </tbody>
    </table>
    <section v-if="histories.length" data-list="histories">
      <h3>What broke so far</h3>
      <article v-for="history in histories" :key="history.piece" class="part" :data-part="history.piece">
        <p>
          <b>{{ nameOf(history.piece) }}</b>
          <span class="quiet num">
            copy {{ history.copy }}, mended {{ history.mends }}
            {{ history.mends === 1 ? 'time' : 'times' }}</span
          >
        </p>
        <p v-for="again in history.again" :key="again.atMm" class="bad small">
          Broke {{ again.times }} times at {{ amount(again.atMm, 'mm') }}: make it stronger there, or find
          what bends it.
        </p>
        <div v-for="damage in history.damages" :key="damage.id" class="damage" :data-damage="damage.id">
          <span class="num small"
            >{{ damage.date }}, {{ HOW[damage.how] }} at {{ amount(damage.atMm, 'mm') }}:
            <b>{{ damage.way ? WAYS[damage.way] : 'not decided' }}</b><template
              v-if="damage.state === 'chosen'"
              >, to be done</template
            ><template v-else-if="damage.state === 'mended'">, done</template
            ><template v-if="damage.massG">, {{ signedAmount(damage.massG, 'g', 1) }}</template></span
          >
          <span class="acts">
            <v-btn
              v-if="damage.way === 'rest' && damage.state === 'chosen'"
              size="x-small"
              :disabled="writing === damage.id"
              data-act="rest-file"
              @click="restFile(damage)"
              >Its rest (STL)</v-btn
            >
            <v-btn
              v-if="damage.state === 'chosen'"
              size="x-small"
              data-act="mended"
              @click="settle(damage, 'mended')"
              >It is mended</v-btn
            >
            <v-btn
              v-if="damage.state === 'mended'"
              size="x-small"
              variant="text"
              @click="settle(damage, 'chosen')"
              >Not yet after all</v-btn
            >
            <v-btn size="x-small" variant="text" @click="forget(damage)">Take back</v-btn>
          </span>
        </div>
      </article>
    </section>
    <template v-if="looks.length">
      <h3>Look at these too: the load went on</h3>
      <ul class="small looks" data-list="looks">
        <li v-for="(item, i) in looks" :key="i">
          <b>{{ worded(item.where) }}</b>: {{ worded(item.why) }}
        </li>
      </ul>
    </template>
    <p class="small caution">
      ⚠ A hard landing bends packs too: out with it, outdoors, watched. Look the whole aircraft over: what
      broke one piece went through its neighbours, spars, bolts and mount too. Cyanoacrylate and epoxy: air,
      gloves, eyes.
    </p>
    <p class="small quiet">
      A way that is chosen is a plate at Print, a step at Build, a row of the ledger, and the balance to be
      measured anew. A break that is glued is reckoned as a joint of its own there; a rest as a piece with its
      joint. Weight is that of the one half, reserve that of the whole aircraft with the joint in both.
    </p>
  </section>
</template>

<style scoped>
.ask {
  display: grid;
  grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr) minmax(0, 0.8fr) auto;
  gap: 12px;
  align-items: center;
  max-width: 760px;
}
.looks {
  columns: 2;
  column-gap: 28px;
  padding-left: 18px;
  margin: 0;
}
.part {
  border-bottom: 1px solid var(--hair);
  padding: 4px 0;
}
.part p {
  margin: 2px 0;
}
.damage {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  align-items: center;
}
@media (max-width: 700px) {
  .ask {
    grid-template-columns: 1fr;
  }
  .looks {
    columns: 1;
  }
  .damage {
    display: block;
  }
}
</style>
