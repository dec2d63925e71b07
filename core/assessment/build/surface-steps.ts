/** Halves of wings and tails: laid out, tried dry, spars in, joint by joint. */
import { type Joint, type SurfaceName, SURFACE_NAMES } from '../../document'
import type { Piece } from '../../geometry'
import { q, say, type Words } from '../../units'
import { coverSteps, stretchEnd, threadStep } from './rib-steps'
import { cuttingSheets, foldSteps } from './sheet-steps'
import type { Chain, LaidSpar, Site } from './site'
import { BENCHES, type Bench, type BuildStep, type Side } from './step'
import { MINUTES, step, cutCaution, sideSign, centreOf, middleOf, rim, named, nameOf } from './step-kit'

export function weighing(site: Site): BuildStep[] {
  const pieces = new Map<Bench, Piece[]>()
  const benchOf = new Map(
    site.chains.flatMap(chain => chain.pieces.map(piece => [piece.id, chain.bench] as const)),
  )
  for (const { chain, pieces: own } of site.moving)
    for (const piece of own) benchOf.set(piece.id, chain.bench)
  for (const piece of site.airframe.pieces) {
    const bench = benchOf.get(piece.id) ?? (piece.kind === 'lid' && piece.part === 'body' ? 'body' : 'whole')
    pieces.set(bench, [...(pieces.get(bench) ?? []), piece])
  }
  return [...pieces].map(([bench, own]) =>
    step({
      id: `weigh.${bench}`,
      kind: 'weigh',
      bench,
      title: say`Lay out the ${own.length} pieces of ${bench === 'whole' ? 'the aircraft' : `the ${BENCHES[bench].toLowerCase()}`}`,
      how: [
        ...cuttingSheets(own),
        'Break brims off, open bores and slots, write the mark inside.',
        'Weigh each one at Weigh: what is glued in is not weighed again.',
      ],
      at: () => middleOf(own[0]),
      minutes: MINUTES.weighPiece * own.length,
      gate: 'weighed',
      hand: ['scale', 'knife', say`drill for the bores of the spars`],
    }),
  )
}

/** Joints that are never glued. */
const DRY: ReadonlyArray<Joint['kind']> = ['bolts', 'plug']

const pinned: Record<Joint['kind'], Words> = {
  butt: 'No pin aligns it: sight it along the edges and hold it.',
  pins: 'Pins first into one piece, dry into the other; then glue.',
  tongue: 'The tongue goes to half its length into one piece first.',
  lip: 'Turn the lip in until the seams meet.',
  bolts: 'Bolts finger-tight first, square it, then a quarter turn; no thread-lock that eats plastic.',
  plug: 'Pins are glued into the inner piece alone; spars slide, none is glued over the joint. At the field a turn of tape keeps it shut.',
}

export function chainSteps(site: Site, chain: Chain): BuildStep[] {
  const { pieces, bench } = chain
  const spars = site.spars.filter(item => item.chain === chain)
  const key = `${chain.part}.${chain.side}`
  const subject = { surface: chain.part as 'wing', side: chain.side }
  const dry =
    pieces.length > 1 || spars.length > 0
      ? [
          step({
            id: `dry.${key}`,
            kind: 'dry-fit',
            bench,
            subject,
            title: say`Try the ${named(chain)} together dry`,
            how: [
              say`All ${pieces.length} pieces on their spars, no glue: every joint closes, no bore binds.`,
              'Sight along the leading edge: no kink, the twist as drawn.',
            ],
            at: () => middleOf(pieces[Math.floor(pieces.length / 2)]),
            minutes: MINUTES.dry + MINUTES.dryPiece * pieces.length,
            gate: 'dry fit',
            caution: spars.map(({ line }) => cutCaution(line.stock)).find(text => text !== null) ?? null,
            hand: ['round file', 'fine sandpaper on a block'],
          }),
        ]
      : []
  return [...dry, ...joinSteps(chain), ...coverSteps(site, chain), ...foldSteps(site, chain)]
}

/** A chain of pieces, or those of a pod. */
type Joined = Omit<Chain, 'part'> & { part: Chain['part'] | `pod-${number}` }

const SURFACES: readonly string[] = SURFACE_NAMES

