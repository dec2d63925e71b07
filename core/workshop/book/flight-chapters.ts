/** What flies: balance by loading, the flight card, what was measured and flown. */
import { readiness } from '../readiness'
import type { Block } from './blocks'
import { right, strong, type Source } from './source'

export function balance({ doc, assessment, hand }: Source): Block[] {
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

export function flightCard({ doc, assessment, hand, card }: Source): Block[] {
  const { trim, loads } = assessment
  const speed = (value: number) => right(hand.amount(value, 'm/s', 1))
  return [
    { kind: 'chapter', text: 'Flight card' },
    {
      kind: 'table',
      head: [
        'Loading',
        right('Mass'),
        right('Stall'),
        right('Least sink'),
        right('Best glide'),
        right('One in'),
      ],
      rows: card.speeds.map(item => [
        strong(item.loading),
        right(hand.amount(item.massG, 'g', 0)),
        speed(item.stallMs),
        speed(item.leastSinkMs),
        speed(item.bestGlideMs),
        right(item.glideRatio.toFixed(1)),
      ]),
    },
    {
      kind: 'table',
      head: ['Speed', right(''), 'From'],
      widths: [50, 34, '*'],
      rows: [
        ...trim.map(row => [
          strong(`${row.label}${row.payload ? '' : ', payload gone'}`),
          speed(row.speedMs),
          `elevator ${hand.amount(row.controlDeg, '°', 1)}${hand.words(row.trouble) ? `; ${hand.words(row.trouble)}` : ''}`,
        ]),
        [
          strong('Never over'),
          speed(card.neverMs),
          `brief; the greatest load there is ${loads.governing.n.toFixed(1)} times its weight (${loads.governing.by})`,
        ],
        ...(card.levelMaxMs === null
          ? []
          : [[strong('Level, full throttle'), speed(card.levelMaxMs), 'computed of its drive']]),
        ...(card.oneMotor
          ? [
              [
                strong('One motor stopped'),
                card.oneMotor.heldFromMs === null ? right('–') : speed(card.oneMotor.heldFromMs),
                `${card.oneMotor.heldFromMs === null ? 'the rudder never holds the other' : 'the rudder holds the other from here on'}: throttle back at once, then land`,
              ],
            ]
          : []),
        card.toss
          ? [
              strong('Throw'),
              speed(card.toss.speedMs),
              `${hand.amount(card.toss.pathDeg, '°', 0)} to the horizon, trimmed for best glide`,
            ]
          : [strong('Throw'), speed(doc.brief.throwMs), 'hand launch, from the brief'],
        [strong('Wind at most'), speed(card.windMaxMs), 'own limit for a first flight'],
      ],
    },
    ...(card.power
      ? [
          {
            kind: 'text',
            text: `${card.power.minutes === null ? 'Over six hours' : hand.amount(card.power.minutes, 'min', 0)} as planned; land with ${hand.amount(card.power.landWithPct, '%', 0)} of the charge, ${hand.amount(card.power.takenMah, 'mAh', 0)} taken.${card.power.broken ? ` ${card.power.broken} limits of the drive are passed: see Power.` : ''}`,
          } satisfies Block,
        ]
      : []),
    {
      kind: 'table',
      head: ['Balance', right('At'), right('From'), right('To'), right('Battery at'), ''],
      rows: card.balances.map(item => [
        strong(item.loading),
        right(hand.amount(item.cgMm, 'mm', 1)),
        right(hand.amount(item.rangeMm[0], 'mm', 0)),
        right(hand.amount(item.rangeMm[1], 'mm', 0)),
        right(hand.amount(item.batteryMm, 'mm', 0)),
        item.ok ? '' : 'OUT OF ITS BAND',
      ]),
    },
    {
      kind: 'table',
      head: ['Control', right('Up'), right('Down'), right('Measured at')],
      rows: card.throws.map(item => [
        strong(item.name),
        right(hand.amount(item.upMm, 'mm', 1)),
        right(hand.amount(item.downMm, 'mm', 1)),
        right(`${hand.amount(item.atMm, 'mm', 0)} from the root`),
      ]),
    },
    {
      kind: 'table',
      head: ['Rates', right('Low'), right('High'), right('Exponential')],
      rows: assessment.rates.map(rate => [
        strong(`${rate.control}, ${rate.axis}`),
        right(hand.amount(100 * rate.lowShare, '%', 0)),
        right(hand.amount(100 * rate.highShare, '%', 0)),
        right(hand.amount(100 * rate.expo, '%', 0)),
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

export function records({ doc, assessment, hand }: Source): Block[] {
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
          text: `${[
            `${item.date}: ${hand.amount(item.minutes, 'min', 0)}`,
            `wind ${hand.amount(item.windMs, 'm/s', 1)}`,
            item.usedMah !== null && `${hand.amount(item.usedMah, 'mAh', 0)} used`,
            item.motorC !== null && `motor ${hand.amount(item.motorC, '°C', 0)}`,
            item.elevatorTrimDeg !== null && `trim elevator ${hand.amount(item.elevatorTrimDeg, '°', 1)}`,
          ]
            .filter(Boolean)
            .join(', ')}. ${item.behaviour}`,
        },
        ...[item.broke && `Broke: ${item.broke}`, item.next && `Next: ${item.next}`].flatMap(
          (text): Block[] => (text ? [{ kind: 'text', small: true, text }] : []),
        ),
      ]),
    )
  return blocks.length ? [{ kind: 'chapter', text: 'What was measured and flown' }, ...blocks] : []
}
