/**
 * What struts take of the load on wings, by how wings and struts give: a beam held at its root and propped where
 * struts meet it. SI.
 *
 * Wings give in bending alone, struts along themselves alone, with joints at both ends that turn; what a strut pulls a
 * wing inward by presses it. One that stands on one side only is not counted on, nor is its push on the body.
 */
import { factorise, solve } from '../../aero'
import { stockArea, stockInertia, stockInertiaAcross } from '../../libraries'
import { lineAt, type SpanPoint } from '../../structure'
import { mmToM, q, say } from '../../units'
import type { PlaceReport } from '../report'
import type { Designed, StandingStrut } from '../resolve'
import type { WingBearing } from './wing-bearing'
import type { WingCase } from './wing-cases'
import type { UnitLoads, WingLoads } from './wing-loads'

export interface Braced {
  bears: WingBearing
  along: WingLoads
}

/** Pull in a strut, N: for 1 g of lift, and for 1 g of the wings' own weight taken upward. */
export interface StrutPull {
  standing: StandingStrut
  lift: number
  weight: number
}

interface Foot {
  wing: number
  /** m */
  s: number
  x: number
}

interface Member {
  standing: StandingStrut
  /** m, and N by strain: of a single one in the middle half, for half a wing. */
  length: number
  stiff: number
  /** Direction from its first end to its second: up, and to starboard. */
  up: number
  out: number
  feet: readonly [Foot | null, Foot | null]
  /** What one half of the aircraft has of it. */
  share: number
}

/** A strut in the middle stands no further from it than this, m. */
const MIDDLE = 0.005
/** A wing that nothing holds upright but level struts hangs on nothing. */
const LEAST_UP = 0.05

/** The same wings with what struts take off them; `held` says whether a wing's root is held by body or boom. */
export function braced(
  struts: readonly StandingStrut[],
  wings: readonly Braced[],
  held: (wing: number) => boolean,
): { along: WingLoads[]; pulls: StrutPull[] } {
  const members = struts.flatMap(standing => memberOf(standing, wings))
  if (members.length === 0) return { along: wings.map(wing => wing.along), pulls: [] }
  const solver = createSolver(members, wings, held)
  const pulls = {
    lift: solver(wings.map(wing => wing.along.lift)),
    weight: solver(wings.map(wing => wing.along.weight)),
  }
  return {
    along: wings.map(({ along }, w) => ({
      ...along,
      lift: propped(along.lift, wings[w], members, pulls.lift, w),
      weight: propped(along.weight, wings[w], members, pulls.weight, w),
    })),
    pulls: members.map(({ standing, share }, k) => ({
      standing,
      lift: pulls.lift[k] / share,
      weight: pulls.weight[k] / share,
    })),
  }
}

function memberOf(standing: StandingStrut, wings: readonly Braced[]): Member[] {
  const { strut, stock, ends, lengthMm } = standing
  const middle = ends.every(([, y]) => Math.abs(mmToM(y)) <= MIDDLE)
  if (!strut.pair && !middle) return []
  const feet = standing.feet.map((foot, end): Foot | null => {
    const wing = foot ? wings.findIndex(({ bears }) => bears.loft.name === foot.surface) : -1
    return foot && wing >= 0 ? { wing, s: mmToM(foot.s), x: mmToM(ends[end][0]) } : null
  })
  if (feet.every(foot => foot === null)) return []
  const share = strut.pair ? 1 : 0.5,
    along = (axis: number) => (ends[1][axis] - ends[0][axis]) / lengthMm
  return [
    {
      standing,
      length: mmToM(lengthMm),
      stiff: share * stock.modulus * stockArea(stock),
      up: along(2),
      out: along(1),
      feet: [feet[0], feet[1]],
      share,
    },
  ]
}

/** Upward force on a wing at an end, for a newton of pull. */
const lifts = ({ up }: Member, end: number): number => (end === 0 ? up : -up)

/** Places at which a beam's bending is added up. */
const STEPS = 80

