/**
 * Everything there is to do on an aircraft, with what each step needs. No two steps wait for one another, whatever the
 * design: the tests hold the rules to it. A pure function of the airframe; who does what when is the workshop's.
 */
import { Graph } from '@dagrejs/graphlib'
import type { Airframe } from '../resolve'
import { Steps } from './rule-kit'
import { RULES } from './rules'
import { siteOf, type Site } from './site'
import { stepsOf } from './steps'
import type { BuildStep, Need } from './step'

export interface BuildGraph {
  site: Site
  steps: readonly BuildStep[]
  needs: readonly Need[]
}

/** `without`: a rule that is left out, to see what it is good for. */
export function buildGraph(airframe: Airframe, without?: string): BuildGraph {
  const site = siteOf(airframe)
  const steps = withStrays(site, stepsOf(site))
  const index = new Steps(steps)
  const seen = new Set<string>()
  const needs: Need[] = []
  for (const rule of RULES) {
    if (rule.id === without) continue
    for (const [before, after] of rule.pairs(index, site)) {
      const key = `${before}>${after}`
      if (seen.has(key)) continue
      seen.add(key)
      needs.push({ before, after, rule: rule.id })
    }
  }
  return { site, steps, needs }
}

/** As the graph library has it. */
export function asGraph(steps: readonly Pick<BuildStep, 'id'>[], needs: readonly Need[]): Graph {
  const graph = new Graph()
  for (const step of steps) graph.setNode(step.id)
  for (const { before, after } of needs) graph.setEdge(before, after)
  return graph
}

/** What no step handles is laid out with the rest, so that nothing is forgotten. */
function withStrays({ airframe, doc }: Site, steps: BuildStep[]): BuildStep[] {
  const pieces = new Set(steps.flatMap(step => step.touches)),
    parts = new Set(steps.flatMap(step => step.parts))
  const strayPieces = airframe.pieces.filter(piece => !pieces.has(piece.id)).map(piece => piece.id)
  const strayParts = doc.equipment.filter(item => !parts.has(item.id)).map(item => item.id)
  if (strayPieces.length + strayParts.length === 0) return steps
  const last = steps.findIndex(step => step.kind === 'balance')
  return steps.map((step, i) =>
    i === last
      ? { ...step, touches: [...step.touches, ...strayPieces], parts: [...step.parts, ...strayParts] }
      : step,
  )
}
