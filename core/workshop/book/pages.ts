/** The book of an aircraft: everything that was designed, printed, built, weighed and flown, in the order of use. */
import type { Airframe, Assessment } from '../../assess'
import type { ProjectFile } from '../../document'
import { controlThrows } from '../advice'
import { channelList, hardwareList, linkageSheets, buildOrder, type BuildOrder } from '../build'
import { planRoom } from '../print-room'
import { readiness } from '../readiness'
import { innerOf, type Block, type Book, type Cell, type Hand, type Paper } from './blocks'
import { rodPicture, scaleBar, sectionPicture, spacePicture, stepPicture, threeView, tiles } from './pictures'

export interface BookAsk {
  paper: Paper
  /** The maker's own now, YYYY-MM-DDTHH:MM. */
  now: string
  hand: Hand
  /** A picture of the space view, as a data address; without it the aircraft is drawn. */
  photo?: string
}

const right = (text: string): Cell => ({ text, right: true })
const strong = (text: string): Cell => ({ text, strong: true })

interface Source extends BookAsk {
  doc: ProjectFile
  airframe: Airframe
  assessment: Assessment
  order: BuildOrder
  inner: { widthMm: number; heightMm: number }
}

const sourceOf = (airframe: Airframe, assessment: Assessment, ask: BookAsk): Source => ({
  ...ask,
  doc: airframe.doc,
  airframe,
  assessment,
  order: buildOrder(airframe),
  inner: innerOf(ask.paper),
})

