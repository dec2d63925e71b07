/**
 * Remedies that print nothing: batteries along their bays, other batteries, equipment moved, ballast put in
 * or taken out.
 */
import type { Assessment, Assessor } from '../../assess'
import { NO_SPECS, type Equipment, type ProjectFile } from '../../document'
import type { Battery, Libraries } from '../../libraries'
import { withItem, type Change } from '../../change'
import { half, judge, leverage, wanted, way, type Remedy, type Want } from './remedy'
import { q, say } from '../../units'

/** Ends of a bay as places of the middle of something that long. */
const ends = (bay: readonly [number, number], length: number): [number, number] => [
  bay[0] + length / 2,
  Math.max(bay[0] + length / 2, bay[1] - length / 2),
]
const clamp = (value: number, [low, high]: readonly [number, number]): number =>
  Math.min(high, Math.max(low, value))

/**
 * How far a battery would have to slide to centre it in the band, mm, and whether its bay lets it; null
 * without a battery in a bay.
 */
export function batterySlide(doc: ProjectFile, before: Assessment): { byMm: number; fits: boolean } | null {
  const item = doc.equipment.find(one => one.kind === 'battery' && one.bay && one.massG > 0)
  if (!item) return null
  const want = wanted(doc, before),
    byMm = want.shiftMm / leverage(want, item.massG)
  const [low, high] = ends(item.bay!, item.sizeMm[0])
  return { byMm, fits: item.xMm + byMm >= low - 0.5 && item.xMm + byMm <= high + 0.5 }
}

export function slides(assessor: Assessor, want: Want): Remedy[] {
  return want.doc.equipment
    .filter(item => item.kind === 'battery' && item.bay)
    .flatMap(item => {
      const wish = item.xMm + want.shiftMm / leverage(want, item.massG)
      const range = ends(item.bay!, item.sizeMm[0])
      const place = half(clamp(wish, range))
      const shift = place - item.xMm
      if (Math.abs(shift) < 0.5) return []
      const short = Math.abs(wish - clamp(wish, range)) > 0.5
      return [
        judge(
          assessor,
          want,
          {
            id: `move-${item.id}`,
            kind: 'slide',
            title: say`Move ${item.name} ${q(Math.abs(shift), 'mm', 0)} ${way(shift)}`,
            detail: short
              ? say`to the end of its bay; the middle of the band would want it at ${q(wish, 'mm', 0)}`
              : say`its middle at ${q(place, 'mm', 0)}, inside its bay`,
          },
          withItem(want.doc, item.id, { xMm: place }),
        ),
      ]
    })
}

/** Packs of the same cells that hold at least this share of what is in now. */
const LEAST_CAPACITY = 0.6,
  MOST_CAPACITY = 2.2

/**
 * Other packs from the library, each at its best place in the bay; the two that leave the balance best are
 * offered.
 */
export function otherBatteries(assessor: Assessor, want: Want, libraries: Libraries): Remedy[] {
  return want.doc.equipment
    .filter(item => item.kind === 'battery' && item.battery && item.bay)
    .flatMap(item => {
      const { cells, capacityMah } = item.battery!
      const fits = (pack: Battery) =>
        pack.cells === cells &&
        pack.capacityMah !== capacityMah &&
        pack.capacityMah >= LEAST_CAPACITY * capacityMah &&
        pack.capacityMah <= MOST_CAPACITY * capacityMah &&
        pack.sizeMm[0] <= item.bay![1] - item.bay![0] &&
        roomFor(want.doc, item, pack)
      return libraries.batteries
        .filter(fits)
        .map(pack => swap(assessor, want, item, pack))
        .sort((a, b) => a.outsidePct - b.outsidePct || Math.abs(a.grams) - Math.abs(b.grams))
        .slice(0, 2)
    })
}

/** Wide and high enough where it lies: a little less than the body, or no more than what is in now. */
function roomFor(doc: ProjectFile, item: Equipment, { sizeMm }: Battery): boolean {
  const widest = doc.body
    ? 0.85 * Math.max(...doc.body.stations.map(station => station.widthMm))
    : item.sizeMm[1] + 4
  return sizeMm[1] <= Math.max(widest, item.sizeMm[1]) && sizeMm[2] <= item.sizeMm[2] + 12
}

