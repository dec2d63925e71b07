/** The next mark taken: wishes become the design, and what no longer fits it is asked for anew. */
import type { Change } from '../../change'
import { pairOf, type ProjectFile } from '../../document'
import type { Tried } from './tried'

/**
 * `redo`: steps of the build that handle what is printed anew. Weighings, plates and ticks of the pieces that come out
 * otherwise go; those of the others stay, for the others carry over.
 */
export function takeMark(
  doc: ProjectFile,
  tried: Tried,
  wishes: readonly string[],
  redo: readonly string[],
): Change {
  const anew = new Set(tried.anew)
  const undone = new Set(['balance', 'direction', ...redo])
  return {
    ...tried.change,
    wishes: doc.wishes.map(wish => (wishes.includes(wish.id) ? { ...wish, state: 'taken' as const } : wish)),
    weighIns: doc.weighIns.filter(item => !anew.has(item.piece)),
    asPrinted: doc.asPrinted.filter(item => !tried.anew.some(id => pairOf(id) === item.piece)),
    plates: doc.plates.flatMap(plate => {
      const pieces = plate.pieces.filter(item => !anew.has(item.piece))
      return pieces.length ? [{ ...plate, pieces }] : []
    }),
    build: { ...doc.build, ticks: doc.build.ticks.filter(tick => !undone.has(tick.step)) },
    // What broke on a piece that is made anew is mended by that.
    damages: doc.damages.map(damage =>
      anew.has(damage.piece) && damage.state !== 'mended'
        ? { ...damage, way: 'new-piece' as const, state: 'mended' as const, massG: 0 }
        : damage,
    ),
  }
}
