<script setup lang="ts">
/** Marks as a tree from the first to the present design: what each weighs, what it flew, what it taught. */
import { format } from 'date-fns'
import type { ProjectFile } from '../../../core/document'
import type { MarkRecord } from '~/db/database'
import type { MarkFigures } from '~/workers/core/flying'
import { amount, figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'

const { doc, project } = useBench()
interface Node {
  key: string
  mark: MarkRecord | null
  name: string
  parent: string | null
  doc: ProjectFile
}
const nodes = computed((): Node[] => {
  const marks = project.marks.map(mark => ({
    key: String(mark.id),
    mark,
    name: mark.name,
    parent: mark.parent === null || mark.parent === undefined ? null : String(mark.parent),
    doc: mark.doc,
  }))
  const at = project.marks.find(mark => mark.id === project.markAt)
  const same = at && JSON.stringify(at.doc) === JSON.stringify(doc.value)
  return same
    ? marks
    : [
        ...marks,
        {
          key: 'now',
          mark: null,
          name: 'The design as it is now',
          parent: at ? String(at.id) : null,
          doc: doc.value,
        },
      ]
})
const known = computed(() => new Set(nodes.value.map(node => node.key)))
const children = (key: string | null): Node[] =>
  nodes.value.filter(
    node => (node.parent !== null && known.value.has(node.parent) ? node.parent : null) === key,
  )
/** Depth first, with how deep each stands; a line without branches stays straight. */
const rows = computed(() => {
  const list: Array<{ node: Node; depth: number; branch: boolean }> = []
  const walk = (key: string | null, depth: number) => {
    const own = children(key)
    own.forEach((node, i) => {
      const branch = i < own.length - 1
      list.push({ node, depth: depth + (branch ? 1 : 0), branch })
      walk(node.key, depth + (branch ? 1 : 0))
    })
  }
  walk(null, 0)
  return list
})
const figures = shallowRef(new Map<string, MarkFigures>())
let asked = 0
watch(
  nodes,
  async list => {
    const own = ++asked
    for (const { key, doc: design } of list) {
      if (key !== 'now' && figures.value.has(key)) continue
      try {
        const found = await useCore('aside').markFigures(toRaw(design))
        if (own !== asked) return
        figures.value = new Map(figures.value).set(key, found)
      } catch {
        // It stands there by its name alone.
      }
    }
  },
  { immediate: true },
)
onBeforeUnmount(() => {
  asked++
})
/** What was flown and broke from a mark until the next was made. */
function since(node: Node) {
  const parent = nodes.value.find(item => item.key === node.parent)
  const before = new Set(parent?.doc.flights.map(flight => flight.id))
  const flights = node.doc.flights.filter(flight => !before.has(flight.id))
  const broke = node.doc.damages.length - (parent?.doc.damages.length ?? 0)
  const taught = flights.map(flight => flight.next.trim()).filter(Boolean)
  return { flights: flights.length, broke: Math.max(0, broke), taught }
}
const WINGS: Record<string, string> = {
  weight: 'Weight',
  balance: 'Balance',
  strength: 'Strength',
  hours: 'Hours',
}
</script>

<template>
  <ol v-if="nodes.length > 1 || project.marks.length" class="tree" data-tree>
    <li
      v-for="{ node, depth, branch } in rows"
      :key="node.key"
      :style="{ marginLeft: `${depth * 26}px` }"
      :class="{ branch, now: node.key === 'now' || node.mark?.id === project.markAt }"
      :data-mark="node.key"
    >
      <div class="head">
        <b>{{ node.name }}</b>
        <span v-if="node.mark" class="quiet small">{{ format(node.mark.at, 'd MMM yyyy HH:mm') }}</span>
        <v-btn
          v-if="node.mark && node.mark.id !== project.markAt"
          size="x-small"
          variant="text"
          @click="project.backToMark(node.mark)"
          >Go back to it</v-btn
        >
      </div>
      <div v-if="figures.get(node.key)" class="num small">
        {{ amount(figures.get(node.key)!.massG, 'g') }}, margin
        {{ amount(figures.get(node.key)!.marginPct, '%', 1) }}, reserve
        {{ figure(figures.get(node.key)!.reserve, 2) }}, {{ amount(figures.get(node.key)!.hours, 'h', 1) }}
        <span v-if="figures.get(node.key)!.failing.length" class="bad"
          >misses
          {{
            figures
              .get(node.key)!
              .failing.map(wing => WINGS[wing] ?? wing)
              .join(', ')
          }}</span
        >
        <span v-else class="good">meets all four</span>
      </div>
      <div v-else class="small quiet">computing …</div>
      <div class="small">
        {{ since(node).flights }} {{ since(node).flights === 1 ? 'flight' : 'flights'
        }}<template v-if="since(node).broke">, {{ since(node).broke }} broke</template
        ><template v-if="node.mark?.reasons?.length">. Made for: {{ node.mark.reasons.join('; ') }}</template
        ><template v-if="since(node).taught.length">. Taught: {{ since(node).taught.join(' ') }}</template>
      </div>
    </li>
  </ol>
  <p v-else class="quiet">No mark yet: the first is kept when the next one is taken, or by Marks below.</p>
</template>

<style scoped>
.tree {
  list-style: none;
  padding: 0;
  margin: 0;
}
.tree li {
  position: relative;
  border-left: 2px solid var(--hair);
  padding: 2px 0 10px 16px;
}
.tree li::before {
  content: '';
  position: absolute;
  left: -7px;
  top: 7px;
  width: 8px;
  height: 8px;
  border: 2px solid rgb(var(--v-theme-secondary));
  border-radius: 50%;
  background: rgb(var(--v-theme-background));
}
.tree li.now::before {
  background: rgb(var(--v-theme-secondary));
}
.tree li.branch {
  border-left-style: dashed;
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: baseline;
}
</style>
