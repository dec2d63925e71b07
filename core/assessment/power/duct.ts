/**
 * A fan in a pod that is open at both ends: how much room the air has along the way, against the ring that the blades
 * sweep. mm
 */
import type { Equipment, Pod, ProjectFile } from '../../document'
import { bodySkinAt, insetVertices, loftBody, openShell, polygonArea, zoneOr } from '../../geometry'
import { memoise } from '../../memo'

/** Places along a duct at which its area is told. */
const LOOKS = 40
/** So much of either end is lip, not duct: a share of its length. */
const LIP = 0.02

export interface Duct {
  pod: string
  name: string
  lengthMm: number
  /** Inside, at the fan: the lesser of width and height. */
  atFanMm: number
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

interface Inside {
  from: number
  to: number
  along: Array<{ xMm: number; areaMm2: number }>
  width(x: number): number
}

const insideOf = memoise((stations: Pod['body']['stations'], shell: number): Inside => {
  const loft = loftBody(stations)
  const length = loft.to - loft.from
  return {
    from: loft.from,
    to: loft.to,
    along: Array.from({ length: LOOKS + 1 }, (_, i) => {
      const xMm = loft.from + length * (LIP + ((1 - 2 * LIP) * i) / LOOKS)
      const { width, height } = loft.at(xMm)
      const free = Math.min(width, height) > 2 * shell
      return {
        xMm,
        areaMm2: free ? polygonArea(insetVertices(bodySkinAt(loft, xMm), shell)).area : 0,
      }
    }),
    width: x => {
      const { width, height } = loft.at(Math.min(loft.to, Math.max(loft.from, x)))
      return Math.max(0, Math.min(width, height) - 2 * shell)
    },
  }
}, 24)

/** The duct that a fan turns in; null where no pod is one for it. */
export function ductOf({ pods, zones }: Pick<ProjectFile, 'pods' | 'zones'>, item: Equipment): Duct | null {
  const pod = pods.find(own => own.duct === item.id)
  if (!pod || !item.fan) return null
  const { stations } = pod.body
  const inside = insideOf(stations, openShell(zoneOr(zones, stations[0].zone).recipe))
  const { diameterMm } = item.fan,
    hubMm = Math.min(item.fan.hubMm, 0.9 * diameterMm)
  const ring = (Math.PI / 4) * (diameterMm ** 2 - hubMm ** 2)
  const along = inside.along.map(({ xMm, areaMm2 }) => ({ xMm, share: areaMm2 / ring }))
  const fanAt = item.xMm - pod.xMm
  const outside = fanAt < inside.from || fanAt > inside.to,
    ahead = outside ? along : along.filter((item, i) => i === 0 || item.xMm <= fanAt)
  let opensDeg = 0
  inside.along.slice(1).forEach(({ xMm, areaMm2 }, i) => {
    const before = inside.along[i]
    const wider = Math.sqrt(areaMm2 / Math.PI) - Math.sqrt(before.areaMm2 / Math.PI)
    opensDeg = Math.max(opensDeg, (Math.atan2(wider, xMm - before.xMm) * 180) / Math.PI)
  })
  return {
    pod: pod.id,
    name: pod.name,
    lengthMm: inside.to - inside.from,
    atFanMm: inside.width(fanAt),
    along,
    intake: along[0].share,
    exit: along.at(-1)!.share,
    narrowest: ahead.reduce((a, b) => (b.share < a.share ? b : a)),
    opensDeg,
    outside,
  }
}
