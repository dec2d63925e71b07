/**
 * What can be grabbed on the drawing at each station, and the edit that dragging it makes. Places in mm of
 * the view.
 */
import type { Draft } from 'immer'
import { LIMITS, type ProjectFile, type Surface } from '../../core/document'
import { placePoint, sparLines, type SurfaceLoft } from '../../core/geometry'
import { LIBRARIES } from '../../core/libraries'
import { amount } from './format'
import type { StationId } from '../stations/path'
import type { ViewName } from '~/stores/view'

export interface Handle {
  id: string
  label: string
  shape: 'round' | 'bar' | 'box'
  /** Aircraft x, y, z in mm. */
  at: [number, number, number]
  /** Box drawn to scale, mm: length, width, height. */
  size?: [number, number, number]
  /** A mirrored one to port. */
  pair?: boolean
  /** Which aircraft axes it may move along. */
  axes: ReadonlyArray<'x' | 'y' | 'z'>
  edit: string
  apply(draft: Draft<ProjectFile>, to: [number, number, number]): void
  figure: string
}

const length = (mm: number) => amount(mm, 'mm', Number.isInteger(mm) ? 0 : 1)
const clamp = (value: number, [low, high]: readonly [number, number]) => Math.min(high, Math.max(low, value))
const tenth = (value: number) => Math.round(value * 2) / 2

/**
 * Stations of a surface's plan, from the document alone: leading edge, chord and height at each panel end,
 * mm.
 */
function planStations(surface: Surface) {
  let s = 0,
    lead = surface.xMm,
    z = surface.zMm
  const list = [{ s, lead, chord: surface.rootChordMm, z }]
  for (const panel of surface.panels) {
    s += panel.spanMm
    lead += panel.sweepMm
    z += panel.spanMm * Math.tan((panel.dihedralDeg * Math.PI) / 180)
    list.push({ s, lead, chord: panel.tipChordMm, z })
  }
  return list.map(item => ({ ...item, y: surface.yMm + item.s }))
}

export function handlesFor(
  station: StationId,
  view: ViewName,
  doc: ProjectFile,
  wing: SurfaceLoft | null,
): Handle[] {
  if (station === 'shape' && view === 'plan') return shapeHandles(doc)
  if (station === 'spine' && view === 'plan' && wing) return sparHandles(doc, wing)
  if (station === 'split' && (view === 'plan' || view === 'side')) return cutHandles(doc, view)
  if (station === 'balance' && (view === 'side' || view === 'plan')) return massHandles(doc, view)
  return []
}

/** Root, panel ends and chords of the wing, and of a tailplane that lies flat. */
function shapeHandles(doc: ProjectFile): Handle[] {
  const tail = doc.tail.kind !== 'none' && doc.tail.kind !== 'V' ? doc.tail.horizontal : null
  return [
    ...planHandles(doc.wing, 'wing', '', draft => draft.wing as Surface),
    ...(tail ? planHandles(tail, 'tailplane', 'tail-', draft => draft.tail.horizontal as Surface) : []),
  ]
}

function planHandles(
  surface: Surface,
  word: string,
  prefix: string,
  target: (draft: Draft<ProjectFile>) => Surface,
): Handle[] {
  const list = planStations(surface)
  return list.flatMap((station, i): Handle[] => {
    const inner = list[i - 1]
    const end =
      i === 0
        ? `Root of the ${word}`
        : i === list.length - 1
          ? `Tip of the ${word}`
          : `End of ${word} panel ${i}`
    const edge: Handle = {
      id: `${prefix}lead-${i}`,
      label: end,
      shape: 'round',
      at: [station.lead, station.y, station.z],
      axes: inner ? ['x', 'y'] : ['x'],
      edit: `Move the ${end.toLowerCase()}`,
      figure: inner
        ? `panel ${i}: span ${length(surface.panels[i - 1].spanMm)}, sweep ${length(surface.panels[i - 1].sweepMm)}`
        : `leading edge at ${length(surface.xMm)}`,
      apply: (draft, [x, y]) => {
        const own = target(draft)
        if (!inner) {
          own.xMm = tenth(clamp(x, LIMITS.positionMm))
          return
        }
        const panel = own.panels[i - 1]
        panel.spanMm = tenth(clamp(y - inner.y, LIMITS.spanMm))
        panel.sweepMm = tenth(clamp(x - inner.lead, LIMITS.sweepMm))
      },
    }
    const chord: Handle = {
      id: `${prefix}chord-${i}`,
      label: `Chord, ${end.toLowerCase()}`,
      shape: 'bar',
      at: [station.lead + station.chord, station.y, station.z],
      axes: ['x'],
      edit: `Change the chord at the ${end.toLowerCase()}`,
      figure: length(station.chord),
      apply: (draft, [x]) => {
        const own = target(draft),
          to = tenth(clamp(x - station.lead, LIMITS.chordMm))
        if (i === 0) own.rootChordMm = to
        else own.panels[i - 1].tipChordMm = to
      },
    }
    return [edge, chord]
  })
}

