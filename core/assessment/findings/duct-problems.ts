/** Ducts: what one does to its fan, and what stands in the way of one through the body. */
import type { Equipment } from '../../document'
import {
  rectangle,
  seatLine,
  shareOutside,
  shareTaken,
  wingSeat,
  type BodyLoft,
  type DuctLoft,
} from '../../geometry'
import { memoise } from '../../memo'
import { q, say } from '../../units'
import type { Duct } from '../power'
import type { Finding } from '../report'
import type { Airframe } from '../resolve'
import { foundAt } from './found-at'

/** Less room than this share of the fan's ring ahead of it starves it. */
const LEAST_WAY = 0.95
/** Outlets that fans are flown with, over the ring. */
const OUTLET = [0.75, 1.05] as const
/** Over this a fan's blades leave too much air round their tips, under nought it does not go in, mm. */
const TIP_GAP = 2.5
/** Half the angle at which air leaves a wall that opens, °. */
const OPENS = 7

/** What a duct does to the fan that turns in it. */
export function fanInDuct(duct: Duct, item: Equipment): Finding[] {
  const { name, narrowest, exit, atFanMm, asideMm, opensDeg, outside } = duct
  const diameterMm = item.fan!.diameterMm
  const finding = foundAt(name, ['power', 'shape'])
  if (outside)
    return [
      finding(
        'fan-outside',
        'stop',
        [item.xMm, 0, 'mm'],
        say`${item.name} lies outside of ${name}, which is its duct`,
        'Balance: move it into its duct, or Shape: another place for the duct',
      ),
    ]
  const gap = (atFanMm - diameterMm) / 2
  return [
    ...(gap < 0 || gap > TIP_GAP
      ? [
          finding(
            'fan-fit',
            gap < 0 ? 'stop' : 'warn',
            [atFanMm, diameterMm, 'mm'],
            gap < 0
              ? say`${name} is ${q(atFanMm, 'mm', 1)} wide inside where ${item.name} turns, which is ${q(diameterMm, 'mm', 1)} over its blades`
              : say`${name} leaves ${q(gap, 'mm', 1)} round the blades of ${item.name}: air goes back through the gap, and neither that nor its noise is reckoned`,
            say`Shape: ${q(diameterMm + 1, 'mm', 1)} inside where it turns`,
          ),
        ]
      : []),
    ...(gap >= 0 && asideMm > gap + 1e-6
      ? [
          finding(
            'fan-aside',
            'stop',
            [asideMm, gap, 'mm'],
            say`${item.name} turns ${q(asideMm, 'mm', 1)} from the middle of ${name}: its blades strike the wall, which leaves ${q(gap, 'mm', 1)} round them`,
            'Balance: move the fan into the middle of its duct',
          ),
        ]
      : []),
    ...(narrowest.share < LEAST_WAY
      ? [
          finding(
            'duct-narrow',
            'warn',
            [100 * narrowest.share, 100 * LEAST_WAY, '%'],
            say`${name} narrows to ${q(100 * narrowest.share, '%', 0)} of the ring that the blades sweep, ${q(narrowest.xMm, 'mm', 0)} along it: the fan starves, and howls`,
            'Shape: as much room as the ring all the way to the fan',
          ),
        ]
      : []),
    ...(exit < OUTLET[0] || exit > OUTLET[1]
      ? [
          finding(
            'duct-outlet',
            'warn',
            [100 * exit, 100 * (exit < OUTLET[0] ? OUTLET[0] : OUTLET[1]), '%'],
            say`The outlet of ${name} has ${q(100 * exit, '%', 0)} of the ring that the blades sweep; fans are flown with ${q(100 * OUTLET[0], '%', 0)} to ${q(100 * OUTLET[1], '%', 0)}: narrower for speed, wider for pull at rest`,
            'Shape: the last station of the duct',
          ),
        ]
      : []),
    ...(opensDeg > OPENS
      ? [
          finding(
            'duct-opens',
            'warn',
            [opensDeg, OPENS, '°'],
            say`${name} opens at ${q(opensDeg, '°', 0)} to its axis: air leaves a wall that opens at more than ${q(OPENS, '°', 0)}, and what that costs is not reckoned`,
            'Shape: a longer duct, or less difference between its stations',
          ),
        ]
      : []),
  ]
}

/** Less of the way than this is rounding. */
const NOTHING = 0.01
/** Places along a component at which it is held against the way. */
const LOOKS = [0, 0.25, 0.5, 0.75, 1] as const
/** What turns there, and drives what turns. */
const AT_HOME: ReadonlyArray<Equipment['kind']> = ['propeller', 'motor', 'hardware']

/** Stretches of a duct that lie outside of the body, by more than rounding, from place to place of its grid. */
const outsideOf = memoise((duct: DuctLoft, body: BodyLoft): Array<[from: number, to: number]> => {
  const found: Array<[number, number]> = []
  duct.grid.forEach((x, i, all) => {
    if (shareOutside(duct, body, x) <= NOTHING) return
    const last = found.at(-1)
    if (last && i > 0 && last[1] === all[i - 1]) last[1] = x
    else found.push([x, x])
  })
  return found
}, 16)

