/**
 * A fan in a duct, be it a pod that is open at both ends or a way through the body: how much room the air has along it,
 * against the ring that the blades sweep. mm
 */
import type { Equipment, Pod, ProjectFile } from '../../document'
import { bodySkinAt, insetVertices, loftBody, loftDuct, openShell, polygonArea, zoneOr } from '../../geometry'
import { memoise } from '../../memo'

/** Places along a duct at which its area is told. */
const LOOKS = 40
/** So much of either end is lip, not duct: a share of its length. */
const LIP = 0.02

export interface Duct {
  name: string
  /** Where the intake lies, along the aircraft. */
  intakeMm: number
  lengthMm: number
  /** Inside, at the fan: the lesser of width and height. */
  atFanMm: number
  /** How far its middle lies from the fan's axis there. */
  asideMm: number
  /** Free area over the ring between hub and blade tips, along the way from the intake. */
  along: ReadonlyArray<{ xMm: number; share: number }>
  intake: number
  exit: number
  /** From the intake to the fan; of the whole where the fan lies outside. */
  narrowest: { xMm: number; share: number }
  /** Half the angle at which a round duct of the same areas opens fastest in the way of the air, °. */
  opensDeg: number
  /** The fan lies outside of it. */
  outside: boolean
}

/** A duct without its fan, places from its intake. */
interface Way {
  length: number
  along: ReadonlyArray<{ xMm: number; areaMm2: number }>
  width(x: number): number
  /** Of its middle. */
  height(x: number): number
  aside(x: number): number
}

const wayOf = (length: number, areaAt: (x: number) => number, of: Omit<Way, 'length' | 'along'>): Way => ({
  ...of,
  length,
  along: Array.from({ length: LOOKS + 1 }, (_, i) => {
    const xMm = length * (LIP + ((1 - 2 * LIP) * i) / LOOKS)
    return { xMm, areaMm2: areaAt(xMm) }
  }),
})

const insideOf = memoise((stations: Pod['body']['stations'], shell: number): Way => {
  const loft = loftBody(stations)
  const narrow = (x: number) => {
    const { width, height } = loft.at(loft.from + x)
    return Math.max(0, Math.min(width, height) - 2 * shell)
  }
  return wayOf(
    loft.to - loft.from,
    x => (narrow(x) > 0 ? polygonArea(insetVertices(bodySkinAt(loft, loft.from + x), shell)).area : 0),
    { width: narrow, height: x => loft.at(loft.from + x).z, aside: () => 0 },
  )
}, 24)

const throughOf = memoise((stations: NonNullable<ProjectFile['duct']>['stations']): Way => {
  const loft = loftDuct(stations)
  return wayOf(loft.to - loft.from, x => loft.areaAt(loft.from + x), {
    width: x => {
      const { width, height } = loft.at(loft.from + x)
      return Math.min(width, height)
    },
    height: x => loft.at(loft.from + x).z,
    aside: x => loft.at(loft.from + x).y,
  })
}, 24)

/** The duct that a fan turns in; null where none is one for it. */
export function ductOf(
  { pods, zones, body, duct }: Pick<ProjectFile, 'pods' | 'zones' | 'body' | 'duct'>,
  item: Equipment,
): Duct | null {
  if (!item.fan) return null
  const pod = pods.find(own => own.duct === item.id)
  const through = body && duct?.fan === item.id ? duct : null
  if (!pod && !through) return null
  const way = through
    ? throughOf(through.stations)
    : insideOf(pod!.body.stations, openShell(zoneOr(zones, pod!.body.stations[0].zone).recipe))
  const intakeMm = through ? through.stations[0].xMm : pod!.xMm + pod!.body.stations[0].xMm
  const { diameterMm } = item.fan,
    hubMm = Math.min(item.fan.hubMm, 0.9 * diameterMm)
  // Two fans of a pair share what runs through the body; pods are a pair themselves.
  const fans = through && item.pair ? 2 : 1
  const ring = fans * (Math.PI / 4) * (diameterMm ** 2 - hubMm ** 2)
  const along = way.along.map(({ xMm, areaMm2 }) => ({ xMm, share: areaMm2 / ring }))
  const fanAt = item.xMm - intakeMm
  const outside = fanAt < 0 || fanAt > way.length,
    ahead = outside ? along : along.filter((place, i) => i === 0 || place.xMm <= fanAt)
  let opensDeg = 0
  way.along.slice(1).forEach(({ xMm, areaMm2 }, i) => {
    const before = way.along[i]
    const wider = Math.sqrt(areaMm2 / fans / Math.PI) - Math.sqrt(before.areaMm2 / fans / Math.PI)
    opensDeg = Math.max(opensDeg, (Math.atan2(wider, xMm - before.xMm) * 180) / Math.PI)
  })
  return {
    name: through ? 'the duct in the body' : pod!.name,
    intakeMm,
    lengthMm: way.length,
    atFanMm: way.width(fanAt),
    asideMm: Math.hypot(
      item.yMm - (through ? way.aside(fanAt) : pod!.yMm),
      item.zMm - (way.height(fanAt) + (through ? 0 : pod!.zMm)),
    ),
    along,
    intake: along[0].share,
    exit: along.at(-1)!.share,
    narrowest: ahead.reduce((a, b) => (b.share < a.share ? b : a)),
    opensDeg,
    outside,
  }
}
