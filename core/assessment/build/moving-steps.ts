/** Moving surfaces: whole, with their horn, on their hinges. */
import { placePoint, planAt, type Piece } from '../../geometry'
import { q, say } from '../../units'
import type { Moving, Site } from './site'
import type { BuildStep } from './step'
import { MINUTES, step, sideSign, middleOf, rim } from './step-kit'

const HINGE_NAMES = {
  'bought-strip': 'strip hinges',
  'printed-strip': 'printed hinges',
  pins: 'pin hinges',
  tape: 'hinge tape',
}

export function movingSteps(site: Site, moving: Moving): BuildStep[] {
  const { chain, control, hinged, pieces, joined } = moving
  const key = `${chain.part}.${chain.side}.${control.piece}`
  const subject = { surface: chain.part as 'wing', side: chain.side, control: control.piece }
  const label =
    chain.side === 'centre' ? control.name.toLowerCase() : `${chain.side} ${control.name.toLowerCase()}`
  const loft = site.airframe.surfaces[chain.part as 'wing']!
  const s = (hinged.from + hinged.to) / 2
  const at = placePoint(loft, hinged.hingeAt(s), planAt(loft, s).n, s, chain.side === 'port' ? -1 : 1)
  const joins = pieces.slice(1).map((outer, i) =>
    step({
      id: `join.${key}.${pieces[i].id}+${outer.id}`,
      kind: 'join',
      bench: chain.bench,
      subject,
      title: say`Glue ${outer.name} to ${pieces[i].name}`,
      how: ['Upper side down on a flat table, the edges against a ruler.', 'Wipe off what squeezes out.'],
      touches: [pieces[i].id, outer.id],
      joins: [[pieces[i].id, outer.id] as const],
      at: () => middleOf(outer),
      from: [60, 60 * sideSign(chain.side), 0],
      glue: 'joints',
      glueMm: () => rim(outer, outer.from),
      minutes: MINUTES.join,
      hand: ['ruler', 'flat table'],
    }),
  )
  const fixed = chain.pieces.slice(moving.along[0], moving.along[1] + 1)
  const { kind, count } = control.hinge
  const horn =
    control.linkage && !(joined && chain.side === 'port')
      ? [
          step({
            id: `horn.${key}`,
            kind: 'horn',
            bench: chain.bench,
            subject,
            title: say`Horn on the ${label}`,
            how: [
              say`Its hole stands over the hinge line, ${q(control.linkage.hornMm, 'mm', 1)} from it.`,
              'Scuff, glue or screw it, and the nut on the other skin while that is still in reach.',
              ...(joined
                ? ['A bent wire joins both halves: try it dry in its holes before either is hinged.']
                : []),
            ],
            touches: pieces.map(piece => piece.id),
            parts: [],
            at: () => at,
            from: [0, 0, -60],
            glue: 'spars',
            glueMm: () => 40,
            minutes: MINUTES.horn,
            hand: ['horn', 'drill of the size of the clevis pin', ...(joined ? ['joiner of 2 mm wire'] : [])],
          }),
        ]
      : []
  const hinge = step({
    id: `hinge.${key}`,
    kind: 'hinge',
    bench: chain.bench,
    subject,
    title: say`Hinge the ${label}`,
    how:
      kind === 'tape'
        ? [
            'Turn it hard down, tape along the upper skin, press it into the gap; then a strip underneath at the ends.',
            'It falls of its own weight through its whole throw.',
          ]
        : [
            say`${count} ${HINGE_NAMES[kind]}: a pin through each as a stop, half into the wing first, dry.`,
            'One drop each side, wicked in from above and below; work it to and fro before it sets.',
            'It falls of its own weight through its whole throw.',
          ],
    touches: [...pieces, ...fixed].map(piece => piece.id),
    joins: pieces.map(piece => [nearestFixed(piece, fixed).id, piece.id] as const),
    at: () => at,
    from: [90, 0, 0],
    glue: kind === 'tape' ? null : 'hinges',
    glueMm: () => (kind === 'tape' ? 0 : 40 * count),
    minutes: kind === 'tape' ? MINUTES.tape : MINUTES.hinges + MINUTES.hinge * count,
    gate: 'hinges free',
    hand: [
      kind === 'tape'
        ? say`${q(hinged.to - hinged.from, 'mm', 0)} of hinge tape`
        : say`${count} ${HINGE_NAMES[kind]}`,
    ],
  })
  return [...joins, ...horn, hinge]
}

const nearestFixed = (piece: Piece, fixed: readonly Piece[]): Piece =>
  fixed.find(item => (piece.from + piece.to) / 2 < item.to) ?? fixed[fixed.length - 1]