/** What a way through the body wants, and what is in it. */
export function ductProblems(airframe: Airframe): Finding[] {
  const { doc, body, duct } = airframe
  if (!doc.duct) return []
  const finding = foundAt('Duct in the body', ['shape'])
  if (!body || !duct)
    return [
      finding(
        'duct-without-body',
        'warn',
        [0, 1, 'bodies'],
        'There is no body for the duct to run through; nothing is made of it',
        'Shape: add a body, or leave the duct out',
      ),
    ]
  const fan = doc.equipment.find(item => item.id === doc.duct!.fan && item.fan)
  const stretches = outsideOf(duct, body),
    torn = stretches.filter(([from, to]) => from > duct.from && to < duct.to)
  const whole = stretches.some(([from, to]) => from === duct.from && to === duct.to)
  const ends = [
    { name: 'intake', at: duct.from },
    { name: 'outlet', at: duct.to },
  ].filter(({ at }) => !stretches.some(([from, to]) => at >= from && at <= to))
  return [
    ...(fan
      ? []
      : [
          finding(
            'duct-without-fan',
            'warn',
            [0, 1, 'fans'],
            'No fan turns in the duct through the body; it is made all the same, and blows nothing',
            'Shape: name the fan that turns in it, or leave the duct out',
          ),
        ]),
    ...ends.map(({ name, at }) =>
      finding(
        'duct-blind',
        'stop',
        [at, name === 'intake' ? body.from : body.to, 'mm'],
        say`The ${name} of the duct, at ${q(at, 'mm', 0)}, lies inside of the body: no air ${name === 'intake' ? 'gets in' : 'gets out'}`,
        say`Shape: its ${name === 'intake' ? 'first' : 'last'} station out of the body's end, or through its side`,
      ),
    ),
    ...(whole
      ? [
          finding(
            'duct-outside',
            'stop',
            [100, 100 * NOTHING, '%'],
            'The duct lies outside of the body, or comes through its skin, all along: it has no wall there',
            'Shape: a narrower duct, or a wider body',
          ),
        ]
      : torn.map(([from, to]) =>
          finding(
            'duct-tears',
            'warn',
            [to - from, 0, 'mm'],
            say`The duct comes through the body's skin from ${q(from, 'mm', 0)} to ${q(to, 'mm', 0)}, between its intake and its outlet: a hole that the fan draws or blows through`,
            'Shape: a narrower duct there, or a wider body',
          ),
        )),
    ...inTheWay(airframe, duct).map(({ name, at, share, kind }) =>
      finding(
        'duct-blocked',
        kind === 'part' ? 'warn' : 'stop',
        [100 * share, 100 * NOTHING, '%'],
        kind === 'part'
          ? say`${name} stands in the duct at ${q(at, 'mm', 0)} and takes ${q(100 * share, '%', 0)} of the way`
          : kind === 'seat'
            ? say`The wing's seat cuts into the duct at ${q(at, 'mm', 0)}, by ${q(100 * share, '%', 0)} of the way`
            : say`${name} runs through the duct at ${q(at, 'mm', 0)} and takes ${q(100 * share, '%', 0)} of the way`,
        kind === 'part'
          ? 'Balance: move it out of the way; what it costs there is not reckoned'
          : 'Shape: lead the duct under or over it',
      ),
    ),
  ]
}

interface InTheWay {
  name: string
  kind: 'part' | 'tube' | 'seat'
  at: number
  share: number
}

function inTheWay({ doc, body, wing, spars, boom, surfaces }: Airframe, duct: DuctLoft): InTheWay[] {
  const worst = (
    name: string,
    kind: InTheWay['kind'],
    from: number,
    to: number,
    at: (x: number) => Float64Array,
  ) =>
    LOOKS.map((share): InTheWay => {
      const x = from + (to - from) * share
      return { name, kind, at: x, share: shareTaken(duct, at(x), x) }
    }).reduce((a, b) => (b.share > a.share ? b : a))
  const parts = doc.equipment
    .filter(item => item.id !== doc.duct!.fan && !item.pocket && !AT_HOME.includes(item.kind))
    .flatMap(({ name, xMm, yMm, zMm, sizeMm: [long, wide, high], pair }) =>
      (pair ? [yMm, -yMm] : [yMm]).map(y => {
        const box = rectangle(y - wide / 2, zMm - high / 2, y + wide / 2, zMm + high / 2)
        return worst(name, 'part', xMm - long / 2, xMm + long / 2, () => box)
      }),
    )
  // Across the body, as it is bored for them.
  const across = [wing, surfaces.second, surfaces.horizontal].flatMap(loft =>
    loft?.mirror
      ? (spars[loft.name] ?? [])
          .filter(line => line.spar.through)
          .map(line => {
            const { x, n } = line.at(0),
              z = loft.origin[2] + n * Math.cos(loft.cant),
              half = line.stock.heightMm / 2
            const slab = rectangle(-600, z - half, 600, z + half)
            return worst(
              line.spar.name,
              'tube',
              x - line.stock.widthMm / 2,
              x + line.stock.widthMm / 2,
              () => slab,
            )
          })
      : [],
  )
  const along =
    boom && boom.count === 1
      ? [boom].map(({ boom: { fromMm, toMm, zMm }, stock: { heightMm } }) => {
          const box = rectangle(-heightMm / 2, zMm - heightMm / 2, heightMm / 2, zMm + heightMm / 2)
          return worst('The boom', 'tube', Math.max(fromMm, duct.from), Math.min(toMm, duct.to), () => box)
        })
      : []
  const seats: InTheWay[] = []
  if (doc.body?.saddle && body) {
    const seat = seatLine(body, wingSeat(wing), doc.body.saddle)
    seats.push(
      worst('Seat', 'seat', Math.max(seat.from, duct.from), Math.min(seat.to, duct.to), x =>
        seat.high
          ? rectangle(-600, seat.at(x), 600, seat.at(x) + 1200)
          : rectangle(-600, seat.at(x) - 1200, 600, seat.at(x)),
      ),
    )
  }
  return [...parts, ...across, ...along, ...seats].filter(item => item.share > NOTHING)
}
