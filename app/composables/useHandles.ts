/**
 * What can be grabbed on the drawing at each station, and the edit that dragging it makes. Places in mm of
 * the view.
 */
import type { Draft } from 'immer'
import { LIMITS, type ProjectFile, type Surface, type SurfaceName } from '../../core/document'
import { placePoint, sparLines, type SurfaceLoft } from '../../core/geometry'
import { LIBRARIES } from '../../core/libraries'
import { amount } from './format'
import { planStations } from './plan-stations'
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

export function handlesFor(
  station: StationId,
  view: ViewName,
  doc: ProjectFile,
  wing: SurfaceLoft | null,
  part: SurfaceName | 'body' = 'wing',
): Handle[] {
  // From above the body's handles would lie among the wing's: one or the other.
  if (station === 'shape' && view === 'plan')
    return part === 'body'
      ? [...bodyHandles(doc, view), ...ductHandles(doc, view), ...podHandles(doc, view)]
      : shapeHandles(doc, part)
  if (station === 'shape' && view === 'side')
    return [
      ...bodyHandles(doc, view),
      ...ductHandles(doc, view),
      ...podHandles(doc, view),
      ...finHandles(doc),
    ]
  if (station === 'spine' && view === 'plan' && wing) return sparHandles(doc, wing)
  if (station === 'split' && (view === 'plan' || view === 'side')) return cutHandles(doc, view)
  if (station === 'balance' && (view === 'side' || view === 'plan')) return massHandles(doc, view)
  return []
}

/**
 * Root, panel ends and chords of the wing, and of a tailplane that lies flat. From above two wings cover each other:
 * the one whose figures are looked at has its handles.
 */