function swap(assessor: Assessor, want: Want, item: Equipment, pack: Battery): Remedy {
  const { totals, flight } = want.before
  const sizeMm: Equipment['sizeMm'] = [...pack.sizeMm]
  // CG with the pack at x, payload in and out: (M·cg − m·x_old + m'·x)/(M + m' − m); the mean of both to the
  // aim.
  const added = pack.massG - item.massG
  const states = [
    [totals.massG, totals.cgMm[0]],
    [totals.emptyMassG, totals.cgEmptyMm[0]],
  ] as const
  const slope = states.reduce((sum, [mass]) => sum + pack.massG / (mass + added), 0) / 2
  const base =
    states.reduce((sum, [mass, cg]) => sum + (mass * cg - item.massG * item.xMm) / (mass + added), 0) / 2
  const place = half(clamp((flight.cgAimMm - base) / slope, ends(item.bay!, pack.sizeMm[0])))
  return judge(
    assessor,
    want,
    {
      id: `swap-${item.id}-${pack.id}`,
      kind: 'battery',
      title: `${pack.name} instead of ${item.name}`,
      detail: say`${q(pack.massG, 'g')} for ${q(item.massG, 'g')}, its middle at ${q(place, 'mm', 0)}; ${q((100 * pack.capacityMah) / item.battery!.capacityMah, '%', 0)} of the capacity`,
    },
    withItem(want.doc, item.id, {
      name: pack.name,
      massG: pack.massG,
      spreadG: Math.round(2 * pack.massG) / 100,
      weighed: false,
      sizeMm,
      xMm: place,
      battery: { ...item.battery!, cells: pack.cells, capacityMah: pack.capacityMah, resistanceOhm: null },
    }),
  )
}

/** What may stand elsewhere in the body without a redesign. */
const MOVABLE = new Set<Equipment['kind']>(['receiver', 'speed-controller', 'sensor', 'servo', 'ballast'])
/**
 * Leads and rods allow this much, mm: a servo's rod must still run straight, a controller's leads reach motor
 * and battery.
 */
const MOST_MOVE: Partial<Record<Equipment['kind'], number>> = {
  servo: 60,
  'speed-controller': 80,
  receiver: 150,
}
const FURTHEST = 150

export function equipmentMoves(assessor: Assessor, want: Want): Remedy[] {
  const { doc } = want
  return doc.equipment
    .filter(item => MOVABLE.has(item.kind) && !item.pair && !item.pocket && item.massG > 0)
    .flatMap(item => {
      const wish = item.xMm + want.shiftMm / leverage(want, item.massG)
      const range: [number, number] = item.bay
        ? ends(item.bay, item.sizeMm[0])
        : bodyRange(want, assessor, item)
      const most = MOST_MOVE[item.kind] ?? FURTHEST
      const target = clamp(wish, [Math.max(range[0], item.xMm - most), Math.min(range[1], item.xMm + most)])
      const place = nearestFree(doc, item, half(target))
      const shift = place - item.xMm
      if (Math.abs(shift) < 3 || shift * want.shiftMm <= 0) return []
      return [
        judge(
          assessor,
          want,
          {
            id: `move-${item.id}`,
            kind: 'equipment',
            title: say`Move ${item.name} ${q(Math.abs(shift), 'mm', 0)} ${way(shift)}`,
            detail: say`its middle at ${q(place, 'mm', 0)}, clear of what stands there now; see that leads and rods reach`,
          },
          withItem(doc, item.id, { xMm: place }),
        ),
      ]
    })
}

/** Skin and a little air all round, mm. */
const SKIN = 2
/**
 * Where the whole box fits inside the body, front to rear, as places of its middle; where it stands now at
 * least.
 */
function bodyRange(want: Want, assessor: Assessor, item: Equipment): [number, number] {
  const { body } = assessor.airframe(want.doc)
  if (!body) return [item.xMm, item.xMm]
  const [length, width, height] = item.sizeMm
  const from = body.from + (want.doc.body!.firewall?.thicknessMm ?? 0)
  const holds = (x: number) => {
    const at = body.at(x)
    const across = (Math.abs(item.yMm) + width / 2) / Math.max(1, at.width / 2 - SKIN),
      up = (Math.abs(item.zMm - at.z) + height / 2) / Math.max(1, at.height / 2 - SKIN)
    // A rounded section: its corners are lost as its squareness falls.
    return across ** 2 + up ** 2 <= 1 + at.squareness && across <= 1 && up <= 1
  }
  const inside = (x: number) =>
    x - length / 2 >= from && x + length / 2 <= body.to && holds(x - length / 2) && holds(x + length / 2)
  const reach = (step: 1 | -1) => {
    let x = item.xMm
    while (Math.abs(x + step - item.xMm) <= FURTHEST && inside(x + step)) x += step
    return x
  }
  return [reach(-1), reach(1)]
}

