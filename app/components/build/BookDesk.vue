<script setup lang="ts">
/** The book of the aircraft: what is in it, on which paper, as which file. */
import { useStorage } from '@vueuse/core'
import { figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useBook, type BookKind } from '~/composables/useBook'
import { thisMinute } from '~/composables/usePrintRoom'

const { doc, project } = useBench()
const { at, fault, made, make, stop } = useBook()
const paper = useStorage<'a4' | 'letter'>('mariposa-paper', 'a4')
const papers = [
  { title: 'A4', value: 'a4' },
  { title: 'Letter', value: 'letter' },
]
const chapters = [
  ['Title', 'the aircraft in space, brief and verdicts'],
  ['Three views', 'to scale, with span, length, height and where it balances'],
  ['Pieces', 'by mark, with plate, grams, hours, and what the machine files said'],
  ['Recipes by zone', 'what to type in, for you or for whoever prints it'],
  ['To have and to cut', 'stock with its cuts, hinges, screws, leads, glue'],
  ['Building it', 'every step with its picture and its trap, your notes beside it'],
  ['Rods and throws', 'holes at full size, turns, channels'],
  ['Balance', 'by loading, and the whole ledger'],
  ['Flight card', 'speeds, throws, go or not yet, cautions'],
  ['What was measured and flown', 'weighings, proofs, flights'],
  ['Templates at full size', 'sections at root, cuts and tip, with a bar of 200 mm'],
]
const go = (kind: BookKind) => make(toRaw(project.doc!), kind, paper.value, thisMinute())
</script>

<template>
  <div class="desk">
    <section>
      <h2>The book of {{ doc.name }}</h2>
      <p class="lead">
        Made here, in this browser, from the project as it stands now. Every figure is the one on the screen.
      </p>
      <v-select v-model="paper" :items="papers" label="Paper" class="paper" data-field="paper" />
      <div class="acts">
        <v-btn variant="flat" color="primary" :disabled="!!at" data-act="book-pdf" @click="go('pdf')"
          >Book as PDF</v-btn
        >
        <v-btn :disabled="!!at" data-act="book-html" @click="go('html')">Book as one page (.html)</v-btn>
        <v-btn :disabled="!!at" data-act="book-sheets" @click="go('sheets')">Recipe sheets alone</v-btn>
      </div>
      <div v-if="at" class="at" role="status" data-book="busy">
        <v-progress-linear
          :model-value="100 * at.share"
          color="primary"
          height="6"
          rounded
          :indeterminate="at.share === 0"
          aria-label="Setting the book"
        />
        <v-btn size="small" variant="text" data-act="book-stop" @click="stop">Stop</v-btn>
      </div>
      <p v-if="made" class="good" role="status" data-book="made">
        {{ made.name }}, {{ figure(made.bytes / 1e6, 2) }} MB, is among your downloads.
      </p>
      <p v-if="fault" class="bad" role="alert">The book was not made: {{ fault }}</p>
      <p class="small quiet">
        The page opens without a network. Templates are to be printed at 100 %; a bar of 200 mm shows whether
        they were.
      </p>
    </section>
    <ol class="chapters">
      <li v-for="[name, what] in chapters" :key="name">
        <b>{{ name }}</b> <span class="quiet">{{ what }}</span>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.desk {
  display: grid;
  grid-template-columns: minmax(280px, 1fr) minmax(280px, 1fr);
  gap: 28px;
}
.paper {
  max-width: 200px;
  margin-bottom: 12px;
}
.acts {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 8px;
}
.at {
  display: flex;
  align-items: center;
  gap: 10px;
  margin-top: 12px;
}
.chapters {
  margin: 4px 0 0;
  padding-left: 22px;
  line-height: 1.9;
}
@media (max-width: 900px) {
  .desk {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
