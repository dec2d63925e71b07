/**
 * Causes weighed against everything that was noted: every cause alone, every pair, and none; amounts
 * integrated over what builds come out at. Exact on a grid, no sampling.
 */
import { CAUSES, FIGURES, TICKS, type Cause, type FigureSign, type Model, type TickSign } from './causes'

/** One flight's notes; what is missing was not noted. */
export interface Notes {
  figures: Partial<Record<FigureSign, number>>
  ticks: Partial<Record<TickSign, -1 | 0 | 1>>
}

export interface Weighed {
  /** Chance that a cause is at work, alone or with another. */
  causes: Array<{ cause: Cause; chance: number; amount: number; sigma: number }>
  nothing: number
  /** Of the one hypothesis that is most likely. */
  certain: number
  /** What was not noted and would tell most, best first: expected gain in bits. */
  tells: Array<{ sign: TickSign; bits: number }>
}

/** How often a fresh aircraft has nothing, one thing or two things off by more than it would be trimmed out of. */
const NONE = 0.3,
  ONE = 0.55,
  TWO = 0.15
/** Amounts on a grid of standard deviations. */
const ALONE = grid(3, 25),
  PAIRED = grid(2.5, 11)

function grid(reach: number, count: number): Array<{ z: number; weight: number }> {
  const points = Array.from({ length: count }, (_, i) => {
    const z = -reach + (2 * reach * i) / (count - 1)
    return { z, weight: Math.exp(-(z * z) / 2) }
  })
  const sum = points.reduce((total, point) => total + point.weight, 0)
  return points.map(point => ({ z: point.z, weight: point.weight / sum }))
}

/** Normal distribution (Abramowitz & Stegun 7.1.26, error under 1.5·10⁻⁷). */
export function below(x: number): number {
  const t = 1 / (1 + 0.3275911 * (Math.abs(x) / Math.SQRT2))
  const tail =
    t *
    (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) *
    Math.exp(-(x * x) / 2)
  return x >= 0 ? 1 - tail / 2 : tail / 2
}

type Amounts = Partial<Record<Cause, number>>

const shifted = (
  sign: { base: number; per: Partial<Record<Cause, number>>; even?: Cause[] },
  amounts: Amounts,
) =>
  Object.entries(amounts).reduce((sum, [cause, amount]) => {
    const each = sign.per[cause as Cause] ?? 0
    // Some signs tell how much, not to which side.
    return sum + (sign.even?.includes(cause as Cause) ? Math.abs(each * amount) : each * amount)
  }, sign.base)

/** Chance of a tick: the hidden value under −1, between, or over 1. */
export function tickChance(model: Model, sign: TickSign, value: -1 | 0 | 1, amounts: Amounts): number {
  const own = model.ticks[sign]
  if (!own) return 1 / 3
  const hidden = shifted(own, amounts)
  const low = below((-1 - hidden) / own.noise),
    high = below((hidden - 1) / own.noise)
  // A slip of the tongue now and then.
  const chance = value < 0 ? low : value > 0 ? high : 1 - low - high
  return SLIP / 3 + (1 - SLIP) * Math.max(0, chance)
}
const SLIP = 0.04

export function figureAt(model: Model, sign: FigureSign, amounts: Amounts): number | null {
  const own = model.figures[sign]
  return own && shifted(own, amounts)
}

function logChance(model: Model, notes: readonly Notes[], amounts: Amounts): number {
  let sum = 0
  for (const { figures, ticks } of notes) {
    for (const sign of FIGURES) {
      const read = figures[sign],
        own = model.figures[sign]
      if (read === undefined || !own) continue
      const z = (read - shifted(own, amounts)) / own.noise
      // Heavier tails than a bell's: a figure that is mistyped does not convict anybody (Student, 5 degrees).
      sum += -3 * Math.log(1 + (z * z) / 5)
    }
    for (const sign of TICKS) {
      const read = ticks[sign]
      if (read !== undefined && model.ticks[sign]) sum += Math.log(tickChance(model, sign, read, amounts))
    }
  }
  return sum
}

interface Point {
  amounts: Amounts
  weight: number
}

