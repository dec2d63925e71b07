/** A sane aircraft as large as makers' get: for what grows with the number of its parts. */
import type { ProjectFile } from '../document'
import { DEMOS } from '../demo'
import { packMesh } from '../geometry'
import { revolve } from './meshes'
import { changed } from './changed'

/**
 * The first demo with its wing in `panels` a side and cut as often, `cuts` in all, so many parts aboard and parts given
 * as meshes.
 */
export function large({
  panels = 12,
  cuts = 40,
  parts = 80,
  given = 60,
}: { panels?: number; cuts?: number; parts?: number; given?: number } = {}): ProjectFile {
  return changed(DEMOS[0], doc => {
    const [inner, outer] = doc.wing.panels
    const span = inner.spanMm + outer.spanMm,
      root = doc.wing.rootChordMm,
      tip = outer.tipChordMm
    doc.wing.panels = Array.from({ length: panels }, (_, i) => ({
      ...(i < panels / 2 ? inner : outer),
      spanMm: span / panels,
      sweepMm: (inner.sweepMm + outer.sweepMm) / panels,
      dihedralDeg: 3,
      tipChordMm: root + ((tip - root) * (i + 1)) / panels,
    }))
    const evenly = (count: number, from: number, to: number, like: ProjectFile['cuts']['wing'][number]) =>
      Array.from({ length: count }, (_, i) => ({
        ...like,
        atMm: Math.round(from + ((to - from) * (i + 1)) / (count + 1)) + 0.3,
        piece: i + 2,
      }))
    const { stations } = doc.body!
    const share = Math.floor(cuts / 4)
    const like = doc.cuts.wing[0]
    const half = (surface: ProjectFile['wing'] | null) =>
      surface ? surface.panels.reduce((sum, panel) => sum + panel.spanMm, 0) : 0
    doc.cuts.wing = evenly(Math.min(24, cuts - 3 * share), 0, span, like)
    doc.cuts.horizontal = evenly(Math.min(12, share), 0, half(doc.tail.horizontal), like)
    doc.cuts.vertical = evenly(Math.min(12, share), 0, half(doc.tail.vertical), like)
    doc.cuts.body = evenly(
      Math.min(12, share),
      stations[0].xMm + 20,
      stations[stations.length - 1].xMm - 20,
      doc.cuts.body[0] ?? { ...like, joint: { kind: 'lip', toleranceMm: 0.2 } },
    )
    const bit = doc.equipment.find(item => item.kind === 'receiver') ?? doc.equipment[0]
    while (doc.equipment.length < parts)
      doc.equipment.push({
        ...bit,
        id: `bit-${doc.equipment.length}`,
        name: `Part ${doc.equipment.length}`,
        massG: 0.2,
      })
    const mesh = packMesh(
      revolve(
        [
          [12, 0],
          [4, 30],
        ],
        48,
      ),
    )
    doc.given = Array.from({ length: given }, (_, i) => ({
      id: `given-${i}`,
      name: `Given ${i}`,
      zone: doc.zones[0].id,
      mesh,
      standsFor: 'nothing' as const,
      lies: 'length' as const,
      xMm: 100 + 5 * i,
      yMm: 0,
      zMm: 10,
      turnDeg: 0,
      pair: false,
    }))
    doc.weighIns = []
  })
}
