/** Every step there is to do on an aircraft, in no order yet. */
import { bodySteps, boomSteps, gearSteps, lidSteps } from './body-steps'
import { finalSteps, givenSteps } from './final-steps'
import { looseSteps, pocketStep, putIn } from './inside-steps'
import { mendSteps } from './mend-steps'
import { movingSteps } from './moving-steps'
import { servoSteps } from './servo-steps'
import { tailSteps, wingSteps } from './setting-steps'
import { podSteps } from './pod-steps'
import { wingletSteps } from './winglet-steps'
import { strutSteps } from './strut-steps'
import type { Site } from './site'
import type { BuildStep } from './step'
import { chainSteps, sparSteps, weighing } from './surface-steps'

export function stepsOf(site: Site): BuildStep[] {
  return [
    ...weighing(site),
    ...site.chains.flatMap(chain =>
      chain.part === 'body' ? bodySteps(site, chain) : chainSteps(site, chain),
    ),
    ...site.moving.flatMap(moving => movingSteps(site, moving)),
    ...site.spars.filter(laid => laid.chain.side !== 'port' || !laid.line.spar.through).flatMap(sparSteps),
    ...servoSteps(site),
    ...site.pockets.filter(pocket => pocket.item.kind !== 'servo').map(pocketStep),
    ...site.access.filter(({ item }) => item.kind !== 'servo').map(access => putIn(access)),
    ...looseSteps(site),
    ...wingSteps(site),
    ...tailSteps(site),
    ...podSteps(site),
    ...wingletSteps(site),
    ...strutSteps(site),
    ...boomSteps(site),
    ...gearSteps(site),
    ...lidSteps(site),
    ...givenSteps(site),
    ...mendSteps(site),
    ...finalSteps(site),
  ]
}
