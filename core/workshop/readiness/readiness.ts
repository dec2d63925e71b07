/**
 * Go or no-go for a flight, from what was computed, measured and checked. It never says that a flight is
 * legal or safe.
 */
import { propulsionOf, type Assessment } from '../../assess'
import type { ProjectFile } from '../../document'
import { controlThrows } from '../advice'
import { FRESH, running } from '../../power'
import { GRAVITY, kgToG, listed, q, say, type Words } from '../../units'

export interface ReadinessItem {
  id: string
  group: 'Airframe' | 'Balance' | 'Controls' | 'Power' | 'Place'
  label: Words
  state: 'go' | 'no-go' | 'open'
  evidence: Words
  /** Ticked by hand rather than computed. */
  byHand: boolean
  /** How long a tick holds; of what is computed, as long as it is so. */
  each: 'once' | 'day' | 'flight'
  caution?: string
}

/** What only hands and eyes can check. */
const BY_HAND: ReadonlyArray<Omit<ReadinessItem, 'state' | 'evidence' | 'byHand'>> = [
  {
    id: 'joints',
    group: 'Airframe',
    each: 'flight',
    label: 'Every joint, hatch and spar end looked over and flexed by hand',
    caution: 'Cyanoacrylate and its activator: air the room, keep it off eyes and skin.',
  },
  {
    id: 'surfaces-direction',
    group: 'Controls',
    each: 'flight',
    label: 'Control surfaces move the right way: stick right, starboard aileron up',
  },
  { id: 'surfaces-throws', group: 'Controls', each: 'once', label: 'Throws measured, low rates set' },
  { id: 'range', group: 'Controls', each: 'day', label: 'Range checked and failsafe cuts the motor' },
  {
    id: 'propeller',
    group: 'Power',
    each: 'day',
    label: 'Propeller bolted and spins true',
    caution:
      'The propeller is live whenever the battery is in. Stand behind it, hold the aircraft, keep sleeves and faces clear.',
  },
  {
    id: 'battery-held',
    group: 'Power',
    each: 'flight',
    label: 'Battery charged, undamaged and cannot slide',
    caution: 'Never charge a lithium battery unattended or fly a swollen one; carry it in a fireproof bag.',
  },
  {
    id: 'field',
    group: 'Place',
    each: 'day',
    label: 'Allowed to fly here today; nobody, no animals and no road under the path',
    caution:
      'Rules on mass, height, identification and place differ: ask the national authority, the club and the owner of the site.',
  },
]

/** Where there is film. */
const FILM: (typeof BY_HAND)[number] = {
  id: 'film',
  group: 'Airframe',
  each: 'day',
  label: 'Film tight on both sides, no tear, no twist that was not there',
}

/** Where motors turn up. */
const TILTS: (typeof BY_HAND)[number] = {
  id: 'tilt',
  group: 'Airframe',
  each: 'day',
  label: 'Motors turn up and forward alike, to their stops, and stay there when pushed',
  caution:
    'Propellers off for this. One that hangs rolls it over at once: no second try until the cause is found.',
}

/** Of a propeller that turns behind whoever throws. */
const BEHIND_HAND =
  'It turns behind the hand that throws it: throw with the motor off, start it when it is away, and keep the other hand off the switch.'
const behindHand = ({ brief, equipment, wing }: ProjectFile): boolean =>
  brief.launch === 'hand' &&
  equipment.some(item => item.kind === 'propeller' && item.xMm > wing.xMm + wing.rootChordMm / 2)

/** In place of a propeller. */
const FAN = {
  label: 'Fan runs free and true in its duct, nothing loose ahead of the intake',
  caution:
    'It is live whenever the battery is in. It draws in sleeves, hair and grass, and a blade that breaks leaves sideways: nobody beside it, hold the aircraft from behind the wing.',
}
/** What is said of what turns: a fan, or a propeller behind the hand. */
function turning(item: (typeof BY_HAND)[number], doc: ProjectFile): Partial<ReadinessItem> {
  if (item.id !== 'propeller') return {}
  if (doc.equipment.some(own => own.fan)) return FAN
  return behindHand(doc) ? { caution: `${item.caution} ${BEHIND_HAND}` } : {}
}

/** Thrust that a hand or bungee launch wants, share of weight. */
export const THRUST_SHARE = 0.5

/** `today` as YYYY-MM-DD: ticks of another day do not hold for what is asked every day. Null: they all hold. */
export function readiness(
  doc: ProjectFile,
  assessment: Assessment,
  today: string | null = null,
): { verdict: 'go' | 'no-go' | 'open'; items: ReadinessItem[] } {
  const items = [...computed(doc, assessment), ...byHand(doc, today, assessment)]
  const verdict = items.some(item => item.state === 'no-go')
    ? 'no-go'
    : items.some(item => item.state === 'open')
      ? 'open'
      : 'go'
  return { verdict, items }
}

