/** A machine file replayed, with what it lays for a picture: layer by layer, in mm, by kind and speed. */
import type { Printer } from '../../document'
import { createReplay, type GcodeFigures } from '../../printing'

/** Kinds that this project's own files name in their comments; others lay what is not told apart. */
export const LAID_KINDS = ['outer wall', 'inner wall', 'web', 'infill', 'solid', 'brim', 'unnamed'] as const
const UNNAMED = LAID_KINDS.length - 1

export interface GcodePreview {
  figures: GcodeFigures
  /** Rising heights of layers, and where each one's segments begin (one more at the end), in segments. */
  heights: number[]
  starts: number[]
  /** x0, y0, x1, y1 of each segment, layer by layer. */
  segments: Float32Array
  /** Of each segment: index of `LAID_KINDS`, and mm/s. */
  kinds: Uint8Array
  speeds: Float32Array
  /** Segments past the limit that the picture leaves out; the figures count all. */
  leftOut: number
}

/** A picture holds no more than this. */
const MOST_SEGMENTS = 1_500_000

interface Layer {
  segments: number[]
  kinds: number[]
  speeds: number[]
}

/** `parts` are the file's text in order, as large as they come. */
export async function previewGcode(
  parts: AsyncIterable<string> | Iterable<string>,
  printer: Printer,
): Promise<GcodePreview> {
  const byLayer = new Map<number, Layer>()
  let count = 0,
    leftOut = 0,
    kind = UNNAMED,
    first = 0,
    rose = false
  const replay = createReplay(printer, printer.filamentMm, {
    note: text => {
      const named = (LAID_KINDS as readonly string[]).indexOf(text)
      if (named >= 0) kind = named
    },
    laid: (x0, y0, z0, x1, y1, z, _plastic, speed) => {
      if (count >= MOST_SEGMENTS) {
        leftOut++
        return
      }
      count++
      // A wiped line may lie higher than the first layer; nothing rises before that.
      if (first === 0 || (z <= z0 && z < first)) first = z
      // What rises belongs to the layer that it rises to.
      rose ||= z > z0
      const level = rose ? Math.ceil(z / first - 1e-3) * first : z
      const key = Math.round(level * 1000)
      let layer = byLayer.get(key)
      if (!layer) {
        layer = { segments: [], kinds: [], speeds: [] }
        byLayer.set(key, layer)
      }
      layer.segments.push(x0, y0, x1, y1)
      layer.kinds.push(kind)
      layer.speeds.push(speed)
    },
  })
  for await (const part of parts) replay.push(part)
  const figures = replay.end()
  const keys = [...byLayer.keys()].sort((a, b) => a - b)
  const segments = new Float32Array(4 * count),
    kinds = new Uint8Array(count),
    speeds = new Float32Array(count),
    starts = [0]
  for (const key of keys) {
    const layer = byLayer.get(key)!,
      at = starts[starts.length - 1]
    segments.set(layer.segments, 4 * at)
    kinds.set(layer.kinds, at)
    speeds.set(layer.speeds, at)
    starts.push(at + layer.kinds.length)
  }
  return { figures, heights: keys.map(key => key / 1000), starts, segments, kinds, speeds, leftOut }
}
