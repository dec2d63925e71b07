/** Choosing an aerofoil by NACA name or from the imported ones. */
import type { Draft } from 'immer'
import { aerofoilOf, type ProjectFile } from '../../core/document'
import { useProject } from '~/stores/project'

export const SURFACE_WORDS = {
  wing: 'wing',
  second: 'second wing',
  winglet: 'winglet',
  horizontal: 'tailplane',
  vertical: 'fin',
  body: 'body',
} as const
export type SurfaceChoice = keyof typeof SURFACE_WORDS

const COMMON = ['naca0009', 'naca0012', 'naca2412', 'naca4412', 'naca4415', 'naca23012', 'naca23112']

export function useAerofoils() {
  const project = useProject()
  const fault = ref('')
  const choices = computed(() => [...COMMON, ...(project.doc?.aerofoils ?? []).map(aerofoil => aerofoil.id)])
  function take(value: string | null, edit: string, put: (draft: Draft<ProjectFile>, name: string) => void) {
    const name = (value ?? '').trim()
    if (!aerofoilOf(name) && !project.doc?.aerofoils.some(aerofoil => aerofoil.id === name)) {
      fault.value = `"${name.slice(0, 20)}" is neither a NACA name such as naca2412 nor an imported one`
      return
    }
    fault.value = ''
    project.edit(edit, draft => put(draft, name))
  }
  return { choices, fault, take }
}
