/**
 * Where a part goes when it is taken out of the drawer: dropped at a place of the drawing, or where its kind
 * belongs. mm
 */
import type { Assessment } from '../../assess'
import type { Equipment, ProjectFile } from '../../document'
import type { DrawerPart } from './part'

/** What the maker pointed at; what the view does not show is null. */
export interface Dropped {
  xMm: number | null
  yMm: number | null
  zMm: number | null
}

const half = (value: number): number => Math.round(2 * value) / 2

/** Things vary by about two per cent, and by a third of a gram at least. */
const spreadOf = (massG: number): number => Math.max(0.3, Math.round(2 * massG) / 100)

/** A bay lets a battery slide by its own length either way. */
const bayFor = (x: number, length: number): [number, number] => [half(x - length), half(x + length)]

function belongs(
  { kind, sizeMm }: DrawerPart,
  doc: ProjectFile,
  { totals }: Pick<Assessment, 'totals'>,
): [number, number, number] {
  const [cgX] = totals.cgMm
  const stations = doc.body?.stations
  const nose = stations?.[0] ?? { xMm: doc.wing.xMm, zMm: doc.wing.zMm, heightMm: 0 }
  // A motor that is there already says where the drive sits.
  const motor = doc.equipment.find(item => item.kind === 'motor')
  const beneath = stations ? Math.min(...stations.map(item => item.zMm - item.heightMm / 2)) : doc.wing.zMm
  if (kind === 'motor') return [nose.xMm + sizeMm[0] / 2, 0, nose.zMm]
  if (kind === 'propeller')
    return motor
      ? [motor.xMm - motor.sizeMm[0] / 2 - sizeMm[0] / 2 - 2, motor.yMm, motor.zMm]
      : [nose.xMm - sizeMm[0] / 2 - 2, 0, nose.zMm]
  if (kind === 'gear') return [cgX, 0, beneath - sizeMm[2] / 2]
  if (kind === 'battery') return [(nose.xMm + cgX) / 2, 0, nose.zMm]
  return [cgX, 0, stations ? nose.zMm : doc.wing.zMm]
}

/** How far the body reaches to the side at a place, mm; 0 without one. */
function bodyHalf({ body }: ProjectFile, x: number): number {
  const list = body?.stations ?? []
  const after = list.findIndex(item => item.xMm >= x)
  if (after < 0 || list.length === 0) return 0
  const b = list[after],
    a = list[Math.max(0, after - 1)]
  const t = b.xMm === a.xMm ? 0 : (x - a.xMm) / (b.xMm - a.xMm)
  return x < list[0].xMm ? 0 : (a.widthMm + (b.widthMm - a.widthMm) * t) / 2
}

/** Whether a place lies on the wing, and how high its chord line is there. */
function onWing({ wing }: ProjectFile, x: number, y: number): { zMm: number } | null {
  let from = wing.yMm,
    lead = wing.xMm,
    chord = wing.rootChordMm,
    z = wing.zMm
  for (const panel of wing.panels) {
    const angle = ((panel.dihedralDeg + wing.cantDeg) * Math.PI) / 180
    const reach = panel.spanMm * Math.cos(angle)
    if (y <= from + reach) {
      const t = (y - from) / reach
      lead += t * panel.sweepMm
      chord += t * (panel.tipChordMm - chord)
      z += t * panel.spanMm * Math.sin(angle)
      return y >= wing.yMm && x > lead && x < lead + chord ? { zMm: z } : null
    }
    from += reach
    lead += panel.sweepMm
    chord = panel.tipChordMm
    z += panel.spanMm * Math.sin(angle)
  }
  return null
}

/** An id that is free, from what the part is called. */
function freeId({ equipment }: ProjectFile, wanted: string): string {
  const base = wanted.slice(0, 50)
  let id = base
  for (let n = 2; equipment.some(item => item.id === id); n++) id = `${base}-${n}`
  return id
}

/**
 * The part as a component of the aircraft. A battery gets a bay; a servo that is dropped on the wing, clear
 * of the body, a bay in it and a twin to port, lying flat.
 */
export function placed(
  part: DrawerPart,
  doc: ProjectFile,
  assessed: Pick<Assessment, 'totals'>,
  dropped: Dropped | null = null,
): Equipment {
  const usual = belongs(part, doc, assessed)
  const at: [number, number, number] = [
    half(dropped?.xMm ?? usual[0]),
    half(dropped?.yMm ?? usual[1]),
    half(dropped?.zMm ?? usual[2]),
  ]
  const { group: _, id, ...what } = part
  const own: Equipment = {
    ...what,
    id: freeId(doc, id),
    sizeMm: [...part.sizeMm],
    spreadG: spreadOf(part.massG),
    xMm: at[0],
    yMm: at[1],
    zMm: at[2],
    pair: false,
    bay: part.kind === 'battery' ? bayFor(at[0], part.sizeMm[0]) : null,
    drops: false,
    weighed: false,
    pocket: null,
  }
  const out = Math.abs(at[1])
  const wing = part.kind === 'servo' && out > bodyHalf(doc, at[0]) ? onWing(doc, at[0], out) : null
  if (!wing) return own
  const [long, thin, tall] = part.sizeMm
  return {
    ...own,
    yMm: out,
    // Its flat side down; a little under the chord line there is skin over it.
    zMm: dropped?.zMm ?? half(wing.zMm - 1),
    sizeMm: [long, tall, thin],
    pair: doc.wing.mirror,
    pocket: { surface: 'wing', cableMm: 4 },
  }
}
