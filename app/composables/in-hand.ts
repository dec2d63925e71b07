/**
 * Outlines of what is being moved, from the document alone: they go with the hand frame by frame, ahead of the drawing,
 * which is that of the last assessment.
 */
import { surfaceOf, type Body, type Duct, type ProjectFile, type Surface } from '../../core/document'
import type { FlatView } from '~/components/aircraft/sheet'
import { planStations } from './plan-stations'

type Flat = [number, number]

/** Closed, (x, y) from above or (x, z) from the side, of both sides. */
export function inHand(view: FlatView, now: ProjectFile, drawn: ProjectFile): number[][] {
  if (now === drawn) return []
  const found: Flat[][] = []
  const moved = (pick: (doc: ProjectFile) => Surface | null) => {
    const surface = pick(now)
    return surface && differs(surface, pick(drawn)) ? surface : null
  }
  if (view === 'plan') {
    const flat = now.tail.kind === 'none' || now.tail.kind === 'V' ? null : moved(doc => doc.tail.horizontal)
    const wings = (['wing', 'second', 'winglet'] as const).map(name => moved(doc => surfaceOf(doc, name)))
    for (const surface of [...wings, flat])
      if (surface) {
        const lies = Math.cos((surface.cantDeg * Math.PI) / 180)
        const half = outlineOf(surface, station => surface.yMm + lies * station.s)
        found.push(half, ...(surface.mirror ? [half.map(([x, y]): Flat => [x, -y])] : []))
      }
  }
  if (view === 'side') {
    const fin = now.tail.kind === 'V' ? null : moved(doc => doc.tail.vertical)
    if (fin) {
      const rise = Math.sin((fin.cantDeg * Math.PI) / 180)
      found.push(outlineOf(fin, station => fin.zMm + rise * station.s))
    }
  }
  if (view !== 'front') {
    const stands = (doc: ProjectFile) => [
      ...(doc.body ? [{ body: doc.body, x: 0, y: 0, z: 0, pair: false }] : []),
      ...doc.pods.map(({ body, xMm, yMm, zMm, pair }) => ({ body, x: xMm, y: yMm, z: zMm, pair })),
    ]
    const before = stands(drawn)
    for (const [i, own] of stands(now).entries()) {
      const was = before[i]
      if (
        was &&
        was.body.stations === own.body.stations &&
        was.x === own.x &&
        was.y === own.y &&
        was.z === own.z
      )
        continue
      const lines = bodyOutline(own.body, view)
      const at = (side: 1 | -1) =>
        lines.map(([x, across]): Flat => [x + own.x, across + (view === 'plan' ? side * own.y : own.z)])
      found.push(at(1), ...(own.pair && view === 'plan' ? [at(-1)] : []))
    }
  }
  if (view !== 'front' && now.duct && now.duct !== drawn.duct) found.push(...ductOutlines(now.duct, view))
  return found.map(points => points.flat())
}

/** Controls, sections and twist move no outline. */
const SHAPED = ['xMm', 'yMm', 'zMm', 'cantDeg', 'rootChordMm', 'panels'] as const
const differs = (now: Surface, before: Surface | null): boolean =>
  !before || SHAPED.some(key => now[key] !== before[key])

const outlineOf = (
  surface: Surface,
  across: (station: ReturnType<typeof planStations>[number]) => number,
): Flat[] => {
  const stations = planStations(surface)
  return [
    ...stations.map((station): Flat => [station.lead, across(station)]),
    ...stations.toReversed().map((station): Flat => [station.lead + station.chord, across(station)]),
  ]
}

const ductOutlines = ({ stations }: Duct, view: 'plan' | 'side'): Flat[][] => {
  const around = (side: 1 | -1): Flat[] => {
    const edge = (sign: 1 | -1) =>
      stations.map(({ xMm, yMm, zMm, widthMm, heightMm }): Flat =>
        view === 'plan' ? [xMm, side * yMm + (sign * widthMm) / 2] : [xMm, zMm + (sign * heightMm) / 2],
      )
    return [...edge(1), ...edge(-1).toReversed()]
  }
  return view === 'plan' && stations.some(({ yMm }) => yMm > 0) ? [around(1), around(-1)] : [around(1)]
}

const bodyOutline = ({ stations }: Body, view: 'plan' | 'side'): Flat[] => {
  const edge = (side: 1 | -1) =>
    stations.map(({ xMm, zMm, widthMm, heightMm }): Flat =>
      view === 'plan' ? [xMm, (side * widthMm) / 2] : [xMm, zMm + (side * heightMm) / 2],
    )
  return [...edge(1), ...edge(-1).reverse()]
}
