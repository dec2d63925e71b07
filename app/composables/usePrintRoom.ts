/** The print room: its plan as of now, and what is done in it, each as one named edit. */
import { format } from 'date-fns'
import { recipeOf, type PlatePiece, type PlateRecord, type PrintFault } from '../../core/document'
import { spoolFor, type PlannedPlate, type RoomPlan, type Shelf } from '../../core/workshop/print-room'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'
import { today } from '~/composables/format'

/** The maker's own now, to the minute. */
export const thisMinute = (): string => format(new Date(), "yyyy-MM-dd'T'HH:mm")

export function usePrintRoom() {
  const { doc, now, edit, project } = useBench()
  const core = useCore()
  const plan = useState<RoomPlan | null>('room-plan', () => null)
  const shelf = useState<Shelf | null>('room-shelf', () => null)
  const planned = useState('room-planned', () => thisMinute())
  const chosen = useState<string | null>('room-plate', () => null)
  const fault = useState('room-fault', () => '')

  let asked = 0
  async function refresh() {
    const own = ++asked,
      at = thisMinute()
    try {
      const found = await core.planRoom(toRaw(project.doc!), at)
      if (own !== asked) return
      plan.value = found.plan
      shelf.value = found.shelf
      planned.value = at
      fault.value = ''
    } catch (error) {
      fault.value = (error as Error).message
    }
  }

  const plates = computed(() => plan.value?.plates ?? [])
  const plate = computed(
    () =>
      plates.value.find(item => item.id === chosen.value) ??
      plates.value.find(item => item.state === 'printing') ??
      plates.value.find(item => item.state === 'waiting') ??
      plates.value[0] ??
      null,
  )
  const nameOf = (item: PlannedPlate): string => item.marks.join(' + ')

  const recordOf = (item: PlannedPlate): PlateRecord | undefined =>
    toRaw(project.doc!).plates.find(own => own.id === item.id)
  const placesOf = (item: PlannedPlate): readonly PlatePiece[] => recordOf(item)?.pieces ?? item.pieces

  /** The plate as the project keeps it from now on. */
  function kept(item: PlannedPlate, change: Partial<PlateRecord>): PlateRecord {
    const fresh: PlateRecord = {
      id: item.id,
      printer: item.printer,
      pieces: item.pieces.map(place => ({ ...place })),
      state: 'waiting',
      notBefore: null,
      begun: null,
      ended: null,
      spool: null,
      gramsOff: Math.min(20000, item.gramsOff),
      fault: null,
    }
    // The project's own is newer than the plan, which follows it.
    return { ...(recordOf(item) ?? fresh), ...change }
  }
  function keep(
    title: string,
    item: PlannedPlate,
    change: Partial<PlateRecord>,
    spent = 0,
    gesture?: symbol,
  ) {
    const record = kept(item, change)
    edit(
      title,
      draft => {
        const at = draft.plates.findIndex(own => own.id === item.id)
        if (at >= 0) draft.plates[at] = record
        else draft.plates.push(record)
        const spool = draft.spools.find(own => own.id === record.spool)
        if (spool && spent > 0) spool.massG = Math.max(0, Math.round(10 * (spool.massG - spent)) / 10)
      },
      gesture ? { gesture } : {},
    )
  }

  const place = (item: PlannedPlate, piece: PlatePiece, gesture?: symbol) =>
    keep(
      `Place ${nameOf(item)}`,
      item,
      { pieces: placesOf(item).map(own => (own.piece === piece.piece ? piece : { ...own })) },
      0,
      gesture,
    )
  const move = (item: PlannedPlate, printer: string, notBefore: string | null, gesture?: symbol) =>
    keep(`Move plate ${nameOf(item)}`, item, { printer, notBefore }, 0, gesture)
  function begin(item: PlannedPlate) {
    const left = new Map(doc.value.spools.map(spool => [spool.id, spool.massG]))
    keep(`Begin plate ${nameOf(item)}`, item, {
      state: 'printing',
      begun: thisMinute(),
      spool: spoolFor(doc.value, item, left),
    })
  }
  const done = (item: PlannedPlate) =>
    keep(
      `Plate ${nameOf(item)} is done`,
      item,
      {
        state: 'done',
        begun: item.record?.begun ?? thisMinute(),
        ended: thisMinute(),
        gramsOff: item.gramsOff,
      },
      item.gramsOff,
    )
  function fail(item: PlannedPlate, why: PrintFault, share: number, note: string) {
    const gramsOff = Math.round(10 * share * item.gramsOff) / 10
    keep(
      `Plate ${nameOf(item)} failed`,
      item,
      {
        state: 'failed',
        begun: item.record?.begun ?? thisMinute(),
        ended: thisMinute(),
        gramsOff,
        fault: { why, share, note },
      },
      gramsOff,
    )
  }
  const layAnew = (item: PlannedPlate) =>
    edit(`Lay plate ${nameOf(item)} out anew`, draft => {
      draft.plates = draft.plates.filter(own => own.id !== item.id)
    })
  function accept(pieceId: string, byHand: boolean, note: string) {
    const piece = now.value.pieces.find(item => item.id === pieceId)
    if (!piece?.printer) return
    edit(
      byHand ? `Release the rest after ${piece.name} by hand` : `Accept ${piece.name} as first piece`,
      draft => {
        draft.accepted.push({
          piece: piece.id,
          printer: piece.printer!,
          filament: piece.filament,
          recipe: structuredClone(toRaw(recipeOf(doc.value, piece))),
          date: today(),
          byHand,
          note,
        })
      },
    )
  }
  return {
    plan,
    shelf,
    planned,
    plates,
    plate,
    chosen,
    fault,
    refresh,
    nameOf,
    placesOf,
    place,
    move,
    begin,
    done,
    fail,
    layAnew,
    accept,
  }
}
