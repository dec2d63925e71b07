/** The places of an assessment that bear least, wing and all else alike, weakest first. */
import type { Assessment, PlaceReport } from '../../assess'
import type { Words } from '../../units'

export interface Weakness {
  /** Stays the same from one assessment to the next: part and mode, and for other parts the place. */
  id: string
  part: 'wing' | PlaceReport['part']
  mode: string
  /** mm along the wing from the root, or aft of the nose. */
  atMm: number
  label: string
  case: string
  reserve: number
  subject: string
  remedy: Words
}

/** Where the halves meet carries otherwise than the rest. mm from the root */
export const inMiddle = (s: number): boolean => s < 1

/** Neighbouring stations of the wing that fail alike are one weakness: the least of them. */
export function weaknesses({ strength }: Assessment): Weakness[] {
  const wing = new Map<string, Weakness>()
  for (const { s, mode, reserve, case: by } of strength.stations) {
    const id = `wing-${mode}-${inMiddle(s) ? 'middle' : 'out'}`
    const known = wing.get(id)
    if (!known || reserve < known.reserve)
      wing.set(id, {
        id,
        part: 'wing',
        mode,
        atMm: s,
        label: 'Wing',
        case: by,
        reserve,
        subject: '',
        remedy: '',
      })
  }
  const others = strength.places.map((place): Weakness => ({
    id: `${place.id}`,
    part: place.part,
    mode: place.mode,
    atMm: place.xMm,
    label: place.label,
    case: place.case,
    reserve: place.reserve,
    subject: place.subject,
    remedy: place.remedy,
  }))
  return [...wing.values(), ...others].sort((a, b) => a.reserve - b.reserve)
}
