/** The drawer of parts: the shelf's and one's own; what is in hand; and how a part comes into the aircraft. */
import { useStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { LIBRARIES } from '../../core/libraries'
import {
  placed,
  readParts,
  shelfParts,
  together,
  writeParts,
  type DrawerPart,
  type Dropped,
} from '../../core/workshop/drawer'
import { useAssessment } from '~/stores/assessment'
import { useProject } from '~/stores/project'
import { useView } from '~/stores/view'

export const useDrawer = defineStore('drawer', () => {
  const project = useProject()
  const assessment = useAssessment()
  const look = useView()
  /** As a file has it: what cannot be read any more is an empty drawer, and stays stored until something is put in. */
  const kept = useStorage('mariposa-own-parts', writeParts([]))
  const own = computed((): DrawerPart[] => {
    try {
      return readParts(kept.value)
    } catch {
      return []
    }
  })
  const parts = computed(() => [...shelfParts(LIBRARIES), ...own.value])
  const held = shallowRef<DrawerPart | null>(null)
  function put(part: DrawerPart, at: Dropped | null = null): boolean {
    const { doc } = project
    if (!doc || !assessment.current) return false
    const made = placed(part, doc, assessment.current, at)
    const done = project.edit(`Put in: ${part.name}`.slice(0, 120), draft => {
      draft.equipment.push(made)
    })
    if (done) look.selected = made.id
    return done
  }
  const add = (added: readonly DrawerPart[]) => {
    kept.value = writeParts(together(own.value, added))
  }
  const remove = (name: string) => {
    kept.value = writeParts(own.value.filter(item => item.name !== name))
  }
  return { parts, own, held, put, add, remove }
})
