/**
 * The order of building with the least waiting: while one joint cures another is worked, and two people have a bench
 * each. List scheduling by the longest way to the end, over the graph of needs.
 */
import { alg } from '@dagrejs/graphlib'
import {
  asGraph,
  BENCHES,
  buildGraph,
  RULES,
  type Airframe,
  type Bench,
  type BuildGraph,
  type BuildStep,
  type Gate,
  type StepKind,
} from '../../assess'
import { glueOf } from '../../libraries'
import type { GlueId } from '../../document'
import type { Words } from '../../units'

/** A step as it is shown and written: plain data. */
export interface OrderedStep {
  id: string
  kind: StepKind
  bench: Bench
  title: Words
  how: readonly Words[]
  /** Pieces and parts that come in with this step, each exactly once in the whole order. */
  brings: readonly string[]
  touches: readonly string[]
  joins: ReadonlyArray<readonly [string, string]>
  needs: readonly string[]
  at: readonly [number, number, number]
  from: readonly [number, number, number]
  glue: { id: GlueId; name: string; grams: number; how: string; trap: string } | null
  minutes: number
  waitMin: number
  /** Since the first step began, hands on and waiting; who does it, from 0. */
  beginsMin: number
  person: number
  gate: Gate | null
  cautions: readonly Words[]
  hand: readonly Words[]
  /** What would be buried or spoilt were it left for later: the steps that it must come before, and why. */
  traps: ReadonlyArray<{ rule: string; because: string; before: string }>
}

export interface BuildOrder {
  steps: OrderedStep[]
  /** Hands on, all together; and until the last is done, waiting included. */
  handsMin: number
  untilMin: number
  waitingMin: number
  glueG: number
}

/** Times of single steps differ from hand to hand by this, one standard deviation. */
export const TIME_SIGMA = 0.4

export function buildOrder(airframe: Airframe, graph: BuildGraph = buildGraph(airframe)): BuildOrder {
  const { doc } = airframe
  const glue = (step: BuildStep) => (step.glue ? glueOf(doc.build.glues[step.glue]) : null)
  const minutesOf = (step: BuildStep) => step.minutes + (glue(step)?.minutes ?? 0)
  const waitOf = (step: BuildStep) => glue(step)?.waitMin ?? 0
  const { needs } = graph
  const before = new Map<string, string[]>(graph.steps.map(step => [step.id, []])),
    after = new Map<string, string[]>(graph.steps.map(step => [step.id, []]))
  for (const need of needs) {
    before.get(need.after)!.push(need.before)
    after.get(need.before)!.push(need.after)
  }
  const byId = new Map(graph.steps.map(step => [step.id, step]))
  // The longest way from the beginning of a step to the end of all.
  const tail = new Map<string, number>()
  for (const id of alg.topsort(asGraph(graph.steps, needs)).reverse()) {
    const step = byId.get(id)!
    const later = Math.max(0, ...after.get(id)!.map(next => tail.get(next)!))
    tail.set(id, minutesOf(step) + (later > 0 ? waitOf(step) + later : waitOf(step)))
  }
  const placed = listSchedule(graph.steps, { before, tail, minutesOf, waitOf, people: doc.build.people })
  const seen = new Set<string>()
  const firstTime = (id: string) => !seen.has(id) && seen.add(id)
  const traps = trapsOf(graph)
  const steps = placed.map(({ step, begins, person }): OrderedStep => {
    const own = glue(step)
    return {
      id: step.id,
      kind: step.kind,
      bench: step.bench,
      title: step.title,
      how: step.how,
      brings: [...new Set([...step.touches, ...step.parts])].filter(firstTime),
      touches: step.touches,
      joins: step.joins,
      needs: before.get(step.id)!,
      at: step.at(),
      from: step.from,
      glue: own && {
        id: own.id,
        name: own.name,
        grams: own.gramsPerMm * step.glueMm(),
        how: own.how,
        trap: own.trap,
      },
      minutes: minutesOf(step),
      waitMin: waitOf(step),
      beginsMin: begins,
      person,
      gate: step.gate,
      cautions: [step.caution, own?.caution ?? null].filter(text => text !== null),
      hand: step.hand,
      traps: traps.get(step.id) ?? [],
    }
  })
  const handsMin = steps.reduce((sum, step) => sum + step.minutes, 0)
  const untilMin = Math.max(0, ...steps.map(step => step.beginsMin + step.minutes + step.waitMin))
  return {
    steps,
    handsMin,
    untilMin,
    waitingMin: untilMin - Math.max(0, handsMin / doc.build.people),
    glueG: steps.reduce((sum, step) => sum + (step.glue?.grams ?? 0), 0),
  }
}

