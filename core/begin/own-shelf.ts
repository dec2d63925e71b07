/** The shelf with what the maker has of their own: parts that are measured, weighed and paid for. */
import type { Libraries } from '../libraries'
import type { Wishes } from './wishes'

/** A part of one's own stands in the place of one of the shelf that it is called like. */
const withOwn = <T extends { id: string }>(shelf: readonly T[], own: readonly T[]): readonly T[] =>
  own.length ? [...shelf.filter(item => !own.some(other => other.id === item.id)), ...own] : shelf

/** What a kit is chosen from; a part without the figures that choosing asks for is left in the drawer. */
export function shelfWith(libraries: Libraries, { drawer: { own } }: Pick<Wishes, 'drawer'>): Libraries {
  if (own.length === 0) return libraries
  const paid = { price: 0 }
  return {
    ...libraries,
    motors: withOwn(
      libraries.motors,
      own.flatMap(({ id, name, massG, sizeMm, motor }) =>
        motor ? [{ id, name, massG, sizeMm, ...motor, ...paid }] : [],
      ),
    ),
    batteries: withOwn(
      libraries.batteries,
      own.flatMap(({ id, name, massG, sizeMm, battery }) =>
        battery
          ? [{ id, name, massG, sizeMm, cells: battery.cells, capacityMah: battery.capacityMah, ...paid }]
          : [],
      ),
    ),
    servos: withOwn(
      libraries.servos,
      own.flatMap(({ id, name, massG, sizeMm, servo }) =>
        servo ? [{ id, name, massG, sizeMm, ...servo, ...paid }] : [],
      ),
    ),
    propellers: withOwn(
      libraries.propellers,
      own.flatMap(({ id, name, massG, propeller }) =>
        propeller ? [{ id, name, massG, ...propeller, ...paid }] : [],
      ),
    ),
  }
}
