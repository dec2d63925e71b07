/** The big parts set to one another: halves, wing on the body, tail against the wing. */
import { surfaceOf } from '../../document'
import type { SurfaceLoft } from '../../geometry'
import { listed, q, say, type Words } from '../../units'
import { tailComesOff, tailParts, tailPushedIn } from '../resolve'
import type { Site } from './site'
import type { BuildStep } from './step'
import { MINUTES, step, cutCaution, middleOf, rim } from './step-kit'

export const wingSteps = (site: Site): BuildStep[] =>
  (['wing', 'second'] as const).flatMap(name => {
    const loft = site.airframe.surfaces[name]
    return loft ? wingOn(site, name, loft) : []
  })

/** Halves joined, and the wing on the body; ids of a second one carry its name. */
function wingOn(site: Site, surface: 'wing' | 'second', loft: SurfaceLoft): BuildStep[] {
  const { doc, body } = site
  const first = surface === 'wing',
    own = first ? '' : '.second',
    called = first ? 'wing' : loft.label.toLowerCase()
  const halves = site.chains.filter(chain => chain.part === surface && chain.side !== 'centre')
  const through = site.spars.filter(
    ({ chain, line }) => chain.part === surface && line.spar.through && chain.side === 'starboard',
  )
  const plugged = through.filter(({ line }) => line.spar.fixing === 'removable')
  const root = loft.stations[0],
    drawn = surfaceOf(doc, surface)!
  const at: [number, number, number] = [root.lead + root.chord / 2, 0, loft.origin[2]]
  const steps: BuildStep[] = []
  if (halves.length === 2) {
    if (through.length)
      steps.push(
        step({
          id: `dry.joiner${own}`,
          kind: 'dry-fit',
          bench: 'whole',
          subject: { surface },
          title: say`${through.length === 1 ? 'Joiner' : `${through.length} joiners`} dry into both halves${first ? '' : ` of the ${called}`} at once`,
          how: [
            'Each half on its own may fit and the two not: push them together whole.',
            say`Both tips equally high over the table: the dihedral is ${q(drawn.panels[0].dihedralDeg, '°', 1)} a side.`,
          ],
          touches: halves.map(chain => chain.pieces[0].id),
          parts: through.map(({ line }) => line.spar.id),
          at: () => at,
          minutes: MINUTES.halves / 2 + 2,
          gate: 'dry fit',
          caution: through.map(({ line }) => cutCaution(line.stock)).find(text => text !== null) ?? null,
          hand: through.map(({ line }) => say`${line.stock.name}, ${q(2 * line.to, 'mm', 0)}`),
        }),
      )
    if (!plugged.length)
      steps.push(
        step({
          id: `halves${own}`,
          kind: 'halves',
          bench: 'whole',
          subject: { surface },
          title: say`Join the halves of the ${called}`,
          how: [
            'One half flat on the table, the other tip propped to twice the dihedral; root faces closed all round.',
            'Look from ahead and from behind before it sets.',
          ],
          touches: halves.map(chain => chain.pieces[0].id),
          joins: [[halves[0].pieces[0].id, halves[1].pieces[0].id]],
          parts: through.map(({ line }) => line.spar.id),
          at: () => at,
          from: [0, -120, 0],
          glue: 'spars',
          glueMm: () =>
            rim(halves[0].pieces[0], halves[0].pieces[0].from) +
            through.reduce((sum, { line }) => sum + 2 * line.to, 0),
          minutes: MINUTES.halves,
          hand: ['blocks to prop a tip', 'weights'],
        }),
      )
  }
  const under = (body?.pieces ?? [])
    .filter(piece => root.lead < piece.to && root.lead + root.chord > piece.from)
    .map(piece => piece.id)
  const bolted = first && site.wingOff,
    loose = bolted || plugged.length > 0
  if (body && under.length)
    steps.push(
      step({
        id: `set-wing${own}`,
        kind: 'set-wing',
        bench: 'whole',
        subject: { surface },
        title: bolted
          ? 'Wing on the body, bolted'
          : plugged.length
            ? say`${first ? 'Wing' : loft.label} halves plugged to the body`
            : say`Glue the ${called} to the body`,
        how: [
          say`Incidence ${q(drawn.incidenceDeg, '°', 1)} in its cradle; both tips equally far from the tail's end.`,
          bolted ? 'Bolts hand-tight: plastic creeps.' : 'Look again before it sets.',
          ...(first ? [] : ['From ahead both wings are parallel: the same gap at both tips.']),
        ],
        touches: [...halves.map(chain => chain.pieces[0].id), ...under],
        joins: loose ? [] : halves.slice(0, 1).map(chain => [under[0], chain.pieces[0].id] as const),
        at: () => at,
        from: [0, 0, loft.origin[2] >= 0 ? 120 : -120],
        parts: plugged.map(({ line }) => line.spar.id),
        glue: loose ? null : 'spars',
        glueMm: () => (loose ? 0 : 2 * root.chord),
        minutes: MINUTES.setWing,
        gate: 'aligned',
        hand: ['incidence cradle', 'thread from tip to tail'],
      }),
    )
  return steps
}

