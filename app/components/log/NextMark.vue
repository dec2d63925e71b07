<script setup lang="ts">
/** Wishes for the next mark: collected, tried alone and together, taken with their reasons. */
import type { Wish } from '../../../core/document'
import { takeMark } from '../../../core/workshop/next-mark'
import type { Act, Suggestion, Tried } from '../../../core/workshop/next-mark'
import { amount, figure, signedAmount, today, worded } from '~/composables/format'
import { useAside } from '~/composables/useAside'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'

const { doc, now, edit, project } = useBench()
const core = useCore('aside')
const { answer: wishing, fault: unasked } = useAside((remote, subject) => remote.wishing(subject))
const open = computed(() => doc.value.wishes.filter(wish => wish.state === 'open'))
const FROM: Record<Wish['from'], string> = {
  flight: 'from a flight',
  damage: 'from what broke',
  finding: 'from a finding',
  diagnosis: 'from the diagnosis',
  own: 'your own',
}
const titleOf = (id: string) => {
  const act = wishing.value?.acts.find(item => item.id === id)
  return act ? worded(act.title) : id
}
const offered = computed(
  () =>
    wishing.value?.suggestions.filter(
      item =>
        !doc.value.wishes.some(
          wish => wish.text === worded(item.text) || (item.act !== null && wish.act === item.act),
        ),
    ) ?? [],
)
function wish(text: string, from: Wish['from'], act: string | null) {
  let n = doc.value.wishes.length + 1
  while (doc.value.wishes.some(item => item.id === `wish-${n}`)) n++
  return edit('A wish for the next mark', draft => {
    draft.wishes.push({ id: `wish-${n}`, date: today(), text: text.slice(0, 400), from, act, state: 'open' })
  })
}
const takeUp = (item: Suggestion) => wish(worded(item.text), item.from, item.act)
const words = ref('')
const act = ref<string | null>(null)
const groups = computed(() =>
  (wishing.value?.acts ?? []).map((item: Omit<Act, 'change'>) => ({
    title: `${item.group}: ${worded(item.title)}`,
    value: item.id,
  })),
)
function add() {
  const text = words.value.trim() || (act.value ? titleOf(act.value) : '')
  if (!text) return
  if (wish(text, 'own', act.value)) {
    words.value = ''
    act.value = null
  }
}
const change = (id: string, what: string, apply: (own: Wish) => void) =>
  edit(what, draft => {
    const own = draft.wishes.find(item => item.id === id)
    if (own) apply(own)
  })

/** Which of them go in together. */
const left = ref<string[]>([])
const together = computed(() => open.value.filter(item => item.act && !left.value.includes(item.id)))
const alone = shallowRef<Record<string, Tried>>({})
const all = shallowRef<{ tried: Tried; redo: string[] } | null>(null)
const of = shallowRef<typeof doc.value | null>(null)
const busy = ref(false),
  fault = ref('')
let asked = 0
async function tryAll() {
  const own = ++asked
  const subject = toRaw(doc.value)
  const acts = together.value.map(item => item.act!)
  busy.value = true
  fault.value = ''
  try {
    const found: Record<string, Tried> = {}
    for (const item of open.value) {
      if (!item.act || own !== asked) continue
      found[item.id] = (await core.tryWishes(subject, [item.act])).tried
    }
    const whole = acts.length ? await core.tryWishes(subject, acts) : null
    if (own !== asked) return
    alone.value = found
    all.value = whole
    of.value = subject
  } catch (error) {
    if (own === asked) fault.value = `They were not tried: ${(error as Error).message}`
  } finally {
    if (own === asked) busy.value = false
  }
}
watch([doc, together], tryAll, { immediate: true })
onBeforeUnmount(() => {
  asked++
})
const name = ref('')
const fresh = computed(() => !!all.value && of.value === toRaw(doc.value))
async function take() {
  if (!all.value || !fresh.value) return
  const { tried, redo } = all.value
  const wishes = together.value.map(item => item.id)
  const reasons = together.value.map(item => item.text)
  const flown = project.marks.find(item => item.id === project.markAt)
  await project.said(async () => {
    // What flew is kept first, so that the line goes on from it.
    if (!flown || JSON.stringify(flown.doc) !== JSON.stringify(doc.value))
      await project.mark(flown ? `${flown.name.slice(0, 80)}, as flown` : 'Mark 1, as flown')
    const title = name.value.trim() || `Mark ${project.marks.length + 1}`
    if (
      !project.takeOffer(`The next mark: ${title}`, takeMark(toRaw(doc.value), tried, wishes, redo), of.value)
    )
      return
    await project.mark(title.slice(0, 120), undefined, reasons)
    name.value = ''
  })
}
const pieceName = (id: string) => now.value.pieces.find(item => item.id === id)?.name ?? id
const cost = (tried: Tried) => [
  signedAmount(tried.massG, 'g', 0),
  `${tried.reserve >= 0 ? '+' : '−'}${figure(Math.abs(tried.reserve), 2)}`,
  `${tried.anew.length}`,
  amount(tried.hoursAnew, 'h', 1),
]
</script>

