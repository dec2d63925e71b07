/** Control throws in millimetres at the trailing edge, from degrees, and where the hinges run. */
import { type Control, type ProjectFile, type Surface, presentSurfaces } from '../../document'
import { throwMm } from '../../geometry'

export interface Throw {
  name: string
  upMm: number
  downMm: number
  atMm: number
}

/** Chord and leading edge at a place along the span, mm, straight between the panel ends. */
function planAtSpan(surface: Surface, s: number): { lead: number; chord: number } {
  let from = 0,
    lead = surface.xMm,
    chord = surface.rootChordMm
  for (const panel of surface.panels) {
    const t = Math.min(1, Math.max(0, (s - from) / panel.spanMm))
    if (s <= from + panel.spanMm || panel === surface.panels[surface.panels.length - 1])
      return { lead: lead + t * panel.sweepMm, chord: chord + t * (panel.tipChordMm - chord) }
    from += panel.spanMm
    lead += panel.sweepMm
    chord = panel.tipChordMm
  }
  return { lead, chord }
}

const spanOf = (surface: Surface): number => surface.panels.reduce((sum, panel) => sum + panel.spanMm, 0)

/** Measured where it is easiest: at the inner end of each control surface. */
export const controlThrows = (doc: ProjectFile): Throw[] =>
  presentSurfaces(doc).flatMap(([, surface]) =>
    surface.controls.map(control => {
      const atMm = control.fromShare * spanOf(surface)
      const hinge = planAtSpan(surface, atMm).chord * control.chordShare
      return {
        name: control.name,
        upMm: throwMm(hinge, control.throwUpDeg),
        downMm: throwMm(hinge, control.throwDownDeg),
        atMm,
      }
    }),
  )

/**
 * Hinge lines of the wing and tailplane in plan, mm: inner end, then outer end; starboard, and port where
 * there is one.
 */
export function hingeLines(
  doc: ProjectFile,
): Array<{ name: string; points: [number, number, number, number] }> {
  const flat = presentSurfaces(doc)
    .map(([, surface]) => surface)
    .filter(surface => Math.abs(surface.cantDeg) < 60)
  const end = (surface: Surface, control: Control, share: number) => {
    const s = share * spanOf(surface)
    const { lead, chord } = planAtSpan(surface, s)
    return [
      lead + (1 - control.chordShare) * chord,
      surface.yMm + s * Math.cos((surface.cantDeg * Math.PI) / 180),
    ] as const
  }
  return flat.flatMap(surface =>
    surface.controls
      .filter(control => control.chordShare < 1)
      .flatMap(control => {
        const [a, b] = [end(surface, control, control.fromShare), end(surface, control, control.toShare)]
        return (surface.mirror ? [1, -1] : [1]).map(side => ({
          name: control.name,
          points: [a[0], side * a[1], b[0], side * b[1]] as [number, number, number, number],
        }))
      }),
  )
}
