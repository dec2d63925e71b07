/** What is put together: lists, every step with its picture, rods. */
import { channelList, hardwareList, linkageSheets } from '../build'
import type { Block } from './blocks'
import { rodPicture, stepPicture } from './pictures'
import { right, strong, type Source } from './source'

export function lists({ airframe, assessment, order, hand }: Source): Block[] {
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

export function steps({ doc, order, assessment, hand }: Source): Block[] {
  const placed = new Set<string>()
  const titles = new Map(order.steps.map(step => [step.id, hand.words(step.title)]))
  return [
    { kind: 'chapter', text: 'Building it' },
    {
      kind: 'text',
      text: `${order.steps.length} steps, ${hand.amount(order.handsMin / 60, 'h', 1)} of hands on, ${hand.amount(order.untilMin / 60, 'h', 1)} from the first to the last with ${doc.build.people === 1 ? 'one pair of hands' : `${doc.build.people} people`}. Orange comes in, blue is handled, grey stands already.`,
    },
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

export function linkages({ airframe, doc, hand, inner }: Source): Block[] {
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
        caption: `${sheet.distanceMm > 116 ? 'Arm and horn' : 'Drawn'} at full size, rod ${sheet.runs} the surface. The servo turns ${degrees(sheet.servoUpDeg)} and ${degrees(sheet.servoDownDeg)} for ${hand.amount(sheet.throwUpMm, 'mm', 1)} up and ${hand.amount(sheet.throwDownMm, 'mm', 1)} down at the edge. ${hand.words(sheet.setUp)}.${sheet.trouble ? ` Trouble: ${hand.words(sheet.trouble)}.` : ''}`,
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
