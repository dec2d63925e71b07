/** The sheet that the aircraft is drawn on: which axes it shows, and how far in the paper goes. mm */
import type { Assessment } from '../../../core/assess'
import { useSize } from '~/composables/useSize'
import type { ViewName } from '~/stores/view'

export type FlatView = Exclude<ViewName, 'space'>
type Axis = 'x' | 'y' | 'z'
type Point = readonly [number, number, number]

/** Screen right and down as aircraft axes: [axis, sign]. */
const AXES: Record<FlatView, readonly [readonly [Axis, 1 | -1], readonly [Axis, 1 | -1]]> = {
  plan: [
    ['y', 1],
    ['x', 1],
  ],
  side: [
    ['x', 1],
    ['z', -1],
  ],
  front: [
    ['y', -1],
    ['z', -1],
  ],
}
export const INDEX = { x: 0, y: 1, z: 2 } as const
/** Outlines come as (x, y), (x, z) or (y, z). */
const IN_SPACE: Record<FlatView, (a: number, b: number) => Point> = {
  plan: (a, b) => [a, b, 0],
  side: (a, b) => [a, 0, b],
  front: (a, b) => [0, a, b],
}

export interface Sheet {
  view: FlatView
  axes: (typeof AXES)[FlatView]
  /** What is seen, mm: widened to the shape of the stage so that the drawing fills it. */
  frame: { x: number; y: number; w: number; h: number }
  /** Millimetres of the aircraft to a pixel of the screen. */
  unit: number
  flat(p: Point): [number, number]
  /** An outline of the assessment's drawing as an SVG list of points. */
  outline(points: readonly number[]): string
  dashed(dash: string): Record<string, string | number>
  /** While something is in hand the paper lies still: its scale must not run away from under the pointer. */
  hold(still: boolean): void
}
const SHEET = Symbol('sheet') as InjectionKey<ComputedRef<Sheet>>

export function provideSheet(
  host: Ref<HTMLElement | undefined>,
  view: () => FlatView,
  box: () => Assessment['drawing']['box'],
): ComputedRef<Sheet> {
  const { pixels, aspect } = useSize(host)
  const kept = shallowRef<Assessment['drawing']['box'] | null>(null)
  const hold = (still: boolean) => {
    kept.value = still ? box() : null
  }
  const sheet = computed((): Sheet => {
    const name = view(),
      axes = AXES[name],
      { minX, minY, minZ, maxX, maxY, maxZ } = kept.value ?? box()
    const flat = (p: Point): [number, number] => [
      axes[0][1] * p[INDEX[axes[0][0]]],
      axes[1][1] * p[INDEX[axes[1][0]]],
    ]
    const lows = flat([minX, minY, minZ]),
      highs = flat([maxX, maxY, maxZ])
    const [x0, x1] = [Math.min(lows[0], highs[0]), Math.max(lows[0], highs[0])]
    const [y0, y1] = [Math.min(lows[1], highs[1]), Math.max(lows[1], highs[1])]
    // Room for rulers, and at the side for what is said of the balance.
    const w = (x1 - x0) * 1.17 + 20,
      h = (y1 - y0) * 1.15 + 50 + (name === 'side' ? 110 : 0)
    const width = Math.max(w, h * aspect.value),
      height = Math.max(h, w / aspect.value),
      unit = width / pixels.value
    return {
      view: name,
      axes,
      flat,
      unit,
      hold,
      // A little low, so that the view buttons stay clear of the aircraft.
      frame: { x: (x0 + x1) / 2 - width / 2, y: (y0 + y1) / 2 - height * 0.48, w: width, h: height },
      outline: points => {
        const pairs: string[] = []
        for (let i = 0; i < points.length; i += 2)
          pairs.push(flat(IN_SPACE[name](points[i]!, points[i + 1]!)).join(','))
        return pairs.join(' ')
      },
      dashed: dash => ({
        'stroke-dasharray': dash
          .split(' ')
          .map(v => Number(v) * unit)
          .join(' '),
        'stroke-width': 1.4 * unit,
      }),
    }
  })
  provide(SHEET, sheet)
  return sheet
}

/** The sheet that a part of the drawing lies on. */
export const useSheet = (): ComputedRef<Sheet> => inject(SHEET)!