function sparHandles(doc: ProjectFile, wing: SurfaceLoft): Handle[] {
  return doc.spars.flatMap((spar, i) => {
    const stock = LIBRARIES.stock.find(item => item.id === spar.stock)
    if (spar.surface !== 'wing' || !stock) return []
    const [line] = sparLines(wing, spar, stock)
    const end = line.at(line.to)
    return [
      {
        id: `spar-${spar.id}`,
        label: `End of ${spar.name}`,
        shape: 'round' as const,
        at: placePoint(wing, end.x, end.n, line.to, 1),
        axes: ['y'] as const,
        edit: `Run ${spar.name} further or less`,
        figure: `to ${length(spar.toMm)}`,
        apply: (draft: Draft<ProjectFile>, [, y]: [number, number, number]) => {
          draft.spars[i].toMm = tenth(clamp(y - wing.origin[1], [spar.fromMm + 10, wing.span]))
        },
      },
    ]
  })
}

function cutHandles(doc: ProjectFile, view: ViewName): Handle[] {
  const stations = planStations(doc.wing)
  const tip = stations[stations.length - 1].s
  const at = (s: number) => {
    const next = Math.max(
      1,
      stations.findIndex(item => item.s >= s),
    )
    const a = stations[next - 1],
      b = stations[next] ?? a
    const t = b.s === a.s ? 0 : (s - a.s) / (b.s - a.s)
    return {
      x: a.lead + (b.lead - a.lead) * t + (a.chord + (b.chord - a.chord) * t) / 2,
      z: a.z + (b.z - a.z) * t,
    }
  }
  const wingCuts: Handle[] = doc.cuts.wing.map((cut, i) => ({
    id: `cut-wing-${i}`,
    label: `Wing cut ${i + 1}`,
    shape: 'bar',
    at: [at(cut.atMm).x, doc.wing.yMm + cut.atMm, at(cut.atMm).z],
    axes: ['y'],
    edit: `Move wing cut ${i + 1}`,
    figure: `${length(cut.atMm)} from the root`,
    apply: (draft, [, y]) => {
      draft.cuts.wing[i].atMm = tenth(clamp(y - doc.wing.yMm, [5, tip - 5]))
    },
  }))
  const body = doc.body
  const bodyCuts: Handle[] = !body
    ? []
    : doc.cuts.body.map((cut, i) => ({
        id: `cut-body-${i}`,
        label: `Body cut ${i + 1}`,
        shape: 'bar',
        at: [cut.atMm, 0, 0],
        axes: ['x'],
        edit: `Move body cut ${i + 1}`,
        figure: `${length(cut.atMm)} from the nose`,
        apply: (draft, [x]) => {
          draft.cuts.body[i].atMm = tenth(
            clamp(x, [body.stations[0].xMm + 5, body.stations[body.stations.length - 1].xMm - 5]),
          )
        },
      }))
  return view === 'plan' ? [...wingCuts, ...bodyCuts] : bodyCuts
}

function massHandles(doc: ProjectFile, view: ViewName): Handle[] {
  return doc.equipment.map((item, i) => ({
    id: `mass-${item.id}`,
    label: item.name,
    shape: 'box',
    at: [item.xMm, item.yMm, item.zMm],
    size: item.sizeMm,
    pair: item.pair,
    axes: item.bay ? ['x'] : view === 'plan' ? ['x', 'y'] : ['x', 'z'],
    edit: `Move ${item.name}`,
    figure: `${amount(item.massG, 'g', 1)} at ${length(item.xMm)}`,
    apply: (draft, [x, y, z]) => {
      const target = draft.equipment[i]
      const half = item.sizeMm[0] / 2
      target.xMm = tenth(
        item.bay
          ? clamp(x, [item.bay[0] + half, Math.max(item.bay[0] + half, item.bay[1] - half)])
          : clamp(x, LIMITS.positionMm),
      )
      if (!item.bay && view === 'plan') target.yMm = tenth(clamp(y, LIMITS.positionMm))
      if (!item.bay && view === 'side') target.zMm = tenth(clamp(z, LIMITS.positionMm))
    },
  }))
}
