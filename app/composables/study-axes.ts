/** The figures that a study's points are compared by. */
export type Axis = 'massG' | 'hours' | 'cost' | 'reserveFactor' | 'chance'

/** `least`: the less of it the better. A share is shown in per cent. */
export const AXES: Record<
  Axis,
  { name: string; bound: string; unit: string; digits: number; least: boolean; share: boolean }
> = {
  massG: { name: 'weight', bound: 'Weight at most', unit: 'g', digits: 0, least: true, share: false },
  hours: { name: 'hours', bound: 'Hours at most', unit: 'h', digits: 1, least: true, share: false },
  cost: { name: 'cost', bound: 'Cost at most', unit: '', digits: 2, least: true, share: false },
  reserveFactor: {
    name: 'reserve',
    bound: 'Reserve at least',
    unit: '×',
    digits: 2,
    least: false,
    share: false,
  },
  chance: { name: 'chance', bound: 'Meets all at least', unit: '%', digits: 0, least: false, share: true },
}
export const AXIS_IDS = Object.keys(AXES) as Axis[]
