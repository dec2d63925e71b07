/**
 * Colours of the pieces in the light of each station's question, with the legend that says what they mean.
 */
import { WEIGH_LIMIT, type Assessment, type PieceReport } from '../../core/assess'
import type { ProjectFile } from '../../core/document'
import { amount, figure } from './format'
import type { StationId } from '../stations/path'
import type { PaintName } from '~/stores/view'

export interface Legend {
  label: string
  colour: string
  pattern: number
}
export interface Paint {
  of(piece: PieceReport): { colour: string; pattern: number; note: string }
  legend: Legend[]
  title: string
}

/** Zones: five hues of one lightness, and a hatch each, so that colour is never alone. */
const ZONES = ['#d39570', '#8cacc9', '#a5b583', '#bfa3c4', '#cdba78', '#86b5ae', '#c78e9c', '#a3a5b0']
const PAPER = '#d9cfba'
const RAMP = ['#dfe7ea', '#b5cbd6', '#86abbf', '#5687a3', '#2f6384']

const step = (share: number): string =>
  RAMP[Math.min(RAMP.length - 1, Math.max(0, Math.floor(share * RAMP.length)))]

function ramp(
  pieces: readonly PieceReport[],
  value: (piece: PieceReport) => number,
  unit: string,
  digits: number,
  title: string,
): Paint {
  const values = pieces.map(value)
  const low = Math.min(...values),
    high = Math.max(...values)
  const share = (v: number) => (high - low < 1e-9 ? 0.5 : (v - low) / (high - low))
  return {
    title,
    of: piece => ({
      colour: step(share(value(piece))),
      pattern: 0,
      note: amount(value(piece), unit, digits),
    }),
    legend: [
      { label: amount(low, unit, digits), colour: RAMP[0], pattern: 0 },
      { label: amount(high, unit, digits), colour: RAMP[RAMP.length - 1], pattern: 0 },
    ],
  }
}

/** Stations at which the maker chooses what colours the pieces. */
export const PAINTED: readonly StationId[] = ['skin', 'split', 'print']

function filamentPaint(pieces: readonly PieceReport[]): Paint {
  const names = [...new Map(pieces.map(piece => [piece.filament, piece.filamentName]))]
  const index = (id: string) => names.findIndex(([own]) => own === id)
  return {
    title: 'Filament',
    legend: names.map(([, label], i) => ({ label, colour: ZONES[(i + 3) % ZONES.length], pattern: i % 6 })),
    of: piece => ({
      colour: ZONES[(index(piece.filament) + 3) % ZONES.length],
      pattern: index(piece.filament) % 6,
      note: `${piece.filamentName}: ${amount(piece.filamentG, 'g', 1)}`,
    }),
  }
}

export function paintFor(
  station: StationId,
  doc: ProjectFile,
  assessment: Assessment,
  choice: PaintName = 'zones',
): Paint {
  const { pieces, strength } = assessment
  if (PAINTED.includes(station)) {
    if (choice === 'area')
      return ramp(pieces, piece => piece.areaMassGdm2, 'g/dm²', 2, 'Printed mass per outside area')
    if (choice === 'hours') return ramp(pieces, piece => piece.hours, 'h', 1, 'Hours on the printer')
    if (choice === 'filament') return filamentPaint(pieces)
    if (choice === 'overhang')
      return ramp(pieces, piece => piece.overhangMm2 / 100, 'cm²', 1, 'Laid over nothing')
  }
  switch (station) {
    case 'skin': {
      const index = (zone: string) =>
        Math.max(
          0,
          doc.zones.findIndex(item => item.id === zone),
        )
      return {
        title: 'Zones',
        of: piece => ({
          colour: ZONES[index(piece.zone) % ZONES.length],
          pattern: index(piece.zone) % 6,
          note: `${piece.zoneName}: ${piece.filamentName}`,
        }),
        legend: doc.zones.map((zone, i) => ({
          label: zone.name,
          colour: ZONES[i % ZONES.length],
          pattern: i % 6,
        })),
      }
    }
    case 'spine': {
      const least = (piece: PieceReport) =>
        Math.min(
          ...strength.stations.filter(s => s.s >= piece.fromMm && s.s <= piece.toMm).map(s => s.reserve),
        )
      const second = strength.places.find(place => place.part === 'second')
      const band = (reserve: number) => [1, 1.5, 3].filter(edge => reserve >= edge).length
      const bands: Legend[] = [
        { label: 'under 1: breaks', colour: '#b3262e', pattern: 2 },
        { label: '1 to 1.5', colour: '#d9a441', pattern: 1 },
        { label: '1.5 to 3', colour: '#a9c3a0', pattern: 0 },
        { label: 'over 3', colour: '#6f9e86', pattern: 0 },
      ]
      return {
        title: 'Least reserve of each wing piece',
        legend: bands,
        of: piece =>
          piece.part === 'wing'
            ? { ...bands[band(least(piece))], note: `least reserve ${figure(least(piece), 2)}` }
            : piece.part === 'second' && second
              ? { ...bands[band(second.reserve)], note: `second wing: ${figure(second.reserve, 2)}` }
              : { colour: PAPER, pattern: 0, note: 'not part of the wing' },
      }
    }
    case 'split': {
      return {
        title: 'Fit on the beds',
        legend: [
          { label: 'fits', colour: '#a9c3a0', pattern: 0 },
          { label: 'fits no bed', colour: '#b3262e', pattern: 2 },
        ],
        of: piece => ({
          colour: piece.fits
            ? Number(/(\d+)/.exec(piece.id)?.[1] ?? 0) % 2
              ? '#a9c3a0'
              : '#c4d5bd'
            : '#b3262e',
          pattern: piece.fits ? 0 : 2,
          note: `${piece.boxMm.map(v => figure(v)).join(' × ')} mm`,
        }),
      }
    }
    case 'print':
      return ramp(pieces, piece => piece.hours, 'h', 1, 'Hours on the printer')
    case 'weigh': {
      const off = (piece: PieceReport) =>
        piece.weighedG === null ? null : piece.weighedG / piece.predictedG - 1
      const bands: Legend[] = [
        { label: 'not weighed', colour: PAPER, pattern: 0 },
        { label: `within ${figure(100 * WEIGH_LIMIT)} %`, colour: '#a9c3a0', pattern: 0 },
        { label: 'heavy', colour: '#b3262e', pattern: 2 },
        { label: 'light', colour: '#4f86b8', pattern: 1 },
      ]
      const band = (piece: PieceReport) => {
        const o = off(piece)
        if (o === null) return 0
        if (Math.abs(o) <= WEIGH_LIMIT) return 1
        return o > 0 ? 2 : 3
      }
      return {
        title: 'Scale against prediction',
        legend: bands,
        of: piece => ({
          ...bands[band(piece)],
          note:
            piece.weighedG === null
              ? `predicted ${amount(piece.predictedG, 'g', 1)}`
              : `${amount(piece.weighedG, 'g', 1)} of ${amount(piece.predictedG, 'g', 1)}`,
        }),
      }
    }
    case 'brief':
      return ramp(pieces, piece => piece.massG, 'g', 1, 'Mass of each piece')
    default:
      return {
        title: '',
        legend: [],
        of: piece => ({ colour: PAPER, pattern: 0, note: `${amount(piece.massG, 'g', 1)}` }),
      }
  }
}
