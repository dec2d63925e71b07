/**
 * What aligns two pieces at a cut: pins, a tongue, a lip, bolts. Features for the piece below the cut and the
 * one above it. mm
 */
import { beadsThick, type Cut, type Joint, type Recipe } from '../document'
import { bodyHeights, bodySkinAt, type BodyLoft } from './body-loft'
import { add, boxOf, cut, fill, rectangle, sectionAt, type Feature } from './feature'
import { circle, insetVertices } from './polygon'
import { gapAt, outlineAt, planAt, type SurfaceLoft } from './surface-loft'
import { q, say, type Words } from '../units'

/** Pins of 3 mm, 20 mm long; a tongue of 2 mm plywood, 40 mm long; M3 bolts through bosses. */
export const PIN = { diameter: 3, length: 20, gramsEach: 0.23 }
export const TONGUE = { thickness: 2, length: 40, gramsPerMm2: 0.0007 }
/** Width of a tongue by its grams, mm. */
export const tongueWidth = (grams: number): number =>
  grams / (TONGUE.length * TONGUE.thickness * TONGUE.gramsPerMm2)
export const BOLT = { hole: 3.3, boss: 9, height: 8, gramsEach: 1.1 }
/**
 * A bolt that holds a wing, by its nominal diameter: hole a tenth wider, and the beam of solid plastic that
 * it pulls on. mm
 */
export const wingBolt = (diameterMm: number) => ({
  hole: 1.1 * diameterMm,
  boss: 3 * diameterMm,
  beam: (8 / 3) * diameterMm,
})
const LIP = { length: 6, collar: 8 }
/** Plastic kept round a hole, mm. */
const COVER = 0.6

export interface JointPlan {
  joint: Joint
  at: number
  /** For the piece that ends here (its top) and the one that begins here (its foot). */
  below: Feature[]
  above: Feature[]
  /** What stands proud of the piece below, mm. */
  proud: number
  /** Pins, tongue or bolts, of one side, g. */
  hardwareG: number
  /** Why what was asked for could not be made. */
  missing: Words | null
}

const plan = (joint: Joint, at: number, more: Partial<JointPlan> = {}): JointPlan => ({
  joint,
  at,
  below: [],
  above: [],
  proud: 0,
  hardwareG: 0,
  missing: null,
  ...more,
})
/**
 * Where ribs or a sheet stand on either side of a cut they are glued face to face, or held by the spars alone where it plugs:
 * nothing else finds room there.
 */
export const flatMeeting = (cut: Cut): JointPlan =>
  plan(
    cut.joint.kind === 'plug' ? cut.joint : { kind: 'butt', toleranceMm: cut.joint.toleranceMm },
    cut.atMm,
    {
      missing:
        cut.joint.kind === 'butt' || cut.joint.kind === 'plug'
          ? null
          : say`ribs and sheets meet flat, glued face to face, and have no room for ${cut.joint.kind} at ${q(cut.atMm, 'mm', 0)}`,
    },
  )
const both = (
  name: string,
  at: number,
  depth: number,
  outline: Float64Array,
): Pick<JointPlan, 'below' | 'above'> => ({
  below: [cut(name, at - depth, at + 1, outline, outline, true)],
  above: [cut(name, at - 1, at + depth, outline, outline, true)],
})

/**
 * Is a box (half width, half height) round (x, n) covered on both sides of the cut and clear of every feature
 * there?
 */
function clear(
  loft: SurfaceLoft,
  at: number,
  depth: number,
  x: number,
  n: number,
  halfX: number,
  halfN: number,
  features: readonly Feature[],
): boolean {
  for (const s of [Math.max(0, at - depth), at, Math.min(loft.span, at + depth)]) {
    const outline = outlineAt(loft, s)
    for (const place of [x - halfX, x, x + halfX]) {
      const gap = gapAt(outline, place)
      if (!gap || gap.upper - n < halfN + COVER || n - gap.lower < halfN + COVER) return false
    }
    for (const loop of sectionAt(outline, features, s).slice(1)) {
      const [x0, n0, x1, n1] = boxOf(loop)
      if (x + halfX + 1 > x0 && x - halfX - 1 < x1 && n + halfN + 1 > n0 && n - halfN - 1 < n1) return false
    }
  }
  return !features.some(
    feature =>
      !feature.inside &&
      at + depth > feature.from &&
      at - depth < feature.to &&
      boxOf(feature.a)[0] < x + halfX + 1 &&
      boxOf(feature.a)[2] > x - halfX - 1,
  )
}

