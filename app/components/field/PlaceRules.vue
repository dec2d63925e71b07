<script setup lang="ts">
/** The pilot's own rules of the place; what the law says is for authority, club and owner to tell. */
import { fingerprint } from '../../../core/document'
import { useBench } from '~/composables/useBench'

const { doc, edit } = useBench()
const typed = ref('')
function add() {
  const text = typed.value.trim().slice(0, 400)
  if (!text) return
  const id = `rule-${fingerprint([text, doc.value.field.rules.length])}`
  if (
    edit('A rule of the place', draft => {
      draft.field.rules.push({ id, text })
    })
  )
    typed.value = ''
}
const remove = (id: string) =>
  edit('Remove a rule of the place', draft => {
    draft.field.rules = draft.field.rules.filter(rule => rule.id !== id)
  })
</script>

<template>
  <section class="rules">
    <h2>Rules of the place</h2>
    <ul>
      <li v-for="rule in doc.field.rules" :key="rule.id">
        <span>{{ rule.text }}</span>
        <v-btn variant="text" size="x-small" :aria-label="`Remove: ${rule.text}`" @click="remove(rule.id)"
          >Remove</v-btn
        >
      </li>
    </ul>
    <form class="new" @submit.prevent="add">
      <v-text-field v-model="typed" label="Another rule" maxlength="400" data-field="rule" />
      <v-btn type="submit" :disabled="!typed.trim()">Add</v-btn>
    </form>
    <p class="small quiet">
      Your own list. What is allowed here and today is said by the national authority, the club and whoever
      owns the place: mass, height, identification, insurance, nature reserves, airspace. Ask them; nothing
      here says that a flight is legal or safe.
    </p>
  </section>
</template>

<style scoped>
.rules {
  border-top: 1px solid var(--hair);
  padding: 8px 0;
}
ul {
  list-style: none;
  padding: 0;
  margin: 4px 0;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 4px 0;
  border-bottom: 1px solid var(--hair);
  overflow-wrap: anywhere;
}
.new {
  display: flex;
  gap: 10px;
  align-items: center;
  max-width: 560px;
  margin: 8px 0;
}
</style>
