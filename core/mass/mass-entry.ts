import type { InertiaFigures } from './inertia-figures'

export interface MassEntry {
  id: string
  name: string
  group: 'printed' | 'spar' | 'equipment' | 'payload' | 'glue' | 'wire' | 'joint' | 'small' | 'film'
  /** kg */
  mass: number
  /** m, aircraft axes. */
  x: number
  y: number
  z: number
  /** One standard deviation of mass, kg. */
  sigma: number
  /** Entries that share a name here err together (one filament's flow); null errs alone. */
  common: string | null
  source: 'printed' | 'weighed' | 'listed' | 'share' | 'reckoned'
  /** Leaves in flight. */
  drops: boolean
  /** About its own middle, kg·m². */
  own: InertiaFigures
}