/** Pull in every member for loads on the wings, taken upward. */
function createSolver(
  members: readonly Member[],
  wings: readonly Braced[],
  held: (wing: number) => boolean,
): (loads: readonly UnitLoads[]) => Float64Array {
  const EI = wings.map(({ bears }) =>
    bears.places.map((s, i): SpanPoint => ({ s, value: Math.max(1e-6, bears.builds[i].shear.bending.EIx) })),
  )
  const bent = (wing: number, to: number, moment: (s: number) => number, arm: (s: number) => number) => {
    const step = to / STEPS
    let sum = 0
    for (let i = 0; i < STEPS; i++) {
      const s = (i + 0.5) * step
      sum += (moment(s) * arm(s) * step) / lineAt(EI[wing], s)
    }
    return sum
  }
  /** Rise at one place for a newton up at another. */
  const rise = (wing: number, at: number, by: number) =>
    bent(
      wing,
      Math.min(at, by),
      s => by - s,
      s => at - s,
    )
  // A wing that nothing but struts holds may rise as a whole.
  const free = wings.flatMap((_, wing) => {
    // One that goes from a wing to the same wing holds nothing of it.
    const upright = members.reduce(
      (sum, member) =>
        sum +
        Math.abs(
          member.feet.reduce((net, foot, end) => net + (foot?.wing === wing ? lifts(member, end) : 0), 0),
        ),
      0,
    )
    return !held(wing) && upright > LEAST_UP ? [wing] : []
  })
  const size = members.length + free.length
  const matrix = new Float64Array(size * size)
  members.forEach((row, k) => {
    // Its stretch is what its ends part by: L·T/EA − up·(rise of the second − rise of the first) = 0.
    matrix[k * size + k] += row.length / row.stiff
    row.feet.forEach((foot, end) => {
      if (!foot) return
      const sign = lifts(row, end)
      members.forEach((other, j) =>
        other.feet.forEach((prop, otherEnd) => {
          if (prop?.wing !== foot.wing) return
          matrix[k * size + j] += sign * lifts(other, otherEnd) * rise(foot.wing, foot.s, prop.s)
        }),
      )
      const own = free.indexOf(foot.wing)
      if (own < 0) return
      matrix[k * size + members.length + own] += sign
      matrix[(members.length + own) * size + k] += sign
    })
  })
  const factorised = factorise(matrix, size)
  return loads => {
    const right = new Float64Array(size)
    members.forEach((row, k) =>
      row.feet.forEach((foot, end) => {
        if (!foot) return
        const { places } = wings[foot.wing].along,
          { moment } = loads[foot.wing],
          points = places.map((s, i): SpanPoint => ({ s, value: moment[i] }))
        right[k] -=
          lifts(row, end) *
          bent(
            foot.wing,
            foot.s,
            s => lineAt(points, s),
            s => foot.s - s,
          )
      }),
    )
    free.forEach((wing, i) => {
      right[members.length + i] = -loads[wing].shear[0]
    })
    return solve(factorised, right).subarray(0, members.length)
  }
}

/** Half the height of the section at a station, m. */
function halfHeight({ sections }: WingBearing, i: number): number {
  const { outline } = sections[i]
  let low = Infinity,
    high = -Infinity
  for (let k = 1; k < outline.length; k += 2) {
    low = Math.min(low, outline[k])
    high = Math.max(high, outline[k])
  }
  return mmToM((high - low) / 2)
}

/** What is left to a wing of unit loads, with the struts' pulls on it. */
function propped(
  load: UnitLoads,
  { along: { places }, bears }: Braced,
  members: readonly Member[],
  pulls: Float64Array,
  wing: number,
): UnitLoads {
  const left: UnitLoads = {
    shear: Float64Array.from(load.shear),
    moment: Float64Array.from(load.moment),
    turning: Float64Array.from(load.turning),
    pressed: new Float64Array(places.length),
  }
  members.forEach((member, k) =>
    member.feet.forEach((foot, end) => {
      if (foot?.wing !== wing) return
      const sign = end === 0 ? 1 : -1,
        force = sign * pulls[k] * member.up,
        inward = -sign * pulls[k] * member.out
      places.forEach((s, i) => {
        if (s > foot.s) return
        left.shear[i] += force
        left.moment[i] += force * (foot.s - s)
        left.turning[i] -= force * foot.x
        // At the skin, half the section away: σ = N/A against M·(h/2)/I with I ≈ A·(h/2)².
        left.pressed![i] += inward * halfHeight(bears, i)
      })
    }),
  )
  return left
}

/** Each strut where it bears least: pulled by what its material holds, pressed until it bows (Euler, ends that turn). */
export function strutPlaces(
  { doc }: Designed,
  pulls: readonly StrutPull[],
  cases: readonly WingCase[],
): PlaceReport[] {
  const safety = doc.brief.safetyFactor
  return pulls.map(({ standing, lift, weight }): PlaceReport => {
    const { strut, stock, lengthMm, ends } = standing
    const length = mmToM(lengthMm),
      crushed = stock.strength * stockArea(stock),
      bows =
        (Math.PI ** 2 * stock.modulus * Math.min(stockInertia(stock), stockInertiaAcross(stock))) /
        length ** 2
    const all = cases.map(({ label, flying }) => {
      const pull = flying.lift * lift - flying.weight * weight,
        bears = pull >= 0 ? crushed : Math.min(crushed, bows)
      return { label, pull, reserve: bears / Math.max(1e-9, safety * Math.abs(pull)) }
    })
    const least = all.reduce((a, b) => (b.reserve < a.reserve ? b : a)),
      pulled = least.pull >= 0
    const mode = pulled ? 'strut pulled apart' : bows < crushed ? 'strut bows out' : 'strut crushed'
    return {
      id: `strut-${strut.id}`,
      part: 'strut',
      label: strut.name,
      xMm: (ends[0][0] + ends[1][0]) / 2,
      mode,
      gives: 'stock',
      case: least.label,
      reserve: Math.min(1e4, least.reserve),
      words: say`${q(Math.abs(least.pull), 'N', 1)} of ${pulled ? 'pull' : 'push'} × ${safety} over ${q(lengthMm, 'mm', 0)}; that both its ends hold as much is taken for granted`,
      remedy: pulled ? 'a stronger stock' : 'a thicker stock, or a shorter strut',
      subject: strut.id,
    }
  })
}
