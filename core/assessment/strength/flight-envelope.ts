/** The flight envelope of an airframe from its brief. SI inside. */
import { gustIncrement, envelope } from '../../structure'
import { GRAVITY } from '../../units'
import { type SolvedFlight, airOf } from '../flight'
import type { LoadsReport } from '../report'
import type { Designed } from '../resolve'

export function loadsOf(
  airframe: Designed,
  { plan, lift }: SolvedFlight,
  mass: number,
  stallSpeed: number,
): LoadsReport {
  const { brief } = airframe.doc
  const { density } = airOf(airframe.doc)
  const at = (speed: number, gust: number) =>
    gustIncrement({
      density,
      speed,
      gust,
      clAlpha: lift.clAlpha,
      area: plan.area,
      chord: plan.mac,
      mass,
      gravity: GRAVITY,
    })
  const cruise = at(brief.cruiseMs, brief.gustMs),
    top = at(brief.topSpeedMs, brief.gustMs / 2)
  return {
    ...envelope({
      stallSpeed,
      cruise: brief.cruiseMs,
      topSpeed: brief.topSpeedMs,
      limit: brief.loadFactor,
      gustCruise: cruise.increment,
      gustTop: top.increment,
    }),
    limit: brief.loadFactor,
    gustCruise: cruise.increment,
    gustTop: top.increment,
    alleviation: cruise.alleviation,
    stallMs: stallSpeed,
  }
}