<template>
  <section>
    <p v-if="unasked" class="bad" role="alert">{{ unasked }}</p>
    <p v-if="!open.length" class="lead">
      No wish yet. What flights, damage and findings suggest stands below; take it up, or add your own.
    </p>
    <table v-else class="ledger" data-table="wishes">
      <thead>
        <tr>
          <th>Wish</th>
          <th class="r">Weight</th>
          <th class="r">Reserve</th>
          <th class="r">Pieces anew</th>
          <th class="r">Printing</th>
          <th>Elsewhere</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="item in open" :key="item.id" :data-wish="item.id">
          <td>
            <label class="pick">
              <input
                type="checkbox"
                :checked="!!item.act && !left.includes(item.id)"
                :disabled="!item.act"
                :aria-label="`Together: ${item.text}`"
                @change="
                  left = left.includes(item.id) ? left.filter(id => id !== item.id) : [...left, item.id]
                "
              />
              <span
                ><b>{{ item.text }}</b> <span class="small quiet"> {{ FROM[item.from] }}</span><span
                  v-if="item.act && titleOf(item.act) !== item.text"
                  class="small block"
                  >{{ titleOf(item.act) }}</span
                ></span
              >
            </label>
          </td>
          <template v-if="item.act && alone[item.id]">
            <td v-for="(value, i) in cost(alone[item.id]!)" :key="i" class="r num">{{ value }}</td>
            <td class="small">
              <span v-for="(line, i) in alone[item.id]!.rebalanced" :key="i">{{ worded(line) }}. </span
              ><span v-for="(line, i) in alone[item.id]!.refused" :key="`r${i}`" class="bad"
                >{{ worded(line) }}. </span
              ><span v-if="alone[item.id]!.stops > 0" class="bad">Stops the build. </span>
            </td>
          </template>
          <td v-else-if="item.act" class="small quiet" colspan="5">{{ busy ? 'Trying …' : '' }}</td>
          <td v-else class="small quiet" colspan="5">
            <v-select
              :model-value="null"
              :items="groups"
              label="In words alone; to try it, say what it would be"
              density="compact"
              hide-details
              @update:model-value="
                change(item.id, 'What a wish would be', own => {
                  own.act = $event
                })
              "
            />
          </td>
          <td>
            <v-btn
              size="x-small"
              variant="text"
              @click="
                change(item.id, 'Drop a wish', own => {
                  own.state = 'dropped'
                })
              "
              >Drop</v-btn
            >
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
    <section v-if="all" class="all" :class="{ quiet: !fresh }" data-figure="together">
      <h3>Together</h3>
      <p>
        {{ signedAmount(all.tried.massG, 'g', 0) }}, reserve {{ all.tried.reserve >= 0 ? '+' : '−'
        }}{{ figure(Math.abs(all.tried.reserve), 2) }}, stall {{ signedAmount(all.tried.stallMs, 'm/s', 2) }},
        margin {{ signedAmount(all.tried.marginPct, '%', 1)
        }}<template v-if="all.tried.rebalanced.length"
          >; so that it balances as before:
          {{ all.tried.rebalanced.map(line => worded(line)).join(', ') }}</template
        >. {{ all.tried.anew.length }} {{ all.tried.anew.length === 1 ? 'piece' : 'pieces' }} to print anew
        ({{ amount(all.tried.hoursAnew, 'h', 1) }}), {{ all.tried.carried }} carry over.
      </p>
      <p v-if="all.tried.anew.length" class="small quiet">
        Anew: {{ all.tried.anew.slice(0, 12).map(pieceName).join(', ')
        }}{{ all.tried.anew.length > 12 ? ` and ${all.tried.anew.length - 12} more` : '' }}.
      </p>
      <p v-for="(line, i) in all.tried.refused" :key="i" class="bad small">{{ worded(line) }}.</p>
      <p v-if="all.tried.stops > 0" class="bad">
        Together they stop the build: see the findings after trying.
      </p>
      <form class="new" @submit.prevent="take">
        <v-text-field v-model="name" label="Name of the mark" maxlength="100" data-field="mark-named" />
        <v-btn type="submit" color="primary" variant="flat" :disabled="!fresh || busy" data-act="take-mark"
          >Take it as the next mark</v-btn
        >
      </form>
    </section>
    <template v-if="offered.length">
      <h3>Suggested</h3>
      <ul class="offers">
        <li v-for="item in offered" :key="item.key" :data-suggested="item.key">
          <span
            >{{ worded(item.text) }} <span class="small quiet">{{ FROM[item.from] }}</span></span
          >
          <v-btn size="small" @click="takeUp(item)">Take it up</v-btn>
        </li>
      </ul>
    </template>
    <h3>Another wish</h3>
    <form class="new" @submit.prevent="add">
      <v-text-field v-model="words" label="In words" maxlength="400" data-field="wish" />
      <v-select v-model="act" :items="groups" label="Tried as" clearable data-field="wish-act" />
      <v-btn type="submit" :disabled="!words.trim() && !act" data-act="add-wish">Add</v-btn>
    </form>
    <h3>The line of marks</h3>
    <MarkTree />
  </section>
</template>

<style scoped>
.pick {
  display: flex;
  gap: 8px;
  align-items: baseline;
}
.block {
  display: block;
}
.all {
  border-left: 3px solid rgb(var(--v-theme-primary));
  padding-left: 12px;
  margin: 12px 0;
}
.all h3 {
  margin-top: 0;
}
.all p {
  margin: 4px 0;
}
.new {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  max-width: 760px;
}
.new > .v-input {
  flex: 1 1 200px;
}
.offers {
  list-style: none;
  padding: 0;
  margin: 0;
}
.offers li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  padding: 4px 0;
  border-bottom: 1px solid var(--hair);
}
</style>