/** Middle of the section at a share of the chord. */
function middleAt(loft: SurfaceLoft, at: number, share: number): { x: number; n: number } {
  const { lead, chord } = planAt(loft, at)
  const x = lead + share * chord,
    gap = gapAt(outlineAt(loft, at), x)
  return { x, n: gap ? (gap.lower + gap.upper) / 2 : 0 }
}

const SHARES = Array.from({ length: 32 }, (_, i) => 0.08 + 0.022 * i)

/** A joint in a wing, tailplane or fin. Lips and bolts want a hollow body; here they are named as missing. */
export function surfaceJoint(
  loft: SurfaceLoft,
  { atMm: at, joint }: Cut,
  features: readonly Feature[],
): JointPlan {
  if (joint.kind === 'butt') return plan(joint, at)
  if (joint.kind === 'plug' && loft.name !== 'wing')
    return plan(joint, at, { missing: 'only a wing plugs together: what would hold a tail is not reckoned' })
  if (joint.kind === 'pins' || joint.kind === 'plug') {
    const radius = (PIN.diameter + joint.toleranceMm) / 2,
      depth = PIN.length / 2 + 0.5
    const good = SHARES.map(share => middleAt(loft, at, share)).filter(({ x, n }) =>
      clear(loft, at, depth, x, n, radius, radius, features),
    )
    const first = good[0],
      last = good[good.length - 1]
    if (!first || last.x - first.x < 6 * radius)
      return plan(joint, at, { missing: say`no room for two ${q(PIN.diameter, 'mm')} pins` })
    const holes = [first, last].map(({ x, n }) => both('Pin', at, depth, circle(x, n, radius, false, 16)))
    return plan(joint, at, {
      below: holes.flatMap(hole => hole.below),
      above: holes.flatMap(hole => hole.above),
      hardwareG: 2 * PIN.gramsEach,
    })
  }
  if (joint.kind === 'tongue') {
    const halfN = TONGUE.thickness / 2 + joint.toleranceMm,
      depth = TONGUE.length / 2 + 0.5
    const { chord } = planAt(loft, at)
    for (const width of [0.24, 0.18, 0.12, 0.08]) {
      const halfX = (width * chord) / 2
      const place = SHARES.map(share => middleAt(loft, at, share)).find(({ x, n }) =>
        clear(loft, at, depth, x, n, halfX + joint.toleranceMm, halfN, features),
      )
      if (!place) continue
      const socket = rectangle(
        place.x - halfX - joint.toleranceMm,
        place.n - halfN,
        place.x + halfX + joint.toleranceMm,
        place.n + halfN,
      )
      return plan(joint, at, {
        ...both('Tongue', at, depth, socket),
        hardwareG: 2 * halfX * TONGUE.length * TONGUE.thickness * TONGUE.gramsPerMm2,
      })
    }
    return plan(joint, at, { missing: say`no room for a tongue of ${q(TONGUE.thickness, 'mm')}` })
  }
  return plan(joint, at, {
    missing: `${joint.kind === 'lip' ? 'a lip' : 'bolts'} want${joint.kind === 'lip' ? 's' : ''} a hollow body`,
  })
}

/** Thickness of a hollow body's shell, mm; null for schools that fill the section. */
export function shellThickness(recipe: Recipe): number | null {
  if (recipe.school === 'beads') return beadsThick(recipe, recipe.walls)
  if (recipe.school === 'double-skin' && recipe.skinGapMm) return recipe.skinGapMm + recipe.beadWidthMm
  return null
}

/** Thickness of a tube's wall, mm: where the school would fill it, its walls. */
export const openShell = (recipe: Recipe): number =>
  shellThickness(recipe) ?? beadsThick(recipe, recipe.walls)