/** Every hypothesis as points with their prior weight. */
function hypotheses(model: Model): Array<{ causes: Cause[]; points: Point[] }> {
  const { possible, spread } = model
  const pairs = possible.flatMap((a, i) => possible.slice(i + 1).map(b => [a, b] as const))
  return [
    { causes: [], points: [{ amounts: {}, weight: NONE }] },
    ...possible.map(cause => ({
      causes: [cause],
      points: ALONE.map(({ z, weight }) => ({
        amounts: { [cause]: z * spread[cause] },
        weight: (weight * ONE) / possible.length,
      })),
    })),
    ...pairs.map(([a, b]) => ({
      causes: [a, b],
      points: PAIRED.flatMap(x =>
        PAIRED.map(y => ({
          amounts: { [a]: x.z * spread[a], [b]: y.z * spread[b] },
          weight: (x.weight * y.weight * TWO) / pairs.length,
        })),
      ),
    })),
  ]
}

export function weigh(model: Model, notes: readonly Notes[]): Weighed {
  const all = hypotheses(model)
  const scored = all.map(({ causes, points }) => ({
    causes,
    points: points.map(point => ({
      ...point,
      log: Math.log(point.weight) + logChance(model, notes, point.amounts),
    })),
  }))
  const top = Math.max(...scored.flatMap(({ points }) => points.map(point => point.log)))
  let total = 0
  const weighed = scored.map(({ causes, points }) => {
    const own = points.map(({ amounts, log }) => ({ amounts, chance: Math.exp(log - top) }))
    const chance = own.reduce((sum, point) => sum + point.chance, 0)
    total += chance
    return { causes, points: own, chance }
  })
  const chances = weighed.map(item => item.chance / total)
  const causes = CAUSES.filter(cause => model.possible.includes(cause))
    .map(cause => momentsOf(cause, weighed, total))
    .sort((a, b) => b.chance - a.chance)
  return {
    causes,
    nothing: chances[0],
    certain: Math.max(...chances),
    tells: tells(
      model,
      notes,
      accused(
        weighed,
        causes.map(item => item.cause),
      ),
    ),
  }
}

type Scored = Array<{ causes: Cause[]; points: Array<{ amounts: Amounts; chance: number }>; chance: number }>

function momentsOf(cause: Cause, weighed: Scored, total: number) {
  let chance = 0,
    first = 0,
    second = 0
  for (const { causes, points } of weighed) {
    if (!causes.includes(cause)) continue
    for (const point of points) {
      const amount = point.amounts[cause]!
      chance += point.chance
      first += point.chance * amount
      second += point.chance * amount * amount
    }
  }
  const amount = chance > 0 ? first / chance : 0
  return {
    cause,
    chance: chance / total,
    amount,
    sigma: Math.sqrt(Math.max(0, (chance > 0 ? second / chance : 0) - amount ** 2)),
  }
}

const entropy = (chances: readonly number[]): number =>
  chances.reduce((sum, p) => (p > 1e-12 ? sum - p * Math.log2(p) : sum), 0)

/** Hypotheses gathered by which of the two that are accused most they hold: that is what is to be told apart. */
function accused(weighed: Scored, ranked: readonly Cause[]): Scored {
  const groups = new Map<string, Scored[number]>()
  for (const item of weighed) {
    const key = ranked
      .slice(0, 2)
      .map(cause => (item.causes.includes(cause) ? 'x' : '-'))
      .join('')
    const group = groups.get(key) ?? { causes: [], points: [], chance: 0 }
    groups.set(key, {
      causes: [],
      points: [...group.points, ...item.points],
      chance: group.chance + item.chance,
    })
  }
  return [...groups.values()]
}

/** What each sign that was not noted is expected to tell of those two. */
function tells(model: Model, notes: readonly Notes[], weighed: Scored): Weighed['tells'] {
  const total = weighed.reduce((sum, item) => sum + item.chance, 0)
  const noted = new Set(notes.flatMap(item => Object.keys(item.ticks)))
  const before = entropy(weighed.map(item => item.chance / total))
  return TICKS.filter(sign => model.ticks[sign] && !noted.has(sign))
    .map(sign => {
      let left = 0
      for (const value of [-1, 0, 1] as const) {
        const joint = weighed.map(({ points }) =>
          points.reduce(
            (sum, point) => sum + point.chance * tickChance(model, sign, value, point.amounts),
            0,
          ),
        )
        const seen = joint.reduce((sum, item) => sum + item, 0)
        if (seen > 0) left += (seen / total) * entropy(joint.map(item => item / seen))
      }
      return { sign, bits: Math.max(0, before - left) }
    })
    .sort((a, b) => b.bits - a.bits)
}