/** From the wish back towards where it stands, the first place where its box meets no other. */
function nearestFree(doc: ProjectFile, item: Equipment, wish: number): number {
  const others = doc.equipment.filter(
    other => other.id !== item.id && other.kind !== 'hardware' && other.kind !== 'propeller',
  )
  const meets = (x: number) =>
    others.some(other =>
      [x, item.yMm, item.zMm].every(
        (at, k) =>
          Math.abs(at - [other.xMm, other.yMm, other.zMm][k]) < (item.sizeMm[k] + other.sizeMm[k]) / 2 - 0.5,
      ),
    )
  const step = wish < item.xMm ? 1 : -1
  for (let x = wish; (item.xMm - x) * step > 0; x += step) if (!meets(x)) return x
  return item.xMm
}

/** Ballast beyond this is no remedy but a redesign, share of the flying mass. */
const MAX_BALLAST_SHARE = 0.25
/** How far inside the ends of the airframe ballast can lie, mm. */
const INSET = 20

/** At the end that needs least of it, which is always the far one. */
export function ballast(assessor: Assessor, want: Want): Remedy[] {
  const {
    doc,
    before: { totals, flight, drawing },
  } = want
  const forward = want.shiftMm < 0
  const at = forward ? drawing.box.minX + INSET : drawing.box.maxX - INSET
  // (M·cg + b·at)/(M + b), payload in and out, mean to the aim: solved by bisection, it rises steadily with
  // b.
  const mean = (b: number) =>
    ((totals.massG * totals.cgMm[0] + b * at) / (totals.massG + b) +
      (totals.emptyMassG * totals.cgEmptyMm[0] + b * at) / (totals.emptyMassG + b)) /
    2
  const short = (b: number) => (forward ? mean(b) > flight.cgAimMm : mean(b) < flight.cgAimMm)
  const most = MAX_BALLAST_SHARE * totals.massG
  if (!short(0) || short(most)) return []
  let low = 0,
    high = most
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2
    if (short(middle)) low = middle
    else high = middle
  }
  const grams = Math.round(high * 10) / 10
  if (grams < 0.5) return []
  const end = forward ? 'nose' : 'tail'
  return [
    judge(
      assessor,
      want,
      {
        id: `ballast-${end}`,
        kind: 'ballast',
        title: say`${q(grams, 'g', 1)} of ballast ${forward ? 'in the nose' : 'at the tail'}`,
        detail: say`at ${q(at, 'mm', 0)}, where least of it does; it flies ${q(grams, 'g', 1)} heavier for good`,
      },
      { equipment: [...doc.equipment, ballastItem(doc, end, Math.round(at * 10) / 10, grams)] },
    ),
  ]
}

/** Ballast that is in and now pulls the wrong way, or is not needed, comes out. */
export function withoutBallast(assessor: Assessor, want: Want): Remedy[] {
  const { doc } = want
  return doc.equipment
    .filter(item => item.kind === 'ballast' && (item.xMm - want.before.totals.cgMm[0]) * want.shiftMm <= 0)
    .map(item => {
      const change: Change = { equipment: doc.equipment.filter(other => other.id !== item.id) }
      return judge(
        assessor,
        want,
        {
          id: `drop-${item.id}`,
          kind: 'drop-ballast',
          title: `Take ${item.name} out`,
          detail: say`${q(item.massG, 'g')} at ${q(item.xMm, 'mm', 0)} that it need not carry`,
        },
        change,
      )
    })
}

function ballastItem(doc: ProjectFile, end: string, xMm: number, massG: number): Equipment {
  let n = 1
  while (doc.equipment.some(item => item.id === `ballast-${end}-${n}`)) n++
  return {
    id: `ballast-${end}-${n}`,
    name: `Ballast, ${end}`,
    kind: 'ballast',
    massG,
    spreadG: 0.2,
    xMm,
    yMm: 0,
    zMm: doc.boom?.zMm ?? 0,
    sizeMm: [12, 12, 8],
    pair: false,
    bay: null,
    drops: false,
    weighed: true,
    pocket: null,
    ...NO_SPECS,
  }
}
