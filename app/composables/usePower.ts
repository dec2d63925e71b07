/** The drive of the present design: what the core says of it, and its parts as they are edited. */
import type { Equipment, Power } from '../../core/document'
import { amount } from '~/composables/format'
import { useAside } from '~/composables/useAside'
import { useBench } from '~/composables/useBench'
import type { PowerReport, StandResult } from '../../core/workshop/power'

interface Told {
  report: PowerReport
  stand: StandResult | null
}

/** Asked once, by the bench; others read what it keeps. */
export function usePowerReport() {
  const told = useState<Told | null>('power-told', () => null)
  const { answer, busy, fault, fresh } = useAside((core, doc) => core.power(doc))
  watch(answer, next => {
    if (next) told.value = next
  })
  return { told, busy, fault, fresh }
}

/** What stands on the shelf, as a list to choose from. */
export const offeredParts = (list: ReadonlyArray<{ id: string; name: string; massG: number }>) =>
  list.map(item => ({
    title: `${item.name}, ${amount(item.massG, 'g', item.massG < 20 ? 1 : 0)}`,
    value: item.id,
  }))

type Spec = 'motor' | 'controller' | 'propeller' | 'fan' | 'battery'

export function usePower() {
  const { doc, edit } = useBench()
  const told = useState<Told | null>('power-told', () => null)
  const of = (kind: Equipment['kind']) => doc.value.equipment.filter(item => item.kind === kind)
  const motor = computed(() => of('motor')[0] ?? null)
  const controller = computed(() => of('speed-controller')[0] ?? null)
  const pack = computed(() => of('battery')[0] ?? null)
  const turns = computed(() => of('propeller')[0] ?? null)
  const change = (item: Equipment, label: string, apply: (own: Equipment) => void) =>
    edit(`${item.name}: ${label}`, draft => {
      apply(draft.equipment.find(other => other.id === item.id)! as Equipment)
    })
  const set = (label: string, apply: (power: Power) => void) =>
    edit(label, draft => {
      apply(draft.power as Power)
    })
  /** One figure of a part's own figures; the first that is typed brings ordinary ones for the rest. */
  const figureOf = (item: Equipment | null, spec: Spec, field: string, plain: object) => ({
    value: ((item?.[spec] ?? null) as Record<string, number | null> | null)?.[field] ?? null,
    set: (value: number | null) =>
      item &&
      change(item, `set ${field}`, own => {
        const before = (own[spec] ?? plain) as Record<string, unknown>
        ;(own as Record<string, unknown>)[spec] = { ...before, [field]: value }
      }),
  })
  return { doc, told, motor, controller, pack, turns, change, set, edit, figureOf }
}
