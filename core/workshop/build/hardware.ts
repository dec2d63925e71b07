/** Everything that is not printed, to have before the first joint: counted from the drawing. */
import {
  bodiesOf,
  coveredStretches,
  LAPS,
  siteOf,
  type Airframe,
  type Assessment,
  tailParts,
} from '../../assess'
import { LIBRARIES, type Libraries } from '../../libraries'
import { cuttingPlan } from '../spine'
import { linkageSheets } from './linkages'
import type { BuildOrder } from './schedule'

export interface HardwareRow {
  id: string
  group: 'Stock' | 'Hinges' | 'Linkages' | 'Screws and closures' | 'Electric' | 'Glue' | 'Gear' | 'Components'
  name: string
  count: number
  /** Of one, mm; null where it has no length. */
  lengthMm: number | null
  grams: number | null
  note: string
}

const HINGES = {
  'bought-strip': 'Strip hinge, 14 × 18 mm',
  'printed-strip': 'Printed hinge, 16 × 18 mm',
  pins: 'Pin hinge, 2 mm',
  tape: 'Hinge tape, 20 mm wide',
}

const row = (
  group: HardwareRow['group'],
  name: string,
  count: number,
  more: Partial<Pick<HardwareRow, 'lengthMm' | 'grams' | 'note'>> = {},
): HardwareRow => ({
  id: `${group}: ${name}${more.lengthMm ? `, ${Math.round(more.lengthMm)}` : ''}`,
  group,
  name,
  count,
  lengthMm: null,
  grams: null,
  note: '',
  ...more,
})

export function hardwareList(
  airframe: Airframe,
  assessment: Pick<Assessment, 'spars' | 'struts'>,
  order: BuildOrder,
  libraries: Libraries = LIBRARIES,
): HardwareRow[] {
  const { doc } = airframe
  const rows = [
    ...stock(airframe, assessment, libraries),
    ...films(airframe),
    ...hinges(airframe),
    ...linkages(airframe),
    ...closures(airframe),
    ...electric(airframe),
    ...gear(airframe),
    ...glues(order),
    ...doc.equipment.map(item =>
      row('Components', item.name, item.pair ? 2 : 1, { grams: item.massG * (item.pair ? 2 : 1) }),
    ),
  ]
  return merged(rows)
}

/** The same thing twice is one row. */
function merged(rows: readonly HardwareRow[]): HardwareRow[] {
  const found = new Map<string, HardwareRow>()
  for (const item of rows) {
    const known = found.get(item.id)
    found.set(
      item.id,
      known
        ? {
            ...known,
            count: known.count + item.count,
            grams: known.grams === null ? null : known.grams + (item.grams ?? 0),
          }
        : item,
    )
  }
  return [...found.values()]
}

function stock(
  { doc }: Airframe,
  assessment: Pick<Assessment, 'spars' | 'struts'>,
  libraries: Libraries,
): HardwareRow[] {
  const plan = cuttingPlan(doc, assessment, libraries)
  return [
    ...plan.lengths.map((item, i) => ({
      ...row('Stock', item.name, 1, {
        lengthMm: item.lengthMm,
        note: `cut to ${item.pieces.map(piece => `${piece.mm.toFixed(0)} mm (${piece.name})`).join(', ')}; ${item.offcutMm.toFixed(0)} mm left`,
      }),
      // Every length is cut in its own way.
      id: `Stock: ${item.name}, length ${i + 1}`,
    })),
    ...plan.tooLong.map(item =>
      row('Stock', item.name, 1, {
        lengthMm: item.mm,
        note: `longer than any length that it is sold in (${item.stockMm} mm)`,
      }),
    ),
  ]
}

/** By kind, with what is cut away at the edges. */
function films(airframe: Airframe): HardwareRow[] {
  const areas = new Map<string, { name: string; area: number; arealMass: number }>()
  for (const { film, area } of coveredStretches(airframe)) {
    const known = areas.get(film.id)
    areas.set(film.id, { name: film.name, arealMass: film.arealMass, area: (known?.area ?? 0) + area })
  }
  return [...areas.values()].map(({ name, area, arealMass }) =>
    row('Stock', name, 1, {
      grams: 1000 * arealMass * area * (1 + LAPS),
      note: `${(100 * area * (1 + LAPS)).toFixed(0)} dm² with laps; a third more for what is cut away`,
    }),
  )
}

function hinges(airframe: Airframe): HardwareRow[] {
  return siteOf(airframe).moving.map(({ control, hinged }) =>
    control.hinge.kind === 'tape'
      ? row('Hinges', HINGES.tape, 1, { lengthMm: hinged.to - hinged.from })
      : row('Hinges', HINGES[control.hinge.kind], control.hinge.count),
  )
}

