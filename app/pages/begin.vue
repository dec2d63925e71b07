<script setup lang="ts">
/** From a brief to a first aircraft: sentences on one side, layouts that were really sized on the other. */
import { emptyProject, PURPOSES, type Begun, type PurposeId } from '../../core/begin'
import { DEMOS } from '../../core/demo'
import { reasonOf } from '~/db/store-fault'
import { amount, worded } from '~/composables/format'
import { useBeginning } from '~/composables/useBeginning'
import { usePartFiles } from '~/composables/usePartFiles'
import { useProject } from '~/stores/project'
import type { ProjectFile } from '../../core/document'

const { said, now, ready, refused, done, fault, stale, run, halt } = useBeginning()
const { parts, fault: partFault, busy: reading, bring } = usePartFiles()
const chooser = ref<HTMLInputElement>()
function chosen(event: Event) {
  const files = chosenFiles(event)
  if (files.length) void bring(files)
}
const project = useProject()
const router = useRouter()
const busy = ref(false)
const refusal = ref('')
useHead({ title: 'Begin – Mariposa' })
// Where it is opened first, what is open must be known before anything takes its place.
onMounted(() => {
  if (!project.doc)
    project.start().catch((error: unknown) => {
      refusal.value = `${reasonOf(error)}.`
    })
})

const purposes = Object.entries(PURPOSES) as Array<[PurposeId, (typeof PURPOSES)[PurposeId]]>
const habit = ({ spanMaxMm, stallMs, payloadG }: (typeof PURPOSES)[PurposeId]): string =>
  [
    `span to ${amount(spanMaxMm, 'mm')}`,
    `stalls at ${amount(stallMs, 'm/s', 1)}`,
    ...(payloadG ? [`carries ${amount(payloadG, 'g')}`] : []),
  ].join(', ')
function goFor(id: PurposeId) {
  said.value.purpose = id
  void run()
}

/** The largest of them fills its place; the others are to its scale. */
const room = computed(() => {
  const boxes = ready.value.map(item => item.drawing.box)
  return {
    width: 1.05 * Math.max(1, ...boxes.map(box => box.maxY - box.minY)),
    height: 1.05 * Math.max(1, ...boxes.map(box => box.maxX - box.minX)),
  }
})
async function begin(work: () => Promise<void>) {
  busy.value = true
  refusal.value = ''
  try {
    await work()
    await router.push('/brief')
  } catch (error) {
    refusal.value = `${reasonOf(error)}.`
  } finally {
    busy.value = false
  }
}
const choose = (layout: Begun) =>
  begin(() => project.addGrown(layout.steps.map(({ title, doc }) => ({ title: worded(title), doc }))))
const others = computed(() =>
  project.shelf.filter(item => !item.fault).map(item => ({ value: item.id, title: item.name })),
)
const designOf = (id: string | null) => {
  if (id) void begin(() => project.addDesignOf(id))
}
onMounted(() => {
  project.listShelf().catch(() => {
    // Without a store there are no others.
  })
})
const from = (doc: ProjectFile) => begin(() => project.add(doc))
</script>