const tailTitle = (pushed: boolean, loose: boolean, what: Words): Words => {
  if (pushed) return say`Push the ${what} into the slots of the body`
  return say`${loose ? 'Screw' : 'Glue'} the ${what} on`
}
const tailHow = (pushed: boolean, loose: boolean, screws: number): Words[] => {
  if (pushed)
    return [
      'Through its slot to the pencil marks, without force; a rough edge of the slot cuts foam. Look again from behind.',
      'A strip of tape over the root on either side holds it, and lets go in a crash before anything tears. It is glued to nothing.',
    ]
  return [
    loose
      ? say`To the pencil marks, with ${screws} screws of 3 mm into inserts; hand-tight, then look again from behind.`
      : 'To the pencil marks; one side first, look again from behind, then the rest.',
  ]
}

export function tailSteps(site: Site): BuildStep[] {
  const { doc } = site
  const loose = tailComesOff(site.airframe),
    pushed = tailPushedIn(site.airframe) && doc.tail.screws === 0
  const names = (['horizontal', 'vertical'] as const).filter(part =>
    site.chains.some(chain => chain.part === part),
  )
  if (names.length === 0) return []
  const label = {
    horizontal: doc.tail.kind === 'V' ? 'V-tail' : doc.tail.kind === 'canard' ? 'canard' : 'tailplane',
    vertical: 'fin',
  }
  const chainsOf = (part: 'horizontal' | 'vertical') => site.chains.filter(chain => chain.part === part)
  const [first] = chainsOf(names[0])[0].pieces
  return [
    step({
      id: 'align.tail',
      kind: 'align',
      bench: 'whole',
      title: say`Sight the ${listed(
        names.map(part => label[part]),
        ' and the ',
      )} against the wing, dry`,
      how: [
        'From behind: tailplane level with the wing, fin square to it. Measure from each tip to the tail.',
        'Mark it all round with a pencil, so that it comes back to the same place.',
      ],
      at: () => middleOf(first),
      minutes: MINUTES.align,
      gate: 'aligned',
      hand: ['set square', 'thread', 'pencil'],
    }),
    ...names.map(part => {
      const own = chainsOf(part)
      const tip = doc.tail.kind === 'none' && part === 'vertical' && own.length === 2
      const rods = site.spars.filter(({ chain, line }) => chain.part === part && line.spar.through)
      const roots = own.map(chain => chain.pieces[0])
      const halves = own.length === 2 && !tip && !(loose && tailParts(site.airframe, part).length > 1)
      return step({
        id: `tail.${part}`,
        kind: 'tail',
        bench: 'whole',
        subject: { surface: part },
        title: tailTitle(pushed, loose, say`${label[part]}${own.length === 2 && tip ? 's' : ''}`),
        how: [
          ...tailHow(pushed, loose, doc.tail.screws),
          ...(loose && halves
            ? ['Its halves are glued to each other, over what runs through both; never to what carries them.']
            : []),
          part === 'vertical'
            ? 'Square to the tailplane: hold it with tape to both sides.'
            : 'Weights on it, not clamps.',
        ],
        touches: roots.map(piece => piece.id),
        joins: halves ? [[roots[0].id, roots[1].id] as const] : [],
        parts: [...new Set(rods.map(({ line }) => line.spar.id))],
        at: () => middleOf(roots[0]),
        from: part === 'vertical' ? [0, 0, 120] : [110, 0, 0],
        // What is screwed on is glued to nothing but its other half.
        glue: loose && !halves ? null : 'spars',
        glueMm: () =>
          (loose ? roots.slice(0, halves ? 1 : 0) : roots).reduce(
            (sum, piece) => sum + rim(piece, piece.from),
            0,
          ),
        minutes: MINUTES.tail,
        gate: 'aligned',
        hand: ['set square', pushed ? 'clear tape' : 'masking tape'],
      })
    }),
  ]
}
