/** What is printed: every piece with its plate and file, and the recipes to type in. */
import type { Airframe } from '../../assess'
import { denserOf, printedAs, printedSparOf, type Recipe, type Zone } from '../../document'
import type { Piece } from '../../geometry'
import { planRoom } from '../print-room'
import type { Block, Cell } from './blocks'
import { right, strong, type Source } from './source'

export function printed({ doc, airframe, assessment, hand, now }: Source): Block[] {
  const plan = planRoom(doc, airframe, assessment, now)
  const plateOf = (id: string) =>
    plan.plates.find(plate => plate.state !== 'failed' && plate.pieces.some(piece => piece.piece === id))
  const checkOf = (id: string) => doc.fileChecks.findLast(item => item.piece === id)
  const words = { accepted: 'file accepted', 'sent-back': 'file sent back' }
  return [
    { kind: 'chapter', text: 'Pieces' },
    {
      kind: 'text',
      text: `${assessment.pieces.length} pieces, ${hand.amount(assessment.totals.printedG, 'g', 0)} and ${hand.amount(assessment.totals.hours, 'h', 1)} on ${doc.printers.length} ${doc.printers.length === 1 ? 'printer' : 'printers'}. The mark is to be written inside each piece.`,
    },
    {
      kind: 'table',
      head: [
        'Mark',
        'Piece',
        'Zone',
        'Printer',
        right('Predicted'),
        right('Weighed'),
        right('Hours'),
        'Plate and file',
      ],
      widths: [14, '*', 25, 20, 16, 16, 12, 27],
      rows: assessment.pieces.map(piece => {
        const plate = plateOf(piece.id)
        const check = checkOf(piece.id)
        return [
          strong(piece.mark),
          piece.name,
          piece.zoneName,
          piece.printerName,
          right(hand.amount(piece.predictedG, 'g', 1)),
          right(piece.weighedG === null ? '' : hand.amount(piece.weighedG, 'g', 1)),
          right(hand.amount(piece.hours, 'h', 1)),
          [
            plate
              ? { waiting: 'waits', printing: 'printing', done: 'printed', failed: 'failed' }[plate.state]
              : '',
            check ? words[check.verdict] : '',
          ]
            .filter(Boolean)
            .join(', '),
        ]
      }),
    },
    ...doc.fileChecks
      .filter(check => check.found)
      .map((check): Block => ({
        kind: 'text',
        small: true,
        text: `Machine file of ${check.piece}, ${check.date}: ${words[check.verdict]}. ${check.found}`,
      })),
  ]
}

export function recipes({ airframe, assessment, hand }: Source): Block[] {
  const grams = new Map(assessment.pieces.map(piece => [piece.id, piece.predictedG]))
  return [
    { kind: 'chapter', text: 'Recipes by zone' },
    ...waysOf(airframe).flatMap(({ zone, own }): Block[] => {
      const { recipe } = zone
      const filament = airframe.filamentOf(zone)
      return [
        { kind: 'heading', text: `${zone.name}: ${own.map(piece => piece.mark).join(', ')}` },
        {
          kind: 'table',
          head: [],
          widths: [48, '*', 48, '*'],
          rows: paired([
            rowOf('Filament', filament.name),
            rowOf('Nozzle', hand.amount(recipe.nozzleC, '°C', 0)),
            rowOf('Flow', recipe.flow.toFixed(2)),
            rowOf('Bed', hand.amount(filament.bedC, '°C', 0)),
            rowOf('Walls', String(recipe.walls)),
            rowOf('Bead width', hand.amount(recipe.beadWidthMm, 'mm', 2)),
            rowOf('Layer height', hand.amount(recipe.layerHeightMm, 'mm', 2)),
            rowOf('Infill', `${hand.amount(100 * recipe.infillShare, '%', 1)}, ${recipe.infillPattern}`),
            rowOf('Base layers', String(recipe.baseLayers)),
            rowOf('Top layers', String(recipe.topLayers)),
            rowOf('One unbroken bead', recipe.spiral ? 'yes, in a spiral' : 'no'),
            rowOf('Brim', recipe.brimMm > 0 ? hand.amount(recipe.brimMm, 'mm', 0) : 'none'),
            ...(recipe.lattice
              ? [
                  rowOf('Gap closing under', hand.amount(recipe.lattice.slitMm, 'mm', 2)),
                  rowOf('Webs every', hand.amount(recipe.lattice.pitchMm, 'mm', 0)),
                ]
              : []),
            ...(recipe.skinGapMm ? [rowOf('Second skin at', hand.amount(recipe.skinGapMm, 'mm', 1))] : []),
            ...alongChordRows(recipe, hand),
            rowOf('Supports', 'none'),
            rowOf('Stands', recipe.stance === 'flat' ? 'on its side' : 'on its foot'),
          ]),
        },
        {
          kind: 'text',
          small: true,
          text: `The first piece of it is weighed before the rest: ${own
            .slice(0, 1)
            .map(piece => `${piece.mark} ${hand.amount(grams.get(piece.id) ?? 0, 'g', 1)}`)
            .join('')}, 7 % is allowed.`,
        },
      ]
    }),
  ]
}

/** Every way in which something is printed, by zone; pieces that stay as they were printed go by theirs. */
function waysOf({ doc, pieces }: Airframe): Array<{ zone: Zone; own: Piece[] }> {
  const ways = new Map<string, { zone: Zone; own: Piece[] }>()
  for (const piece of pieces) {
    const key = JSON.stringify(piece.zone)
    const known = ways.get(key)
    if (known) known.own.push(piece)
    else ways.set(key, { zone: piece.zone, own: [piece] })
  }
  const order = (zone: Zone) => doc.zones.findIndex(item => item.id === zone.id)
  return [...ways.values()]
    .map(({ zone, own }) => {
      const held = printedAs(doc, own[0].id) ? ', as printed' : ''
      const ribs = own[0].ribOf === null ? '' : ', ribs'
      return { own, zone: { ...zone, name: `${zone.name}${ribs}${held}` } }
    })
    .sort((a, b) => order(a.zone) - order(b.zone))
}

/** Two columns of label and value a row. */
const rowOf = (label: string, value: string): Cell[] => [label, strong(value)]

/** What a slicing program is told of solids that lie over a piece. */
function alongChordRows(recipe: Recipe, hand: Source['hand']): Cell[][] {
  const denser = denserOf(recipe),
    spar = printedSparOf(recipe)
  const chord = (share: number) => hand.amount(100 * share, '%', 0)
  return [
    ...(denser
      ? [
          rowOf(
            'Walls at nose and rear',
            `${recipe.walls + denser.walls}, to ${chord(denser.noseTo)} and from ${chord(denser.rearFrom)} of the chord`,
          ),
        ]
      : []),
    ...(spar
      ? [
          rowOf(
            'Printed spar',
            `${hand.amount(spar.widthMm, 'mm', 1)} solid at ${chord(spar.atShare)} of the chord`,
          ),
        ]
      : []),
  ]
}

const paired = (rows: Cell[][]): Cell[][] =>
  Array.from({ length: Math.ceil(rows.length / 2) }, (_, i) => [
    ...rows[2 * i],
    ...(rows[2 * i + 1] ?? ['', '']),
  ])
