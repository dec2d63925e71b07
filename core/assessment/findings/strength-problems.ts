/**
 * What is wrong with what carries it, the wing's own verdict apart: each with place, figure, limit and one
 * thing to do.
 */
import type { ProjectFile } from '../../document'
import { zoneOr } from '../../geometry'
import type { Airframe } from '../resolve'
import { BOWS } from '../../structure'
import type { StrengthFigures, Finding, SpringReport } from '../report'
import { q, say } from '../../units'
import { motorMount } from './motor-mount'
import { wheelProblems } from './wheel-problems'
/** A tail that gives away more than this much of its lift slope is too soft to be trimmed by feel. */
export const TAIL_LEFT = 0.9
/** Twist of a boom under full rudder that can be seen and felt, °. */
export const BOOM_TWIST_LIMIT = 4

export function strengthProblems(airframe: Airframe, strength: StrengthFigures): Finding[] {
  return [
    ...placeProblems(strength),
    ...twistProblems(airframe, strength),
    ...gearProblems(airframe, strength),
    ...wheelProblems(airframe),
    ...motorMount(airframe, strength),
    ...sparProblems(airframe),
    ...stanceProblems(airframe),
  ]
}

/** The weakest of all is what the verdict says; here are the others. */
const placeProblems = ({ part, places }: StrengthFigures): Finding[] =>
  places
    .slice(part === 'wing' ? 0 : 1)
    .filter(place => place.reserve < 1)
    .map(place => ({
      code: `weak-${place.part}`,
      stations: ['spine'],
      target: true,
      severity: 'stop',
      where: say`${place.label} at ${q(place.xMm, 'mm', 0)}`,
      value: place.reserve,
      limit: 1,
      unit: '×',
      text: say`${place.label}, ${place.mode}: ${q(place.reserve, '', 2)} of what it must bear (${place.case}; ${place.words})`,
      remedy: say`Spine: ${place.remedy}`,
    }))

function twistProblems({ doc, surfaces, coveringOf }: Airframe, { twist, boom }: StrengthFigures): Finding[] {
  const found: Finding[] = []
  const top = doc.brief.topSpeedMs,
    loft = surfaces[twist.surface]!
  if (twist.cautionMs !== null && top > twist.cautionMs) {
    const first = [
      { at: twist.flutterMs, words: 'flutter' },
      { at: twist.divergenceMs, words: 'twist itself off (divergence)' },
      { at: twist.aileron?.reversalMs ?? null, words: 'roll against its ailerons (reversal)' },
    ].reduce((a, b) => ((b.at ?? Infinity) < (a.at ?? Infinity) ? b : a)).words
    found.push({
      code: 'twist-speed',
      stations: ['spine'],
      severity: 'stop',
      where: loft.label,
      value: top,
      limit: twist.cautionMs,
      unit: 'm/s',
      text: say`At ${q(top, 'm/s')} the ${loft.label.toLowerCase()} is near where it would ${first}: keep under ${q(twist.cautionMs, 'm/s', 0)}`,
      remedy: doc.zones.some(zone => coveringOf(zone) && loft.zones.includes(zone.id))
        ? 'Spine: a thicker tube, glued in, or a second one; Skin: a stiffer film; or a lower top speed at Brief'
        : 'Skin: another bead on the outer wing, or a lower top speed at Brief',
    })
  }
  const left = boom ? Math.min(boom.leftTop.pitch, boom.leftTop.yaw) : 1
  if (left < TAIL_LEFT)
    found.push({
      code: 'boom-soft',
      stations: ['spine'],
      severity: 'warn',
      where: 'Boom',
      value: left,
      limit: TAIL_LEFT,
      unit: 'of the tail',
      text: say`At top speed the boom bends until ${q(100 * left, '%', 0)} of the ${boom!.leftTop.yaw < boom!.leftTop.pitch ? 'rudder' : 'elevator'}'s effect is left`,
      remedy: 'Spine: a size more of boom',
    })
  if (boom && boom.twistDeg > BOOM_TWIST_LIMIT)
    found.push({
      code: 'boom-twists',
      stations: ['spine'],
      severity: 'warn',
      where: 'Boom',
      value: boom.twistDeg,
      limit: BOOM_TWIST_LIMIT,
      unit: '°',
      text: say`Full rudder at cruise twists the boom by ${q(boom.twistDeg, '°', 1)}`,
      remedy: 'Spine: a size more of boom',
    })
  return found
}