function computed(
  doc: ProjectFile,
  { strength, loads, flight, plan, totals, findings }: Assessment,
): ReadinessItem[] {
  const { measured, brief, field } = doc
  const [low, high] = brief.staticMarginPct
  const marginOf = (cg: number) => (100 * (flight.neutralPointMm - cg)) / plan.macMm
  const inBand = (pct: number) => pct >= low && pct <= high
  const payload = totals.massG - totals.emptyMassG
  const withPayload =
    measured.cgMm === null
      ? null
      : (measured.cgMm * totals.emptyMassG +
          (totals.cgMm[0] * totals.massG - totals.cgEmptyMm[0] * totals.emptyMassG)) /
        totals.massG
  const stops = findings.filter(finding => finding.severity === 'stop' && !finding.code.endsWith('-failing'))
  const allUp = measured.massG === null ? null : measured.massG + payload
  return [
    {
      id: 'strength',
      group: 'Airframe',
      label: say`Airframe bears ${q(loads.governing.n, 'gₙ', 1)} (${loads.governing.by}), launch and landing with a factor of ${brief.safetyFactor}`,
      byHand: false,
      each: 'once',
      state: strength.reserve >= 1 ? 'go' : 'no-go',
      evidence: say`reserve ${q(strength.reserve, '', 2)}, ${strength.mode}, ${strength.where}`,
    },
    {
      id: 'stops',
      group: 'Airframe',
      label: 'No finding that stops the build',
      byHand: false,
      each: 'once',
      state: stops.length === 0 ? 'go' : 'no-go',
      evidence: stops[0]?.text ?? 'none',
    },
    {
      id: 'mass',
      group: 'Balance',
      label: 'Weighed ready to fly',
      byHand: false,
      each: 'once',
      state: allUp === null ? 'open' : allUp <= brief.targetMassG * 1.1 ? 'go' : 'no-go',
      evidence:
        allUp === null
          ? say`computed ${q(totals.emptyMassG, 'g', 0)} without payload; put it on the scale`
          : say`${q(allUp, 'g', 0)} with payload; target ${q(brief.targetMassG, 'g')}, at most a tenth over`,
    },
    {
      id: 'cg',
      group: 'Balance',
      label: 'Balance point measured, and in the band with payload in and out',
      byHand: false,
      each: 'once',
      state:
        measured.cgMm === null || withPayload === null
          ? 'open'
          : inBand(marginOf(measured.cgMm)) && inBand(marginOf(withPayload))
            ? 'go'
            : 'no-go',
      evidence:
        measured.cgMm === null
          ? say`computed ${q(totals.cgEmptyMm[0], 'mm', 0)} without payload; aim ${q(flight.cgAimMm, 'mm', 0)}`
          : say`measured ${q(measured.cgMm, 'mm')}: ${q(marginOf(measured.cgMm), '%', 1)}, with payload ${q(marginOf(withPayload!), '%', 1)} (band ${low}–${q(high, '%')})`,
    },
    {
      id: 'thrust',
      group: 'Power',
      label: say`Static thrust at least ${q(100 * THRUST_SHARE, '%')} of the weight`,
      byHand: false,
      each: 'once',
      state:
        measured.thrustG === null
          ? 'open'
          : measured.thrustG >= THRUST_SHARE * (allUp ?? totals.massG)
            ? 'go'
            : 'no-go',
      evidence:
        measured.thrustG === null
          ? say`wanted ${q(THRUST_SHARE * totals.massG, 'g', 0)} on the stand${computedThrust(doc)}`
          : say`${q(measured.thrustG, 'g')}, ${q((100 * measured.thrustG) / (allUp ?? totals.massG), '%', 0)} of the weight`,
    },
    {
      id: 'wind',
      group: 'Place',
      label: say`Wind at most ${q(brief.windMaxMs, 'm/s')} (your limit)`,
      byHand: false,
      each: 'once',
      state: field.windMs === null ? 'open' : field.windMs <= brief.windMaxMs ? 'go' : 'no-go',
      evidence: field.windMs === null ? 'measure it at the field' : say`${q(field.windMs, 'm/s')}`,
    },
  ]
}

/** What the drive is computed to pull, where it is told. */
function computedThrust(doc: ProjectFile): Words {
  const { propulsion } = propulsionOf(doc)
  if (!propulsion) return ''
  const { thrust } = running(propulsion.drive, 1, 0, FRESH)
  return say`; computed ${q(kgToG(thrust / GRAVITY), 'g', 0)}`
}

const throwsWanted = (doc: ProjectFile): Words =>
  listed(
    controlThrows(doc).map(
      ({ name, upMm, downMm }) =>
        say`; ${name.toLowerCase()} ${q(upMm, 'mm', 0)} up, ${q(downMm, 'mm', 0)} down at the inner end`,
    ),
    '',
  )

const byHand = (
  doc: ProjectFile,
  today: string | null,
  { drawing, tilt }: Pick<Assessment, 'drawing' | 'tilt'>,
): ReadinessItem[] =>
  [...BY_HAND, ...(drawing.films.length > 0 ? [FILM] : []), ...(tilt ? [TILTS] : [])].map(item => {
    const done = doc.checks.find(check => check.item === item.id)
    const holds = !!done && (today === null || item.each === 'once' || done.date === today)
    const wanted = item.id === 'surfaces-throws' ? throwsWanted(doc) : ''
    const said = done ? `checked ${done.date}${holds ? '' : ', not today'}` : 'not checked yet'
    return {
      ...item,
      ...turning(item, doc),
      byHand: true,
      state: holds ? 'go' : 'open',
      evidence: say`${said}${wanted}`,
    }
  })

/** Checks that have had their time once it has flown. */
export const afterFlight = (checks: ProjectFile['checks']): ProjectFile['checks'] =>
  checks.filter(check => BY_HAND.find(item => item.id === check.item)?.each !== 'flight')
