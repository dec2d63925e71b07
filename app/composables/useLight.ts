/** Indoors, at night, in the sun: kept in the browser, for every page. */
import { useTheme } from 'vuetify'
import { db } from '~/db/database'

/** One after the other. */
const THEMES = [
  { id: 'paper', label: 'Paper' },
  { id: 'night', label: 'Night bench' },
  { id: 'sun', label: 'Sunlight' },
] as const

export function useLight() {
  const theme = useTheme()
  const next = computed(() => {
    const at = THEMES.findIndex(item => item.id === theme.global.name.value)
    return THEMES[(at + 1) % THEMES.length]!
  })
  return {
    next,
    async flip() {
      const { id } = next.value
      theme.change(id)
      await db.settings.put({ key: 'theme', value: id })
    },
    async restore() {
      const kept = (await db.settings.get('theme'))?.value
      if (THEMES.some(item => item.id === kept)) theme.change(kept!)
    },
  }
}