function gearProblems({ doc }: Airframe, { gear }: StrengthFigures): Finding[] {
  const found: Finding[] = []
  if (doc.brief.landing === 'wheels' && doc.gear.length === 0)
    found.push({
      code: 'gear-missing',
      stations: ['spine'],
      severity: 'warn',
      where: 'Landing gear',
      value: 0,
      limit: 1,
      unit: 'legs',
      text: 'It is to land on wheels and has no leg; a belly landing is computed',
      remedy: 'Spine: add a leg, or land it on its belly',
    })
  for (const spring of gear.springs) found.push(...springProblems(doc, spring))
  for (const name of gear.bottoms)
    found.push({
      code: 'gear-bottoms',
      stations: ['spine'],
      severity: 'warn',
      where: name,
      value: gear.travelMm,
      limit: stopOf(doc, gear, name),
      unit: 'mm',
      text: say`${name} runs into its stop in a drop from ${q(doc.brief.dropMm, 'mm')}; the peak is ${q(gear.factor, '', 1)} times the weight`,
      remedy: 'A stiffer spring, or more travel',
    })
  return found
}

/** Where a leg stops, or its spring is solid, mm. */
function stopOf(doc: ProjectFile, { springs }: StrengthFigures['gear'], name: string): number {
  const leg = doc.gear.find(item => item.name === name)!
  return springs.find(spring => spring.leg === leg.id)?.travelMm ?? leg.travelMm
}

/** Spring makers wind coils of so many wires; closer ones crack as they are wound, wider ones tangle. */
const INDEX = [4, 16] as const

/** What cannot be wound, or bows out beside its rod. */
function springProblems(doc: ProjectFile, { leg, index, slender }: SpringReport): Finding[] {
  const where = doc.gear.find(item => item.id === leg)!.name
  const found: Finding[] = []
  if (index < INDEX[0] || index > INDEX[1])
    found.push({
      code: 'spring-index',
      stations: ['spine'],
      severity: 'warn',
      where,
      value: index,
      limit: index < INDEX[0] ? INDEX[0] : INDEX[1],
      unit: '',
      text: say`The spring of ${where} is wound ${q(index, '', 1)} times as wide as its wire is thick; from ${q(INDEX[0], '', 0)} to ${q(INDEX[1], '', 0)} can be wound well`,
      remedy: index < INDEX[0] ? 'A thinner wire, or a wider coil' : 'A thicker wire, or a narrower coil',
    })
  if (slender > BOWS)
    found.push({
      code: 'spring-bows',
      stations: ['spine'],
      severity: 'note',
      where,
      value: slender,
      limit: BOWS,
      unit: '',
      text: say`The spring of ${where} is ${q(slender, '', 1)} times as long as it is wide and bows out as it is pressed`,
      remedy: 'A rod through it, or a tube round it, over its whole length',
    })
  return found
}

const sparProblems = ({ spars }: Airframe): Finding[] =>
  Object.values(spars).flatMap(lines =>
    (lines ?? [])
      .filter(line => line.spar.route === 'bent' && !line.stock.bends)
      .map((line): Finding => ({
        code: 'spar-cannot-bend',
        stations: ['spine'],
        severity: 'stop',
        where: line.spar.name,
        value: 1,
        limit: 0,
        unit: 'bends',
        text: `${line.spar.name} is to follow the dihedral, and ${line.stock.name} cannot be bent`,
        remedy: 'Spring steel wire, or two straight spars that overlap at the break',
      })),
  )

const stanceProblems = ({ doc, surfaces }: Airframe): Finding[] =>
  [...new Set(Object.values(surfaces).flatMap(loft => loft.zones))]
    .map(id => zoneOr(doc.zones, id))
    .flatMap((zone): Finding[] => {
      const { recipe } = zone
      if (recipe.stance !== 'flat') return []
      const least = Math.min(recipe.baseLayers, recipe.topLayers)
      if (recipe.spiral)
        return [
          {
            code: 'lies-spiral',
            stations: ['skin'],
            severity: 'stop',
            where: zone.name,
            value: 1,
            limit: 0,
            unit: 'spirals',
            text: `${zone.name}: a spiral wall needs a piece that stands on its end`,
            remedy: 'Skin: stand it up, or take another recipe',
          },
        ]
      if (least < 2)
        return [
          {
            code: 'lies-bare',
            stations: ['skin'],
            severity: 'warn',
            where: zone.name,
            value: least,
            limit: 2,
            unit: 'layers',
            text: `${zone.name} lies flat with ${least} ${recipe.topLayers <= recipe.baseLayers ? 'top' : 'base'} layers: there its skin is open`,
            remedy: 'Skin: at least two base and two top layers',
          },
        ]
      return []
    })
