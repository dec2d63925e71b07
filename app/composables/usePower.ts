/** The drive of the present design: what the core says of it, and its parts as they are edited. */
import type { Equipment, Power } from '../../core/document'
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
  return { doc, told, motor, controller, pack, turns, change, set, edit }
}
