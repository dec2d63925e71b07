/**
 * The room's plan: what stands on which plate, who prints it when, what comes off which spool. Kept plates are those
 * that were begun or set by hand; the rest is laid out anew with every edit.
 */
import type { Damage, PlatePiece, PlateRecord, Printer, ProjectFile } from '../../document'
import type { Airframe, Assessment, PieceReport } from '../../assess'
import { nextStart } from './day-hours'
import { isPrinted, MEND_PLATE, releases, type Release } from './first-pieces'
import { layPlates } from './layout'

export interface PlannedPlate {
  id: string
  /** What the project keeps of it; null where it is laid out anew. */
  record: PlateRecord | null
  printer: string
  filament: string
  pieces: PlatePiece[]
  marks: string[]
  state: PlateRecord['state']
  /** On the printer, changing the plate included. */
  hours: number
  gramsOff: number
  /** The first piece of its filament, recipe and printer. */
  first: boolean
  /** The damage whose rest alone it prints; its solid is not the piece's own. */
  mends: string | null
  /** The piece whose acceptance it waits for. */
  heldBy: string | null
  /** Hours after the plan's midnight; null where it fits no stretch in which the printer may run, or is over. */
  begins: number | null
  ends: number | null
}

export interface RoomPlan {
  plates: PlannedPlate[]
  releases: Release[]
  /** Hours after the plan's midnight at which everything is printed; null where something never fits. */
  doneAt: number | null
  /** The same if nothing ran while nobody is there. */
  doneTendedAt: number | null
}

/** Moments of the project as hours after the midnight that begins the plan's day. */
export function hoursAfter(midnight: string, moment: string): number {
  const at = (text: string) => {
    const [date, time] = text.split('T')
    const [year, month, day] = date.split('-').map(Number)
    const [hour, minute] = (time ?? '00:00').split(':').map(Number)
    return Date.UTC(year, month - 1, day, hour, minute) / 3_600_000
  }
  return at(moment) - at(midnight)
}

/** Back to a moment, to the minute. */
export function momentAt(midnight: string, hours: number): string {
  const [year, month, day] = midnight.split('T')[0].split('-').map(Number)
  return new Date(Date.UTC(year, month - 1, day) + Math.round(hours * 60) * 60_000).toISOString().slice(0, 16)
}

/** `now` is the maker's local time as YYYY-MM-DDTHH:MM. */
export function planRoom(
  doc: ProjectFile,
  airframe: Airframe,
  assessment: Assessment,
  now: string,
): RoomPlan {
  const midnight = `${now.slice(0, 10)}T00:00`
  const held = releases(doc, assessment)
  const plates = platesOf(doc, airframe, assessment, held)
  const at = hoursAfter(midnight, now)
  const done = schedule(plates, doc, midnight, at, printer => printer.runs)
  const tended = schedule(
    plates.map(plate => ({ ...plate })),
    doc,
    midnight,
    at,
    printer => printer.tended,
  )
  return { plates, releases: held, doneAt: done, doneTendedAt: tended }
}

