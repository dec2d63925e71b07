/** The book of an aircraft: everything that was designed, printed, built, weighed and flown, in the order of use. */
import type { Assessor } from '../../assess'
import type { ProjectFile } from '../../document'
import type { Block, Book } from './blocks'
import { lists, linkages, steps } from './build-chapters'
import { balance, flightCard, records } from './flight-chapters'
import { spacePicture, threeView } from './pictures'
import { printed, recipes } from './print-chapters'
import { right, sourceOf, strong, type BookAsk, type Source } from './source'
import { templates } from './template-chapter'

export function composeBook(assessor: Assessor, doc: ProjectFile, ask: BookAsk): Book {
  const source = sourceOf(assessor, doc, ask)
  return {
    name: doc.name,
    date: ask.now.slice(0, 10),
    blocks: [
      ...titlePage(source),
      ...views(source),
      ...printed(source),
      ...recipes(source),
      ...lists(source),
      ...steps(source),
      ...linkages(source),
      ...balance(source),
      ...flightCard(source),
      ...records(source),
      ...templates(source),
    ],
  }
}

/** Only what somebody needs who prints for the maker. */
export function composeRecipeSheets(assessor: Assessor, doc: ProjectFile, ask: BookAsk): Book {
  const source = sourceOf(assessor, doc, ask)
  return {
    name: `${doc.name}: recipe sheets`,
    date: ask.now.slice(0, 10),
    blocks: [
      {
        kind: 'title',
        text: `${doc.name}: recipe sheets`,
        under: 'For whoever prints it: one sheet a zone, then every piece.',
      },
      ...recipes(source),
      ...printed(source),
    ],
  }
}

/** The card alone, for a pocket or a phone. */
export function composeCard(assessor: Assessor, doc: ProjectFile, ask: BookAsk): Book {
  const [, ...blocks] = flightCard(sourceOf(assessor, doc, ask))
  return {
    name: `${doc.name}: flight card`,
    date: ask.now.slice(0, 10),
    blocks: [{ kind: 'title', text: doc.name, under: 'Flight card' }, ...blocks],
  }
}

function titlePage({ doc, airframe, assessment, hand, inner, now }: Source): Block[] {
  const { verdicts } = assessment
  const picture = spacePicture(airframe, assessment.drawing, inner.widthMm)
  return [
    { kind: 'title', text: doc.name, under: doc.purpose },
    { kind: 'picture', picture, caption: '' },
    {
      kind: 'table',
      head: ['', 'Asked', right('Computed'), right('Spread'), 'Verdict'],
      widths: [26, '*', 34, 30, '*'],
      rows: Object.values(verdicts).map(wing => [
        strong(wing.label),
        hand.words(wing.targetText),
        right(hand.amount(wing.value, wing.unit, wing.digits)),
        right(`± ${hand.amount(wing.spread, wing.unit, wing.digits)}`),
        { good: 'meets', tight: 'just meets', failing: 'misses' }[wing.state],
      ]),
    },
    {
      kind: 'table',
      head: ['Brief', '', '', ''],
      rows: [
        [
          'Launch and landing',
          `${doc.brief.launch}, ${doc.brief.landing}`,
          'Cruise',
          right(hand.amount(doc.brief.cruiseMs, 'm/s', 1)),
        ],
        [
          'Wing area',
          right(hand.amount(assessment.plan.areaDm2, 'dm²', 1)),
          'Span',
          right(hand.amount(assessment.plan.spanMm, 'mm', 0)),
        ],
        [
          'Wing loading',
          right(hand.amount(assessment.plan.loadingGdm2, 'g/dm²', 1)),
          'Stall',
          right(hand.amount(assessment.flight.stallMs, 'm/s', 1)),
        ],
        [
          'Pieces',
          right(String(assessment.pieces.length)),
          'Filament',
          right(hand.amount(assessment.totals.filamentG, 'g', 0)),
        ],
      ],
    },
    {
      kind: 'text',
      small: true,
      text: `Made on ${now.slice(0, 10)} from the project as it stood. Computed figures are estimates with the spread that stands beside them; nothing here says that a flight is legal or safe. Rules on mass, height, identification and place differ: ask the national authority, the club and the owner of the site.`,
    },
  ]
}

function views({ assessment, inner }: Source): Block[] {
  const { picture, scale } = threeView(
    assessment.drawing,
    assessment.totals.cgEmptyMm,
    inner.widthMm,
    inner.heightMm - 24,
  )
  return [
    { kind: 'chapter', text: 'Three views' },
    {
      kind: 'picture',
      picture,
      caption: `One to ${scale}. The mark is where it balances without payload, as computed.`,
    },
  ]
}