function shapeHandles(doc: ProjectFile, part: SurfaceName | 'body'): Handle[] {
  const tail = doc.tail.kind !== 'none' && doc.tail.kind !== 'V' ? doc.tail.horizontal : null
  return [
    ...(part === 'second' && doc.second
      ? planHandles(doc.second, 'second wing', 'second-', draft => draft.second as Surface)
      : planHandles(doc.wing, 'wing', '', draft => draft.wing as Surface)),
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

/** Stations of the body by their width from above, by their top and underside from the side. */
function bodyHandles(doc: ProjectFile, view: 'plan' | 'side'): Handle[] {
  const list = doc.body?.stations ?? []
  return list.flatMap(({ xMm, widthMm, heightMm, zMm }, i): Handle[] => {
    const name = `body station ${i + 1}`
    const along = (x: number) =>
      tenth(
        clamp(x, [
          (list[i - 1]?.xMm ?? LIMITS.positionMm[0] - 1) + 1,
          (list[i + 1]?.xMm ?? LIMITS.positionMm[1] + 1) - 1,
        ]),
      )
    const sized = (mm: number) => tenth(clamp(mm, LIMITS.bodySizeMm))
    if (view === 'plan')
      return [
        {
          id: `body-wide-${i}`,
          label: `Side of ${name}`,
          shape: 'round',
          at: [xMm, widthMm / 2, zMm],
          axes: ['x', 'y'],
          edit: `Move the side of ${name}`,
          figure: `${length(widthMm)} wide at ${length(xMm)}`,
          apply: (draft, [x, y]) => {
            const own = draft.body!.stations[i]
            own.xMm = along(x)
            own.widthMm = sized(2 * Math.abs(y))
          },
        },
      ]
    const [top, under] = [zMm + heightMm / 2, zMm - heightMm / 2]
    // The other edge stays where it is.
    const between = (draft: Draft<ProjectFile>, high: number, low: number, kept: 'high' | 'low') => {
      const own = draft.body!.stations[i]
      own.heightMm = sized(high - low)
      own.zMm = tenth(kept === 'low' ? low + own.heightMm / 2 : high - own.heightMm / 2)
    }
    return [
      {
        id: `body-top-${i}`,
        label: `Top of ${name}`,
        shape: 'round',
        at: [xMm, 0, top],
        axes: ['x', 'z'],
        edit: `Move the top of ${name}`,
        figure: `${length(heightMm)} high at ${length(xMm)}`,
        apply: (draft, [x, , z]) => {
          draft.body!.stations[i].xMm = along(x)
          between(draft, z, under, 'low')
        },
      },
      {
        id: `body-under-${i}`,
        label: `Underside of ${name}`,
        shape: 'round',
        at: [xMm, 0, under],
        axes: ['z'],
        edit: `Move the underside of ${name}`,
        figure: `${length(heightMm)} high at ${length(xMm)}`,
        apply: (draft, [, , z]) => between(draft, top, z, 'high'),
      },
    ]
  })
}

/** Stations of the duct through the body, by their middles. */
function ductHandles({ duct, body }: ProjectFile, view: 'plan' | 'side'): Handle[] {
  const list = (body && duct?.stations) ?? []
  return list.map(({ xMm, yMm, zMm }, i): Handle => {
    const name = i === 0 ? 'intake' : i === list.length - 1 ? 'outlet' : `duct station ${i + 1}`
    return {
      id: `duct-${i}`,
      label: `Middle of the ${name}`,
      shape: 'round',
      at: [xMm, yMm, zMm],
      axes: view === 'plan' ? ['x', 'y'] : ['x', 'z'],
      edit: `Move the ${name}`,
      figure:
        view === 'plan'
          ? `${length(yMm)} from the middle at ${length(xMm)}`
          : `${length(zMm)} high at ${length(xMm)}`,
      apply: (draft, [x, y, z]) => {
        const own = draft.duct!.stations[i]
        own.xMm = tenth(
          clamp(x, [
            (list[i - 1]?.xMm ?? LIMITS.positionMm[0] - 1) + 1,
            (list[i + 1]?.xMm ?? LIMITS.positionMm[1] + 1) - 1,
          ]),
        )
        if (view === 'plan') own.yMm = tenth(clamp(y, [0, 2000]))
        else own.zMm = tenth(clamp(z, LIMITS.positionMm))
      },
    }
  })
}

/** Where each pod stands, by its nose. */
const podHandles = (doc: ProjectFile, view: 'plan' | 'side'): Handle[] =>
  doc.pods.map(({ piece, name, xMm, yMm, zMm, pair, body }): Handle => {
    const nose = body.stations[0]!
    return {
      id: `pod-${piece}`,
      label: `Place of ${name}`,
      shape: 'round',
      at: [xMm + nose.xMm, yMm, zMm + nose.zMm],
      axes: view === 'plan' ? ['x', 'y'] : ['x', 'z'],
      edit: `Move ${name}`,
      figure:
        view === 'plan'
          ? `${length(yMm)} from the middle, nose at ${length(xMm)}`
          : `nose at ${length(xMm)}, ${length(zMm)} high`,
      apply: (draft, [x, y, z]) => {
        const own = draft.pods.find(pod => pod.piece === piece)!
        own.xMm = tenth(clamp(x - nose.xMm, LIMITS.positionMm))
        if (view === 'plan')
          own.yMm = tenth(clamp(y, [pair ? 1 : LIMITS.positionMm[0], LIMITS.positionMm[1]]))
        else own.zMm = tenth(clamp(z - nose.zMm, LIMITS.positionMm))
      },
    }
  })

/** A fin that stands, from the side: its panel ends and chords, as the wing's from above. */
function finHandles(doc: ProjectFile): Handle[] {
  const fin = doc.tail.kind === 'V' ? null : doc.tail.vertical
  if (!fin || Math.abs(fin.cantDeg) < 60) return []
  const rise = Math.sin((fin.cantDeg * Math.PI) / 180)
  return planHandles(fin, 'fin', 'fin-', draft => draft.tail.vertical as Surface).map(handle => {
    const z = fin.zMm + rise * (handle.at[1] - fin.yMm)
    return {
      ...handle,
      at: [handle.at[0], fin.yMm, z],
      axes: handle.axes.map(axis => (axis === 'y' ? 'z' : axis)),
      apply: (draft, [x, , to]) => handle.apply(draft, [x, fin.yMm + (to - fin.zMm) / rise, 0]),
    }
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