function linkages(airframe: Airframe): HardwareRow[] {
  const sheets = linkageSheets(airframe)
  if (sheets.length === 0) return []
  const halves = siteOf(airframe).moving.filter(
    ({ chain, control, joined }) => joined && control.linkage && chain.side === 'port',
  )
  return [
    ...sheets.map(sheet =>
      row('Linkages', 'Steel wire, 1 mm', 1, { lengthMm: sheet.rodMm + 30, note: '30 mm of it for bends' }),
    ),
    row('Linkages', 'Horn', sheets.length),
    row('Linkages', 'Clevis or keeper', 2 * sheets.length),
    ...(sheets.some(sheet => sheet.rodMm > 250)
      ? sheets
          .filter(sheet => sheet.rodMm > 250)
          .map(sheet => row('Linkages', 'Sleeve for the wire', 1, { lengthMm: sheet.rodMm - 60 }))
      : []),
    ...halves.map(() => row('Linkages', 'Joiner of a tail in halves, 2 mm wire', 1, { lengthMm: 80 })),
  ]
}

function closures(airframe: Airframe): HardwareRow[] {
  const { doc } = airframe
  const servos = doc.equipment
    .filter(item => item.kind === 'servo')
    .reduce((sum, item) => sum + (item.pair ? 2 : 1), 0)
  const bodies = bodiesOf(airframe)
  const walls = bodies.flatMap(({ body, ys }) =>
    body.firewall && body.firewall.bolts > 0 ? [{ ...body.firewall, count: ys.length }] : [],
  )
  const saddles = bodies.flatMap(({ body, ys }) =>
    body.saddle && body.saddle.bolts > 0 ? [{ ...body.saddle, count: ys.length }] : [],
  )
  const tails = tailParts(airframe, 'horizontal').length + tailParts(airframe, 'vertical').length
  const joints = airframe.pieces.filter(piece => piece.kind === 'fixed' && piece.joints.head)
  const pins = joints.filter(piece => ['pins', 'plug'].includes(piece.joints.head!.kind)).length
  const bolted = joints.filter(piece => piece.joints.head!.kind === 'bolts').length
  const lids = airframe.pieces.filter(piece => piece.kind === 'lid').length
  return [
    ...(servos ? [row('Screws and closures', 'Servo screw', 2 * servos)] : []),
    ...walls.map(wall =>
      row('Screws and closures', `Motor screw, ${wall.boltMm.toFixed(1)} mm hole`, wall.count * wall.bolts),
    ),
    ...(walls.length ? [row('Screws and closures', 'Thread-lock that plastic stands', 1)] : []),
    ...saddles.map(saddle =>
      row('Screws and closures', `Wing bolt with nut, ${saddle.boltMm} mm`, saddle.count * saddle.bolts),
    ),
    ...(tails * airframe.doc.tail.screws > 0
      ? [
          row(
            'Screws and closures',
            'Screw of 3 mm, 16 mm long, with insert',
            tails * airframe.doc.tail.screws,
          ),
        ]
      : []),
    ...(pins ? [row('Screws and closures', 'Pin of 3 mm', 2 * pins, { lengthMm: 20 })] : []),
    ...(bolted ? [row('Screws and closures', 'Bolt of 3 mm with nut', 3 * bolted)] : []),
    ...(lids ? [row('Screws and closures', 'Magnet, 5 × 2 mm', 4 * lids)] : []),
  ]
}

function electric(airframe: Airframe): HardwareRow[] {
  const { doc } = airframe
  const batteries = doc.equipment.filter(item => item.kind === 'battery').length
  return [
    ...siteOf(airframe)
      .pockets.filter(({ item }) => item.kind === 'servo')
      .map(({ item }) =>
        row('Electric', 'Extension lead of a servo', 1, {
          lengthMm: 100 * Math.ceil((Math.abs(item.yMm) + 80) / 100),
        }),
      ),
    ...(batteries
      ? [
          row('Electric', 'Strap, 20 mm wide', batteries, { lengthMm: 250 }),
          row('Electric', 'Hook tape', batteries, { lengthMm: 100 }),
        ]
      : []),
    ...(doc.equipment.some(item => item.kind === 'propeller')
      ? [row('Electric', 'Propeller adaptor and nut', 1), row('Electric', 'Spare propeller', 1)]
      : []),
  ]
}

const gear = ({ doc }: Airframe): HardwareRow[] =>
  doc.gear.flatMap(leg => [
    row('Gear', leg.name, leg.pair ? 2 : 1),
    ...(leg.kind === 'sprung' && leg.coil
      ? [
          row(
            'Gear',
            `Spring, wire ${leg.coil.wireMm} mm, coil ${(leg.coil.coilMm + leg.coil.wireMm).toFixed(1)} mm over all, ${(leg.coil.turns + 2).toFixed(1)} turns, ${leg.coil.freeMm} mm long`,
            leg.pair ? 2 : 1,
          ),
        ]
      : []),
    ...(leg.printedWheel
      ? [row('Gear', `Axle collar, ${leg.printedWheel.axleMm} mm`, leg.pair ? 4 : 2)]
      : leg.wheelMm > 0
        ? [row('Gear', `Wheel, ${leg.wheelMm.toFixed(0)} mm`, leg.pair ? 2 : 1)]
        : []),
  ])

function glues({ steps }: BuildOrder): HardwareRow[] {
  const grams = new Map<string, number>()
  for (const { glue } of steps) if (glue) grams.set(glue.name, (grams.get(glue.name) ?? 0) + glue.grams)
  return [...grams].map(([name, amount]) =>
    row('Glue', name, 1, { grams: amount, note: 'in the joints; as much again stays in cup and nozzle' }),
  )
}
