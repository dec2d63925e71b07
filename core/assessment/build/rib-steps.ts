/** Ribs: threaded on their spars between two cuts, all at once, and covered with film. */
import type { Piece } from '../../geometry'
import { coveredStretches, LAPS } from '../resolve'
import { q, say, type Words } from '../../units'
import type { Chain, Site } from './site'
import type { BuildStep } from './step'
import { MINUTES, middleOf, named, sideSign, step } from './step-kit'

/** Index of the last piece of the same stretch of ribs as the i-th; i itself for a shell. */
export function stretchEnd(pieces: readonly Piece[], i: number): number {
  let last = i
  while (pieces[i].ribOf !== null && pieces[last + 1]?.ribOf === pieces[i].ribOf) last++
  return last
}

/** The ribs from `first` to `last` of a chain become one frame. */
export function threadStep(chain: Chain, first: number, last: number): BuildStep {
  const ribs = chain.pieces.slice(first, last + 1)
  const pairs = ribs.slice(1).map((outer, i) => [ribs[i].id, outer.id] as const)
  return step({
    id: `join.${chain.part}.${chain.side}.${ribs[0].id}+${ribs.at(-1)!.id}`,
    kind: 'join',
    bench: chain.bench,
    subject: { surface: chain.part as 'wing', side: chain.side, joint: first, jointTo: last - 1 },
    title: say`Thread ${ribs.length} ribs of the ${named(chain)}, ${ribs[0].mark} to ${ribs.at(-1)!.mark}`,
    how: [
      'Over a full-size plan under foil: every rib on its line, square to it, on all its spars, before any glue.',
      'Edges last: rods or strips into their places at nose and tail of every rib; sight along them.',
      'A drop at every crossing, from above and from below; weight it down until it has set.',
    ],
    touches: ribs.map(rib => rib.id),
    joins: pairs,
    at: () => middleOf(ribs[Math.floor(ribs.length / 2)]),
    from: [0, 140 * sideSign(chain.side), 0],
    glue: 'joints',
    glueMm: () => GLUE_OF_RIB * ribs.length,
    minutes: MINUTES.join + MINUTES.rib * ribs.length,
    hand: ['plan at full size (Build, flat parts)', 'square', 'weights or pins'],
  })
}
/** Round the bores of a rib, mm. */
const GLUE_OF_RIB = 60

/** The iron burns, and prints go soft under it; what is not ironed is stuck or doped. */
function filmCaution(ironC: number | null, solvent: boolean, softeningC: number): Words | null {
  if (ironC !== null)
    return say`The iron has ${q(ironC, '°C', 0)} and burns skin; the ribs go soft at ${q(softeningC, '°C', 0)}: touch it to the film over edges only, on and off, and tighten what lies between with warm air from a distance.`
  return solvent
    ? 'Contact glue and dope give off solvent: open air or a strong draught, no flame, gloves; try them on a spare rib, for some eat plastic.'
    : null
}

/** A half of a surface is covered at once, from below first. */
export function coverSteps(site: Site, chain: Chain): BuildStep[] {
  const own = chain.pieces.filter(piece => piece.ribOf !== null)
  if (own.length === 0) return []
  const { airframe } = site
  const stretches = new Set(own.map(piece => piece.ribOf))
  const covered = coveredStretches(airframe).filter(item => stretches.has(item.stretch))
  const films = [...new Map(covered.map(({ film }) => [film.id, film])).values()]
  const hottest = films.reduce((a, b) => ((b.ironC ?? 0) > (a.ironC ?? 0) ? b : a))
  const dm2 = 100 * covered.reduce((sum, item) => sum + item.area, 0)
  const softeningC = Math.min(...own.map(piece => airframe.filamentOf(piece.zone).softeningC))
  return [
    step({
      id: `cover.${chain.part}.${chain.side}`,
      kind: 'cover',
      bench: chain.bench,
      subject: { surface: chain.part as 'wing', side: chain.side },
      title: say`Cover the ${named(chain)} with film`,
      how: [
        say`${films.map(film => film.name).join(' and ')}: ${q(dm2 * (1 + LAPS), 'dm²', 0)} with its laps. Edges and ribs sanded smooth and wiped first: every bead shows.`,
        'Underside first, then the upper side over its edges. Tack the corners, then the edges, pull from the middle outward.',
        'Tighten both sides in turn, little by little, and sight along the edges: film that pulls on one side twists the wing. Twist that is wanted is set now, held while the film is tightened.',
      ],
      touches: own.map(piece => piece.id),
      at: () => middleOf(own[Math.floor(own.length / 2)]),
      from: [0, 0, 120],
      minutes: MINUTES.cover + MINUTES.coverDm2 * dm2,
      caution: filmCaution(
        hottest.ironC,
        films.some(film => film.solvent),
        softeningC,
      ),
      hand: [
        ...films.map(film => film.name),
        hottest.ironC === null ? 'brush' : 'covering iron, with its temperature measured',
        'new blade',
      ],
    }),
  ]
}