<template>
  <div class="shell begin" :data-ready="(!!project.doc || refusal !== '') && !now">
    <header class="head">
      <img src="/mariposa.svg" alt="" width="30" height="30" />
      <h1>Begin an aircraft</h1>
      <v-btn variant="text" size="small" to="/brief" data-act="back"
        >Back to {{ project.doc?.name ?? 'the bench' }}</v-btn
      >
    </header>
    <aside class="brief" tabindex="0" aria-label="Brief">
      <BriefSentences />
      <v-btn v-if="now" block data-act="halt" @click="halt">Stop</v-btn>
      <v-btn v-else color="primary" variant="flat" block data-act="size" @click="run"
        >Size layouts for it</v-btn
      >
      <div v-if="now" class="small" role="status" data-progress>
        <v-progress-linear :model-value="100 * now.share" color="secondary" height="6" />
        {{ now.label }} is drawn, weighed, balanced and loaded …
      </div>
      <h3>Or from</h3>
      <div class="acts">
        <v-btn size="small" :disabled="busy" data-act="empty" @click="from(emptyProject())"
          >An empty bench</v-btn
        >
        <v-btn v-for="demo in DEMOS" :key="demo.id" size="small" :disabled="busy" @click="from(demo)"
          >A fresh {{ demo.name }}</v-btn
        >
        <v-btn size="small" :loading="reading" data-act="part-files" @click="chooser?.click()"
          >Part files</v-btn
        ><input
          ref="chooser"
          type="file"
          accept=".stl,.3mf"
          multiple
          class="sr"
          aria-label="Part files"
          @change="chosen"
        />
      </div>
      <v-select
        class="other"
        :model-value="null"
        :items="others"
        label="The design of another project"
        :disabled="busy"
        data-field="other"
        @update:model-value="designOf"
      />
    </aside>
    <main class="layouts" tabindex="0" aria-label="Layouts" :data-sized="done ? ready.length : undefined">
      <p v-if="fault || refusal" class="bad" role="alert">{{ fault || refusal }}</p>
      <p v-if="partFault && !parts.length" class="bad" role="alert" data-fault="parts">{{ partFault }}</p>
      <PartsAtHand v-if="parts.length" :held="busy" @begin="from" @more="chooser?.click()" />
      <p v-if="stale && ready.length" class="warn small" data-stale>
        The brief has changed since these were sized.
      </p>
      <div v-if="!ready.length && !done && !now && !parts.length" class="first">
        <h2>What is it for?</h2>
        <p>
          Each is drawn, weighed, balanced and held against its loads by the same computation as everything
          after: wing area from the stall, a drive from the drawer, spars that bear, cuts for your beds. What
          cannot all be had is said, with what it would cost. Choose one, and change all of it.
        </p>
        <div class="purposes">
          <button
            v-for="[id, item] in purposes"
            :key="id"
            type="button"
            class="plain purpose"
            :data-purpose="id"
            @click="goFor(id)"
          >
            <b>{{ item.label }}</b>
            <span>It {{ item.means }}.</span>
            <span class="quiet small num">{{ habit(item) }}</span>
          </button>
        </div>
      </div>
      <div class="cards">
        <LayoutCard
          v-for="layout in ready"
          :key="layout.kind"
          :layout="layout"
          :box-mm="room"
          :busy="busy"
          @choose="choose(layout)"
        />
      </div>
      <section v-if="refused.length" class="refused">
        <h3>What cannot be made of it</h3>
        <p v-for="item in refused" :key="item.kind" class="small" :data-refused="item.kind">
          <b>{{ item.label }}</b>: {{ worded(item.why) }}.
        </p>
      </section>
      <p v-if="ready.length" class="quiet small">
        First drafts: proportions by the habits of small electric models, everything else computed. Figures
        err on the heavy side until pieces have been weighed. Before you fly, the go or no-go at Field, the
        rules where you fly, and somebody who has done it before.
      </p>
    </main>
  </div>
</template>

<style scoped>
.begin {
  display: grid;
  height: 100dvh;
  grid-template: auto minmax(0, 1fr) / 372px minmax(0, 1fr);
  grid-template-areas: 'head head' 'brief layouts';
  background: rgb(var(--v-theme-background));
}
.head {
  grid-area: head;
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 10px 16px;
  border-bottom: 1px solid var(--hair);
}
h1 {
  font-size: 20px;
  font-weight: 750;
  margin: 0;
  flex: 1;
}
.brief {
  grid-area: brief;
  /* What stands out of its fields is cut off with them, and does not lengthen the page. */
  position: relative;
  overflow-y: auto;
  padding: 14px 16px 24px;
  border-right: 1px solid var(--hair);
}
.other {
  margin-top: 10px;
}
.layouts {
  grid-area: layouts;
  position: relative;
  overflow-y: auto;
  padding: 14px 16px 24px;
}
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(272px, 1fr));
  gap: 12px;
  margin-bottom: 14px;
}
.first {
  max-width: 820px;
  margin: 4vh auto 0;
  line-height: 1.5;
}
.purposes {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: 10px;
}
.purpose {
  display: grid;
  gap: 2px;
  align-content: start;
  border: 1px solid var(--hair);
  border-radius: 8px;
  padding: 10px 12px;
}
.purpose:hover {
  border-color: rgb(var(--v-theme-secondary));
}
.first h2 {
  font-size: 22px;
  margin-bottom: 8px;
}
@media (max-width: 700px) {
  .begin {
    height: auto;
    min-height: 100dvh;
    grid-template: auto auto auto / minmax(0, 1fr);
    grid-template-areas: 'head' 'brief' 'layouts';
  }
  .brief {
    border-right: 0;
    border-bottom: 1px solid var(--hair);
  }
  .first {
    margin: 0;
  }
  h1 {
    font-size: 17px;
  }
}
</style>