/** Cavity of a body's shell with `thickness`, between two places, following its curves. */
export function cavity(
  loft: BodyLoft,
  from: number,
  to: number,
  thickness: number,
  thicknessTo = thickness,
  name = 'Cavity',
): Feature[] {
  const edges = bodyHeights(loft, from, to)
  const at = (x: number) =>
    insetVertices(bodySkinAt(loft, x), thickness + ((thicknessTo - thickness) * (x - from)) / (to - from))
  return edges.slice(1).map((end, i) => cut(name, edges[i], end, at(edges[i]), at(end), true))
}

/**
 * A joint in a body. `below` replaces the cavity under the cut where a lip narrows it: `cavityTo` says from
 * where.
 */
export function bodyJoint(
  loft: BodyLoft,
  { atMm: at, joint }: Cut,
  recipe: Recipe,
  recipeAbove: Recipe,
): JointPlan & { cavityTo: number } {
  const shell = shellThickness(recipe)
  const none = { ...plan(joint, at), cavityTo: at }
  if (joint.kind === 'butt') return none
  if (shell === null)
    return {
      ...none,
      missing: `${joint.kind === 'lip' ? 'a lip' : joint.kind} in a body want${joint.kind === 'lip' ? 's' : ''} a hollow school`,
    }
  if (joint.kind === 'lip') {
    // It slides into the next piece, whose shell may be thicker or thinner than this one's.
    const shellAbove = shellThickness(recipeAbove)
    if (shellAbove === null) return { ...none, missing: 'a lip wants a hollow school on both sides' }
    const outer = shellAbove + joint.toleranceMm,
      inner = Math.max(shell, outer) + 2 * recipe.beadWidthMm
    const { width, height } = loft.at(at)
    if (Math.min(width, height) < 4 * inner || at + LIP.length > loft.to)
      return { ...none, missing: 'the body is too small here for a lip' }
    const ringAt = (x: number, by: number) => insetVertices(bodySkinAt(loft, Math.min(x, loft.to)), by)
    return {
      ...none,
      cavityTo: at - LIP.collar,
      proud: LIP.length,
      below: [
        // Names of their own: the section is sampled anew where each begins.
        ...cavity(loft, at - LIP.collar, at - 3, shell, inner, 'Collar, widening'),
        ...cavity(loft, at - 3, at, inner, inner, 'Collar'),
        add('Lip', at, at + LIP.length, ringAt(at, outer), ringAt(at + LIP.length, outer)),
        cut('Lip', at, at + LIP.length + 1, ringAt(at, inner), ringAt(at + LIP.length + 1, inner)),
      ],
    }
  }
  if (joint.kind === 'tongue')
    return { ...none, missing: 'a tongue is for wings and tails; a lip or pins align a body' }
  if (joint.kind === 'plug')
    return { ...none, missing: 'only a wing plugs together; bolts hold a body that comes apart' }
  const pins = joint.kind === 'pins'
  const boss = pins ? PIN.diameter + 4 : BOLT.boss,
    hole = pins ? PIN.diameter + joint.toleranceMm : BOLT.hole,
    height = pins ? PIN.length / 2 + 0.5 : BOLT.height
  const centres = bossPlaces(loft, at, shell + boss / 2 - 1)
  return {
    ...none,
    hardwareG: 3 * (pins ? PIN.gramsEach : BOLT.gramsEach),
    below: centres.flatMap(([y, z]) => [
      fill('Boss', at - height, at, circle(y, z, boss / 2, false, 20)),
      cut(
        'Boss hole',
        at - height,
        at + 1,
        circle(y, z, hole / 2, false, 16),
        circle(y, z, hole / 2, false, 16),
      ),
    ]),
    above: centres.flatMap(([y, z]) => [
      fill('Boss', at, at + height, circle(y, z, boss / 2, false, 20)),
      cut(
        'Boss hole',
        at - 1,
        at + height,
        circle(y, z, hole / 2, false, 16),
        circle(y, z, hole / 2, false, 16),
      ),
    ]),
  }
}

/** Three places round the shell, `inside` mm from the skin. */
function bossPlaces(loft: BodyLoft, at: number, inside: number): Array<[number, number]> {
  const ring = insetVertices(bodySkinAt(loft, at), inside)
  const count = ring.length / 2
  return [0.25, 0.25 + 1 / 3, 0.25 + 2 / 3].map(turn => {
    const i = Math.round((turn % 1) * count) % count
    return [ring[2 * i], ring[2 * i + 1]]
  })
}