function platesOf(
  doc: ProjectFile,
  airframe: Airframe,
  { pieces }: Assessment,
  held: readonly Release[],
): PlannedPlate[] {
  const reportOf = new Map(pieces.map(piece => [piece.id, piece]))
  const heldBy = new Map(held.flatMap(release => release.held.map(id => [id, release.first] as const)))
  const firsts = new Set(held.map(release => release.first))
  const planned = (
    id: string,
    record: PlateRecord | null,
    printer: string,
    on: readonly PlatePiece[],
    mend: Damage | null = mendOf(doc, id),
  ): PlannedPlate => {
    const own = on.flatMap(item => reportOf.get(item.piece) ?? [])
    const machine = doc.printers.find(item => item.id === printer)
    return {
      id,
      record,
      printer,
      filament: own[0]?.filament ?? '',
      pieces: [...on],
      marks: on.map(item => `${mend ? 'rest of ' : ''}${reportOf.get(item.piece)?.mark ?? item.piece}`),
      state: record?.state ?? 'waiting',
      hours:
        (mend ? mend.hours : own.reduce((sum, piece) => sum + piece.machineHours, 0)) +
        (machine?.plateOverheadMin ?? 0) / 60,
      gramsOff:
        record && record.state !== 'waiting'
          ? record.gramsOff
          : (mend?.printG ?? own.reduce((sum, piece) => sum + piece.filamentG, 0)),
      mends: mend?.id ?? null,
      first: !mend && own.some(piece => firsts.has(piece.id) && !isPrinted(doc, piece)),
      heldBy: mend
        ? null
        : (own.map(piece => heldBy.get(piece.id) ?? null).find(first => first !== null) ?? null),
      begins: null,
      ends: null,
    }
  }
  const kept = doc.plates.map(record => planned(record.id, record, record.printer, record.pieces))
  const taken = new Set(
    doc.plates
      .filter(
        record =>
          (record.state === 'waiting' || record.state === 'printing') && !record.id.startsWith(MEND_PLATE),
      )
      .flatMap(record => record.pieces.map(item => item.piece)),
  )
  const open = pieces.filter(
    piece => piece.printer !== null && !taken.has(piece.id) && !isPrinted(doc, piece),
  )
  const fresh = doc.printers.flatMap(printer => {
    const own = open.filter(piece => piece.printer === printer.id)
    const before = own.filter(piece => firsts.has(piece.id)),
      after = own.filter(piece => !firsts.has(piece.id))
    return [...before.map(piece => [piece]), after].flatMap(group => layout(printer, group, airframe))
  })
  const ids = new Set(doc.plates.map(record => record.id))
  const rests = doc.damages
    .filter(damage => damage.state === 'chosen' && damage.way === 'rest' && !ids.has(MEND_PLATE + damage.id))
    .flatMap(damage => {
      const printer = reportOf.get(damage.piece)?.printer ?? doc.printers[0]?.id
      const place = { piece: damage.piece, xMm: 0, yMm: 0, turnDeg: 0 }
      return printer ? [planned(MEND_PLATE + damage.id, null, printer, [place])] : []
    })
  return [
    ...kept,
    ...rests,
    ...fresh.map(plate => planned(freshId(plate.pieces, ids), null, plate.printer, plate.pieces)),
  ]
}

const mendOf = ({ damages }: ProjectFile, plate: string): Damage | null =>
  plate.startsWith(MEND_PLATE)
    ? (damages.find(damage => damage.id === plate.slice(MEND_PLATE.length)) ?? null)
    : null

function layout(printer: Printer, group: readonly PieceReport[], airframe: Airframe) {
  if (group.length === 0) return []
  const pieceOf = (id: string) => airframe.pieces.find(item => item.id === id)!
  return layPlates(printer, group, pieceOf, piece => airframe.filamentOf(piece.zone))
}

/** Named after its first piece, so that it stays the same plate while others change. */
function freshId(pieces: readonly PlatePiece[], taken: Set<string>): string {
  const stem = `p-${pieces[0].piece}`.slice(0, 54)
  let id = stem
  for (let n = 2; taken.has(id); n++) id = `${stem}-${n}`
  taken.add(id)
  return id
}

/** Times of all plates, printer by printer in their order; returns when the last one is done. */
function schedule(
  plates: PlannedPlate[],
  doc: ProjectFile,
  midnight: string,
  now: number,
  runs: (printer: Printer) => Printer['runs'],
): number | null {
  let last: number | null = now
  for (const printer of doc.printers) {
    let free = now
    const own = plates.filter(plate => plate.printer === printer.id)
    const printing = own.filter(plate => plate.state === 'printing')
    for (const plate of printing) {
      plate.begins = plate.record?.begun ? hoursAfter(midnight, plate.record.begun) : now
      plate.ends = Math.max(now, plate.begins + plate.hours)
      free = Math.max(free, plate.ends)
    }
    const waiting = own.filter(plate => plate.state === 'waiting')
    const moved = (plate: PlannedPlate) =>
      plate.record?.notBefore ? hoursAfter(midnight, plate.record.notBefore) : -Infinity
    // First pieces, then in the order of where they were moved to.
    waiting.sort((a, b) => Number(b.first) - Number(a.first) || moved(a) - moved(b))
    for (const plate of waiting) {
      plate.begins = nextStart(Math.max(free, moved(plate)), plate.hours, runs(printer), printer.tended)
      plate.ends = plate.begins === null ? null : plate.begins + plate.hours
      if (plate.ends === null) last = null
      else {
        free = plate.ends
        if (last !== null) last = Math.max(last, plate.ends)
      }
    }
    if (last !== null && printing.length > 0) last = Math.max(last, free)
  }
  return last
}
