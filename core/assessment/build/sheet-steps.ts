/** Sheets of foam: cut to their outlines, and folded shut over what lies in them. */
import type { SurfaceName } from '../../document'
import { isSheet, type Piece } from '../../geometry'
import { listed, q, say, type Words } from '../../units'
import type { Chain, Site } from './site'
import type { BuildStep } from './step'
import { MINUTES, middleOf, named, rim, step } from './step-kit'

/** What is said where pieces are laid out and some of them are sheets. */
export const cuttingSheets = (pieces: readonly Piece[]): Words[] => {
  const own = pieces.filter(isSheet)
  const mm = [...new Set(own.map(piece => piece.zone.sheet!.thicknessMm))].sort((a, b) => a - b)
  return own.length === 0
    ? []
    : [
        say`${own.length} of them are cut from sheet (${listed(
          mm.map(t => say`${q(t, 'mm', 1)}`),
          ', ',
        )}): outlines at full size are at Build, flat parts. A new blade along a steel ruler, several light cuts, fingers behind the blade.`,
      ]
}

/** A half of a surface is folded at once, round its nose, over its spar. */
export function foldSteps({ airframe }: Site, chain: Chain): BuildStep[] {
  const own = chain.pieces.filter(piece => isSheet(piece) && piece.zone.sheet!.make === 'folded')
  if (own.length === 0) return []
  const throughRod =
    chain.part !== 'wing' && (airframe.spars[chain.part as SurfaceName] ?? []).some(line => line.spar.through)
  const foams = [...new Map(own.map(({ zone }) => [zone.filament, airframe.filamentOf(zone)])).values()]
  return [
    step({
      id: `fold.${chain.part}.${chain.side}`,
      kind: 'fold',
      bench: chain.bench,
      subject: { surface: chain.part as 'wing', side: chain.side },
      title: say`Fold the sheet of the ${named(chain)} over its spar`,
      how: [
        'Score or press the inside along the line of the nose, tape it outside, and bend it little by little; the last ten millimetres before the rear are sanded to a wedge, so that both halves lie on each other.',
        ...(throughRod ? ['The rod that runs through lies in both halves before either is folded.'] : []),
        'Spar, leads and everything else inside first. Glue along the spar, the ends and the rear at once, fold, and weight it down on a flat board with the twist that is wanted shimmed in until it has set.',
      ],
      touches: own.map(piece => piece.id),
      at: () => middleOf(own[Math.floor(own.length / 2)]),
      from: [0, 0, 120],
      glue: 'joints',
      glueMm: () => own.reduce((sum, piece) => sum + (piece.to - piece.from) + rim(piece, piece.from) / 2, 0),
      minutes: MINUTES.cover,
      caution: say`${listed(
        foams.map(foam => say`${foam.name}: ${foam.badFor}`),
        '; ',
      )}. Try it on an offcut first.`,
      hand: ['glue that this foam stands', 'straight board and weights', 'clear tape'],
    }),
  ]
}
