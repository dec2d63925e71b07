/** A machine file replayed, with what it lays for a picture: layer by layer, in mm. */
import type { Printer } from '../../document'
import { createReplay, type GcodeFigures } from '../../printing'

export interface GcodePreview {
  figures: GcodeFigures
  /** Rising heights of layers, and where each one's segments begin (one more at the end), in segments. */
  heights: number[]
  starts: number[]
  /** x0, y0, x1, y1 of each segment, layer by layer. */
  segments: Float32Array
  /** Segments past the limit that the picture leaves out; the figures count all. */
  leftOut: number
}

/** A picture holds no more than this. */
const MOST_SEGMENTS = 1_500_000

/** `parts` are the file's text in order, as large as they come. */
export async function previewGcode(
  parts: AsyncIterable<string> | Iterable<string>,
  printer: Printer,
): Promise<GcodePreview> {
  const byLayer = new Map<number, number[]>()
  let count = 0,
    leftOut = 0
  const replay = createReplay(printer, printer.filamentMm, {
    laid: (x0, y0, _z0, x1, y1, z) => {
      if (count >= MOST_SEGMENTS) {
        leftOut++
        return
      }
      count++
      const key = Math.round(z * 1000)
      const layer = byLayer.get(key)
      if (layer) layer.push(x0, y0, x1, y1)
      else byLayer.set(key, [x0, y0, x1, y1])
    },
  })
  for await (const part of parts) replay.push(part)
  const figures = replay.end()
  const keys = [...byLayer.keys()].sort((a, b) => a - b)
  const segments = new Float32Array(4 * count),
    starts = [0]
  for (const key of keys) {
    segments.set(byLayer.get(key)!, 4 * starts[starts.length - 1])
    starts.push(starts[starts.length - 1] + byLayer.get(key)!.length / 4)
  }
  return { figures, heights: keys.map(key => key / 1000), starts, segments, leftOut }
}