/** A trap once for every rule, at the nearest step that it names. */
function trapsOf({ needs, steps }: BuildGraph): Map<string, OrderedStep['traps']> {
  const order = new Map(steps.map((step, i) => [step.id, i]))
  const rules = new Map(RULES.map(rule => [rule.id, rule]))
  const found = new Map<string, Map<string, { rule: string; because: string; before: string }>>()
  for (const { before, after, rule } of needs) {
    const { trap, because } = rules.get(rule)!
    if (!trap || GENERAL.has(rule)) continue
    const own = found.get(before) ?? new Map<string, { rule: string; because: string; before: string }>()
    const known = own.get(rule)
    if (!known || order.get(after)! < order.get(known.before)!)
      own.set(rule, { rule, because, before: after })
    found.set(before, own)
  }
  return new Map([...found].map(([id, own]) => [id, [...own.values()]]))
}

/** Said of every step, they would warn of nothing. */
const GENERAL = new Set([
  'balance-last',
  'propeller-last',
  'finish-after-joints',
  'electrics-before-direction',
  'chain',
])

interface Placed {
  step: BuildStep
  begins: number
  person: number
}

interface Rules {
  before: ReadonlyMap<string, readonly string[]>
  tail: ReadonlyMap<string, number>
  minutesOf(step: BuildStep): number
  waitOf(step: BuildStep): number
  people: number
}

/**
 * Whoever is free takes, of what is ready, the step with the longest way behind it, at the bench that he stands at if
 * they are alike. One bench holds one person. Steps whose needs cure wait; work goes on elsewhere.
 */
function listSchedule(steps: readonly BuildStep[], rules: Rules): Placed[] {
  const { before, tail, minutesOf, waitOf, people } = rules
  const open = new Set(steps)
  const readyAt = new Map<string, number>()
  const free = Array.from({ length: people }, () => 0)
  const stands: Array<Bench | null> = free.map(() => null)
  const benchFree = new Map<Bench, number>((Object.keys(BENCHES) as Bench[]).map(bench => [bench, 0]))
  const done: Placed[] = []
  const startOf = (step: BuildStep): number | null => {
    let at = 0
    for (const id of before.get(step.id)!) {
      const ready = readyAt.get(id)
      if (ready === undefined) return null
      at = Math.max(at, ready)
    }
    return Math.max(at, benchFree.get(step.bench)!)
  }
  while (open.size > 0) {
    const person = free.indexOf(Math.min(...free))
    let best: { step: BuildStep; at: number; score: number } | null = null
    for (const step of open) {
      const start = startOf(step)
      if (start === null) continue
      const at = Math.max(start, free[person])
      const score = tail.get(step.id)! + (step.bench === stands[person] ? STAYS : 0)
      if (!best || at < best.at - 1e-9 || (at < best.at + 1e-9 && score > best.score))
        best = { step, at, score }
    }
    if (!best) break
    const { step, at } = best
    const ends = at + minutesOf(step)
    done.push({ step, begins: at, person })
    open.delete(step)
    readyAt.set(step.id, ends + waitOf(step))
    benchFree.set(step.bench, ends)
    free[person] = ends
    stands[person] = step.bench
  }
  return done.sort((a, b) => a.begins - b.begins)
}

/** Tools stay where they lie: a step at the same bench is worth so many minutes of the way to the end. */
const STAYS = 6
