/** The quantities of a design that add piece by piece, as one flat vector, and what follows from them. SI. */
import type { MassEntry } from '../../mass'
import { WHOLE_SPREAD } from '../../assessment/ledger'

/**
 * Where each quantity stands in the vector. Body sections have six each: Σm·|x − at|, Σm and Σm·z ahead of it, and
 * the same behind.
 */
export interface Layout {
  /** x of the body's sections, m. */
  body: readonly number[]
  bodyAt: number
  /** Filaments whose grams still to be printed are counted. */
  filaments: readonly string[]
  wantedAt: number
  /** So many of them decide; what follows is for spreads. */
  deciding: number
  /**
   * Names under which masses err together; two each: Σσ and Σσx. Then Σσ², Σσ²x, Σσ²x² of those that err
   * alone.
   */
  groups: readonly string[]
  groupsAt: number
  size: number
  /** What the tail's whip moves. */
  whips(entry: MassEntry): boolean
}

export const MASS = 0,
  MOMENT = 1,
  PRINTED = 2,
  PRINTED_MOMENT = 3,
  HOURS = 4,
  COST = 5,
  WHIP = 6,
  SOFT = 7,
  UNPRINTABLE = 8
const PRINTED_RISE = 9,
  BODY = 10,
  A_SIDE = 3
/** Numbers of a body's section in the vector. */
const A_SECTION = 2 * A_SIDE

export function layoutOf(
  body: readonly number[],
  filaments: readonly string[],
  groups: readonly string[],
  whips: Layout['whips'],
): Layout {
  const wantedAt = BODY + A_SECTION * body.length,
    deciding = wantedAt + filaments.length
  return {
    body,
    bodyAt: BODY,
    filaments,
    wantedAt,
    deciding,
    groups,
    groupsAt: deciding,
    size: deciding + 2 * groups.length + 3,
    whips,
  }
}

/** Adds one entry of the ledger; a port piece counts like any other. */
export function addEntry(sums: Float64Array, layout: Layout, entry: MassEntry): void {
  const { mass, x, z, sigma, common, group } = entry
  sums[MASS] += mass
  sums[MOMENT] += mass * x
  if (group === 'printed') {
    sums[PRINTED] += mass
    sums[PRINTED_MOMENT] += mass * x
    sums[PRINTED_RISE] += mass * z
  }
  if (layout.whips(entry)) sums[WHIP] += mass
  addBeyond(sums, layout, mass, x, z)
  const at = common === null ? -1 : layout.groups.indexOf(common)
  if (at >= 0) {
    sums[layout.groupsAt + 2 * at] += sigma
    sums[layout.groupsAt + 2 * at + 1] += sigma * x
  } else addAlone(sums, layout, sigma, x)
}

function addBeyond(sums: Float64Array, { body, bodyAt }: Layout, mass: number, x: number, z: number): void {
  for (let j = 0; j < body.length; j++) {
    if (x === body[j]) continue
    const at = sideAt(bodyAt, j, x < body[j])
    sums[at] += mass * Math.abs(x - body[j])
    sums[at + 1] += mass
    sums[at + 2] += mass * z
  }
}

const sideAt = (bodyAt: number, j: number, ahead: boolean): number =>
  bodyAt + A_SECTION * j + (ahead ? 0 : A_SIDE)

/** What lies ahead of a body's section, or behind it, kg and m: `Σm·|x − at|`, `Σm` and `Σm·z`. */
export function readBeyond(
  sums: Float64Array,
  { bodyAt }: Layout,
  j: number,
  ahead: boolean,
  out: { moment: number; mass: number; rise: number },
): void {
  const at = sideAt(bodyAt, j, ahead)
  out.moment = sums[at]
  out.mass = sums[at + 1]
  out.rise = sums[at + 2]
}

function addAlone(sums: Float64Array, { size }: Layout, sigma: number, x: number): void {
  const square = sigma * sigma
  sums[size - 3] += square
  sums[size - 2] += square * x
  sums[size - 1] += square * x * x
}

/**
 * Glue is a share of all that is printed, and lies in its middle: it is put in once everything else is
 * summed.
 */
export function addGlue(sums: Float64Array, layout: Layout, share: number): void {
  const printed = sums[PRINTED]
  if (!(printed > 0) || share <= 0) return
  const x = sums[PRINTED_MOMENT] / printed,
    mass = share * printed
  sums[MASS] += mass
  sums[MOMENT] += mass * x
  addBeyond(sums, layout, mass, x, sums[PRINTED_RISE] / printed)
  if (sums.length >= layout.size) addAlone(sums, layout, WHOLE_SPREAD * mass, x)
}

/**
 * One standard deviation of mass (kg) and of the centre's x (m), and their correlation, from a whole vector
 * with the glue in.
 */
export function spreadOf(
  sums: Float64Array,
  { groups, groupsAt, size }: Layout,
): { mass: number; x: number; correlation: number } {
  const mass = sums[MASS],
    cg = sums[MOMENT] / mass
  const [s0, s1, s2] = [sums[size - 3], sums[size - 2], sums[size - 1]]
  let massVariance = s0,
    xVariance = (s2 - 2 * cg * s1 + cg * cg * s0) / (mass * mass),
    shared = (s1 - cg * s0) / mass
  for (let g = 0; g < groups.length; g++) {
    const sigma = sums[groupsAt + 2 * g],
      moment = (sums[groupsAt + 2 * g + 1] - cg * sigma) / mass
    massVariance += sigma * sigma
    xVariance += moment * moment
    shared += sigma * moment
  }
  const m = Math.sqrt(massVariance),
    x = Math.sqrt(Math.max(0, xVariance))
  return { mass: m, x, correlation: m > 0 && x > 0 ? Math.max(-1, Math.min(1, shared / (m * x))) : 0 }
}
