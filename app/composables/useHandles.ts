/** What can be grabbed on the drawing at each station, and the edit that dragging it makes. Places in mm of the view. */
import type { Draft } from 'immer'
import { LIMITS, type ProjectFile } from '../../core/document'
import { placePoint, sparLine, type SurfaceLoft } from '../../core/geometry'
import { LIBRARIES } from '../../core/libraries'
import type { StationId } from './stations'
import type { ViewName } from '~/stores/view'

export interface Handle {
  id: string
  label: string
  shape: 'round' | 'bar' | 'box'
  /** Aircraft x, y, z in mm. */
  at: [number, number, number]
  /** Box drawn to scale, mm: length, width, height. */
  size?: [number, number, number]
  /** Which aircraft axes it may move along. */
  axes: ReadonlyArray<'x' | 'y' | 'z'>
  edit: string
  apply(draft: Draft<ProjectFile>, to: [number, number, number]): void
  figure: string
}

const clamp = (value: number, [low, high]: readonly [number, number]) => Math.min(high, Math.max(low, value))
const tenth = (value: number) => Math.round(value * 2) / 2

/** Stations of the wing's plan, from the document alone: leading edge and chord at each panel end, mm. */
export function wingStations(doc: ProjectFile) {
  let s = 0, lead = doc.wing.xMm, z = doc.wing.zMm
  const list = [{ s, lead, chord: doc.wing.rootChordMm, z }]
  for (const panel of doc.wing.panels) {
    s += panel.spanMm
    lead += panel.sweepMm
    z += panel.spanMm * Math.tan((panel.dihedralDeg * Math.PI) / 180)
    list.push({ s, lead, chord: panel.tipChordMm, z })
  }
  return list.map(item => ({ ...item, y: doc.wing.yMm + item.s }))
}

export function handlesFor(station: StationId, view: ViewName, doc: ProjectFile, wing: SurfaceLoft | null): Handle[] {
  if (station === 'shape' && view === 'plan') return shapeHandles(doc)
  if (station === 'spine' && view === 'plan' && wing) return sparHandles(doc, wing)
  if (station === 'split' && (view === 'plan' || view === 'side')) return cutHandles(doc, view)
  if (station === 'balance' && (view === 'side' || view === 'plan')) return massHandles(doc, view)
  return []
}

function shapeHandles(doc: ProjectFile): Handle[] {
  const list = wingStations(doc)
  const handles: Handle[] = []
  list.forEach((station, i) => {
    const inner = list[i - 1]
    if (inner) {
      handles.push({
        id: `lead-${i}`, label: i === list.length - 1 ? 'Tip' : `Panel ${i} end`, shape: 'round', at: [station.lead, station.y, station.z], axes: ['x', 'y'], edit: i === list.length - 1 ? 'Move the tip' : `Move the end of panel ${i}`,
        figure: `panel ${i}: span ${doc.wing.panels[i - 1].spanMm} mm, sweep ${doc.wing.panels[i - 1].sweepMm} mm`,
        apply: (draft, [x, y]) => {
          const panel = draft.wing.panels[i - 1]
          panel.spanMm = tenth(clamp(y - inner.y, LIMITS.spanMm))
          panel.sweepMm = tenth(clamp(x - inner.lead, LIMITS.sweepMm))
        },
      })
    }
    handles.push({
      id: `chord-${i}`, label: i === 0 ? 'Root chord' : `Chord at ${station.s.toFixed(0)} mm`, shape: 'bar', at: [station.lead + station.chord, station.y, station.z], axes: ['x'], edit: i === 0 ? 'Change the root chord' : `Change the chord of panel ${i}`,
      figure: `chord ${station.chord} mm`,
      apply: (draft, [x]) => {
        const chord = tenth(clamp(x - station.lead, LIMITS.chordMm))
        if (i === 0) draft.wing.rootChordMm = chord
        else draft.wing.panels[i - 1].tipChordMm = chord
      },
    })
  })
  return handles
}

function sparHandles(doc: ProjectFile, wing: SurfaceLoft): Handle[] {
  return doc.spars.flatMap((spar, i) => {
    const stock = LIBRARIES.stock.find(item => item.id === spar.stock)
    if (spar.surface !== 'wing' || !stock) return []
    const line = sparLine(wing, spar, stock)
    const end = line.at(line.to)
    return [{
      id: `spar-${spar.id}`, label: `End of ${spar.name}`, shape: 'round' as const, at: placePoint(wing, end.x, end.n, line.to, 1), axes: ['y'] as const, edit: `Run ${spar.name} further or less`, figure: `to ${spar.toMm} mm`,
      apply: (draft: Draft<ProjectFile>, [, y]: [number, number, number]) => { draft.spars[i].toMm = tenth(clamp(y - wing.origin[1], [spar.fromMm + 10, wing.span])) },
    }]
  })
}

function cutHandles(doc: ProjectFile, view: ViewName): Handle[] {
  const stations = wingStations(doc)
  const tip = stations[stations.length - 1].s
  const at = (s: number) => {
    const next = Math.max(1, stations.findIndex(item => item.s >= s))
    const a = stations[next - 1], b = stations[next] ?? a
    const t = b.s === a.s ? 0 : (s - a.s) / (b.s - a.s)
    return { x: a.lead + (b.lead - a.lead) * t + (a.chord + (b.chord - a.chord) * t) / 2, z: a.z + (b.z - a.z) * t }
  }
  const wingCuts: Handle[] = doc.cuts.wing.map((cut, i) => ({
    id: `cut-wing-${i}`, label: `Wing cut ${i + 1}`, shape: 'bar', at: [at(cut).x, doc.wing.yMm + cut, at(cut).z], axes: ['y'], edit: `Move wing cut ${i + 1}`, figure: `${cut} mm from the root`,
    apply: (draft, [, y]) => { draft.cuts.wing[i] = tenth(clamp(y - doc.wing.yMm, [5, tip - 5])) },
  }))
  const body = doc.body
  const bodyCuts: Handle[] = !body ? [] : doc.cuts.body.map((cut, i) => ({
    id: `cut-body-${i}`, label: `Body cut ${i + 1}`, shape: 'bar', at: [cut, 0, 0], axes: ['x'], edit: `Move body cut ${i + 1}`, figure: `${cut} mm from the nose`,
    apply: (draft, [x]) => { draft.cuts.body[i] = tenth(clamp(x, [body.stations[0].xMm + 5, body.stations[body.stations.length - 1].xMm - 5])) },
  }))
  return view === 'plan' ? [...wingCuts, ...bodyCuts] : bodyCuts
}

function massHandles(doc: ProjectFile, view: ViewName): Handle[] {
  return doc.equipment.map((item, i) => ({
    id: `mass-${item.id}`, label: item.name, shape: 'box', at: [item.xMm, item.yMm, item.zMm], size: item.sizeMm, axes: item.bay ? ['x'] : view === 'plan' ? ['x', 'y'] : ['x', 'z'],
    edit: `Move ${item.name}`, figure: `${item.massG} g at ${item.xMm} mm`,
    apply: (draft, [x, y, z]) => {
      const target = draft.equipment[i]
      const half = item.sizeMm[0] / 2
      target.xMm = tenth(item.bay ? clamp(x, [item.bay[0] + half, Math.max(item.bay[0] + half, item.bay[1] - half)]) : clamp(x, LIMITS.positionMm))
      if (!item.bay && view === 'plan') target.yMm = tenth(clamp(y, LIMITS.positionMm))
      if (!item.bay && view === 'side') target.zMm = tenth(clamp(z, LIMITS.positionMm))
    },
  }))
}