export function composeBook(airframe: Airframe, assessment: Assessment, ask: BookAsk): Book {
  const { doc } = airframe
  const source = sourceOf(airframe, assessment, ask)
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
export function composeRecipeSheets(airframe: Airframe, assessment: Assessment, ask: BookAsk): Book {
  const { doc } = airframe
  const source = sourceOf(airframe, assessment, ask)
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

function titlePage({ doc, airframe, assessment, hand, inner, photo, now }: Source): Block[] {
  const { verdicts } = assessment
  const picture = spacePicture(airframe, assessment.drawing, inner.widthMm)
  return [
    { kind: 'title', text: doc.name, under: doc.purpose },
    photo
      ? { kind: 'photo', data: photo, widthMm: inner.widthMm, caption: '' }
      : { kind: 'picture', picture, caption: '' },
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

function printed({ doc, airframe, assessment, hand, now }: Source): Block[] {
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

function recipes({ doc, airframe, assessment, hand }: Source): Block[] {
  return [
    { kind: 'chapter', text: 'Recipes by zone' },
    ...doc.zones.flatMap((zone): Block[] => {
      const { recipe } = zone
      const own = assessment.pieces.filter(piece => piece.zone === zone.id)
      if (own.length === 0) return []
      const filament = airframe.filamentOf(zone)
      const row = (label: string, value: string): Cell[] => [label, strong(value)]
      return [
        { kind: 'heading', text: `${zone.name}: ${own.map(piece => piece.mark).join(', ')}` },
        {
          kind: 'table',
          head: [],
          widths: [48, '*', 48, '*'],
          rows: paired([
            row('Filament', filament.name),
            row('Nozzle', hand.amount(recipe.nozzleC, '°C', 0)),
            row('Flow', recipe.flow.toFixed(2)),
            row('Bed', hand.amount(filament.bedC, '°C', 0)),
            row('Walls', String(recipe.walls)),
            row('Bead width', hand.amount(recipe.beadWidthMm, 'mm', 2)),
            row('Layer height', hand.amount(recipe.layerHeightMm, 'mm', 2)),
            row('Infill', `${hand.amount(100 * recipe.infillShare, '%', 1)}, ${recipe.infillPattern}`),
            row('Base layers', String(recipe.baseLayers)),
            row('Top layers', String(recipe.topLayers)),
            row('One unbroken bead', recipe.spiral ? 'yes, in a spiral' : 'no'),
            row('Brim', recipe.brimMm > 0 ? hand.amount(recipe.brimMm, 'mm', 0) : 'none'),
            ...(recipe.lattice
              ? [
                  row('Gap closing under', hand.amount(recipe.lattice.slitMm, 'mm', 2)),
                  row('Webs every', hand.amount(recipe.lattice.pitchMm, 'mm', 0)),
                ]
              : []),
            ...(recipe.skinGapMm ? [row('Second skin at', hand.amount(recipe.skinGapMm, 'mm', 1))] : []),
            row('Supports', 'none'),
            row('Stands', recipe.stance === 'flat' ? 'on its side' : 'on its foot'),
          ]),
        },
        {
          kind: 'text',
          small: true,
          text: `The first piece of it is weighed before the rest: ${own
            .slice(0, 1)
            .map(piece => `${piece.mark} ${hand.amount(piece.predictedG, 'g', 1)}`)
            .join('')}, 7 % is allowed.`,
        },
      ]
    }),
  ]
}

/** Two columns of label and value a row. */
const paired = (rows: Cell[][]): Cell[][] =>
  Array.from({ length: Math.ceil(rows.length / 2) }, (_, i) => [
    ...rows[2 * i],
    ...(rows[2 * i + 1] ?? ['', '']),
  ])

function lists({ airframe, assessment, order, hand }: Source): Block[] {
  return [
    { kind: 'chapter', text: 'To have and to cut' },
    {
      kind: 'table',
      head: ['', right('Number'), 'What', right('Length'), right('Mass'), 'Cuts and remarks'],
      widths: [26, 16, '*', 22, 18, '*'],
      rows: hardwareList(airframe, assessment, order).map(item => [
        item.group,
        right(String(item.count)),
        strong(item.name),
        right(item.lengthMm === null ? '' : hand.amount(item.lengthMm, 'mm', 0)),
        right(item.grams === null ? '' : hand.amount(item.grams, 'g', 1)),
        item.note,
      ]),
    },
  ]
}

/** Width of the picture beside a step, mm. */
const STEP_PICTURE = { widthMm: 52, heightMm: 36 }

function steps({ doc, order, assessment, hand, inner: _ }: Source): Block[] {
  const placed = new Set<string>()
  const titles = new Map(order.steps.map(step => [step.id, hand.words(step.title)]))
  return [
    { kind: 'chapter', text: 'Building it' },
    {
      kind: 'text',
      text: `${order.steps.length} steps, ${hand.amount(order.handsMin / 60, 'h', 1)} of hands on, ${hand.amount(order.untilMin / 60, 'h', 1)} from the first to the last with ${doc.build.people === 1 ? 'one pair of hands' : `${doc.build.people} people`}. Orange comes in, blue is handled, grey stands already.`,
    },
    ...(order.circles.length
      ? [{ kind: 'warning', text: 'As drawn it cannot be built: see the findings at Split.' } satisfies Block]
      : []),
    ...order.steps.map((step, i): Block => {
      const picture = stepPicture(
        assessment.drawing,
        step,
        placed,
        STEP_PICTURE.widthMm,
        STEP_PICTURE.heightMm,
      )
      for (const id of step.brings) placed.add(id)
      const notes = doc.build.notes.filter(note => note.about === step.id && note.text)
      const tick = doc.build.ticks.find(item => item.step === step.id)
      return {
        kind: 'step',
        number: String(i + 1),
        title: titles.get(step.id)!,
        picture,
        lines: [
          ...step.how.map(hand.words),
          ...(step.glue
            ? [`${step.glue.name}, ${hand.amount(step.glue.grams, 'g', 1)}: ${step.glue.how}`]
            : []),
          ...step.traps
            .slice(0, 1)
            .map(trap => `Before "${titles.get(trap.before) ?? trap.before}": ${trap.because}`),
          ...step.cautions.map(text => `Caution: ${hand.words(text)}`),
        ],
        small: [
          `${hand.amount(step.minutes, 'min', 0)} hands on${step.waitMin ? `, cures ${hand.amount(step.waitMin, 'min', 0)}` : ''}${step.gate ? `. Gate: ${step.gate}` : ''}${step.hand.length ? `. At hand: ${step.hand.map(hand.words).join(', ')}` : ''}`,
          ...(tick ? [`${tick.state === 'done' ? 'Done' : 'Skipped'} ${tick.at.replace('T', ' ')}`] : []),
          ...notes.map(note => `${note.date}: ${note.text}`),
        ],
      }
    }),
  ]
}

function linkages({ airframe, doc, hand, inner }: Source): Block[] {
  const sheets = linkageSheets(airframe)
  if (sheets.length === 0) return []
  const degrees = (value: number | null) => (value === null ? 'locks' : hand.amount(value, '°', 0))
  return [
    { kind: 'chapter', text: 'Rods and throws' },
    ...sheets.flatMap((sheet): Block[] => [
      {
        kind: 'heading',
        text: `${sheet.name}, ${sheet.servo}`,
      },
      {
        kind: 'picture',
        picture: rodPicture(sheet, Math.min(inner.widthMm, 176)),
        caption: `${sheet.distanceMm > 116 ? 'Arm and horn' : 'Drawn'} at full size, rod ${sheet.runs} the surface. The servo turns ${degrees(sheet.servoUpDeg)} and ${degrees(sheet.servoDownDeg)} for ${hand.amount(sheet.throwUpMm, 'mm', 1)} up and ${hand.amount(sheet.throwDownMm, 'mm', 1)} down at the edge.${sheet.trouble ? ` Trouble: ${hand.words(sheet.trouble)}.` : ''}`,
      },
    ]),
    {
      kind: 'table',
      head: ['Servo', 'Moves', 'Channel', right('Up'), right('Down'), 'Number, direction, sub-trim'],
      widths: [38, '*', 34, 16, 16, 46],
      rows: channelList(doc, sheets).map(item => [
        `${item.servo}${item.count > 1 ? `, ${item.count}` : ''}`,
        item.moves.join('; '),
        item.channel,
        right(degrees(item.upDeg)),
        right(degrees(item.downDeg)),
        '',
      ]),
    },
  ]
}

function balance({ doc, assessment, hand }: Source): Block[] {
  const { totals, flight, ledger } = assessment
  const marginOf = (cg: number) => (100 * (flight.neutralPointMm - cg)) / assessment.plan.macMm
  const loadings = [
    { name: 'Without payload', massG: totals.emptyMassG, cg: totals.cgEmptyMm[0] },
    ...(totals.massG > totals.emptyMassG + 0.05
      ? [{ name: 'With payload', massG: totals.massG, cg: totals.cgMm[0] }]
      : []),
  ]
  return [
    { kind: 'chapter', text: 'Balance' },
    {
      kind: 'text',
      text: `Aim ${hand.amount(flight.cgAimMm, 'mm', 0)} aft of the nose, allowed from ${hand.amount(flight.cgRangeMm[0], 'mm', 0)} to ${hand.amount(flight.cgRangeMm[1], 'mm', 0)}; neutral point ${hand.amount(flight.neutralPointMm, 'mm', 0)} ± ${hand.amount(flight.neutralPointSigmaMm, 'mm', 0)}. Batteries sliding over their bays carry it from ${hand.amount(flight.cgReachMm[0], 'mm', 0)} to ${hand.amount(flight.cgReachMm[1], 'mm', 0)}.`,
    },
    {
      kind: 'table',
      head: ['Loading', right('Mass'), right('Balances at'), right('Static margin')],
      rows: loadings.map(({ name, massG, cg }) => [
        strong(name),
        right(hand.amount(massG, 'g', 0)),
        right(hand.amount(cg, 'mm', 1)),
        right(hand.amount(marginOf(cg), '%', 1)),
      ]),
    },
    {
      kind: 'table',
      head: ['Part', '', right('Mass'), right('±'), right('x'), right('z')],
      widths: ['*', 26, 22, 16, 20, 20],
      rows: ledger.map(row => [
        row.name,
        row.source,
        right(hand.amount(row.massG, 'g', 1)),
        right(hand.amount(row.sigmaG, 'g', 1)),
        right(hand.amount(row.xMm, 'mm', 0)),
        right(hand.amount(row.zMm, 'mm', 0)),
      ]),
    },
    ...(doc.measured.massG !== null || doc.measured.cgMm !== null
      ? [
          {
            kind: 'text',
            text: `Measured without payload: ${doc.measured.massG === null ? 'not weighed' : hand.amount(doc.measured.massG, 'g', 0)}, ${doc.measured.cgMm === null ? 'balance not measured' : `balances at ${hand.amount(doc.measured.cgMm, 'mm', 1)}`}.`,
          } satisfies Block,
        ]
      : []),
  ]
}

function flightCard({ doc, assessment, hand }: Source): Block[] {
  const { flight, trim, loads } = assessment
  return [
    { kind: 'chapter', text: 'Flight card' },
    {
      kind: 'table',
      head: ['Speed', right(''), 'From'],
      widths: [50, 34, '*'],
      rows: [
        [
          strong('Stall'),
          right(hand.amount(flight.stallMs, 'm/s', 1)),
          'computed, with payload, at the air of the brief',
        ],
        ...trim.map(row => [
          strong(`${row.label}${row.payload ? ', payload in' : ', empty'}`),
          right(hand.amount(row.speedMs, 'm/s', 1)),
          `elevator ${hand.amount(row.controlDeg, '°', 1)}, glide ${row.glideRatio.toFixed(1)}${hand.words(row.trouble) ? `; ${hand.words(row.trouble)}` : ''}`,
        ]),
        [
          strong('Never over'),
          right(hand.amount(doc.brief.topSpeedMs, 'm/s', 1)),
          `brief; the greatest load there is ${loads.governing.n.toFixed(1)} times its weight (${loads.governing.by})`,
        ],
        [strong('Throw'), right(hand.amount(doc.brief.throwMs, 'm/s', 1)), 'hand launch, from the brief'],
        [
          strong('Wind at most'),
          right(hand.amount(doc.brief.windMaxMs, 'm/s', 1)),
          'own limit for a first flight',
        ],
      ],
    },
    {
      kind: 'table',
      head: ['Control', right('Up'), right('Down'), right('Measured at')],
      rows: controlThrows(doc).map(item => [
        strong(item.name),
        right(hand.amount(item.upMm, 'mm', 1)),
        right(hand.amount(item.downMm, 'mm', 1)),
        right(`${hand.amount(item.atMm, 'mm', 0)} from the root`),
      ]),
    },
    { kind: 'heading', text: 'Go or not yet' },
    {
      kind: 'table',
      head: ['', 'Check', 'Evidence'],
      widths: [20, '*', '*'],
      rows: readiness(doc, assessment).items.map(item => [
        strong({ go: 'go', 'no-go': 'NOT YET', open: 'open' }[item.state]),
        hand.words(item.label),
        hand.words(item.evidence),
      ]),
    },
    ...[
      ...new Set(readiness(doc, assessment).items.flatMap(item => (item.caution ? [item.caution] : []))),
    ].map((text): Block => ({ kind: 'warning', text })),
  ]
}

function records({ doc, assessment, hand }: Source): Block[] {
  const nameOf = (id: string) => assessment.pieces.find(piece => piece.id === id)?.name ?? id
  const blocks: Block[] = []
  if (doc.weighIns.length)
    blocks.push(
      { kind: 'heading', text: 'Weighings' },
      {
        kind: 'table',
        head: ['Day', 'Piece', right('Scale'), right('Predicted'), right('Off by'), 'Note'],
        widths: [24, '*', 20, 22, 18, '*'],
        rows: doc.weighIns.map(item => [
          item.date,
          nameOf(item.piece),
          right(hand.amount(item.massG, 'g', 1)),
          right(hand.amount(item.predictedG, 'g', 1)),
          right(hand.amount(100 * (item.massG / item.predictedG - 1), '%', 1)),
          item.note,
        ]),
      },
    )
  if (doc.proofs.length)
    blocks.push(
      { kind: 'heading', text: 'Proofs' },
      {
        kind: 'table',
        head: ['Day', 'Test', right('Load'), right('Measured'), 'Note'],
        rows: doc.proofs.map(item => [
          item.date,
          item.kind,
          right(hand.amount(item.massG, 'g', 0)),
          right(
            item.measured === null ? '' : hand.amount(item.measured, item.kind === 'twist' ? '°' : 'mm', 1),
          ),
          item.note,
        ]),
      },
    )
  if (doc.flights.length)
    blocks.push(
      { kind: 'heading', text: 'Flights' },
      ...doc.flights.flatMap((item): Block[] => [
        {
          kind: 'text',
          text: `${item.date}: ${hand.amount(item.minutes, 'min', 0)}, wind ${hand.amount(item.windMs, 'm/s', 1)}, ${hand.amount(item.usedMah, 'mAh', 0)} used, motor ${hand.amount(item.motorC, '°C', 0)}, trim elevator ${hand.amount(item.elevatorTrimDeg, '°', 1)}. ${item.behaviour}`,
        },
        ...[item.broke && `Broke: ${item.broke}`, item.next && `Next: ${item.next}`].flatMap(
          (text): Block[] => (text ? [{ kind: 'text', small: true, text }] : []),
        ),
      ]),
    )
  return blocks.length ? [{ kind: 'chapter', text: 'What was measured and flown' }, ...blocks] : []
}

/** Of the bar on the sheets of templates. */
const BAR_MM = 200

/** Sections at full size: root, every cut, tip. */
function templates({ airframe, hand, paper }: Source): Block[] {
  const inner = innerOf(paper, true)
  const sheets = Object.values(airframe.surfaces).flatMap(loft => {
    const cuts = airframe.doc.cuts[loft.name].map(cut => cut.atMm)
    const places = [...new Set([0, ...cuts, loft.ends[loft.ends.length - 1].s])]
      .filter(at => at >= 0 && at <= loft.span)
      .sort((a, b) => a - b)
    return places.map(at =>
      sectionPicture(
        loft,
        airframe,
        at,
        `${loft.label}, ${at === 0 ? 'root' : hand.amount(at, 'mm', 0)}, full size`,
      ),
    )
  })
  const tiled = sheets.flatMap(picture => {
    const parts = tiles(picture, inner.widthMm, inner.heightMm - 30)
    return parts.map((part, i) => ({
      part,
      caption:
        parts.length > 1 ? `Part ${i + 1} of ${parts.length}; lay the dashed line over the one before` : '',
    }))
  })
  return [
    { kind: 'chapter', text: 'Templates at full size', landscape: true },
    { kind: 'text', text: 'Print at 100 %, without fitting to the page. Lay a ruler on the bar first.' },
    { kind: 'sheet', picture: scaleBar(BAR_MM), caption: '' },
    ...tiled.map(({ part, caption }): Block => ({ kind: 'sheet', picture: part, caption })),
  ]
}
