/**
 * Something in hand: its moves, at most one a frame however fast the pointer reports, all of them one gesture
 * from taking to letting go.
 */
import { useEventListener } from '@vueuse/core'

export function useDrag<T>(move: (what: T, event: PointerEvent, gesture: symbol) => void) {
  const held = shallowRef<T | null>(null) as Ref<T | null>
  let gesture = Symbol('drag'),
    frame = 0,
    newest: PointerEvent | null = null
  function flush() {
    cancelAnimationFrame(frame)
    frame = 0
    const event = newest
    newest = null
    if (event && held.value !== null) move(held.value, event, gesture)
  }
  function take(event: PointerEvent, what: T) {
    held.value = what
    gesture = Symbol('drag')
    ;(event.currentTarget as Element | null)?.setPointerCapture?.(event.pointerId)
  }
  useEventListener(window, 'pointermove', (event: PointerEvent) => {
    if (held.value === null) return
    newest = event
    frame ||= requestAnimationFrame(flush)
  })
  useEventListener(window, ['pointerup', 'pointercancel'], () => {
    if (held.value === null) return
    flush()
    held.value = null
  })
  return { held, take }
}

/** Steps right and down that an arrow key asks for, with Shift as many times `large`; null for other keys. */
export function arrowSteps(event: KeyboardEvent, large: number): readonly [number, number] | null {
  const way = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowDown: [0, 1], ArrowUp: [0, -1] }[event.key]
  if (!way) return null
  event.preventDefault()
  const by = event.shiftKey ? large : 1
  return [way[0]! * by, way[1]! * by]
}
