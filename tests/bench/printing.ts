/** Slicing against another kernel, every layer of the demo, long machine files in and out, and everything exported. */
import { performance } from 'node:perf_hooks'
import { createAssessor } from '../../core/assess'
import { DEMOS } from '../../core/demo'
import type { ProjectFile } from '../../core/document'
import { contoursAt, meshOf, pieceSolid, polygonArea } from '../../core/geometry'
import { LIBRARIES, recipeById } from '../../core/libraries'
import { replayGcode } from '../../core/printing'
import { testKernel } from '../../core/testing/kernel'
import { noSolid, written } from '../../core/testing/machine-files'
import { exportPieces, sliceEveryLayer } from '../../core/workshop/export'
import { platePart } from '../../core/workshop/print-room'

type Row = (name: string, text: string) => void
const median = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1]
const timed = (work: () => void): number => {
  const from = performance.now()
  work()
  return performance.now() - from
}

/**
 * The same mesh, the same heights, the contours as points in both: our sweep against manifold-3d's `slice`, a
 * call a layer; areas must agree.
 */
async function contours(row: Row) {
  const kernel = await testKernel()
  const assessor = createAssessor()
  for (const id of ['wing-3-starboard', 'body-2']) {
    const piece = assessor.airframe(DEMOS[0]).pieces.find(item => item.id === id)!
    const solid = pieceSolid(kernel, piece),
      mesh = meshOf(solid)
    const layers = Math.round((piece.to + piece.proud - piece.from) / 0.25)
    const heights = Array.from({ length: layers }, (_, k) => (k + 0.5) * 0.25)
    for (let warm = 0; warm < 10; warm++) contoursAt(mesh, heights)
    const own = median(Array.from({ length: 15 }, () => timed(() => contoursAt(mesh, heights))))
    let theirArea = 0,
      points = 0
    const theirs = median(
      Array.from({ length: 5 }, () =>
        timed(() => {
          points = 0
          for (const z of heights) {
            const section = solid.slice(z)
            for (const polygon of section.toPolygons()) points += polygon.length
            section.delete()
          }
        }),
      ),
    )
    for (const z of heights) {
      const section = solid.slice(z)
      theirArea += section.area()
      section.delete()
    }
    const ownArea = contoursAt(mesh, heights).reduce(
      (sum, { loops }) => sum + loops.reduce((area, loop) => area + polygonArea(loop).area, 0),
      0,
    )
    row(
      `contours of ${piece.name}, ${layers} layers, ${mesh.triangles.length / 3} triangles`,
      `${own.toFixed(1)} ms; manifold-3d slice by layer to its ${points} points ${theirs.toFixed(0)} ms: ${(theirs / own).toFixed(1)} times as fast, areas ${(100 * Math.abs(ownArea / theirArea - 1)).toFixed(4)} % apart`,
    )
    solid.delete()
  }
}

async function everyLayer(row: Row) {
  const kernel = await testKernel()
  const assessor = createAssessor()
  const { pieces } = assessor.assess(DEMOS[0])
  const airframe = assessor.airframe(DEMOS[0])
  const from = performance.now()
  const found = await sliceEveryLayer(kernel, airframe, pieces, () => {})
  const took = performance.now() - from
  const worst = (pick: (item: (typeof found)[number]) => number) => Math.max(...found.map(pick))
  row(
    `the whole demo, ${found.reduce((sum, item) => sum + item.layers, 0)} layers of 0.25 mm, solids built, every move replayed`,
    `${(took / 1000).toFixed(1)} s; live estimate off by at most ${(100 * worst(i => Math.abs(i.liveMassG / i.massG - 1))).toFixed(2)} % in mass, ${(100 * worst(i => Math.abs(i.liveHours / i.hours - 1))).toFixed(2)} % in time`,
  )
}

function machineFile(row: Row) {
  const lines = ['G21', 'G90', 'M83']
  for (let i = 0; i < 1_000_000; i++)
    lines.push(
      `G1 X${(100 + 40 * Math.cos(i / 50)).toFixed(3)} Y${(100 + 40 * Math.sin(i / 50)).toFixed(3)}${i % 300 === 0 ? ` Z${(0.2 + (i / 300) * 0.25).toFixed(2)}` : ''} E0.0312`,
    )
  const text = lines.join('\n')
  row(
    `machine file of 1 000 000 lines (${(text.length / 1e6).toFixed(0)} MB) replayed`,
    `${(median(Array.from({ length: 3 }, () => timed(() => replayGcode(text, DEMOS[0].printers[0])))) / 1000).toFixed(2)} s`,
  )
}

/** A long plate written, and everything exported: solids, webs, plates and list. */
async function files(row: Row) {
  const assessor = createAssessor()
  const [demo] = DEMOS
  const tough = LIBRARIES.filaments.find(item => item.id === 'pla-tough')
  const recipe = { ...recipeById('bead-infill', tough), infillShare: 0.1, layerHeightMm: 0.2 }
  const hollow: ProjectFile = {
    ...demo,
    zones: demo.zones.map(zone => ({ ...zone, filament: tough!.id, recipe })),
  }
  const airframe = assessor.airframe(hollow)
  const piece = airframe.pieces.find(item => item.id === 'wing-1-starboard')!
  const part = platePart(piece, { xMm: 10, yMm: 10, turnDeg: 0 }, noSolid)
  const printer = { ...demo.printers[0], bedMm: [300, 300, 300] as [number, number, number] }
  const times = [0, 1, 2].map(() => {
    const from = performance.now()
    const { moves } = written([part], printer, airframe.filamentOf(piece.zone)).figures
    return { moves, ms: performance.now() - from }
  })
  const { moves, ms } = times.sort((a, b) => a.ms - b.ms)[1]
  row(
    `plate of ${moves} moves written`,
    `${(ms / 1000).toFixed(2)} s, ${((ms / moves) * 200).toFixed(2)} s for 200 000`,
  )
  const kernel = await testKernel()
  const own = assessor.airframe(demo),
    { pieces } = assessor.assess(demo)
  const from = performance.now()
  const made = await exportPieces(kernel, own, pieces, () => {})
  row(
    `${demo.name}: all ${own.pieces.length} pieces with their webs exported`,
    `${((performance.now() - from) / 1000).toFixed(1)} s, ${made.length} files`,
  )
}

export async function printing(row: Row) {
  await contours(row)
  await everyLayer(row)
  machineFile(row)
  await files(row)
}
