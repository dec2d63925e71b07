/**
 * Section models of an airframe's stations: solved once for each aerofoil, edge and set of measured polars.
 */
import { sectionModel, solveSection, type SectionModel } from '../../aero'
import {
  aerofoilOf,
  plateName,
  type Aerofoil,
  type MeasuredPolar,
  type Design,
  type Surface,
} from '../../document'
import { sectionOutline, type SurfaceLoft } from '../../geometry'
import { memoise, steadied } from '../../memo'

/** Panels round a section: half a thousandth in lift against twice as many. */
export const SECTION_PANELS = 100

export interface StationModels {
  s: readonly number[]
  models: readonly SectionModel[]
}

/** A section with a name is the same in every aircraft, and so is one of its own in all that share its outline. */
const flowOf = memoise((reference: string, aerofoil: Aerofoil | undefined) => {
  const outline = sectionOutline(reference, aerofoil ? [aerofoil] : [], SECTION_PANELS)
  return { flow: solveSection(outline), gap: outline.gap }
}, 40)

/** A sheet's plates are solved in steps of a thousandth of the chord: a dragged tip asks for no new polars. */
function solvedAs(reference: string): string {
  const name = aerofoilOf(reference)
  return name?.family === 'plate' ? plateName(Math.round(1000 * name.thickness) / 1000) : reference
}

/** The very same object for a surface whose sections stay where they are. */
export function createSections(): (
  loft: SurfaceLoft,
  surface: Surface,
  doc: Design,
  edgeMm: number,
) => StationModels {
  const modelOf = memoise(
    (reference: string, aerofoil: Aerofoil | undefined, gap: number, ...measured: MeasuredPolar[]) => {
      const { flow, gap: own } = flowOf(reference, aerofoil)
      const plate = !aerofoil && aerofoilOf(reference)?.family === 'plate'
      return sectionModel(flow, Math.max(own, gap), measured, plate)
    },
    60,
  )
  const same = steadied<StationModels>(12)
  return (loft, surface, doc, edgeMm) => {
    const references = [surface.rootAerofoil, ...surface.panels.map(panel => panel.tipAerofoil)].map(solvedAs)
    return same({
      s: loft.ends.map(end => end.s / 1000),
      models: loft.ends.map((end, i) => {
        // The opened edge in steps of a thousandth of the chord, so that a dragged tip does not ask for new
        // polars at every pixel.
        const gap = Math.round((1000 * edgeMm) / Math.max(1, end.chord)) / 1000
        return modelOf(
          references[i],
          doc.aerofoils.find(item => item.id === references[i]),
          gap,
          ...doc.polars.filter(polar => polar.aerofoil === references[i]),
        )
      }),
    })
  }
}

/** Between two stations along the span (m): a straight mix of what both sections say. */
export function alongSpan(
  { s, models }: StationModels,
  at: number,
  value: (model: SectionModel) => number,
): number {
  const next = Math.max(
    1,
    s.findIndex(place => place >= at),
  )
  const i = next === 0 || s.findIndex(place => place >= at) === -1 ? s.length - 1 : next
  const t = Math.min(1, Math.max(0, (at - s[i - 1]) / (s[i] - s[i - 1] || 1)))
  const a = value(models[i - 1])
  return t === 0 ? a : a + (value(models[i]) - a) * t
}