export function joinSteps(chain: Joined): BuildStep[] {
  const { pieces } = chain
  return pieces.slice(1).flatMap((outer, i) => {
    const inner = pieces[i]
    if (inner.ribOf !== null && inner.ribOf === outer.ribOf) {
      const begins = i === 0 || pieces[i - 1].ribOf !== inner.ribOf
      return begins ? [threadStep(chain as Chain, i, stretchEnd(pieces, i))] : []
    }
    const kind = inner.joints.head?.kind ?? 'butt'
    // Along its axis, as seen from the middle of the aircraft.
    const [a, b] = [outer.place(0, 0, outer.to), outer.place(0, 0, outer.from)]
    const length = Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]) || 1
    const out = a.map((v, k) => (110 * (v - b[k])) / length) as [number, number, number]
    return step({
      id: `join.${chain.part}.${chain.side}.${inner.id}+${outer.id}`,
      kind: 'join',
      bench: chain.bench,
      subject: {
        ...(SURFACES.includes(chain.part) ? { surface: chain.part as SurfaceName } : {}),
        side: chain.side,
        joint: i,
      },
      title: say`${DRY.includes(kind) ? 'Fit' : 'Glue'} ${outer.name} to ${inner.name}`,
      how: [
        pinned[kind],
        DRY.includes(kind)
          ? 'On and off three times: it must neither bind nor rattle.'
          : 'Wipe off what squeezes out before it sets.',
      ],
      touches: [inner.id, outer.id],
      joins: [[inner.id, outer.id]],
      at: () => inner.place(...centreOf(inner, inner.to), inner.to),
      from: out,
      glue: DRY.includes(kind) ? null : 'joints',
      glueMm: () => (DRY.includes(kind) ? 0 : rim(outer, outer.from)),
      minutes: MINUTES.join,
      hand: ['masking tape', 'cloth'],
    })
  })
}

export function sparSteps({ chain, line, runs }: LaidSpar): BuildStep[] {
  const { spar, stock } = line
  const through = spar.through && chain.side !== 'centre'
  // A spar through both halves is laid where they meet, and one that comes out is never glued.
  if (through) return []
  const loose = spar.fixing === 'removable'
  const held = runs ? chain.pieces.slice(runs[0], runs[1] + 1) : []
  const [first] = held
  const middle = (line.from + line.to) / 2
  const { x, n } = line.at(middle)
  return [
    step({
      id: `spar.${chain.part}.${chain.side}.${spar.id}`,
      kind: 'spar',
      bench: chain.bench,
      subject: { surface: chain.part as 'wing', side: chain.side, spar: spar.id },
      title: say`${loose ? 'Push' : 'Glue'} ${nameOf(spar.name)} ${first ? say`into ${first.name}` : 'in'}`,
      how: [
        say`${stock.name}, cut to ${q(line.to - line.from, 'mm', 0)}: scuff it over its length, wipe it with alcohol.`,
        loose
          ? 'It comes out again: no glue, and a stop at its outer end.'
          : `Turn it as it goes in, so that the glue lies all round${held.length > 1 ? '; the next pieces slide on to it' : ''}.`,
      ],
      touches: first ? [first.id] : [],
      parts: [partId(spar.id, chain.side)],
      at: () => (first ? first.place(x, n, Math.min(first.to, Math.max(first.from, middle))) : [x, 0, n]),
      from: chain.part === 'vertical' ? [0, 0, 140] : [0, 140 * sideSign(chain.side), 0],
      glue: loose ? null : 'spars',
      // In a shell along all of it; in ribs where they are.
      glueMm: () => (loose ? 0 : held.reduce((sum, piece) => sum + inside(line, piece), 0)),
      minutes: MINUTES.spar,
      caution: cutCaution(stock),
      hand: [say`${stock.name}, ${q(line.to - line.from, 'mm', 0)}`, 'fine sandpaper', 'alcohol'],
    }),
  ]
}

const inside = (line: { from: number; to: number }, piece: { from: number; to: number }) =>
  Math.max(0, Math.min(line.to, piece.to) - Math.max(line.from, piece.from))

const partId = (id: string, side: Side) => (side === 'port' ? `${id}-port` : id)
